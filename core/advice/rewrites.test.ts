import { FAMILIES } from '../plan/plan';
import { withOwnSteps } from '../plan/layout';
import { insertStep, listOf, type NamedStep } from '../plan/methodList';
import { familyPlan } from '../testing';
import { SCHOOLS, sideNow, takeSide } from './schools';

/**
 * A school is a rewrite of the list: of a list that is the cook's own it makes what the family's way becomes by it, what
 * she put in stays where it was, and back again it is the list that it was.
 */
const withoutWords = (list: readonly NamedStep[]) => list.filter((s) => s.do !== 'say');

const cases = FAMILIES.flatMap((family) => {
  const base = familyPlan(family);
  return SCHOOLS.filter((s) => s.fits(base)).flatMap((school) =>
    school.sides.map((side, n) => [family, school.id, n, base, school, side] as const),
  );
});

it('there are schools for every family', () => {
  expect(new Set(cases.map(([family]) => family)).size).toBe(FAMILIES.length);
  expect(new Set(cases.map(([, id]) => id)).size).toBeGreaterThan(24);
});

it.each(cases)('%s, %s, side %i', (_f, _id, _n, base, school, side) => {
  const own = insertStep(withOwnSteps(base, listOf(base)), 'say', 2, { do: 'say', words: 'call the altos' }).plan;
  const taken = takeSide(side, own);
  expect(withoutWords(listOf(taken))).toEqual(listOf(takeSide(side, base)));
  expect(listOf(taken).filter((s) => s.do === 'say')).toHaveLength(1);
  // a plan that is on neither side yet goes to the first
  const was = school.sides[Math.max(0, sideNow(school, base))]!;
  const back = listOf(takeSide(was, taken));
  expect(withoutWords(back)).toEqual(listOf(takeSide(was, takeSide(side, base))));
  expect(back.some((s) => s.do === 'say')).toBe(true);
});
