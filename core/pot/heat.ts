import { cube, table } from '../coefficients';
import { CAPACITY, heatOf } from '../matter/capacity';
import type { DoubleBoiler, Pan } from '../pantry/kitchen';
import type { Tool } from './hands';
import { SURFACE } from './surface';

/** Heat from pan to food. */
export const HEAT = table('Heat in the pot', {
  scrapeEff: [0.6, '1', 'C', 'a spoon in an imperfect hand against ideal scraping (penetration theory, A)'],
  whiskEff: [0.45, '1', 'C', 'a whisk: it misses the corners'],
  scraperEff: [0.85, '1', 'C', 'a flat scraper'],
  freeConvection: [0.15, '1', 'A', 'turbulent free convection over a horizontal plate'],
  boilW: [60, 'W/m2K3', 'B', 'nucleate boiling, cubic; 40 kW/m2 at 8.7 K for water'],
  boilViscosity: [0.3, '1', 'C', 'its viscosity exponent'],
  airW: [8, 'W/m2K', 'B', 'outside of the pan to the room'],
  baseToAir: [0.6, '1', 'C', 'share of the base that still faces the room'],
  wrappedW: [1.5, 'W/m2K', 'C', 'a pot wrapped in a blanket'],
  drySeconds: [
    12,
    's',
    'C',
    'a film of 1 Pa s between two wipes dries, over a fire of dryAtW; fitted: four minutes burn',
  ],
  driedS: [200, 's', 'C', 'by then it is as dry as it gets'],
  dryAtW: [20000, 'W/m2', 'C', 'that fire'],
  dryAbovePaS: [0.3, 'Pa s', 'C', 'about the viscosity from which a film stays and does not flow off'],
  bowlSurface: [0.6, '1', 'B', 'open surface of a bowl over the part of it that steam touches: a cap of a ball'],
  filmMax: [0.35, '1', 'C', 'largest share of the pot that is film'],
  bubbleW: [2500, 'W/m2', 'C', 'vapour at the wall that shows as bubbles'],
  bubbleBelowK: [9, 'K', 'C', 'below the boil at which the bulk no longer swallows them'],
  panCapC: [400, 'degC', 'B', 'beyond this the pan is on fire and the model has nothing to say'],
  expansionPerK: [5e-4, '1/K', 'A', 'thermal expansion'],
  gravityMPerS2: [9.81, 'm/s2', 'A', 'gravity'],
  densityKgPerM3: [1040, 'kg/m3', 'A', 'of the food'],
  steamSideW: [3000, 'W/m2K', 'B', 'steam that condenses on a bowl, a little air in it'],
  bowlTurnsW: [
    380,
    'W/m2K',
    'C',
    'a bowl that is stirred turns its whole load along a wall that is hot all round; fitted: 85 degC in 15 to 25 min',
  ],
  waterSideW: [1100, 'W/m2K', 'B', 'hot water on a bowl'],
  wallS: [10, 's', 'C', 'in which the bowl follows'],
  meets: [0.65, '1', 'C', 'of the way from the mix to the pot that egg feels before it is spread'],
  unmixed: [0.22, '1', 'C', 'share of egg that meets the hot pot before the spoon has spread it; a third with a whisk'],
  conductDryW: [0.2, 'W/mK', 'A', 'of the food without its water'],
  conductWaterW: [0.44, 'W/mK', 'A', 'more for water, by its share'],
  liftS: [2, 's', 'C', 'a pan that is lifted gets nothing from its ring'],
  leastLayerM: [0.002, 'm', 'C', 'layer that a still pot conducts through, at least'],
  leastStirS: [0.5, 's', 'C', 'nobody wipes a spot more often'],
  filmGrowth: [0.5, '1', 'C', 'share of the penetration depth that stands as film'],
  filmMostS: [600, 's', 'C', 'in which a film left alone stops growing'],
});

/** J/kgK (A). */
export const PAN_HEAT: Record<Pan['material'], number> = { steel: 500, iron: 480, enamel: 480, aluminium: 900 };
/** local flux over the mean, over a flame or a coil (B) */
const HOT_SPOT: Record<NonNullable<Pan['base']>, number> = { thin: 1.9, thick: 1.2 };
/** W/mK of a bowl's wall (A) */
const WALL_W: Record<DoubleBoiler['material'], number> = { steel: 16, enamel: 20, glass: 1.1, ceramic: 1.5 };

/** What stirs: a whisk shears, a flat scraper clears the floor. */
export const SCRAPES: Record<Tool, number> = {
  spoon: HEAT.scrapeEff,
  whisk: HEAT.whiskEff,
  scraper: HEAT.scraperEff,
};

/** What heat meets in the pot. */
export type Matter = {
  massG: number;
  heatJPerK: number;
  conductWPerMK: number;
  specificJPerKgK: number;
  diffuseM2PerS: number;
  heightM: number;
};

/** J/K of the film that a pot which boils dry still has on its floor (C): the last gram has no temperature of its own. */
const FILM_J_PER_K = 10;

/** @param areaM2 of the floor */
export function matterOf(massG: number, waterG: number, areaM2: number): Matter {
  const heatJPerK = heatOf(massG, waterG);
  const conductWPerMK = HEAT.conductDryW + (HEAT.conductWaterW * waterG) / massG;
  const specificJPerKgK = (heatJPerK / massG) * 1000;
  return {
    massG,
    heatJPerK: Math.max(FILM_J_PER_K, heatJPerK),
    conductWPerMK,
    specificJPerKgK,
    diffuseM2PerS: conductWPerMK / (HEAT.densityKgPerM3 * specificJPerKgK),
    heightM: massG / 1000 / HEAT.densityKgPerM3 / areaM2,
  };
}

/** How the floor is wiped: `everyS` between two wipes of a spot, Infinity for a still spoon. */
export type Hands = { scrapes: number; everyS: number; stirred: boolean; stillS: number };

/** Floor to food, W/m2K: free convection or conduction, and what scraping renews. */
export function toFood(m: Matter, riseK: number, viscosityPaS: number, hands: Hands): number {
  const free = Math.max(
    HEAT.freeConvection *
      m.conductWPerMK *
      Math.cbrt(
        (HEAT.gravityMPerS2 * HEAT.expansionPerK * Math.max(0, riseK) * HEAT.densityKgPerM3 ** 2 * m.specificJPerKgK) /
          (m.conductWPerMK * viscosityPaS),
      ),
    m.conductWPerMK / (m.heightM / 2 + HEAT.leastLayerM),
  );
  const scrape = hands.stirred
    ? hands.scrapes *
      2 *
      Math.sqrt((m.conductWPerMK * HEAT.densityKgPerM3 * m.specificJPerKgK) / (Math.PI * hands.everyS))
    : 0;
  return Math.cbrt(cube(free) + cube(scrape));
}

/** What the fire does: watts, and slopes and their derivatives for the pan and the water under it. */
export type Fire = {
  intoFoodW: number;
  toAirW: number;
  wallVapourW: number;
  panKPerS: number;
  bathKPerS: number;
  /** d(panKPerS)/d(panC), /d(bulkC); d(bathKPerS)/d(bathC); d(bulkKPerS)/d(panC); W/K that the food feels */
  panByPan: number;
  panByBulk: number;
  bathByBath: number;
  bulkByPan: number;
  contactWPerK: number;
};

/** From the outside of the pan to the room, W/m2K. */
export const outsideW = (wrapped: boolean | undefined): number => (wrapped ? HEAT.wrappedW : HEAT.airW);

/** The temperatures, the power and what it meets. */
type Hearth = {
  panC: number;
  bulkC: number;
  bathC: number;
  roomC: number;
  boilsC: number;
  waterBoilsC: number;
  powerW: number;
  panJPerK: number;
  areaM2: number;
  /** floor to food, W/m2K */
  toFoodW: number;
  wrapped: boolean | undefined;
};

/** A pan on the ring: its floor boils what touches it. */
export function onRing(at: Hearth, m: Matter, viscosityPaS: number, hands: Hands): Fire {
  const { panC, bulkC, areaM2, toFoodW } = at;
  const stays = viscosityPaS ** 2 / (viscosityPaS ** 2 + HEAT.dryAbovePaS ** 2);
  const fire = Math.max(0, at.powerW) / areaM2 / HEAT.dryAtW;
  const dry =
    1 / (1 + (stays * fire * Math.min(hands.stillS, HEAT.driedS) * Math.sqrt(viscosityPaS)) / HEAT.drySeconds);
  const boilW = HEAT.boilW * (viscosityPaS / 1e-3) ** -HEAT.boilViscosity * dry;
  const overK = Math.max(0, panC - at.boilsC);
  const wallVapourW = boilW * cube(overK);
  const intoFoodW = toFoodW * areaM2 * (panC - bulkC) + areaM2 * wallVapourW;
  const airWPerK = outsideW(at.wrapped) * HEAT.baseToAir * areaM2;
  const toAirW = airWPerK * (panC - at.roomC);
  const perPan = toFoodW * areaM2 + 3 * areaM2 * boilW * overK ** 2;
  return {
    intoFoodW,
    toAirW,
    wallVapourW,
    panKPerS: panC > HEAT.panCapC ? 0 : (at.powerW - intoFoodW - toAirW) / at.panJPerK,
    bathKPerS: 0,
    panByPan: -(perPan + airWPerK) / at.panJPerK,
    panByBulk: (toFoodW * areaM2) / at.panJPerK,
    bathByBath: 0,
    bulkByPan: perPan / m.heatJPerK,
    contactWPerK: toFoodW * areaM2,
  };
}

/** A bowl over water: the ring warms the water, the water or its steam the bowl. */
export function overWater(at: Hearth, over: DoubleBoiler, stirred: boolean): Fire {
  const { waterBoilsC } = at;
  const toFoodW = stirred ? Math.cbrt(cube(at.toFoodW) + cube(HEAT.bowlTurnsW)) : at.toFoodW;
  const side = over.touching ? HEAT.waterSideW : HEAT.steamSideW;
  const contactM2 = over.contactCm2 / 1e4;
  const wall = over.wallMm / 1000 / WALL_W[over.material];
  const throughW = 1 / (1 / side + wall + 1 / toFoodW);
  const bathJ = over.waterG * CAPACITY.waterJPerGK + at.panJPerK;
  const intoFoodW = throughW * contactM2 * (at.bathC - at.bulkC);
  const boilingOffW = (bathJ / SURFACE.boilS) * Math.max(0, at.bathC - waterBoilsC);
  const toAirW = outsideW(at.wrapped) * HEAT.baseToAir * at.areaM2 * (at.bathC - at.roomC);
  const contactWPerK = throughW * contactM2 + (at.bathC > waterBoilsC ? bathJ / SURFACE.boilS : 0);
  return {
    intoFoodW,
    toAirW: toAirW + boilingOffW,
    wallVapourW: 0,
    panKPerS: (at.bulkC + intoFoodW / (toFoodW * contactM2) - at.panC) / HEAT.wallS,
    bathKPerS: (at.powerW - intoFoodW - boilingOffW - toAirW) / bathJ,
    panByPan: -1 / HEAT.wallS,
    panByBulk: 1 / HEAT.wallS,
    bathByBath: -contactWPerK / bathJ,
    bulkByPan: 0,
    contactWPerK,
  };
}

/** Share of the pot that stands as film on the floor. */
export const filmShareOf = (m: Matter, stillS: number): number =>
  Math.min(
    HEAT.filmMax,
    (HEAT.filmGrowth * Math.sqrt(Math.PI * m.diffuseM2PerS * Math.min(stillS, HEAT.filmMostS))) / m.heightM,
  );

/** Flux over the mean where the fire is hottest. */
export const hotSpot = (pan: Pan, over: DoubleBoiler | undefined): number =>
  over || !pan.base ? 1 : HOT_SPOT[pan.base];
