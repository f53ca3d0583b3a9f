import type { Cook } from '../cook/events';
import { say, type Said } from '../say';
import { countingEvents } from '../cook/counting';
import type { Plan } from '../plan/plan';
import { SHELF_CM2 } from '../prep/vessels';
import {
  clashesOf,
  RESOURCES,
  solveInGroups,
  solveProject,
  unlimited,
  type Activity,
  type Point,
  type Project,
  type Relation,
  type Resource,
  type Span,
} from './scheduler';
import type { Day } from './record';
import { DAY } from './table';
import { withWait, type DishWork, type Task } from './tasks';

const MINUTE = 60_000;
const floorMin = (ms: number) => Math.floor(ms / MINUTE);
const ceilMin = (ms: number) => Math.ceil(ms / MINUTE);

/** A pot is lit at most so long before its dish is poured, ms (C). */
const LIT_BEFORE_MS = 4 * 60 * MINUTE;
const READY_BY_THEN: readonly Task['kind'][] = ['ready', 'long', 'wait'];

export type Block = {
  task: Task;
  startMs: number;
  endMs: number;
  /** it still works out if it begins here and all goes as on average */
  latestMs: number;
  state: 'to do' | 'running' | 'done';
  pinned: boolean;
};

export type DayClash = { resource: Resource; fromMs: number; toMs: number; tasks: string[]; text: Said };

export type Timetable = {
  ok: boolean;
  /** nothing cheaper exists: the whole tree of orders was searched */
  optimal: boolean;
  nodes: number;
  blocks: Block[];
  clashes: DayClash[];
  /** where it cannot be met, in words */
  why?: 'time' | 'resources' | 'gave up';
  serves: { planId: string; name: string; atMs: number }[];
  /** of the dishes, whatever the order of the work */
  cautions: Said[];
};

/** What was done, by task: its true start and end (none yet: still running). */
export type Done = Record<string, { startMs: number; endMs?: number }>;

/** Which tasks the pot and the ticks of Prep say are done; what the cook marked by hand comes first. */
export function doneOf(
  day: Day,
  works: readonly DishWork[],
  serves: Record<string, number>,
  cooks: readonly Cook[],
  ticks: readonly { planId: string; item: string; at: string }[],
): Done {
  const done: Done = {};
  for (const work of works) {
    const cook = cooks
      .filter((c) => c.plan.id === work.planId && c.events.length > 0 && !c.batchId)
      .sort((a, b) => Date.parse(b.events[0]!.at) - Date.parse(a.events[0]!.at))[0];
    const serveMs = serves[work.planId]!;
    const startedMs = cook ? Date.parse(cook.events[0]!.at) : NaN;
    // a pot that was lit for this meal, not for one before it
    if (cook && startedMs <= serveMs && startedMs > serveMs - work.wait.most * MINUTE - LIT_BEFORE_MS) {
      let before = startedMs;
      const steps = work.tasks.filter((t) => t.step !== undefined);
      for (const e of countingEvents(cook)) {
        if (e.kind !== 'stepDone') continue;
        const at = steps.findIndex((t) => t.step === e.step);
        const ms = Date.parse(e.at);
        if (at >= 0) done[steps[at]!.id] = { startMs: before, endMs: ms };
        before = ms;
      }
      // the fire does not wait: the step after the last one is on
      const now = steps.filter((t) => t.kind === 'cook' || t.kind === 'pour');
      const lit = now.filter((t) => done[t.id]).at(-1);
      const running = lit && now[now.indexOf(lit) + 1];
      if (running && !done[running.id]) done[running.id] = { startMs: before };
      // who stands at the pot has made ready
      if (lit || done[`${work.planId}:weigh`])
        for (const t of work.tasks)
          if (!done[t.id] && READY_BY_THEN.includes(t.kind) && !/:(peel-|preheat)/.test(t.id))
            done[t.id] = { startMs: startedMs - t.minutes * MINUTE, endMs: startedMs };
    }
    for (const tick of ticks) {
      if (tick.planId !== work.planId) continue;
      const task = work.tasks.find((t) => t.id === `${work.planId}:${tick.item}`);
      const endMs = Date.parse(tick.at);
      if (task && !done[task.id]) {
        done[task.id] = { startMs: endMs - task.minutes * MINUTE, endMs };
        const wait = work.tasks.find((t) => t.id === `${task.id}-wait`);
        if (wait && !done[wait.id]) done[wait.id] = { startMs: endMs };
      }
    }
  }
  for (const d of day.done)
    done[d.task] = { startMs: Date.parse(d.start), ...(d.end ? { endMs: Date.parse(d.end) } : {}) };
  return done;
}

const flip = (p: Point): Point => ({ id: p.id, at: p.at === 'start' ? 'end' : 'start' });

type Mirrored = { project: Project; last: number; tasks: Task[] };

/** The day as a project that runs backwards from its last meal: early there is late here, and late is fresh. */
function mirrored(
  day: Day,
  works: readonly DishWork[],
  serves: Record<string, number>,
  done: Done,
  free = false,
): Mirrored {
  const last = Math.max(...works.map((w) => floorMin(serves[w.planId]!)));
  const begin = ceilMin(Math.max(Date.parse(day.fromAt), day.replannedAt ? Date.parse(day.replannedAt) : 0));
  const tasks = works.flatMap((w) => w.tasks);
  const doneMin = Object.values(done).map((d) => floorMin(d.startMs));
  const earliest = Math.min(begin, ...doneMin, ...day.pins.map((p) => floorMin(Date.parse(p.at))));
  const horizon = Math.min(last - earliest + (free ? 2 * 1440 : 0), 6 * 1440);
  const finishOf = new Map(
    works.map((w) => [w.finishId, { at: floorMin(serves[w.planId]!), out: w.warm ? DAY.warmOutMax : DAY.outMax }]),
  );
  const activities = tasks.map((t): Activity => {
    const d = done[t.id];
    const serve = finishOf.get(t.id);
    const pin = day.pins.find((p) => p.task === t.id);
    if (d) {
      const start = floorMin(d.startMs);
      const end = d.endMs === undefined ? undefined : Math.max(start, floorMin(d.endMs));
      const fixed = last - start;
      return {
        id: t.id,
        minutes: end === undefined ? t.minutes : end - start,
        // what is still on goes on until now at the least
        ...(end === undefined ? { upTo: Math.max(t.upTo ?? t.minutes, begin - start) } : {}),
        uses: end === undefined ? t.uses : {},
        weight: 0,
        end: { from: fixed, to: fixed },
      };
    }
    const earliestStart = free ? undefined : last - begin;
    const pinned = pin ? last - floorMin(Date.parse(pin.at)) : undefined;
    return {
      id: t.id,
      minutes: t.minutes,
      ...(t.upTo === undefined ? {} : { upTo: t.upTo }),
      uses: t.uses,
      weight: t.weight,
      ...(serve === undefined ? {} : { start: { from: last - serve.at, to: last - serve.at + serve.out } }),
      end: {
        ...(pinned === undefined ? {} : { from: pinned }),
        ...(pinned !== undefined ? { to: pinned } : earliestStart === undefined ? {} : { to: earliestStart }),
      },
    };
  });
  // a longest wait that what was done has already passed binds nobody any more
  const over = (id: string) => done[id]?.endMs !== undefined;
  const binds = (r: Relation) => !(r.minutes <= 0 && over(r.to.id)) && !(done[r.from.id] && done[r.to.id]);
  const relations = works
    .flatMap((w) => w.relations)
    .filter(binds)
    .map((r): Relation => ({ from: flip(r.to), to: flip(r.from), minutes: r.minutes }));
  return {
    project: {
      activities,
      relations,
      capacity: {
        hands: day.hands * DAY.handsFull,
        rings: day.rings,
        ovens: day.ovens,
        fridge: Math.round(day.shelves * SHELF_CM2),
      },
      horizon,
    },
    last,
    tasks,
  };
}

const worksFor = (day: Day, works: readonly DishWork[]) =>
  works.map((w) => withWait(w, day.waits[w.planId] ?? 'planned'));

/** Latest starts that still work out: mean minutes, the least wait, and the order of hands and places as it stands. */
function latestStarts(
  works: readonly DishWork[],
  project: Project,
  at: Record<string, Span>,
  serves: Record<string, number>,
  last: number,
) {
  const high = new Map<string, number>();
  const key = (p: Point) => `${p.id} ${p.at}`;
  const edges: { from: string; to: string; w: number }[] = [];
  for (const work of works) {
    for (const t of work.tasks) {
      const takes =
        t.id === work.coldId ? Math.max(0, t.minutes - Math.max(0, work.wait.planned - work.wait.least)) : t.expected;
      edges.push({ from: key({ id: t.id, at: 'start' }), to: key({ id: t.id, at: 'end' }), w: takes });
    }
    for (const r of work.relations) if (r.minutes >= 0) edges.push({ from: key(r.from), to: key(r.to), w: r.minutes });
    high.set(`${work.finishId} end`, serves[work.planId]! / MINUTE);
  }
  // who comes after whom where both cannot be at once (mirrored: the later one ends first there)
  const users = project.activities;
  for (const a of users)
    for (const b of users)
      if (
        a !== b &&
        at[a.id]!.start >= at[b.id]!.end &&
        RESOURCES.some((r) => (a.uses[r] ?? 0) + (b.uses[r] ?? 0) > project.capacity[r] && a.uses[r] && b.uses[r])
      )
        edges.push({ from: `${a.id} end`, to: `${b.id} start`, w: 0 });
  for (let round = 0; round < 2 * users.length; round++) {
    let moved = false;
    for (const { from, to, w } of edges) {
      const h = high.get(to);
      if (h !== undefined && h - w < (high.get(from) ?? Infinity) - 1e-9) {
        high.set(from, h - w);
        moved = true;
      }
    }
    if (!moved) break;
  }
  return (id: string) => (high.get(`${id} start`) ?? last) * MINUTE;
}

const CLASH: Record<Resource, (n: number, cap: number) => Said> = {
  hands: (n) => (n === 2 ? say('day.twoJobsForOnePair') : say('day.jobsAtOnceForThe', { n })),
  rings: (n, cap) => say('day.potsFor', { n, count: cap }),
  ovens: (n, cap) => (cap === 0 ? say('day.dishesForNoOven', { n }) : say('day.dishesFor', { n, count: cap })),
  fridge: () => say('day.moreDishesThanShelf'),
};

/** Orders that are looked at while a block is under a thumb. */
export const DRAG_NODES = 80;

/** @param nodeLimit of the search */
export function timetable(
  day: Day,
  allWorks: readonly DishWork[],
  serves: Record<string, number>,
  done: Done = {},
  nodeLimit?: number,
): Timetable {
  const works = worksFor(day, allWorks);
  const served = works.map((w) => ({ planId: w.planId, name: w.name, atMs: serves[w.planId]! }));
  if (works.length === 0)
    return { ok: true, optimal: true, nodes: 0, blocks: [], clashes: [], serves: [], cautions: [] };
  const cautions = works.flatMap((w) => w.cautions);
  const m = mirrored(day, works, serves, done);
  const solved = solveInGroups(m.project, (id) => id.slice(0, id.indexOf(':')), nodeLimit);
  const place = (mm: Mirrored, at: Record<string, Span>): Block[] => {
    const latest = latestStarts(works, mm.project, at, serves, mm.last);
    return mm.tasks
      .map((task): Block => {
        const d = done[task.id];
        const startMs = (mm.last - at[task.id]!.end) * MINUTE;
        return {
          task,
          startMs,
          endMs: (mm.last - at[task.id]!.start) * MINUTE,
          latestMs: Math.max(startMs, floorMin(latest(task.id)) * MINUTE),
          state: d ? (d.endMs === undefined ? 'running' : 'done') : 'to do',
          pinned: day.pins.some((p) => p.task === task.id),
        };
      })
      .sort((a, b) => a.startMs - b.startMs || a.endMs - b.endMs);
  };
  if (solved.ok)
    return {
      ok: true,
      optimal: solved.schedule.optimal,
      nodes: solved.schedule.nodes,
      blocks: place(m, solved.schedule.at),
      clashes: [],
      serves: served,
      cautions,
    };
  // it cannot be met: what it would look like, with what is in the way
  const ideal = unlimited(m.project);
  const shown = ideal.ok ? m : mirrored({ ...day, pins: [] }, works, serves, done, true);
  const relaxed = ideal.ok ? ideal : unlimited(shown.project);
  const rough = relaxed.ok ? relaxed.schedule.at : undefined;
  const clashes = rough
    ? clashesOf(shown.project, rough).map((c): DayClash => ({
        resource: c.resource,
        fromMs: (shown.last - c.to) * MINUTE,
        toMs: (shown.last - c.from) * MINUTE,
        tasks: c.ids,
        text: CLASH[c.resource](c.ids.length, c.resource === 'fridge' ? 1 : shown.project.capacity[c.resource]),
      }))
    : [];
  return {
    ok: false,
    optimal: false,
    nodes: solved.nodes,
    blocks: rough ? place(shown, rough) : [],
    clashes: ideal.ok ? clashes.sort((a, b) => a.fromMs - b.fromMs) : [],
    why: ideal.ok ? 'resources' : 'time',
    serves: served,
    cautions,
  };
}

/** Whether a day can be met, quickly. */
export const feasible = (
  day: Day,
  works: readonly DishWork[],
  serves: Record<string, number>,
  done: Done,
  nodeLimit = 600,
): boolean => {
  const m = mirrored(day, worksFor(day, works), serves, done);
  return solveProject(m.project, nodeLimit).ok;
};

export type Change = {
  id: string;
  text: Said;
  day?: Day;
  plans?: Plan[];
};

const shiftedIso = (iso: string, minutes: number) => new Date(Date.parse(iso) + minutes * MINUTE).toISOString();

/** The least number of minutes, to the minute, for which `ok` holds; undefined above `most`. Feasible stays feasible. */
function leastMinutes(ok: (minutes: number) => boolean, most: number): number | undefined {
  let high = 1;
  while (!ok(high)) {
    high *= 2;
    if (high > most) return undefined;
  }
  let low = Math.floor(high / 2);
  while (high - low > 1) {
    const mid = Math.floor((low + high) / 2);
    if (ok(mid)) high = mid;
    else low = mid;
  }
  return high;
}

/**
 * The nearest changes that make an impossible day possible, each alone; the smallest for the cook first.
 * @param workFor works a changed plan out anew
 */
export function changesFor(
  day: Day,
  plans: readonly Plan[],
  workFor: (plan: Plan) => DishWork,
  done: Done,
  nodeLimit = 600,
): Change[] {
  const serves = Object.fromEntries(plans.map((p) => [p.id, Date.parse(p.serve.at)]));
  const works = plans.map(workFor);
  const ok = (d: Day, w: readonly DishWork[] = works, s = serves) => feasible(d, w, s, done, nodeLimit);
  const out: Change[] = [];
  const tryDay = (id: string, text: Said, next: Day) => {
    if (ok(next)) out.push({ id, text, day: next });
  };
  if (day.pins.length) tryDay('unpin', say('day.putBackWhatWasMoved'), { ...day, pins: [] });
  const cold = works.filter((w) => !w.warm && w.wait.least < w.wait.planned && day.waits[w.planId] !== 'least');
  // one dish's wait, then all of them
  for (const w of cold)
    tryDay(
      `least-${w.planId}`,
      say('day.toSetInsteadOfIt', { wName: w.name, least: w.wait.least, planned: w.wait.planned, nearK: DAY.nearK }),
      { ...day, waits: { ...day.waits, [w.planId]: 'least' } },
    );
  if (cold.length > 1 && !out.some((c) => c.id.startsWith('least-')))
    tryDay('least', say('day.everyColdDishSetNo'), {
      ...day,
      waits: { ...day.waits, ...Object.fromEntries(cold.map((w) => [w.planId, 'least' as const])) },
    });
  const warm = works.filter((w) => w.warm && day.waits[w.planId] !== 'kept warm');
  for (const w of warm)
    tryDay(`warm-${w.planId}`, say('day.keepWarmUpToLid', { wName: w.name, keptWarmMax: DAY.keptWarmMax }), {
      ...day,
      waits: { ...day.waits, [w.planId]: 'kept warm' },
    });
  if (warm.length > 1)
    tryDay('warm', say('day.keepAllWarmDishesWarm', { keptWarmMax: DAY.keptWarmMax }), {
      ...day,
      waits: { ...day.waits, ...Object.fromEntries(warm.map((w) => [w.planId, 'kept warm' as const])) },
    });
  for (const p of plans) {
    const others = works.filter((w) => w.planId !== p.id);
    const tryPlan = (id: string, text: Said, plan: Plan) => {
      const w = workFor(plan);
      // a faster way to cold is only worth it with the wait that it makes possible
      const next: Day = { ...day, waits: { ...day.waits, [plan.id]: 'least' } };
      if (!w.warm && ok(next, [...others, w])) out.push({ id: `${id}-${p.id}`, text, day: next, plans: [plan] });
    };
    if (p.serve.tempC >= DAY.warmFrom) continue;
    if (out.some((c) => c.id === `least-${p.id}`)) continue;
    const twice: Plan = { ...p, dish: { ...p.dish, count: p.dish.count * 2 } };
    const inTwo = say('day.inDishesInsteadOfHalf', { count: twice.dish.count, count2: p.dish.count });
    const iced = (x: Plan): Plan => ({ ...x, choices: { ...x.choices, cooling: 'ice bath' } });
    if (p.dish.count <= 4) tryPlan('split', say('day.value3', { name: p.name, inTwo }), twice);
    if (p.choices.cooling !== 'ice bath') tryPlan('ice', say('day.halfAnHourInIce', { name: p.name }), iced(p));
    if (p.dish.count <= 4 && p.choices.cooling !== 'ice bath' && !out.some((c) => c.id.endsWith(`-${p.id}`)))
      tryPlan('both', say('day.andHalfAnHourIn', { name: p.name, inTwo }), iced(twice));
  }
  tryDay('hands', say('day.aSecondPairOfHands'), { ...day, hands: day.hands + 1 });
  tryDay('rings', say('day.oneRingMore'), { ...day, rings: day.rings + 1 });
  tryDay('ovens', day.ovens === 0 ? say('day.anOven') : say('day.aSecondOven'), { ...day, ovens: day.ovens + 1 });
  for (const more of [0.5, 1, 2, 3])
    if (day.shelves + more <= 8 && !out.some((c) => c.id === 'shelves'))
      tryDay('shelves', say('day.moreInTheFridge', { count: more }), {
        ...day,
        shelves: day.shelves + more,
      });
  const shifted = (n: number) => Object.fromEntries(Object.entries(serves).map(([k, v]) => [k, v + n * MINUTE]));
  const servedLater = (n: number) =>
    plans.map((p) => ({
      ...p,
      serve: { ...p.serve, at: shiftedIso(p.serve.at, n) },
    }));
  // where hands or places alone are in the way, all of it at another hour is no better
  const anyHour = feasible(
    { ...day, fromAt: shiftedIso(day.fromAt, -2 * 1440), replannedAt: undefined },
    works,
    serves,
    {},
    nodeLimit,
  );
  const later = anyHour ? leastMinutes((n) => ok(day, works, shifted(n)), 26 * 60) : undefined;
  if (later !== undefined) out.push({ id: 'later', text: say('day.serveLater', { later }), plans: servedLater(later) });
  if (!anyHour && plans.length > 1)
    for (const w of works) {
      const apart = leastMinutes((n) => ok(day, works, { ...serves, [w.planId]: serves[w.planId]! + n * MINUTE }), 120);
      if (apart !== undefined)
        out.push({
          id: `apart-${w.planId}`,
          text: say('day.serveLaterThanTheRest', { wName: w.name, apart }),
          plans: plans
            .filter((p) => p.id === w.planId)
            .map((p) => ({ ...p, serve: { ...p.serve, at: shiftedIso(p.serve.at, apart) } })),
        });
    }
  const hot = works.filter((w) => w.warm);
  if (!anyHour && hot.length > 1) {
    const after = (x: number) =>
      Object.fromEntries(works.map((w) => [w.planId, serves[w.planId]! + Math.max(0, hot.indexOf(w)) * x * MINUTE]));
    const between = leastMinutes((n) => ok(day, works, after(n)), 90);
    if (between !== undefined)
      out.push({
        id: 'in turn',
        text: say('day.serveTheWarmDishesIn', { between }),
        plans: plans.map((p) => ({ ...p, serve: { ...p.serve, at: new Date(after(between)[p.id]!).toISOString() } })),
      });
  }
  if (anyHour && cold.length > 0 && !out.some((c) => c.id.startsWith('least'))) {
    const least: Day = {
      ...day,
      waits: { ...day.waits, ...Object.fromEntries(cold.map((w) => [w.planId, 'least' as const])) },
    };
    const sooner = leastMinutes((n) => ok(least, works, shifted(n)), 26 * 60);
    if (sooner !== undefined && (later === undefined || sooner <= later - 10))
      out.push({
        id: 'later-least',
        text: say('day.serveLaterEachColdDish', { sooner }),
        day: least,
        plans: servedLater(sooner),
      });
  }
  if (anyHour && !day.replannedAt) {
    const earlier = leastMinutes((n) => ok({ ...day, fromAt: shiftedIso(day.fromAt, -n) }), 26 * 60);
    if (earlier !== undefined)
      out.push({
        id: 'earlier',
        text: say('day.beginEarlier', { earlier }),
        day: { ...day, fromAt: shiftedIso(day.fromAt, -earlier) },
      });
  }
  return out;
}

/**
 * Where a task that was put at `wantMs` can stand: there, or at the nearest minute (in fives) that lets the day be met.
 */
export function nearestPlace(
  day: Day,
  works: readonly DishWork[],
  serves: Record<string, number>,
  done: Done,
  task: string,
  wantMs: number,
): { day: Day; atMs: number; exact: boolean } | undefined {
  const pinnedAt = (ms: number): Day => ({
    ...day,
    pins: [...day.pins.filter((p) => p.task !== task), { task, at: new Date(ms).toISOString() }],
  });
  for (let off = 0; off <= 240; off += 5)
    for (const sign of off === 0 ? [1] : [1, -1]) {
      const ms = floorMin(wantMs + sign * off * MINUTE) * MINUTE;
      const next = pinnedAt(ms);
      if (feasible(next, works, serves, done, 200)) return { day: next, atMs: ms, exact: off === 0 };
    }
  return undefined;
}
