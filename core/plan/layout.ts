import { purposeOf, USES, numberOf, type Bowl, type MethodStep } from './method';
import { oncePerPlan } from './once';
import type { Operation, Plan, PrepareAct, PutAct, PutPot, PutThing, IngredientLine } from './plan';
import type { Preparation } from './preparation';

/** A plan's list as it is laid out: which thing stands in which bowl, and what is done after that. */

/** A thing, and the bowl that has the rest of it, or all. */
export type Line = IngredientLine & { in: Bowl };
/** So much of a thing that is not where the rest of it is. */
export type Part = PutThing & { grams: number; in: Bowl };

type Listed = Pick<Plan, 'things' | 'acts'>;

const isPut = (a: Operation): a is PutAct => a.do === 'put';
const isPrepare = (a: Operation): a is PrepareAct => a.do === 'prepare';
export const isStep = (a: Operation): a is MethodStep => !isPut(a) && !isPrepare(a);

/** Where what is named in no bowl is: in the pot from the start. */
const ANYWHERE: Bowl = 'pot';

/** Every thing with the bowl that has the rest of it, in the order of the things. */
export const linesOf = oncePerPlan(({ things, acts }: Listed): readonly Line[] => {
  const place = new Map<string, Bowl>();
  for (const put of acts.filter(isPut))
    for (const t of put.things)
      if (t.grams === undefined && t.share === undefined && !place.has(t.ingredientId))
        place.set(t.ingredientId, put.into);
  return things.map((t) => ({ ...t, in: place.get(t.ingredientId) ?? ANYWHERE }));
});

/** What is held back of things for another bowl, or for tasting. */
export const partsOf = oncePerPlan(({ things: all, acts }: Listed): readonly Part[] => {
  const wholeG = new Map(all.map((t) => [t.ingredientId, t.grams]));
  return acts.filter(isPut).flatMap(({ into, things }) =>
    things.flatMap((t) => {
      const grams = t.share === undefined ? t.grams : t.share * (wholeG.get(t.ingredientId) ?? 0);
      return grams === undefined ? [] : [{ ...t, grams, in: into }];
    }),
  );
});

/** What of a second pot goes into which bowl. */
export type PotPart = PutPot & { in: Bowl };
export const potPartsOf = oncePerPlan(({ acts }: Pick<Plan, 'acts'>): readonly PotPart[] =>
  acts.filter(isPut).flatMap(({ into, pots }) => (pots ?? []).map((p) => ({ ...p, in: into }))),
);

const inTurn = (a: Bowl, b: Bowl) =>
  USES.indexOf(purposeOf(a)) - USES.indexOf(purposeOf(b)) || numberOf(a) - numberOf(b);

/**
 * One row a thing: two rows of one, as another thing taken for both leaves them, become one of their sum, the lesser a
 * part of it in its own bowl.
 */
function merged(lines: readonly Line[], parts: readonly Part[]): { lines: readonly Line[]; parts: readonly Part[] } {
  if (new Set(lines.map((l) => l.ingredientId)).size === lines.length) return { lines, parts };
  const rows = new Map<string, Line[]>();
  for (const l of lines) rows.set(l.ingredientId, [...(rows.get(l.ingredientId) ?? []), l]);
  const more: Part[] = [];
  const one = [...rows.values()].map((same): Line => {
    const [most, ...others] = same.toSorted((a, b) => b.grams - a.grams);
    for (const o of others)
      if (o.in !== most!.in) more.push({ ingredientId: o.ingredientId, grams: o.grams, in: o.in });
    return { ...most!, grams: same.reduce((sum, l) => sum + l.grams, 0) };
  });
  return { lines: one, parts: [...parts, ...more] };
}

/** Things and their bowls as a list begins with them. */
export function laidOut(
  rows: readonly Line[],
  held: readonly Part[] = [],
  pots: readonly PotPart[] = [],
): { things: IngredientLine[]; puts: PutAct[] } {
  const { lines, parts } = merged(rows, held);
  const bowls = new Map<Bowl, PutThing[]>();
  const put = (bowl: Bowl, t: PutThing) => bowls.set(bowl, [...(bowls.get(bowl) ?? []), t]);
  for (const { ingredientId, in: bowl } of lines) put(bowl, { ingredientId });
  for (const { in: bowl, ...t } of parts) if (t.grams > 0) put(bowl, t);
  const poured = new Map<Bowl, PutPot[]>();
  for (const { in: bowl, ...p } of pots) {
    poured.set(bowl, [...(poured.get(bowl) ?? []), p]);
    if (!bowls.has(bowl)) bowls.set(bowl, []);
  }
  return {
    things: lines.map(({ in: _in, ...thing }) => thing),
    puts: [...bowls]
      .sort(([a], [b]) => inTurn(a, b))
      .map(([into, things]) => {
        const from = poured.get(into);
        return { do: 'put', id: `put ${into}`, into, things, ...(from ? { pots: from } : {}) };
      }),
  };
}

/** What is made ready beside it, each with the id of its act. */
export const preparationsOf = oncePerPlan(({ acts }: Pick<Plan, 'acts'>): readonly (Preparation & { id: string })[] =>
  acts.filter(isPrepare).map(({ id, what }) => ({ id, ...what })),
);
export const withPreparations = <P extends Pick<Plan, 'acts'>>(
  plan: P,
  all: readonly (Preparation & { id: string })[],
): P => ({
  ...plan,
  acts: [
    ...plan.acts.filter(isPut),
    ...all.map(({ id, ...what }): PrepareAct => ({ do: 'prepare', id, what })),
    ...plan.acts.filter(isStep),
  ],
});

const afterPuts = ({ acts }: Pick<Plan, 'acts'>): Operation[] => acts.filter((a) => !isPut(a));

/** The plan with these things in their bowls; what is done after stays. */
export function withLines<P extends Listed>(plan: P, lines: readonly Line[], parts = partsOf(plan)): P {
  const { things, puts } = laidOut(
    lines,
    parts.filter((p) => lines.some((l) => l.ingredientId === p.ingredientId)),
    potPartsOf(plan),
  );
  return { ...plan, things, acts: [...puts, ...afterPuts(plan)] };
}

/** The plan with so much of its second pots in these bowls. */
export function withPotParts<P extends Listed>(plan: P, pots: readonly PotPart[]): P {
  const { puts } = laidOut(linesOf(plan), partsOf(plan), pots);
  return { ...plan, acts: [...puts, ...afterPuts(plan)] };
}

export const withParts = <P extends Listed>(plan: P, parts: readonly Part[]): P =>
  withLines(plan, linesOf(plan), parts);

/** The plan with one thing more. */
export const withLine = <P extends Listed>(plan: P, line: Line): P => withLines(plan, [...linesOf(plan), line]);

/** The plan with each of its lines as `change` has it. */
export const eachLine = <P extends Listed>(plan: P, change: (line: Line) => Line): P =>
  withLines(plan, linesOf(plan).map(change));

/** The method step by step where it is the cook's own; undefined where the family and its choices write it. */
export const ownSteps = oncePerPlan((plan: Pick<Plan, 'acts'>): readonly MethodStep[] | undefined => {
  const steps = plan.acts.filter(isStep);
  return steps.length ? steps : undefined;
});

/** The plan with steps of its own, or, without any, the family's way. */
export const withOwnSteps = <P extends Pick<Plan, 'acts'>>(plan: P, steps: readonly MethodStep[] = []): P => ({
  ...plan,
  acts: [...plan.acts.filter((a) => !isStep(a)), ...steps],
});
