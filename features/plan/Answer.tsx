import { View } from 'react-native';
import type { Forecast, Point } from '../../core/model/forecast';
import { mainLiquid } from '../../core/plan/stages';
import { type Plan } from '../../core/plan/plan';
import { SET_WORDS, STRIP, stripMiddle } from '../../core/texture/words';
import { pantryWith } from '../../core/pantry/pantry';
import { ChanceBars } from '../../ui/ChanceBars';
import { PushBar, type Push } from '../../ui/PushBar';
import { SetStrip } from '../../ui/SetStrip';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { chanceWords } from '../../words/format';
import { FEW_KITCHENS, useChances } from '../shared/useForecast';
import { useSettled } from '../shared/useSettled';
import type { useAbout } from './useAbout';
import { lookSays, whySays } from './words';

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
      <View className="min-h-[270px] justify-center px-4">
        <Type kind="title" tone="quiet">
          Working it out
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
        ? `stands, settles ${Math.round(standing.slumpRel * forecast.depthMm + standing.sagRel * forecast.depthMm * 0.3)} mm`
        : `slumps ${Math.round(standing.slumpRel * 100)} %`
      : plan.serve.style === 'cut'
        ? forecast.serving.place >= 4
          ? 'the knife comes out clean'
          : 'the knife drags'
        : undefined;
  const milk = forecast.pushes.find((p) => p.of === 'milk')?.steps ?? 0;
  const pantry = pantryWith(plan.own);
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
  const milkName = mainLiquid(plan, pantry)?.name ?? 'the milk';
  const wantedNow = plan.serve.word;
  return (
    <View className="gap-1 px-3 pb-3 pt-2 wide:px-6">
      <View className="flex-row flex-wrap items-end justify-between gap-x-4" aria-live="polite">
        <View>
          <Type tone="quiet">{`at serving, ${fmt.temp(plan.serve.tempC)}`}</Type>
          <Type kind="answer" testID="word-serving" className={stale || (working && !point) ? 'opacity-60' : ''}>
            {word}
          </Type>
        </View>
        <View className="items-end pb-1">
          <Type tone="quiet">hot in the pot</Type>
          <Type kind="amount" testID="word-hot">
            {hotWord}
          </Type>
        </View>
      </View>
      <View className="flex-row flex-wrap justify-between gap-x-3">
        <Type kind="strong" className={working ? 'opacity-60' : ''}>
          {stand ?? `wanted: ${wantedNow}`}
        </Type>
        <Type tone="quiet" testID="chance" className={working ? 'opacity-60' : ''}>
          {working ? 'working it out' : `${wantedNow} ${chanceWords(forecast.chance)}`}
        </Type>
      </View>
      <SetStrip
        place={place}
        low={Math.max(0, doubt.low + shift)}
        high={Math.min(5, doubt.high + shift)}
        wanted={stripMiddle(wantedNow)}
        working={working}
        label={`Set at serving: ${word}. Wanted: ${wantedNow}. Drag or use the arrow keys to change the starch.`}
        onDrag={onDrag}
        onDragEnd={onDragEnd}
      />
      <PushBar
        pushes={pushes}
        label={`${parts.map((p) => p.name).join(', ')} bring the set to ${cut.toFixed(1)} of 5, ${milkName} to ${place.toFixed(1)}`}
      />
      <View className="flex-row pt-0.5" aria-hidden>
        {['drinks', 'coats', 'mounds', 'wobbles', 'slices'].map((w, i) => (
          <View key={w} className="flex-1 items-center">
            <Type
              kind={Math.floor(place) === i ? 'smallStrong' : 'small'}
              tone={Math.floor(place) === i ? 'ink' : 'quiet'}
            >
              {w}
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
            ? `In ${FEW_KITCHENS} kitchens: ${SET_WORDS.filter((w) => chances.serving[w] >= 0.02)
                .map((w) => `${w} ${Math.round(100 * chances.serving[w])} %`)
                .join(', ')}`
            : 'chances are being counted'
        }
      />
      <Type kind="small" tone="quiet" className={working ? 'opacity-60' : ''}>
        {`${nextDay.word === forecast.serving.word ? `Still ${nextDay.word}` : nextDay.word[0]!.toUpperCase() + nextDay.word.slice(1)} the day after. Looks ${lookSays(forecast.look)}. ${whySays(forecast, milkName)}`}
      </Type>
    </View>
  );
}
