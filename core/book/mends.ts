import { purposeOf, intoPot, onTop } from '../plan/method';
import { forecastFrom, type Forecast } from '../model/forecast';
import { runMethod } from '../model/run';
import { followSteps } from '../plan/methodList';
import { methodOf } from '../plan/family';
import type { Choices, Plan } from '../plan/plan';
import { DISHES, PANS } from '../pantry/kitchen';
import { dishesFor } from '../plan/newPlan';
import type { Flaw } from './batch';

/** One change of a plan: what of it, from what, to what. */
export type Change = { what: ChangeOf; from: string | number; to: string | number };
export const CHANGES = [
  'cook on',
  'heat',
  'stir',
  'slurry',
  'hours',
  'oven',
  'cover',
  'mould',
  'yolks',
  'egg off',
  'over',
  'grain',
  'soak',
  'pan',
  'dish',
  'top',
] as const;
export type ChangeOf = (typeof CHANGES)[number];

type Try = { change: Change; plan: Plan };

const method = (plan: Plan, part: Partial<Plan['method']>): Plan => ({ ...plan, method: { ...plan.method, ...part } });
const choose = (plan: Plan, part: Choices): Plan => ({ ...plan, choices: { ...plan.choices, ...part } });

/** The setting of the ring, so many lower, and what follows it. */
function cooler(plan: Plan): Try[] {
  const { heatSetting: from, simmerSetting } = plan.method;
  return [1, 2, 3]
    .map((by) => from - by)
    .filter((to) => to >= 2)
    .map((to) => ({
      change: { what: 'heat', from, to },
      plan: method(plan, { heatSetting: to, simmerSetting: Math.min(simmerSetting, to) }),
    }));
}

function closerStirred(plan: Plan): Try[] {
  const from = plan.method.stirEveryS;
  return [0.6, 0.35]
    .map((share) => Math.max(1, Math.round(from * share)))
    .filter((to) => to < from)
    .map((to) => ({ change: { what: 'stir', from, to }, plan: method(plan, { stirEveryS: to }) }));
}

function cookedOn(plan: Plan, byMin: readonly number[]): Try[] {
  const from = plan.method.cookOnMin;
  return byMin
    .map((by) => Math.min(90, from + by))
    .filter((to) => to >= 0 && to !== from)
    .map((to) => ({ change: { what: 'cook on', from, to }, plan: method(plan, { cookOnMin: to }) }));
}

/** A choice of the method that is another now; nothing where it is so already or was never asked. */
function other<K extends keyof Choices>(
  plan: Plan,
  what: ChangeOf,
  key: K,
  usual: string,
  to: Choices[K] & string,
): Try[] {
  const from = String(plan.choices[key] ?? usual);
  return from === to ? [] : [{ change: { what, from, to }, plan: choose(plan, { [key]: to } as Choices) }];
}

const longer = (plan: Plan, f: Forecast): Try[] => {
  const from = plan.rest.hours;
  return [Math.ceil((Number.isFinite(f.readyH) ? f.readyH : from) + 1), Math.ceil(from * 1.5), Math.ceil(from * 2)]
    .filter((to) => to > from && to <= 48)
    .map((to) => ({
      change: { what: 'hours', from, to },
      plan: { ...plan, rest: { ...plan.rest, hours: to } },
    }));
};

function ovenBy(plan: Plan, byK: readonly number[]): Try[] {
  const bake = methodOf(plan).find((s) => s.do === 'bake');
  if (!bake) return [];
  const from = bake.ovenC;
  return byK
    .map((by) => from + by)
    .filter((to) => to >= 80 && to <= 280)
    .map((to) => ({ change: { what: 'oven', from, to }, plan: choose(plan, { ovenC: to }) }));
}

const widerPan = (plan: Plan): Try[] =>
  PANS.filter((p) => p.diameterMm > plan.pan.diameterMm)
    .slice(0, 1)
    .map((pan) => ({
      change: { what: 'pan', from: plan.pan.diameterMm, to: pan.diameterMm },
      plan: { ...plan, pan: { ...pan } },
    }));

/** Lower moulds, for what is turned out: a block bears its own height. */
const lowerDish = (plan: Plan): Try[] =>
  plan.serve.style === 'turned out'
    ? DISHES.filter((d) => d.kind === 'mould' && d.heightMm < plan.dish.heightMm)
        .slice(0, 1)
        .map(({ name: _name, ...dish }) => ({
          change: { what: 'dish', from: plan.dish.heightMm, to: dish.heightMm },
          plan: { ...plan, dish: { ...dish, count: dishesFor(dish, plan.people, plan.portionG) } },
        }))
    : [];

const hasEgg = (plan: Plan): boolean => methodOf(plan).some((s) => intoPot(s) && purposeOf(s.from) === 'bowl');
const eggAway = (plan: Plan): Try[] =>
  hasEgg(plan)
    ? [
        ...other(plan, 'yolks', 'yolks', 'straight in', 'tempered'),
        ...other(plan, 'egg off', 'eggOff', 'minutes more', 'heat off at once'),
        ...other(plan, 'over', 'heat', 'direct', 'double boiler'),
        ...ovenBy(plan, [-15, -25]),
      ]
    : [];

type Mend = {
  /** what may be changed, the least trouble first */
  tries(plan: Plan, f: Forecast): Try[];
  /** how much of the flaw the model sees: less is better */
  sees(f: Forecast): number;
};

const UNSEEN = () => 0;

/**
 * What mends each flaw, and what of the forecast shows it. A flaw with nothing to try is one that the model cannot explain.
 * Where the model sees a flaw, a try counts when it sees less of it; the least change that brings it down to `ENOUGH` of what
 * it was is taken, else the one that brings it furthest.
 */
export const MENDS: Record<Flaw, Mend> = {
  lumps: {
    sees: (f) => f.risks.lumps.chance,
    tries: (p) => [
      ...(p.method.slurryAtC > 45
        ? [
            {
              change: { what: 'slurry' as const, from: p.method.slurryAtC, to: 45 },
              plan: method(p, { slurryAtC: 45 }),
            },
          ]
        : []),
      ...(methodOf(p).some((s) => intoPot(s) && purposeOf(s.from) === 'grain')
        ? other(p, 'grain', 'grain', 'into cold milk', 'wetted cold first')
        : []),
    ],
  },
  caught: { sees: (f) => f.scorch, tries: (p) => [...cooler(p), ...closerStirred(p)] },
  'boiled over': { sees: (f) => f.risks['boil over'].chance, tries: (p) => [...cooler(p), ...widerPan(p)] },
  'raw taste': { sees: (f) => f.rawPer100G, tries: (p) => cookedOn(p, [2, 4, 6]) },
  skin: {
    sees: (f) => f.risks.skin.chance,
    tries: (p) =>
      p.rest.covered
        ? []
        : [
            {
              change: { what: 'cover', from: 'open', to: 'covered' },
              plan: { ...p, rest: { ...p.rest, covered: true } },
            },
          ],
  },
  weeping: {
    sees: (f) => f.keeping.weepPctAt3Days,
    tries: (p) =>
      p.rest.hours > 24
        ? [{ change: { what: 'hours', from: p.rest.hours, to: 24 }, plan: { ...p, rest: { ...p.rest, hours: 24 } } }]
        : [],
  },
  slumped: {
    sees: (f) => f.standing.slumpRel - f.serving.yieldPa * 1e-6,
    tries: (p, f) => [...longer(p, f), ...lowerDish(p)],
  },
  'cut too early': { sees: (f) => -f.serving.yieldPa, tries: longer },
  cracked: {
    sees: (f) => -f.knife.unmould,
    tries: (p) => other(p, 'mould', 'mould', 'rinsed', 'greased'),
  },
  stuck: {
    sees: (f) => -f.knife.unmould,
    tries: (p) => other(p, 'mould', 'mould', 'rinsed', 'greased'),
  },
  grainy: { sees: (f) => f.risks.curdle.chance, tries: eggAway },
  curdled: { sees: (f) => f.risks.curdle.chance, tries: eggAway },
  'too pale': {
    sees: (f) => -(f.bake?.browning ?? 0),
    tries: (p) => [
      ...(methodOf(p).some(onTop) ? other(p, 'top', 'top', 'raw', 'cooked down first') : []),
      ...ovenBy(p, [10, 20, 30]),
    ],
  },
  'too dark': { sees: (f) => f.bake?.browning ?? 0, tries: (p) => ovenBy(p, [-10, -20, -30]) },
  'grain hard': {
    sees: (f) => -f.bite,
    tries: (p) => [
      ...(p.family === 'whole-rice pudding' ? other(p, 'soak', 'soak', 'straight in', 'soaked') : []),
      ...cookedOn(p, [3, 6, 10]),
    ],
  },
  'grain mush': { sees: (f) => f.bite, tries: (p) => cookedOn(p, [-2, -4, -8]) },
  // the amount of sugar is inverted by itself
  'too sweet': { sees: UNSEEN, tries: () => [] },
};

/** A share of what the model saw: less of a difference is none. */
const NONE = 0.02;
/** Of what the model saw, where a change is enough. */
const ENOUGH = 0.5;

/** The forecast without its chances over kitchens: what is compared is one kitchen. */
export const seenOf = (plan: Plan): Forecast => forecastFrom(plan, runMethod(plan, { sampleS: 5 }));

/** The change that mends a flaw of this plan by the model, or nothing where none of its tries does. */
export function mendOf(flaw: Flaw, plan: Plan): Try | undefined {
  const mend = MENDS[flaw];
  const before = seenOf(plan);
  const seen = mend.sees(before);
  let best: (Try & { sees: number }) | undefined;
  for (const t of mend.tries(plan, before)) {
    const changed = followSteps(plan, t.plan);
    const sees = mend.sees(seenOf(changed));
    if (sees >= seen - NONE * Math.abs(seen)) continue;
    if (!best || sees < best.sees) best = { change: t.change, plan: changed, sees };
    if (seen > 0 ? sees <= ENOUGH * seen : true) break;
  }
  return best;
}
