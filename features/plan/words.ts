import type { Forecast } from '../../core/model/forecast';
import type { Choices, Family } from '../../core/plan/plan';
import type { SetWord } from '../../core/texture/words';
import type { Rule } from '../../core/plan/rules';
import type { Difference } from '../../core/advice/schools';
import type { SideKind } from '../../core/plan/sidePot';
import type { RiskName } from '../../core/model/risks';
import type { Look } from '../../core/pot/flavour';

/** What the cook reads in Plan. */
export const SET_SAYS: Record<SetWord, string> = {
  drinks: 'runs like cream',
  pours: 'pours slowly from a jug',
  coats: 'coats the spoon, a finger line stays',
  mounds: 'mounds softly on the spoon',
  'holds a trail': 'a spatula stroke stays open',
  wobbles: 'stands turned out, wobbles',
  slices: 'cuts in clean pieces',
  firm: 'firm, cuts like cheese',
};

export const FAMILY_SAYS: Record<Family, { label: string; sub: string; short: string }> = {
  'starch-set milk pudding': { label: 'Set milk pudding', sub: 'starch, spooned, turned out or cut', short: 'pudding' },
  'ground-rice cream': { label: 'Ground-rice cream', sub: 'cooked down with ground rice', short: 'rice cream' },
  'stirred custard': { label: 'Stirred custard', sub: 'yolks, never to the boil', short: 'custard' },
  'egg-enriched pudding': { label: 'Rice cream with yolk', sub: 'ground rice, yolk at the end', short: 'egg cream' },
  'baked custard': { label: 'Baked custard', sub: 'whole egg, in a water bath', short: 'baked custard' },
  'whole-rice pudding': { label: 'Whole-rice pudding', sub: 'grains to the bite', short: 'rice pudding' },
  porridge: { label: 'Porridge', sub: 'semolina or cornmeal, warm', short: 'porridge' },
  'baked slab': { label: 'Baked slab', sub: 'thick, poured, baked and cut', short: 'slab' },
  'frozen cream': { label: 'Frozen cream', sub: 'cooked down, lightly starched, frozen', short: 'frozen cream' },
};

export const RISK_SAYS: Record<RiskName, string> = {
  lumps: 'Lumps',
  curdle: 'Curdles',
  scorch: 'Catches',
  'raw starch': 'Tastes raw',
  'boil over': 'Boils over',
  skin: 'Skin',
  weeping: 'Weeps',
  split: 'Splits',
};

/** The choices that the hob sheet offers: key, question, and the sides in the cook's words. */
export const CHOICE_SAYS: readonly {
  key: keyof Choices;
  label: string;
  needs: 'any' | 'grain' | 'egg' | 'oven';
  sides: Record<string, string>;
}[] = [
  { key: 'heat', label: 'Over', needs: 'any', sides: { direct: 'the ring', 'double boiler': 'a double boiler' } },
  {
    key: 'start',
    label: 'At first',
    needs: 'any',
    sides: { 'full heat, then lower': 'full heat', 'low throughout': 'low throughout' },
  },
  {
    key: 'stirring',
    label: 'Spoon',
    needs: 'any',
    sides: { constant: 'never stops', 'lid on, now and then': 'lid on, now and then' },
  },
  {
    key: 'grain',
    label: 'Grain goes',
    needs: 'grain',
    sides: {
      'into cold milk': 'into cold milk',
      'into boiling milk': 'into boiling milk',
      'fried in fat first': 'through fat first',
    },
  },
  { key: 'soak', label: 'Before that', needs: 'grain', sides: { 'straight in': 'nothing', soaked: 'soaked 45 min' } },
  {
    key: 'yolks',
    label: 'Egg goes in',
    needs: 'egg',
    sides: { tempered: 'ladle by ladle', 'straight in': 'straight in' },
  },
  { key: 'bath', label: 'In the oven', needs: 'oven', sides: { open: 'in a water bath', none: 'as it is' } },
];

export const STYLE_SAYS = { spooned: 'from the spoon', 'turned out': 'turned out', cut: 'cut in the dish' } as const;

export const MEASURE_SAYS = {
  scale: { label: 'Kitchen scale', sub: 'within a hundredth or two' },
  'level spoons': { label: 'Level spoons', sub: 'a tenth either way' },
  'rounded spoons': { label: 'Spoons as they come', sub: 'a fifth either way, and fuller than level' },
  'heaped spoons': { label: 'Heaped spoons', sub: 'two thirds more than level, and as unsure' },
} as const;

export const pushSays = (of: 'milk' | 'sugar' | 'steam lost', steps: number, milk: string): string => {
  const size = Math.abs(steps);
  const much =
    size < 0.08
      ? 'hardly anything'
      : size < 0.3
        ? 'a quarter of a step'
        : size < 0.6
          ? 'half a step'
          : size < 0.9
            ? 'most of a step'
            : `${Math.round(size * 2) / 2} steps`;
  const way = steps >= 0 ? 'firmer' : 'softer';
  const tail = size < 0.08 ? `does ${much}` : `${of === 'sugar' ? 'makes it' : 'brings it'} ${much} ${way}`;
  if (of === 'milk') return `${milk[0]?.toUpperCase()}${milk.slice(1)}, against water, ${tail}.`;
  if (of === 'sugar') return `The sugar ${tail}.`;
  return `Steam lost on the hob ${tail}.`;
};

/** What it looks like, in a few words. */
export const lookSays = (look: Look): string =>
  [
    look.tint ?? (look.cream > 0.5 ? 'deep cream' : look.cream > 0.2 ? 'cream' : 'white'),
    look.opacity < 0.5 ? 'glassy' : '',
    look.smooth,
    look.gloss > 0.6 ? 'glossy' : '',
  ]
    .filter(Boolean)
    .join(', ');

const of10 = (x: number) => {
  const n = Math.round(x * 10);
  return n <= 0 ? 'hardly ever' : n >= 10 ? 'nearly always' : `${n} in 10`;
};
const more = (from: number, to: number, unit: string) => {
  const d = Math.round(to - from);
  return `${d >= 0 ? '+' : '−'}${Math.abs(d)} ${unit}`;
};

/** What one way costs against another, in a few words; empty where it is too small to feel. */
export function costSays(d: Difference): string {
  const [from, to] = [Number(d.from), Number(d.to)];
  const pct = Math.round(100 * ((d.ratio ?? 1) - 1));
  const risk = /^risk: (.+)$/.exec(d.what);
  if (risk) {
    const name = RISK_SAYS[risk[1] as RiskName].toLowerCase();
    return of10(from) === of10(to) ? '' : `${name}: ${of10(to)} instead of ${of10(from)}`;
  }
  switch (d.what) {
    case 'minutes':
      return Math.abs(to - from) < 0.7 ? '' : `${more(from, to, 'min')} at the fire`;
    case 'minutes of stirring':
      return Math.abs(to - from) < 0.7 ? '' : `${more(from, to, 'min')} with the spoon`;
    case 'hot':
      return `${String(d.to)} in the pot instead of ${String(d.from)}`;
    case 'at serving':
      return `${String(d.to)} instead of ${String(d.from)}`;
    case 'hot viscosity, Pa s':
      return Math.abs(pct) < 15 ? '' : `${Math.abs(pct)} % ${pct > 0 ? 'thicker' : 'thinner'} hot`;
    case 'yield stress at serving, Pa':
      return Math.abs(pct) < 6 ? '' : pct > 300 ? 'much firmer' : `${Math.abs(pct)} % ${pct > 0 ? 'firmer' : 'softer'}`;
    case 'mass left, g':
      return `${more(from, to, 'g')} in the dishes`;
    case 'sweetness, %':
      return `${pct > 0 ? 'sweeter' : 'less sweet'}: ${to.toFixed(1)} %`;
    case 'grain done':
      return to < from ? 'grains harder' : 'grains softer';
    case 'hours to serving temperature':
      return `cold ${Math.abs(to - from).toFixed(1)} h ${to < from ? 'sooner' : 'later'}`;
    case 'comes out of the mould':
      return of10(from) === of10(to) ? '' : `comes out ${of10(to)} instead of ${of10(from)}`;
    case 'scent left':
      return to < from
        ? `${Math.round(100 * (1 - to / Math.max(from, 0.01)))} % of the scent goes`
        : 'more of the scent stays';
    case 'minutes of the top layer':
      return `${more(from, to, 'min')} for the top`;
    case 'top layer, mm':
      return `top ${Math.round(to)} mm instead of ${Math.round(from)}`;
    case 'cream colour':
      return to > from ? 'creamier in colour' : 'whiter';
    case 'tint':
      return d.to === 'none' ? 'loses its colour' : `looks ${String(d.to)}`;
    default:
      return '';
  }
}

/** All that a change costs, one line each; says so where nothing is felt. */
export const costsSay = (list: readonly Difference[]): string[] => {
  const said = list.map(costSays).filter(Boolean);
  return said.length ? said : ['no difference that is felt'];
};

export const RULE_SAYS: Record<Rule, { label: string; sub: string }> = {
  'no egg': { label: 'No egg', sub: 'nor anything made of it' },
  'no alcohol': { label: 'No alcohol', sub: 'extracts and spirits count' },
  'nobody tastes': { label: 'Nobody tastes before serving', sub: 'everything is weighed, nothing held back' },
  'no milk': { label: 'No milk', sub: 'nor butter, nor cream' },
  'no wheat': { label: 'No wheat', sub: 'semolina is wheat' },
  'no nuts': { label: 'No nuts', sub: 'tree nuts and peanut' },
  'no coconut': { label: 'No coconut', sub: 'milk, cream, flakes, oil' },
  'no soy': { label: 'No soy', sub: 'drinks and starters' },
};

export const SIDE_SAYS: Record<SideKind, { label: string; sub: string }> = {
  syrup: { label: 'Syrup', sub: 'sugar and water, boiled down' },
  compote: { label: 'Compote', sub: 'stewed fruit, sugar by its sourness' },
  infusion: { label: 'Infusion', sub: 'spice drawn in warm milk' },
  toasting: { label: 'Toasting', sub: 'nuts or coconut, dry and low' },
  'fried coconut': { label: 'Fried coconut solids', sub: 'cream boiled until it splits and browns' },
  purée: { label: 'Purée', sub: 'fruit bought whole, sieved' },
  'second layer': { label: 'Second layer', sub: 'poured on when the first holds' },
  glaze: { label: 'Glaze', sub: 'a film on the cold top' },
};

/** The why in one line: what moves the set most beside the starch. */
export function whySays(f: Pick<Forecast, 'pushes'>, milk: string): string {
  const most = [...f.pushes].sort((a, b) => Math.abs(b.steps) - Math.abs(a.steps))[0];
  return !most || Math.abs(most.steps) < 0.08
    ? 'The thickener alone decides: nothing else moves it.'
    : pushSays(most.of, most.steps, milk);
}
