import { View } from 'react-native';
import type { Forecast } from '../../core/forecast';
import { lookUp, mainLiquid } from '../../core/formula/compose';
import type { Plan } from '../../core/formula/plan';
import { pantryWith } from '../../core/pantry/pantry';
import { stripMiddle } from '../../core/texture/words';
import { PushBar, type Push } from '../../ui/PushBar';
import { SetStrip } from '../../ui/SetStrip';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { chanceWords } from '../shared/format';

/** The answer first: the word at serving beside the word in the pot, the strip, and what pushes it there. */
export function Answer({
  plan,
  forecast,
  working,
  onDrag,
  onDragEnd,
}: {
  plan: Plan;
  forecast: Forecast | undefined;
  working: boolean;
  onDrag: (place: number) => void;
  onDragEnd: () => void;
}) {
  const fmt = useFormat();
  if (!forecast) {
    return (
      <View className="min-h-[270px] justify-center px-4">
        <Type kind="title" tone="quiet">
          Working it out
        </Type>
      </View>
    );
  }
  const { serving, hot, nextDay, doubt, standing } = forecast;
  const stand =
    plan.serve.style === 'turned out'
      ? standing.stands
        ? `stands, settles ${Math.round(standing.slumpRel * forecast.depthMm + standing.sagRel * forecast.depthMm * 0.3)} mm`
        : `slumps ${Math.round(standing.slumpRel * 100)} %`
      : plan.serve.style === 'cut'
        ? serving.place >= 4
          ? 'the knife comes out clean'
          : 'the knife drags'
        : undefined;
  const milk = forecast.pushes.find((p) => p.of === 'milk')?.steps ?? 0;
  const pantry = pantryWith(plan.own);
  const thickens = plan.items
    .map((i) => lookUp(pantry, plan, i.ingredientId))
    .find((i) => i.group === 'thickener' || i.group === 'egg' || i.group === 'nut');
  const starchName = thickens?.name ?? 'nothing';
  const cut = Math.max(0, Math.min(serving.place, serving.place - Math.max(0, milk)));
  const pushes: Push[] = [
    { name: starchName, from: 0, to: cut, tone: 'ink' },
    { name: 'milk', from: cut, to: serving.place, tone: 'cool' },
  ];
  const milkName = mainLiquid(plan, pantry)?.name ?? 'the milk';
  return (
    <View className="gap-1 px-3 pb-3 pt-2 wide:px-6">
      <View className="flex-row flex-wrap items-end justify-between gap-x-4" aria-live="polite">
        <View>
          <Type tone="quiet">{`at serving, ${fmt.temp(plan.serve.tempC)}`}</Type>
          <Type kind="answer" testID="word-serving" className={working ? 'opacity-60' : ''}>
            {serving.word}
          </Type>
        </View>
        <View className="items-end pb-1">
          <Type tone="quiet">hot in the pot</Type>
          <Type kind="amount" testID="word-hot">
            {hot.word}
          </Type>
        </View>
      </View>
      <View className="flex-row flex-wrap justify-between gap-x-3">
        <Type kind="strong">{stand ?? `wanted: ${plan.serve.word}`}</Type>
        <Type tone="quiet" testID="chance">{`${plan.serve.word} ${chanceWords(forecast.chance)}`}</Type>
      </View>
      <SetStrip
        place={serving.place}
        low={doubt.low}
        high={doubt.high}
        wanted={stripMiddle(plan.serve.word)}
        working={working}
        label={`Set at serving: ${serving.word}. Wanted: ${plan.serve.word}. Drag or use the arrow keys to change the starch.`}
        onDrag={onDrag}
        onDragEnd={onDragEnd}
      />
      <PushBar
        pushes={pushes}
        label={`${starchName} brings the set to ${cut.toFixed(1)} of 5, ${milkName} to ${serving.place.toFixed(1)}`}
      />
      <View className="flex-row pt-0.5" aria-hidden>
        {['drinks', 'coats', 'mounds', 'wobbles', 'slices'].map((w, i) => (
          <View key={w} className="flex-1 items-center">
            <Type
              kind={Math.floor(serving.place) === i ? 'smallStrong' : 'small'}
              tone={Math.floor(serving.place) === i ? 'ink' : 'quiet'}
            >
              {w}
            </Type>
          </View>
        ))}
      </View>
      <Type kind="small" tone="quiet">
        {nextDay.word === serving.word ? `Still ${nextDay.word} the day after.` : `The day after: ${nextDay.word}.`}{' '}
        {`Doubt mostly from ${doubt.sources[0]?.name}.`}
      </Type>
    </View>
  );
}
