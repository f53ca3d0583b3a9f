import { table } from '../coefficients';
import { heatOf } from '../matter/capacity';
import { massG, mixtureOf } from '../matter/mixture';
import type { Ingredient } from '../pantry/ingredient';
import type { LaidPortion } from './bowls';

/** Where things are kept until they are used, and how warm they are then. */
export const KEPT = table('Where things are kept', {
  fridgeC: [6, 'degC', 'B', 'milk, cream, egg and an open carton, on the way from the fridge to the pot'],
  tapC: [15, 'degC', 'B', 'cold water from the tap, 8 to 20 by season'],
});

/** Milk that stands in the cupboard: tins, until they are opened. */
const TINNED = ['evaporated', 'condensed'];

/** degC that a thing has when it is taken out to be used. */
export function keptC(i: Ingredient, roomC: number): number {
  if (i.id === 'water') return Math.min(roomC, KEPT.tapC);
  const fresh = i.group === 'egg' || (i.group === 'milk' && i.base !== 'coconut' && !TINNED.includes(i.id));
  return fresh || i.id === 'butter' ? Math.min(roomC, KEPT.fridgeC) : roomC;
}

/** degC of several things that are stirred together; the room's where there is nothing. */
export function keptTogetherC(portions: readonly Pick<LaidPortion, 'ingredient' | 'grams'>[], roomC: number): number {
  let joules = 0;
  let warm = 0;
  for (const p of portions) {
    const m = mixtureOf(p.ingredient, p.grams);
    const perK = heatOf(massG(m), m.waterG);
    joules += perK;
    warm += perK * keptC(p.ingredient, roomC);
  }
  return joules > 0 ? warm / joules : roomC;
}
