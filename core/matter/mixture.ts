import type { GrainKind, Ingredient } from '../pantry/ingredient';

/** g/ml of a pudding, milk and starch and sugar together (B): for depths and fills. */
export const PUDDING_G_PER_ML = 1.04;

/** Starch of one kind, and the dry grain that carries it. */
export type Thickening = {
  kind: GrainKind;
  starchG: number;
  dryG: number;
  /** size where the cook ground it; the kind's own otherwise */
  grainMm?: number;
};

/** What is in a pot or a bowl, grams. The first block adds up to the mass; the second says what of it does what. */
export type Mixture = {
  waterG: number;
  fatG: number;
  dairyProteinG: number;
  otherProteinG: number;
  eggProteinG: number;
  /** added sugar */
  sugarG: number;
  /** sugars of the milk or the fruit itself */
  lactoseG: number;
  starchG: number;
  saltG: number;
  otherG: number;

  milkFatG: number;
  coconutFatG: number;
  /** of the sugars: how much water they hold back, sucrose-equivalent */
  bindsG: number;
  /** of the sugars: how sweet they are, sucrose-equivalent */
  sweetG: number;
  yolkG: number;
  whiteG: number;
  groundG: number;
  gumG: number;
  pulpG: number;
  piecesG: number;
  /** of the water: what the pieces bring in themselves, and keep */
  piecesWaterG: number;
  /** water that the pieces will take (or give) */
  piecesDrinkG: number;
  /** of the acidity: mass x buffering, and that times pH */
  bufferG: number;
  bufferPh: number;
  thickenings: readonly Thickening[];
};

export const EMPTY: Mixture = {
  waterG: 0,
  fatG: 0,
  dairyProteinG: 0,
  otherProteinG: 0,
  eggProteinG: 0,
  sugarG: 0,
  lactoseG: 0,
  starchG: 0,
  saltG: 0,
  otherG: 0,
  milkFatG: 0,
  coconutFatG: 0,
  bindsG: 0,
  sweetG: 0,
  yolkG: 0,
  whiteG: 0,
  groundG: 0,
  gumG: 0,
  pulpG: 0,
  piecesG: 0,
  piecesWaterG: 0,
  piecesDrinkG: 0,
  bufferG: 0,
  bufferPh: 0,
  thickenings: [],
};

const GRAMS = (Object.keys(EMPTY) as (keyof Mixture)[]).filter((key) => key !== 'thickenings');

/** Everything of a mixture but its water, g. */
export const solidsG = (m: Mixture): number =>
  m.fatG + m.dairyProteinG + m.otherProteinG + m.eggProteinG + m.sugarG + m.lactoseG + m.starchG + m.saltG + m.otherG;

export const massG = (m: Mixture): number => m.waterG + solidsG(m);

/** Acidity of the mixture, pH; 6.7 where nothing says otherwise. */
export const phOf = (m: Mixture): number => (m.bufferG > 0 ? m.bufferPh / m.bufferG : 6.7);

export function add(a: Mixture, b: Mixture): Mixture {
  const sum = { ...a };
  addInto(sum, b);
  return sum;
}

/** All of them together, in one sweep. */
export function sumOf(parts: readonly Mixture[]): Mixture {
  const sum = { ...EMPTY };
  for (const part of parts) addInto(sum, part);
  return sum;
}

/** @param sum is changed in place; its list of thickenings is made anew, never changed */
function addInto(sum: Mixture, b: Mixture): void {
  for (const key of GRAMS) sum[key] += b[key];
  if (!b.thickenings.length) return;
  const merged = [...sum.thickenings];
  for (const t of b.thickenings) {
    const at = merged.findIndex((o) => o.kind === t.kind && o.grainMm === t.grainMm);
    const old = merged[at];
    if (old) merged[at] = { ...old, starchG: old.starchG + t.starchG, dryG: old.dryG + t.dryG };
    else merged.push(t);
  }
  sum.thickenings = merged;
}

/** The mixture times a factor: a ladle of it, what stays in the jug. */
export function times(m: Mixture, factor: number): Mixture {
  const out = { ...m };
  for (const key of GRAMS) out[key] *= factor;
  return {
    ...out,
    thickenings: m.thickenings.map((t) => ({ ...t, starchG: t.starchG * factor, dryG: t.dryG * factor })),
  };
}

/** Starch below this is nothing, g. */
const TRACE_G = 1e-6;

/** Composition of `grams` of one ingredient. */
export function mixtureOf(i: Ingredient, grams: number): Mixture {
  const part = (pct = 0) => (grams * pct) / 100;
  const p = i.per100;
  const named = p.water + p.fat + p.protein + p.sugar + p.lactose + p.starch;
  const rest = Math.max(0, part(100 - named));
  const buffer = i.ph === undefined ? 0 : grams * (i.buffer ?? 1);
  const egg = i.egg ? i.egg.yolk + i.egg.white > 0 : false;
  const sugars = part(p.sugar) * (i.binds ?? 1) + part(p.lactose);
  return {
    ...EMPTY,
    waterG: part(p.water),
    fatG: part(p.fat),
    dairyProteinG: i.base === 'dairy' ? part(p.protein) : 0,
    otherProteinG: i.base === 'dairy' || egg ? 0 : part(p.protein),
    eggProteinG: egg ? part(p.protein) : 0,
    sugarG: part(p.sugar),
    lactoseG: part(p.lactose),
    starchG: part(p.starch),
    saltG: i.id === 'salt' ? rest : 0,
    otherG: i.id === 'salt' ? 0 : rest,
    milkFatG: i.base === 'dairy' ? part(p.fat) : 0,
    coconutFatG: i.base === 'coconut' ? part(p.fat) : 0,
    bindsG: sugars,
    sweetG: part(p.sugar) * (i.sweetness ?? 1) + (i.group === 'fruit' ? part(p.lactose) : 0),
    yolkG: grams * (i.egg?.yolk ?? 0),
    whiteG: grams * (i.egg?.white ?? 0),
    groundG: part(i.ground),
    gumG: part(i.gum),
    pulpG: part(i.pulp),
    piecesG: grams * (i.pieces ?? 0),
    piecesWaterG: part(p.water) * (i.pieces ?? 0),
    piecesDrinkG: grams * (i.piecesDrink ?? 0),
    bufferG: buffer,
    bufferPh: buffer * (i.ph ?? 0),
    thickenings:
      i.thickener && part(p.starch) > TRACE_G
        ? [
            {
              kind: i.thickener,
              starchG: part(p.starch),
              dryG: grams * (1 - p.water / 100),
              ...(i.grainMm === undefined ? {} : { grainMm: i.grainMm }),
            },
          ]
        : [],
  };
}
