import { table } from '../coefficients';
import { massG } from '../matter/mixture';
import { atStages, lookUp, mixtureOfPortions, type StagedPortion } from '../plan/stages';
import { methodOf, notAdded } from '../plan/family';
import type { BakeStep, HeatStep, Stage } from '../plan/method';
import type { Plan } from '../plan/plan';
import type { Ingredient } from '../pantry/ingredient';
import { homeMilkOf, nutsFor } from '../pantry/nutMilk';
import type { Pantry } from '../pantry/pantry';
import { GRAINS } from '../pot/grain';
import { FRUIT_ROWS } from '../sides/fruit';
import { sideOf } from '../sides/sides';
import { EGG_SIZES } from '../units/eggs';
import { panFit } from '../vessels/fit';
import type { Machine } from '../settings';
import { PREP_GROUPS, type PrepItem } from './items';
import { fridgeCm2 } from './vessels';
import type { Weighing } from './weigh';

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

/** g of one piece of what is counted in and out (C). */
export const PIECE_G: Readonly<Record<string, { grams: number; one: string; many: string }>> = {
  cinnamon: { grams: 4, one: 'stick', many: 'sticks' },
  vanilla_pod: { grams: 3, one: 'pod', many: 'pods' },
  clove: { grams: 0.1, one: 'clove', many: 'cloves' },
  star_anise: { grams: 1.5, one: 'star', many: 'stars' },
  bay_leaf: { grams: 0.3, one: 'leaf', many: 'leaves' },
  orange_leaf: { grams: 0.5, one: 'leaf', many: 'leaves' },
  cardamom: { grams: 0.2, one: 'pod', many: 'pods' },
  lemon_peel: { grams: 2, one: 'strip', many: 'strips' },
  orange_peel: { grams: 2, one: 'strip', many: 'strips' },
  ginger: { grams: 5, one: 'slice', many: 'slices' },
};

const g = (grams: number) => `${grams < 10 ? Math.round(grams * 10) / 10 : Math.round(grams)} g`;
const ml = (x: number) => (x >= 950 ? `${Math.round(x / 100) / 10} l` : `${Math.ceil(x / 50) * 50} ml`);
const some = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;
const half = (x: number) => Math.max(0.5, Math.round(x * 2) / 2);
const count = (x: number) => (Number.isInteger(x) ? String(x) : x < 1 ? '½' : `${Math.floor(x)}½`);

/** Eggs that give these grams of a part, to the half. */
export const eggsFor = (grams: number, part: 'yolkG' | 'whiteG' | 'egg'): number => {
  const e = EGG_SIZES['eu M'];
  return half(grams / (part === 'egg' ? e.yolkG + e.whiteG : e[part]));
};

/** Whole spices that are counted in, so that the same number comes out. */
export function countedIn(portions: readonly { ingredient: Ingredient; grams: number }[]): string[] {
  return portions
    .filter((p) => p.ingredient.comesOut && p.grams > 0)
    .map((p) => {
      const piece = PIECE_G[p.ingredient.id];
      const name = p.ingredient.name;
      return piece
        ? `${some(Math.max(1, Math.round(p.grams / piece.grams)), piece.one, piece.many)} (${name})`
        : `${g(p.grams)} ${name}`;
    });
}

const kernel = (i: Ingredient) => i.thickener !== undefined && GRAINS[i.thickener].form === 'kernel';
const coarse = (i: Ingredient) => i.thickener !== undefined && GRAINS[i.thickener].form === 'particle';

/** How a ground grain of this size feels between two fingers. */
export const feelOf = (mm: number): string =>
  mm >= 0.8
    ? 'Like coarse sand: single grains are felt and seen.'
    : mm >= 0.3
      ? 'Like semolina: sharp between the fingers, no dust that sticks.'
      : 'Like flour with a bite: it clings, and a few grains are still felt.';

/**
 * The checklist of a plan, long steps first. Pure: the same plan and the same machines give the same list.
 * @param machines that this cook has besides a hob and an oven
 * @throws UnknownIngredientError
 */
export function prepOf(plan: Plan, pantry: Pantry, machines: readonly Machine[] = []): PrepItem[] {
  const stages = atStages(plan, pantry);
  const all = Object.values(stages).flat();
  const method = methodOf(plan, pantry);
  const heats = method.filter((s): s is HeatStep => s.do === 'heat');
  const bake = method.find((s): s is BakeStep => s.do === 'bake');
  const has = (m: Machine) => machines.includes(m);
  const items: PrepItem[] = [];
  const put = (item: PrepItem) => items.push(item);
  const nuts = plan.own.flatMap((own) => {
    const home = homeMilkOf(own.id);
    const grams = all.filter((p) => p.ingredient.id === own.id).reduce((s, p) => s + p.grams, 0);
    return home && grams > 0 ? [{ own, ...home, grams, ...nutsFor(home.nut, grams, home.ratio, home.strained) }] : [];
  });

  // long steps first
  for (const n of nuts)
    put({
      id: `soak-${n.own.id}`,
      group: 'long steps first',
      title: `Soak ${g(n.nutG)} ${n.nut}`,
      how: `Hot water, well covered; overnight in cold does as well. Drain and rinse; weigh ${g(n.waterG)} fresh water for blending.`,
      feel: n.nut === 'coconut' ? 'Soft between the fingers.' : 'A nut bends before it breaks.',
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
        title: `${soaked ? 'Rinse and soak' : 'Rinse'} ${g(p.grams)} ${p.ingredient.name}`,
        how: soaked
          ? `Three changes of water, until it runs nearly clear. Soak ${PREP.soakMin} min in cold water, drain, and let it dry ${PREP.dryMin} min on a plate.`
          : 'Three changes of water, until it runs nearly clear. Drain well: the water that clings counts.',
        feel: soaked ? 'A grain breaks between two nails.' : 'The water looks like thin milk no more.',
        handsMin: PREP.rinseMin,
        ...(soaked ? { waitMin: PREP.soakMin + PREP.dryMin } : {}),
        before: 'weigh',
      });
    if (p.ingredient.id === 'saffron')
      put({
        id: 'steep-saffron',
        group: 'long steps first',
        title: `Steep ${g(p.grams)} saffron`,
        how: 'Rub it with a pinch of the sugar, then into three spoons of the warm milk, covered.',
        feel: 'The milk is yellow through, the threads pale.',
        handsMin: 2,
        waitMin: PREP.steepMin,
        before: 'cook',
      });
  }
  const spices = countedIn(all);
  for (const s of plan.sides)
    if (s.kind === 'infusion') {
      const a = sideOf(s, plan, pantry);
      const spice = lookUp(pantry, plan, s.spiceId);
      if (s.form === 'whole') spices.push(...countedIn([{ ingredient: { ...spice, comesOut: true }, grams: s.grams }]));
      put({
        id: `infuse-${s.id}`,
        group: 'long steps first',
        title: `Infuse the milk with ${g(s.grams)} ${spice.name}`,
        how: a.does.join(' '),
        ...(a.caution ? { caution: a.caution } : {}),
        handsMin: 4,
        waitMin: a.minutes,
        tempC: s.tempC,
        before: 'cook',
      });
    }
  const freezes = method.some((s) => s.do === 'rest' && s.where === 'freezer');
  if (freezes && plan.dish.kind !== 'tray')
    put({
      id: 'chill-moulds',
      group: 'long steps first',
      title: plan.dish.count > 1 ? `Chill ${plan.dish.count} ${plan.dish.kind}s` : `Chill the ${plan.dish.kind}`,
      how: 'Into the freezer, dry. Not if they are glass: hot cream cracks cold glass.',
      handsMin: 2,
      waitMin: PREP.chillMin,
      before: 'pour',
    });

  // grain and nuts
  for (const p of all) {
    const mm = p.ingredient.grainMm;
    if (coarse(p.ingredient) && mm !== undefined)
      put({
        id: `grind-${p.ingredient.id}`,
        group: 'grain and nuts',
        title: `Grind ${p.ingredient.name} to ${Math.round(mm * 10) / 10} mm`,
        how: has('blender')
          ? 'Short pulses in the blender, shaking it in between. Stop early: flour sets like paste.'
          : 'In a mill or a mortar, a handful at a time, through a coarse sieve.',
        feel: feelOf(mm),
        handsMin: PREP.grindMin,
        before: 'weigh',
      });
    else if ((p.ingredient.ground ?? 0) >= 50 && p.ingredient.group === 'nut')
      put({
        id: `grind-${p.ingredient.id}`,
        group: 'grain and nuts',
        title: `Grind ${g(p.grams)} ${p.ingredient.name}`,
        how: 'With two spoons of the sugar, in pulses: the sugar keeps the oil in.',
        feel: 'Damp sand. Once it clumps it has turned to butter.',
        caution: `Contains ${p.ingredient.allergens.join(', ')}: wash the mill before anything else goes in.`,
        handsMin: PREP.grindMin,
        before: 'weigh',
      });
    if (p.ingredient.id === 'mastic')
      put({
        id: 'pound-mastic',
        group: 'grain and nuts',
        title: `Pound ${g(p.grams)} mastic`,
        how: 'With a spoon of the sugar, lightly: warm resin sticks to the mortar.',
        feel: 'Powder, no crumbs.',
        handsMin: PREP.poundMin,
        before: 'weigh',
      });
  }
  for (const n of nuts)
    put({
      id: `milk-${n.own.id}`,
      group: 'grain and nuts',
      title: `Blend ${g(n.grams)} ${n.own.name}`,
      how: `${g(n.nutG)} ${n.nut} with ${g(n.waterG)} water, two minutes${n.strained ? ', wring it through a cloth: press until your hands give up' : ', unstrained'}. Weigh what you get and make it up with water.`,
      feel: n.strained ? 'The pulp in the cloth crumbles dry.' : 'Grainless between the fingers.',
      ...(n.nut === 'coconut' ? {} : { caution: 'Contains tree nuts: tell your guests.' }),
      handsMin: PREP.nutMilkMin,
      before: 'weigh',
    });

  // milk and egg
  for (const p of groupsOf(all))
    if (p.ingredient.id === 'coconut_milk' || p.ingredient.id === 'coconut_cream')
      put({
        id: `even-${p.ingredient.id}`,
        group: 'milk and egg',
        title: `Whisk the ${p.ingredient.name} even`,
        how: 'Empty the whole can into a bowl, cream and water, and whisk until no lump is left. Then weigh.',
        feel: 'It runs off the whisk in one thickness.',
        handsMin: PREP.evenMin,
        before: 'weigh',
      });
  items.push(...eggItems(plan, stages));

  // fruit
  for (const s of plan.sides)
    if (s.kind === 'compote' || s.kind === 'purée') {
      const f = FRUIT_ROWS[s.fruit];
      const left = s.boughtG * f.edible;
      put({
        id: `peel-${s.id}`,
        group: 'fruit',
        title: `Peel and stone ${g(s.boughtG)} ${s.fruit}`,
        how: `About ${g(left)} are left to eat, ${Math.round(f.edible * 100)} in 100. Weigh what is in the bowl: the sugar goes by that.`,
        caution: 'Count stones and pips out: a forgotten one breaks teeth.',
        handsMin: Math.max(2, (PREP.peelMinPer100 * s.boughtG) / 100),
        before: 'serve',
      });
    }

  // kept back
  items.push(...keptBack(plan, pantry, stages, spices));

  // dish and oven
  items.push(...dishItems(plan, bake));
  const bath = heats.find((s) => s.over);
  if (bath?.over) {
    const depthMm = (bath.over.waterG * 1000) / ((Math.PI * plan.pan.diameterMm ** 2) / 4);
    put({
      id: 'double-boiler',
      group: 'dish and oven',
      title: `${Math.round(depthMm)} mm of water under the bowl`,
      how: `${g(bath.over.waterG)} water in the ${plan.pan.diameterMm / 10} cm pan, simmering, never boiling hard. The bowl ${bath.over.touching ? 'touches it' : 'hangs clear of it: lift and look'}. Steel heats fastest.`,
      caution: 'Steam under the bowl scalds: lift it away from you, with a dry cloth.',
      handsMin: 2,
      waitMin: PREP.bathMin,
      before: 'cook',
    });
  }

  items.push(...machineItems(plan, pantry, stages, machines, bake));

  // within reach
  const tempered = method.some((s) => s.do === 'add' && s.ladleG !== undefined);
  const whisk = method.some((s) => s.do === 'add' && s.stirring === 'whisk');
  const custard = heats.some((s) => s.name !== 'warm' && s.until.reach === 'temperature');
  const reach = [
    whisk && plan.choices.hands !== 'spoon only' ? 'whisk' : '',
    'flat spoon or scraper',
    tempered ? 'ladle' : '',
    'sieve',
    custard ? 'cold bowl in the sink' : '',
    spices.length ? 'plate for the spices' : '',
    'cloth and a heatproof mat',
    plan.rest.covered ? 'cover that touches the surface' : '',
    heats.some((s) => s.until.reach === 'share') ? 'wooden stick to mark the depth' : '',
    'clean tasting spoons',
  ].filter((t) => t !== '' && !(t === 'clean tasting spoons' && plan.rules.includes('nobody tastes')));
  const fit = panFit(plan, pantry);
  put({
    id: 'within-reach',
    group: 'within reach',
    title: 'Within reach of the pot',
    how: `${reach.join(', ')}. Once it thickens there is no time to look for them.`,
    ...(fit.says === 'fits'
      ? {}
      : {
          caution:
            fit.says === 'too small'
              ? `The pan is too small: ${Math.round(fit.headroomMm)} mm are left to the rim. Take a bigger one.`
              : `Foam will climb: ${Math.round(fit.headroomMm)} mm to the rim. Stay with it.`,
        }),
    handsMin: PREP.readyMin,
    before: 'cook',
  });
  const order = (i: PrepItem) => PREP_GROUPS.indexOf(i.group);
  return items
    .filter((i, k) => items.findIndex((o) => o.id === i.id) === k)
    .sort((a, b) => order(a) - order(b) || (b.waitMin ?? 0) - (a.waitMin ?? 0));
}

/** What the side pots want weighed, a pan each. */
export const sideWeighings = (plan: Plan, pantry: Pantry): Weighing[] =>
  plan.sides.flatMap((s) =>
    sideOf(s, plan, pantry).uses.map((u) => ({
      ingredient: lookUp(pantry, plan, u.ingredientId),
      grams: u.grams,
      carved: false,
      key: `${s.id}/${u.ingredientId}`,
      into: `the ${s.kind} pan`,
      side: true as const,
    })),
  );

/** One portion of each ingredient, its stages added up. */
function groupsOf(portions: readonly StagedPortion[]): { ingredient: Ingredient; grams: number }[] {
  const sums = new Map<string, { ingredient: Ingredient; grams: number }>();
  for (const p of portions) {
    const old = sums.get(p.ingredient.id);
    sums.set(p.ingredient.id, { ingredient: p.ingredient, grams: (old?.grams ?? 0) + p.grams });
  }
  return [...sums.values()];
}

function eggItems(plan: Plan, stages: Record<Stage, StagedPortion[]>): PrepItem[] {
  const items: PrepItem[] = [];
  const grams = (id: string) => plan.items.filter((i) => i.ingredientId === id).reduce((s, i) => s + i.grams, 0);
  const [yolkG, whiteG, eggG] = [grams('yolk'), grams('white'), grams('egg')];
  const raw = 'Raw egg: clean hands and board. Use pasteurised egg for the very young, old, pregnant or ill.';
  if (yolkG > 0 || whiteG > 0) {
    const n = Math.max(
      yolkG > 0 ? Math.ceil(eggsFor(yolkG, 'yolkG')) : 0,
      whiteG > 0 ? Math.ceil(eggsFor(whiteG, 'whiteG')) : 0,
    );
    const e = EGG_SIZES['eu M'];
    const [whitesLeft, yolksLeft] = [n * e.whiteG - whiteG, n * e.yolkG - yolkG];
    const left =
      whitesLeft > e.whiteG * 0.6
        ? `${g(whitesLeft)} white ${whiteG > 0 ? 'is left over' : 'are left'}: freeze it dated, or keep it two days covered in the fridge.`
        : yolksLeft > e.yolkG * 0.6
          ? `${g(yolksLeft)} yolk is left: into the next custard within a day.`
          : '';
    items.push({
      id: 'separate',
      group: 'milk and egg',
      title: `Separate ${some(n, 'egg', 'eggs')}`,
      how: `${yolkG > 0 ? `${count(eggsFor(yolkG, 'yolkG'))} ${eggsFor(yolkG, 'yolkG') > 1 ? 'yolks' : 'yolk'}, ${g(yolkG)}. ` : ''}${whiteG > 0 ? `${g(whiteG)} white. ` : ''}Cold eggs part best, each over a cup first. ${left}`.trim(),
      caution: raw,
      handsMin: Math.max(1, n * PREP.eggMin),
      before: 'weigh',
    });
  }
  if (eggG > 0)
    items.push({
      id: 'break-eggs',
      group: 'milk and egg',
      title: `Break ${count(eggsFor(eggG, 'egg'))} ${eggsFor(eggG, 'egg') > 1 ? 'eggs' : 'egg'}`,
      how: `${g(eggG)} without shell, each over a cup first.`,
      caution: raw,
      handsMin: 1,
      before: 'weigh',
    });
  if (stages['fold in'].some((p) => p.ingredient.id === 'white'))
    items.push({
      id: 'whip-whites',
      group: 'milk and egg',
      title: 'Whip the whites stiff',
      how: 'A bowl free of fat, when the pot comes off: they wait ten minutes and no more.',
      feel: 'A peak stands, its tip bends.',
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
      title: `A bowl of ${ml(3 * (bowlMl + ladles))} or more for the egg`,
      how: `${g(bowlMl * 1.03)} in it, ${ladles ? 'four ladles of hot milk on top, ' : ''}and room to whisk. On a damp cloth, so that it stands.`,
      handsMin: 0.5,
      before: 'cook',
    });
  }
  return items;
}

function keptBack(
  plan: Plan,
  pantry: Pantry,
  stages: Record<Stage, StagedPortion[]>,
  spices: readonly string[],
): PrepItem[] {
  const items: PrepItem[] = [];
  for (const stage of Object.keys(stages) as Stage[])
    for (const p of stages[stage]) {
      if (!p.carved && !p.taste) continue;
      const total = plan.items.filter((i) => i.ingredientId === p.ingredient.id).reduce((s, i) => s + i.grams, 0);
      const where = p.taste ? 'to taste' : WHERE[stage];
      const rest = `${g(p.grams)} of the ${g(total)}, not on top of it: ${g(Math.max(0, total - p.grams))} go in the pot.`;
      items.push({
        id: `keep-${p.ingredient.id}-${p.taste ? 'taste' : stage}`,
        group: 'kept back',
        title: `Keep back ${g(p.grams)} ${p.ingredient.name} ${where}`,
        how: `${rest}${p.taste ? ' In a cup beside the pot; write down what is used.' : ''}`,
        handsMin: 0.5,
        before: 'weigh',
      });
    }
  if (stages.slurry.length) {
    const slurryG = stages.slurry.reduce((s, p) => s + p.grams, 0);
    const starchG = stages.slurry.filter((p) => p.ingredient.thickener).reduce((s, p) => s + p.grams, 0);
    const left = stageLeft(plan, pantry, 'slurry') || PREP.jugShare;
    items.push({
      id: 'slurry-jug',
      group: 'kept back',
      title: `A jug of ${ml(2 * slurryG)} for the slurry`,
      how: `About ${g(slurryG * left)} stays in a jug that is not scraped, ${g(starchG * left)} of it starch: rinse it out with a ladle from the pot. Whisk it up again right before it goes in.`,
      feel: 'No lump under the whisk, none on the floor of the jug.',
      handsMin: 0.5,
      before: 'cook',
    });
  }
  if (spices.length)
    items.push({
      id: 'count-in',
      group: 'kept back',
      title: `Counted in: ${spices.join(', ')}`,
      how: 'Write the number down. The same number comes out before it thickens; later each drags paste along.',
      caution: 'A forgotten whole spice is a choking hazard for small children.',
      handsMin: 0.5,
      before: 'cook',
    });
  const forgotten = notAdded(plan, pantry, methodOf(plan, pantry));
  for (const stage of forgotten)
    items.push({
      id: `nowhere-${stage}`,
      group: 'kept back',
      title: `No step adds ${stages[stage].map((p) => p.ingredient.name).join(', ')}`,
      how: 'The written-out method leaves it out. Look at the plan again before you weigh it.',
      handsMin: 0,
      before: 'weigh',
      advice: true,
    });
  return items;
}

const WHERE: Record<Stage, string> = {
  slurry: 'for the slurry, cold',
  pot: 'for the pot',
  grain: 'for the grain',
  bowl: 'for the egg',
  late: 'for later',
  'off the heat': 'for the end',
  'fold in': 'to fold in',
  top: 'for the top',
};

const stageLeft = (plan: Plan, pantry: Pantry, stage: Stage): number =>
  methodOf(plan, pantry).reduce((s, m) => (m.do === 'add' && m.stage === stage ? Math.max(s, m.left) : s), 0);

function dishItems(plan: Plan, bake: BakeStep | undefined): PrepItem[] {
  const items: PrepItem[] = [];
  const { dish } = plan;
  const them = dish.count > 1 ? `${dish.count} ${dish.kind}s` : `the ${dish.kind}`;
  const out = plan.serve.style === 'turned out';
  if (plan.serve.style === 'cut' || (out && dish.kind === 'bowl'))
    items.push({
      id: 'line',
      group: 'dish and oven',
      title: `Line ${them}`,
      how: 'Disc and strip, or one folded sheet; the paper stands over the rim to lift by. Sizes are drawn to scale.',
      handsMin: PREP.lineMin * Math.min(dish.count, 4),
      before: 'pour',
      lining: true,
    });
  else if (out)
    items.push({
      id: 'mould',
      group: 'dish and oven',
      title: plan.choices.mould === 'greased' ? `Grease ${them}` : `Rinse ${them} with cold water`,
      how:
        plan.choices.mould === 'greased'
          ? 'A film of mild oil, wiped out again with paper.'
          : 'Tip them out, do not dry: the film of water lets go later.',
      handsMin: Math.max(1, PREP.mouldMin * dish.count),
      before: 'pour',
    });
  else
    items.push({
      id: 'dishes-out',
      group: 'dish and oven',
      title: `Set out ${them}`,
      how: 'On a tray that fits the fridge, level.',
      ...(dish.wall === 'glass' ? { caution: 'Hot filling cracks cold glass: warm it first, a spoon in it.' } : {}),
      handsMin: 1,
      before: 'pour',
    });
  if (bake && bake.from === 'hot')
    items.push({
      id: 'preheat',
      group: 'dish and oven',
      title: 'Heat the oven',
      how: `Shelf in the middle${bake.bath === 'none' ? '' : ', the bath tin on it; boil a kettle for it'}.`,
      tempC: bake.ovenC,
      handsMin: 1,
      waitMin: PREP.preheatMin,
      before: 'bake',
    });
  else if (bake)
    items.push({
      id: 'oven-cold',
      group: 'dish and oven',
      title: 'Leave the oven cold',
      how: 'It goes in cold and warms with the dish: the method counts on it.',
      tempC: bake.ovenC,
      handsMin: 0,
      before: 'bake',
      advice: true,
    });
  if (plan.rest.hours > 0.5 && plan.serve.tempC < 40)
    items.push({
      id: 'shelf',
      group: 'dish and oven',
      title: `Clear ${Math.round(fridgeCm2(dish) / 100) * 100} cm² of shelf`,
      how: 'Level, air around it, nothing raw above it. A hot dish warms its neighbours: give it the coldest shelf to itself.',
      handsMin: 2,
      before: 'pour',
    });
  return items;
}

function machineItems(
  plan: Plan,
  pantry: Pantry,
  stages: Record<Stage, StagedPortion[]>,
  machines: readonly Machine[],
  bake: BakeStep | undefined,
): PrepItem[] {
  const items: PrepItem[] = [];
  const advice = { group: 'machines', handsMin: 0, before: 'cook', advice: true } as const;
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
        title: 'In the rice cooker',
        how: `Its own cup is ${PREP.riceCupMl} ml, not a kitchen cup: ${cups(riceG / PREP.riceGPerMl)} of rice${waterG > 0 ? `, ${cups(waterG)} of water` : ', as much water as the line says'}. When it clicks, the rice goes on in the milk on the ring: the minutes of the model are for the ring.`,
      });
    }
  }
  if (machines.includes('microwave')) {
    const pot = stages.pot.filter((p) => p.ingredient.group === 'milk').reduce((s, p) => s + p.grams, 0);
    const toC = plan.items.some((i) => i.stage === 'slurry') ? Math.min(60, plan.method.slurryAtC) : 60;
    const minutes = (pot * 3.9 * (toC - 6)) / (PREP.ovenW * PREP.ovenEff) / 60;
    if (pot > 0)
      items.push({
        ...advice,
        id: 'microwave',
        title: `Warm the milk in the microwave, about ${Math.round(minutes)} min at ${PREP.ovenW} W`,
        how: 'In two goes, stirred in between, in a jug twice as big. It saves the ring, not the stirring that follows.',
        tempC: toC,
        caution: 'Microwaved liquid boils up late, when it is moved: leave a wooden spoon in it.',
      });
  }
  if (machines.includes('grill') && bake && bake.grillMin === 0)
    items.push({
      ...advice,
      id: 'grill',
      before: 'bake',
      title: 'Colour under the grill at the end',
      how: 'Two to three minutes, a hand’s breadth away, with the door ajar and your eyes on it. Not under glass.',
      caution: 'The dish is hot all over: dry cloths.',
    });
  if (machines.includes('blender') && all.some((p) => (p.ingredient.pulp ?? 0) > 0))
    items.push({
      ...advice,
      id: 'blender',
      title: 'Smooth the purée in the blender',
      how: 'Cold or hand-warm, a third full, the lid held with a cloth: hot purée lifts it.',
      caution: 'Never blend anything that steams with the lid shut tight.',
    });
  return items;
}
