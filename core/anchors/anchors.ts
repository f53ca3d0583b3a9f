import type { Anchor } from './anchor';
import { COLD_ANCHORS } from './cold';
import { EGG_ANCHORS } from './egg';
import { GRAIN_ANCHORS } from './grain';
import { POT_ANCHORS } from './pot';
import { WAY_ANCHORS } from './ways';
import { OTHER_ANCHORS, STARCH_ANCHORS } from './starch';

/** Every thing that kitchens agree on, in the order of the page. */
export const ANCHORS: readonly Anchor[] = [
  ...STARCH_ANCHORS,
  ...OTHER_ANCHORS,
  ...GRAIN_ANCHORS,
  ...WAY_ANCHORS,
  ...EGG_ANCHORS,
  ...POT_ANCHORS,
  ...COLD_ANCHORS,
];
