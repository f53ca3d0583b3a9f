import { Pressable } from 'react-native';
import type { Step, StepRole } from '../../core/cook/steps';
import { PotEllipse } from '../../ui/PotEllipse';
import type { Stage } from '../../ui/StagePicture';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import type { PotView } from './usePotView';
import { SELDOM_S } from '../../words/potSteps';
import type { Formatter } from '../../words/format';
import { t } from '../../words';

/** Stands where the minutes come, as wide as they are. */
const NOT_YET = '–:––';

/** Rows that the cut of the pot holds. */
const ROWS = 3;

/** What goes in now, where it goes: in the pot. What has no room stands in the list below. */
function goingIn(step: Step, fmt: Formatter): { label: string; value: string }[] {
  const things = step.puts.flatMap((p) => p.portions);
  const most = things.length > ROWS ? ROWS - 1 : ROWS;
  const rows = things.slice(0, most).map((p) => ({ label: p.ingredient.name, value: fmt.grams(p.grams) }));
  const more = things.length - rows.length;
  return more > 0 ? [...rows, { label: t('potRoom.andMoreBelow', { count: more }), value: '' }] : rows;
}

/** What is drawn where nothing is on the ring. */
const STAGE: Partial<Record<StepRole, Stage>> = {
  slurry: 'bowl',
  'beat the egg': 'bowl',
  mix: 'bowl',
  'pour together': 'bowl',
  whip: 'bowl',
  pour: 'dish',
  top: 'layer',
  bake: 'oven',
  grill: 'grill',
};

/** The pot as seen from where the cook stands: the one thing now, its time, and the heat below it. */
export function PotFace({
  v,
  big,
  answer,
  onHeld,
}: {
  v: PotView;
  big: boolean;
  /** what the last tap did, for as long as it is news */
  answer: string | undefined;
  onHeld: () => void;
}) {
  const fmt = useFormat();
  const { state, step, reading, pace, alarm, film, due, leftS, ran } = v;
  /** the plan's minutes are over, and the model has not answered yet */
  const unknown = v.waiting && leftS <= 1;
  const sure = alarm !== undefined && !alarm.asks;
  const heart = v.live?.live.twin.heartC;
  // what goes in needs the room: then the words stand alone
  const stage = (v.joins && !alarm) || alarm ? undefined : (STAGE[step.role] ?? (step.inDish ? 'dish' : undefined));
  return (
    <PotEllipse
      used={
        unknown
          ? 0
          : step.ends === 'cue'
            ? ran / Math.max(1, ran + Math.max(0, leftS || 0))
            : ran / Math.max(1, step.seconds)
      }
      {...(pace && pace.everyS < SELDOM_S && !state.paused && !alarm ? { paceS: pace.everyS } : {})}
      swelling={(reading?.gelatinised ?? 0) * (reading?.swelling ?? 0)}
      film={film}
      {...(stage ? { stage } : {})}
      alarm={sure}
      big={big}
      rows={
        big
          ? []
          : v.joins && !alarm
            ? goingIn(step, fmt)
            : reading && heart && !stage
              ? [
                  {
                    label: t('potRoom.heart'),
                    value: `${fmt.deg(reading.bulkC)} ± ${fmt.degApart(Math.max(1, (heart.high - heart.low) / 2))}`,
                  },
                  { label: t('potRoom.bottomFilm'), value: fmt.deg(reading.filmC), harm: film === 'sticking' },
                  { label: t('potRoom.panFloor'), value: fmt.deg(reading.panC), harm: film === 'sticking' },
                ]
              : []
      }
      label={t('potRoom.pot', { headline: v.headline, manner: v.manner })}
    >
      {alarm || big || answer ? null : (
        <Type kind="faceStrong" tone="quiet" className="text-center">
          {v.until}
        </Type>
      )}
      {/* on a line of its own: the two together reach into the spoon's way */}
      {alarm || big || answer ? null : v.between ? (
        <Type kind="faceStrong" tone="quiet" className="text-center" testID="between">
          {t('potRoom.to3', { low: fmt.countdown(v.between.low), high: fmt.countdown(v.between.high) })}
        </Type>
      ) : v.waiting ? (
        <Type kind="faceStrong">{'\u00a0'}</Type>
      ) : null}
      {v.never || alarm || (due && step.ends !== 'time') ? null : (
        <Type kind={big ? 'huge' : 'number'} role="timer" testID="step-time">
          {unknown ? NOT_YET : fmt.countdown(Math.abs(leftS))}
        </Type>
      )}
      <Pressable onLongPress={onHeld}>
        <Type
          kind={big || alarm ? 'huge' : 'instruction'}
          tone={sure ? 'scorch' : 'ink'}
          level={2}
          className="text-center"
          testID="instruction"
        >
          {v.headline}
        </Type>
      </Pressable>
      {answer && !alarm ? (
        <Type kind={big ? 'amount' : 'faceStrong'} role="status" className="pt-1 text-center" testID="answer">
          {answer}
        </Type>
      ) : (
        <Type kind={big ? 'amount' : alarm ? 'title' : 'face'} className="pt-1 text-center">
          {v.manner}
        </Type>
      )}
    </PotEllipse>
  );
}
