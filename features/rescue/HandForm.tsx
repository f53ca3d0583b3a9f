import type { z } from 'zod';
import { zodResolver } from '@hookform/resolvers/zod';
import { useForm, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { PANTRY } from '../../core/pantry/pantry';
import { ByHandSchema, type ByHand } from '../../core/rescue/byHand';
import { SET_WORDS } from '../../core/texture/words';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { FormChoices, FormField } from '../shared/FormField';
import { typedOr } from '../shared/typed';

const MILKS = ['milk_whole', 'milk_semi', 'coconut_milk', 'almond_drink', 'oat_drink', 'soy_drink', 'water'];
const THICK = ['cornstarch', 'rice_flour', 'rice_ground', 'rice_short', 'semolina', 'cornmeal_fine', 'none'];
const choices = (ids: readonly string[]) =>
  ids.flatMap((id) => {
    const found = PANTRY.find((i) => i.id === id);
    return found || id === 'none' ? [{ value: id, label: found?.name ?? t('rescueRoom.eggAlone') }] : [];
  });

const { milkG, thickenerG, sugarG, yolks } = ByHandSchema.shape;
/** As it is typed; nothing typed is none of it. */
const HandSchema = ByHandSchema.extend({
  milkG: typedOr(milkG, 0),
  thickenerG: typedOr(thickenerG, 0),
  sugarG: typedOr(sugarG, 0),
  yolks: typedOr(yolks, 0),
});

/** What is in a pot that was not cooked with the app, as far as a cook can say it at the stove. */
export function HandForm({ onDone }: { onDone: (hand: ByHand) => void }) {
  const { control, handleSubmit, formState } = useForm<
    z.input<typeof HandSchema>,
    unknown,
    z.output<typeof HandSchema>
  >({
    resolver: zodResolver(HandSchema),
    mode: 'onChange',
    defaultValues: {
      milkId: 'milk_whole',
      thickenerId: 'cornstarch',
      milkG: '700',
      thickenerG: '40',
      sugarG: '60',
      yolks: '0',
      hot: true,
      word: 'mounds',
    },
  });
  const now = useWatch({ control });
  const bare = now.thickenerId === 'none';
  const read = HandSchema.safeParse(bare ? { ...now, thickenerG: '0' } : now);
  const empty = read.success && read.data.thickenerG <= 0 && read.data.yolks <= 0;
  return (
    <View className="mx-auto w-full max-w-[640px] gap-3 px-4 py-3">
      <Type>{t('rescueRoom.aboutIsEnoughTheModel')}</Type>
      <FormChoices control={control} name="milkId" label={t('rescueRoom.liquid')} options={choices(MILKS)} />
      <FormField control={control} name="milkG" label={t('rescueRoom.howMuchLiquid')} unit="g" inputMode="decimal" />
      <FormChoices
        control={control}
        name="thickenerId"
        label={t('rescueRoom.thickenedWith')}
        options={choices(THICK)}
      />
      {bare ? null : (
        <FormField
          control={control}
          name="thickenerG"
          label={t('rescueRoom.howMuchOfIt')}
          unit="g"
          inputMode="decimal"
        />
      )}
      <FormField control={control} name="sugarG" label={t('rescueRoom.sugar')} unit="g" inputMode="decimal" />
      <FormField control={control} name="yolks" label={t('rescueRoom.yolks')} inputMode="numeric" />
      <FormChoices
        control={control}
        name="hot"
        label={t('rescueRoom.itIs')}
        options={[
          { value: true, label: t('rescueRoom.hotInThePot') },
          { value: false, label: t('rescueRoom.cold') },
        ]}
      />
      <FormChoices
        control={control}
        name="word"
        label={t('rescueRoom.itShould')}
        options={SET_WORDS.map((value) => ({ value, label: t(`word.${value}`) }))}
      />
      {empty ? <Type tone="scorch">{t('rescueRoom.someStarchGrainOrYolk')}</Type> : null}
      <Key
        size="act"
        kind="yolk"
        label={t('rescueRoom.goOn')}
        disabled={!formState.isValid || empty}
        onPress={() => void handleSubmit(() => read.success && onDone(read.data))()}
      />
    </View>
  );
}
