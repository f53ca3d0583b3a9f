import type { Cook } from '../core/cook/events';
import { actsOf, type Act } from '../core/day/acts';
import { calendarOf } from '../core/day/calendar';
import { changesFor, DRAG_NODES, doneOf, nearestPlace, timetable, type Change, type Timetable } from '../core/day/day';
import type { Day } from '../core/day/record';
import { shoppingOf, shoppingText } from '../core/day/shopping';
import { workOf, type DishWork } from '../core/day/tasks';
import { forecast } from '../core/model/forecast';
import { NoLiquidError } from '../core/pot/pot';
import type { Plan } from '../core/plan/plan';
import { prepOf, sideWeighings } from '../core/prep/prep';
import type { Machine, Settings } from '../core/settings';
import type { Pack } from '../core/units/packs';
import { speak, teller } from '../words';
import { pantryOf } from '../core/plan/bowls';

const of = (plan: Plan) => pantryOf(plan);

/** Work of plans that were asked about lately: a drag asks for the same dishes many times. */
const KEPT = 40;
const works = new Map<string, DishWork>();
function workFor(plan: Plan, machines: readonly Machine[]): DishWork {
  const {
    serve: { at: _at, ...serve },
    ...rest
  } = plan;
  const key = JSON.stringify([rest, serve, machines]);
  const known = works.get(key);
  if (known) return known;
  const work = workOf({ plan, forecast: forecast(plan) }, machines);
  works.set(key, work);
  if (works.size > KEPT) works.delete(works.keys().next().value!);
  return work;
}

/** A day as it is asked about: the dishes, the pots that are on, what Prep has ticked. */
export type DayAsk = {
  day: Day;
  plans: Plan[];
  cooks: Cook[];
  ticks: { planId: string; item: string; at: string }[];
  machines: Machine[];
};
/** `left` are dishes that cannot be worked out, by their names. */
type DayAnswer = { table: Timetable; acts: Act[]; left: string[] };

const canBeDone = (plan: Plan, machines: readonly Machine[]): boolean => {
  try {
    workFor(plan, machines);
    return true;
  } catch (e) {
    if (e instanceof NoLiquidError) return false;
    throw e;
  }
};

const known = ({ day, plans: all, cooks, ticks, machines }: DayAsk) => {
  const plans = all.filter((p) => canBeDone(p, machines));
  const list = plans.map((p) => workFor(p, machines));
  const serves = Object.fromEntries(plans.map((p) => [p.id, Date.parse(p.serve.at)]));
  const left = all.filter((p) => !plans.includes(p)).map((p) => p.name);
  return { list, plans, serves, left, done: doneOf(day, list, serves, cooks, ticks) };
};

/** This machine's zone. */
const ownZone = () => ({
  id: Intl.DateTimeFormat().resolvedOptions().timeZone,
  aheadMin: (ms: number) => -new Date(ms).getTimezoneOffset(),
});

export const dayApi = {
  /** @param moving under a thumb: a quick look at fewer orders */
  day: (ask: DayAsk, moving: boolean): DayAnswer => {
    const { list, serves, done, left } = known(ask);
    const table = timetable(ask.day, list, serves, done, moving ? DRAG_NODES : undefined);
    return { table, acts: actsOf(table), left };
  },
  dayChanges: (ask: DayAsk): Change[] =>
    changesFor(ask.day, known(ask).plans, (p) => workFor(p, ask.machines), known(ask).done),
  place: (ask: DayAsk, task: string, wantMs: number) => {
    const { list, serves, done } = known(ask);
    return nearestPlace(ask.day, list, serves, done, task, wantMs);
  },
  /** Times of day in the zone of this machine and by the cook's clock. */
  calendar: (ask: DayAsk, nowMs: number, settings: Settings): string => {
    speak(settings.language);
    const { list, serves, done } = known(ask);
    return calendarOf(timetable(ask.day, list, serves, done), ask.day.id, nowMs, teller(settings), ownZone());
  },
  shopping: (plans: Plan[], packs: Pack[], have: string[], title: string, settings: Settings) => {
    speak(settings.language);
    const list = shoppingOf(plans, of, packs, have);
    return { ...list, text: shoppingText(list, title, teller(settings)) };
  },
  prep: (plan: Plan, machines: Machine[]) => ({
    items: prepOf(plan, machines),
    beside: sideWeighings(plan),
  }),
};
