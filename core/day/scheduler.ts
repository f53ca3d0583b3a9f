/**
 * Scheduling with limited resources and time lags between starts and ends (RCPSP/max). Method: branch and bound over
 * minimal forbidden sets. The temporal network alone gives the least times; where they ask more of a resource than
 * there is, one pair of that set has to follow one another, and each order is tried (Bartusch, Möhring, Radermacher
 * 1988). The least times are the best of a node for any objective that grows with starts, so the search is exact when it
 * runs to its end; with a limit of nodes it keeps the best schedule found.
 *
 * Whole minutes. Everything here runs forwards; a day that is planned back from its meal is mirrored by core/day/day.ts.
 */

export type Resource = 'hands' | 'rings' | 'ovens' | 'fridge';
export type Uses = Partial<Record<Resource, number>>;

export type Activity = {
  id: string;
  /** at the least, min */
  minutes: number;
  /** it may be stretched to this, min; not at all where it is left out */
  upTo?: number;
  /** of each resource, while it runs */
  uses: Uses;
  /** what a minute later costs */
  weight: number;
  /** its start and its end are within these, min */
  start?: { from?: number; to?: number };
  end?: { from?: number; to?: number };
};

export type Point = { id: string; at: 'start' | 'end' };
/** `to` is at least `minutes` after `from`; a negative number is a longest wait the other way round. */
export type Relation = { from: Point; to: Point; minutes: number };

export type Project = {
  activities: readonly Activity[];
  relations: readonly Relation[];
  capacity: Record<Resource, number>;
  /** min; nothing ends after it */
  horizon: number;
};

export type Span = { start: number; end: number };
type Schedule = {
  at: Record<string, Span>;
  cost: number;
  /** the whole tree was searched: nothing is better */
  optimal: boolean;
  nodes: number;
  /** who waits for whom because a resource was wanted by both, by id */
  order: [before: string, after: string][];
};
export type Solved =
  { ok: true; schedule: Schedule } | { ok: false; why: 'time' | 'resources' | 'gave up'; nodes: number };

export const RESOURCES: readonly Resource[] = ['hands', 'rings', 'ovens', 'fridge'];
const NODES = 4000;
/** How often each group is put back at most. */
const ROUNDS = 2;

type Edge = { to: number; w: number };

/** The temporal network: events 2i (start) and 2i+1 (end) of activity i, edges to what must come later. */
class Network {
  readonly out: Edge[][];
  readonly low: Int32Array;
  readonly high: Int32Array;
  readonly index: Map<string, number>;
  private readonly waiting: Uint8Array;

  constructor(readonly project: Project) {
    const n = project.activities.length;
    this.out = Array.from({ length: 2 * n }, () => []);
    this.waiting = new Uint8Array(2 * n);
    this.low = new Int32Array(2 * n);
    this.high = new Int32Array(2 * n).fill(project.horizon);
    this.index = new Map(project.activities.map((a, i) => [a.id, i]));
    project.activities.forEach((a, i) => {
      this.out[2 * i]!.push({ to: 2 * i + 1, w: a.minutes });
      this.out[2 * i + 1]!.push({ to: 2 * i, w: -(a.upTo ?? a.minutes) });
      this.low[2 * i] = Math.max(0, a.start?.from ?? 0);
      this.low[2 * i + 1] = Math.max(0, a.end?.from ?? 0);
      this.high[2 * i] = Math.min(project.horizon, a.start?.to ?? project.horizon);
      this.high[2 * i + 1] = Math.min(project.horizon, a.end?.to ?? project.horizon);
    });
    for (const r of project.relations) this.out[this.event(r.from)]!.push({ to: this.event(r.to), w: r.minutes });
  }

  event(p: Point): number {
    const i = this.index.get(p.id);
    if (i === undefined) throw new RangeError(`a relation names "${p.id}", which is no activity`);
    return 2 * i + (p.at === 'end' ? 1 : 0);
  }

  /** Latest times that any schedule can have: what is later than these is hopeless. False if none is left. */
  tighten(): boolean {
    for (let round = 0; round <= this.out.length; round++) {
      let moved = false;
      for (let a = 0; a < this.out.length; a++)
        for (const { to, w } of this.out[a]!)
          if (this.high[to]! - w < this.high[a]!) {
            this.high[a] = this.high[to]! - w;
            if (this.high[a]! < this.low[a]!) return false;
            moved = true;
          }
      if (!moved) return true;
    }
    return false;
  }

  /** Pushes later what has to be later, from the events in `queue`; false where something would pass its latest time. */
  push(times: Int32Array, queue: number[]): boolean {
    const waiting = this.waiting;
    for (const e of queue) waiting[e] = 1;
    let ok = true;
    for (let k = 0; k < queue.length; k++) {
      const a = queue[k]!;
      waiting[a] = 0;
      if (!ok) continue;
      const t = times[a]!;
      if (t > this.high[a]!) {
        ok = false;
        continue;
      }
      for (const { to, w } of this.out[a]!)
        if (t + w > times[to]!) {
          times[to] = t + w;
          if (t + w > this.high[to]!) {
            ok = false;
            break;
          }
          if (waiting[to] === 0) {
            waiting[to] = 1;
            queue.push(to);
          }
        }
    }
    return ok;
  }
}

/** Who wants each resource, and how much. */
type Users = { cap: number; who: number[]; need: Int32Array }[];

function usersOf(project: Project): Users {
  return RESOURCES.map((r) => {
    const need = Int32Array.from(project.activities, (a) => a.uses[r] ?? 0);
    return { cap: project.capacity[r], need, who: [...need.keys()].filter((i) => need[i]! > 0) };
  });
}

/** Where the least times ask too much of a resource first: a smallest set that cannot run together, or undefined. */
function forbiddenSet(users: Users, times: Int32Array): number[] | undefined {
  let worstAt = Infinity;
  let worst: number[] | undefined;
  for (const { cap, who, need } of users) {
    who.sort((a, b) => times[2 * a]! - times[2 * b]!);
    let active: number[] = [];
    for (const i of who) {
      const t = times[2 * i]!;
      if (t >= worstAt) break;
      if (times[2 * i + 1] === t) continue;
      active = active.filter((k) => times[2 * k + 1]! > t);
      active.push(i);
      if (active.length < 2 && need[i]! <= cap) continue;
      let sum = 0;
      for (const k of active) sum += need[k]!;
      if (sum <= cap) continue;
      const set: number[] = [];
      sum = 0;
      for (const k of active.sort((a, b) => need[b]! - need[a]!)) {
        set.push(k);
        sum += need[k]!;
        if (sum > cap) break;
      }
      for (const k of [...set])
        if (sum - need[k]! > cap) {
          sum -= need[k]!;
          set.splice(set.indexOf(k), 1);
        }
      worstAt = t;
      worst = set;
      break;
    }
  }
  return worst;
}

/**
 * The schedule that starts everything as early as it may, weighted.
 * @param below only what costs less is of interest
 * @returns not ok: `time` when the lags alone cannot be met, `resources` when no order of the work fits, `gave up` when
 *   the limit of nodes came first
 * @throws RangeError for a relation that names no activity
 */
export function solveProject(project: Project, nodeLimit = NODES, below = Infinity): Solved {
  const net = new Network(project);
  const n = project.activities.length;
  const users = usersOf(project);
  const weights = Float64Array.from(project.activities, (a) => a.weight);
  const cost = (times: Int32Array) => {
    let sum = 0;
    for (let i = 0; i < n; i++) sum += weights[i]! * (times[2 * i]! + times[2 * i + 1]!);
    return sum;
  };
  const root = Int32Array.from(net.low);
  const everything = Array.from({ length: 2 * n }, (_, i) => i);
  if (!net.tighten() || !net.push(root, everything)) return { ok: false, why: 'time', nodes: 0 };

  type Order = readonly (readonly [endOf: number, startOf: number])[];
  let best: { times: Int32Array; cost: number; order: Order } | undefined;
  let nodes = 0;
  let stopped = false;
  const visit = (times: Int32Array, order: Order, bound: number) => {
    if (bound >= (best?.cost ?? below)) return;
    if (++nodes > nodeLimit) {
      stopped = true;
      return;
    }
    const set = forbiddenSet(users, times);
    if (!set) {
      best = { times, cost: bound, order };
      return;
    }
    const children: { times: Int32Array; before: number; after: number; bound: number }[] = [];
    for (const i of set)
      for (const j of set) {
        if (i === j) continue;
        const [before, after] = [2 * i + 1, 2 * j];
        // hopeless at a glance
        if (times[before]! > net.high[after]!) continue;
        const next = Int32Array.from(times);
        next[after] = Math.max(next[after]!, next[before]!);
        net.out[before]!.push({ to: after, w: 0 });
        if (net.push(next, [after])) children.push({ times: next, before, after, bound: cost(next) });
        net.out[before]!.pop();
      }
    children.sort((a, b) => a.bound - b.bound);
    for (const c of children) {
      if (stopped) return;
      net.out[c.before]!.push({ to: c.after, w: 0 });
      visit(c.times, [...order, [c.before, c.after]], c.bound);
      net.out[c.before]!.pop();
    }
  };
  visit(root, [], cost(root));
  if (!best) return { ok: false, why: stopped ? 'gave up' : 'resources', nodes };
  const { times, order } = best;
  return {
    ok: true,
    schedule: {
      at: Object.fromEntries(
        project.activities.map((a, i) => [a.id, { start: times[2 * i]!, end: times[2 * i + 1]! }]),
      ),
      cost: best.cost,
      optimal: !stopped,
      nodes,
      order: order.map(([e, s]) => [project.activities[(e - 1) / 2]!.id, project.activities[s / 2]!.id]),
    },
  };
}

/**
 * The same for work that falls into groups (dishes), where the whole tree is too large: a first search, then again and
 * again all of one group is taken out of the order and put back better, until no group can be (large-neighbourhood
 * search). What it finds is as feasible as before; it is said to be optimal only where the first search ended.
 */
export function solveInGroups(project: Project, groupOf: (id: string) => string, nodeLimit = 250): Solved {
  const first = solveProject(project, nodeLimit);
  if (!first.ok || first.schedule.optimal) return first;
  const groups = [...new Set(project.activities.map((a) => groupOf(a.id)))];
  let best = first.schedule;
  let nodes = best.nodes;
  let since = 0;
  // one at a time, then each with its neighbour
  const loosened = [...groups.map((g) => [g]), ...groups.map((g, i) => [g, groups[(i + 1) % groups.length]!])];
  for (let k = 0; since < loosened.length && k < ROUNDS * loosened.length; k++) {
    const loose = loosened[k % loosened.length]!;
    const kept = best.order
      .filter(([a, b]) => !loose.includes(groupOf(a)) && !loose.includes(groupOf(b)))
      .map(([a, b]): Relation => ({ from: { id: a, at: 'end' }, to: { id: b, at: 'start' }, minutes: 0 }));
    const again = solveProject(
      { ...project, relations: [...project.relations, ...kept] },
      Math.ceil(nodeLimit / 5),
      best.cost,
    );
    nodes += again.ok ? again.schedule.nodes : again.nodes;
    since += 1;
    if (!again.ok) continue;
    since = 0;
    // what stands after one another stays so, whoever put it there
    best = {
      ...again.schedule,
      order: [...again.schedule.order, ...kept.map((r): [string, string] => [r.from.id, r.to.id])],
    };
  }
  return { ok: true, schedule: { ...best, optimal: false, nodes } };
}

/** The least times with every resource unlimited: what the lags alone ask. */
export const unlimited = (project: Project): Solved =>
  solveProject({ ...project, activities: project.activities.map((a) => ({ ...a, uses: {} })) });

type Clash = { resource: Resource; from: number; to: number; ids: string[] };

/** Stretches in which a schedule asks more of a resource than there is. */
export function clashesOf(project: Project, at: Record<string, Span>): Clash[] {
  const clashes: Clash[] = [];
  for (const resource of RESOURCES) {
    const users = project.activities.filter((a) => (a.uses[resource] ?? 0) > 0);
    const times = [...new Set(users.flatMap((a) => [at[a.id]!.start, at[a.id]!.end]))].sort((a, b) => a - b);
    for (const [k, from] of times.entries()) {
      const to = times[k + 1];
      if (to === undefined) break;
      const active = users.filter((a) => at[a.id]!.start <= from && from < at[a.id]!.end);
      if (active.reduce((s, a) => s + a.uses[resource]!, 0) <= project.capacity[resource]) continue;
      const ids = active.map((a) => a.id).sort();
      const last = clashes.at(-1);
      if (last && last.resource === resource && last.to === from && last.ids.join() === ids.join()) last.to = to;
      else clashes.push({ resource, from, to, ids });
    }
  }
  return clashes.sort((a, b) => a.from - b.from);
}

/** Everything that a schedule breaks, in words: empty is proof that it can be cooked. Shares no code with the solver. */
export function broken(project: Project, at: Record<string, Span>): string[] {
  const wrong: string[] = [];
  for (const a of project.activities) {
    const s = at[a.id];
    if (!s) {
      wrong.push(`${a.id} is missing`);
      continue;
    }
    const took = s.end - s.start;
    if (took < a.minutes || took > (a.upTo ?? a.minutes)) wrong.push(`${a.id} takes ${took} min`);
    if (s.start < Math.max(0, a.start?.from ?? 0) || s.start > (a.start?.to ?? Infinity))
      wrong.push(`${a.id} starts at ${s.start}`);
    if (s.end < (a.end?.from ?? 0) || s.end > Math.min(project.horizon, a.end?.to ?? Infinity))
      wrong.push(`${a.id} ends at ${s.end}`);
  }
  for (const r of project.relations) {
    const [from, to] = [at[r.from.id]?.[r.from.at], at[r.to.id]?.[r.to.at]];
    if (from !== undefined && to !== undefined && to - from < r.minutes)
      wrong.push(`${r.to.id} ${r.to.at} is ${to - from} min after ${r.from.id} ${r.from.at}, not ${r.minutes}`);
  }
  for (const resource of RESOURCES)
    for (let t = 0; t < project.horizon; t++) {
      const used = project.activities.reduce((s, a) => {
        const span = at[a.id];
        return span && span.start <= t && t < span.end ? s + (a.uses[resource] ?? 0) : s;
      }, 0);
      if (used > project.capacity[resource]) {
        wrong.push(`${resource} at ${t}: ${used} of ${project.capacity[resource]}`);
        break;
      }
    }
  return wrong;
}
