import { useRef } from 'react';
import { View } from 'react-native';
import { MouldOutline } from './MouldOutline';
import { Type } from './Type';
import { t } from '../words';

const HEIGHT = 220;
/** of the drawing's height, from its plate to the top of its mould */
const SPAN = 150;
const STEP = 0.02;
const MOST = 0.92;

/** The pudding on its plate, drawn by dragging its top down to where it stands; by the arrow keys too. */
export function SlumpDial({
  value,
  label,
  onChange,
}: {
  value: number;
  label: string;
  onChange: (slumpRel: number) => void;
}) {
  const from = useRef({ y: 0, value });
  const to = (v: number) => onChange(Math.round(Math.max(0, Math.min(MOST, v)) * 100) / 100);
  const pct = Math.round(100 * value);
  return (
    <View className="items-center gap-1">
      <View
        className="touch-none select-none items-center justify-center"
        style={{ height: HEIGHT, width: 250 }}
        testID="slump"
        onStartShouldSetResponder={() => true}
        onResponderTerminationRequest={() => false}
        onResponderGrant={(e) => {
          from.current = { y: e.nativeEvent.pageY, value };
        }}
        onResponderMove={(e) => to(from.current.value + (e.nativeEvent.pageY - from.current.y) / SPAN)}
        {...({
          role: 'slider',
          tabIndex: 0,
          'aria-label': label,
          'aria-valuemin': 0,
          'aria-valuemax': 100,
          'aria-valuenow': pct,
          'aria-valuetext': t('ui.slumpPct', { pct }),
          onKeyDown: (e: { key: string; preventDefault(): void }) => {
            const by = { ArrowDown: STEP, ArrowUp: -STEP, ArrowRight: STEP, ArrowLeft: -STEP }[e.key];
            if (by === undefined) return;
            e.preventDefault();
            to(value + by);
          },
        } as object)}
      >
        <MouldOutline slumpRel={value} kind="turned out" label="" size={240} />
      </View>
      <Type kind="title">{t('ui.slumpPct', { pct })}</Type>
    </View>
  );
}
