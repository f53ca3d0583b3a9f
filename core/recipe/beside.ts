import type { Bake, Heat, Rest } from './language/account';
import type { Reading } from './read';

/** What one sentence of a recipe was understood as: what went where, and what the fire, the oven and the cold did. */
export type Beside = {
  text: string;
  /** g where they are known: all of a thing, or the share that is put here */
  goesIn: { ingredientId: string; grams?: number; place: 'bowl' | 'pot' | 'side' | 'top' }[];
  heats: Heat[];
  bakes: Bake[];
  rests: Rest[];
  /** ids of what comes out again */
  out: string[];
  pours: Reading['account']['pours'];
  /** something is done in it, shown here or not */
  heard: boolean;
};

/** Each sentence of a reading, in its order, with what was taken from it. */
export function besideOf({ account, sentences, lines }: Reading): Beside[] {
  const gramsOf = (t: number): number | undefined => {
    const thing = account.things[t]!;
    return thing.grams ?? lines.find((l) => l.text === thing.text && l.ingredientId === thing.id)?.grams;
  };
  return sentences.map((text, at) => ({
    text,
    goesIn: account.puts
      .filter((p) => p.sentence === at)
      .map(({ thing, share, place }) => {
        const all = gramsOf(thing);
        return {
          ingredientId: account.things[thing]!.id,
          place,
          ...(all === undefined || all === 0 ? {} : { grams: Math.round(10 * Math.min(1, share) * all) / 10 }),
        };
      }),
    heats: account.heats.filter((h) => h.sentence === at),
    bakes: account.bakes.filter((b) => b.sentence === at && b.tempC !== undefined),
    rests: account.rests.filter((r) => r.sentence === at),
    out: [...account.outAt].filter(([, s]) => s === at).map(([t]) => account.things[t]!.id),
    pours: account.pours.filter((p) => p.sentence === at),
    heard: account.heard.has(at),
  }));
}
