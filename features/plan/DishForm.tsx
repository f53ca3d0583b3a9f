import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Forecast } from '../../core/model/forecast';
import { haveOf, scaleToDish } from '../../core/plan/amounts';
import type { Plan } from '../../core/plan/plan';
import { DISHES, DishSchema, type Dish } from '../../core/pantry/kitchen';
import { asDish } from '../../core/vessels/vessel';
import { dishesFor } from '../../core/plan/newPlan';
import { useCollection, useRemove, useSave } from '../shared/stored';
import { useTakeBack } from '../shared/useTakeBack';
import { Choices } from '../../ui/Choices';
import { CutGrid } from '../../ui/CutGrid';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import type { useAbout } from './useAbout';
import { Have } from './Have';
import { VesselForm } from './VesselForm';
import { learn, t } from '../../words';
import { dishForm } from '../../words/en/dishForm';

learn(dishForm);

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
  const back = useTakeBack();
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
  const put = (dish: Dish) =>
    onChange({ ...plan, dish: { ...dish, count: dishesFor(dish, plan.people, plan.portionG) } });
  /** A measure changed by hand is no longer the tin that was drawn. */
  const reshape = (change: Partial<Dish>) => {
    const { form: _form, ...rest } = plan.dish;
    onChange({ ...plan, dish: { ...rest, ...change } });
  };
  if (making)
    return (
      <>
        <Key label={t('planRoom.back')} kind="quiet" onPress={() => setMaking(false)} className="self-start" />
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
  // one's own stand first: the list is drawn when they are read, not moved by them
  if (vessels.isPending) return null;
  const fit = about?.dish;
  const grid = about?.cut;
  const own = now >= 0 ? all[now]!.ownId : undefined;
  return (
    <>
      {/* its room is there before it is reckoned: nothing below moves under a thumb */}
      <View className="min-h-[148px] gap-1 rounded-key bg-plate p-3" testID="dish-fit" aria-live="polite">
        {fit ? (
          <>
            <Type kind="title" level={3}>
              {fit.overMl > 0
                ? t('planRoom.tooMuch', { overMl: fmt.ml(fit.overMl) })
                : t('planRoom.fullMmDeep', {
                    fillRel: Math.round(fit.fillRel * 100),
                    depthMm: fmt.length(fit.depthMm),
                  })}
            </Type>
            <Type tone="quiet">
              {t('planRoom.portionsOf', {
                portions: fit.portions,
                portionG: fmt.grams(plan.portionG),
                do:
                  fit.dishesNeeded !== plan.dish.count
                    ? t('planRoom.ofTheseWouldDo', { dishesNeeded: fit.dishesNeeded })
                    : '',
              })}
            </Type>
            {fit.overMl > 0 || fit.dishesNeeded !== plan.dish.count ? (
              <Key
                label={t('planRoom.take', { dishesNeeded: fit.dishesNeeded })}
                className="self-start"
                onPress={() => onChange({ ...plan, dish: { ...plan.dish, count: Math.min(60, fit.dishesNeeded) } })}
              />
            ) : null}
          </>
        ) : null}
      </View>
      {grid && plan.dish.form ? (
        <View className="gap-2">
          <CutGrid
            form={plan.dish.form}
            cut={grid}
            label={
              grid.cut === 'squares'
                ? t('planRoom.cutByPieces', { columns: grid.columns, rows: grid.rows, pieces: grid.pieces })
                : t('planRoom.cutIntoWedges', { pieces: grid.pieces })
            }
          />
          <Type kind="strong">
            {grid.cut === 'squares'
              ? t('planRoom.piecesOfMm', {
                  columns: grid.columns,
                  rows: grid.rows,
                  pieces: grid.pieces,
                  pieceMm: fmt.length(grid.pieceMm[0]),
                  pieceMm2: fmt.length(grid.pieceMm[1]),
                })
              : t('planRoom.wedgesMmAtTheRim', { pieces: grid.pieces, rimMm: fmt.length(grid.rimMm) })}
          </Type>
        </View>
      ) : null}
      {plan.dish.form && plan.dish.wall === 'metal' ? (
        <Key
          label={t('planRoom.paperToLineItWith')}
          size="amount"
          onPress={() => router.push(`/lining?id=${plan.id}` as '/lining')}
        />
      ) : null}
      <Choices
        label={t('planRoom.kind')}
        column
        value={now}
        options={all.map((d, i) => ({
          value: i,
          label: fmt.named(d.name),
          sub: t('planRoom.mmHigh', {
            capacityMl: fmt.ml(d.dish.capacityMl),
            heightMm: fmt.length(d.dish.heightMm),
            wall: t(`made.${d.dish.wall}`),
          }),
        }))}
        onChoose={(i) => put(all[i]!.dish)}
      />
      <Key label={t('planRoom.aDishOfMyOwn')} onPress={() => setMaking(true)} />
      {own ? (
        <Key
          label={t('planRoom.forget', { nowName: all[now]!.name })}
          kind="quiet"
          onPress={() => {
            const was = mine.find((v) => v.id === own);
            remove.mutate(own);
            if (was) back.offer(t('planRoom.isForgotten', { name: was.name }), () => save.mutate(was));
          }}
        />
      ) : null}
      {back.bar}
      <Stepper
        name={t('planRoom.howMany')}
        value={plan.dish.count}
        unit=""
        step={1}
        min={1}
        max={60}
        onChange={(count) => onChange({ ...plan, dish: { ...plan.dish, count: Math.round(count) } })}
      />
      <Stepper
        name={t('planRoom.eachHolds')}
        value={plan.dish.capacityMl}
        unit="ml"
        step={10}
        min={30}
        max={8000}
        onChange={(capacityMl) => reshape({ capacityMl })}
      />
      <Stepper
        name={t('planRoom.height')}
        value={plan.dish.heightMm}
        unit="mm"
        step={5}
        min={10}
        max={250}
        onChange={(heightMm) => reshape({ heightMm })}
      />
      <Choices
        label={t('planRoom.wall')}
        value={plan.dish.wall}
        options={DishSchema.shape.wall.options.map((w) => ({ value: w, label: t(`made.${w}`) }))}
        onChoose={(wall) => onChange({ ...plan, dish: { ...plan.dish, wall } })}
      />
      {plan.dish.wall === 'glass' ? <Notice text={t('planRoom.coldGlassCanCrackUnder')} /> : null}
      {haveOf(plan) ? (
        <Have plan={plan} onChange={onChange} />
      ) : (
        <Key
          label={t('planRoom.makeEnoughToFillThem')}
          onPress={() => onChange(scaleToDish(plan, forecast?.lossRel ?? 0.06))}
        />
      )}
    </>
  );
}
