import { arrhenius, clamp, cube, pow10, table } from '../coefficients';
import { massG, solidsG, type Mixture, type Thickening, PUDDING_G_PER_ML } from '../matter/mixture';
import { EGG } from './egg';
import { drinks, freeShare, GRAIN_KINETICS, GRAINS, hydration } from './grain';
import { sugarBrake } from './starch';

/** Flow of the hot paste: a power law with a serum under it, thickened by fat, particles and egg. */
export const PASTE = table('Paste', {
  flowIndex: [0.45, '1', 'B', 'flow index n, .35 to .55'],
  power: [2.7, '1', 'B', 'concentration power'],
  touch: [0.032, 'g/g', 'C', 'below this concentration granules do not touch'],
  proteinOnPaste: [0.11, '1/%', 'C', 'per % of dairy protein'],
  proteinOnSerum: [0.22, '1/%', 'C', 'per % of dairy protein'],
  shearPerS: [10, '1/s', 'A', 'shear rate of the spoon at which words and figures are given'],
  sugarAsSerum: [0.05, '1', 'C', 'share of sugar that dilutes starch like water; fitted to kitchens: it hardly thins'],
  fatAsSerum: [0.55, '1', 'C', 'share of fat that takes room between the granules like water; fitted to kitchens'],
  syrupMax: [0.9, '1', 'B', 'sugar fraction beyond which the serum form no longer holds'],
  yieldOverK: [0.2, 's^-n', 'C', 'hot yield stress over consistency'],
  packing: [0.62, '1', 'A', 'closest packing of particles, Krieger and Dougherty'],
  packingPower: [1.55, '1', 'B', 'its power: 2.5 x packing'],
  heldAsGrain: [0.8, '1', 'C', 'share of the held water that stiffens like grain'],
  eggInPaste: [0.3, '1', 'C', 'power of the egg factor on a starch paste: it adds little to what is thick already'],
  grainGives: [
    0.6,
    '1',
    'C',
    'swollen grains are soft: the more of the volume they would take, the more they give way',
  ],
  fatPacking: [0.74, '1', 'A', 'closest packing of droplets'],
  ground: [1.6, '1/%', 'C', 'ground nuts: percent of viscosity added per % of the mass, squared above 4 %'],
  pulp: [0.55, '1/%', 'C', 'fruit or vegetable fibre: ln viscosity per %'],
  gumK: [3.2, 'Pa s^n at .5 %', 'C', 'guar or xanthan at half a percent'],
  gumPower: [2, '1', 'B', 'concentration power of gums'],
  crowded: [0.3, 'g/g', 'C', 'towards this concentration granules have no water left to swell with'],
  jamsBelow: [0.56, 'g/g', 'C', 'liquid per g of dry kernel below which kernels bear on each other'],
  jamPa: [
    650,
    'Pa',
    'C',
    'what a bed of sticky kernels bears with no liquid between them; fitted to rice cut in squares',
  ],
  pieceG: [1.1, 'g/ml', 'B', 'density of pieces of fruit, kernels and nuts'],
  sticks: [2.9, '1', 'C', 'amylose keeps kernels apart: loss of stickiness per share of it'],
});

/** Viscosity over consistency at the spoon's shear rate. */
const SHEAR_FACTOR = PASTE.shearPerS ** (PASTE.flowIndex - 1);

/** Share of sugar in sugar and water, sucrose-equivalent, 0 to 1. */
export const sugarFraction = (m: Mixture): number => {
  const s = m.bindsG;
  return s > 0 ? s / (s + m.waterG) : 0;
};

/** Water that is not in pieces, g. */
const openWaterG = (m: Mixture): number => Math.max(0, m.waterG - m.piecesWaterG);

export const dairyProteinPct = (m: Mixture): number =>
  (100 * m.dairyProteinG) / (openWaterG(m) + m.lactoseG + m.dairyProteinG || 1);

/** Milk and coconut slow the water on its way into grain. */
export const isMilky = (m: Mixture): boolean => m.dairyProteinG + m.coconutFatG > 0.01 * solidsG(m);

/** One kind of starch in the pot and how far it has come; all 0 to 1 but the Fourier number and the swelling (to 1.05). */
export type Fraction = Thickening & {
  gelatinised: number;
  swelling: number;
  /** granules still whole */
  integrity: number;
  fourier: number;
  /** how far grain has come to the full depth from which it gives its starch to the liquid */
  leached: number;
};

export const rawFraction = (t: Thickening, fourier = 0): Fraction => ({
  ...t,
  gelatinised: 0,
  swelling: 0,
  integrity: 1,
  fourier,
  leached: 0,
});

/** What the liquid between the grains is: everything that words, viscosity and gel are made of. */
export type Body = {
  /** swollen starch, g per g of starch and free serum */
  c: number;
  k8: number;
  flowJPerMol: number;
  gel: number;
  retro: number;
  integrity: number;
  /** what long cooking leaves of it, of the starches that are there */
  floor: number;
  /** share of the volume that is swollen grain and pieces */
  grainVolume: number;
  freeWaterG: number;
  /** least of the grains: share of its water taken */
  bite: number;
  /** amylose that is in the liquid, g */
  amyloseG: number;
  /** what kernels bear that lean on each other with no liquid between them, Pa */
  jamPa: number;
};

/** Volume that soft grains really take when this share of the pot is theirs: none stands on its full right. */
const giveWay = (share: number): number => PASTE.grainGives * (1 - Math.exp(-share / PASTE.grainGives));
/** Granules short of water swell less: the concentration that counts levels off. */
const crowd = (c: number): number => c / Math.sqrt(Math.sqrt(1 + ((c / PASTE.crowded) ** 2) ** 2));

/**
 * Reads the body of a pot. Water held by grains and pieces is not free; where there is too little for all, kernels and
 * the starch between them share it by what each would hold.
 * @param stoodH hours off the heat, in which swollen grain goes on drinking
 */
export function bodyOf(m: Mixture, fractions: readonly Fraction[], stoodH = 0): Body {
  const brake = sugarBrake(sugarFraction(m));
  const drinksOn = 1 + GRAIN_KINETICS.drinksOn * (1 - Math.exp(-stoodH / GRAIN_KINETICS.drinksOnH));
  // what pieces brought they keep; some take more, some give juice
  let held = m.piecesDrinkG;
  const open = openWaterG(m);
  let grainWants = 0;
  let looseWants = 0;
  let solid = 0;
  let grainDry = 0;
  let sticky = 0;
  let swollen = 0;
  let loose = 0;
  let k8 = 0;
  let flow = 0;
  let gel = 0;
  let retro = 0;
  let whole = 0;
  let floor = 0;
  let bite = 1;
  let amylose = 0;
  for (const f of fractions) {
    const g = GRAINS[f.kind];
    const h = hydration(f.fourier, g.form);
    const share = freeShare(g, f.grainMm ?? g.sizeMm, f.leached);
    const free = f.starchG * share;
    const s = free * f.gelatinised * f.swelling;
    const wants = drinks(g, share) * f.dryG * h;
    if (g.form === 'powder') held += wants * f.gelatinised;
    else {
      solid += Math.max(0, f.dryG - free);
      bite = Math.min(bite, h);
      grainWants += wants * drinksOn;
      grainDry += f.dryG;
      sticky += f.dryG * Math.max(0, 1 - PASTE.sticks * g.starch.amylose);
    }
    looseWants += s * g.starch.swellG;
    swollen += s;
    loose += free;
    k8 += s * g.starch.k8;
    flow += s * g.starch.flowJPerMol;
    gel += s * g.starch.gel;
    retro += s * g.starch.retro;
    whole += s * f.integrity;
    floor += s * g.starch.integrityFloor;
    amylose += s * g.starch.amylose * g.starch.leaches;
  }
  const left = Math.max(open - held, GRAIN_KINETICS.keepsFree * open);
  const grainHolds = grainWants + looseWants > left ? (left * grainWants) / (grainWants + looseWants || 1) : grainWants;
  const freeWaterG = Math.max(left - grainHolds, GRAIN_KINETICS.film * grainDry);
  const per = swollen > 1e-12 ? 1 / swollen : 0;
  const volume = massG(m) / PUDDING_G_PER_ML;
  const pieces = (m.piecesG + m.piecesDrinkG) / PASTE.pieceG;
  const looseness = grainDry > 0 ? freeWaterG / grainDry : Infinity;
  return {
    c: crowd((swollen * brake) / (loose + freeWaterG + PASTE.sugarAsSerum * m.sugarG + PASTE.fatAsSerum * m.fatG || 1)),
    k8: k8 * per,
    flowJPerMol: flow * per,
    gel: gel * per,
    retro: retro * per,
    integrity: per > 0 ? whole * per : 1,
    floor: floor * per,
    grainVolume: giveWay(
      Math.max(
        0,
        (solid / GRAIN_KINETICS.solidG +
          PASTE.heldAsGrain * Math.max(0, open - Math.max(0, m.piecesDrinkG) - freeWaterG) +
          pieces) /
          volume,
      ),
    ),
    freeWaterG,
    bite,
    amyloseG: amylose,
    jamPa:
      grainDry > 0 ? PASTE.jamPa * (sticky / grainDry) * bite * Math.exp(-((looseness / PASTE.jamsBelow) ** 2)) : 0,
  };
}

/** Viscosity of the liquid between the granules, Pa s. */
export function serumPaS(m: Mixture, tempC: number): number {
  const water = 2.414e-5 * pow10(247.8 / (tempC + 273.15 - 140));
  const x = Math.min(PASTE.syrupMax, sugarFraction(m));
  return water * Math.exp((2.5 * x) / (1 - x)) * (1 + PASTE.proteinOnSerum * dairyProteinPct(m));
}

/** Consistency K of the paste, Pa s^n at a temperature. */
export function consistency(body: Body, tempC: number, m: Mixture): number {
  const { c } = body;
  const gum = m.gumG > 0 ? PASTE.gumK * ((100 * m.gumG) / massG(m) / 0.5) ** PASTE.gumPower : 0;
  if (c <= 0) return gum;
  const touching = 1 - Math.exp(-cube(c / PASTE.touch));
  return (
    gum +
    (body.k8 *
      body.integrity *
      (c / 0.08) ** PASTE.power *
      touching *
      (1 + PASTE.proteinOnPaste * dairyProteinPct(m))) /
      arrhenius(body.flowJPerMol, 95, tempC)
  );
}

/** Stiffening by what does not flow: grains and pieces as a filler. 1 or more. */
export const fillerFactor = (body: Body): number =>
  body.grainVolume > 0 ? (1 - body.grainVolume / PASTE.packing) ** -PASTE.packingPower : 1;

/** Factor on a thin liquid from egg that has thickened (0 to 1). */
export function eggFactor(m: Mixture, eggSet: number): number {
  const mass = massG(m);
  const yolkPct = (100 * EGG.yolkSolids * m.yolkG) / mass;
  const whitePct = (100 * 0.11 * m.whiteG) / mass;
  return Math.exp(Math.min(6, EGG.yolkOnViscosity * yolkPct + EGG.whiteOnViscosity * whitePct) * eggSet);
}

/** Factor from ground nuts and fibre. */
export function solidsFactor(m: Mixture): number {
  if (m.groundG + m.pulpG <= 0) return 1;
  const mass = massG(m);
  const ground = (100 * m.groundG) / mass;
  const nuts = 1 + (PASTE.ground * ground) / 10 + (ground > 4 ? ((ground - 4) / 6) ** 2 : 0);
  return Math.exp(PASTE.pulp * Math.min(6, (100 * m.pulpG) / mass)) * nuts;
}

/** Viscosity felt at the spoon, Pa s at 10 1/s: serum and paste, thickened by droplets, grains, egg, nuts and fibre. */
export function viscosityPaS(k: number, m: Mixture, tempC: number, body: Body, eggSet = 0): number {
  const fatVolume = m.fatG / 0.92 / (massG(m) / PUDDING_G_PER_ML);
  const fat = (1 - clamp(fatVolume, 0, 0.6) / PASTE.fatPacking) ** -1.85;
  const egg = eggSet > 0 && m.eggProteinG > 0 ? eggFactor(m, eggSet) : 1;
  return (
    (serumPaS(m, tempC) * egg + k * SHEAR_FACTOR * (egg > 1 ? egg ** PASTE.eggInPaste : 1)) *
    fat *
    fillerFactor(body) *
    solidsFactor(m)
  );
}
