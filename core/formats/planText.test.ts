import { marked } from 'marked';
import { testPlan } from '../testing';
import { planFragment, planOfFragment } from './planLink';
import { writeJsonLd, writeMarkdown, type RecipeWords } from './planText';

const words: RecipeWords = {
  name: 'Altos *and* [tenors]',
  people: 14,
  makes: 'wobbles at 8 °C',
  amounts: ['40 g cornstarch (5 tbsp)', '1 l milk'],
  steps: [
    { title: 'Whisk', text: 'into the cold milk' },
    { title: 'Pour', text: '' },
  ],
  cautions: ['Contains milk.'],
  cookMin: 12.4,
  restMin: 300,
};

describe('a plan in words', () => {
  it('is a page of Markdown whose marks are its own', () => {
    const page = writeMarkdown(words, { amounts: 'Amounts', steps: 'Steps', cautions: 'Mind' });
    const html = marked.parse(page) as string;
    expect(html).toContain('<h1>Altos *and* [tenors]</h1>');
    expect(html.match(/<li>/g)).toHaveLength(5);
    expect(html).toContain('<strong>Whisk</strong>: into the cold milk');
  });
  it('is a Recipe of schema.org, with its times and steps', () => {
    const r = JSON.parse(writeJsonLd(words)) as Record<string, unknown>;
    expect(r).toMatchObject({
      '@type': 'Recipe',
      recipeYield: '14',
      cookTime: 'PT12M',
      totalTime: 'PT312M',
      recipeIngredient: words.amounts,
    });
    expect(r['recipeInstructions']).toHaveLength(2);
  });
});

describe('a link that carries a plan', () => {
  const plan = testPlan();
  it('is short enough to send, and brings the plan back as it was', async () => {
    const link = await planFragment(plan);
    expect(link).toMatch(/^#plan=[\w-]+$/);
    expect(link.length).toBeLessThan(2000);
    expect(await planOfFragment(link)).toEqual({ ok: true, value: plan });
  });
  it('says so when it is none, is torn, or would unpack to too much', async () => {
    const link = await planFragment(plan);
    const bomb = await planFragment({ ...plan, name: 'a'.repeat(2_000_000) });
    for (const bad of ['', '#', '#plan=', '#plan=!!', link.slice(0, 200), bomb, '#plan=AAAA'])
      expect([bad.slice(0, 20), (await planOfFragment(bad)).ok]).toEqual([bad.slice(0, 20), false]);
  });
});
