import { arrhenius, table } from '../coefficients';
import type { GrainKind } from '../pantry/ingredient';
import { STARCHES, type StarchCoefficients, type StarchSpecies } from './starch';

/** Grains: powders disperse, coarse particles and kernels take water from the outside in (d squared law). */

type GrainForm = 'powder' | 'particle' | 'kernel';
export type Grain = {
  species: StarchSpecies;
  starch: StarchCoefficients;
  form: GrainForm;
  /** mm across */
  sizeMm: number;
  /** m2/s of water into it at 95 degC in water */
  diffusivity: number;
  /** share of its starch that nothing ties: gluten holds some of that of soft flour */
  untied: number;
  /** mm from the outside that gives its starch to the liquid, cooked without end in liquid without end */
  givesMm: number;
};

/** What a grain gives up, by how much amylose holds it together. */
export const GIVES = table('Grain: what it gives to the liquid', {
  mostMm: [
    0.45,
    'mm',
    'C',
    'from the outside, where no amylose holds it; fitted with the rest to what kitchens call each grain',
  ],
  halfAmylose: [0.192, '1', 'C', 'share of amylose at which it is half of that'],
  power: [3, '1', 'C', 'how steeply: short grain clouds its milk, long grain stays apart'],
});
const givesMm = (amylose: number): number => GIVES.mostMm / (1 + (amylose / GIVES.halfAmylose) ** GIVES.power);

const grain = (
  kind: GrainKind,
  species: StarchSpecies,
  form: GrainForm,
  sizeMm: number,
  diffusivity: number,
  untied = 1,
): Grain => ({
  species,
  starch: STARCHES[species],
  form,
  givesMm: givesMm(STARCHES[species].amylose),
  ...table(`Grain: ${kind}`, {
    sizeMm: [sizeMm, 'mm', 'B', 'typical; the cook’s own grind overrides it'],
    diffusivity: [diffusivity, 'm2/s', 'C', 'effective, at 95 degC in water, fitted to cooking times'],
    untied: [
      untied,
      '1',
      'C',
      'share of its starch that nothing ties; gluten ties some of that of soft flour, zein a little of cornmeal',
    ],
  }),
});

export const GRAINS: Record<GrainKind, Grain> = {
  'maize starch': grain('maize starch', 'maize', 'powder', 0.02, 0),
  'potato starch': grain('potato starch', 'potato', 'powder', 0.04, 0),
  'tapioca starch': grain('tapioca starch', 'tapioca', 'powder', 0.02, 0),
  'wheat flour': grain('wheat flour', 'wheat', 'powder', 0.1, 0, 0.57),
  'rice flour': grain('rice flour', 'rice', 'powder', 0.1, 0),
  'waxy rice flour': grain('waxy rice flour', 'waxy rice', 'powder', 0.1, 0),
  'ground rice': grain('ground rice', 'rice', 'particle', 0.6, 1.0e-10),
  semolina: grain('semolina', 'wheat', 'particle', 0.4, 0.8e-10),
  'fine cornmeal': grain('fine cornmeal', 'maize', 'particle', 0.3, 4.5e-11, 0.9),
  'coarse cornmeal': grain('coarse cornmeal', 'maize', 'particle', 1.0, 4.5e-11, 0.9),
  'short rice': grain('short rice', 'short rice', 'kernel', 1.92, 3.3e-10),
  'long rice': grain('long rice', 'long rice', 'kernel', 1.84, 3.7e-10),
  basmati: grain('basmati', 'basmati', 'kernel', 1.76, 3.9e-10),
  jasmine: grain('jasmine', 'jasmine', 'kernel', 1.81, 3.8e-10),
  'glutinous rice': grain('glutinous rice', 'waxy rice', 'kernel', 1.84, 3.7e-10),
};
/** Pure starch: nothing of it is grain, and none of it holds water but as swollen granules. */
const isStarch = (g: Grain): boolean => g.form === 'powder' && g.sizeMm < 0.05;

/** Share of a particle's volume that lies within so many mm of its outside, 0 to 1: of a ball, or of a long kernel. */
function shellShare(depthMm: number, sizeMm: number, form: GrainForm): number {
  const core = Math.max(0, 1 - (2 * depthMm) / sizeMm);
  return form === 'kernel' ? 1 - core * core : 1 - core * core * core;
}

/**
 * Share of the starch that has left the grain for the liquid, 0 to 1: what milling had broken open, and the shell that has
 * given way since. Flour is all shell.
 * @param leached how far it has come to its full depth, 0 to 1
 */
export function freeShare(g: Grain, sizeMm: number, leached: number): number {
  if (g.form === 'powder') return g.untied;
  const brokenMm = g.form === 'kernel' ? 0 : GRAIN_KINETICS.brokenMm;
  return g.untied * shellShare(brokenMm + g.givesMm * leached, sizeMm, g.form);
}

/** g of water that a g of dry grain holds when it is done, by the share of its starch that has left it. */
export const drinks = (g: Grain, free: number): number =>
  isStarch(g) ? 0 : GRAIN_KINETICS.mealHolds * free + GRAIN_KINETICS.grainHolds * (1 - free);

export const GRAIN_KINETICS = table('Grain: taking water', {
  diffusionJPerMol: [35000, 'J/mol', 'B', 'of water into the grain'],
  ungelatinised: [0.04, '1', 'C', 'share of the diffusivity while the starch is raw'],
  milk: [0.75, '1', 'C', 'diffusivity in milk or coconut against water'],
  sugarPower: [2, '1', 'C', 'diffusivity x (1 - X) to this power'],
  soakedFourier: [0.075, '1', 'C', 'Fourier number of an hour’s soak of a kernel: -17 % of the time'],
  leachS: [2450, 's', 'C', 'time constant of what grain gives to the liquid, at 95 degC'],
  bursts: [1.5, '1', 'C', 'more that grain gives, per Fourier number beyond that at which it begins to burst'],
  burstsFrom: [0.55, '1', 'C', 'Fourier number at which that is: a little after it is soft'],
  brokenMm: [0.035, 'mm', 'C', 'of the outside of ground grain that the mill has broken open'],
  mealHolds: [0.78, 'g/g', 'C', 'water held by what is not starch, where the starch has left it, per g dry'],
  grainHolds: [3, 'g/g', 'B', 'water held by whole done grain, per g dry'],
  rubMost: [1.4, '1', 'C', 'rubbing brings out no more than this'],
  leachStir: [0.35, '1', 'C', 'rubbing by a constant spoon, on top of 1'],
  scarceAt: [0.07, 'g/g', 'C', 'free water per g of dry grain at which uptake is halved: grains compete'],
  film: [0.15, 'g/g', 'C', 'water per g of dry kernel that stays as a film between kernels'],
  keepsFree: [0.12, '1', 'C', 'share of the water that no meal and no fruit takes'],
  drinksOn: [0.25, '1', 'C', 'more that swollen grain drinks off the heat; fitted: loose and hot is thick and cold'],
  drinksOnH: [2, 'h', 'C', 'in about this time'],
  leachInto: [2.8, 'g/g', 'C', 'liquid per g of dry grain that takes half of what grain could give'],
  solidG: [1.5, 'g/ml', 'B', 'density of the dry grain'],
});

/** Done to the tooth, and cooked through (share of the water taken). */
export const BITE = { alDente: 0.85, done: 0.95, burst: 0.995 } as const;

/** Fourier number of a sphere and a long kernel: how far the water has gone in, on a grid of sqrt(Fo). */
const GRID = 400;
const SQRT_MAX = Math.sqrt(1.6);
const BESSEL_ROOTS = [2.404826, 5.520078, 8.653728, 11.791534, 14.930918, 18.071064, 21.211637, 24.352472];

function series(fo: number, kernel: boolean): number {
  if (fo <= 0) return 0;
  const small = kernel
    ? (4 / Math.sqrt(Math.PI)) * Math.sqrt(fo) - fo
    : (6 / Math.sqrt(Math.PI)) * Math.sqrt(fo) - 3 * fo;
  if (fo < 0.02) return small;
  let sum = 0;
  if (kernel) for (const b of BESSEL_ROOTS) sum += (4 / (b * b)) * Math.exp(-b * b * fo);
  else for (let n = 1; n <= 12; n++) sum += (6 / (Math.PI * n) ** 2) * Math.exp(-((n * Math.PI) ** 2) * fo);
  return 1 - sum;
}

const tabulate = (kernel: boolean) =>
  Float64Array.from({ length: GRID + 1 }, (_, i) => series(((i / GRID) * SQRT_MAX) ** 2, kernel));
const SPHERE = tabulate(false);
const KERNEL = tabulate(true);

/** Share of its water that a grain has taken, 0 to 1, from its Fourier number D t / R^2. */
export function hydration(fourier: number, form: GrainForm): number {
  if (form === 'powder') return 1;
  const at = (Math.sqrt(Math.max(0, fourier)) / SQRT_MAX) * GRID;
  if (at >= GRID) return 1;
  const i = Math.floor(at);
  const t = form === 'kernel' ? KERNEL : SPHERE;
  return t[i]! + (t[i + 1]! - t[i]!) * (at - i);
}

/** Fourier number at which a grain has taken `share` of its water; the inverse of {@link hydration}. */
export function fourierFor(share: number, form: GrainForm): number {
  let lo = 0;
  let hi = SQRT_MAX ** 2;
  for (let i = 0; i < 50; i++) {
    const mid = (lo + hi) / 2;
    if (hydration(mid, form) < share) lo = mid;
    else hi = mid;
  }
  return hi;
}

/** Growth of the Fourier number, 1/s. @param gelatinisable share of the starch that this temperature can gelatinise */
export function fourierRate(
  g: Grain,
  sizeMm: number,
  tempC: number,
  gelatinisable: number,
  sugarFraction: number,
  milky: boolean,
): number {
  const k = GRAIN_KINETICS;
  const radiusM = sizeMm / 2000;
  return (
    (g.diffusivity *
      arrhenius(k.diffusionJPerMol, 95, tempC) *
      (k.ungelatinised + (1 - k.ungelatinised) * gelatinisable) *
      (1 - sugarFraction) ** k.sugarPower *
      (milky ? k.milk : 1)) /
    (radiusM * radiusM)
  );
}

/** What a grain meets where it cooks. */
type Around = {
  tempC: number;
  /** share of its starch that this temperature can gelatinise */
  gelatinisable: number;
  sugarFraction: number;
  milky: boolean;
  freeWaterG: number;
  /** of all grain that is there */
  dryG: number;
  /** how much a spoon rubs, 1 where none does */
  rub: number;
};

/** How fast a grain takes water and gives starch, 1/s: in a pot and in a dish alike. Powders are done. */
export function grainRates(
  g: Grain,
  sizeMm: number,
  f: { fourier: number; leached: number },
  at: Around,
): { fourier: number; leached: number } {
  if (g.form === 'powder') return { fourier: 0, leached: 0 };
  const k = GRAIN_KINETICS;
  // grains compete for what is loose between them, and give to what is around them
  const loose = Math.max(0, at.freeWaterG - k.film * at.dryG);
  const scarce = at.dryG > 0 ? loose / (loose + k.scarceAt * at.dryG) : 1;
  const takes = at.freeWaterG / (at.freeWaterG + k.leachInto * at.dryG);
  // what is cooked on after it is soft bursts, and gives more of itself
  const bursts = 1 + k.bursts * Math.max(0, f.fourier - k.burstsFrom);
  const leachTo = hydration(f.fourier, g.form) * Math.min(k.rubMost, at.rub) * bursts * takes;
  return {
    fourier:
      f.fourier > SOAKED_THROUGH
        ? 0
        : scarce * fourierRate(g, sizeMm, at.tempC, at.gelatinisable, at.sugarFraction, at.milky),
    leached: (at.gelatinisable * Math.max(0, leachTo - f.leached)) / k.leachS,
  };
}
/** Fourier number at which a grain has long drunk its fill. */
const SOAKED_THROUGH = 1.6;

/** g of dry grain among these: flour and starch are none. */
export const grainDryG = (fractions: readonly { kind: GrainKind; dryG: number }[]): number =>
  fractions.reduce((sum, f) => sum + (GRAINS[f.kind].form === 'powder' ? 0 : f.dryG), 0);

/** Fourier number that a cold soak of `minutes` is worth. Powders need none. */
export const soaked = (minutes: number, g: Grain, sizeMm: number): number =>
  g.form === 'powder'
    ? 0
    : GRAIN_KINETICS.soakedFourier *
      Math.min(1, minutes / 60) *
      Math.min(1.6, (GRAINS['short rice'].sizeMm / sizeMm) ** 0.5);
