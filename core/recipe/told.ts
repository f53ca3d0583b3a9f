import { stepsOf } from '../cook/steps';
import { GRAINS } from '../pot/grain';
import type { StarchEntry } from '../pot/lumps';
import type { Plan } from '../plan/plan';
import { methodOf } from '../plan/family';
import type { Pantry } from '../pantry/pantry';
import type { Facts } from './facts';
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
  soak?: number;
  reduce?: number;
  dish?: string;
  serve: { style?: string; warm?: boolean };
  sides: string[];
};

const WETTED: Record<NonNullable<Facts['starch']>, string> = {
  'cold slurry': 'cold slurry',
  'cold together': 'cold together',
  'mixed with sugar': 'with sugar',
  'in cold yolks': 'with egg',
  rain: 'rain',
  'fat first': 'fat first',
  'hot onto meal': 'hot onto',
  'into hot': 'dry into hot',
};
const PLANNED: Record<StarchEntry, string> = {
  'cold slurry': 'cold slurry',
  'cold together': 'cold together',
  'mixed with sugar': 'with sugar',
  'in cold cream or yolks': 'with egg',
  'dry rain': 'rain',
  'dry powder': 'dry into hot',
  'fat-coated': 'fat first',
  'hot liquid onto meal': 'hot onto',
};
const EGG: Record<NonNullable<Facts['yolks']>, string> = {
  tempered: 'tempered',
  'straight in': 'straight in',
  'cold together': 'cold',
  'into a cooled base': 'into cooled',
};
const SIDES: Readonly<Record<string, string>> = {
  syrup: 'syrup',
  compote: 'compote',
  infusion: 'infusion',
  glaze: 'glaze',
  'second layer': 'layer',
};
const DISHES: Readonly<Record<string, string>> = { cup: 'cups', mould: 'moulds', tray: 'tray', bowl: 'bowl' };

/** Rings by the words of a recipe. */
const levelOf = (setting: number): string =>
  setting <= 1 ? 'lowest' : setting <= 3 ? 'low' : setting <= 4 ? 'medium low' : setting <= 6 ? 'medium' : 'high';
const stirOf = (everyS: number): string => (everyS <= 5 ? 'all the time' : everyS <= 30 ? 'often' : 'now and then');

const partOf = (line: Line): string => {
  if (line.again && line.grams === 0 && line.heldG === undefined) return 'grease';
  if (line.part === 'under') return 'under';
  if (line.part !== undefined) return line.part === 'layer' ? 'layer' : 'side';
  return line.top ? 'top' : 'pot';
};

function linesOf(lines: readonly Line[], plan: Plan | undefined): Told['lines'] {
  // "reserve 60 g of it" is a line of its own, and of no other thing
  const back = new Map<string, number>();
  for (const l of lines) if (l.ingredientId && l.heldG) back.set(l.ingredientId, l.heldG);
  for (const c of plan?.carveOuts ?? []) if (!back.has(c.ingredientId)) back.set(c.ingredientId, c.grams);
  return lines
    .filter((l) => !l.again || partOf(l) === 'grease')
    .map((l) => {
      const held = l.ingredientId ? back.get(l.ingredientId) : undefined;
      return {
        is: l.ingredientId ?? '?',
        g: l.grams && l.grams > 0 ? Math.round(l.grams * 10) / 10 : null,
        part: partOf(l),
        ...(held ? { back: Math.round(held) } : {}),
        ...(l.optional ? { optional: true as const } : {}),
      };
    });
}

function wetOf(plan: Plan, facts: Facts): Told['wet'] {
  const out: Told['wet'] = {};
  for (const step of stepsOf(plan, { phases: [] }))
    for (const { portions, add } of step.puts)
      for (const { ingredient: i } of portions) {
        if (!i.thickener) continue;
        const powder = GRAINS[i.thickener].form === 'powder';
        out[i.id] =
          !powder && facts.waterFirst
            ? 'in water first'
            : facts.starch && (powder || add === undefined || add.how !== 'cold together')
              ? WETTED[facts.starch]
              : add
                ? PLANNED[add.how]
                : 'cold together';
      }
  return out;
}

function heatsOf(plan: Plan, facts: Facts): Told['heats'] {
  return methodOf(plan).flatMap((s): Told['heats'] => {
    if (s.do !== 'heat' || s.setting === 0) return [];
    const { until } = s;
    const ends: Record<typeof until.reach, string> = {
      bubble: 'boil',
      temperature: s.role === 'warm' ? 'steam' : 'coats',
      time: 'time',
      grain: 'soft',
      share: 'reduced',
      mass: 'reduced',
      thickness: 'thick',
    };
    return [
      {
        until: ends[until.reach],
        ...(until.reach === 'time' ? { min: until.minutes } : {}),
        // a ring, a lid and a spoon are told where the recipe says them
        ...(facts.hob ? { level: levelOf(s.setting) } : {}),
        ...(facts.lidOn && s.lid === 'on' ? { lid: 'on' } : {}),
        ...(facts.stirEveryS !== undefined && s.role !== 'warm' ? { stir: stirOf(facts.stirEveryS) } : {}),
      },
    ];
  });
}

/** @param plan what the reading came to, where it came to one */
export function toldOf(reading: Reading, plan: Plan | undefined, pantry: Pantry): Told {
  const { facts, lines, people } = reading;
  const { oven } = facts;
  const whites = lines.some((l) => pantry.get(l.ingredientId ?? '')?.egg?.yolk === 0);
  const yolks = lines.some((l) => (pantry.get(l.ingredientId ?? '')?.egg?.yolk ?? 0) > 0);
  const egg = yolks && facts.yolks ? EGG[facts.yolks] : whites && facts.folded ? 'folded' : undefined;
  const dish = facts.moulds ? 'moulds' : facts.dish ? 'tray' : plan && DISHES[plan.dish.kind];
  return {
    lines: linesOf(lines, plan),
    ...(people === undefined ? {} : { people }),
    wet: plan ? wetOf(plan, facts) : {},
    ...(egg ? { egg } : {}),
    order: plan
      ? stepsOf(plan, { phases: [] })
          .flatMap((s) => s.puts.filter((p) => p.into === 'pot').map((p) => p.portions.map((x) => x.ingredient.id)))
          .filter((ids) => ids.length > 0)
      : [],
    heats: plan ? heatsOf(plan, facts) : [],
    bakes: oven
      ? [
          {
            C: oven.tempC,
            ...(oven.minutes === undefined ? {} : { min: oven.minutes }),
            ...(oven.fan ? { fan: true as const } : {}),
            ...(oven.cold ? { cold: true as const } : {}),
            ...(oven.bath ? { bath: true as const } : {}),
            ...(oven.grillMin === undefined ? {} : { grill: oven.grillMin }),
          },
        ]
      : [],
    rests: [
      ...(facts.roomMin === undefined ? [] : [{ where: 'room', min: facts.roomMin }]),
      ...(facts.freezeH === undefined ? [] : [{ where: 'freezer', min: 60 * facts.freezeH }]),
      ...(facts.chillH === undefined ? [] : [{ where: 'fridge', min: 60 * facts.chillH }]),
    ],
    out: facts.takenOut,
    strained: facts.strained,
    ...(facts.soakMin === undefined ? {} : { soak: facts.soakMin }),
    ...(facts.reduceTo === undefined ? {} : { reduce: facts.reduceTo }),
    ...(dish ? { dish } : {}),
    serve: {
      ...(facts.style ? { style: facts.style } : {}),
      ...(facts.warm === undefined
        ? facts.chillH === undefined && facts.freezeH === undefined
          ? {}
          : { warm: false }
        : { warm: facts.warm }),
    },
    sides: [...new Set((plan?.sides ?? []).flatMap((s) => SIDES[s.kind] ?? []))],
  };
}
