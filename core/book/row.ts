import { countingEvents } from '../cook/counting';
import { foldCook } from '../cook/fold';
import { changesOf, stepsOf } from '../cook/steps';
import type { Plan } from '../plan/plan';
import { lookUp, mainLiquid } from '../plan/bowls';
import type { Batch, BatchPromise } from './batch';

/** What the Book's list, its search and what is learnt need of a batch: everything but its plan and its events. */
export type BatchRow = Pick<Batch, 'id' | 'at' | 'found'> &
  Pick<Plan, 'name' | 'family' | 'starchMeasure'> & {
    serve: Pick<Plan['serve'], 'style' | 'word'>;
    factor: number;
    /** owed while the model has not answered */
    promise?: Pick<BatchPromise, 'servingPlace' | 'depthMm'>;
    items: string[];
    /** g of each of `items` */
    grams: number[];
    planId: string;
    milkId?: string;
    thickeners: string[];
    /** how much faster it cooled than was reckoned, and what the plan believed of its fridge (ln) */
    cools?: { fasterLn: number; believedLn: number };
    /** its ring, how much sooner it bubbled than was promised (ln), and what the plan believed of its power (ln) */
    ring?: { key: string; soonerLn: number; believedLn: number };
  };

/** A ring by what is written on it. */
export const ringKey = (hob: Pick<Plan['hob'], 'kind' | 'ratedW'>): string => `${hob.kind} ${hob.ratedW}`;

/** Shorter than this is a tap too early. */
const LEAST_MIN = 0.5;

/** How soon it bubbled; nothing where the cook paused, turned the ring, or did not say when. */
function ringOf(batch: Batch): BatchRow['ring'] {
  const { plan, promise } = batch;
  if (promise?.bubbleMin === undefined || !batch.events.length) return undefined;
  const events = countingEvents(batch);
  const until = events.findIndex((e) => e.kind === 'observed' && e.what === 'first bubble');
  if (until < 0 || events.slice(0, until).some((e) => e.kind === 'paused' || e.kind === 'hobSet')) return undefined;
  const steps = stepsOf(plan, { phases: [] }, changesOf(batch));
  const state = foldCook({ events: events.slice(0, until + 1) }, steps);
  const onFire = (id: string) => (steps.find((s) => s.id === id)?.setting ?? 0) > 0;
  const heatedMs = state.done.filter((d) => onFire(d.step)).reduce((sum, d) => sum + d.endMs - d.startMs, 0);
  const now = steps[state.stepIndex];
  const here = now && onFire(now.id) ? Date.parse(events[until]!.at) - state.stepStartedMs : 0;
  const minutes = (heatedMs + here) / 60_000;
  if (!(minutes > LEAST_MIN)) return undefined;
  return {
    key: ringKey(plan.hob),
    soonerLn: Math.log(promise.bubbleMin / minutes),
    believedLn: Math.log(plan.hob.powerTrim),
  };
}

const milkOf = (plan: Plan) => {
  const milk = mainLiquid(plan);
  return milk ? { milkId: milk.id } : {};
};

/** A plan's family, what thickens it, and its milk. */
export const kindOfPlan = (plan: Plan): Pick<BatchRow, 'family' | 'thickeners' | 'milkId'> => ({
  family: plan.family,
  ...milkOf(plan),
  thickeners: plan.things
    .filter((i) => i.grams > 0 && lookUp(plan, i.ingredientId).thickener !== undefined)
    .map((i) => i.ingredientId)
    .sort(),
});

export function rowOfBatch(batch: Batch): BatchRow {
  const { id, at, found: whole, plan, promise } = batch;
  const { photo: _photo, ...found } = whole;
  const ring = ringOf(batch);
  return {
    id,
    at,
    found,
    name: plan.name,
    serve: { style: plan.serve.style, word: plan.serve.word },
    starchMeasure: plan.starchMeasure,
    factor: plan.firmness.factor,
    ...(promise ? { promise: { servingPlace: promise.servingPlace, depthMm: promise.depthMm } } : {}),
    items: plan.things.map((i) => i.ingredientId),
    grams: plan.things.map((i) => i.grams),
    planId: plan.id,
    ...kindOfPlan(plan),
    ...(ring ? { ring } : {}),
    ...(found.coolsRel === undefined
      ? {}
      : { cools: { fasterLn: Math.log(found.coolsRel), believedLn: Math.log(plan.rest.pace ?? 1) } }),
  };
}
