import { pantry } from '../testing';
import { AFTERWARDS } from './fixtures/afterwards';
import { FURTHER } from './fixtures/further';
import { WRITTEN } from './fixtures/recipes';
import { judgeReading } from './readRight';

const options = { system: 'metric', eggSize: 'eu M' } as const;

describe('recipes as people tell them', () => {
  it('are sixty, and some that the reader was not made for', () => {
    expect(WRITTEN.length + FURTHER.length).toBe(60);
    expect(AFTERWARDS.length).toBeGreaterThanOrEqual(35);
  });
  it.each([...FURTHER, ...AFTERWARDS].map((w) => [w.way, w] as const))('%s', (_, w) => {
    expect(judgeReading(w, pantry, options, true).wrong).toEqual([]);
  });
  it('of those it was made for, no right way of cooking is called wrong', () => {
    const alarms = WRITTEN.flatMap((w) =>
      judgeReading(w, pantry, options, true)
        .wrong.filter((x) => x.startsWith('false alarm'))
        .map((x) => `${w.way}: ${x}`),
    );
    expect(alarms).toEqual([]);
  });
});
