import { linesOf, partsOf, withParts } from './layout';
import { BESIDE_USES, purposeOf } from './method';
import { table } from '../coefficients';
import { massG } from '../matter/mixture';
import { lookUp, wholeMixture } from './bowls';
import { withGrams } from './amounts';
import type { Plan } from './plan';
import { say, type Said } from '../say';

/** How sweet, salt and sour a plan tastes, on the mass that is eaten. */
const TASTE = table('Taste', {
  /** mass of acid per unit of buffering and pH below milk's own: scaled so that lemon juice is 6 % */
  sourPerBuffer: [0.17, '%', 'C', 'acid % per unit of buffering and pH below 6.7'],
  sourHides: [2.2, '%/%', 'C', 'sweetness that 1 % of acid hides'],
  coldHides: [0.006, '1/K', 'C', 'sweetness lost per kelvin below 35 degC'],
});

export type Taste = {
  /** sugar-equivalent on the finished dish, % */
  sweetPct: number;
  saltPct: number;
  sourPct: number;
  /** what it tastes like cold and beside its acid: sugar-equivalent, % */
  feltPct: number;
  /** held back to taste, and how sweet it is without that */
  heldG: number;
  withoutHeldPct: number;
  says: Said;
};

const word = (pct: number): Said =>
  say(`taste.sweet.${pct < 3 ? 'hardly' : pct < 6.5 ? 'gently' : pct < 11 ? 'just' : pct < 16 ? 'very' : 'too'}`);

/** @param endMassG what is left after cooking, from the forecast */
export function tasteOf(plan: Plan, endMassG: number): Taste {
  const m = wholeMixture(plan);
  const sweetPct = (100 * m.sweetG) / endMassG;
  const sourG = linesOf(plan).reduce((sum, i) => {
    const x = lookUp(plan, i.ingredientId);
    if (BESIDE_USES.includes(purposeOf(i.in)) || x.ph === undefined || x.ph >= 5.5) return sum;
    return sum + (i.grams * TASTE.sourPerBuffer * (x.buffer ?? 1) * (6.7 - x.ph)) / 100;
  }, 0);
  const sourPct = (100 * sourG) / endMassG;
  const cold = Math.max(0, 35 - plan.serve.tempC);
  const felt = (pct: number) => Math.max(0, pct * (1 - TASTE.coldHides * cold) - TASTE.sourHides * sourPct);
  const heldG = partsOf(plan)
    .filter((c) => c.taste)
    .reduce((sum, c) => {
      const i = lookUp(plan, c.ingredientId);
      return sum + c.grams * (i.per100.sugar / 100) * (i.sweetness ?? 1);
    }, 0);
  const feltPct = felt(sweetPct);
  return {
    sweetPct,
    saltPct: (100 * m.saltG) / endMassG,
    sourPct,
    feltPct,
    heldG,
    withoutHeldPct: (100 * (m.sweetG - heldG)) / endMassG,
    says: say(sourPct <= 0.15 ? 'taste.plain' : sourPct > feltPct / 12 ? 'taste.sharp' : 'taste.fruity', {
      sweet: word(feltPct),
    }),
  };
}

/** The sugar there is most of: what sweetness is held with. */
export const mainSweet = (plan: Plan): string | undefined =>
  plan.things.filter((i) => lookUp(plan, i.ingredientId).group === 'sweet').sort((a, b) => b.grams - a.grams)[0]
    ?.ingredientId;

/**
 * `next` with its main sugar moved so that it is as sweet as `before`, g for g of what goes in. Without a sugar, or where
 * the rest is sweeter already, as near as can be.
 */
export function holdSweetness(before: Plan, next: Plan): Plan {
  const share = (p: Plan) => {
    const m = wholeMixture(p);
    return m.sweetG / Math.max(1, massG(m));
  };
  const id = mainSweet(next);
  if (!id) return next;
  const wanted = share(before);
  const of = (grams: number) => withGrams(next, id, grams);
  let lo = 0;
  let hi = 8000;
  for (let i = 0; i < 40; i++) {
    const mid = (lo + hi) / 2;
    if (share(of(mid)) < wanted) lo = mid;
    else hi = mid;
  }
  return of(Math.round(lo * 2) / 2);
}

/** Holds back a share of an ingredient to be added by tasting; nothing is held when nobody may taste. */
export function holdBack(plan: Plan, ingredientId: string, share: number): Plan {
  const line = linesOf(plan).find((i) => i.ingredientId === ingredientId);
  const others = partsOf(plan).filter((c) => !(c.taste && c.ingredientId === ingredientId));
  if (!line || share <= 0 || plan.rules.includes('nobody tastes')) return withParts(plan, others);
  return withParts(plan, [
    ...others,
    { ingredientId, grams: Math.round(line.grams * Math.min(0.5, share) * 10) / 10, in: line.in, taste: true },
  ]);
}

/** Share of an ingredient that is held back, 0 to 0.5. */
export function heldShare(plan: Plan, ingredientId: string): number {
  const grams = plan.things.find((i) => i.ingredientId === ingredientId)?.grams ?? 0;
  const held = partsOf(plan).find((c) => c.taste && c.ingredientId === ingredientId)?.grams ?? 0;
  return grams > 0 ? held / grams : 0;
}
