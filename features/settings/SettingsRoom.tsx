import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import { useState } from 'react';
import { View } from 'react-native';
import { emptyKitchen, type KitchenFile } from '../../core/formats/kitchenFile';
import { say } from '../../core/say';
import type { FormatIssue } from '../../core/formats/issues';
import { pantryWith } from '../../core/pantry/pantry';
import { DEFAULT_SETTINGS, LANGUAGES, type Settings } from '../../core/settings';
import { supperOffsetMin } from '../shared/wallClock';
import { useTakeBack } from '../shared/useTakeBack';
import {
  useCollection,
  useEverything,
  useRemove,
  useReplaceAll,
  useSave,
  useSetAside,
  useSettings,
} from '../shared/stored';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { FileKey } from '../../ui/FileKey';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { useApp, useTell } from '../shared/App';
import { newId, nowIso } from '../shared/ids';
import { Room } from '../shared/Room';
import { useMounted } from '../shared/useNow';
import { MOST_BYTES, readTextFile } from '../shared/readTextFile';
import { saveFile, useSaveKitchen } from '../shared/saveFile';
import { t } from '../../words';
import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import { PackSchema } from '../../core/units/packs';
import { FormChoices, FormField } from '../shared/FormField';
import { typed, typedOr } from '../shared/typed';
import { useKitchen } from '../shared/kitchen';

type Asking = { title: string; text: string; act: string; make: () => Promise<KitchenFile> };

/** The kitchen made empty, or the demo brought back: both ask first. */
function DemoKeys({ settings, onAsk }: { settings: Settings; onAsk: (what: Asking) => void }) {
  const { ask, clock } = useKitchen();
  return (
    <View className="gap-2">
      <Type kind="title" level={2}>
        {t('settingsRoom.demo')}
      </Type>
      <Key
        label={t('settingsRoom.startMyOwnKitchen')}
        size="amount"
        onPress={() =>
          onAsk({
            title: t('settingsRoom.startYourOwnKitchen'),
            text: t('settingsRoom.theChoirSupperAndEverything'),
            act: t('settingsRoom.clearIt'),
            make: () => Promise.resolve(emptyKitchen(settings, nowIso())),
          })
        }
      />
      <Key
        label={t('settingsRoom.bringTheDemoBack')}
        size="amount"
        onPress={() =>
          onAsk({
            title: t('settingsRoom.bringTheChoirSupperBack'),
            text: t('settingsRoom.whatIsHereNowGoes'),
            act: t('settingsRoom.bringItBack'),
            make: async () => ({
              ...(await ask('demo', [clock(), supperOffsetMin(clock())])),
              settings,
            }),
          })
        }
      />
    </View>
  );
}

export function SettingsRoom() {
  const { ask } = useKitchen();
  const saveKitchen = useSaveKitchen();
  const everything = useEverything();
  const back = useTakeBack();
  const tell = useTell();
  const { ready } = useApp();
  const router = useRouter();
  const { settings, change } = useSettings();
  const replace = useReplaceAll();
  const mounted = useMounted();
  const [asking, setAsking] = useState<Asking | undefined>();
  const [issues, setIssues] = useState<FormatIssue[]>([]);
  const [left, setLeft] = useState<FormatIssue[]>([]);
  const [said, setSaid] = useState('');
  const s = mounted ? settings : undefined;

  const read = async (chosen: File) => {
    setIssues([]);
    setSaid('');
    setLeft([]);
    setAsking(undefined);
    const text = await readTextFile(chosen);
    // in the worker: a large file takes its time, and the page goes on
    const parsed =
      text === undefined
        ? {
            ok: false as const,
            issues: [{ path: '(whole file)', message: say('issue.tooLarge', { millions: MOST_BYTES / 1e6 }) }],
          }
        : await ask('readKitchen', [text]);
    if (!parsed.ok) {
      setIssues(parsed.issues);
      return;
    }
    setLeft(parsed.left);
    const k = parsed.value;
    setAsking({
      title: t('settingsRoom.putThisKitchenInThe'),
      text: t('settingsRoom.holdsPlansCooksAndBatches', {
        chosenName: chosen.name,
        plans: k.plans.length,
        cooks: k.cooks.length,
        batches: k.batches.length,
      }),
      act: t('settingsRoom.putItInPlace'),
      make: () => Promise.resolve(k),
    });
  };

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
            onChoose={(spoons) => change({ spoons })}
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
          <View className="gap-2">
            <Type kind="title" level={2}>
              {t('settingsRoom.yourKitchenInOneFile')}
            </Type>
            <Key label={t('settingsRoom.exportEverything')} size="amount" onPress={() => void saveKitchen()} />
            <FileKey
              label={t('settingsRoom.importAKitchen')}
              size="amount"
              accept="application/json,.json"
              fileLabel={t('settingsRoom.kitchenFile')}
              onFile={(f) => void read(f)}
            />
            <SetAside />
            {issues.length ? (
              <View role="alert">
                <Notice text={t('settingsRoom.nothingWasChangedThisFile')}>
                  {issues.map((i) => (
                    <Type key={i.path + tell(i.message)}>{`${i.path}: ${tell(i.message)}`}</Type>
                  ))}
                </Notice>
              </View>
            ) : null}
            {left.length ? (
              <View role="alert">
                <Notice text={t('settingsRoom.theseStayOut', { count: left.length })}>
                  {left.slice(0, 20).map((i) => (
                    <Type key={i.path + tell(i.message)}>{`${i.path}: ${tell(i.message)}`}</Type>
                  ))}
                </Notice>
              </View>
            ) : null}
            {back.bar}
            {said ? (
              <Type kind="strong" role="status">
                {said}
              </Type>
            ) : null}
          </View>
          <DemoKeys settings={settings ?? DEFAULT_SETTINGS} onAsk={setAsking} />
          <Type kind="small" tone="quiet">
            {t('settingsRoom.ovalisGivesTheUsualHome')}
          </Type>
        </View>
      ) : ready ? null : null}
      <Sheet open={asking !== undefined} title={asking?.title ?? ''} onClose={() => setAsking(undefined)}>
        <Type>{asking?.text}</Type>
        <Key label={t('settingsRoom.exportFirst')} size="amount" onPress={() => void saveKitchen()} />
        <Key
          label={asking?.act ?? ''}
          kind="harm"
          size="amount"
          testID="confirm"
          onPress={() => {
            const make = asking?.make;
            setAsking(undefined);
            setSaid(t('settingsRoom.working'));
            void Promise.all([make?.(), everything(nowIso())])
              .then(async ([k, was]) => {
                if (!k) return;
                await replace.mutateAsync(k);
                back.offer(t('settingsRoom.anotherKitchenIsHere'), () => void replace.mutateAsync(was));
              })
              .then(() => setSaid(t('settingsRoom.done')))
              .catch(() => setSaid(t('settingsRoom.notDoneNothingWasChanged')));
          }}
        />
        <Key label={t('settingsRoom.leaveItAsItIs')} size="amount" onPress={() => setAsking(undefined)} />
      </Sheet>
    </Room>
  );
}

/** Records that could not be read, kept as they were: the cook can take them out. */
function SetAside() {
  const aside = useSetAside();
  const count = Object.keys(aside.data ?? {}).length;
  if (count === 0) return null;
  return (
    <Key
      label={t('settingsRoom.saveTheSetAside', {
        countOf: count,
        records: count === 1 ? t('settingsRoom.record') : t('settingsRoom.records'),
      })}
      size="amount"
      onPress={() => saveFile('ovalis-set-aside.json', JSON.stringify(aside.data, null, 1))}
    />
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
    resolver: zodResolver(PackTyped as never),
    mode: 'onChange',
    defaultValues: { ingredientId: 'milk_whole', name: '', grams: '', price: '' },
  });
  const plans = useCollection('plans');
  const used = [
    ...new Set(['milk_whole', 'cornstarch', ...(plans.data ?? []).flatMap((p) => p.items.map((i) => i.ingredientId))]),
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
