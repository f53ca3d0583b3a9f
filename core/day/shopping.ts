import { lookUp } from '../plan/bowls';
import type { Plan } from '../plan/plan';
import type { Allergen, Ingredient } from '../pantry/ingredient';
import { homeMilkOf, nutsFor } from '../pantry/nutMilk';
import type { Pantry } from '../pantry/pantry';
import { eggsFor } from '../prep/prep';
import { besideOf } from '../sides/sides';
import { EGG_SIZES } from '../units/eggs';
import { boughtAs, type UsualPack } from '../pantry/usualPacks';
import { packsFor, type Pack } from '../units/packs';
import { say, type Said } from '../say';

/** Eggs in a box. */
export const EGG_BOX = 6;

/** What a leftover is good for, by what it is. */
const GOOD_FOR: Partial<Record<Ingredient['group'] | 'white' | 'yolk' | 'coconut', Said>> = {
  white: say('shopping.whitesFrozenInALidded'),
  yolk: say('shopping.yolksInTheNextCustard'),
  coconut: say('shopping.halfCansIntoAJar'),
  milk: say('shopping.milkThreeDaysColdLoosens'),
  fat: say('shopping.keepsWrappedAndCold'),
  sweet: say('shopping.keeps'),
  thickener: say('shopping.keepsDryAndShut'),
  nut: say('shopping.frozenOrItTurnsRancid'),
  piece: say('shopping.keepsShutAndDry'),
  fruit: say('shopping.eatenAsItIs'),
  flavour: say('shopping.keepsDarkAndShut'),
};

export type ShoppingLine = {
  ingredientId: string;
  name: Said | string;
  group: Ingredient['group'];
  /** g needed over all dishes, as bought: unpeeled, unshelled */
  needG: number;
  /** whole packets, or eggs in their box; undefined where it is bought by weight */
  packs?: { count: number; name: Said | string; grams: number; yours: boolean };
  /** pieces, where it is counted */
  eggs?: number;
  leftG: number;
  leftSays?: Said;
  price?: number;
  forPlans: string[];
  have: boolean;
};

export type Shopping = {
  lines: ShoppingLine[];
  cost?: number;
  unpriced: number;
  leftovers: Said[];
  allergens: Allergen[];
};

const packName = (p: UsualPack): Said =>
  p.ml === undefined ? say(`pack.${p.unit}`) : say('shopping.packOf', { pack: say(`pack.${p.unit}`), ml: p.ml });

/**
 * One list over several dishes: side pots and edible yield counted, home nut milk as its nuts, yolks and whites as
 * eggs, everything else in whole packets.
 * @param packs the cook's own sizes, which come before the usual ones
 * @param have what is in the house: on the list, but not bought
 */
export function shoppingOf(
  plans: readonly Plan[],
  pantryOf: (plan: Plan) => Pantry,
  packs: readonly Pack[],
  have: readonly string[] = [],
): Shopping {
  const needs = new Map<string, { ingredient: Ingredient; grams: number; plans: Set<string>; name?: Said }>();
  const need = (ingredient: Ingredient, grams: number, plan: Plan, name?: Said) => {
    if (grams <= 0 || ingredient.id === 'water') return;
    const old = needs.get(ingredient.id) ?? {
      ingredient,
      grams: 0,
      plans: new Set<string>(),
      ...(name ? { name } : {}),
    };
    old.grams += grams;
    old.plans.add(plan.name);
    needs.set(ingredient.id, old);
  };
  let yolkG = 0;
  let whiteG = 0;
  let wholeG = 0;
  const eggPlans = new Set<string>();
  for (const plan of plans) {
    const uses = [
      ...plan.things.map((i) => ({ id: i.ingredientId, grams: i.grams })),
      ...besideOf(plan).flatMap((s) => s.uses.map((u) => ({ id: u.ingredientId, grams: u.boughtG ?? u.grams }))),
    ];
    for (const { id, grams } of uses) {
      const ingredient = lookUp(plan, id);
      const home = homeMilkOf(id);
      if (home) {
        const { nut } = home;
        const { nutG } = nutsFor(nut, Math.max(1, grams), home.ratio, home.strained);
        need(
          {
            ...ingredient,
            id: `nuts_${nut}`,
            group: 'nut',
          },
          nutG,
          plan,
          nut === 'coconut' ? say('shopping.driedGratedCoconut') : say(`shopping.shelled.${nut}`),
        );
      } else if (ingredient.egg && ['yolk', 'white', 'egg'].includes(id)) {
        eggPlans.add(plan.name);
        if (id === 'yolk') yolkG += grams;
        else if (id === 'white') whiteG += grams;
        else wholeG += grams;
      } else need(ingredient, grams, plan);
    }
  }
  const lines: ShoppingLine[] = [...needs.values()].map(({ ingredient: i, grams, plans: by, name }) => {
    const own = packs.find((p) => p.ingredientId === i.id);
    const usual = i.group === 'fruit' || i.id === 'nuts_coconut' ? undefined : boughtAs(i);
    const pack = own ?? usual;
    const base = {
      ingredientId: i.id,
      name: name ?? i.name,
      group: i.group,
      needG: grams,
      forPlans: [...by],
      have: have.includes(i.id),
    };
    if (!pack || (i.id.startsWith('nuts_') && !own)) return { ...base, leftG: 0 };
    const { packs: count, leftOverG } = packsFor(grams, pack);
    const says = GOOD_FOR[i.base === 'coconut' && i.group === 'milk' ? 'coconut' : i.group];
    return {
      ...base,
      packs: { count, name: 'name' in pack ? pack.name : packName(pack), grams: pack.grams, yours: own !== undefined },
      leftG: leftOverG,
      ...(leftOverG > 5 && says ? { leftSays: says } : {}),
      ...(own?.price === undefined ? {} : { price: own.price * count }),
    };
  });
  if (yolkG + whiteG + wholeG > 0) lines.push(eggLine(yolkG, whiteG, wholeG, [...eggPlans], have, packs));
  lines.sort(
    (a, b) => AISLES.indexOf(a.group) - AISLES.indexOf(b.group) || a.ingredientId.localeCompare(b.ingredientId),
  );
  const bought = lines.filter((l) => !l.have);
  const priced = bought.filter((l) => l.price !== undefined);
  return {
    lines,
    ...(priced.length ? { cost: priced.reduce((s, l) => s + l.price!, 0) } : {}),
    unpriced: bought.length - priced.length,
    leftovers: bought
      .filter((l) => l.leftSays !== undefined && ['milk', 'egg'].includes(l.group))
      .map((l) => say('shopping.left', { leftG: l.leftG, lName: l.name, leftSays: l.leftSays })),
    allergens: [
      ...new Set(
        plans.flatMap((p) => {
          return [
            ...p.things.filter((i) => i.grams > 0).map((i) => i.ingredientId),
            ...besideOf(p).flatMap((s) => s.uses.map((u) => u.ingredientId)),
          ].flatMap((id) => lookUp(p, id).allergens);
        }),
      ),
    ],
  };
}

const AISLES: readonly Ingredient['group'][] = [
  'milk',
  'egg',
  'fat',
  'fruit',
  'sweet',
  'thickener',
  'nut',
  'piece',
  'flavour',
];

function eggLine(
  yolkG: number,
  whiteG: number,
  wholeG: number,
  forPlans: string[],
  have: readonly string[],
  packs: readonly Pack[],
): ShoppingLine {
  const e = EGG_SIZES['eu M'];
  const parted = Math.max(
    yolkG > 0 ? Math.ceil(eggsFor(yolkG, 'yolkG')) : 0,
    whiteG > 0 ? Math.ceil(eggsFor(whiteG, 'whiteG')) : 0,
  );
  const eggs = parted + (wholeG > 0 ? Math.ceil(eggsFor(wholeG, 'egg')) : 0);
  const own = packs.find((p) => p.ingredientId === 'egg');
  const inBox = own ? Math.max(1, Math.round(own.grams / (e.yolkG + e.whiteG))) : EGG_BOX;
  const boxes = Math.ceil(eggs / inBox);
  const whitesLeft = parted * e.whiteG - whiteG;
  const yolksLeft = parted * e.yolkG - yolkG;
  const spare = boxes * inBox - eggs;
  const left = [
    ...(whitesLeft > 15 ? [say('shopping.gramsFor', { grams: whitesLeft, what: GOOD_FOR.white })] : []),
    ...(yolksLeft > 10 ? [say('shopping.gramsFor', { grams: yolksLeft, what: GOOD_FOR.yolk })] : []),
    ...(spare > 0 ? [say('shopping.wholeInTheirBox', { spare })] : []),
  ];
  return {
    ingredientId: 'egg',
    name: say('shopping.eggsMedium'),
    group: 'egg',
    needG: eggs * (e.yolkG + e.whiteG),
    eggs,
    packs: {
      count: boxes,
      name: own?.name ?? say('shopping.boxOf', { inBox }),
      grams: inBox * (e.yolkG + e.whiteG),
      yours: own !== undefined,
    },
    leftG: Math.max(0, whitesLeft) + Math.max(0, yolksLeft) + spare * (e.yolkG + e.whiteG),
    ...(left.length ? { leftSays: say('shopping.all', { left }) } : {}),
    ...(own?.price === undefined ? {} : { price: own.price * boxes }),
    forPlans,
    have: have.includes('egg'),
  };
}

/** The list as text to send or print. */
export function shoppingText(s: Shopping, title: string, tell: (said: Said | string) => string): string {
  return [
    title,
    '',
    ...s.lines
      .filter((l) => !l.have)
      .map((l) =>
        l.packs
          ? `- ${tell(say(l.eggs ? 'shopping.buyEggs' : 'shopping.buyPacks', { packs: l.packs.count, pack: l.packs.name, name: l.name, eggs: l.eggs, needG: l.needG }))}`
          : `- ${tell(say('shopping.buyLoose', { needG: l.needG, name: l.name }))}`,
      ),
    ...(s.leftovers.length ? ['', tell(say('shopping.leftOver')), ...s.leftovers.map((l) => `- ${tell(l)}`)] : []),
    '',
  ].join('\n');
}
