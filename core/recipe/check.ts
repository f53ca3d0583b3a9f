import { inBowls } from '../plan/bowls';
import { purposeOf, intoPot } from '../plan/method';
import { withOwnSteps } from '../plan/layout';
import { forecast, type Forecast } from '../model/forecast';
import { wetted } from '../plan/amounts';
import { methodOf } from '../plan/family';
import type { Plan } from '../plan/plan';
import type { SetWord } from '../texture/words';
import type { Pantry } from '../pantry/pantry';
import { planOf, type PlanMeta, type Reading } from './read';
import { NoLiquidError } from '../pot/pot';
import { type Said } from '../say';
import { takenAsItIs } from '../plan/asItIs';
import { asTold } from './asTold';
import { findings, type Finding } from './findings';

/** A recipe held against the model: what it will be as written, what is missing or risky in it, and what would mend it. */
export type CheckItem = {
  id: string;
  /** needs mending, worth minding, or a fact */
  level: Finding['level'];
  says: Said;
  why: Said;
  /** what a tap would do; absent where only the cook can */
  fix?: Said;
  accepted: boolean;
};
export type CheckUp = {
  plan: Plan;
  forecast: Forecast;
  items: CheckItem[];
  /** in the recipe's own steps, with its outcome as the wish */
  asItIs: Plan;
};

/** Taken as it is, in its own steps. */
function ownWay(plan: Plan, r: Reading, usual: Forecast): Plan {
  const told = asTold(plan, r);
  return takenAsItIs(told, (told === plan ? usual : forecast(told)).serving.word);
}

/** As written: a starch that goes dry into what is hot is cooked that way, so that the model shows what it does. */
function asWritten(r: Reading, plan: Plan): Plan {
  if (r.facts.starch !== 'into hot') return plan;
  return withOwnSteps(
    plan,
    methodOf(plan).map((s) =>
      intoPot(s) && purposeOf(s.from) === 'slurry'
        ? { ...s, how: 'dry powder' as const, stirring: 'spoon' as const }
        : s,
    ),
  );
}

/** What each way of serving can be content with; a recipe that comes out so is taken to mean it. */
const CONTENT: Record<Plan['serve']['style'], readonly SetWord[]> = {
  spooned: ['pours', 'coats', 'mounds', 'holds a trail', 'wobbles'],
  'turned out': ['wobbles', 'slices'],
  cut: ['slices', 'firm'],
};
const wishOf = (plan: Plan, word: SetWord): Plan =>
  plan.family !== 'frozen cream' && CONTENT[plan.serve.style].includes(word)
    ? { ...plan, serve: { ...plan.serve, word } }
    : plan;

/** The recipe's plan as its words have it, nothing mended; undefined when nothing in it is liquid. */
export function writtenPlan(r: Reading, pantry: Pantry, meta: PlanMeta): Plan | undefined {
  const first = planOf(r, pantry, meta);
  if (!first) return undefined;
  const plan = asWritten(r, first);
  return r.facts.bubbles && inBowls(plan).bowl.length > 0 && !r.facts.oven
    ? { ...plan, choices: { ...plan.choices, eggOff: 'to bubbling' } }
    : plan;
}

/**
 * The check-up of a recipe, with the mends that were accepted made.
 * @returns undefined when nothing in it is liquid, or what is does not go into the pot
 */
export function checkUp(
  r: Reading,
  pantry: Pantry,
  meta: PlanMeta,
  accepted: readonly string[] = [],
): CheckUp | undefined {
  try {
    return checked(r, pantry, meta, accepted);
  } catch (e) {
    if (e instanceof NoLiquidError) return undefined;
    throw e;
  }
}

function checked(r: Reading, pantry: Pantry, meta: PlanMeta, accepted: readonly string[]): CheckUp | undefined {
  const written = writtenPlan(r, pantry, meta);
  if (!written) return undefined;
  let plan = wishOf(written, forecast(written).serving.word);
  const done: CheckItem[] = [];
  // each mend sees those before it; the set is brought right when all else is
  const left = new Set(accepted);
  while (left.size) {
    const found = findings(r, plan, forecast(plan), pantry).filter((x) => x.fix && left.has(x.id));
    const f = found.find((x) => x.id !== 'set') ?? found[0];
    if (!f?.fix) break;
    const { id } = f;
    left.delete(id);
    plan = wetted(f.fix.apply(plan));
    done.push({ id, level: f.level, says: f.says, why: f.why, fix: f.fix.says, accepted: true });
  }
  const f = forecast(plan);
  const accept = new Set(done.map((d) => d.id));
  const open = findings(r, plan, f, pantry)
    .filter((x) => !accept.has(x.id) || x.id === 'set')
    .map(({ fix, ...x }) => ({ ...x, ...(fix ? { fix: fix.says } : {}), accepted: false }));
  const rank = { mend: 0, mind: 1, fact: 2 } as const;
  return {
    plan,
    forecast: f,
    asItIs: ownWay(plan, r, f),
    items: [...open.sort((a, b) => rank[a.level] - rank[b.level]), ...done.filter((d) => d.id !== 'set')],
  };
}
