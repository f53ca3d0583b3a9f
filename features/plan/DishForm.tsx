import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Forecast } from '../../core/model/forecast';
import { scaleToDish } from '../../core/plan/amounts';
import type { Plan } from '../../core/plan/plan';
import { DISHES, DishSchema, type Dish } from '../../core/pantry/kitchen';
import { asDish } from '../../core/vessels/vessel';
import { useCollection, useRemove, useSave } from '../../storage/hooks';
import { Choices } from '../../ui/Choices';
import { CutGrid } from '../../ui/CutGrid';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import type { useAbout } from './useAbout';
import { VesselForm } from './VesselForm';

/** What it is poured into: the cook's own dishes and the usual ones, whether it fits, how it is cut and lined. */
export function DishForm({
  plan,
  forecast,
  about,
  onChange,
}: {
  plan: Plan;
  forecast: Forecast | undefined;
  about: ReturnType<typeof useAbout>['about'];
  onChange: (next: Plan) => void;
}) {
  const fmt = useFormat();
  const router = useRouter();
  const vessels = useCollection('vessels');
  const save = useSave('vessels');
  const remove = useRemove('vessels');
  const [making, setMaking] = useState(false);
  const mine = (vessels.data ?? []).filter((v) => v.use === 'dish');
  const all: { name: string; dish: Dish; ownId?: string }[] = [
    ...mine.map((v) => ({ name: v.name, dish: asDish(v), ownId: v.id })),
    ...DISHES.map(({ name, ...dish }) => ({ name, dish: dish as Dish })),
  ];
  const same = (d: Dish) =>
    d.capacityMl === plan.dish.capacityMl &&
    d.heightMm === plan.dish.heightMm &&
    JSON.stringify(d.form) === JSON.stringify(plan.dish.form);
  const now = all.findIndex((d) => same(d.dish));
  const put = (dish: Dish) => onChange({ ...plan, dish: { ...dish, count: dish.capacityMl > 600 ? 1 : plan.people } });
  /** A measure changed by hand is no longer the tin that was drawn. */
  const reshape = (change: Partial<Dish>) => {
    const { form: _form, ...rest } = plan.dish;
    onChange({ ...plan, dish: { ...rest, ...change } });
  };
  if (making)
    return (
      <>
        <Key label="Back" kind="quiet" onPress={() => setMaking(false)} className="self-start" />
        <VesselForm
          use="dish"
          onDone={(v) => {
            save.mutate(v);
            put(asDish(v));
            setMaking(false);
          }}
        />
      </>
    );
  const fit = about?.dish;
  const grid = about?.cut;
  const own = now >= 0 ? all[now]!.ownId : undefined;
  return (
    <>
      {fit ? (
        <View className="gap-1 rounded-key bg-plate p-3" testID="dish-fit" aria-live="polite">
          <Type kind="title" level={3}>
            {fit.overMl > 0
              ? `${fmt.ml(fit.overMl)} too much`
              : `${Math.round(fit.fillRel * 100)} % full, ${Math.round(fit.depthMm)} mm deep`}
          </Type>
          <Type tone="quiet">
            {`${fit.portions} portions of ${fmt.grams(plan.portionG)}${fit.dishesNeeded !== plan.dish.count ? `; ${fit.dishesNeeded} of these would do` : ''}.`}
          </Type>
          {fit.overMl > 0 || fit.dishesNeeded !== plan.dish.count ? (
            <Key
              label={`Take ${fit.dishesNeeded}`}
              className="self-start"
              onPress={() => onChange({ ...plan, dish: { ...plan.dish, count: Math.min(60, fit.dishesNeeded) } })}
            />
          ) : null}
        </View>
      ) : null}
      {grid && plan.dish.form ? (
        <View className="gap-2">
          <CutGrid
            form={plan.dish.form}
            cut={grid}
            label={
              grid.cut === 'squares'
                ? `Cut ${grid.columns} by ${grid.rows}: ${grid.pieces} pieces`
                : `Cut into ${grid.pieces} wedges`
            }
          />
          <Type kind="strong">
            {grid.cut === 'squares'
              ? `${grid.columns} × ${grid.rows}: ${grid.pieces} pieces of ${Math.round(grid.pieceMm[0])} × ${Math.round(grid.pieceMm[1])} mm`
              : `${grid.pieces} wedges, ${Math.round(grid.rimMm)} mm at the rim`}
          </Type>
        </View>
      ) : null}
      {plan.dish.form && plan.dish.wall === 'metal' ? (
        <Key
          label="Paper to line it with"
          size="amount"
          onPress={() => router.push(`/lining?id=${plan.id}` as '/lining')}
        />
      ) : null}
      <Choices
        label="Kind"
        column
        value={now}
        options={all.map((d, i) => ({
          value: i,
          label: d.name,
          sub: `${fmt.ml(d.dish.capacityMl)}, ${d.dish.heightMm} mm high, ${d.dish.wall}`,
        }))}
        onChoose={(i) => put(all[i]!.dish)}
      />
      <Key label="A dish of my own" onPress={() => setMaking(true)} />
      {own ? <Key label={`Forget ${all[now]!.name}`} kind="quiet" onPress={() => remove.mutate(own)} /> : null}
      <Stepper
        name="How many"
        value={plan.dish.count}
        unit=""
        step={1}
        min={1}
        max={60}
        onChange={(count) => onChange({ ...plan, dish: { ...plan.dish, count: Math.round(count) } })}
      />
      <Stepper
        name="Each holds"
        value={plan.dish.capacityMl}
        unit="ml"
        step={10}
        min={30}
        max={8000}
        onChange={(capacityMl) => reshape({ capacityMl })}
      />
      <Stepper
        name="Height"
        value={plan.dish.heightMm}
        unit="mm"
        step={5}
        min={10}
        max={250}
        onChange={(heightMm) => reshape({ heightMm })}
      />
      <Choices
        label="Wall"
        value={plan.dish.wall}
        options={DishSchema.shape.wall.options.map((w) => ({ value: w, label: w }))}
        onChoose={(wall) => onChange({ ...plan, dish: { ...plan.dish, wall } })}
      />
      {plan.dish.wall === 'glass' ? (
        <Notice text="Cold glass can crack under a hot filling. Warm it first, and ask its maker whether it takes heat." />
      ) : null}
      <Key label="Make enough to fill them" onPress={() => onChange(scaleToDish(plan, forecast?.lossRel ?? 0.06))} />
    </>
  );
}
