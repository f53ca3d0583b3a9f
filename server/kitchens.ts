import { Router, json, type Response } from 'express';
import { z } from 'zod';
import { CookSchema } from '../core/cook/events';
import { changesOf, stepsOf, type Step } from '../core/cook/steps';
import { forecast } from '../core/model/forecast';
import { FaultySchema, readDevices, seedOf, truthOf, type Faulty } from '../core/kitchen/simulated';
import { issuesOf } from '../core/formats/issues';
import type { Cook } from '../core/cook/events';

/** The stand-in kitchens that the server keeps: a cook is put, its devices stream. See docs/formats/devices.md. */

const PutSchema = z.object({
  format: z.literal('ovalis-devices', 'should be "ovalis-devices"'),
  version: z.literal(1, 'should be 1'),
  /** the time of the one who cooks; readings are given in it */
  nowMs: z.number(),
  cook: CookSchema,
  faults: z.array(FaultySchema).max(20).default([]),
});

type Kept = { cook: Cook; steps: Step[]; faults: Faulty[]; aheadMs: number; usedMs: number };

const EVERY_MS = 1000;
const MOST = 50;
const FORGET_MS = 6 * 3_600_000;

/** @param now the server's clock, ms */
export function kitchens(now: () => number = Date.now): Router {
  const kept = new Map<string, Kept>();
  const router = Router();
  router.put('/:id', json({ limit: '2mb' }), (req, res) => {
    const parsed = PutSchema.safeParse(req.body);
    if (!parsed.success) {
      res.status(400).json({ error: 'this is not a kitchen', issues: issuesOf(parsed.error) });
      return;
    }
    const { cook, faults, nowMs } = parsed.data;
    if (cook.id !== req.params.id) {
      res.status(400).json({ error: `the cook is "${cook.id}"; it should be "${req.params.id}"` });
      return;
    }
    let steps: Step[];
    try {
      steps = stepsOf(cook.plan, forecast(cook.plan), changesOf(cook));
    } catch (e) {
      res.status(400).json({ error: (e as Error).message });
      return;
    }
    for (const [id, k] of kept) if (now() - k.usedMs > FORGET_MS) kept.delete(id);
    if (kept.size >= MOST && !kept.has(cook.id)) kept.delete(kept.keys().next().value!);
    kept.set(cook.id, { cook, steps, faults, aheadMs: nowMs - now(), usedMs: now() });
    res.json({ ok: true });
  });
  router.get('/:id/stream', (req, res: Response) => {
    const { id } = req.params;
    if (!kept.has(id)) {
      res.status(404).json({ error: 'no such kitchen; put its cook first' });
      return;
    }
    res.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache, no-transform',
      Connection: 'keep-alive',
    });
    const tell = () => {
      const k = kept.get(id);
      if (!k) return void res.end();
      k.usedMs = now();
      for (const reading of readDevices(k.cook, k.steps, now() + k.aheadMs, truthOf(seedOf(id)), k.faults))
        res.write(`event: reading\ndata: ${JSON.stringify(reading)}\n\n`);
    };
    tell();
    const timer = setInterval(tell, EVERY_MS);
    req.on('close', () => clearInterval(timer));
  });
  return router;
}
