import { partsOf } from '../plan/layout';
import type { Pantry } from '../pantry/pantry';
import { forecast } from '../model/forecast';
import { writtenPlan } from './check';
import { handFindings } from './findings';
import type { Written } from './fixtures/recipes';
import type { ReadOptions } from './lines';
import { amountsOf, familyOf, planOf, readRecipe } from './read';

/** An amount is right within this, relative. */
const WITHIN = 0.03;

/** How a written recipe was read: what of it is not as its writer meant it. */
export type Judged = { lines: number; linesRight: number; wrong: string[] };

const holds = (want: unknown, got: unknown): boolean =>
  want !== null && typeof want === 'object'
    ? Object.entries(want).every(([k, v]) => holds(v, (got as Record<string, unknown> | undefined)?.[k]))
    : want === got;

/** @param alarms look for false alarms too: it cooks the recipe, which takes a moment */
export function judgeReading(w: Written, pantry: Pantry, o: ReadOptions, alarms: boolean): Judged {
  const wrong: string[] = [];
  const r = readRecipe(w.text, pantry, o);
  const want = Object.entries(w.grams);
  if (!r.ok) return { lines: want.length, linesRight: 0, wrong: [r.why.code] };
  const { reading } = r;
  const found = new Map(amountsOf(reading.lines).map((a) => [a.ingredientId, a.grams]));
  let right = 0;
  for (const [id, grams] of want) {
    const got = found.get(id);
    if (got !== undefined && Math.abs(got / grams - 1) <= WITHIN) right++;
    else wrong.push(`${id}: ${String(got)} for ${String(grams)}`);
  }
  for (const id of found.keys()) if (!(id in w.grams)) wrong.push(`${id} is none of it`);
  const family = familyOf(reading.lines, reading.facts, pantry);
  if (family !== w.family) wrong.push(`family: ${family}`);
  if (w.people !== undefined && reading.people !== w.people) wrong.push(`people: ${String(reading.people)}`);
  for (const [fact, value] of Object.entries(w.facts ?? {})) {
    const got = (reading.facts as Record<string, unknown>)[fact];
    if (!holds(value, got)) wrong.push(`${fact}: ${JSON.stringify(got)} for ${JSON.stringify(value)}`);
  }
  const open = reading.lines.filter((l) => l.state === 'open').length;
  if (open !== (w.open ?? 0)) wrong.push(`open lines: ${open}`);
  const meta = { id: 'r', serveAt: '2026-12-12T19:30:00Z' };
  const plan = planOf(reading, pantry, meta);
  if (!plan) wrong.push('no plan');
  const sides = plan?.vessels.map((v) => v.name) ?? [];
  if (JSON.stringify(sides) !== JSON.stringify(w.sides ?? [])) wrong.push(`beside it: ${sides.join()}`);
  for (const [id, stage] of Object.entries(w.kept ?? {}))
    if (!(plan && partsOf(plan).some((c) => c.ingredientId === id && c.in === stage)))
      wrong.push(`not kept back: ${id}`);
  const written = alarms ? writtenPlan(reading, pantry, meta) : undefined;
  if (written)
    for (const { id, level } of handFindings(reading, written, forecast(written), pantry))
      if (level === 'mend' && !(w.mends ?? []).includes(id)) wrong.push(`false alarm: ${id}`);
  return { lines: want.length, linesRight: right, wrong };
}
