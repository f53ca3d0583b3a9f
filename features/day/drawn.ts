import { LANES, type Act, type Lane } from '../../core/day/acts';

const MINUTE = 60_000;
/** px; a shorter block is drawn this high, so that it can be read and hit */
const LEAST_PX = 26;

export type Drawn = { id: string; acts: Act[]; lane: Lane; top: number; height: number };

/** Acts that follow at once in one lane, of one dish, are one block; then each is made high enough to be hit. */
export function drawn(acts: readonly Act[], fromMs: number, pxPerMin: number): Drawn[] {
  return LANES.flatMap((lane) => {
    const groups: Act[][] = [];
    for (const act of acts.filter((a) => a.lane === lane)) {
      const before = lane === 'hands' ? groups.at(-1) : undefined;
      const last = before?.at(-1);
      if (
        before &&
        last &&
        last.planId === act.planId &&
        last.state === act.state &&
        act.startMs - last.endMs <= 2 * MINUTE
      )
        before.push(act);
      else groups.push([act]);
    }
    const y = (ms: number) => ((ms - fromMs) / MINUTE) * pxPerMin;
    let limit = Infinity;
    const out: Drawn[] = [];
    for (const group of [...groups].reverse()) {
      const overlaps = lane !== 'hands' && out.some((d) => d.acts[0]!.startMs < group.at(-1)!.endMs);
      const bottom = overlaps ? y(group.at(-1)!.endMs) : Math.min(y(group.at(-1)!.endMs), limit - 2);
      const top = Math.min(y(group[0]!.startMs), bottom - LEAST_PX);
      if (!overlaps) limit = top;
      out.push({ id: group[0]!.id, acts: group, lane, top, height: bottom - top });
    }
    return out.reverse();
  });
}

/** Blocks of a lane that overlap stand side by side. */
export function columns(list: readonly Drawn[]): Map<string, { at: number; of: number }> {
  const result = new Map<string, { at: number; of: number }>();
  const sorted = [...list].sort((a, b) => a.top - b.top);
  let cluster: Drawn[] = [];
  let end = -Infinity;
  const close = () => {
    const ends: number[] = [];
    const place = cluster.map((d) => {
      let k = ends.findIndex((e) => e <= d.top + 0.5);
      if (k < 0) k = ends.length;
      ends[k] = d.top + d.height;
      return { id: d.id, at: k };
    });
    for (const p of place) result.set(p.id, { at: p.at, of: ends.length });
  };
  for (const d of sorted) {
    if (d.top >= end - 0.5) {
      close();
      cluster = [];
      end = -Infinity;
    }
    cluster.push(d);
    end = Math.max(end, d.top + d.height);
  }
  close();
  return result;
}
