import { purposeOf, type Use } from '../plan/method';
import { laidOut, withOwnSteps, type Line as PlanLine, type Part as PlanPart } from '../plan/layout';
import { wetted, usualBowl } from '../plan/amounts';
import { newPlan } from '../plan/newPlan';
import type { Choices, Family, Plan, SecondPot } from '../plan/plan';
import { type Dish, type Pan, MOST_DISHES, PANS } from '../pantry/kitchen';
import { methodOf } from '../plan/family';
import { FRUIT_ROWS } from '../pantry/fruit';
import { boiled, fire, POT, secondPot } from '../plan/potStarts';
import type { Pantry } from '../pantry/pantry';
import { GRAINS } from '../pot/grain';
import { suggestSettings } from '../pot/hob';
import { volumeMl } from '../vessels/vessel';
import { factsOf, type Facts } from './facts';
import { understand } from './language/understand';
import type { Account } from './language/account';
import { readLines, type Line, type Part, type ReadOptions } from './lines';
import { peopleIn, takeApart } from './text';
import { PUDDING_G_PER_ML } from '../matter/mixture';
import { say, type Said } from '../say';

export type Reading = {
  title: string;
  lines: Line[];
  method: string[];
  facts: Facts;
  people: number | undefined;
  /** all of its sentences, of what is cooked beside it too, in their order */
  sentences: string[];
  /** what is no recipe and was left out: stories, ratings, notes */
  leftOut: string[];
  /** what its sentences do with its things, vessel by vessel */
  account: Account;
};
/** People, wherever it says so. */
function servesIn(text: string): number | undefined {
  const m =
    /\b(?:serves|srvs|feeds|enough for|(?:good )?for|servings?:?|portions?:?)\s*:?\s*((?:\d{1,2}|two|three|four|five|six|eight|ten|twelve)\b(?!\s*(?:[-–]\s*\d|min|hour|h\b|g\b|ml|days?|seconds?|more|weeks?|cups?|tbsp|°|percent|%|or|to)))/i.exec(
      text,
    );
  return m ? peopleIn(`serves ${m[1]}`) : undefined;
}

type ReadResult = { ok: true; reading: Reading } | { ok: false; why: Said };

/** Reads a recipe: each line of its list, and what its sentences say. Never throws; takes no longer than its length. */
export function readRecipe(text: string, pantry: Pantry, asked: ReadOptions): ReadResult {
  const o: ReadOptions = AMERICAN.test(text) ? { ...asked, system: 'us' } : asked;
  const apart = takeApart(text);
  if (!apart.ok) return apart;
  const { ingredients, method, steps } = apart.value;
  const listed = readLines(ingredients, pantry, o);
  const account = understand(
    listed,
    listed.map((l) => l.head),
    steps.map(({ text: t, head }) => ({ text: t, component: head })),
    pantry,
    o,
  );
  const facts = factsOf(account, method, [apart.value.title ?? '', ...ingredients], pantry);
  const read = groundAs([...listed, ...foundIn(account, pantry, o)], facts, pantry);
  // fruit that lies under a batter is in the dish, and cooked with it
  const lines = facts.under
    ? read.map((l) => (l.part === 'fruit' ? { ...l, part: 'under' as const, top: false } : l))
    : read;
  if (!lines.length)
    return {
      ok: false,
      why: say('recipe.noLineOfItLooks'),
    };
  const title = apart.value.title?.slice(0, 60).trim() || 'A recipe';
  return {
    ok: true,
    reading: {
      title,
      lines,
      method,
      facts,
      people: peopleIn(apart.value.yields) ?? servesIn(text),
      account,
      sentences: steps.map((x) => x.text),
      leftOut: apart.value.aside,
    },
  };
}

/** A recipe that measures as kitchens in America do, wherever the cook lives: its cups are theirs. */
const AMERICAN =
  /\d\s?°\s?F\b|\bdegrees F\b|\bsticks? (?:of )?(?:unsalted )?butter|\bheavy cream\b|\bquarts?\b|\ball-purpose\b|\b\d c (?!\.)[a-z]|\bicebox\b|\bgranulated sugar\b|\bconfectioners/i;

const GROUND_LINE = /\b(?:ground|crushed|pulsed|blitzed|pounded|broken)\b/i;
/** What only the sentences name, as lines. */
function foundIn(account: Account, pantry: Pantry, o: ReadOptions): Line[] {
  return account.things.flatMap((t, i): Line[] => {
    const part = account.part.get(i);
    if (!t.found || part === 'grease') return [];
    const line = readLines([t.text], pantry, o)[0];
    if (!line) return [];
    const { grams } = t;
    return [
      {
        ...line,
        text: t.text,
        ingredientId: t.id,
        top: part === 'top' || part === 'serve',
        found: true as const,
        ...(grams === undefined
          ? {}
          : { grams, lowG: line.lowG ?? grams, highG: line.highG ?? grams, state: 'read' as const }),
      },
    ];
  });
}

/** Rice that is ground, on its line or in a step, is ground rice of that size; sticky rice is its flour. */
function groundAs(lines: Line[], facts: Facts, pantry: Pantry): Line[] {
  return lines.map((l) => {
    const kind = l.ingredientId === undefined ? undefined : pantry.get(l.ingredientId)?.thickener;
    if (!kind || GRAINS[kind].form !== 'kernel') return l;
    const grind =
      facts.ground ??
      (GROUND_LINE.test(l.text)
        ? /coarse|broken|crushed/i.test(l.text)
          ? ('coarse' as const)
          : 'semolina'
        : undefined);
    if (grind === undefined) return l;
    const id =
      kind === 'glutinous rice'
        ? 'waxy_rice_flour'
        : { flour: 'rice_flour', semolina: 'rice_ground', coarse: 'rice_ground_coarse' }[grind];
    const { which: _which, ...rest } = l;
    return { ...rest, ingredientId: id, state: l.grams === undefined ? l.state : 'read' };
  });
}

/** What the recipe makes, by what is in it and what is done with it. */
export function familyOf(lines: readonly Line[], facts: Facts, pantry: Pantry): Family {
  const of = (test: (id: string) => boolean) =>
    lines.filter((l) => !l.top && l.ingredientId && test(l.ingredientId)).reduce((s, l) => s + (l.grams ?? 0), 0);
  const kind = (form: 'kernel' | 'grain') => (id: string) => {
    const k = pantry.get(id)?.thickener;
    return (
      k !== undefined &&
      pantry.get(id)!.group === 'thickener' &&
      (form === 'kernel' ? GRAINS[k].form === 'kernel' : GRAINS[k].form !== 'kernel' && GRAINS[k].form !== 'powder')
    );
  };
  // whites that are folded in set nothing
  const eggG = of((id) => pantry.get(id)?.group === 'egg' && !(id === 'white' && facts.folded));
  const kernelG = of(kind('kernel'));
  const grainG = of(kind('grain'));
  const powderG = of((id) => {
    const i = pantry.get(id);
    return i?.group === 'thickener' && i.thickener !== undefined && GRAINS[i.thickener].form === 'powder';
  });
  const riceGround = of((id) => id === 'rice_ground' || id === 'rice_ground_coarse' || id === 'rice_flour');
  if (facts.freezeH !== undefined && facts.freezeH > 2 && facts.chillH === undefined) return 'frozen cream';
  if (facts.oven && eggG > 0 && powderG < eggG / 3 && grainG === 0 && kernelG === 0) return 'baked custard';
  // a batter: its starch has never bubbled
  if (facts.oven && eggG > 0 && powderG < eggG && !facts.bubbles && grainG === 0 && kernelG === 0)
    return 'baked custard';
  if (facts.oven && (grainG > 0 || kernelG > 0)) return 'baked slab';
  if (kernelG > 0) return eggG > 0 ? 'egg-enriched pudding' : 'whole-rice pudding';
  if (riceGround > 0 && riceGround >= powderG / 2) return eggG > 0 ? 'egg-enriched pudding' : 'ground-rice cream';
  if (grainG > 0 || (facts.ground !== undefined && of((id) => id === 'waxy_rice_flour') > 0)) return 'porridge';
  if (eggG > powderG) return 'stirred custard';
  return 'starch-set milk pudding';
}

export type PlanMeta = { id: string; serveAt: string; people?: number };

/** Grams of each ingredient of the recipe, its lines added up; toppings apart. */
export function amountsOf(
  lines: readonly Line[],
): { ingredientId: string; grams: number; top: boolean; heldG: number }[] {
  const out: { ingredientId: string; grams: number; top: boolean; heldG: number }[] = [];
  for (const l of lines) {
    // what is cooked beside the dish is a side pot's
    if (!l.ingredientId || l.state === 'open' || (l.part !== undefined && l.part !== 'layer' && l.part !== 'under'))
      continue;
    const there = out.find((x) => x.ingredientId === l.ingredientId);
    if (there) {
      there.grams += l.again ? 0 : (l.grams ?? 0);
      there.heldG += l.heldG ?? 0;
      there.top = there.top && l.top;
    } else if (!l.again || l.heldG)
      out.push({ ingredientId: l.ingredientId, grams: l.again ? 0 : (l.grams ?? 0), top: l.top, heldG: l.heldG ?? 0 });
  }
  return out.filter((x) => x.grams > 0);
}

/** The recipe as a plan: amounts from its lines, method from its sentences, the rest as such a dish usually goes. */
export function planOf(r: Reading, pantry: Pantry, meta: PlanMeta): Plan | undefined {
  const amounts = amountsOf(r.lines);
  const milks = amounts.filter((a) => pantry.get(a.ingredientId)?.group === 'milk').sort((a, b) => b.grams - a.grams);
  if (!milks[0]) return undefined;
  const { facts } = r;
  const beside = potsBeside(r, pantry);
  const family = familyOf(r.lines, facts, pantry);
  const totalG = amounts.filter((a) => !a.top).reduce((s, a) => s + a.grams, 0);
  const people = meta.people ?? r.people ?? Math.max(1, Math.min(60, Math.round(totalG / 140)));
  const portionG = Math.max(30, Math.min(500, Math.round((totalG * 0.93) / people)));
  const base = newPlan({
    id: meta.id,
    name: r.title,
    milkId: milks[0].ingredientId,
    people,
    portionG,
    serveAt: meta.serveAt,
    family,
    own: [...pantry.values()].filter((i) => i.own && amounts.some((a) => a.ingredientId === i.id)),
  });
  const solidFat = new Set(['butter', 'ghee', 'coconut_oil', 'oil']);
  const bowlFor = (id: string, top: boolean): Use => {
    const i = pantry.get(id)!;
    if (top) return 'top';
    if (
      r.lines.some((l) => l.ingredientId === id && l.part === 'under') &&
      !r.lines.some((l) => l.ingredientId === id && l.part !== 'under')
    )
      return 'under';
    if (facts.folded && id === 'white') return 'fold in';
    if (i.group === 'sweet')
      return facts.sugarWithYolks && amounts.some((a) => pantry.get(a.ingredientId)!.egg)
        ? 'bowl'
        : facts.sugarLate
          ? 'late'
          : 'pot';
    if (solidFat.has(id) && facts.starch === 'fat first') return 'pot';
    if (facts.waterFirst && i.group === 'milk' && id !== 'water' && amounts.some((a) => a.ingredientId === 'water'))
      return 'late';
    const usual = usualBowl(i);
    return usual === 'late' && i.group === 'piece' && family === 'starch-set milk pudding' ? 'off the heat' : usual;
  };
  const items: PlanLine[] = amounts.slice(0, 40).map((a) => ({
    ingredientId: a.ingredientId,
    grams: Math.min(20000, Math.round(a.grams * 10) / 10),
    in: bowlFor(a.ingredientId, a.top),
  }));
  const choices: Choices = {
    ...base.choices,
    ...(facts.doubleBoiler ? { heat: 'double boiler' as const } : {}),
    ...(facts.lidOn ? { stirring: 'lid on, now and then' as const } : {}),
    ...(facts.yolks === 'straight in' ? { yolks: 'straight in' as const } : {}),
    ...(facts.yolks === 'into a cooled base' && family === 'egg-enriched pudding' && facts.oven
      ? { yolks: 'into a cooled base' as const }
      : {}),
    ...(facts.starch === 'rain'
      ? { grain: 'into boiling milk' as const }
      : facts.starch === 'fat first'
        ? { grain: 'fried in fat first' as const }
        : facts.starch === 'cold together'
          ? { grain: 'into cold milk' as const }
          : {}),
    ...(facts.starch === 'hot onto meal' ? { grain: 'hot liquid onto it' as const } : {}),
    ...(facts.starch === 'cold slurry' &&
    items.some((i) => purposeOf(i.in) === 'grain') &&
    !items.some((i) => purposeOf(i.in) === 'slurry')
      ? { grain: 'wetted cold first' as const }
      : {}),
    ...(facts.soaked ? { soak: 'soaked' as const } : {}),
    ...(facts.hob && facts.hob.first <= LOW ? { start: 'low throughout' as const } : {}),
    ...(facts.reduceTo === undefined ? {} : { reduceTo: Math.max(0.3, Math.min(1, facts.reduceTo)) }),
    ...(facts.oven
      ? {
          ovenC: Math.max(80, Math.min(280, facts.oven.tempC)),
          bath: facts.oven.bath ? ('open' as const) : ('none' as const),
          oven: facts.oven.cold ? ('cold start' as const) : ('preheated' as const),
        }
      : {}),
    ...(facts.freezeH !== undefined ? { cooling: 'freezer' as const } : {}),
    ...(!facts.bubbles && facts.forbidsBoil && family === 'starch-set milk pudding'
      ? { end: 'coats the spoon' as const }
      : {}),
  };
  const style = facts.style ?? base.serve.style;
  const warm = facts.warm === true || (family === 'porridge' && facts.warm !== false && facts.chillH === undefined);
  const hours = warm
    ? 0.25
    : (facts.chillH ?? facts.freezeH ?? (facts.warm === false ? 4 : base.rest.hours)) + (facts.roomMin ?? 0) / 60;
  const pan = panOf(facts, base.pan);
  const word: Plan['serve']['word'] = style === 'cut' ? 'slices' : style === 'turned out' ? 'wobbles' : base.serve.word;
  // whole grain cooks to its bite: only what is said after that is more
  const kernels = items.some((i) => {
    const kind = pantry.get(i.ingredientId)?.thickener;
    return kind !== undefined && GRAINS[kind].form === 'kernel';
  });
  const said = kernels ? (facts.softMin ?? 0) : (facts.cookOnMin ?? base.method.cookOnMin);
  const cookOnMin = Math.min(90, Math.round(said));
  const { things, puts } = laidOut(
    items,
    [...inTheDish(r.lines, items), ...keptBack(facts, items)],
    beside.flatMap((b) => (b.over ? [{ vesselId: b.pot.id, share: 1, in: 'top' }] : [])),
  );
  const plan: Plan = {
    ...base,
    family,
    things,
    acts: puts,
    vessels: beside.map((b) => b.pot),
    pan,
    choices,
    dish: dishOf(facts, base.dish, people, totalG),
    method: {
      ...base.method,
      ...suggestSettings(base.hob, pan.diameterMm, totalG),
      cookOnMin,
      stirEveryS: Math.max(0.5, Math.min(300, facts.stirEveryS ?? base.method.stirEveryS)),
    },
    rest: {
      ...base.rest,
      hours: Math.min(96, Math.max(0, hours)),
      roomMin: Math.min(240, Math.max(0, Math.min(hours * 60, facts.roomMin ?? base.rest.roomMin))),
    },
    serve: {
      ...base.serve,
      style,
      word,
      tempC: warm
        ? 55
        : family === 'frozen cream'
          ? -8
          : facts.warm === undefined && facts.chillH === undefined && facts.freezeH === undefined
            ? base.serve.tempC
            : 8,
    },
    starchMeasure: r.lines.some(
      (l) => /spoon|tbsp|tsp/i.test(l.text) && l.ingredientId && pantry.get(l.ingredientId)?.group === 'thickener',
    )
      ? r.lines.some((l) => /heap/i.test(l.text))
        ? 'heaped spoons'
        : 'rounded spoons'
      : 'scale',
  };
  return inItsOven(wetted(plan), facts);
}

/** What is in the pot and in a layer too: the layer's part is carved out of the whole. */
function inTheDish(lines: readonly Line[], items: readonly PlanLine[]): PlanPart[] {
  return items.flatMap((i) =>
    (['top', 'under'] as const).flatMap((use) => {
      const grams = lines
        .filter((l) => l.ingredientId === i.ingredientId && (use === 'under' ? l.part === 'under' : l.top))
        .reduce((sum, l) => sum + (l.grams ?? 0), 0);
      return i.in !== use && grams > 0 && grams < i.grams
        ? [{ ingredientId: i.ingredientId, grams: Math.round(grams * 10) / 10, in: use }]
        : [];
    }),
  );
}

/** What the steps keep back, as carve-outs; the slurry's own liquid is carved out by rule. */
function keptBack(facts: Facts, items: readonly PlanLine[]): PlanPart[] {
  return facts.kept.flatMap((k) => {
    const item = items.find((i) => i.ingredientId === k.id && purposeOf(i.in) !== k.use);
    if (!item) return [];
    const grams = Math.round(Math.min(item.grams, k.grams ?? item.grams * (k.share ?? 0)) * 10) / 10;
    // wetting cold starch is no other stage
    return grams > 0 && !(facts.starch === 'cold slurry' && k.use === 'late')
      ? [{ ingredientId: k.id, grams, in: k.use, ...(k.grams === undefined && k.share ? { share: k.share } : {}) }]
      : [];
  });
}

/** The oven's minutes as the recipe has them, where a layer or a grill follows: the bakes of the family's own list. */
function inItsOven(plan: Plan, facts: Facts): Plan {
  const { oven } = facts;
  if (!oven || plan.family !== 'baked slab') return plan;
  const method = methodOf(plan);
  const bakes = method.filter((s) => s.do === 'bake');
  const minutes = [oven.minutes, oven.secondMin];
  if (bakes.length < 2 && !oven.grill && !oven.fan) return plan;
  let n = 0;
  return withOwnSteps(
    plan,
    method.map((s) => {
      if (s.do !== 'bake') return s;
      const last = n === bakes.length - 1;
      const said = minutes[n++];
      return {
        ...s,
        fan: oven.fan,
        ...(said === undefined ? {} : { until: { reach: 'time' as const, minutes: said } }),
        ...(last && oven.grill ? { grillMin: oven.grillMin ?? 3 } : {}),
      };
    }),
  );
}

/** What the recipe cooks beside the dish, each in a pot of its own, with its own amounts; a glaze goes over it. */
function potsBeside(r: Reading, pantry: Pantry): { pot: SecondPot; over?: true }[] {
  const of = (part: Part) =>
    amountsOf(r.lines.map((l) => (l.part === part ? withoutPart(l) : { ...l, grams: 0 })))
      .filter((a) => a.grams > 0)
      .map(({ ingredientId, grams }) => ({ ingredientId, grams: clampG(grams), in: 'pot' }));
  const group = (id: string) => pantry.get(id)?.group;
  const out: { pot: SecondPot; over?: true }[] = [];
  const syrup = of('syrup');
  const sugarG = syrup.filter((l) => group(l.ingredientId) === 'sweet').reduce((s, l) => s + l.grams, 0);
  if (sugarG > 0) {
    const wetG = syrup.reduce((s, l) => s + l.grams, 0);
    const endG = sugarG / POT.pouring;
    out.push({
      pot: secondPot('side-syrup', 'syrup', syrup, [
        fire({ role: 'warm', setting: 5, stirEveryS: 10, until: { reach: 'bubble' } }),
        ...(wetG > endG * 1.03
          ? [fire({ role: 'reduce', stirEveryS: null, until: { reach: 'mass', grams: Math.round(endG) } })]
          : []),
      ]),
    });
  }
  const fruit = of('fruit');
  const row = Object.values(FRUIT_ROWS).find((f) => fruit.some((l) => l.ingredientId === f.ingredientId));
  const flows = fruit.some((l) => group(l.ingredientId) === 'milk');
  if (row)
    out.push({ pot: secondPot('side-fruit', 'compote', fruit, boiled(row.stewMin, { lid: 'on', stirEveryS: 60 })) });
  else if (flows) out.push({ pot: secondPot('side-sauce', 'sauce', fruit) });
  const glaze = of('glaze');
  if (glaze.some((l) => group(l.ingredientId) === 'milk' || (pantry.get(l.ingredientId)?.per100.water ?? 0) > 60))
    out.push({ pot: secondPot('side-glaze', 'glaze', glaze, boiled(1, { stirEveryS: 3 })), over: true });
  return out;
}
const withoutPart = ({ part: _part, ...line }: Line): Line => line;
const clampG = (g: number) => Math.max(1, Math.min(5000, Math.round(10 * g) / 10));

/** A pan by what is said of it: its litres or its width. */
function panOf(f: Facts, usual: Pan): Pan {
  if (f.panMm)
    return {
      ...(PANS.find((p) => p.diameterMm === f.panMm) ?? {
        ...usual,
        name: `${f.panMm / 10} cm pan`,
        diameterMm: f.panMm,
      }),
    };
  if (!f.panMl) return usual;
  // a saucepan is about half as high as it is wide
  const d = Math.round(Math.cbrt((f.panMl * 1000 * 8) / Math.PI));
  const diameterMm = Math.max(80, Math.min(500, d));
  const heightMm = Math.max(40, Math.min(400, Math.round((f.panMl * 1000) / ((Math.PI * diameterMm ** 2) / 4))));
  return { ...usual, name: `${f.panMl / 1000} l pan`, diameterMm, heightMm };
}

/** Ovals up to which a fire is low. */
const LOW = 4;
const TIN_MM = 45;
const atMost = (dishes: number) => Math.max(1, Math.min(MOST_DISHES, dishes));
function dishOf(f: Facts, usual: Dish, people: number, totalG: number): Dish {
  if (f.dish) {
    const form =
      f.dish.shape === 'square' ? f.dish : ({ shape: 'round', topMm: f.dish.mm, baseMm: f.dish.mm } as const);
    return {
      kind: 'tray',
      count: 1,
      capacityMl: Math.max(30, Math.min(8000, Math.round(volumeMl(form, TIN_MM, TIN_MM)))),
      heightMm: TIN_MM,
      wall: 'metal',
      form,
    };
  }
  if (f.moulds)
    return {
      ...usual,
      kind: 'mould',
      count: Math.max(1, Math.min(MOST_DISHES, f.moulds.count)),
      capacityMl: Math.max(30, f.moulds.ml),
      heightMm: 55,
      wall: 'metal',
    };
  if (usual.capacityMl > 600)
    return { ...usual, count: atMost(Math.ceil(totalG / usual.capacityMl / PUDDING_G_PER_ML)) };
  return { ...usual, count: atMost(Math.max(people, Math.ceil(totalG / (usual.capacityMl * 0.95)))) };
}
