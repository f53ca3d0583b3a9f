import type { Said } from '../say';

/** What waits for an item: nothing may be weighed, cooked, baked, poured or served before it is done. */
export type Before = 'weigh' | 'cook' | 'bake' | 'pour' | 'serve';

export const PREP_GROUPS = [
  'long steps first',
  'grain and nuts',
  'milk and egg',
  'fruit',
  'kept back',
  'dish and oven',
  'machines',
  'within reach',
] as const;
type PrepGroup = (typeof PREP_GROUPS)[number];

export type PrepItem = {
  id: string;
  group: PrepGroup;
  title: Said;
  how: Said;
  /** how the fingers know that it is right */
  feel?: Said;
  caution?: Said;
  handsMin: number;
  /** it then takes this long by itself: it has a timer */
  waitMin?: number;
  /** of an oven or a bath */
  tempC?: number;
  before: Before;
  /** says what is at hand instead, or is only looked at: no minutes of the day */
  advice?: boolean;
  /** the paper is drawn there */
  lining?: boolean;
};
