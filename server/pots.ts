import { forecast } from '../core/model/forecast';
import { changesOf, stepsOf, type Step } from '../core/cook/steps';
import type { Cook } from '../core/cook/events';
import { readDevices, seedOf, truthOf, type DeviceReading, type Faulty } from '../core/kitchen/simulated';

/** What the thread of the pots is asked. */
export type PotQuestion =
  | { ask: 'put'; cook: Cook; faults: Faulty[] }
  | { ask: 'read'; id: string; atMs: number }
  | { ask: 'drop'; id: string };
export type PotAnswer = DeviceReading[];

/** The pots that a server follows, by their cook. Kept in a thread of its own: a pot may take long to reckon. */
export function potBook(): (q: PotQuestion) => PotAnswer {
  const pots = new Map<string, { cook: Cook; steps: Step[]; faults: Faulty[] }>();
  return (q) => {
    switch (q.ask) {
      case 'put': {
        const { cook, faults } = q;
        pots.set(cook.id, { cook, steps: stepsOf(cook.plan, forecast(cook.plan), changesOf(cook)), faults });
        return [];
      }
      case 'drop':
        pots.delete(q.id);
        return [];
      case 'read': {
        const pot = pots.get(q.id);
        return pot ? readDevices(pot.cook, pot.steps, q.atMs, truthOf(seedOf(q.id)), pot.faults) : [];
      }
    }
  };
}
