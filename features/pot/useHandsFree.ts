import { useEffect, useEffectEvent } from 'react';
import { listen, type Word } from '../../devices/signals';

const DONE_KEYS = [' ', 'Enter', 'PageDown', 'AudioVolumeUp', 'MediaPlayPause'];
const BUSY = 'input, textarea, button, a, [role=button], [role=radio], [role=checkbox], [role=dialog]';

/** A single key for the one act, and spoken words where the cook turned them on and the browser has them. */
export function useHandsFree({
  done,
  words,
  listens,
  refused,
  busy,
}: {
  done: () => void;
  words: Record<Word, () => void>;
  listens: boolean;
  /** the browser does not let us listen */
  refused: () => void;
  /** a sheet is open: keys are its own */
  busy: boolean;
}) {
  const onKey = useEffectEvent((e: KeyboardEvent) => {
    const at = e.target as HTMLElement | null;
    if (at?.closest(BUSY) || busy || e.ctrlKey || e.metaKey || e.altKey || e.repeat || !DONE_KEYS.includes(e.key))
      return;
    e.preventDefault();
    done();
  });
  useEffect(() => {
    const down = (e: KeyboardEvent) => onKey(e);
    window.addEventListener('keydown', down);
    return () => window.removeEventListener('keydown', down);
  }, []);
  const onWord = useEffectEvent((word: Word) => words[word]());
  const onRefused = useEffectEvent(refused);
  useEffect(
    () =>
      listens
        ? listen(
            (w) => onWord(w),
            () => onRefused(),
          )
        : undefined,
    [listens],
  );
}
