import { PANTRY } from './pantry';
import { say, type Said } from '../say';

/** Names that mean different things in different kitchens, and how to tell them apart on the table. */
export type Which = {
  id: string;
  /** the bare name, as it stands on a list; longer, clearer names do not match */
  name: RegExp;
  question: Said;
  options: readonly { ingredientId: string; label: Said | string; tell: Said }[];
};

export const WHICH: readonly Which[] = [
  {
    id: 'rice',
    name: /^(white |uncooked |raw )?rice( grains?)?$/,
    question: say('whichOne.whichRiceIsIt'),
    options: [
      {
        ingredientId: 'rice_short',
        label: 'short and round',
        tell: say('whichOne.asLongAsItIs'),
      },
      { ingredientId: 'rice_long', label: 'long', tell: say('whichOne.fourTimesAsLongAs') },
      {
        ingredientId: 'rice_basmati',
        label: say('whichOne.longThinAndScentedDry'),
        tell: say('whichOne.pointedEndsSmellsOfPopcorn'),
      },
      {
        ingredientId: 'rice_jasmine',
        label: say('whichOne.longScentedALittleSticky'),
        tell: say('whichOne.glassyGrainClingsWhenCooked'),
      },
      { ingredientId: 'rice_glut', label: 'glutinous', tell: say('whichOne.opaqueWhiteLikeChalkAll') },
    ],
  },
  {
    id: 'cornflour',
    name: /^(corn ?flour|maize flour|maize)$/,
    question: say('whichOne.theWhiteStarchOrGround'),
    options: [
      {
        ingredientId: 'cornstarch',
        label: say('whichOne.whiteSqueaksBetweenTheFingers'),
        tell: say('whichOne.pureStarchSetsClearAnd'),
      },
      {
        ingredientId: 'cornmeal_fine',
        label: say('whichOne.yellowFineFeelsOfFlour'),
        tell: say('whichOne.groundMaizeAPorridgeAnd'),
      },
      {
        ingredientId: 'cornmeal_coarse',
        label: say('whichOne.yellowCoarseFeelsOfSand'),
        tell: say('whichOne.wantsLongCooking'),
      },
    ],
  },
  {
    id: 'coconut',
    name: /^(tinned |canned )?coconut( milk)?$/,
    question: say('whichOne.whichCoconutIsIt'),
    options: [
      {
        ingredientId: 'coconut_milk',
        label: 'milk from a can',
        tell: say('whichOne.thickSplitsIntoCreamAnd'),
      },
      {
        ingredientId: 'coconut_cream_drink',
        label: say('whichOne.lightMilkFromACan'),
        tell: say('whichOne.poursLikeMilkFatNear'),
      },
      { ingredientId: 'coconut_cream', label: 'cream', tell: say('whichOne.spoonsDoesNotPourFat') },
      { ingredientId: 'coconut_drink', label: 'drink from a carton', tell: say('whichOne.thinAsSkimmedMilkFat') },
      { ingredientId: 'coconut_grated', label: 'grated, dried', tell: say('whichOne.flakesTakesUpItsOwn') },
    ],
  },
  {
    id: 'milk',
    name: /^milk$/,
    question: say('whichOne.howFatIsTheMilk'),
    options: [
      { ingredientId: 'milk_whole', label: 'whole', tell: say('whichOne.35OnTheCarton') },
      { ingredientId: 'milk_semi', label: 'half fat', tell: say('whichOne.15To2') },
      { ingredientId: 'milk_skim', label: 'skimmed', tell: say('whichOne.01To03') },
    ],
  },
  {
    id: 'cream',
    name: /^(fresh |liquid )?cream$/,
    question: say('whichOne.whichCreamIsIt'),
    options: [
      { ingredientId: 'cream_35', label: 'whipping', tell: say('whichOne.30To36OnThe') },
      { ingredientId: 'cream_20', label: 'single', tell: say('whichOne.18To20DoesNot') },
      { ingredientId: 'double_cream', label: 'double', tell: say('whichOne.48StandsByItself') },
    ],
  },
  {
    id: 'tin',
    name: /^(tinned|canned|can(ned)?|tin(ned)?) milk$/,
    question: say('whichOne.sweetOrNot'),
    options: [
      { ingredientId: 'evaporated', label: 'evaporated', tell: say('whichOne.poursNotSweet') },
      { ingredientId: 'condensed', label: 'sweetened condensed', tell: say('whichOne.runsLikeHoneyVerySweet') },
    ],
  },
  {
    id: 'flour',
    name: /^flour$/,
    question: say('whichOne.whichFlourIsIt'),
    options: [
      { ingredientId: 'wheat_flour', label: 'wheat', tell: say('whichOne.containsWheatThickensHalfAs') },
      { ingredientId: 'rice_flour', label: 'rice', tell: say('whichOne.whiteALittleGritty') },
      { ingredientId: 'waxy_rice_flour', label: 'glutinous rice', tell: say('whichOne.setsStretchyHardlyFirmerWhen') },
    ],
  },
  {
    id: 'ground rice',
    name: /^rice (flour|powder)|^powdered rice$/,
    question: say('whichOne.howFineIsIt'),
    options: [
      {
        ingredientId: 'rice_flour',
        label: 'like flour',
        tell: say('whichOne.noGrainBetweenTheFingers'),
      },
      { ingredientId: 'rice_ground', label: 'like semolina', tell: say('whichOne.feelsOfFineSandKeeps') },
      { ingredientId: 'waxy_rice_flour', label: 'glutinous', tell: say('whichOne.saysSoOnThePacket') },
    ],
  },
  {
    id: 'starch',
    name: /^starch$/,
    question: say('whichOne.starchOfWhat'),
    options: [
      { ingredientId: 'cornstarch', label: 'maize', tell: say('whichOne.cloudyShortFirmWhenCold') },
      { ingredientId: 'potato_starch', label: 'potato', tell: say('whichOne.clearThickHotSlackWhen') },
      { ingredientId: 'tapioca_starch', label: 'tapioca', tell: say('whichOne.clearAndStringy') },
    ],
  },
  {
    id: 'cornmeal',
    name: /^(corn ?meal|polenta|maize meal)$/,
    question: say('whichOne.howCoarseIsIt'),
    options: [
      { ingredientId: 'cornmeal_fine', label: 'fine', tell: say('whichOne.likeFineSandAQuarter') },
      { ingredientId: 'cornmeal_coarse', label: 'coarse', tell: say('whichOne.grainsYouCanCountThree') },
    ],
  },
  {
    id: 'gum',
    name: /^(gum|mastic gum)$/,
    question: say('whichOne.aGumOrTheResin'),
    options: [
      { ingredientId: 'mastic', label: 'tears of resin', tell: say('whichOne.hardBrittleDropsPoundedWith') },
      { ingredientId: 'guar', label: 'guar', tell: say('whichOne.aPowderThickensCold') },
      { ingredientId: 'xanthan', label: 'xanthan', tell: say('whichOne.aPowderThickensColdA') },
    ],
  },
  {
    id: 'fruit',
    name: /^(tinned|canned) (fruit|peaches|pineapple|pears|apricots)$/,
    question: say('whichOne.drainedOrWithItsLiquid'),
    options: [
      { ingredientId: 'fruit_pieces', label: 'drained', tell: say('whichOne.weighItOutOfThe') },
      { ingredientId: 'orange_juice', label: 'its liquid too', tell: say('whichOne.countsAsSweetJuiceIt') },
    ],
  },
  {
    id: 'vanilla',
    name: /^vanilla$/,
    question: say('whichOne.podOrExtract'),
    options: [
      { ingredientId: 'vanilla', label: 'extract', tell: say('whichOne.alcoholOffTheHeatOr') },
      { ingredientId: 'vanilla_pod', label: 'pod', tell: say('whichOne.fromTheStartAndCounted') },
    ],
  },
];

/** The question a bare name raises, or undefined where it is clear. */
export const whichIs = (name: string): Which | undefined => WHICH.find((w) => w.name.test(name.trim().toLowerCase()));

/** Asks about a name with a word in it that nothing explains: the nearest thing of the pantry is offered, never taken. */
export const whatIs = (written: string, nearestId: string): Which => ({
  id: 'what',
  name: /^$/,
  question: say('whichOne.whatIs', { written }),
  options: [
    {
      ingredientId: nearestId,
      label: PANTRY.find((i) => i.id === nearestId)!.name,
      tell: say('whichOne.onlyIfItIsThat'),
    },
  ],
});
