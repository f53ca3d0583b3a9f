/** Where a dish may stand. */
export const REST_PLACES = ['room', 'fridge', 'fan fridge', 'freezer', 'cold water', 'ice bath'] as const;
export type RestPlace = (typeof REST_PLACES)[number];
/** Where a fridge's own pace counts. */
export const FRIDGES: readonly RestPlace[] = ['fridge', 'fan fridge'];
/** Where it may stay for days. */
export const KEEPS_COLD: readonly RestPlace[] = ['fridge', 'fan fridge', 'freezer'];
