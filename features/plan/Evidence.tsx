import { View } from 'react-native';
import { SCORCH } from '../../core/pot/scorch';
import type { Forecast } from '../../core/forecast';
import { mainLiquid } from '../../core/formula/compose';
import type { Plan } from '../../core/formula/plan';
import { pantryWith } from '../../core/pantry/pantry';
import { stripMiddle } from '../../core/texture/words';
import { MouldOutline } from '../../ui/MouldOutline';
import { Notice } from '../../ui/Notice';
import { SetCurve } from '../../ui/SetCurve';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { pushSays } from './words';

/** What the forecast rests on: how it stands, hours in the fridge, who pushes where, and what to mind. */
export function Evidence({
  plan,
  forecast,
  working,
}: {
  plan: Plan;
  forecast: Forecast | undefined;
  working: boolean;
}) {
  const fmt = useFormat();
  if (!forecast) return null;
  const at = Date.parse(plan.serve.at);
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
    ['Catching', forecast.scorch < SCORCH.film ? 'unlikely' : forecast.scorch < SCORCH.taste ? 'a film' : 'likely'],
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
            .map((s) => `${s.name} ${Math.round(s.share * 100)} %`)
            .join(
              ', ',
            )}. The model of the set is fitted, not measured in your kitchen: write batches down and it narrows.`}
        </Type>
      </View>
      <View>
        <Type kind="title" level={2}>
          Mind
        </Type>
        <Notice
          harm={forecast.allergens.length > 0}
          text={
            forecast.allergens.length
              ? `Contains ${forecast.allergens.join(', ')}. Read the packets too: traces are not known here.`
              : 'No listed allergen in what is planned. Read the packets too.'
          }
        />
        {forecast.cautions.map((c) => (
          <Notice key={c.id} text={c.text} />
        ))}
      </View>
    </View>
  );
}
