import { potPartsOf } from '../plan/layout';
import { stepsOf, type Step } from '../cook/steps';
import type { Forecast } from '../model/forecast';
import { SPREAD } from '../model/spread';
import { methodOf } from '../plan/family';
import { BESIDE_USES, purposeOf, type RestStep } from '../plan/method';
import type { Plan } from '../plan/plan';
import type { PrepItem } from '../prep/items';
import { prepOf } from '../prep/prep';
import { fridgeCm2 } from '../prep/vessels';
import { say, type Said } from '../say';
import { breaksCoolingRule, coolingRuleSaid } from '../set/safety';
import type { Machine } from '../settings';
import { besideOf, SIDE, type SideAnswer } from '../sides/sides';
import { DAY } from './table';
import type { Activity, Point, Relation, Uses } from './scheduler';

type TaskKind = 'ready' | 'long' | 'wait' | 'weigh' | 'side' | 'cook' | 'pour' | 'bake' | 'rest' | 'cold' | 'finish';

export type Task = Omit<Activity, 'start' | 'end'> & {
  planId: string;
  kind: TaskKind;
  /** what is written on its block */
  verb: Said;
  /** one line more */
  says: Said;
  /** min it takes on average; `minutes` is the safe figure that the day is planned with */
  expected: number;
  /** min that truly need the spoon, and whether it may rest under a lid in between */
  spoonMin?: number;
  lidIsSafe?: boolean;
  /** of the pot's steps: which */
  step?: string;
};

export type DishWork = {
  planId: string;
  name: string;
  tasks: Task[];
  relations: Relation[];
  warm: boolean;
  /** min from pouring to serving: as the plan has it, the least that sets and cools it, the most */
  wait: { planned: number; least: number; most: number };
  /** the part of it that lies in the fridge may be stretched; which task that is */
  /** what is not safe or not sure about its hours, in words */
  cautions: Said[];
  coldId: string;
  finishId: string;
  pourId: string;
};

type WorkFrom = { plan: Plan; forecast: Forecast };

const start = (id: string): Point => ({ id, at: 'start' });
const end = (id: string): Point => ({ id, at: 'end' });
export const follows = (before: string, after: string, minutes = 0): Relation => ({
  from: end(before),
  to: start(after),
  minutes,
});
/** `after` starts at most so many minutes after `before` ends. */
export const within = (before: string, after: string, minutes: number): Relation => ({
  from: start(after),
  to: end(before),
  minutes: -minutes,
});

const up = (minutes: number) => Math.max(1, Math.ceil(minutes - 1e-6));
const safe = (minutes: number, sdRel: number) => up(minutes * (1 + DAY.sure * sdRel));

/** Hands that a step takes, and the minutes of it that truly need the spoon. */
export function spoonOf(step: Pick<Step, 'stirEveryS' | 'seconds'>): { hands: number; spoonMin: number } {
  const minutes = step.seconds / 60;
  if (step.stirEveryS === undefined) return { hands: 0, spoonMin: 0 };
  if (step.stirEveryS <= DAY.constantS) return { hands: DAY.handsFull, spoonMin: minutes };
  return { hands: DAY.handsVisit, spoonMin: minutes * Math.min(1, DAY.wipeS / step.stirEveryS) };
}

/** Hands and rings that what is made beside the pot takes. */
function besideUse({ kind, stirEveryS = Infinity }: SideAnswer): Uses {
  switch (kind) {
    case 'infusion':
      return {};
    case 'purée':
      return { hands: DAY.handsBusy };
    case 'toasting':
    case 'fried coconut':
      return { hands: DAY.handsFull, rings: 1 };
    case 'pot':
      return { hands: stirEveryS <= DAY.constantS ? DAY.handsFull : DAY.handsVisit, rings: 1 };
  }
}

/** What a waiting prep item keeps busy, and how long it may stand when it is done. */
function waitOf(item: PrepItem): { uses: Uses; longest?: number } {
  if (item.id === 'preheat') return { uses: { ovens: 1 }, longest: DAY.hotOvenMax };
  if (item.id === 'double-boiler') return { uses: { rings: 1 }, longest: 5 };
  if (item.id === 'chill-moulds') return { uses: {}, longest: 600 };
  return { uses: {}, longest: DAY.soakedMax };
}

/** Puts tasks and what must come before what on one list. */
function workBook({ plan, forecast: f }: WorkFrom, machines: readonly Machine[]) {
  const id = (key: string) => `${plan.id}:${key}`;
  const tasks: Task[] = [];
  const relations: Relation[] = [];
  const put = (
    key: string,
    kind: TaskKind,
    verb: Said,
    says: Said,
    expected: number,
    uses: Uses,
    more: Partial<Task> = {},
  ): string => {
    tasks.push({
      id: id(key),
      planId: plan.id,
      kind,
      verb,
      says,
      expected,
      minutes: safe(expected, kind === 'wait' || kind === 'rest' ? 0 : DAY.handsSd),
      uses,
      weight: 1,
      ...more,
    });
    return id(key);
  };
  const steps = stepsOf(plan, f);
  const warm = plan.serve.tempC >= DAY.warmFrom;
  return {
    ...{ plan, f, id, tasks, relations, put, steps, warm },
    prep: prepOf(plan, machines).filter((i) => !i.advice),
    baked: steps.find((s) => s.role === 'bake'),
    wait: waitOfDish(plan, f, warm),
  };
}
type WorkBook = ReturnType<typeof workBook>;

/** The pot: one stretch without a gap, from the first fire to the dish. @returns its first task */
function potWork({ plan, steps, put, relations }: WorkBook): string {
  const chain: string[] = [];
  const pour = steps.findLast((s) => s.role === 'pour');
  const pourTask = (seconds: number) =>
    put(
      'pour',
      'pour',
      say('tasks.pour'),
      say('tasks.mlEven', { count: plan.dish.count, capacityMl: plan.dish.capacityMl }),
      (seconds + DAY.fillS * plan.dish.count) / 60,
      { hands: DAY.handsFull },
      { ...(pour ? { step: pour.id } : {}), weight: 3 },
    );
  for (const s of steps) {
    if (s.heat) {
      const { hands, spoonMin } = spoonOf(s);
      const mean = s.seconds / 60;
      chain.push(
        put(
          `pot-${s.id}`,
          'cook',
          s.name ? say('plain', { text: s.name }) : say(`role.${s.role}`),
          spoonSays(mean, spoonMin, s),
          mean,
          { hands, ...(s.setting ? { rings: 1 } : {}) },
          {
            minutes: s.ends === 'time' || s.role === 'off the heat' ? up(mean) : safe(mean, SPREAD.hob),
            spoonMin,
            lidIsSafe: s.heat.lid !== 'off' || (s.stirEveryS ?? 0) >= 60,
            step: s.id,
            weight: 3,
          },
        ),
      );
    } else if (s === pour) chain.push(pourTask(s.seconds));
  }
  // a method that does not pour: out of the pot it goes all the same
  if (!pour) chain.push(pourTask(0));
  chain.forEach((task, i) => {
    const next = chain[i + 1];
    if (next) relations.push(follows(task, next), within(task, next, 0));
  });
  return chain[0]!;
}

/** Weighed, beaten, made ready, soaked: before the fire. */
function workBefore({ steps, put, relations, prep, baked, id }: WorkBook, lit: string): void {
  const pour = id('pour');
  const weigh = put(
    'weigh',
    'weigh',
    say('tasks.weigh'),
    steps.some((s) => s.role === 'slurry') ? say('tasks.everythingInGramsTheSlurry') : say('tasks.everythingInGrams'),
    steps.filter((s) => s.role === 'weigh' || s.role === 'slurry').reduce((m, s) => m + s.seconds / 60, 0),
    { hands: DAY.handsBusy },
    { step: 'weigh' },
  );
  relations.push(follows(weigh, lit), within(weigh, lit, DAY.weighedMax));
  const beat = steps.find((s) => s.role === 'beat the egg');
  if (beat) {
    const beaten = put(
      'beat',
      'weigh',
      say('tasks.beatEgg'),
      say('tasks.paleNoStreakOfWhite'),
      beat.seconds / 60,
      { hands: DAY.handsBusy },
      { step: beat.id },
    );
    relations.push(follows(weigh, beaten), follows(beaten, lit), within(beaten, lit, DAY.beatenMax));
  }
  const short = prep.filter((i) => i.waitMin === undefined && i.id !== 'whip-whites' && !i.id.startsWith('peel-'));
  const ready = put(
    'ready',
    'ready',
    say('tasks.ready'),
    say('tasks.shortThingsSeePrep', { length: short.length }),
    short.reduce((m, i) => m + i.handsMin, 0),
    { hands: DAY.handsBusy },
    { weight: 0.5 },
  );
  relations.push(follows(ready, weigh));
  for (const item of prep) {
    if (item.waitMin !== undefined) {
      const hands = put(
        item.id,
        'long',
        verbOf(item),
        item.title,
        item.handsMin,
        { hands: DAY.handsBusy },
        { weight: 0.5 },
      );
      const { uses, longest } = waitOf(item);
      const wait = put(`${item.id}-wait`, 'wait', verbOf(item), item.title, item.waitMin, uses, {
        minutes: up(item.waitMin),
        weight: 0.5,
      });
      relations.push(follows(hands, wait), within(hands, wait, 0));
      // what is soaked is ground or blended among the short things
      const then = { bake: id('bake'), pour, cook: lit, weigh: ready, serve: ready }[item.before];
      if (item.before !== 'bake' || baked) relations.push(follows(wait, then));
      if (longest !== undefined) relations.push(within(wait, then, longest));
    } else if (item.id === 'whip-whites') {
      const whip = put('whip', 'weigh', say('tasks.whipWhites'), item.how, item.handsMin, { hands: DAY.handsBusy });
      // it is done before the fire, and a cooked base waits for it no longer than it stands
      relations.push(follows(whip, lit), within(whip, lit, DAY.whippedMax));
    }
  }
}

/** From the dish to the table: oven, rests, the cold, and what is done last. */
function workAfter({ plan, put, relations, baked, warm, wait, id }: WorkBook) {
  const rests = methodOf(plan).filter((s): s is RestStep => s.do === 'rest' && s.minutes > 0);
  const pour = id('pour');
  let last = pour;
  let bakeMin = 0;
  if (baked) {
    bakeMin = safe(baked.seconds / 60, 0.15);
    const oven = put(
      'bake',
      'bake',
      say('tasks.bake'),
      say('tasks.untilTheMiddleTrembles'),
      baked.seconds / 60,
      { ovens: 1 },
      { minutes: bakeMin, step: 'bake' },
    );
    relations.push(follows(pour, oven), within(pour, oven, 8));
    last = oven;
  }
  const fixed = warm ? [] : rests.slice(0, -1);
  for (const [i, r] of fixed.entries()) {
    const task = put(
      `rest-${i}`,
      'rest',
      say(`tasks.where.${r.where}`),
      say(`tasks.in.${r.where}`),
      r.minutes,
      r.where === 'fridge' ? { fridge: fridgeCm2(plan.dish) } : {},
      {
        minutes: up(r.minutes),
        weight: 0,
      },
    );
    relations.push(follows(last, task), within(last, task, 0));
    last = task;
  }
  const restS = fixed.reduce((m, r) => m + up(r.minutes), 0);
  const tail = warm ? 'room' : (rests.at(-1)?.where ?? 'room');
  const coldLeast = Math.max(1, wait.planned - restS);
  const cold = put(
    'cold',
    'cold',
    warm ? say('tasks.keepWarm') : say('tasks.set'),
    warm ? say('tasks.lidOnLoosenedWithA') : say(`tasks.in.${tail}`),
    coldLeast,
    tail === 'fridge' ? { fridge: fridgeCm2(plan.dish) } : {},
    { minutes: warm ? 0 : coldLeast, upTo: Math.max(coldLeast, wait.most - restS), weight: 0 },
  );
  relations.push(follows(last, cold), within(last, cold, 0));
  const style = plan.serve.style;
  const finish = put(
    'finish',
    'finish',
    style === 'turned out' ? say('tasks.turnOut') : style === 'cut' ? say('tasks.cut') : say('tasks.setOut'),
    style === 'turned out'
      ? say('tasks.edgeFreePlateOnTop')
      : style === 'cut'
        ? say('tasks.aHotWetKnifeWiped')
        : say('tasks.spoonsWhatGoesOnTop'),
    1 +
      (style === 'turned out'
        ? DAY.turnOutMin * plan.dish.count
        : style === 'cut'
          ? 2 + DAY.cutMin * plan.people
          : DAY.spoonMin * plan.people),
    { hands: DAY.handsBusy },
    { weight: 2 },
  );
  relations.push(follows(cold, finish), within(cold, finish, 0));
  return { cold, finish };
}

/** mm over the dish from which it is a layer and no film (C) */
const FILM_MM = SIDE.filmMm;

/** What is made beside the pot. */
function workBeside({ plan, steps, put, relations, prep, warm, wait, id }: WorkBook, finish: string): void {
  const pour = id('pour');
  const lit = steps.find((s) => s.heat);
  const poured = (vesselId: string) =>
    potPartsOf(plan).filter((p) => p.vesselId === vesselId && !BESIDE_USES.includes(purposeOf(p.in)));
  for (const a of besideOf(plan)) {
    if (a.kind === 'infusion') continue;
    const peel = prep.filter((i) => i.id === `peel-${a.id}` || i.id.startsWith(`peel-${a.id}-`));
    const uses = besideUse(a);
    const pot = put(`side-${a.id}`, 'side', a.name, a.does.at(-1)!, a.minutes, uses, {
      minutes: safe(a.minutes, 1 / 3),
      spoonMin: uses.hands === DAY.handsFull ? a.minutes : a.minutes * 0.1,
    });
    for (const item of peel) {
      const peeled = put(item.id, 'long', item.title, item.how, item.handsMin, { hands: DAY.handsBusy });
      relations.push(follows(peeled, pot), within(peeled, pot, 120));
    }
    const into = poured(a.id);
    // what the pot begins with is there before it is lit
    if (into.length) relations.push(follows(pot, lit && into.some((p) => p.in === 'pot') ? id(`pot-${lit.id}`) : pour));
    else if (a.overMm !== undefined) {
      // on what holds already, and with time to set itself
      const some = Math.min(wait.least, wait.planned);
      relations.push(
        follows(pour, pot, Math.round(some * (a.overMm < FILM_MM ? 0.6 : 0.25))),
        follows(pot, finish, Math.round(some * 0.3)),
      );
    } else relations.push(follows(pot, finish, warm || a.kind === 'toasting' ? 5 : DAY.sideCoolMin));
  }
}

/** Portions that go into the oven by themselves. */
function workOfPortions({ plan, f, put, relations, id }: WorkBook, finish: string): void {
  plan.portions.forEach((part, i) => {
    const minutes = f.portions[i]?.bakeMin;
    if (minutes === undefined) return;
    const oven = put(
      `bake-${part.id}`,
      'bake',
      say('tasks.bake'),
      say('plain', { text: part.name }),
      minutes,
      { ovens: 1 },
      { minutes: safe(minutes, 0.15) },
    );
    relations.push(follows(id('pour'), oven), follows(oven, finish));
  });
}

/**
 * The work of one dish: tasks with the model's minutes, and what must come before what. Minutes are whole and safe;
 * nothing here knows the hour.
 */
export function workOf(from: WorkFrom, machines: readonly Machine[] = []): DishWork {
  const book = workBook(from, machines);
  const { plan, f, tasks, relations, warm, wait, id } = book;
  const lit = potWork(book);
  workBefore(book, lit);
  const { cold, finish } = workAfter(book);
  workBeside(book, finish);
  workOfPortions(book, finish);
  return {
    planId: plan.id,
    name: plan.name,
    tasks,
    relations,
    warm,
    wait,
    cautions: cautionsOf(plan, f, warm),
    coldId: cold,
    finishId: finish,
    pourId: id('pour'),
  };
}

/** min from pouring to serving, oven apart. */
function waitOfDish(plan: Plan, f: Forecast, warm: boolean): DishWork['wait'] {
  if (warm) return { planned: 0, least: 0, most: DAY.warmMax };
  const planned = up(plan.rest.hours * 60);
  const never = plan.rest.hours;
  const cold = f.set.find((p) => p.hours > 0.2 && p.coreC <= plan.serve.tempC + DAY.nearK);
  const modelH = Math.max(Number.isNaN(f.readyH) ? never : f.readyH, cold?.hours ?? never);
  const frozenH = plan.family === 'frozen cream' && !Number.isNaN(f.frozenH) ? f.frozenH : 0;
  const least = safe(Math.max(modelH, frozenH) * 60, DAY.coolingSd);
  return {
    planned,
    least: Math.min(planned, least),
    most: Math.min(planned + DAY.mostMoreH * 60, Math.max(planned, f.keeping.days * 24 * 60)),
  };
}

/** Food-safety limits and forecasts that the hours of a day cannot mend. */
function cautionsOf(plan: Plan, f: Forecast, warm: boolean): Said[] {
  const dish = plan.name;
  return [
    ...(!warm && breaksCoolingRule(f.cool)
      ? [say('dayCaution.slow', { dish, rule: coolingRuleSaid(plan.rest.rule ?? 'two stages') })]
      : []),
    ...(!warm && plan.rest.roomMin > DAY.roomMax ? [say('dayCaution.room', { dish, roomMin: plan.rest.roomMin })] : []),
    ...(warm ? [say('dayCaution.warm', { dish, warmC: DAY.warmC })] : []),
    ...(!warm && Number.isNaN(f.readyH) ? [say('dayCaution.notSet', { dish })] : []),
  ];
}

/** The same work with a shorter wait, or a longer one for what is kept warm. */
export function withWait(work: DishWork, wait: 'planned' | 'least' | 'kept warm'): DishWork {
  if (wait === 'planned') return work;
  return {
    ...work,
    tasks: work.tasks.map((t) => {
      if (t.id !== work.coldId) return t;
      if (wait === 'kept warm') return work.warm ? { ...t, upTo: DAY.keptWarmMax } : t;
      return work.warm ? t : { ...t, minutes: Math.max(1, t.minutes - (work.wait.planned - work.wait.least)) };
    }),
  };
}

/** What is done, by the first word of what the item is called. */
const verbOf = (item: PrepItem): Said => say(`tasks.verb.${item.id.split('-')[0]!}`);

function spoonSays(mean: number, spoonMin: number, s: Step): Said {
  const all = Math.max(1, Math.round(mean));
  if (s.stirEveryS === undefined) return say('tasks.noSpoon', { all });
  if (spoonMin >= mean * 0.9) return say('tasks.theSpoonNeverRests', { all });
  const spoon = Math.max(1, Math.round(spoonMin));
  return say('tasks.ofThemWithTheSpoon', {
    all,
    spoon,
    between: s.heat?.lid !== 'off' ? say('tasks.lidOnInBetween') : undefined,
  });
}
