import { Matrix, inverse } from 'ml-matrix';
import { table } from '../coefficients';
import { density, phi } from '../model/normal';
import { starchSdRel } from '../plan/measured';
import type { Plan } from '../plan/plan';
import { GEL } from '../set/firmness';
import { boundsFor, upperBoundPa, yieldAtPlace } from '../texture/words';
import { dishOf, kindOf, type Factor, type Learnt } from './known';
import type { BatchRow } from './row';

/** What a kitchen may differ by before anything is known of it, and how well a word can tell it. 1 sd. */
export const LEARNS = table('What batches teach', {
  kitchenLn: [0.1, '1', 'C', 'ln firmness that all dishes of a kitchen share: its milk, its starch, its tasters'],
  milkLn: [0.17, '1', 'C', 'and that it has with one milk'],
  kindLn: [
    0.15,
    '1',
    'C',
    'and that one family with one thickener has of its own; all three together are the spread of the model',
  ],
  wordLn: [0.2, '1', 'C', 'edges of a word: tasters differ, and no two days are the same'],
  outlineLn: [0.15, '1', 'C', 'yield stress read off how far a block slumped'],
  ringLn: [0.2, '1', 'B', 'ln power of a ring against what is written on it'],
  minutesLn: [0.12, '1', 'C', 'minutes to the first bubble: the milk is not always as cold, and eyes differ'],
  fridgeLn: [0.3, '1', 'C', 'ln pace of a fridge: fans, crowded shelves'],
  coolsLn: [0.15, '1', 'C', 'pace of one dish by a thermometer in it: where it stood, and beside what'],
  paceToFridge: [
    1.9,
    '1',
    'C',
    'ln pace of the fridge over that of the dish: its depth and the room slow it too; fitted to cups and a deep dish',
  ],
  ringLeast: [
    0.5,
    '1',
    'C',
    'of what is written on it a ring gives at least this; less was something else, such as a lid or a pan too small',
  ],
  ringMost: [1.5, '1', 'C', 'and at most this; more was milk warm already, or a bubble tapped too early'],
  fridgeLeast: [0.3, '1', 'C', 'pace of a fridge at least; slower was a dish that stood elsewhere'],
  fridgeMost: [3, '1', 'C', 'and at most; faster was a freezer'],
  rounds: [25, '1', 'A', 'of expectation and mean: further ones move nothing'],
});

/** ln of the firmness factor lies between these, as the word or the outline has it; undefined while nothing was written, or promised. */
export function saidLn(row: BatchRow): { low: number; high: number } | undefined {
  const { wordServing, stressPa } = row.found;
  if (!row.promise) return undefined;
  const bounds = boundsFor(row.serve.style, row.promise.depthMm / 1000);
  const promisedLn = Math.log(yieldAtPlace(row.promise.servingPlace, bounds) / row.factor);
  if (stressPa !== undefined) {
    const ln = Math.log(stressPa) - promisedLn;
    return { low: ln - LEARNS.outlineLn, high: ln + LEARNS.outlineLn };
  }
  if (!wordServing) return undefined;
  return {
    low: wordServing === 'drinks' ? -Infinity : Math.log(bounds[wordServing]) - promisedLn,
    high: wordServing === 'firm' ? Infinity : Math.log(upperBoundPa(wordServing, bounds)) - promisedLn,
  };
}

/** Mean and variance, in sds, of a standard normal that is known to lie between two limits. */
function between(a: number, b: number): { mean: number; variance: number } {
  const within = phi(b) - phi(a);
  // so far out that nothing is left of it: the nearer limit
  if (within < 1e-9) return { mean: Math.abs(a) < Math.abs(b) ? a : b, variance: 0 };
  const [da, db] = [density(a), density(b)];
  const mean = (da - db) / within;
  const edge = (x: number, d: number) => (Number.isFinite(x) ? x * d : 0);
  return { mean, variance: Math.max(0, 1 + (edge(a, da) - edge(b, db)) / within - mean * mean) };
}

/**
 * What the batches say of this kitchen. Each word is a band, so each batch is an interval: the ln firmness of a batch is that
 * of the kitchen, of its kind, and of the measure of its starch (times the power of the gel), normal around 0 with the spread
 * of `LEARNS`; its most likely value by expectation and mean, its spread by the curvature there (Laplace). Rings by
 * the minutes to the first bubble. One batch moves little, and a kitchen that is as the model says moves nothing.
 */
export function learnKitchen(rows: readonly BatchRow[]): Learnt {
  const told = rows.flatMap((row) => {
    const said = saidLn(row);
    return said ? [{ row, ...said, kind: kindOf(row), dish: dishOf(row) }] : [];
  });
  const kinds = [...new Set(told.map((r) => r.kind))];
  const dishes = [...new Set(told.map((r) => r.dish))];
  const measures: Plan['starchMeasure'][] = [
    ...new Set(told.filter((r) => r.row.thickeners.length > 0).map((r) => r.row.starchMeasure)),
  ].filter((m) => m !== 'scale');
  const priorSd = [
    LEARNS.kitchenLn,
    ...kinds.map(() => LEARNS.kindLn),
    ...dishes.map(() => LEARNS.milkLn),
    ...measures.map((m) => starchSdRel(m)),
  ];
  const atDish = 1 + kinds.length;
  const atMeasure = atDish + dishes.length;
  const size = priorSd.length;
  /** where a batch has its share of what is learnt, and how much */
  const shares = told.map(({ row, kind, dish }): [at: number, weight: number][] => {
    const measure = row.thickeners.length > 0 ? measures.indexOf(row.starchMeasure) : -1;
    return [
      [0, 1],
      [1 + kinds.indexOf(kind), 1],
      [atDish + dishes.indexOf(dish), 1],
      ...(measure < 0 ? [] : [[atMeasure + measure, GEL.power] as [number, number]]),
    ];
  });
  const prior = Matrix.diag(priorSd.map((sd) => 1 / sd ** 2));
  const noise = LEARNS.wordLn ** 2;
  /** prior and what the batches weigh, each by `weigh` */
  const weighed = (weigh: (i: number) => number): Matrix => {
    const sum = prior.clone();
    for (const [i, share] of shares.entries())
      for (const [a, wa] of share)
        for (const [b, wb] of share) sum.set(a, b, sum.get(a, b) + (wa * wb * weigh(i)) / noise);
    return sum;
  };
  const full = inverse(weighed(() => 1));
  let theta = new Array<number>(size).fill(0);
  let kept = shares.map(() => 1);
  for (let round = 0; round < LEARNS.rounds && told.length; round++) {
    const pulls = new Array<number>(size).fill(0);
    kept = [];
    for (const [i, { low, high }] of told.entries()) {
      const mean = shares[i]!.reduce((sum, [at, w]) => sum + w * theta[at]!, 0);
      const z = between((low - mean) / LEARNS.wordLn, (high - mean) / LEARNS.wordLn);
      for (const [at, w] of shares[i]!) pulls[at]! += (w * (mean + LEARNS.wordLn * z.mean)) / noise;
      // what the width of the band leaves open tells nothing
      kept.push(Math.max(0, 1 - z.variance));
    }
    theta = full.mmul(Matrix.columnVector(pulls)).to1DArray();
  }
  const spread = inverse(weighed((i) => kept[i]!));
  const factor = (at: readonly number[], batches: number, plus = 0): Factor => ({
    factor: Math.exp(at.reduce((sum, i) => sum + theta[i]!, 0)),
    sdLn: Math.sqrt(plus + at.reduce((sum, i) => sum + at.reduce((s, j) => s + spread.get(i, j), 0), 0)),
    batches,
  });
  return {
    kinds: Object.fromEntries(
      kinds.map((kind, k) => [
        kind,
        factor([0, 1 + k], told.filter((r) => r.kind === kind).length, LEARNS.milkLn ** 2),
      ]),
    ),
    dishes: Object.fromEntries(
      dishes.map((dish, d) => {
        const mine = told.filter((r) => r.dish === dish);
        return [dish, factor([0, 1 + kinds.indexOf(mine[0]!.kind), atDish + d], mine.length)];
      }),
    ),
    other: factor([0], 0, LEARNS.kindLn ** 2 + LEARNS.milkLn ** 2),
    spoons: Object.fromEntries(
      measures.map((m, i) => [m, factor([atMeasure + i], told.filter((r) => r.row.starchMeasure === m).length)]),
    ),
    rings: learnRings(rows),
    ...learnFridge(rows),
    batches: told.length,
  };
}

/** What a measurement cannot be is none: it is not learnt. @param ln of a factor */
const canBe = (ln: number, least: number, most: number): boolean => ln >= Math.log(least) && ln <= Math.log(most);

/** The fridge by thermometers in dishes that cooled in it. */
function learnFridge(rows: readonly BatchRow[]): Pick<Learnt, 'fridge'> {
  const lns = rows
    .flatMap(({ cools }) => (cools ? [LEARNS.paceToFridge * cools.fasterLn + cools.believedLn] : []))
    .filter((ln) => canBe(ln, LEARNS.fridgeLeast, LEARNS.fridgeMost));
  return lns.length ? { fridge: meanOf(lns, LEARNS.fridgeLn, LEARNS.paceToFridge * LEARNS.coolsLn) } : {};
}

/** The mean of what was seen under a prior around nothing, both normal. */
function meanOf(lns: readonly number[], priorLn: number, noiseLn: number): Factor {
  const precision = 1 / priorLn ** 2 + lns.length / noiseLn ** 2;
  const ln = lns.reduce((sum, x) => sum + x, 0) / noiseLn ** 2 / precision;
  return { factor: Math.exp(ln), sdLn: Math.sqrt(1 / precision), batches: lns.length };
}

/** Rings by how soon milk bubbled on them, against what was promised. */
function learnRings(rows: readonly BatchRow[]): Learnt['rings'] {
  const of = new Map<string, number[]>();
  for (const { ring } of rows) {
    if (!ring || !canBe(ring.soonerLn + ring.believedLn, LEARNS.ringLeast, LEARNS.ringMost)) continue;
    of.set(ring.key, [...(of.get(ring.key) ?? []), ring.soonerLn + ring.believedLn]);
  }
  return Object.fromEntries([...of].map(([key, lns]) => [key, meanOf(lns, LEARNS.ringLn, LEARNS.minutesLn)]));
}
