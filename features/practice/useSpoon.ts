import { useRef, useState } from 'react';
import { paceOfHand, type Drawn, type HandPace } from '../../core/practice/hands';
import type { Hand } from './HandsSheet';
import type { PracticePot } from './usePracticePot';

/** A shorter press keeps the spoon going, or lets it rest; a longer one stirs while it is held. */
const TAP_MS = 260;
/** The pace of a drawn hand is told this often. */
const HAND_EVERY_MS = 400;

export type Spoon = ReturnType<typeof useSpoon>;

/** The spoon by thumb: drawn on the pot, held on its key, or left going. Whether it goes is told by the run alone. */
export function useSpoon(p: PracticePot, hand: Hand) {
  const [drawn, setDrawn] = useState<HandPace | undefined>();
  const last = useRef({ everyS: undefined as number | null | undefined, ms: 0, went: false });
  const pressed = useRef({ ms: 0, went: false });
  const goes = p.hands.everyS !== null;
  const stir = (everyS: number | null) => p.act({ do: 'stir', everyS, tool: hand.tool });
  return {
    drawn,
    start: () => {
      pressed.current = { ms: performance.now(), went: goes };
      if (!goes) stir(hand.everyS);
    },
    end: () => {
      const tap = performance.now() - pressed.current.ms < TAP_MS;
      // a tap leaves it going, a second one lets it rest; what was held rests when it is let go
      if (!tap || pressed.current.went) stir(null);
    },
    /** for keys: on and off */
    toggle: () => stir(goes ? null : hand.everyS),
    draw: (path: readonly Drawn[] | undefined) => {
      const ms = performance.now();
      if (!path) {
        const { went } = last.current;
        last.current = { everyS: undefined, ms: 0, went: false };
        setDrawn(undefined);
        stir(went ? hand.everyS : null);
        return;
      }
      if (last.current.ms === 0) last.current.went = goes;
      if (ms - last.current.ms < HAND_EVERY_MS) return;
      const pace = paceOfHand(path);
      last.current.ms = ms;
      setDrawn(pace);
      if (pace.everyS === last.current.everyS) return;
      last.current.everyS = pace.everyS;
      stir(pace.everyS);
    },
  };
}
