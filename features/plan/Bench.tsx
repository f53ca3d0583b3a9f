import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { View } from 'react-native';
import type { Forecast } from '../../core/forecast';
import { refreshCarveOuts, usualStage, withGrams, withMilk } from '../../core/formula/amounts';
import { atStages, lookUp } from '../../core/formula/compose';
import type { Plan } from '../../core/formula/plan';
import { spoonEffect } from '../../core/formula/solve';
import type { Ingredient } from '../../core/pantry/ingredient';
import { pantryWith } from '../../core/pantry/pantry';
import { eggGrams } from '../../core/units/eggs';
import { packsFor } from '../../core/units/packs';
import { FILL, toSpoons } from '../../core/units/measures';
import { useCollection } from '../../storage/hooks';
import { Key } from '../../ui/Key';
import { model } from '../../workers/client';
import { Notice } from '../../ui/Notice';
import { Spoons } from '../../ui/Spoons';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import type { Formatter } from '../shared/format';
import { IngredientSheet } from './IngredientSheet';

const SWATCH = {
  thickener: 'bg-ink',
  milk: 'bg-coolF',
  sweet: 'bg-bayF',
  egg: 'bg-yolk',
  fat: 'bg-yolk',
  fruit: 'bg-bayF',
  nut: 'bg-liquid2',
  piece: 'bg-liquid2',
  flavour: 'bg-plate',
} as const;

const stepFor = (i: Ingredient, grams: number) =>
  i.group === 'thickener' ? 1 : grams >= 500 ? 25 : grams >= 60 ? 5 : grams >= 15 ? 1 : 0.5;

/** What spoons in place of the scale do, said in one line. */
function spoonLine(i: Ingredient, grams: number, plan: Plan, fmt: Formatter): string {
  if (grams === 0) return 'left out';
  if (i.group === 'thickener') {
    const s = spoonEffect(grams, i.densityGPerMl, fmt.settings.spoons);
    const firmer = Math.round((s.stressRatio - 1) * 100);
    const effect =
      Math.abs(s.errorG) < 0.05
        ? 'exact'
        : `${s.errorG > 0 ? '+' : '−'}${fmt.grams(Math.abs(s.errorG))}, ${firmer === 0 ? 'same set' : `${Math.abs(firmer)} % ${firmer > 0 ? 'firmer' : 'softer'}`}`;
    const rounded =
      plan.starchMeasure === 'rounded spoons'
        ? `, or ${fmt.spoons(toSpoons(grams / FILL.rounded.factor, i.densityGPerMl, fmt.settings.spoons))} rounded`
        : '';
    return `${fmt.spoons(s)}, level: ${effect}${rounded}`;
  }
  if (i.egg) {
    const part = i.egg.white === 0 ? 'yolk' : i.egg.yolk === 0 ? 'white' : 'whole';
    const count = Math.round((grams / eggGrams(1, 'eu M', part)) * 2) / 2;
    return `${count} ${part === 'whole' ? (count === 1 ? 'egg' : 'eggs') : `${part}${count === 1 ? '' : 's'}`} of size M`;
  }
  const cups = i.group === 'milk' || (i.group === 'sweet' && grams > 90);
  const spoons = fmt.spoons(toSpoons(grams, i.densityGPerMl, fmt.settings.spoons, { cups }));
  return i.group === 'milk' ? `${fmt.ml(grams / i.densityGPerMl)}, ${spoons}` : `${spoons}, level`;
}

/** The ratio bench: each amount with its keys, in grams and in the cook's spoons. */
export function Bench({
  plan,
  onChange,
}: {
  plan: Plan;
  forecast: Forecast | undefined;
  onChange: (next: Plan, starchTouched?: boolean) => void;
}) {
  const fmt = useFormat();
  const pantry = pantryWith(plan.own);
  const packs = useCollection('packs');
  const inPacks = (id: string, grams: number) => {
    const pack = packs.data?.find((p) => p.ingredientId === id);
    if (!pack || grams <= 0) return '';
    const { packs: n, leftOverG } = packsFor(grams, pack);
    return `${n} × ${pack.name}${leftOverG >= 1 ? `, ${fmt.grams(leftOverG)} left over` : ''}`;
  };
  const [swapped, setSwapped] = useState<string | undefined>();
  const [picking, setPicking] = useState<{ replace?: string } | undefined>();
  const stages = atStages(plan, pantry);
  const keptBack = (id: string) => stages.slurry.find((p) => p.carved && p.ingredient.id === id)?.grams;
  const order = { thickener: 0, milk: 1, egg: 2, sweet: 3, fat: 4, fruit: 5, nut: 6, piece: 7, flavour: 8 } as const;
  const items = plan.items
    .map((item) => ({ item, ingredient: lookUp(pantry, plan, item.ingredientId) }))
    .sort((a, b) => order[a.ingredient.group] - order[b.ingredient.group]);

  /** Another thickener at equal set; where there is none, the same grams, and it is said. */
  const swap = async (base: Plan, fromId: string, toId: string) => {
    const s = await model().swap(base, fromId, toId);
    if (s.ok) onChange(withGrams(s.plan, toId, Math.round(s.grams * 2) / 2, pantryWith(base.own)), true);
    setSwapped(s.ok ? undefined : s.why);
  };

  const choose = (chosen: Ingredient) => {
    const own = chosen.own && !plan.own.some((o) => o.id === chosen.id) ? [...plan.own, chosen] : plan.own;
    const base = { ...plan, own };
    const nextPantry = pantryWith(own);
    if (picking?.replace && chosen.group === 'thickener') void swap(base, picking.replace, chosen.id);
    else if (picking?.replace) onChange(withMilk(base, picking.replace, chosen.id, nextPantry));
    else if (!plan.items.some((i) => i.ingredientId === chosen.id)) {
      const stage = usualStage(chosen);
      const grams = chosen.group === 'milk' ? 100 : chosen.group === 'flavour' ? 2 : chosen.group === 'egg' ? 50 : 10;
      onChange(
        refreshCarveOuts({ ...base, items: [...plan.items, { ingredientId: chosen.id, grams, stage }] }, nextPantry),
      );
    }
    setPicking(undefined);
  };

  /** The last milk stays: something has to be liquid. */
  const removable = (id: string) => {
    const group = lookUp(pantry, plan, id).group;
    return (
      group !== 'milk' || plan.items.filter((i) => lookUp(pantry, plan, i.ingredientId).group === 'milk').length > 1
    );
  };

  return (
    <View className="border-y-rim border-ink bg-plate">
      {items.map(({ item, ingredient }) => {
        const s = toSpoons(item.grams, ingredient.densityGPerMl, fmt.settings.spoons);
        const back = keptBack(ingredient.id);
        const replaceable = ['milk', 'sweet', 'thickener', 'egg'].includes(ingredient.group);
        return (
          <View key={item.ingredientId} className="border-b-hair border-line px-3 py-2 wide:px-6">
            <Stepper
              testID={`amount-${item.ingredientId}`}
              name={ingredient.name}
              swatch={SWATCH[ingredient.group]}
              value={item.grams}
              unit="g"
              step={stepFor(ingredient, item.grams)}
              onChange={(grams) =>
                onChange(withGrams(plan, item.ingredientId, grams, pantry), ingredient.group === 'thickener')
              }
              {...(replaceable ? { onName: () => setPicking({ replace: item.ingredientId }) } : {})}
              picture={ingredient.group === 'thickener' && item.grams > 0 ? <Spoons tbsp={s.tbsp} tsp={s.tsp} /> : null}
              sub={[
                spoonLine(ingredient, item.grams, plan, fmt),
                back ? `${fmt.grams(back)} of it kept back cold for the slurry` : '',
                inPacks(ingredient.id, item.grams),
              ]
                .filter(Boolean)
                .join('; ')}
            />
          </View>
        );
      })}
      {swapped ? <Notice text={swapped} /> : null}
      <View className="flex-row items-center justify-between gap-3 px-3 py-2 wide:px-6">
        <Type tone="quiet" className="shrink">
          Butter, egg, fruit, spice, another milk
        </Type>
        <Key label="Add" icon={Plus} onPress={() => setPicking({})} />
      </View>
      <IngredientSheet
        open={picking !== undefined}
        replacing={picking?.replace ? lookUp(pantry, plan, picking.replace) : undefined}
        plan={plan}
        onClose={() => setPicking(undefined)}
        onChoose={choose}
        onRemove={
          picking?.replace && removable(picking.replace)
            ? () => {
                onChange(
                  refreshCarveOuts(
                    {
                      ...plan,
                      items: plan.items.filter((i) => i.ingredientId !== picking.replace),
                      carveOuts: plan.carveOuts.filter((c) => c.ingredientId !== picking.replace),
                    },
                    pantry,
                  ),
                );
                setPicking(undefined);
              }
            : undefined
        }
      />
    </View>
  );
}
