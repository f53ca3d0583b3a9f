import { lookUp } from '../plan/bowls';
import { methodOf } from '../plan/family';
import type { Plan } from '../plan/plan';
import { bowlsOf } from './asPlanned';
import { IN_DISH } from './dishSteps';
import { inOrder, shifted, type Act, type AddAct, type Run } from './act';
import { portionsMixture, Replay, type Happening, type Scene } from './replay';
import { FELT, HARMS, outcomeOf, wrongOf, type Harm, type Outcome } from './outcome';

/** What a run cost, act by act: the pot is played again without each, and what comes of it says what it did. */

/** What would have been otherwise, the gentlest change first: where two mend as much, the first is the cause. */
export const OTHERWISE = [
  'as a slurry',
  'with a whisk',
  'ladle by ladle',
  'kept stirring',
  'stirred',
  'stirred more often',
  'lid off',
  'left where it was',
  'not turned up',
  'lower ring',
  'turned down in time',
  'sugar at the end',
  'into the cold at once',
  'more dishes',
  'longer in the oven',
  'shorter in the oven',
  'off earlier',
  'longer',
  'later to the table',
  'left out',
] as const;
export type OtherwiseKind = (typeof OTHERWISE)[number];

export type Otherwise = {
  kind: OtherwiseKind;
  /** the act it is about, in the order of the run; none where something was not done */
  act?: number;
  atS: number;
  /** to which second, by how many seconds or to what setting or number, where that is told */
  toS?: number;
  byS?: number;
  to?: number;
  acts: readonly Act[];
  endS: number;
};

export type Cost = Otherwise & {
  outcome: Outcome;
  /** how much less is wrong without it */
  gain: number;
  /** what is no longer felt */
  mends: Harm[];
};

export type Debrief = {
  outcome: Outcome;
  happened: { what: Happening; atS: number }[];
  /** what would have been better, the most first; the first is the cause */
  costs: Cost[];
};

const TENDED_S = 3;
const SELDOM_S = 8;
/** Turns of the ring that follow each other within this are one, s. */
const ONE_TURN_S = 10;
type HobAct = Extract<Act, { do: 'hob' }>;
/** How long before it happened it could still be helped, s (C). */
const BEFORE_S = 20;
const TURN_DOWN_BEFORE_S = 45;
/** Tried for what was ended too soon: on the hob, s; in the cold, s. */
const LONGER_S = [60, 180, 420, 900, 1800];
const COLDER_S = [3600, 3 * 3600, 8 * 3600];
const OVEN_S = [300, 900, 1800];
const SUGAR_BEFORE_END_S = 120;
const without = <T>(list: readonly T[], i: number): T[] => [...list.slice(0, i), ...list.slice(i + 1)];
const swapped = <T>(list: readonly T[], i: number, with_: T): T[] => [...list.slice(0, i), with_, ...list.slice(i + 1)];

const highestOf = (plan: Plan): number =>
  methodOf(plan).reduce((top, s) => (s.do === 'heat' ? Math.max(top, s.setting) : top), plan.method.heatSetting);

/** How an addition could have gone in more gently. */
function gentler(a: AddAct, plan: Plan): { kind: OtherwiseKind; act: AddAct }[] {
  const mixture = portionsMixture(plan, a.portions);
  const out: { kind: OtherwiseKind; act: AddAct }[] = [];
  if (mixture.thickenings.length) {
    if (a.how === 'dry powder' || a.how === 'dry rain')
      out.push({
        kind: 'as a slurry',
        act: { ...a, how: 'cold slurry', stirring: 'whisk', tempC: Math.min(a.tempC, 20) },
      });
    if (a.stirring !== 'whisk') out.push({ kind: 'with a whisk', act: { ...a, stirring: 'whisk' } });
  }
  if (mixture.eggProteinG > 0 && a.ladleG === undefined)
    out.push({ kind: 'ladle by ladle', act: { ...a, ladleG: 60, stirring: 'whisk', how: 'in cold cream or yolks' } });
  return out;
}

const onlySweet = (a: AddAct, plan: Plan) =>
  a.portions.length > 0 && a.portions.every((p) => lookUp(plan, p.ingredientId).group === 'sweet');

/** All that could have been done otherwise, one thing at a time, in what the cook did. */
export function otherwise(run: Run, endS: number, scene: Scene): Otherwise[] {
  const { plan, fromS } = run;
  const acts = inOrder(run.acts);
  const out: Otherwise[] = [];
  const leaveAt = acts.findIndex((a) => IN_DISH.includes(a.do));
  const leaveS = leaveAt < 0 ? endS : acts[leaveAt]!.atS;
  const put = (o: Omit<Otherwise, 'endS'> & { endS?: number }) => out.push({ endS, ...o, acts: inOrder(o.acts) });
  const hand = acts.findLast((a) => a.do === 'stir' && a.atS <= fromS);
  if (!(hand?.do === 'stir' && hand.everyS !== null)) {
    const first = acts.find((a) => a.do === 'stir' && a.atS > fromS && a.everyS !== null)?.atS ?? leaveS;
    if (first - fromS > TENDED_S)
      put({
        kind: 'stirred',
        atS: fromS,
        toS: first,
        acts: [
          ...acts.filter((a) => !(a.do === 'stir' && a.atS >= fromS && a.atS < first)),
          { do: 'stir', atS: fromS, everyS: TENDED_S, tool: 'spoon' },
        ],
      });
  }
  let setting = 0;
  const highest = highestOf(plan);
  const bowls = new Set(bowlsOf(plan).map((b) => b.id));
  acts.forEach((a, i) => {
    const { atS } = a;
    const before = setting;
    if (a.do === 'hob') setting = a.setting;
    if (i < run.given) return;
    switch (a.do) {
      case 'add':
        for (const { kind, act } of gentler(a, plan)) put({ kind, act: i, atS, acts: swapped(acts, i, act) });
        if (onlySweet(a, plan) && atS < leaveS - SUGAR_BEFORE_END_S)
          put({
            kind: 'sugar at the end',
            act: i,
            atS,
            acts: [...without(acts, i), { ...a, atS: leaveS - SUGAR_BEFORE_END_S }],
          });
        // what the pudding is made of is not left out
        if (!bowls.has(a.bowl ?? '')) put({ kind: 'left out', act: i, atS, acts: without(acts, i) });
        break;
      case 'hob': {
        // a ring that is turned in several goes is turned once
        const last = acts.slice(Math.min(run.given, i), i).findLast((b) => b.do === 'hob');
        if (last && atS - last.atS <= ONE_TURN_S) break;
        const turn = acts.filter((b, k): b is HobAct => k >= i && b.do === 'hob' && b.atS - atS <= ONE_TURN_S);
        const to = turn.at(-1)!.setting;
        // a ring that was never lit cooks nothing
        if (to > before && before > 0)
          put({ kind: 'not turned up', act: i, atS, to: before, acts: acts.filter((b) => !turn.some((x) => x === b)) });
        if (to > highest)
          put({
            kind: 'lower ring',
            act: i,
            atS,
            to: highest,
            acts: acts.map((b, j) => (j >= i && b.do === 'hob' ? { ...b, setting: Math.min(b.setting, highest) } : b)),
          });
        break;
      }
      case 'stir': {
        const next = acts.slice(i + 1).find((b) => b.do === 'stir')?.atS ?? leaveS;
        const every = a.everyS;
        if (next - atS > TENDED_S && (every === null || every > SELDOM_S))
          put({
            kind: every === null ? 'kept stirring' : 'stirred more often',
            act: i,
            atS,
            toS: Math.min(next, leaveS),
            acts: swapped(acts, i, { ...a, everyS: TENDED_S }),
          });
        break;
      }
      case 'lid':
        if (a.lid !== 'off') put({ kind: 'lid off', act: i, atS, acts: swapped(acts, i, { ...a, lid: 'off' }) });
        break;
      case 'move':
        put({ kind: 'left where it was', act: i, atS, acts: without(acts, i) });
        break;
      case 'stand':
        if (a.where === 'room' || a.where === 'cold water')
          put({ kind: 'into the cold at once', act: i, atS, acts: swapped(acts, i, { ...a, where: 'fridge' }) });
        break;
      case 'pour':
        for (const more of [2, 4]) {
          const count = Math.min(60, more * (a.count ?? plan.dish.count));
          put({ kind: 'more dishes', act: i, atS, to: count, acts: swapped(acts, i, { ...a, count }) });
        }
        break;
      case 'bake':
        for (const byS of OVEN_S) {
          put({ kind: 'longer in the oven', act: i, atS, byS, acts: shifted(acts, atS + 1, byS), endS: endS + byS });
          const out_ = acts[i + 1];
          if (out_ && out_.atS - atS > byS + 60)
            put({
              kind: 'shorter in the oven',
              act: i,
              atS,
              byS,
              acts: shifted(acts, atS + 1, -byS),
              endS: endS - byS,
            });
        }
        break;
      case 'serve':
        if (leaveAt >= 0 && leaveAt < i)
          for (const byS of COLDER_S)
            put({
              kind: 'later to the table',
              act: i,
              atS,
              byS,
              acts: swapped(acts, i, { ...a, atS: atS + byS }),
              endS: endS + byS,
            });
        break;
      case 'call':
        break;
    }
  });
  // what was not done: the ring turned down, the pot taken off before it came to harm, or later
  const harmed = (['climbs', 'film', 'curdled', 'dry'] as const)
    .map((w) => scene.happened[w])
    .filter((s): s is number => s !== undefined && s > fromS);
  const first = Math.min(...harmed);
  if (Number.isFinite(first)) {
    const downS = Math.max(fromS, first - TURN_DOWN_BEFORE_S);
    const was = acts.findLast((a) => a.do === 'hob' && a.atS <= downS);
    const low = Math.max(1, Math.min(plan.method.simmerSetting, (was?.do === 'hob' ? was.setting : 0) - 2));
    if (was?.do === 'hob' && was.setting > low)
      put({
        kind: 'turned down in time',
        atS: downS,
        to: low,
        acts: [
          ...acts.map((a) => (a.do === 'hob' && a.atS > downS ? { ...a, setting: Math.min(a.setting, low) } : a)),
          { do: 'hob', atS: downS, setting: low },
        ],
      });
    const offS = Math.max(fromS, first - BEFORE_S);
    const byS = leaveS - offS;
    if (byS > 0)
      put({
        kind: 'off earlier',
        atS: offS,
        byS,
        acts: shifted(
          acts.filter((a) => a.atS < offS || a.atS >= leaveS),
          leaveS,
          -byS,
        ),
        endS: endS - byS,
      });
  }
  for (const byS of LONGER_S)
    put({ kind: 'longer', atS: leaveS, byS, acts: shifted(acts, leaveS, byS), endS: endS + byS });
  return out;
}

/** How much of it, where there is more and less of a kind. */
const amountOf = (o: Otherwise) => o.byS ?? o.to ?? 0;
/** Less is not worth telling. */
const WORTH = 0.12;
/** What differs by no more mends as much. */
const AS_MUCH = 0.08;

/** Of a run with very many acts no more pots than this are cooked: evenly over it. */
const MOST_POTS = 160;
const some = <T>(list: readonly T[], most: number): readonly T[] => {
  const every = Math.ceil(list.length / most);
  return every > 1 ? list.filter((_, i) => i % every === 0) : list;
};

/** The end of a run: its last act, or where it is now. */
export const endOf = (run: { acts: readonly Act[] }, nowS = 0): number => Math.max(nowS, ...run.acts.map((a) => a.atS));

/** The second from which two runs differ. */
function firstOther(a: readonly Act[], b: readonly Act[]): number {
  const i = a.findIndex((act, k) => act !== b[k]);
  if (i < 0) return b[a.length]?.atS ?? Infinity;
  return Math.min(a[i]!.atS, b[i]?.atS ?? Infinity);
}

export function outcomeOfRun(run: Run, endS: number): Outcome {
  return outcomeOf(new Replay(run), endS);
}

/**
 * What happened when, and which act cost what: each is taken out, or done as it should be, and the pot cooked again.
 * @param onDone is told how many of how many pots have been cooked
 */
export function debrief(run: Run, endS: number, onDone: (done: number, of: number) => void = () => undefined): Debrief {
  const replay = new Replay(run);
  const outcome = outcomeOf(replay, endS);
  const scene = replay.at(endS);
  const wrong = wrongOf(outcome);
  // into more dishes is for what did not get cold, not for a softer word
  const mayHelp = ({ kind }: Otherwise) => kind !== 'more dishes' || outcome.harms['cooled too slowly'] >= FELT;
  const all = outcome.felt.length ? some(otherwise(run, endS, scene).filter(mayHelp), MOST_POTS) : [];
  const costs: Cost[] = [];
  all.forEach((o, i) => {
    const other = outcomeOf(replay.branch(o.acts, firstOther(replay.done, o.acts)), o.endS);
    const gain = wrong - wrongOf(other);
    if (gain >= WORTH)
      costs.push({
        ...o,
        outcome: other,
        gain,
        mends: HARMS.filter((h) => outcome.harms[h] >= FELT && other.harms[h] < FELT),
      });
    onDone(i + 1, all.length);
  });
  // of one kind of change the least that does nearly as much
  const least = costs.filter(
    (c) =>
      !costs.some(
        (d) =>
          d !== c && d.kind === c.kind && d.act === c.act && amountOf(d) < amountOf(c) && d.gain >= c.gain - AS_MUCH,
      ) && !costs.some((d) => d !== c && d.kind === c.kind && d.act === c.act && d.gain > c.gain + AS_MUCH),
  );
  const tenths = (c: Cost) => Math.round(c.gain / (2 * AS_MUCH));
  return {
    outcome,
    happened: Object.entries(scene.happened)
      .map(([what, atS]) => ({ what: what as Happening, atS }))
      .sort((a, b) => a.atS - b.atS),
    costs: least.sort((a, b) => tenths(b) - tenths(a) || OTHERWISE.indexOf(a.kind) - OTHERWISE.indexOf(b.kind)),
  };
}
