import type { Pantry } from '../../pantry/pantry';
import type { Line, ReadOptions } from '../lines';
import { everyNameIn } from '../names';
import { actsOf, type Act } from './acts';
import { EN } from './en';
import { writtenOut } from './normal';
import { mentionsIn, type Thing } from './things';
import type { Account } from './account';
import { Kitchen } from './vessels';

export type Understood = Account;

/** Letters of a sentence that are read: what is longer is no sentence of a cook. */
const MOST_LETTERS = 700;
/** Letters of all sentences together: three long recipes; what is behind them is no recipe. */
const MOST_IN_ALL = 10_000;

/** Amounts in a sentence without a verb from which it is a list. */
const LISTED = 3;
/** A sentence that goes on from the one before: no list. */
const SPOKEN_ON = /^(?:now|then|next|finally|lastly|last|after that)\b/i;
/** Letters of a sentence that is nothing but a time. */
const TIME_ALONE = 24;

/** Heads of a list that say where its things go, not what is made of them. */
const AT_TABLE = /\b(?:set out|to serve|serving|table|to offer)\b/i;
const ON_TOP = /^(?:to (?:finish|top|decorate|sprinkle)|(?:the )?top(?:ping)?|garnish|decoration|finish)$/i;

const thingOf = (l: Line, head: string | undefined): Thing => {
  const table = head !== undefined && AT_TABLE.test(head);
  const top = head !== undefined && ON_TOP.test(head);
  const t = thingUnder(l, table ? undefined : head);
  return table ? { ...t, purpose: 'serve' } : top && t.purpose === undefined ? { ...t, purpose: 'top' } : t;
};
const thingUnder = (l: Line, component: string | undefined): Thing => ({
  id: l.ingredientId ?? '?',
  text: l.text,
  grams: l.grams && l.grams > 0 && !l.vague ? l.grams : undefined,
  optional: l.optional,
  component,
  purpose:
    l.again && l.grams === 0 && l.heldG === undefined && /greas|dish|tin|mould|tray/i.test(l.text)
      ? 'grease'
      : /\b(?:to serve|for serving|to pour|at the table|on the side|for (?:drizzling|pouring|spooning))\b/i.test(l.text)
        ? 'serve'
        : (l.top && component === undefined) ||
            /\bfor (?:above|over|on top|the top)\b|\bto (?:powder|dust|sprinkle|strew)\b/i.test(l.text)
          ? 'top'
          : undefined,
  heldG: l.heldG,
  ...(l.again ? { again: true } : {}),
});

/**
 * What a recipe says, sentence by sentence: its acts run over pots, bowls and dishes.
 * @param lines of its list, in order; `components` the head under which each stands
 * @returns the account; things that only the sentences name are behind those of the list
 */
export function understand(
  lines: readonly Line[],
  components: readonly (string | undefined)[],
  method: readonly { text: string; component?: string | undefined }[],
  pantry: Pantry,
  o: ReadOptions,
): Account {
  const things = lines.map((l, i) => thingOf(l, components[i]));
  // "reserve 150 ml of it" is a line of its own, and of no other thing
  for (const t of things)
    if (t.again && t.heldG) {
      const of = things.find((x) => x.id === t.id && !x.again);
      if (of) of.heldG ??= t.heldG;
    }
  const sides = sideParts(things, pantry);
  const kitchen = new Kitchen(things, pantry, sides);
  for (const [i, l] of lines.entries())
    if (/\b(?:dissolved|slaked|mixed|stirred|blended|whisked)\s+(?:smooth\s+)?(?:in|with|into)\b/i.test(l.text))
      kitchen.wetted(i);
  for (const l of lines) kitchen.soakedFor(l.text);
  let begun = false;
  const measure: { cup?: string } = {};
  let letters = 0;
  for (const [i, sentence] of method.entries()) {
    letters += Math.min(MOST_LETTERS, sentence.text.length);
    if (letters > MOST_IN_ALL) break;
    const s = writtenOut(sentence.text.slice(0, MOST_LETTERS), EN);
    const named = headed(s, sentence.component, things);
    if (named !== undefined) kitchen.turnTo(named.component);
    else turnByNames(s, things, kitchen, sides, pantry);
    const about = kitchen.about;
    const names = mentionsIn(
      s,
      things,
      pantry,
      EN,
      o,
      (t) => (t.component === about ? 2 : t.component === undefined ? 1 : 0),
      busyIn(s),
      measure,
    );
    const acts = actsOf(s, i, names, EN);
    // a list told in sentences: nothing is done in them
    const bought = names.filter((n) => n.kind === 'thing' && n.grams !== undefined).length;
    const told =
      SPOKEN_ON.test(s) ||
      acts.some(
        (a) =>
          a.deed ?? a.offHeat ?? a.onHeat ?? a.onTop ?? a.lid ?? a.level ?? (a.until.length > 0 || a.into.length > 0),
      );
    if (!lines.length && !told && (!begun || bought >= LISTED)) continue;
    begun = true;
    // "(20 min)" behind a step
    const [only] = acts;
    if (
      only &&
      acts.length === 1 &&
      only.time &&
      !only.further &&
      only.deed === undefined &&
      !only.place &&
      !only.until.length &&
      !only.level &&
      !names.length &&
      s.length < TIME_ALONE
    ) {
      kitchen.took(only.time);
      continue;
    }
    for (const act of acts) kitchen.run(act);
  }
  return kitchen.finish();
}
export type { Act };

/** Stretches whose names are no things that go in: "till it has drunk the water", "over a pan of water". */
const BUSY = [
  EN.signs.gone,
  EN.signs.smooth,
  EN.signs.coats,
  EN.signs.dissolved,
  EN.words.bath,
  EN.words.overWater,
  EN.words.beside,
  EN.words.like,
].map((w) => new RegExp(`(?<![a-z])(?:${w})(?![a-z])`, 'gi'));
const busyIn = (s: string) =>
  BUSY.flatMap((r) => [...s.matchAll(r)].map((m) => ({ at: m.index, end: m.index + m[0].length })));

/** A sentence that says which part of the recipe it is about: "For the sauce, …". */
function headed(
  s: string,
  head: string | undefined,
  things: readonly Thing[],
): { component: string | undefined } | undefined {
  if (head !== undefined) {
    const h = head
      .toLowerCase()
      .replace(/\(.*\)|[^a-z ]/g, ' ')
      .replace(/\s+/g, ' ')
      .trim();
    const of = (c: string) => c.toLowerCase();
    return {
      component: things.find(
        (t) =>
          t.component !== undefined &&
          (of(t.component) === h || h.includes(of(t.component)) || of(t.component).includes(h)),
      )?.component,
    };
  }
  const components = [...new Set(things.map((t) => t.component))].filter((c) => c !== undefined);
  const m =
    /^(?:for|make|start with|begin with|now)\s+the\s+([a-z ]{3,30}?)(?=[,:;.]|\s+(?:first|since|bring|put|mix|by|while)\b)/i.exec(
      s,
    );
  if (!m) return undefined;
  const word = m[1]!.toLowerCase();
  const c = components.find((x) => x.toLowerCase().includes(word) || word.includes(x.toLowerCase()));
  return c === undefined
    ? /pudding|rice|cream|custard|porridge/.test(word)
      ? { component: undefined }
      : undefined
    : { component: c };
}

/** The part is the one whose own things are spoken of. */
function turnByNames(
  s: string,
  things: readonly Thing[],
  kitchen: Kitchen,
  sides: ReadonlySet<string>,
  pantry: Pantry,
) {
  const isSide = (c: string | undefined) => c !== undefined && sides.has(c);
  for (const { id } of everyNameIn(s)) {
    const group = pantry.get(id)?.group;
    if (id === 'salt' || id === 'water' || group === 'fat') continue;
    // sugar is of any part that has some
    const all = things.filter(
      (t) =>
        (group === 'sweet' ? pantry.get(t.id)?.group === 'sweet' : t.id === id) && !t.again && t.purpose !== 'grease',
    );
    const parts = new Set(all.map((t) => t.component));
    if (parts.size !== 1) continue;
    const [part] = parts;
    if (isSide(part) ? kitchen.about !== part : isSide(kitchen.about)) kitchen.turnTo(part);
    return;
  }
}

/** Parts that are cooked beside the dish: all but the one that holds the milk, or most of what there is. */
function sideParts(things: readonly Thing[], pantry: Pantry): Set<string> {
  const parts = [...new Set(things.map((t) => t.component))].filter((c) => c !== undefined);
  const out = new Set<string>();
  if (!parts.length) return out;
  const milkG = (c: string | undefined) =>
    things.reduce(
      (s, t) =>
        s +
        (t.component === c && pantry.get(t.id)?.group === 'milk' ? (t.grams ?? 1) : 0) +
        (t.component === c && pantry.get(t.id)?.egg ? (t.grams ?? 1) : 0),
      0,
    );
  const most = Math.max(...[undefined, ...parts].map(milkG));
  for (const c of parts)
    if (
      !(milkG(c) === most && most > 0) &&
      milkG(c) < 0.5 * most &&
      !/dish|tin|grease|mould|serve|serving|top$|garnish|decorat|finish|slurry|custard|pudding|porridge|rice|tempering/i.test(
        c,
      )
    )
      out.add(c);
  // a topping that is only strewn is no pot of its own
  for (const c of [...out]) {
    const list = things.filter((t) => t.component === c);
    if (
      /topping/i.test(c) &&
      !list.some((t) => pantry.get(t.id)?.group === 'sweet' || pantry.get(t.id)?.group === 'milk')
    )
      out.delete(c);
  }
  return out;
}
