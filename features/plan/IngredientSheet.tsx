import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { z } from 'zod';
import { GROUPS, type Ingredient } from '../../core/pantry/ingredient';
import { nutMilk, nutsFor, NUTS, type Nut } from '../../core/pantry/nutMilk';
import { pantryWith } from '../../core/pantry/pantry';
import { whichIs } from '../../core/pantry/whichOne';
import type { Plan } from '../../core/plan/plan';
import { ruleAgainst } from '../../core/plan/rules';
import { useCollection, useSave } from '../shared/stored';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { later } from '../../ui/later';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { OwnForm } from './OwnForm';
import { WhenForm } from './WhenForm';
import { isList } from './isList';
import { RULE_SAYS } from './words';
import { learn, t, named } from '../../words';
import { useFormat, useTell } from '../shared/App';
import { FormChoices, FormField } from '../shared/FormField';
import { typed, typedOr } from '../shared/typed';
import { ingredientSheet } from '../../words/en/ingredientSheet';

const TypedList = later(() => import('./TypedList').then((m) => m.TypedList));

learn(ingredientSheet);

type Props = {
  open: boolean;
  replacing: Ingredient | undefined;
  plan: Plan;
  onClose: () => void;
  onChoose: (i: Ingredient) => void;
  /** a typed list is in */
  onTyped: (next: Plan) => void;
  /** the plan with this one going in elsewhere */
  onWhen: (next: Plan) => void;
  onRemove?: () => void;
};

const capital = (name: string) => name.charAt(0).toUpperCase() + name.slice(1);
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
export function IngredientSheet({ open, replacing, plan, onClose, onChoose, onTyped, onWhen, onRemove }: Props) {
  const tell = useTell();
  const own = useCollection('ingredients');
  const save = useSave('ingredients');
  const [making, setMaking] = useState<'nut milk' | 'own' | undefined>();
  const groups = replacing ? [replacing.group] : GROUPS;
  const used = new Set(plan.things.map((i) => i.ingredientId));
  const [name, setName] = useState('');
  const sought = name.trim().toLowerCase();
  const listed = !replacing && isList(name);
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
    <Sheet open={open} title={replacing ? capital(replacing.name) : t('planRoom.addToThePot')} onClose={close}>
      {making === 'nut milk' ? (
        <NutMilkForm needG={plan.things.find((i) => i.ingredientId === replacing?.id)?.grams ?? 0} onDone={keep} />
      ) : null}
      {making === 'own' ? <OwnForm group={replacing?.group ?? 'milk'} onDone={keep} /> : null}
      {making ? null : (
        <>
          {replacing ? <WhenForm plan={plan} ingredient={replacing} onChange={onWhen} /> : null}
          {onRemove ? (
            <Key label={t('planRoom.takeOut', { replacingName: replacing?.name })} kind="harm" onPress={onRemove} />
          ) : null}
          <Field
            label={replacing ? t('planRoom.itsName') : t('planRoom.whatGoesIn')}
            value={name}
            onChangeText={setName}
            {...(replacing
              ? { placeholder: t('planRoom.riceCornflourCoconut') }
              : { placeholder: t('planRoom.aNameOrAList'), multiline: true, numberOfLines: 3 })}
          />
          {listed ? (
            <TypedList
              text={name}
              plan={{ ...plan, own: [...new Map([...(own.data ?? []), ...plan.own].map((i) => [i.id, i])).values()] }}
              onTake={(next) => {
                setName('');
                onTyped({ ...next, own: next.own.filter((i) => next.things.some((x) => x.ingredientId === i.id)) });
              }}
            />
          ) : null}
          {which && !listed ? (
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
          {listed ? null : (
            <>
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
  const fmt = useFormat();
  const { control, setValue } = useForm({
    resolver: zodResolver(NutMilkTyped),
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
                  nutG: fmt.grams(forThat.nutG),
                  nut: t(`nut.${read.data!.nut}`),
                  waterG: fmt.grams(forThat.waterG),
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
              massG: fmt.grams(milk.massG),
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
