import { zodResolver } from '@hookform/resolvers/zod';
import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { pantryWith } from '../../core/pantry/pantry';
import { LANGUAGES } from '../../core/settings';
import { PackSchema } from '../../core/units/packs';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Row } from '../../ui/Row';
import { Type } from '../../ui/Type';
import { learn, t } from '../../words';
import { settingsRoom } from '../../words/en/settingsRoom';
import { useApp } from '../shared/App';
import { FormChoices, FormField } from '../shared/FormField';
import { newId } from '../shared/ids';
import { Room } from '../shared/Room';
import { useCollection, useRemove, useSave, useSettings } from '../shared/stored';
import { typed, typedOr } from '../shared/typed';
import { useMounted } from '../shared/useNow';
import { useTakeBack } from '../shared/useTakeBack';
import { FilesPart } from './FilesPart';

learn(settingsRoom);

export function SettingsRoom() {
  const router = useRouter();
  const { settings, change } = useSettings();
  const mounted = useMounted();
  const s = mounted ? settings : undefined;

  return (
    <Room
      name={t('room.Settings')}
      title={t('settingsRoom.settings')}
      sub={t('settingsRoom.keptOnThisDevice')}
      actions={
        <Key
          label={t('settingsRoom.back')}
          icon={ArrowLeft}
          stacked
          onPress={() => (router.canGoBack() ? router.back() : router.push('/plan'))}
        />
      }
    >
      {s ? (
        <View className="mx-auto w-full max-w-[640px] gap-5 px-4 py-4">
          <Choices
            label={t('settingsRoom.temperature')}
            value={s.temperature}
            options={[
              { value: 'C', label: '°C' },
              { value: 'F', label: '°F' },
            ]}
            onChoose={(temperature) => change({ temperature })}
          />
          <Choices
            label={t('settingsRoom.cupsAndSpoons')}
            value={s.spoons}
            options={[
              { value: 'metric', label: t('settingsRoom.metric'), sub: t('settingsRoom.tbsp15MlCup250') },
              { value: 'us', label: t('settingsRoom.us'), sub: t('settingsRoom.tbsp148MlCup') },
            ]}
            onChoose={(spoons) => change({ spoons, ...(spoons === 'us' ? { temperature: 'F' } : {}) })}
          />
          <Choices
            label={t('settingsRoom.clock')}
            value={s.clock}
            options={[
              { value: '24', label: '19:30' },
              { value: '12', label: t('settingsRoom.730Pm') },
            ]}
            onChoose={(clock) => change({ clock })}
          />
          <Choices
            label={t('settingsRoom.light')}
            value={s.theme}
            options={[
              { value: 'system', label: t('settingsRoom.asTheSystem') },
              { value: 'day', label: t('settingsRoom.day') },
              { value: 'night', label: t('settingsRoom.night') },
            ]}
            onChoose={(theme) => change({ theme })}
          />
          <Field
            label={t('settingsRoom.money')}
            value={s.money}
            maxLength={4}
            onChangeText={(money) => change({ money })}
          />
          <Choices
            label={t('settingsRoom.soundAndVibration')}
            value={s.sound}
            options={[
              { value: true, label: t('settingsRoom.on') },
              { value: false, label: t('settingsRoom.off') },
            ]}
            onChoose={(v) => change({ sound: v })}
          />
          <Packs />
          <Choices
            label={t('settingsRoom.language')}
            value={s.language}
            options={LANGUAGES.map((value) => ({
              value,
              label: t(`language.${value}`),
              sub: t(`language.${value}.sub`),
            }))}
            onChoose={(language) => change({ language })}
          />
          <FilesPart settings={s} />
          <Type kind="small" tone="quiet">
            {t('settingsRoom.ovalisGivesTheUsualHome')}
          </Type>
        </View>
      ) : null}
    </Room>
  );
}

/** A size as it is typed; no price is none. */
const PackTyped = PackSchema.omit({ id: true }).extend({
  grams: typed(PackSchema.shape.grams),
  price: typedOr(PackSchema.shape.price, undefined),
});

/** Can and packet sizes as this cook's shop has them. */
function Packs() {
  const { fmt } = useApp();
  const packs = useCollection('packs');
  const save = useSave('packs');
  const remove = useRemove('packs');
  const back = useTakeBack();
  const { control, handleSubmit, formState, reset } = useForm({
    resolver: zodResolver(PackTyped),
    mode: 'onChange',
    defaultValues: { ingredientId: 'milk_whole', name: '', grams: '', price: '' },
  });
  const plans = useCollection('plans');
  const used = [
    ...new Set(['milk_whole', 'cornstarch', ...(plans.data ?? []).flatMap((p) => p.things.map((i) => i.ingredientId))]),
  ];
  const pantry = pantryWith((plans.data ?? []).flatMap((p) => p.own));
  return (
    <View className="gap-2">
      <Type kind="title" level={2}>
        {t('settingsRoom.cansAndPackets')}
      </Type>
      {back.bar}
      {(packs.data ?? []).map((p) => (
        <View key={p.id} className="flex-row items-center gap-2">
          <View className="flex-1">
            <Row
              title={p.name}
              sub={p.price === undefined ? t('settingsRoom.noPrice') : fmt.money(p.price)}
              value={fmt.grams(p.grams)}
            />
          </View>
          <Key
            label={t('settingsRoom.remove')}
            spoken={t('settingsRoom.remove2', { name: p.name })}
            kind="quiet"
            onPress={() => {
              remove.mutate(p.id);
              back.offer(t('settingsRoom.isGone', { name: p.name }), () => save.mutate(p));
            }}
          />
        </View>
      ))}
      <FormChoices
        control={control}
        name="ingredientId"
        label={t('settingsRoom.aPacketOf')}
        options={used.map((id) => ({ value: id, label: pantry.get(id)?.name ?? id }))}
      />
      <FormField
        control={control}
        name="name"
        label={t('settingsRoom.whatItIsCalled')}
        placeholder={t('settingsRoom.canOfCoconutMilk')}
        maxLength={60}
      />
      <FormField control={control} name="grams" label={t('settingsRoom.holds')} unit="g" inputMode="decimal" />
      <FormField
        control={control}
        name="price"
        label={t('settingsRoom.costsIfYouLike')}
        unit={fmt.settings.money}
        inputMode="decimal"
      />
      <Key
        label={t('settingsRoom.addThisSize')}
        disabled={!formState.isValid}
        onPress={() =>
          void handleSubmit((pack) => {
            const { price, ...rest } = PackTyped.parse(pack);
            save.mutate({
              ...rest,
              name: rest.name.trim(),
              id: newId('pack'),
              ...(price === undefined ? {} : { price }),
            });
            reset({ ingredientId: rest.ingredientId, name: '', grams: '', price: '' });
          })()
        }
      />
    </View>
  );
}
