import { useState } from 'react';
import { View } from 'react-native';
import { lookUp, pantryOf } from '../../core/plan/bowls';
import { potPartsOf, preparationsOf, withPotParts, withPreparations } from '../../core/plan/layout';
import type { Plan } from '../../core/plan/plan';
import { ROASTS, type Preparation } from '../../core/plan/preparation';
import { FRUITS } from '../../core/pantry/fruit';
import { ruleAgainst } from '../../core/plan/rules';
import { limit } from '../../core/model/limits';
import type { BesideStart } from '../../core/sides/sides';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { later } from '../../ui/later';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useApp, useTell } from '../shared/App';
import { newId } from '../shared/ids';
import type { useAbout } from './useAbout';
import { say, type Said } from '../../core/say';
import { learn, t } from '../../words';
import { besideForm } from '../../words/en/besideForm';

import { useKitchen } from '../shared/kitchen';

learn(besideForm);

const SecondPotForm = later(() => import('./SecondPotForm').then((m) => m.SecondPotForm));

const BESIDE_SAYS: Record<BesideStart, { label: Said; sub: Said }> = {
  sauce: { label: say('planRoom.aPotOfItsOwn'), sub: say('planRoom.aSauceAStewAnything') },
  boiled: { label: say('planRoom.boiledBesideIt'), sub: say('planRoom.aVegetableAGrainCookedApart') },
  syrup: { label: say('planRoom.syrup'), sub: say('planRoom.sugarAndWaterBoiledDown') },
  compote: { label: say('planRoom.compote'), sub: say('planRoom.stewedFruitSugarByIts') },
  infusion: { label: say('planRoom.infusion'), sub: say('planRoom.spiceDrawnInWarmMilk') },
  toasting: { label: say('planRoom.toasting'), sub: say('planRoom.nutsOrCoconutDryAnd') },
  'fried coconut': { label: say('planRoom.friedCoconutSolids'), sub: say('planRoom.creamBoiledUntilItSplits') },
  purée: { label: say('planRoom.purE'), sub: say('planRoom.fruitBoughtWholeSieved') },
  'second layer': { label: say('planRoom.secondLayer'), sub: say('planRoom.pouredOnWhenTheFirst') },
  glaze: { label: say('planRoom.glaze'), sub: say('planRoom.aFilmOnTheCold') },
};

type About = ReturnType<typeof useAbout>['about'];
type Prepared = Preparation & { id: string };

/** All that is made beside the pot: pots with a list of their own, and what is made ready; each with what comes out. */
export function SidesForm({ plan, about, onChange }: { plan: Plan; about: About; onChange: (next: Plan) => void }) {
  const { ask } = useKitchen();
  const { fmt } = useApp();
  const tell = useTell();
  const [openId, setOpenId] = useState<string | undefined>();
  const prepared = preparationsOf(plan);
  const side = prepared.find((s) => s.id === openId);
  const pot = plan.vessels.find((v) => v.id === openId);
  const start = async (kind: BesideStart) => {
    const id = newId('side');
    onChange(await ask('startBeside', [kind, id, plan]));
    setOpenId(id);
  };
  const out = () => {
    const without = withPotParts(
      withPreparations(
        plan,
        prepared.filter((s) => s.id !== openId),
      ),
      potPartsOf(plan).filter((p) => p.vesselId !== openId),
    );
    onChange({ ...without, vessels: plan.vessels.filter((v) => v.id !== openId) });
    setOpenId(undefined);
  };
  const name = pot?.name ?? (side ? t(`sideKind.${side.kind}`) : '');
  const answer = about?.sides.find((a) => a.id === openId);
  const comesTo = (a: NonNullable<About>['sides'][number]) =>
    `${Math.round(a.minutes)} min${a.makesG > 0 ? t('planRoom.makes', { makesG: fmt.grams(a.makesG) }) : ''}`;
  if (side ?? pot)
    return (
      <>
        <Key label={t('planRoom.back')} kind="quiet" onPress={() => setOpenId(undefined)} className="self-start" />
        <Type kind="title" level={3}>
          {name.charAt(0).toUpperCase() + name.slice(1)}
        </Type>
        {answer ? (
          <Type kind="strong" aria-live="polite" testID="side-makes">
            {comesTo(answer)}
          </Type>
        ) : null}
        {pot ? (
          <SecondPotForm
            plan={plan}
            pot={pot}
            onPot={(next) => onChange({ ...plan, vessels: plan.vessels.map((v) => (v.id === next.id ? next : v)) })}
            onPlan={onChange}
          />
        ) : null}
        {side ? (
          <PreparationFields
            side={side}
            plan={plan}
            onChange={(next) =>
              onChange(
                withPreparations(
                  plan,
                  prepared.map((s) => (s.id === next.id ? next : s)),
                ),
              )
            }
          />
        ) : null}
        <SideAnswer plan={plan} answer={answer} />
        <Key label={t('planRoom.leaveTheOut', { label: name })} kind="harm" onPress={out} />
      </>
    );
  return (
    <>
      {(about?.sides ?? []).map((a) => {
        const label = tell(a.name);
        return (
          <Row
            key={a.id}
            title={label.charAt(0).toUpperCase() + label.slice(1)}
            sub={comesTo(a)}
            onPress={() => setOpenId(a.id)}
          />
        );
      })}
      {plan.vessels.length + prepared.length < 12 ? (
        <View className="gap-2">
          <Type kind="strong">{t('planRoom.cookBesideIt')}</Type>
          {(Object.keys(BESIDE_SAYS) as BesideStart[]).map((k) => (
            <Key
              key={k}
              label={t(BESIDE_SAYS[k].label)}
              sub={t(BESIDE_SAYS[k].sub)}
              size="amount"
              left
              onPress={() => void start(k)}
            />
          ))}
        </View>
      ) : null}
    </>
  );
}

export function SideAnswer({ plan, answer }: { plan: Plan; answer: NonNullable<About>['sides'][number] | undefined }) {
  const { fmt, tell } = useApp();
  if (!answer) return <Type tone="quiet">{t('planRoom.workingItOut')}</Type>;
  return (
    <View className="gap-2 rounded-key bg-plate p-3" testID="side-answer" aria-live="polite">
      {answer.uses.map((u) => (
        <View key={u.ingredientId} className="flex-row items-baseline justify-between gap-3">
          <Type>{lookUp(plan, u.ingredientId).name}</Type>
          <Type kind="strong" className="shrink text-right">
            {u.boughtG
              ? t('planRoom.boughtUsed', { boughtG: fmt.grams(u.boughtG), u: fmt.grams(u.grams) })
              : fmt.grams(u.grams)}
          </Type>
        </View>
      ))}
      <View className="flex-row items-baseline justify-between gap-3">
        <Type>{answer.makesG > 0 ? t('planRoom.makes2') : t('planRoom.takes')}</Type>
        <Type kind="strong">
          {`${answer.makesG > 0 ? t('planRoom.in', { makesG: fmt.grams(answer.makesG) }) : ''}${Math.round(answer.minutes)} min`}
        </Type>
      </View>
      {answer.figures.map((f) => (
        <View key={f.name.code} className="flex-row items-baseline justify-between gap-3">
          <Type tone="quiet">{tell(f.name)}</Type>
          <Type>{tell(f.value)}</Type>
        </View>
      ))}
      {answer.does.map((d, i) => (
        <Type key={`${i}${d.code}`}>{`${i + 1}. ${tell(d)}`}</Type>
      ))}
      <Notice harm={false} text={tell(answer.notice)} />
      {answer.caution ? <Notice text={tell(answer.caution)} /> : null}
      <Type kind="small" tone="quiet">
        {answer.kind === 'pot' ? t('secondPot.limit') : tell(limit('side pot'))}
      </Type>
    </View>
  );
}

function PreparationFields({
  side,
  plan,
  onChange,
}: {
  side: Prepared;
  plan: Plan;
  onChange: (next: Prepared) => void;
}) {
  const pantry = pantryOf(plan);
  const of = (test: (i: ReturnType<typeof lookUp>) => boolean) =>
    [...pantry.values()]
      .filter((i) => test(i) && ruleAgainst(i, plan.rules) === undefined)
      .map((i) => ({ value: i.id, label: i.name }));
  const grams = (name: string, value: number, step: number, set: (g: number) => void, max = 5000) => (
    <Stepper name={name} value={value} unit="g" step={step} min={1} max={max} onChange={set} />
  );
  switch (side.kind) {
    case 'purée':
      return (
        <>
          <Choices
            label={t('planRoom.fruit')}
            value={side.fruit}
            options={FRUITS.map((v) => ({ value: v, label: t(`fruit.${v}`) }))}
            onChoose={(fruit) => onChange({ ...side, fruit })}
          />
          {grams(t('planRoom.asBought'), side.boughtG, 50, (boughtG) => onChange({ ...side, boughtG }))}
        </>
      );
    case 'infusion':
      return (
        <>
          <Choices
            label={t('planRoom.of')}
            value={side.spiceId}
            options={of((i) => i.aromaHalfS !== undefined && i.group === 'flavour' && !i.alcohol)}
            onChoose={(spiceId) => onChange({ ...side, spiceId })}
          />
          {grams(t('planRoom.spice'), side.grams, 1, (g) => onChange({ ...side, grams: g }), 200)}
          <Choices
            label={t('planRoom.asItIs')}
            value={side.form}
            options={[
              { value: 'whole' as const, label: t('planRoom.whole') },
              { value: 'ground' as const, label: t('planRoom.ground') },
            ]}
            onChoose={(form) => onChange({ ...side, form })}
          />
          <Stepper
            name={t('planRoom.milkHeldAt')}
            value={side.tempC}
            unit="°C"
            step={5}
            min={20}
            max={100}
            onChange={(tempC) => onChange({ ...side, tempC })}
          />
        </>
      );
    case 'toasting':
      return (
        <>
          <Choices
            label={t('planRoom.what')}
            value={side.whatId}
            options={of((i) => (i.group === 'piece' || i.group === 'nut') && i.per100.fat > 30)}
            onChoose={(whatId) => onChange({ ...side, whatId })}
          />
          {grams(t('planRoom.amount'), side.grams, 10, (g) => onChange({ ...side, grams: g }), 1000)}
          <Choices
            label={t('planRoom.until')}
            value={side.to}
            options={ROASTS.map((v) => ({ value: v, label: t(`roast.${v}`) }))}
            onChoose={(to) => onChange({ ...side, to })}
          />
        </>
      );
    case 'fried coconut':
      return (
        <>
          <Choices
            label={t('planRoom.from')}
            value={side.creamId}
            options={[
              { value: 'coconut_cream' as const, label: t('planRoom.coconutCream') },
              { value: 'coconut_milk' as const, label: t('planRoom.cannedCoconutMilk') },
            ]}
            onChoose={(creamId) => onChange({ ...side, creamId })}
          />
          {grams(t('planRoom.amount'), side.grams, 50, (g) => onChange({ ...side, grams: g }), 3000)}
        </>
      );
  }
}
