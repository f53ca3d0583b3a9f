import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { testPlan } from '../core/testing';
import { inlineScriptHashes, ovalisServer } from './app';

const dist = mkdtempSync(path.join(tmpdir(), 'ovalis-dist-'));
mkdirSync(path.join(dist, '_expo/static/js'), { recursive: true });
writeFileSync(
  path.join(dist, 'index.html'),
  '<script>let a=1</script><script src="/x.js"></script>' + 'x'.repeat(4000),
);
writeFileSync(path.join(dist, 'plan.html'), 'the plan page');
writeFileSync(path.join(dist, '+not-found.html'), 'not found page');
writeFileSync(path.join(dist, '_expo/static/js/a-123.js'), '1');

describe('the server', () => {
  let server: Server;
  let at: string;
  beforeAll((ready) => {
    server = ovalisServer(dist).listen(0, () => {
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
  });
});
