import { View } from 'react-native';
import { aimPlace } from '../../core/texture/words';
import type { Plan } from '../../core/plan/plan';
import type { Frame } from '../../core/practice/frame';
import { MouldOutline } from '../../ui/MouldOutline';
import { SetStrip } from '../../ui/SetStrip';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from '../shared/App';

/** Poured: where it stands, how cold and how firm it is now. */
export function DishPart({ f, plan }: { f: Frame; plan: Plan }) {
  const { fmt } = useApp();
  const { dish } = f;
  if (!dish) return null;
  return (
    <View className="mx-auto w-full max-w-[560px] gap-3 px-4 py-4" testID="dish">
      <Type tone="quiet">
        {t('practice.inTheDish', { hours: fmt.hours(dish.hours), where: t(`practice.place.${dish.where}`) })}
      </Type>
      <Type kind="answer">{t(`word.${dish.word}`)}</Type>
      <SetStrip
        place={dish.place}
        wanted={aimPlace(plan.serve.word)}
        labels
        label={t('practice.nowItIs', { word: t(`word.${dish.word}`) })}
      />
      <View className="flex-row items-end gap-6">
        <MouldOutline
          slumpRel={dish.standing.slumpRel}
          kind={plan.serve.style}
          label={t(dish.standing.stands ? 'practice.wouldStand' : 'practice.wouldSlump')}
        />
        <View>
          <Type>{t('practice.middleOfDish', { coreC: fmt.temp(dish.coreC) })}</Type>
          <Type>{t('practice.deep', { depthMm: fmt.length(dish.depthMm) })}</Type>
        </View>
      </View>
    </View>
  );
}
