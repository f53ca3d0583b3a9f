import { say, type Said } from '../say';
import { countedOut, countOutAt } from './countOut';
import { bowlsOf, methodOf, mixOf, notAdded, USUAL_BATH } from './family';
import { ownSteps, withOwnSteps } from './layout';
import {
  BESIDE_USES,
  freeBowl,
  grillsOnly,
  topOf,
  purposeOf,
  type AddStep,
  type Bowl,
  type HeatStep,
  type MethodStep,
  type RestStep,
  type Use,
  intoDish,
  intoBowl,
  intoPot,
  onTop,
} from './method';
import type { Plan } from './plan';
import { keptTogetherC } from './kept';
import { bowlsFor, heldAfter, inBowls, lookUp, movedBy, portionsIn, potsIn } from './bowls';

/** The way a plan is cooked, as a list that a cook changes: each change is a plan with steps of its own. */

export const STEP_KINDS = [
  'mix',
  'wet',
  'together',
  'warm',
  'thicken',
  'cook on',
  'reduce',
  'add',
  'fold in',
  'take out',
  'say',
  'stand',
  'pour',
  'top',
  'bake',
  'grill',
  'rest',
  'chill',
  'freeze',
  'serve',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** Bowls whose adding is a wetting: of starch, of grain, of egg. */
const WET: readonly Use[] = ['slurry', 'grain', 'bowl'];

/** What a cook would call a step. */
export function kindOf(step: MethodStep): StepKind {
  switch (step.do) {
    case 'pour':
      switch (step.to) {
        case 'pot':
          return WET.includes(purposeOf(step.from)) ? 'wet' : purposeOf(step.from) === 'fold in' ? 'fold in' : 'add';
        case 'dish':
          return 'pour';
        case 'top':
          return 'top';
        case 'bowl':
          return 'together';
      }
    case 'heat':
      switch (step.role) {
        case 'warm':
        case 'thicken':
        case 'reduce':
          return step.role;
        case 'off the heat':
        case 'cool':
        case 'heat off':
          return 'stand';
        default:
          return 'cook on';
      }
    case 'mix':
    case 'take out':
    case 'serve':
    case 'say':
      return step.do;
    case 'bake':
      return grillsOnly(step) ? 'grill' : 'bake';
    case 'rest':
      return step.where === 'room' ? 'rest' : step.where === 'freezer' ? 'freeze' : 'chill';
  }
}

export type NamedStep = MethodStep & { id: string };

const MIXED_AS: Partial<Record<Use, string>> = { slurry: 'slurry', bowl: 'beat the egg' };
const bare = (step: MethodStep): string => {
  switch (step.do) {
    case 'heat':
      return step.role;
    case 'pour':
      return step.to === 'pot'
        ? `add ${step.from}`
        : step.to === 'top'
          ? 'top'
          : step.to === 'bowl'
            ? 'together'
            : 'pour';
    // by the names that the pot's steps have
    case 'mix':
      return step.until === 'stiff' ? 'whip' : (MIXED_AS[purposeOf(step.in)] ?? 'mix');
    case 'take out':
      return 'count out';
    case 'rest':
      return `rest ${step.where}`;
    case 'bake':
      return grillsOnly(step) ? 'grill' : 'bake';
    default:
      return step.do;
  }
};

/** Each step with an id that no other has: its own, or what it is, numbered where there are two. */
function named(steps: readonly MethodStep[]): NamedStep[] {
  const taken = new Set(steps.flatMap((s) => s.id ?? []));
  const used = new Set<string>();
  return steps.map((s) => {
    let id = s.id;
    if (id === undefined || used.has(id)) {
      const base = id ?? bare(s);
      id = base;
      for (let n = 2; used.has(id) || (taken.has(id) && s.id !== id); n++) id = `${base} ${n}`;
    }
    used.add(id);
    return { ...s, id };
  });
}

/** The method of a plan, each step with its id. @throws UnknownIngredientError */
export const listOf = (plan: Plan): NamedStep[] => named(methodOf(plan));

/** The plan with these steps; the hours from the pouring to the table are theirs. */
function withSteps(plan: Plan, steps: readonly MethodStep[]): Plan {
  const minutes = steps.reduce((sum, s) => sum + (s.do === 'rest' ? s.minutes : 0), 0);
  const rested = steps.some((s) => s.do === 'rest');
  return {
    ...withOwnSteps(plan, named(steps)),
    ...(rested ? { rest: { ...plan.rest, hours: Math.min(96, Math.round((minutes / 60) * 100) / 100) } } : {}),
  };
}

/** The family's own way again. */
export const asUsual = (plan: Plan): Plan => withOwnSteps(plan);

export function changeStep(plan: Plan, id: string, change: (step: MethodStep) => MethodStep): Plan {
  return withSteps(
    plan,
    listOf(plan).map((s) => (s.id === id ? { ...change(s), id } : s)),
  );
}

export const removeStep = (plan: Plan, id: string): Plan =>
  withSteps(
    plan,
    listOf(plan).filter((s) => s.id !== id),
  );

/** A step to another place of the list, counted from 0. */
export function moveStep(plan: Plan, id: string, to: number): Plan {
  const list = listOf(plan);
  const step = list.find((s) => s.id === id);
  if (!step) return plan;
  const others = list.filter((s) => s !== step);
  const at = Math.max(0, Math.min(others.length, to));
  return withSteps(plan, [...others.slice(0, at), step, ...others.slice(at)]);
}

/** The bowl that a new step would add: one that holds something and is added nowhere yet, or a new one. */
function bowlFor(plan: Plan, kind: StepKind): Bowl {
  const method = methodOf(plan);
  const fits = (bowl: Bowl) => kindOf(addsTo(plan, bowl)) === kind;
  const added = method.flatMap((s) => (intoPot(s) ? [s.from] : []));
  const usual = kind === 'wet' ? 'slurry' : kind === 'fold in' ? 'fold in' : 'late';
  return notAdded(plan, method).find(fits) ?? freeBowl([...added, ...bowlsOf(plan)], usual);
}

const addsTo = (plan: Plan, from: Bowl): AddStep => ({
  do: 'pour',
  to: 'pot',
  from,
  tempC: keptTogetherC(portionsIn(plan, from), plan.room.tempC),
  how: purposeOf(from) === 'bowl' ? 'in cold cream or yolks' : 'cold slurry',
  stirring: purposeOf(from) === 'fold in' ? 'spoon' : 'whisk',
  soakMin: 0,
  left: 0,
  ...(purposeOf(from) === 'bowl' ? { ladleG: 60 } : {}),
});

/** What stands in an act of the cook's own until it is written. */
const OWN_WORDS = '…';

/** A bowl that holds something and that nothing mixes yet; the pot where all are mixed. */
const unmixed = (plan: Plan): Bowl =>
  bowlsOf(plan).find((bowl) => !methodOf(plan).some((s) => s.do === 'mix' && s.in === bowl)) ?? 'pot';

/** A bowl for what goes on at the table: one that is strewn on, or a new one. */
export const freeTop = (plan: Plan): Bowl => {
  const poured = listOf(plan).flatMap((s) => (onTop(s) ? [topOf(s)] : []));
  const tops = bowlsFor(plan, 'top');
  return tops.find((b) => !poured.includes(b)) ?? freeBowl([...tops, ...poured], 'top');
};

/** A new step of a kind, as it usually goes in this plan. */
export function newStep(plan: Plan, kind: StepKind): MethodStep {
  const { heatSetting, simmerSetting, stirEveryS } = plan.method;
  const fire = (step: Partial<HeatStep> & Pick<HeatStep, 'role' | 'until'>): HeatStep => ({
    do: 'heat',
    setting: simmerSetting,
    limitMin: 90,
    stirEveryS,
    tool: 'spoon',
    lid: 'off',
    wrapped: false,
    ...(plan.choices.heat === 'double boiler' ? { over: USUAL_BATH } : {}),
    ...step,
  });
  const bake = { do: 'bake', ovenC: plan.choices.ovenC ?? 180, fan: false, bath: 'none', limitMin: 90 } as const;
  switch (kind) {
    case 'wet':
    case 'add':
    case 'fold in':
      return addsTo(plan, bowlFor(plan, kind));
    case 'warm':
      return fire({ role: 'warm', setting: heatSetting, stirEveryS: 20, until: { reach: 'temperature', tempC: 60 } });
    case 'thicken':
      return fire({ role: 'thicken', setting: heatSetting, until: { reach: 'bubble' } });
    case 'cook on':
      return fire({ role: 'cook on', until: { reach: 'time', minutes: 5 } });
    case 'reduce':
      return fire({ role: 'reduce', stirEveryS: 10, until: { reach: 'share', share: 0.75 }, limitMin: 150 });
    case 'stand':
      return fire({ role: 'off the heat', setting: 0, stirEveryS: 10, until: { reach: 'time', minutes: 2 } });
    case 'pour':
      return { do: 'pour', to: 'dish' };
    case 'top':
      return { do: 'pour', to: 'top', tempC: plan.room.tempC };
    case 'mix':
      return { do: 'mix', in: unmixed(plan), with: 'whisk', until: 'smooth' };
    case 'together': {
      const [from = 'slurry', into = 'bowl'] = bowlsOf(plan);
      return { do: 'pour', to: 'bowl', from, into, share: 1 };
    }
    case 'take out':
      return { do: 'take out' };
    case 'serve':
      return { do: 'serve' };
    case 'say':
      return { do: 'say', words: OWN_WORDS };
    case 'bake':
      return { ...bake, from: 'hot', covered: false, grillMin: 0, until: { reach: 'colour' } };
    case 'grill':
      return { ...bake, from: 'hot', covered: false, grillMin: 3, until: { reach: 'time', minutes: 0 } };
    case 'rest':
      return { do: 'rest', where: 'room', minutes: 20, covered: plan.rest.covered };
    case 'chill':
      return { do: 'rest', where: 'fridge', minutes: 120, tempC: plan.rest.fridgeC, covered: plan.rest.covered };
    case 'freeze':
      return { do: 'rest', where: 'freezer', minutes: 45, covered: plan.rest.covered };
  }
}

/** Where a new step usually stands: what is done at the hob before the pouring, the rest behind what is like it. */
function usualPlace(plan: Plan, kind: StepKind): number {
  const list = listOf(plan);
  const pour = list.findIndex(intoDish);
  const end = list.length;
  const serve = list.findIndex((s) => s.do === 'serve');
  if (kind === 'serve') return end;
  if (kind === 'rest' || kind === 'chill' || kind === 'freeze') return serve >= 0 ? serve : end;
  // what bowls need comes before the pot is lit, behind what is like it
  if (kind === 'mix' || kind === 'together')
    return list.findLastIndex((s, i) => s.do === 'mix' && !list.slice(0, i).some((x) => x.do === 'heat')) + 1;
  if (kind === 'take out') {
    const usual = countOutAt(plan, list);
    if (usual >= 0) return usual;
  }
  if (kind === 'pour') return pour >= 0 ? pour + 1 : end;
  if (kind === 'top' || kind === 'bake' || kind === 'grill') {
    const cold = list.findIndex((s, i) => i > pour && s.do === 'rest');
    return cold >= 0 ? cold : end;
  }
  const off = list.findIndex((s) => s.do === 'heat' && s.role === 'off the heat');
  const hob = off >= 0 ? off : pour;
  if (kind === 'fold in') return pour >= 0 ? pour : end;
  return hob >= 0 ? hob : end;
}

/** @returns the plan with a step more, and that step's id */
export function insertStep(
  plan: Plan,
  kind: StepKind,
  at = usualPlace(plan, kind),
  step: MethodStep = newStep(plan, kind),
): { plan: Plan; id: string } {
  const list = listOf(plan);
  // what goes in mixed is mixed right before, where nothing mixes it yet
  const mix =
    intoPot(step) && !list.some((s) => s.do === 'mix' && s.in === step.from) ? mixOf(plan, step.from) : undefined;
  const next = withSteps(plan, [...list.slice(0, at), ...(mix ? [mix] : []), step, ...list.slice(at)]);
  return { plan: next, id: ownSteps(next)![at + (mix ? 1 : 0)]!.id! };
}

/** A steep before it thickens, so that whole spices draw: warm, lid on. */
export function steepFirst(plan: Plan, minutes: number, at: number): Plan {
  const step: MethodStep = {
    ...(newStep(plan, 'stand') as HeatStep),
    role: 'warm',
    setting: 1,
    lid: 'on',
    stirEveryS: null,
    until: { reach: 'time', minutes },
  };
  return insertStep(plan, 'warm', at, step).plan;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * A plan with steps of its own, after something else of it was changed: what the family's way does differently now is
 * done in the cook's list too, where the cook had left it as it was. So the quick choices and the list are one method.
 */
export function followSteps(was: Plan, next: Plan): Plan {
  const own = ownSteps(was);
  if (!own || !same(ownSteps(next), own)) return next;
  const before = listOf(asUsual(was));
  const after = listOf(asUsual(next));
  if (same(before, after)) return next;
  const followed = withSteps(next, rewritten(named(own), before, after));
  // hours that were asked for hold, whoever changed the rests
  return next.rest.hours === was.rest.hours && next.rest.roomMin === was.rest.roomMin
    ? followed
    : restedAs(followed, next.rest.roomMin, next.rest.hours);
}

/** The cook's list where the family's way goes from one list to another. */
function rewritten(mine: readonly NamedStep[], before: readonly NamedStep[], after: readonly NamedStep[]): NamedStep[] {
  const byId = (list: readonly NamedStep[]) => new Map(list.map((s) => [s.id, s]));
  const [old, now, own] = [byId(before), byId(after), byId(mine)];
  const kept = mine.flatMap((s) => {
    const usual = old.get(s.id);
    if (!usual || !same(usual, s)) return [s];
    const changed = now.get(s.id);
    return changed ? [changed] : [];
  });
  const isNew = (s: NamedStep) => !old.has(s.id) && !own.has(s.id);
  // as the family has it; what the cook changed is her own
  const usual = new Set(mine.flatMap((s) => (old.has(s.id) && same(old.get(s.id), s) ? [s.id] : [])));
  const inItsOrder = same(
    mine.filter((s) => usual.has(s.id)).map((s) => s.id),
    before.filter((s) => usual.has(s.id)).map((s) => s.id),
  );
  if (!inItsOrder) {
    // the cook moved steps: what is new in the family's way stands behind what it follows there
    const out = [...kept];
    for (const [i, step] of after.entries()) {
      if (!isNew(step)) continue;
      const behind = after.slice(0, i).findLast((s) => out.some((o) => o.id === s.id));
      out.splice(behind ? out.findIndex((s) => s.id === behind.id) + 1 : 0, 0, step);
    }
    return out;
  }
  // the order is the family's; what is the cook's alone stands behind what it stood behind
  const behind = new Map<string | undefined, NamedStep[]>();
  let at: string | undefined;
  for (const s of kept) {
    if (usual.has(s.id)) at = s.id;
    else behind.set(at, [...(behind.get(at) ?? []), s]);
  }
  const keptById = byId(kept);
  return [
    ...(behind.get(undefined) ?? []),
    ...after.flatMap((s) => {
      const here = isNew(s) ? s : usual.has(s.id) ? keptById.get(s.id) : undefined;
      return [...(here ? [here] : []), ...(behind.get(s.id) ?? [])];
    }),
  ];
}

/**
 * The plan with what really happened to its dish: so long in the room, and the rest of the hours where it goes then.
 * @param roomMin in the room before anything colder @param hours from the pouring to the table
 */
export function restedAs(plan: Plan, roomMin: number, hours: number): Plan {
  const next = { ...plan, rest: { ...plan.rest, roomMin: Math.min(240, roomMin), hours } };
  const own = ownSteps(plan);
  if (!own) return next;
  const rests = own.filter((s) => s.do === 'rest');
  const last = rests.at(-1);
  if (!last) return next;
  const room = rests.find((s) => s.where === 'room' && s !== last);
  const others = rests.filter((s) => s !== last && s !== room).reduce((sum, s) => sum + s.minutes, 0);
  const inRoom = room ? roomMin : 0;
  return withOwnSteps(
    next,
    own.map((s) =>
      s === room
        ? { ...s, minutes: inRoom }
        : s === last
          ? { ...s, minutes: Math.max(0, hours * 60 - inRoom - others) }
          : s,
    ),
  );
}

/**
 * The plan with where its dish really stood, in place of its rests.
 * @param stays each with its minutes, in order @param hours from the pouring to the table
 */
export function restedIn(
  plan: Plan,
  stays: readonly { where: RestStep['where']; minutes: number }[],
  hours: number,
): Plan {
  const { covered, fridgeC } = plan.rest;
  return withOwnSteps(
    { ...plan, rest: { ...plan.rest, hours } },
    named([
      ...listOf(plan).filter((s) => s.do !== 'rest'),
      ...stays.map(({ where, minutes }): RestStep => ({
        do: 'rest',
        where,
        minutes: Math.max(0, minutes),
        covered,
        ...(where === 'fridge' ? { tempC: fridgeC } : {}),
      })),
    ]),
  );
}

/** What a list of steps would do wrong: which step, and why. */
export type StepTrouble = {
  id?: string;
  says: Said;
  /** a bowl that no step adds */
  bowl?: Bowl;
  /** what should come out, and no step takes out */
  stays?: readonly string[];
};

/** Ids of what must not stay in the pot. */
export const comingOut = (plan: Plan): string[] => [
  ...new Set(
    Object.entries(inBowls(plan)).flatMap(([use, portions]) =>
      use === 'fold in' || BESIDE_USES.some((u) => u === use)
        ? []
        : portions.filter((p) => p.ingredient.comesOut).map((p) => p.ingredient.id),
    ),
  ),
];

export function stepTroubles(plan: Plan): StepTrouble[] {
  const list = listOf(plan);
  const holds = (bowl: Bowl) => portionsIn(plan, bowl).length + potsIn(plan, bowl).length > 0;
  const out: StepTrouble[] = notAdded(plan, list).map((bowl) => ({
    bowl,
    says: say('steps.noneAdds', {
      what: [
        ...portionsIn(plan, bowl).map((p) => p.ingredient.name),
        ...potsIn(plan, bowl).map((p) => p.vessel.name),
      ].join(', '),
    }),
  }));
  const pour = list.findIndex(intoDish);
  if (pour < 0) out.push({ says: say('steps.nothingPours') });
  const counted = countedOut(plan, list);
  const taken = [...counted.values()].flat().map((p) => p.ingredient.id);
  const staying = comingOut(plan).filter((id) => !taken.includes(id));
  if (staying.length)
    out.push({
      stays: staying,
      says: say('steps.staysIn', { what: staying.map((id) => lookUp(plan, id).name).join(', ') }),
    });
  const added = new Set<string>();
  list.forEach((s, i) => {
    const trouble = (says: Said) => out.push({ id: s.id, says });
    if (intoPot(s)) {
      if (added.has(s.from)) trouble(say('steps.addedTwice'));
      else if (!holds(s.from)) trouble(say('steps.addsNothing'));
      added.add(s.from);
    }
    if (onTop(s) && !holds(topOf(s))) trouble(say('steps.noTop'));
    if (s.do === 'mix' && s.in !== 'pot' && !heldAfter(plan, s.in, list.slice(0, i)).length && !holds(s.in))
      trouble(say('steps.mixesNothing'));
    if (s.do === 'mix' && added.has(s.in)) trouble(say('steps.bowlIsGone'));
    if (s.do === 'serve' && s.from && list.some((x) => onTop(x) && topOf(x) === s.from))
      trouble(say('steps.addedTwice'));
    if (s.do === 'take out' && !counted.get(i)?.length) trouble(say('steps.nothingComesOut'));
    if (intoBowl(s)) {
      if (s.from === s.into || !movedBy(plan, s, list.slice(0, i)).length) trouble(say('steps.poursNothing'));
      else if (added.has(s.into)) trouble(say('steps.bowlIsGone'));
    }
    if (pour >= 0 && i > pour && (s.do === 'heat' || intoPot(s) || (s.do === 'mix' && s.in === 'pot')))
      trouble(say('steps.potIsEmpty'));
    if (pour >= 0 && i < pour && (s.do === 'bake' || onTop(s) || s.do === 'rest')) trouble(say('steps.notInDish'));
    if (intoDish(s) && i > pour) trouble(say('steps.pouredTwice'));
  });
  return out;
}

/** The list with what a bowl holds added where it usually is. */
export const addBowl = (plan: Plan, bowl: Bowl): Plan => {
  if (BESIDE_USES.includes(purposeOf(bowl))) return plan;
  const step = addsTo(plan, bowl);
  return insertStep(plan, kindOf(step), undefined, step).plan;
};
