import * as fc from 'fast-check';
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { testPlan } from '../core/testing';
import { inlineScriptHashes, ovalisServer } from './app';

/** Each makes another wrong kitchen of a right one. */
type Put = { nowMs: unknown; cook: { plan: Record<string, unknown>; events: unknown } };
const hostile: ((k: Put, junk: unknown) => unknown)[] = [
  (_k, junk) => junk,
  (k, junk) => ({ ...k, cook: junk }),
  (k, junk) => ({ ...k, cook: { ...k.cook, plan: junk } }),
  (k, junk) => ({ ...k, nowMs: junk === 5 ? 6 : junk }),
  (k, junk) => ({ ...k, cook: { ...k.cook, events: [junk] } }),
  (k, junk) => ({ ...k, cook: { ...k.cook, plan: { ...k.cook.plan, things: [junk] } } }),
  (k, junk) => ({ ...k, faults: [junk] }),
];

const dist = mkdtempSync(path.join(tmpdir(), 'ovalis-dist-'));
mkdirSync(path.join(dist, '_expo/static/js'), { recursive: true });
writeFileSync(
  path.join(dist, 'index.html'),
  '<script>let a=1</script><script src="/x.js"></script>' + 'x'.repeat(4000),
);
writeFileSync(path.join(dist, 'plan.html'), 'the plan page');
writeFileSync(path.join(dist, '+not-found.html'), 'not found page');
writeFileSync(path.join(dist, '_expo/static/js/a-123.js'), '1');

const workerFile = path.join(dist, 'pot.worker.js');
execFileSync(path.join(__dirname, '../node_modules/.bin/esbuild'), [
  path.join(__dirname, 'pot.worker.ts'),
  '--bundle',
  '--platform=node',
  `--outfile=${workerFile}`,
  '--log-level=error',
]);

describe('the server', () => {
  let server: Server;
  let at: string;
  beforeAll((ready) => {
    server = ovalisServer(dist, workerFile).listen(0, '127.0.0.1', () => {
      at = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
      ready();
    });
  });
  afterAll((closed) => void server.close(() => closed()));

  it('is healthy', async () => expect(await (await fetch(`${at}/healthz`)).json()).toEqual({ ok: true }));
  it('serves pages without their ending, and takes a trailing slash away', async () => {
    expect(await (await fetch(`${at}/plan`)).text()).toBe('the plan page');
    const r = await fetch(`${at}/plan/`, { redirect: 'manual' });
    expect([r.status, r.headers.get('location')]).toEqual([301, '/plan']);
  });
  it.each([
    ['/plan.html', '/plan'],
    ['/index.html', '/'],
  ])('takes who looks at %s to its own name, and gives the file to a store for later', async (from, to) => {
    const looked = await fetch(`${at}${from}`, { redirect: 'manual', headers: { accept: 'text/html' } });
    expect([looked.status, looked.headers.get('location')]).toEqual([301, to]);
    expect((await fetch(`${at}${from}`, { redirect: 'manual' })).status).toBe(200);
  });
  it('never redirects to another host', async () => {
    const r = await fetch(`${at}//elsewhere.example/`, { redirect: 'manual' });
    expect(r.headers.get('location') ?? '/').not.toMatch(/^\/\//);
  });
  it('answers an unknown address with the not-found page and an unknown file plainly', async () => {
    const page = await fetch(`${at}/nowhere`);
    expect([page.status, await page.text()]).toEqual([404, 'not found page']);
    expect((await fetch(`${at}/nowhere.png`)).headers.get('content-type')).toMatch(/text\/plain/);
  });
  it('keeps hashed files for ever and pages not at all', async () => {
    expect((await fetch(`${at}/_expo/static/js/a-123.js`)).headers.get('cache-control')).toMatch(/immutable/);
    expect((await fetch(`${at}/`)).headers.get('cache-control')).toBe('no-cache');
  });
  it('compresses', async () =>
    expect((await fetch(`${at}/`, { headers: { 'accept-encoding': 'gzip' } })).headers.get('content-encoding')).toBe(
      'gzip',
    ));
  it('allows this origin only, and inline scripts only by hash', async () => {
    const policy = (await fetch(`${at}/`)).headers.get('content-security-policy')!;
    expect(policy).toMatch(/default-src 'self'/);
    expect(policy).toMatch(/script-src 'self' 'sha256-/);
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    expect(policy).toMatch(/connect-src 'self'(;|$)/);
    expect(inlineScriptHashes('<script>let a=1</script><script src="/x.js"></script>')).toHaveLength(1);
  });
  describe('the stand-in kitchen that it serves', () => {
    const cook = {
      id: 'c-1',
      plan: testPlan(),
      events: [{ kind: 'started', id: 'e0', at: '2026-12-12T12:00:00.000Z' }],
    };
    const put = (body: object, id = 'c-1') =>
      fetch(`${at}/kitchens/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
    const nowMs = Date.parse('2026-12-12T12:01:00.000Z');
    const good = { format: 'ovalis-devices', version: 1, nowMs, cook };
    it('refuses what is no kitchen, and says where', async () => {
      const r = await put({ ...good, version: 2 });
      expect(r.status).toBe(400);
      expect(await r.json()).toMatchObject({
        issues: [{ path: 'version', message: { code: 'issue.exactly', value: '1' } }],
      });
      expect((await put(good, 'other')).status).toBe(400);
      expect((await fetch(`${at}/kitchens/none/stream`)).status).toBe(404);
    });
    it('streams its probe, scale and ring in the time of the cook, and a fault as lost', async () => {
      const faults = [{ device: 'scale', how: 'drops out', fromMs: 0, toMs: 4e12 }];
      expect((await put({ ...good, faults })).status).toBe(200);
      const gone = new AbortController();
      const r = await fetch(`${at}/kitchens/c-1/stream`, { signal: gone.signal });
      expect(r.headers.get('content-type')).toBe('text/event-stream');
      const reader = r.body!.getReader();
      let text = '';
      while (text.split('\n\n').length < 4) text += new TextDecoder().decode((await reader.read()).value);
      gone.abort();
      const readings = text
        .split('\n\n')
        .filter(Boolean)
        .map((x) => JSON.parse(x.split('\n')[1]!.slice(6)) as { device: string; atMs: number; lost?: true });
      expect(readings.slice(0, 3).map((x) => x.device)).toEqual(['probe', 'scale', 'hob']);
      expect(readings[1]).toMatchObject({ lost: true });
      expect(Math.abs(readings[0]!.atMs - nowMs)).toBeLessThan(5000);
    });
    it('two requests that would have stopped it for everybody: refused, and it goes on', async () => {
      const added = (portions: object[], at: string) => ({
        ...good,
        cook: {
          ...cook,
          events: [...cook.events, { kind: 'added', id: 'a', at, portions, tempC: 20, how: 'slurry', why: 'own' }],
        },
      });
      const moon = await put(added([{ ingredientId: 'moon dust', grams: 5 }], '2026-12-12T12:01:05.000Z'));
      expect([moon.status, await moon.json()]).toMatchObject([
        400,
        { issues: [{ path: 'cook.events[1].portions[0].ingredientId' }] },
      ]);
      expect((await put({ ...good, nowMs: 1e300 })).status).toBe(400);
      expect(await (await fetch(`${at}/healthz`)).json()).toEqual({ ok: true });
    });
    it('a pot that takes too long ends its thread only: the others go on, and it is not kept', async () => {
      expect((await put(good)).status).toBe(200);
      const many = Array.from({ length: 4990 }, (_, i) => ({
        kind: 'hobSet',
        id: `h${i}`,
        at: new Date(nowMs + i * 17_000).toISOString(),
        setting: i % 10,
      }));
      const asked = put(
        { ...good, nowMs: nowMs + 5000 * 17_000, cook: { ...cook, id: 'c-2', events: [...cook.events, ...many] } },
        'c-2',
      );
      const fromMs = Date.now();
      expect(await (await fetch(`${at}/healthz`)).json()).toEqual({ ok: true });
      expect(Date.now() - fromMs).toBeLessThan(1000);
      expect([200, 422]).toContain((await asked).status);
      expect((await put(good)).status).toBe(200);
    });
    it('is only what it is called, and takes no change from another page', async () => {
      const raw = (headers: Record<string, string>, method = 'GET', where = '/healthz') =>
        new Promise<number>((ok, wrong) =>
          request(`${at}${where}`, { method, headers }, (r) => {
            r.resume();
            ok(r.statusCode!);
          })
            .on('error', wrong)
            .end(),
        );
      expect(await raw({ host: 'kitchen.example' })).toBe(421);
      expect(await raw({ host: 'localhost:1' })).toBe(200);
      expect(await raw({ host: '[::1]:1' })).toBe(200);
      expect(await raw({ origin: 'http://elsewhere.example' }, 'PUT', '/kitchens/c-1')).toBe(403);
      expect(await raw({ 'sec-fetch-site': 'cross-site' }, 'PUT', '/kitchens/c-1')).toBe(403);
    });
    it('refuses other methods, other types, broken and endless bodies, each in one line', async () => {
      const send = async (method: string, where: string, type: string, body?: string) => {
        const r = await fetch(at + where, { method, headers: { 'content-type': type }, ...(body ? { body } : {}) });
        const text = await r.text();
        expect(text.length).toBeLessThan(200);
        expect(text).not.toMatch(/at .*:\d+:\d+|node_modules/);
        return r.status;
      };
      const JSONS = 'application/json';
      expect(await send('POST', '/kitchens/c-1', JSONS, '{}')).toBe(405);
      expect(await send('DELETE', '/kitchens/c-1/stream', JSONS)).toBe(405);
      expect(await send('POST', '/plan', JSONS, '{}')).toBe(405);
      expect(await send('PUT', '/kitchens/c-1', 'text/plain', '{}')).toBe(415);
      expect(await send('PUT', '/kitchens/c-1', JSONS, '{"a":')).toBe(400);
      expect(await send('PUT', '/kitchens/c-1', JSONS, `"${'x'.repeat(2_200_000)}"`)).toBe(413);
      expect(await send('PUT', '/kitchens/%E0%A4%A', JSONS, '{}')).toBe(400);
    });
    it('only so many listen', async () => {
      expect((await put(good)).status).toBe(200);
      const gone = new AbortController();
      const all = await Promise.all(
        Array.from({ length: 6 }, () =>
          fetch(`${at}/kitchens/c-1/stream`, { signal: gone.signal }).then((r) => r.status),
        ),
      );
      gone.abort();
      expect(all.filter((x) => x === 200)).toHaveLength(4);
      expect(all.filter((x) => x === 503)).toHaveLength(2);
    });
    it('goes on serving through hostile kitchens', async () => {
      await fc.assert(
        fc.asyncProperty(
          fc.string({ maxLength: 40 }),
          fc.jsonValue(),
          fc.constantFrom(...hostile),
          async (id, junk, twist) => {
            const r = await put(twist(structuredClone(good), junk) as object, encodeURIComponent(id || 'c-1'));
            expect([400, 404, 405, 422]).toContain(r.status);
            await r.text();
          },
        ),
        { numRuns: Number(process.env['FUZZ'] ?? 150) },
      );
      expect(await (await fetch(`${at}/healthz`)).json()).toEqual({ ok: true });
    });
  });
});
