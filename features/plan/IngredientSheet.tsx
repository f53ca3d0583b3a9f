import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
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
import { useCollection, useSave } from '../shared/stored';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { newId } from '../shared/ids';
import { WhenForm } from './WhenForm';
import { RULE_SAYS } from './words';
import { t, named } from '../../words';
import { useTell } from '../shared/App';
import { say } from '../../core/say';
import { FormChoices, FormField } from '../shared/FormField';
import { fieldError, numberOf, typed, typedNumber, typedOr } from '../shared/typed';

type Props = {
  open: boolean;
  replacing: Ingredient | undefined;
  plan: Plan;
  onClose: () => void;
  onChoose: (i: Ingredient) => void;
  /** the plan with this one going in elsewhere */
  onWhen: (next: Plan) => void;
  onRemove?: () => void;
};

const about = (i: Ingredient) =>
  [
    t('planRoom.fat', { fat: i.per100.fat }),
    t('planRoom.protein', { protein: i.per100.protein }),
    ...i.allergens,
    ...(i.confidence === 'A' ? [] : [t('planRoom.brandsDifferReadTheLabel')]),
  ].join(', ');

/** Why the occasion forbids it, or undefined. */
const against = (i: Ingredient, plan: Plan): string | undefined => {
  const rule = ruleAgainst(i, plan.rules);
  return rule ? t('planRoom.notHere', { label: t(RULE_SAYS[rule].label).toLowerCase() }) : undefined;
};

/** Which milk, which sugar, what else: the pantry, the cook's own, and two ways to add to it. */
export function IngredientSheet({ open, replacing, plan, onClose, onChoose, onWhen, onRemove }: Props) {
  const tell = useTell();
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
    <Sheet
      open={open}
      title={replacing ? t('planRoom.inPlaceOf', { replacingName: replacing.name }) : t('planRoom.addToThePot')}
      onClose={close}
    >
      {making === 'nut milk' ? (
        <NutMilkForm needG={plan.items.find((i) => i.ingredientId === replacing?.id)?.grams ?? 0} onDone={keep} />
      ) : null}
      {making === 'own' ? <OwnForm group={replacing?.group ?? 'milk'} onDone={keep} /> : null}
      {making ? null : (
        <>
          {replacing ? <WhenForm plan={plan} ingredient={replacing} onChange={onWhen} /> : null}
          {onRemove ? (
            <Key label={t('planRoom.takeOut', { replacingName: replacing?.name })} kind="harm" onPress={onRemove} />
          ) : null}
          <Field
            label={t('planRoom.itsName')}
            value={name}
            onChangeText={setName}
            placeholder={t('planRoom.riceCornflourCoconut')}
          />
          {which ? (
            <View className="gap-2 rounded-key bg-plate p-3" testID="which">
              <Type kind="strong">{tell(which.question)}</Type>
              {which.options.map((o) => {
                const i = pantry.get(o.ingredientId)!;
                const why = against(i, plan) ?? (used.has(i.id) ? t('planRoom.inThePlanAlready') : undefined);
                return (
                  <Row
                    key={i.id}
                    title={tell(o.label)}
                    sub={why ?? `${tell(o.tell)}: ${i.name}`}
                    {...(why ? {} : { onPress: () => pick(i) })}
                  />
                );
              })}
            </View>
          ) : null}
          {all.length === 0 && !which ? <Notice harm={false} text={t('planRoom.nothingOfThatNameHere')} /> : null}
          {all.map((i) => (
            <Row
              key={i.id}
              title={i.name}
              sub={against(i, plan) ?? about(i)}
              {...(against(i, plan) ? {} : { onPress: () => pick(i) })}
            />
          ))}
          {!replacing || replacing.group === 'milk' ? (
            <Key label={t('planRoom.homeMadeNutOrCoconut')} onPress={() => setMaking('nut milk')} />
          ) : null}
          <Key label={t('planRoom.myOwnFromItsLabel')} onPress={() => setMaking('own')} />
        </>
      )}
    </Sheet>
  );
}

const nutGrams = z.number().positive().max(10000);
const NutMilkTyped = z.object({
  nut: z.enum(Object.keys(NUTS) as [Nut, ...Nut[]]),
  nutG: typed(nutGrams),
  waterG: typed(nutGrams),
  filtered: z.boolean(),
  /** how much milk is wanted, where that is asked */
  wantedG: typedOr(nutGrams.optional(), undefined),
});

/** Nuts and water to milk, and the other way: how much of both for how much milk. */
function NutMilkForm({ needG, onDone }: { needG: number; onDone: (i: Ingredient) => void }) {
  const { control, setValue } = useForm({
    resolver: zodResolver(NutMilkTyped as never),
    mode: 'onChange',
    defaultValues: {
      nut: 'hazelnut',
      nutG: '100',
      waterG: '400',
      filtered: true,
      wantedG: needG > 0 ? String(Math.round(needG)) : '',
    },
  });
  const now = useWatch({ control });
  const read = NutMilkTyped.safeParse({ ...now, wantedG: '' });
  const milk = read.success ? nutMilk(read.data.nut, read.data.nutG, read.data.waterG, read.data.filtered) : undefined;
  const wanted = NutMilkTyped.shape.wantedG.safeParse(now.wantedG).data;
  const forThat =
    read.success && wanted !== undefined && milk && milk.massG > 0
      ? nutsFor(read.data.nut, wanted, read.data.waterG / read.data.nutG, read.data.filtered)
      : undefined;
  return (
    <>
      <FormChoices
        control={control}
        name="nut"
        label={t('planRoom.nut')}
        options={(Object.keys(NUTS) as Nut[]).map((n) => ({ value: n, label: t(`nut.${n}`) }))}
      />
      <FormField control={control} name="nutG" label={t('planRoom.nutsShelled')} unit="g" inputMode="decimal" />
      <FormField control={control} name="waterG" label={t('planRoom.water')} unit="g" inputMode="decimal" />
      <FormChoices
        control={control}
        name="filtered"
        label={t('planRoom.strained')}
        options={[
          { value: true, label: t('planRoom.throughACloth') },
          { value: false, label: t('planRoom.notStrained') },
        ]}
      />
      {milk ? (
        <>
          <FormField control={control} name="wantedG" label={t('planRoom.iWantMilk')} unit="g" inputMode="decimal" />
          {forThat ? (
            <View className="gap-2" testID="nuts-for">
              <Type kind="strong">
                {t('planRoom.gAndGWaterMake', {
                  nutG: Math.round(forThat.nutG),
                  nut: t(`nut.${read.data!.nut}`),
                  waterG: Math.round(forThat.waterG),
                })}
              </Type>
              <Key
                label={t('planRoom.takeThose')}
                className="self-start"
                onPress={() => {
                  setValue('nutG', String(Math.round(forThat.nutG)));
                  setValue('waterG', String(Math.round(forThat.waterG)));
                }}
              />
            </View>
          ) : null}
          <Type kind="strong">
            {t('planRoom.givesAboutGFatProtein', {
              massG: Math.round(milk.massG),
              fat: milk.per100.fat,
              protein: milk.per100.protein,
            })}
          </Type>
          {milk.per100.starch > 1 ? (
            <Notice harm={false} text={t('planRoom.itsOwnStarchThickensBy', { starch: milk.per100.starch })} />
          ) : null}
          <Notice text={t('planRoom.containsTellYourGuestsUse', { allergens: named('allergen', milk.allergens) })} />
          <Key
            kind="yolk"
            size="amount"
            label={t('planRoom.useThisMilk')}
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
  densityGPerMl: typedNumber(0.2, 2),
  ...Object.fromEntries((['fat', 'protein', 'sugar', 'starch'] as const).map((k) => [k, typedNumber(0, 100)])),
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
  ['densityGPerMl', say('own.densityGPerMl')],
  ['fat', say('own.fat')],
  ['protein', say('own.protein')],
  ['sugar', say('own.sugar')],
  ['starch', say('own.starch')],
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
  const submit = handleSubmit((own) => {
    const n = (k: 'fat' | 'protein' | 'sugar' | 'starch') => numberOf(own[k]);
    const milk = own.group === 'milk';
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
      setError('fat', { message: t('planRoom.togetherTheseAreMoreThan') });
      return;
    }
    onDone({
      id: newId('own'),
      name: own.name.trim(),
      group: own.group,
      ...(milk && own.base ? { base: own.base } : {}),
      densityGPerMl: numberOf(own.densityGPerMl),
      per100,
      ...(n('starch') > 1 ? { thickener: 'maize starch' as const } : {}),
      allergens: own.allergens,
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
            label={t('planRoom.name')}
            value={field.value}
            onChangeText={field.onChange}
            onBlur={field.onBlur}
            error={fieldError(formState.errors.name?.message)}
          />
        )}
      />
      <Controller
        control={control}
        name="group"
        render={({ field }) => (
          <Choices
            label={t('planRoom.whatItIs')}
            value={field.value}
            options={[
              { value: 'milk', label: t('planRoom.aMilkOrWater') },
              { value: 'sweet', label: t('planRoom.sweet') },
              { value: 'fat', label: t('planRoom.aFat') },
              { value: 'flavour', label: t('planRoom.aFlavour') },
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
            label={t('planRoom.madeFrom')}
            value={field.value}
            options={BASES.map((b) => ({ value: b, label: t(`base.${b}`) }))}
            onChoose={field.onChange}
          />
        )}
      />
      {NUMBERS.map(([key, label]) => (
        <Controller
          key={key}
          control={control}
          name={key}
          render={({ field }) => (
            <Field
              label={t(label)}
              unit="g"
              inputMode="decimal"
              value={field.value}
              onChangeText={field.onChange}
              onBlur={field.onBlur}
              error={fieldError(formState.errors[key]?.message)}
            />
          )}
        />
      ))}
      <Controller
        control={control}
        name="allergens"
        render={({ field }) => (
          <View className="gap-2">
            <Type kind="strong">{t('planRoom.allergensInIt')}</Type>
            <View className="flex-row flex-wrap gap-2">
              {ALLERGENS.map((a) => (
                <Key
                  key={a}
                  label={t(`allergen.${a}`)}
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
      <Key kind="yolk" size="amount" label={t('planRoom.keepIt')} onPress={() => void submit()} />
    </>
  );
}
