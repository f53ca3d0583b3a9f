import { addDays } from 'date-fns/addDays';
import { startOfDay } from 'date-fns/startOfDay';
import { memo, useState } from 'react';
import { View } from 'react-native';
import type { Forecast } from '../../core/model/forecast';
import { scaleToPeople } from '../../core/plan/amounts';
import { type Plan } from '../../core/plan/plan';
import { SET_WORDS } from '../../core/texture/words';
import { COOLING_RULES, coolingRuleSaid } from '../../core/set/safety';
import { fahrenheitToCelsius } from '../../core/units/measures';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { HobOvals } from '../../ui/HobOvals';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useFormat, useTell } from '../shared/App';
import { parseTimeOfDay } from '../../words/format';
import { useNow } from '../shared/useNow';
import { DishForm } from './DishForm';
import { PanForm } from './PanForm';
import { RulesForm } from './RulesForm';
import { SidesForm } from './SidesForm';
import { TasteForm } from './TasteForm';
import type { useAbout } from './useAbout';
import { WaysForm } from './WaysForm';
import { CHOICE_SAYS, MEASURE_SAYS, RULE_SAYS, SET_SAYS, SIDE_SAYS, STYLE_SAYS } from './words';

type Part =
  | 'name'
  | 'people'
  | 'set'
  | 'serve'
  | 'dish'
  | 'pan'
  | 'method'
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
  onChange: (next: Plan) => void;
};

/** Everything of the plan that is not an amount, a line each with a sheet behind it. */
export const PlanRows = memo(function PlanRows(props: Props) {
  const { plan, forecast, about } = props;
  const fmt = useFormat();
  const [part, setPart] = useState<Part | undefined>();
  const at = Date.parse(plan.serve.at);
  const open = (p: Part) => () => setPart(p);
  const { method, dish, rest } = plan;
  const title: Record<Part, string> = {
    name: 'Name',
    people: 'For how many',
    set: 'The set you want',
    serve: 'Served',
    dish: 'Poured into',
    pan: 'Pan and ring',
    method: 'On the hob',
    ways: 'Where cooks part ways',
    sides: 'Beside it',
    rules: 'The occasion',
    taste: 'Sweet, salt, sour',
    rest: 'Rest and fridge',
    measure: 'How you measure starch',
  };
  return (
    <View>
      <Row
        title="Wanted"
        sub={SET_SAYS[plan.serve.word]}
        value={plan.serve.word}
        onPress={open('set')}
        testID="row-set"
      />
      <Row
        title="People"
        sub={`${fmt.grams(plan.portionG)} each`}
        value={String(plan.people)}
        onPress={open('people')}
        testID="row-people"
      />
      <Row
        title="Served"
        sub={`${STYLE_SAYS[plan.serve.style]}, ${fmt.temp(plan.serve.tempC)}, ${fmt.weekday(at)}`}
        value={fmt.time(at)}
        onPress={open('serve')}
        testID="row-serve"
      />
      <Row
        title="Dish"
        sub={
          forecast ? `${Math.round(forecast.depthMm)} mm deep, ${Math.round(forecast.fillRel * 100)} % full` : dish.wall
        }
        value={`${dish.count} × ${fmt.ml(dish.capacityMl)}`}
        onPress={open('dish')}
        testID="row-dish"
      />
      <Row
        title="Pan and ring"
        sub={`${plan.hob.kind}, ${plan.hob.ratedW} W`}
        value={`${plan.pan.diameterMm / 10} cm`}
        onPress={open('pan')}
        testID="row-pan"
      />
      <Row
        title="On the hob"
        sub={`stir every ${method.stirEveryS} s, hob ${method.heatSetting} then ${method.simmerSetting}`}
        value={`${method.cookOnMin} min on`}
        onPress={open('method')}
      />
      <Row
        title="Ways to cook it"
        sub="what each costs in minutes, set and risk"
        onPress={open('ways')}
        testID="row-ways"
      />
      <Row
        title="Beside it"
        sub={
          plan.sides.length
            ? plan.sides.map((s) => SIDE_SAYS[s.kind].label.toLowerCase()).join(', ')
            : 'syrup, compote, a second layer'
        }
        {...(plan.sides.length ? { value: String(plan.sides.length) } : {})}
        onPress={open('sides')}
        testID="row-sides"
      />
      <Row
        title="The occasion"
        sub={
          plan.rules.length
            ? plan.rules.map((r) => RULE_SAYS[r].label.toLowerCase()).join(', ')
            : 'egg, alcohol, diets, who tastes'
        }
        {...(about?.breaks.length ? { value: `${about.breaks.length} broken` } : {})}
        onPress={open('rules')}
        testID="row-rules"
      />
      <Row
        title="Sweetness"
        sub={about ? `${about.taste.says}${about.taste.heldG > 0 ? ', some held back to taste' : ''}` : undefined}
        {...(about ? { value: `${about.taste.sweetPct.toFixed(1)} %` } : {})}
        onPress={open('taste')}
        testID="row-taste"
      />
      <Row
        title="Rest"
        sub={`${rest.covered ? 'covered' : 'open'}, ${rest.roomMin} min in the room, fridge ${fmt.temp(rest.fridgeC)}`}
        value={fmt.hours(rest.hours)}
        onPress={open('rest')}
      />
      <Row title="Starch by" value={MEASURE_SAYS[plan.starchMeasure].label.toLowerCase()} onPress={open('measure')} />
      <Row title="Name" value={plan.name} onPress={open('name')} />
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
      return plan.items.some((i) => i.stage === 'grain');
    case 'egg':
      return plan.items.some((i) => i.stage === 'bowl');
    case 'oven':
      return plan.family === 'baked custard' || plan.family === 'baked slab';
    case 'any':
      return true;
  }
}

function PartForm({ part, plan, forecast, about, onChange, onDone }: Props & { part: Part; onDone: () => void }) {
  const fmt = useFormat();
  const tell = useTell();
  switch (part) {
    case 'name':
      return <NameForm plan={plan} onChange={onChange} onDone={onDone} />;
    case 'people':
      return (
        <>
          <Stepper
            name="People"
            value={plan.people}
            unit=""
            step={1}
            min={1}
            max={60}
            onChange={(people) =>
              onChange(scaleToPeople(plan, Math.round(people), plan.portionG, forecast?.lossRel ?? 0.06))
            }
          />
          <Stepper
            name="Portion"
            value={plan.portionG}
            unit="g"
            step={5}
            min={30}
            max={500}
            onChange={(portionG) => onChange(scaleToPeople(plan, plan.people, portionG, forecast?.lossRel ?? 0.06))}
          />
          <Type tone="quiet">Every amount follows, steam counted in.</Type>
          {plan.dish.kind === 'tray' || plan.dish.kind === 'bowl' ? null : (
            <Key
              label={`${plan.people} dishes, one each`}
              onPress={() => onChange({ ...plan, dish: { ...plan.dish, count: plan.people } })}
            />
          )}
        </>
      );
    case 'set':
      return (
        <Choices
          label="At serving"
          column
          value={plan.serve.word}
          options={SET_WORDS.map((w) => ({ value: w, label: w, sub: SET_SAYS[w] }))}
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
          <Type kind="strong">Up to the bubble</Type>
          <View className="flex-row">
            <HobOvals now={plan.method.heatSetting} onSet={(heatSetting) => set({ heatSetting })} />
          </View>
          <Type kind="strong">After the bubble</Type>
          <View className="flex-row">
            <HobOvals now={plan.method.simmerSetting} onSet={(simmerSetting) => set({ simmerSetting })} />
          </View>
          <Stepper
            name="Cook on"
            sub="a minute or two past the bubble, or it tastes raw"
            value={plan.method.cookOnMin}
            unit="min"
            step={1}
            max={90}
            onChange={(cookOnMin) => set({ cookOnMin })}
          />
          <Stepper
            name="Spoon passes every"
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
              label={c.label}
              value={String(plan.choices[c.key] ?? Object.keys(c.sides)[0])}
              options={Object.entries(c.sides).map(([value, label]) => ({ value, label }))}
              onChoose={(value) => onChange({ ...plan, choices: { ...plan.choices, [c.key]: value } })}
            />
          ))}
          <TempStepper
            name="Slurry goes in at"
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
            name="From pouring to serving"
            value={plan.rest.hours}
            unit="h"
            step={0.5}
            max={96}
            onChange={(hours) => set({ hours })}
          />
          <Stepper
            name="In the room first"
            value={plan.rest.roomMin}
            unit="min"
            step={5}
            max={240}
            onChange={(roomMin) => set({ roomMin })}
          />
          {plan.rest.roomMin > 120 ? (
            <Notice text="More than two hours in the room is past the usual safe limit. Local food-safety rules come first." />
          ) : null}
          <Choices
            label="Where it cools"
            column
            value={plan.choices.cooling ?? 'room first'}
            options={[
              { value: 'room first', label: 'room, then fridge' },
              { value: 'straight to the cold', label: 'straight to the fridge' },
              { value: 'ice bath', label: 'ice bath, then fridge' },
              { value: 'freezer', label: 'room, then freezer' },
            ]}
            onChoose={(cooling) => onChange({ ...plan, choices: { ...plan.choices, cooling } })}
          />
          <Choices
            label="Held against"
            column
            value={plan.rest.rule ?? 'two stages'}
            options={COOLING_RULES.map((r) => ({ value: r, label: r, sub: tell(coolingRuleSaid(r)) }))}
            onChoose={(rule) => set({ rule })}
          />
          <Notice text="Rules differ by country and change. Your local food-safety rules come first." />
          <TempStepper
            name="Fridge"
            valueC={plan.rest.fridgeC}
            minC={-2}
            maxC={12}
            onChange={(fridgeC) => set({ fridgeC })}
          />
          <Choices
            label="Cover"
            value={plan.rest.covered ? 1 : 0}
            options={[
              { value: 1, label: 'lies on the pudding', sub: 'no skin' },
              { value: 0, label: 'open', sub: 'cools faster, skin' },
            ]}
            onChoose={(v) => set({ covered: v === 1 })}
          />
          <Type tone="quiet">{`A usual fridge is ${fmt.temp(4)}.`}</Type>
        </>
      );
    }
    case 'measure':
      return (
        <>
          <Choices
            label="Starch goes in by"
            column
            value={plan.starchMeasure}
            options={(['scale', 'level spoons', 'rounded spoons', 'heaped spoons'] as const).map((v) => ({
              value: v,
              ...MEASURE_SAYS[v],
            }))}
            onChoose={(starchMeasure) => {
              onChange({ ...plan, starchMeasure });
              onDone();
            }}
          />
          <Notice
            harm={false}
            text="A heaped spoon can hold twice a level one, which moves the set by two words. Grams are safest."
          />
        </>
      );
  }
}

/** A temperature in the cook's own degrees. */
function TempStepper({
  name,
  valueC,
  minC,
  maxC,
  onChange,
}: {
  name: string;
  valueC: number;
  minC: number;
  maxC: number;
  onChange: (c: number) => void;
}) {
  const fmt = useFormat();
  const f = fmt.settings.temperature === 'F';
  const to = (c: number) => (f ? Math.round(c * 1.8 + 32) : c);
  return (
    <Stepper
      name={name}
      value={to(valueC)}
      unit={fmt.tempUnit}
      step={f ? 2 : 1}
      min={to(minC)}
      max={to(maxC)}
      onChange={(v) => onChange(f ? Math.round(fahrenheitToCelsius(v) * 10) / 10 : v)}
    />
  );
}

function NameForm({ plan, onChange, onDone }: { plan: Plan; onChange: (p: Plan) => void; onDone: () => void }) {
  const [name, setName] = useState(plan.name);
  const trimmed = name.trim();
  const error =
    trimmed.length === 0 ? 'It should have a name.' : trimmed.length > 60 ? '60 letters or fewer would do.' : undefined;
  return (
    <>
      <Field label="Name" value={name} onChangeText={setName} error={error} />
      <Key
        label="Keep"
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
  const fmt = useFormat();
  const at = Date.parse(plan.serve.at);
  const [typed, setTyped] = useState(fmt.time(at));
  const minutes = parseTimeOfDay(typed);
  const today = startOfDay(useNow(60_000));
  const set = (serve: Partial<Plan['serve']>) => onChange({ ...plan, serve: { ...plan.serve, ...serve } });
  const days = Array.from({ length: 8 }, (_, i) => addDays(today, i).getTime());
  const planned = startOfDay(at).getTime();
  const move = (day: number, minute: number) => set({ at: new Date(day + minute * 60_000).toISOString() });
  return (
    <>
      <Choices
        label="How"
        value={plan.serve.style}
        options={(['spooned', 'turned out', 'cut'] as const).map((v) => ({ value: v, label: STYLE_SAYS[v] }))}
        onChoose={(style) => set({ style })}
      />
      <TempStepper name="How warm" valueC={plan.serve.tempC} minC={0} maxC={75} onChange={(tempC) => set({ tempC })} />
      <Field
        label="At what time"
        value={typed}
        onChangeText={(text) => {
          setTyped(text);
          const m = parseTimeOfDay(text);
          if (m !== undefined) move(planned, m);
        }}
        error={minutes === undefined ? 'A time such as 19:30 or 7:30 pm would do.' : undefined}
      />
      <Choices
        label="On"
        value={planned}
        options={[...(days.includes(planned) ? [] : [planned]), ...days].map((d) => ({
          value: d,
          label: d === today.getTime() ? 'today' : fmt.weekday(d),
        }))}
        onChoose={(d) => move(d, minutes ?? (at - planned) / 60_000)}
      />
    </>
  );
}
