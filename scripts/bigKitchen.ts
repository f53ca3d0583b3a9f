import { randomLcg, randomNormal } from 'd3-random';
import type { Batch } from '../core/book/batch';
import { thinned } from '../core/book/thin';
import type { Cook, CookEvent } from '../core/cook/events';
import { choirSupper } from '../core/demo/choirSupper';
import { writeKitchenFile, type KitchenFile } from '../core/formats/kitchenFile';
import { SET_WORDS } from '../core/texture/words';

const DAY_MS = 86_400_000;

/** How much a kitchen of many winters holds. */
type Size = { batches: number; plans: number; cooks: number; readings: number; cookEvents: number };
export const MANY_WINTERS: Size = { batches: 2000, plans: 200, cooks: 100, readings: 180, cookEvents: 500 };

const cycle = <T>(list: readonly T[], i: number): T => list[i % list.length]!;

/** A probe's curve, a reading every few seconds from cold milk to the boil, with what a spoon and a probe add to it. */
const curve = (id: string, fromMs: number, readings: number, everyMs: number, noiseC: () => number): CookEvent[] =>
  Array.from({ length: readings }, (_, i) => ({
    kind: 'measured',
    id: `e-${id}-0000-4000-8000-r${i}`.padEnd(38, '0'),
    at: new Date(fromMs + (i + 1) * everyMs).toISOString(),
    what: 'probe',
    value: Math.round((100 - 92 * Math.exp((-3 * i) / readings) + noiseC()) * 10) / 10,
    by: 'probe',
  }));

/** The choir's suppers of many winters, made of the demo by a seeded hand. */
export function bigKitchen(nowMs: number, size: Size = MANY_WINTERS): KitchenFile {
  const random = randomLcg(0.31);
  const noiseC = randomNormal.source(random)(0, 0.2);
  const demo = choirSupper(nowMs, 0);
  const plans = Array.from({ length: size.plans }, (_, i) => {
    const plan = cycle(demo.plans, i);
    return i < demo.plans.length ? plan : { ...plan, id: `winter-${i}`, name: `${plan.name} ${i}` };
  });
  const batches: Batch[] = Array.from({ length: size.batches }, (_, i) => {
    const atMs = nowMs - Math.floor((i + 1) * 0.7 * DAY_MS);
    const from = cycle(demo.batches, i);
    const id = `winter-b${i}`;
    return {
      ...from,
      id,
      at: new Date(atMs).toISOString(),
      // as the book keeps them
      events: thinned([
        { kind: 'started', id: `${id}-s`, at: new Date(atMs - 30 * 60_000).toISOString() },
        ...curve(id, atMs - 30 * 60_000, size.readings, 10_000, noiseC),
      ]),
      found: {
        ...from.found,
        wordServing: cycle(SET_WORDS, Math.floor(random() * 40)),
        note: `supper ${i}, row ${Math.floor(random() * 9)} asked for more`,
      },
    };
  });
  const cooks: Cook[] = Array.from({ length: size.cooks }, (_, i) => {
    const id = `winter-c${i}`;
    const [going] = demo.cooks;
    // the first one is on the hob now, with a probe in it from the start
    if (i === 0 && going) {
      const fromMs = Date.parse(going.events[0]!.at);
      const every = (nowMs - fromMs) / (size.cookEvents - going.events.length + 1);
      const readings = curve(id, fromMs, size.cookEvents - going.events.length, every, noiseC);
      return {
        ...going,
        id,
        events: [...going.events, ...readings].sort((a, b) => Date.parse(a.at) - Date.parse(b.at)),
      };
    }
    const fromMs = nowMs - i * DAY_MS;
    return {
      id,
      plan: cycle(plans, i),
      events: [
        { kind: 'started', id: `${id}-s`, at: new Date(fromMs).toISOString() },
        ...curve(id, fromMs, size.cookEvents - 2, 5000, noiseC),
        { kind: 'noted', id: `${id}-n`, at: new Date(fromMs + 3_600_000).toISOString(), text: 'as ever' },
      ],
    };
  });
  return { ...demo, plans, batches: [...demo.batches, ...batches], cooks: [...demo.cooks, ...cooks] };
}

export const bigKitchenText = (nowMs: number, size?: Size): string => writeKitchenFile(bigKitchen(nowMs, size));
