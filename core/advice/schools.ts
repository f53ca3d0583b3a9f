import { forecast, type Forecast } from '../model/forecast';
import { RISKS } from '../model/risks';
import type { Pantry } from '../pantry/pantry';
import { GRAINS } from '../pot/grain';
import { refreshCarveOuts } from '../plan/amounts';
import { topLayerOf } from '../model/topLayer';
import { lookUp, mainLiquid } from '../plan/stages';
import { methodOf } from '../plan/family';
import type { Choices, Plan, PlanItem } from '../plan/plan';

/**
 * The schools: where cooks part ways, as two (or three) ways to cook one plan. The model says what each costs in
 * minutes, set and risk; it does not say who is right.
 */
export type Side = { name: string; apply(plan: Plan, pantry: Pantry): Plan };
export type School = {
  id: string;
  question: string;
  fits(plan: Plan, pantry: Pantry): boolean;
  sides: readonly Side[];
};

const choose =
  (choices: Partial<Choices>) =>
  (plan: Plan): Plan => ({ ...plan, choices: { ...plan.choices, ...choices } });
const groupOf = (plan: Plan, pantry: Pantry, i: PlanItem) => lookUp(pantry, plan, i.ingredientId).group;
const has = (plan: Plan, pantry: Pantry, group: string) =>
  plan.items.some((i) => i.grams > 0 && groupOf(plan, pantry, i) === group);
const kindOf = (plan: Plan, pantry: Pantry, i: PlanItem) => lookUp(pantry, plan, i.ingredientId).thickener;
const grainy = (plan: Plan, pantry: Pantry) =>
  plan.items.some((i) => {
    const kind = kindOf(plan, pantry, i);
    return kind !== undefined && GRAINS[kind].form !== 'powder';
  });
const kernels = (plan: Plan, pantry: Pantry) =>
  plan.items.some((i) => {
    const kind = kindOf(plan, pantry, i);
    return kind !== undefined && GRAINS[kind].form === 'kernel';
  });
const baked = (plan: Plan, pantry: Pantry) => methodOf(plan, pantry).some((s) => s.do === 'bake');
const stage =
  (group: string, to: PlanItem['stage']) =>
  (plan: Plan, pantry: Pantry): Plan =>
    refreshCarveOuts(
      { ...plan, items: plan.items.map((i) => (groupOf(plan, pantry, i) === group ? { ...i, stage: to } : i)) },
      pantry,
    );
const swapMain =
  (group: string, toId: string, factor = 1) =>
  (plan: Plan, pantry: Pantry): Plan => {
    const first = plan.items.filter((i) => groupOf(plan, pantry, i) === group).sort((a, b) => b.grams - a.grams)[0];
    if (!first || first.ingredientId === toId) return plan;
    const id = (x: string) => (x === first.ingredientId ? toId : x);
    return refreshCarveOuts(
      {
        ...plan,
        items: plan.items.map((i) => ({
          ...i,
          ingredientId: id(i.ingredientId),
          grams: i === first ? i.grams * factor : i.grams,
        })),
        carveOuts: plan.carveOuts.map((c) => ({ ...c, ingredientId: id(c.ingredientId) })),
      },
      pantry,
    );
  };
const cookOn =
  (cookOnMin: number) =>
  (plan: Plan): Plan => ({ ...plan, method: { ...plan.method, cookOnMin } });
const rest =
  (r: Partial<Plan['rest']>) =>
  (plan: Plan): Plan => ({ ...plan, rest: { ...plan.rest, ...r } });

/** Water for whole rice, parts by weight (B). */
const RICE_WATER = 2.5;
const riceG = (plan: Plan, pantry: Pantry) =>
  plan.items
    .filter((i) => kindOf(plan, pantry, i) && GRAINS[kindOf(plan, pantry, i)!].form === 'kernel')
    .reduce((s, i) => s + i.grams, 0);
const isMilk = (plan: Plan, pantry: Pantry, i: PlanItem) =>
  groupOf(plan, pantry, i) === 'milk' && i.ingredientId !== 'water';
/** Rice is in water, and its milk follows late. */
const inWater = (plan: Plan, pantry: Pantry) =>
  plan.items.some((i) => i.ingredientId === 'water' && i.stage === 'pot') &&
  plan.items.some((i) => isMilk(plan, pantry, i) && i.stage === 'late');
/** Share of the rice's water that comes out of its milk. */
const FROM_MILK = 0.5;

/** Milk that was water: rice first boiled in water, and the milk follows late. */
const waterFirst = (plan: Plan, pantry: Pantry): Plan => {
  if (inWater(plan, pantry)) return plan;
  const waterG = RICE_WATER * riceG(plan, pantry);
  return {
    ...plan,
    carveOuts: plan.carveOuts.filter((c) => c.taste),
    items: [
      ...plan.items.map((i) =>
        isMilk(plan, pantry, i)
          ? { ...i, grams: Math.max(0, i.grams - FROM_MILK * waterG), stage: 'late' as const }
          : i,
      ),
      { ingredientId: 'water', grams: waterG, stage: 'pot' as const },
    ],
  };
};
/** And back: all of it milk, from the start. */
const milkThroughout = (plan: Plan, pantry: Pantry): Plan => {
  if (!inWater(plan, pantry)) return plan;
  const waterG = RICE_WATER * riceG(plan, pantry);
  return {
    ...plan,
    items: plan.items
      .filter((i) => i.ingredientId !== 'water')
      .map((i) =>
        isMilk(plan, pantry, i) && i.stage === 'late'
          ? { ...i, grams: i.grams + FROM_MILK * waterG, stage: 'pot' as const }
          : i,
      ),
  };
};
/** Share that is left where cooking down does half of the starch's work. */
const REDUCED = 0.6;
const thickeners = (plan: Plan, pantry: Pantry, factor: number): PlanItem[] =>
  plan.items.map((i) => (groupOf(plan, pantry, i) === 'thickener' ? { ...i, grams: i.grams * factor } : i));
const byReduction = (plan: Plan, pantry: Pantry): Plan =>
  plan.choices.reduceTo === REDUCED
    ? plan
    : refreshCarveOuts(
        { ...plan, choices: { ...plan.choices, reduceTo: REDUCED }, items: thickeners(plan, pantry, 0.5) },
        pantry,
      );
const byStarch = (plan: Plan, pantry: Pantry): Plan => {
  if (plan.choices.reduceTo !== REDUCED) return plan;
  const { reduceTo: _r, ...choices } = plan.choices;
  return refreshCarveOuts({ ...plan, choices, items: thickeners(plan, pantry, 2) }, pantry);
};
const yes = () => true;

export const SCHOOLS: readonly School[] = [
  {
    id: 'sugar with grains',
    question: 'When does the sugar go in?',
    fits: (p, y) => has(p, y, 'sweet'),
    sides: [
      { name: 'from the start', apply: stage('sweet', 'pot') },
      { name: 'late, when the grain is soft', apply: stage('sweet', 'late') },
    ],
  },
  {
    id: 'ground grain',
    question: 'What does the grain meet?',
    fits: grainy,
    sides: [
      { name: 'cold milk', apply: choose({ grain: 'into cold milk' }) },
      { name: 'boiling milk, stirring', apply: choose({ grain: 'into boiling milk' }) },
      { name: 'fat first', apply: choose({ grain: 'fried in fat first' }) },
    ],
  },
  {
    id: 'whole rice',
    question: 'What does the rice cook in?',
    fits: kernels,
    sides: [
      { name: 'milk throughout', apply: milkThroughout },
      { name: 'water first, milk after', apply: waterFirst },
    ],
  },
  {
    id: 'rice in water',
    question: 'Into which water?',
    fits: kernels,
    sides: [
      { name: 'cold water', apply: (p, y) => choose({ grain: 'into cold milk' })(waterFirst(p, y)) },
      { name: 'boiling water', apply: (p, y) => choose({ grain: 'into boiling milk' })(waterFirst(p, y)) },
    ],
  },
  {
    id: 'yolks',
    question: 'How do the yolks go in?',
    fits: (p, y) => has(p, y, 'egg'),
    sides: [
      { name: 'tempered', apply: choose({ yolks: 'tempered' }) },
      { name: 'straight in', apply: choose({ yolks: 'straight in' }) },
    ],
  },
  {
    id: 'heat',
    question: 'Over what?',
    fits: yes,
    sides: [
      { name: 'the ring', apply: choose({ heat: 'direct' }) },
      { name: 'a double boiler', apply: choose({ heat: 'double boiler' }) },
    ],
  },
  {
    id: 'end point',
    question: 'When is it done?',
    fits: (p, y) => has(p, y, 'thickener'),
    sides: [
      { name: 'it bubbles and cooks on', apply: choose({ end: 'bubbles and cooks on' }) },
      { name: 'it coats the spoon', apply: choose({ end: 'coats the spoon' }) },
    ],
  },
  {
    id: 'thickening by',
    question: 'What makes it thick?',
    // a frozen cream is always cooked down
    fits: (p, y) => has(p, y, 'thickener') && p.family !== 'frozen cream',
    sides: [
      { name: 'starch', apply: byStarch },
      { name: 'cooking down, half the starch', apply: byReduction },
    ],
  },
  {
    id: 'cooling',
    question: 'Where does it cool?',
    fits: yes,
    sides: [
      { name: 'in the room first', apply: choose({ cooling: 'room first' }) },
      { name: 'straight to the fridge', apply: choose({ cooling: 'straight to the cold' }) },
      { name: 'an ice bath, then the fridge', apply: choose({ cooling: 'ice bath' }) },
    ],
  },
  {
    id: 'skin',
    question: 'Covered or open?',
    fits: yes,
    sides: [
      { name: 'covered, no skin', apply: rest({ covered: true }) },
      { name: 'open, for the skin', apply: rest({ covered: false }) },
    ],
  },
  {
    id: 'oven',
    question: 'Which oven?',
    fits: baked,
    sides: [
      { name: 'preheated', apply: choose({ oven: 'preheated' }) },
      { name: 'cold start', apply: choose({ oven: 'cold start' }) },
    ],
  },
  {
    id: 'bath',
    question: 'In water?',
    fits: baked,
    sides: [
      { name: 'in an open bath', apply: choose({ bath: 'open' }) },
      { name: 'without', apply: choose({ bath: 'none' }) },
    ],
  },
  {
    id: 'egg',
    question: 'Which egg?',
    fits: (p, y) => has(p, y, 'egg'),
    sides: [
      { name: 'yolks', apply: swapMain('egg', 'yolk') },
      { name: 'whole egg', apply: swapMain('egg', 'egg', 1.5) },
      {
        name: 'none',
        apply: (p, y) => ({ ...p, items: p.items.map((i) => (groupOf(p, y, i) === 'egg' ? { ...i, grams: 0 } : i)) }),
      },
    ],
  },
  {
    id: 'served',
    question: 'Warm or cold?',
    fits: yes,
    sides: [
      {
        name: 'warm and loose',
        apply: (p) => ({ ...rest({ hours: 0.25, roomMin: 15 })(p), serve: { ...p.serve, tempC: 60 } }),
      },
      {
        name: 'cold and set',
        apply: (p) => ({ ...rest({ hours: Math.max(4, p.rest.hours) })(p), serve: { ...p.serve, tempC: 8 } }),
      },
    ],
  },
  {
    id: 'stirring',
    question: 'How much spoon?',
    fits: yes,
    sides: [
      { name: 'never stop', apply: choose({ stirring: 'constant' }) },
      { name: 'lid on, now and then', apply: choose({ stirring: 'lid on, now and then' }) },
    ],
  },
  {
    id: 'start',
    question: 'How hot at first?',
    fits: yes,
    sides: [
      { name: 'full heat, then lower', apply: choose({ start: 'full heat, then lower' }) },
      { name: 'low throughout', apply: choose({ start: 'low throughout' }) },
    ],
  },
  {
    id: 'grain',
    question: 'Rinsed and soaked?',
    fits: grainy,
    sides: [
      { name: 'straight in', apply: choose({ soak: 'straight in' }) },
      { name: 'soaked 45 minutes', apply: choose({ soak: 'soaked' }) },
    ],
  },
  {
    id: 'which rice',
    question: 'Which rice?',
    fits: kernels,
    sides: [
      { name: 'short grain', apply: swapMain('thickener', 'rice_short') },
      { name: 'long grain', apply: swapMain('thickener', 'rice_long') },
      { name: 'glutinous', apply: swapMain('thickener', 'rice_glut') },
    ],
  },
  {
    id: 'coarse grain',
    question: 'Ground at home?',
    fits: (p, y) => p.items.some((i) => ['ground rice', 'rice flour'].includes(kindOf(p, y, i) ?? '')),
    sides: [
      { name: 'ground at home', apply: (p, y) => stageGrain(swapMain('thickener', 'rice_ground')(p, y), y) },
      { name: 'shop flour', apply: (p, y) => stageGrain(swapMain('thickener', 'rice_flour')(p, y), y) },
    ],
  },
  {
    id: 'starch and reduction',
    question: 'Starch before or after cooking down?',
    fits: (p, y) => has(p, y, 'thickener') && !grainy(p, y),
    sides: [
      { name: 'early, then reduce', apply: choose({ starch: 'early', reduceTo: 0.75 }) },
      { name: 'reduce, starch last', apply: choose({ starch: 'last', reduceTo: 0.75 }) },
    ],
  },
  {
    id: 'after thickening',
    question: 'How long after it thickens?',
    fits: (p, y) => has(p, y, 'thickener'),
    sides: [
      { name: 'two minutes', apply: cookOn(2) },
      { name: 'ten minutes', apply: cookOn(10) },
    ],
  },
  {
    id: 'egg in',
    question: 'And once the egg is in?',
    fits: (p, y) => has(p, y, 'egg') && !baked(p, y),
    sides: [
      { name: 'heat off at once', apply: choose({ eggOff: 'heat off at once' }) },
      { name: 'minutes more', apply: choose({ eggOff: 'minutes more' }) },
      { name: 'to bubbling', apply: choose({ eggOff: 'to bubbling' }) },
    ],
  },
  {
    id: 'sugar colour',
    question: 'White or brown sugar?',
    fits: (p, y) => has(p, y, 'sweet'),
    sides: [
      { name: 'white', apply: swapMain('sweet', 'sugar') },
      { name: 'brown', apply: swapMain('sweet', 'brown') },
    ],
  },
  {
    id: 'flavours',
    question: 'When do the flavours go in?',
    fits: (p, y) => p.items.some((i) => lookUp(y, p, i.ingredientId).aromaHalfS !== undefined),
    sides: [
      { name: 'at the end', apply: stage('flavour', 'off the heat') },
      { name: 'from the start', apply: stage('flavour', 'pot') },
    ],
  },
  {
    id: 'milk',
    question: 'Which milk?',
    fits: yes,
    sides: [
      { name: 'undiluted', apply: undiluted },
      { name: 'half water', apply: (p, y) => halfWater(p, y) },
    ],
  },
  {
    id: 'mould',
    question: 'How is the mould made ready?',
    fits: (p) => p.serve.style === 'turned out',
    sides: [
      { name: 'rinsed', apply: choose({ mould: 'rinsed' }) },
      { name: 'greased', apply: choose({ mould: 'greased' }) },
    ],
  },
  {
    id: 'cream at the sides',
    question: 'What of the cream that dries at the sides?',
    fits: (p, y) => mainLiquid(p, y)?.base === 'dairy',
    sides: [
      { name: 'scraped down as it forms', apply: choose({ sides: 'scraped down' }) },
      { name: 'stirred back at the end', apply: choose({ sides: 'stirred back' }) },
    ],
  },
  {
    id: 'top layer',
    question: 'How does the top layer go on?',
    fits: (p, y) => topLayerOf(p, y) !== undefined,
    sides: [
      { name: 'poured on raw', apply: choose({ top: 'raw' }) },
      { name: 'cooked down first', apply: choose({ top: 'cooked down first' }) },
    ],
  },
  {
    id: 'raisins and nuts',
    question: 'Where do the pieces go?',
    fits: (p, y) => has(p, y, 'piece'),
    sides: [
      { name: 'in the pot', apply: stage('piece', 'pot') },
      { name: 'on top only', apply: stage('piece', 'top') },
    ],
  },
];

function stageGrain(plan: Plan, pantry: Pantry): Plan {
  return refreshCarveOuts(
    {
      ...plan,
      items: plan.items.map((i) => {
        const kind = kindOf(plan, pantry, i);
        return kind ? { ...i, stage: GRAINS[kind].form === 'powder' ? ('slurry' as const) : ('grain' as const) } : i;
      }),
    },
    pantry,
  );
}

/** Milk and as much water in one stage: halved by {@link halfWater}, and back. */
function undiluted(plan: Plan, pantry: Pantry): Plan {
  const water = plan.items.find((i) => i.ingredientId === 'water');
  const milk = plan.items
    .filter((i) => isMilk(plan, pantry, i) && i.stage === water?.stage)
    .sort((a, b) => b.grams - a.grams)[0];
  if (!water || !milk || Math.abs(water.grams - milk.grams) > 1) return plan;
  return refreshCarveOuts(
    {
      ...plan,
      items: plan.items
        .filter((i) => i !== water)
        .map((i) => (i === milk ? { ...i, grams: i.grams + water.grams } : i)),
    },
    pantry,
  );
}

function halfWater(plan: Plan, pantry: Pantry): Plan {
  const milk = plan.items.filter((i) => groupOf(plan, pantry, i) === 'milk').sort((a, b) => b.grams - a.grams)[0];
  if (!milk || plan.items.some((i) => i.ingredientId === 'water')) return plan;
  return refreshCarveOuts(
    {
      ...plan,
      items: [
        ...plan.items.map((i) => (i === milk ? { ...i, grams: i.grams / 2 } : i)),
        { ingredientId: 'water', grams: milk.grams / 2, stage: milk.stage },
      ],
    },
    pantry,
  );
}

/** What is told of one way to cook it. */
export type Told = {
  name: string;
  minutes: number;
  /** minutes that truly need the spoon */
  stirringMin: number;
  wordHot: string;
  wordServing: string;
  hotPaS: number;
  yieldPa: number;
  nextDayPa: number;
  bite: number;
  endMassG: number;
  sweetnessPct: number;
  toServingTempH: number;
  risks: Record<(typeof RISKS)[number], number>;
  unmould: number;
  aromaLeft: number;
  look: Forecast['look'];
  /** the layer on top: minutes in its own pan, depth in the dish */
  topMin: number;
  topMm: number;
};

export function tell(name: string, plan: Plan, pantry: Pantry): Told {
  const f = forecast(plan, pantry);
  const heats = methodOf(plan, pantry).filter((s) => s.do === 'heat');
  const stirringMin = heats.reduce((sum, s, i) => {
    const took = f.phases[i];
    return s.stirEveryS !== null && s.stirEveryS <= 15 && took ? sum + (took.endS - took.startS) / 60 : sum;
  }, 0);
  return {
    name,
    minutes: f.minutes.total,
    stirringMin,
    wordHot: f.hot.word,
    wordServing: f.serving.word,
    hotPaS: f.hot.viscosityPaS,
    yieldPa: f.serving.yieldPa,
    nextDayPa: f.nextDay.yieldPa,
    bite: f.bite,
    endMassG: f.endMassG,
    sweetnessPct: f.sweetnessPct,
    toServingTempH: f.servingTempH,
    risks: Object.fromEntries(RISKS.map((r) => [r, f.risks[r].chance])) as Told['risks'],
    unmould: f.knife.unmould,
    aromaLeft: f.aroma.length ? Math.min(...f.aroma.map((a) => a.left)) : 1,
    look: f.look,
    topMin: f.top?.minutes ?? 0,
    topMm: f.top?.depthMm ?? 0,
  };
}

export type Difference = { what: string; from: number | string; to: number | string; ratio?: number };

/** What changes from one way to another; small changes are left out. */
export function differences(a: Told, b: Told): Difference[] {
  const out: Difference[] = [];
  const number = (what: string, x: number, y: number, least: number) => {
    if (!Number.isFinite(x) || !Number.isFinite(y)) return;
    if (Math.abs(y - x) > least * Math.max(Math.abs(x), Math.abs(y), 1e-9))
      out.push({ what, from: x, to: y, ...(x !== 0 ? { ratio: y / x } : {}) });
  };
  const word = (what: string, x: string, y: string) => x !== y && out.push({ what, from: x, to: y });
  number('minutes', a.minutes, b.minutes, 0.04);
  number('minutes of stirring', a.stirringMin, b.stirringMin, 0.05);
  word('hot', a.wordHot, b.wordHot);
  word('at serving', a.wordServing, b.wordServing);
  number('hot viscosity, Pa s', a.hotPaS, b.hotPaS, 0.08);
  number('yield stress at serving, Pa', a.yieldPa, b.yieldPa, 0.05);
  number('mass left, g', a.endMassG, b.endMassG, 0.03);
  number('sweetness, %', a.sweetnessPct, b.sweetnessPct, 0.04);
  number('grain done', a.bite, b.bite, 0.01);
  number('hours to serving temperature', a.toServingTempH, b.toServingTempH, 0.05);
  number('comes out of the mould', a.unmould, b.unmould, 0.01);
  number('scent left', a.aromaLeft, b.aromaLeft, 0.1);
  number('minutes of the top layer', a.topMin, b.topMin, 0.04);
  number('top layer, mm', a.topMm, b.topMm, 0.04);
  number('cream colour', a.look.cream, b.look.cream, 0.15);
  word('tint', a.look.tint ?? 'none', b.look.tint ?? 'none');
  for (const r of RISKS)
    if (Math.abs(a.risks[r] - b.risks[r]) > 0.03) out.push({ what: `risk: ${r}`, from: a.risks[r], to: b.risks[r] });
  return out;
}

export type Compared = { school: string; question: string; sides: Told[]; differences: Difference[][] };

/** A plan cooked by each side of a school; differences are against the first side. */
export function compareSchool(school: School, plan: Plan, pantry: Pantry): Compared {
  const sides = school.sides.map((s) => tell(s.name, s.apply(plan, pantry), pantry));
  return {
    school: school.id,
    question: school.question,
    sides,
    differences: sides.slice(1).map((s) => differences(sides[0]!, s)),
  };
}

/** What a plan comes to in the pot and the dish: two plans with the same of it are one way of cooking. */
const wayOf = (plan: Plan, pantry: Pantry): string =>
  JSON.stringify([
    methodOf(plan, pantry),
    plan.items,
    plan.rest,
    plan.choices.mould ?? 'rinsed',
    plan.choices.sides ?? 'scraped down',
    plan.choices.top ?? 'raw',
    plan.choices.oven ?? 'preheated',
  ]);

/** The side that a plan is on, by its place, or -1 where it is on none. */
export function sideNow(school: School, plan: Plan, pantry: Pantry): number {
  const now = wayOf(plan, pantry);
  return school.sides.findIndex((s) => wayOf(s.apply(plan, pantry), pantry) === now);
}
