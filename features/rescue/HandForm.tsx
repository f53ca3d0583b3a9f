import { useState } from 'react';
import { View } from 'react-native';
import { SET_WORDS } from '../../core/texture/words';
import { PANTRY } from '../../core/pantry/pantry';
import { ByHandSchema, type ByHand } from '../../core/rescue/byHand';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { issueSaid } from '../../core/formats/issues';
import { useTell } from '../shared/App';
import { numberOf } from '../shared/typed';

const MILKS = ['milk_whole', 'milk_semi', 'coconut_milk', 'almond_drink', 'oat_drink', 'soy_drink', 'water'];
const THICK = ['cornstarch', 'rice_flour', 'rice_ground', 'rice_short', 'semolina', 'cornmeal_fine', 'none'];
/** Nothing typed is none of it. */
const number = (text: string) => (text.trim() === '' ? 0 : numberOf(text));
const named = (ids: readonly string[]) =>
  ids.flatMap((id) => {
    const found = PANTRY.find((i) => i.id === id);
    return found || id === 'none' ? [{ value: id, label: found?.name ?? t('rescueRoom.eggAlone') }] : [];
  });

/** What is in a pot that was not cooked with the app, as far as a cook can say it at the stove. */
export function HandForm({ onDone }: { onDone: (hand: ByHand) => void }) {
  const tell = useTell();
  const [milkId, setMilkId] = useState('milk_whole');
  const [thickenerId, setThickenerId] = useState('cornstarch');
  const [milk, setMilk] = useState('700');
  const [thickener, setThickener] = useState('40');
  const [sugar, setSugar] = useState('60');
  const [yolks, setYolks] = useState('0');
  const [hot, setHot] = useState(true);
  const [word, setWord] = useState<(typeof SET_WORDS)[number]>('mounds');
  const parsed = ByHandSchema.safeParse({
    milkId,
    thickenerId,
    milkG: number(milk),
    thickenerG: thickenerId === 'none' ? 0 : number(thickener),
    sugarG: number(sugar),
    yolks: number(yolks),
    hot,
    word,
  });
  const wrong = (field: keyof ByHand) => {
    const issue = parsed.error?.issues.find((i) => i.path[0] === field);
    return issue ? { error: t('rescueRoom.it', { message: tell(issueSaid(issue)) }) } : {};
  };
  const empty = parsed.success && parsed.data.thickenerG <= 0 && parsed.data.yolks <= 0;
  return (
    <View className="mx-auto w-full max-w-[640px] gap-3 px-4 py-3">
      <Type>{t('rescueRoom.aboutIsEnoughTheModel')}</Type>
      <Choices label={t('rescueRoom.liquid')} value={milkId} options={named(MILKS)} onChoose={setMilkId} />
      <Field
        label={t('rescueRoom.howMuchLiquid')}
        unit="g"
        inputMode="decimal"
        value={milk}
        onChangeText={setMilk}
        {...wrong('milkG')}
      />
      <Choices
        label={t('rescueRoom.thickenedWith')}
        value={thickenerId}
        options={named(THICK)}
        onChoose={setThickenerId}
      />
      {thickenerId === 'none' ? null : (
        <Field
          label={t('rescueRoom.howMuchOfIt')}
          unit="g"
          inputMode="decimal"
          value={thickener}
          onChangeText={setThickener}
          {...wrong('thickenerG')}
        />
      )}
      <Field
        label={t('rescueRoom.sugar')}
        unit="g"
        inputMode="decimal"
        value={sugar}
        onChangeText={setSugar}
        {...wrong('sugarG')}
      />
      <Field
        label={t('rescueRoom.yolks')}
        inputMode="numeric"
        value={yolks}
        onChangeText={setYolks}
        {...wrong('yolks')}
      />
      <Choices
        label={t('rescueRoom.itIs')}
        value={hot ? 1 : 0}
        options={[
          { value: 1, label: t('rescueRoom.hotInThePot') },
          { value: 0, label: t('rescueRoom.cold') },
        ]}
        onChoose={(v) => setHot(v === 1)}
      />
      <Choices
        label={t('rescueRoom.itShould')}
        value={word}
        options={SET_WORDS.map((value) => ({ value, label: t(`word.${value}`) }))}
        onChoose={setWord}
      />
      {empty ? <Type tone="scorch">{t('rescueRoom.someStarchGrainOrYolk')}</Type> : null}
      <Key
        size="act"
        kind="yolk"
        label={t('rescueRoom.goOn')}
        disabled={!parsed.success || empty}
        onPress={() => parsed.success && onDone(parsed.data)}
      />
    </View>
  );
}
