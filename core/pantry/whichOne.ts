import { PANTRY } from './pantry';

/** Names that mean different things in different kitchens, and how to tell them apart on the table. */
export type Which = {
  id: string;
  /** the bare name, as it stands on a list; longer, clearer names do not match */
  name: RegExp;
  question: string;
  options: readonly { ingredientId: string; label: string; tell: string }[];
};

export const WHICH: readonly Which[] = [
  {
    id: 'rice',
    name: /^(white |uncooked |raw )?rice( grains?)?$/,
    question: 'Which rice is it?',
    options: [
      {
        ingredientId: 'rice_short',
        label: 'short and round',
        tell: 'as long as it is wide, chalky middle: gives the most cream',
      },
      { ingredientId: 'rice_long', label: 'long', tell: 'four times as long as wide, stays apart' },
      { ingredientId: 'rice_basmati', label: 'long, thin and scented, dry', tell: 'pointed ends, smells of popcorn' },
      {
        ingredientId: 'rice_jasmine',
        label: 'long, scented, a little sticky',
        tell: 'glassy grain, clings when cooked',
      },
      { ingredientId: 'rice_glut', label: 'glutinous', tell: 'opaque white like chalk all through; holds no gluten' },
    ],
  },
  {
    id: 'cornflour',
    name: /^(corn ?flour|maize flour|maize)$/,
    question: 'The white starch, or ground maize?',
    options: [
      {
        ingredientId: 'cornstarch',
        label: 'white, squeaks between the fingers',
        tell: 'pure starch: sets clear and smooth',
      },
      {
        ingredientId: 'cornmeal_fine',
        label: 'yellow, fine, feels of flour',
        tell: 'ground maize: a porridge, and thickens half as much',
      },
      { ingredientId: 'cornmeal_coarse', label: 'yellow, coarse, feels of sand', tell: 'wants long cooking' },
    ],
  },
  {
    id: 'coconut',
    name: /^(tinned |canned )?coconut( milk)?$/,
    question: 'Which coconut is it?',
    options: [
      {
        ingredientId: 'coconut_milk',
        label: 'milk from a can',
        tell: 'thick, splits into cream and water: fat near 18 %',
      },
      { ingredientId: 'coconut_cream_drink', label: 'light milk from a can', tell: 'pours like milk: fat near 7 %' },
      { ingredientId: 'coconut_cream', label: 'cream', tell: 'spoons, does not pour: fat 25 % and more' },
      { ingredientId: 'coconut_drink', label: 'drink from a carton', tell: 'thin as skimmed milk: fat 1 to 2 %' },
      { ingredientId: 'coconut_grated', label: 'grated, dried', tell: 'flakes: takes up its own weight of liquid' },
    ],
  },
  {
    id: 'milk',
    name: /^milk$/,
    question: 'How fat is the milk?',
    options: [
      { ingredientId: 'milk_whole', label: 'whole', tell: '3.5 % on the carton' },
      { ingredientId: 'milk_semi', label: 'half fat', tell: '1.5 to 2 %' },
      { ingredientId: 'milk_skim', label: 'skimmed', tell: '0.1 to 0.3 %' },
    ],
  },
  {
    id: 'cream',
    name: /^(fresh |liquid )?cream$/,
    question: 'Which cream is it?',
    options: [
      { ingredientId: 'cream_35', label: 'whipping', tell: '30 to 36 % on the pot' },
      { ingredientId: 'cream_20', label: 'single', tell: '18 to 20 %, does not whip' },
      { ingredientId: 'double_cream', label: 'double', tell: '48 %, stands by itself' },
    ],
  },
  {
    id: 'tin',
    name: /^(tinned|canned|can(ned)?|tin(ned)?) milk$/,
    question: 'Sweet or not?',
    options: [
      { ingredientId: 'evaporated', label: 'evaporated', tell: 'pours, not sweet' },
      { ingredientId: 'condensed', label: 'sweetened condensed', tell: 'runs like honey, very sweet: take sugar out' },
    ],
  },
  {
    id: 'flour',
    name: /^flour$/,
    question: 'Which flour is it?',
    options: [
      { ingredientId: 'wheat_flour', label: 'wheat', tell: 'contains wheat; thickens half as much as starch' },
      { ingredientId: 'rice_flour', label: 'rice', tell: 'white, a little gritty' },
      { ingredientId: 'waxy_rice_flour', label: 'glutinous rice', tell: 'sets stretchy, hardly firmer when cold' },
    ],
  },
  {
    id: 'ground rice',
    name: /^rice (flour|powder)|^powdered rice$/,
    question: 'How fine is it?',
    options: [
      {
        ingredientId: 'rice_flour',
        label: 'like flour',
        tell: 'no grain between the fingers: smooth, thickens at once',
      },
      { ingredientId: 'rice_ground', label: 'like semolina', tell: 'feels of fine sand: keeps a grain in the mouth' },
      { ingredientId: 'waxy_rice_flour', label: 'glutinous', tell: 'says so on the packet: stretchy' },
    ],
  },
  {
    id: 'starch',
    name: /^starch$/,
    question: 'Starch of what?',
    options: [
      { ingredientId: 'cornstarch', label: 'maize', tell: 'cloudy, short, firm when cold' },
      { ingredientId: 'potato_starch', label: 'potato', tell: 'clear, thick hot, slack when cold' },
      { ingredientId: 'tapioca_starch', label: 'tapioca', tell: 'clear and stringy' },
    ],
  },
  {
    id: 'cornmeal',
    name: /^(corn ?meal|polenta|maize meal)$/,
    question: 'How coarse is it?',
    options: [
      { ingredientId: 'cornmeal_fine', label: 'fine', tell: 'like fine sand: a quarter of an hour' },
      { ingredientId: 'cornmeal_coarse', label: 'coarse', tell: 'grains you can count: three quarters of an hour' },
    ],
  },
  {
    id: 'gum',
    name: /^(gum|mastic gum)$/,
    question: 'A gum or the resin?',
    options: [
      { ingredientId: 'mastic', label: 'tears of resin', tell: 'hard, brittle drops: pounded with sugar, for scent' },
      { ingredientId: 'guar', label: 'guar', tell: 'a powder: thickens cold' },
      { ingredientId: 'xanthan', label: 'xanthan', tell: 'a powder: thickens cold, a pinch is enough' },
    ],
  },
  {
    id: 'fruit',
    name: /^(tinned|canned) (fruit|peaches|pineapple|pears|apricots)$/,
    question: 'Drained, or with its liquid?',
    options: [
      { ingredientId: 'fruit_pieces', label: 'drained', tell: 'weigh it out of the sieve' },
      { ingredientId: 'orange_juice', label: 'its liquid too', tell: 'counts as sweet juice: it thins the set' },
    ],
  },
  {
    id: 'vanilla',
    name: /^vanilla$/,
    question: 'Pod or extract?',
    options: [
      { ingredientId: 'vanilla', label: 'extract', tell: 'alcohol: off the heat, or it boils away' },
      { ingredientId: 'vanilla_pod', label: 'pod', tell: 'from the start, and counted out' },
    ],
  },
];

/** The question a bare name raises, or undefined where it is clear. */
export const whichIs = (name: string): Which | undefined => WHICH.find((w) => w.name.test(name.trim().toLowerCase()));

/** Asks about a name with a word in it that nothing explains: the nearest thing of the pantry is offered, never taken. */
export const whatIs = (written: string, nearestId: string): Which => ({
  id: 'what',
  name: /^$/,
  question: `What is "${written}"?`,
  options: [
    {
      ingredientId: nearestId,
      label: PANTRY.find((i) => i.id === nearestId)!.name,
      tell: 'only if it is that and holds nothing else: look at its label',
    },
  ],
});
