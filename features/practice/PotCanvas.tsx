import { useEffect, useRef } from 'react';
import type { Drawn } from '../../core/practice/hands';
import type { Frame } from '../../core/practice/frame';
import { between, drawPot, inksOf, POT_H, POT_W, type Inks } from './drawPot';

/** Frames as they come: the picture is drawn between the last two, so that it moves evenly. */
export type Frames = { a: Frame | undefined; b: Frame | undefined; atMs: number; everyMs: number };

/** Middle of the surface and its size, as shares of the canvas. */
const SURFACE = { x: 195 / POT_W, y: 158 / POT_H, rx: 172 / POT_W, ry: 138 / POT_H };
/** A hand is kept for so long, s. */
const PATH_S = 10;
/** Pictures a second where motion is unwanted: what changes is shown, nothing wanders. */
const STILL_MS = 250;

/**
 * The pot, drawn as often as the screen shows pictures. A thumb on the surface is a spoon: its path is told as it goes, and
 * its end.
 */
export function PotCanvas({
  frames,
  label,
  still,
  onHand,
}: {
  frames: { readonly current: Frames };
  label: string;
  /** no motion of its own */
  still: boolean;
  onHand: (path: readonly Drawn[] | undefined) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const hand = useRef<{ x: number; y: number } | undefined>(undefined);
  const path = useRef<Drawn[]>([]);

  useEffect(() => {
    const element = canvas.current;
    const pen = element?.getContext('2d');
    if (!element || !pen) return undefined;
    let inks: Inks = inksOf(element);
    const watch = new MutationObserver(() => (inks = inksOf(element)));
    watch.observe(document.documentElement, { attributes: true, attributeFilter: ['class'] });
    const forced = matchMedia('(forced-colors: active)');
    const anew = () => (inks = inksOf(element));
    forced.addEventListener('change', anew);
    let going = 0;
    let last = 0;
    const picture = (ms: number) => {
      going = requestAnimationFrame(picture);
      if (still && ms - last < STILL_MS) return;
      last = ms;
      const { a, b, atMs, everyMs } = frames.current;
      if (!b) return;
      const scale = Math.min(2, devicePixelRatio || 1);
      const wide = Math.round(element.clientWidth * scale);
      const high = Math.round((element.clientWidth * POT_H * scale) / POT_W);
      if (element.width !== wide || element.height !== high) {
        element.width = wide;
        element.height = high;
      }
      pen.setTransform(wide / POT_W, 0, 0, wide / POT_W, 0, 0);
      const f = a ? between(a, b, a.tS + ((b.tS - a.tS) * (ms - atMs)) / everyMs) : b;
      drawPot(pen, f, inks, still ? 0 : ms / 1000, hand.current);
    };
    going = requestAnimationFrame(picture);
    return () => {
      cancelAnimationFrame(going);
      watch.disconnect();
      forced.removeEventListener('change', anew);
    };
  }, [frames, still]);

  const at = (e: React.PointerEvent<HTMLCanvasElement>): Drawn => {
    const box = e.currentTarget.getBoundingClientRect();
    return {
      x: ((e.clientX - box.left) / box.width - SURFACE.x) / SURFACE.rx,
      y: ((e.clientY - box.top) / box.height - SURFACE.y) / SURFACE.ry,
      s: e.timeStamp / 1000,
    };
  };
  const move = (e: React.PointerEvent<HTMLCanvasElement>) => {
    if (!hand.current) return;
    const p = at(e);
    const far = Math.hypot(p.x, p.y);
    const on = far > 1 ? { ...p, x: p.x / far, y: p.y / far } : p;
    hand.current = on;
    path.current = [...path.current.filter((d) => d.s > on.s - PATH_S), on];
    onHand(path.current);
  };
  const end = () => {
    if (!hand.current) return;
    hand.current = undefined;
    path.current = [];
    onHand(undefined);
  };
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      data-testid="practice-pot"
      style={{ width: '100%', aspectRatio: `${POT_W} / ${POT_H}`, touchAction: 'none', display: 'block' }}
      onPointerDown={(e) => {
        const p = at(e);
        // beside the surface it is no stirring
        if (Math.hypot(p.x, p.y) > 1.05) return;
        e.currentTarget.setPointerCapture(e.pointerId);
        hand.current = p;
        path.current = [p];
        onHand(path.current);
      }}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
    />
  );
}
