import { inBowls, portionsIn } from '../plan/bowls';
import { potPartsOf, withLines, withOwnSteps, withPotParts, type Line, type Part, type PotPart } from '../plan/layout';
import {
  BESIDE_USES,
  freeBowl,
  purposeOf,
  USES,
  type Bowl,
  type HeatStep,
  type MethodStep,
  type Use,
} from '../plan/method';
import type { Plan } from '../plan/plan';
import { restsOf, USUAL_BATH, withHands } from '../plan/family';
import { additionsOf, inTheOven, joined, momentsOf } from '../cook/live';
import type { Cook } from '../cook/events';
import { foldCook } from '../cook/fold';
import { lastPlaceOf } from '../cook/stays';
import type { Step } from '../cook/steps';
import { GRAINS } from '../pot/grain';
import type { Controls } from '../pot/pot';
import { inOrder, type Act, type AddAct, type Run, type StandsOn } from './act';
import { potsOf, runOf } from './asPlanned';
import { endOf } from './debrief';
import { dishEnd, dishesOf } from './dishSteps';
import { portionsMixture } from './replay';

/** Between the kitchen and the practice pot: a batch as a run, and a run as a plan. */

const standsOn = (c: Controls): StandsOn => (c.over ? 'double boiler' : c.lifted ? 'off the ring' : 'ring');

/** A cook, live or over, as a run: every hand and every bowl where it was. */
export function runOfCook(cook: Cook, steps: readonly Step[], nowMs: number): Run {
  const { plan } = cook;
  const state = foldCook(cook, steps);
  const untilMs = Number.isNaN(state.pouredMs) ? nowMs : state.pouredMs;
  const acts: Act[] = [];
  const begun = new Set<string>();
  let s = 0;
  let hands: Controls = { setting: 0, stirEveryS: Infinity, lid: 'off', tool: 'spoon' };
  for (const m of joined(momentsOf(cook, steps, untilMs), ({ event }) => event.kind === 'added')) {
    const atS = Math.round(s);
    if ('event' in m) {
      if (m.event.kind === 'added')
        acts.push({
          do: 'add',
          atS,
          portions: m.event.portions,
          how: m.event.how === 'slurry' ? 'cold slurry' : 'cold together',
          stirring: 'whisk',
          tempC: m.event.tempC,
          soakMin: 0,
        });
      continue;
    }
    if (inTheOven(m.step) || (!m.step.heat && begun.size === 0)) continue;
    if (m.step.heat && !begun.has(m.step.id)) {
      begun.add(m.step.id);
      for (const add of m.step.adds) {
        const portions = portionsIn(plan, add.from).map((p) => ({ ingredientId: p.ingredient.id, grams: p.grams }));
        const poured = potsOf(plan, add.from);
        if ((!portions.length && !poured.pots) || !additionsOf(m.step, plan, 'as tasted').length) continue;
        const { how, stirring, tempC, soakMin, ladleG } = add;
        acts.push({
          do: 'add',
          atS,
          portions,
          ...poured,
          how,
          stirring,
          tempC,
          soakMin,
          ...(ladleG ? { ladleG } : {}),
        });
      }
    }
    const now = m.controls;
    if (standsOn(now) !== standsOn(hands)) acts.push({ do: 'move', atS, to: standsOn(now) });
    if (now.setting !== hands.setting) acts.push({ do: 'hob', atS, setting: now.setting });
    if (now.lid !== hands.lid) acts.push({ do: 'lid', atS, lid: now.lid });
    if (now.stirEveryS !== hands.stirEveryS || now.tool !== hands.tool)
      acts.push({
        do: 'stir',
        atS,
        everyS: Number.isFinite(now.stirEveryS) ? now.stirEveryS : null,
        tool: now.tool ?? 'spoon',
      });
    hands = now;
    s += (m.toMs - m.fromMs) / 1000;
  }
  if (Number.isNaN(state.pouredMs)) return runOf(plan, acts);
  const pouredS = Math.round(s);
  const after = (ms: number) => pouredS + Math.max(0, Math.round((ms - state.pouredMs) / 1000));
  const { count } = state.pouredAs;
  acts.push({ do: 'pour', atS: pouredS, ...(count === undefined ? {} : { count }) });
  for (const { where, atMs } of state.stands)
    acts.push({
      do: 'stand',
      atS: after(atMs),
      where: where === 'plan' ? lastPlaceOf(plan) : where,
      covered: state.pouredAs.covered ?? plan.rest.covered,
    });
  if (state.stands.length) {
    const servedS = Number.isNaN(state.turnedOutMs)
      ? pouredS + Math.round(3600 * plan.rest.hours)
      : after(state.turnedOutMs);
    acts.push({ do: 'serve', atS: Math.max(servedS, endOf({ acts })) });
  }
  return runOf(plan, inOrder(acts));
}

/** What is added together is one bowl of the plan: of the use that it came from, or of what it is. */
function bowlOf(a: AddAct, plan: Plan, taken: readonly Bowl[]): Bowl {
  const own = USES.find((s) => s !== 'pot' && a.bowl?.startsWith(`${s} `));
  const mixture = portionsMixture(plan, a.portions);
  const kind: Use =
    mixture.eggProteinG > 0
      ? 'bowl'
      : mixture.thickenings.some((t) => GRAINS[t.kind].form !== 'powder')
        ? 'grain'
        : mixture.thickenings.length
          ? 'slurry'
          : 'late';
  return freeBowl(taken, own ?? kind);
}

/** Shorter stretches belong to the one before: a hand that changes its mind is no step, s. */
const SHORT_S = 12;
const MOST_STEPS = 50;
const MOST_REST_H = 96;
/** parts of its things that a plan holds apart */
const MOST_CARVED = 40;

type Hands = { setting: number; lid: Controls['lid']; everyS: number | null; tool: HeatStep['tool']; on: StandsOn };

const heatStep = (h: Hands, seconds: number): HeatStep => ({
  do: 'heat',
  role: h.on === 'off the ring' ? 'off the heat' : 'heat',
  setting: h.on === 'off the ring' ? 0 : h.setting,
  stirEveryS: h.everyS,
  tool: h.tool,
  lid: h.lid,
  wrapped: false,
  until: { reach: 'time', minutes: seconds / 60 },
  limitMin: 90,
  ...(h.on === 'double boiler' ? { over: USUAL_BATH } : {}),
});

const sameHands = (a: Hands, b: Hands) => JSON.stringify(a) === JSON.stringify(b);

/**
 * A run as a plan of its own: its amounts, and its method step by step as the hands did it.
 * @param id of the new plan @param endS where the run ends, if it was not poured
 */
export function planOfRun(run: Run, id: string, name: string, endS: number): Plan {
  const { plan } = run;
  const acts = inOrder(run.acts).filter((a) => a.atS <= endS);
  const steps: MethodStep[] = [];
  const taken: Bowl[] = [];
  const put = new Map<string, { bowl: Bowl; grams: number }[]>();
  const give = (ingredientId: string, bowl: Bowl, grams: number) =>
    put.set(ingredientId, [...(put.get(ingredientId) ?? []), { bowl, grams }]);
  // what went into the pot is where the hands put it; what lies under and on top is the plan's
  const pots: PotPart[] = potPartsOf(plan).filter((p) => p.in === 'pot' || BESIDE_USES.includes(purposeOf(p.in)));
  for (const p of inBowls(plan).pot) give(p.ingredient.id, 'pot', p.grams);
  let hands: Hands = { setting: 0, lid: 'off', everyS: null, tool: 'spoon', on: 'ring' };
  let fromS = 0;
  let open: { hands: Hands; seconds: number }[] = [];
  const flush = () => {
    for (const o of open) if (o.seconds > 0) steps.push(heatStep(o.hands, o.seconds));
    open = [];
  };
  const stretch = (toS: number) => {
    const seconds = toS - fromS;
    fromS = toS;
    if (seconds <= 0) return;
    const last = open.at(-1);
    if (last && (seconds < SHORT_S || sameHands(last.hands, hands) || steps.length + open.length > MOST_STEPS))
      last.seconds += seconds;
    else open.push({ hands, seconds });
  };
  let left = false;
  for (const a of acts) {
    if (!left) stretch(a.atS);
    switch (a.do) {
      case 'hob':
        hands = { ...hands, setting: a.setting };
        break;
      case 'stir':
        hands = { ...hands, everyS: a.everyS, tool: a.tool };
        break;
      case 'lid':
        hands = { ...hands, lid: a.lid };
        break;
      case 'move':
        hands = { ...hands, on: a.to };
        break;
      case 'call':
        break;
      case 'add': {
        flush();
        const bowl = bowlOf(a, plan, taken);
        for (const p of a.portions) give(p.ingredientId, bowl, p.grams);
        for (const p of a.pots ?? []) pots.push({ ...p, in: bowl });
        const { how, stirring, tempC, soakMin, ladleG } = a;
        steps.push({
          do: 'pour',
          to: 'pot',
          from: bowl,
          how,
          stirring,
          tempC,
          soakMin,
          left: 0,
          ...(ladleG ? { ladleG } : {}),
        });
        taken.push(bowl);
        break;
      }
      default:
        if (!left) flush();
        left = true;
    }
  }
  if (!left) {
    stretch(endS);
    flush();
  }
  const end = dishEnd(plan, acts, endS);
  // left to the plan: its own way in the dish
  steps.push(...(end?.steps ?? [{ do: 'pour' as const, to: 'dish' as const }, ...restsOf(plan)]));
  const lines: Line[] = [];
  const parts: Part[] = [];
  for (const [ingredientId, by] of put) {
    const all = by.toSorted((x, y) => y.grams - x.grams);
    lines.push({ ingredientId, grams: all.reduce((sum, p) => sum + p.grams, 0), in: all[0]!.bowl });
    for (const { bowl, grams } of all.slice(1))
      if (parts.length < MOST_CARVED) parts.push({ ingredientId, grams, in: bowl });
  }
  const own = plan.own.filter((i) => put.has(i.id));
  const { have: _have, ...rest } = plan;
  const laid = withPotParts(withLines(rest, lines, parts), pots);
  return {
    ...withOwnSteps(laid, withHands(laid, steps)),
    id,
    name: name.slice(0, 60),
    own,
    dish: { ...plan.dish, count: dishesOf(plan, acts) },
    portions: [],
    rest: { ...plan.rest, hours: end ? Math.min(MOST_REST_H, end.hours) : plan.rest.hours },
  };
}
