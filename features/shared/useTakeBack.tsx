import { useCallback, useState, type ReactNode } from 'react';
import { UndoBar } from '../../ui/UndoBar';

type Done = { text: string; undo: () => void };

/** Something that was just done, with the bar that takes it back: `offer` it, and put `bar` where the thumb is. */
export function useTakeBack(): { offer: (text: string, undo: () => void) => void; bar: ReactNode } {
  const [done, setDone] = useState<Done | undefined>();
  const over = useCallback(() => setDone(undefined), []);
  return {
    offer: (text, undo) => setDone({ text, undo }),
    bar: done ? (
      <UndoBar
        key={done.text}
        text={done.text}
        onUndo={() => {
          over();
          done.undo();
        }}
        onGone={over}
      />
    ) : null,
  };
}
