import * as fc from 'fast-check';
import { FAMILIES, type Plan } from './plan/plan';
import { SET_WORDS } from './texture/words';
import { USES } from './plan/method';
import { PANTRY } from './pantry/pantry';
import { laid, testPlan } from './testing';

/** Any plan that the schema lets through, for property tests: every family, ingredient, stage and choice. */
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const maybe = <T>(...values: T[]) => fc.option(fc.constantFrom(...values), { nil: undefined });

const liquids = PANTRY.filter((i) => i.group === 'milk').map((i) => i.id);
const others = PANTRY.filter((i) => i.group !== 'milk').map((i) => i.id);

export const anyPlan: fc.Arbitrary<Plan> = fc
  .record({
    family: fc.constantFrom(...FAMILIES),
    liquid: fc.constantFrom(...liquids),
    liquidG: number(60, 5000),
    rest: fc.uniqueArray(
      fc.record({ ingredientId: fc.constantFrom(...others), grams: number(0, 400), in: fc.constantFrom(...USES) }),
      { maxLength: 6, selector: (i) => i.ingredientId },
    ),
    choices: fc.record({
      grain: maybe('into cold milk' as const, 'into boiling milk' as const, 'fried in fat first' as const),
      yolks: maybe('tempered' as const, 'straight in' as const, 'into a cooled base' as const),
      heat: maybe('direct' as const, 'double boiler' as const),
      end: maybe('bubbles and cooks on' as const, 'coats the spoon' as const),
      stirring: maybe('constant' as const, 'lid on, now and then' as const),
      starch: maybe('early' as const, 'last' as const),
      reduceTo: fc.option(number(0.3, 1), { nil: undefined }),
      oven: maybe('preheated' as const, 'cold start' as const),
      bath: maybe('none' as const, 'open' as const, 'covered' as const),
      ovenC: fc.option(number(80, 280), { nil: undefined }),
      cooling: maybe('room first' as const, 'straight to the cold' as const, 'freezer' as const, 'ice bath' as const),
    }),
    method: fc.record({
      heatSetting: fc.integer({ min: 1, max: 9 }),
      simmerSetting: fc.integer({ min: 1, max: 9 }),
      slurryAtC: number(5, 75),
      cookOnMin: number(0, 40),
      stirEveryS: number(0.5, 300),
    }),
    place: fc.record({
      ratedW: number(300, 6000),
      diameterMm: number(80, 500),
      altitudeM: number(0, 4500),
      roomC: number(5, 40),
    }),
    after: fc.record({
      hours: number(0, 96),
      roomMin: number(0, 240),
      fridgeC: number(-2, 12),
      tempC: number(-25, 75),
      count: fc.integer({ min: 1, max: 60 }),
      capacityMl: number(30, 8000),
      heightMm: number(10, 250),
      covered: fc.boolean(),
      wall: fc.constantFrom('glass', 'ceramic', 'metal', 'plastic', 'clay', 'wet clay') as fc.Arbitrary<
        Plan['dish']['wall']
      >,
    }),
    style: fc.constantFrom('spooned' as const, 'turned out' as const, 'cut' as const),
    word: fc.constantFrom(...SET_WORDS),
  })
  .map(({ family, liquid, liquidG, rest, choices, method, place, after, style, word }) => {
    const plan = testPlan();
    return {
      ...plan,
      family,
      ...laid([{ ingredientId: liquid, grams: liquidG, in: 'pot' }, ...rest]),
      choices: Object.fromEntries(Object.entries(choices).filter(([, v]) => v !== undefined)),
      method,
      pan: { ...plan.pan, diameterMm: place.diameterMm },
      hob: { ...plan.hob, ratedW: place.ratedW },
      dish: {
        ...plan.dish,
        count: after.count,
        capacityMl: after.capacityMl,
        heightMm: after.heightMm,
        wall: after.wall,
      },
      rest: { hours: after.hours, roomMin: after.roomMin, fridgeC: after.fridgeC, covered: after.covered },
      room: { tempC: place.roomC, altitudeM: place.altitudeM },
      serve: { ...plan.serve, style, word, tempC: after.tempC },
    };
  });
