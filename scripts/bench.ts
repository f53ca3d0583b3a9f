/** npm run bench: the figures that the notes quote. Medians; the machine is said first. */
import { chromium, type Browser } from '@playwright/test';
import { createRequire } from 'node:module';
import { cpus } from 'node:os';
import { spawn } from 'node:child_process';
import { gzipSync } from 'node:zlib';
import path from 'node:path';
import { median } from 'simple-statistics';
import { forecast } from '../core/forecast';
import { newPlan } from '../core/formula/newPlan';
import { chances } from '../core/chance/montecarlo';
import { add, mixtureOf } from '../core/formula/compose';
import { solveStarch, swapThickener } from '../core/formula/solve';
import { cook, fillPot, PotSystem, type PotSetup } from '../core/pot/pot';
import { coolInDish } from '../core/set/cooling';
import { pantryWith } from '../core/pantry/pantry';
import { runMethod } from '../core/run';

/** The general integrator; the package ships sources that do not pass our type check, so its shape is written here. */
type General = {
  relativeTolerance: number;
  absoluteTolerance: number;
  maxSteps: number;
  solve(f: (t: number, y: number[]) => number[], from: number, y0: number[], to: number): { y: number[] };
};
const { Solver } = createRequire(path.join(__dirname, 'bench.ts'))('odex') as { Solver: new (n: number) => General };

const PORT = 4193;
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

function core() {
  const pantry = pantryWith();
  const plan = newPlan(
    { id: 'b', name: 'Bench', milkId: 'milk_whole', people: 6, portionG: 130, serveAt: '2026-12-12T19:30:00Z' },
    pantry,
  );
  const one = timed(60, () => runMethod(plan, pantry));
  line('one cook of the pot (about 11 min)', `${one.toFixed(1)} ms, ${Math.round(1000 / one)} cooks/s`);
  line('whole forecast with its doubt', `${timed(30, () => forecast(plan, pantry)).toFixed(1)} ms`);
  line('solved for a word (aim < 100 ms)', `${timed(30, () => solveStarch(plan, pantry)).toFixed(1)} ms`);
  line(
    'one thickener for another at equal set',
    `${timed(15, () => swapThickener(plan, 'cornstarch', 'rice_ground', pantry)).toFixed(1)} ms`,
  );
  for (const [n, draws] of [
    ['250', 250],
    ['1,000 (aim < 1 s)', 1000],
  ] as const)
    line(`chances over ${n} kitchens`, `${(timed(3, () => chances(plan, pantry, draws, 0.4)) / 1000).toFixed(2)} s`);
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
  integrators();
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
  const exact = cook(start, setup, fire, 2400, undefined, undefined, 1 / 256).pot;
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
  line('40-minute cook (aim < 5 ms)', `${ms.toFixed(2)} ms, error ${ourError.toExponential(1)}`);
  line(
    'the same in a general adaptive integrator, equal error',
    `${generalMs.toFixed(1)} ms (tolerance ${equal.tol}, ${equal.calls} calls): ${(generalMs / ms).toFixed(0)} x ours (aim 20 x)`,
  );
  line(
    'cost against length: 20, 40, 80, 160 min',
    [20, 40, 80, 160].map((min) => `${timed(20, () => ours(min)).toFixed(2)} ms`).join(', '),
  );
}

async function paints(browser: Browser, viewport: { width: number; height: number }, slow: number) {
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
    await page.goto(`http://localhost:${PORT}/plan`, { waitUntil: 'load' });
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

async function browserFigures() {
  const server = spawn(process.execPath, [path.join(root, '.cache/server/main.js')], {
    env: { ...process.env, PORT: String(PORT) },
    stdio: 'ignore',
  });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--headless', '--no-sandbox', '--disable-gpu'],
  });
  try {
    for (let i = 0; i < 50 && !(await fetch(`http://localhost:${PORT}/healthz`).catch(() => undefined)); i++)
      await new Promise((ok) => setTimeout(ok, 100));
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
    const page = await context.newPage();
    await page.addInitScript(KEEP_NAMES);
    const sizes = new Map<string, number>();
    page.on('response', async (r) => {
      const body = await r.body().catch(() => undefined);
      if (body) sizes.set(new URL(r.url()).pathname, r.url().endsWith('.woff2') ? body.length : gzipSync(body).length);
    });
    await page.goto(`http://localhost:${PORT}/plan?id=choir-2-vanilla`);
    const word = page.getByTestId('word-serving');
    await word.waitFor({ timeout: 30_000 });
    await page.waitForLoadState('networkidle');
    const kb = (match: RegExp) =>
      Math.round([...sizes].filter(([url]) => match.test(url)).reduce((s, [, n]) => s + n, 0) / 1024);
    line(
      'first screen, gzip',
      `page ${kb(/plan$/)} KB, scripts ${kb(/\.js$/)} KB (the model's worker among them ${kb(/model-.*\.js$/)}), css ${kb(/\.css$/)} KB, fonts ${kb(/woff2$/)} KB`,
    );

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
    line(
      'amount changed to the new forecast on screen',
      `${Math.round(median(toAnswer))} ms (most ${Math.round(Math.max(...toAnswer))})`,
    );
    await context.close();
    for (const [name, viewport] of [
      ['phone', { width: 390, height: 844 }],
      ['wide', { width: 1280, height: 800 }],
    ] as const)
      for (const slow of [1, 4]) {
        const p = await paints(browser, viewport, slow);
        line(`cold load, ${name}, CPU ${slow} x slower`, `first paint ${p.paint} ms, heading ${p.heading} ms`);
      }
  } finally {
    await browser.close();
    server.kill();
  }
}

console.log(`Node ${process.version}, ${cpus().length} × ${cpus()[0]?.model ?? 'unknown processor'}`);
core();
void browserFigures();
