import { Pressable, View } from 'react-native';
import Svg, { Ellipse, Path } from 'react-native-svg';
import { alarmOf } from '../../core/cook/alarm';
import type { Cook } from '../../core/cook/events';
import { stepSeconds } from '../../core/cook/fold';
import { colour } from '../../ui/colours';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { useCook } from '../shared/useCook';
import type { Ways } from '../../devices/signals';
import { useAlarm } from './useCalls';
import { useLive } from './useLive';
import { stepNext } from '../../words/potSteps';
import { callOf } from './words';
import { t } from '../../words';

/** Another pot that is on: its step and what is left of it, its alarm too; a tap goes there. */
export function OtherPot({ cook, now, ways, onGo }: { cook: Cook; now: number; ways: Ways; onGo: () => void }) {
  const fmt = useFormat();
  const c = useCook(cook.id, undefined);
  const state = c.state;
  const step = state && c.steps[state.stepIndex];
  const live = useLive(c.cook, c.steps, state?.stepIndex ?? 0, c.forecast !== undefined && state?.stage === 'cooking');
  const alarm = live ? alarmOf(live.live.margins) : undefined;
  useAlarm(alarm, ways, cook.plan.name);
  if (!state || state.stage !== 'cooking' || !step) return null;
  const ran = stepSeconds(state, now);
  const cueInS = live?.stepIndex === state.stepIndex ? live.live.cueInS : NaN;
  const left =
    step.ends === 'cue' && live && Number.isFinite(cueInS) ? cueInS - (now - live.atMs) / 1000 : step.seconds - ran;
  const used = Math.max(0.02, Math.min(0.98, ran / Math.max(1, ran + Math.max(0, left))));
  const end = { x: 24 + 21 * Math.sin(used * 2 * Math.PI), y: 16 - 13 * Math.cos(used * 2 * Math.PI) };
  const says = alarm
    ? `${callOf(alarm).call}: ${callOf(alarm).act}`
    : step.ends === 'done'
      ? stepNext(step)
      : `${stepNext(step)}, ${left > 0 ? fmt.countdown(left) : 'due'}`;
  return (
    <Pressable
      role="button"
      aria-label={t('potRoom.to2', { cookName: cook.plan.name, says })}
      testID="other-pot"
      onPress={onGo}
      className="min-h-[56px] flex-row items-center gap-3 border-b-hair border-line bg-plate px-3 py-1 wide:px-6"
    >
      <Svg width={48} height={32} viewBox="0 0 48 32" aria-hidden>
        <Ellipse cx={24} cy={16} rx={21} ry={13} fill={colour.liquid} stroke={colour.sunk} strokeWidth={5} />
        <Path
          d={`M24 3 A21 13 0 ${used > 0.5 ? 1 : 0} 1 ${end.x} ${end.y}`}
          fill="none"
          stroke={alarm ? colour.scorch : colour.bay}
          strokeWidth={5}
        />
      </Svg>
      <View className="min-w-0 flex-1">
        <Type kind="strong">{cook.plan.name}</Type>
        <Type kind="small" tone={alarm ? 'scorch' : 'quiet'}>
          {says}
        </Type>
      </View>
      <Type kind="strong">{t('potRoom.goThere')}</Type>
    </Pressable>
  );
}
