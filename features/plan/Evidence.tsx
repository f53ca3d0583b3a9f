import { memo, useState } from 'react';
import { View } from 'react-native';
import type { Forecast } from '../../core/model/forecast';
import { RISKS } from '../../core/model/risks';
import { type Plan } from '../../core/plan/plan';
import { SET_WORDS, stripMiddle } from '../../core/texture/words';
import { lookUp, mainLiquid } from '../../core/plan/stages';
import { limitSaid, limitsFor, type Holds } from '../../core/model/limits';
import { pantryWith } from '../../core/pantry/pantry';
import { MouldOutline } from '../../ui/MouldOutline';
import { Notice } from '../../ui/Notice';
import { SetCurve } from '../../ui/SetCurve';
import { Type } from '../../ui/Type';
import { useApp, useTell } from '../shared/App';
import { Key } from '../../ui/Key';
import { chanceWords } from '../../words/format';
import { KITCHENS, useChances } from '../shared/useForecast';
import type { useAbout } from './useAbout';
import { lookSays, pushSays, RISK_SAYS } from './words';
import { say } from '../../core/say';

/** What the forecast rests on: how it stands, hours in the fridge, who pushes where, and what to mind. */
export const Evidence = memo(function Evidence({
  plan,
  forecast,
  about,
  working,
}: {
  plan: Plan;
  forecast: Forecast | undefined;
  about: ReturnType<typeof useAbout>['about'];
  working: boolean;
}) {
  const { fmt, tell } = useApp();
  if (!forecast) return null;
  const at = Date.parse(plan.serve.at);
  const allergens = about?.allergens ?? forecast.allergens;
  const pouredMs = at - plan.rest.hours * 3_600_000;
  const startMs = pouredMs - (forecast.minutes.total + 6) * 60_000;
  const milk = mainLiquid(plan, pantryWith(plan.own))?.name ?? 'the milk';
  const ready = Number.isFinite(forecast.readyH) && forecast.readyH <= plan.rest.hours;
  const figures = [
    ['Start by', fmt.time(startMs)],
    ['On the hob', `${Math.round(forecast.minutes.total)} min`],
    ['In the dishes', `${fmt.grams(forecast.endMassG)}, ${Math.round(forecast.depthMm)} mm deep`],
    ['Steam lost', `${Math.round(forecast.lossRel * 100)} %`],
    ['Sweetness', `${Math.round(forecast.sweetnessPct)} % sugar`],
    ...(forecast.bake ? ([['In the oven', `${Math.round(forecast.bake.minutes)} min`]] as const) : []),
    ...(forecast.bite < 0.999
      ? ([['Grain', forecast.bite < 0.85 ? 'hard' : forecast.bite < 0.95 ? 'to the tooth' : 'soft through']] as const)
      : []),
    ...(Number.isFinite(forecast.frozenH) ? ([['Frozen through', fmt.hours(forecast.frozenH)]] as const) : []),
    ...(Number.isFinite(forecast.window.rawGoneMin) && Number.isFinite(forecast.window.breaksMin)
      ? ([
          [
            'After the bubble',
            `cooked from ${Math.ceil(forecast.window.rawGoneMin)}, best before ${Math.floor(forecast.window.breaksMin)} min`,
          ],
        ] as const)
      : []),
    ...(forecast.top
      ? ([
          [
            'On top',
            `${Math.round(forecast.top.depthMm)} mm${forecast.top.minutes > 0.5 ? `, ${Math.round(forecast.top.minutes)} min on the hob first` : ''}, ${forecast.top.pours ? 'pours' : 'is spread'}`,
          ],
        ] as const)
      : []),
    ...(plan.choices.reduceTo !== undefined
      ? ([
          [
            'Depth mark',
            `${Math.round(forecast.depthMarksMm.start)} down to ${Math.round(forecast.depthMarksMm.end)} mm`,
          ],
        ] as const)
      : []),
    ...(about
      ? ([
          ['A portion', `about ${Math.round(about.portion.energyKcal / 10) * 10} kcal, ${fmt.grams(plan.portionG)}`],
          ...(about.portion.cost === undefined
            ? []
            : ([
                [
                  'Costs',
                  `${fmt.money(about.portion.cost)} a portion${about.portion.unpriced.length ? ', some without a price' : ''}`,
                ],
              ] as const)),
          ...(about.taste.saltPct > 0.005 ? ([['Salt', `${about.taste.saltPct.toFixed(2)} %`]] as const) : []),
        ] as const)
      : []),
    ['Look', lookSays(forecast.look)],
    [
      'Keeps',
      `${forecast.keeping.days} days${forecast.keeping.weepPctAt3Days >= 0.1 ? `; weeps ${forecast.keeping.weepPctAt3Days.toFixed(1)} %` : ''}`,
    ],
  ] as const;
  return (
    <View className={working ? 'gap-3 opacity-80' : 'gap-3'}>
      <View className="flex-row items-center gap-3">
        <View className="flex-1">
          <Type kind="title" level={2}>
            {ready ? `Set from ${fmt.time(pouredMs + forecast.readyH * 3_600_000)}` : 'Not set in time'}
          </Type>
          <Type kind="small" tone="quiet">
            {plan.serve.style === 'spooned'
              ? 'dashed: your dish, filled: a spoonful turned out'
              : 'dashed: your mould, filled: what stands'}
          </Type>
        </View>
        <MouldOutline
          slumpRel={forecast.standing.slumpRel}
          kind={plan.serve.style}
          label={`settles ${Math.round(forecast.standing.slumpRel * 100)} percent`}
          size={104}
        />
      </View>
      <SetCurve
        points={forecast.set}
        hours={Math.max(1, plan.rest.hours)}
        readyH={forecast.readyH}
        fridgeH={plan.rest.roomMin / 60}
        servingPlace={forecast.serving.place}
        wantedPlace={stripMiddle(plan.serve.word)}
        timeAt={(h) => fmt.time(pouredMs + h * 3_600_000)}
        temp={fmt.temp}
        label={`Middle temperature and set over ${fmt.hours(plan.rest.hours)}; ends at ${forecast.serving.word}`}
      />
      <View>
        {figures.map(([name, value]) => (
          <View key={name} className="flex-row items-baseline justify-between gap-3 border-b-hair border-line py-1.5">
            <Type tone="quiet">{name}</Type>
            <Type kind="strong" className="shrink text-right">
              {value}
            </Type>
          </View>
        ))}
      </View>
      <Risks forecast={forecast} />
      <Chances plan={plan} />
      <View>
        <Type kind="title" level={2}>
          Why
        </Type>
        {forecast.pushes.map((p) => (
          <Type key={p.of}>{pushSays(p.of, p.steps, milk)}</Type>
        ))}
        <Type kind="small" tone="quiet" className="pt-1">
          {`Doubt: ${forecast.doubt.sources
            .filter((s) => s.share > 0.04)
            .map((s) => `${tell(say(`doubt.${s.of}`))} ${Math.round(s.share * 100)} %`)
            .join(', ')}.`}
        </Type>
        {limitsFor(holdsOf(plan)).map((l) => (
          <Type key={l.id} kind="small" tone="quiet" className="pt-1">
            {tell(limitSaid(l))}
          </Type>
        ))}
      </View>
      <View>
        <Type kind="title" level={2}>
          Mind
        </Type>
        <Notice
          harm={allergens.length > 0}
          text={
            allergens.length
              ? `Contains ${allergens.join(', ')}. Read the packets too: traces are not known here.`
              : 'No listed allergen in what is planned. Read the packets too.'
          }
        />
        {forecast.cautions.map((c) => (
          <Notice key={c.id} text={tell(c.says)} />
        ))}
      </View>
    </View>
  );
});

const holdsOf = (plan: Plan): Holds => {
  const pantry = pantryWith(plan.own);
  const items = plan.items.filter((i) => i.grams > 0).map((i) => lookUp(pantry, plan, i.ingredientId));
  return {
    family: plan.family,
    kinds: items.flatMap((i) => i.thickener ?? []),
    egg: items.some((i) => i.group === 'egg'),
    plantMilk: items.some((i) => i.group === 'milk' && i.base !== 'dairy' && i.base !== 'water'),
    fruit: items.some((i) => i.group === 'fruit'),
    nut: items.some((i) => i.group === 'nut' || (i.gum ?? 0) > 0),
  };
};

/** A risk below this is not worth a line. */
const WORTH_A_LINE = 0.04;

/** What may go wrong, likeliest first, each with its cause. */
function Risks({ forecast }: { forecast: Forecast }) {
  const tell = useTell();
  const risks = RISKS.map((name) => ({ name, ...forecast.risks[name] }))
    .filter((r) => r.chance > WORTH_A_LINE)
    .sort((a, b) => b.chance - a.chance);
  return (
    <View>
      <Type kind="title" level={2}>
        Risks
      </Type>
      {risks.length === 0 ? <Type tone="quiet">None that this model sees.</Type> : null}
      {risks.map((r) => (
        <View key={r.name} className="border-b-hair border-line py-1.5">
          <View className="flex-row items-baseline justify-between gap-3">
            <Type>{RISK_SAYS[r.name]}</Type>
            <Type kind="strong">{chanceWords(r.chance)}</Type>
          </View>
          <Type kind="small" tone="quiet">
            {tell(r.why)}
          </Type>
        </View>
      ))}
    </View>
  );
}

/** The plan cooked in many kitchens, when the cook asks: how often each word, and what matters most. */
function Chances({ plan }: { plan: Plan }) {
  const [wanted, setWanted] = useState(false);
  const { chances, done, working } = useChances(plan, wanted);
  if (!wanted) return <Key label={`Cook it in ${KITCHENS} kitchens`} size="amount" onPress={() => setWanted(true)} />;
  return (
    <View testID="chances">
      <Type kind="title" level={2}>
        {`In ${KITCHENS} kitchens`}
      </Type>
      {working ? (
        <View className="gap-2">
          <Type tone="quiet" aria-live="polite">{`${done} cooked`}</Type>
          <View className="h-3 overflow-hidden rounded-key border-hair border-ink bg-sunk" aria-hidden>
            <View className="h-full bg-bay" style={{ width: `${(100 * done) / KITCHENS}%` }} />
          </View>
          <Key label="Stop" size="amount" onPress={() => setWanted(false)} />
        </View>
      ) : null}
      {chances && !working ? (
        <>
          {SET_WORDS.filter((w) => chances.serving[w] >= 0.01).map((w) => (
            <View key={w} className="flex-row items-center gap-2 py-1">
              <Type className="w-[104px]" kind={w === plan.serve.word ? 'strong' : 'text'}>
                {w}
              </Type>
              <View className="h-3 flex-1 rounded-key bg-sunk" aria-hidden>
                <View
                  className={w === plan.serve.word ? 'h-full rounded-key bg-yolk' : 'h-full rounded-key bg-ink'}
                  style={{ width: `${100 * chances.serving[w]}%` }}
                />
              </View>
              <Type
                kind="smallStrong"
                className="w-[44px] text-right"
              >{`${Math.round(100 * chances.serving[w])} %`}</Type>
            </View>
          ))}
          <Type kind="small" tone="quiet">
            {[
              chances.curdles > 0.005 ? `curdles ${Math.round(100 * chances.curdles)} %` : '',
              `lumps ${Math.round(100 * chances.lumps)} %`,
              `catches ${Math.round(100 * chances.catches)} %`,
              plan.serve.style === 'turned out' ? `stands ${Math.round(100 * chances.stands)} %` : '',
              `${Math.round(chances.minutes.p5)} to ${Math.round(chances.minutes.p95)} min on the hob`,
            ]
              .filter(Boolean)
              .join(', ')}
          </Type>
          <Type kind="small" tone="quiet">{`Matters most: ${chances.matters
            .slice(0, 3)
            .map((m) => m.name)
            .join(', ')}.`}</Type>
        </>
      ) : null}
    </View>
  );
}
