import type { Cook } from './events';
import { foldCook } from './fold';
import { changesOf, stepsOf } from './steps';

/** What a list of cooks needs: everything but the plan and the events. Times as ISO 8601. */
export type CookRow = Pick<Cook, 'id' | 'batchId'> & {
  planId: string;
  name: string;
  startedAt?: string;
  lastAt?: string;
  pouredAt?: string;
};

const moment = (ms: number) => new Date(ms).toISOString();

export function rowOfCook(cook: Cook): CookRow {
  const { pouredMs } = foldCook(cook, stepsOf(cook.plan, { phases: [] }, changesOf(cook)));
  const times = cook.events.map((e) => Date.parse(e.at));
  return {
    id: cook.id,
    planId: cook.plan.id,
    name: cook.plan.name,
    ...(cook.batchId === undefined ? {} : { batchId: cook.batchId }),
    ...(cook.events[0] ? { startedAt: cook.events[0].at, lastAt: moment(Math.max(...times)) } : {}),
    ...(Number.isNaN(pouredMs) ? {} : { pouredAt: moment(pouredMs) }),
  };
}

/** h after its last event in which a cook is of today: the pot and the day have it at hand. */
const NEAR_H = 7 * 24;
const HOUR_MS = 3_600_000;

/** Not started yet, or of these days. */
export const nearCook = (row: CookRow, nowMs: number): boolean =>
  row.lastAt === undefined || nowMs - Date.parse(row.lastAt) < NEAR_H * HOUR_MS;

/** h after its last tap in which a pot counts as being on the hob. */
const ON_H = 12;

/** When a pot was touched last, ms, where that is so long ago that nobody can be standing at it; else undefined. */
export function leftAloneMs(cook: Cook, nowMs: number): number | undefined {
  const lastMs = Math.max(...cook.events.map((e) => Date.parse(e.at)));
  return cook.events.length && nowMs - lastMs > ON_H * HOUR_MS ? lastMs : undefined;
}

/** A pot that somebody stands at: noted since this kitchen was opened, not long ago, and not poured. */
export const isOn = (row: CookRow, openedAt: string, nowMs: number): boolean =>
  row.batchId === undefined &&
  row.pouredAt === undefined &&
  row.lastAt !== undefined &&
  Date.parse(row.lastAt) > Date.parse(openedAt) &&
  nowMs - Date.parse(row.lastAt) < ON_H * HOUR_MS;
