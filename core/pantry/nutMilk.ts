import type { Ingredient } from './ingredient';

export type Nut = 'almond' | 'hazelnut' | 'cashew' | 'walnut' | 'coconut';

/** g per 100 g of shelled nut (B). Soluble sugar with the short fibres that pass a cloth. */
export const NUTS: Record<Nut, { water: number; fat: number; protein: number; sugar: number; starch: number }> = {
  almond: { water: 4.4, fat: 50, protein: 21, sugar: 4.4, starch: 0.7 },
  hazelnut: { water: 5.3, fat: 61, protein: 15, sugar: 4.3, starch: 0.5 },
  cashew: { water: 5.2, fat: 44, protein: 18, sugar: 5.9, starch: 23 },
  walnut: { water: 4.1, fat: 65, protein: 15, sugar: 2.6, starch: 0.1 },
  /** dried and grated, pressed out with hot water */
  coconut: { water: 3, fat: 64, protein: 7, sugar: 7, starch: 0 },
};

/** Share that passes the cloth, and grams of liquid that a gram of dry pulp keeps (B/C). */
const EXTRACTION = { fat: 0.6, protein: 0.55, sugar: 0.85, starch: 0.45, pulpHoldsGPerG: 1.6 };

/**
 * Home-made nut milk from `nutG` of nuts blended with `waterG` of water.
 * @param filtered through a cloth; unfiltered milk keeps everything and thickens by itself when it holds starch
 * @returns the milk's mass and composition; throws RangeError when an amount is not above zero
 * @example nutMilk('almond', 100, 300).fatPct // about 8.6
 */
export function nutMilk(
  nut: Nut,
  nutG: number,
  waterG: number,
  filtered = true,
): Ingredient & { massG: number; fatPct: number } {
  if (!(nutG > 0 && waterG > 0)) throw new RangeError('nuts and water should both be above 0 g');
  const n = NUTS[nut];
  const share = (part: 'fat' | 'protein' | 'sugar' | 'starch') =>
    (nutG * n[part] * (filtered ? EXTRACTION[part] : 1)) / 100;
  const fat = share('fat');
  const protein = share('protein');
  const sugar = share('sugar');
  const starch = share('starch');
  const dryNut = nutG * (1 - n.water / 100);
  const dryPulp = filtered ? dryNut - fat - protein - sugar - starch : 0;
  const liquidG = nutG + waterG - dryPulp;
  const massG = liquidG - dryPulp * EXTRACTION.pulpHoldsGPerG;
  const pct = (g: number) => Math.round((g / liquidG) * 1000) / 10;
  const water = waterG + (nutG * n.water) / 100;
  const ratio = Math.round((waterG / nutG) * 10) / 10;
  return {
    id: `home_${nut}_${ratio}${filtered ? '' : '_unfiltered'}`,
    name: `home ${nut} milk 1:${ratio}`,
    group: 'milk',
    base: nut === 'coconut' ? 'coconut' : 'nut',
    densityGPerMl: 1.01,
    per100: {
      water: pct(water),
      fat: pct(fat),
      protein: pct(protein),
      sugar: 0,
      lactose: pct(sugar),
      starch: pct(starch),
    },
    ...(starch / liquidG > 0.01 ? { thickener: 'rice flour' as const } : {}),
    allergens: [nut === 'coconut' ? 'coconut' : 'tree nuts'],
    confidence: 'C',
    own: true,
    massG,
    fatPct: pct(fat),
  };
}

/** What an id of a home-made milk says: the nut, g of water to a gram of it, strained or not; undefined for another id. */
export function homeMilkOf(id: string): { nut: Nut; ratio: number; strained: boolean } | undefined {
  const m = /^home_([a-z]+)_([\d.]+)(_unfiltered)?$/.exec(id);
  return m && m[1]! in NUTS ? { nut: m[1] as Nut, ratio: Number(m[2]), strained: !m[3] } : undefined;
}

/**
 * Nuts and water for a wanted mass of milk at a ratio: the inverse of {@link nutMilk}, which is linear in both.
 * @param waterPerNut g of water to a g of nuts
 * @throws RangeError when an amount is not above zero, or the pulp would keep all the water
 */
export function nutsFor(
  nut: Nut,
  milkG: number,
  waterPerNut: number,
  filtered = true,
): { nutG: number; waterG: number } {
  const perNut = nutMilk(nut, 1, waterPerNut, filtered).massG;
  if (!(milkG > 0 && perNut > 0)) throw new RangeError('more water to a gram of nuts is needed: the pulp keeps it all');
  return { nutG: milkG / perNut, waterG: (milkG / perNut) * waterPerNut };
}
