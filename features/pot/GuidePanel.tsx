import { View } from 'react-native';
import type { Guide } from '../../core/cook/guides';
import type { CookState } from '../../core/cook/fold';
import { stepSeconds } from '../../core/cook/fold';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import type { NewEvent } from '../shared/useCook';

const LAYER = 'second layer';

/** What a step asks beside the spoon: ladles, a mark, water under a bowl, a stir now and then, the oven's moments. */
export function GuidePanel({
  guide,
  state,
  now,
  stirDueS,
  onAdd,
}: {
  guide: Guide;
  state: CookState;
  now: number;
  /** s to the next stir of a covered pot */
  stirDueS: number;
  onAdd: (...events: NewEvent[]) => void;
}) {
  const fmt = useFormat();
  switch (guide.kind) {
    case 'tempering': {
      const { ladled, enough, warmAfter, bowlC, startC } = guide;
      const bowl = ladled === 0 ? startC : bowlC[Math.min(ladled, bowlC.length) - 1]!;
      const next = bowlC[Math.min(ladled, bowlC.length - 1)]!;
      const done = ladled >= enough;
      return (
        <View className="gap-1.5 rounded-plate border-edge border-ink bg-plate p-3" testID="guide-tempering">
          <View className="flex-row items-center justify-between gap-3">
            <View className="min-w-0 flex-1">
              <Type kind="title">
                {done ? 'All back into the pot' : `Ladle ${ladled + 1} of ${enough}, ${fmt.grams(guide.ladleG)}`}
              </Type>
              <Type>
                {done
                  ? `The bowl is at ${fmt.temp(bowl)}. In a thin stream, stirring the pot.`
                  : `Beat while it runs in, ${guide.everyS} s apart. Bowl ${fmt.deg(bowl)}, then ${fmt.temp(next)}.`}
              </Type>
            </View>
            {done ? null : <Key size="live" label="Ladle in" onPress={() => onAdd({ kind: 'ladled' })} />}
          </View>
          {ladled >= warmAfter && !done ? (
            <View className="flex-row items-center justify-between gap-3">
              <Type kind="strong" className="shrink">
                Feel the bowl from outside: it should be warm.
              </Type>
              <Key label="Bowl feels warm" onPress={() => onAdd({ kind: 'observed', what: 'bowl warm' })} />
            </View>
          ) : null}
          {guide.ladleG > guide.safeFirstG && ladled === 0 ? (
            <Notice text={`Only ${fmt.grams(guide.safeFirstG)} at first: more would set the yolk where it lands.`} />
          ) : null}
        </View>
      );
    }
    case 'reduction': {
      const mm = (x: number) => `${Math.round(x)} mm`;
      return (
        <View className="flex-row items-center gap-3" testID="guide-reduction">
          <View className="h-[84px] w-[44px] justify-end overflow-hidden rounded-b-[10px] border-edge border-t-0 border-ink bg-plate">
            <View className="bg-liquid2" style={{ height: `${Math.min(100, (100 * guide.nowMm) / guide.startMm)}%` }} />
            <View
              className="absolute left-0 right-0 border-t-2 border-dashed border-bay"
              style={{ bottom: `${(100 * guide.markMm) / guide.startMm}%` }}
            />
          </View>
          <View className="min-w-0 flex-1">
            <Type kind="title">{`${mm(guide.nowMm)} deep, down to ${mm(guide.markMm)}`}</Type>
            <Type tone="quiet">{`It began at ${mm(guide.startMm)}. Stand a spoon in it, off the heat for a moment, and mark its handle.`}</Type>
          </View>
        </View>
      );
    }
    case 'double boiler':
      return (
        <View className="gap-0.5" testID="guide-bath">
          <Type kind="title">{`Water under it ${fmt.temp(guide.bathC)}`}</Type>
          <Type tone="quiet">
            {`${guide.touching ? 'It touches the water: lift it, or stir more.' : 'The bowl does not touch the water.'} Half of ${fmt.ml(guide.waterG)} is gone in ${Number.isFinite(guide.topUpMin) ? fmt.hours(guide.topUpMin / 60) : 'hours'}: top up with hot. Steam from under the bowl scalds.`}
          </Type>
        </View>
      );
    case 'covered':
      return (
        <View
          className="flex-row items-center justify-between gap-3 rounded-plate border-edge border-ink bg-plate p-3"
          testID="guide-covered"
        >
          <View className="min-w-0 flex-1">
            <Type kind="title" tone={stirDueS <= 0 ? 'scorch' : 'ink'}>
              {stirDueS <= 0 ? `Stir now, ${fmt.countdown(-stirDueS)} over` : `Next stir in ${fmt.countdown(stirDueS)}`}
            </Type>
            <Type tone="quiet">Lid off a moment, floor and corners, lid on.</Type>
          </View>
          <Key size="live" label="Stirred" onPress={() => onAdd({ kind: 'stirred' })} />
        </View>
      );
    case 'oven': {
      const ran = stepSeconds(state, now) / 60;
      const at = guide.centreC.findLast((p) => p.minutes <= ran) ?? guide.centreC[0];
      const layerIn = guide.carriesMin - ran;
      const layered = state.counted[LAYER] === true;
      return (
        <View className="gap-1.5" testID="guide-oven">
          <Type kind="title">{`Middle about ${fmt.temp(at?.centreC ?? 20)}, out in ${fmt.hours(Math.max(0, guide.minutes - ran) / 60)}`}</Type>
          {guide.top && Number.isFinite(guide.carriesMin) ? (
            <View className="flex-row items-center justify-between gap-3">
              <Type className="shrink">
                {layered
                  ? 'The second layer is on.'
                  : layerIn > 0
                    ? `Half set in ${fmt.countdown(layerIn * 60)}: it carries the second layer then.`
                    : 'Half set: the second layer, over the back of a spoon.'}
              </Type>
              {layered ? null : (
                <Key label="Layer is on" onPress={() => onAdd({ kind: 'counted', item: LAYER, out: true })} />
              )}
            </View>
          ) : null}
        </View>
      );
    }
  }
}
