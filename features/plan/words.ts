import type { Formatter } from '../../words/format';
import type { Forecast } from '../../core/model/forecast';
import type { Choices, Family } from '../../core/plan/plan';
import type { SetWord } from '../../core/texture/words';
import type { Rule } from '../../core/plan/rules';
import type { Difference } from '../../core/advice/differences';
import type { RiskName } from '../../core/model/risks';
import type { Look } from '../../core/pot/flavour';
import { t } from '../../words';
import { say, type Said } from '../../core/say';

/** What the cook reads in Plan. */
export const SET_SAYS: Record<SetWord, Said> = {
  drinks: say('planRoom.runsLikeCream'),
  pours: say('planRoom.poursSlowlyFromAJug'),
  coats: say('planRoom.coatsTheSpoonAFinger'),
  mounds: say('planRoom.moundsSoftlyOnTheSpoon'),
  'holds a trail': say('planRoom.aSpatulaStrokeStaysOpen'),
  wobbles: say('planRoom.standsTurnedOutWobbles'),
  slices: say('planRoom.cutsInCleanPieces'),
  firm: say('planRoom.firmCutsLikeCheese'),
};

export const FAMILY_SAYS: Record<Family, { label: Said; sub: Said; short: Said }> = {
  'starch-set milk pudding': {
    label: say('planRoom.setMilkPudding'),
    sub: say('planRoom.starchSpoonedTurnedOutOr'),
    short: say('planRoom.pudding'),
  },
  'ground-rice cream': {
    label: say('planRoom.groundRiceCream'),
    sub: say('planRoom.cookedDownWithGroundRice'),
    short: say('planRoom.riceCream'),
  },
  'stirred custard': {
    label: say('planRoom.stirredCustard'),
    sub: say('planRoom.yolksNeverToTheBoil'),
    short: say('planRoom.custard'),
  },
  'egg-enriched pudding': {
    label: say('planRoom.riceCreamWithYolk'),
    sub: say('planRoom.groundRiceYolkAtThe'),
    short: say('planRoom.eggCream'),
  },
  'baked custard': {
    label: say('planRoom.bakedCustard'),
    sub: say('planRoom.wholeEggInAWater'),
    short: say('planRoom.bakedCustard2'),
  },
  'whole-rice pudding': {
    label: say('planRoom.wholeRicePudding'),
    sub: say('planRoom.grainsToTheBite'),
    short: say('planRoom.ricePudding'),
  },
  porridge: {
    label: say('planRoom.porridge'),
    sub: say('planRoom.semolinaOrCornmealWarm'),
    short: say('planRoom.porridge2'),
  },
  'baked slab': {
    label: say('planRoom.bakedSlab'),
    sub: say('planRoom.thickPouredBakedAndCut'),
    short: say('planRoom.slab'),
  },
  'frozen cream': {
    label: say('planRoom.frozenCream'),
    sub: say('planRoom.cookedDownLightlyStarchedFrozen'),
    short: say('planRoom.frozenCream2'),
  },
};

export const RISK_SAYS: Record<RiskName, Said> = {
  lumps: say('planRoom.lumps2'),
  curdle: say('planRoom.curdles2'),
  scorch: say('planRoom.catches2'),
  'raw starch': say('planRoom.tastesRaw'),
  'boil over': say('planRoom.boilsOver'),
  skin: say('planRoom.skin'),
  weeping: say('planRoom.weeps'),
  split: say('planRoom.splits'),
};

/** The choices that the hob sheet offers: key, question, and the sides in the cook's words. */
export const CHOICE_SAYS: readonly {
  key: keyof Choices;
  label: Said;
  needs: 'any' | 'grain' | 'egg' | 'oven';
  sides: Record<string, Said>;
}[] = [
  {
    key: 'heat',
    label: say('planRoom.over'),
    needs: 'any',
    sides: { direct: say('planRoom.theRing'), 'double boiler': say('planRoom.aDoubleBoiler') },
  },
  {
    key: 'start',
    label: say('planRoom.atFirst'),
    needs: 'any',
    sides: { 'full heat, then lower': say('planRoom.fullHeat'), 'low throughout': say('planRoom.lowThroughout') },
  },
  {
    key: 'stirring',
    label: say('planRoom.spoon'),
    needs: 'any',
    sides: { constant: say('planRoom.neverStops'), 'lid on, now and then': say('planRoom.lidOnNowAndThen') },
  },
  {
    key: 'grain',
    label: say('planRoom.grainGoes'),
    needs: 'grain',
    sides: {
      'into cold milk': say('planRoom.intoColdMilk'),
      'into boiling milk': say('planRoom.intoBoilingMilk'),
      'fried in fat first': say('planRoom.throughFatFirst'),
      'wetted cold first': say('planRoom.wettedColdFirst'),
      'hot liquid onto it': say('planRoom.hotLiquidOntoIt'),
    },
  },
  {
    key: 'soak',
    label: say('planRoom.beforeThat'),
    needs: 'grain',
    sides: { 'straight in': say('planRoom.nothing'), soaked: say('planRoom.soaked45Min') },
  },
  {
    key: 'yolks',
    label: say('planRoom.eggGoesIn'),
    needs: 'egg',
    sides: { tempered: say('planRoom.ladleByLadle'), 'straight in': say('planRoom.straightIn') },
  },
  {
    key: 'bath',
    label: say('planRoom.inTheOven'),
    needs: 'oven',
    sides: { open: say('planRoom.inAWaterBath'), none: say('planRoom.asItIs2') },
  },
];

export const MEASURE_SAYS = {
  scale: { label: say('measureSays.scale'), sub: say('measureSays.scale.sub') },
  'level spoons': { label: say('measureSays.level spoons'), sub: say('measureSays.level spoons.sub') },
  'rounded spoons': { label: say('measureSays.rounded spoons'), sub: say('measureSays.rounded spoons.sub') },
  'heaped spoons': { label: say('measureSays.heaped spoons'), sub: say('measureSays.heaped spoons.sub') },
} as const;

export const pushSays = (of: 'milk' | 'sugar' | 'steam lost', steps: number, milk: string): string => {
  const size = Math.abs(steps);
  const much =
    size < 0.08
      ? t('planRoom.hardlyAnything')
      : size < 0.3
        ? t('planRoom.aQuarterOfAStep')
        : size < 0.6
          ? t('planRoom.halfAStep')
          : size < 0.9
            ? t('planRoom.mostOfAStep')
            : t('planRoom.steps', { size: Math.round(size * 2) / 2 });
  const way = steps >= 0 ? t('planRoom.firmer') : t('planRoom.softer');
  const tail =
    size < 0.08
      ? t('planRoom.does', { much })
      : `${of === 'sugar' ? t('planRoom.makesIt') : t('planRoom.bringsIt')} ${much} ${way}`;
  if (of === 'milk')
    return t('planRoom.againstWater', { toUpperCase: milk[0]?.toUpperCase(), slice: milk.slice(1), tail });
  if (of === 'sugar') return t('planRoom.theSugar', { tail });
  return t('planRoom.steamLostOnTheHob', { tail });
};

/** A word of the set, as it is called. */
export const wordSays = (word: unknown): string => t(`word.${word as SetWord}`);

/** What it looks like, in a few words. */
export const lookSays = (look: Look): string =>
  [
    look.tint ??
      (look.cream > 0.5 ? t('planRoom.deepCream') : look.cream > 0.2 ? t('planRoom.cream') : t('planRoom.white')),
    look.opacity < 0.5 ? t('planRoom.glassy') : '',
    look.smooth,
    look.gloss > 0.6 ? t('planRoom.glossy') : '',
  ]
    .filter(Boolean)
    .join(', ');

const of10 = (x: number) => {
  const n = Math.round(x * 10);
  return n <= 0 ? t('planRoom.hardlyEver') : n >= 10 ? t('planRoom.nearlyAlways') : t('planRoom.in10', { n });
};
const more = (from: number, to: number, unit: (x: number) => string) => {
  const d = Math.round(to - from);
  return `${d >= 0 ? '+' : '−'}${unit(Math.abs(d))}`;
};
const minutesMore = (from: number, to: number) => more(from, to, (m) => t('planRoom.min3', { m }));

/** What one way costs against another, in a few words; empty where it is too small to feel. */
function costSays(d: Difference, fmt: Formatter): string {
  const [from, to] = [Number(d.from), Number(d.to)];
  const pct = Math.round(100 * ((d.ratio ?? 1) - 1));
  const size = Math.abs(pct);
  switch (d.what) {
    case 'risk':
      return of10(from) === of10(to)
        ? ''
        : t('cost.risk', { risk: t(RISK_SAYS[d.risk!]).toLowerCase(), to: of10(to), from: of10(from) });
    case 'minutes':
      return Math.abs(to - from) < 0.7 ? '' : t('cost.minutes', { more: minutesMore(from, to) });
    case 'stirringMin':
      return Math.abs(to - from) < 0.7 ? '' : t('cost.stirring', { more: minutesMore(from, to) });
    case 'hot':
      return t('cost.hot', { to: wordSays(d.to), from: wordSays(d.from) });
    case 'serving':
      return t('cost.serving', { to: wordSays(d.to), from: wordSays(d.from) });
    case 'hotPaS':
      return size < 15 ? '' : t(pct > 0 ? 'cost.thickerHot' : 'cost.thinnerHot', { size });
    case 'yieldPa':
      return size < 6 ? '' : pct > 300 ? t('cost.muchFirmer') : t(pct > 0 ? 'cost.firmer' : 'cost.softer', { size });
    case 'endMassG':
      return t('cost.mass', { more: more(from, to, (g) => fmt.grams(g)) });
    case 'sweetnessPct':
      return t(pct > 0 ? 'cost.sweeter' : 'cost.lessSweet', { to: to.toFixed(1) });
    case 'bite':
      return t(to < from ? 'cost.grainsHarder' : 'cost.grainsSofter');
    case 'coldH':
      return t(to < from ? 'cost.coldSooner' : 'cost.coldLater', { hours: Math.abs(to - from).toFixed(1) });
    case 'unmould':
      return of10(from) === of10(to) ? '' : t('cost.comesOut', { to: of10(to), from: of10(from) });
    case 'aromaLeft':
      return to < from
        ? t('cost.scentGoes', { pct: Math.round(100 * (1 - to / Math.max(from, 0.01))) })
        : t('cost.scentStays');
    case 'topMin':
      return t('cost.topMinutes', { more: minutesMore(from, to) });
    case 'ovenMin':
      return Math.abs(to - from) < 0.4 ? '' : t('cost.ovenMinutes', { to: to.toFixed(0), from: from.toFixed(0) });
    case 'topMm':
      return t('cost.topMm', { to: fmt.length(to), from: fmt.length(from) });
    case 'cream':
      return t(to > from ? 'cost.creamier' : 'cost.whiter');
    case 'tint':
      return d.to === 'none' ? t('cost.noColour') : t('cost.looks', { tint: String(d.to) });
  }
}

/** All that a change costs, one line each; says so where nothing is felt. */
export const costsSay = (list: readonly Difference[], fmt: Formatter): string[] => {
  const said = list.map((d) => costSays(d, fmt)).filter(Boolean);
  return said.length ? said : [t('planRoom.noDifferenceThatIsFelt')];
};

export const RULE_SAYS: Record<Rule, { label: Said; sub: Said }> = {
  'no egg': { label: say('planRoom.noEgg'), sub: say('planRoom.norAnythingMadeOfIt') },
  'no alcohol': { label: say('planRoom.noAlcohol'), sub: say('planRoom.extractsAndSpiritsCount') },
  'nobody tastes': {
    label: say('planRoom.nobodyTastesBeforeServing'),
    sub: say('planRoom.everythingIsWeighedNothingHeld'),
  },
  'no milk': { label: say('planRoom.noMilk'), sub: say('planRoom.norButterNorCream') },
  'no wheat': { label: say('planRoom.noWheat'), sub: say('planRoom.semolinaIsWheat') },
  'no nuts': { label: say('planRoom.noNuts'), sub: say('planRoom.treeNutsAndPeanut') },
  'no coconut': { label: say('planRoom.noCoconut'), sub: say('planRoom.milkCreamFlakesOil') },
  'no soy': { label: say('planRoom.noSoy'), sub: say('planRoom.drinksAndStarters') },
};

/** The why in one line: what moves the set most beside the starch. */
export function whySays(f: Pick<Forecast, 'pushes'>, milk: string): string {
  const most = [...f.pushes].sort((a, b) => Math.abs(b.steps) - Math.abs(a.steps))[0];
  return !most || Math.abs(most.steps) < 0.08
    ? t('planRoom.theThickenerAloneDecidesNothing')
    : pushSays(most.of, most.steps, milk);
}
