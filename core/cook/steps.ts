import { bowlsFor, heldAfter, inBowls, leftOfPots, movedBy, portionsIn, type LaidPortion } from '../plan/bowls';
import { pouredPortion, pouredPortions } from './poured';
import { countedOut, thickensAt } from '../plan/countOut';
import { methodOf } from '../plan/family';
import {
  grillsOnly,
  HEAT_ROLES,
  standsStill,
  type AddStep,
  type BakeStep,
  type HeatRole,
  type HeatStep,
  type MixStep,
  topOf,
  purposeOf,
  type Bowl,
  intoDish,
  onTop,
} from '../plan/method';
import type { Plan } from '../plan/plan';
import type { Forecast } from '../model/forecast';
import { waterBoilsC } from '../pot/air';
import { GRAINS } from '../pot/grain';
import { countingEvents } from './counting';
import type { Cook, Observation } from './events';

/** What the hands do: what is said, watched and cautioned follows from it. */
export const STEP_ROLES = [
  'weigh',
  'slurry',
  'beat the egg',
  'taste',
  'taste again',
  'count out',
  'mix',
  'pour together',
  ...HEAT_ROLES,
  'say',
  'whip',
  'pour',
  'top',
  'bake',
  'grill',
] as const;
export type StepRole = (typeof STEP_ROLES)[number];
/** Steps that tell of what goes in, or went in, elsewhere. */
const TELLS: ReadonlySet<StepRole> = new Set<StepRole>([
  'slurry',
  'beat the egg',
  'whip',
  'mix',
  'pour together',
  'taste',
  'taste again',
  'count out',
]);

/**
 * What goes in together. It is in the pot from the start, joins by an operation of the method, or goes into the dish
 * under or on top of the pudding.
 */
export type Put = {
  into: 'pot' | 'under' | 'top';
  portions: readonly LaidPortion[];
  /** how it joins a pot that is on its way; undefined where it starts in the pot or goes into the dish */
  add?: AddStep;
};

/** Tells a step from the others of its cook: its own id, or its role, numbered when there are two. */
export type StepId = string;

/** One thing to do. Amounts and minutes come from the plan and its forecast; the words are the interface's. */
export type Step = {
  id: StepId;
  role: StepRole;
  /** index of the operation of the method that it tells; undefined where it is done before */
  at?: number;
  /** the cook's own word for it */
  name?: string;
  /** how it ends: when the cook says so, when a cue shows, or when the time is up */
  ends: 'done' | 'cue' | 'time';
  /** s it is expected to take; the time it must take when `ends` is time */
  seconds: number;
  /** hob ovals, or undefined where the hob does not matter */
  setting?: number;
  /** s between two wipes of the same spot, or undefined where the spoon may rest */
  stirEveryS?: number;
  tempC?: number;
  portions: readonly LaidPortion[];
  /** what of second pots is put nowhere: it stays for the table */
  keeps?: readonly LaidPortion[];
  /** what goes in at this step, in order, each thing of the plan at exactly one of them */
  puts: readonly Put[];
  /** what thickens at the bubble is in the pot by then: starch, meal or egg; whole grains take longer */
  thickens?: boolean;
  /** what the fire that follows a correction is for: not of the plan */
  fix?: true;
  /** what goes into the pot at its start, and the fire that follows */
  adds: AddStep[];
  heat?: HeatStep;
  bake?: BakeStep;
  mix?: MixStep;
  /** the bowl that another is poured into */
  into?: Bowl;
  /** the pot is empty by then: it is done to the dish */
  inDish?: true;
  /** what ends it, and what else may be seen */
  cue?: Observation;
  watch: Observation[];
};

/** A pair of hands weighs one thing in about this long. */
const WEIGH_S = 35;
const TASTE_S = 60;
/** min that an act of the cook's own takes where nothing is said */
const SAID_MIN = 0.5;
/** s that hands mix: whites by machine, egg, anything else */
const MIX_S: Partial<Record<StepRole, number>> = { whip: 180, 'beat the egg': 120 };
const MIXED_S = 60;
/** to pour a layer over the back of a spoon, one bowl into another, and to fish out what must not stay */
const TOP_S = 60;
const TOGETHER_S = 30;
const COUNT_OUT_S = 30;
/** milk this hot shows small bubbles at the rim, not steam alone */
const SCALD_FROM_C = 80;
/** s to the bubble again after a correction, until the model has said it */
const FIX_S = 150;

const WATCH: Partial<Record<HeatRole, Observation[]>> = {
  warm: ['rim bubbles', 'climbs', 'smells toasted'],
  thicken: ['edges thicken', 'coats the spoon', 'lumps', 'too thick', 'no bubble yet', 'drags the whisk', 'goes quiet'],
  'cook on': [
    'tastes raw',
    'lumps',
    'plops',
    'tastes cooked',
    'no free milk',
    'drags the whisk',
    'too thick',
    'too thin',
  ],
  reduce: ['at the mark', 'smells toasted', 'climbs', 'coats the spoon'],
  simmer: ['grain hard', 'smells toasted', 'climbs', 'grain soft', 'too thick', 'too thin'],
  'simmer in milk': ['grain hard', 'smells toasted', 'climbs', 'grain soft', 'too thick', 'too thin'],
  'off the heat': ['lumps', 'too thick', 'too thin', 'tastes raw'],
};
/** egg alone thickens it: what counts is how it runs off the spoon */
const CUSTARD: Observation[] = ['still thin', 'edges thicken', 'lumps', 'smells toasted'];
const COOKING: Observation[] = ['coats the spoon', 'lumps', 'too thick', 'too thin', 'smells toasted'];

const watchOf = (heat: HeatStep): Observation[] =>
  heat.until.reach === 'temperature' && heat.role !== 'warm' ? CUSTARD : (WATCH[heat.role] ?? COOKING);

function cueOf(heat: HeatStep): Observation | undefined {
  switch (heat.until.reach) {
    case 'bubble':
      return heat.role === 'warm' ? 'rim bubbles' : 'first bubble';
    case 'temperature':
      return heat.role !== 'warm' ? 'coats the spoon' : heat.until.tempC >= SCALD_FROM_C ? 'rim bubbles' : 'steams';
    case 'thickness':
      return 'coats the spoon';
    case 'grain':
      return 'grain soft';
    case 'share':
    case 'mass':
      return 'at the mark';
    default:
      return undefined;
  }
}

/** What the cook changed in the order of the work: fire after a correction, minutes more. */
export type StepChanges = {
  /** what follows a step, and the event that asked for it: the first of its steps bears that event's id */
  after: { by: string; step: StepId; heat: HeatStep[] }[];
  longerMin: Record<StepId, number>;
};
const UNCHANGED: StepChanges = { after: [], longerMin: {} };

export function changesOf(cook: Pick<Cook, 'events'>): StepChanges {
  const out: StepChanges = { after: [], longerMin: {} };
  for (const e of countingEvents(cook)) {
    if (e.kind === 'added' && e.after !== undefined && e.heat?.length)
      out.after.push({ by: e.id, step: e.after, heat: e.heat });
    if (e.kind === 'longer') out.longerMin[e.step] = (out.longerMin[e.step] ?? 0) + e.minutes;
  }
  return out;
}

/** What a mixing is to a cook. */
const mixRole = ({ in: bowl, until }: MixStep): StepRole => {
  if (until === 'stiff') return 'whip';
  return purposeOf(bowl) === 'slurry' ? 'slurry' : purposeOf(bowl) === 'bowl' ? 'beat the egg' : 'mix';
};

/** What was held back to be added by tasting. */
export const toTaste = (plan: Plan): LaidPortion[] =>
  Object.values(inBowls(plan))
    .flat()
    .filter((p) => p.taste);

/** What the steps to come will add: nothing on the list is forgotten. */
export const notInYet = (steps: readonly Step[], stepIndex: number): LaidPortion[] =>
  steps.slice(stepIndex + 1).flatMap((s) => (TELLS.has(s.role) ? [] : s.portions));

/**
 * The steps of this plan, in order, with what the cook changed in them.
 * @throws UnknownIngredientError
 */
export function stepsOf(
  plan: Plan,
  forecast: Pick<Forecast, 'phases'> & Partial<Pick<Forecast, 'told' | 'products'>>,
  changes: StepChanges = UNCHANGED,
): Step[] {
  const bowls = inBowls(plan);
  const products = forecast.products ?? {};
  const all = Object.values(bowls).flat();
  const seen = new Map<string, number>();
  const called = (role: StepRole, own: { id?: string | undefined; name?: string | undefined } = {}) => {
    const id = own.id ?? role;
    const n = (seen.get(id) ?? 0) + 1;
    seen.set(id, n);
    return { id: n > 1 ? `${id} ${n}` : id, role, ...(own.name ? { name: own.name } : {}) };
  };
  const by = (
    role: StepRole,
    ends: Step['ends'],
    seconds: number,
    portions: readonly LaidPortion[],
    own: Parameters<typeof called>[1] = {},
  ): Step => ({
    ...called(role, own),
    ends,
    seconds,
    portions,
    puts: [],
    adds: [],
    watch: [],
  });
  const steps: Step[] = [by('weigh', 'done', WEIGH_S * plan.things.length, all)];
  const held = toTaste(plan);
  const fruit = [...bowls.late, ...bowls['off the heat'], ...bowls['fold in']].some(
    (p) => p.ingredient.group === 'fruit',
  );
  const method = methodOf(plan);
  // before it thickens, and while the spices are still in: taste while it can still be mended
  let tasteAt = thickensAt(plan, method);
  while (method[tasteAt - 1]?.do === 'take out') tasteAt--;
  const counted = countedOut(plan, method);
  const untasted = (bowl: Bowl) => [
    ...portionsIn(plan, bowl).filter((p) => !p.taste),
    ...pouredPortions(plan, bowl, products),
  ];
  const isTold = (put: Put) => put.portions.length > 0;
  let atStart: Put[] = [{ into: 'pot', portions: untasted('pot') }];
  let adds: AddStep[] = [];
  /** what goes in at the step that comes now; nothing is told twice */
  const joining = (): Put[] => {
    const puts: Put[] = [...atStart, ...adds.map((add): Put => ({ into: 'pot', portions: untasted(add.from), add }))];
    atStart = [];
    return puts.filter(isTold);
  };
  // what is strewn on when no operation of the method puts it there: with the last of the work
  const lastAt = method.findLastIndex((s) => intoDish(s) || s.do === 'bake');
  const poured = method.flatMap((s) => (onTop(s) ? [topOf(s)] : s.do === 'serve' && s.from ? [s.from] : []));
  const strewn = (i: number): Put[] =>
    i === lastAt
      ? bowlsFor(plan, 'top')
          .filter((b) => !poured.includes(b))
          .map((b): Put => ({ into: 'top', portions: untasted(b) }))
      : [];
  const kept = leftOfPots(plan).map((p) => pouredPortion(plan, p, 'top', products));
  const keeps = (i: number): Pick<Step, 'keeps'> => (i === lastAt && kept.length ? { keeps: kept } : {});
  const flat = (puts: readonly Put[]) => puts.flatMap((p) => p.portions);
  const bindsSoon = ({ ingredient: { thickener, egg } }: LaidPortion) =>
    egg !== undefined || (thickener !== undefined && GRAINS[thickener].form !== 'kernel');
  let thickens = false;
  /** what has gone in comes out once it is told */
  let outBehind: Step[] = [];
  let phase = 0;
  /** beside a pot that is on its way the ring and the spoon stay as they were */
  const meanwhile = (): Pick<Step, 'setting' | 'stirEveryS'> => {
    const before = steps.at(-1);
    return {
      ...(before?.setting === undefined ? {} : { setting: before.setting }),
      ...(before?.stirEveryS === undefined ? {} : { stirEveryS: before.stirEveryS }),
    };
  };
  for (const [i, step] of method.entries()) {
    if (i === tasteAt && held.length)
      steps.push({ ...by('taste', 'done', TASTE_S, held), at: i, setting: 1, stirEveryS: 20 });
    switch (step.do) {
      case 'mix': {
        const role = mixRole(step);
        const before = heldAfter(plan, step.in, method.slice(0, i));
        const inIt = step.in === 'pot' ? [] : [...before, ...pouredPortions(plan, step.in, products)];
        const whites = inIt.filter((p) => p.ingredient.egg?.yolk === 0);
        if (!inIt.length && step.in !== 'pot') break;
        steps.push({
          ...by(role, 'done', MIX_S[role] ?? MIXED_S, role === 'whip' && whites.length ? whites : inIt, step),
          at: i,
          ...meanwhile(),
          mix: step,
        });
        break;
      }
      case 'take out': {
        const these = counted.get(i) ?? [];
        if (!these.length) break;
        const poured = method.slice(0, i).some(intoDish);
        const fire = poured ? { inDish: true as const } : { setting: 1, stirEveryS: 20 };
        const counts: Step = {
          ...by('count out', 'done', COUNT_OUT_S, these, step),
          at: i,
          ...(method.slice(i + 1, i + 2).some(intoDish) ? {} : fire),
        };
        const untold = [...atStart.flatMap((p) => p.portions), ...adds.flatMap((a) => portionsIn(plan, a.from))];
        (these.some((p) => untold.includes(p)) ? outBehind : steps).push(counts);
        break;
      }
      case 'pour':
        switch (step.to) {
          case 'pot':
            adds.push(step);
            break;
          case 'bowl': {
            const goes = movedBy(plan, step, method.slice(0, i));
            if (goes.length)
              steps.push({
                ...by('pour together', 'done', TOGETHER_S, goes, step),
                at: i,
                ...meanwhile(),
                into: step.into,
              });
            break;
          }
          case 'dish': {
            if (held.length && fruit) steps.push({ ...by('taste again', 'done', TASTE_S, held), at: i });
            const under = bowlsFor(plan, 'under').map((b): Put => ({ into: 'under', portions: untasted(b) }));
            const puts = [...joining(), ...under, ...strewn(i)];
            steps.push({ ...by('pour', 'done', 90, flat(puts)), at: i, puts, adds, watch: ['lumps'], ...keeps(i) });
            adds = [];
            break;
          }
          case 'top': {
            const puts: Put[] = [{ into: 'top' as const, portions: untasted(topOf(step)) }].filter(isTold);
            steps.push({ ...by('top', 'done', TOP_S, flat(puts), step), at: i, puts });
            break;
          }
        }
        break;
      case 'heat': {
        const took = forecast.phases[phase++];
        const puts = joining();
        thickens ||= flat(puts).some(bindsSoon);
        steps.push({
          ...called(step.role, step),
          at: i,
          ...heated(step, took ? Math.round(took.endS - took.startS) : 0),
          ...aimOf(step, plan),
          portions: flat(puts),
          puts,
          thickens,
          adds,
        });
        adds = [];
        break;
      }
      case 'bake': {
        const puts = strewn(i);
        steps.push({
          ...called(grillsOnly(step) ? 'grill' : 'bake', step),
          at: i,
          ends: 'time',
          seconds: Math.round((forecast.told?.[i]?.minutes ?? 0) * 60),
          portions: flat(puts),
          puts,
          adds: [],
          watch: [],
          bake: step,
          ...keeps(i),
        });
        break;
      }
      case 'say': {
        // once the dish stands, the words are said in its own room
        if (method.slice(0, i).some((s) => s.do === 'rest' && s.minutes > 0)) break;
        const poured = method.slice(0, i).some(intoDish);
        steps.push({
          ...called('say', { id: step.id, name: step.words }),
          at: i,
          ends: step.minutes === undefined ? 'done' : 'time',
          seconds: Math.round((step.minutes ?? SAID_MIN) * 60),
          ...(poured ? { inDish: true as const } : meanwhile()),
          portions: [],
          puts: [],
          adds: [],
          watch: [],
        });
        break;
      }
      case 'rest':
      case 'serve':
        break;
    }
    if (step.do === 'heat' || intoDish(step)) {
      steps.push(...outBehind);
      outBehind = [];
    }
  }
  return withChanges(steps, changes);
}

/** What a stretch of fire is as a step: how it ends, and what the hands do. @param untilCueS s until its sign shows */
function heated(
  heat: HeatStep,
  untilCueS: number,
): Pick<Step, 'ends' | 'seconds' | 'setting' | 'stirEveryS' | 'heat' | 'cue' | 'watch'> {
  const cue = cueOf(heat);
  const { until } = heat;
  // a moment off the ring ends when the hands are done; a long stand by the clock
  const off = heat.role === 'off the heat' && !(heat.stirEveryS !== null && standsStill(heat));
  return {
    ends: off ? 'done' : until.reach === 'time' ? 'time' : 'cue',
    seconds: until.reach === 'time' ? Math.round(until.minutes * 60) : untilCueS,
    setting: heat.setting,
    ...(standsStill(heat) ? {} : { stirEveryS: heat.stirEveryS! }),
    heat,
    ...(cue ? { cue } : {}),
    watch: watchOf(heat).filter((o) => o !== cue),
  };
}

/** degC that a stretch of fire aims at, where it has one. */
function aimOf({ until }: HeatStep, plan: Plan): Pick<Step, 'tempC'> {
  if (until.reach === 'temperature') return { tempC: until.tempC };
  return until.reach === 'bubble' ? { tempC: waterBoilsC(plan.room.altitudeM) - 6 } : {};
}

/** The steps with the fire that follows corrections, and the minutes that the cook gave them. */
function withChanges(planned: readonly Step[], changes: StepChanges): Step[] {
  const steps = [...planned];
  for (const { step, heat, by } of changes.after) {
    const at = steps.findIndex((s) => s.id === step);
    if (at < 0) continue;
    const fires = heat.map((h, i): Step => ({
      id: i === 0 ? by : `${by}/${i + 1}`,
      role: h.role,
      ...(h.name ? { name: h.name } : {}),
      fix: true,
      ...heated(h, FIX_S),
      // a correction's fire has its own end, on the ring or off it
      ends: h.until.reach === 'time' ? 'time' : 'cue',
      portions: [],
      puts: [],
      adds: [],
    }));
    steps.splice(at + 1, 0, ...fires);
  }
  return steps.map((s) =>
    changes.longerMin[s.id] === undefined ? s : longer(s, Math.round(changes.longerMin[s.id]! * 60)),
  );
}

/** A step with more time. */
function longer(s: Step, moreS: number): Step {
  const until = s.heat?.until;
  return {
    ...s,
    seconds: s.seconds + moreS,
    ...(s.heat && until?.reach === 'time'
      ? { heat: { ...s.heat, until: { reach: 'time' as const, minutes: until.minutes + moreS / 60 } } }
      : {}),
  };
}
