import { json, Router, type Request, type RequestHandler, type Response } from 'express';
import { z } from 'zod';
import { CookSchema, type Cook } from '../core/cook/events';
import { troublesOfCook } from '../core/formats/computable';
import { issuesOf } from '../core/formats/issues';
import { FaultySchema, type Faulty } from '../core/kitchen/simulated';
import { IdSchema, MomentMsSchema } from '../core/moment';
import { Busy, potThread, TooLong } from './thread';

/** The stand-in kitchens that the server keeps: a cook is put, its devices stream. See docs/formats/devices.md. */

const PutSchema = z.object({
  format: z.literal('ovalis-devices', 'should be "ovalis-devices"'),
  version: z.literal(1, 'should be 1'),
  /** the time of the one who cooks; readings are given in it */
  nowMs: MomentMsSchema,
  cook: CookSchema,
  faults: z.array(FaultySchema).max(20).default([]),
});

type Kept = { cook: Cook; faults: Faulty[]; aheadMs: number; usedMs: number };

const EVERY_MS = 1000;
const MOST_KITCHENS = 50;
const MOST_STREAMS = 60;
const MOST_STREAMS_EACH = 4;
/** A listener that lets this much pile up is cut, bytes. */
const MOST_UNREAD = 64_000;
const FORGET_MS = 6 * 3_600_000;

const only =
  (method: string): RequestHandler =>
  (req, res, next) => {
    if (req.method === method) return next();
    res.setHeader('Allow', method);
    res.status(405).json({ error: `should be ${method}` });
  };

/**
 * @param workerFile the thread of the pots, as JavaScript @param now the server's clock, ms
 * @param limitMs a pot that takes longer to reckon is given up, and its listeners are told
 */
export function kitchens(workerFile: string, now: () => number = Date.now, limitMs?: number): Router {
  const kept = new Map<string, Kept>();
  const streams = new Map<Response, string>();
  const thread = potThread(
    workerFile,
    (id) => {
      const k = kept.get(id);
      return k && { ask: 'put', cook: k.cook, faults: k.faults };
    },
    limitMs,
  );
  const forget = (id: string) => {
    kept.delete(id);
    void thread.ask({ ask: 'drop', id }).catch(() => undefined);
  };
  const refuse = (res: Response, e: unknown) => {
    if (e instanceof Busy) res.status(503).setHeader('Retry-After', '2').json({ error: e.message });
    else if (e instanceof TooLong) res.status(422).json({ error: 'this pot takes too long to reckon' });
    else res.status(422).json({ error: (e as Error).message });
  };
  const router = Router();

  router.all('/:id', only('PUT'));
  router.put('/:id', json({ limit: '2mb', type: 'application/json' }), async (req: Request<{ id: string }>, res) => {
    if (!req.is('application/json')) {
      res.status(415).json({ error: 'should be application/json' });
      return;
    }
    const parsed = PutSchema.safeParse(req.body);
    if (!parsed.success) {
      res.status(400).json({ error: 'this is not a kitchen', issues: issuesOf(parsed.error) });
      return;
    }
    const { cook, faults, nowMs } = parsed.data;
    if (cook.id !== req.params.id) {
      res.status(400).json({ error: 'the cook is another than the address says' });
      return;
    }
    const issues = troublesOfCook(cook).map((i) => ({ ...i, path: `cook.${i.path}` }));
    if (issues.length) {
      res.status(400).json({ error: 'this cannot be cooked', issues });
      return;
    }
    for (const [id, k] of kept) if (now() - k.usedMs > FORGET_MS) forget(id);
    try {
      await thread.ask({ ask: 'put', cook, faults });
      // it must be read in time too, and before it takes anybody's place
      await thread.ask({ ask: 'read', id: cook.id, atMs: nowMs });
    } catch (e) {
      if (!(e instanceof Busy)) forget(cook.id);
      refuse(res, e);
      return;
    }
    if (kept.size >= MOST_KITCHENS && !kept.has(cook.id)) forget(kept.keys().next().value!);
    kept.set(cook.id, { cook, faults, aheadMs: nowMs - now(), usedMs: now() });
    res.json({ ok: true });
  });

  router.all('/:id/stream', only('GET'));
  router.get('/:id/stream', (req, res: Response) => {
    const { id } = req.params;
    if (!IdSchema.safeParse(id).success || !kept.has(id)) {
      res.status(404).json({ error: 'no such kitchen; put its cook first' });
      return;
    }
    if (streams.size >= MOST_STREAMS || [...streams.values()].filter((s) => s === id).length >= MOST_STREAMS_EACH) {
      res.status(503).setHeader('Retry-After', '5').json({ error: 'too many listen already' });
      return;
    }
    res.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache, no-transform',
      Connection: 'keep-alive',
    });
    streams.set(res, id);
    let asking = false;
    const tell = async () => {
      const k = kept.get(id);
      if (!k) return void res.end();
      if (res.writableLength > MOST_UNREAD) return void res.destroy();
      if (asking) return;
      asking = true;
      k.usedMs = now();
      try {
        for (const reading of await thread.ask({ ask: 'read', id, atMs: now() + k.aheadMs }))
          res.write(`event: reading\ndata: ${JSON.stringify(reading)}\n\n`);
      } catch (e) {
        // a pot that has become too long to reckon is given up; a busy moment passes
        if (!(e instanceof Busy)) {
          forget(id);
          res.end(`event: gone\ndata: ${JSON.stringify({ error: (e as Error).message })}\n\n`);
        }
      } finally {
        asking = false;
      }
    };
    void tell();
    const timer = setInterval(() => void tell(), EVERY_MS);
    res.on('close', () => {
      clearInterval(timer);
      streams.delete(res);
    });
  });
  return router;
}
