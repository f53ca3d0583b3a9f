/** What stirs. */
export const TOOLS = ['spoon', 'whisk', 'scraper'] as const;
export type Tool = (typeof TOOLS)[number];
/** How a lid lies. */
export const LIDS = ['off', 'ajar', 'on'] as const;
export type Lid = (typeof LIDS)[number];
