import { pantryWith } from '../pantry/pantry';
import { hostileText } from './fixtures/hostile';
import { LIMITS } from './limits';
import { readRecipe } from './read';
import { readWish } from './wish';

const pantry = pantryWith();
const read = (text: string) => readRecipe(text, pantry, { system: 'metric', eggSize: 'eu M' });
/** ms of the processor, the quickest of some tries: what else the machine does is not what is measured. */
const msOf = (work: () => unknown, tries = 3) =>
  Math.min(
    ...Array.from({ length: tries }, () => {
      const from = process.cpuUsage();
      work();
      const { user, system } = process.cpuUsage(from);
      return (user + system) / 1000;
    }),
  );

describe('a text that is made to take long', () => {
  it('is read or refused within a second, as long as what is let in may be', () => {
    const slow = Array.from({ length: 90 }, (_, n) => n).filter((n) => {
      const text = hostileText(n, LIMITS.letters);
      return msOf(() => read(text), 1) > 1000 && msOf(() => read(text)) > 1000;
    });
    expect(slow).toEqual([]);
  });
  it.each<[string, (lines: number) => string]>([
    ['lines', (n) => '100 g milk or\n'.repeat(n)],
    ['an item of a list that goes on', (n) => `- ${'100 g milk or\n  '.repeat(n)}`],
    ['a list', (n) => '- 100 g milk, 2 eggs\n'.repeat(n)],
    ['a page', (n) => `<p>${'100 g milk or<br>'.repeat(n)}</p>`],
    ['a table', (n) => `|a|b|\n|-|-|\n${'| 100 g milk or | reserve half |\n'.repeat(n)}`],
    ['quotations', (n) => '> > 100 g milk or\n'.repeat(n)],
    ['steps', (n) => 'Whisk the milk into the starch and boil it for 10 minutes or until thick.\n'.repeat(n)],
  ])('takes no more than its length: %s', (_, of) => {
    const [one, two, four] = [350, 700, 1400].map((n) => {
      const text = of(n);
      return msOf(() => read(text));
    }) as [number, number, number];
    // twice as long takes twice as long; a square would take four times and sixteen
    expect(two).toBeLessThan(3 * one + 40);
    expect(four).toBeLessThan(6 * one + 80);
    expect(four).toBeLessThan(1000);
  });
  it('a wish is heard within a second', () => {
    for (let n = 0; n < 60; n++) {
      const text = hostileText(n, 400);
      expect(msOf(() => readWish(text, pantry, '2026-12-11'))).toBeLessThan(1000);
    }
  });
});
