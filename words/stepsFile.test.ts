import { readFileSync } from 'node:fs';
import path from 'node:path';
import * as fc from 'fast-check';
import { StepsFileSchema, stepsJsonSchema } from '../core/formats/stepsFile';
import { forecast } from '../core/model/forecast';
import { methodOf } from '../core/plan/family';
import { FAMILIES } from '../core/plan/plan';
import { DEFAULT_SETTINGS } from '../core/settings';
import { familyPlan } from '../core/testing';
import { anyPlan } from '../core/testingPlans';
import './everything';
import { formatter } from './format';
import { stepsFile } from './stepsFile';

const fmt = formatter(DEFAULT_SETTINGS);
const fileOf = (plan: ReturnType<typeof familyPlan>) => stepsFile(plan, forecast(plan), fmt);

describe('ovalis-steps', () => {
  it.each(FAMILIES)('tells a %s from the weighing to the table, as its schema has it', (family) => {
    const plan = familyPlan(family);
    const file = StepsFileSchema.parse(fileOf(plan));
    expect(file.acts[0]!.role).toBe('weigh');
    expect(file.acts.at(-1)!.role).toBe('serve');
    // everything that is in the plan is on the way, in grams
    for (const item of plan.things) {
      const grams = file.acts
        .flatMap((a) => a.things)
        .filter((thing) => thing.into !== 'beside' && thing.ingredientId === item.ingredientId)
        .reduce((sum, thing) => sum + thing.grams, 0);
      expect(grams).toBeCloseTo(item.grams, 0);
    }
    for (const act of file.acts) {
      expect(act.says).toMatch(/^[A-Z0-9].*\.$/);
      expect(act.minutes).not.toBeNaN();
    }
  });

  it('tells each rest, and the oven in degrees', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const file = StepsFileSchema.parse(fileOf(plan));
        const ops = methodOf(plan);
        expect(file.acts.filter((a) => a.role === 'rest')).toHaveLength(
          ops.filter((o) => o.do === 'rest' && o.minutes > 0).length,
        );
        expect(file.acts.flatMap((a) => a.oven?.tempC ?? [])).toEqual(
          ops.flatMap((o) => (o.do === 'bake' ? [o.ovenC] : [])),
        );
      }),
      { numRuns: 20, seed: 7 },
    );
  });

  it('brings a pot in which nothing thickens yet to the bubble, and no more', () => {
    const said = fileOf(familyPlan('whole-rice pudding')).acts.map((a) => a.says);
    expect(said.some((s) => s.startsWith('Bring it to the bubble: '))).toBe(true);
    expect(said.join('\n')).not.toMatch(/Edges thicken/);
  });

  it('has its schema published', () => {
    const published = path.join(__dirname, '../docs/formats/ovalis-steps-1.schema.json');
    expect(JSON.parse(readFileSync(published, 'utf8'))).toEqual(JSON.parse(JSON.stringify(stepsJsonSchema())));
  });
});
