import { stepsOf } from '../../core/cook/steps';
import { FAMILIES, type Plan } from '../../core/plan/plan';
import { SCHOOLS } from '../../core/advice/schools';
import { DEFAULT_SETTINGS } from '../../core/settings';
import { familyPlan } from '../../core/testing';
import { SEEN } from '../../words/seen';
import { formatter } from '../../words/format';
import { t } from '../../words';
import { spokenLine, stepNext, stepWords } from '../../words/potSteps';

const fmt = formatter(DEFAULT_SETTINGS);
const at = { phases: [] };

/** The plan of every family, and of every side of every school that can be applied to it. */
const everyPlan = (family: (typeof FAMILIES)[number]): Plan[] => {
  const plan = familyPlan(family);
  return [plan, ...SCHOOLS.flatMap((s) => s.sides.map((side) => side.rewrite(plan)))];
};
/** the key that ends a step, by what is waited for */
const ENDS = {
  steams: t(SEEN.steams),
  'rim bubbles': t(SEEN['rim bubbles']),
  'first bubble': t(SEEN['first bubble']),
  'coats the spoon': 'It coats the spoon',
  'grain soft': 'Soft through',
  'at the mark': 'Down to the mark',
} as const;

/** what a cook of each kind must come past */
const WALKED: Partial<Record<(typeof FAMILIES)[number], string[]>> = {
  'ground-rice cream': ['Simmer'],
  'whole-rice pudding': ['Simmer'],
  'egg-enriched pudding': ['Beat the egg'],
  'baked custard': ['Bake'],
  porridge: ['Warm the milk'],
  'frozen cream': ['Cook it down'],
};

describe.each(FAMILIES)('the words of a %s, by every school', (family) => {
  const steps = everyPlan(family).flatMap((plan) => stepsOf(plan, at).map((step) => ({ step, plan })));

  it('walk from weighing to the dish, a title for each step and none twice in a row', () => {
    for (const plan of everyPlan(family)) {
      const own = stepsOf(plan, at);
      const words = own.map((step) => stepWords(step, plan, fmt, 20));
      expect(words[0]!.title).toBe('Weigh it out');
      expect(words.map((w) => w.title)).toContain('Pour');
      // the same order twice in a row would look like a key that did not work
      words.forEach((w, i) => {
        if (i) expect(`${w.title}: ${w.manner}`).not.toBe(`${words[i - 1]!.title}: ${words[i - 1]!.manner}`);
      });
    }
    const usual = stepsOf(familyPlan(family), at).map((s) => stepWords(s, familyPlan(family), fmt, 20).title);
    expect(usual).toEqual(expect.arrayContaining(WALKED[family] ?? []));
  });
  it('name on the key what the step waits for', () => {
    const wrong = steps
      .filter(
        ({ step, plan }) => step.cue && stepWords(step, plan, fmt, 20).done !== ENDS[step.cue as keyof typeof ENDS],
      )
      .map(({ step }) => `${step.id}: ${step.cue}`);
    expect(wrong).toEqual([]);
  });
  it('never ask for a bubble where there must be none, nor where steam cannot make one', () => {
    for (const { step, plan } of steps) {
      if (step.cue !== 'coats the spoon') continue;
      const words = stepWords(step, plan, fmt, 20);
      expect([words.done, words.until, stepNext(step)].join()).not.toMatch(/bubble/i);
    }
  });
  it('say the amounts of this plan and no others', () => {
    for (const { step, plan } of steps) {
      const words = stepWords(step, plan, fmt, 20);
      const known = [...step.portions.map((p) => p.grams), ...step.adds.flatMap((a) => a.ladleG ?? [])].map((g) =>
        fmt.grams(g),
      );
      const said = words.manner.match(/[\d.,\u202f]+ k?g(?= )/g) ?? [];
      expect(known).toEqual(expect.arrayContaining(said));
      expect(spokenLine(words).split(' ').length).toBeLessThanOrEqual(9);
    }
  });
});
