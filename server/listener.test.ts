import express from 'express';
import { connect } from 'node:net';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { listenerOf } from './listener';

const wait = (ms: number) => new Promise((ok) => setTimeout(ok, ms));

describe('who is slow', () => {
  let server: Server;
  let port: number;
  const told: string[] = [];
  beforeAll((ready) => {
    const app = express();
    app.get('/', (_req, res) => void res.send('here'));
    const limits = { headersMs: 300, requestMs: 500, idleMs: 300, everyMs: 50, connections: 100 };
    server = listenerOf(app, (what) => told.push(what), limits).listen(0, '127.0.0.1', () => {
      port = (server.address() as AddressInfo).port;
      ready();
    });
  });
  afterAll((closed) => void server.close(() => closed()));

  /** Sends a letter at a time until it is cut, or all at once (0 ms). @returns what it was told, and after how long */
  const trickle = async (text: string, everyMs: number, limitMs = 5000) => {
    const socket = connect(port, '127.0.0.1');
    let heard = '';
    let cut = false;
    socket.on('data', (d) => (heard += String(d)));
    socket.on('close', () => (cut = true));
    socket.on('error', () => undefined);
    const fromMs = Date.now();
    for (const letter of everyMs > 0 ? text : [text]) {
      if (cut || Date.now() - fromMs > limitMs) break;
      socket.write(letter);
      await wait(everyMs);
    }
    while (!cut && Date.now() - fromMs < limitMs) await wait(20);
    socket.destroy();
    return { heard, cut, ms: Date.now() - fromMs };
  };

  it('sends headers a letter at a time, many of them: each is cut, and others are answered meanwhile', async () => {
    const slow = Array.from({ length: 60 }, () =>
      trickle(`GET / HTTP/1.1\r\nhost: localhost\r\nx: ${'y'.repeat(500)}`, 50),
    );
    await wait(100);
    expect(await (await fetch(`http://127.0.0.1:${port}/`)).text()).toBe('here');
    for (const { cut, heard, ms } of await Promise.all(slow)) {
      expect(cut).toBe(true);
      expect(heard).toMatch(/^HTTP\/1.1 408/);
      expect(ms).toBeLessThan(2500);
    }
    expect(told.length).toBe(60);
  });
  it('sends a body a letter at a time', async () => {
    const { cut, ms } = await trickle(`PUT /kitchens/x HTTP/1.1\r\nhost: localhost\r\ncontent-length: 9000\r\n\r\n`, 1);
    expect(cut).toBe(true);
    expect(ms).toBeLessThan(2500);
  });
  it('asks and then only sits there', async () => {
    const { cut, heard, ms } = await trickle('GET / HTTP/1.1\r\nhost: localhost\r\n\r\n', 0);
    expect(heard).toMatch(/here$/);
    expect(cut).toBe(true);
    expect(ms).toBeLessThan(2500);
  });
  it('sends what is no request', async () => {
    expect((await trickle('hello\r\n\r\n', 0)).heard).toMatch(/^HTTP\/1.1 400/);
  });
});
