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
import { nutMilk, nutsFor, NUTS, type Nut } from '../../core/pantry/nutMilk';
import { pantryWith } from '../../core/pantry/pantry';
import { whichIs } from '../../core/pantry/whichOne';
import type { Plan } from '../../core/plan/plan';
import { ruleAgainst } from '../../core/plan/rules';
import { useCollection, useSave } from '../../storage/hooks';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { newId } from '../shared/ids';
import { RULE_SAYS } from './words';

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

/** Why the occasion forbids it, or undefined. */
const against = (i: Ingredient, plan: Plan): string | undefined => {
  const rule = ruleAgainst(i, plan.rules);
  return rule ? `not here: ${RULE_SAYS[rule].label.toLowerCase()}` : undefined;
};

/** Which milk, which sugar, what else: the pantry, the cook's own, and two ways to add to it. */
export function IngredientSheet({ open, replacing, plan, onClose, onChoose, onRemove }: Props) {
  const own = useCollection('ingredients');
  const save = useSave('ingredients');
  const [making, setMaking] = useState<'nut milk' | 'own' | undefined>();
  const groups = replacing ? [replacing.group] : GROUPS;
  const used = new Set(plan.items.map((i) => i.ingredientId));
  const [name, setName] = useState('');
  const sought = name.trim().toLowerCase();
  const which = sought ? whichIs(sought) : undefined;
  const pantry = pantryWith([...(own.data ?? []), ...plan.own]);
  const all = [...pantry.values()].filter(
    (i) => !used.has(i.id) && (sought ? i.name.toLowerCase().includes(sought) : groups.some((g) => g === i.group)),
  );
  const keep = (i: Ingredient) => {
    save.mutate(i);
    setMaking(undefined);
    pick(i);
  };
  const pick = (i: Ingredient) => {
    setName('');
    onChoose(i);
  };
  const close = () => {
    setMaking(undefined);
    setName('');
    onClose();
  };
  return (
    <Sheet open={open} title={replacing ? `In place of ${replacing.name}` : 'Add to the pot'} onClose={close}>
      {making === 'nut milk' ? (
        <NutMilkForm needG={plan.items.find((i) => i.ingredientId === replacing?.id)?.grams ?? 0} onDone={keep} />
      ) : null}
      {making === 'own' ? <OwnForm group={replacing?.group ?? 'milk'} onDone={keep} /> : null}
      {making ? null : (
        <>
          {onRemove ? <Key label={`Take ${replacing?.name} out`} kind="harm" onPress={onRemove} /> : null}
          <Field label="Its name" value={name} onChangeText={setName} placeholder="rice, cornflour, coconut …" />
          {which ? (
            <View className="gap-2 rounded-key bg-plate p-3" testID="which">
              <Type kind="strong">{which.question}</Type>
              {which.options.map((o) => {
                const i = pantry.get(o.ingredientId)!;
                const why = against(i, plan) ?? (used.has(i.id) ? 'in the plan already' : undefined);
                return (
                  <Row
                    key={i.id}
                    title={o.label}
                    sub={why ?? `${o.tell}: ${i.name}`}
                    {...(why ? {} : { onPress: () => pick(i) })}
                  />
                );
              })}
            </View>
          ) : null}
          {all.length === 0 && !which ? (
            <Notice harm={false} text="Nothing of that name here. Try another word for it, or add it from its label." />
          ) : null}
          {all.map((i) => (
            <Row
              key={i.id}
              title={i.name}
              sub={against(i, plan) ?? about(i)}
              {...(against(i, plan) ? {} : { onPress: () => pick(i) })}
            />
          ))}
          {!replacing || replacing.group === 'milk' ? (
            <Key label="Home-made nut or coconut milk" onPress={() => setMaking('nut milk')} />
          ) : null}
          <Key label="My own, from its label" onPress={() => setMaking('own')} />
        </>
      )}
    </Sheet>
  );
}

/** Nuts and water to milk, and the other way: how much of both for how much milk. */
function NutMilkForm({ needG, onDone }: { needG: number; onDone: (i: Ingredient) => void }) {
  const [nut, setNut] = useState<Nut>('hazelnut');
  const [nutG, setNutG] = useState('100');
  const [waterG, setWaterG] = useState('400');
  const [filtered, setFiltered] = useState(true);
  const grams = (t: string) => Number(t.replace(',', '.'));
  const wrong = (t: string) => (grams(t) > 0 && grams(t) <= 10000 ? undefined : 'A number of grams above 0 would do.');
  const ok = !wrong(nutG) && !wrong(waterG);
  const milk = ok ? nutMilk(nut, grams(nutG), grams(waterG), filtered) : undefined;
  const [wantedG, setWantedG] = useState(needG > 0 ? String(Math.round(needG)) : '');
  const wantedBad = wantedG === '' ? undefined : wrong(wantedG);
  const forThat =
    wantedG !== '' && !wantedBad && milk && milk.massG > 0
      ? nutsFor(nut, grams(wantedG), grams(waterG) / grams(nutG), filtered)
      : undefined;
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
          <Field
            label="I want milk"
            unit="g"
            inputMode="decimal"
            value={wantedG}
            onChangeText={setWantedG}
            error={wantedBad}
          />
          {forThat ? (
            <View className="gap-2" testID="nuts-for">
              <Type kind="strong">{`${Math.round(forThat.nutG)} g ${nut} and ${Math.round(forThat.waterG)} g water make that.`}</Type>
              <Key
                label="Take those"
                className="self-start"
                onPress={() => {
                  setNutG(String(Math.round(forThat.nutG)));
                  setWaterG(String(Math.round(forThat.waterG)));
                }}
              />
            </View>
          ) : null}
          <Type kind="strong">{`Gives about ${Math.round(milk.massG)} g, fat ${milk.per100.fat} %, protein ${milk.per100.protein} %.`}</Type>
          {milk.per100.starch > 1 ? (
            <Notice harm={false} text={`Its own starch (${milk.per100.starch} %) thickens by itself when boiled.`} />
          ) : null}
          <Notice
            text={`Contains ${milk.allergens.join(', ')}: tell your guests. Use it within two days from the fridge.`}
          />
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
      ...(n('starch') > 1 ? { thickener: 'maize starch' as const } : {}),
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
