import { View } from 'react-native';
import type { Frame } from '../../core/practice/frame';
import type { HandPace } from '../../core/practice/hands';
import { leavesS } from '../../core/practice/dishSteps';
import type { Happening } from '../../core/practice/replay';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from '../shared/App';
import { Key } from '../../ui/Key';
import { MomentPicker } from './MomentPicker';
import { newsOf, WRONG } from './potNews';
import { clockOf, RunChart } from './RunChart';
import type { PracticePot } from './usePracticePot';

/** A bottom layer this hot sticks, degC. */
const STICKS_C = 100;
/** A shorter run has no moments to go back to, s. */
const SHORT_S = 5;

/** Words and figures over the drawing. */
export function Face({ f, drawn }: { f: Frame; drawn: HandPace | undefined }) {
  const { fmt } = useApp();
  const news = newsOf(f);
  const wrong = news && WRONG.includes(news.what);
  return (
    <>
      <View
        className="pointer-events-none absolute items-center justify-center"
        style={{ left: '15%', right: '15%', top: '8%', height: '52%' }}
      >
        <View className="items-center rounded-plate bg-liquid/80 px-3 py-1">
          <Type kind="answer" className="text-center" tone={wrong ? 'scorch' : 'ink'}>
            {news ? t(`practice.news.${news.what}`) : clockOf(f.tS)}
          </Type>
          <Type kind="strong" className="text-center">
            {news
              ? t('practice.newsAt', { at: clockOf(news.atS), now: clockOf(f.tS) })
              : f.everyS === null
                ? t('practice.notStirredNow')
                : t('practice.stirredNow')}
          </Type>
          {drawn && drawn.misses !== 'nothing' ? (
            <Type kind="small" className="text-center">
              {t('practice.misses', { what: t(`practice.missed.${drawn.misses}`) })}
            </Type>
          ) : null}
        </View>
      </View>
      <View className="pointer-events-none absolute" style={{ left: '9%', right: '9%', bottom: '9%' }}>
        {(
          [
            ['middle', f.bulkC, false],
            ['film', f.filmC, f.filmC >= STICKS_C],
          ] as const
        ).map(([what, c, harm]) => (
          <View key={what} className="flex-row items-baseline justify-between">
            <Type kind="faceStrong" tone={harm ? 'scorch' : 'ink'}>
              {t(`practice.${what}`)}
            </Type>
            <Type kind="title" tone={harm ? 'scorch' : 'ink'} className="text-amount leading-7">
              {fmt.deg(c)}
            </Type>
          </View>
        ))}
      </View>
    </>
  );
}

/** The run so far; while it stands still any moment of it can be looked at, and gone on from. */
export function SoFar({ p }: { p: PracticePot }) {
  const endS = Math.max(p.farS, p.trace.at(-1)?.tS ?? 0);
  // of the pot alone: a dish stands for hours
  const potS = Math.max(p.trace.at(-1)?.tS ?? 0, Math.min(endS, leavesS(p.run.acts)));
  return (
    <View className="gap-1">
      <RunChart mine={p.trace} endS={potS} label={t('practice.chartSoFar')} />
      {p.running || endS - p.run.fromS < SHORT_S ? null : (
        <MomentPicker
          key={p.run.acts.length}
          fromS={p.run.fromS}
          toS={endS}
          atS={p.shown?.tS ?? endS}
          onLook={p.lookAt}
          onGo={p.goBack}
        />
      )}
      {p.hasMore ? (
        <Key
          role="checkbox"
          selected={p.keepsRest}
          label={t('practice.theRestAsItWas')}
          className="self-start"
          onPress={p.keepRest}
        />
      ) : null}
    </View>
  );
}

/** Why that is. */
export function Why({ what }: { what: Happening }) {
  return (
    <Type testID="why">
      <Type kind="strong">{t('practice.why')}</Type>
      {t(`practice.why.${what}`)}
    </Type>
  );
}
