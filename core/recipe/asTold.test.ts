import { intoPot } from '../plan/method';
import { ownSteps, partsOf } from '../plan/layout';
import { forecast } from '../model/forecast';
import { listOf } from '../plan/methodList';
import { portionsIn } from '../plan/bowls';
import type { Plan } from '../plan/plan';
import { pantryWith } from '../pantry/pantry';
import { asTold } from './asTold';
import { checkUp } from './check';
import { planOf, readRecipe } from './read';

const pantry = pantryWith();
const meta = { id: 'r', serveAt: '2026-12-12T19:30:00Z' };
const readingOf = (text: string) => {
  const read = readRecipe(text, pantry, { system: 'metric', eggSize: 'eu M' });
  if (!read.ok) throw new Error('not read');
  return read.reading;
};
const toldOf = (text: string): Plan => {
  const reading = readingOf(text);
  return asTold(planOf(reading, pantry, meta)!, reading);
};

/** The list in few words: what goes in, until what on which ring, where it stands. */
const inFew = (plan: Plan): string[] =>
  listOf(plan).map((s) => {
    if (intoPot(s))
      return `+ ${portionsIn(plan, s.from)
        .map((p) => `${Math.round(p.grams)} ${p.ingredient.id}`)
        .join(', ')}`;
    switch (s.do) {
      case 'heat':
        return [
          s.role,
          s.until.reach,
          ...('minutes' in s.until ? [s.until.minutes] : []),
          `ring ${s.setting}`,
          ...(s.lid === 'off' ? [] : [`lid ${s.lid}`]),
        ].join(' ');
      case 'bake':
        return `bake ${s.ovenC}${'minutes' in s.until ? ` ${s.until.minutes}` : ''}${s.bath === 'none' ? '' : ' in a bath'}`;
      case 'rest':
        return `${s.where} ${s.minutes}`;
      default:
        return s.do;
    }
  });

describe('a recipe in its own steps', () => {
  it('sugar, butter and spice go in at three moments, as they are told', () => {
    const plan = toldOf(`Rice for the altos, serves 6
120 g short-grain rice
1 litre whole milk
1 cinnamon stick
80 g sugar
20 g butter
1 tsp vanilla extract

Put the rice, the milk and the cinnamon in a pot. Bring to the boil. Lid on, lowest heat, 35 minutes.
Stir in the sugar and simmer 5 minutes. Stir in the butter and cook 2 minutes more. Take off the heat and add the vanilla.
Pour into bowls, leave 30 minutes, then chill for 3 hours.`);
    expect(portionsIn(plan, 'pot').map((p) => p.ingredient.id)).toEqual(['rice_short', 'milk_whole', 'cinnamon']);
    expect(inFew(plan)).toEqual([
      'thicken bubble ring 6',
      'simmer time 35 ring 1 lid on',
      '+ 80 sugar',
      expect.stringMatching(/^simmer time 5/),
      '+ 20 butter',
      expect.stringMatching(/^simmer time 2/),
      '+ 5 vanilla',
      // it is in until the rice is done
      'take out',
      'pour',
      'room 30',
      'fridge 180',
      'serve',
    ]);
  });

  it('a slurry is of the milk that was kept back for it, and comes to the boil before its minutes count', () => {
    const plan = toldOf(`500 ml whole milk
45 g cornstarch
60 g sugar

Keep back 100 ml of the milk. Bring the rest to the boil with the sugar. Stir the cornstarch into the cold milk and pour it in, whisking. Let it bubble for 2 minutes. Pour into cups and chill 2 hours.`);
    expect(inFew(plan)).toEqual([
      'mix',
      expect.stringMatching(/^warm bubble/),
      '+ 103 milk_whole, 45 cornstarch',
      expect.stringMatching(/^thicken bubble/),
      expect.stringMatching(/^cook on time 2/),
      'pour',
      'fridge 120',
      'serve',
    ]);
    expect(forecast(plan).serving.yieldPa).toBeGreaterThan(0);
  });

  it('what is tempered is not counted twice, and starch that nothing heats afterwards is cooked all the same', () => {
    const plan = toldOf(`600 ml milk
3 egg yolks
30 g cornstarch
70 g sugar

Heat the milk until it steams. Beat the yolks with the sugar and the cornstarch. Whisk a ladle of the hot milk into the yolks, then pour it all back into the pan, whisking. Serve warm.`);
    const milk = (bowl: Parameters<typeof portionsIn>[1]) =>
      portionsIn(plan, bowl)
        .filter((p) => p.ingredient.group === 'milk')
        .reduce((sum, p) => sum + p.grams, 0);
    expect(milk('pot')).toBeCloseTo(618, 0);
    expect(partsOf(plan).filter((c) => c.ingredientId === 'milk_whole' && c.in !== 'slurry')).toEqual([]);
    expect(listOf(plan).find(intoPot)).toMatchObject({ from: 'bowl', ladleG: 60 });
    expect(inFew(plan)).toContainEqual(expect.stringMatching(/^thicken bubble/));
  });

  it('an oven, its bath and its cold follow in their order', () => {
    const plan = toldOf(`500 ml whole milk
4 eggs
80 g sugar

Warm the milk until it steams. Beat the eggs with the sugar, pour the milk over, strain into a dish. Bake at 150 °C in a water bath for 40 minutes. Leave 30 minutes, then chill overnight.`);
    expect(inFew(plan).slice(-5)).toEqual(['pour', 'bake 150 40 in a bath', 'room 30', 'fridge 600', 'serve']);
  });

  it('taken as it is, its outcome is the wish; where it says nothing of the pot, the usual way is kept', () => {
    const reading = readingOf(
      '500 ml milk\n40 g cornstarch\n60 g sugar\n\nBoil the milk with the sugar, whisk in the starch, slaked in cold milk, and boil 1 minute.',
    );
    const check = checkUp(reading, pantry, meta)!;
    expect(check.asItIs.asItIs).toBe(true);
    expect(ownSteps(check.asItIs)).toBeDefined();
    expect(check.asItIs.serve.word).toBe(forecast(check.asItIs).serving.word);
    const silent = readingOf('500 ml milk\n40 g cornstarch\n60 g sugar');
    const plan = planOf(silent, pantry, meta)!;
    expect(asTold(plan, silent)).toBe(plan);
  });
});
