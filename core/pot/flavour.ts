import { arrhenius, clamp, table } from '../coefficients';
import type { Mixture } from '../matter/mixture';
import { massG } from '../matter/mixture';
import type { Ingredient } from '../pantry/ingredient';
import { boilsC } from './air';

/** Aroma that boils away, infusions, look, split milk, and syrups. */
const FLAVOUR = table('Flavour, look and syrup', {
  aromaJPerMol: [40000, 'J/mol', 'C', 'loss of volatile aroma against temperature'],
  lid: [0.25, '1', 'C', 'loss under a lid'],
  infuseS: [600, 's', 'C', 'whole spice in hot milk: time constant at 90 degC'],
  infuseJPerMol: [30000, 'J/mol', 'C', 'of it'],
  ground: [6, '1', 'C', 'ground spice gives this much faster'],
  casein: [5, 'pH', 'A', 'below this hot milk protein splits (isoelectric 4.6)'],
  caseinWidth: [0.18, 'pH', 'C', 'spread of that limit'],
  protectPct: [1.5, '%', 'C', 'cooked starch that halves the splitting'],
  yolkTint: [0.09, '1/%', 'C', 'colour per % of yolk'],
  opaque: [0.35, '1/%', 'C', 'cloud per % of fat and dairy protein'],
  starchClear: [0.4, '1', 'C', 'loss of cloud from tapioca, potato and waxy starch'],
  butterGloss: [0.14, '1/%', 'C', 'gloss per % of butter stirred in last'],
  crystalFrom: [0.67, 'g/g', 'A', 'sucrose in water saturated at 20 degC'],
  syrupA: [2.828, '1', 'A', 'cold syrup, ln mPa s = A s/(1 - B s): sucrose tables at 20 degC within 2 %, 40 to 75 %'],
  syrupB: [0.97, '1', 'A', 'its B'],
  invertGuard: [0.1, '1', 'B', 'share of other sugars that keeps a syrup from crystals'],
});

/** Rate at which an aroma is lost, 1/s. */
export const aromaRate = (halfS: number, tempC: number, lid: boolean): number =>
  (Math.LN2 / halfS) * arrhenius(FLAVOUR.aromaJPerMol, 95, tempC) * (lid ? FLAVOUR.lid : 1);

/** Strength of an infusion, 0 to 1. @param form as it went in */
export const infused = (seconds: number, tempC: number, form: 'whole' | 'ground'): number =>
  1 -
  Math.exp(
    (-seconds / FLAVOUR.infuseS) *
      arrhenius(FLAVOUR.infuseJPerMol, 90, tempC) *
      (form === 'ground' ? FLAVOUR.ground : 1),
  );

/** Chance that milk splits at this acidity, 0 to 1; cooked starch protects. */
export function splitChance(ph: number, dairyProteinPct: number, starchPct: number): number {
  if (dairyProteinPct < 0.2) return 0;
  const acid = 1 / (1 + Math.exp((ph - FLAVOUR.casein) / FLAVOUR.caseinWidth));
  return acid / (1 + starchPct / FLAVOUR.protectPct);
}

export type Look = {
  /** 0 white to 1 deep cream */
  cream: number;
  /** 0 glassy to 1 opaque */
  opacity: number;
  gloss: number;
  smooth: 'smooth' | 'fine-grained' | 'grainy';
  tint: string | undefined;
};

/** What it looks like. `clearShare` of the starch is tapioca, potato or waxy; `coarse` a coarse grain is in it. */
export function lookOf(
  m: Mixture,
  portions: readonly { ingredient: Ingredient; grams: number }[],
  clearShare: number,
  coarse: boolean,
  severity: number,
  late: boolean,
): Look {
  const mass = massG(m);
  const yolkPct = (100 * m.yolkG) / mass;
  const tints = portions
    .filter((p) => p.ingredient.tint)
    .map((p) => ({ ...p.ingredient.tint!, weight: (p.grams / mass) * p.ingredient.tint!.strength }))
    .sort((a, b) => b.weight - a.weight);
  const first = tints[0];
  const brown = tints.filter((t) => t.hue === 'brown').reduce((s, t) => s + t.weight, 0);
  const butterPct = late ? (100 * (m.milkFatG / 0.81)) / mass : 0;
  return {
    cream: clamp(FLAVOUR.yolkTint * yolkPct + 4 * brown + (100 * m.milkFatG) / mass / 60, 0, 1),
    opacity: clamp(
      (1 - Math.exp((-FLAVOUR.opaque * 100 * (m.fatG + m.dairyProteinG + m.otherProteinG)) / mass)) *
        (1 - FLAVOUR.starchClear * clearShare),
      0,
      1,
    ),
    gloss: clamp(0.35 + 0.4 * clearShare + FLAVOUR.butterGloss * Math.min(4, butterPct), 0, 1),
    smooth:
      coarse || severity > 0.3 ? 'grainy' : severity > 0.12 || m.groundG / mass > 0.03 ? 'fine-grained' : 'smooth',
    tint: first && first.weight > 0.004 ? first.hue : undefined,
  };
}

export type Syrup = {
  /** sugar in the syrup, mass fraction */
  sugar: number;
  boilsAtC: number;
  boiledOffG: number;
  /** when it is cold, Pa s at 20 degC */
  coldPaS: number;
  crystalRisk: number;
};

/**
 * A syrup boiled down.
 * @param sugarG @param waterG to begin with @param endG mass at which it is taken off
 * @param otherShare of the sugars that is glucose, honey or inverted by acid
 * @throws RangeError unless some water is left
 */
export function syrup(sugarG: number, waterG: number, endG: number, otherShare = 0, altitudeM = 0): Syrup {
  const left = endG - sugarG;
  if (!(sugarG > 0) || !(left > 0) || endG > sugarG + waterG)
    throw new RangeError(
      `a syrup of ${sugarG} g sugar and ${waterG} g water can end between ${sugarG} and ${sugarG + waterG} g, not at ${endG}`,
    );
  const sugar = sugarG / endG;
  const over = Math.max(0, sugar - FLAVOUR.crystalFrom) / 0.2;
  return {
    sugar,
    boilsAtC: boilsC(altitudeM, sugarG, left) - 0.15,
    boiledOffG: sugarG + waterG - endG,
    coldPaS: 1e-3 * Math.exp((FLAVOUR.syrupA * sugar) / (1 - FLAVOUR.syrupB * Math.min(0.93, sugar))),
    crystalRisk: clamp(over, 0, 1) * clamp(1 - otherShare / FLAVOUR.invertGuard, 0, 1),
  };
}

/** Mass at which a syrup boils at `tempC`, g: the thermometer's way to say when. */
export function syrupEndG(sugarG: number, waterG: number, tempC: number, altitudeM = 0): number {
  let lo = sugarG * 1.02;
  let hi = sugarG + waterG;
  for (let i = 0; i < 60; i++) {
    const mid = (lo + hi) / 2;
    if (boilsC(altitudeM, sugarG, mid - sugarG) - 0.15 > tempC) lo = mid;
    else hi = mid;
  }
  return hi;
}
