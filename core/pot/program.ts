import type { Mixture } from '../formula/compose';
import { addToPot, readPot, stepPot, type Controls, type Pot, type PotReading, type PotSetup } from './pot';

/** A stretch of the cook with the same hands and the same hob, until something is reached. */
export type Phase = Controls & {
  name: string;
  until: { kind: 'temperature'; tempC: number } | { kind: 'bubble' } | { kind: 'seconds'; seconds: number };
  /** gives up after this long: an open pot may never get there */
  limitS: number;
  /** goes in at the start of the phase */
  addition?: { mixture: Mixture; tempC: number };
};

export type PhaseEnd = { name: string; startS: number; endS: number; reached: boolean };
export type PotRun = { pot: Pot; trace: PotReading[]; phases: PhaseEnd[] };

/** Steps of the integrator, s: proven against an eighth of them (pot.test). The coarse one is for doubt and solving. */
export const STEP_S = 1;
export const COARSE_STEP_S = 2;

function reached(phase: Phase, pot: Pot, startS: number): boolean {
  switch (phase.until.kind) {
    case 'temperature':
      return pot.bulkC >= phase.until.tempC;
    case 'bubble':
      return !Number.isNaN(pot.bubbleAtS);
    case 'seconds':
      return pot.tS - startS >= phase.until.seconds - 1e-9;
  }
}

/**
 * Runs phases one after the other from a pot.
 * @param sampleS seconds between kept readings; 0 keeps none
 */
export function runProgram(start: Pot, setup: PotSetup, phases: readonly Phase[], sampleS = 5, stepS = STEP_S): PotRun {
  let pot = start;
  const trace: PotReading[] = sampleS > 0 ? [readPot(pot)] : [];
  const ends: PhaseEnd[] = [];
  let nextSample = pot.tS + sampleS;
  for (const phase of phases) {
    const startS = pot.tS;
    if (phase.addition) pot = addToPot(pot, phase.addition.mixture, phase.addition.tempC, setup);
    while (!reached(phase, pot, startS) && pot.tS - startS < phase.limitS) {
      const left = phase.until.kind === 'seconds' ? startS + phase.until.seconds - pot.tS : stepS;
      pot = stepPot(pot, setup, phase, Math.min(stepS, Math.max(1e-3, left)));
      if (sampleS > 0 && pot.tS >= nextSample) {
        trace.push(readPot(pot));
        nextSample += sampleS;
      }
    }
    ends.push({ name: phase.name, startS, endS: pot.tS, reached: reached(phase, pot, startS) });
  }
  if (sampleS > 0) trace.push(readPot(pot));
  return { pot, trace, phases: ends };
}
