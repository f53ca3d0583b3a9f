import { hotIn, servingStress } from '../model/forecast';
import { toSpoons, type SpoonSystem } from '../units/measures';
import { wetted, scale, usualBowl, withGrams } from '../plan/amounts';
import { eachLine } from '../plan/layout';
import { massG } from '../matter/mixture';
import { lookUp } from '../plan/bowls';
import type { Plan } from '../plan/plan';
import { aimPa, boundsFor, stripPlace, wordAt, yieldAtPlace, type SetWord } from '../texture/words';
import { say, type Said } from '../say';

/** What may move, and between what limits, g. */
export type Free = { ingredientId: string; minG?: number; maxG?: number };

export type Ask = {
  /** thickeners that may move; the first of the plan when left out */
  free?: readonly Free[];
  /** wanted word at serving; the plan's own when left out */
  word?: SetWord;
  /** or this yield stress at serving, Pa: to equal another plan */
  stressPa?: number;
  /** wanted word hot in the pot as well: needs two thickeners that may move */
  hotWord?: SetWord;
  /** mass wanted in the dishes; liquids and sugar are scaled with it */
  endMassG?: number;
};

type SolvedAmount = {
  ingredientId: string;
  grams: number;
  /** level spoons in place of it, what they weigh, and the yield stress they make over the exact one */
  spoons: ReturnType<typeof toSpoons>;
};
export type Solution =
  | { ok: true; plan: Plan; amounts: SolvedAmount[]; stressPa: number; spoonStressRatio: number; endMassG: number }
  | NoAnswer;

/** ln stress may be this far from its aim. */
const CLOSE_LN = 0.004;
/** ln stress per ln grams, about. */
const SLOPE = 2.9;
const SPOONED = boundsFor('spooned', 0.04);

/** Where the pot is on the strip as it leaves the fire, as a yield stress, Pa. */
const hotStress = (plan: Plan): number => {
  const { run } = servingStress(plan);
  const hot = hotIn(plan, run);
  return Math.max(1e-6, yieldAtPlace(hot.place, SPOONED));
};

/** Why there is no answer, and the plan that comes nearest to what was asked, where one was tried. */
type NoAnswer = { ok: false; plan: Plan; why: Said; nearest?: Plan };
type Inner = { ok: true; plan: Plan; stressPa: number; endMassG: number } | NoAnswer;

/** ln of the stress over what it should be. */
type Miss = (p: Plan, stress: number, depthM: number) => number;

/** One factor over the free thickeners, in the proportions they have, until the yield stress at serving is right. */
function solveFactor(plan: Plan, free: readonly Required<Free>[], aimAt: Miss, word: SetWord): Inner {
  const grams = (id: string) => plan.things.find((i) => i.ingredientId === id)?.grams ?? 0;
  const start = free.map((f) => Math.max(grams(f.ingredientId), 1e-3));
  const at = (ln: number) => {
    const factor = Math.exp(ln);
    const next = free.reduce(
      (p, f, i) => withGrams(p, f.ingredientId, Math.min(f.maxG, Math.max(f.minG, start[i]! * factor))),
      plan,
    );
    const s = servingStress(next);
    return { next, stress: s.stress, error: aimAt(next, s.stress, s.run.depthM), endMassG: massG(s.run.pot.content) };
  };
  let lo = Math.min(...free.map((f, i) => Math.log(Math.max(f.minG, 1e-3) / start[i]!)));
  let hi = Math.max(...free.map((f, i) => Math.log(f.maxG / start[i]!)));
  const done = (b: ReturnType<typeof at>): Inner => ({
    ok: true,
    plan: b.next,
    stressPa: b.stress,
    endMassG: b.endMassG,
  });
  let x = Math.min(hi, Math.max(lo, 0));
  let best = at(x);
  let sawLow = false;
  let sawHigh = false;
  for (let i = 0; i < 18 && Math.abs(best.error) > CLOSE_LN; i++) {
    if (best.error > 0) {
      hi = x;
      sawHigh = true;
    } else {
      lo = x;
      sawLow = true;
    }
    const newton = x - best.error / SLOPE;
    const inside = newton > lo && newton < hi;
    // an end that was not tried yet is tried before the middle is halved
    x = inside ? newton : !sawHigh ? hi : !sawLow ? lo : (lo + hi) / 2;
    const next = at(x);
    if (!sawHigh && x === hi && next.error < -CLOSE_LN)
      return { ok: false, plan, why: tooSoft(plan, free), nearest: next.next };
    if (!sawLow && x === lo && next.error > CLOSE_LN)
      return word === 'drinks' ? done(next) : { ok: false, plan, why: tooFirm(plan, free), nearest: next.next };
    best = next;
  }
  return done(best);
}

const name = (plan: Plan, id: string) => lookUp(plan, id).name;
const tooSoft = (plan: Plan, free: readonly Required<Free>[]): Said =>
  say('solve.noAmountOfUpTo', {
    and: free.map((f) => name(plan, f.ingredientId)).join(' and '),
    and2: free.map((f) => `${Math.round(f.maxG)} g`).join(' and '),
  });
const tooFirm = (plan: Plan, free: readonly Required<Free>[]): Said =>
  say('solve.itIsFirmerThanThat', { and: free.map((f) => name(plan, f.ingredientId)).join(' and ') });

/** Most thickener that still makes sense for this much liquid. */
export const MAX_SHARE = 0.28;

function freeOf(plan: Plan, ask: Ask): { free: Required<Free>[]; liquidG: number } | { why: Said } {
  const of = (group: string) => plan.things.filter((i) => lookUp(plan, i.ingredientId).group === group);
  const liquidG = of('milk').reduce((s, i) => s + i.grams, 0);
  if (liquidG <= 0) return { why: say('solve.thereIsNoMilkIn') };
  const first = of('thickener')[0];
  const asked = ask.free ?? (first ? [{ ingredientId: first.ingredientId }] : []);
  if (!asked.length) return { why: say('solve.thereIsNoThickenerIn') };
  const missing = asked.find((f) => !plan.things.some((i) => i.ingredientId === f.ingredientId));
  if (missing) return { why: say('solve.isNotInThePlan', { ingredientId: missing.ingredientId }) };
  return {
    liquidG,
    free: asked.map((f) => ({
      ingredientId: f.ingredientId,
      minG: f.minG ?? liquidG * 0.002,
      maxG: f.maxG ?? liquidG * MAX_SHARE,
    })),
  };
}

/**
 * Grams of the free thickeners for a wanted word at serving (and in the pot), with the mass after evaporation right:
 * the middle of each word's band. Works on ln grams against ln stress, which is nearly a straight line.
 */
export function solve(plan: Plan, ask: Ask = {}, system: SpoonSystem = 'metric'): Solution {
  const found = freeOf(plan, ask);
  if ('why' in found) return { ok: false, plan, why: found.why };
  const word = ask.word ?? plan.serve.word;
  const error: Miss = (p, stress, depthM) =>
    Math.log(Math.max(1e-9, stress) / (ask.stressPa ?? aimPa(word, boundsFor(p.serve.style, depthM))));
  const once = (from: Plan): Inner => {
    if (!ask.hotWord) return solveFactor(from, found.free, error, word);
    if (found.free.length < 2) return { ok: false, plan, why: say('solve.aWordInThePot') };
    return solveHot(from, found.free, error, word, ask.hotWord);
  };
  let inner = once(plan);
  for (let i = 0; i < 2 && inner.ok && ask.endMassG !== undefined; i++) {
    const ratio = ask.endMassG / inner.endMassG;
    if (Math.abs(ratio - 1) < 0.003) break;
    inner = once(wetted(scale(inner.plan, ratio)));
  }
  if (!inner.ok) return inner;
  const { plan: exact } = inner;
  const amounts = found.free.map((f) => {
    const grams = exact.things.find((i) => i.ingredientId === f.ingredientId)?.grams ?? 0;
    return {
      ingredientId: f.ingredientId,
      grams,
      spoons: toSpoons(grams, lookUp(plan, f.ingredientId).densityGPerMl, system),
    };
  });
  const spooned = amounts.reduce((p, a) => withGrams(p, a.ingredientId, a.spoons.grams), exact);
  return {
    ok: true,
    plan: exact,
    amounts,
    stressPa: inner.stressPa,
    spoonStressRatio: servingStress(spooned).stress / Math.max(1e-9, inner.stressPa),
    endMassG: inner.endMassG,
  };
}

/** Two words at once: the share of the first thickener is moved until the pot is right, the factor until the dish is. */
function solveHot(plan: Plan, free: readonly Required<Free>[], error: Miss, word: SetWord, hotWord: SetWord): Inner {
  const total =
    free.reduce((s, f) => s + (plan.things.find((i) => i.ingredientId === f.ingredientId)?.grams ?? 0), 0) || 10;
  const wanted = Math.log(aimPa(hotWord, boundsFor('spooned', 0.04)));
  const at = (share: number) => {
    const split = free.reduce(
      (p, f, i) =>
        withGrams(p, f.ingredientId, Math.max(0.01, total * (i === 0 ? share : (1 - share) / (free.length - 1)))),
      plan,
    );
    const inner = solveFactor(
      split,
      free.map((f) => ({ ...f, minG: Math.min(f.minG, 0.01) })),
      error,
      word,
    );
    return { inner, miss: inner.ok ? Math.log(hotStress(inner.plan)) - wanted : NaN };
  };
  let lo = { share: 0.02, ...at(0.02) };
  let hi = { share: 0.98, ...at(0.98) };
  if (!lo.inner.ok) return lo.inner;
  if (!hi.inner.ok) return hi.inner;
  if (lo.miss * hi.miss > 0) {
    const nearest = Math.abs(lo.miss) < Math.abs(hi.miss) ? lo : hi;
    const word = wordAt(stripPlace(hotStress(nearest.inner.plan), 0, SPOONED));
    // its middle is out of reach, the word is not
    if (word === hotWord) return nearest.inner;
    return {
      ok: false,
      plan,
      why: say('solve.noMixOfTheseIs', { hotWord, word }),
    };
  }
  for (let i = 0; i < 9; i++) {
    const share = (lo.share + hi.share) / 2;
    const mid = { share, ...at(share) };
    if (!mid.inner.ok) return mid.inner;
    if (Math.abs(mid.miss) < 0.02) return mid.inner;
    if (mid.miss * lo.miss > 0) lo = mid;
    else hi = mid;
  }
  return lo.inner;
}

export type Solved = { ok: true; plan: Plan; grams: number; starchId: string } | { ok: false; why: Said; plan: Plan };

/** The grams of the plan's first thickener that set it to its wanted word at serving. */
export function solveStarch(plan: Plan): Solved {
  const s = solve(plan);
  if (!s.ok) return s;
  const first = s.amounts[0]!;
  return { ok: true, plan: s.plan, grams: first.grams, starchId: first.ingredientId };
}

/**
 * Another thickener in the place of one, at equal set.
 * @returns the new plan and g of the new per g of the old, or why there is none
 */
export function swapThickener(
  plan: Plan,
  fromId: string,
  toId: string,
): { ok: true; plan: Plan; grams: number; perGram: number } | NoAnswer {
  const from = plan.things.find((i) => i.ingredientId === fromId);
  if (!from) return { ok: false, plan, why: say('solve.isNotInThePlan', { ingredientId: fromId }) };
  const { stress } = servingStress(plan);
  const to = lookUp(plan, toId);
  const swapped = wetted(
    eachLine(plan, (i) =>
      i.ingredientId === fromId ? { ingredientId: toId, grams: Math.max(1, i.grams), in: usualBowl(to) } : i,
    ),
  );
  const s = solve(swapped, { free: [{ ingredientId: toId }], stressPa: Math.max(stress, 1e-4) });
  if (!s.ok) return s;
  const { grams } = s.amounts[0]!;
  return { ok: true, plan: s.plan, grams, perGram: grams / Math.max(1e-9, from.grams) };
}
