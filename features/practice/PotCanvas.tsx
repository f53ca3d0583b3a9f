import { useEffect, useRef } from 'react';
import type { Drawn } from '../../core/practice/hands';
import { inksOf, POT_H, POT_W } from './drawPot';
import type { Frames } from './frames';
import { hirePainter } from './hirePainter';
import type { Told } from './painter';

/** Middle of the surface and its size, as shares of the canvas. */
const SURFACE = { x: 195 / POT_W, y: 158 / POT_H, rx: 172 / POT_W, ry: 138 / POT_H };
/** A hand is kept for so long, s. */
const PATH_S = 10;
/** More pixels than this for each of the page's are not seen. */
const FINEST = 2;

/** The pot, drawn by its painter. A thumb on the surface is a spoon: its path is told as it goes, and its end. */
export function PotCanvas({
  frames,
  label,
  still,
  onHand,
}: {
  frames: Frames;
  label: string;
  /** no motion of its own */
  still: boolean;
  onHand: (path: readonly Drawn[] | undefined) => void;
}) {
  const place = useRef<HTMLDivElement>(null);
  const tell = useRef<(told: Told) => void>(() => undefined);
  const hand = useRef(false);
  const path = useRef<Drawn[]>([]);

  useEffect(() => {
    const element = place.current!;
    const painter = hirePainter(element);
    tell.current = painter.tell;
    const inks = () => painter.tell({ inks: inksOf(element) });
    inks();
    const theme = new MutationObserver(inks);
    theme.observe(document.documentElement, { attributes: true, attributeFilter: ['class'] });
    const forced = matchMedia('(forced-colors: active)');
    forced.addEventListener('change', inks);
    const size = new ResizeObserver(() =>
      painter.tell({ wide: Math.round(element.clientWidth * Math.min(FINEST, devicePixelRatio || 1)) }),
    );
    size.observe(element);
    const stop = frames.listen(painter.tell);
    return () => {
      stop();
      size.disconnect();
      theme.disconnect();
      forced.removeEventListener('change', inks);
      painter.end();
    };
  }, [frames]);
  useEffect(() => tell.current({ still }), [still]);

  const at = (e: React.PointerEvent<HTMLDivElement>): Drawn => {
    const box = e.currentTarget.getBoundingClientRect();
    return {
      x: ((e.clientX - box.left) / box.width - SURFACE.x) / SURFACE.rx,
      y: ((e.clientY - box.top) / box.height - SURFACE.y) / SURFACE.ry,
      s: e.timeStamp / 1000,
    };
  };
  const move = (e: React.PointerEvent<HTMLDivElement>) => {
    if (!hand.current) return;
    const p = at(e);
    const far = Math.hypot(p.x, p.y);
    const on = far > 1 ? { ...p, x: p.x / far, y: p.y / far } : p;
    tell.current({ hand: on });
    path.current = [...path.current.filter((d) => d.s > on.s - PATH_S), on];
    onHand(path.current);
  };
  const end = () => {
    if (!hand.current) return;
    hand.current = false;
    tell.current({ hand: null });
    path.current = [];
    onHand(undefined);
  };
  return (
    <div
      ref={place}
      role="img"
      aria-label={label}
      data-testid="practice-pot"
      style={{ width: '100%', aspectRatio: `${POT_W} / ${POT_H}`, touchAction: 'none' }}
      onPointerDown={(e) => {
        const p = at(e);
        // beside the surface it is no stirring
        if (Math.hypot(p.x, p.y) > 1.05) return;
        e.currentTarget.setPointerCapture(e.pointerId);
        hand.current = true;
        tell.current({ hand: p });
        path.current = [p];
        onHand(path.current);
      }}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
    />
  );
}
