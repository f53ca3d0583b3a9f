import { table } from '../coefficients';
import { massG } from '../matter/mixture';
import { HIGHEST } from './hob';
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

export type PhaseEnd = {
  role: string;
  name?: string;
  startS: number;
  endS: number;
  reached: boolean;
  /** the ring was turned up to this, first at this second, because it got nowhere on its own */
  turned?: { to: number; atS: number };
};

/** A cook who sees that a ring does not get there turns it up by one. */
export const TURN_UP = table('Turning the ring up', {
  looksS: [300, 's', 'C', 'looks at what the ring has done this often'],
  slowKPerMin: [1, 'K/min', 'C', 'slower than this gets nowhere, unless it is nearly there'],
  simmerBelowK: [10, 'K', 'C', 'further below the boil than this is no simmer'],
});

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

/** Has the ring got nowhere since it was last looked at? */
function stalls(until: Until, before: Pot, now: Pot, ranS: number): boolean {
  const risePerS = (now.bulkC - before.bulkC) / ranS;
  const comesIn = (toC: number) => (toC - now.bulkC) / Math.max(1e-6, risePerS);
  switch (until.kind) {
    case 'temperature':
      return risePerS < TURN_UP.slowKPerMin / 60 && comesIn(until.tempC) > TURN_UP.looksS;
    case 'bubble':
    case 'thick':
      return risePerS < TURN_UP.slowKPerMin / 60 && comesIn(now.boilsC - TURN_UP.simmerBelowK / 2) > TURN_UP.looksS;
    case 'grain':
    case 'reduced':
    case 'mass':
      return now.bulkC < now.boilsC - TURN_UP.simmerBelowK && risePerS < TURN_UP.slowKPerMin / 60;
    case 'seconds':
      return false;
  }
}

/** One phase from a pot: its addition, then the fire, turned up by one where it gets nowhere. */
export function runPhase(
  before: Pot,
  setup: PotSetup,
  phase: Phase,
  onStep?: (tS: number, read: () => Pot) => void,
  toleranceScale = 1,
): { pot: Pot; end: PhaseEnd } {
  let pot = phase.addition ? addToPot(before, phase.addition, setup) : before;
  const { until } = phase;
  const stop = stopOf(until, pot);
  const along = { onStep, toleranceScale };
  const endS = pot.tS + (until.kind === 'seconds' ? until.seconds : phase.limitS);
  // a bowl over steam is as hot as steam: more fire makes more of it, no hotter
  const mayTurn = until.kind !== 'seconds' && phase.watts === undefined && phase.setting > 0 && !phase.over;
  let { setting } = phase;
  let reached = false;
  let turned: PhaseEnd['turned'];
  while (pot.tS < endS - 1e-6) {
    const leftS = endS - pot.tS;
    const looking = mayTurn && setting < HIGHEST;
    const from = pot;
    const r = cook(from, setup, { ...phase, setting }, looking ? Math.min(TURN_UP.looksS, leftS) : leftS, stop, along);
    pot = r.pot;
    reached = r.reached;
    if (reached || !looking) break;
    if (pot.tS < endS - 1e-6 && !pot.dry && stalls(until, from, pot, pot.tS - from.tS)) {
      setting += 1;
      turned = { to: setting, atS: turned?.atS ?? pot.tS };
    }
  }
  return {
    pot,
    end: {
      role: phase.role,
      ...(phase.name ? { name: phase.name } : {}),
      startS: before.tS,
      endS: pot.tS,
      reached: until.kind === 'seconds' || reached,
      ...(turned ? { turned } : {}),
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
