import { useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';
import { inOrder, type Act, type Run } from '../../core/practice/act';
import type { Frame, TracePoint } from '../../core/practice/frame';
import type { Judged } from '../../workers/practice';
import { useKitchen } from '../shared/kitchen';
import { keepOpen } from './kept';
import { framesAsTheyCome } from './frames';

export const SPEEDS = [1, 5, 20, 60] as const;
export type Speed = (typeof SPEEDS)[number];

/** The worker is asked for the pot this often, ms; words and figures change no faster than can be read. */
const FRAME_MS = 100;
const WORDS_MS = 250;
const TRACE_EVERY = 6;
/** Nobody practises one pot for longer, s. */
const MOST_S = 300_000;

/** An act without its second: it is now. */
export type NewAct = Act extends infer A ? (A extends Act ? Omit<A, 'atS'> : never) : never;

/** s at which it left the hob, as far as its acts say */
const leftS = (run: Run): number => Math.max(0, ...run.acts.slice(run.given).map((a) => a.atS));

export type PracticePot = ReturnType<typeof usePracticePot>;

/** A run that is played: its clock, its pot in the worker, its acts. */
export function usePracticePot(start: Run, startS: number, seenElsewhere: boolean) {
  const { ask } = useKitchen();
  const [run, setRun] = useState(start);
  const [running, setRunning] = useState(false);
  const [speed, setSpeed] = useState<Speed>(5);
  const [shown, setShown] = useState<Frame | undefined>();
  const [trace, setTrace] = useState<readonly TracePoint[]>([]);
  const [judged, setJudged] = useState<Judged | undefined>();
  const [farS, setFarS] = useState(() => Math.max(startS, leftS(start)));
  /** of the last act: what hands did is told by the run, though no picture shows it yet */
  const [actedS, setActedS] = useState(startS);
  const [keepsRest, setKeepsRest] = useState(() => start.acts.some((a, i) => i >= start.given && a.atS > startS));
  const [judging, setJudging] = useState(false);
  const [failed, setFailed] = useState<Error | undefined>();
  const [key] = useState(
    () => `${start.exercise ?? start.plan.id} ${Math.round(performance.timeOrigin + performance.now())}`,
  );
  const clock = useRef({ tS: startS, atMs: 0, running: false, speed: 5 as number });
  const [frames] = useState(() => framesAsTheyCome(FRAME_MS));
  const latest = useRef(run);
  useEffect(() => {
    latest.current = run;
  }, [run]);

  const nowS = useCallback(() => {
    const c = clock.current;
    return Math.min(MOST_S, c.running ? c.tS + ((performance.now() - c.atMs) / 1000) * c.speed : c.tS);
  }, []);
  const setClock = useCallback(
    (change: Partial<{ tS: number; running: boolean; speed: number }>) => {
      clock.current = { ...clock.current, tS: nowS(), atMs: performance.now(), ...change };
    },
    [nowS],
  );

  const asking = useRef(false);
  const asked = useRef({ ticks: 0, wordsMs: 0 });
  const look = useEffectEvent((withTrace: boolean) => {
    if (asking.current) return;
    asking.current = true;
    const tS = Math.floor(nowS());
    // while it stands still the whole of it is charted
    void ask('practiceAt', [
      key,
      latest.current,
      tS,
      withTrace ? (clock.current.running ? tS : Math.max(tS, farS)) : null,
    ])
      .then(({ frame, trace: line }) => {
        const ms = performance.now();
        const back = frame.tS < (frames.last()?.tS ?? -Infinity);
        frames.tell(frame, ms);
        if (line) {
          setTrace(line);
          setFarS((far) => Math.max(far, frame.tS));
        }
        if (ms - asked.current.wordsMs >= WORDS_MS || !clock.current.running || back) {
          asked.current.wordsMs = ms;
          setShown(frame);
        }
        setFailed(undefined);
      })
      .catch((e: Error) => setFailed(e))
      .finally(() => (asking.current = false));
  });
  useEffect(() => {
    look(true);
    if (!running) {
      // what was asked meanwhile may be older than the act
      const timer = setTimeout(() => look(true), 2 * FRAME_MS);
      return () => clearTimeout(timer);
    }
    const timer = setInterval(() => look(asked.current.ticks++ % TRACE_EVERY === 0), FRAME_MS);
    return () => clearInterval(timer);
  }, [running, run]);
  // a pot that is not looked at stands still, unless another screen shows it
  useEffect(() => {
    if (seenElsewhere) return undefined;
    const hide = () => {
      if (!document.hidden) return;
      setClock({ running: false });
      setRunning(false);
    };
    document.addEventListener('visibilitychange', hide);
    return () => document.removeEventListener('visibilitychange', hide);
  }, [setClock, seenElsewhere]);

  const play = (on: boolean) => {
    setClock({ running: on });
    setRunning(on);
    redo((r) => r);
  };
  /** Changes the run, and keeps it before the tap returns. */
  const redo = (make: (r: Run) => Run) => {
    const next = make(latest.current);
    latest.current = next;
    // a pot that nobody has touched is none to come back to
    if (next.acts.length > next.given) keepOpen(next, Math.floor(nowS()));
    setRun(next);
  };
  const act = (...acts: NewAct[]) => {
    const atS = Math.max(start.fromS, Math.round(nowS()));
    setJudged(undefined);
    setActedS(atS);
    if (!keepsRest) setFarS(atS);
    redo((r) => ({
      ...r,
      acts: inOrder([
        ...r.acts.filter((a, i) => i < r.given || keepsRest || a.atS <= atS),
        ...acts.map((a) => ({ ...a, atS }) as Act),
      ]),
    }));
  };
  /** What was done from this second on is undone. */
  const goBack = (tS: number) => {
    const to = Math.max(start.fromS, Math.round(tS));
    setClock({ tS: to, running: false });
    setRunning(false);
    setJudged(undefined);
    setActedS(to);
    if (keepsRest) {
      redo((r) => ({ ...r }));
      return;
    }
    setFarS(to);
    redo((r) => ({ ...r, acts: r.acts.filter((a, i) => i < r.given || a.atS < to) }));
  };
  /** Looks at another second without doing anything. */
  const lookAt = (tS: number) => {
    setActedS(start.fromS);
    setClock({ tS: Math.max(start.fromS, Math.round(tS)), running: false });
    setRunning(false);
    redo((r) => ({ ...r }));
  };
  const judge = async (endS: number, of: Run) => {
    play(false);
    redo(() => of);
    setJudging(true);
    try {
      setJudged(await ask('practiceJudge', [of, endS]));
    } catch (e) {
      setFailed(e as Error);
    } finally {
      setJudging(false);
    }
  };
  const seenS = Math.max(shown?.tS ?? startS, actedS);
  const lastOf = <K extends Act['do']>(what: K) =>
    run.acts.findLast((a): a is Extract<Act, { do: K }> => a.do === what && a.atS <= seenS);
  return {
    key,
    /** as the hands are */
    hands: { setting: lastOf('hob')?.setting ?? 0, everyS: lastOf('stir')?.everyS ?? null },
    /** what was done later stays, or is done anew */
    keepsRest,
    /** s of the last thing that was done, where the rest stays as it was */
    restS: keepsRest ? leftS(run) : undefined,
    hasMore: keepsRest || run.acts.some((a, i) => i >= run.given && a.atS > seenS),
    keepRest: () => setKeepsRest(!keepsRest),
    run,
    shown,
    trace,
    farS,
    frames,
    running,
    speed,
    judged,
    judging,
    failed,
    nowS,
    play,
    act,
    goBack,
    lookAt,
    judge,
    faster: () => {
      const next = SPEEDS[(SPEEDS.indexOf(speed) + 1) % SPEEDS.length]!;
      setSpeed(next);
      setClock({ speed: next });
    },
    /** time passes at once: for what only cools */
    pass: (seconds: number) => {
      setClock({ tS: nowS() + seconds });
      redo((r) => ({ ...r }));
    },
    /** the same evening with one act another way, where it stands */
    redo: (run: Run) => redo(() => run),
    again: (other: Run) => {
      setClock({ tS: other.fromS, running: false });
      setRunning(false);
      setJudged(undefined);
      setFarS(Math.max(other.fromS, leftS(other)));
      setActedS(other.fromS);
      redo(() => other);
    },
  };
}
