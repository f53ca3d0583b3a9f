import { readFileSync } from 'node:fs';
import path from 'node:path';
import { coefficientTables } from '../core/coefficients';
import { sciencePage } from './science';

const words = (s: string) => s.replace(/[\s|:-]+/g, ' ').trim();

it('the science page is printed from the code: every table, every limit', () => {
  const published = readFileSync(path.join(__dirname, '../docs/science.md'), 'utf8');
  expect(words(published)).toBe(words(sciencePage()));
});
it('every coefficient has a unit, a trust and a source', () => {
  const rows = coefficientTables().flatMap((t) => Object.entries(t.rows));
  expect(rows.length).toBeGreaterThan(200);
  for (const [name, [value, unit, confidence, source]] of rows) {
    expect(Number.isFinite(value)).toBe(true);
    expect(`${name} ${unit}`).not.toBe(`${name} `);
    expect('ABC').toContain(confidence);
    expect(source.length).toBeGreaterThan(2);
  }
});
