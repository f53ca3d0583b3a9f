import Pause from 'lucide-react-native/icons/pause';
import Play from 'lucide-react-native/icons/play';
import { View } from 'react-native';
import type { Frame } from '../../core/practice/frame';
import { HobOvals } from '../../ui/HobOvals';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import type { Hand } from './HandsSheet';
import { clockOf } from './RunChart';
import type { PracticePot } from './usePracticePot';
import type { Spoon } from './useSpoon';

/** The wet-hand keys: ring, bench, spoon, time. */
export function PracticeFoot({
  p,
  f,
  hand,
  spoon,
  back,
  calls,
  onSheet,
  onFinish,
}: {
  p: PracticePot;
  f: Frame;
  hand: Hand;
  spoon: Spoon;
  back: number;
  /** it is asked when it thickens */
  calls: boolean;
  onSheet: (sheet: 'bench' | 'hands') => void;
  onFinish: () => void;
}) {
  // as it was turned, not as it was last drawn: a quick thumb counts every tap
  const { setting, everyS } = p.hands;
  const stirs = everyS !== null;
  const ring = (by: number) => p.act({ do: 'hob', setting: Math.min(9, Math.max(0, setting + by)) });
  return (
    <View className="gap-2 border-t-rim border-ink bg-field px-3 py-2 flat:w-[300px] flat:overflow-y-auto flat:border-l-rim flat:border-t-0">
      {f.left ? (
        <DishKeys p={p} />
      ) : (
        <>
          <View className="flex-row items-center gap-2">
            <Key
              size="live"
              label="−"
              spoken={t('practice.ringDown')}
              disabled={setting === 0}
              onPress={() => ring(-1)}
            />
            <View className="flex-1">
              <Type kind="smallStrong" className="text-center">
                {t('practice.hob', { setting })}
              </Type>
              <HobOvals now={setting} onSet={(to) => p.act({ do: 'hob', setting: to })} />
            </View>
            <Key size="live" label="+" spoken={t('practice.ringUp')} disabled={setting === 9} onPress={() => ring(1)} />
          </View>
          <View className="flex-row flex-wrap gap-2">
            <Key className="flex-1" label={t('practice.add')} onPress={() => onSheet('bench')} testID="bench" />
            <Key className="flex-1" label={t('practice.hands')} onPress={() => onSheet('hands')} testID="hands" />
            {calls ? (
              <Key
                className="flex-1"
                label={t('practice.thickensNow')}
                onPress={() => p.act({ do: 'call' })}
                testID="call"
              />
            ) : null}
            <Key className="flex-1" label={t('practice.pour')} onPress={() => p.act({ do: 'pour' })} testID="pour" />
          </View>
        </>
      )}
      <View className="flex-row items-stretch justify-center gap-2">
        <View className="w-[84px] gap-2">
          <Key
            size="line"
            label={t('practice.speed', { speed: p.speed })}
            spoken={t('practice.speedSpoken', { speed: p.speed })}
            onPress={p.faster}
            testID="speed"
          />
          <Key
            size="line"
            label={p.running ? t('practice.pause') : t('practice.go')}
            icon={p.running ? Pause : Play}
            bare
            onPress={() => p.play(!p.running)}
            testID="play"
          />
        </View>
        {f.left ? (
          <Key
            kind="yolk"
            size="act"
            className="flex-1"
            label={t('practice.toTheTable')}
            onPress={onFinish}
            testID="finish"
          />
        ) : (
          <View
            role="button"
            aria-label={stirs ? t('practice.letItRest') : t('practice.stir')}
            aria-pressed={stirs}
            testID="stir"
            style={{ touchAction: 'none' } as object}
            className="min-h-[96px] max-w-[420px] flex-1 cursor-pointer select-none items-center justify-center rounded-full border-edge border-onyolk bg-yolk active:opacity-70 flat:min-h-[64px]"
            {...({
              tabIndex: 0,
              onPointerDown: (e: PointerEvent) => {
                (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId);
                spoon.start();
              },
              onPointerUp: spoon.end,
              onPointerCancel: spoon.end,
              onContextMenu: (e: Event) => e.preventDefault(),
              onKeyDown: (e: { key: string; repeat: boolean; preventDefault(): void }) => {
                if (e.key !== 'Enter' && e.key !== ' ') return;
                e.preventDefault();
                if (!e.repeat) spoon.toggle();
              },
            } as object)}
          >
            <Type kind="title" tone="onyolk" className="text-center">
              {stirs ? t('practice.letItRest') : t('practice.holdToStir')}
            </Type>
            <Type kind="small" tone="onyolk">
              {t('practice.everyS', { seconds: hand.everyS })}
            </Type>
          </View>
        )}
        <View className="w-[84px] gap-2">
          <Key
            size="line"
            label={clockOf(back)}
            spoken={t('practice.goBackTo', { at: clockOf(back) })}
            sub={t('practice.back')}
            onPress={() => p.goBack(back)}
            testID="back"
          />
          {f.left ? null : <Key size="line" label={t('practice.finish')} onPress={onFinish} testID="finish" />}
        </View>
      </View>
    </View>
  );
}

const PLACES = ['room', 'fridge', 'ice bath', 'freezer'] as const;
const HOUR_S = 3600;

/** Once it is poured: where it goes, and the hours. */
function DishKeys({ p }: { p: PracticePot }) {
  return (
    <View className="gap-2">
      <View className="flex-row flex-wrap gap-2">
        {PLACES.map((where) => (
          <Key
            key={where}
            className="flex-1"
            label={t(`practice.place.${where}`)}
            onPress={() => p.act({ do: 'stand', where, covered: true })}
          />
        ))}
      </View>
      <View className="flex-row flex-wrap gap-2">
        <Key className="flex-1" label={t('practice.fewerDishes')} onPress={() => dishes(p, -1)} />
        <Key className="flex-1" label={t('practice.moreDishes')} onPress={() => dishes(p, 1)} />
        <Key className="flex-1" label={t('practice.halfHour')} onPress={() => p.pass(HOUR_S / 2)} />
        <Key className="flex-1" label={t('practice.hour')} onPress={() => p.pass(HOUR_S)} testID="hour" />
      </View>
    </View>
  );
}

/** Poured again, into more dishes or fewer. */
function dishes(p: PracticePot, by: number) {
  const pour = p.run.acts.findLast((a) => a.do === 'pour');
  if (pour?.do !== 'pour') return;
  const count = Math.min(60, Math.max(1, (pour.count ?? p.run.plan.dish.count) + by));
  p.redo({ ...p.run, acts: p.run.acts.map((a) => (a === pour ? { ...a, count } : a)) });
}
