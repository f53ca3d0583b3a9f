import { View } from 'react-native';
import type { Ingredient } from '../../core/pantry/ingredient';
import type { Plan } from '../../core/plan/plan';
import type { Run } from '../../core/practice/act';
import type { Cost } from '../../core/practice/debrief';
import type { Mark } from '../../core/practice/exercises';
import type { Outcome } from '../../core/practice/outcome';
import type { Judged, Beside } from '../../workers/practice';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import type { Formatter } from '../../words/format';
import { useApp } from '../shared/App';
import { pantryOf } from '../../core/plan/bowls';
import { MomentPicker } from './MomentPicker';
import { clockOf, RunChart } from './RunChart';

/** What a bowl is called by: the milk that it is stirred with goes without saying. */
const named = (of: readonly (Ingredient | undefined)[]) => {
  const all = of.filter((i) => i !== undefined);
  const beside = all.filter((i) => i.group !== 'milk');
  return (beside.length ? beside : all).map((i) => i.name);
};

/** Less than this is said in seconds. */
const SHORT_S = 120;

/** What one change would have been, as a cook would say it. */
export function costSays(c: Cost, run: Run, fmt: Formatter): string {
  const act = c.act === undefined ? undefined : [...run.acts].sort((a, b) => a.atS - b.atS)[c.act];
  const what =
    act?.do === 'add'
      ? [
          ...named(act.portions.map((p) => pantryOf(run.plan).get(p.ingredientId))),
          ...run.plan.vessels.filter((v) => act.pots?.some((p) => p.vesselId === v.id)).map((v) => v.name),
        ].join(', ')
      : '';
  return t(`practice.otherwise.${c.kind}`, {
    at: clockOf(c.atS),
    to: c.toS === undefined ? (c.to ?? '') : clockOf(c.toS),
    by:
      c.byS === undefined
        ? ''
        : c.byS < SHORT_S
          ? t('practice.seconds', { seconds: Math.round(c.byS) })
          : fmt.hours(c.byS / 3600),
    what,
  });
}

export const goalSays = (g: Mark['goal'], plan: Plan): string =>
  g.of === 'pudding'
    ? t('practice.goalPudding', { word: t(`word.${plan.serve.word}`) })
    : g.of === 'without'
      ? t('practice.goalWithout', { harm: t(`practice.harm.${g.harm}`) })
      : g.of === 'call'
        ? t('practice.goalCall', { withinS: g.withinS })
        : t('practice.goalLeft', { pct: Math.round(100 * g.toRel), by: Math.round(100 * g.byRel) });

const cameTo = (o: Outcome): string =>
  o.felt.length ? o.felt.map((h) => t(`practice.harm.${h}`)).join(', ') : t('practice.nothingWrong');

/** Said when it thickens: how far off. */
const callSays = (o: Outcome): string | undefined =>
  Number.isNaN(o.calledS) || Number.isNaN(o.thickenS)
    ? undefined
    : t(o.calledS >= o.thickenS ? 'practice.calledAfter' : 'practice.calledBefore', {
        at: clockOf(o.thickenS),
        count: Math.round(Math.abs(o.calledS - o.thickenS)),
      });

/** What came of it, why, and what would have been better; from any of it the pot can be gone on with. */
export function DebriefPart({
  judged,
  run,
  endS,
  onBack,
}: {
  judged: Judged;
  run: Run;
  endS: number;
  onBack: (tS: number) => void;
}) {
  const { fmt } = useApp();
  const { outcome: o, costs, marks, happened, better, beside } = judged;
  const called = callSays(o);
  return (
    <View className="gap-4 px-4 py-3 wide:px-6" testID="debrief">
      <View role="status">
        <Type tone="quiet">{judged.met ? t('practice.managed') : t('practice.notYet')}</Type>
        <Type kind="answer" level={2} testID="came-to">
          {t(`word.${o.served.word}`)}
        </Type>
        <Type kind="strong" tone={o.felt.length ? 'scorch' : 'ink'} testID="wrong">
          {cameTo(o)}
        </Type>
        {called ? <Type testID="called">{called}</Type> : null}
      </View>
      {marks.length ? (
        <View>
          {marks.map((m) => (
            <Type key={goalSays(m.goal, run.plan)}>
              {t(m.met ? 'practice.yes' : 'practice.no', { goal: goalSays(m.goal, run.plan) })}
            </Type>
          ))}
        </View>
      ) : null}
      {costs.length ? (
        <View className="gap-2" testID="costs">
          <Type kind="title" level={2}>
            {t('practice.whatItCost')}
          </Type>
          {costs.slice(0, 4).map((c, i) => (
            <View
              key={`${c.kind} ${c.act ?? c.atS}`}
              className={
                i === 0
                  ? 'gap-1 rounded-plate border-edge border-onyolk bg-yolk p-3'
                  : 'gap-1 border-b-hair border-line py-2'
              }
            >
              <Type
                kind={i === 0 ? 'strong' : 'text'}
                tone={i === 0 ? 'onyolk' : 'ink'}
                testID={i === 0 ? 'cause' : undefined}
              >
                {costSays(c, run, fmt)}
              </Type>
              <Type kind="small" tone={i === 0 ? 'onyolk' : 'quiet'}>
                {c.mends.length
                  ? t('practice.thenNo', { harms: c.mends.map((h) => t(`practice.harm.${h}`)).join(', ') })
                  : t('practice.thenLess', { word: t(`word.${c.outcome.served.word}`) })}
              </Type>
              <Key
                size="line"
                className="self-start"
                label={t('practice.goBackTo', { at: clockOf(Math.max(run.fromS, c.atS - 5)) })}
                onPress={() => onBack(c.atS - 5)}
              />
            </View>
          ))}
        </View>
      ) : null}
      {o.felt.length && !costs.length ? <Type>{t('practice.noOneThing')}</Type> : null}
      <Pair title={t('practice.theBetterRun')} pair={better} endS={endS} />
      <MomentPicker
        fromS={run.fromS}
        toS={better.mine.at(-1)?.tS ?? endS}
        atS={Math.max(run.fromS, (costs[0]?.atS ?? endS) - 5)}
        onGo={onBack}
      />
      {beside ? <Pair title={t('practice.theOtherWay')} pair={beside} endS={endS} /> : null}
      <View>
        <Type kind="title" level={2}>
          {t('practice.whatHappened')}
        </Type>
        {happened.map((h) => (
          <Type key={h.what}>{t('practice.at', { at: clockOf(h.atS), what: t(`practice.happened.${h.what}`) })}</Type>
        ))}
        {o.served && run.plan.serve.tempC < 30 ? (
          <Type tone="quiet">
            {t('practice.cooledSays', {
              depthMm: fmt.length(o.depthMm),
              hours: Number.isNaN(o.below5H) ? t('practice.notInTenHours') : fmt.hours(o.below5H),
              coldC: fmt.temp(5),
            })}
          </Type>
        ) : null}
      </View>
      <Type kind="small" tone="quiet">
        {t('practice.onlyAModel')}
      </Type>
    </View>
  );
}

function Pair({ title, pair, endS }: { title: string; pair: Beside; endS: number }) {
  const leftS = (points: Beside['mine']) => points.at(-1)?.tS ?? 0;
  return (
    <View className="gap-1">
      <Type kind="title" level={2}>
        {title}
      </Type>
      <RunChart
        mine={pair.mine}
        other={pair.other}
        endS={Math.max(leftS(pair.mine), leftS(pair.other), Math.min(endS, 60))}
        label={t('practice.twoRuns', { word: t(`word.${pair.outcome.served.word}`) })}
      />
      <Type>
        {t(pair.outcome.felt.length ? 'practice.thatCameTo' : 'practice.thatCameWell', {
          word: t(`word.${pair.outcome.served.word}`),
          felt: cameTo(pair.outcome),
        })}
      </Type>
    </View>
  );
}
