import { keepLightly, local } from './local';

/** The cook's own kitchen, and the choir's supper to look round in: kept apart, one of them open. */
const KITCHEN_NAMES = ['own', 'choir'] as const;
export type KitchenName = (typeof KITCHEN_NAMES)[number];

const OPEN = 'ovalis-kitchen';
const isName = (text: string | null): text is KitchenName => KITCHEN_NAMES.some((name) => name === text);

/** Where something is kept that belongs to one kitchen. The cook's own keeps the names that it always had. */
export const keyIn = (kitchen: KitchenName, key: string): string => (kitchen === 'own' ? key : `${key}-${kitchen}`);

const everKeptKey = (kitchen: KitchenName) => keyIn(kitchen, 'ovalis-kept');
/** Whether this kitchen was ever kept here: then one that is gone was taken away, and nothing takes its place. */
export const everKept = (kitchen: KitchenName): boolean => local().getItem(everKeptKey(kitchen)) !== null;
export const nowKept = (kitchen: KitchenName) => keepLightly(everKeptKey(kitchen), '1');

export function openKitchen(kitchen: KitchenName) {
  keepLightly(OPEN, kitchen);
}

/** That of this page for good: another tab may open the other. */
let ofThisPage: KitchenName | undefined;

/**
 * The kitchen that is open. Before anything was chosen the first page asks; whoever comes to a room by its address looks
 * round the choir's supper.
 */
export function whichKitchen(pathname: string): KitchenName | undefined {
  if (ofThisPage) return ofThisPage;
  const open = local().getItem(OPEN);
  ofThisPage = isName(open) ? open : everKept('own') ? 'own' : pathname === '/' ? undefined : 'choir';
  if (ofThisPage) openKitchen(ofThisPage);
  return ofThisPage;
}

const PLACE = 'ovalis-place';
/** The room that was open last, with its plan, pot or day. */
export const keepPlace = (kitchen: KitchenName, address: string) => keepLightly(keyIn(kitchen, PLACE), address);
export const placeKept = (kitchen: KitchenName): string => local().getItem(keyIn(kitchen, PLACE)) ?? '/plan';
