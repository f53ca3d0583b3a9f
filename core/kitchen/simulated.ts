import { randomLcg, randomNormal } from 'd3-random';
import { z } from 'zod';
import { clamp, table } from '../coefficients';
import { DEVICES, type Cook, type DeviceKind, type Observation } from '../cook/events';
import { foldCook, type CookState } from '../cook/fold';
import { inTheOven, onTheHob, type OnTheHob } from '../cook/live';
import type { Step } from '../cook/steps';
import { massG } from '../matter/mixture';
import { EGG } from '../pot/egg';
import { netW } from '../pot/hob';
import { bodyOf } from '../pot/paste';
import { HEAT } from '../pot/heat';
import { severityOf, type Pot } from '../pot/pot';
import { stopOf, type Until } from '../pot/program';
import { SCORCH } from '../pot/scorch';
import { phaseOf } from '../model/run';
import { NO_HABITS, TWIN, type Habits } from '../twin/twin';

/**
 * A kitchen that is not there: a pot that follows the cook's own events on the model, with true habits that the app is
 * not told, and devices on it that lag, tremble, drop out and lie as real ones do. Pure: time and seed come in.
 */
const SIMULATED = table('Stand-in devices', {
  probeLagS: [6, 's', 'C', 'a probe follows the pot in this'],
  probeSdK: [0.4, 'K', 'C', 'it trembles by'],
  scaleSdG: [1, 'g', 'C', 'a scale trembles by'],
  habitSd: [0.8, '1', 'C', 'spread of the hidden habits, of what the twin expects'],
  sampleS: [2, 's', 'C', 'of the pot, for the lag'],
});

export const FaultySchema = z.object({
  device: z.enum(DEVICES),
  how: z.enum(['drops out', 'lags', 'lies']),
  fromMs: z.number().min(0).max(1e14),
  toMs: z.number().min(0).max(1e14),
  /** s of lag, or K, g or settings of lie */
  by: z.number().min(-1000).max(1000).default(0),
});
/** Something wrong with a device for a while. */
export type Faulty = z.infer<typeof FaultySchema>;

export type DeviceReading =
  | { device: 'probe'; atMs: number; tempC: number }
  | { device: 'scale'; atMs: number; grams: number }
  | { device: 'hob'; atMs: number; setting: number; watts: number }
  /** what would be seen, heard, tasted in the pot that is not there */
  | { device: 'eye'; atMs: number; sees: Sight[] }
  | { device: DeviceKind; atMs: number; lost: true };

export type Sight = Observation | 'egg in flecks';

/** What ends a stretch shows in this pot now. @param fromG g in it when the stretch began */
export function shows(until: Until, pot: Pot, fromG: number): boolean {
  if (until.kind === 'bubble') {
    // bubbles now, not once before
    const belowK = pot.boilsC - pot.bulkC;
    return (pot.wallVapourW > HEAT.bubbleW && belowK <= HEAT.bubbleBelowK) || belowK <= 3;
  }
  const stop = stopOf(until.kind === 'reduced' ? { kind: 'mass', massG: until.toShare * fromG } : until, pot);
  const now = {
    bulkC: pot.bulkC,
    bubbling: -1,
    viscosityPaS: pot.viscosityPaS,
    massG: massG(pot.content),
    bite: bodyOf(pot.content, pot.fractions).bite,
  };
  return (stop?.(now) ?? -1) >= 0;
}

/** The cue that ends a step shows in this pot. */
export function cueShows(on: OnTheHob, step: Step, state: CookState): boolean {
  if (!step.heat || step.ends !== 'cue' || !on.begun.has(step.id)) return false;
  return shows(phaseOf(step.heat).until, on.pot, on.fromG);
}

function sightsOf(on: OnTheHob, step: Step, state: CookState): Sight[] {
  const { pot } = on;
  if (on.begun.size === 0 || inTheOven(step)) return [];
  const out: Sight[] = [];
  if (pot.bulkC >= TWIN.steamC) out.push('steams');
  if (pot.bulkC >= pot.boilsC - TWIN.rimBelowK) out.push('rim bubbles');
  if (!Number.isNaN(pot.thickenAtS)) out.push('edges thicken');
  if (pot.viscosityPaS >= TWIN.plopPaS) out.push('plops');
  if (step.cue && cueShows(on, step, state)) out.push(step.cue);
  if (severityOf(pot) >= EGG.smooth) out.push('egg in flecks');
  if (pot.scorch >= SCORCH.film) out.push('smells toasted');
  return [...new Set(out)];
}

/** Habits that are hidden from the app, the same for a seed. */
export function truthOf(seed: number): Habits {
  const normal = randomNormal.source(randomLcg(seed))(0, SIMULATED.habitSd);
  return Object.fromEntries(Object.keys(NO_HABITS).map((k) => [k, clamp(normal(), -2, 2)])) as Habits;
}

/** A number from 0 to 1 that belongs to a word. */
export function seedOf(word: string): number {
  let h = 2166136261;
  for (const c of word) h = Math.imul(h ^ c.codePointAt(0)!, 16777619);
  return ((h >>> 0) % 1_000_003) / 1_000_003;
}

const trembles = (seed: number, atMs: number, sd: number): number =>
  randomNormal.source(randomLcg((seed + Math.floor(atMs / 1000) * 0.61803) % 1))(0, sd)();

/** What the devices of this kitchen read at a moment. */
export function readDevices(
  cook: Cook,
  steps: readonly Step[],
  nowMs: number,
  truth: Habits,
  faults: readonly Faulty[] = [],
): DeviceReading[] {
  const { trace, ...on } = onTheHob(cook, steps, nowMs, truth, SIMULATED.sampleS);
  const { pot, setup } = on;
  const state = foldCook(cook, steps);
  const step = steps[state.stepIndex];
  const seed = seedOf(cook.id);
  const now = (device: DeviceKind) => faults.filter((f) => f.device === device && f.fromMs <= nowMs && nowMs < f.toMs);
  const by = (device: DeviceKind, how: Faulty['how']) =>
    now(device)
      .filter((f) => f.how === how)
      .reduce((s, f) => s + f.by, 0);
  const lost = (device: DeviceKind) => now(device).some((f) => f.how === 'drops out');

  // a probe is the pot a while ago, smoothed
  const tau = SIMULATED.probeLagS + by('probe', 'lags');
  const all = [...trace, { tS: pot.tS, bulkC: pot.bulkC }];
  let probeC = all[0]!.bulkC;
  for (let i = 1; i < all.length; i++)
    probeC += (all[i]!.bulkC - probeC) * (1 - Math.exp(-(all[i]!.tS - all[i - 1]!.tS) / tau));
  probeC += by('probe', 'lies') + trembles(seed, nowMs, SIMULATED.probeSdK);
  const grams =
    massG(pot.content) + setup.pan.massG + by('scale', 'lies') + trembles(seed + 0.3, nowMs, SIMULATED.scaleSdG);
  const setting = clamp(
    Math.round((state.paused ? 0 : (state.setting ?? steps[state.stepIndex]?.setting ?? 0)) + by('hob', 'lies')),
    0,
    9,
  );
  const tenth = (x: number) => Math.round(x * 10) / 10;
  return [
    lost('probe')
      ? { device: 'probe', atMs: nowMs, lost: true }
      : { device: 'probe', atMs: nowMs, tempC: tenth(probeC) },
    lost('scale')
      ? { device: 'scale', atMs: nowMs, lost: true }
      : { device: 'scale', atMs: nowMs, grams: Math.round(grams) },
    lost('hob')
      ? { device: 'hob', atMs: nowMs, lost: true }
      : { device: 'hob', atMs: nowMs, setting, watts: Math.round(netW(setup.hob, setting)) },
    ...(step && state.stage === 'cooking'
      ? [{ device: 'eye' as const, atMs: nowMs, sees: sightsOf(on, step, state) }]
      : []),
  ];
}
