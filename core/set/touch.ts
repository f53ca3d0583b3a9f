import { table } from '../coefficients';
import { upperBoundPa, type Bounds, type SetWord } from '../texture/words';
import { standing, type Standing } from './firmness';

/** What fingers, knives and thermometers say of a dish that cools, and how sure they are. */
export const TOUCH_SAYS = table('Touch', {
  warmC: [32, 'degC', 'C', 'warmer than the finger'],
  warmSdK: [4, 'K', 'C', 'how well a finger through the dish can tell'],
  thermometerK: [1.5, 'K', 'B', 'a thermometer pushed into the middle, or nearly'],
  firmSdLn: [0.35, '1', 'C', 'how well a touch can tell a word of the set'],
  paceSdLn: [0.25, '1', 'C', 'how fast this dish cools against the model: crowded shelves, thick dishes'],
  reach: [2.5, '1', 'A', 'sds that are looked at'],
});

/** The word that it has reached, or not yet. */
const SAYS: Record<string, { word: SetWord; reached: boolean }> = {
  runs: { word: 'mounds', reached: false },
  sticks: { word: 'holds a trail', reached: false },
  dents: { word: 'wobbles', reached: false },
  springs: { word: 'wobbles', reached: true },
  wobbles: { word: 'holds a trail', reached: true },
  'knife smeared': { word: 'slices', reached: false },
  'knife clean': { word: 'slices', reached: true },
  'stands still': { word: 'slices', reached: true },
};

export type Felt = { atH: number } & ({ touch: string } | { tempC: number });

/** The set over the hours, as the model has it. */
export type SetCourse = readonly { hours: number; coreC: number; yieldPa: number; modulusPa: number }[];

/** Hours that hold 8 in 10, and the middle; NaN where it is not within the hours that were looked at. */
export type When = { early: number; likely: number; late: number };

export type SetTold = {
  /** yield stress over what was reckoned, and pace of the cooling */
  firmer: number;
  faster: number;
  ready: When;
  /** of another word than the one that is wanted */
  reaches(word: SetWord): When;
  /** down to the temperature at which it is eaten */
  cold: When;
  /** chance that it is set as wanted, so many hours after the pouring */
  chanceAt(hours: number): number;
  /** chance that it is then the word that is wanted, and no firmer one */
  meetsAt(hours: number): number;
  /** yield stress so many hours after the pouring, Pa, at the most likely */
  yieldAt(hours: number): number;
  /** turned out so many hours after the pouring, at the most likely */
  standingAt(hours: number): Standing;
  coreAt(hours: number): number;
};

const CELLS = 13;
const normal = (x: number) => Math.exp(-(x * x) / 2);
/** logistic, near enough to a normal's share */
const share = (x: number) => 1 / (1 + Math.exp(-1.702 * x));

/** Nothing is set while it is warmer than this, degC. */
const SETS_BELOW_C = 30;
const NEARLY = 0.98;

function between(course: SetCourse, hours: number) {
  const i = course.findIndex((p) => p.hours >= hours);
  if (i < 0) return course.at(-1)!;
  const b = course[i]!;
  const a = course[i - 1] ?? b;
  const t = b.hours > a.hours ? (hours - a.hours) / (b.hours - a.hours) : 0;
  const mix = (x: number, y: number) => x + t * (y - x);
  return {
    hours,
    coreC: mix(a.coreC, b.coreC),
    yieldPa: mix(a.yieldPa, b.yieldPa),
    modulusPa: mix(a.modulusPa, b.modulusPa),
  };
}

/**
 * The forecast of a dish, corrected by what it said to a touch: how firm it gets and how fast it cools are each taken to be off
 * by a factor, believed as the model's own doubt has it and weighed by every touch (a grid over both).
 * @param doubtLn 1 sd of ln yield stress at serving @param servedC at which it is eaten
 */
export function touched(
  course: SetCourse,
  bounds: Bounds,
  heightM: number,
  wanted: { word: SetWord; servedC: number },
  doubtLn: number,
  felts: readonly Felt[],
): SetTold {
  const steps = Array.from({ length: CELLS }, (_, i) => TOUCH_SAYS.reach * ((2 * i) / (CELLS - 1) - 1));
  const cells = steps.flatMap((f) =>
    steps.map((p) => {
      const firmer = Math.exp(f * doubtLn);
      const faster = Math.exp(p * TOUCH_SAYS.paceSdLn);
      let weight = normal(f) * normal(p);
      for (const felt of felts) {
        const now = between(course, felt.atH * faster);
        if ('tempC' in felt) weight *= normal((now.coreC - felt.tempC) / TOUCH_SAYS.thermometerK) + 1e-6;
        else if (felt.touch === 'warm underneath' || felt.touch === 'cool underneath') {
          const warm = share((now.coreC - TOUCH_SAYS.warmC) / TOUCH_SAYS.warmSdK);
          weight *= felt.touch === 'warm underneath' ? warm : 1 - warm;
        } else {
          const says = SAYS[felt.touch];
          if (!says) continue;
          const above = share(Math.log((now.yieldPa * firmer) / bounds[says.word]) / TOUCH_SAYS.firmSdLn);
          weight *= says.reached ? above : 1 - above;
        }
      }
      return { firmer, faster, weight };
    }),
  );
  const total = cells.reduce((sum, c) => sum + c.weight, 0);
  const mean = (of: (c: (typeof cells)[number]) => number) =>
    cells.reduce((sum, c) => sum + c.weight * of(c), 0) / total;
  const firmer = Math.exp(mean((c) => Math.log(c.firmer)));
  const faster = Math.exp(mean((c) => Math.log(c.faster)));
  const last = course.at(-1)?.hours ?? 0;
  /** when it comes, over all cells; later than the hours that are known counts as never */
  const when = (reached: (p: SetCourse[number], firmer: number) => boolean): When => {
    const at = cells
      .map((c) => ({
        weight: c.weight / total,
        hours: (course.find((p) => reached(p, c.firmer))?.hours ?? Infinity) / c.faster,
      }))
      .sort((a, b) => a.hours - b.hours);
    const quantile = (q: number) => {
      let sum = 0;
      for (const c of at) {
        sum += c.weight;
        if (sum >= q) return c.hours <= 2 * last ? c.hours : NaN;
      }
      return NaN;
    };
    return { early: quantile(0.1), likely: quantile(0.5), late: quantile(0.9) };
  };
  const set = (word: SetWord) => (p: SetCourse[number], f: number) =>
    p.hours > 0.2 && p.coreC < SETS_BELOW_C && p.yieldPa * f >= bounds[word] * NEARLY;
  const setAsWanted = set(wanted.word);
  return {
    firmer,
    faster,
    ready: when(setAsWanted),
    reaches: (word) => when(set(word)),
    cold: when((p) => p.coreC <= wanted.servedC),
    chanceAt: (hours) => mean((c) => (setAsWanted(between(course, hours * c.faster), c.firmer) ? 1 : 0)),
    meetsAt: (hours) =>
      mean((c) => {
        const yieldPa = between(course, hours * c.faster).yieldPa * c.firmer;
        return yieldPa >= bounds[wanted.word] && yieldPa < upperBoundPa(wanted.word, bounds) ? 1 : 0;
      }),
    yieldAt: (hours) => between(course, hours * faster).yieldPa * firmer,
    standingAt: (hours) => {
      const p = between(course, hours * faster);
      return standing(p.yieldPa * firmer, p.modulusPa * firmer, heightM);
    },
    coreAt: (hours) => between(course, hours * faster).coreC,
  };
}

/**
 * Yield stress of a block by how far it slumped: the share of its height that it lost (Pashias et al. 1996, backwards).
 * @returns Pa of what bears it; below what can be told it is none
 */
export function stressOfSlump(slumpRel: number, weightPa: number): number {
  if (slumpRel <= 0) return weightPa / 2;
  if (slumpRel >= 1) return 0;
  let [low, high] = [1e-6, 1];
  for (let i = 0; i < 40; i++) {
    const x = (low + high) / 2;
    // x (1 - ln x) grows from 0 to 1
    if (1 - x * (1 - Math.log(x)) > slumpRel) low = x;
    else high = x;
  }
  return ((low + high) / 4) * weightPa;
}
