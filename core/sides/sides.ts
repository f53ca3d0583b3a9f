import { table } from '../coefficients';
import { massG } from '../matter/mixture';
import { dishAreaM2 } from '../pantry/kitchen';
import { FRUIT_ROWS, type Fruit } from '../pantry/fruit';
import { lookUp } from '../plan/bowls';
import { ownSteps, potPartsOf, preparationsOf, withPotParts, withPreparations } from '../plan/layout';
import { purposeOf, type HeatStep, type MethodStep } from '../plan/method';
import { oncePerPlan } from '../plan/once';
import type { Plan, SecondPot } from '../plan/plan';
import { boiled, compotePot, glazePot, layerPot, POT, secondPot, syrupPot, type SyrupEnd } from '../plan/potStarts';
import type { Preparation } from '../plan/preparation';
import { portionsOfPot } from '../plan/secondPot';
import { infused, syrup } from '../pot/flavour';
import { loosenG } from '../pot/corrections';
import { netW } from '../pot/hob';
import { bodyOf, consistency, viscosityPaS } from '../pot/paste';
import { productOf } from '../model/run';
import { say, type Said } from '../say';

/** What is made beside the pot: what to weigh, how long, and what comes out. */
export const SIDE = table('Beside the pot', {
  latentKJ: [2257, 'J/g', 'A', 'water to steam'],
  toSteam: [0.62, '1', 'C', 'share of the hob that leaves as steam from an open side pot'],
  acidInverts: [0.08, '1', 'C', 'share of the sugar that a little acid turns'],
  syrupFrom: [0.45, 'g/g', 'C', 'sugar from which a second pot is a syrup'],
  drawn: [0.8, '1', 'C', 'an infusion is done at this strength'],
  toastMin: [6, 'min', 'C', 'golden at low heat, a pan of 100 g'],
  toastPerG: [0.012, 'min/g', 'C', 'longer with more in the pan'],
  fryMin: [6, 'min', 'C', 'coconut solids from splitting to gold'],
  oilHeld: [0.15, '1', 'C', 'of the fat, kept by the fried solids'],
  handC: [35, 'degC', 'B', 'what is spread is hand-warm'],
  spreads: [1.5, 'Pa s', 'C', 'thicker than this it drags at what it is spread on'],
  filmMm: [4, 'mm', 'C', 'what goes on thinner than this is a film'],
});
const ROAST_TIME = { pale: 0.65, golden: 1, deep: 1.35 } as const;

export type BesideKind = Preparation['kind'] | 'pot';
export type SideAnswer = {
  id: string;
  kind: BesideKind;
  name: Said;
  /** what to weigh, g of what is eaten; `bought` where more has to be bought for it */
  uses: { ingredientId: string; grams: number; boughtG?: number }[];
  minutes: number;
  makesG: number;
  /** its figures and its lines, in the order of the work */
  figures: { name: Said; value: Said }[];
  does: Said[];
  notice: Said;
  caution?: Said;
  /** poured or spread on what is in the dish, mm of it */
  overMm?: number;
  /** s between two stirs of it; undefined where none is asked for */
  stirEveryS?: number;
};

/** g of water that a ring boils off in a minute. */
const steamPerMin = (plan: Plan): number =>
  Math.max(1, (60 * SIDE.toSteam * netW(plan.hob, plan.method.simmerSetting)) / SIDE.latentKJ);

const HOT_SUGAR = say('sides.hotSyrupSticksAndBurns');

/**
 * What a preparation asks and gives.
 * @throws UnknownIngredientError for an ingredient that nobody knows
 */
function preparationOf(side: Preparation & { id: string }, plan: Plan): SideAnswer {
  const what = (id: string) => lookUp(plan, id);
  const base = { id: side.id, kind: side.kind, name: say(`sideKind.${side.kind}`) };
  switch (side.kind) {
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
  }
}

const FRUIT_BY_ID: ReadonlyMap<string, Fruit> = new Map(
  (Object.keys(FRUIT_ROWS) as Fruit[]).map((f) => [FRUIT_ROWS[f].ingredientId, f]),
);
/** The fruit that is bought whole for a second pot: what it is, and g of it that are eaten. */
export const fruitIn = ({ things }: SecondPot): { fruit: Fruit; grams: number }[] =>
  things.flatMap(({ ingredientId, grams }) => {
    const fruit = FRUIT_BY_ID.get(ingredientId);
    return fruit && grams > 0 ? [{ fruit, grams }] : [];
  });

/** What an act of a second pot is, in a line. */
function lineOf(step: MethodStep, plan: Plan, pot: SecondPot): Said[] {
  switch (step.do) {
    case 'pour': {
      const things = step.to === 'pot' ? inBowl(pot, plan, step.from) : [];
      return things.length ? [say('sides.pot.add', { things })] : [];
    }
    case 'mix': {
      const things = inBowl(pot, plan, step.in);
      const told = { until: say(`mixed.${step.until}`), things };
      return things.length && step.in !== 'pot' ? [say('sides.pot.mix', told)] : [say('sides.pot.mixAll', told)];
    }
    case 'take out':
      return [say('sides.pot.takeOut')];
    case 'heat': {
      const told = { setting: step.setting, until: untilSaid(step) };
      return [step.lid === 'on' ? say('sides.pot.heatCovered', told) : say('sides.pot.heat', told)];
    }
    case 'say':
      return [say('plain', { text: step.words })];
    default:
      return [];
  }
}
const inBowl = (pot: SecondPot, plan: Plan, bowl: string): Said[] =>
  portionsOfPot(pot, bowl).map(({ ingredientId, grams }) =>
    say('sides.pot.thing', { grams, name: lookUp(plan, ingredientId).name }),
  );

function untilSaid({ until }: HeatStep): Said {
  switch (until.reach) {
    case 'time':
      return say('sides.pot.minutes', { minutes: until.minutes });
    case 'temperature':
      return say('sides.pot.temp', { tempC: until.tempC });
    case 'share':
      return say('sides.pot.share', { share: 100 * until.share });
    case 'mass':
      return say('sides.pot.mass', { grams: until.grams });
    default:
      return say(`sides.pot.${until.reach}`);
  }
}

/** What thins what is to be spread and is too stiff for it when it is hand-warm; nothing where it runs by itself. */
function thinnedToSpread({ content, cooked }: ReturnType<typeof productOf>): Said[] {
  if (!cooked) return [];
  const body = bodyOf(content, cooked.fractions);
  const warm = viscosityPaS(consistency(body, SIDE.handC, content), content, SIDE.handC, body, 0);
  return warm <= SIDE.spreads
    ? []
    : [say('sides.thinItToSpread', { grams: Math.round(loosenG(body, warm / SIDE.spreads)) })];
}

/** What a second pot asks and gives: cooked by the laws of the pot. @throws UnknownIngredientError */
function secondPotOf(pot: SecondPot, plan: Plan): SideAnswer {
  const product = productOf(plan, pot);
  const { content: m, minutes } = product;
  const makesG = massG(m);
  const goesInG = pot.things.reduce((sum, t) => sum + t.grams, 0);
  const steps = ownSteps(pot) ?? [];
  const fruit = fruitIn(pot);
  const put = potPartsOf(plan).filter((p) => p.vesselId === pot.id);
  const overShare = put.filter((p) => purposeOf(p.in) === 'top').reduce((sum, p) => sum + p.share, 0);
  const areaM2 = dishAreaM2(plan.dish) * plan.dish.count;
  const overMm = (overShare * makesG) / POT.densityGPerMl / (areaM2 * 1000);
  const binds = m.starchG > 0.5;
  const sugar = m.sugarG / Math.max(1, makesG);
  const isSyrup = sugar > SIDE.syrupFrom && !binds && !fruit.length && goesInG > makesG;
  const acid = pot.things.some((t) => (lookUp(plan, t.ingredientId).ph ?? 7) < 4);
  const s = isSyrup
    ? syrup(m.sugarG, goesInG - m.sugarG, makesG, acid ? SIDE.acidInverts : 0, plan.room.altitudeM)
    : undefined;
  const grams = (name: Said, x: number) => ({ name, value: say('sides.value.grams', { x }) });
  const stirs = steps.flatMap((x) => (x.do === 'heat' && x.stirEveryS !== null ? [x.stirEveryS] : []));
  const start = inBowl(pot, plan, 'pot');
  const over: Said[] =
    overShare > 0
      ? [
          overMm < SIDE.filmMm ? say('sides.letItCoolToHand') : say('sides.pourItOnOverThe'),
          ...(binds ? thinnedToSpread(product) : []),
        ]
      : [];
  return {
    id: pot.id,
    kind: 'pot',
    name: say('plain', { text: pot.name }),
    uses: pot.things
      .filter((t) => t.grams > 0)
      .map(({ ingredientId, grams: g }) => {
        const f = FRUIT_BY_ID.get(ingredientId);
        return { ingredientId, grams: g, ...(f ? { boughtG: g / FRUIT_ROWS[f].edible } : {}) };
      }),
    minutes,
    makesG,
    figures: [
      ...(goesInG - makesG > 1 ? [grams(say('sides.figure.boilOff'), goesInG - makesG)] : []),
      ...(s
        ? [
            { name: say('sides.figure.boilsAt'), value: say('sides.value.temp', { x: s.boilsAtC }) },
            { name: say('sides.figure.crystals'), value: say('sides.value.percent', { x: s.crystalRisk }) },
          ]
        : []),
      ...fruit.map(({ fruit: f }) => ({
        name: say('sides.figure.sourness'),
        value: say('sides.value.acid', { x: FRUIT_ROWS[f].acidPct }),
      })),
      ...(overShare > 0
        ? [{ name: say('sides.figure.depthWhenCooked'), value: say('sides.value.length', { x: overMm }) }]
        : []),
    ],
    does: [
      ...fruit.map(({ fruit: f, grams: g }) =>
        say(`sides.ready.${FRUIT_ROWS[f].ready}`, { boughtG: g / FRUIT_ROWS[f].edible, edibleG: g }),
      ),
      ...(start.length ? [say('sides.pot.start', { things: start })] : []),
      ...steps.flatMap((x) => lineOf(x, plan, pot)),
      ...over,
    ],
    notice: s
      ? s.crystalRisk > 0.15
        ? say('sides.itMayGrainWhenCold')
        : say('sides.staysClearWhenCold')
      : fruit.length
        ? say('sides.tasteWhenColdHotFruit')
        : overShare > 0 && binds
          ? overMm < SIDE.filmMm
            ? say('sides.tooHotItMeltsThe')
            : say('sides.onALayerThatIs')
          : say('sides.pot.keepWarm'),
    ...(sugar > SIDE.syrupFrom ? { caution: HOT_SUGAR } : {}),
    ...(overShare > 0 ? { overMm } : {}),
    ...(stirs.length ? { stirEveryS: Math.min(...stirs) } : {}),
  };
}

/** All that is made beside the pot, in the order of the plan. @throws UnknownIngredientError */
export const besideOf = oncePerPlan((plan: Plan): readonly SideAnswer[] => [
  ...plan.vessels.map((v) => secondPotOf(v, plan)),
  ...preparationsOf(plan).map((p) => preparationOf(p, plan)),
]);

/** What can be begun beside the pot: pots by what they are to become, and preparations. */
export const BESIDE_STARTS = [
  'sauce',
  'boiled',
  'syrup',
  'compote',
  'second layer',
  'glaze',
  'infusion',
  'toasting',
  'fried coconut',
  'purée',
] as const;
export type BesideStart = (typeof BESIDE_STARTS)[number];

/** The plan with something more beside its pot, sized to it. @param id of what is new */
export function startBeside(kind: BesideStart, id: string, plan: Plan, to: SyrupEnd = 'pouring'): Plan {
  const serves = plan.people;
  const milk = plan.things.find((i) => lookUp(plan, i.ingredientId).group === 'milk')?.ingredientId ?? 'water';
  const pot = (vessel: SecondPot): Plan => ({ ...plan, vessels: [...plan.vessels, vessel] });
  const over = (vessel: SecondPot): Plan =>
    withPotParts(pot(vessel), [...potPartsOf(plan), { vesselId: id, share: 1, in: 'top' }]);
  const prepared = (what: Preparation): Plan => withPreparations(plan, [...preparationsOf(plan), { id, ...what }]);
  switch (kind) {
    case 'sauce':
      return pot(secondPot(id, 'sauce'));
    case 'boiled':
      return pot(secondPot(id, 'boiled beside it', [], boiled(15, { lid: 'on', stirEveryS: 120 })));
    case 'syrup':
      return pot(syrupPot(id, { sugarId: 'sugar', sugarG: Math.max(40, 15 * serves), to, acid: true }));
    case 'compote':
      return pot(compotePot(id, 'plum', 70 * serves));
    case 'second layer':
      return over(layerPot(id, plan.dish, { liquidId: milk, depthMm: 8, cookedTo: 0.8, sweetPct: 6 }));
    case 'glaze':
      return over(glazePot(id, plan.dish, { liquidId: 'water', depthMm: 2, sweetPct: 15 }));
    case 'infusion':
      return prepared({ kind, spiceId: 'cinnamon', grams: 6, form: 'whole', tempC: 85 });
    case 'toasting':
      return prepared({ kind, whatId: 'almonds_chopped', grams: Math.max(30, 6 * serves), to: 'golden' });
    case 'fried coconut':
      return prepared({ kind, creamId: 'coconut_cream', grams: Math.min(3000, Math.max(200, 25 * serves)) });
    case 'purée':
      return prepared({ kind, fruit: 'mango', boughtG: 60 * serves });
  }
}

/** Everything that is used beside the pot, g of what is eaten. */
export const besideUses = (plan: Plan): { ingredientId: string; grams: number }[] =>
  besideOf(plan).flatMap((s) => s.uses);
