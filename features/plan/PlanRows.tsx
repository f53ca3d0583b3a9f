import { inBowls } from '../../core/plan/bowls';
import { ownSteps, preparationsOf } from '../../core/plan/layout';
import { memo, useState } from 'react';
import { View } from 'react-native';
import type { Forecast } from '../../core/model/forecast';
import { forPeople, forPortion, haveOf, PORTION_G, withGrainWay } from '../../core/plan/amounts';
import { methodOf } from '../../core/plan/family';
import { type Plan } from '../../core/plan/plan';
import type { Numbers } from '../../core/records/change';
import { SET_WORDS } from '../../core/texture/words';
import { COOLING_RULES, coolingRuleSaid } from '../../core/set/safety';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { HobOvals } from '../../ui/HobOvals';
import { Key } from '../../ui/Key';
import { later } from '../../ui/later';
import { MomentField } from '../../ui/MomentField';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useFormat, useTell } from '../shared/App';
import { Have } from './Have';
import type { PlanChange } from './planChange';
import { TempStepper } from './TempStepper';
import type { useAbout } from './useAbout';
import { CHOICE_SAYS, MEASURE_SAYS, RULE_SAYS, SET_SAYS, wordSays } from './words';
import { learn, t } from '../../words';
import { steps } from '../../words/en/steps';

learn(steps);

const DishForm = later(() => import('./DishForm').then((m) => m.DishForm));
const PanForm = later(() => import('./PanForm').then((m) => m.PanForm));
const RulesForm = later(() => import('./RulesForm').then((m) => m.RulesForm));
const SidesForm = later(() => import('./SidesForm').then((m) => m.SidesForm));
const TasteForm = later(() => import('./TasteForm').then((m) => m.TasteForm));
const MethodForm = later(() => import('./MethodForm').then((m) => m.MethodForm));
const PortionsForm = later(() => import('./PortionsForm').then((m) => m.PortionsForm));
const WaysForm = later(() => import('./WaysForm').then((m) => m.WaysForm));

type Part =
  | 'name'
  | 'people'
  | 'set'
  | 'serve'
  | 'dish'
  | 'pan'
  | 'method'
  | 'steps'
  | 'portions'
  | 'ways'
  | 'sides'
  | 'rules'
  | 'taste'
  | 'rest'
  | 'measure';
type Props = {
  plan: Plan;
  forecast: Forecast | undefined;
  about: ReturnType<typeof useAbout>['about'];
  /** the forecast shown is not of this plan yet */
  working: boolean;
  onChange: (next: PlanChange, touchedId?: string, numbers?: Numbers) => void;
};

/** Stands where a figure comes, as wide as it: nothing moves when it is there. */
const NOT_YET = '–––';

/** Everything of the plan that is not an amount, a line each with a sheet behind it. */
export const PlanRows = memo(function PlanRows(props: Props) {
  const tell = useTell();
  const { plan, forecast, about } = props;
  const fmt = useFormat();
  const [part, setPart] = useState<Part | undefined>();
  const at = Date.parse(plan.serve.at);
  const open = (p: Part) => () => setPart(p);
  const { method, dish, rest } = plan;
  const title: Record<Part, string> = {
    name: t('planRoom.name'),
    people: t('planRoom.forHowMany'),
    set: t('planRoom.theSetYouWant'),
    serve: t('planRoom.served'),
    dish: t('planRoom.pouredInto'),
    pan: t('planRoom.panAndRing'),
    method: t('planRoom.onTheHob'),
    steps: t('steps.theWayItIsCooked'),
    portions: t('portions.title'),
    ways: t('planRoom.whereCooksPartWays'),
    sides: t('planRoom.besideIt'),
    rules: t('planRoom.theOccasion'),
    taste: t('planRoom.sweetSaltSour'),
    rest: t('planRoom.restAndFridge'),
    measure: t('planRoom.howYouMeasureStarch'),
  };
  const beside = [...plan.vessels.map((v) => v.name), ...preparationsOf(plan).map((p) => t(`sideKind.${p.kind}`))];
  return (
    <View>
      <Row
        title={t('planRoom.wanted2')}
        sub={t(SET_SAYS[plan.serve.word])}
        value={t(`word.${plan.serve.word}`)}
        onPress={open('set')}
        testID="row-set"
      />
      <Row
        title={t('planRoom.people')}
        sub={t('planRoom.each', { portionG: fmt.grams(plan.portionG) })}
        value={String(plan.people)}
        onPress={open('people')}
        testID="row-people"
      />
      <Row
        title={t('planRoom.served')}
        sub={`${t(`style.${plan.serve.style}`)}, ${fmt.temp(plan.serve.tempC)}, ${fmt.weekday(at)}`}
        value={fmt.time(at)}
        onPress={open('serve')}
        testID="row-serve"
      />
      <Row
        title={t('planRoom.dish')}
        sub={t('planRoom.mmDeepFull', {
          depthMm: forecast ? fmt.length(forecast.depthMm) : NOT_YET,
          fillRel: forecast ? Math.round(forecast.fillRel * 100) : NOT_YET,
        })}
        value={`${dish.count} × ${fmt.ml(dish.capacityMl)}`}
        onPress={open('dish')}
        testID="row-dish"
      />
      <Row
        title={t('planRoom.panAndRing')}
        sub={`${t(`hobKind.${plan.hob.kind}`)}, ${plan.hob.ratedW} W`}
        value={fmt.across(plan.pan.diameterMm)}
        onPress={open('pan')}
        testID="row-pan"
      />
      <Row
        title={t('planRoom.onTheHob')}
        sub={t('planRoom.stirEverySHobThen', {
          stirEveryS: method.stirEveryS,
          heatSetting: method.heatSetting,
          simmerSetting: method.simmerSetting,
        })}
        value={t('planRoom.minOn', { cookOnMin: method.cookOnMin })}
        onPress={open('method')}
      />
      <Row
        title={t('steps.theWayItIsCooked')}
        sub={t(ownSteps(plan) ? 'steps.yourOwn' : 'steps.asTheFamilyGoes', { count: methodOf(plan).length })}
        onPress={open('steps')}
        testID="row-steps"
      />
      <Row
        title={t('portions.title')}
        sub={
          plan.portions.length
            ? t('portions.says', { names: plan.portions.map((p) => p.name).join(', ') })
            : t('portions.none')
        }
        onPress={open('portions')}
        testID="row-portions"
      />
      <Row
        title={t('planRoom.waysToCookIt')}
        sub={t('planRoom.whatEachCostsInMinutes')}
        onPress={open('ways')}
        testID="row-ways"
      />
      <Row
        title={t('planRoom.besideIt')}
        sub={beside.length ? beside.join(', ') : t('planRoom.syrupCompoteASecondLayer')}
        {...(beside.length ? { value: String(beside.length) } : {})}
        onPress={open('sides')}
        testID="row-sides"
      />
      <Row
        title={t('planRoom.theOccasion')}
        sub={
          plan.rules.length
            ? plan.rules.map((r) => t(RULE_SAYS[r].label).toLowerCase()).join(', ')
            : t('planRoom.eggAlcoholDietsWhoTastes')
        }
        {...(about?.breaks.length ? { value: t('planRoom.rulesBroken', { count: about.breaks.length }) } : {})}
        onPress={open('rules')}
        testID="row-rules"
      />
      <Row
        title={t('planRoom.sweetness')}
        sub={
          about
            ? `${tell(about.taste.says)}${about.taste.heldG > 0 ? t('planRoom.someHeldBackToTaste') : ''}`
            : t('planRoom.workingItOut')
        }
        value={`${about ? about.taste.sweetPct.toFixed(1) : NOT_YET} %`}
        onPress={open('taste')}
        testID="row-taste"
      />
      <Row
        title={t('planRoom.rest')}
        sub={t('planRoom.minInTheRoomFridge', {
          open: rest.covered ? t('planRoom.covered') : t('planRoom.open'),
          roomMin: rest.roomMin,
          fridgeC: fmt.temp(rest.fridgeC),
        })}
        value={fmt.hours(rest.hours)}
        onPress={open('rest')}
      />
      <Row
        title={t('planRoom.starchBy')}
        value={t(MEASURE_SAYS[plan.starchMeasure].label).toLowerCase()}
        onPress={open('measure')}
      />
      <Row title={t('planRoom.name')} value={plan.name} onPress={open('name')} />
      <Sheet open={part !== undefined} title={part ? title[part] : ''} onClose={() => setPart(undefined)}>
        {part ? <PartForm part={part} {...props} onDone={() => setPart(undefined)} /> : null}
      </Sheet>
    </View>
  );
});

/** Whether a choice means anything for this plan. */
function offered(plan: Plan, needs: (typeof CHOICE_SAYS)[number]['needs']): boolean {
  switch (needs) {
    case 'grain':
      return inBowls(plan).grain.length > 0;
    case 'egg':
      return inBowls(plan).bowl.length > 0;
    case 'oven':
      return plan.family === 'baked custard' || plan.family === 'baked slab';
    case 'any':
      return true;
  }
}

/** Share that steams off until the model has said it. */
const USUAL_LOSS = 0.06;

function PartForm({
  part,
  plan,
  forecast,
  about,
  working,
  onChange,
  onDone,
}: Props & { part: Part; onDone: () => void }) {
  const fmt = useFormat();
  const tell = useTell();
  const lossRel = forecast?.lossRel ?? USUAL_LOSS;
  switch (part) {
    case 'name':
      return <NameForm plan={plan} onChange={onChange} onDone={onDone} />;
    case 'people':
      return (
        <>
          <Stepper
            name={t('planRoom.people')}
            value={plan.people}
            unit=""
            step={1}
            min={1}
            max={60}
            onChange={(people, by) =>
              by === undefined
                ? onChange(forPeople(plan, Math.round(people), lossRel))
                : onChange(
                    (now) => forPeople(now, Math.max(1, now.people + Math.round(by)), lossRel),
                    undefined,
                    'added',
                  )
            }
          />
          <Stepper
            name={t('planRoom.portion')}
            value={plan.portionG}
            unit="g"
            step={5}
            min={PORTION_G.least}
            max={PORTION_G.most}
            onChange={(portionG, by) =>
              by === undefined
                ? onChange(forPortion(plan, portionG, lossRel))
                : onChange(
                    (now) => forPortion(now, Math.max(PORTION_G.least, now.portionG + by), lossRel),
                    undefined,
                    'added',
                  )
            }
          />
          <Type tone="quiet">
            {haveOf(plan) ? t('planRoom.theAmountsStay') : t('planRoom.everyAmountFollowsSteamCounted')}
          </Type>
          <Have plan={plan} onChange={onChange} />
          {plan.dish.kind === 'tray' || plan.dish.kind === 'bowl' ? null : (
            <Key
              label={t('planRoom.dishesOneEach', { people: plan.people })}
              onPress={() => onChange({ ...plan, dish: { ...plan.dish, count: plan.people } })}
            />
          )}
        </>
      );
    case 'set':
      return (
        <Choices
          label={t('planRoom.atServing2')}
          column
          value={plan.serve.word}
          options={SET_WORDS.map((w) => ({ value: w, label: wordSays(w), sub: t(SET_SAYS[w]) }))}
          onChoose={(word) => {
            onChange({ ...plan, serve: { ...plan.serve, word } });
            onDone();
          }}
        />
      );
    case 'serve':
      return <ServeForm plan={plan} onChange={onChange} />;
    case 'dish':
      return <DishForm plan={plan} forecast={forecast} about={about} onChange={onChange} />;
    case 'pan':
      return <PanForm plan={plan} about={about} onChange={onChange} />;
    case 'steps':
      return <MethodForm plan={plan} forecast={forecast} working={working} onChange={onChange} />;
    case 'portions':
      return <PortionsForm plan={plan} forecast={forecast} onChange={onChange} />;
    case 'ways':
      return <WaysForm plan={plan} onChange={onChange} />;
    case 'sides':
      return <SidesForm plan={plan} about={about} onChange={onChange} />;
    case 'rules':
      return <RulesForm plan={plan} about={about} onChange={onChange} />;
    case 'taste':
      return <TasteForm plan={plan} about={about} onChange={onChange} />;
    case 'method': {
      const set = (m: Partial<Plan['method']>) => onChange({ ...plan, method: { ...plan.method, ...m } });
      return (
        <>
          <Type kind="strong">{t('planRoom.upToTheBubble')}</Type>
          <View className="flex-row">
            <HobOvals now={plan.method.heatSetting} onSet={(heatSetting) => set({ heatSetting })} />
          </View>
          <Type kind="strong">{t('planRoom.afterTheBubble')}</Type>
          <View className="flex-row">
            <HobOvals now={plan.method.simmerSetting} onSet={(simmerSetting) => set({ simmerSetting })} />
          </View>
          <Stepper
            name={t('planRoom.cookOn')}
            sub={t('planRoom.aMinuteOrTwoPast')}
            value={plan.method.cookOnMin}
            unit="min"
            step={1}
            max={90}
            onChange={(cookOnMin) => set({ cookOnMin })}
          />
          <Stepper
            name={t('planRoom.spoonPassesEvery')}
            value={plan.method.stirEveryS}
            unit="s"
            step={1}
            min={0.5}
            max={300}
            onChange={(stirEveryS) => set({ stirEveryS })}
          />
          {CHOICE_SAYS.filter((c) => offered(plan, c.needs)).map((c) => (
            <Choices
              key={c.key}
              label={tell(c.label)}
              value={String(plan.choices[c.key] ?? Object.keys(c.sides)[0])}
              options={Object.entries(c.sides).map(([value, label]) => ({ value, label: t(label) }))}
              onChoose={(value) =>
                onChange(
                  c.key === 'grain'
                    ? withGrainWay(plan, value as NonNullable<Plan['choices']['grain']>)
                    : { ...plan, choices: { ...plan.choices, [c.key]: value } },
                )
              }
            />
          ))}
          <Stepper
            name={t('planRoom.cookedDownTo')}
            sub={
              plan.choices.reduceTo === undefined || !forecast
                ? t('planRoom.asItIsPoured')
                : t('planRoom.markAt', {
                    to: fmt.length(forecast.depthMarksMm.end),
                    from: fmt.length(forecast.depthMarksMm.start),
                  })
            }
            value={Math.round(100 * (plan.choices.reduceTo ?? 1))}
            unit="%"
            step={5}
            min={30}
            max={100}
            onChange={(percent) => {
              const { reduceTo: _was, ...choices } = plan.choices;
              onChange({ ...plan, choices: percent < 100 ? { ...choices, reduceTo: percent / 100 } : choices });
            }}
          />
          <TempStepper
            name={t('planRoom.slurryGoesInAt')}
            valueC={plan.method.slurryAtC}
            minC={5}
            maxC={75}
            onChange={(slurryAtC) => set({ slurryAtC })}
          />
        </>
      );
    }
    case 'rest': {
      const set = (r: Partial<Plan['rest']>) => onChange({ ...plan, rest: { ...plan.rest, ...r } });
      return (
        <>
          <Stepper
            name={t('planRoom.fromPouringToServing')}
            value={plan.rest.hours}
            unit="h"
            step={0.5}
            max={96}
            onChange={(hours) => set({ hours })}
          />
          <Stepper
            name={t('planRoom.inTheRoomFirst')}
            value={plan.rest.roomMin}
            unit="min"
            step={5}
            max={240}
            onChange={(roomMin) => set({ roomMin })}
          />
          {plan.rest.roomMin > 120 ? <Notice text={t('planRoom.moreThanTwoHoursIn')} /> : null}
          <Choices
            label={t('planRoom.whereItCools')}
            column
            value={plan.choices.cooling ?? 'room first'}
            options={[
              { value: 'room first', label: t('planRoom.roomThenFridge') },
              { value: 'straight to the cold', label: t('planRoom.straightToTheFridge') },
              { value: 'ice bath', label: t('planRoom.iceBathThenFridge') },
              { value: 'freezer', label: t('planRoom.roomThenFreezer') },
            ]}
            onChoose={(cooling) => onChange({ ...plan, choices: { ...plan.choices, cooling } })}
          />
          <Choices
            label={t('planRoom.heldAgainst')}
            column
            value={plan.rest.rule ?? 'two stages'}
            options={COOLING_RULES.map((r) => ({ value: r, label: r, sub: tell(coolingRuleSaid(r)) }))}
            onChoose={(rule) => set({ rule })}
          />
          <Notice text={t('planRoom.rulesDifferByCountryAnd')} />
          <TempStepper
            name={t('planRoom.fridge')}
            valueC={plan.rest.fridgeC}
            minC={-2}
            maxC={12}
            onChange={(fridgeC) => set({ fridgeC })}
          />
          <Choices
            label={t('planRoom.cover')}
            value={plan.rest.covered}
            options={[
              { value: true, label: t('planRoom.liesOnThePudding'), sub: t('planRoom.noSkin') },
              { value: false, label: t('planRoom.open'), sub: t('planRoom.coolsFasterSkin') },
            ]}
            onChoose={(v) => set({ covered: v })}
          />
          <Type tone="quiet">{t('planRoom.aUsualFridgeIs', { value: fmt.temp(4) })}</Type>
        </>
      );
    }
    case 'measure':
      return (
        <>
          <Choices
            label={t('planRoom.starchGoesInBy')}
            column
            value={plan.starchMeasure}
            options={(['scale', 'level spoons', 'rounded spoons', 'heaped spoons'] as const).map((v) => ({
              value: v,
              label: t(MEASURE_SAYS[v].label),
              sub: t(MEASURE_SAYS[v].sub),
            }))}
            onChoose={(starchMeasure) => {
              onChange({ ...plan, starchMeasure });
              onDone();
            }}
          />
          <Notice harm={false} text={t('planRoom.aHeapedSpoonCanHold')} />
        </>
      );
  }
}

function NameForm({ plan, onChange, onDone }: { plan: Plan; onChange: (p: Plan) => void; onDone: () => void }) {
  const [name, setName] = useState(plan.name);
  const trimmed = name.trim();
  const error =
    trimmed.length === 0
      ? t('planRoom.itShouldHaveAName')
      : trimmed.length > 60
        ? t('planRoom.60LettersOrFewerWould')
        : undefined;
  return (
    <>
      <Field label={t('planRoom.name')} value={name} onChangeText={setName} error={error} />
      <Key
        label={t('planRoom.keep')}
        size="amount"
        disabled={error !== undefined}
        onPress={() => {
          onChange({ ...plan, name: trimmed });
          onDone();
        }}
      />
    </>
  );
}

function ServeForm({ plan, onChange }: { plan: Plan; onChange: (p: Plan) => void }) {
  const set = (serve: Partial<Plan['serve']>) => onChange({ ...plan, serve: { ...plan.serve, ...serve } });
  return (
    <>
      <Choices
        label={t('planRoom.how')}
        value={plan.serve.style}
        options={(['spooned', 'turned out', 'cut'] as const).map((v) => ({ value: v, label: t(`style.${v}`) }))}
        onChoose={(style) => set({ style })}
      />
      <TempStepper
        name={t('planRoom.howWarm')}
        valueC={plan.serve.tempC}
        minC={0}
        maxC={75}
        onChange={(tempC) => set({ tempC })}
      />
      <MomentField
        label={t('planRoom.served')}
        dateLabel={t('planRoom.on')}
        timeLabel={t('planRoom.atWhatTime')}
        valueMs={Date.parse(plan.serve.at)}
        onChange={(ms) => set({ at: new Date(ms).toISOString() })}
      />
    </>
  );
}
