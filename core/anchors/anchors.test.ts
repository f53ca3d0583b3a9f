import { ANCHORS } from './anchors';
import { ANCHOR_PARTS } from './anchor';

const CLOSE = 1e-9;

describe.each(ANCHOR_PARTS)('%s', (part) => {
  const rows = ANCHORS.filter((a) => a.part === part);
  it('has rows', () => expect(rows.length).toBeGreaterThan(4));
  for (const a of rows) {
    // a row that the model cannot meet fails here for as long as it does: met, it has to be said so
    const check = a.missed === undefined ? it : it.failing;
    check(`${a.asked}: ${a.range[0]} to ${a.range[1]} ${a.unit}`, () => {
      const value = a.of();
      expect(value).toBeGreaterThanOrEqual(a.range[0] - CLOSE);
      expect(value).toBeLessThanOrEqual(a.range[1] + CLOSE);
    });
  }
});

it('each row is said once, with a range that can be missed', () => {
  expect(new Set(ANCHORS.map((a) => `${a.part} ${a.asked}`)).size).toBe(ANCHORS.length);
  for (const a of ANCHORS) expect(a.range[0]).toBeLessThanOrEqual(a.range[1]);
});
