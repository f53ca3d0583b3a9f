/** What one tab tells another of the practice pot; a file of its own, so that two rooms share no more than it. */
export const CHANNEL = 'ovalis practice pot';
