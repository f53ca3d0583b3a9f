import { zodResolver } from '@hookform/resolvers/zod';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { z } from 'zod';
import {
  ALLERGENS,
  BASES,
  CompositionPer100Schema,
  GRAIN_KINDS,
  IngredientSchema,
  type Ingredient,
} from '../../core/pantry/ingredient';
import {
  COLD,
  COOKED,
  DRINKS,
  FEELS,
  kindByBehaviour,
  OWN_DENSITY,
  OWN_KINDS,
  ownTraits,
  ownWater,
  type OwnKind,
} from '../../core/pantry/ownKind';
import { say } from '../../core/say';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { FormChoices, FormField } from '../shared/FormField';
import { newId } from '../shared/ids';
import { numberOf, typedNumber } from '../shared/typed';

const NUTRIENTS = ['fat', 'protein', 'sugar', 'starch'] as const;
const OwnSchema = z.object({
  name: IngredientSchema.shape.name,
  kind: z.enum(OWN_KINDS),
  base: z.enum(BASES),
  /** of what starch, where that is known */
  known: z.boolean(),
  thickener: z.enum(GRAIN_KINDS),
  feels: z.enum(FEELS),
  cooked: z.enum(COOKED),
  cold: z.enum(COLD),
  drinks: z.enum(Object.keys(DRINKS) as [keyof typeof DRINKS, ...(keyof typeof DRINKS)[]]),
  sour: z.boolean(),
  densityGPerMl: typedNumber(0.2, 2),
  fat: typedNumber(0, 100),
  protein: typedNumber(0, 100),
  sugar: typedNumber(0, 100),
  starch: typedNumber(0, 100),
  allergens: z.array(z.enum(ALLERGENS)),
});
type Own = z.input<typeof OwnSchema>;

const NUMBERS = [
  ['densityGPerMl', say('own.densityGPerMl')],
  ['fat', say('own.fat')],
  ['protein', say('own.protein')],
  ['sugar', say('own.sugar')],
  ['starch', say('own.starch')],
] as const;

const groupKind = (group: Ingredient['group']): OwnKind => (group === 'egg' ? 'flavour' : group);

/** Anything from a label, or without one: what it is, how it behaves, what is in it. */
export function OwnForm({ group, onDone }: { group: Ingredient['group']; onDone: (i: Ingredient) => void }) {
  const { control, handleSubmit, setError, setValue, formState } = useForm({
    resolver: zodResolver(OwnSchema),
    defaultValues: {
      name: '',
      kind: groupKind(group),
      base: 'nut',
      known: true,
      thickener: 'maize starch',
      feels: 'like flour',
      cooked: 'cloudy',
      cold: 'sets firm',
      drinks: 'neither',
      sour: false,
      densityGPerMl: String(OWN_DENSITY[groupKind(group)]),
      fat: '2',
      protein: '1',
      sugar: '0',
      starch: group === 'thickener' ? '85' : '0',
      allergens: [],
    },
  });
  const now = useWatch({ control }) as Own;
  const { kind } = now;
  const thickener = now.known
    ? now.thickener
    : kindByBehaviour({ feels: now.feels, cooked: now.cooked, cold: now.cold });
  const submit = handleSubmit((own) => {
    const n = (k: (typeof NUTRIENTS)[number]) => numberOf(own[k]);
    const named = NUTRIENTS.reduce((sum, k) => sum + n(k), 0);
    const natural = own.kind === 'fruit' || own.kind === 'purée' || own.kind === 'piece' || own.kind === 'nut';
    const per100 = {
      water: ownWater(own.kind, named),
      fat: n('fat'),
      protein: n('protein'),
      // sugar of its own, as fruit has it, sweetens and binds as it does in the table
      sugar: natural ? 0 : n('sugar'),
      lactose: natural ? n('sugar') : 0,
      starch: n('starch'),
    };
    if (!CompositionPer100Schema.safeParse(per100).success || named > 100) {
      setError('fat', { message: t('planRoom.togetherTheseAreMoreThan') });
      return;
    }
    onDone({
      id: newId('own'),
      name: own.name.trim(),
      ...(own.kind === 'milk' ? { base: own.base } : {}),
      densityGPerMl: numberOf(own.densityGPerMl),
      per100,
      ...(own.kind !== 'thickener' && n('starch') > 1 ? { thickener: 'rice flour' as const } : {}),
      ...ownTraits(own.kind, { thickener, drinks: own.drinks, sour: own.sour }),
      allergens: own.allergens,
      confidence: own.kind === 'thickener' && !own.known ? 'C' : 'B',
      own: true,
    });
  });
  return (
    <>
      <FormField control={control} name="name" label={t('planRoom.name')} />
      <FormChoices
        control={control}
        name="kind"
        label={t('planRoom.whatItIs')}
        options={OWN_KINDS.map((value) => ({ value, label: t(`ownKind.${value}`) }))}
      />
      {kind === 'milk' ? (
        <FormChoices
          control={control}
          name="base"
          label={t('planRoom.madeFrom')}
          options={BASES.map((value) => ({ value, label: t(`base.${value}`) }))}
        />
      ) : null}
      {kind === 'thickener' ? (
        <>
          <FormChoices
            control={control}
            name="known"
            label={t('own.starchOf')}
            options={[
              { value: true, label: t('own.iKnow') },
              { value: false, label: t('own.iDontKnow') },
            ]}
          />
          {now.known ? (
            <FormChoices
              control={control}
              name="thickener"
              label={t('own.kind')}
              options={GRAIN_KINDS.map((value) => ({ value, label: t(`grainKind.${value}`) }))}
            />
          ) : (
            <>
              <FormChoices
                control={control}
                name="feels"
                label={t('own.feels')}
                options={FEELS.map((value) => ({ value, label: t(`own.feels.${value}`) }))}
              />
              <FormChoices
                control={control}
                name="cooked"
                label={t('own.cooked')}
                options={COOKED.map((value) => ({ value, label: t(`own.cooked.${value}`) }))}
              />
              <FormChoices
                control={control}
                name="cold"
                label={t('own.cold')}
                options={COLD.map((value) => ({ value, label: t(`own.cold.${value}`) }))}
              />
              <Notice harm={false} text={t('own.takenAs', { kind: t(`grainKind.${thickener}`) })} />
            </>
          )}
        </>
      ) : null}
      {kind === 'piece' ? (
        <FormChoices
          control={control}
          name="drinks"
          label={t('own.inThePot')}
          options={(Object.keys(DRINKS) as (keyof typeof DRINKS)[]).map((value) => ({
            value,
            label: t(`own.drinks.${value}`),
          }))}
        />
      ) : null}
      {kind === 'fruit' || kind === 'purée' ? (
        <FormChoices
          control={control}
          name="sour"
          label={t('own.tastes')}
          options={[
            { value: true, label: t('own.sour') },
            { value: false, label: t('own.mild') },
          ]}
        />
      ) : null}
      {NUMBERS.map(([key, label]) => (
        <FormField key={key} control={control} name={key} label={t(label)} unit="g" asLabelled inputMode="decimal" />
      ))}
      <Key
        label={t('own.usualWeight', { weight: OWN_DENSITY[kind] })}
        className="self-start"
        onPress={() => setValue('densityGPerMl', String(OWN_DENSITY[kind]))}
      />
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
      <Key
        kind="yolk"
        size="amount"
        label={t('planRoom.keepIt')}
        disabled={formState.isSubmitting}
        onPress={() => void submit()}
      />
    </>
  );
}
