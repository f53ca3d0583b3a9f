import { clamp, table } from '../coefficients';
import type { Mixture } from '../matter/mixture';
import { massG } from '../matter/mixture';
import { amylaseThins } from '../pot/egg';
import { GRAINS } from '../pot/grain';
import type { Body, Fraction } from '../pot/paste';
import type { StarchSpecies } from '../pot/starch';

/** Days in the fridge, a night in the freezer: weeping, thinning, sponge. */
export const KEEPING = table('Keeping', {
  maizePct: [3.45, '%', 'C', 'water wept in 3 days at 4 degC by a very thin maize gel'],
  wheatPct: [4.95, '%', 'C', 'wheat'],
  ricePct: [4.9, '%', 'C', 'rice'],
  waxyPct: [0.9, '%', 'C', 'waxy rice and tapioca'],
  potatoPct: [3.2, '%', 'C', 'potato'],
  perC: [6.9, '1', 'C', 'weeping falls by this per unit of starch concentration'],
  daysPower: [0.6, '1', 'C', 'weeping grows with days to this power'],
  milkFat: [0.02, '1/%', 'C', 'and falls per % of fat'],
  frozenMaize: [35, '%', 'B', 'water pressed out after freezing and thawing, maize and wheat, 20 to 50'],
  frozenRice: [20, '%', 'B', 'rice, 10 to 30'],
  frozenWaxy: [4, '%', 'B', 'waxy rice, under 5'],
  frozenEgg: [12, '%', 'B', 'egg custards, 5 to 20'],
  keepDays: [3, 'd', 'B', 'usual keeping in the fridge, covered and dated'],
  keepEggDays: [2, 'd', 'B', 'with egg'],
});

const WEEPS: Record<StarchSpecies, number> = {
  maize: KEEPING.maizePct,
  wheat: KEEPING.wheatPct,
  rice: KEEPING.ricePct,
  'long rice': KEEPING.ricePct,
  'short rice': KEEPING.ricePct * 0.8,
  basmati: KEEPING.ricePct,
  jasmine: KEEPING.ricePct * 0.8,
  'waxy rice': KEEPING.waxyPct,
  tapioca: KEEPING.waxyPct,
  potato: KEEPING.potatoPct,
};
const FROZEN: Record<StarchSpecies, number> = {
  maize: KEEPING.frozenMaize,
  wheat: KEEPING.frozenMaize,
  rice: KEEPING.frozenRice,
  'long rice': KEEPING.frozenRice,
  'short rice': KEEPING.frozenRice,
  basmati: KEEPING.frozenRice,
  jasmine: KEEPING.frozenRice,
  'waxy rice': KEEPING.frozenWaxy,
  tapioca: KEEPING.frozenWaxy,
  potato: KEEPING.frozenMaize,
};

const bySpecies = (fractions: readonly Fraction[], of: Record<StarchSpecies, number>): number => {
  let sum = 0;
  let mass = 0;
  for (const f of fractions) {
    sum += f.starchG * of[GRAINS[f.kind].species];
    mass += f.starchG;
  }
  return mass > 0 ? sum / mass : 0;
};

/** Water wept after days in the fridge, % of the mass. */
export function weepPct(m: Mixture, fractions: readonly Fraction[], body: Body, days: number): number {
  const fatPct = (100 * m.fatG) / massG(m);
  return (
    bySpecies(fractions, WEEPS) *
    clamp(1 - KEEPING.perC * body.c, 0.1, 1) *
    (days / 3) ** KEEPING.daysPower *
    Math.max(0.4, 1 - KEEPING.milkFat * fatPct)
  );
}

/** Water pressed out after freezing and thawing, % of the water. */
export const thawedPct = (m: Mixture, fractions: readonly Fraction[]): number =>
  fractions.length ? bySpecies(fractions, FROZEN) : m.eggProteinG > 0 ? KEEPING.frozenEgg : 0;

/** What is left of the consistency when yolk amylase survived the pot, 0 to 1. @param logReduction of the enzyme */
export const overnight = (m: Mixture, logReduction: number, hours: number, tempC: number): number =>
  m.yolkG > 0 && m.starchG > 0.002 * massG(m) ? amylaseThins(10 ** -logReduction, m.yolkG / massG(m), hours, tempC) : 1;
