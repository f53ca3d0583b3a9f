import { massG } from '../matter/mixture';
import { BITE, GRAINS } from '../pot/grain';
import { notAdded, restsOf, USUAL_BATH, withHands } from '../plan/family';
import {
  BESIDE_USES,
  freeBowl,
  type AddStep,
  type BakeStep,
  type HeatStep,
  type MethodStep,
  type RestStep,
  type Bowl,
  type Use,
  purposeOf,
} from '../plan/method';
import { linesOf, ownSteps, partsOf, withLines, withOwnSteps, type Line, type Part } from '../plan/layout';
import type { Plan } from '../plan/plan';
import { mixtureOfPortions, lookUp, portionsIn } from '../plan/bowls';
import type { StarchEntry } from '../pot/lumps';
import { STIR_S } from './facts';
import type { Reading } from './read';
import type { Account, Arrival, Bake, Heat, Rest, Wet } from './language/account';
import type { Level } from './language/lexicon';

/**
 * A recipe's plan in the recipe's own order: what goes in when, what is waited for on which fire, the oven, the places
 * where it stands, act by act as its sentences have them, in the place of the family's usual way.
 */

/** Hob ovals of the words (B). */
const RING: Readonly<Record<Level, number>> = {
  lowest: 1,
  low: 3,
  'medium low': 4,
  medium: 5,
  'medium high': 7,
  high: 8,
};
/** degC at which milk steams (C) */
const STEAMS_C = 80;
/** degC at which egg alone coats the spoon (B) */
const CUSTARD_C = 82;
/** degC that milk and egg come to over steam (B) */
const STEAMED_C = 74;
const STEAMED_CUSTARD_C = 80;
/** Pa s at which it coats a spoon, and at which it is thick (C) */
const COATS_PAS = 0.12;
const THICK_PAS = 0.6;
/** min in which sugar dissolves and fat melts (C) */
const DISSOLVES_MIN = 2;
/** min of a fire of which nothing is said but the fire (C) */
const USUAL_MIN = 3;
/** g of water in a topping from which it is poured on, and not strewn (B) */
const LAYER_FROM_G = 20;
/** min after which what stands over steam is taken as it is (C) */
const OVER_WATER_MIN = 30;
/** min on the hob that no recipe means */
const MOST_ON_HOB_MIN = 12 * 60;
/** share of water from which a pot flows (C) */
const FLOWS_FROM = 0.35;
/** g of a thing that are nothing */
const LEAST_G = 0.05;

const ENTRY: Readonly<Record<Wet, StarchEntry>> = {
  'cold slurry': 'cold slurry',
  'cold together': 'cold together',
  'with sugar': 'mixed with sugar',
  'with egg': 'in cold cream or yolks',
  rain: 'dry rain',
  'dry into hot': 'dry powder',
  'fat first': 'fat-coated',
  'hot onto': 'hot liquid onto meal',
  'in water first': 'cold together',
  'in cream': 'cold slurry',
};

type Turned = { turn: number };
const inTurn = (a: Turned, b: Turned) => a.turn - b.turn;

/** One arrival in the pot as a moment of the plan: its grams of each ingredient. */
type Moment = { arrival: Arrival; bowl: Bowl; grams: Map<string, number> };

/** What comes into the pot, moment by moment. Before the first fire it is in the pot from the start. */
function momentsIn(plan: Plan, a: Account, firstTurn: number): Moment[] {
  const items = new Map(linesOf(plan).map((i) => [i.ingredientId, i]));
  /** of each ingredient, g that the account knows of in all its things: the plan has the right whole */
  const known = new Map<string, number>();
  // what was taken out of the pot and came back, tempering, has come already
  const come = new Map<number, number>();
  const arrivals = a.arrivals.map((arrival) => ({
    ...arrival,
    portions: arrival.portions.map((p) => {
      const before = come.get(p.thing) ?? 0;
      const share = Math.max(0, Math.min(p.share, 1 - before));
      come.set(p.thing, before + share);
      return { ...p, share };
    }),
  }));
  const each = arrivals.flatMap(({ portions }) => portions);
  const idOf = (t: number) => a.things[t]!.id;
  const weight = (t: number) => a.things[t]!.grams ?? 1;
  for (const p of each) known.set(idOf(p.thing), (known.get(idOf(p.thing)) ?? 0) + p.share * weight(p.thing));
  const taken: Bowl[] = [];
  return arrivals.flatMap((arrival): Moment[] => {
    const grams = new Map<string, number>();
    for (const p of arrival.portions) {
      const item = items.get(idOf(p.thing));
      if (!item || BESIDE_USES.includes(purposeOf(item.in))) continue;
      if (p.share <= 0) continue;
      const share = (p.share * weight(p.thing)) / known.get(item.ingredientId)!;
      grams.set(item.ingredientId, (grams.get(item.ingredientId) ?? 0) + share * (item.grams - besideG(plan, item)));
    }
    if (!grams.size) return [];
    const bowl = arrival.turn <= firstTurn ? 'pot' : freeBowl(taken, useFor(plan, a, arrival, [...grams.keys()]));
    if (bowl !== 'pot') taken.push(bowl);
    return [{ arrival, bowl, grams }];
  });
}

/** g of a thing that lie under it or on top. */
const besideG = (plan: Plan, item: Line): number =>
  partsOf(plan)
    .filter((c) => c.ingredientId === item.ingredientId && BESIDE_USES.includes(purposeOf(c.in)))
    .reduce((sum, c) => sum + c.grams, 0);

function useFor(plan: Plan, a: Account, arrival: Arrival, ids: readonly string[]): Use {
  const all = ids.map((id) => lookUp(plan, id));
  if (a.folded && ids.includes('white')) return 'fold in';
  if (all.some((i) => i.egg)) return 'bowl';
  if (all.some((i) => i.group === 'thickener' && i.thickener !== undefined))
    return all.some((i) => i.group === 'milk') || all.length > 1 ? 'slurry' : 'grain';
  return arrival.off ? 'off the heat' : 'late';
}

/** The plan's things at the moments at which they come; what the account has no arrival for stays where the plan has it. */
function placed(plan: Plan, moments: readonly Moment[]): Plan {
  const kept: Part[] = partsOf(plan).filter((c) => BESIDE_USES.includes(purposeOf(c.in)) || c.taste);
  const lines = linesOf(plan).map((item) => {
    const parts = new Map<Bowl, { bowl: Bowl; grams: number }>();
    for (const m of moments) {
      const grams = m.grams.get(item.ingredientId) ?? 0;
      if (grams <= LEAST_G) continue;
      parts.set(m.bowl, { bowl: m.bowl, grams: (parts.get(m.bowl)?.grams ?? 0) + grams });
    }
    const [main, ...rest] = [...parts.values()].sort((x, y) => y.grams - x.grams);
    if (!main) return item;
    for (const p of rest)
      kept.push({ ingredientId: item.ingredientId, grams: Math.round(p.grams * 10) / 10, in: p.bowl, typed: true });
    return { ...item, in: main.bowl };
  });
  return withLines(plan, lines, kept.slice(0, 40));
}

function addOf(plan: Plan, a: Account, m: Moment): AddStep {
  const ids = [...m.grams.keys()];
  const wet = [...a.wet].find(([t]) => ids.includes(a.things[t]!.id))?.[1];
  const cold = plan.things.some((i) => ids.includes(i.ingredientId) && lookUp(plan, i.ingredientId).group === 'milk');
  const tempered = purposeOf(m.bowl) === 'bowl' && (a.egg === 'tempered' || a.egg === 'hot onto');
  return {
    do: 'pour',
    to: 'pot',
    from: m.bowl,
    tempC: cold ? 8 : plan.room.tempC,
    how: wet ? ENTRY[wet] : purposeOf(m.bowl) === 'bowl' ? 'in cold cream or yolks' : 'cold slurry',
    stirring: purposeOf(m.bowl) === 'fold in' ? 'spoon' : 'whisk',
    soakMin: 0,
    left: 0,
    ...(tempered ? { ladleG: 60 } : {}),
  };
}

/** What is in the pot by then, by what it does. */
type Inside = { starch: boolean; kernels: boolean; egg: boolean };

function untilOf(h: Heat, inside: Inside, a: Account, over: boolean): HeatStep['until'] {
  const time = (minutes: number): HeatStep['until'] => ({ reach: 'time', minutes });
  switch (h.until) {
    case 'boil':
    case 'simmer':
      // over steam nothing bubbles: hot, or thick, is the end
      if (!over) return { reach: 'bubble' };
      if (inside.starch) return { reach: 'thickness', viscosityPaS: COATS_PAS };
      return { reach: 'temperature', tempC: inside.egg ? STEAMED_CUSTARD_C : STEAMED_C };
    case 'temp':
      return h.tempC === undefined ? time(h.min ?? USUAL_MIN) : { reach: 'temperature', tempC: h.tempC };
    case 'steam':
    case 'warm':
      return { reach: 'temperature', tempC: h.until === 'warm' ? 50 : over ? STEAMED_C : STEAMS_C };
    case 'reduced':
      return a.reduce === undefined
        ? time(h.min ?? 20)
        : { reach: 'share', share: Math.max(0.1, Math.min(0.98, a.reduce)) };
    default:
  }
  const thickens = (h.until === 'thick' || h.until === 'coats') && inside.starch;
  if (h.min !== undefined && !thickens) return time(h.min);
  switch (h.until) {
    case 'soft':
    case 'gone':
      return inside.kernels ? { reach: 'grain', bite: BITE.done } : time(USUAL_MIN);
    case 'coats':
    case 'thick':
      if (inside.kernels && !inside.starch) return { reach: 'grain', bite: BITE.done };
      if (inside.egg && !inside.starch) return { reach: 'temperature', tempC: over ? STEAMED_CUSTARD_C : CUSTARD_C };
      return inside.starch
        ? { reach: 'thickness', viscosityPaS: h.until === 'coats' ? COATS_PAS : THICK_PAS }
        : time(USUAL_MIN);
    case 'dissolved':
    case 'melted':
      return time(DISSOLVES_MIN);
    default:
      return time(USUAL_MIN);
  }
}

function roleOf(h: Heat, until: HeatStep['until'], inside: Inside, thick: boolean): HeatStep['role'] {
  if (h.until === 'reduced') return 'reduce';
  if (until.reach === 'grain' || (inside.kernels && until.reach === 'time')) return 'simmer';
  if (!inside.starch && !inside.egg && !inside.kernels) return 'warm';
  if (until.reach !== 'time') return thick ? 'heat' : 'thicken';
  return thick ? 'cook on' : 'heat';
}

function heatOf(plan: Plan, a: Account, h: Heat, inside: Inside, thick: boolean): HeatStep {
  const over = h.overWater ?? (a.doubleBoiler && !a.heats.some((x) => x.overWater));
  const until = untilOf(h, inside, a, over);
  const { heatSetting, simmerSetting, stirEveryS } = plan.method;
  const usual = until.reach === 'time' || until.reach === 'grain' ? simmerSetting : heatSetting;
  const stir = h.stir === 'none' ? null : h.stir ? STIR_S[h.stir] : stirEveryS;
  return {
    do: 'heat',
    role: roleOf(h, until, inside, thick),
    setting: h.level ? RING[h.level] : usual,
    until,
    limitMin: over ? OVER_WATER_MIN : until.reach === 'share' || until.reach === 'grain' ? 150 : 90,
    stirEveryS: h.lid === 'on' && stir !== null ? Math.max(stir, 120) : stir,
    tool: 'spoon',
    lid: h.lid ?? 'off',
    wrapped: false,
    ...(over ? { over: USUAL_BATH } : {}),
  };
}

function bakeOf(plan: Plan, b: Bake, usual: BakeStep | undefined): BakeStep {
  const until: BakeStep['until'] =
    b.min === undefined ? (usual?.until ?? { reach: 'colour' }) : { reach: 'time', minutes: b.min };
  return {
    do: 'bake',
    ovenC: Math.max(80, Math.min(280, b.tempC ?? plan.choices.ovenC ?? 170)),
    fan: b.fan ?? false,
    from: b.cold ? 'cold' : 'hot',
    bath: b.bath ? 'open' : 'none',
    until,
    limitMin: 240,
    grillMin: b.grill ? Math.min(15, b.grillMin ?? 3) : 0,
    covered: false,
  };
}

const restOf = (plan: Plan, r: Rest): RestStep => ({
  do: 'rest',
  where: r.where === 'ice' ? 'ice bath' : r.where,
  minutes: r.min ?? (r.where === 'room' ? 20 : r.where === 'ice' ? 15 : 180),
  covered: plan.rest.covered,
  ...(r.where === 'fridge' ? { tempC: plan.rest.fridgeC } : {}),
});

/** Off the ring in its pan, before more is done to it. */
const coolsOf = (plan: Plan, r: Rest): HeatStep => ({
  do: 'heat',
  role: 'cool',
  setting: 0,
  until: { reach: 'time', minutes: r.min ?? 20 },
  limitMin: 240,
  stirEveryS: 60,
  tool: 'spoon',
  lid: 'off',
  wrapped: false,
});

/**
 * @returns the plan with the recipe's own steps; the plan as it is where the recipe says too little for a list of its
 *   own, or starts with nothing liquid in the pot
 */
export function asTold(plan: Plan, { account, lines }: Pick<Reading, 'account' | 'lines'>): Plan {
  // grain that is ground is another thing than its line was
  const things = account.things.map((t, i) => ({ ...t, id: (t.found ? undefined : lines[i]?.ingredientId) ?? t.id }));
  const a = { ...account, things };
  const heats = a.heats.filter((h) => h.things.length > 0);
  if (!heats.length) return plan;
  const moments = momentsIn(plan, a, heats[0]!.turn);
  const at = placed(plan, moments);
  // sugar and fat alone are browned, and grain is fried: the model of the pot begins with what flows
  const start = mixtureOfPortions(portionsIn(at, 'pot'));
  if (start.waterG < FLOWS_FROM * massG(start)) return plan;
  const inside: Inside = { starch: false, kernels: false, egg: false };
  const meets = (bowl: Bowl) => {
    for (const { ingredient: i } of portionsIn(at, bowl)) {
      const kernel = i.group === 'thickener' && i.thickener !== undefined && GRAINS[i.thickener].form === 'kernel';
      inside.kernels ||= kernel;
      inside.starch ||= i.group === 'thickener' && i.thickener !== undefined && !kernel;
      inside.egg ||= i.egg !== undefined;
    }
  };
  meets('pot');
  const hob = [
    // what one act puts in and heats goes in first
    ...moments.filter((m) => m.bowl !== 'pot').map((m) => ({ turn: m.arrival.turn, m })),
    ...heats.map((h) => ({ turn: h.turn, h })),
  ].sort(inTurn);
  const lastOnHob = hob.at(-1)!.turn;
  const before = a.rests.filter((r) => r.turn < lastOnHob && r.where === 'room');
  const steps: MethodStep[] = [];
  let thick = false;
  for (const e of [...hob, ...before.map((r) => ({ turn: r.turn, r }))].sort(inTurn)) {
    if ('m' in e) {
      steps.push(addOf(at, a, e.m));
      meets(e.m.bowl);
    } else if ('h' in e) {
      const step = heatOf(at, a, e.h, inside, thick);
      // minutes at the boil are counted from the boil: what has just gone in comes to it first
      if (e.h.boils && step.until.reach === 'time' && inside.starch && !thick && !step.over)
        steps.push({
          ...step,
          role: 'thicken',
          setting: Math.max(step.setting, at.method.heatSetting),
          until: { reach: 'bubble' },
        });
      steps.push(
        steps.at(-1)?.do === 'heat' && step.role === 'heat' && inside.starch ? { ...step, role: 'cook on' } : step,
      );
      thick ||= inside.starch || inside.egg;
    } else steps.push(coolsOf(at, e.r));
  }
  // starch that nothing heats any more is meant to be cooked all the same, as it usually is
  const raw = hob.findLastIndex(
    (e) => 'm' in e && portionsIn(at, e.m.bowl).some((p) => p.ingredient.thickener !== undefined),
  );
  if (raw >= 0 && !hob.slice(raw).some((e) => 'h' in e) && !a.bakes.length) steps.push(...thickens(at));
  steps.push(...forgotten(at, steps), { do: 'pour', to: 'dish' }, ...inDish(at, a, plan, lastOnHob));
  const onHobMin = steps.reduce(
    (sum, s) => sum + (s.do === 'heat' && s.until.reach === 'time' ? s.until.minutes : 0),
    0,
  );
  if (onHobMin > MOST_ON_HOB_MIN) return plan;
  const minutes = steps.reduce((sum, s) => sum + (s.do === 'rest' ? s.minutes : 0), 0);
  return withOwnSteps(
    { ...at, rest: { ...at.rest, hours: Math.min(96, minutes / 60) } },
    [...withHands(at, steps)].slice(0, 60),
  );
}

/** To the bubble, and the usual minutes more. */
function thickens(plan: Plan): HeatStep[] {
  const { heatSetting, simmerSetting, stirEveryS, cookOnMin } = plan.method;
  const fire = { do: 'heat', limitMin: 90, stirEveryS, tool: 'spoon', lid: 'off', wrapped: false } as const;
  return [
    { ...fire, role: 'thicken', setting: heatSetting, until: { reach: 'bubble' } },
    ...(cookOnMin > 0
      ? [{ ...fire, role: 'cook on', setting: simmerSetting, until: { reach: 'time', minutes: cookOnMin } } as const]
      : []),
  ];
}

/** What no sentence puts in goes in at the end. */
const forgotten = (plan: Plan, steps: readonly MethodStep[]): AddStep[] =>
  notAdded(plan, steps).map((bowl) => ({
    do: 'pour',
    to: 'pot',
    from: bowl,
    tempC: plan.room.tempC,
    how: 'cold slurry',
    stirring: 'whisk',
    soakMin: 0,
    left: 0,
  }));

/** Oven, top and the places where it stands, in their order. */
function inDish(at: Plan, a: Account, usual: Plan, lastOnHob: number): MethodStep[] {
  const usualBake = ownSteps(usual)?.find((s) => s.do === 'bake');
  const rests = a.rests.filter((r) => r.turn >= lastOnHob || r.where !== 'room');
  const layer = mixtureOfPortions(portionsIn(at, 'top')).waterG >= LAYER_FROM_G;
  const out: MethodStep[] = [
    ...a.bakes.map((b) => ({ turn: b.turn, step: bakeOf(at, b, usualBake) as MethodStep })),
    ...rests.map((r) => ({ turn: r.turn, step: restOf(at, r) as MethodStep })),
  ]
    .sort(inTurn)
    .map((e) => e.step);
  // a layer goes on once the oven has made what carries it, or at once
  const firstBake = out.findIndex((s) => s.do === 'bake');
  if (layer) out.splice(firstBake < 0 ? 0 : firstBake + 1, 0, { do: 'pour', to: 'top', tempC: at.room.tempC });
  return out.some((s) => s.do === 'rest') ? out : [...out, ...restsOf(at)];
}
