import type { HeatStep, MethodStep, Bowl } from './method';
import type { SetWord } from '../texture/words';
import type { Choices, Family, Plan } from './plan';

/** Of the mass that goes in, and when it goes in. */
export type Share = readonly [ingredientId: string, share: number, bowl: Bowl];
/** Where a kind of pudding begins. */
export type FamilyStart = {
  /** shares of the mass that goes in; the milk takes what is left */
  shares: readonly Share[];
  word: SetWord;
  style?: Plan['serve']['style'];
  tempC?: number;
  hours?: number;
  cookOnMin?: number;
  stirEveryS?: number;
  dish?: number;
  choices?: Choices;
  /** share of the mass that stays on the hob and in the oven as steam */
  lossRel?: number;
  /** its method, where it is not the family's */
  steps?: readonly MethodStep[];
};

/** Places in the list of dishes that ship: moulds, cups, glasses, bowl, tray, big mould, clay cups. */
const MOULDS = 0;
const CUPS = 1;
const GLASSES = 2;
const TRAY = 4;
const BIG_MOULD = 5;
const CLAY = 6;

/** A dish as cooks name it: its family, its milk, what goes in, how it is cooked and served. */
export type DishStart = { family: Family; milkId: string } & Partial<FamilyStart>;

const bake = (ovenC: number, minutes: number, covered = false): MethodStep => ({
  do: 'bake',
  ovenC,
  fan: false,
  from: 'hot',
  bath: 'none',
  until: { reach: 'time', minutes },
  limitMin: minutes,
  grillMin: 0,
  covered,
});
const rest = (where: 'room' | 'fridge', minutes: number): MethodStep => ({ do: 'rest', where, minutes, covered: true });

const heat = (
  role: HeatStep['role'],
  setting: number,
  stirEveryS: number | null,
  until: HeatStep['until'],
  lid: HeatStep['lid'],
): MethodStep => ({
  do: 'heat',
  role,
  setting,
  stirEveryS,
  until,
  lid,
  limitMin: 60,
  tool: 'spoon',
  wrapped: false,
});

/** Rice, milk and sugar straight into the dish, two hours in a slow oven, eaten warm or cold. */
const SLOW_OVEN: MethodStep[] = [
  {
    do: 'pour',
    to: 'pot',
    from: 'grain',
    tempC: 21,
    how: 'cold together',
    stirring: 'spoon',
    soakMin: 0,
    left: 0,
  },
  { do: 'pour', to: 'dish' },
  bake(150, 120),
  rest('room', 30),
  rest('fridge', 210),
];

/** Soaked sticky rice in little more liquid than its own weight: to the boil, then under a lid on the lowest ring. */
const UNDER_A_LID: MethodStep[] = [
  { do: 'pour', to: 'pot', from: 'grain', tempC: 21, how: 'cold together', stirring: 'spoon', soakMin: 240, left: 0 },
  heat('thicken', 4, 10, { reach: 'bubble' }, 'off'),
  heat('simmer', 1, 240, { reach: 'time', minutes: 20 }, 'on'),
  heat('off the heat', 0, null, { reach: 'time', minutes: 15 }, 'on'),
  { do: 'pour', to: 'dish' },
  rest('room', 180),
];

const SUGAR = (share: number) => ['sugar', share, 'pot'] as const;
const SALT = ['salt', 0.001, 'pot'] as const;

/** Two dozen dishes to begin with; the amounts are solved for their word as soon as there are people and a day. */
export const DISH_STARTS = {
  'set milk': {
    family: 'starch-set milk pudding',
    milkId: 'milk_whole',
    shares: [['cornstarch', 0.046, 'slurry'], SUGAR(0.07), ['vanilla', 0.004, 'off the heat']],
    word: 'holds a trail',
    dish: CUPS,
  },
  'milk mould': {
    family: 'starch-set milk pudding',
    milkId: 'milk_whole',
    shares: [['cornstarch', 0.056, 'slurry'], SUGAR(0.07), ['lemon_peel', 0.003, 'pot']],
    word: 'wobbles',
    style: 'turned out',
    dish: MOULDS,
  },
  'cocoa cups': {
    family: 'starch-set milk pudding',
    milkId: 'milk_whole',
    shares: [['cornstarch', 0.036, 'slurry'], ['cocoa', 0.025, 'slurry'], SUGAR(0.09), SALT],
    word: 'mounds',
    dish: CUPS,
  },
  'coconut squares': {
    family: 'starch-set milk pudding',
    milkId: 'coconut_milk',
    shares: [['cornstarch', 0.068, 'slurry'], ['water', 0.2, 'pot'], SUGAR(0.1), SALT],
    word: 'slices',
    style: 'cut',
    dish: TRAY,
  },
  'coconut squares with sweetcorn': {
    family: 'starch-set milk pudding',
    milkId: 'coconut_milk',
    shares: [['cornstarch', 0.052, 'slurry'], ['corn_kernels', 0.2, 'late'], SUGAR(0.09), SALT],
    word: 'slices',
    style: 'cut',
    dish: TRAY,
  },
  'almond cups': {
    family: 'starch-set milk pudding',
    milkId: 'almond_drink',
    shares: [['cornstarch', 0.038, 'slurry'], SUGAR(0.07), ['flower_water', 0.005, 'off the heat']],
    word: 'mounds',
    dish: GLASSES,
  },
  'oat cups': {
    family: 'starch-set milk pudding',
    milkId: 'oat_drink',
    shares: [
      ['cornstarch', 0.038, 'slurry'],
      ['sugar', 0.05, 'pot'],
      ['cinnamon', 0.003, 'pot'],
    ],
    word: 'mounds',
    dish: CUPS,
  },
  'thickened berries': {
    family: 'starch-set milk pudding',
    milkId: 'water',
    shares: [['puree_berry', 0.45, 'pot'], ['potato_starch', 0.021, 'slurry'], SUGAR(0.1)],
    word: 'coats',
    dish: GLASSES,
  },
  'rice-flour cream': {
    family: 'starch-set milk pudding',
    milkId: 'milk_whole',
    shares: [['rice_flour', 0.045, 'slurry'], SUGAR(0.08), ['rose_water', 0.006, 'off the heat']],
    word: 'mounds',
    dish: GLASSES,
    cookOnMin: 8,
    lossRel: 0.14,
  },
  'ground-rice cups': {
    family: 'ground-rice cream',
    milkId: 'milk_whole',
    shares: [['rice_ground', 0.054, 'grain'], SUGAR(0.08), ['cardamom_ground', 0.001, 'off the heat']],
    word: 'mounds',
    dish: CLAY,
    cookOnMin: 6,
    lossRel: 0.18,
  },
  'rice on the hob': {
    family: 'whole-rice pudding',
    milkId: 'milk_whole',
    shares: [['rice_short', 0.095, 'grain'], ['sugar', 0.05, 'late'], ['cinnamon', 0.003, 'pot'], SALT],
    word: 'mounds',
    dish: CUPS,
    cookOnMin: 0,
    lossRel: 0.27,
  },
  'rice in the oven': {
    family: 'whole-rice pudding',
    milkId: 'milk_whole',
    shares: [['rice_short', 0.07, 'grain'], SUGAR(0.05), ['nutmeg', 0.0005, 'pot']],
    word: 'mounds',
    dish: TRAY,
    hours: 6,
    lossRel: 0.18,
    steps: SLOW_OVEN,
  },
  'rice in coconut': {
    family: 'whole-rice pudding',
    milkId: 'coconut_milk',
    shares: [['rice_jasmine', 0.12, 'grain'], ['water', 0.4, 'pot'], ['sugar', 0.06, 'late'], SALT],
    word: 'mounds',
    dish: CUPS,
    cookOnMin: 0,
    lossRel: 0.2,
  },
  'rice with yolks': {
    family: 'egg-enriched pudding',
    milkId: 'milk_whole',
    shares: [['rice_short', 0.086, 'grain'], ['yolk', 0.045, 'bowl'], ['sugar', 0.06, 'bowl'], SALT],
    word: 'mounds',
    dish: CUPS,
    cookOnMin: 3,
    choices: { stirring: 'lid on, now and then' },
    lossRel: 0.2,
  },
  'sticky rice squares': {
    family: 'whole-rice pudding',
    milkId: 'coconut_milk',
    shares: [
      ['rice_glut', 0.36, 'grain'],
      ['water', 0.1, 'pot'],
      ['sugar', 0.09, 'pot'],
      ['salt', 0.003, 'pot'],
    ],
    word: 'slices',
    style: 'cut',
    dish: TRAY,
    tempC: 21,
    lossRel: 0.05,
    steps: UNDER_A_LID,
  },
  'cornmeal porridge': {
    family: 'porridge',
    milkId: 'milk_whole',
    shares: [['cornmeal_fine', 0.064, 'grain'], ['water', 0.4, 'pot'], ['sugar', 0.04, 'pot'], SALT],
    word: 'mounds',
    tempC: 55,
    hours: 0.25,
    cookOnMin: 12,
    lossRel: 0.24,
    choices: { grain: 'into boiling milk' },
  },
  'cornmeal slab with coconut': {
    family: 'baked slab',
    milkId: 'coconut_milk',
    shares: [['cornmeal_fine', 0.056, 'grain'], ['sugar', 0.1, 'pot'], SALT],
    word: 'slices',
    style: 'cut',
    dish: TRAY,
    cookOnMin: 3,
    lossRel: 0.2,
  },
  'semolina porridge': {
    family: 'porridge',
    milkId: 'milk_whole',
    shares: [['semolina', 0.08, 'grain'], ['sugar', 0.05, 'pot'], SALT],
    word: 'mounds',
    tempC: 55,
    hours: 0.25,
    cookOnMin: 4,
    lossRel: 0.13,
    choices: { grain: 'into boiling milk' },
  },
  'semolina mould': {
    family: 'porridge',
    milkId: 'milk_whole',
    shares: [
      ['semolina', 0.086, 'grain'],
      ['sugar', 0.07, 'pot'],
      ['orange_peel', 0.003, 'pot'],
    ],
    word: 'wobbles',
    style: 'turned out',
    dish: BIG_MOULD,
    tempC: 8,
    hours: 8,
    cookOnMin: 4,
    lossRel: 0.14,
    choices: { grain: 'into boiling milk' },
  },
  'flummery with whites': {
    family: 'egg-enriched pudding',
    milkId: 'milk_whole',
    shares: [
      ['semolina', 0.06, 'grain'],
      ['yolk', 0.035, 'bowl'],
      ['sugar', 0.08, 'bowl'],
      ['white', 0.07, 'fold in'],
    ],
    word: 'mounds',
    dish: GLASSES,
    cookOnMin: 3,
  },
  'pouring custard': {
    family: 'stirred custard',
    milkId: 'milk_whole',
    shares: [
      ['yolk', 0.12, 'bowl'],
      ['sugar', 0.09, 'bowl'],
      ['vanilla_pod', 0.002, 'pot'],
    ],
    word: 'pours',
    hours: 4,
    stirEveryS: 2,
  },
  'pastry custard': {
    family: 'egg-enriched pudding',
    milkId: 'milk_whole',
    shares: [
      ['cornstarch', 0.05, 'bowl'],
      ['yolk', 0.09, 'bowl'],
      ['sugar', 0.12, 'bowl'],
    ],
    word: 'holds a trail',
    dish: 3,
    cookOnMin: 2,
    choices: { eggOff: 'to bubbling' },
  },
  'baked custard cups': {
    family: 'baked custard',
    milkId: 'milk_whole',
    shares: [
      ['egg', 0.2, 'bowl'],
      ['sugar', 0.09, 'pot'],
      ['nutmeg', 0.0005, 'pot'],
    ],
    word: 'wobbles',
    dish: CUPS,
    choices: { bath: 'open', ovenC: 160 },
  },
  'custard to turn out': {
    family: 'baked custard',
    milkId: 'milk_whole',
    shares: [
      ['egg', 0.16, 'bowl'],
      ['yolk', 0.02, 'bowl'],
      ['sugar', 0.1, 'pot'],
    ],
    word: 'wobbles',
    style: 'turned out',
    dish: MOULDS,
    hours: 8,
    choices: { bath: 'open', ovenC: 160 },
  },
  'frozen milk sticks': {
    family: 'frozen cream',
    milkId: 'milk_whole',
    shares: [
      ['cornstarch', 0.012, 'slurry'],
      ['sugar', 0.08, 'pot'],
      ['cardamom', 0.002, 'pot'],
    ],
    word: 'firm',
    style: 'turned out',
    tempC: -8,
    hours: 12,
    dish: MOULDS,
    choices: { cooling: 'freezer', reduceTo: 0.5, starch: 'last' },
    lossRel: 0.5,
  },
  'frozen coconut sticks': {
    family: 'frozen cream',
    milkId: 'coconut_milk',
    shares: [
      ['cornstarch', 0.012, 'slurry'],
      ['water', 0.2, 'pot'],
      ['sugar', 0.1, 'pot'],
    ],
    word: 'firm',
    style: 'turned out',
    tempC: -8,
    hours: 12,
    dish: MOULDS,
    choices: { cooling: 'freezer', reduceTo: 0.8, starch: 'last' },
    lossRel: 0.25,
  },
} as const satisfies Record<string, DishStart>;
export type DishStartId = keyof typeof DISH_STARTS;
export const DISH_START_IDS = Object.keys(DISH_STARTS) as DishStartId[];
