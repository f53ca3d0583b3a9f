import { solve } from '../advice/solve';
import { add, EMPTY, massG, mixtureOf, type Mixture } from '../matter/mixture';
import { dishHistory, hotIn, judge } from '../model/forecast';
import { runMethod, type Run } from '../model/run';
import { wetted, usualBowl } from '../plan/amounts';
import { laidOut } from '../plan/layout';
import type { Bowl, HeatStep, MethodStep } from '../plan/method';
import { newPlan } from '../plan/newPlan';
import { lookUp } from '../plan/bowls';
import type { Family, Plan } from '../plan/plan';
import { HOBS, PANS, type Hob } from '../pantry/kitchen';
import { pantryWith } from '../pantry/pantry';
import { GRAINS } from '../pot/grain';
import { suggestSettings } from '../pot/hob';
import { boundsFor, type SetWord } from '../texture/words';

/** The dishes that anchors are asked of: grams in, depth of the dish, hours in the cold. */
export type Asked = {
  /** g of the liquid, and of everything else by its id */
  liquid?: string;
  liquidG?: number;
  items: Readonly<Record<string, number>>;
  family?: Family;
  style?: Plan['serve']['style'];
  word?: SetWord;
  depthMm?: number;
  /** degC at which it is eaten, and hours from pouring to then */
  tempC?: number;
  hours?: number;
  method?: Partial<Plan['method']>;
  choices?: Plan['choices'];
  /** where something goes in, where it is not in its usual bowl */
  bowls?: Readonly<Record<string, Bowl>>;
  steps?: readonly MethodStep[];
  hob?: Hob;
};

export const RINGS = {
  gas: HOBS[1]!,
  electric: HOBS[3]!,
  plate: HOBS[4]!,
  induction: HOBS[5]!,
} as const;
const POT_ML = 0.95;

/** g of sugar to 100 g of milk, and the litre of it that anchors are asked of. */
export const SUGAR_PER_100 = 8;
export const LITRE_G = 1000;

export function dishOf(a: Asked): Plan {
  const liquid = a.liquid ?? 'milk_whole';
  const liquidG = a.liquidG ?? LITRE_G;
  const base = newPlan({
    id: 'anchor',
    name: 'Anchor',
    milkId: liquid,
    people: 8,
    portionG: 130,
    serveAt: '2026-12-12T19:30:00Z',
    family: a.family ?? 'starch-set milk pudding',
  });
  const depthMm = a.depthMm ?? 45;
  const total = liquidG + Object.values(a.items).reduce((s, g) => s + g, 0);
  const heightMm = Math.min(250, depthMm / 0.9);
  const { name: _ring, ...hob } = { name: '', ...(a.hob ?? base.hob) };
  const pan = total > 2200 ? PANS[2]! : PANS[1]!;
  const { things, puts } = laidOut([
    { ingredientId: liquid, grams: liquidG, in: 'pot' },
    ...Object.entries(a.items).map(([ingredientId, grams]) => ({
      ingredientId,
      grams,
      in: a.bowls?.[ingredientId] ?? usualBowl(lookUp(base, ingredientId)),
    })),
  ]);
  return wetted({
    ...base,
    things,
    acts: [...puts, ...(a.steps ?? [])],
    pan,
    hob,
    method: { ...base.method, ...suggestSettings(hob, pan.diameterMm, total), cookOnMin: 1.5, ...a.method },
    choices: a.choices ?? base.choices,
    dish: {
      kind: 'mould',
      count: 6,
      capacityMl: (total * POT_ML) / 6 / 0.9,
      heightMm,
      wall: 'ceramic',
    },
    rest: { ...base.rest, roomMin: 20, hours: a.hours ?? 5.33 },
    serve: { ...base.serve, style: a.style ?? 'spooned', word: a.word ?? 'mounds', tempC: a.tempC ?? 6 },
  });
}

/** g of the thickener to 100 g of liquid that the solver lands on. */
export function solvedPer100(a: Asked, thickener = 'cornstarch'): number {
  const plan = dishOf({
    ...a,
    items: { sugar: SUGAR_PER_100 * 10, ...a.items, [thickener]: a.items[thickener] ?? 50 },
  });
  const s = solve(plan, { free: [{ ingredientId: thickener }] });
  return s.ok ? (100 * s.amounts[0]!.grams) / (a.liquidG ?? LITRE_G) : NaN;
}

/** Cooked under a lid, so that next to nothing boils off: grain until it is soft and ten minutes more, starch two minutes. */
function underLid(thickener: string, grams: number): Asked {
  const kind = pantry.get(thickener)!.thickener!;
  const isGrain = GRAINS[kind].form !== 'powder';
  const lid = { watts: 200, stirEveryS: 5, lid: 'on' } as const;
  return {
    items: { sugar: 80, [thickener]: grams },
    steps: [
      {
        do: 'pour',
        to: 'pot',
        from: isGrain ? 'grain' : 'slurry',
        tempC: 20,
        how: 'cold slurry',
        stirring: 'whisk',
        soakMin: 0,
        left: 0,
      },
      heatStep({ role: 'thicken', watts: 900, stirEveryS: 5, lid: 'on', until: { reach: 'bubble' } }),
      ...(isGrain ? [heatStep({ role: 'simmer', ...lid, until: { reach: 'grain', bite: 0.95 } })] : []),
      heatStep({ role: 'cook on', ...lid, until: { reach: 'time', minutes: isGrain ? 10 : 2 } }),
      { do: 'pour', to: 'dish' },
      { do: 'rest', where: 'fridge', minutes: 300, tempC: 4, covered: true },
    ],
  };
}
/** g a litre of what mounds, of cornstarch. */
const MOUNDS_G = 45;

/** g of another thickener to 1 g of cornstarch for the same cold set, in milk, where nothing boils off. */
export function perCornstarch(thickener: string): number {
  const stress = (id: string, grams: number) => cooked(underLid(id, grams)).cold.yieldPa;
  const wanted = stress('cornstarch', MOUNDS_G);
  let low = MOUNDS_G / 2;
  let high = MOUNDS_G * 4;
  for (let i = 0; i < 14; i++) {
    const mid = (low + high) / 2;
    if (stress(thickener, mid) < wanted) low = mid;
    else high = mid;
  }
  return high / MOUNDS_G;
}

const pantry = pantryWith();
/** What these grams are together, for anchors that are asked of a bare pot. */
export const mix = (amounts: Readonly<Record<string, number>>): Mixture =>
  Object.entries(amounts).reduce((sum, [id, g]) => add(sum, mixtureOf(pantry.get(id)!, g)), EMPTY);

/** A stretch on the hob: gentle, with a spoon, no lid, unless it is said. */
export function heatStep(step: Partial<HeatStep> & Pick<HeatStep, 'role' | 'until'>): MethodStep {
  return {
    do: 'heat',
    setting: 0,
    limitMin: 40,
    stirEveryS: 2,
    tool: 'spoon',
    lid: 'off',
    wrapped: false,
    ...step,
  };
}

export type Cooked = { run: Run; hot: ReturnType<typeof hotIn>; cold: ReturnType<typeof judge>; lossRel: number };
/** The dish cooked: hot in the pot, and as it is served. */
export function cooked(a: Asked): Cooked {
  const plan = dishOf(a);
  const run = runMethod(plan, {});
  const bounds = boundsFor(plan.serve.style, run.depthM);
  const { serving } = dishHistory(plan, run, plan.rest.hours);
  const went = plan.things.reduce((s, i) => s + i.grams, 0);
  return {
    run,
    hot: hotIn(plan, run),
    cold: judge(plan, run, serving, bounds),
    lossRel: 1 - massG(run.pot.content) / went,
  };
}
