import { useState } from 'react';
import { View } from 'react-native';
import { lookUp } from '../../core/plan/bowls';
import { linesOf, withLines } from '../../core/plan/layout';
import { methodOf } from '../../core/plan/family';
import type { Plan, SecondPot } from '../../core/plan/plan';
import { goesNow, goingTo, POT_GOES } from '../../core/plan/potGoes';
import { asSecondPot, secondPlan } from '../../core/plan/secondPot';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { later } from '../../ui/later';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { isList } from './isList';

const TypedList = later(() => import('./TypedList').then((m) => m.TypedList));
const MethodForm = later(() => import('./MethodForm').then((m) => m.MethodForm));

/** A pot beside the pot: what goes in, what is done, and where what comes out of it goes. */
export function SecondPotForm({
  plan,
  pot,
  onPot,
  onPlan,
}: {
  plan: Plan;
  pot: SecondPot;
  onPot: (next: SecondPot) => void;
  onPlan: (next: Plan) => void;
}) {
  const [name, setName] = useState(pot.name);
  const [list, setList] = useState('');
  // its own list, without the pouring that ends the main pot's
  const own: Plan = { ...secondPlan(plan, pot), acts: pot.acts };
  const take = (next: Plan) => onPot(asSecondPot(pot, next));
  const now = goesNow(plan, pot.id);
  const bakes = methodOf(plan).some((s) => s.do === 'bake');
  return (
    <>
      <Field
        label={t('secondPot.name')}
        value={name}
        onChangeText={(text) => {
          setName(text);
          const named = text.trim();
          if (named && named.length <= 40) onPot({ ...pot, name: named });
        }}
        error={name.trim() ? undefined : t('planRoom.itShouldHaveAName')}
      />
      {pot.things.map(({ ingredientId, grams }) => (
        <Stepper
          key={ingredientId}
          name={lookUp(plan, ingredientId).name}
          value={Math.round(grams * 10) / 10}
          unit="g"
          step={grams > 100 ? 10 : grams > 20 ? 5 : 1}
          min={0}
          max={5000}
          onChange={(g) =>
            take(
              withLines(
                own,
                linesOf(own).flatMap((l) =>
                  l.ingredientId !== ingredientId ? [l] : g > 0 ? [{ ...l, grams: g }] : [],
                ),
              ),
            )
          }
        />
      ))}
      <Field
        label={t(pot.things.length ? 'secondPot.more' : 'secondPot.whatGoesIn')}
        value={list}
        onChangeText={setList}
        placeholder={t('secondPot.aList')}
        multiline
        numberOfLines={3}
      />
      {isList(list) ? (
        <TypedList
          text={list}
          plan={own}
          onTake={(next) => {
            setList('');
            // what is typed for this pot is in it from the start, whatever it is
            take(
              withLines(
                next,
                linesOf(next).map((l) =>
                  pot.things.some((x) => x.ingredientId === l.ingredientId) ? l : { ...l, in: 'pot' },
                ),
                [],
              ),
            );
          }}
        />
      ) : null}
      <Choices
        label={t('secondPot.whereTo')}
        value={now.goes}
        options={POT_GOES.filter((g) => bakes || g !== 'over, then baked').map((value) => ({
          value,
          label: t(`secondPot.goes.${value}`),
        }))}
        onChoose={(goes) => onPlan(goingTo(plan, pot.id, goes, now.share))}
      />
      {now.goes === 'table' ? null : (
        <Stepper
          name={t('secondPot.howMuch')}
          sub={now.share < 0.995 ? t('secondPot.restForTheTable') : undefined}
          value={Math.round(100 * now.share)}
          unit="%"
          step={5}
          min={5}
          max={100}
          onChange={(percent) => onPlan(goingTo(plan, pot.id, now.goes, percent / 100))}
        />
      )}
      <View className="gap-2">
        <Type kind="strong">{t('secondPot.itsWay')}</Type>
        <MethodForm plan={own} forecast={undefined} working={false} beside onChange={take} />
      </View>
    </>
  );
}
