import { scaleToPeople } from '../plan/amounts';
import { newPlan } from '../plan/newPlan';
import type { Family, Plan } from '../plan/plan';
import { solveStarch } from '../advice/solve';
import { forecast } from '../model/forecast';
import { inOrder, type Act, type Run } from './act';
import { asPlanned, bowlsOf, runOf, type Bowl } from './asPlanned';
import { debrief, endOf, type Debrief } from './debrief';
import { FELT, type Harm, type Outcome } from './outcome';
import { Replay } from './replay';
import { EXERCISE_IDS, type ExerciseId } from './exerciseIds';

/** What can be practised, in the order of the job. Each has a pudding to make of it, and is judged by that. */

/** What has to come of it. */
export type Goal =
  /** nothing that is felt is wrong with the pudding */
  | { of: 'pudding' }
  | { of: 'without'; harm: Harm }
  /** said that it thickens within so many seconds of it */
  | { of: 'call'; withinS: number }
  /** as much is left, of all that went in, to a share */
  | { of: 'left'; toRel: number; byRel: number };

export type Exercise = {
  id: ExerciseId;
  plan: Plan;
  /** in other hands until `fromS`: these acts were theirs */
  given: Act[];
  fromS: number;
  goals: Goal[];
  /** what is on the bench beside the plan's own bowls */
  bench: Bowl[];
  /** a run that does it */
  good: readonly Act[];
  /** the same run with one thing the other way, to be looked at beside one's own */
  beside?: (acts: readonly Act[], plan: Plan) => Act[];
};

const SUPPER = '2026-12-11T19:30:00.000Z';

function dish(id: ExerciseId, family: Family, change: Partial<Plan> = {}, people = 6, portionG = 120): Plan {
  const start = newPlan({
    id: `practice-${id}`,
    name: id,
    milkId: 'milk_whole',
    people,
    portionG,
    serveAt: SUPPER,
    family,
  });
  const plan = { ...start, starchMeasure: 'scale' as const, ...change };
  return scaleToPeople(plan, people, portionG, forecast(plan).lossRel);
}
const solved = (plan: Plan): Plan => solveStarch(plan).plan;
const wobbling = (plan: Plan): Plan =>
  solved({ ...plan, serve: { ...plan.serve, style: 'turned out', word: 'wobbles' } });
const times = (plan: Plan, ingredientId: string, factor: number): Plan => ({
  ...plan,
  things: plan.things.map((i) => (i.ingredientId === ingredientId ? { ...i, grams: Math.round(i.grams * factor) } : i)),
});

/** A slurry to help with: one of starch to two and a half of cold milk. */
export const slurryOf = (grams: number, id = 'help'): Bowl => ({
  id,
  use: 'slurry',
  portions: [
    { ingredientId: 'cornstarch', grams },
    { ingredientId: 'milk_whole', grams: 2.5 * grams },
  ],
  meets: { how: 'cold slurry', stirring: 'whisk', tempC: 8, soakMin: 0 },
});

const addOf = (bowl: Bowl, atS: number): Act => ({
  do: 'add',
  atS,
  portions: bowl.portions,
  bowl: bowl.id,
  ...bowl.meets,
});

type Start = Omit<Exercise, 'id' | 'given' | 'fromS' | 'bench' | 'good'> & Partial<Exercise>;
const plain = (plan: Plan, goals: Goal[] = [{ of: 'pudding' }]): Start => ({ plan, goals });

/** Cooked by somebody else up to its pouring, and hot. */
function handedOver(
  plan: Plan,
  more: (pouredS: number) => Pick<Exercise, 'good'> & { given?: Act[] },
): Pick<Exercise, 'given' | 'fromS' | 'good'> {
  const cooked = asPlanned(plan);
  const at = cooked.findIndex((a) => a.do === 'pour');
  const fromS = cooked[at]!.atS;
  const { good, given } = more(fromS);
  const before = [...cooked.slice(0, at), ...(given ?? [])];
  return { given: before, fromS, good: inOrder([...before, ...good]) };
}

const HOUR_S = 3600;
const EIGHT_YOLKS_G = 144;
/** the ring was left at full and the spoon laid down for so long, s */
const LEFT_ALONE_S = 30;
/** Sugar over what is usual: sweet enough that the rice feels it. */
const SWEET_RICE = 2.5;
/** How much of its starch was forgotten. */
const FORGOTTEN = 0.72;

const STARTS: Record<ExerciseId, () => Start> = {
  slurry: () => plain(solved(dish('slurry', 'starch-set milk pudding'))),
  moment: () => {
    const plan = solved(dish('moment', 'starch-set milk pudding'));
    const acts = asPlanned(plan);
    const { pot } = new Replay(runOf(plan, acts)).at(endOf({ acts }));
    return {
      plan,
      goals: [{ of: 'call', withinS: 12 }, { of: 'pudding' }],
      good: inOrder([...acts, { do: 'call', atS: Math.round(pot.thickenAtS) + 3 }]),
    };
  },
  ceiling: () => plain(dish('ceiling', 'stirred custard')),
  temper: () => {
    const plan = dish('temper', 'stirred custard', {}, 8, 130);
    return plain({
      ...plan,
      things: plan.things.map((i) => (i.ingredientId === 'yolk' ? { ...i, grams: EIGHT_YOLKS_G } : i)),
    });
  },
  reduce: () => {
    const plan = dish('reduce', 'frozen cream');
    return plain(plan, [{ of: 'left', toRel: 0.5, byRel: 0.04 }, { of: 'without', harm: 'caught' }, { of: 'pudding' }]);
  },
  climbs: () => {
    const small = {
      name: 'small steel pan, 16 cm',
      diameterMm: 160,
      heightMm: 90,
      massG: 700,
      material: 'steel',
    } as const;
    const hob = { kind: 'gas', ratedW: 3000, powerTrim: 1 } as const;
    const start = dish('climbs', 'porridge', { pan: { ...small }, hob: { ...hob } }, 8, 150);
    return plain(solved({ ...start, method: { ...start.method, heatSetting: 6, simmerSetting: 2 } }));
  },
  sugar: () => ({
    ...plain(times(dish('sugar', 'whole-rice pudding'), 'sugar', SWEET_RICE)),
    // the same hands, the sugar at the other end
    beside: (acts, plan) => {
      const sugar = acts.find((a) => a.do === 'add' && a.portions.every((p) => p.ingredientId === 'sugar'));
      const end = acts.find((a) => a.do === 'pour')?.atS ?? endOf({ acts });
      if (!sugar) return [...acts];
      const early = sugar.atS < end / 2;
      const late = asPlanned(plan).find((a) => a.do === 'add' && a.portions.every((p) => p.ingredientId === 'sugar'));
      return inOrder(
        acts.map((a): Act => (a === sugar ? { ...a, atS: early ? Math.min(end, late?.atS ?? end) : 0 } : a)),
      );
    },
  }),
  steam: () =>
    plain(dish('steam', 'stirred custard', { choices: { heat: 'double boiler' } }), [
      { of: 'without', harm: 'curdled' },
      { of: 'pudding' },
    ]),
  lid: () => {
    const start = dish('lid', 'porridge', {
      choices: { grain: 'into boiling milk', stirring: 'lid on, now and then' },
    });
    return plain(solved({ ...start, method: { ...start.method, simmerSetting: 3 } }));
  },
  bite: () => plain(dish('bite', 'whole-rice pudding')),
  thin: () => {
    const whole = solved(dish('thin', 'starch-set milk pudding'));
    const short = whole.things.find((i) => i.ingredientId === 'cornstarch')!.grams * (1 - FORGOTTEN);
    const help = slurryOf(Math.round(short * 1.12));
    const plan = times(whole, 'cornstarch', FORGOTTEN);
    return {
      ...plain(plan),
      bench: [help],
      ...handedOver(plan, (fromS) => ({
        good: [
          addOf(help, fromS + 10),
          { do: 'move', atS: fromS + 10, to: 'ring' },
          { do: 'hob', atS: fromS + 10, setting: plan.method.heatSetting },
          { do: 'stir', atS: fromS + 10, everyS: 3, tool: 'spoon' },
          { do: 'pour', atS: fromS + 190 },
        ],
      })),
    };
  },
  saved: () => {
    const plan = solved(dish('saved', 'starch-set milk pudding'));
    const cooked = asPlanned(plan);
    const { pot } = new Replay(runOf(plan, cooked)).at(endOf({ acts: cooked }));
    const leftS = Math.round(pot.thickenAtS);
    const given: Act[] = [
      ...cooked.filter((a) => a.atS < leftS),
      { do: 'hob', atS: leftS, setting: 9 },
      { do: 'stir', atS: leftS, everyS: null, tool: 'spoon' },
    ];
    const fromS = leftS + LEFT_ALONE_S;
    return {
      ...plain(plan),
      given,
      fromS,
      good: inOrder([
        ...given,
        { do: 'hob', atS: fromS + 4, setting: 3 },
        { do: 'stir', atS: fromS + 5, everyS: 3, tool: 'spoon' },
        { do: 'pour', atS: fromS + 180 },
      ]),
    };
  },
  chill: () => {
    const bowl = { kind: 'bowl', count: 1, capacityMl: 1500, heightMm: 95, wall: 'ceramic' } as const;
    const plan = solved(dish('chill', 'starch-set milk pudding', { dish: { ...bowl } }, 8, 150));
    return {
      ...plain(plan, [{ of: 'without', harm: 'cooled too slowly' }, { of: 'pudding' }]),
      ...handedOver(plan, (fromS) => ({
        good: [
          { do: 'pour', atS: fromS, count: 3 },
          { do: 'stand', atS: fromS, where: 'ice bath', covered: true },
          { do: 'stand', atS: fromS + HOUR_S / 2, where: 'fridge', covered: true },
          { do: 'serve', atS: fromS + 7 * HOUR_S },
        ],
      })),
      // twice as deep, or half
      beside: (acts) =>
        acts.map((a) =>
          a.do === 'pour' ? { ...a, count: (a.count ?? 1) > 1 ? Math.ceil((a.count ?? 1) / 2) : 2 } : a,
        ),
    };
  },
  unmould: () => {
    const plan = wobbling(
      dish('unmould', 'starch-set milk pudding', {
        dish: { kind: 'mould', count: 8, capacityMl: 95, heightMm: 46, wall: 'metal' },
      }),
    );
    return {
      ...plain(plan, [{ of: 'without', harm: 'slumps' }, { of: 'pudding' }]),
      ...handedOver(plan, (fromS) => ({
        given: [
          { do: 'pour', atS: fromS },
          { do: 'stand', atS: fromS, where: 'fridge', covered: true },
        ],
        good: [{ do: 'serve', atS: fromS + 5 * HOUR_S }],
      })),
    };
  },
};

const made = new Map<ExerciseId, Exercise>();

/** An exercise with its plan worked out: it is made once. */
export function exerciseOf(id: ExerciseId): Exercise {
  const known = made.get(id);
  if (known) return known;
  const start = STARTS[id]();
  const exercise: Exercise = {
    given: [],
    fromS: 0,
    bench: [],
    ...start,
    id,
    good: start.good ?? asPlanned(start.plan),
  };
  made.set(id, exercise);
  return exercise;
}

/** A new run of it. */
export const startOf = (e: Exercise, seed = 0): Run =>
  runOf(e.plan, [...e.given], { seed, exercise: e.id, fromS: e.fromS, given: e.given.length });

/** Everything on the bench. */
export const benchOf = (e: Exercise): Bowl[] => [...bowlsOf(e.plan), ...e.bench];

export type Mark = { goal: Goal; met: boolean };

export function marksOf(goals: readonly Goal[], o: Outcome): Mark[] {
  return goals.map((goal) => {
    switch (goal.of) {
      case 'pudding':
        return { goal, met: o.felt.length === 0 };
      case 'without':
        return { goal, met: o.harms[goal.harm] < FELT };
      case 'call':
        return { goal, met: Math.abs(o.calledS - o.thickenS) <= goal.withinS };
      case 'left':
        return { goal, met: Math.abs(o.leftRel - goal.toRel) <= goal.byRel };
    }
  });
}

/** A run judged by its pudding; an exercise by what had to come of it too. */
export function judgedRun(run: Run, endS: number): Debrief & { marks: Mark[]; met: boolean } {
  const id = EXERCISE_IDS.find((e) => e === run.exercise);
  const d = debrief(run, endS);
  const marks = marksOf(id ? exerciseOf(id).goals : [{ of: 'pudding' }], d.outcome);
  return { ...d, marks, met: marks.every((m) => m.met) };
}
