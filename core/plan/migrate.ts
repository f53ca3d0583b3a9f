import { DishSchema, dishAreaM2, PANS } from '../pantry/kitchen';
import { UnknownIngredientError } from './bowls';
import { withHands } from './family';
import { laidOut, ownSteps, withOwnSteps, type Line, type Part } from './layout';
import { HEAT_ROLES, USES } from './method';
import { PlanSchema } from './plan';

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
 * stage, what was carved out of it in a second list and the steps in a third, and told by rule what hands do.
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
  if (plan.version === 6) plan = withItsHands(asList(plan));
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
  const { sides, ...rest } = next as Old;
  const { data: dish } = DishSchema.safeParse(plan['dish']);
  const areaM2 = dish ? dishAreaM2(dish) * dish.count : 0;
  const beside = (listIn(sides) ?? []).map((s) => besideOf(s, areaM2));
  const { things, puts } = laidOut(
    (rows as Old[]).map(inBowl) as unknown as Line[],
    (listIn(carveOuts) ?? []).filter(isOld).map(inBowl) as unknown as Part[],
    beside.flatMap((b) => ('pot' in b && b.over ? [{ vesselId: b.over, share: 1, in: 'top' }] : [])),
  );
  return {
    ...rest,
    things,
    vessels: beside.flatMap((b) => ('pot' in b ? [b.pot] : [])),
    acts: [...puts, ...beside.flatMap((b) => ('act' in b ? [b.act] : [])), ...(listIn(steps) ?? []).map(stepFrom)],
  };
}

/** Side pots of version 6 that have a list of their own now, as that version reckoned them (see potStarts). */
const SYRUPS: Record<string, number> = { thin: 0.5, pouring: 0.6, coating: 0.68, thick: 0.75 };
/** Of a fruit: its ingredient, share that is eaten, g of sugar to 100 g of that, min it stews. */
const STEWED: Record<string, readonly [string, number, number, number]> = {
  apple: ['fruit_apple', 0.78, 0.4, 12],
  pear: ['fruit_pear', 0.8, 0, 14],
  plum: ['fruit_plum', 0.9, 15.3, 9],
  apricot: ['fruit_apricot', 0.91, 12.4, 8],
  'sour cherry': ['fruit_cherry', 0.84, 20.3, 7],
  strawberry: ['fruit_strawberry', 0.95, 11.3, 5],
  raspberry: ['fruit_raspberry', 0.98, 20.8, 5],
  mango: ['fruit_mango', 0.66, 0, 7],
  rhubarb: ['fruit_rhubarb', 0.84, 29.5, 7],
  orange: ['fruit_orange', 0.65, 8.8, 8],
};
const LAYER_G_PER_ML = 1.04;

type Beside = { act: unknown } | { pot: unknown; over?: string };

/** What is no side pot that version 6 knew stays as an act, for the schema to name. */
function besideOf(side: unknown, areaM2: number): Beside {
  if (!isOld(side)) return { act: { do: 'prepare', what: side } };
  const { id, ...what } = side;
  const g = (key: string) => Number(side[key]);
  const pot = (things: readonly (readonly [unknown, number])[], ...acts: object[]) => {
    const rows = things.flatMap(([ingredientId, grams]) =>
      grams >= 0.25 ? [{ ingredientId, grams: Math.round(2 * grams) / 2 }] : [],
    );
    const put = { do: 'put', id: 'put pot', into: 'pot', things: rows.map((r) => ({ ingredientId: r.ingredientId })) };
    return { id, kind: 'pot', name: side['kind'], pan: PANS[0], things: rows, acts: [put, ...acts] };
  };
  const heat = (role: string, setting: number, until: object, more: object = {}) => ({
    do: 'heat',
    role,
    setting,
    until,
    ...more,
  });
  const minutes = (n: number) => ({ reach: 'time', minutes: n });
  const layerG = areaM2 * g('depthMm') * 1000 * LAYER_G_PER_ML;
  const layer = (starchId: string, starch: number, share: number) => {
    const [starchG, sugarG] = [layerG * starch, (layerG * g('sweetPct')) / 100];
    return [
      [side['liquidId'], layerG / share - starchG - sugarG],
      [starchId, starchG],
      ['sugar', sugarG],
    ] as const;
  };
  const bubble = { reach: 'bubble' };
  switch (side['kind']) {
    case 'syrup': {
      const [sugarG, endG] = [g('sugarG'), g('sugarG') / SYRUPS[String(side['to'])]!];
      const things = [
        [side['sugarId'], sugarG],
        ['water', Math.max(0.6 * sugarG, endG - sugarG + 20)],
        ['lemon_juice', side['acid'] ? 0.03 * sugarG : 0],
      ] as const;
      const end = { reach: 'mass', grams: Math.round(endG) };
      return { pot: pot(things, heat('warm', 5, bubble), heat('reduce', 4, end, { stirEveryS: null })) };
    }
    case 'compote': {
      const [fruitId, edible, sugar, min] = STEWED[String(side['fruit'])] ?? ['', 1, 0, 1];
      const edibleG = g('boughtG') * edible;
      const things = [
        [fruitId, edibleG],
        ['sugar', (edibleG * sugar) / 100],
        ['water', Math.max(15, 0.08 * edibleG)],
      ] as const;
      const lid = { lid: 'on', stirEveryS: 60 };
      return { pot: pot(things, heat('thicken', 5, bubble, lid), heat('cook on', 3, minutes(min), lid)) };
    }
    case 'second layer': {
      const share = g('cookedTo');
      const down = share < 1 ? heat('reduce', 4, { reach: 'share', share }) : heat('thicken', 5, bubble);
      return { pot: pot(layer('rice_flour', 0.02, share), down), over: String(id) };
    }
    case 'glaze':
      return {
        pot: pot(layer('cornstarch', 0.038, 1), heat('thicken', 5, bubble), heat('cook on', 3, minutes(1))),
        over: String(id),
      };
    default:
      return { act: { do: 'prepare', id, what } };
  }
}

/** What was added, poured out and poured over, each as a pouring from a vessel into another. */
function stepFrom(step: unknown): unknown {
  if (!isOld(step)) return step;
  switch (step['do']) {
    case 'add': {
      const { stage: _stage, moment: _moment, ...rest } = step;
      return { ...rest, do: 'pour', to: 'pot', from: bowlOf(step) };
    }
    case 'pour':
      return { ...step, to: 'dish' };
    case 'top':
      return { ...step, do: 'pour', to: 'top' };
    default:
      return step;
  }
}

/** A list of the cook's own with the mixing, taking out and serving that was told by rule. What does not read stays. */
function withItsHands(plan: Old): Old {
  const parsed = PlanSchema.safeParse(plan);
  const steps = parsed.success ? ownSteps(parsed.data) : undefined;
  if (!parsed.success || !steps) return plan;
  try {
    return { ...plan, acts: withOwnSteps(parsed.data, withHands(parsed.data, steps)).acts };
  } catch (e) {
    if (e instanceof UnknownIngredientError) return plan;
    throw e;
  }
}
