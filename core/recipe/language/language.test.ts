import * as fc from 'fast-check';
import { pantry } from '../../testing';
import { readRecipe, type Reading } from '../read';
import { besideOf } from '../beside';
import { toldOf, type Told } from '../told';
import { actsOf } from './acts';
import { EN } from './en';
import { firstDeed, marksOf, type Mark } from './marks';
import { writtenOut } from './normal';

const read = (text: string): Reading => {
  const r = readRecipe(text, pantry, { system: 'metric', eggSize: 'eu M' });
  if (!r.ok) throw new Error(r.why.code);
  return r.reading;
};
const told = (text: string): Told => toldOf(read(text), pantry);
const LIST = '500 ml whole milk\n40 g cornstarch\n60 g sugar\n3 egg yolks\n20 g butter\n1 tsp vanilla extract\n';
const of = (...method: string[]) => told(`Choir cups\n\nIngredients\n${LIST}\nMethod\n${method.join('\n')}`);

describe('the words of a sentence', () => {
  const kinds = (s: string) => marksOf(s, EN).map((m) => m.kind);
  it('nothing that is marked overlaps, and all of it stands where it says', () => {
    const words = fc.constantFrom(
      'boil',
      'the',
      'pan',
      'until',
      'thick',
      '20 minutes',
      'low heat',
      'half of it',
      ',',
      'stirring',
    );
    fc.assert(
      fc.property(fc.array(words, { maxLength: 30 }), (list) => {
        const s = list.join(' ');
        const marks = marksOf(s, EN);
        marks.forEach((m, i) => {
          expect(s.slice(m.at, m.end)).toBe(m.text);
          if (i) expect(m.at).toBeGreaterThanOrEqual(marks[i - 1]!.end);
        });
      }),
      { numRuns: 200 },
    );
  });
  it.each<[string, number, number]>([
    ['for an hour and ten minutes', 70, 70],
    ['a quarter of an hour', 15, 15],
    ['1 1/2 to 1 3/4 hours', 90, 105],
    ['a minute or two', 1, 2],
    ['five more minutes', 5, 5],
  ])('%s', (s, low, high) => {
    const time = marksOf(s, EN).find((m): m is Extract<Mark, { kind: 'time' }> => m.kind === 'time')!;
    expect([time.lowMin, time.highMin]).toEqual([low, high]);
  });
  it('what is every so often is a way of stirring and no time', () => {
    expect(kinds('stirring every five minutes')).toEqual(['stirring']);
  });
  it('a deed at the head of a line is found, a participle is one too', () => {
    expect(firstDeed('Whisk the yolks', EN)).toMatchObject({ at: 0, text: 'Whisk' });
    expect(firstDeed('whole milk', EN)).toBeUndefined();
  });
  it.each([
    ['2 tbsp c/flour', '2 tbsp cornflour'],
    ['75g cstr sug', '75g caster sugar'],
    ["two ounce o' sugar", 'two ounce of sugar'],
    ['milk -> pan', 'milk then pan'],
    ['temper the yolks with evaporated milk', 'temper the yolks with evaporated milk'],
  ])('%s is %s', (short, full) => expect(writtenOut(short, EN)).toBe(full));
});

describe('acts', () => {
  const deeds = (s: string) => actsOf(s, 0, [], EN).map((a) => a.deed);
  it('each verb is one, in its order; what is waited for is none', () => {
    expect(deeds('Whisk it, pour it back into the pan and cook until it boils.')).toEqual(['mix', 'back', 'cook']);
  });
  it('advice is no act', () => {
    expect(actsOf('If it is too thick, add a splash of milk.', 0, [], EN).every((a) => a.conditional)).toBe(true);
  });
  it('what is forbidden is not done', () => {
    expect(actsOf('Do not let it boil.', 0, [], EN).flatMap((a) => a.until)).toEqual([]);
  });
});

describe('vessels tell how things met', () => {
  it.each<[string, string[], string]>([
    [
      'held back and slaked',
      [
        'Keep back 100 ml of the milk and slake the starch in it.',
        'Boil the rest with the sugar, pour in the slurry and boil 2 minutes.',
      ],
      'cold slurry',
    ],
    ['all of it cold', ['Whisk everything together in a cold pan, then bring to the boil.'], 'cold together'],
    ['tipped in dry', ['Boil the milk with the sugar.', 'Tip in the cornstarch and whisk hard.'], 'dry into hot'],
    [
      'with the sugar first',
      ['Mix the starch with the sugar in the pan.', 'Whisk in the milk, little by little, and bring to the boil.'],
      'with sugar',
    ],
    [
      'into the yolks',
      ['Beat the yolks with the starch and the sugar.', 'Heat the milk and pour it on in a stream.'],
      'with egg',
    ],
  ])('%s', (_, method, wet) => expect(of(...method).wet).toEqual({ cornstarch: wet }));
  it.each<[string, string[], string]>([
    [
      'a ladle first',
      [
        'Heat the milk.',
        'Beat the yolks in a bowl.',
        'Whisk a ladle of the hot milk into the yolks, then tip it all back into the pan.',
      ],
      'tempered',
    ],
    ['all at once', ['Heat the milk.', 'Beat the yolks in a bowl.', 'Pour the hot milk onto the yolks.'], 'hot onto'],
    ['straight in', ['Bring the milk to the boil.', 'Drop the yolks into the pan.'], 'straight in'],
    ['once it has cooled', ['Bring the milk to the boil.', 'Let it cool.', 'Beat in the yolks.'], 'into cooled'],
  ])('%s', (_, method, egg) => expect(of(...method).egg).toBe(egg));
  it('"the rest" is what was left, and what was kept is said in grams', () => {
    const { lines, order } = of(
      'Take 100 ml of the milk and mix it with the starch.',
      'Boil the rest with the sugar.',
      'Stir the slurry in.',
    );
    expect(lines.find((l) => l.is === 'milk_whole')).toMatchObject({ g: 515, back: 103 });
    expect(order[0]).toEqual(['milk_whole', 'sugar']);
    expect(order[1]).toContain('cornstarch');
  });
  it('a stretch has its sign, its minutes, its ring and its spoon', () => {
    const { heats } = of(
      'Bring the milk to a boil over medium heat.',
      'Turn down to low and simmer, stirring now and then, until thick, about 15 minutes.',
    );
    expect(heats).toEqual([
      { until: 'boil', level: 'medium' },
      { until: 'thick', min: 15, level: 'low', stir: 'now and then' },
    ]);
  });
  it('a boil, and the minutes behind it, are two', () => {
    expect(
      of('Put everything in a pan and cook till it boils, 2 min more.').heats.map((h) => [h.until, h.min]),
    ).toEqual([
      ['boil', undefined],
      ['time', 2],
    ]);
  });
  it('it stands where it is said, one place after the other', () => {
    expect(
      of('Boil the milk.', 'Pour into cups, leave 20 minutes on the counter, then 3 hours in the fridge.').rests,
    ).toEqual([
      { where: 'room', min: 20 },
      { where: 'fridge', min: 180 },
    ]);
  });
});

describe('a recipe wherever it stands', () => {
  it('told in one breath, without a list', () => {
    const t = told(
      'you put half a litre of milk in a pan with two spoons of sugar and bring it to the boil and then you stir in forty grams of semolina and cook it for five minutes',
    );
    expect(t.lines.map((l) => [l.is, l.part])).toEqual([
      ['milk_whole', 'pot'],
      ['sugar', 'pot'],
      ['semolina', 'pot'],
    ]);
    expect(t.wet).toEqual({ semolina: 'rain' });
    expect(t.heats).toEqual([{ until: 'boil' }, { until: 'time', min: 5 }]);
  });
  it('what nobody here knows is kept by its own name', () => {
    const { lines } = told(
      `Cups\n\nIngredients\n${LIST}2 tbsp strawberry jam\n\nMethod\nBoil the milk with the sugar. Serve with the jam.`,
    );
    expect(lines.find((l) => l.is === '?')).toMatchObject({ part: 'serve' });
  });
  it('stories, notes and what others wrote are left out, and said to be', () => {
    const r = read(
      `Cups\n\nIngredients\n${LIST}\nMethod\nBoil the milk with the sugar.\n\nNotes\nMine always boils over.\n\n12 Comments\nsop_anna says: I bake it at 200 for an hour`,
    );
    expect(r.sentences).toEqual(['Boil the milk with the sugar.']);
    expect(r.leftOut.join(' ')).toMatch(/boils over.*for an hour/);
    expect(toldOf(r, pantry).bakes).toEqual([]);
  });
  it('each sentence stands beside what was taken from it', () => {
    const [first, second] = besideOf(
      read(`Cups\n\nIngredients\n${LIST}\nMethod\nBoil the milk with half of the sugar.\nWait for the tenors.`),
    );
    expect(first).toMatchObject({
      goesIn: [
        { ingredientId: 'milk_whole', place: 'pot', grams: 515 },
        { ingredientId: 'sugar', place: 'pot', grams: 30 },
      ],
      heats: [{ until: 'boil' }],
    });
    expect(second).toMatchObject({ goesIn: [], heats: [], rests: [] });
  });
});

describe('hands that write otherwise', () => {
  const amounts = (text: string) => told(text).lines.map((l) => `${String(l.g)} ${l.is}`);
  it('dictated without a stop: what is warmed is in a pan of its own, and is poured over the eggs', () => {
    const t = told(
      'ok so for the custard what i do is i get a big jug and i crack in three eggs and i whisk that up with forty grams of sugar and a heaped tablespoon of cornflour till theres no lumps then i warm half a litre of milk with a bit of vanilla in it not boiling just till its steaming and i pour that over the eggs slowly whisking all the time then it all goes back in the pan on a low heat and you stir and stir about eight minutes until it coats the back of the spoon',
    );
    expect(t.egg).toBe('hot onto');
    expect(t.order).toEqual([
      ['milk_whole', 'vanilla'],
      ['egg', 'sugar', 'cornstarch'],
    ]);
    expect(t.heats).toMatchObject([{ until: 'steam' }, { until: 'coats', min: 8, level: 'low' }]);
    expect(t.lines.find((l) => l.is === 'sugar')?.g).toBe(40);
  });
  it.each([
    ['two figures of an oven', 'Bake at 160°C (140°C fan) for 35 minutes.', { C: 160, min: 35 }],
    ['the fan first in its own', 'Bake at 150C/130C fan for 2 hours.', { C: 150, min: 120 }],
  ])('%s', (_, sentence, bake) => {
    const [only, ...more] = of('Beat the yolks with the sugar and the milk, pour into a dish.', sentence).bakes;
    expect([only, more]).toEqual([bake, []]);
  });
  it.each([
    [
      'amounts behind the name, with a note',
      'Basmati rice 1/4 cup, washed and soaked 20 min\nSugar 8 tblsp\nWhole milk 6 cups',
      /48.* rice_basmati/,
    ],
    [
      'a table, its amounts in the second column',
      '| What | How much |\n|---|---|\n| desiccated coconut, toasted | 30 g |\n| whole milk | 1 l |\n| semolina | 90 g |',
      /^30 coconut_grated/,
    ],
    [
      'one line, parted by dots',
      "You'll need: 700ml oat milk · 100g quick-cook polenta · 3 tbsp maple syrup · pinch of salt",
      /721 oat_drink, 100 cornmeal/,
    ],
    [
      'eggs and yolks with a plus',
      'For the cream: 600ml whole milk, 3 whole eggs + 3 yolks, 90g sugar',
      /153 egg, 51 yolk/,
    ],
    [
      'whites of so many eggs',
      '500 ml whole milk\n40 g semolina\n\nBoil the milk and rain in the semolina. Whip the whites of 3 eggs and fold them in.',
      /102 white/,
    ],
  ])('%s', (_, text, lines) => expect(amounts(text).join(', ')).toMatch(lines));
  it('how long it was soaked stands beside its name', () => {
    expect(told('120 g rice, soaked for 4 hours\n1 l milk\n\nBoil the rice in the milk until soft.').soak).toBe(240);
  });
  it('times and people of a page are neither amounts nor guests', () => {
    const t = told(
      'Porridge\nServes: 4 | Prep: 5 mins | Cook: 25 mins\n\n1 l milk\n90 g semolina\n\nBoil the milk for 2 minutes. Rain in the semolina and simmer 5 min. It keeps for 3 days.',
    );
    expect(t.people).toBe(4);
    expect(t.lines).toHaveLength(2);
    expect(
      told('1 l milk\n90 g semolina\n\nBoil the milk for 2 minutes, rain in the semolina, cook for 4-5 mins.').people,
    ).toBeUndefined();
  });
  it('the ring of the caramel is none of the custard’s, and a spoon that stirs is no spoonful', () => {
    const t = told(
      'Caramel custard\n\nFor the caramel: 150g sugar + 3 tbsp water\nFor the cream: 600ml whole milk, 4 eggs, 90g sugar\n\nMake the caramel: dissolve the sugar in the water over a gentle heat, then boil to a deep amber. Pour into six ramekins.\nScald the milk. Beat the eggs and the sugar. Add the hot milk gradually, stirring with a wooden spoon.',
    );
    expect(t.egg).toBe('hot onto');
    expect(t.heats).toEqual([{ until: 'steam' }]);
  });
  it('minutes at the boil are said once, and fat that is heated is no stretch of the pudding', () => {
    expect(
      of(
        'Mix the starch, the sugar and the milk in the pan. Bring to the boil. Boil & stir 1 min. Remove from heat; stir in butter.',
      ).heats,
    ).toEqual([{ until: 'boil' }, { until: 'time', min: 1 }]);
    const [first] = told(
      '2 tbsp ghee\n70 g semolina\n1 l milk\n\nIn a kadai heat the ghee. Roast the semolina in it on low for 4 mins. Add the milk and simmer 10 mins.',
    ).heats;
    expect(first).toMatchObject({ until: 'time', min: 4 });
  });
  it('“the cold milk” is what was kept of it', () => {
    const t = of(
      'Keep back 100 ml of the milk. Boil the rest. Stir the starch into the cold milk and pour it in. Cook 2 minutes.',
    );
    expect(t.wet).toEqual({ cornstarch: 'cold slurry' });
    expect(t.lines.find((l) => l.is === 'milk_whole')).toMatchObject({ back: 103 });
  });
  it('a custard that never sees a pot is poured from its bowl, and stands where it is put', () => {
    const t = told(
      'Egg custard, baked\n\n4 lg eggs, 1/2 c sugar, 1/4 t salt, 3 c scalded milk, 1 t vanilla, nutmeg\n\nBeat eggs slightly; add sugar & salt. Add hot milk slowly, then vanilla. Pour into 6 buttered custard cups, sprinkle w/ nutmeg. Set cups in pan of hot water. Bake 325 F 45 min. Cool on rack. Chill.',
    );
    expect(t).toMatchObject({
      egg: 'hot onto',
      dish: 'cups',
      order: [['egg'], ['sugar', 'salt'], ['milk_whole', 'vanilla']],
      bakes: [{ C: 163, min: 45, bath: true }],
      rests: [{ where: 'room' }, { where: 'fridge' }],
    });
    expect(t.lines.find((l) => l.is === 'nutmeg')?.part).toBe('top');
  });
  it('minutes and sign of one stretch stay together, whatever the spoon does between', () => {
    expect(
      of(
        'Boil the milk.',
        'Stir in the starch and cook gently for 6-7 minutes, beating every so often, until thickened.',
      ).heats[1],
    ).toMatchObject({
      until: 'thick',
      min: 6.5,
      stir: 'now and then',
    });
  });
});
