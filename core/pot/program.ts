import { massG } from '../matter/mixture';
import {
  addToPot,
  cook,
  readPot,
  type Addition,
  type Controls,
  type Pot,
  type PotReading,
  type PotSetup,
  type Stop,
} from './pot';

export type Until =
  | { kind: 'temperature'; tempC: number }
  | { kind: 'bubble' }
  | { kind: 'seconds'; seconds: number }
  /** down to this share of the mass the stretch began with */
  | { kind: 'reduced'; toShare: number }
  | { kind: 'mass'; massG: number }
  /** the least done grain has taken this share of its water */
  | { kind: 'grain'; bite: number }
  | { kind: 'thick'; viscosityPaS: number };

/** A stretch of the cook with the same hands and the same hob, until something is reached. */
export type Phase = Controls & {
  /** what the stretch is for, and the cook's own word for it */
  role: string;
  name?: string;
  until: Until;
  /** gives up after this long: an open pot may never get there */
  limitS: number;
  /** goes in at the start of the phase */
  addition?: Addition;
};

export type PhaseEnd = { role: string; name?: string; startS: number; endS: number; reached: boolean };

/** How many times the integrator's tolerance is enough for doubt and solving (checked in pot.test). */
export const COARSE = 4;

/** What ends a stretch that starts at this pot. */
export function stopOf(until: Until, start: Pot): Stop | undefined {
  switch (until.kind) {
    case 'temperature':
      return (p) => p.bulkC - until.tempC;
    case 'bubble':
      return (p) => p.bubbling;
    case 'reduced': {
      const target = until.toShare * massG(start.content);
      return (p) => target - p.massG;
    }
    case 'mass':
      return (p) => until.massG - p.massG;
    case 'grain':
      return (p) => p.bite - until.bite;
    case 'thick':
      return (p) => p.viscosityPaS - until.viscosityPaS;
    case 'seconds':
      return undefined;
  }
}

/** One phase from a pot: its addition, then the fire. */
export function runPhase(
  before: Pot,
  setup: PotSetup,
  phase: Phase,
  onStep?: (tS: number, read: () => Pot) => void,
  toleranceScale = 1,
): { pot: Pot; end: PhaseEnd } {
  const start = phase.addition ? addToPot(before, phase.addition, setup) : before;
  const timed = phase.until.kind === 'seconds';
  const seconds = phase.until.kind === 'seconds' ? phase.until.seconds : phase.limitS;
  const r = cook(start, setup, phase, seconds, stopOf(phase.until, start), { onStep, toleranceScale });
  return {
    pot: r.pot,
    end: {
      role: phase.role,
      ...(phase.name ? { name: phase.name } : {}),
      startS: before.tS,
      endS: r.pot.tS,
      reached: timed || r.reached,
    },
  };
}

/** Keeps a reading every `everyS` seconds at the most; none when it is 0. */
export function sampler(
  everyS: number,
  fromS: number,
): { trace: PotReading[]; keep?: (tS: number, read: () => Pot) => void } {
  const trace: PotReading[] = [];
  if (everyS <= 0) return { trace };
  let next = fromS + everyS;
  return {
    trace,
    keep: (tS, read) => {
      if (tS < next) return;
      trace.push(readPot(read()));
      next = tS + everyS;
    },
  };
}
