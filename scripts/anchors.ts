/** npm run anchors: every row that kitchens agree on, with what the model says and its margin to both bounds. */
import { ANCHORS } from '../core/anchors/anchors';
import { ANCHOR_PARTS, isMet, isLucky, marginsOf } from '../core/anchors/anchor';
import { coverageOf } from '../core/anchors/coverage';

const only = process.argv[2]?.toLowerCase();
const figure = (x: number) => (Number.isFinite(x) ? Number(x.toPrecision(3)).toString() : String(x));
const signed = (x: number) => `${x >= 0 ? '+' : ''}${x.toFixed(2)}`;
let missed = 0;
let lucky = 0;
let all = 0;
for (const part of ANCHOR_PARTS) {
  if (only && !part.toLowerCase().includes(only)) continue;
  console.log(`\n${part}`);
  const lean: number[] = [];
  for (const a of ANCHORS.filter((r) => r.part === part)) {
    const value = a.of();
    const m = marginsOf(a, value);
    const met = isMet(a, value);
    const mark = !met ? 'MISSED' : isLucky(a, value) ? 'lucky ' : '      ';
    all += 1;
    missed += met ? 0 : 1;
    lucky += mark === 'lucky ' ? 1 : 0;
    lean.push(m.above - m.below);
    console.log(
      `${mark} ${figure(value).padStart(8)}  ${signed(m.above).padStart(6)} over the least, ${signed(m.below).padStart(6)} under the most  ${a.asked} [${figure(a.range[0])} to ${figure(a.range[1])} ${a.unit}]`,
    );
  }
  const low = lean.filter((x) => x < 0).length;
  console.log(`       nearer the least: ${low} of ${lean.length} rows`);
}
console.log(`\n${all} rows, ${missed} missed, ${lucky} lucky (less than a tenth of a step on both sides)`);

if (!only) {
  console.log('\nWithin what is said of eight kitchens in ten:');
  const coverage = coverageOf(ANCHORS);
  for (const c of coverage) console.log(`  ${c.family}, ${c.when}: ${c.within} of ${c.rows}`);
  for (const when of ['hot', 'cold'] as const) {
    const all = coverage.filter((c) => c.when === when);
    const sum = (of: 'rows' | 'within') => all.reduce((n, c) => n + c[of], 0);
    console.log(`  all, ${when}: ${Math.round((100 * sum('within')) / sum('rows'))} of 100`);
  }
}
