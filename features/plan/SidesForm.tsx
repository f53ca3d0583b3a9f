import { useState } from 'react';
import { View } from 'react-native';
import { lookUp, pantryOf } from '../../core/plan/bowls';
import type { Plan } from '../../core/plan/plan';
import { ruleAgainst } from '../../core/plan/rules';
import { limit } from '../../core/model/limits';
import { FRUITS, ROASTS, SIDE_KINDS, SYRUPS, type SideKind, type SidePot } from '../../core/plan/sidePot';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useApp, useFormat } from '../shared/App';
import { newId } from '../shared/ids';
import type { useAbout } from './useAbout';
import { SIDE_SAYS } from './words';
import { t } from '../../words';
import { useKitchen } from '../shared/kitchen';

type About = ReturnType<typeof useAbout>['about'];

/** The pots beside the pot: syrups, compotes, layers; each with what to weigh, how long and what comes out. */
export function SidesForm({ plan, about, onChange }: { plan: Plan; about: About; onChange: (next: Plan) => void }) {
  const { ask } = useKitchen();
  const fmt = useFormat();
  const [openId, setOpenId] = useState<string | undefined>();
  const side = plan.sides.find((s) => s.id === openId);
  const put = (next: SidePot) => onChange({ ...plan, sides: plan.sides.map((s) => (s.id === next.id ? next : s)) });
  const start = async (kind: SideKind) => {
    const next = await ask('startSide', [kind, newId('side'), plan]);
    onChange({ ...plan, sides: [...plan.sides, next] });
    setOpenId(next.id);
  };
  if (side)
    return (
      <>
        <Key label={t('planRoom.back')} kind="quiet" onPress={() => setOpenId(undefined)} className="self-start" />
        <Type kind="title" level={3}>
          {t(SIDE_SAYS[side.kind].label)}
        </Type>
        <SideFields side={side} plan={plan} onChange={put} />
        <SideAnswer plan={plan} answer={about?.sides.find((a) => a.id === side.id)} />
        <Key
          label={t('planRoom.leaveTheOut', { label: t(SIDE_SAYS[side.kind].label).toLowerCase() })}
          kind="harm"
          onPress={() => {
            onChange({ ...plan, sides: plan.sides.filter((s) => s.id !== side.id) });
            setOpenId(undefined);
          }}
        />
      </>
    );
  return (
    <>
      {plan.sides.map((s) => {
        const a = about?.sides.find((x) => x.id === s.id);
        return (
          <Row
            key={s.id}
            title={t(SIDE_SAYS[s.kind].label)}
            sub={
              a
                ? `${Math.round(a.minutes)} min${a.makesG > 0 ? t('planRoom.makes', { makesG: fmt.grams(a.makesG) }) : ''}`
                : undefined
            }
            onPress={() => setOpenId(s.id)}
          />
        );
      })}
      {plan.sides.length < 12 ? (
        <View className="gap-2">
          <Type kind="strong">{t('planRoom.cookBesideIt')}</Type>
          {SIDE_KINDS.map((k) => (
            <Key
              key={k}
              label={t(SIDE_SAYS[k].label)}
              sub={t(SIDE_SAYS[k].sub)}
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

function SideAnswer({ plan, answer }: { plan: Plan; answer: NonNullable<About>['sides'][number] | undefined }) {
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
        <Type key={d.code}>{`${i + 1}. ${tell(d)}`}</Type>
      ))}
      <Notice harm={false} text={tell(answer.notice)} />
      {answer.caution ? <Notice text={tell(answer.caution)} /> : null}
      <Type kind="small" tone="quiet">
        {tell(limit('side pot'))}
      </Type>
    </View>
  );
}

function SideFields({ side, plan, onChange }: { side: SidePot; plan: Plan; onChange: (next: SidePot) => void }) {
  const pantry = pantryOf(plan);
  const of = (test: (i: ReturnType<typeof lookUp>) => boolean) =>
    [...pantry.values()]
      .filter((i) => test(i) && ruleAgainst(i, plan.rules) === undefined)
      .map((i) => ({ value: i.id, label: i.name }));
  const grams = (name: string, value: number, step: number, set: (g: number) => void, max = 5000) => (
    <Stepper name={name} value={value} unit="g" step={step} min={1} max={max} onChange={set} />
  );
  switch (side.kind) {
    case 'syrup':
      return (
        <>
          {grams(t('planRoom.sugar'), side.sugarG, 10, (sugarG) => onChange({ ...side, sugarG }))}
          <Choices
            label={t('planRoom.howThick')}
            value={side.to}
            options={SYRUPS.map((v) => ({ value: v, label: t(`syrup.${v}`) }))}
            onChoose={(to) => onChange({ ...side, to })}
          />
          <Choices
            label={t('planRoom.lemonAgainstCrystals')}
            value={side.acid}
            options={[
              { value: true, label: t('planRoom.aLittle') },
              { value: false, label: t('planRoom.none') },
            ]}
            onChoose={(v) => onChange({ ...side, acid: v })}
          />
        </>
      );
    case 'compote':
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
    case 'second layer':
    case 'glaze':
      return (
        <>
          <Choices
            label={t('planRoom.from')}
            value={side.liquidId}
            options={of((i) => i.group === 'milk' || i.id.endsWith('_juice') || i.id.startsWith('puree'))}
            onChoose={(liquidId) => onChange({ ...side, liquidId })}
          />
          <Stepper
            name={t('planRoom.depthWanted')}
            value={side.depthMm}
            unit="mm"
            step={1}
            min={1}
            max={40}
            onChange={(depthMm) => onChange({ ...side, depthMm })}
          />
          <Stepper
            name={t('planRoom.sugar')}
            value={side.sweetPct}
            unit="%"
            step={1}
            min={0}
            max={40}
            onChange={(sweetPct) => onChange({ ...side, sweetPct })}
          />
          {side.kind === 'second layer' ? (
            <Stepper
              name={t('planRoom.cookedDownTo')}
              value={Math.round(side.cookedTo * 100)}
              unit="%"
              step={5}
              min={40}
              max={100}
              onChange={(v) => onChange({ ...side, cookedTo: v / 100 })}
            />
          ) : null}
        </>
      );
  }
}
