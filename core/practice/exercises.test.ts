import { inOrder, type Act } from './act';
import { endOf, type OtherwiseKind } from './debrief';
import { exerciseOf, judgedRun, startOf, type Exercise } from './exercises';
import { EXERCISE_IDS, type ExerciseId } from './exerciseIds';
import type { Harm } from './outcome';

/** One way to do it badly: what is done, what comes of it, and what the debrief has to name. */
type Badly = { how: string; acts(e: Exercise): Act[]; harm: Harm; cause: OtherwiseKind; act?: Act['do'] };

const at = (e: Exercise, what: Act['do'], n = 0) => e.good.filter((a) => a.do === what)[n]!.atS;
const pourS = (e: Exercise) => at(e, 'pour');
const changed = (e: Exercise, what: Act['do'], change: (a: Act) => Act | undefined, n?: number): Act[] => {
  let seen = 0;
  return inOrder(e.good.flatMap((a) => (a.do !== what || (n !== undefined && seen++ !== n) ? [a] : (change(a) ?? []))));
};
const addDry = (a: Act): Act => (a.do === 'add' ? { ...a, how: 'dry powder', stirring: 'spoon' } : a);
const later = (e: Exercise, s: number): Act[] =>
  inOrder(e.good.map((a) => (a.atS >= pourS(e) - 40 ? { ...a, atS: a.atS + s } : a)));
const beforePour = (e: Exercise) => e.good.filter((a) => a.atS < pourS(e) - 40);
/** poured from the hot ring, after so many seconds more or less */
const pouredAt = (e: Exercise, byS: number): Act[] =>
  inOrder([...beforePour(e).filter((a) => a.atS < pourS(e) - 40 + byS), { do: 'pour', atS: pourS(e) - 40 + byS }]);

const BADLY: Record<ExerciseId, Badly[]> = {
  slurry: [
    {
      how: 'the starch dry into the hot milk',
      acts: (e) =>
        inOrder(
          changed(e, 'add', addDry, 0).map((a) =>
            a.do === 'add' && a.atS === at(e, 'add') ? { ...a, atS: a.atS + 90 } : a,
          ),
        ),
      harm: 'lumps',
      cause: 'as a slurry',
      act: 'add',
    },
  ],
  moment: [{ how: 'off as soon as it thickens', acts: (e) => pouredAt(e, -120), harm: 'too soft', cause: 'longer' }],
  ceiling: [
    {
      how: 'the ring up once the yolks are in',
      acts: (e) => inOrder([...later(e, 60), { do: 'hob', atS: at(e, 'add') + 20, setting: 9 }]),
      harm: 'curdled',
      cause: 'not turned up',
      act: 'hob',
    },
    { how: 'left on the ring for long', acts: (e) => pouredAt(e, 240), harm: 'curdled', cause: 'off earlier' },
  ],
  temper: [
    {
      how: 'straight into the boiling milk',
      acts: (e) => {
        const inS = at(e, 'add') + 75;
        return inOrder([
          ...e.good.filter((a) => a.atS === 0),
          { do: 'hob', atS: inS - 1, setting: 0 },
          ...e.good.flatMap((a): Act[] =>
            a.do === 'add' && a.ladleG ? [{ ...a, atS: inS, ladleG: undefined, stirring: 'none' }] : [],
          ),
          { do: 'stir', atS: inS, everyS: 3, tool: 'spoon' },
          { do: 'pour', atS: inS + 60 },
        ]);
      },
      harm: 'curdled',
      cause: 'ladle by ladle',
      act: 'add',
    },
  ],
  reduce: [
    {
      how: 'the spoon laid down half-way',
      acts: (e) =>
        inOrder([
          ...e.good.filter((a) => !(a.do === 'stir' && a.atS > 1200 && a.atS < pourS(e) - 60)),
          { do: 'stir', atS: 1200, everyS: null, tool: 'spoon' },
          { do: 'stir', atS: 3600, everyS: 3, tool: 'spoon' },
        ]),
      harm: 'caught',
      cause: 'kept stirring',
      act: 'stir',
    },
  ],
  climbs: [
    {
      how: 'at full until it comes over',
      acts: (e) => changed(e, 'hob', (a) => (a.do === 'hob' && a.setting > 0 ? { ...a, setting: 9 } : a)),
      harm: 'boiled over',
      cause: 'turned down in time',
    },
  ],
  sugar: [
    {
      how: 'the sugar first',
      acts: (e) =>
        inOrder(
          e.good.map((a) =>
            a.do === 'add' && a.portions.every((p) => p.ingredientId === 'sugar') ? { ...a, atS: 0 } : a,
          ),
        ),
      harm: 'grain hard',
      cause: 'sugar at the end',
      act: 'add',
    },
  ],
  steam: [
    {
      how: 'off the steam and onto the ring',
      acts: (e) =>
        inOrder([
          ...e.good,
          { do: 'move', atS: at(e, 'add') + 5, to: 'ring' },
          { do: 'hob', atS: at(e, 'add') + 6, setting: 9 },
        ]),
      harm: 'curdled',
      cause: 'left where it was',
      act: 'move',
    },
  ],
  lid: [
    {
      how: 'under the lid on the full ring',
      acts: (e) => changed(e, 'hob', (a) => (a.do === 'hob' && a.setting > 0 ? { ...a, setting: 9 } : a)),
      harm: 'caught',
      cause: 'turned down in time',
    },
  ],
  bite: [{ how: 'off ten minutes early', acts: (e) => pouredAt(e, -900), harm: 'grain hard', cause: 'longer' }],
  thin: [
    {
      how: 'the help dry',
      acts: (e) => inOrder(e.good.map((a) => (a.do === 'add' && a.atS >= e.fromS ? addDry(a) : a))),
      harm: 'lumps',
      cause: 'as a slurry',
      act: 'add',
    },
  ],
  saved: [
    {
      how: 'nothing is done',
      acts: (e) => inOrder([...e.given, { do: 'pour', atS: e.fromS + 240 }]),
      harm: 'caught',
      cause: 'stirred',
    },
  ],
  chill: [
    {
      how: 'three dishes left in the room',
      acts: (e) =>
        inOrder([
          ...e.given,
          { do: 'pour', atS: e.fromS, count: 3 },
          { do: 'stand', atS: e.fromS, where: 'room', covered: true },
          { do: 'stand', atS: e.fromS + 4 * 3600, where: 'fridge', covered: true },
          { do: 'serve', atS: e.fromS + 14 * 3600 },
        ]),
      harm: 'cooled too slowly',
      cause: 'into the cold at once',
      act: 'stand',
    },
    {
      how: 'all of it in one bowl',
      acts: (e) =>
        inOrder([
          ...e.given,
          { do: 'pour', atS: e.fromS, count: 1 },
          { do: 'stand', atS: e.fromS, where: 'fridge', covered: true },
          { do: 'serve', atS: e.fromS + 14 * 3600 },
        ]),
      harm: 'cooled too slowly',
      cause: 'more dishes',
      act: 'pour',
    },
  ],
  unmould: [
    {
      how: 'turned out while it is warm',
      acts: (e) => inOrder([...e.given, { do: 'serve', atS: e.fromS + 2400 }]),
      harm: 'slumps',
      cause: 'later to the table',
      act: 'serve',
    },
  ],
};

const end = (e: Exercise, acts: readonly Act[]) => Math.max(endOf({ acts: [...acts] }), e.fromS);

describe.each(EXERCISE_IDS)('%s', (id) => {
  it('done well is as it should be, and costs nothing', () => {
    const e = exerciseOf(id);
    const j = judgedRun({ ...startOf(e), acts: [...e.good] }, end(e, e.good));
    expect({ met: j.met, felt: j.outcome.felt, costs: j.costs }).toEqual({ met: true, felt: [], costs: [] });
  });
  it.each(BADLY[id])('$how: $harm, and the cause is named', ({ acts, harm, cause, act }) => {
    const e = exerciseOf(id);
    const done = acts(e);
    const j = judgedRun({ ...startOf(e), acts: done }, end(e, done));
    expect(j.met).toBe(false);
    expect(j.outcome.felt).toContain(harm);
    expect(j.costs[0]?.kind).toBe(cause);
    if (act) expect(inOrder(done)[j.costs[0]!.act!]!.do).toBe(act);
    // and without it the harm is gone, or much less
    expect(j.costs[0]!.outcome.harms[harm]).toBeLessThan(j.outcome.harms[harm] / 2);
  });
});
