import { View } from 'react-native';
import { FAMILIES, type Family } from '../../core/plan/plan';
import { Choices } from '../../ui/Choices';
import { later } from '../../ui/later';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import type { What } from './what';
import { FAMILY_SAYS } from './words';

const DishList = later(() => import('./DishList').then((m) => m.DishList));

/** The first of the dishes: chosen with the list. */
const FIRST: What = { family: 'starch-set milk pudding', dish: { id: 'set milk', milkId: 'milk_whole' } };

export const whatLabel = ({ dish, family }: What): string =>
  dish ? t(`dishStart.${dish.id}`) : t(FAMILY_SAYS[family].label);

/** Choosing it. The dishes come below, so that nothing moves under the thumb. */
export function WhatKind({ label, what, onChoose }: { label: string; what: What; onChoose: (what: What) => void }) {
  const { family, dish } = what;
  return (
    <View className="gap-2">
      <Choices<Family | 'dish'>
        label={label}
        value={dish ? 'dish' : family}
        options={[
          ...FAMILIES.map((f) => ({ value: f, label: t(FAMILY_SAYS[f].label) })),
          { value: 'dish' as const, label: t('planRoom.aDishByItsName') },
        ]}
        onChoose={(f) => onChoose(f === 'dish' ? FIRST : { family: f })}
      />
      {dish ? <DishList dish={dish.id} onChoose={onChoose} /> : <Type tone="quiet">{t(FAMILY_SAYS[family].sub)}</Type>}
    </View>
  );
}
