import { useEffect } from 'react';
import { View } from 'react-native';
import { Key } from './Key';
import { Type } from './Type';
import { t } from '../words';

/** What was just done, with six seconds to take it back. */
export function UndoBar({ text, onUndo, onGone }: { text: string; onUndo: () => void; onGone: () => void }) {
  useEffect(() => {
    const timer = setTimeout(onGone, 6000);
    return () => clearTimeout(timer);
  }, [onGone]);
  return (
    <View
      role="status"
      className="flex-row items-center justify-between gap-3 border-t-rim border-ink bg-field px-4 py-2"
    >
      <Type kind="strong" className="shrink">
        {text}
      </Type>
      <Key label={t('ui.undo')} onPress={onUndo} />
    </View>
  );
}
