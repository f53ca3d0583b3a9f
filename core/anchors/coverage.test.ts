import { ANCHORS } from './anchors';
import { coverageOf } from './coverage';

it.each(['hot', 'cold'] as const)(
  'the word that kitchens agree on lies within eight kitchens in ten as often as is said: %s',
  (when) => {
    const rows = coverageOf(ANCHORS).filter((c) => c.when === when);
    const all = rows.reduce((n, c) => n + c.rows, 0);
    const share = rows.reduce((n, c) => n + c.within, 0) / all;
    expect(all).toBeGreaterThan(20);
    expect(share).toBeGreaterThanOrEqual(0.75);
    expect(share).toBeLessThanOrEqual(0.9);
  },
);
