import type { Plan } from '../plan/plan';
import {
  addToTwin,
  beginStep,
  cookTwin,
  fewOf,
  meanHabits,
  spreadOf,
  startTwin,
  tell,
  TWIN,
  withHabits,
  type Habits,
  type Seen,
  type Spread,
  type Twin,
} from '../twin/twin';
import type { Cook, CookEvent, Measure } from './events';
import { foldCook } from './fold';
import { bowlOf } from './guides';
import { addedTo, additionsOf, cookAhead, inTheOven, joined, momentsOf, type Moment } from './live';
import type { Step, StepId } from './steps';

/** The twin of a cook up to a moment, so that the next moment goes on from it. */
export type Followed = {
  twin: Twin;
  atMs: number;
  /** events that it knows, in their order */
  known: readonly string[];
  begun: ReadonlySet<StepId>;
  /** the last event that did not fit the cloud */
  odd?: string;
};

/** Same for every cook: what differs are its events. */
const SEED = 0.37;

/** What an event tells the twin, if it tells anything. @param step the step it happened in, @param ladles so far in it */
export function seenBy(event: CookEvent, plan: Plan, step?: Step, ladles = 0): Seen | undefined {
  if (event.kind === 'measured')
    switch (event.what) {
      case 'probe':
        return { what: 'probe', tempC: event.value };
      case 'trail':
        return { what: 'trail closes', seconds: event.value };
      case 'scale':
        return event.value > plan.pan.massG ? { what: 'scale', massG: event.value - plan.pan.massG } : undefined;
      case 'plate':
        return { what: 'plate runs', deg: event.value, firmness: plan.firmness.factor };
    }
  if (event.kind !== 'observed') return undefined;
  switch (event.what) {
    case 'at the mark': {
      const until = step?.heat?.until;
      return until?.reach === 'share' ? { what: 'at the mark', share: until.share } : undefined;
    }
    case 'bowl warm': {
      const bowl = step && bowlOf(step, plan);
      return bowl && ladles > 0 ? { what: 'bowl warm', bowl, ladles } : undefined;
    }
    case 'coats the spoon':
    case 'still thin': {
      const until = step?.heat?.until;
      const coats = event.what === 'coats the spoon';
      return until?.reach === 'temperature' && step?.cue === 'coats the spoon'
        ? { what: coats ? 'custard coats' : 'custard thin', tempC: until.tempC }
        : { what: event.what };
    }
    case 'lumps':
    case 'too thick':
    case 'too thin':
    case 'smells toasted':
    case 'climbs':
      // a judgement, not a mark that the model can place
      return undefined;
    default:
      return { what: event.what };
  }
}

/** A device's readings err together: one in this many seconds tells something new, or one that is this far off the last. */
const DEVICE_EVERY_S = 30;
const DEVICE_STEP: Record<Measure, number> = { probe: 4, trail: 5, scale: 20, plate: 5, dish: 4, slump: 10 };

/** Readings of devices that tell the twin nothing new. */
function repeating(moments: readonly Moment[]): Set<string> {
  const last = new Map<Measure, { atMs: number; value: number }>();
  const out = new Set<string>();
  for (const m of moments) {
    if (!('event' in m) || m.event.kind !== 'measured' || m.event.by === undefined) continue;
    const { what, value, id } = m.event;
    const before = last.get(what);
    const fresh =
      before === undefined ||
      m.atMs - before.atMs >= DEVICE_EVERY_S * 1000 ||
      Math.abs(value - before.value) >= DEVICE_STEP[what];
    if (fresh) last.set(what, { atMs: m.atMs, value });
    else out.add(id);
  }
  return out;
}

/** An event at its time: one that was moved is another. */
const nameOf = (m: { event: CookEvent; atMs: number }) => `${m.event.id}@${m.atMs}`;

/**
 * The cloud led through the cook's events to `nowMs`. Goes on from `before` where nothing older was noted or undone
 * since; else it begins again, with the same answer.
 */
export function followTwin(
  cook: Cook,
  steps: readonly Step[],
  nowMs: number,
  before?: Followed,
  particles = TWIN.particles,
): Followed {
  const { plan } = cook;
  const all = momentsOf(cook, steps, nowMs);
  const nothingNew = repeating(all);
  const moments = joined(
    all,
    ({ event }) =>
      event.kind === 'added' || event.kind === 'observed' || (event.kind === 'measured' && !nothingNew.has(event.id)),
  );
  const ids = moments.flatMap((m) => ('event' in m ? [nameOf(m)] : []));
  const knew = new Set(before?.known);
  const goesOn =
    before !== undefined &&
    before.atMs <= nowMs &&
    before.known.every((id, i) => ids[i] === id) &&
    moments.every((m) => !('event' in m) || knew.has(nameOf(m)) || m.atMs >= before.atMs);
  let twin = goesOn ? before.twin : startTwin(plan, SEED, particles);
  const begun = new Set(goesOn ? before.begun : []);
  let odd = goesOn ? before.odd : undefined;
  const from = goesOn ? before.atMs : -Infinity;
  const known = new Set(goesOn ? before.known : []);
  let step = steps[0];
  let ladles = 0;
  for (const m of moments) {
    if ('event' in m) {
      if (m.event.kind === 'ladled') ladles += 1;
      if (known.has(nameOf(m))) continue;
      if (m.event.kind === 'added') {
        const { event } = m;
        twin = addToTwin(twin, plan, (own, pot) => addedTo(event, own)(pot));
        continue;
      }
      const seen = nothingNew.has(m.event.id) ? undefined : seenBy(m.event, plan, step, ladles);
      if (!seen || begun.size === 0) continue;
      const told = tell(twin, plan, seen);
      twin = told.twin;
      odd = told.contradicts ? m.event.id : undefined;
      continue;
    }
    if (m.step.id !== step?.id) {
      step = m.step;
      ladles = 0;
    }
    if (inTheOven(m.step) || (!m.step.heat && begun.size === 0) || m.toMs <= from) continue;
    if (m.step.heat && !begun.has(m.step.id)) {
      begun.add(m.step.id);
      for (let i = 0; i < additionsOf(m.step, plan, 'as tasted').length; i++)
        twin = addToTwin(twin, plan, (own, pot) => additionsOf(m.step, own, 'as tasted')[i]!(pot));
      twin = beginStep(twin);
    }
    twin = cookTwin(twin, m.controls, (m.toMs - Math.max(from, m.fromMs)) / 1000);
  }
  return { twin, atMs: nowMs, known: ids, begun, ...(odd === undefined ? {} : { odd }) };
}

/** What the twin says now, each with what holds 8 in 10. */
export type TwinView = {
  heartC: Spread;
  /** s to the present step's end; undefined where it does not end by itself, or hardly ever comes */
  cueInS?: Spread;
  /** s to the first thickening; undefined once it has been, or where it hardly ever comes */
  thickensInS?: Spread;
  /** s to pouring */
  doneInS?: Spread;
  /** what the ring gives, against what the plan takes */
  ring: Spread;
  habits: Habits;
  /** share of pots that count */
  effective: number;
  resampled: number;
  odd?: string;
};

/** Pots that are cooked on to say when. */
const AHEAD = 24;

export function viewOf(f: Followed, cook: Cook, steps: readonly Step[]): TwinView {
  const { twin } = f;
  const present = steps[foldCook(cook, steps).stepIndex];
  const times = fewOf(twin, AHEAD).map(({ habits, setup, pot, fromG }) => {
    const own = withHabits(cook.plan, habits).plan;
    const ahead = cookAhead(cook, steps, f.atMs, { plan: own, setup, pot, begun: f.begun, fromG });
    return { cue: ahead.cueInS, thickens: ahead.thickensInS, done: ahead.allCame ? ahead.pot.tS - pot.tS : NaN };
  });
  const over = (read: (t: (typeof times)[number]) => number): Spread | undefined => {
    const list = times
      .map(read)
      .filter(Number.isFinite)
      .sort((a, b) => a - b);
    // fewer than half get there at all: no minute can be given
    if (list.length < times.length / 2) return undefined;
    const at = (q: number) => list[Math.min(list.length - 1, Math.floor(q * list.length))]!;
    return { mean: at(0.5), low: at(0.1), high: at(0.9) };
  };
  const cueInS = present?.heat ? over((t) => t.cue) : undefined;
  const thickensInS = over((t) => t.thickens);
  const doneInS = over((t) => t.done);
  return {
    heartC: spreadOf(twin, (p) => p.bulkC),
    ...(cueInS ? { cueInS } : {}),
    ...(thickensInS ? { thickensInS } : {}),
    ...(doneInS ? { doneInS } : {}),
    ring: spreadOf(twin, (_p, h) => Math.exp(TWIN.hobLn * h.hob)),
    habits: meanHabits(twin),
    effective: twin.effective,
    resampled: twin.resampled,
    ...(f.odd === undefined ? {} : { odd: f.odd }),
  };
}
