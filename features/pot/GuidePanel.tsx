import { View } from 'react-native';
import type { Guide } from '../../core/cook/guides';
import type { CookState } from '../../core/cook/fold';
import { stepSeconds } from '../../core/cook/fold';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import type { NewEvent } from '../shared/useCook';
import { t } from '../../words';

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
                {done
                  ? t('potRoom.allBackIntoThePot')
                  : t('potRoom.ladleOf', { ladled: ladled + 1, enough, ladleG: fmt.grams(guide.ladleG) })}
              </Type>
              <Type>
                {done
                  ? t('potRoom.theBowlIsAtIn', { bowl: fmt.temp(bowl) })
                  : t('potRoom.beatWhileItRunsIn', { everyS: guide.everyS, bowl: fmt.deg(bowl), next: fmt.temp(next) })}
              </Type>
            </View>
            {done ? null : <Key size="live" label={t('potRoom.ladleIn')} onPress={() => onAdd({ kind: 'ladled' })} />}
          </View>
          {ladled >= warmAfter && !done ? (
            <View className="flex-row items-center justify-between gap-3">
              <Type kind="strong" className="shrink">
                {t('potRoom.feelTheBowlFromOutside')}
              </Type>
              <Key label={t('potRoom.bowlFeelsWarm')} onPress={() => onAdd({ kind: 'observed', what: 'bowl warm' })} />
            </View>
          ) : null}
          {guide.ladleG > guide.safeFirstG && ladled === 0 ? (
            <Notice text={t('potRoom.onlyAtFirstMoreWould', { safeFirstG: fmt.grams(guide.safeFirstG) })} />
          ) : null}
        </View>
      );
    }
    case 'reduction': {
      const mm = fmt.length;
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
            <Type kind="title">{t('potRoom.deepDownTo', { nowMm: mm(guide.nowMm), markMm: mm(guide.markMm) })}</Type>
            <Type tone="quiet">{t('potRoom.itBeganAtStandA', { startMm: mm(guide.startMm) })}</Type>
          </View>
        </View>
      );
    }
    case 'double boiler':
      return (
        <View className="gap-0.5" testID="guide-bath">
          <Type kind="title">{t('potRoom.waterUnderIt', { bathC: fmt.temp(guide.bathC) })}</Type>
          <Type tone="quiet">
            {t('potRoom.halfOfIsGoneIn', {
              water: guide.touching ? t('potRoom.itTouchesTheWaterLift') : t('potRoom.theBowlDoesNotTouch'),
              waterG: fmt.ml(guide.waterG),
              topUpMin: Number.isFinite(guide.topUpMin) ? fmt.hours(guide.topUpMin / 60) : t('potRoom.hours'),
            })}
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
              {stirDueS <= 0
                ? t('potRoom.stirNowOver', { stirDueS: fmt.countdown(-stirDueS) })
                : t('potRoom.nextStirIn', { stirDueS: fmt.countdown(stirDueS) })}
            </Type>
            <Type tone="quiet">{t('potRoom.lidOffAMomentFloor')}</Type>
          </View>
          <Key size="live" label={t('potRoom.stirred')} onPress={() => onAdd({ kind: 'stirred' })} />
        </View>
      );
    case 'oven': {
      const ran = stepSeconds(state, now) / 60;
      const at = guide.centreC.findLast((p) => p.minutes <= ran) ?? guide.centreC[0];
      const layerIn = guide.carriesMin - ran;
      const layered = state.counted[LAYER] === true;
      return (
        <View className="gap-1.5" testID="guide-oven">
          <Type kind="title">
            {t('potRoom.middleAboutOutIn', {
              centreC: fmt.temp(at?.centreC ?? 20),
              ran: fmt.hours(Math.max(0, guide.minutes - ran) / 60),
            })}
          </Type>
          {guide.top && Number.isFinite(guide.carriesMin) ? (
            <View className="flex-row items-center justify-between gap-3">
              <Type className="shrink">
                {layered
                  ? t('potRoom.theSecondLayerIsOn')
                  : layerIn > 0
                    ? t('potRoom.halfSetInItCarries', { layerIn: fmt.countdown(layerIn * 60) })
                    : t('potRoom.halfSetTheSecondLayer')}
              </Type>
              {layered ? null : (
                <Key
                  label={t('potRoom.layerIsOn')}
                  onPress={() => onAdd({ kind: 'counted', item: LAYER, out: true })}
                />
              )}
            </View>
          ) : null}
        </View>
      );
    }
  }
}
