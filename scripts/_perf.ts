import path from 'node:path';
import { withApp } from './served';
const root = path.join(__dirname, '..');
void withApp(root, 4195, async (browser, origin) => {
  for (const [n, viewport, slow] of [
    ['phone', { width: 390, height: 844 }, 4],
    ['wide', { width: 1280, height: 800 }, 1],
  ] as const) {
    const c = await browser.newContext({ viewport, baseURL: origin, locale: 'en-GB' });
    const page = await c.newPage();
    await page.goto('/plan');
    await page.getByTestId('word-serving').waitFor({ timeout: 60000 });
    await page.waitForTimeout(4000);
    for (const p of ['/', '/plan', '/pot?cook=c-vanilla', '/book']) {
      const fresh = p === '/' ? await browser.newContext({ viewport, baseURL: origin }) : c;
      const q = await fresh.newPage();
      const cdp = await fresh.newCDPSession(q);
      await cdp.send('Emulation.setCPUThrottlingRate', { rate: slow });
      await q.addInitScript(() => {
        const w = window as any;
        w.lcp = 0;
        w.cls = 0;
        w.el = '';
        w.tbt = 0;
        new PerformanceObserver((l) =>
          l.getEntries().forEach((e: any) => {
            w.lcp = e.startTime;
            w.el = (e.element?.textContent ?? '').slice(0, 60);
            (w.all ??= []).push(Math.round(e.startTime) + ' ' + e.size + ' ' + w.el.slice(0, 25));
          }),
        ).observe({ type: 'largest-contentful-paint', buffered: true });
        new PerformanceObserver((l) =>
          l.getEntries().forEach((e: any) => {
            if (!e.hadRecentInput) {
              w.cls += e.value;
              (w.sh ??= []).push(
                e.value.toFixed(4) +
                  ' ' +
                  Math.round(e.startTime) +
                  ' ' +
                  e.sources
                    .slice(0, 2)
                    .map((s: any) => (s.node?.textContent ?? '').slice(0, 30))
                    .join('|'),
              );
            }
          }),
        ).observe({ type: 'layout-shift', buffered: true });
        new PerformanceObserver((l) =>
          l.getEntries().forEach((e: any) => {
            w.tbt += Math.max(0, e.duration - 50);
          }),
        ).observe({ type: 'longtask', buffered: true });
      });
      await q.goto(p);
      await q.waitForTimeout(9000);
      console.log(
        n,
        p,
        JSON.stringify(
          await q.evaluate(() => {
            const w = window as any;
            return { lcp: Math.round(w.lcp), cls: +w.cls.toFixed(4), tbt: Math.round(w.tbt), all: w.all, sh: w.sh };
          }),
        ),
      );
      // idle busy
      await cdp.send('Performance.enable');
      const busy = async () =>
        (await cdp.send('Performance.getMetrics')).metrics.find((m) => m.name === 'TaskDuration')!.value;
      const a = await busy();
      await q.waitForTimeout(10000);
      console.log('   busy in 10 s', ((await busy()) - a).toFixed(2));
      await q.close();
    }
  }
});
