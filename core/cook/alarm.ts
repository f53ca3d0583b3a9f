import type { Margin } from './margins';

/** The one to call, if any: one at a time, the worst first. */
export const alarmOf = (margins: readonly Margin[]): Margin | undefined => margins.find((m) => m.state === 'alarm');
