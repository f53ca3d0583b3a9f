import { readFileSync } from 'node:fs';
import path from 'node:path';
import { asPlanned, runOf } from '../practice/asPlanned';
import { testPlan } from '../testing';
import { english } from '../../words/english';
import { readRunFile, runJsonSchema } from './practiceFile';

const plan = testPlan();
const run = runOf(plan, asPlanned(plan), { seed: 0.25 });
const wrong = (value: unknown) => {
  const read = readRunFile(typeof value === 'string' ? value : JSON.stringify(value));
  return read.ok ? [] : read.issues.map((i) => `${i.path}: ${english(i.message)}`);
};

describe('a run as a file', () => {
  it('comes back as it was', () => expect(readRunFile(JSON.stringify(run))).toEqual({ ok: true, value: run }));
  it('says where it is wrong, and what would be right', () => {
    expect(wrong('not JSON')).toHaveLength(1);
    expect(wrong({ ...run, format: 'ovalis-plan' })[0]).toMatch(/ovalis-practice/);
    expect(wrong({ ...run, acts: [{ do: 'hob', atS: 0, setting: 12 }] })[0]).toMatch(/acts\[0\]\.setting/);
    const moon = {
      do: 'add',
      atS: 3,
      portions: [{ ingredientId: 'moon', grams: 3 }],
      how: 'dry rain',
      stirring: 'none',
      tempC: 20,
    };
    expect(wrong({ ...run, acts: [moon] })[0]).toMatch(/acts\[0\]\.portions\[0\].*"moon" is not known/);
    expect(wrong({ ...run, plan: { ...plan, things: [{ ingredientId: 'moon', grams: 3 }] } })[0]).toMatch(/plan\./);
  });
  it('has a published schema, kept up to date', () => {
    const published = path.join(__dirname, '../../docs/formats/ovalis-practice-1.schema.json');
    expect(JSON.parse(readFileSync(published, 'utf8'))).toEqual(JSON.parse(JSON.stringify(runJsonSchema())));
  });
});
