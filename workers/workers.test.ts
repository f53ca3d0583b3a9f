import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { followTwin, viewOf } from '../core/cook/follow';
import { newDay } from '../core/day/record';
import { changesOf, stepsOf } from '../core/cook/steps';
import { choirSupper } from '../core/demo/choirSupper';
import { DEFAULT_SETTINGS } from '../core/settings';
import { forecast } from '../core/model/forecast';
import { type Cook, FAULTS } from '../core/cook/events';
import { SCHOOLS } from '../core/advice/schools';
import { blocksOf, type Block } from '../core/model/blocks';
import { chances } from '../core/model/chances';
import { dealOut } from './deal';
import { modelApi } from './api';
import { potApi } from './pots';

/** The questions that the rooms ask of the worker, asked here as they ask them. */

const NOON = Date.UTC(2026, 11, 11, 12);
const demo = choirSupper(NOON);
const [plan, other] = [demo.plans[0]!, demo.plans[1]!];
const [cook] = demo.cooks as [Cook];
const stepsFor = (c: Cook) => {
  return stepsOf(c.plan, forecast(c.plan), changesOf(c));
};
const steps = stepsFor(cook);
/** comes out of a worker as it went in */
const posted = <T>(answer: T): T => {
  const back = structuredClone(answer);
  expect(back).toEqual(answer);
  return back;
};

describe('a plan is asked about', () => {
  it('every answer can leave the worker', () => {
    const f = posted(modelApi.forecast(plan));
    expect(posted(modelApi.point(plan)).serving.word).toBe(f.serving.word);
    posted(modelApi.about(plan, demo.packs, f.endMassG));
    posted(modelApi.solve(plan));
    expect(posted(modelApi.compare(plan, other)).differences.length).toBeGreaterThan(0);
    posted(modelApi.dishes(plan, f.endMassG, demo.vessels));
    for (const t of posted(modelApi.tools(plan))) posted(modelApi.tool(plan, t.id));
    for (const what of ['egg', 'milk', 'wheat'] as const) posted(modelApi.free(plan, what));
    const [fromId] = plan.things.map((i) => i.ingredientId);
    for (const c of posted(modelApi.candidates(plan, fromId!)).slice(0, 2)) posted(modelApi.instead(plan, fromId!, c));
  });
  it('the schools that fit can be told apart, each side a plan of its own', () => {
    const fit = posted(modelApi.schools(plan));
    expect(fit.length).toBeGreaterThan(5);
    expect(fit.length).toBeLessThanOrEqual(SCHOOLS.length);
    for (const { id, sides } of fit.slice(0, 4))
      expect(posted(modelApi.school(plan, id)).plans).toHaveLength(sides.length);
  });
  it('many kitchens are dealt out over workers, told, stopped, and the same however many hands there are', async () => {
    const age = posted(modelApi.sharedBy(plan));
    const hand = (restMs: number) => async (block: Block) => {
      await new Promise((ok) => setTimeout(ok, restMs));
      return posted(modelApi.kitchensOf(plan, age, block));
    };
    const told: number[] = [];
    const { signal } = new AbortController();
    const two = await dealOut(blocksOf(110, 0.42), [hand(30), hand(0)], signal, (n) => told.push(n));
    expect(told).toEqual([...told].sort((a, b) => a - b));
    expect(told.at(-1)).toBe(110);
    const all = posted(modelApi.countKitchens(plan, 0.42, two!.flat()));
    expect(all).toEqual(chances(plan, 110, 0.42));
    const stop = new AbortController();
    expect(await dealOut(blocksOf(500, 0.42), [hand(0)], stop.signal, () => stop.abort())).toBeUndefined();
  });
  it('no two blocks of kitchens begin alike', () => {
    const seeds = blocksOf(10_000, 0.42).map((b) => Math.round(b.seed * 1e6));
    expect(new Set(seeds).size).toBe(seeds.length);
  });
});

describe('a pot that is on', () => {
  const live = (c: Cook, atMs: number) => modelApi.live(c, stepsFor(c), atMs);
  /** the twin of a pot that nobody has looked at before */
  const fresh = (atMs: number) => {
    return viewOf(followTwin(cook, steps, atMs), cook, steps);
  };

  it('says the same whether it was watched all the while or only now looked at, and beside another', () => {
    const elsewhere = { ...cook, id: 'elsewhere', plan: other };
    for (let t = 0; t <= 60_000; t += 15_000) {
      live(cook, NOON + t);
      live(elsewhere, NOON + t);
    }
    const [watched, looked] = [posted(live(cook, NOON + 60_000)).twin, fresh(NOON + 60_000)];
    // the same pots, cooked in pieces or in one: to the tolerance of the steps
    expect(Math.abs(watched.heartC.mean - looked.heartC.mean)).toBeLessThan(0.1);
    expect(Math.abs(watched.doneInS!.mean - looked.doneInS!.mean)).toBeLessThan(0.5);
    expect(watched.resampled).toBe(looked.resampled);
  });
  it('asked about an earlier moment it begins again', () => {
    live(cook, NOON + 90_000);
    expect(live(cook, NOON + 10_000).twin).toEqual(fresh(NOON + 10_000));
  });
  it('warms, and its margins are those of its dish', () => {
    const [now, then] = [live(cook, NOON), live(cook, NOON + 40_000)];
    expect(then.now.bulkC).toBeGreaterThan(now.now.bulkC);
    expect(now.margins.map((m) => m.harm)).toEqual(['boil over', 'catch']);
    expect(now.twin.doneInS!.mean).toBeGreaterThan(then.twin.doneInS!.mean);
  });
  it('the kitchen that ships reads the same pot every time', () => {
    const read = () => modelApi.devices(cook, steps, NOON, []);
    expect(read().map((r) => r.device)).toEqual(['probe', 'scale', 'hob', 'eye']);
    expect(posted(read())).toEqual(read());
    const lost = modelApi.devices(cook, steps, NOON, [
      { device: 'scale', how: 'drops out', fromMs: 0, toMs: NOON + 1, by: 0 },
    ]);
    expect(lost.find((r) => r.device === 'scale')).toMatchObject({ lost: true });
  });
});

describe('what went wrong', () => {
  const asks = [
    { of: 'cook' as const, cook, nowMs: NOON },
    { of: 'batch' as const, batch: demo.batches[0]!, nowMs: NOON },
    {
      of: 'hand' as const,
      nowMs: NOON,
      hand: {
        milkId: 'milk_whole',
        milkG: 500,
        thickenerId: 'cornstarch',
        thickenerG: 30,
        sugarG: 60,
        yolks: 0,
        hot: false,
        word: 'mounds' as const,
      },
    },
  ];
  it.each(asks)('there is a way out of every fault: of a $of', (ask) => {
    for (const fault of FAULTS) {
      const r = posted(modelApi.rescue(ask, fault, {}));
      expect([fault, r.going.code.length > 0, r.saved === 'no' || r.steps.length > 0]).toEqual([fault, true, true]);
    }
  });
  it('a pot that waits cools by the minute, less so when it is wrapped', () => {
    const [now, later] = modelApi.hold(cook, NOON, [0, 20], false);
    const [, wrapped] = modelApi.hold(cook, NOON, [0, 20], true);
    expect(later!.bulkC).toBeLessThan(now!.bulkC);
    expect(wrapped!.bulkC).toBeGreaterThan(later!.bulkC);
  });
});

describe('a day', () => {
  const ask = {
    day: newDay('2026-12-11', new Date(NOON - 4 * 3_600_000).toISOString()),
    plans: demo.plans,
    cooks: demo.cooks,
    ticks: [],
    machines: DEFAULT_SETTINGS.machines,
  };
  it('is laid out, quicker under a thumb, and answers where a block could stand', () => {
    const { table, acts } = posted(modelApi.day(ask, false));
    expect(table.ok).toBe(true);
    expect(new Set(acts.map((a) => a.planId))).toEqual(new Set(demo.plans.map((p) => p.id)));
    expect(posted(modelApi.day(ask, true)).table.ok).toBe(true);
    const act = acts.find((a) => a.state === 'to do' && a.hands)!;
    posted(modelApi.place(ask, act.id, act.startMs + 3_600_000));
    expect(Array.isArray(posted(modelApi.dayChanges(ask)))).toBe(true);
    expect(modelApi.calendar(ask, NOON, DEFAULT_SETTINGS)).toMatch(/^BEGIN:VCALENDAR/);
  });
  it('another hour of serving moves it whole; another dish’s work is not taken for it', () => {
    const at = (h: number) =>
      demo.plans.map((p) => ({
        ...p,
        serve: { ...p.serve, at: new Date(Date.parse(p.serve.at) + h * 3_600_000).toISOString() },
      }));
    const ends = (plans: typeof demo.plans) =>
      Math.max(...modelApi.day({ ...ask, cooks: [], plans }, false).acts.map((a) => a.endMs));
    expect(ends(at(1)) - ends(at(0))).toBe(3_600_000);
  });
  it('its shopping and what stands beside a pot', () => {
    const list = posted(modelApi.shopping(demo.plans, demo.packs, [], 'Friday', DEFAULT_SETTINGS));
    expect(list.text).toMatch(/^Friday/);
    expect(posted(modelApi.prep(plan, [])).items.length).toBeGreaterThan(3);
  });
});

it('hours of live answers of one pot leave no more in memory than the first minutes', () => {
  setFlagsFromString('--expose_gc');
  const sweep = runInNewContext('gc') as () => void;
  const at = (s: number) => new Date(NOON + s * 1000).toISOString();
  const pot: Cook = {
    id: 'flat',
    plan,
    events: [
      { kind: 'started', id: 'e0', at: at(0) },
      { kind: 'stepDone', id: 'e1', at: at(1), step: 'weigh' },
      { kind: 'stepDone', id: 'e2', at: at(2), step: 'slurry' },
    ],
  };
  const own = stepsFor(pot);
  let ms = NOON + 120_000;
  const heapMb = (answers: number) => {
    for (let i = 0; i < answers; i++) potApi.live(pot, own, (ms += 30_000));
    sweep();
    return process.memoryUsage().heapUsed / 1e6;
  };
  const first = heapMb(20);
  // each answer is some 60 kB as it is told: 7 MB, were they kept
  expect(heapMb(120) - first).toBeLessThan(2);
});
