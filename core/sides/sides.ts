import { table } from '../coefficients';
import { EMPTY, massG, mixtureOf, add, type Mixture } from '../matter/mixture';
import { lookUp } from '../plan/bowls';
import { keptC } from '../plan/kept';
import type { Plan } from '../plan/plan';
import { dishAreaM2 } from '../pantry/kitchen';
import { infused, syrup } from '../pot/flavour';
import { loosenG } from '../pot/corrections';
import { netW } from '../pot/hob';
import { bodyOf, consistency, viscosityPaS } from '../pot/paste';
import { cook, fillPot } from '../pot/pot';
import { stopOf } from '../pot/program';
import { potSetup } from '../model/run';
import { FRUIT_ROWS, sugarFor } from './fruit';
import type { SidePot } from '../plan/sidePot';
import { say, type Said } from '../say';

/** The pots beside the pot: what to weigh, how long, and what comes out. */
export const SIDE = table('Side pots', {
  thin: [0.5, 'g/g', 'B', 'sugar in a syrup that soaks in'],
  pouring: [0.6, 'g/g', 'B', 'sugar in a syrup that pours'],
  coating: [0.68, 'g/g', 'B', 'in one that coats'],
  thick: [0.75, 'g/g', 'B', 'in one that stands on the plate'],
  acidPerSugar: [0.03, 'g/g', 'C', 'lemon juice against crystals'],
  acidInverts: [0.08, '1', 'C', 'share of the sugar that it turns'],
  latentKJ: [2257, 'J/g', 'A', 'water to steam'],
  toSteam: [0.62, '1', 'C', 'share of the hob that leaves as steam from an open side pot'],
  stewLoss: [0.12, '1', 'C', 'of a compote, as steam'],
  stewWater: [0.08, '1', 'C', 'water to start fruit with'],
  drawn: [0.8, '1', 'C', 'an infusion is done at this strength'],
  toastMin: [6, 'min', 'C', 'golden at low heat, a pan of 100 g'],
  toastPerG: [0.012, 'min/g', 'C', 'longer with more in the pan'],
  fryMin: [6, 'min', 'C', 'coconut solids from splitting to gold'],
  oilHeld: [0.15, '1', 'C', 'of the fat, kept by the fried solids'],
  glazeStarch: [0.038, 'g/g', 'C', 'cornstarch in a glaze that sets to a film'],
  handC: [35, 'degC', 'B', 'a glaze that is hand-warm'],
  spreads: [1.5, 'Pa s', 'C', 'thicker than this a glaze drags at what it is spread on'],
  layerStarch: [0.02, 'g/g', 'C', 'rice flour in a second layer'],
  densityGPerMl: [1.04, 'g/ml', 'B', 'of a layer'],
});
const ROAST_TIME = { pale: 0.65, golden: 1, deep: 1.35 } as const;

export type SideAnswer = {
  id: string;
  kind: SidePot['kind'];
  /** what to weigh, g of what is eaten; `bought` where more has to be bought for it */
  uses: { ingredientId: string; grams: number; boughtG?: number }[];
  minutes: number;
  makesG: number;
  /** its figures and its lines, in the order of the work */
  figures: { name: Said; value: Said }[];
  does: Said[];
  notice: Said;
  caution?: Said;
};

const round = (x: number, to = 1) => Math.round(x / to) * to;
/** g of water that a ring boils off in a minute. */
const steamPerMin = (plan: Plan): number =>
  Math.max(1, (60 * SIDE.toSteam * netW(plan.hob, plan.method.simmerSetting)) / SIDE.latentKJ);

const HOT_SUGAR = say('sides.hotSyrupSticksAndBurns');

/**
 * What a side pot asks and gives.
 * @throws UnknownIngredientError for an ingredient that nobody knows
 */
export function sideOf(side: SidePot, plan: Plan): SideAnswer {
  const what = (id: string) => lookUp(plan, id);
  const base = { id: side.id, kind: side.kind };
  switch (side.kind) {
    case 'syrup': {
      const share = SIDE[side.to];
      const waterG = round(Math.max(side.sugarG * 0.6, side.sugarG / share - side.sugarG + 20), 5);
      const endG = side.sugarG / share;
      const s = syrup(side.sugarG, waterG, endG, side.acid ? SIDE.acidInverts : 0, plan.room.altitudeM);
      const acidG = side.acid ? round(side.sugarG * SIDE.acidPerSugar, 0.5) : 0;
      return {
        ...base,
        uses: [
          { ingredientId: side.sugarId, grams: side.sugarG },
          { ingredientId: 'water', grams: waterG },
          ...(acidG > 0 ? [{ ingredientId: 'lemon_juice', grams: acidG }] : []),
        ],
        minutes: s.boiledOffG / steamPerMin(plan) + 4,
        makesG: endG,
        figures: [
          { name: say('sides.figure.boilOff'), value: say('sides.value.grams', { x: s.boiledOffG }) },
          { name: say('sides.figure.boilsAt'), value: say('sides.value.temp', { x: s.boilsAtC }) },
          { name: say('sides.figure.crystals'), value: say('sides.value.percent', { x: s.crystalRisk }) },
        ],
        does: [
          say('sides.sugarWaterColdIntoThe', { lemon: acidG > 0 ? say('sides.andLemon') : undefined }),
          say('sides.boilOffThePanIs', { boiledOffG: s.boiledOffG, boilsAtC: s.boilsAtC }),
        ],
        notice: s.crystalRisk > 0.15 ? say('sides.itMayGrainWhenCold') : say('sides.staysClearWhenCold'),
        caution: HOT_SUGAR,
      };
    }
    case 'compote': {
      const f = FRUIT_ROWS[side.fruit];
      const edibleG = side.boughtG * f.edible;
      const sugarG = round((edibleG * sugarFor(f)) / 100, 1);
      const waterG = round(edibleG * SIDE.stewWater, 5);
      return {
        ...base,
        uses: [
          { ingredientId: f.ingredientId, grams: edibleG, boughtG: side.boughtG },
          ...(sugarG > 0 ? [{ ingredientId: 'sugar', grams: sugarG }] : []),
          { ingredientId: 'water', grams: waterG },
        ],
        minutes: f.stewMin,
        makesG: (edibleG + sugarG + waterG) * (1 - SIDE.stewLoss),
        figures: [
          { name: say('sides.figure.afterPeeling'), value: say('sides.value.grams', { x: edibleG }) },
          { name: say('sides.figure.sourness'), value: say('sides.value.acid', { x: f.acidPct }) },
        ],
        does: [
          say(`sides.ready.${f.ready}`, { boughtG: side.boughtG, edibleG }),
          say('sides.waterLidOnLow', {
            enough: sugarG > 0 ? say('sides.sugar', { sugarG }) : say('sides.noSugarItIsSweet'),
            waterG,
            stewMin: f.stewMin,
          }),
        ],
        notice: say('sides.tasteWhenColdHotFruit'),
      };
    }
    case 'infusion': {
      const spice = what(side.spiceId);
      const perMin = (minutes: number) => infused(minutes * 60, side.tempC, side.form);
      let minutes = 1;
      while (minutes < 240 && perMin(minutes) < SIDE.drawn) minutes += 1;
      const out = side.form === 'whole';
      return {
        ...base,
        uses: [{ ingredientId: side.spiceId, grams: side.grams }],
        minutes,
        makesG: 0,
        figures: [
          { name: say('sides.figure.drawnAfter10Min'), value: say('sides.value.percent', { x: perMin(10) }) },
          { name: say('sides.figure.heldAt'), value: say('sides.value.temp', { x: side.tempC }) },
        ],
        does: [
          say('sides.intoTheWarmMilkLid', { spiceName: spice.name, minutes }),
          out ? say('sides.countThePiecesInAnd') : say('sides.strainThroughAClothOr'),
        ],
        notice: say('sides.itDrawsWhileTheRest'),
        ...(out ? { caution: say('sides.aForgottenWholeSpiceIs') } : {}),
      };
    }
    case 'toasting': {
      const i = what(side.whatId);
      const minutes = (SIDE.toastMin + SIDE.toastPerG * (side.grams - 100)) * ROAST_TIME[side.to];
      const lossG = (side.grams * i.per100.water * 0.8) / 100;
      return {
        ...base,
        uses: [{ ingredientId: side.whatId, grams: side.grams }],
        minutes: Math.max(2, minutes),
        makesG: side.grams - lossG,
        figures: [{ name: say('sides.figure.weightLost'), value: say('sides.value.grams', { x: lossG }) }],
        does: [say('sides.dryPanLowOneLayer', { to: side.to }), say('sides.outOfThePanAt')],
        notice: say('sides.smellComesBeforeColourFrom'),
        ...(i.allergens.length ? { caution: say('sides.contains', { allergens: i.allergens.join(', ') }) } : {}),
      };
    }
    case 'fried coconut': {
      const c = what(side.creamId);
      const part = (pct: number) => (side.grams * pct) / 100;
      const waterG = part(c.per100.water);
      const fatG = part(c.per100.fat);
      const dryG = side.grams - waterG - fatG;
      return {
        ...base,
        uses: [{ ingredientId: side.creamId, grams: side.grams }],
        minutes: waterG / steamPerMin(plan) + SIDE.fryMin,
        makesG: dryG + fatG * SIDE.oilHeld,
        figures: [
          { name: say('sides.figure.oil'), value: say('sides.value.grams', { x: fatG * (1 - SIDE.oilHeld) }) },
          { name: say('sides.figure.boilOff'), value: say('sides.value.grams', { x: waterG }) },
        ],
        does: [say('sides.boilDownStirringMoreAs'), say('sides.lowStirringAllTheTime')],
        notice: say('sides.theSolidsDarkenAfterThey'),
        caution: say('sides.itSpitsWhenTheLast'),
      };
    }
    case 'purée': {
      const f = FRUIT_ROWS[side.fruit];
      const edibleG = side.boughtG * f.edible;
      return {
        ...base,
        uses: [{ ingredientId: f.ingredientId, grams: edibleG, boughtG: side.boughtG }],
        minutes: 10,
        makesG: edibleG * f.sieved,
        figures: [
          { name: say('sides.figure.afterPeeling'), value: say('sides.value.grams', { x: edibleG }) },
          { name: say('sides.figure.sourness'), value: say('sides.value.acid', { x: f.acidPct }) },
        ],
        does: [say(`sides.ready.${f.ready}`, { boughtG: side.boughtG, edibleG }), say('sides.blendAndPressThroughA')],
        notice: f.acidPct > 0.8 ? say('sides.sourIntoTheCooledPudding') : say('sides.offTheHeatWhenThe'),
      };
    }
    case 'second layer':
      return secondLayer(side, plan);
    case 'glaze': {
      const areaM2 = dishAreaM2(plan.dish) * plan.dish.count;
      const endG = areaM2 * side.depthMm * 1000 * SIDE.densityGPerMl;
      const starchG = endG * SIDE.glazeStarch;
      const sugarG = (endG * side.sweetPct) / 100;
      const liquidG = (endG - starchG - sugarG) * 1.06;
      const uses = [
        { ingredientId: side.liquidId, grams: liquidG },
        { ingredientId: 'cornstarch', grams: starchG },
        ...(sugarG > 0 ? [{ ingredientId: 'sugar', grams: sugarG }] : []),
      ];
      return {
        ...base,
        uses,
        minutes: 5,
        makesG: endG,
        figures: [{ name: say('sides.figure.covers'), value: say('sides.value.area', { x: areaM2 * 1e4 }) }],
        does: [
          say('sides.starchIntoTheColdLiquid'),
          say('sides.letItCoolToHand'),
          ...thinnedToSpread(plan, side.liquidId, uses),
        ],
        notice: say('sides.tooHotItMeltsThe'),
      };
    }
  }
}

/** What thins a glaze that is too stiff to spread at hand warmth; nothing where it runs by itself. */
function thinnedToSpread(
  plan: Plan,
  liquidId: string,
  uses: readonly { ingredientId: string; grams: number }[],
): Said[] {
  const mixture: Mixture = uses.reduce((sum, u) => add(sum, mixtureOf(lookUp(plan, u.ingredientId), u.grams)), EMPTY);
  const setup = { ...potSetup(plan), base: lookUp(plan, liquidId).base ?? ('water' as const) };
  const fire = { setting: plan.method.simmerSetting, stirEveryS: 3, lid: 'off' as const };
  const raw = fillPot(setup, mixture, keptC(lookUp(plan, liquidId), plan.room.tempC));
  const bubbling = cook(raw, setup, fire, 20 * 60, stopOf({ kind: 'bubble' }, raw)).pot;
  const { pot } = cook(bubbling, setup, fire, 60);
  const body = bodyOf(pot.content, pot.fractions);
  const warm = viscosityPaS(consistency(body, SIDE.handC, pot.content), pot.content, SIDE.handC, body, 0);
  return warm <= SIDE.spreads
    ? []
    : [say('sides.thinItToSpread', { grams: Math.round(loosenG(body, warm / SIDE.spreads)) })];
}

/** A second layer: cooked down in its own pan, so that what is left stands `depthMm` deep over the dish. */
function secondLayer(side: Extract<SidePot, { kind: 'second layer' }>, plan: Plan): SideAnswer {
  const areaM2 = dishAreaM2(plan.dish) * plan.dish.count;
  const endG = areaM2 * side.depthMm * 1000 * SIDE.densityGPerMl;
  const rawG = endG / side.cookedTo;
  const starchG = endG * SIDE.layerStarch;
  const sugarG = (endG * side.sweetPct) / 100;
  const liquidG = Math.max(0, rawG - starchG - sugarG);
  const uses = [
    { ingredientId: side.liquidId, grams: liquidG },
    { ingredientId: 'rice_flour', grams: starchG },
    ...(sugarG > 0 ? [{ ingredientId: 'sugar', grams: sugarG }] : []),
  ];
  const mixture: Mixture = uses.reduce((sum, u) => add(sum, mixtureOf(lookUp(plan, u.ingredientId), u.grams)), EMPTY);
  const setup = { ...potSetup(plan), base: lookUp(plan, side.liquidId).base ?? ('water' as const) };
  const raw = fillPot(setup, mixture, keptC(lookUp(plan, side.liquidId), plan.room.tempC));
  const fire = { setting: plan.method.simmerSetting, stirEveryS: plan.method.stirEveryS, lid: 'off' as const };
  const pot =
    side.cookedTo < 1
      ? cook(raw, setup, fire, 2 * 3600, stopOf({ kind: 'reduced', toShare: side.cookedTo }, raw)).pot
      : cook(raw, setup, fire, 40 * 60, stopOf({ kind: 'bubble' }, raw)).pot;
  return {
    id: side.id,
    kind: side.kind,
    uses,
    minutes: pot.tS / 60,
    makesG: massG(pot.content),
    figures: [
      { name: say('sides.figure.goesIn'), value: say('sides.value.ml', { x: rawG / SIDE.densityGPerMl }) },
      {
        name: say('sides.figure.depthWhenCooked'),
        value: say('sides.value.length', { x: massG(pot.content) / SIDE.densityGPerMl / (areaM2 * 1000) }),
      },
    ],
    does: [
      say('sides.allOfItColdInto', { densityGPerMl: endG / SIDE.densityGPerMl }),
      pot.viscosityPaS < 1.5 ? say('sides.pourItOnOverThe') : say('sides.spreadItOnWhenThe'),
    ],
    notice: say('sides.onALayerThatIs'),
  };
}

/** A side pot to begin with, sized to the plan. */
export function startSide(kind: SidePot['kind'], id: string, plan: Plan): SidePot {
  const serves = plan.people;
  const milk = plan.things.find((i) => lookUp(plan, i.ingredientId).group === 'milk')?.ingredientId ?? 'water';
  switch (kind) {
    case 'syrup':
      return { id, kind, sugarId: 'sugar', sugarG: Math.max(40, 15 * serves), to: 'pouring', acid: true };
    case 'compote':
      return { id, kind, fruit: 'plum', boughtG: 70 * serves };
    case 'infusion':
      return { id, kind, spiceId: 'cinnamon', grams: 6, form: 'whole', tempC: 85 };
    case 'toasting':
      return { id, kind, whatId: 'almonds_chopped', grams: Math.max(30, 6 * serves), to: 'golden' };
    case 'fried coconut':
      return { id, kind, creamId: 'coconut_cream', grams: Math.min(3000, Math.max(200, 25 * serves)) };
    case 'purée':
      return { id, kind, fruit: 'mango', boughtG: 60 * serves };
    case 'second layer':
      return { id, kind, liquidId: milk, depthMm: 8, cookedTo: 0.8, sweetPct: 6 };
    case 'glaze':
      return { id, kind, liquidId: 'water', depthMm: 2, sweetPct: 15 };
  }
}

/** Everything the side pots use, g of what is eaten. */
export const sideUses = (plan: Plan): { ingredientId: string; grams: number }[] =>
  plan.sides.flatMap((s) => sideOf(s, plan).uses);
