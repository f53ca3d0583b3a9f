import { ALIASES } from '../names';
import { EN } from './en';

const wordsIn = (s: string): string[] => s.toLowerCase().match(/[a-z]{2,}/g) ?? [];

/** Words that kitchens cut short, the common ones first: a cut that fits several is the first of them. */
export const WORDS_CUT: readonly string[] = [
  'sugar', 'vanilla', 'flour', 'butter', 'cornflour', 'cornstarch', 'custard', 'cinnamon', 'chocolate', 'caster', 'cream', 'plain',
  'extract', 'essence', 'condensed', 'evaporated', 'coconut', 'semolina', 'granulated', 'powder', 'powdered', 'whole', 'unsalted',
  'nutmeg', 'cardamom', 'margarine', 'lemon', 'orange', 'almond', 'ground', 'grated', 'raspberries', 'strawberries', 'optional',
  'medium', 'constantly', 'occasionally', 'continuously', 'minutes', 'refrigerate', 'overnight', 'serves', 'saucepan', 'temperature',
  'tablespoons', 'teaspoons', 'gradually', 'remaining', 'mixture', 'ingredients', 'approximately', 'thickened', 'dissolved',
]; // prettier-ignore

/** Words that mean themselves, however short. */
export const KNOWN_WORDS: ReadonlySet<string> = new Set([
  ...Object.values(ALIASES).flatMap(wordsIn),
  ...WORDS_CUT,
  ...Object.values(EN.deeds).flatMap(wordsIn),
  ...Object.values(EN.vessels).flatMap(wordsIn),
  ...Object.values(EN.signs).flatMap(wordsIn),
  ...Object.values(EN.places).flatMap(wordsIn),
  ...Object.values(EN.levels).flatMap(wordsIn),
  ...Object.values(EN.lids).flatMap(wordsIn),
  ...Object.values(EN.stirring).flatMap(wordsIn),
  ...Object.values(EN.contents).flatMap(wordsIn),
  ...Object.values(EN.words).flatMap(wordsIn),
  ...wordsIn(EN.foods),
  ...wordsIn(
    'the a an and or of to in on at by for with from into onto it is are be was were been has have had do does did can may will would could should must ' +
      'this that these those they them their there then than when while until till as so if but not no nor only just very too also more most less least some any each ' +
      'every all both half third quarter one two three four five six seven eight nine ten eleven twelve cup cups spoon spoons tbsp tsp ml cl dl kg oz lb lbs pt pts qt ' +
      'gram grams litre litres liter pint pints quart can cans tin tins stick sticks pod pods leaf min mins hr hrs hour hours sec secs am pm my your our his her its we you i he she ' +
      'first last next now about over under up down out off back away again ever never always still yet here where which who what why how good well nice like made make ' +
      'let get got go come came see say said take put set sit lay day days night week year time times big small large little old new own same other another after before ' +
      'hot cold warm cool soft hard thick thin fine fresh dry wet full low high top bottom side end edge middle mum mam nan gran dad aunt auntie sister granny home house ' +
      'dish dishes bowl pot pan jug oven fridge lid ring gas heat fire flame stove milk water rice egg eggs yolk yolks white whites salt oil fat nut nuts tea rum jam ' +
      'temper tempered tempering burps goes gold golden grain grains taste tastes ' +
      'cst pcs non stop pot post press part port pick pink pull push plus pass past pea pie pinch plump prefer',
  ),
]);
