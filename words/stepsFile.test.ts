import { readFileSync } from 'node:fs';
import path from 'node:path';
import * as fc from 'fast-check';
import { StepsFileSchema, stepsJsonSchema } from '../core/formats/stepsFile';
import { forecast } from '../core/model/forecast';
import { methodOf } from '../core/plan/family';
import { potPartsOf } from '../core/plan/layout';
import { secondPot } from '../core/plan/potStarts';
import { pouredInto } from '../core/plan/secondPot';
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

  it('tells each share of a second pot once, where it goes, the rest for the table, and its own list', () => {
    const sauce = secondPot('s', 'coconut sauce', [
      { ingredientId: 'coconut_cream', grams: 300, in: 'pot' },
      { ingredientId: 'sugar', grams: 40, in: 'pot' },
    ]);
    const bowls = ['pot', 'late', 'late 2', 'off the heat', 'under', 'top'] as const;
    fc.assert(
      fc.property(
        anyPlan,
        fc.array(fc.tuple(fc.constantFrom(...bowls), fc.integer({ min: 5, max: 60 })), { maxLength: 3 }),
        (plan, puts) => {
          const own = puts.reduce((p, [bowl, percent]) => pouredInto(p, 's', bowl, percent / 100), {
            ...plan,
            vessels: [sauce],
          });
          const file = StepsFileSchema.parse(fileOf(own));
          const told = file.acts.flatMap((a) => a.things).filter((x) => x.ingredientId === 'pot.s');
          const shares = potPartsOf(own).map((p) => p.share);
          const [made] = file.beside;
          const inOrder = (grams: readonly number[]) => grams.toSorted((a, b) => a - b);
          const wanted = inOrder(shares.map((s) => s * made!.makesG));
          expect(told).toHaveLength(wanted.length);
          inOrder(told.map((x) => x.grams)).forEach((g, i) => expect(Math.abs(g - wanted[i]!)).toBeLessThan(0.2));
          const put = shares.reduce((sum, s) => sum + s, 0);
          expect(/for the table/.test(file.acts.map((a) => a.says).join(' '))).toBe(put < 0.995);
          expect(made!.uses.map((u) => u.ingredientId)).toEqual(['coconut_cream', 'sugar']);
          expect(made!.says.join(' ')).toContain('coconut cream');
        },
      ),
      { numRuns: 15, seed: 28 },
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
