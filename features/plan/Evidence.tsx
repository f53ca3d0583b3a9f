import { memo, useState } from 'react';
import { View } from 'react-native';
import type { Forecast } from '../../core/model/forecast';
import { RISKS } from '../../core/model/risks';
import { type Plan } from '../../core/plan/plan';
import { SET_WORDS, aimPlace } from '../../core/texture/words';
import { lookUp, mainLiquid, wholeMixture } from '../../core/plan/bowls';
import { limitSaid, limitsFor, type Holds } from '../../core/model/limits';
import { MouldOutline } from '../../ui/MouldOutline';
import { Notice } from '../../ui/Notice';
import { SetCurve } from '../../ui/SetCurve';
import { Type } from '../../ui/Type';
import { useApp, useTell } from '../shared/App';
import { Key } from '../../ui/Key';
import { KITCHENS, useChances } from '../shared/useForecast';
import type { useAbout } from './useAbout';
import { lookSays, pushSays, RISK_SAYS } from './words';
import { say } from '../../core/say';
import { named, t } from '../../words';
import { chanceWords, type Formatter } from '../../words/format';

type AboutPlan = ReturnType<typeof useAbout>['about'];

/** What the plan comes to, name by value. */
function figuresOf(plan: Plan, forecast: Forecast, about: AboutPlan, startMs: number, fmt: Formatter) {
  return [
    [t('planRoom.startBy'), fmt.time(startMs)],
    [t('planRoom.onTheHob'), t('planRoom.min', { total: Math.round(forecast.minutes.total) })],
    [
      t('planRoom.inTheDishes2'),
      t('planRoom.mmDeep', { endMassG: fmt.grams(forecast.endMassG), depthMm: fmt.length(forecast.depthMm) }),
    ],
    [t('planRoom.steamLost'), `${Math.round(forecast.lossRel * 100)} %`],
    [t('planRoom.sweetness'), t('planRoom.sugar2', { sweetnessPct: Math.round(forecast.sweetnessPct) })],
    ...(forecast.bake
      ? ([[t('planRoom.inTheOven'), t('planRoom.min2', { minutes: Math.round(forecast.bake.minutes) })]] as const)
      : []),
    ...(forecast.bite < 0.999
      ? ([
          [
            t('planRoom.grain'),
            forecast.bite < 0.85
              ? t('planRoom.hard')
              : forecast.bite < 0.95
                ? t('planRoom.toTheTooth')
                : t('planRoom.softThrough'),
          ],
        ] as const)
      : []),
    ...(Number.isFinite(forecast.frozenH)
      ? ([[t('planRoom.frozenThrough'), fmt.hours(forecast.frozenH)]] as const)
      : []),
    ...(forecast.frozen
      ? ([
          [t('planRoom.frozenBite'), t(`bite.${forecast.frozen.bite}`)],
          [
            t('planRoom.itPulls'),
            t('planRoom.inTheRoomOrUnderWarmWater', {
              roomMin: Math.max(1, Math.round(forecast.frozen.pullsRoomS / 60)),
              waterS: Math.max(1, Math.round(forecast.frozen.pullsWaterS)),
            }),
          ],
        ] as const)
      : []),
    ...(Number.isFinite(forecast.window.rawGoneMin) && Number.isFinite(forecast.window.breaksMin)
      ? ([
          [
            t('planRoom.afterTheBubble'),
            t('planRoom.cookedFromBestBeforeMin', {
              rawGoneMin: Math.ceil(forecast.window.rawGoneMin),
              breaksMin: Math.floor(forecast.window.breaksMin),
            }),
          ],
        ] as const)
      : []),
    ...(forecast.top
      ? ([
          [
            t('planRoom.onTop'),
            t('planRoom.mm', {
              depthMm: fmt.length(forecast.top.depthMm),
              first:
                forecast.top.minutes > 0.5
                  ? t('planRoom.minOnTheHobFirst', { minutes: Math.round(forecast.top.minutes) })
                  : '',
              spread: forecast.top.pours ? t('planRoom.pours') : t('planRoom.isSpread'),
            }),
          ],
        ] as const)
      : []),
    ...(plan.choices.reduceTo !== undefined
      ? ([
          [
            t('planRoom.depthMark'),
            t('planRoom.downToMm', {
              start: fmt.length(forecast.depthMarksMm.start),
              end: fmt.length(forecast.depthMarksMm.end),
            }),
          ],
        ] as const)
      : []),
    ...(about
      ? ([
          [
            t('planRoom.aPortion'),
            t('planRoom.aboutKcal', {
              energyKcal: Math.round(about.portion.energyKcal / 10) * 10,
              portionG: fmt.grams(plan.portionG),
            }),
          ],
          ...(about.portion.cost === undefined
            ? []
            : ([
                [
                  t('planRoom.costs'),
                  t('planRoom.aPortion2', {
                    cost: fmt.money(about.portion.cost),
                    price: about.portion.unpriced.length ? t('planRoom.someWithoutAPrice') : '',
                  }),
                ],
              ] as const)),
          ...(about.taste.saltPct > 0.005
            ? ([[t('planRoom.salt'), `${about.taste.saltPct.toFixed(2)} %`]] as const)
            : []),
        ] as const)
      : []),
    [t('planRoom.look'), lookSays(forecast.look)],
    [
      t('planRoom.figure.keeps'),
      t('planRoom.days', {
        days: forecast.keeping.days,
        weepPctAt3Days:
          forecast.keeping.weepPctAt3Days >= 0.1
            ? t('planRoom.weeps2', { weepPctAt3Days: forecast.keeping.weepPctAt3Days.toFixed(1) })
            : '',
      }),
    ],
  ] as const;
}

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
  const milk = mainLiquid(plan)?.name ?? t('planRoom.theMilk');
  const ready = Number.isFinite(forecast.readyH) && forecast.readyH <= plan.rest.hours;
  return (
    <View className={working ? 'gap-3 opacity-80' : 'gap-3'}>
      <View className="flex-row items-center gap-3">
        <View className="flex-1">
          <Type kind="title" level={2}>
            {ready
              ? t('planRoom.setFrom', { _600_000: fmt.time(pouredMs + forecast.readyH * 3_600_000) })
              : t('planRoom.notSetInTime')}
          </Type>
          <Type kind="small" tone="quiet">
            {plan.serve.style === 'spooned'
              ? t('planRoom.dashedYourDishFilledA')
              : t('planRoom.dashedYourMouldFilledWhat')}
          </Type>
        </View>
        <MouldOutline
          slumpRel={forecast.standing.slumpRel}
          kind={plan.serve.style}
          label={t('planRoom.settlesPercent', { slumpRel: Math.round(forecast.standing.slumpRel * 100) })}
          size={104}
        />
      </View>
      <SetCurve
        points={forecast.set}
        hours={Math.max(1, plan.rest.hours)}
        readyH={forecast.readyH}
        fridgeH={plan.rest.roomMin / 60}
        servingPlace={forecast.serving.place}
        wantedPlace={aimPlace(plan.serve.word)}
        timeAt={(h) => fmt.time(pouredMs + h * 3_600_000)}
        temp={fmt.temp}
        label={t('planRoom.middleTemperatureAndSetOver', {
          rest: fmt.hours(plan.rest.hours),
          word: t(`word.${forecast.serving.word}`),
        })}
      />
      <View>
        {figuresOf(plan, forecast, about, startMs, fmt).map(([name, value]) => (
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
          {t('planRoom.why')}
        </Type>
        {forecast.pushes.map((p) => (
          <Type key={p.of}>{pushSays(p.of, p.steps, milk)}</Type>
        ))}
        <Type kind="small" tone="quiet" className="pt-1">
          {t('planRoom.doubt', {
            share: forecast.doubt.sources
              .filter((s) => s.share > 0.04)
              .map((s) => `${tell(say(`doubt.${s.of}`))} ${Math.round(s.share * 100)} %`)
              .join(', '),
          })}
        </Type>
        {limitsFor(holdsOf(plan)).map((l) => (
          <Type key={l.id} kind="small" tone="quiet" className="pt-1">
            {tell(limitSaid(l))}
          </Type>
        ))}
      </View>
      <View>
        <Type kind="title" level={2}>
          {t('planRoom.mind')}
        </Type>
        <Notice
          harm={allergens.length > 0}
          text={
            allergens.length
              ? t('planRoom.containsReadThePacketsToo', { allergens: named('allergen', allergens) })
              : t('planRoom.noListedAllergenInWhat')
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
  const items = plan.things.filter((i) => i.grams > 0).map((i) => lookUp(plan, i.ingredientId));
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
        {t('planRoom.risks')}
      </Type>
      {risks.length === 0 ? <Type tone="quiet">{t('planRoom.noneThatThisModelSees')}</Type> : null}
      {risks.map((r) => (
        <View key={r.name} className="border-b-hair border-line py-1.5">
          <View className="flex-row items-baseline justify-between gap-3">
            <Type>{t(RISK_SAYS[r.name])}</Type>
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
  if (!wanted)
    return (
      <Key label={t('planRoom.cookItInKitchens', { value: KITCHENS })} size="amount" onPress={() => setWanted(true)} />
    );
  return (
    <View testID="chances">
      <Type kind="title" level={2}>
        {t('planRoom.inKitchens2', { value: KITCHENS })}
      </Type>
      {working ? (
        <View className="gap-2">
          <Type tone="quiet" aria-live="polite">
            {t('planRoom.cooked', { done })}
          </Type>
          <View className="h-3 overflow-hidden rounded-key border-hair border-ink bg-sunk" aria-hidden>
            <View className="h-full bg-bay" style={{ width: `${(100 * done) / KITCHENS}%` }} />
          </View>
          <Key label={t('planRoom.stop')} size="amount" onPress={() => setWanted(false)} />
        </View>
      ) : null}
      {chances && !working ? (
        <>
          {SET_WORDS.filter((w) => chances.serving[w] >= 0.01).map((w) => (
            <View key={w} className="flex-row items-center gap-2 py-1">
              <Type className="w-[104px]" kind={w === plan.serve.word ? 'strong' : 'text'}>
                {t(`word.${w}`)}
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
              wholeMixture(plan).eggProteinG > 0
                ? t('planRoom.curdles', { curdles: Math.round(100 * chances.curdles) })
                : '',
              t('planRoom.lumps', { lumps: Math.round(100 * chances.lumps) }),
              t('planRoom.catches', { catches: Math.round(100 * chances.catches) }),
              plan.serve.style === 'turned out'
                ? t('planRoom.stands', { stands: Math.round(100 * chances.stands) })
                : '',
              t('planRoom.toMinOnTheHob', { p5: Math.round(chances.minutes.p5), p95: Math.round(chances.minutes.p95) }),
            ]
              .filter(Boolean)
              .join(', ')}
          </Type>
          <Type kind="small" tone="quiet">
            {t('planRoom.mattersMost', {
              mName: chances.matters
                .slice(0, 3)
                .map((m) => m.name)
                .join(', '),
            })}
          </Type>
        </>
      ) : null}
    </View>
  );
}
