import { intoPot } from '../plan/method';
import { ownSteps } from '../plan/layout';
import { asStages, testPlan } from '../testing';
import { methodOf } from '../plan/family';
import { migrateCook } from './migrate';
import { CookSchema } from './events';
import { changesOf, stepsOf } from './steps';

const at = '2026-12-12T12:00:00.000Z';

/** A cook as version 5 wrote it: fires named by what they are for, a correction's fire by its number. */
function old() {
  const plan = asStages(testPlan());
  const steps = methodOf(testPlan()).map((s) => {
    if (intoPot(s)) {
      const { from: stage, ...rest } = s;
      return { ...rest, stage };
    }
    if (s.do !== 'heat') return s;
    const { role, ...rest } = s;
    return { ...rest, name: role === 'cook on' ? 'slow stir' : role };
  });
  const heat = [
    { do: 'heat', name: 'thicken', setting: 5, until: { reach: 'bubble' } },
    { do: 'heat', name: 'cook on', setting: 3, until: { reach: 'time', minutes: 2 } },
  ];
  const added = (id: string) => ({
    kind: 'added',
    id,
    at,
    portions: [],
    tempC: 6,
    how: 'slurry',
    why: 'fix',
    after: 'slow stir',
    heat,
  });
  const done = (id: string, step: string) => ({ kind: 'stepDone', id, at, step });
  return {
    id: 'c',
    plan: { ...plan, version: 3, steps },
    events: [
      { kind: 'started', id: 'e1', at },
      done('e2', 'weigh'),
      done('e3', 'thicken'),
      done('e4', 'slow stir'),
      added('gone'),
      { kind: 'undone', id: 'e5', at, target: 'gone' },
      added('fix'),
      done('e6', 'thicken for fix 1'),
      done('e7', 'cook on for fix 1'),
    ],
  };
}

describe('a cook of version 5', () => {
  const cook = CookSchema.parse(migrateCook(old()));
  it('has its fires by role, what the cook called them as a free name', () => {
    const fires = ownSteps(cook.plan)!.filter((s) => s.do === 'heat');
    expect(fires.map((s) => [s.role, s.name])).toContainEqual(['heat', 'slow stir']);
    expect(fires.map((s) => [s.role, s.name])).toContainEqual(['thicken', undefined]);
  });
  it('has every noted step among its steps, under its present name', () => {
    const ids = stepsOf(cook.plan, { phases: [] }, changesOf(cook)).map((s) => s.id);
    const noted = cook.events.flatMap((e) => (e.kind === 'stepDone' ? [e.step] : []));
    expect(noted).toEqual(['weigh', 'thicken', 'heat', 'fix', 'fix/2']);
    for (const id of noted) expect(ids).toContain(id);
  });
  it('is left alone the second time', () => expect(migrateCook(cook)).toEqual(cook));
});
