import type { Frame } from '../../core/practice/frame';
import type { Happening } from '../../core/practice/replay';

/** What went wrong comes before what merely happened. */
const TOLD: readonly Happening[] = [
  'dry',
  'boiled over',
  'caught',
  'curdled',
  'lumps',
  'film',
  'climbs',
  'skin',
  'bubbles',
  'thickens',
  'steams',
];
export const WRONG: readonly Happening[] = ['dry', 'boiled over', 'caught', 'curdled', 'lumps', 'film'];
/** What happened is said for so long, s of the pot; what is wrong stays said. */
const NEWS_S = 45;
/** What is said of the pot now. */
export const newsOf = (f: Frame): { what: Happening; atS: number } | undefined => {
  const what = TOLD.find((h) => {
    const at = f.happened[h];
    return at !== undefined && (WRONG.includes(h) || f.tS - at < NEWS_S);
  });
  return what && { what, atS: f.happened[what]! };
};

/** s to which "go back" goes: just before the first thing that went wrong, or a half-minute ago. */
export const backTo = (f: Frame, fromS: number): number => {
  const wrong = WRONG.map((h) => f.happened[h]).filter((s): s is number => s !== undefined);
  const to = wrong.length ? Math.min(...wrong) - 15 : f.tS - 30;
  return Math.max(fromS, Math.floor(to / 5) * 5);
};
