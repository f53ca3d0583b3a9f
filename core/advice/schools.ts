import { GRAINS } from '../pot/grain';
import { wetted } from '../plan/amounts';
import { topLayerOf } from '../model/topLayer';
import { methodOf } from '../plan/family';
import { followSteps } from '../plan/methodList';
import { lookUp, mainLiquid } from '../plan/bowls';
import { eachLine, linesOf, partsOf, withLines, type Line } from '../plan/layout';
import { purposeOf, type Use } from '../plan/method';
import type { Choices, Plan, IngredientLine } from '../plan/plan';
import { say, type Said } from '../say';
import { differences, tell, type Difference, type Told } from './differences';

/**
 * The schools: where cooks part ways, as two (or three) ways to cook one plan. The model says what each costs in
 * minutes, set and risk; it does not say who is right.
 */
export type Side = { name: Said; rewrite(plan: Plan): Plan };
type School = {
  id: string;
  question: Said;
  fits(plan: Plan): boolean;
  sides: readonly Side[];
};

const choose =
  (choices: Partial<Choices>) =>
  (plan: Plan): Plan => ({ ...plan, choices: { ...plan.choices, ...choices } });
const groupOf = (plan: Plan, i: IngredientLine) => lookUp(plan, i.ingredientId).group;
const has = (plan: Plan, group: string) => plan.things.some((i) => i.grams > 0 && groupOf(plan, i) === group);
const kindOf = (plan: Plan, i: IngredientLine) => lookUp(plan, i.ingredientId).thickener;
const grainy = (plan: Plan) =>
  plan.things.some((i) => {
    const kind = kindOf(plan, i);
    return kind !== undefined && GRAINS[kind].form !== 'powder';
  });
const kernels = (plan: Plan) =>
  plan.things.some((i) => {
    const kind = kindOf(plan, i);
    return kind !== undefined && GRAINS[kind].form === 'kernel';
  });
const baked = (plan: Plan) => methodOf(plan).some((s) => s.do === 'bake');
const into =
  (group: string, use: Use) =>
  (plan: Plan): Plan =>
    wetted(eachLine(plan, (i) => (groupOf(plan, i) === group ? { ...i, in: use } : i)));
const swapMain =
  (group: string, toId: string, factor = 1) =>
  (plan: Plan): Plan => {
    const first = plan.things.filter((i) => groupOf(plan, i) === group).sort((a, b) => b.grams - a.grams)[0];
    if (!first || first.ingredientId === toId) return plan;
    const id = (x: string) => (x === first.ingredientId ? toId : x);
    return wetted(
      withLines(
        plan,
        linesOf(plan).map((i) => ({
          ...i,
          ingredientId: id(i.ingredientId),
          grams: i.ingredientId === first.ingredientId ? i.grams * factor : i.grams,
        })),
        partsOf(plan).map((c) => ({ ...c, ingredientId: id(c.ingredientId) })),
      ),
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
const riceG = (plan: Plan) =>
  plan.things
    .filter((i) => kindOf(plan, i) && GRAINS[kindOf(plan, i)!].form === 'kernel')
    .reduce((s, i) => s + i.grams, 0);
const isMilk = (plan: Plan, i: IngredientLine) => groupOf(plan, i) === 'milk' && i.ingredientId !== 'water';
/** Rice is in water, and its milk follows late. */
const inWater = (plan: Plan) =>
  linesOf(plan).some((i) => i.ingredientId === 'water' && i.in === 'pot') &&
  linesOf(plan).some((i) => isMilk(plan, i) && purposeOf(i.in) === 'late');
/** Share of the rice's water that comes out of its milk. */
const FROM_MILK = 0.5;

/** Milk that was water: rice first boiled in water, and the milk follows late. */
const waterFirst = (plan: Plan): Plan => {
  if (inWater(plan)) return plan;
  const waterG = RICE_WATER * riceG(plan);
  return withLines(
    plan,
    [
      ...linesOf(plan).map((i): Line =>
        isMilk(plan, i) ? { ...i, grams: Math.max(0, i.grams - FROM_MILK * waterG), in: 'late' } : i,
      ),
      { ingredientId: 'water', grams: waterG, in: 'pot' },
    ],
    partsOf(plan).filter((c) => c.taste),
  );
};
/** And back: all of it milk, from the start. */
const milkThroughout = (plan: Plan): Plan => {
  if (!inWater(plan)) return plan;
  const waterG = RICE_WATER * riceG(plan);
  return withLines(
    plan,
    linesOf(plan)
      .filter((i) => i.ingredientId !== 'water')
      .map((i) =>
        isMilk(plan, i) && purposeOf(i.in) === 'late' ? { ...i, grams: i.grams + FROM_MILK * waterG, in: 'pot' } : i,
      ),
  );
};
/** Share that is left where cooking down does half of the starch's work. */
const REDUCED = 0.6;
const thickeners = (plan: Plan, factor: number): IngredientLine[] =>
  plan.things.map((i) => (groupOf(plan, i) === 'thickener' ? { ...i, grams: i.grams * factor } : i));
const byReduction = (plan: Plan): Plan =>
  plan.choices.reduceTo === REDUCED
    ? plan
    : wetted({ ...plan, choices: { ...plan.choices, reduceTo: REDUCED }, things: thickeners(plan, 0.5) });
const byStarch = (plan: Plan): Plan => {
  if (plan.choices.reduceTo !== REDUCED) return plan;
  const { reduceTo: _r, ...choices } = plan.choices;
  return wetted({ ...plan, choices, things: thickeners(plan, 2) });
};
const yes = () => true;

export const SCHOOLS: readonly School[] = [
  {
    id: 'sugar with grains',
    question: say('schools.whenDoesTheSugarGo'),
    fits: (p) => has(p, 'sweet'),
    sides: [
      { name: say('schools.fromTheStart'), rewrite: into('sweet', 'pot') },
      { name: say('schools.lateWhenTheGrainIs'), rewrite: into('sweet', 'late') },
    ],
  },
  {
    id: 'ground grain',
    question: say('schools.whatDoesTheGrainMeet'),
    fits: grainy,
    sides: [
      { name: say('schools.coldMilk'), rewrite: choose({ grain: 'into cold milk' }) },
      { name: say('schools.boilingMilkStirring'), rewrite: choose({ grain: 'into boiling milk' }) },
      { name: say('schools.fatFirst'), rewrite: choose({ grain: 'fried in fat first' }) },
    ],
  },
  {
    id: 'whole rice',
    question: say('schools.whatDoesTheRiceCook'),
    fits: kernels,
    sides: [
      { name: say('schools.milkThroughout'), rewrite: milkThroughout },
      { name: say('schools.waterFirstMilkAfter'), rewrite: waterFirst },
    ],
  },
  {
    id: 'rice in water',
    question: say('schools.intoWhichWater'),
    fits: kernels,
    sides: [
      { name: say('schools.coldWater'), rewrite: (p) => choose({ grain: 'into cold milk' })(waterFirst(p)) },
      { name: say('schools.boilingWater'), rewrite: (p) => choose({ grain: 'into boiling milk' })(waterFirst(p)) },
    ],
  },
  {
    id: 'yolks',
    question: say('schools.howDoTheYolksGo'),
    fits: (p) => has(p, 'egg'),
    sides: [
      { name: say('schools.tempered'), rewrite: choose({ yolks: 'tempered' }) },
      { name: say('schools.straightIn'), rewrite: choose({ yolks: 'straight in' }) },
    ],
  },
  {
    id: 'heat',
    question: say('schools.overWhat'),
    fits: yes,
    sides: [
      { name: say('schools.theRing'), rewrite: choose({ heat: 'direct' }) },
      { name: say('schools.aDoubleBoiler'), rewrite: choose({ heat: 'double boiler' }) },
    ],
  },
  {
    id: 'end point',
    question: say('schools.whenIsItDone'),
    fits: (p) => has(p, 'thickener'),
    sides: [
      { name: say('schools.itBubblesAndCooksOn'), rewrite: choose({ end: 'bubbles and cooks on' }) },
      { name: say('schools.itCoatsTheSpoon'), rewrite: choose({ end: 'coats the spoon' }) },
    ],
  },
  {
    id: 'thickening by',
    question: say('schools.whatMakesItThick'),
    // a frozen cream is always cooked down
    fits: (p) => has(p, 'thickener') && p.family !== 'frozen cream',
    sides: [
      { name: say('schools.starch'), rewrite: byStarch },
      { name: say('schools.cookingDownHalfTheStarch'), rewrite: byReduction },
    ],
  },
  {
    id: 'cooling',
    question: say('schools.whereDoesItCool'),
    fits: yes,
    sides: [
      { name: say('schools.inTheRoomFirst'), rewrite: choose({ cooling: 'room first' }) },
      { name: say('schools.straightToTheFridge'), rewrite: choose({ cooling: 'straight to the cold' }) },
      { name: say('schools.anIceBathThenThe'), rewrite: choose({ cooling: 'ice bath' }) },
    ],
  },
  {
    id: 'skin',
    question: say('schools.coveredOrOpen'),
    fits: yes,
    sides: [
      { name: say('schools.coveredNoSkin'), rewrite: rest({ covered: true }) },
      { name: say('schools.openForTheSkin'), rewrite: rest({ covered: false }) },
    ],
  },
  {
    id: 'oven',
    question: say('schools.whichOven'),
    fits: baked,
    sides: [
      { name: say('schools.preheated'), rewrite: choose({ oven: 'preheated' }) },
      { name: say('schools.coldStart'), rewrite: choose({ oven: 'cold start' }) },
    ],
  },
  {
    id: 'bath',
    question: say('schools.inWater'),
    fits: baked,
    sides: [
      { name: say('schools.inAnOpenBath'), rewrite: choose({ bath: 'open' }) },
      { name: say('schools.without'), rewrite: choose({ bath: 'none' }) },
    ],
  },
  {
    id: 'egg',
    question: say('schools.whichEgg'),
    fits: (p) => has(p, 'egg'),
    sides: [
      { name: say('schools.yolks'), rewrite: swapMain('egg', 'yolk') },
      { name: say('schools.wholeEgg'), rewrite: swapMain('egg', 'egg', 1.5) },
      {
        name: say('schools.none'),
        rewrite: (p) => ({ ...p, things: p.things.map((i) => (groupOf(p, i) === 'egg' ? { ...i, grams: 0 } : i)) }),
      },
    ],
  },
  {
    id: 'served',
    question: say('schools.warmOrCold'),
    fits: yes,
    sides: [
      {
        name: say('schools.warmAndLoose'),
        rewrite: (p) => ({ ...rest({ hours: 0.25, roomMin: 15 })(p), serve: { ...p.serve, tempC: 60 } }),
      },
      {
        name: say('schools.coldAndSet'),
        rewrite: (p) => ({ ...rest({ hours: Math.max(4, p.rest.hours) })(p), serve: { ...p.serve, tempC: 8 } }),
      },
    ],
  },
  {
    id: 'stirring',
    question: say('schools.howMuchSpoon'),
    fits: yes,
    sides: [
      { name: say('schools.neverStop'), rewrite: choose({ stirring: 'constant' }) },
      { name: say('schools.lidOnNowAndThen'), rewrite: choose({ stirring: 'lid on, now and then' }) },
    ],
  },
  {
    id: 'start',
    question: say('schools.howHotAtFirst'),
    fits: yes,
    sides: [
      { name: say('schools.fullHeatThenLower'), rewrite: choose({ start: 'full heat, then lower' }) },
      { name: say('schools.lowThroughout'), rewrite: choose({ start: 'low throughout' }) },
    ],
  },
  {
    id: 'grain',
    question: say('schools.rinsedAndSoaked'),
    fits: grainy,
    sides: [
      { name: say('schools.straightIn'), rewrite: choose({ soak: 'straight in' }) },
      { name: say('schools.soaked45Minutes'), rewrite: choose({ soak: 'soaked' }) },
    ],
  },
  {
    id: 'which rice',
    question: say('schools.whichRice'),
    fits: kernels,
    sides: [
      { name: say('schools.shortGrain'), rewrite: swapMain('thickener', 'rice_short') },
      { name: say('schools.longGrain'), rewrite: swapMain('thickener', 'rice_long') },
      { name: say('schools.glutinous'), rewrite: swapMain('thickener', 'rice_glut') },
    ],
  },
  {
    id: 'coarse grain',
    question: say('schools.groundAtHome'),
    fits: (p) => p.things.some((i) => ['ground rice', 'rice flour'].includes(kindOf(p, i) ?? '')),
    sides: [
      {
        name: say('schools.groundAtHome2'),
        rewrite: (p) => grainPlaced(swapMain('thickener', 'rice_ground')(p)),
      },
      { name: say('schools.shopFlour'), rewrite: (p) => grainPlaced(swapMain('thickener', 'rice_flour')(p)) },
    ],
  },
  {
    id: 'starch and reduction',
    question: say('schools.starchBeforeOrAfterCooking'),
    fits: (p) => has(p, 'thickener') && !grainy(p),
    sides: [
      { name: say('schools.earlyThenReduce'), rewrite: choose({ starch: 'early', reduceTo: 0.75 }) },
      { name: say('schools.reduceStarchLast'), rewrite: choose({ starch: 'last', reduceTo: 0.75 }) },
    ],
  },
  {
    id: 'after thickening',
    question: say('schools.howLongAfterItThickens'),
    fits: (p) => has(p, 'thickener'),
    sides: [
      { name: say('schools.twoMinutes'), rewrite: cookOn(2) },
      { name: say('schools.tenMinutes'), rewrite: cookOn(10) },
    ],
  },
  {
    id: 'egg in',
    question: say('schools.andOnceTheEggIs'),
    fits: (p) => has(p, 'egg') && !baked(p),
    sides: [
      { name: say('schools.heatOffAtOnce'), rewrite: choose({ eggOff: 'heat off at once' }) },
      { name: say('schools.minutesMore'), rewrite: choose({ eggOff: 'minutes more' }) },
      { name: say('schools.toBubbling'), rewrite: choose({ eggOff: 'to bubbling' }) },
    ],
  },
  {
    id: 'sugar colour',
    question: say('schools.whiteOrBrownSugar'),
    fits: (p) => has(p, 'sweet'),
    sides: [
      { name: say('schools.white'), rewrite: swapMain('sweet', 'sugar') },
      { name: say('schools.brown'), rewrite: swapMain('sweet', 'brown') },
    ],
  },
  {
    id: 'flavours',
    question: say('schools.whenDoTheFlavoursGo'),
    fits: (p) => p.things.some((i) => lookUp(p, i.ingredientId).aromaHalfS !== undefined),
    sides: [
      { name: say('schools.atTheEnd'), rewrite: into('flavour', 'off the heat') },
      { name: say('schools.fromTheStart'), rewrite: into('flavour', 'pot') },
    ],
  },
  {
    id: 'milk',
    question: say('schools.whichMilk'),
    fits: yes,
    sides: [
      { name: say('schools.undiluted'), rewrite: undiluted },
      { name: say('schools.halfWater'), rewrite: (p) => halfWater(p) },
    ],
  },
  {
    id: 'mould',
    question: say('schools.howIsTheMouldMade'),
    fits: (p) => p.serve.style === 'turned out',
    sides: [
      { name: say('schools.rinsed'), rewrite: choose({ mould: 'rinsed' }) },
      { name: say('schools.greased'), rewrite: choose({ mould: 'greased' }) },
    ],
  },
  {
    id: 'cream at the sides',
    question: say('schools.whatOfTheCreamThat'),
    fits: (p) => mainLiquid(p)?.base === 'dairy',
    sides: [
      { name: say('schools.scrapedDownAsItForms'), rewrite: choose({ sides: 'scraped down' }) },
      { name: say('schools.stirredBackAtTheEnd'), rewrite: choose({ sides: 'stirred back' }) },
      { name: say('schools.stirredBackAndSkimmed'), rewrite: choose({ sides: 'skimmed' }) },
    ],
  },
  {
    id: 'top layer',
    question: say('schools.howDoesTheTopLayer'),
    fits: (p) => topLayerOf(p) !== undefined,
    sides: [
      { name: say('schools.pouredOnRaw'), rewrite: choose({ top: 'raw' }) },
      { name: say('schools.cookedDownFirst'), rewrite: choose({ top: 'cooked down first' }) },
    ],
  },
  {
    id: 'finish',
    question: say('schools.howDoesItGetItsColour'),
    fits: (p) => p.family === 'baked slab',
    sides: [
      { name: say('schools.bakedUntilGolden'), rewrite: choose({ finish: 'baked golden' }) },
      { name: say('schools.grilledAtTheEnd'), rewrite: choose({ finish: 'grilled' }) },
    ],
  },
  {
    id: 'raisins and nuts',
    question: say('schools.whereDoThePiecesGo'),
    fits: (p) => has(p, 'piece'),
    sides: [
      { name: say('schools.inThePot'), rewrite: into('piece', 'pot') },
      { name: say('schools.onTopOnly'), rewrite: into('piece', 'top') },
    ],
  },
];

function grainPlaced(plan: Plan): Plan {
  return wetted(
    eachLine(plan, (i) => {
      const kind = kindOf(plan, i);
      return kind ? { ...i, in: GRAINS[kind].form === 'powder' ? 'slurry' : 'grain' } : i;
    }),
  );
}

/** Milk and as much water in one bowl: halved by {@link halfWater}, and back. */
function undiluted(plan: Plan): Plan {
  const lines = linesOf(plan);
  const water = lines.find((i) => i.ingredientId === 'water');
  const milk = lines.filter((i) => isMilk(plan, i) && i.in === water?.in).sort((a, b) => b.grams - a.grams)[0];
  if (!water || !milk || Math.abs(water.grams - milk.grams) > 1) return plan;
  return wetted(
    withLines(
      plan,
      lines.filter((i) => i !== water).map((i) => (i === milk ? { ...i, grams: i.grams + water.grams } : i)),
    ),
  );
}

function halfWater(plan: Plan): Plan {
  const lines = linesOf(plan);
  const milk = lines.filter((i) => groupOf(plan, i) === 'milk').sort((a, b) => b.grams - a.grams)[0];
  if (!milk || plan.things.some((i) => i.ingredientId === 'water')) return plan;
  return wetted(
    withLines(plan, [
      ...lines.map((i) => (i === milk ? { ...i, grams: i.grams / 2 } : i)),
      { ingredientId: 'water', grams: milk.grams / 2, in: milk.in },
    ]),
  );
}

type Compared = { school: string; question: Said; sides: Told[]; differences: Difference[][] };

/** The plan cooked by a side; steps of the cook's own follow. */
export const takeSide = (side: Side, plan: Plan): Plan => followSteps(plan, side.rewrite(plan));

/** A plan cooked by each side of a school; differences are against the first side. */
export function compareSchool(school: School, plan: Plan): Compared {
  const sides = school.sides.map((s) => tell(s.name, takeSide(s, plan)));
  return {
    school: school.id,
    question: school.question,
    sides,
    differences: sides.slice(1).map((s) => differences(sides[0]!, s)),
  };
}

/** What a plan comes to in the pot and the dish: two plans with the same of it are one way of cooking. */
const wayOf = (plan: Plan): string =>
  JSON.stringify([
    methodOf(plan),
    plan.things,
    plan.rest,
    plan.choices.mould ?? 'rinsed',
    plan.choices.sides ?? 'scraped down',
    plan.choices.top ?? 'raw',
    plan.choices.oven ?? 'preheated',
  ]);

/** The side that a plan is on, by its place, or -1 where it is on none. */
export function sideNow(school: School, plan: Plan): number {
  const now = wayOf(plan);
  return school.sides.findIndex((s) => wayOf(takeSide(s, plan)) === now);
}
