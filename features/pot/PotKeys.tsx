import Ellipsis from 'lucide-react-native/icons/ellipsis';
import Hand from 'lucide-react-native/icons/hand';
import Pause from 'lucide-react-native/icons/pause';
import Play from 'lucide-react-native/icons/play';
import RotateCw from 'lucide-react-native/icons/rotate-cw';
import StepBack from 'lucide-react-native/icons/step-back';
import Undo2 from 'lucide-react-native/icons/undo-2';
import { View } from 'react-native';
import type { Observation } from '../../core/cook/events';
import { Key } from '../../ui/Key';
import { useFormat } from '../shared/App';
import { SEEN } from '../../words/seen';
import type { PotView, UsedCook } from './usePotView';
import { HARM } from './words';
import { t } from '../../words';

/** The keys under the pot: the act of an alarm, the one that ends the step, what may be seen, and the way back. */
export function PotKeys({
  v,
  c,
  calling,
  big,
  left,
  onHush,
  onDone,
  onSee,
  onSaid,
  onPause,
  onMore,
}: {
  v: PotView;
  c: UsedCook;
  /** an alarm that nobody has hushed */
  calling: boolean;
  big: boolean;
  left: boolean;
  onHush: () => void;
  onDone: () => void;
  onSee: (what: Observation) => void;
  /** what a key did, where the step does not say it */
  onSaid: (text: string) => void;
  onPause: () => void;
  onMore: () => void;
}) {
  const fmt = useFormat();
  const { state, step, alarm, setting, resting } = v;
  const side = left ? 'flex-row-reverse' : 'flex-row';
  return (
    <View className="max-h-[42vh] gap-2 overflow-y-auto px-3 wide:max-h-none wide:px-6 flat:max-h-none flat:w-[46%] flat:justify-end flat:px-2">
      <View className="gap-2 wide:flex-row flat:flex-col">
        {alarm && calling ? (
          <View className="flex-row gap-2 wide:flex-1">
            <Key
              kind="harm"
              size="act"
              label={t('potRoom.done', { split: t(HARM[alarm.harm].act).split(',')[0] })}
              onPress={() => {
                c.add({ kind: 'hobSet', setting: alarm.harm === 'catch' ? Math.max(0, setting - 2) : 0 });
                onHush();
              }}
              className="flex-1"
              testID="alarm-act"
            />
            {alarm.asks ? (
              <Key
                size="act"
                label={t(SEEN['still thin'])}
                onPress={() => {
                  onSee('still thin');
                  onHush();
                }}
              />
            ) : (
              <Key size="act" label={t('potRoom.quiet')} spoken={t('potRoom.quietIHaveSeenIt')} onPress={onHush} />
            )}
          </View>
        ) : null}
        <Key
          kind={calling ? 'plain' : 'yolk'}
          size="act"
          testID="step-done"
          label={v.words.done}
          {...(step.ends === 'time' && v.leftS > 0
            ? { sub: t('potRoom.left', { leftS: fmt.countdown(v.leftS) }) }
            : {})}
          onPress={onDone}
          className="wide:min-w-[240px]"
        />
        {step.watch.length && !big && !calling ? (
          <View className={`flex-wrap gap-2 wide:flex-1 ${side}`}>
            {step.watch.slice(0, 3).map((what) => (
              <Key
                key={what}
                size="live"
                label={t(SEEN[what])}
                onPress={() => onSee(what)}
                className="grow basis-[6.1rem]"
              />
            ))}
          </View>
        ) : null}
      </View>
      <View className={`flex-wrap gap-2 pb-2 ${side}`}>
        <Key
          label={t('potRoom.back')}
          icon={StepBack}
          stacked
          disabled={state.stepIndex === 0}
          onPress={() => c.add({ kind: 'steppedBack' })}
          className="grow basis-[3.7rem]"
        />
        <Key
          label={state.paused ? t('potRoom.goOn') : t('potRoom.pause')}
          icon={state.paused ? Play : Pause}
          stacked
          onPress={onPause}
          className="grow basis-[3.7rem]"
        />
        <Key
          label={t('potRoom.undo')}
          icon={Undo2}
          stacked
          disabled={!c.lastUndoable}
          onPress={() => {
            c.undo();
            onSaid(t('potRoom.takenBack'));
          }}
          className="grow basis-[3.7rem]"
        />
        <Key
          label={resting ? t('potRoom.stir2') : t('potRoom.rest')}
          spoken={resting ? t('potRoom.iStirAgain') : t('potRoom.theSpoonRests')}
          icon={resting ? RotateCw : Hand}
          stacked
          disabled={!step.heat}
          onPress={() => {
            c.add({ kind: 'spoon', resting: !resting });
            onSaid(resting ? t('potRoom.iStirAgain') : t('potRoom.theSpoonRests'));
          }}
          className="grow basis-[3.7rem]"
        />
        <Key label={t('potRoom.more3')} icon={Ellipsis} stacked onPress={onMore} className="grow basis-[3.7rem]" />
      </View>
    </View>
  );
}
