import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import { useState } from 'react';
import { View } from 'react-native';
import { emptyKitchen, readKitchenFile, type KitchenFile } from '../../core/formats/kitchenFile';
import type { FormatIssue } from '../../core/formats/issues';
import { pantryWith } from '../../core/pantry/pantry';
import { DEFAULT_SETTINGS } from '../../core/settings';
import { useCollection, useRemove, useReplaceAll, useSave, useSetAside, useSettings } from '../../storage/hooks';
import { ask } from '../../workers/client';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { FileKey } from '../../ui/FileKey';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import { newId, nowIso } from '../shared/ids';
import { Room } from '../shared/Room';
import { useMounted } from '../shared/useNow';
import { saveFile, saveKitchenFile } from '../shared/saveFile';

type Asking = { title: string; text: string; act: string; make: () => Promise<KitchenFile> };

export function SettingsRoom() {
  const { ready } = useApp();
  const router = useRouter();
  const { settings, change } = useSettings();
  const replace = useReplaceAll();
  const mounted = useMounted();
  const [asking, setAsking] = useState<Asking | undefined>();
  const [issues, setIssues] = useState<FormatIssue[]>([]);
  const [said, setSaid] = useState('');
  const s = mounted ? settings : undefined;

  const read = async (chosen: File) => {
    setIssues([]);
    setSaid('');
    const parsed = readKitchenFile(await chosen.text());
    if (!parsed.ok) {
      setIssues(parsed.issues);
      return;
    }
    const k = parsed.value;
    setAsking({
      title: 'Put this kitchen in the place of yours?',
      text: `${chosen.name} holds ${k.plans.length} plans, ${k.cooks.length} cooks and ${k.batches.length} batches. What is here now goes. Export it first if you want it back.`,
      act: 'Put it in place',
      make: () => Promise.resolve(k),
    });
  };

  return (
    <Room
      name="Settings"
      title="Settings"
      sub="kept on this device"
      actions={
        <Key
          label="Back"
          icon={ArrowLeft}
          stacked
          onPress={() => (router.canGoBack() ? router.back() : router.push('/plan'))}
        />
      }
    >
      {s ? (
        <View className="mx-auto w-full max-w-[640px] gap-5 px-4 py-4">
          <Choices
            label="Temperature"
            value={s.temperature}
            options={[
              { value: 'C', label: '°C' },
              { value: 'F', label: '°F' },
            ]}
            onChoose={(temperature) => change({ temperature })}
          />
          <Choices
            label="Cups and spoons"
            value={s.spoons}
            options={[
              { value: 'metric', label: 'metric', sub: 'tbsp 15 ml, cup 250 ml' },
              { value: 'us', label: 'US', sub: 'tbsp 14.8 ml, cup 237 ml' },
            ]}
            onChoose={(spoons) => change({ spoons })}
          />
          <Choices
            label="Clock"
            value={s.clock}
            options={[
              { value: '24', label: '19:30' },
              { value: '12', label: '7:30 pm' },
            ]}
            onChoose={(clock) => change({ clock })}
          />
          <Choices
            label="Light"
            value={s.theme}
            options={[
              { value: 'system', label: 'as the system' },
              { value: 'day', label: 'day' },
              { value: 'night', label: 'night' },
            ]}
            onChoose={(theme) => change({ theme })}
          />
          <Field label="Money" value={s.money} maxLength={4} onChangeText={(money) => change({ money })} />
          <Choices
            label="Sound and vibration"
            value={s.sound ? 1 : 0}
            options={[
              { value: 1, label: 'on' },
              { value: 0, label: 'off' },
            ]}
            onChoose={(v) => change({ sound: v === 1 })}
          />
          <Packs />
          <View className="gap-2">
            <Type kind="title" level={2}>
              Your kitchen in one file
            </Type>
            <Key label="Export everything" size="amount" onPress={() => void saveKitchenFile()} />
            <FileKey
              label="Import a kitchen"
              size="amount"
              accept="application/json,.json"
              fileLabel="Kitchen file"
              onFile={(f) => void read(f)}
            />
            <SetAside />
            {issues.length ? (
              <View role="alert">
                <Notice text="Nothing was changed. This file is not a kitchen that can be read:">
                  {issues.map((i) => (
                    <Type key={i.path + i.message}>{`${i.path}: ${i.message}`}</Type>
                  ))}
                </Notice>
              </View>
            ) : null}
            {said ? (
              <Type kind="strong" role="status">
                {said}
              </Type>
            ) : null}
          </View>
          <View className="gap-2">
            <Type kind="title" level={2}>
              Demo
            </Type>
            <Key
              label="Start my own kitchen"
              size="amount"
              onPress={() =>
                setAsking({
                  title: 'Start your own kitchen?',
                  text: 'The choir supper and everything written here goes. Your settings stay.',
                  act: 'Clear it',
                  make: () => Promise.resolve(emptyKitchen(settings ?? DEFAULT_SETTINGS, nowIso())),
                })
              }
            />
            <Key
              label="Bring the demo back"
              size="amount"
              onPress={() =>
                setAsking({
                  title: 'Bring the choir supper back?',
                  text: 'What is here now goes. Export it first if you want it back.',
                  act: 'Bring it back',
                  make: async () => ({
                    ...(await ask('demo', [Date.now(), new Date().getTimezoneOffset()])),
                    settings: settings ?? DEFAULT_SETTINGS,
                  }),
                })
              }
            />
          </View>
          <Type kind="small" tone="quiet">
            Ovalis gives the usual home guidance. Local food-safety rules and professional advice come first. Nothing
            leaves this device unless you export it.
          </Type>
        </View>
      ) : ready ? null : null}
      <Sheet open={asking !== undefined} title={asking?.title ?? ''} onClose={() => setAsking(undefined)}>
        <Type>{asking?.text}</Type>
        <Key label="Export first" size="amount" onPress={() => void saveKitchenFile()} />
        <Key
          label={asking?.act ?? ''}
          kind="harm"
          size="amount"
          testID="confirm"
          onPress={() => {
            const make = asking?.make;
            setAsking(undefined);
            setSaid('Working …');
            void make?.()
              .then((k) => replace.mutateAsync(k))
              .then(() => setSaid('Done.'))
              .catch((e: Error) => setSaid(`Not done, nothing was changed: ${e.message}`));
          }}
        />
        <Key label="Leave it as it is" size="amount" onPress={() => setAsking(undefined)} />
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
      label={`Save the ${count} set-aside ${count === 1 ? 'record' : 'records'}`}
      size="amount"
      onPress={() => saveFile('ovalis-set-aside.json', JSON.stringify(aside.data, null, 1))}
    />
  );
}

/** Can and packet sizes as this cook's shop has them. */
function Packs() {
  const { fmt } = useApp();
  const packs = useCollection('packs');
  const save = useSave('packs');
  const remove = useRemove('packs');
  const [name, setName] = useState('');
  const [grams, setGrams] = useState('');
  const [ingredientId, setIngredientId] = useState('milk_whole');
  const plans = useCollection('plans');
  const used = [
    ...new Set(['milk_whole', 'cornstarch', ...(plans.data ?? []).flatMap((p) => p.items.map((i) => i.ingredientId))]),
  ];
  const pantry = pantryWith((plans.data ?? []).flatMap((p) => p.own));
  const value = Number(grams.replace(',', '.'));
  const [price, setPrice] = useState('');
  const paid = Number(price.replace(',', '.'));
  const wrongPrice =
    price !== '' && !(paid >= 0 && paid <= 10000) ? 'A sum such as 1.80 would do, or nothing.' : undefined;
  const wrong = grams !== '' && !(value > 0 && value <= 20000) ? 'A number of grams above 0 would do.' : undefined;
  return (
    <View className="gap-2">
      <Type kind="title" level={2}>
        Cans and packets
      </Type>
      {(packs.data ?? []).map((p) => (
        <View key={p.id} className="flex-row items-center gap-2">
          <View className="flex-1">
            <Row
              title={p.name}
              sub={p.price === undefined ? 'no price' : fmt.money(p.price)}
              value={fmt.grams(p.grams)}
            />
          </View>
          <Key label="Remove" spoken={`Remove ${p.name}`} kind="quiet" onPress={() => remove.mutate(p.id)} />
        </View>
      ))}
      <Choices
        label="A packet of"
        value={ingredientId}
        options={used.map((id) => ({ value: id, label: pantry.get(id)?.name ?? id }))}
        onChoose={setIngredientId}
      />
      <Field
        label="What it is called"
        value={name}
        onChangeText={setName}
        placeholder="can of coconut milk"
        maxLength={60}
      />
      <Field label="Holds" unit="g" inputMode="decimal" value={grams} onChangeText={setGrams} error={wrong} />
      <Field
        label="Costs, if you like"
        unit={fmt.settings.money}
        inputMode="decimal"
        value={price}
        onChangeText={setPrice}
        error={wrongPrice}
      />
      <Key
        label="Add this size"
        disabled={name.trim() === '' || !(value > 0) || wrong !== undefined || wrongPrice !== undefined}
        onPress={() => {
          save.mutate({
            id: newId('pack'),
            ingredientId,
            name: name.trim(),
            grams: value,
            ...(price === '' ? {} : { price: paid }),
          });
          setPrice('');
          setName('');
          setGrams('');
        }}
      />
    </View>
  );
}
