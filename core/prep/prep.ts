import { preparationsOf } from '../plan/layout';
import { PIECES } from '../pantry/pieces';
import { table } from '../coefficients';
import { massG } from '../matter/mixture';
import { inBowls, lookUp, mixtureOfPortions, portionsIn, type LaidPortion } from '../plan/bowls';
import { methodOf, notAdded } from '../plan/family';
import { type BakeStep, type HeatStep, type Use, purposeOf, intoPot } from '../plan/method';
import type { Plan } from '../plan/plan';
import type { Ingredient } from '../pantry/ingredient';
import { homeMilkOf, nutsFor } from '../pantry/nutMilk';
import { GRAINS } from '../pot/grain';
import { FRUIT_ROWS, leavesHardBits } from '../pantry/fruit';
import { besideOf, fruitIn } from '../sides/sides';
import { EGG_SIZES } from '../units/eggs';
import { panFit } from '../vessels/fit';
import type { Machine } from '../settings';
import { PREP_GROUPS, type PrepItem } from './items';
import { fridgeCm2 } from './vessels';
import type { Weighing } from './weigh';
import { say, type Said } from '../say';

/** What is done before the pot is lit. Hands and minutes are kitchen experience. */
export const PREP = table('Prep', {
  rinseMin: [3, 'min', 'C', 'rinsing rice in three waters'],
  soakMin: [45, 'min', 'B', 'a soak that counts; ten minutes to an hour are usual'],
  dryMin: [10, 'min', 'C', 'drained on a plate before grinding'],
  grindMin: [5, 'min', 'C', 'in short pulses, sieved by feel'],
  nutSoakMin: [60, 'min', 'C', 'nuts for milk, in hot water'],
  nutMilkMin: [12, 'min', 'C', 'blending and wringing out'],
  evenMin: [2, 'min', 'C', 'whisking a can even'],
  eggMin: [0.75, 'min', 'C', 'separating one egg'],
  whipMin: [5, 'min', 'C', 'whites to stiff'],
  steepMin: [15, 'min', 'B', 'saffron in warm milk'],
  poundMin: [3, 'min', 'C', 'resin with sugar'],
  peelMinPer100: [1.6, 'min', 'C', 'peeling and stoning 100 g of fruit'],
  mouldMin: [0.4, 'min', 'C', 'rinsing or greasing one dish'],
  lineMin: [6, 'min', 'C', 'cutting and laying paper'],
  preheatMin: [15, 'min', 'B', 'an oven to its heat'],
  bathMin: [8, 'min', 'C', 'a little water to simmering'],
  chillMin: [20, 'min', 'C', 'moulds in the freezer'],
  readyMin: [3, 'min', 'C', 'tools and cloths out'],
  jugShare: [0.03, '1', 'C', 'of a slurry that stays in an unscraped jug'],
  riceCupMl: [180, 'ml', 'A', 'the cup of a rice cooker'],
  riceGPerMl: [0.83, 'g/ml', 'B', 'raw rice, levelled'],
  ovenW: [800, 'W', 'C', 'a microwave’s own rating'],
  ovenEff: [0.6, '1', 'C', 'of it that reaches the food'],
});

const half = (x: number) => Math.max(0.5, Math.round(x * 2) / 2);

/** Eggs that give these grams of a part, to the half. */
export const eggsFor = (grams: number, part: 'yolkG' | 'whiteG' | 'egg'): number => {
  const e = EGG_SIZES['eu M'];
  return half(grams / (part === 'egg' ? e.yolkG + e.whiteG : e[part]));
};

/** Whole spices that are counted in, so that the same number comes out. */
export function countedIn(portions: readonly { ingredient: Ingredient; grams: number }[]): Said[] {
  return portions
    .filter((p) => p.ingredient.comesOut && p.grams > 0)
    .map((p) => {
      const piece = PIECES[p.ingredient.id];
      const name = p.ingredient.name;
      return piece
        ? say(`prep.piece.${piece.piece}`, { count: Math.max(1, Math.round(p.grams / piece.grams)), name })
        : say('prep.pieceGrams', { grams: p.grams, name });
    });
}

const kernel = (i: Ingredient) => i.thickener !== undefined && GRAINS[i.thickener].form === 'kernel';
const coarse = (i: Ingredient) => i.thickener !== undefined && GRAINS[i.thickener].form === 'particle';

/** How a ground grain of this size feels between two fingers. */
export const feelOf = (mm: number): Said =>
  mm >= 0.8
    ? say('prep.likeCoarseSandSingleGrains')
    : mm >= 0.3
      ? say('prep.likeSemolinaSharpBetweenThe')
      : say('prep.likeFlourWithABite');

function preppingOf(plan: Plan, machines: readonly Machine[]) {
  const all = Object.values(inBowls(plan)).flat();
  const method = methodOf(plan);
  const nuts = plan.own.flatMap((own) => {
    const home = homeMilkOf(own.id);
    const grams = all.filter((p) => p.ingredient.id === own.id).reduce((s, p) => s + p.grams, 0);
    return home && grams > 0 ? [{ own, ...home, grams, ...nutsFor(home.nut, grams, home.ratio, home.strained) }] : [];
  });
  const infused = preparationsOf(plan).flatMap((s) =>
    s.kind === 'infusion' && s.form === 'whole'
      ? countedIn([{ ingredient: { ...lookUp(plan, s.spiceId), comesOut: true }, grams: s.grams }])
      : [],
  );
  return {
    plan,
    machines,
    all,
    method,
    heats: method.filter((s): s is HeatStep => s.do === 'heat'),
    bake: method.find((s): s is BakeStep => s.do === 'bake'),
    nuts,
    /** whole spices, to be counted out again */
    spices: [...countedIn(all), ...infused],
  };
}
/** What the checklist is made of. */
type Prepping = ReturnType<typeof preppingOf>;

/** Soaked, rinsed, steeped. */
function longSteps({ plan, all, nuts }: Prepping): PrepItem[] {
  const items: PrepItem[] = [];
  const put = (item: PrepItem) => items.push(item);
  for (const n of nuts)
    put({
      id: `soak-${n.own.id}`,
      group: 'long steps first',
      title: say('prep.soak', { nutG: n.nutG, nut: n.nut }),
      how: say('prep.hotWaterWellCoveredOvernight', { waterG: n.waterG }),
      feel: n.nut === 'coconut' ? say('prep.softBetweenTheFingers') : say('prep.aNutBendsBeforeIt'),
      handsMin: 2,
      waitMin: n.nut === 'coconut' ? 30 : PREP.nutSoakMin,
      before: 'weigh',
    });
  for (const p of all) {
    const soaked = plan.choices.soak === 'soaked' && (kernel(p.ingredient) || coarse(p.ingredient));
    if (kernel(p.ingredient) || (soaked && p.ingredient.grainMm !== undefined))
      put({
        id: `rinse-${p.ingredient.id}`,
        group: 'long steps first',
        title: say('prep.value2', {
          rinse: soaked ? say('prep.rinseAndSoak') : say('prep.rinse'),
          grams: p.grams,
          ingredientName: p.ingredient.name,
        }),
        how: soaked
          ? say('prep.threeChangesOfWaterUntil', { soakMin: PREP.soakMin, dryMin: PREP.dryMin })
          : say('prep.threeChangesOfWaterUntil2'),
        feel: soaked ? say('prep.aGrainBreaksBetweenTwo') : say('prep.theWaterLooksLikeThin'),
        handsMin: PREP.rinseMin,
        ...(soaked ? { waitMin: PREP.soakMin + PREP.dryMin } : {}),
        before: 'weigh',
      });
    if (p.ingredient.id === 'saffron')
      put({
        id: 'steep-saffron',
        group: 'long steps first',
        title: say('prep.steepSaffron', { grams: p.grams }),
        how: say('prep.rubItWithAPinch'),
        feel: say('prep.theMilkIsYellowThrough'),
        handsMin: 2,
        waitMin: PREP.steepMin,
        before: 'cook',
      });
  }
  return items;
}

/** Milk that a spice draws in. */
function infusions({ plan }: Prepping): PrepItem[] {
  const items: PrepItem[] = [];
  const put = (item: PrepItem) => items.push(item);
  for (const s of preparationsOf(plan))
    if (s.kind === 'infusion') {
      const a = besideOf(plan).find((x) => x.id === s.id)!;
      const spice = lookUp(plan, s.spiceId);
      put({
        id: `infuse-${s.id}`,
        group: 'long steps first',
        title: say('prep.infuseTheMilkWith', { grams: s.grams, spiceName: spice.name }),
        how: say('prep.two', { first: a.does[0], then: a.does[1] }),
        ...(a.caution ? { caution: a.caution } : {}),
        handsMin: 4,
        waitMin: a.minutes,
        tempC: s.tempC,
        before: 'cook',
      });
    }
  return items;
}

/** Moulds that freeze start cold. */
function coldMoulds({ plan, method }: Prepping): PrepItem[] {
  const items: PrepItem[] = [];
  const put = (item: PrepItem) => items.push(item);
  const freezes = method.some((s) => s.do === 'rest' && s.where === 'freezer');
  if (freezes && plan.dish.kind !== 'tray')
    put({
      id: 'chill-moulds',
      group: 'long steps first',
      title:
        plan.dish.count > 1
          ? say(`prep.chill.${plan.dish.kind}`, { count: plan.dish.count })
          : say(`prep.chillThe.${plan.dish.kind}`),
      how: say('prep.intoTheFreezerDryNot'),
      handsMin: 2,
      waitMin: PREP.chillMin,
      before: 'pour',
    });
  return items;
}

/** Ground, pounded, blended. */
function grainAndNuts({ all, machines, nuts }: Prepping): PrepItem[] {
  const items: PrepItem[] = [];
  const put = (item: PrepItem) => items.push(item);
  for (const p of all) {
    const mm = p.ingredient.grainMm;
    if (coarse(p.ingredient) && mm !== undefined)
      put({
        id: `grind-${p.ingredient.id}`,
        group: 'grain and nuts',
        title: say('prep.grindTo', { ingredientName: p.ingredient.name, mm: Math.round(mm * 10) / 10 }),
        how: machines.includes('blender') ? say('prep.shortPulsesInTheBlender') : say('prep.inAMillOrA'),
        feel: feelOf(mm),
        handsMin: PREP.grindMin,
        before: 'weigh',
      });
    else if ((p.ingredient.ground ?? 0) >= 50 && p.ingredient.group === 'nut')
      put({
        id: `grind-${p.ingredient.id}`,
        group: 'grain and nuts',
        title: say('prep.grind', { grams: p.grams, ingredientName: p.ingredient.name }),
        how: say('prep.withTwoSpoonsOfThe'),
        feel: say('prep.dampSandOnceItClumps'),
        caution: say('prep.containsWashTheMillBefore', {
          allergens: p.ingredient.allergens.map((a) => say(`allergen.${a}`)),
        }),
        handsMin: PREP.grindMin,
        before: 'weigh',
      });
    if (p.ingredient.id === 'mastic')
      put({
        id: 'pound-mastic',
        group: 'grain and nuts',
        title: say('prep.poundMastic', { grams: p.grams }),
        how: say('prep.withASpoonOfThe'),
        feel: say('prep.powderNoCrumbs'),
        handsMin: PREP.poundMin,
        before: 'weigh',
      });
  }
  for (const n of nuts)
    put({
      id: `milk-${n.own.id}`,
      group: 'grain and nuts',
      title: say('prep.blend', { grams: n.grams, ownName: n.own.name }),
      how: say('prep.withWaterTwoMinutesWeigh', {
        nutG: n.nutG,
        nut: n.nut,
        waterG: n.waterG,
        unstrained: n.strained ? say('prep.wringItThroughACloth') : say('prep.unstrained'),
      }),
      feel: n.strained ? say('prep.thePulpInTheCloth') : say('prep.grainlessBetweenTheFingers'),
      ...(n.nut === 'coconut' ? {} : { caution: say('prep.containsTreeNutsTellYour') }),
      handsMin: PREP.nutMilkMin,
      before: 'weigh',
    });
  return items;
}

/** Cream and water of a can, one again. */
function evenCans({ all }: Prepping): PrepItem[] {
  const items: PrepItem[] = [];
  const put = (item: PrepItem) => items.push(item);
  for (const p of groupsOf(all))
    if (p.ingredient.id === 'coconut_milk' || p.ingredient.id === 'coconut_cream')
      put({
        id: `even-${p.ingredient.id}`,
        group: 'milk and egg',
        title: say('prep.whiskTheEven', { ingredientName: p.ingredient.name }),
        how: say('prep.emptyTheWholeCanInto'),
        feel: say('prep.itRunsOffTheWhisk'),
        handsMin: PREP.evenMin,
        before: 'weigh',
      });
  return items;
}

/** Made ready as each fruit needs it. */
function fruit({ plan }: Prepping): PrepItem[] {
  const items: PrepItem[] = [];
  const put = (item: PrepItem) => items.push(item);
  const bought = [
    ...preparationsOf(plan).flatMap((p) =>
      p.kind === 'purée' ? [{ id: p.id, fruit: p.fruit, boughtG: p.boughtG }] : [],
    ),
    ...plan.vessels.flatMap((v) =>
      fruitIn(v).map(({ fruit: f, grams }, i) => ({
        id: i === 0 ? v.id : `${v.id}-${f}`,
        fruit: f,
        boughtG: grams / FRUIT_ROWS[f].edible,
      })),
    ),
  ];
  for (const s of bought) {
    const f = FRUIT_ROWS[s.fruit];
    const left = s.boughtG * f.edible;
    put({
      id: `peel-${s.id}`,
      group: 'fruit',
      title: say(`prep.fruit.${f.ready}`, { boughtG: s.boughtG, fruit: s.fruit }),
      how: say('prep.aboutAreLeftToEat', { left, edible: f.edible * 100 }),
      ...(leavesHardBits(f) ? { caution: say('prep.countStonesAndPipsOut') } : {}),
      handsMin: Math.max(2, (PREP.peelMinPer100 * s.boughtG) / 100),
      before: 'serve',
    });
  }
  return items;
}

/** Water under the bowl. */
function bathOfWater({ plan, heats }: Prepping): PrepItem[] {
  const items: PrepItem[] = [];
  const put = (item: PrepItem) => items.push(item);
  const bath = heats.find((s) => s.over);
  if (bath?.over) {
    const depthMm = (bath.over.waterG * 1000) / ((Math.PI * plan.pan.diameterMm ** 2) / 4);
    put({
      id: 'double-boiler',
      group: 'dish and oven',
      title: say('prep.ofWaterUnderTheBowl', { depthMm }),
      how: say('prep.waterInTheCmPan', {
        waterG: bath.over.waterG,
        diameterMm: plan.pan.diameterMm / 10,
        look: bath.over.touching ? say('prep.touchesIt') : say('prep.hangsClearOfItLift'),
      }),
      caution: say('prep.steamUnderTheBowlScalds'),
      handsMin: 2,
      waitMin: PREP.bathMin,
      before: 'cook',
    });
  }
  return items;
}

/** Once it thickens there is no time to look for a ladle. */
function withinReach({ plan, method, heats, spices }: Prepping): PrepItem[] {
  const items: PrepItem[] = [];
  const put = (item: PrepItem) => items.push(item);
  const tempered = method.some((s) => intoPot(s) && s.ladleG !== undefined);
  const whisk = method.some((s) => intoPot(s) && s.stirring === 'whisk');
  const custard = heats.some((s) => s.role !== 'warm' && s.until.reach === 'temperature');
  const reach = [
    whisk && plan.choices.hands !== 'spoon only' && 'whisk',
    'scraper',
    tempered && 'ladle',
    'sieve',
    custard && 'bowl',
    spices.length > 0 && 'plate',
    'cloth',
    plan.rest.covered && 'cover',
    heats.some((s) => s.until.reach === 'share') && 'stick',
    !plan.rules.includes('nobody tastes') && 'spoons',
  ].filter((tool) => tool !== false);
  const fit = panFit(plan);
  put({
    id: 'within-reach',
    group: 'within reach',
    title: say('prep.withinReachOfThePot'),
    how: say('prep.onceItThickensThereIs', {
      reach: reach.map((tool) => say(`prep.tool.${tool}`)),
    }),
    ...(fit.says === 'fits'
      ? {}
      : {
          caution:
            fit.says === 'too small'
              ? say('prep.thePanIsTooSmall', { headroomMm: fit.headroomMm })
              : say('prep.foamWillClimbToThe', { headroomMm: fit.headroomMm }),
        }),
    handsMin: PREP.readyMin,
    before: 'cook',
  });
  return items;
}

const LISTS: readonly ((p: Prepping) => PrepItem[])[] = [
  longSteps,
  infusions,
  coldMoulds,
  grainAndNuts,
  evenCans,
  ({ plan }) => eggItems(plan),
  fruit,
  ({ plan, spices }) => keptBack(plan, spices),
  ({ plan, bake }) => dishItems(plan, bake),
  bathOfWater,
  ({ plan, machines, bake }) => machineItems(plan, machines, bake),
  withinReach,
];

/**
 * The checklist of a plan, long steps first. Pure: the same plan and the same machines give the same list.
 * @param machines that this cook has besides a hob and an oven
 * @throws UnknownIngredientError
 */
export function prepOf(plan: Plan, machines: readonly Machine[] = []): PrepItem[] {
  const prepping = preppingOf(plan, machines);
  const items = LISTS.flatMap((list) => list(prepping));
  const order = (i: PrepItem) => PREP_GROUPS.indexOf(i.group);
  return items
    .filter((i, k) => items.findIndex((o) => o.id === i.id) === k)
    .sort((a, b) => order(a) - order(b) || (b.waitMin ?? 0) - (a.waitMin ?? 0));
}

/** What the side pots want weighed, a pan each. */
export const sideWeighings = (plan: Plan): Weighing[] =>
  besideOf(plan).flatMap((s) =>
    s.uses.map((u) => ({
      ingredient: lookUp(plan, u.ingredientId),
      grams: u.grams,
      carved: false,
      in: 'pot',
      key: `${s.id}/${u.ingredientId}`,
      into: say('prep.thePan', { kind: s.name }),
      side: true as const,
    })),
  );

/** One portion of each ingredient, its stages added up. */
function groupsOf(portions: readonly LaidPortion[]): { ingredient: Ingredient; grams: number }[] {
  const sums = new Map<string, { ingredient: Ingredient; grams: number }>();
  for (const p of portions) {
    const old = sums.get(p.ingredient.id);
    sums.set(p.ingredient.id, { ingredient: p.ingredient, grams: (old?.grams ?? 0) + p.grams });
  }
  return [...sums.values()];
}

function eggItems(plan: Plan): PrepItem[] {
  const stages = inBowls(plan);
  const items: PrepItem[] = [];
  const grams = (id: string) => plan.things.filter((i) => i.ingredientId === id).reduce((s, i) => s + i.grams, 0);
  const [yolkG, whiteG, eggG] = [grams('yolk'), grams('white'), grams('egg')];
  const raw = say('prep.rawEggCleanHandsAnd');
  if (yolkG > 0 || whiteG > 0) {
    const n = Math.max(
      yolkG > 0 ? Math.ceil(eggsFor(yolkG, 'yolkG')) : 0,
      whiteG > 0 ? Math.ceil(eggsFor(whiteG, 'whiteG')) : 0,
    );
    const e = EGG_SIZES['eu M'];
    const [whitesLeft, yolksLeft] = [n * e.whiteG - whiteG, n * e.yolkG - yolkG];
    const left =
      whitesLeft > e.whiteG * 0.6
        ? say(whiteG > 0 ? 'prep.whitesOver' : 'prep.whitesLeft', { whitesLeft })
        : yolksLeft > e.yolkG * 0.6
          ? say('prep.yolkIsLeftIntoThe', { yolksLeft })
          : undefined;
    items.push({
      id: 'separate',
      group: 'milk and egg',
      title: say('prep.separate', { count: n }),
      how: say('prep.coldEggsPartBestEach', {
        yolks: yolkG > 0 ? say('prep.yolks', { count: eggsFor(yolkG, 'yolkG'), grams: yolkG }) : undefined,
        whites: whiteG > 0 ? say('prep.white', { whiteG }) : undefined,
        left,
      }),
      caution: raw,
      handsMin: Math.max(1, n * PREP.eggMin),
      before: 'weigh',
    });
  }
  if (eggG > 0)
    items.push({
      id: 'break-eggs',
      group: 'milk and egg',
      title: say('prep.break', { count: eggsFor(eggG, 'egg') }),
      how: say('prep.withoutShellEachOverA', { eggG }),
      caution: raw,
      handsMin: 1,
      before: 'weigh',
    });
  if (stages['fold in'].some((p) => p.ingredient.id === 'white'))
    items.push({
      id: 'whip-whites',
      group: 'milk and egg',
      title: say('prep.whipTheWhitesStiff'),
      how: say('prep.aBowlFreeOfFat'),
      feel: say('prep.aPeakStandsItsTip'),
      caution: raw,
      handsMin: PREP.whipMin,
      before: 'pour',
    });
  if (stages.bowl.length) {
    const bowlMl = massG(mixtureOfPortions(stages.bowl)) / 1.03;
    const ladles = plan.choices.yolks === undefined || plan.choices.yolks === 'tempered' ? 4 * 60 : 0;
    items.push({
      id: 'egg-bowl',
      group: 'milk and egg',
      title: say('prep.aBowlOfOrMore', { ladles: 3 * (bowlMl + ladles) }),
      how: say('prep.inItAndRoomTo', {
        bowlMl: bowlMl * 1.03,
        top: ladles ? say('prep.fourLadlesOfHotMilk') : undefined,
      }),
      handsMin: 0.5,
      before: 'cook',
    });
  }
  return items;
}

function keptBack(plan: Plan, spices: readonly Said[]): PrepItem[] {
  const bowls = inBowls(plan);
  const items: PrepItem[] = [];
  for (const use of Object.keys(bowls) as Use[])
    for (const p of bowls[use]) {
      if (!p.carved && !p.taste) continue;
      const total = plan.things.filter((i) => i.ingredientId === p.ingredient.id).reduce((s, i) => s + i.grams, 0);
      const where = say(p.taste ? 'prep.where.taste' : `prep.where.${use}`);
      const rest = say('prep.ofTheNotOnTop', { grams: p.grams, total, grams2: Math.max(0, total - p.grams) });
      items.push({
        id: `keep-${p.ingredient.id}-${p.taste ? 'taste' : p.in}`,
        group: 'kept back',
        title: say('prep.keepBack', { grams: p.grams, ingredientName: p.ingredient.name, where }),
        how: p.taste ? say('prep.restToTaste', { rest }) : rest,
        handsMin: 0.5,
        before: 'weigh',
      });
    }
  if (bowls.slurry.length) {
    const slurryG = bowls.slurry.reduce((s, p) => s + p.grams, 0);
    const starchG = bowls.slurry.filter((p) => p.ingredient.thickener).reduce((s, p) => s + p.grams, 0);
    const left = jugShare(plan, 'slurry') || PREP.jugShare;
    items.push({
      id: 'slurry-jug',
      group: 'kept back',
      title: say('prep.aJugOfForThe', { slurryG: 2 * slurryG }),
      how: say('prep.aboutStaysInAJug', { left: slurryG * left, left2: starchG * left }),
      feel: say('prep.noLumpUnderTheWhisk'),
      handsMin: 0.5,
      before: 'cook',
    });
  }
  if (spices.length)
    items.push({
      id: 'count-in',
      group: 'kept back',
      title: say('prep.countedIn', { spices }),
      how: say('prep.writeTheNumberDownThe'),
      caution: say('prep.aForgottenWholeSpiceIs'),
      handsMin: 0.5,
      before: 'cook',
    });
  const forgotten = notAdded(plan, methodOf(plan));
  for (const bowl of forgotten)
    items.push({
      id: `nowhere-${bowl}`,
      group: 'kept back',
      title: say('prep.noStepAdds', {
        ingredientName: portionsIn(plan, bowl)
          .map((p) => p.ingredient.name)
          .join(', '),
      }),
      how: say('prep.theWrittenOutMethodLeaves'),
      handsMin: 0,
      before: 'weigh',
      advice: true,
    });
  return items;
}

const jugShare = (plan: Plan, use: Use): number =>
  methodOf(plan).reduce((s, m) => (intoPot(m) && purposeOf(m.from) === use ? Math.max(s, m.left) : s), 0);

function dishItems(plan: Plan, bake: BakeStep | undefined): PrepItem[] {
  const items: PrepItem[] = [];
  const { dish } = plan;
  const them = dish.count > 1 ? say(`dishes.${dish.kind}`, { count: dish.count }) : say(`prep.the.${dish.kind}`);
  const out = plan.serve.style === 'turned out';
  if (plan.serve.style === 'cut' || (out && dish.kind === 'bowl'))
    items.push({
      id: 'line',
      group: 'dish and oven',
      title: say('prep.line', { them }),
      how: say('prep.discAndStripOrOne'),
      handsMin: PREP.lineMin * Math.min(dish.count, 4),
      before: 'pour',
      lining: true,
    });
  else if (out)
    items.push({
      id: 'mould',
      group: 'dish and oven',
      title: plan.choices.mould === 'greased' ? say('prep.grease', { them }) : say('prep.rinseWithColdWater', { them }),
      how: plan.choices.mould === 'greased' ? say('prep.aFilmOfMildOil') : say('prep.tipThemOutDoNot'),
      handsMin: Math.max(1, PREP.mouldMin * dish.count),
      before: 'pour',
    });
  else
    items.push({
      id: 'dishes-out',
      group: 'dish and oven',
      title: say('prep.setOut', { them }),
      how: say('prep.onATrayThatFits'),
      ...(dish.wall === 'glass' ? { caution: say('prep.hotFillingCracksColdGlass') } : {}),
      handsMin: 1,
      before: 'pour',
    });
  for (const part of plan.portions)
    items.push({
      id: `portion-${part.id}`,
      group: 'dish and oven',
      title: say('prep.setOutFor', {
        them:
          part.dish.count > 1
            ? say(`dishes.${part.dish.kind}`, { count: part.dish.count })
            : say(`prep.the.${part.dish.kind}`),
        name: part.name,
      }),
      how: say('prep.shareOfThePot', { percent: Math.round(100 * part.share) }),
      handsMin: 1,
      before: 'pour',
    });
  if (bake && bake.from === 'hot')
    items.push({
      id: 'preheat',
      group: 'dish and oven',
      title: say('prep.heatTheOven'),
      how: say('prep.shelfInTheMiddle', { it: bake.bath === 'none' ? undefined : say('prep.theBathTinOnIt') }),
      tempC: bake.ovenC,
      handsMin: 1,
      waitMin: PREP.preheatMin,
      before: 'bake',
    });
  else if (bake)
    items.push({
      id: 'oven-cold',
      group: 'dish and oven',
      title: say('prep.leaveTheOvenCold'),
      how: say('prep.itGoesInColdAnd'),
      tempC: bake.ovenC,
      handsMin: 0,
      before: 'bake',
      advice: true,
    });
  if (plan.rest.hours > 0.5 && plan.serve.tempC < 40)
    items.push({
      id: 'shelf',
      group: 'dish and oven',
      title: say('prep.clearCmOfShelf', { dish: Math.round(fridgeCm2(dish) / 100) * 100 }),
      how: say('prep.levelAirAroundItNothing'),
      handsMin: 2,
      before: 'pour',
    });
  return items;
}

function machineItems(plan: Plan, machines: readonly Machine[], bake: BakeStep | undefined): PrepItem[] {
  const items: PrepItem[] = [];
  const advice = { group: 'machines', handsMin: 0, before: 'cook', advice: true } as const;
  const stages = inBowls(plan);
  const all = Object.values(stages).flat();
  if (machines.includes('rice cooker')) {
    const rice = all.filter((p) => kernel(p.ingredient));
    const riceG = rice.reduce((s, p) => s + p.grams, 0);
    const waterG = all.filter((p) => p.ingredient.id === 'water').reduce((s, p) => s + p.grams, 0);
    if (riceG > 0) {
      const cups = (x: number) => Math.round((10 * x) / PREP.riceCupMl) / 10;
      items.push({
        ...advice,
        id: 'rice-cooker',
        title: say('prep.inTheRiceCooker'),
        how: say('prep.itsOwnCupIsMl', {
          riceCupMl: PREP.riceCupMl,
          riceGPerMl: cups(riceG / PREP.riceGPerMl),
          says: waterG > 0 ? say('prep.ofWater', { waterG: cups(waterG) }) : say('prep.asMuchWaterAsThe'),
        }),
      });
    }
  }
  if (machines.includes('microwave')) {
    const pot = stages.pot.filter((p) => p.ingredient.group === 'milk').reduce((s, p) => s + p.grams, 0);
    const toC = inBowls(plan).slurry.length ? Math.min(60, plan.method.slurryAtC) : 60;
    const minutes = (pot * 3.9 * (toC - 6)) / (PREP.ovenW * PREP.ovenEff) / 60;
    if (pot > 0)
      items.push({
        ...advice,
        id: 'microwave',
        title: say('prep.warmTheMilkInThe', { minutes, ovenW: PREP.ovenW }),
        how: say('prep.inTwoGoesStirredIn'),
        tempC: toC,
        caution: say('prep.microwavedLiquidBoilsUpLate'),
      });
  }
  if (machines.includes('grill') && bake && bake.grillMin === 0)
    items.push({
      ...advice,
      id: 'grill',
      before: 'bake',
      title: say('prep.colourUnderTheGrillAt'),
      how: say('prep.twoToThreeMinutesA'),
      caution: say('prep.theDishIsHotAll'),
    });
  if (machines.includes('blender') && all.some((p) => (p.ingredient.pulp ?? 0) > 0))
    items.push({
      ...advice,
      id: 'blender',
      title: say('prep.smoothThePurEIn'),
      how: say('prep.coldOrHandWarmA'),
      caution: say('prep.neverBlendAnythingThatSteams'),
    });
  return items;
}
