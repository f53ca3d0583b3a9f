import type { CookEvent, Measure } from '../cook/events';

/**
 * How far a reading that is left out may lie from the line between its neighbours: half of what the instrument itself
 * can tell (degC, s, g, degrees; C).
 */
const TOLERANCE: Record<Measure, number> = { probe: 0.5, trail: 0.5, scale: 2, plate: 1, dish: 0.5, slump: 2 };

type Reading = Extract<CookEvent, { kind: 'measured' }>;
const isReading = (e: CookEvent): e is Reading => e.kind === 'measured' && e.by !== undefined;

/** Which points of a curve are kept so that no other lies further than `tolerance` from the lines between them. */
function kept(curve: readonly { x: number; y: number }[], tolerance: number): Set<number> {
  const keep = new Set([0, curve.length - 1]);
  const spans: [number, number][] = [[0, curve.length - 1]];
  for (let span = spans.pop(); span; span = spans.pop()) {
    const [from, to] = span;
    const [a, b] = [curve[from]!, curve[to]!];
    let worst = tolerance;
    let at = -1;
    for (let i = from + 1; i < to; i++) {
      const p = curve[i]!;
      const line = b.x === a.x ? a.y : a.y + ((b.y - a.y) * (p.x - a.x)) / (b.x - a.x);
      const off = Math.abs(p.y - line);
      if (off > worst) [worst, at] = [off, i];
    }
    if (at < 0) continue;
    keep.add(at);
    spans.push([from, at], [at, to]);
  }
  return keep;
}

/**
 * The events of a cook as the book keeps them: of what a device read by itself, as many readings as its curve needs. What a
 * hand noted, and a reading that an undo or a move names, stays; the cook's own record keeps them all.
 */
export function thinned(events: readonly CookEvent[]): CookEvent[] {
  const named = new Set(events.flatMap((e) => (e.kind === 'undone' || e.kind === 'moved' ? [e.target] : [])));
  const curves = new Map<string, Reading[]>();
  for (const e of events)
    if (isReading(e) && !named.has(e.id)) {
      const key = `${e.what} ${e.by}`;
      curves.set(key, [...(curves.get(key) ?? []), e]);
    }
  const out = new Set<string>();
  for (const curve of curves.values()) {
    const keep = kept(
      curve.map((e) => ({ x: Date.parse(e.at), y: e.value })),
      TOLERANCE[curve[0]!.what],
    );
    curve.forEach((e, i) => keep.has(i) || out.add(e.id));
  }
  return events.filter((e) => !out.has(e.id));
}
