import { z } from 'zod';
import { FRUITS } from '../pantry/fruit';
import { DishSchema } from '../pantry/kitchen';
import { laidOut, type Line, type Part } from './layout';
import { HEAT_ROLES, USES } from './method';
import type { SecondPot } from './plan';
import { compotePot, glazePot, layerPot, SYRUPS, syrupPot } from './potStarts';

/** A starch of version 1 to a thickener of version 2. */
export function migrateIngredient(old: unknown): unknown {
  const { starch, ...rest } = old as { starch?: string };
  return starch === 'maize' ? { ...rest, thickener: 'maize starch' } : rest;
}

/** A stretch of heat of version 3, whose name was what it is for, to one with a role and a free name. */
export function migrateStep(old: unknown): unknown {
  const step = old as { do?: unknown; name?: unknown };
  if (step.do !== 'heat' || typeof step.name !== 'string') return old;
  const { name, ...rest } = step;
  const role = HEAT_ROLES.find((r) => r === name);
  return role ? { ...rest, role } : { ...rest, role: 'heat', name };
}

/**
 * Version 1 knew one family and no choices; version 2 no side pots and no occasion rules; version 3 no roles of steps;
 * version 4 no portions and nothing under the pudding; version 5 one moment a stage; version 6 had each ingredient at a
 * stage, what was carved out of it in a second list and the steps in a third.
 */
export function migratePlan(old: unknown): unknown {
  let plan = old as { version?: unknown; own?: unknown[]; steps?: unknown };
  if (plan.version === 1)
    plan = { ...plan, version: 2, choices: {}, own: (plan.own ?? []).map(migrateIngredient) } as typeof plan;
  if (plan.version === 2) plan = { ...plan, version: 3, sides: [], rules: [] } as typeof plan;
  if (plan.version === 3)
    plan = {
      ...plan,
      version: 4,
      ...(Array.isArray(plan.steps)
        ? { steps: plan.steps.map((s: unknown) => (s !== null && typeof s === 'object' ? migrateStep(s) : s)) }
        : {}),
    } as typeof plan;
  if (plan.version === 4) plan = { ...plan, version: 5, portions: [] } as typeof plan;
  if (plan.version === 5) plan = { ...plan, version: 6 };
  if (plan.version === 6) plan = asList(plan);
  return plan;
}

type Old = Record<string, unknown>;
const isOld = (v: unknown): v is Old => v !== null && typeof v === 'object' && !Array.isArray(v);
const listIn = (v: unknown): readonly unknown[] | undefined => (Array.isArray(v) ? (v as unknown[]) : undefined);

/** A stage and its moment of version 6 as a bowl. */
const bowlOf = ({ stage, moment }: Old): string =>
  typeof moment === 'number' ? `${String(stage)} ${moment}` : String(stage);

function inBowl<T extends Old>(row: T): Omit<T, 'stage' | 'moment'> & { in: string } {
  const { stage: _stage, moment: _moment, ...rest } = row;
  return { ...rest, in: bowlOf(row) };
}

/** Version 6 as one list. What is not as version 6 has it stays, for the schema to name. */
function asList({ items, carveOuts, steps, ...plan }: Old): Old {
  const rows = listIn(items);
  const known = rows?.every((r): r is Old => isOld(r) && USES.some((u) => u === r['stage']));
  const next = { ...plan, version: 7, vessels: [] };
  if (!rows || !known) return { ...next, things: items, acts: [] };
  const { things, puts } = laidOut(
    (rows as Old[]).map(inBowl) as unknown as Line[],
    (listIn(carveOuts) ?? []).filter(isOld).map(inBowl) as unknown as Part[],
  );
  const beside = besideOf(listIn(plan['sides']) ?? [], plan['dish']);
  const { sides: _sides, ...rest } = next as Old;
  const on = beside.flatMap((b) => ('pot' in b ? b.over : []));
  return {
    ...rest,
    things,
    vessels: beside.flatMap((b) => ('pot' in b ? [b.pot] : [])),
    acts: [
      ...puts,
      ...(on.length ? [{ do: 'put', id: 'put top', into: 'top', things: [], pots: on }] : []),
      ...beside.flatMap((b) => ('act' in b ? [b.act] : [])),
      ...(listIn(steps) ?? []).map(stepFrom),
    ],
  };
}

/** Side pots of version 6 by kind: four of them are pots with a list of their own now. */
const [word, figure] = [z.string(), z.number()];
const layer = { id: word, liquidId: word, depthMm: figure, sweetPct: figure };
const OldPotSchema = z.discriminatedUnion('kind', [
  z.object({
    id: word,
    kind: z.literal('syrup'),
    sugarId: word,
    sugarG: figure,
    to: z.enum(SYRUPS),
    acid: z.boolean(),
  }),
  z.object({ id: word, kind: z.literal('compote'), fruit: z.enum(FRUITS), boughtG: figure }),
  z.object({ ...layer, kind: z.literal('second layer'), cookedTo: figure }),
  z.object({ ...layer, kind: z.literal('glaze') }),
]);

type Beside = { act: unknown } | { pot: SecondPot; over: { vesselId: string; share: number }[] };

/** What is no side pot that version 6 knew stays as an act, for the schema to name. */
function besideOf(sides: readonly unknown[], dish: unknown): Beside[] {
  return sides.map((side): Beside => {
    const old = OldPotSchema.safeParse(side);
    if (!old.success) {
      const { id, ...what } = isOld(side) ? side : { id: undefined };
      return { act: { do: 'prepare', id, what } };
    }
    const s = old.data;
    const { data: over } = DishSchema.safeParse(dish);
    if (s.kind === 'syrup') return { pot: syrupPot(s.id, s), over: [] };
    if (s.kind === 'compote') return { pot: compotePot(s.id, s.fruit, s.boughtG), over: [] };
    if (!over) return { act: { do: 'prepare', id: s.id, what: side } };
    const pot = s.kind === 'glaze' ? glazePot(s.id, over, s) : layerPot(s.id, over, s);
    return { pot, over: [{ vesselId: s.id, share: 1 }] };
  });
}

/** A step that adds a stage as one that adds a bowl. */
function stepFrom(step: unknown): unknown {
  if (!isOld(step) || step['do'] !== 'add') return step;
  const { stage: _stage, moment: _moment, ...rest } = step;
  return { ...rest, from: bowlOf(step) };
}
