import { stepsOf, changesOf } from '../core/cook/steps';
import type { Batch } from '../core/book/batch';
import { batchCook } from '../core/book/batch';
import { forecast } from '../core/model/forecast';
import type { Plan } from '../core/plan/plan';
import type { DeviceReading } from '../core/kitchen/simulated';
import type { Act, Run } from '../core/practice/act';
import { asPlanned, bowlsOf, runOf, type Bowl } from '../core/practice/asPlanned';
import { planOfRun, runOfCook } from '../core/practice/crossing';
import { endOf, type Debrief } from '../core/practice/debrief';
import { benchOf, exerciseOf, judgedRun, startOf, type Goal, type Mark } from '../core/practice/exercises';
import { EXERCISE_IDS, type ExerciseId } from '../core/practice/exerciseIds';
import { frameOf, readingsOf, traceOf, type Frame, type TracePoint } from '../core/practice/frame';
import { outcomeOf, type Outcome } from '../core/practice/outcome';
import { Replay } from '../core/practice/replay';

/** The practice pot in the worker: a run and a second are asked, a frame comes back. */

let playing: { key: string; replay: Replay } | undefined;

/** The pot that is played, brought to these acts: what is the same is not cooked again. */
function replayOf(key: string, run: Run): Replay {
  if (playing?.key !== key) playing = { key, replay: new Replay(run) };
  const { replay } = playing;
  const same = (a: Act | undefined, b: Act | undefined) => JSON.stringify(a) === JSON.stringify(b);
  const most = Math.max(replay.done.length, run.acts.length);
  for (let i = 0; i < most; i++) {
    const [was, is] = [replay.done[i], run.acts[i]];
    if (same(was, is)) continue;
    playing.replay = replay.branch(run.acts, Math.min(was?.atS ?? Infinity, is?.atS ?? Infinity));
    break;
  }
  return playing.replay;
}

export type Opened = { run: Run; bench: Bowl[]; goals: Goal[] };
export type Seen = { frame: Frame; trace?: TracePoint[] };
/** Two pots side by side, for the chart. */
export type Beside = { mine: TracePoint[]; other: TracePoint[]; outcome: Outcome; acts: readonly Act[]; endS: number };
export type Judged = Debrief & { endS: number; marks: Mark[]; met: boolean; better: Beside; beside?: Beside };

const beside = (run: Run, mine: TracePoint[], acts: readonly Act[], endS: number): Beside => {
  const replay = new Replay({ ...run, acts: [...acts] });
  const outcome = outcomeOf(replay, endS);
  return { mine, other: traceOf(replay, endS), outcome, acts, endS };
};
export const practiceApi = {
  practiceExercise: (id: ExerciseId, seed: number): Opened => {
    const e = exerciseOf(id);
    return { run: startOf(e, seed), bench: benchOf(e), goals: e.goals };
  },
  practicePlan: (plan: Plan, seed: number): Opened => ({
    run: runOf(plan, [], { seed }),
    bench: bowlsOf(plan),
    goals: [{ of: 'pudding' }],
  }),
  practiceBatch: (batch: Batch): Opened => {
    const cook = batchCook(batch);
    const steps = stepsOf(cook.plan, forecast(cook.plan), changesOf(cook));
    return {
      run: runOfCook(cook, steps, Date.parse(batch.at)),
      bench: bowlsOf(batch.plan),
      goals: [{ of: 'pudding' }],
    };
  },
  /** A run that came from a file. */
  practiceRun: (run: Run): Opened => ({ run, bench: bowlsOf(run.plan), goals: [{ of: 'pudding' }] }),
  /** The pot at a second, and the chart to another where it is asked for. */
  practiceAt: (key: string, run: Run, tS: number, traceS: number | null): Seen => {
    const replay = replayOf(key, run);
    const trace = traceS === null ? undefined : traceOf(replay, traceS);
    return { frame: frameOf(replay, tS), ...(trace ? { trace } : {}) };
  },
  practiceReadings: (key: string, run: Run, tS: number, atMs: number): DeviceReading[] =>
    readingsOf(replayOf(key, run), tS, atMs),
  /** What the run came to, what each act cost, and a better one beside it. */
  practiceJudge: (run: Run, endS: number): Judged => {
    const id = EXERCISE_IDS.find((e) => e === run.exercise);
    const e = id ? exerciseOf(id) : undefined;
    const mine = traceOf(new Replay(run), endS);
    // in a strange kitchen the same hands are not as good: what can be cooked anew there is
    const good = e && (run.seed === 0 || e.fromS > 0) ? e.good : asPlanned(run.plan, run.seed);
    const other = e?.beside?.(run.acts, run.plan);
    return {
      ...judgedRun(run, endS),
      endS,
      better: beside(run, mine, good, endOf({ acts: good })),
      ...(other ? { beside: beside(run, mine, other, endOf({ acts: other }, endS)) } : {}),
    };
  },
  practiceAsPlan: (run: Run, id: string, name: string, endS: number): Plan => planOfRun(run, id, name, endS),
};
