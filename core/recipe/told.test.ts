import { pantry } from '../testing';
import { ReadingFileSchema, readingFile } from '../formats/readingFile';

const options = { system: 'metric', eggSize: 'eu M' } as const;
const meta = { id: 'recipe', serveAt: '2026-12-12T19:30:00Z' };
const told = (text: string) => {
  const read = readingFile(text, options, meta);
  if (!read.ok) throw new Error('not read');
  return ReadingFileSchema.parse(JSON.parse(JSON.stringify(withSentences(read.value)))).told;
};
/** As the command line writes it: a code with its sentence. */
const withSentences = (v: unknown): unknown =>
  JSON.parse(
    JSON.stringify(v, (_k, x: unknown) =>
      typeof x === 'object' && x !== null && 'code' in x ? { ...x, says: 'said' } : x,
    ),
  );

const CUPS = `Second row cups, serves 4

* 500 ml whole milk
* 40 g cornstarch
* 50 g sugar
* 1 cinnamon stick

1. Whisk the cornstarch smooth in 100 ml of the cold milk.
2. Bring the rest of the milk to the boil with the sugar and the cinnamon.
3. Take out the cinnamon. Pour in the slurry, whisking, and stir until it bubbles. Cook 2 minutes more.
4. Pour into cups. Chill 3 hours.`;

describe('what was taken from a recipe, field by field', () => {
  it('holds its lines, how it is wetted, the order, the heat and the cold', () => {
    const t = told(CUPS);
    expect(t.lines).toEqual([
      { is: 'milk_whole', g: 515, part: 'pot', back: expect.any(Number) as number },
      { is: 'cornstarch', g: 40, part: 'pot' },
      { is: 'sugar', g: 50, part: 'pot' },
      { is: 'cinnamon', g: 4, part: 'pot' },
    ]);
    expect(t).toMatchObject({
      people: 4,
      wet: { cornstarch: 'cold slurry' },
      out: ['cinnamon'],
      rests: [{ where: 'fridge', min: 180 }],
      serve: { warm: false },
    });
    // the slurry joins what is hot already
    const at = (id: string) => t.order.findIndex((group) => group.includes(id));
    expect(at('sugar')).toBeLessThan(at('cornstarch'));
    expect(t.heats.map((h) => h.until)).toContain('boil');
    for (const group of t.order) for (const id of group) expect(pantry.has(id)).toBe(true);
  });
  it('numbered sentences behind a list are steps, whatever heads the list', () => {
    const t = told(CUPS.replace('* 500', 'What you need\n* 500'));
    expect(t.lines.map((l) => l.is)).toEqual(['milk_whole', 'cornstarch', 'sugar', 'cinnamon']);
    expect(t.lines[1]!.g).toBe(40);
  });
  it('the oven is told in degrees and minutes', () => {
    const t = told(
      'Custard\n500 ml milk\n3 eggs\n80 g sugar\n\nWarm the milk. Beat the eggs with the sugar and pour the milk on. Bake in a water bath at 150 °C for 40 minutes.',
    );
    expect(t.bakes).toEqual([{ C: 150, min: 40, bath: true }]);
  });
});
