import { atStages, type StagedPortion } from '../formula/compose';
import { methodOf } from '../formula/family';
import type { AddStep, HeatStep, MethodStep, Stage } from '../formula/method';
import type { Plan } from '../formula/plan';
import type { Forecast } from '../forecast';
import type { Pantry } from '../pantry/pantry';
import { waterBoilsC } from '../pot/air';
import { GRAINS } from '../pot/grain';
import { countingEvents } from './counting';
import type { Cook, Observation } from './events';

/** What the hands do: known ones have their own words in the Pot room. Numbered when a method does one twice. */
export type StepId = string;

/** One thing to do. Amounts and minutes come from the plan and its forecast; the words are the interface's. */
export type Step = {
  id: StepId;
  /** how it ends: when the cook says so, when a cue shows, or when the time is up */
  ends: 'done' | 'cue' | 'time';
  /** s it is expected to take; the time it must take when `ends` is time */
  seconds: number;
  /** hob ovals, or undefined where the hob does not matter */
  setting?: number;
  /** s between two wipes of the same spot, or undefined where the spoon may rest */
  stirEveryS?: number;
  tempC?: number;
  portions: StagedPortion[];
  /** what the fire that follows a correction is for: not of the plan */
  fix?: true;
  /** what goes into the pot at its start, and the fire that follows */
  adds: AddStep[];
  heat?: HeatStep;
  /** what ends it, and what else may be seen */
  cue?: Observation;
  watch: Observation[];
};

/** A pair of hands weighs one thing in about this long. */
const WEIGH_S = 35;
const TASTE_S = 60;
/** milk this hot shows small bubbles at the rim, not steam alone */
const SCALD_FROM_C = 80;
/** fires that do not thicken */
const GENTLE = ['warm', 'cool', 'off the heat'];
/** s to the bubble again after a correction, until the model has said it */
const FIX_S = 150;

const WATCH: Record<string, Observation[]> = {
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
  heat.until.reach === 'temperature' && heat.name !== 'warm' ? CUSTARD : (WATCH[heat.name] ?? COOKING);

function cueOf(heat: HeatStep): Observation | undefined {
  switch (heat.until.reach) {
    case 'bubble':
      return heat.name === 'warm' ? 'rim bubbles' : 'first bubble';
    case 'temperature':
      return heat.name !== 'warm' ? 'coats the spoon' : heat.until.tempC >= SCALD_FROM_C ? 'rim bubbles' : 'steams';
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
export type StepChanges = { after: { step: StepId; heat: HeatStep[] }[]; longerMin: Record<StepId, number> };
const UNCHANGED: StepChanges = { after: [], longerMin: {} };

export function changesOf(cook: Pick<Cook, 'events'>): StepChanges {
  const out: StepChanges = { after: [], longerMin: {} };
  for (const e of countingEvents(cook)) {
    if (e.kind === 'added' && e.after !== undefined && e.heat?.length) out.after.push({ step: e.after, heat: e.heat });
    if (e.kind === 'longer') out.longerMin[e.step] = (out.longerMin[e.step] ?? 0) + e.minutes;
  }
  return out;
}

/** What comes out again before it thickens. */
export const comesOut = (plan: Plan, pantry: Pantry): StagedPortion[] => {
  const stages = atStages(plan, pantry);
  return [...stages.pot, ...stages.grain, ...stages.slurry, ...stages.bowl].filter((p) => p.ingredient.comesOut);
};

/** What was held back to be added by tasting. */
export const toTaste = (plan: Plan, pantry: Pantry): StagedPortion[] =>
  Object.values(atStages(plan, pantry))
    .flat()
    .filter((p) => p.taste);

/** What the steps to come will add: nothing on the list is forgotten. */
export const notInYet = (steps: readonly Step[], stepIndex: number): StagedPortion[] =>
  steps.slice(stepIndex + 1).flatMap((s) => (s.id.startsWith('taste') || s.id === 'count out' ? [] : s.portions));

/**
 * The steps of this plan, in order, with what the cook changed in them.
 * @throws UnknownIngredientError
 */
export function stepsOf(
  plan: Plan,
  pantry: Pantry,
  forecast: Pick<Forecast, 'phases' | 'bake'>,
  changes: StepChanges = UNCHANGED,
): Step[] {
  const stages = atStages(plan, pantry);
  const all = Object.values(stages).flat();
  const steps: Step[] = [
    { id: 'weigh', ends: 'done', seconds: WEIGH_S * plan.items.length, portions: all, adds: [], watch: [] },
  ];
  if (stages.slurry.length)
    steps.push({ id: 'slurry', ends: 'done', seconds: 60, portions: stages.slurry, adds: [], watch: [] });
  if (stages.bowl.length)
    steps.push({ id: 'beat the egg', ends: 'done', seconds: 120, portions: stages.bowl, adds: [], watch: [] });
  const seen = new Map<string, number>();
  const named = (name: string) => {
    const n = (seen.get(name) ?? 0) + 1;
    seen.set(name, n);
    return n > 1 ? `${name} ${n}` : name;
  };
  const by = (id: StepId, ends: Step['ends'], seconds: number, portions: StagedPortion[]): Step => ({
    id,
    ends,
    seconds,
    portions,
    adds: [],
    watch: [],
  });
  const held = toTaste(plan, pantry);
  const out = comesOut(plan, pantry);
  const fruit = [...stages.late, ...stages['off the heat'], ...stages['fold in']].some(
    (p) => p.ingredient.group === 'fruit',
  );
  const kernels = all.some((p) => p.ingredient.thickener && GRAINS[p.ingredient.thickener].form === 'kernel');
  let asked = false;
  /** before it thickens: taste while it can still be mended, and count out what must not stay */
  const beforeThick = () => {
    if (asked) return;
    asked = true;
    if (held.length) steps.push({ ...by('taste', 'done', TASTE_S, held), setting: 1, stirEveryS: 20 });
    if (out.length) steps.push({ ...by('count out', 'done', 30, out), setting: 1, stirEveryS: 20 });
  };
  let adds: AddStep[] = [];
  let phase = 0;
  for (const step of methodOf(plan, pantry)) {
    const portions = adds.flatMap((a) => stages[a.stage]).filter((p) => !p.taste);
    if (thickens(step, phase > 0, stages, kernels)) beforeThick();
    switch (step.do) {
      case 'add':
        adds.push(step);
        break;
      case 'heat': {
        const took = forecast.phases[phase++];
        const id = named(step.name);
        const off = step.name === 'off the heat';
        const timed = step.until.reach === 'time';
        const cue = cueOf(step);
        steps.push({
          id,
          ends: off ? 'done' : timed ? 'time' : 'cue',
          seconds:
            step.until.reach === 'time'
              ? Math.round(step.until.minutes * 60)
              : took
                ? Math.round(took.endS - took.startS)
                : 0,
          setting: step.setting,
          ...(step.stirEveryS === null ? {} : { stirEveryS: step.stirEveryS }),
          ...(step.until.reach === 'temperature'
            ? { tempC: step.until.tempC }
            : step.until.reach === 'bubble'
              ? { tempC: waterBoilsC(plan.room.altitudeM) - 6 }
              : {}),
          portions: step.name === 'warm' ? stages.pot : portions,
          adds,
          heat: step,
          ...(cue ? { cue } : {}),
          watch: watchOf(step).filter((o) => o !== cue),
        });
        adds = [];
        break;
      }
      case 'pour':
        if (held.length && fruit) steps.push(by('taste again', 'done', TASTE_S, held));
        steps.push({ id: 'pour', ends: 'done', seconds: 90, portions, adds, watch: ['lumps'] });
        adds = [];
        break;
      case 'bake':
        steps.push({
          id: named('bake'),
          ends: 'time',
          seconds: Math.round((forecast.bake?.minutes ?? 0) * 60),
          portions: [],
          adds: [],
          watch: [],
        });
        break;
      case 'rest':
        break;
    }
  }
  for (const [i, { step, heat }] of changes.after.entries()) {
    const at = steps.findIndex((s) => s.id === step);
    if (at < 0) continue;
    steps.splice(
      at + 1,
      0,
      ...heat.map((h): Step => {
        const cue = cueOf(h);
        return {
          id: `${h.name} for fix ${i + 1}`,
          fix: true,
          ends: h.until.reach === 'time' ? 'time' : 'cue',
          seconds: h.until.reach === 'time' ? Math.round(h.until.minutes * 60) : FIX_S,
          setting: h.setting,
          ...(h.stirEveryS === null ? {} : { stirEveryS: h.stirEveryS }),
          portions: [],
          adds: [],
          heat: h,
          ...(cue ? { cue } : {}),
          watch: watchOf(h).filter((o) => o !== cue),
        };
      }),
    );
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

/** From here on the pot thickens: what thickens goes into a hot pot, or the fire under it begins. Kernels take longer. */
function thickens(
  step: MethodStep,
  heated: boolean,
  stages: Record<Stage, StagedPortion[]>,
  kernels: boolean,
): boolean {
  if (step.do === 'add')
    return (
      stages[step.stage].length > 0 &&
      (step.stage === 'slurry' || step.stage === 'bowl' || (heated && step.stage === 'grain'))
    );
  return step.do === 'heat' && !GENTLE.includes(step.name) && !(kernels && step.name === 'thicken');
}
