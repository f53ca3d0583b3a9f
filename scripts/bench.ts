/** npm run bench: the figures that the notes quote. Medians; the machine is said first. */
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { type Browser, type Page } from '@playwright/test';
import { once } from 'node:events';
import { createRequire } from 'node:module';
import { isMainThread, parentPort, Worker } from 'node:worker_threads';
import { cpus } from 'node:os';
import { readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import path from 'node:path';
import { median } from 'simple-statistics';
import { forecast, point } from '../core/model/forecast';
import { aboutPlan } from '../core/advice/about';
import { whatWouldHelp } from '../core/advice/help';
import { AFTERWARDS } from '../core/recipe/fixtures/afterwards';
import { FURTHER } from '../core/recipe/fixtures/further';
import { judgeReading } from '../core/recipe/readRight';
import { compareSchool, SCHOOLS } from '../core/advice/schools';
import { potApi } from '../workers/pots';
import { newPlan } from '../core/plan/newPlan';
import { blocksOf } from '../core/model/blocks';
import { chances, countKitchens, kitchensOf, sharedBy } from '../core/model/chances';
import { dealOut } from '../workers/deal';
import { add, mixtureOf } from '../core/matter/mixture';
import { solveStarch, swapThickener } from '../core/advice/solve';
import type { Cook } from '../core/cook/events';
import { followTwin, viewOf } from '../core/cook/follow';
import { momentsOf } from '../core/cook/live';
import { choirSupper } from '../core/demo/choirSupper';
import { stepsOf } from '../core/cook/steps';
import { endOf, otherwise } from '../core/practice/debrief';
import { exerciseOf, judgedRun, startOf } from '../core/practice/exercises';
import { Replay } from '../core/practice/replay';
import { tell } from '../core/twin/twin';
import { cook, fillPot, PotSystem, type PotSetup } from '../core/pot/pot';
import { coolInDish } from '../core/set/cooling';
import { pantryWith } from '../core/pantry/pantry';
import { changesFor, DRAG_NODES, nearestPlace, timetable } from '../core/day/day';
import { newDay } from '../core/day/record';
import { workOf } from '../core/day/tasks';
import { startBeside } from '../core/sides/sides';
import { checkUp } from '../core/recipe/check';
import { WRITTEN } from '../core/recipe/fixtures/recipes';
import { readRecipe } from '../core/recipe/read';
import { runMethod } from '../core/model/run';
import { emptyAppBytes } from './emptyApp';
import { withApp } from './served';

/** The general integrator; the package ships sources that do not pass our type check, so its shape is written here. */
type General = {
  relativeTolerance: number;
  absoluteTolerance: number;
  maxSteps: number;
  solve(f: (t: number, y: number[]) => number[], from: number, y0: number[], to: number): { y: number[] };
};
const { Solver } = createRequire(path.join(__dirname, 'bench.ts'))('odex') as { Solver: new (n: number) => General };

const PORT = 4193;
/** s that a page is watched while nobody touches it */
const REST_S = 120;
const root = path.join(__dirname, '..');
/** the runner of this script names functions by a helper that the page does not have */
const KEEP_NAMES = 'globalThis.__name = (f) => f';
const line = (name: string, value: string) => console.log(`${name.padEnd(58)} ${value}`);

function timed(runs: number, work: () => unknown): number {
  for (let i = 0; i < 5; i++) work();
  return median(
    Array.from({ length: runs }, () => {
      const t = performance.now();
      work();
      return performance.now() - t;
    }),
  );
}

const plan = newPlan({
  id: 'b',
  name: 'Bench',
  milkId: 'milk_whole',
  people: 6,
  portionG: 130,
  serveAt: '2026-12-12T19:30:00Z',
});

function core() {
  const pantry = pantryWith();
  const one = timed(60, () => runMethod(plan));
  line('one cook of the pot (about 11 min)', `${one.toFixed(1)} ms, ${Math.round(1000 / one)} cooks/s`);
  line('whole forecast with its doubt', `${timed(30, () => forecast(plan)).toFixed(1)} ms`);
  line('solved for a word (aim < 100 ms)', `${timed(30, () => solveStarch(plan)).toFixed(1)} ms`);
  line('the words alone, for a moving thumb', `${timed(60, () => point(plan)).toFixed(1)} ms`);
  line(
    'what would make a set possible, each way tried',
    `${timed(5, () => whatWouldHelp(plan, { word: 'firm', free: [{ ingredientId: 'cornstarch', maxG: 30 }] })).toFixed(0)} ms`,
  );
  const fits = SCHOOLS.filter((s) => s.fits(plan));
  line(
    'one school, both sides cooked',
    `${(timed(3, () => fits.forEach((s) => compareSchool(s, plan))) / fits.length).toFixed(0)} ms`,
  );
  line('fit, taste, portion, pushes of a plan', `${timed(15, () => aboutPlan(plan, [], 780)).toFixed(1)} ms`);
  const options = { system: 'metric', eggSize: 'eu M' } as const;
  const long = WRITTEN.find((w) => w.way.startsWith('prose'))!.text;
  const list = WRITTEN.flatMap((w) => w.text.split('\n').filter((l) => /^[-*\d½¼]/.test(l))).slice(0, 32);
  const forty = ['A long list', ...list, 'Method', ...long.split(/(?<=\.) /)].slice(0, 40).join('\n');
  line(
    `a recipe of ${forty.split('\n').length} lines read (aim < 30 ms)`,
    `${timed(30, () => readRecipe(forty, pantry, options)).toFixed(1)} ms`,
  );
  const reading = readRecipe(WRITTEN[0]!.text, pantry, options);
  if (reading.ok)
    line(
      'its check-up',
      `${timed(10, () => checkUp(reading.reading, pantry, { id: 'b', serveAt: '2026-12-12T19:30:00Z' })).toFixed(0)} ms`,
    );
  line(
    'one thickener for another at equal set',
    `${timed(15, () => swapThickener(plan, 'cornstarch', 'rice_ground')).toFixed(1)} ms`,
  );
  line('chances over 250 kitchens on one core', `${(timed(3, () => chances(plan, 250, 0.4)) / 1000).toFixed(2)} s`);
  const dish = { ...plan.dish, capacityMl: 1500, heightMm: 95 };
  const cold = () =>
    coolInDish({
      dish,
      depthM: 0.06,
      startC: 85,
      hours: 12,
      stays: [{ where: 'fridge', minutes: 900, airC: 4, covered: true }],
    });
  line('12 h of cooling in two dimensions (aim < 30 ms)', `${timed(30, cold).toFixed(1)} ms`);
  days();
  twin();
  integrators();
}

/** The cloud beside a pot that has warmed for two minutes: a tick of three seconds, a reading told, what it says. */
function twin() {
  const steps = stepsOf(plan, forecast(plan));
  const at = (s: number) => new Date(Date.UTC(2026, 11, 12, 12, 0, s)).toISOString();
  const cooking: Cook = {
    id: 'c',
    plan,
    events: [
      { kind: 'started', id: 'e0', at: at(0) },
      { kind: 'stepDone', id: 'e1', at: at(1), step: 'weigh' },
      { kind: 'stepDone', id: 'e2', at: at(2), step: 'slurry' },
    ],
  };
  const now = Date.parse(at(120));
  const cloud = followTwin(cooking, steps, now);
  const n = cloud.twin.particles.length;
  line(
    `the twin, ${n} pots: three seconds on (aim < 50 ms)`,
    `${timed(15, () => followTwin(cooking, steps, now + 3000, cloud)).toFixed(0)} ms`,
  );
  line(
    'a reading told to it',
    `${timed(15, () => tell(cloud.twin, plan, { what: 'probe', tempC: 40 })).toFixed(0)} ms`,
  );
  line('what it says: 24 pots cooked on to the end', `${timed(9, () => viewOf(cloud, cooking, steps)).toFixed(0)} ms`);
  const answer = (ms: number) => potApi.live(cooking, steps, ms);
  answer(now);
  let ms = now;
  const live = timed(9, () => answer((ms += 3000)));
  line(
    'a whole live answer: twin, forecast, margins, pace; one in 3 s',
    `${live.toFixed(0)} ms, the worker rests ${(100 - live / 30).toFixed(0)} % of the time`,
  );
  line('a mending searched and cooked through', `${timed(3, () => potApi.mendPot(cooking, now)).toFixed(0)} ms`);
  line(
    'a rescue',
    `${timed(3, () => potApi.rescue({ of: 'cook', cook: cooking, nowMs: now }, 'grains hard', {})).toFixed(0)} ms`,
  );
  // what is kept, not what waits to be swept
  setFlagsFromString('--expose_gc');
  const sweep = runInNewContext('gc') as () => void;
  const heap = () => {
    sweep();
    return process.memoryUsage().heapUsed / 1e6;
  };
  const answers = 360;
  const marks: number[] = [];
  for (let i = 1; i <= answers; i++) {
    answer(now + i * 30_000);
    if (i % (answers / 3) === 0) marks.push(heap());
  }
  line('three hours of live answers: heap after each hour', marks.map((m) => `${m.toFixed(1)} MB`).join(', '));
  line('begun again from the events', `${timed(3, () => followTwin(cooking, steps, now)).toFixed(0)} ms`);
}

/** A day of six dishes for one pair of hands: laid out, and laid out anew after a block was put elsewhere. */
function days() {
  const families = [
    'starch-set milk pudding',
    'stirred custard',
    'whole-rice pudding',
    'baked custard',
    'porridge',
    'baked slab',
  ] as const;
  const plans = families.map((family, i) => {
    const p = newPlan({
      id: `d${i}`,
      name: family,
      milkId: 'milk_whole',
      people: 6,
      portionG: 120,
      serveAt: '2026-12-12T19:30:00Z',
      family,
    });
    return i === 0 ? startBeside('toasting', 't', startBeside('compote', 'c', p)) : p;
  });
  const works = plans.map((p) => workOf({ plan: p, forecast: forecast(p) }));
  const serves = Object.fromEntries(plans.map((p) => [p.id, Date.parse(p.serve.at)]));
  const day = { ...newDay('2026-12-12', '2026-12-12T07:00:00Z'), shelves: 3 };
  const first = timetable(day, works, serves);
  const tasks = works.reduce((n, w) => n + w.tasks.length, 0);
  line(
    'a day of 6 dishes scheduled (aim < 200 ms)',
    `${timed(9, () => timetable(day, works, serves)).toFixed(0)} ms: ${tasks} tasks, ${first.nodes} orders, ${first.ok ? (first.optimal ? 'the best there is' : 'a good one') : first.why}`,
  );
  line(
    'the same with all six forecasts',
    `${timed(3, () =>
      timetable(
        day,
        plans.map((p) => workOf({ plan: p, forecast: forecast(p) })),
        serves,
      ),
    ).toFixed(0)} ms`,
  );
  const weigh = first.blocks.find((b) => b.task.id === 'd0:weigh')!;
  const put = nearestPlace(day, works, serves, {}, weigh.task.id, weigh.startMs - 45 * 60_000)!;
  line(
    're-planned after a drag (aim < 50 ms)',
    `${timed(9, () => timetable(put.day, works, serves, {}, DRAG_NODES)).toFixed(0)} ms; whether and where it may stand ${timed(9, () => nearestPlace(day, works, serves, {}, weigh.task.id, weigh.startMs - 45 * 60_000)).toFixed(0)} ms`,
  );
  const late = { ...day, replannedAt: '2026-12-12T15:00:00Z' };
  line(
    'what would make a late day of 6 possible',
    `${timed(1, () => changesFor(late, plans, (p) => workOf({ plan: p, forecast: forecast(p) }), {})).toFixed(0)} ms`,
  );
}

/** A cook's events told from the beginning, as each answer of the live pot does. */
function replay() {
  const plan = choirSupper(Date.UTC(2026, 11, 11, 12)).plans[1]!;
  const steps = stepsOf(plan, forecast(plan));
  const t0 = Date.UTC(2026, 11, 11, 12);
  const at = (i: number) => new Date(t0 + i * 1000).toISOString();
  const cookOf = (n: number): Cook => ({
    id: 'bench',
    plan,
    events: [
      { kind: 'started', id: 'e', at: at(0) },
      ...Array.from({ length: n - 1 }, (_, i) => ({
        kind: 'hobSet' as const,
        id: `e${i}`,
        at: at(i + 1),
        setting: i % 9,
      })),
    ],
  });
  line(
    'replay of 400 and 4,000 events (aim < 20 and < 200 ms)',
    [400, 4000].map((n) => `${timed(9, () => momentsOf(cookOf(n), steps, t0 + n * 1000)).toFixed(1)} ms`).join(', '),
  );
}

/** The same equations in our integrator and in a general adaptive one (Gragg, Bulirsch, Stoer), at equal error. */
function integrators() {
  const pantry = pantryWith();
  const m = ['milk_whole', 'sugar', 'rice_ground']
    .map((id, i) => mixtureOf(pantry.get(id)!, [1000, 90, 70][i]!))
    .reduce(add);
  const setup: PotSetup = {
    pan: { name: 'bench', diameterMm: 200, heightMm: 110, massG: 1000, material: 'steel' },
    hob: { kind: 'induction', ratedW: 1000, powerTrim: 1 },
    base: 'dairy',
    roomC: 21,
    altitudeM: 0,
  };
  const fire = { setting: 0, watts: 420, stirEveryS: 2, lid: 'off' as const };
  const start = fillPot(setup, m, 20);
  const ours = (minutes: number) => cook(start, setup, fire, minutes * 60).pot;
  const general = (tolerance: number) => {
    const system = new PotSystem(start, setup, fire);
    const y0 = system.pack(start);
    const solver = new Solver(y0.length);
    solver.relativeTolerance = tolerance;
    solver.absoluteTolerance = tolerance;
    solver.maxSteps = 1_000_000;
    const f = new Float64Array(y0.length);
    const y = Float64Array.from(y0);
    let calls = 0;
    const r = solver.solve(
      (t, state) => {
        calls += 1;
        y.set(state);
        system.slopes(t, y, f);
        return Array.from(f);
      },
      0,
      Array.from(y0),
      2400,
    );
    return { bulkC: r.y[1]!, waterG: r.y[3]!, gelatinised: r.y[14]!, whole: r.y[16]!, scorch: r.y[4]!, calls };
  };
  const exact = cook(start, setup, fire, 2400, undefined, { toleranceScale: 1 / 256 }).pot;
  const off = (bulkC: number, waterG: number, whole: number) =>
    Math.max(
      Math.abs(bulkC - exact.bulkC) / 80,
      Math.abs(waterG / exact.content.waterG - 1),
      Math.abs(whole / exact.fractions[0]!.integrity - 1),
    );
  const pot = ours(40);
  const ourError = off(pot.bulkC, pot.content.waterG, pot.fractions[0]!.integrity);
  const fitting = [1e-2, 1e-3, 1e-4, 1e-5, 1e-6].map((tol) => ({ tol, ...general(tol) }));
  const equal = fitting.find((g) => off(g.bulkC, g.waterG, g.whole) <= Math.max(ourError, 1e-5)) ?? fitting.at(-1)!;
  const ms = timed(40, () => ours(40));
  const generalMs = timed(3, () => general(equal.tol));
  line('40-minute cook (aim < 1.5 ms)', `${ms.toFixed(2)} ms, error ${ourError.toExponential(1)}`);
  line(
    'the same in a general adaptive integrator, equal error',
    `${generalMs.toFixed(1)} ms (tolerance ${equal.tol}, ${equal.calls} calls): ${(generalMs / ms).toFixed(0)} x ours (aim 20 x)`,
  );
  line(
    'cost against length: 20, 40, 80, 160 min',
    [20, 40, 80, 160].map((min) => `${timed(20, () => ours(min)).toFixed(2)} ms`).join(', '),
  );
}

/** The practice pot: seconds of a pot a second, a run judged with every act taken out, and an exercise made. */
function practice() {
  const e = exerciseOf('reduce');
  const endS = endOf({ acts: e.good });
  const run = { ...startOf(e), acts: [...e.good] };
  const ms = timed(9, () => new Replay(run).at(endS));
  line('practice pot, seconds of it in a second', `${Math.round((1000 * endS) / ms)}`);
  const still = { ...run, acts: run.acts.map((a) => (a.do === 'stir' ? { ...a, everyS: null } : a)) };
  const judged = timed(3, () => judgedRun(still, endS));
  line(
    'an hour that caught, judged: the pot again without each act',
    `${Math.round(judged)} ms, ${otherwise(still, endS, new Replay(still).at(endS)).length} pots`,
  );
}

/** s that the practice pot is watched for. */
const WATCH_S = 10;
/** Pictures a second and share of the main thread, with the pot at x60. */
async function practiceFigures(page: Page, origin: string): Promise<string> {
  await page.goto(`${origin}/practice?do=reduce`);
  await page.getByTestId('practice-pot').waitFor({ timeout: 30_000 });
  await page.getByRole('slider', { name: 'Hob setting' }).press('End');
  await page.getByTestId('stir').press('Enter');
  await page.getByTestId('speed').click();
  await page.getByTestId('speed').click();
  await page.getByTestId('play').click();
  await page.waitForTimeout(2000);
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Performance.enable');
  const busyS = async () =>
    (await cdp.send('Performance.getMetrics')).metrics.find((m) => m.name === 'TaskDuration')!.value;
  const before = await busyS();
  const painter = page.workers().find((w) => w.url().includes('painter'))!;
  const pictures = await painter.evaluate(
    (ms) =>
      new Promise<number>((ok) => {
        let n = 0;
        const until = performance.now() + ms;
        const next = () => {
          n++;
          if (performance.now() < until) requestAnimationFrame(next);
          else ok(n);
        };
        requestAnimationFrame(next);
      }),
    WATCH_S * 1000,
  );
  const busy = (await busyS()) - before;
  return `${(pictures / WATCH_S).toFixed(1)} a second, main thread ${((100 * busy) / WATCH_S).toFixed(1)} %`;
}

async function paints(browser: Browser, origin: string, viewport: { width: number; height: number }, slow: number) {
  const paint: number[] = [];
  const heading: number[] = [];
  for (let i = 0; i < 5; i++) {
    const context = await browser.newContext({ viewport, serviceWorkers: 'block' });
    const page = await context.newPage();
    await page.addInitScript(KEEP_NAMES);
    const cdp = await context.newCDPSession(page);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: slow });
    await page.addInitScript(() => {
      const seen = () => {
        const h = document.querySelector('h1');
        if (h?.textContent && h.getBoundingClientRect().height > 0)
          (window as unknown as { headingAt: number }).headingAt ??= performance.now();
        else requestAnimationFrame(seen);
      };
      requestAnimationFrame(seen);
    });
    await page.goto(`${origin}/plan`, { waitUntil: 'load' });
    await page.waitForFunction(() => performance.getEntriesByName('first-contentful-paint').length > 0);
    const figures = await page.evaluate(() => ({
      paint: performance.getEntriesByName('first-contentful-paint')[0]!.startTime,
      heading: (window as unknown as { headingAt: number }).headingAt,
    }));
    paint.push(figures.paint);
    heading.push(figures.heading);
    await context.close();
  }
  return { paint: Math.round(median(paint)), heading: Math.round(median(heading)) };
}

/** From an amount that is typed to the new forecast on the screen. */
async function answerFigures(page: Page): Promise<string> {
  const word = page.getByTestId('word-serving');
  const starch = page.getByTestId('amount-cornstarch').getByRole('textbox');
  const toAnswer: number[] = [];
  for (let i = 0; i < 12; i++) {
    const grams = i % 2 ? 10 : 90;
    const before = await word.textContent();
    const t = await page.evaluate(() => performance.now());
    await starch.fill(String(grams));
    const done = await page.evaluate(
      (old) =>
        new Promise<number>((ok) => {
          const look = () =>
            document.querySelector('[data-testid=word-serving]')?.textContent !== old
              ? ok(performance.now())
              : requestAnimationFrame(look);
          look();
        }),
      before,
    );
    toAnswer.push(done - t);
  }
  return `${Math.round(median(toAnswer))} ms (most ${Math.round(Math.max(...toAnswer))})`;
}

/** From each move of the pointer on the strip to the change it brings there, in the page's own clock. */
async function dragFigures(page: Page): Promise<string> {
  const strip = page.getByRole('slider').first();
  const box = (await strip.boundingBox())!;
  await page.evaluate(() => {
    const slider = document.querySelector('[role=slider]')!;
    const w = window as unknown as { lags: number[] };
    w.lags = [];
    let moved = 0;
    addEventListener('mousemove', () => (moved = performance.now()), true);
    new MutationObserver(() => {
      if (!moved) return;
      w.lags.push(performance.now() - moved);
      moved = 0;
    }).observe(slider, { subtree: true, attributes: true, childList: true, characterData: true });
  });
  await page.mouse.move(box.x + box.width * 0.5, box.y + 40);
  await page.mouse.down();
  for (let i = 0; i < 60; i++) {
    await page.mouse.move(box.x + box.width * (0.5 + 0.2 * Math.sin(i / 6)), box.y + 40);
    await page.waitForTimeout(60);
  }
  const lags = await page.evaluate(() => (window as unknown as { lags: number[] }).lags);
  await page.mouse.up();
  lags.sort((a, b) => a - b);
  return `${median(lags).toFixed(0)} ms median of ${lags.length}, 9 in 10 under ${lags[Math.floor(lags.length * 0.9)]!.toFixed(0)} ms`;
}

/** Frames of the live pot while the worker answers every three seconds. */
async function liveFigures(visited: Page, origin: string): Promise<string> {
  // a kitchen of its own: its pot was lit just now, and its bubble is still to come
  const context = await visited.context().browser()!.newContext();
  const page = await context.newPage();
  await page.goto(`${origin}/pot?cook=c-vanilla`);
  await page.getByTestId('between').waitFor({ timeout: 30_000 });
  const gaps = await page.evaluate(
    () =>
      new Promise<number[]>((ok) => {
        const list: number[] = [];
        let before = performance.now();
        const end = before + 9000;
        const frame = (now: number) => {
          list.push(now - before);
          before = now;
          if (now < end) requestAnimationFrame(frame);
          else ok(list.slice(1));
        };
        requestAnimationFrame(frame);
      }),
  );
  gaps.sort((a, b) => a - b);
  const at = (q: number) => gaps[Math.floor(q * (gaps.length - 1))]!.toFixed(0);
  await context.close();
  return `${(gaps.length / 9).toFixed(0)} frames a second; a frame ${at(0.5)} ms, 95 in 100 under ${at(0.95)}, longest ${at(1)}`;
}

/** s of processor that the page and its worker have used, all threads together. */
function processorS(): number {
  return readdirSync('/proc')
    .filter((pid) => /^\d+$/.test(pid))
    .reduce((sum, pid) => {
      try {
        if (!readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('--type=renderer')) return sum;
        const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)!.split(' ');
        return sum + (Number(fields[11]) + Number(fields[12])) / 100;
      } catch {
        return sum;
      }
    }, 0);
}

/** Share of one processor that a page takes over two minutes with nobody touching it. */
async function restFigures(page: Page, url: string): Promise<string> {
  await page.goto(url);
  await page.waitForTimeout(10_000);
  const before = processorS();
  await page.waitForTimeout(REST_S * 1000);
  return `${((100 * (processorS() - before)) / REST_S).toFixed(1)} %`;
}

/** A figure of the browser's: one that does not come is said, and the next is asked for. */
async function figure(name: string, measure: () => Promise<string>) {
  try {
    line(name, await measure());
  } catch (e) {
    line(name, `not measured: ${(e as Error).message.split('\n')[0]!.slice(0, 100)}`);
  }
}

const browserFigures = () =>
  withApp(root, PORT, async (browser, origin) => {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
    const page = await context.newPage();
    await page.addInitScript(KEEP_NAMES);
    const sizes = new Map<string, number>();
    page.on('response', async (r) => {
      const body = await r.body().catch(() => undefined);
      if (body) sizes.set(new URL(r.url()).pathname, r.url().endsWith('.woff2') ? body.length : gzipSync(body).length);
    });
    await page.goto(`${origin}/plan?id=choir-2-vanilla`);
    const word = page.getByTestId('word-serving');
    await word.waitFor({ timeout: 30_000 });
    await page.waitForLoadState('networkidle');
    const kb = (match: RegExp) =>
      Math.round([...sizes].filter(([url]) => match.test(url)).reduce((s, [, n]) => s + n, 0) / 1024);
    line(
      'first screen, gzip',
      `page ${kb(/plan$/)} KB, scripts ${kb(/\.js$/)} KB (the model's worker among them ${kb(/model-.*\.js$/)}), fonts ${kb(/woff2$/)} KB`,
    );
    const [first, empty] = [kb(/\.js$/) - kb(/model-.*\.js$/), emptyAppBytes(root) / 1024];
    line(
      'its scripts against an empty app',
      `${first} KB to ${Math.round(empty)} KB: ${(first / empty).toFixed(2)} times (aim 1.3)`,
    );

    await figure('amount changed to the new forecast on screen', () => answerFigures(page));
    await page.waitForTimeout(1500);
    await figure('a thumb on the strip: from its move to the new word and place on screen (aim 16 ms)', () =>
      dragFigures(page),
    );
    await figure('the live pot', () => liveFigures(page, origin));
    await figure('practice pot at x60, pictures (aim 60, < 30 %)', () => practiceFigures(page, origin));
    await figure('one processor, two minutes: a pot on (aim < 8 %)', () =>
      restFigures(page, `${origin}/pot?cook=c-vanilla`),
    );
    await figure('the same where nothing cooks (aim < 1 %)', () => restFigures(page, `${origin}/book`));
    await context.close();
    for (const [name, viewport] of [
      ['phone', { width: 390, height: 844 }],
      ['wide', { width: 1280, height: 800 }],
    ] as const)
      for (const slow of [1, 4])
        await figure(`cold load, ${name}, CPU ${slow} x slower`, async () => {
          const p = await paints(browser, origin, viewport, slow);
          return `first paint ${p.paint} ms, heading ${p.heading} ms`;
        });
  });

/** A thousand kitchens over all cores, each worker this very script. */
async function kitchensOnAllCores() {
  const workers = cpus().map(() => new Worker(__filename));
  const hands = workers.map((w) => async (block: Parameters<typeof kitchensOf>[2]) => {
    w.postMessage(block);
    return ((await once(w, 'message')) as [ReturnType<typeof kitchensOf>])[0];
  });
  const { signal } = new AbortController();
  const count = async () => {
    const t = performance.now();
    const found = await dealOut(blocksOf(1000, 0.4), hands, signal, () => undefined);
    countKitchens(plan, 0.4, found!.flat());
    return performance.now() - t;
  };
  await count();
  const s = [await count(), await count(), await count()].map((ms) => ms / 1000);
  line(
    `1,000 kitchens on ${workers.length} cores (aim < 0.5 s)`,
    `${median(s).toFixed(2)} s, best ${Math.min(...s).toFixed(2)} s`,
  );
  await Promise.all(workers.map((w) => w.terminate()));
}

/** Recipes as people tell them: what of them is read as it was meant. */
function readings() {
  for (const [name, list] of [
    ['sixty recipes', [...WRITTEN, ...FURTHER]],
    ['35 written afterwards', AFTERWARDS],
  ] as const) {
    const judged = list.map((w) => judgeReading(w, pantryWith(), { system: 'metric', eggSize: 'eu M' }, true));
    const lines = judged.reduce((s, j) => s + j.lines, 0);
    const right = judged.reduce((s, j) => s + j.linesRight, 0);
    const whole = judged.filter((j) => j.wrong.length === 0).length;
    line(
      `${name}: lines right (aim 95 %), whole and without a false alarm (90 %)`,
      `${((100 * right) / lines).toFixed(1)} %, ${((100 * whole) / list.length).toFixed(0)} %`,
    );
  }
}

async function bench() {
  console.log(`Node ${process.version}, ${cpus().length} × ${cpus()[0]?.model ?? 'unknown processor'}`);
  core();
  readings();
  await kitchensOnAllCores();
  replay();
  practice();
  await browserFigures();
}

if (isMainThread) void bench();
else {
  const age = sharedBy(plan);
  parentPort!.on('message', (block: Parameters<typeof kitchensOf>[2]) =>
    parentPort!.postMessage(kitchensOf(plan, age, block)),
  );
}
