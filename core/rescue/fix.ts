import { table } from '../coefficients';
import type { Added, Cook, CookEvent, Fault } from '../cook/events';
import { addedTo, cookAhead, type OnTheHob } from '../cook/live';
import { changesOf, stepsOf, type Step } from '../cook/steps';
import { foldCook } from '../cook/fold';
import { dishHistory, judge, placesWithin } from '../model/forecast';
import { massG } from '../matter/mixture';
import { allThings, lookUp, mainLiquid } from '../plan/bowls';
import { methodOf } from '../plan/family';
import { KEPT } from '../plan/kept';
import { type HeatStep, type MethodStep } from '../plan/method';
import type { Plan, SecondPot } from '../plan/plan';
import { secondPlan } from '../plan/secondPot';
import { addToPot, cookedStarchPct, severityOf, type Pot, type PotSetup } from '../pot/pot';
import { EGG } from '../pot/egg';
import { GRAINS } from '../pot/grain';
import { runPhase } from '../pot/program';
import { phaseOf, potSetup, runMethod, runOff } from '../model/run';
import { SET_WORDS, type SetWord, boundsFor, aimPlace, wordAt } from '../texture/words';

/** What brings a pot to its word: how much, how it goes in, what it costs in minutes. Every amount is cooked through. */
export const FIX = table('Mending a pot', {
  slurryParts: [2.5, '1', 'B', 'cold liquid to one of starch'],
  starchMost: [0.07, '1', 'C', 'of the pot, in one go'],
  milkMost: [0.7, '1', 'C', 'of the pot, in one go'],
  cookOnMin: [2, 'min', 'C', 'of bubbling after late starch'],
  downMin: [30, 'min', 'C', 'longest that is worth cooking down'],
  minutesMore: [6, 'min', 'C', 'longest that egg is held'],
  bubblesWithPct: [2, '%', 'C', 'starch from which a pot with egg may bubble'],
  nearSteps: [0.12, '1', 'C', 'steps of the strip that nobody tells apart'],
  kitchenLn: [0.15, 'ln', 'C', 'spread of an amount added at the hob'],
});

/** A pot that is to be mended, and what would still be done to it. */
export type Situation = {
  plan: Plan;
  setup: PotSetup;
  pot: Pot;
  hot: boolean;
  /** the pot at the pouring, after this more fire */
  finish(pot: Pot, heat: HeatStep[]): Pot;
  /** the fire that is still planned bubbles, so late starch needs no more */
  willBubble: boolean;
  /** step after which more fire comes, in a cook of this app */
  after?: string;
};

/** Where a pot is heading, as the dish will be served. */
export type Heading = { place: number; low: number; high: number; word: SetWord; massG: number; curd: number };

export type Fix = {
  how: 'slurry' | 'loosen' | 'cook down' | 'hold on';
  /** what goes into the cook's events */
  added: Added;
  /** g of what mends it, and of the liquid that carries it; 0 for minutes alone */
  grams: number;
  liquidG: number;
  ingredientId: string;
  liquidId: string;
  /** longer than without it */
  minutes: number;
  before: Heading;
  after: Heading;
  /** it gets to the word that was wanted */
  reaches: boolean;
};

/** A pot at the pouring, judged as it will be served. */
export function headingOf(plan: Plan, setup: PotSetup, pot: Pot, sdLn: number): Heading {
  const run = runOff(plan, setup, pot);
  const bounds = boundsFor(plan.serve.style, run.depthM);
  const at = dishHistory(plan, run, plan.rest.hours).serving;
  const f = judge(plan, run, at, bounds);
  return {
    place: f.place,
    ...placesWithin(f, sdLn, bounds, at.tempC),
    word: wordAt(f.place),
    massG: massG(run.pot.content),
    curd: severityOf(run.pot),
  };
}
const sdOf = (plan: Plan) => Math.hypot(plan.firmness.sdLn, FIX.kitchenLn);

/**
 * A pot beside the pot, as its list leaves it, hot. What it should be is what it comes out as; where the cook says that it
 * is too thin or too stiff, a word further.
 * @throws UnknownIngredientError, RangeError (nothing liquid in it)
 */
export function besideSituation(plan: Plan, vessel: SecondPot, fault: Fault): Situation {
  const second = secondPlan(plan, vessel);
  const setup = potSetup(second);
  const { pot } = runMethod(second);
  const by = fault === 'too thin' || fault === 'too thin, cold' ? 1 : fault === 'too stiff' ? -1 : 0;
  const comes = SET_WORDS.indexOf(headingOf(second, setup, pot, sdOf(second)).word);
  const word = SET_WORDS[Math.max(0, Math.min(SET_WORDS.length - 1, comes + by))]!;
  return finished({ ...second, serve: { ...second.serve, word } }, setup, pot);
}

/** A cook of this app at this moment. @param on the pot beside it */
export function situationOf(cook: Cook, steps: readonly Step[], nowMs: number, on: OnTheHob): Situation {
  const state = foldCook(cook, steps);
  const present = steps[state.stepIndex];
  const willBubble = steps.slice(state.stepIndex).some((s) => s.heat?.until.reach === 'bubble');
  const at = new Date(nowMs).toISOString();
  return {
    plan: on.plan,
    setup: on.setup,
    pot: on.pot,
    hot: true,
    willBubble,
    ...(present ? { after: present.id } : {}),
    finish(pot, heat) {
      if (!present || !heat.length) return cookAhead(cook, steps, nowMs, { ...on, pot }).pot;
      const events: CookEvent[] = [
        ...cook.events,
        {
          kind: 'added',
          id: 'try',
          at,
          portions: [],
          tempC: 0,
          how: 'stirred in',
          why: 'fix',
          after: present.id,
          heat,
        },
        { kind: 'stepDone', id: 'try on', at, step: present.id },
      ];
      const next = { ...cook, events };
      return cookAhead(next, stepsOf(cook.plan, { phases: [] }, changesOf(next)), nowMs, { ...on, pot }).pot;
    },
  };
}

/** A pudding that stands finished, hot in the pot or cold in its dish. @param cold degC, where it is cold */
export function finished(plan: Plan, setup: PotSetup, pot: Pot, coldC?: number): Situation {
  const here = coldC === undefined ? pot : { ...pot, bulkC: coldC, panC: coldC, powerW: 0 };
  return {
    plan,
    setup,
    pot: here,
    hot: coldC === undefined,
    willBubble: false,
    finish: (p, heat) => heat.reduce((x, h) => runPhase(x, setup, phaseOf(h)).pot, p),
  };
}

const fire = (plan: Plan, more: Partial<HeatStep> & Pick<HeatStep, 'role' | 'until'>): HeatStep => ({
  do: 'heat',
  setting: plan.method.simmerSetting,
  limitMin: 40,
  stirEveryS: Math.min(5, plan.method.stirEveryS),
  tool: 'spoon',
  lid: 'off',
  wrapped: false,
  ...more,
});
const isHeat = (m: MethodStep): m is HeatStep => m.do === 'heat';

/** The fire that late starch asks for: to the bubble and on; over steam to its thickness and on. */
export function fireAgain(plan: Plan): HeatStep[] {
  const over = methodOf(plan)
    .filter(isHeat)
    .find((m) => m.over)?.over;
  return [
    fire(plan, {
      role: 'thicken',
      setting: plan.method.heatSetting,
      until: over ? { reach: 'time', minutes: 6 } : { reach: 'bubble' },
      ...(over ? { over } : {}),
    }),
    fire(plan, { role: 'cook on', until: { reach: 'time', minutes: FIX.cookOnMin }, ...(over ? { over } : {}) }),
  ];
}

/** Enough for a gram in half a kilogram. */
const HALVINGS = 9;

/** The largest x up to `most` that a rising test does not yet pass, by halving. */
function crossing(most: number, passes: (x: number) => boolean): number {
  let lo = 0;
  let hi = most;
  for (let i = 0; i < HALVINGS; i++) {
    const mid = (lo + hi) / 2;
    if (passes(mid)) hi = mid;
    else lo = mid;
  }
  return hi;
}

/** Whole grams from 10 g, half grams below. */
const weighable = (g: number): number => (g >= 10 ? Math.round(g) : Math.round(g * 2) / 2);

/** The starch that this cook has at hand: the plan's own powder, else cornstarch. */
export function starchOf(plan: Plan): string {
  const own = allThings(plan).find((i) => {
    const kind = lookUp(plan, i.ingredientId).thickener;
    return kind !== undefined && GRAINS[kind].form === 'powder';
  });
  return own?.ingredientId ?? 'cornstarch';
}

/** Thicker: starch in a slurry, minutes of cooking down, or egg held a little longer. The likeliest first. */
export function thicker(s: Situation, target = aimPlace(s.plan.serve.word)): Fix[] {
  const { plan } = s;
  const sd = sdOf(plan);
  const head = (pot: Pot) => headingOf(plan, s.setup, pot, sd);
  const asIs = s.finish(s.pot, []);
  const before = head(asIs);
  const liquidId = mainLiquid(plan)?.id ?? 'milk_whole';
  const fixes: Fix[] = [];
  const push = (how: Fix['how'], added: Added, pot: Pot, grams = 0, liquidG = 0, ingredientId = '') => {
    const after = head(pot);
    fixes.push({
      how,
      added,
      grams,
      liquidG,
      ingredientId,
      liquidId,
      minutes: Math.max(0, pot.tS - asIs.tS) / 60,
      before,
      after,
      reaches: Math.abs(after.place - target) < 2 * FIX.nearSteps || after.place >= target,
    });
  };
  const base = { tempC: KEPT.fridgeC, why: 'fix' as const, ...(s.after === undefined ? {} : { after: s.after }) };
  const egg = s.pot.content.eggProteinG > 0;
  const starchId = starchOf(plan);
  const starchShare = lookUp(plan, starchId).per100.starch / 100;
  const most = FIX.starchMost * massG(s.pot.content);
  // a custard of egg alone stays one: starch that must bubble is another dish
  const starchy = plan.things.some((i) => lookUp(plan, i.ingredientId).thickener !== undefined && i.grams > 0);
  const mayBubble = (g: number) =>
    !egg || (starchy && cookedStarchPct(asIs) + (100 * g * starchShare) / massG(asIs.content) >= FIX.bubblesWithPct);
  const heat = s.willBubble ? [] : fireAgain(plan);
  const slurry = (g: number): Added => ({
    ...base,
    how: 'slurry',
    portions: [
      { ingredientId: starchId, grams: g },
      { ingredientId: liquidId, grams: FIX.slurryParts * g },
    ],
    heat,
  });
  const withSlurry = (g: number) => s.finish(addToPot(s.pot, addedTo(slurry(g), plan)(s.pot), s.setup), heat);
  const g = weighable(crossing(most, (x) => head(withSlurry(x)).place >= target));
  if (g > 0 && mayBubble(g)) push('slurry', slurry(g), withSlurry(g), g, weighable(FIX.slurryParts * g), starchId);
  if (egg && !mayBubble(g)) {
    const hold = (min: number) => [
      fire(plan, {
        role: 'minutes more',
        setting: Math.max(1, plan.method.simmerSetting - 3),
        stirEveryS: 2,
        until: { reach: 'time', minutes: min },
      }),
    ];
    const held = (min: number) => s.finish(s.pot, hold(min));
    const min = crossing(FIX.minutesMore, (x) => {
      const pot = held(x);
      return severityOf(pot) > EGG.smooth / 2 || head(pot).place >= target;
    });
    push('hold on', { ...base, how: 'stirred in', portions: [], heat: hold(min) }, held(min));
  } else {
    const down = (min: number) => [fire(plan, { role: 'reduce', until: { reach: 'time', minutes: min } })];
    const min = crossing(FIX.downMin, (x) => head(s.finish(s.pot, down(x))).place >= target);
    const pot = s.finish(s.pot, down(min));
    const whole = Math.max(1, Math.round(min));
    if (head(pot).place > before.place + FIX.nearSteps)
      push('cook down', { ...base, how: 'stirred in', portions: [], heat: down(whole) }, s.finish(s.pot, down(whole)));
  }
  return fixes;
}

/** Looser: milk stirred into the hot pot, to the word that was wanted. */
export function looser(s: Situation, target = aimPlace(s.plan.serve.word)): Fix {
  const { plan } = s;
  const sd = sdOf(plan);
  const head = (pot: Pot) => headingOf(plan, s.setup, pot, sd);
  const asIs = s.finish(s.pot, []);
  const liquidId = mainLiquid(plan)?.id ?? 'milk_whole';
  // cold pudding is warmed so that the milk goes in without lumps
  const heat = s.hot ? [] : [fire(plan, { role: 'warm', until: { reach: 'temperature', tempC: 80 } })];
  const added = (g: number): Added => ({
    portions: [{ ingredientId: liquidId, grams: g }],
    tempC: s.hot ? 60 : KEPT.fridgeC,
    how: 'stirred in',
    why: 'fix',
    ...(s.after === undefined ? {} : { after: s.after }),
  });
  const loosened = (g: number) => s.finish(addToPot(s.pot, addedTo(added(g), plan)(s.pot), s.setup), heat);
  const g = weighable(crossing(FIX.milkMost * massG(s.pot.content), (x) => head(loosened(x)).place <= target));
  const pot = loosened(g);
  const after = head(pot);
  return {
    how: 'loosen',
    added: { ...added(g), ...(heat.length ? { heat } : {}) },
    grams: g,
    liquidG: g,
    ingredientId: liquidId,
    liquidId,
    minutes: Math.max(0, pot.tS - asIs.tS) / 60,
    before: head(asIs),
    after,
    reaches: after.place <= target + 2 * FIX.nearSteps,
  };
}

/** The mending that this pot asks for ahead of time, or none: it is near enough. */
export function mendings(s: Situation): { before: Heading; fixes: Fix[] } {
  const target = aimPlace(s.plan.serve.word);
  const before = headingOf(s.plan, s.setup, s.finish(s.pot, []), sdOf(s.plan));
  if (before.word === s.plan.serve.word) return { before, fixes: [] };
  return { before, fixes: before.place < target ? thicker(s, target) : [looser(s, target)] };
}
