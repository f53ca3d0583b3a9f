import { coolInTime, coolNow } from '../core/advice/coolInTime';
import type { Batch } from '../core/book/batch';
import type { BatchRow } from '../core/book/row';
import type { Learnt } from '../core/book/known';
import { learnKitchen } from '../core/book/learned';
import { nextTime } from '../core/book/nextTime';
import { fridgeOf, MeasureRefused, ringOf, spoonOf, steamOf, thermometerOf } from '../core/kitchen/measure';
import { countKitchens, kitchensOf, sharedBy } from '../core/model/chances';
import { cookedSupper, laidFor } from '../core/demo/choirSupper';
import { forecast, point } from '../core/model/forecast';
import { aboutPlan } from '../core/advice/about';
import { whatWouldHelp } from '../core/advice/help';
import { followSteps } from '../core/plan/methodList';
import { changesBetween } from '../core/plan/history';
import type { Plan } from '../core/plan/plan';
import { differences, tell } from '../core/advice/differences';
import { loosenAtTable } from '../core/advice/loosen';
import { compareSchool, SCHOOLS, sideNow, takeSide } from '../core/advice/schools';
import { solve, solveStarch, swapThickener, type Ask } from '../core/advice/solve';
import {
  candidatesFor,
  costsOf,
  dishSwaps,
  makeFree,
  swapIngredient,
  TOOL_SWAPS,
  type Candidate,
  type FreeOf,
} from '../core/advice/substitutes';
import { readIncoming, tableOf, weighRead, type ImportAnswer, type IncomingRead } from '../core/formats/incoming';
import type { KitchenFile } from '../core/formats/kitchenFile';
import { kitchenText, type ImportWay } from '../core/formats/merge';
import { isTable } from '../core/formats/tables';
import { LIMITS } from '../core/recipe/limits';
import type { Ingredient } from '../core/pantry/ingredient';
import { spokenGrams } from '../core/recipe/spoken';
import { readTyped } from '../core/recipe/readTyped';
import { readWish } from '../core/recipe/wish';
import { pantryWith } from '../core/pantry/pantry';
import { checkUp } from '../core/recipe/check';
import { mendLine, type Line, type ReadOptions } from '../core/recipe/lines';
import { readRecipe, type PlanMeta, type Reading } from '../core/recipe/read';
import { dayApi } from './days';
import { potApi } from './pots';
import { practiceApi } from './practice';
import { startBeside, type BesideStart } from '../core/sides/sides';
import type { SyrupEnd } from '../core/plan/potStarts';
import type { SpoonSystem } from '../core/units/measures';
import type { Pack } from '../core/units/packs';
import type { Vessel } from '../core/vessels/vessel';
import { say } from '../core/say';

/** The choir's supper as it was cooked when the app was built; cooked here where that does not come. */
const supper = async (): Promise<KitchenFile> => {
  try {
    return (await (await fetch('/choir.json')).json()) as KitchenFile;
  } catch {
    return cookedSupper();
  }
};

/** The file that is being looked through: the cook weighs it in several ways. */
let lastRead: { text: string; read: IncomingRead } | undefined;

/** A measurement, or nothing where it cannot be. */
const measured =
  <A extends unknown[], R>(measure: (...args: A) => R) =>
  (...args: A): R | null => {
    try {
      return measure(...args);
    } catch (e) {
      if (e instanceof MeasureRefused) return null;
      throw e;
    }
  };

/** What the model's worker answers. A plan carries its own ingredients, so nothing else is needed. */
export const modelApi = {
  /** that it lives */
  hello: () => true,
  forecast: (plan: Plan) => forecast(plan),
  coolNow,
  coolInTime: (plan: Plan) => coolInTime(plan) ?? null,
  point: (plan: Plan) => point(plan),
  sharedBy,
  kitchensOf,
  countKitchens,
  about: (plan: Plan, packs: Pack[], endMassG: number) => aboutPlan(plan, packs, endMassG),
  loosen: (plan: Plan, liquidId: string) => loosenAtTable(plan, liquidId) ?? null,
  swap: (plan: Plan, fromId: string, toId: string) => swapThickener(plan, fromId, toId),
  solve: (plan: Plan) => solveStarch(plan),
  /** Amounts for a wish, or what would make it possible. */
  solveFor: (plan: Plan, ask: Ask, system: SpoonSystem) => {
    const answer = solve(plan, ask, system);
    return { answer, help: answer.ok ? [] : whatWouldHelp(plan, ask) };
  },
  /** g of an amount as it is said; null where it is none. */
  spoken: (text: string, thing: Ingredient, system: SpoonSystem) =>
    spokenGrams(text, thing, { system, eggSize: 'eu M' }) ?? null,
  /** A list of what goes in, as it was typed. */
  typedLines: (text: string, rules: Plan['rules'], own: Plan['own'], system: SpoonSystem) =>
    readTyped(text.slice(0, LIMITS.lineLetters * 2), { rules }, pantryWith(own), { system, eggSize: 'eu M' }),
  wish: (text: string, today: string) => readWish(text, pantryWith(), today),
  /** The schools that fit, and the side each is on now. */
  schools: (plan: Plan) =>
    SCHOOLS.filter((s) => s.fits(plan)).map((s) => ({
      id: s.id,
      question: s.question,
      sides: s.sides.map((x) => x.name),
      now: sideNow(s, plan),
    })),
  school: (plan: Plan, id: string) => {
    const school = SCHOOLS.find((s) => s.id === id)!;
    return { ...compareSchool(school, plan), plans: school.sides.map((s) => takeSide(s, plan)) };
  },
  candidates: (plan: Plan, fromId: string) => candidatesFor(plan, fromId),
  /** One thing for another, and what it costs with its amounts brought back and without. */
  instead: (plan: Plan, fromId: string, c: Candidate) => {
    const swapped = swapIngredient(plan, fromId, c);
    return swapped.ok
      ? { ...swapped, costs: costsOf(plan, swapped.plan), costsAsIs: costsOf(plan, swapped.asIs) }
      : swapped;
  },
  tools: (plan: Plan) =>
    TOOL_SWAPS.filter((t) => t.fits(plan)).map(({ id, missing, instead, note }) => ({
      id,
      missing,
      instead,
      note,
    })),
  tool: (plan: Plan, id: string) => {
    const t = TOOL_SWAPS.find((x) => x.id === id)!;
    const next = followSteps(plan, t.apply(plan));
    return { plan: next, costs: costsOf(plan, t.atWorst?.(next) ?? next) };
  },
  dishes: (plan: Plan, endMassG: number, vessels: Vessel[]) => dishSwaps(plan, endMassG, vessels),
  costs: (plan: Plan, other: Plan) => costsOf(plan, other),
  free: (plan: Plan, what: FreeOf) => {
    const freed = makeFree(plan, what);
    const s = freed.ok ? { ...freed, plan: followSteps(plan, freed.plan) } : freed;
    return s.ok ? { ...s, costs: costsOf(plan, s.plan), changes: changesBetween(plan, s.plan) } : s;
  },
  compare: (a: Plan, b: Plan) => {
    const [ta, tb] = [tell(say('plain', { text: a.name }), a), tell(say('plain', { text: b.name }), b)];
    return {
      a: ta,
      b: tb,
      differences: differences(ta, tb),
      changes: changesBetween(a, b),
    };
  },
  startBeside: (kind: BesideStart, id: string, plan: Plan, to?: SyrupEnd) => startBeside(kind, id, plan, to),
  read: (text: string, own: Plan['own'], options: ReadOptions) => readRecipe(text, pantryWith(own), options),
  mend: (line: Line, change: { ingredientId?: string; grams?: number }, own: Plan['own'], options: ReadOptions) =>
    mendLine(line, change, pantryWith(own), options),
  check: (reading: Reading, own: Plan['own'], meta: PlanMeta, accepted: string[]) =>
    checkUp(reading, pantryWith(own), meta, accepted),
  kitchenText,
  /** The book, the log or the curves as CSV. */
  table: (what: 'book' | 'log' | 'curves', texts: Record<string, string>): string => tableOf(what, texts),
  /** What a file would do here; nothing is written. */
  weighImport: (text: string, texts: Record<string, string>, way: ImportWay): ImportAnswer => {
    // a table is read against what is here; a whole kitchen is read once and weighed in several ways
    if (lastRead?.text !== text || isTable(text)) lastRead = { text, read: readIncoming(text, texts) };
    return weighRead(lastRead.read, texts, way);
  },
  learnKitchen: (rows: BatchRow[]) => learnKitchen(rows),
  nextTime: (batch: Batch, learnt: Learnt) => nextTime(batch, learnt),
  spoonOf: measured(spoonOf),
  ringOf: measured(ringOf),
  steamOf: measured(steamOf),
  fridgeOf: measured(fridgeOf),
  thermometerOf: measured(thermometerOf),
  ...dayApi,
  ...potApi,
  ...practiceApi,
  demo: async (nowMs: number, offsetMin: number) => laidFor(await supper(), nowMs, offsetMin),
};
export type ModelApi = typeof modelApi;
