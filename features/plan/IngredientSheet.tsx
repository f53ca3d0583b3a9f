import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { z } from 'zod';
import {
  ALLERGENS,
  BASES,
  CompositionPer100Schema,
  GROUPS,
  IngredientSchema,
  type Allergen,
  type Ingredient,
} from '../../core/pantry/ingredient';
import { nutMilk, NUTS, type Nut } from '../../core/pantry/nutMilk';
import { pantryWith } from '../../core/pantry/pantry';
import type { Plan } from '../../core/formula/plan';
import { useCollection, useSave } from '../../storage/hooks';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { newId } from '../shared/ids';

type Props = {
  open: boolean;
  replacing: Ingredient | undefined;
  plan: Plan;
  onClose: () => void;
  onChoose: (i: Ingredient) => void;
  onRemove?: () => void;
};

const about = (i: Ingredient) =>
  [
    `fat ${i.per100.fat} %`,
    `protein ${i.per100.protein} %`,
    ...i.allergens,
    ...(i.confidence === 'A' ? [] : ['brands differ, read the label']),
  ].join(', ');

/** Which milk, which sugar, what else: the pantry, the cook's own, and two ways to add to it. */
export function IngredientSheet({ open, replacing, plan, onClose, onChoose, onRemove }: Props) {
  const own = useCollection('ingredients');
  const save = useSave('ingredients');
  const [making, setMaking] = useState<'nut milk' | 'own' | undefined>();
  const groups = replacing ? [replacing.group] : GROUPS;
  const used = new Set(plan.items.map((i) => i.ingredientId));
  const all = [...pantryWith([...(own.data ?? []), ...plan.own]).values()].filter(
    (i) => groups.some((g) => g === i.group) && !used.has(i.id),
  );
  const keep = (i: Ingredient) => {
    save.mutate(i);
    setMaking(undefined);
    onChoose(i);
  };
  const close = () => {
    setMaking(undefined);
    onClose();
  };
  return (
    <Sheet open={open} title={replacing ? `In place of ${replacing.name}` : 'Add to the pot'} onClose={close}>
      {making === 'nut milk' ? <NutMilkForm onDone={keep} /> : null}
      {making === 'own' ? <OwnForm group={replacing?.group ?? 'milk'} onDone={keep} /> : null}
      {making ? null : (
        <>
          {onRemove ? <Key label={`Take ${replacing?.name} out`} kind="harm" onPress={onRemove} /> : null}
          {all.map((i) => (
            <Row key={i.id} title={i.name} sub={about(i)} onPress={() => onChoose(i)} />
          ))}
          {!replacing || replacing.group === 'milk' ? (
            <Key label="Home-made nut milk" onPress={() => setMaking('nut milk')} />
          ) : null}
          <Key label="My own, from its label" onPress={() => setMaking('own')} />
        </>
      )}
    </Sheet>
  );
}

function NutMilkForm({ onDone }: { onDone: (i: Ingredient) => void }) {
  const [nut, setNut] = useState<Nut>('hazelnut');
  const [nutG, setNutG] = useState('100');
  const [waterG, setWaterG] = useState('400');
  const [filtered, setFiltered] = useState(true);
  const grams = (t: string) => Number(t.replace(',', '.'));
  const wrong = (t: string) => (grams(t) > 0 && grams(t) <= 10000 ? undefined : 'A number of grams above 0 would do.');
  const ok = !wrong(nutG) && !wrong(waterG);
  const milk = ok ? nutMilk(nut, grams(nutG), grams(waterG), filtered) : undefined;
  return (
    <>
      <Choices
        label="Nut"
        value={nut}
        options={(Object.keys(NUTS) as Nut[]).map((n) => ({ value: n, label: n }))}
        onChoose={setNut}
      />
      <Field
        label="Nuts, shelled"
        unit="g"
        inputMode="decimal"
        value={nutG}
        onChangeText={setNutG}
        error={wrong(nutG)}
      />
      <Field label="Water" unit="g" inputMode="decimal" value={waterG} onChangeText={setWaterG} error={wrong(waterG)} />
      <Choices
        label="Strained"
        value={filtered ? 1 : 0}
        options={[
          { value: 1, label: 'through a cloth' },
          { value: 0, label: 'not strained' },
        ]}
        onChoose={(v) => setFiltered(v === 1)}
      />
      {milk ? (
        <>
          <Type kind="strong">{`Gives about ${Math.round(milk.massG)} g, fat ${milk.per100.fat} %, protein ${milk.per100.protein} %.`}</Type>
          {milk.per100.starch > 1 ? (
            <Notice harm={false} text={`Its own starch (${milk.per100.starch} %) thickens by itself when boiled.`} />
          ) : null}
          <Notice text="Tree nuts: tell your guests. Use it within two days from the fridge." />
          <Key
            kind="yolk"
            size="amount"
            label="Use this milk"
            onPress={() => {
              const { massG: _m, fatPct: _f, ...ingredient } = milk;
              onDone(ingredient);
            }}
          />
        </>
      ) : null}
    </>
  );
}

const OwnSchema = z.object({
  name: IngredientSchema.shape.name,
  group: IngredientSchema.shape.group,
  base: z.enum(BASES).optional(),
  densityGPerMl: z.coerce
    .number('should be a number, about 1 for a milk')
    .min(0.2, 'should be 0.2 or more')
    .max(2, 'should be 2 or less'),
  ...Object.fromEntries(
    (['fat', 'protein', 'sugar', 'starch'] as const).map((k) => [
      k,
      z.coerce.number('should be a number of grams').min(0, 'should be 0 or more').max(100, 'should be 100 or less'),
    ]),
  ),
  allergens: z.array(z.enum(ALLERGENS)),
});
type Own = {
  name: string;
  group: Ingredient['group'];
  base?: Ingredient['base'];
  densityGPerMl: string;
  fat: string;
  protein: string;
  sugar: string;
  starch: string;
  allergens: Allergen[];
};

const NUMBERS = [
  ['densityGPerMl', 'Weight of 1 ml', 'g'],
  ['fat', 'Fat in 100 g', 'g'],
  ['protein', 'Protein in 100 g', 'g'],
  ['sugar', 'Sugar in 100 g', 'g'],
  ['starch', 'Starch in 100 g', 'g'],
] as const;

function OwnForm({ group, onDone }: { group: Ingredient['group']; onDone: (i: Ingredient) => void }) {
  const { control, handleSubmit, setError, formState } = useForm<Own>({
    resolver: zodResolver(OwnSchema as never),
    defaultValues: {
      name: '',
      group,
      base: 'nut',
      densityGPerMl: '1.02',
      fat: '2',
      protein: '1',
      sugar: '0',
      starch: '0',
      allergens: [],
    },
  });
  const submit = handleSubmit((typed) => {
    const n = (k: 'fat' | 'protein' | 'sugar' | 'starch') => Number(typed[k]);
    const milk = typed.group === 'milk';
    const named = n('fat') + n('protein') + n('sugar') + n('starch');
    const per100 = {
      water: milk ? Math.max(0, 99.3 - named) : 0,
      fat: n('fat'),
      protein: n('protein'),
      sugar: n('sugar'),
      lactose: 0,
      starch: n('starch'),
    };
    const checked = CompositionPer100Schema.safeParse(per100);
    if (!checked.success || named > 100) {
      setError('fat', { message: 'Together these are more than 100 g in 100 g; check the label again.' });
      return;
    }
    onDone({
      id: newId('own'),
      name: typed.name.trim(),
      group: typed.group,
      ...(milk && typed.base ? { base: typed.base } : {}),
      densityGPerMl: Number(typed.densityGPerMl),
      per100,
      ...(n('starch') > 1 ? { starch: 'maize' as const } : {}),
      allergens: typed.allergens,
      confidence: 'B',
      own: true,
    });
  });
  return (
    <>
      <Controller
        control={control}
        name="name"
        render={({ field }) => (
          <Field
            label="Name"
            value={field.value}
            onChangeText={field.onChange}
            onBlur={field.onBlur}
            error={formState.errors.name?.message}
          />
        )}
      />
      <Controller
        control={control}
        name="group"
        render={({ field }) => (
          <Choices
            label="What it is"
            value={field.value}
            options={[
              { value: 'milk', label: 'a milk or water' },
              { value: 'sweet', label: 'sweet' },
              { value: 'fat', label: 'a fat' },
              { value: 'flavour', label: 'a flavour' },
            ]}
            onChoose={field.onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="base"
        render={({ field }) => (
          <Choices
            label="Made from"
            value={field.value}
            options={BASES.map((b) => ({ value: b, label: b }))}
            onChoose={field.onChange}
          />
        )}
      />
      {NUMBERS.map(([key, label, unit]) => (
        <Controller
          key={key}
          control={control}
          name={key}
          render={({ field }) => (
            <Field
              label={label}
              unit={unit}
              inputMode="decimal"
              value={field.value}
              onChangeText={field.onChange}
              onBlur={field.onBlur}
              error={formState.errors[key]?.message}
            />
          )}
        />
      ))}
      <Controller
        control={control}
        name="allergens"
        render={({ field }) => (
          <View className="gap-2">
            <Type kind="strong">Allergens in it</Type>
            <View className="flex-row flex-wrap gap-2">
              {ALLERGENS.map((a) => (
                <Key
                  key={a}
                  label={a}
                  role="checkbox"
                  selected={field.value.includes(a)}
                  onPress={() =>
                    field.onChange(field.value.includes(a) ? field.value.filter((v) => v !== a) : [...field.value, a])
                  }
                />
              ))}
            </View>
          </View>
        )}
      />
      <Key kind="yolk" size="amount" label="Keep it" onPress={() => void submit()} />
    </>
  );
}
