import { useState } from 'react';
import { View } from 'react-native';
import { USUAL_BATH } from '../../core/plan/family';
import { comingOut, freeTop, type NamedStep } from '../../core/plan/methodList';
import {
  MIX_TOOLS,
  MIXED_UNTIL,
  purposeOf,
  topOf,
  type AddStep,
  type Bowl,
  type BakeStep,
  type HeatStep,
  type MethodStep,
  type MixStep,
  type RestStep,
  type SayStep,
  type ServeStep,
  type TakeOutStep,
} from '../../core/plan/method';
import type { Plan } from '../../core/plan/plan';
import { putAt } from '../../core/plan/amounts';
import { leftOfPots, lookUp, portionsIn, potsIn, putInto } from '../../core/plan/bowls';
import { partsOf } from '../../core/plan/layout';
import { pouredInto } from '../../core/plan/secondPot';
import { BITE } from '../../core/pot/grain';
import { TOOLS, LIDS } from '../../core/pot/hands';
import { STARCH_ENTRIES } from '../../core/pot/lumps';
import { REST_PLACES } from '../../core/set/places';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { HobOvals } from '../../ui/HobOvals';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from '../shared/App';
import { bowlName, meetsLiquid } from './stepWords';
import { TempStepper } from './TempStepper';

type Change = (next: MethodStep) => void;

/** What of one step can be changed. */
export function StepFields({
  step,
  plan,
  eggSafe,
  onChange,
  onPlan,
}: {
  step: NamedStep;
  plan: Plan;
  /** the egg in it gets hot enough by the end */
  eggSafe: boolean;
  onChange: Change;
  /** what goes in at it is of the whole plan */
  onPlan: (next: Plan) => void;
}) {
  switch (step.do) {
    case 'heat':
      return <HeatFields step={step} onChange={onChange} />;
    case 'pour':
      return <PourFields step={step} plan={plan} eggSafe={eggSafe} onChange={onChange} onPlan={onPlan} />;
    case 'mix':
      return <MixFields step={step} plan={plan} onChange={onChange} onPlan={onPlan} />;
    case 'take out':
      return <TakeOutFields step={step} plan={plan} onChange={onChange} />;
    case 'serve':
      return <ServeFields step={step} plan={plan} onChange={onChange} onPlan={onPlan} />;
    case 'bake':
      return <BakeFields step={step} onChange={onChange} />;
    case 'rest':
      return <RestFields step={step} onChange={onChange} />;
    case 'say':
      return <SayFields step={step} onChange={onChange} />;
  }
}

/** One vessel into another: a bowl into the pot, the pot into its dishes, a bowl over them, a bowl into a bowl. */
function PourFields({
  step,
  plan,
  eggSafe,
  onChange,
  onPlan,
}: {
  step: Extract<MethodStep, { do: 'pour' }> & { id: string };
  plan: Plan;
  eggSafe: boolean;
  onChange: Change;
  onPlan: (next: Plan) => void;
}) {
  switch (step.to) {
    case 'pot':
      return <AddFields step={step} plan={plan} eggSafe={eggSafe} onChange={onChange} onPlan={onPlan} />;
    case 'dish':
      return null;
    case 'top':
      return (
        <>
          <GoesInFields bowl={topOf(step)} plan={plan} onPlan={onPlan} />
          <TempStepper
            name={t('stepField.itsTemp')}
            valueC={step.tempC}
            minC={0}
            maxC={100}
            onChange={(tempC) => onChange({ ...step, tempC })}
          />
        </>
      );
    case 'bowl':
      return (
        <>
          <BowlChoices
            label={t('stepField.fromBowl')}
            value={step.from}
            plan={plan}
            onChoose={(from) => onChange({ ...step, from })}
          />
          <BowlChoices
            label={t('stepField.intoBowl')}
            value={step.into}
            plan={plan}
            onChoose={(into) => onChange({ ...step, into })}
          />
          <Stepper
            name={t('stepField.shareOfIt')}
            value={Math.round(100 * step.share)}
            unit="%"
            step={5}
            min={5}
            max={100}
            onChange={(percent) => onChange({ ...step, share: percent / 100 })}
          />
        </>
      );
  }
}

/** Bowls by what was put into them. */
function BowlChoices({
  label,
  value,
  plan,
  withPot = false,
  onChoose,
}: {
  label: string;
  value: Bowl;
  plan: Plan;
  withPot?: boolean;
  onChoose: (bowl: Bowl) => void;
}) {
  return (
    <Choices
      label={label}
      value={value}
      options={[...new Set([...putInto(plan), value])]
        .filter((bowl) => withPot || bowl !== 'pot')
        .map((bowl) => ({ value: bowl, label: bowlName(plan, bowl) }))}
      onChoose={onChoose}
    />
  );
}

function MixFields({
  step,
  plan,
  onChange,
  onPlan,
}: {
  step: MixStep & { id: string };
  plan: Plan;
  onChange: Change;
  onPlan: (next: Plan) => void;
}) {
  return (
    <>
      <BowlChoices
        label={t('stepField.whatIsMixed')}
        value={step.in}
        plan={plan}
        withPot
        onChoose={(bowl) => onChange({ ...step, in: bowl })}
      />
      {step.in === 'pot' ? null : <GoesInFields bowl={step.in} plan={plan} onPlan={onPlan} />}
      <Choices
        label={t('stepField.with')}
        value={step.with}
        options={MIX_TOOLS.map((value) => ({ value, label: t(`mixTool.${value}`) }))}
        onChoose={(tool) => onChange({ ...step, with: tool })}
      />
      <Choices
        label={t('stepField.until')}
        value={step.until}
        options={MIXED_UNTIL.map((value) => ({ value, label: t(`mixed.${value}`) }))}
        onChoose={(until) => onChange({ ...step, until })}
      />
    </>
  );
}

function TakeOutFields({ step, plan, onChange }: { step: TakeOutStep & { id: string }; plan: Plan; onChange: Change }) {
  const all = plan.things.filter((i) => i.grams > 0);
  const coming = comingOut(plan);
  const taken = step.things ?? coming;
  return (
    <>
      <Type kind="strong">{t('stepField.whatComesOut')}</Type>
      <View className="flex-row flex-wrap gap-2">
        {all
          .filter((i) => coming.includes(i.ingredientId) || taken.includes(i.ingredientId))
          .map(({ ingredientId: id }) => (
            <Key
              key={id}
              label={lookUp(plan, id).name}
              role="checkbox"
              selected={taken.includes(id)}
              onPress={() =>
                onChange({ ...step, things: taken.includes(id) ? taken.filter((x) => x !== id) : [...taken, id] })
              }
            />
          ))}
      </View>
    </>
  );
}

function ServeFields({
  step,
  plan,
  onChange,
  onPlan,
}: {
  step: ServeStep & { id: string };
  plan: Plan;
  onChange: Change;
  onPlan: (next: Plan) => void;
}) {
  const { from, ...bare } = step;
  return (
    <>
      <Choices
        label={t('stepField.onItAtTheTable')}
        value={from !== undefined}
        options={[
          { value: false, label: t('stepField.nothingOnIt') },
          { value: true, label: t('stepField.somethingOnIt') },
        ]}
        onChoose={(on) => onChange(on ? { ...bare, from: from ?? freeTop(plan) } : bare)}
      />
      {from ? <GoesInFields bowl={from} plan={plan} onPlan={onPlan} /> : null}
    </>
  );
}

/** The cook's own words, and a timer for them. */
function SayFields({ step, onChange }: { step: SayStep & { id: string }; onChange: Change }) {
  const [words, setWords] = useState(step.words);
  const { minutes, ...untimed } = step;
  return (
    <>
      <Field
        label={t('stepField.words')}
        value={words}
        maxLength={120}
        onChangeText={(text) => {
          setWords(text);
          if (text.trim()) onChange({ ...step, words: text.trim() });
        }}
        error={words.trim() ? undefined : t('stepField.wordsNeeded')}
      />
      <Choices
        label={t('stepField.timer')}
        value={minutes !== undefined}
        options={[
          { value: false, label: t('stepField.noTimer') },
          { value: true, label: t('stepField.withTimer') },
        ]}
        onChoose={(timed) => onChange(timed ? { ...untimed, minutes: minutes ?? 1 } : untimed)}
      />
      {minutes === undefined ? null : (
        <Stepper
          name={t('stepField.howLong')}
          value={minutes}
          unit="min"
          step={1}
          min={0}
          max={600}
          onChange={(m) => onChange({ ...step, minutes: m })}
        />
      )}
    </>
  );
}

const REACHES = ['time', 'temperature', 'bubble', 'share', 'grain', 'thickness'] as const;
type Reach = (typeof REACHES)[number];
const UNTIL: Record<Reach, HeatStep['until']> = {
  time: { reach: 'time', minutes: 5 },
  temperature: { reach: 'temperature', tempC: 82 },
  bubble: { reach: 'bubble' },
  share: { reach: 'share', share: 0.75 },
  grain: { reach: 'grain', bite: BITE.done },
  thickness: { reach: 'thickness', viscosityPaS: 0.12 },
};

function HeatFields({ step, onChange }: { step: HeatStep & { id: string }; onChange: Change }) {
  const set = (change: Partial<HeatStep>) => onChange({ ...step, ...change });
  const { until } = step;
  return (
    <>
      <Choices
        label={t('stepField.until')}
        value={until.reach}
        options={[...REACHES, ...(until.reach === 'mass' ? (['mass'] as const) : [])].map((value) => ({
          value,
          label: value === 'time' ? t('stepField.minutes') : t(`stepField.${value}`),
        }))}
        onChoose={(reach) => (reach === until.reach || reach === 'mass' ? undefined : set({ until: UNTIL[reach] }))}
      />
      {until.reach === 'time' ? (
        <Stepper
          name={t('stepField.howLong')}
          value={until.minutes}
          unit="min"
          step={1}
          min={0}
          max={600}
          onChange={(minutes) => set({ until: { reach: 'time', minutes } })}
        />
      ) : null}
      {until.reach === 'temperature' ? (
        <TempStepper
          name={t('stepField.howHot')}
          valueC={until.tempC}
          minC={20}
          maxC={100}
          onChange={(tempC) => set({ until: { reach: 'temperature', tempC } })}
        />
      ) : null}
      {until.reach === 'share' ? (
        <Stepper
          name={t('stepField.left')}
          value={Math.round(until.share * 100)}
          unit="%"
          step={5}
          min={10}
          max={100}
          onChange={(percent) => set({ until: { reach: 'share', share: percent / 100 } })}
        />
      ) : null}
      <Type kind="strong">{t('stepField.ring')}</Type>
      <View className="flex-row">
        <HobOvals
          now={step.setting}
          onSet={(setting) => {
            const { watts: _watts, ...rest } = step;
            onChange({ ...rest, setting: setting === step.setting ? 0 : setting });
          }}
        />
      </View>
      <Choices
        label={t('stepField.spoon')}
        value={step.stirEveryS === null}
        options={[
          { value: false, label: t('stepField.stirred') },
          { value: true, label: t('stepField.still') },
        ]}
        onChoose={(still) => set({ stirEveryS: still ? null : (step.stirEveryS ?? 3) })}
      />
      {step.stirEveryS === null ? null : (
        <Stepper
          name={t('stepField.stirEvery')}
          value={step.stirEveryS}
          unit="s"
          step={step.stirEveryS >= 30 ? 30 : 1}
          min={0.5}
          max={1200}
          onChange={(stirEveryS) => set({ stirEveryS })}
        />
      )}
      <Choices
        label={t('stepField.with')}
        value={step.tool}
        options={TOOLS.map((value) => ({ value, label: t(`stepField.tool.${value}`) }))}
        onChoose={(tool) => set({ tool })}
      />
      <Choices
        label={t('stepField.lid')}
        value={step.lid}
        options={LIDS.map((value) => ({ value, label: t(`stepField.lid.${value}`) }))}
        onChoose={(lid) => set({ lid })}
      />
      <Choices
        label={t('stepField.over')}
        value={step.over !== undefined}
        options={[
          { value: false, label: t('stepField.fire') },
          { value: true, label: t('stepField.water') },
        ]}
        onChoose={(water) => {
          const { over, ...rest } = step;
          onChange(water ? { ...rest, over: over ?? USUAL_BATH } : rest);
        }}
      />
    </>
  );
}

/** What goes in at this moment, and how much of it; what else could, by a tap. */
function GoesInFields({ bowl, plan, onPlan }: { bowl: Bowl; plan: Plan; onPlan: (next: Plan) => void }) {
  const { fmt } = useApp();
  const here = portionsIn(plan, bowl).filter((p) => !p.taste);
  const others = plan.things.filter((i) => i.grams > 0 && !here.some((p) => p.ingredient.id === i.ingredientId));
  const poured = potsIn(plan, bowl);
  const idle = leftOfPots(plan).filter((p) => !poured.some((q) => q.vessel.id === p.vessel.id));
  const shareOf = (id: string) => partsOf(plan).find((p) => p.ingredientId === id && p.in === bowl)?.share;
  const wholeG = (id: string) => plan.things.filter((i) => i.ingredientId === id).reduce((sum, i) => sum + i.grams, 0);
  return (
    <>
      {here.map(({ ingredient: { id, name }, grams }) => (
        <Stepper
          key={id}
          name={name}
          sub={
            shareOf(id) === undefined
              ? t('stepField.ofAll', { grams: fmt.grams(wholeG(id)) })
              : t('stepField.shareOfAll', { percent: Math.round(100 * shareOf(id)!), grams: fmt.grams(wholeG(id)) })
          }
          value={Math.round(grams * 10) / 10}
          unit="g"
          step={wholeG(id) > 100 ? 10 : 1}
          max={wholeG(id)}
          onChange={(g) => onPlan(putAt(plan, id, bowl, g))}
        />
      ))}
      {poured.map(({ vessel, share }) => (
        <Stepper
          key={vessel.id}
          name={vessel.name}
          sub={t('stepField.ofThePot')}
          value={Math.round(100 * share)}
          unit="%"
          step={5}
          min={0}
          max={100}
          onChange={(percent) => onPlan(pouredInto(plan, vessel.id, bowl, percent / 100))}
        />
      ))}
      {others.length + idle.length ? (
        <View className="gap-2" testID="goes-in-too">
          <Type kind="strong">{t('stepField.goesInToo')}</Type>
          <View className="flex-row flex-wrap gap-2">
            {idle.map(({ vessel, share }) => (
              <Key
                key={vessel.id}
                label={vessel.name}
                onPress={() => onPlan(pouredInto(plan, vessel.id, bowl, share))}
              />
            ))}
            {others.map((i) => (
              <Key
                key={i.ingredientId}
                label={lookUp(plan, i.ingredientId).name}
                // half of it: the other half stays where it was, and a step up takes all of it
                onPress={() => onPlan(putAt(plan, i.ingredientId, bowl, i.grams / 2, 0.5))}
              />
            ))}
          </View>
        </View>
      ) : null}
    </>
  );
}

const HANDS = ['none', 'spoon', 'whisk'] as const;

function AddFields({
  step,
  plan,
  eggSafe,
  onChange,
  onPlan,
}: {
  step: AddStep & { id: string };
  plan: Plan;
  eggSafe: boolean;
  onChange: Change;
  onPlan: (next: Plan) => void;
}) {
  const set = (change: Partial<AddStep>) => onChange({ ...step, ...change });
  const here = portionsIn(plan, step.from);
  const egg = here.some((p) => p.ingredient.egg);
  const rawWhites = purposeOf(step.from) === 'fold in' && here.some((p) => p.ingredient.egg?.yolk === 0);
  return (
    <>
      <GoesInFields bowl={step.from} plan={plan} onPlan={onPlan} />
      {rawWhites && !eggSafe ? <Notice text={t('stepTold.rawWhites')} /> : null}
      {meetsLiquid(plan, step.from) ? (
        <Choices
          label={t('stepField.how')}
          value={step.how}
          options={STARCH_ENTRIES.map((value) => ({ value, label: t(`entry.${value}`) }))}
          onChoose={(how) => set({ how })}
        />
      ) : null}
      <Choices
        label={t('stepField.hand')}
        value={step.stirring}
        options={HANDS.map((value) => ({ value, label: t(`stepField.hand.${value}`) }))}
        onChoose={(stirring) => set({ stirring })}
      />
      {egg ? (
        <Choices
          label={t('stepField.ladle')}
          value={step.ladleG !== undefined}
          options={[
            { value: true, label: t('stepField.ladleYes') },
            { value: false, label: t('stepField.ladleNo') },
          ]}
          onChoose={(ladled) => {
            const { ladleG, ...rest } = step;
            onChange(ladled ? { ...rest, ladleG: ladleG ?? 60 } : rest);
          }}
        />
      ) : null}
      {step.ladleG === undefined ? null : (
        <Stepper
          name={t('stepField.ladleG')}
          value={step.ladleG}
          unit="g"
          step={10}
          min={10}
          max={2000}
          onChange={(ladleG) => set({ ladleG })}
        />
      )}
      <TempStepper
        name={t('stepField.itsTemp')}
        valueC={step.tempC}
        minC={0}
        maxC={100}
        onChange={(tempC) => set({ tempC })}
      />
      {purposeOf(step.from) === 'grain' ? (
        <Stepper
          name={t('stepField.soak')}
          value={step.soakMin}
          unit="min"
          step={15}
          min={0}
          max={1440}
          onChange={(soakMin) => set({ soakMin })}
        />
      ) : null}
      {purposeOf(step.from) === 'slurry' ? (
        <Stepper
          name={t('stepField.jug')}
          value={Math.round(step.left * 100)}
          unit="%"
          step={5}
          min={0}
          max={90}
          onChange={(percent) => set({ left: percent / 100 })}
        />
      ) : null}
    </>
  );
}

const BAKE_UNTIL: Record<BakeStep['until']['reach'], BakeStep['until']> = {
  time: { reach: 'time', minutes: 25 },
  centre: { reach: 'centre', tempC: 85 },
  colour: { reach: 'colour' },
  carries: { reach: 'carries' },
};

function BakeFields({ step, onChange }: { step: BakeStep & { id: string }; onChange: Change }) {
  const set = (change: Partial<BakeStep>) => onChange({ ...step, ...change });
  const { until } = step;
  const grillOnly = until.reach === 'time' && until.minutes === 0;
  const grill = (
    <Stepper
      name={t('stepField.grill')}
      value={step.grillMin}
      unit="min"
      step={0.5}
      min={grillOnly ? 0.5 : 0}
      max={15}
      onChange={(grillMin) => set({ grillMin })}
    />
  );
  if (grillOnly) return grill;
  return (
    <>
      <TempStepper
        name={t('stepField.oven')}
        valueC={step.ovenC}
        minC={80}
        maxC={280}
        onChange={(ovenC) => set({ ovenC })}
      />
      <Choices
        label={t('stepField.until')}
        value={until.reach}
        options={(['time', 'colour', 'centre', 'carries'] as const).map((value) => ({
          value,
          label: value === 'time' ? t('stepField.minutes') : t(`stepField.${value}`),
        }))}
        onChoose={(reach) => (reach === until.reach ? undefined : set({ until: BAKE_UNTIL[reach] }))}
      />
      {until.reach === 'time' ? (
        <Stepper
          name={t('stepField.howLong')}
          value={until.minutes}
          unit="min"
          step={5}
          min={1}
          max={300}
          onChange={(minutes) => set({ until: { reach: 'time', minutes } })}
        />
      ) : null}
      {until.reach === 'centre' ? (
        <TempStepper
          name={t('stepField.middle')}
          valueC={until.tempC}
          minC={50}
          maxC={100}
          onChange={(tempC) => set({ until: { reach: 'centre', tempC } })}
        />
      ) : null}
      {grill}
      <Choices
        label={t('stepField.air')}
        value={step.fan}
        options={[
          { value: false, label: t('stepField.still2') },
          { value: true, label: t('stepField.fan') },
        ]}
        onChoose={(fan) => set({ fan })}
      />
      <Choices
        label={t('stepField.start')}
        value={step.from}
        options={(['hot', 'cold'] as const).map((value) => ({ value, label: t(`stepField.${value}`) }))}
        onChoose={(from) => set({ from })}
      />
      <Choices
        label={t('stepField.bath')}
        value={step.bath}
        options={(['none', 'open', 'covered'] as const).map((value) => ({
          value,
          label: t(`stepField.bath.${value}`),
        }))}
        onChoose={(bath) => set({ bath })}
      />
      <Choices
        label={t('stepField.dishCover')}
        value={step.covered}
        options={[
          { value: false, label: t('stepField.uncovered') },
          { value: true, label: t('stepField.foil') },
        ]}
        onChoose={(covered) => set({ covered })}
      />
    </>
  );
}

function RestFields({ step, onChange }: { step: RestStep & { id: string }; onChange: Change }) {
  return (
    <>
      <Choices
        label={t('stepField.where')}
        value={step.where}
        options={REST_PLACES.map((value) => ({ value, label: t(`place.${value}`) }))}
        onChoose={(where) => {
          const { tempC: _tempC, ...rest } = step;
          onChange({ ...rest, where });
        }}
      />
      <Stepper
        name={t('stepField.howLong')}
        value={step.minutes}
        unit="min"
        step={step.minutes >= 120 ? 30 : 5}
        min={0}
        max={5760}
        onChange={(minutes) => onChange({ ...step, minutes })}
      />
      <Choices
        label={t('stepField.cover')}
        value={step.covered}
        options={[
          { value: true, label: t('stepField.coverOn') },
          { value: false, label: t('stepField.coverOff') },
        ]}
        onChoose={(covered) => onChange({ ...step, covered })}
      />
    </>
  );
}
