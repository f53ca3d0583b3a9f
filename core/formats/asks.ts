import { z } from 'zod';
import { IdSchema } from '../moment';
import { chances } from '../model/chances';

import { add, EMPTY, mixtureOf } from '../matter/mixture';
import { MethodStepSchema } from '../plan/method';
import { migratePlan } from '../plan/migrate';
import { PlanSchema, type Plan } from '../plan/plan';
import { SET_WORDS } from '../texture/words';
import { differences, tell } from '../advice/differences';
import { compareSchool, SCHOOLS } from '../advice/schools';
import { solve, swapThickener } from '../advice/solve';
import { bake } from '../oven/bake';
import { IngredientSchema } from '../pantry/ingredient';
import { DishSchema } from '../pantry/kitchen';
import { pantryWith } from '../pantry/pantry';
import { GRAINS } from '../pot/grain';
import { rawFraction } from '../pot/paste';
import { coolInDish, PLACE_C } from '../set/cooling';
import { hoursBelow, keepsRule, COOLING_RULES, SAFE_COOLING_RULES } from '../set/safety';
import { REST_PLACES } from '../set/places';
import { parseJson, type Parsed } from './issues';
import { checkPlan } from './planFile';
import { say, type Said } from '../say';
import { pantryOf } from '../plan/bowls';

/** Questions that scripts ask the model, as JSON in and out: one schema each, `version` 1. */
const plan = z
  .unknown()
  .transform((raw) => (raw !== null && typeof raw === 'object' ? migratePlan(raw) : raw))
  .pipe(PlanSchema);
const head = <T extends string>(format: T) => ({
  format: z.literal(format),
  version: z.literal(1),
});
const items = z
  .array(z.object({ ingredientId: IdSchema, grams: z.number().min(0).max(20000) }))
  .min(1)
  .max(40);

export const ASKS = {
  solve: z.object({
    ...head('ovalis-solve'),
    plan,
    /** thickeners that may move; the plan's first when left out */
    free: z
      .array(
        z
          .object({
            ingredientId: IdSchema,
            minG: z.number().min(0).optional(),
            maxG: z.number().positive().max(40000).optional(),
          })
          .refine((f) => f.minG === undefined || f.maxG === undefined || f.minG <= f.maxG, {
            path: ['maxG'],
            error: 'issue.minG',
          }),
      )
      .min(1)
      .optional(),
    word: z.enum(SET_WORDS).optional(),
    hotWord: z.enum(SET_WORDS).optional(),
    endMassG: z.number().positive().max(40000).optional(),
    spoons: z.enum(['us', 'metric']).default('metric'),
  }),
  swap: z.object({ ...head('ovalis-swap'), plan, from: IdSchema, to: IdSchema }),
  compare: z.object({
    ...head('ovalis-compare'),
    plan,
    /** a school by its id, or another plan; every school that fits when neither is given */
    school: z
      .string()
      .refine((id) => SCHOOLS.some((s) => s.id === id), {
        error: 'issue.oneOf',
        params: { values: SCHOOLS.map((s) => s.id).join(', ') },
      })
      .optional(),
    with: plan.optional(),
  }),
  cool: z.object({
    ...head('ovalis-cool'),
    dish: DishSchema,
    depthMm: z.number().min(2).max(300),
    startC: z.number().min(-5).max(110),
    stays: z
      .array(
        z.object({
          where: z.enum(REST_PLACES),
          minutes: z.number().positive().max(6000),
          tempC: z.number().min(-30).max(40).optional(),
          covered: z.boolean().default(true),
        }),
      )
      .min(1),
    hours: z.number().positive().max(96),
    toC: z.array(z.number().min(-20).max(100)).max(20).default([57, 21, 5]),
    rule: z.enum(COOLING_RULES).default('two stages'),
    sugarFraction: z.number().min(0).max(0.7).default(0.12),
  }),
  bake: z.object({
    ...head('ovalis-bake'),
    dish: DishSchema,
    depthMm: z.number().min(3).max(150),
    startC: z.number().min(0).max(100),
    items,
    own: z.array(IngredientSchema).max(20).default([]),
    /** the starch has been cooked in a pot before */
    cooked: z.boolean().default(false),
    oven: MethodStepSchema.refine((s) => s.do === 'bake', { error: 'issue.bakeStep' }),
    altitudeM: z.number().min(0).max(4500).default(0),
    roomC: z.number().min(5).max(40).default(21),
  }),
  montecarlo: z.object({
    ...head('ovalis-montecarlo'),
    plan,
    draws: z.int().min(10).max(20000).default(1000),
    seed: z.number().min(0).max(1).default(0.5),
  }),
} as const;
export type Ask = keyof typeof ASKS;

/** JSON Schema of a question. */
export const askJsonSchema = (ask: Ask): unknown => ({
  $id: `ovalis-${ask}-1.schema.json`,
  title: `Ovalis ${ask}, version 1`,
  ...z.toJSONSchema(ASKS[ask], {
    io: 'input',
    unrepresentable: 'any',
    override: ({ zodSchema, jsonSchema }) => {
      if ((zodSchema as unknown) === plan) Object.assign(jsonSchema, { $ref: 'ovalis-plan-7.schema.json' });
    },
  }),
});

const fail = (path: string, message: Said): Parsed<never> => ({ ok: false, issues: [{ path, message }] });
const answerOf = (ask: Ask, value: object): Parsed<unknown> => ({
  ok: true,
  value: { format: `ovalis-${ask}-answer`, version: 1, ...value },
});

const thickenersOf = (p: Plan): string[] => {
  const pantry = pantryOf(p);
  return p.things.map((i) => i.ingredientId).filter((id) => pantry.get(id)?.group === 'thickener');
};
const thickens = (p: Plan, id: string): boolean => thickenersOf(p).includes(id);

/** Answers a question given as text. Never throws for bad input: it says where and what would be right. */
export function answer(ask: Ask, text: string): Parsed<unknown> {
  switch (ask) {
    case 'solve': {
      const q = parseJson(text, ASKS.solve);
      if (!q.ok) return q;
      const { plan: p, spoons, free, word, hotWord, endMassG } = q.value;
      const wrong = checkPlan(p, 'plan.');
      if (!wrong.length && free)
        free.forEach((f, i) => {
          if (!thickens(p, f.ingredientId))
            wrong.push({
              path: `free[${i}].ingredientId`,
              message: thickenersOf(p).length
                ? say('issue.oneOf', { values: thickenersOf(p).join(', ') })
                : say('issue.noThickener'),
            });
        });
      if (wrong.length) return { ok: false, issues: wrong };
      const s = solve(
        p,
        {
          ...(free
            ? {
                free: free.map((f) => ({
                  ingredientId: f.ingredientId,
                  ...(f.minG === undefined ? {} : { minG: f.minG }),
                  ...(f.maxG === undefined ? {} : { maxG: f.maxG }),
                })),
              }
            : {}),
          ...(word ? { word } : {}),
          ...(hotWord ? { hotWord } : {}),
          ...(endMassG === undefined ? {} : { endMassG }),
        },
        spoons,
      );
      return answerOf('solve', s.ok ? s : { ok: false, why: s.why });
    }
    case 'swap': {
      const q = parseJson(text, ASKS.swap);
      if (!q.ok) return q;
      const { plan: p, from, to } = q.value;
      const wrong = checkPlan(p, 'plan.');
      if (wrong.length) return { ok: false, issues: wrong };
      const pantry = pantryOf(p);
      if (!thickens(p, from)) return fail('from', say('issue.oneOf', { values: thickenersOf(p).join(', ') }));
      if (pantry.get(to)?.group !== 'thickener') return fail('to', say('issue.notAThickener', { id: to }));
      const s = swapThickener(p, from, to);
      return answerOf(
        'swap',
        s.ok
          ? {
              ...s,
              changes: differences(tell(say('schools.before'), p), tell(say('schools.after'), s.plan)),
            }
          : { ok: false, why: s.why },
      );
    }
    case 'compare': {
      const q = parseJson(text, ASKS.compare);
      if (!q.ok) return q;
      const { plan: p, school, with: other } = q.value;
      const wrong = [...checkPlan(p, 'plan.'), ...(other ? checkPlan(other, 'with.') : [])];
      if (wrong.length) return { ok: false, issues: wrong };
      if (other) {
        const a = tell(say('plain', { text: p.name }), p);
        const b = tell(say('plain', { text: other.name }), other);
        return answerOf('compare', { sides: [a, b], differences: differences(a, b) });
      }
      const asked = SCHOOLS.find((s) => s.id === school);
      if (asked && !asked.fits(p))
        return fail(
          'school',
          say('issue.doesNotFit', {
            values: SCHOOLS.filter((s) => s.fits(p))
              .map((s) => s.id)
              .join(', '),
          }),
        );
      const schools = SCHOOLS.filter((s) => (school ? s.id === school : s.fits(p)));
      return answerOf('compare', { schools: schools.map((s) => compareSchool(s, p)) });
    }
    case 'cool': {
      const q = parseJson(text, ASKS.cool);
      if (!q.ok) return q;
      const { dish, depthMm, startC, stays, hours, toC, rule, sugarFraction } = q.value;
      const points = coolInDish({
        dish,
        depthM: depthMm / 1000,
        startC,
        hours,
        sugarFraction,
        stays: stays.map((s) => ({
          where: s.where,
          minutes: s.minutes,
          covered: s.covered,
          airC: s.tempC ?? PLACE_C[s.where],
        })),
        nr: 10,
        nz: 16,
      });
      return answerOf('cool', {
        points,
        reachedH: Object.fromEntries(toC.map((c) => [String(c), hoursBelow(points, c)])),
        frozenH: points.find((p) => p.ice > 0.95)?.hours ?? NaN,
        rule: { name: rule, limits: SAFE_COOLING_RULES[rule].limits, ...keepsRule(points, rule) },
      });
    }
    case 'bake': {
      const q = parseJson(text, ASKS.bake);
      if (!q.ok) return q;
      const { dish, depthMm, startC, own, cooked, oven, altitudeM, roomC } = q.value;
      const pantry = pantryWith(own);
      const unknown = q.value.items.findIndex((i) => !pantry.has(i.ingredientId));
      if (unknown >= 0)
        return fail(
          `items[${unknown}].ingredientId`,
          say('issue.unknownDescribe', { id: q.value.items[unknown]!.ingredientId }),
        );
      if (oven.do !== 'bake') return fail('oven', say('issue.bakeStep'));
      const content = q.value.items.reduce(
        (sum, i) => add(sum, mixtureOf(pantry.get(i.ingredientId)!, i.grams)),
        EMPTY,
      );
      if (content.waterG < 1) return fail('items', say('issue.noLiquid'));
      return answerOf(
        'bake',
        bake({
          dish,
          depthM: depthMm / 1000,
          startC,
          content,
          fractions: content.thickenings.map((t) => ({
            ...rawFraction(t),
            ...(cooked
              ? {
                  gelatinised: 1,
                  swelling: 0.9,
                  ...(GRAINS[t.kind].form === 'powder' ? {} : { fourier: 1, leached: 0.3 }),
                }
              : {}),
          })),
          eggSet: 0,
          eggCurd: 0,
          altitudeM,
          roomC,
          step: oven,
        }),
      );
    }
    case 'montecarlo': {
      const q = parseJson(text, ASKS.montecarlo);
      if (!q.ok) return q;
      const wrong = checkPlan(q.value.plan, 'plan.');
      if (wrong.length) return { ok: false, issues: wrong };
      return answerOf('montecarlo', chances(q.value.plan, q.value.draws, q.value.seed));
    }
  }
}
