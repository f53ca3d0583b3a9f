import { whatIs, whichIs, type Which } from '../pantry/whichOne';

/** Names as recipes write them, to the pantry. Longer names are looked for first. */
export const ALIASES: Readonly<Record<string, string>> = {
  milk_whole: 'whole milk|full[- ]fat milk|full cream milk|fresh milk|cow.?s milk|milk|3.5 ?% milk',
  milk_semi:
    'milk,? \\(?(?:2|1[.,]5) ?%\\)?|semi[- ]skimmed milk|half[- ]fat milk|low[- ]fat milk|2 ?% milk|1\\.5 ?% milk|reduced[- ]fat milk|milk,? semi[- ]skimmed',
  milk_skim: 'skimmed milk|milk,? skimmed|skim milk|fat[- ]free milk|nonfat milk|0 ?% milk',
  cream_35: '(?:heavy |double |thick )?whipping cream|heavy cream|(?:fresh )?cream',
  cream_20: 'single cream|light cream|table cream|pouring cream',
  double_cream: 'double cream',
  evaporated: 'evaporated milk|unsweetened condensed milk',
  condensed: '(?:sweetened )?condensed milk',
  coconut_milk: '(?:full[- ]fat |thick |canned |tinned )*coconut milk',
  coconut_cream_drink: '(?:light|lite|thin|reduced[- ]fat) coconut milk|coconut milk,? (?:light|lite|reduced[- ]fat)',
  coconut_cream: 'coconut cream|cream of coconut',
  coconut_drink: 'coconut (?:drink|beverage|milk drink)|coconut milk from a carton',
  almond_drink: '(?:unsweetened )?almond (?:milk|drink)',
  almond_sweet: 'sweetened almond (?:milk|drink)|almond (?:milk|drink),? sweetened',
  hazelnut_drink: 'hazelnut (?:milk|drink)',
  cashew_drink: 'cashew (?:milk|drink)',
  walnut_drink: 'walnut (?:milk|drink)',
  soy_drink: 'so(?:y|ya) (?:milk|drink)',
  oat_drink: 'oat (?:milk|drink)',
  rice_drink: 'rice (?:milk|drink)',
  water: 'water',
  sugar: '(?:white |granulated )?sugar',
  caster: '(?:caster|castor|superfine|fine) sugar',
  icing: '(?:icing|powdered|confectioner.?s.?) sugar',
  brown: '(?:light |dark |soft )*brown sugar|muscovado|cane sugar|demerara(?: sugar)?',
  honey: 'honey',
  maple: 'maple syrup',
  date_syrup: 'date (?:syrup|molasses)',
  allulose: 'allulose',
  coconut_sugar: '(?:coconut|palm|coconut palm) sugar|jaggery',
  xylitol: 'xylitol|birch sugar',
  monk_fruit: 'monk ?fruit(?: sweetener| sugar| blend)?',
  stevia: 'stevia(?: powder| extract)?',
  sweetener: '(?:granulated |powdered )?(?:sweetener|sugar (?:substitute|replacement))',
  agave: 'agave(?: syrup| nectar)?',
  erythritol: 'erythritol',
  cornstarch: 'corn[ -]?starch|cornflour|corn flour|maize starch|(?:food |edible )?starch|maize flour',
  custard_powder: 'custard powder|(?:vanilla |plain )*(?:pudding|blancmange|flan|cream) (?:powder|mix)',
  potato_starch: 'potato (?:starch|flour)',
  tapioca_starch: 'tapioca (?:starch|flour)|cassava starch',
  wheat_flour: '(?:plain |all[- ]purpose |wheat |white )*flour',
  rice_flour: 'rice (?:flour|powder)|powdered rice',
  waxy_rice_flour: '(?:glutinous|sticky|sweet) rice flour',
  rice_ground_coarse:
    '(?:coarsely (?:ground|crushed|pounded)|broken|cracked) (?:white )?rice|rice,? (?:coarsely ground|broken)|rice grits',
  rice_ground: 'ground rice|ground (?:short[- ]grain )?rice|rice semolina|cream of rice',
  semolina: '(?:fine |wheat )*semolina|cream of wheat|farina',
  cornmeal_fine: 'fine (?:cornmeal|corn meal|polenta)|cornmeal|corn meal|polenta|maize meal',
  cornmeal_coarse: '(?:coarse|medium) (?:cornmeal|corn meal|polenta)|corn grits|grits',
  rice_short:
    '(?:short[- ]grain(?:ed)?|round(?:[- ]grain(?:ed)?)?|pudding|porridge|risotto|arborio|carnaroli|dessert) (?:white )?rice|arborio|carnaroli|rice,? (?:short|round)[- ]grain|rice',
  rice_long: 'long[- ]grain (?:white )?rice|rice,? (?:white,? )?long[- ]grain',
  rice_basmati: 'basmati(?: rice)?',
  rice_jasmine: 'jasmine(?: rice)?|scented rice',
  rice_glut: '(?:white )?(?:glutinous|sticky|sweet|waxy)(?: white)? rice',
  guar: 'guar(?: gum)?',
  xanthan: 'xanthan(?: gum)?',
  gum_arabic: 'gum arabic|acacia gum|gum acacia',
  mastic: 'mastic(?: gum| resin)?|gum mastic|gum',
  yolk: '(?:egg )?yolks?(?: of eggs?)?',
  white: 'egg whites?|whites(?: of eggs?)?|white of (?:an |one )?eggs?',
  egg: '(?:whole )?eggs?',
  butter: '(?:unsalted |salted |sweet )*butter',
  ghee: 'ghee|clarified butter',
  coconut_oil: 'coconut oil',
  oil: '(?:vegetable|sunflower|neutral|cooking|mild) oil|oil',
  plant_spread: 'margarine|plant (?:butter|spread)|vegan butter',
  puree_mango: 'mango (?:pur[ée]e|pulp)',
  puree_strawberry: 'strawberry pur[ée]e',
  puree_apple: 'apple (?:pur[ée]e|sauce)|applesauce',
  puree_pumpkin: '(?:mashed |cooked |tinned |canned )?pumpkin(?: pur[ée]e| mash| pulp)?|(?:cooked )?squash pur[ée]e',
  puree_carrot: 'carrot (?:pur[ée]e|mash|pulp)|(?:mashed|pur[ée]ed) (?:cooked )?carrots?',
  puree_sweet_potato: 'sweet potato(?: pur[ée]e| mash)?|(?:mashed|pur[ée]ed) sweet potato',
  puree_banana: 'banana (?:pur[ée]e|mash|pulp)|(?:mashed |ripe )*bananas?',
  puree_berry: '(?:berry|raspberry|blackberry|blueberry|blackcurrant) (?:pur[ée]e|pulp|coulis)',
  puree_fruit:
    'fruit (?:pur[ée]e|pulp)|(?:peach|pear|plum|apricot|papaya|guava|passion ?fruit|pineapple) (?:pur[ée]e|pulp)',
  lime_juice: 'lime juice|juice of (?:a |one |half a |1 |½ )?limes?|limes?',
  lemon_juice: 'lemon juice|juice of (?:a |one |half a |1 |½ )?lemons?|lemons?',
  orange_juice: 'orange juice|juice of (?:an |one |half an |1 |½ )?oranges?',
  almonds_ground: '(?:ground|milled|powdered) almonds|almond (?:meal|flour|powder)',
  pistachio_ground: 'ground pistachios?|pistachio (?:meal|paste)',
  cashew_ground: 'ground cashews?|cashew (?:butter|paste|powder|meal)',
  hazelnuts_ground: 'ground hazelnuts?|hazelnut (?:meal|powder|flour)',
  walnuts_ground: 'ground walnuts?',
  raisins: 'raisins|sultanas|currants',
  carrot_grated: '(?:grated )?carrots?',
  corn_kernels:
    '(?:whole |canned |tinned |drained )*(?:kernel )?corn(?: kernels)?|sweet ?corn(?: kernels)?|corn kernels|corn',
  coconut_grated: '(?:grated|desiccated|shredded|flaked|dried) coconut|coconut flakes|coconut',
  almonds_chopped: '(?:chopped|flaked|slivered|whole|blanched)? ?almonds',
  hazelnuts_chopped: '(?:chopped )?hazelnuts',
  cashew_chopped: '(?:chopped |roasted |broken )*cashews?(?: nuts?)?(?: pieces)?',
  pecans_chopped: '(?:chopped )?pecans?(?: nuts?)?',
  nuts_chopped: '(?:mixed |chopped |any )*nuts|macadamias?|brazil nuts',
  pine_nuts: 'pine ?(?:nuts?|kernels?)',
  sesame: 'sesame(?: seeds?)?',
  dates: '(?:chopped |stoned |pitted )*dates',
  apricots_dried: 'dried apricots',
  walnuts_chopped: '(?:chopped )?walnuts',
  pistachio_chopped: '(?:chopped )?pistachios?',
  peanuts_chopped: '(?:chopped )?peanuts',
  fruit_pieces: '(?:tinned|canned|soft|fresh) (?:fruit|peaches|pineapple)|peaches|pineapple|fruit',
  fruit_apple: 'apples?',
  fruit_pear: 'pears?',
  fruit_plum: 'plums?',
  fruit_apricot: 'apricots?',
  fruit_cherry: '(?:sour )?cherries',
  fruit_strawberry: 'strawberries',
  fruit_raspberry: 'raspberries',
  fruit_mango: 'mangoe?s?',
  fruit_rhubarb: 'rhubarb',
  fruit_orange: 'oranges?',
  salt: '(?:sea |table |fine )*salt',
  vanilla: 'vanilla (?:extract|essence|paste|sugar)|vanill(?:a|in)',
  vanilla_pod: 'vanilla (?:pods?|beans?)',
  almond_extract: 'almond (?:extract|essence)',
  lemon_extract: '(?:lemon|orange|citrus) (?:extract|essence|oil)',
  extract: 'another extract|(?:rum|coconut|banana|butter|coffee|peppermint|pistachio|rose|maple) (?:extract|essence)',
  flower_water: 'orange (?:flower|blossom) water|blossom water',
  rose_water: 'rose ?water',
  cinnamon: '(?:(?:sticks?|branch(?:es)?|quills?) (?:of )?cinnamon|cinnamon (?:sticks?|bark)|cinnamon)',
  cinnamon_ground: '(?:ground|powdered) cinnamon|cinnamon powder',
  cardamom: '(?:green |black )?cardamom(?: pods?)?|(?:green |black )?cardamoms',
  cardamom_ground: '(?:ground|powdered) cardamom|cardamom powder',
  ginger_ground: '(?:ground|powdered) ginger|ginger powder',
  turmeric: '(?:ground )?turmeric(?: powder)?',
  coffee: '(?:instant )?coffee(?: powder| granules)?|espresso powder',
  clove: 'cloves?',
  star_anise: '(?:whole )?star anises?|(?:stars? of )?star anise|stars? of anise',
  nutmeg: '(?:grated )?nutmeg',
  bay_leaf: 'bay(?: lea(?:f|ves))?',
  orange_leaf: '(?:bitter |sour )?(?:orange|lemon|citrus)(?: tree)? lea(?:f|ves)',
  pandan_leaf: '(?:knotted |bruised )*(?:pandan|screwpine)(?: lea(?:f|ves))?',
  lime_leaf: '(?:bruised )?lime lea(?:f|ves)',
  fig_leaf: 'fig lea(?:f|ves)',
  mint: '(?:fresh )?mint(?: lea(?:f|ves)| sprigs?)?|sprigs? of mint',
  verbena: '(?:lemon )?verbena(?: lea(?:f|ves))?',
  lemongrass: '(?:bruised )?lemon ?grass(?: stalks?)?|stalks? of lemon ?grass',
  tea: '(?:black |green |jasmine )*tea(?: lea(?:f|ves))?|tea ?bags?',
  leaf: 'another scented leaf|(?:scented|fragrant|geranium|peach|cherry|cinnamon|blackcurrant|banana|sweet ?woodruff) lea(?:f|ves)|scented geranium',
  lemon_peel:
    'lemon (?:peel|zest|rind|skin)|(?:peel|zest|rind|skin) of (?:an? |one |two |three |half an? |\\d )?lemons?',
  orange_peel:
    'orange (?:peel|zest|rind|skin)|(?:peel|zest|rind|skin) of (?:an? |one |two |three |half an? |\\d )?oranges?',
  ginger: '(?:fresh |root )*ginger',
  saffron: 'saffron(?: threads?| strands?)?',
  cocoa: '(?:unsweetened )?cocoa(?: powder)?',
  milk_powder: '(?:whole |full[- ]fat |dried |powdered )*milk powder|(?:dried|powdered) (?:whole |full[- ]fat )?milk',
  coconut_powder: 'coconut (?:milk |cream )?powder|(?:dried|powdered) coconut (?:milk|cream)',
  malt_drink: 'malt(?:ed)?(?: milk)?(?: drink)? powder|malted (?:milk|drink)',
  choc_drink: '(?:drinking|hot) chocolate(?: powder)?|chocolate (?:drink |milk )?powder|cocoa drink powder',
  chocolate: '(?:dark |plain |bittersweet )*chocolate',
  rum: 'rum|brandy|liqueur',
};

type Rule = { id: string; alias: RegExp; all: RegExp; weight: number };

/** A rule for each way of writing; its weight is how much it says. */
const RULES: readonly Rule[] = Object.entries(ALIASES).flatMap(([id, all]) =>
  splitAlternatives(all).map((one) => ({
    id,
    alias: new RegExp(`(?<![a-z])(?:${one})(?![a-z])`, 'i'),
    all: new RegExp(`(?<![a-z])(?:${one})(?![a-z])`, 'gi'),
    weight: one.replace(/\(\?:|[()?*|\\[\]]/g, '').length,
  })),
);

/** Alternatives at the outer level only. */
function splitAlternatives(all: string): string[] {
  const out: string[] = [];
  let depth = 0;
  let at = 0;
  for (let i = 0; i < all.length; i++) {
    if (all[i] === '(') depth++;
    else if (all[i] === ')') depth--;
    else if (all[i] === '|' && depth === 0) {
      out.push(all.slice(at, i));
      at = i + 1;
    }
  }
  return [...out, all.slice(at)];
}

type Named = { id: string; which?: Which; /** words of the name that nothing here explains */ unsure?: string };

/** Words that are no part of a name. */
const NOISE =
  /\b(organic|good|nice|best|quality|ripe|room[- ]temperature|ice[- ]cold|freshly|fresh from the cow|optional|to taste|for (?:the )?(?:slurry|top|topping|dusting|serving|sprinkling|greasing|dish|mould)|your favou?rite|plus extra|or so|of your choice)\b|\b(?:for )?(?:about )?\d+(?:[-–]\d+)?\s*(?:h|hrs?|hours?|mins?|minutes?|days?)\b|\bovernight\b/gi;

/** Words beside a name that leave it what it is. Any other word may make it another thing, and is asked about. */
const PLAIN_WORDS = new Set(
  (
    'quick quick-cook instant one-minute the a an of some any more extra your my our about each in all or and other another same rest remaining remainder reserved ' +
    'cold warm hot lukewarm boiling chilled cool cooled room temperature tepid ' +
    'fresh raw uncooked cooked dry dried pure real natural plain ordinary usual proper fine finely coarse coarsely medium thick thin ' +
    'large small big little tiny long short round level heaped heaping rounded whole half full fat skimmed ' +
    'white yellow flaky flaked unsalted salted unsweetened granulated caster ground grated chopped sliced crushed pounded minced mashed ' +
    'sifted softened melted beaten separated peeled rinsed soaked drained divided washed shelled blanched toasted roasted ' +
    'free range free-range scalded steamed strained halved quartered cubed diced shredded flaked canned tinned bottled ' +
    'lightly roughly well very just freshly needed optional only nothing else tied knotted bruised torn split scraped crumbled knot ' +
    'picked stoned pitted hulled trimmed boiled pressed strips strip stalks stalk sprigs sprig tender good-quality ' +
    'pack packet box bag carton bottle cup cups spoon spoons g ml l'
  ).split(' '),
);
/** A way in which a thing is bought or cut, said behind its name. */
const HOW =
  /(?:,\s*|\s-\s)((?:finely |coarsely |freshly )?(?:ground|grated|chopped|flaked|light|lite|skimmed|semi-skimmed|sweetened|coarse|medium|fine))\b|\(((?:finely |coarsely )?(?:ground|coarse|medium|fine|light|sweetened|grated))\)/i;
/** Where the name ends and what it is for begins. */
const PURPOSE =
  /\b(?:for|in|with|from|to|at|as|if|into|until|on|per|plus|minus|less|without|dissolved|mixed|stirred|kept|set aside|beside)\b/i;

/** "untreated", "soft-wheat": how it is, not what; but what is made without, or of something else, is another thing. */
const HOW_IT_IS =
  /^(?!.*(?:free|based|style|flavou?red|sweetened|malted|powdered|condensed|evaporated|substitut))(?:[a-z]{4,}ed|[a-z]+-(?:grain(?:ed)?|wheat|quality|size[d]?|off|cut|milled))$/;

const wordsOf = (s: string): string[] => s.toLowerCase().match(/[a-zà-ÿ][a-zà-ÿ'’-]*/g) ?? [];

/**
 * What a name is in the pantry. Where the name is bare and means several things, or carries a word that nothing explains
 * ("hemp milk"), it comes with a question and is not to be taken as certain.
 */
export function nameOf(text: string): Named | undefined {
  const whole = text.replace(/\([^)]*\)/g, ' ').replace(/[*_`]/g, '');
  const cleaned = whole.replace(NOISE, ' ').replace(/\s+/g, ' ').trim();
  // what stands before the first comma names it; what follows is how it is prepared
  const head = cleaned.split(/[,;:]| - | – /)[0]!.trim();
  // "almonds, ground", "polenta (medium)": what is said behind belongs before
  const turned = HOW.exec(text.slice(head.length > 0 ? Math.max(0, text.indexOf(head.split(' ')[0]!)) : 0));
  if (turned) {
    const way = (turned[1] ?? turned[2])!;
    const better = matchIn(`${way} ${head}`);
    if (better && better.at === 0 && better.length > (matchIn(head)?.length ?? 0)) return { id: better.id };
  }
  const first = matchIn(head);
  const over = matchIn(cleaned);
  // "almond drink, sweetened" is named on both sides of its comma
  const across = over && first && over.at <= first.at && over.at + over.length > head.length;
  for (const [part, best] of across
    ? [[cleaned, over] as const]
    : ([
        [head, first],
        [cleaned, over],
      ] as const)) {
    if (best) {
      const unsure = unexplained(part, best.at, best.length);
      if (unsure) return { id: best.id, which: whatIs(unsure, best.id), unsure };
      const which = whichIs(part.toLowerCase().replace(/^(the|a|an|of) /, ''));
      return which ? { id: best.id, which } : { id: best.id };
    }
  }
  // a word of the writer's own, and in brackets what it is: "cflr (cornflour)"
  const inside = /\(([a-zà-ÿ' -]{3,40})\)/i.exec(text)?.[1];
  return inside === undefined ? undefined : nameOf(inside);
}

type Match = { id: string; length: number; weight: number; at: number };

/** What was looked up lately: a line is asked for its name several times over, and a list says the same often. */
const lookedUp = new Map<string, Match | undefined>();
const MOST_LOOKED_UP = 500;

/** The longest name in a text; of two as long, the one that says more. */
function matchIn(part: string): Match | undefined {
  if (lookedUp.has(part)) return lookedUp.get(part);
  if (lookedUp.size >= MOST_LOOKED_UP) lookedUp.clear();
  const found = bestIn(part);
  lookedUp.set(part, found);
  return found;
}

function bestIn(part: string): Match | undefined {
  let best: Match | undefined;
  for (const r of RULES) {
    const m = r.alias.exec(part);
    if (!m) continue;
    const length = m[0].trim().length;
    if (!best || length > best.length || (length === best.length && r.weight > best.weight))
      best = { id: r.id, length, weight: r.weight, at: m.index };
  }
  return best;
}

/** The name with what stands beside it, where a word of that is not known to leave it what it is. */
function unexplained(part: string, at: number, length: number): string | undefined {
  const before = part.slice(0, at);
  const found = part.slice(at).trimStart().slice(0, length);
  const after = part.slice(at).trimStart().slice(length);
  const tail = after.slice(0, PURPOSE.exec(after)?.index ?? after.length);
  const strange = [...wordsOf(before.split(PURPOSE).at(-1)!), ...wordsOf(tail)].filter(
    (w) => !PLAIN_WORDS.has(w) && !HOW_IT_IS.test(w),
  );
  return strange.length ? `${before}${found}${tail}`.replace(/\s+/g, ' ').trim().slice(0, 60) : undefined;
}

/** What a step does, or how much of it: these stand before a name and leave it what it is. */
const STEP_WORDS = new Set(
  (
    'add pour stir whisk beat heat warm mix blend fold whip bring put take keep reserve simmer boil scald cook melt soak rinse drain ' +
    'sprinkle dissolve combine cream rub sift rain let leave set use make then when once while until after before now and but so ' +
    'this that these those its their first second last both every enough more less most little much few thickened thin hot cold ' +
    'one two three four five six eight ten half quarter third pinch knob dash stick sticks pod pods handful ladle ladles ladleful ' +
    'spoonful spoonfuls tbsp tsp tablespoon teaspoon tablespoons teaspoons litre litres kg ml grams part parts top bottom same whole'
  ).split(' '),
);

/**
 * Every ingredient that a sentence names, in its order. A word right before the name that nothing explains ("hemp milk")
 * comes along as `unsure`: what is named there is not known.
 */
export function namesIn(sentence: string): { id: string; unsure?: string }[] {
  const hits: { id: string; at: number; end: number; length: number }[] = [];
  for (const r of RULES) {
    const m = r.alias.exec(sentence);
    if (m) hits.push({ id: r.id, at: m.index, end: m.index + m[0].length, length: m[0].trim().length });
  }
  hits.sort((a, b) => b.length - a.length);
  const kept: typeof hits = [];
  for (const h of hits) if (!kept.some((k) => h.at < k.end && k.at < h.end)) kept.push(h);
  const named = kept
    .sort((a, b) => a.at - b.at)
    .map((h) => {
      // only what touches the name, and not the word that a sentence begins with: that is what is done
      const before = /(?<=[a-zà-ÿ,;:] )([a-zà-ÿ'’-]+) $/i.exec(sentence.slice(0, h.at).replace(/\s+$/, ' '));
      const word = before?.[1]?.toLowerCase();
      const strange =
        word !== undefined &&
        !PLAIN_WORDS.has(word) &&
        !STEP_WORDS.has(word) &&
        !PURPOSE.test(word) &&
        !/(?:ing|ed|ly)$/.test(word);
      return strange ? { id: h.id, unsure: sentence.slice(before!.index, h.end).trim() } : { id: h.id };
    });
  return named.filter((n, i) => named.findIndex((o) => o.id === n.id && o.unsure === n.unsure) === i);
}

/** Every place in a text where something of the pantry is named, in its order; of two that overlap the longer one. */
export function everyNameIn(text: string): { id: string; at: number; end: number }[] {
  const hits: { id: string; at: number; end: number; weight: number }[] = [];
  for (const r of RULES) {
    for (const m of text.matchAll(r.all))
      if (m[0]) hits.push({ id: r.id, at: m.index, end: m.index + m[0].length, weight: r.weight });
  }
  hits.sort((a, b) => b.end - b.at - (a.end - a.at) || b.weight - a.weight);
  const letters = new Uint8Array(text.length);
  return hits
    .filter((h) => {
      if (letters.subarray(h.at, h.end).includes(1)) return false;
      letters.fill(1, h.at, h.end);
      return true;
    })
    .sort((a, b) => a.at - b.at)
    .map(({ id, at, end }) => ({ id, at, end }));
}
