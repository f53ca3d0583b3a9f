import type { Block, Timetable } from './day';
import { DAY } from './table';
import { say, type Said } from '../say';

export const LANES = ['hands', 'hob', 'oven', 'fridge'] as const;
export type Lane = (typeof LANES)[number];

/** What the cook sees as one thing: the pot's steps from the first fire to the dish are one act, and so on. */
export type Act = {
  id: string;
  planId: string;
  dish: string;
  lane: Lane;
  verb: Said;
  says: Said;
  startMs: number;
  endMs: number;
  latestMs: number;
  state: Block['state'];
  pinned: boolean;
  /** it needs the hands, not only a place */
  hands: boolean;
  /** min of it that truly need the spoon, where it has one */
  spoonMin?: number;
  blocks: Block[];
};

function laneOf(b: Block): Lane | undefined {
  if (b.task.kind === 'cook') return 'hob';
  if (b.task.uses.ovens) return 'oven';
  if (b.task.uses.fridge || b.task.kind === 'cold') return b.task.verb.code === 'tasks.keepWarm' ? undefined : 'fridge';
  if (b.task.uses.rings) return 'hob';
  if ((b.task.uses.hands ?? 0) >= DAY.handsBusy) return 'hands';
  return undefined;
}

/** The timetable in acts, by their start. Waits that take no place and no hands are left to the list of Prep. */
export function actsOf(t: Timetable): Act[] {
  const names = new Map(t.serves.map((s) => [s.planId, s.name]));
  const acts: Act[] = [];
  for (const planId of names.keys()) {
    const blocks = t.blocks.filter((b) => b.task.planId === planId);
    const one = (lane: Lane, group: Block[], verb = group[0]!.task.verb, says = group[0]!.task.says): Act => {
      const [first, last] = [group[0]!, group.at(-1)!];
      const spoon = group.reduce((s, b) => s + (b.task.spoonMin ?? 0), 0);
      return {
        id: first.task.id,
        planId,
        dish: names.get(planId)!,
        lane,
        verb,
        says,
        startMs: first.startMs,
        endMs: last.endMs,
        latestMs: first.latestMs,
        state: group.every((b) => b.state === 'done')
          ? 'done'
          : group.some((b) => b.state !== 'to do')
            ? 'running'
            : 'to do',
        pinned: group.some((b) => b.pinned),
        hands: group.some((b) => (b.task.uses.hands ?? 0) > 0),
        ...(spoon > 0 ? { spoonMin: spoon } : {}),
        blocks: group,
      };
    };
    const pot = blocks.filter((b) => b.task.kind === 'cook');
    if (pot.length) {
      const all = Math.round((pot.at(-1)!.endMs - pot[0]!.startMs) / 60_000);
      const spoon = Math.round(pot.reduce((s, b) => s + (b.task.spoonMin ?? 0), 0));
      const rests = pot.some((b) => b.task.lidIsSafe);
      acts.push(
        one(
          'hob',
          pot,
          say('day.cook'),
          say('day.value2', {
            all,
            spoon:
              spoon >= all - 1
                ? say('day.theSpoonHardlyRests')
                : say('day.ofThemWithTheSpoon', { spoon: Math.max(1, spoon) }),
            rest: rests ? say('day.underTheLidItMay') : undefined,
          }),
        ),
      );
    }
    const weigh = blocks.filter((b) => b.task.kind === 'weigh');
    const together: Block[][] = [];
    for (const b of weigh) {
      const before = together.at(-1);
      if (before && b.startMs - before.at(-1)!.endMs < 60_000) before.push(b);
      else together.push([b]);
    }
    for (const group of together) acts.push(one('hands', group));
    for (const b of blocks) {
      if (b.task.kind === 'cook' || b.task.kind === 'weigh') continue;
      const lane = laneOf(b);
      if (lane) acts.push(one(lane, [b]));
    }
  }
  return acts.sort((a, b) => a.startMs - b.startMs || a.endMs - b.endMs);
}

/** The next thing for the hands: the first that is not done. */
export const nextAct = (acts: readonly Act[]): Act | undefined => acts.find((a) => a.hands && a.state === 'to do');
