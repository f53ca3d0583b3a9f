import { useState } from 'react';
import { View } from 'react-native';
import type { Forecast, PortionForecast } from '../../core/model/forecast';
import { DISHES } from '../../core/pantry/kitchen';
import { pantryOf } from '../../core/plan/bowls';
import type { Plan, Portion } from '../../core/plan/plan';
import { PORTION_KINDS, startPortion, type PortionKind } from '../../core/plan/portions';
import { SET_WORDS } from '../../core/texture/words';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { newId } from '../shared/ids';
import { useKitchen } from '../shared/kitchen';
import { learn, t } from '../../words';
import { portionsForm } from '../../words/en/portionsForm';
import { TempStepper } from './TempStepper';

learn(portionsForm);

type Props = { plan: Plan; forecast: Forecast | undefined; onChange: (next: Plan) => void };

const LEAST_MAIN = 0.05;

/** A part of the batch with its own dish, oven and hours; and what is stirred in at the table. */
export function PortionsForm({ plan, forecast, onChange }: Props) {
  const fmt = useFormat();
  const put = (next: Portion) =>
    onChange({ ...plan, portions: plan.portions.map((p) => (p.id === next.id ? next : p)) });
  const left = 1 - plan.portions.reduce((sum, p) => sum + p.share, 0);
  const start = (kind: PortionKind) =>
    onChange({
      ...plan,
      portions: [
        ...plan.portions,
        startPortion(plan, kind, {
          id: newId('part'),
          name: t(`portions.${kind}`),
          potG: forecast?.endMassG ?? plan.people * plan.portionG,
        }),
      ],
    });
  return (
    <>
      {plan.portions.map((part, i) => (
        <PortionFields
          key={part.id}
          part={part}
          told={forecast?.portions.find((p) => p.id === part.id) ?? forecast?.portions[i]}
          mostShare={Math.max(0.02, left + part.share - LEAST_MAIN)}
          onChange={put}
          onOut={() => onChange({ ...plan, portions: plan.portions.filter((p) => p.id !== part.id) })}
        />
      ))}
      {plan.portions.length && forecast ? (
        <Type kind="strong">
          {t('portions.rest', {
            count: plan.dish.count,
            ml: fmt.ml(plan.dish.capacityMl),
            word: t(`word.${forecast.serving.word}`),
          })}
        </Type>
      ) : null}
      {plan.portions.length < 4 && left > 0.1 ? (
        <View className="flex-row flex-wrap gap-2">
          {PORTION_KINDS.map((kind) => (
            <Key key={kind} label={t(`portions.add.${kind}`)} size="amount" onPress={() => start(kind)} />
          ))}
        </View>
      ) : null}
      <Loosen plan={plan} onChange={onChange} />
    </>
  );
}

function PortionFields({
  part,
  told,
  mostShare,
  onChange,
  onOut,
}: {
  part: Portion;
  told: PortionForecast | undefined;
  mostShare: number;
  onChange: (next: Portion) => void;
  onOut: () => void;
}) {
  const fmt = useFormat();
  const [name, setName] = useState(part.name);
  const dishes = DISHES.map(({ name: label, ...dish }, value) => ({ value, label, dish }));
  const now = dishes.find((d) => d.dish.capacityMl === part.dish.capacityMl && d.dish.heightMm === part.dish.heightMm);
  return (
    <View className="gap-3 rounded-plate border-edge border-ink bg-plate p-3" testID={`portion-${part.id}`}>
      {told ? (
        <View aria-live="polite">
          <Type kind="title" level={3}>
            {t('portions.comesOut', {
              word: t(`word.${told.serving.word}`),
              depthMm: fmt.length(told.depthMm),
              fill: Math.round(told.fillRel * 100),
            })}
          </Type>
          <Type tone="quiet">
            {[
              told.bakeMin === undefined ? '' : t('portions.baked', { minutes: Math.round(told.bakeMin) }),
              Number.isFinite(told.readyH) && part.serve.tempC < 30
                ? t('portions.setAfter', { hours: fmt.hours(told.readyH) })
                : '',
              Number.isFinite(told.servingTempH)
                ? t('portions.cold', { temp: fmt.temp(part.serve.tempC), hours: fmt.hours(told.servingTempH) })
                : '',
            ]
              .filter(Boolean)
              .join(', ')}
          </Type>
        </View>
      ) : (
        <Type tone="quiet">{t('planRoom.workingItOut')}</Type>
      )}
      {told && told.fillRel > 1 ? <Notice text={t('portions.full')} /> : null}
      {told && !told.safe && part.rest.hours > 2 ? <Notice text={t('portions.unsafe')} /> : null}
      <Field
        label={t('portions.name')}
        value={name}
        onChangeText={(text) => {
          setName(text);
          if (text.trim() && text.trim().length <= 40) onChange({ ...part, name: text.trim() });
        }}
        error={name.trim() ? undefined : t('planRoom.itShouldHaveAName')}
      />
      <Stepper
        name={t('portions.share')}
        value={Math.round(part.share * 100)}
        unit="%"
        step={5}
        min={2}
        max={Math.floor(Math.min(0.95, mostShare) * 100)}
        onChange={(percent) => onChange({ ...part, share: percent / 100 })}
      />
      <Choices
        label={t('portions.kind')}
        value={now?.value}
        options={dishes.map(({ value, label }) => ({ value, label }))}
        onChoose={(i) => onChange({ ...part, dish: { ...dishes[i]!.dish, count: part.dish.count } })}
      />
      <Stepper
        name={t('portions.dishes')}
        value={part.dish.count}
        unit=""
        step={1}
        min={1}
        max={60}
        onChange={(count) => onChange({ ...part, dish: { ...part.dish, count: Math.round(count) } })}
      />
      <Choices
        label={t('portions.word')}
        value={part.serve.word}
        options={SET_WORDS.map((value) => ({ value, label: t(`word.${value}`) }))}
        onChoose={(word) => onChange({ ...part, serve: { ...part.serve, word } })}
      />
      <TempStepper
        name={t('portions.served')}
        valueC={part.serve.tempC}
        minC={-15}
        maxC={75}
        onChange={(tempC) => onChange({ ...part, serve: { ...part.serve, tempC } })}
      />
      <Stepper
        name={t('portions.hours')}
        value={part.rest.hours}
        unit="h"
        step={0.25}
        max={96}
        onChange={(hours) => onChange({ ...part, rest: { ...part.rest, hours } })}
      />
      {part.bake ? (
        <TempStepper
          name={t('stepField.oven')}
          valueC={part.bake.ovenC}
          minC={80}
          maxC={280}
          onChange={(ovenC) => onChange({ ...part, bake: { ...part.bake!, ovenC } })}
        />
      ) : null}
      <Key label={t('portions.takeOut')} kind="harm" onPress={onOut} className="self-start" />
    </View>
  );
}

/** What is stirred in at the table, and how much of it brings it to the word. */
function Loosen({ plan, onChange }: { plan: Plan; onChange: (next: Plan) => void }) {
  const { ask } = useKitchen();
  const [enough, setEnough] = useState(false);
  const { loosen } = plan.serve;
  const liquids = [...pantryOf(plan).values()].filter(
    (i) => i.id === 'water' || (i.group === 'milk' && plan.things.some((x) => x.ingredientId === i.id)),
  );
  const liquidId = loosen?.ingredientId ?? liquids.find((i) => i.id !== 'water')?.id ?? 'water';
  const set = (ingredientId: string, grams: number) => {
    const { loosen: _was, ...serve } = plan.serve;
    onChange({ ...plan, serve: grams > 0 ? { ...serve, loosen: { ingredientId, grams } } : serve });
  };
  const toWord = async () => {
    const grams = await ask('loosen', [plan, liquidId]);
    setEnough(grams === 0);
    if (grams) set(liquidId, grams);
  };
  return (
    <View className="gap-3" testID="loosen">
      <Type kind="title" level={3}>
        {t('portions.loosen')}
      </Type>
      <Stepper
        name={t('portions.loosenG')}
        value={loosen?.grams ?? 0}
        unit="g"
        step={10}
        max={2000}
        onChange={(grams) => set(liquidId, grams)}
      />
      <Choices
        label={t('portions.loosenWith')}
        value={liquidId}
        options={liquids.map((i) => ({ value: i.id, label: i.name }))}
        onChoose={(id) => set(id, loosen?.grams ?? 0)}
      />
      <Key label={t('portions.loosenTo')} onPress={() => void toWord()} className="self-start" />
      {enough ? <Type aria-live="polite">{t('portions.notStiff')}</Type> : null}
      <Notice harm={false} text={t('portions.loosenNote')} />
    </View>
  );
}
