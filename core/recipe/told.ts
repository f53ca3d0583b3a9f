import type { Pantry } from '../pantry/pantry';
import type { VesselWord } from './language/lexicon';
import type { Account } from './language/account';
import type { Line } from './lines';
import type { Reading } from './read';

/** What was taken from a recipe, field by field, as plain values: what each thing is, how it is wetted, the order, the heat. */
export type Told = {
  lines: { is: string; g: number | null; part: string; back?: number; optional?: true }[];
  people?: number;
  wet: Record<string, string>;
  egg?: string;
  order: string[][];
  heats: { until: string; min?: number; level?: string; lid?: string; stir?: string }[];
  bakes: { C: number; min?: number; fan?: true; cold?: true; bath?: true; grill?: number }[];
  rests: { where: string; min?: number }[];
  out: string[];
  strained: boolean;
  kind?: string;
  soak?: number;
  reduce?: number;
  dish?: string;
  serve: { style?: string; warm?: boolean };
  sides: string[];
};

/** The dish's word for where it is put at last. */
const DISHES: Readonly<Partial<Record<VesselWord, string>>> = {
  cups: 'cups',
  moulds: 'moulds',
  tray: 'tray',
  plates: 'bowl',
  bowl: 'bowl',
  pie: 'pie',
};

const FINE = { fine: 'rice_ground', coarse: 'rice_ground_coarse', flour: 'rice_flour' } as const;

const round = (g: number) => Math.round(g * 10) / 10;

function linesOf(account: Account, lines: readonly Line[]): Told['lines'] {
  return account.things
    .map((t, i) => ({ t, i }))
    .filter(({ t }) => !t.again || t.purpose === 'grease')
    .map(({ t, i }) => {
      const line = t.found ? undefined : lines[i];
      const grams = t.grams ?? (line?.grams && line.grams > 0 ? line.grams : undefined);
      const back = line?.heldG ?? account.backG.get(i);
      return {
        is: t.id,
        g: grams === undefined ? null : round(grams),
        part: account.part.get(i) ?? 'pot',
        ...(back ? { back: Math.round(back) } : {}),
        ...(t.optional ? { optional: true as const } : {}),
      };
    });
}

/** What a thing cooked beside it comes to. */
function sideOf(side: Account['sides'][number], account: Account, pantry: Pantry): string {
  const ids = side.things.map((t) => account.things[t]!.id);
  const any = (test: (id: string) => boolean) => ids.some(test);
  const word = side.component ?? '';
  if (/glaze/i.test(word) || any((id) => id === 'chocolate')) return 'glaze';
  if (any((id) => /^(?:fruit_|puree_)/.test(id)) || /compote|fruit|coulis/i.test(word)) return 'compote';
  if (
    /layer|topping/i.test(word) &&
    any((id) => pantry.get(id)?.group === 'milk' || pantry.get(id)?.group === 'thickener')
  )
    return 'layer';
  if (
    any((id) => pantry.get(id)?.group === 'milk' && id !== 'water') &&
    any((id) => pantry.get(id)?.group === 'thickener')
  )
    return 'layer';
  if (any((id) => pantry.get(id)?.group === 'sweet')) return 'syrup';
  return any((id) => /cream/.test(id)) ? 'cream' : 'infusion';
}

/** Signs as they are told: what is only seen on the way there is not the end of a stretch. */
const UNTIL: Partial<Record<Account['heats'][number]['until'], string>> = { melted: 'dissolved' };

/** The account of a reading, field by field. */
export function toldOf(reading: Reading, pantry: Pantry): Told {
  const { account: a, people } = reading;
  const ids = (list: readonly number[]) => [...new Set(list.map((t) => a.things[t]!.id))];
  const dish = a.dish && DISHES[a.dish];
  return {
    lines: linesOf(a, reading.lines),
    ...(people === undefined ? {} : { people }),
    wet: Object.fromEntries([...a.wet].map(([t, how]) => [a.things[t]!.id, how])),
    ...(a.egg ? { egg: a.egg } : {}),
    order: a.order.map((o) => ids(o.things)),
    heats: a.heats.map((h) => ({
      until: UNTIL[h.until] ?? h.until,
      ...(h.min === undefined ? {} : { min: h.min }),
      ...(h.level ? { level: h.level } : {}),
      ...(h.lid ? { lid: h.lid } : {}),
      ...(h.stir ? { stir: h.stir } : {}),
    })),
    bakes: a.bakes.map((b) => ({
      C: b.tempC ?? USUAL_OVEN_C,
      ...(b.min === undefined ? {} : { min: b.min }),
      ...(b.fan ? { fan: true as const } : {}),
      ...(b.cold ? { cold: true as const } : {}),
      ...(b.bath ? { bath: true as const } : {}),
      ...(b.grillMin === undefined ? {} : { grill: b.grillMin }),
    })),
    rests: a.rests.map((r) => ({ where: r.where, ...(r.min === undefined ? {} : { min: r.min }) })),
    out: ids([...a.out]),
    strained: a.strained,
    ...(a.kind ? { kind: FINE[a.kind.fine] } : {}),
    ...(a.soakMin === undefined ? {} : { soak: a.soakMin }),
    ...(a.reduce === undefined ? {} : { reduce: a.reduce }),
    ...(dish ? { dish } : {}),
    serve: { ...(a.style ? { style: a.style } : {}), ...(a.warm === undefined ? {} : { warm: a.warm }) },
    sides: [...new Set(a.sides.map((s) => sideOf(s, a, pantry)))],
  };
}
/** degC of an oven that nobody says (B) */
const USUAL_OVEN_C = 170;
