import { randomLcg } from 'd3-random';
import { troublesOfPlan } from '../formats/computable';
import { pantryWith } from '../pantry/pantry';
import { PlanSchema } from '../plan/plan';
import { checkUp } from './check';
import { FURTHER } from './fixtures/further';
import { WRITTEN } from './fixtures/recipes';
import { readRecipe } from './read';

/** Recipes with their figures, words and lines mixed up: each has a plan that can be kept, or none, and nothing breaks. */
it('recipes that are mixed up are checked, or have no plan; every plan can be kept', () => {
  const pantry = pantryWith();
  const random = randomLcg(0.29);
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
  const texts = [...WRITTEN, ...FURTHER].map((r) => r.text);
  const words = [...new Set(texts.join(' ').split(/\s+/))];
  const figures = ['0', '1', '3', '50', '900', '5000', '99999', '1/2', '0.1'];
  const mixed = () => {
    let text = pick(texts);
    for (let k = 1 + Math.floor(random() * 10); k > 0; k--) {
      const way = Math.floor(random() * 4);
      if (way === 0) text = text.replace(/\d+/g, (m) => (random() < 0.25 ? pick(figures) : m));
      const parts = text.split(way === 1 ? ' ' : '\n');
      const at = Math.floor(random() * parts.length);
      if (way === 1) parts[at] = pick(words);
      if (way === 2) parts.splice(at, 1);
      if (way === 3) parts.splice(at, 0, pick(pick(texts).split('\n')));
      text = parts.join(way === 1 ? ' ' : '\n');
    }
    return text;
  };
  let planned = 0;
  for (let n = 0; n < 120; n++) {
    const read = readRecipe(mixed(), pantry, { system: 'metric', eggSize: 'eu M' });
    if (!read.ok) continue;
    const check = checkUp(read.reading, pantry, { id: 'x', serveAt: '2026-12-11T19:00:00Z' });
    if (!check) continue;
    planned += 1;
    expect(PlanSchema.safeParse(check.plan).error?.issues ?? []).toEqual([]);
    expect(troublesOfPlan(check.plan)).toEqual([]);
  }
  expect(planned).toBeGreaterThan(40);
});
