import { COLLECTION_NAMES } from '../../core/formats/collections';
import { CHANGES, KINDS } from './changes';

it('every kind of change that is kept has a trial, or says why not; every trial is of a kind', () => {
  expect(Object.keys(KINDS).sort()).toEqual([...COLLECTION_NAMES, 'settings', 'practice'].sort());
  const named = Object.values(KINDS).flatMap((kind) => Object.values(kind).flatMap((k) => (Array.isArray(k) ? k : [])));
  const tried = CHANGES.map((c) => c.name);
  expect(named.filter((name) => !tried.includes(name))).toEqual([]);
  expect(tried.filter((name) => !named.includes(name))).toEqual([]);
});
