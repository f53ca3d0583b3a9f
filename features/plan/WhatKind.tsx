import { View } from 'react-native';
import { DISH_START_IDS, DISH_STARTS, type DishStartId } from '../../core/plan/dishStarts';
import { FAMILIES, type Family } from '../../core/plan/plan';
import { pantryWith } from '../../core/pantry/pantry';
import { Choices } from '../../ui/Choices';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { FAMILY_SAYS, wordSays } from './words';

/** What a new plan begins as: a kind of pudding, or a dish by its name. */
export type What = { family: Family; dish?: DishStartId };

export const whatLabel = (w: What): string => (w.dish ? t(`dishStart.${w.dish}`) : t(FAMILY_SAYS[w.family].label));

/** Choosing it. The dishes come below, so that nothing moves under the thumb. */
export function WhatKind({ label, what, onChoose }: { label: string; what: What; onChoose: (what: What) => void }) {
  const { family, dish } = what;
  const start = dish ? DISH_STARTS[dish] : undefined;
  return (
    <View className="gap-2">
      <Choices<Family | 'dish'>
        label={label}
        value={dish ? 'dish' : family}
        options={[
          ...FAMILIES.map((f) => ({ value: f, label: t(FAMILY_SAYS[f].label) })),
          { value: 'dish' as const, label: t('planRoom.aDishByItsName') },
        ]}
        onChoose={(f) => onChoose(f === 'dish' ? { family: DISH_STARTS[FIRST].family, dish: FIRST } : { family: f })}
      />
      {dish ? (
        <Choices
          label={t('planRoom.whichOne')}
          value={dish}
          options={DISH_START_IDS.map((d) => ({ value: d, label: t(`dishStart.${d}`) }))}
          onChoose={(d) => onChoose({ family: DISH_STARTS[d].family, dish: d })}
        />
      ) : null}
      <Type tone="quiet">
        {start
          ? t('planRoom.dishIs', {
              kind: t(FAMILY_SAYS[start.family].short),
              milk: SHIPPED.get(start.milkId)!.name,
              word: wordSays(start.word),
            })
          : t(FAMILY_SAYS[family].sub)}
      </Type>
    </View>
  );
}
const SHIPPED = pantryWith();
const FIRST: DishStartId = DISH_START_IDS[0]!;
