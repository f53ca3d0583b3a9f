import type { Frame } from '../../core/practice/frame';
import { between, drawPot, POT_H, POT_W, type Inks, type Pen } from './drawPot';

/** What a painter is told, as it changes; what is not told stays as it was. */
export type Told = {
  /** the canvas, handed over with the first word */
  canvas?: OffscreenCanvas;
  /** the pot as it is now, and how long the picture takes to get there, ms */
  frame?: Frame;
  everyMs?: number;
  inks?: Inks;
  /** pixels across */
  wide?: number;
  /** no motion of its own */
  still?: boolean;
  /** where a thumb is on the surface, 1 at its edge; null where there is none */
  hand?: { x: number; y: number } | null;
};

/** Pictures where motion is unwanted, ms: what changes is shown, nothing wanders. */
const STILL_MS = 250;

/** Something in its picture moves though its figures do not. */
const wanders = (f: Frame) => f.boil > 0 || f.rim > 0 || f.foam > 0 || f.everyS !== null;

/**
 * Draws the pot as often as the screen shows pictures, between the last two frames, so that it moves evenly.
 * @param next calls back with the next picture's time, as a page's and a worker's own does
 */
export function painter(next: (picture: (ms: number) => void) => number, stop: (id: number) => void) {
  let canvas: { width: number; height: number } | undefined;
  let pen: Pen | undefined;
  let frames: { a: Frame | undefined; b: Frame; atMs: number } | undefined;
  const now: Required<Pick<Told, 'everyMs' | 'wide' | 'still' | 'hand'>> & { inks: Inks | undefined } = {
    everyMs: 100,
    wide: 0,
    still: false,
    hand: null,
    inks: undefined,
  };
  /** a frame that came, and is drawn from the next picture on */
  let came: Frame | undefined;
  let last = -Infinity;
  /** the last picture shows all that there is, and nothing in it wanders */
  let shown = false;
  const picture = (ms: number) => {
    going = next(picture);
    if (came) {
      const was = frames?.b;
      // back in time it jumps
      frames = { a: was && was.tS <= came.tS ? was : undefined, b: came, atMs: ms };
      came = undefined;
      shown = false;
    }
    if (!canvas || !pen || !frames || !now.inks || !now.wide || shown || (now.still && ms - last < STILL_MS)) return;
    last = ms;
    const high = Math.round((now.wide * POT_H) / POT_W);
    if (canvas.width !== now.wide || canvas.height !== high) {
      canvas.width = now.wide;
      canvas.height = high;
    }
    const { a, b, atMs } = frames;
    pen.setTransform(now.wide / POT_W, 0, 0, now.wide / POT_W, 0, 0);
    const share = a ? (ms - atMs) / now.everyMs : 1;
    const f = a ? between(a, b, a.tS + (b.tS - a.tS) * share) : b;
    drawPot(pen, f, now.inks, now.still ? 0 : ms / 1000, now.hand ?? undefined);
    shown = share >= 1 && (now.still || !wanders(b));
  };
  let going = next(picture);
  return {
    /** @throws Error where this canvas cannot be drawn on */
    on(surface: { width: number; height: number; getContext(kind: '2d'): Pen | null }) {
      const got = surface.getContext('2d');
      if (!got) throw new Error('no 2d context');
      canvas = surface;
      pen = got;
    },
    tell({ canvas: _, frame, ...rest }: Told) {
      if (frame) came = frame;
      Object.assign(now, rest);
      shown = false;
    },
    end: () => stop(going),
  };
}
