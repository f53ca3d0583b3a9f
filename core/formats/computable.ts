import type { Batch } from '../book/batch';
import { stepsOf, changesOf } from '../cook/steps';
import { foldCook } from '../cook/fold';
import type { Cook } from '../cook/events';
import type { PastPlan } from '../plan/history';
import { inBowls, mixtureOfPortions, pantryOf, wholeMixture } from '../plan/bowls';
import { methodOf } from '../plan/family';
import type { Plan } from '../plan/plan';
import { tooLong } from '../plan/tooLong';
import { say } from '../say';
import type { FormatIssue } from './issues';

/**
 * What a schema cannot see of a record that is kept: that everything it names is there and that the rooms can work with
 * it. A plan without milk may be kept, a plan of moon dust may not. Cheap: no pot is cooked.
 */

/** An id that neither the pantry nor the plan has. */
export const unknownIn = (plan: Plan, id: string, path: string): FormatIssue[] =>
  pantryOf(plan).has(id) ? [] : [{ path, message: say('issue.unknownPantry', { id }) }];

/** Steps that nobody waits for, neither at the stove nor for the forecast. */
export const longSteps = (plan: Plan, prefix = ''): FormatIssue[] =>
  tooLong(plan).map(({ kind, hours, most }) => ({
    path: `${prefix}acts`,
    message: say(`issue.tooLong.${kind}`, { hours, most }),
  }));

/** g of water that a pot needs to be cooked at all */
const LEAST_WATER_G = 5;

/**
 * A pot that begins with nothing liquid in it. A plan of one's own may be so while it is being made, and rooms say it; what
 * comes in from outside has to be cookable.
 */
export const dryPot = (plan: Plan, prefix = ''): FormatIssue[] =>
  mixtureOfPortions(inBowls(plan).pot).waterG <= LEAST_WATER_G
    ? [{ path: `${prefix}things`, message: say('issue.noLiquidInPot') }]
    : [];

/** Portions that together take more than there is in the pot. */
export const sharesOf = (plan: Plan, prefix = ''): FormatIssue[] => {
  const percent = Math.round(100 * plan.portions.reduce((sum, p) => sum + p.share, 0));
  return percent > 98 ? [{ path: `${prefix}portions`, message: say('issue.shares', { percent }) }] : [];
};

/** What stands beside the pot and is not known. */
export const namedBeside = (plan: Plan, prefix = ''): FormatIssue[] => [
  ...plan.vessels.flatMap((v, i) =>
    v.things.flatMap((t, k) => unknownIn(plan, t.ingredientId, `${prefix}vessels[${i}].things[${k}].ingredientId`)),
  ),
  ...plan.acts.flatMap((a, i) =>
    a.do === 'prepare'
      ? Object.entries(a.what)
          .filter(([key]) => key.endsWith('Id'))
          .flatMap(([key, id]) => unknownIn(plan, String(id), `${prefix}acts[${i}].what.${key}`))
      : [],
  ),
];

/** What is put somewhere and is not among the things. */
export const putOfNothing = (plan: Plan, prefix = ''): FormatIssue[] =>
  plan.acts.flatMap((a, i) =>
    a.do === 'put'
      ? a.things.flatMap((t, k) =>
          plan.things.some((own) => own.ingredientId === t.ingredientId)
            ? []
            : [
                {
                  path: `${prefix}acts[${i}].things[${k}].ingredientId`,
                  message: say('issue.ownItem', { id: t.ingredientId }),
                },
              ],
        )
      : [],
  );

export function troublesOfPlan(plan: Plan, prefix = ''): FormatIssue[] {
  const named = [
    ...plan.things.flatMap((item, i) => unknownIn(plan, item.ingredientId, `${prefix}things[${i}].ingredientId`)),
    ...plan.acts.flatMap((a, i) =>
      a.do === 'put'
        ? a.things.flatMap((t, k) => unknownIn(plan, t.ingredientId, `${prefix}acts[${i}].things[${k}].ingredientId`))
        : [],
    ),
    ...namedBeside(plan, prefix),
  ];
  named.push(...sharesOf(plan, prefix));
  const long = longSteps(plan, prefix);
  if (long.length) return [...named, ...long];
  return named.length
    ? named
    : works(`${prefix || '(the plan)'}`, () => {
        wholeMixture(plan);
        methodOf(plan);
      });
}

function works(path: string, work: () => void): FormatIssue[] {
  try {
    work();
    return [];
  } catch {
    return [{ path, message: say('issue.notComputed') }];
  }
}

export function troublesOfCook(cook: Pick<Cook, 'id' | 'plan' | 'events'>): FormatIssue[] {
  const named = [
    ...troublesOfPlan(cook.plan, 'plan.'),
    ...cook.events.flatMap((e, i) =>
      e.kind === 'added'
        ? e.portions.flatMap((p, k) => unknownIn(cook.plan, p.ingredientId, `events[${i}].portions[${k}].ingredientId`))
        : [],
    ),
  ];
  return named.length
    ? named
    : works('events', () => void foldCook(cook, stepsOf(cook.plan, { phases: [] }, changesOf(cook))));
}

/** What is looked for in a record that comes out of a file, beside its {@link TROUBLES}: what was cooked can be cooked. */
export const DRY = {
  cooks: (c: Cook) => dryPot(c.plan, 'plan.'),
  batches: (b: Batch) => dryPot(b.plan, 'plan.'),
} as const;

/** By the collection that a record is in; collections without a row name nothing. */
export const TROUBLES = {
  plans: (p: Plan) => troublesOfPlan(p),
  cooks: (c: Cook) => troublesOfCook(c),
  batches: (b: Batch) => troublesOfCook(b),
  history: (h: PastPlan) => troublesOfPlan(h.plan, 'plan.'),
} as const;
