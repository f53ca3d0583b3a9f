import { table } from '../coefficients';

/** How a hand that is drawn over the pot stirs: what it wipes of the floor, and how often. */

export const HANDS = table('Hands in the practice pot', {
  sectors: [8, '1', 'A', 'patches of the floor, round about'],
  rings: [2, '1', 'A', 'and from the middle to the edge'],
  middle: [0.5, '1', 'A', 'of the radius: what lies inside it is the middle'],
  fastestS: [1, 's', 'C', 'nobody stirs a spot more often'],
  looksBackS: [8, 's', 'C', 'of the hand, that its pace is told by'],
  half: [0.5, '1', 'C', 'a floor of which less is wiped is not stirred'],
});

/** A place of the hand: x and y from the middle, 1 at the edge; its time, s. */
export type Drawn = { x: number; y: number; s: number };

export type HandPace = {
  /** s between two wipes of the same spot, in the mean over the floor; null is none to speak of */
  everyS: number | null;
  /** what it leaves out */
  misses: 'nothing' | 'the middle' | 'the edge' | 'one side';
};

const patchOf = ({ x, y }: Drawn): number => {
  const ring = Math.hypot(x, y) < HANDS.middle ? 0 : 1;
  const turn = (Math.atan2(y, x) / (2 * Math.PI) + 1) % 1;
  return ring * HANDS.sectors + (Math.floor(turn * HANDS.sectors) % HANDS.sectors);
};

/** Paces that are told apart, s: a hand is not steadier than that. */
const PACES = [1, 1.5, 2, 3, 4, 6, 9, 14, 20, 30];

/**
 * The pace of a hand by the path that it drew of late.
 * @param path in the order of time
 */
export function paceOfHand(path: readonly Drawn[]): HandPace {
  const last = path.at(-1);
  if (!last) return { everyS: null, misses: 'nothing' };
  const late = path.filter((p) => p.s >= last.s - HANDS.looksBackS);
  const spanS = Math.max(0.3, last.s - late[0]!.s);
  const patches = HANDS.sectors * HANDS.rings;
  const wipes = new Array<number>(patches).fill(0);
  let was = -1;
  for (let i = 0; i < late.length; i++) {
    const a = late[i - 1] ?? late[i]!;
    const b = late[i]!;
    // a fast hand is seen in few places: what lies between two counts too
    const steps = Math.max(1, Math.ceil(Math.hypot(b.x - a.x, b.y - a.y) / 0.12));
    for (let k = 1; k <= steps; k++) {
      const at = { x: a.x + ((b.x - a.x) * k) / steps, y: a.y + ((b.y - a.y) * k) / steps, s: b.s };
      const patch = patchOf(at);
      if (patch !== was) wipes[patch]! += 1;
      was = patch;
    }
  }
  const touched = (from: number, to: number) => wipes.slice(from, to).filter((n) => n > 0).length / (to - from);
  const middle = touched(0, HANDS.sectors);
  const edge = touched(HANDS.sectors, patches);
  const whole = touched(0, patches);
  // a patch that was not wiped waits for longer than was looked at
  const everyS = wipes.reduce((sum, n) => sum + (n > 0 ? spanS / n : 2 * spanS), 0) / patches;
  const misses =
    Math.max(middle, edge) < 0.75 ? 'one side' : middle < 0.75 ? 'the middle' : edge < 0.75 ? 'the edge' : 'nothing';
  if (whole < HANDS.half / 2) return { everyS: null, misses };
  const slowed = whole < HANDS.half ? everyS * 1.5 : everyS;
  const pace = PACES.reduce((best, p) =>
    Math.abs(Math.log(p / slowed)) < Math.abs(Math.log(best / slowed)) ? p : best,
  );
  return { everyS: Math.max(HANDS.fastestS, pace), misses };
}
