import { clsx } from 'clsx';
import { View } from 'react-native';
import type { Forecast, Point } from '../../core/model/forecast';
import { mainLiquid } from '../../core/plan/bowls';
import { type Plan } from '../../core/plan/plan';
import { isStillWarm } from '../../core/set/safety';
import { SET_WORDS, STRIP, aimPlace, wordAt } from '../../core/texture/words';
import { ChanceBars } from '../../ui/ChanceBars';
import { PushBar, type Push } from '../../ui/PushBar';
import { SetStrip, STRIP_WORDS } from '../../ui/SetStrip';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { chanceWords } from '../../words/format';
import { FEW_KITCHENS, useChances } from '../shared/useForecast';
import { useSettled } from '../shared/useSettled';
import type { useAbout } from './useAbout';
import { lookSays, whySays } from './words';
import { t } from '../../words';
import { LEFT_TO_RIGHT } from '../../ui/leftToRight';

/** The chances follow once the thumb has rested this long, ms. */
const REST_MS = 500;
const TONES = ['ink', 'bay', 'cool'] as const;

/** The answer first: the word at serving beside the word in the pot, the strip, and what pushes it there. */
export function Answer({
  plan,
  forecast,
  point,
  stale,
  about,
  working,
  onDrag,
  onDragEnd,
}: {
  plan: Plan;
  forecast: Forecast | undefined;
  /** the words of a plan whose forecast is still being worked out */
  point: Point | undefined;
  /** `point` is of the thumb's last place but one */
  stale: boolean;
  about: ReturnType<typeof useAbout>['about'];
  working: boolean;
  onDrag: (place: number) => void;
  onDragEnd: () => void;
}) {
  const fmt = useFormat();
  const settled = useSettled(!working && forecast !== undefined, plan, REST_MS);
  const { chances, working: counting } = useChances(plan, settled, FEW_KITCHENS);
  if (!forecast) {
    return (
      <View className="min-h-[336px] justify-center px-4 wide:min-h-[386px]">
        <Type kind="title" tone="quiet">
          {t('planRoom.workingItOut')}
        </Type>
      </View>
    );
  }
  const { nextDay, doubt, standing } = forecast;
  const word = point?.serving.word ?? forecast.serving.word;
  const place = point?.serving.place ?? forecast.serving.place;
  const hotWord = point?.hot.word ?? forecast.hot.word;
  // the doubt is the last one known, moved along, until the new one is worked out
  const shift = place - forecast.serving.place;
  const stand =
    plan.serve.style === 'turned out'
      ? standing.stands
        ? t('planRoom.standsSettlesMm', {
            depthMm: fmt.length(standing.slumpRel * forecast.depthMm + standing.sagRel * forecast.depthMm * 0.3),
          })
        : t('planRoom.slumps', { slumpRel: Math.round(standing.slumpRel * 100) })
      : plan.serve.style === 'cut'
        ? forecast.serving.place >= 4
          ? t('planRoom.theKnifeComesOutClean')
          : t('planRoom.theKnifeDrags')
        : undefined;
  const milk = forecast.pushes.find((p) => p.of === 'milk')?.steps ?? 0;
  const cut = Math.max(0, Math.min(place, place - Math.max(0, milk)));
  const parts = about?.pushes.length ? about.pushes : [{ ingredientId: '', name: 'thickener', steps: 1 }];
  const total = parts.reduce((s, p) => s + Math.max(0.02, p.steps), 0);
  const pushes: Push[] = [];
  for (const p of parts) {
    const from = pushes.at(-1)?.to ?? 0;
    pushes.push({
      name: p.name,
      from,
      to: from + (cut * Math.max(0.02, p.steps)) / total,
      tone: TONES[pushes.length % 2]!,
    });
  }
  pushes.push({ name: 'milk', from: cut, to: place, tone: 'cool' });
  const milkName = mainLiquid(plan)?.name ?? t('planRoom.theMilk');
  const wantedNow = plan.serve.word;
  return (
    <View className="gap-1 px-3 pb-3 pt-2 wide:px-6">
      <View className="flex-row flex-wrap items-end justify-between gap-x-4" aria-live="polite">
        <View>
          <Type tone="quiet">
            {isStillWarm(plan.serve.tempC, forecast.atTableC)
              ? t('planRoom.atServingStill', { tempC: fmt.temp(forecast.atTableC) })
              : t('planRoom.atServing', { tempC: fmt.temp(plan.serve.tempC) })}
          </Type>
          <Type kind="answer" testID="word-serving" className={stale || (working && !point) ? 'opacity-60' : ''}>
            {t(`word.${word}`)}
          </Type>
        </View>
        <View className="items-end pb-1">
          <Type tone="quiet">{t('planRoom.hotInThePot')}</Type>
          <Type kind="amount" testID="word-hot">
            {t(`word.${hotWord}`)}
          </Type>
        </View>
      </View>
      <View className="flex-row flex-wrap justify-between gap-x-3">
        <Type kind="strong" className={working ? 'opacity-60' : ''}>
          {stand ?? t('planRoom.wanted', { wantedNow: t(`word.${wantedNow}`) })}
        </Type>
        <Type tone="quiet" testID="chance" className={working ? 'opacity-60' : ''}>
          {chances && !working && !counting
            ? `${t(`word.${wantedNow}`)} ${chanceWords(chances.serving[wantedNow])}`
            : t('planRoom.workingItOut2')}
        </Type>
      </View>
      <SetStrip
        place={place}
        low={Math.max(0, doubt.low + shift)}
        high={Math.min(5, doubt.high + shift)}
        wanted={aimPlace(wantedNow)}
        working={working}
        label={t('planRoom.setAtServingWantedDrag', { word: t(`word.${word}`), wantedNow: t(`word.${wantedNow}`) })}
        onDrag={onDrag}
        onDragEnd={onDragEnd}
      />
      <PushBar
        pushes={pushes}
        label={t('planRoom.bringTheSetToOf', {
          partsName: parts.map((p) => p.name).join(', '),
          cut: cut.toFixed(1),
          milkName,
          place: place.toFixed(1),
        })}
      />
      <View {...LEFT_TO_RIGHT} className="flex-row pt-0.5" aria-hidden>
        {STRIP_WORDS.map((w, i) => (
          <View key={w} className="flex-1 items-center">
            <Type
              kind={Math.floor(place) === i ? 'smallStrong' : 'small'}
              tone={Math.floor(place) === i ? 'ink' : 'quiet'}
            >
              {t(`word.${Math.floor(place) === i ? wordAt(place) : w}`)}
            </Type>
          </View>
        ))}
      </View>
      <ChanceBars
        working={working || counting || !chances}
        bars={
          chances
            ? SET_WORDS.map((w, i) => ({
                from: STRIP[w],
                to: SET_WORDS[i + 1] ? STRIP[SET_WORDS[i + 1]!] : 5,
                chance: chances.serving[w],
                wanted: w === wantedNow,
              }))
            : []
        }
        label={
          chances && !working
            ? t('planRoom.inKitchens', {
                value: FEW_KITCHENS,
                w: SET_WORDS.filter((w) => chances.serving[w] >= 0.02)
                  .map((w) => `${t(`word.${w}`)} ${Math.round(100 * chances.serving[w])} %`)
                  .join(', '),
              })
            : t('planRoom.chancesAreBeingCounted')
        }
      />
      <Type kind="small" tone="quiet" className={clsx('min-h-[40px]', working && 'opacity-60')}>
        {t('planRoom.theDayAfterLooks', {
          slice:
            nextDay.word === forecast.serving.word
              ? t('planRoom.still', { word: t(`word.${nextDay.word}`) })
              : nextDay.word[0]!.toUpperCase() + nextDay.word.slice(1),
          look: lookSays(forecast.look),
          milkName: whySays(forecast, milkName),
        })}
      </Type>
    </View>
  );
}
