import { useLocalSearchParams, useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import Check from 'lucide-react-native/icons/check';
import { useState } from 'react';
import { View } from 'react-native';
import type { Run } from '../../core/practice/act';
import { readRunFile } from '../../core/formats/practiceFile';
import type { FormatIssue } from '../../core/formats/issues';
import { EXERCISE_IDS, type ExerciseId } from '../../core/practice/exerciseIds';
import type { Opened } from '../../workers/practice';
import { FileKey } from '../../ui/FileKey';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Type } from '../../ui/Type';
import { learn, t } from '../../words';
import { practice } from '../../words/en/practice';
import { useApp } from '../shared/App';
import { errorSays } from '../shared/errorSays';
import { readTextFile } from '../shared/readTextFile';
import { Room } from '../shared/Room';
import { useAsk } from '../shared/useAsk';
import { useMounted } from '../shared/useNow';
import { useCollection, useOne } from '../shared/stored';
import { keepOpen, useKept } from './kept';
import { PracticePot } from './PracticePot';

learn(practice);

/** A kitchen that is off in ways that nobody says; the same one for a day of practice. */
const strangeSeed = () => Math.max(0.001, Math.round(Math.random() * 1000) / 1000);

/** The practice pot: what can be practised, or the pot that is on. */
export function PracticeRoom() {
  const mounted = useMounted();
  const where = useLocalSearchParams<{ do?: string; plan?: string; batch?: string; strange?: string; file?: string }>();
  const router = useRouter();
  const [file, setFile] = useState<Run | undefined>();
  const leave = () => {
    setFile(undefined);
    router.replace('/practice' as '/plan');
  };
  if (!mounted)
    return (
      <Room name={t('room.Practice')} title={t('practice.title')} sub={t('practice.sub')}>
        {null}
      </Room>
    );
  const asked = Number(where.strange ?? 0);
  const seed = asked > 0 && asked <= 1 ? asked : 0;
  if (file) return <OfRun run={file} startS={file.fromS} onLeave={leave} />;
  if (where.file === 'open') return <OfKept onLeave={leave} onFile={setFile} />;
  const id = EXERCISE_IDS.find((e) => e === where.do);
  if (id) return <OfExercise key={`${id} ${seed}`} id={id} seed={seed} onLeave={leave} />;
  if (where.plan) return <OfPlan key={`${where.plan} ${seed}`} id={where.plan} seed={seed} onLeave={leave} />;
  if (where.batch) return <OfBatch id={where.batch} onLeave={leave} />;
  return <Exercises onFile={setFile} />;
}

type Leave = { onLeave: () => void };

/** The pot, once it is known; until then that it is being filled. */
function Loaded({
  asked,
  title,
  startS,
  onLeave,
}: Leave & {
  asked: { data?: (Opened & { fresh?: Run }) | undefined; error: Error | null };
  title: string;
  startS?: number;
}) {
  const { tell } = useApp();
  if (asked.data)
    return <PracticePot opened={asked.data} startS={startS ?? asked.data.run.fromS} title={title} onLeave={onLeave} />;
  return (
    <Room name={t('room.Practice')} title={title} sub={t('practice.sub')} rescue={false}>
      <View className="px-4 py-6">
        {asked.error ? (
          <Notice text={tell(errorSays(asked.error))} />
        ) : (
          <Type aria-live="polite">{t('practice.filling')}</Type>
        )}
      </View>
    </Room>
  );
}

function OfExercise({ id, seed, onLeave }: Leave & { id: ExerciseId; seed: number }) {
  return (
    <Loaded asked={useAsk('practiceExercise', [id, seed])} title={t(`practice.exercise.${id}`)} onLeave={onLeave} />
  );
}

/** The pot that was left standing, as it was when it is come back to. */
function OfKept({ onLeave, onFile }: Leave & { onFile: (run: Run) => void }) {
  const kept = useKept();
  const [open] = useState(kept.open);
  return open ? <OfRun run={open.run} startS={open.tS} onLeave={onLeave} /> : <Exercises onFile={onFile} />;
}

function OfRun({ run, startS, onLeave }: Leave & { run: Run; startS: number }) {
  const exercise = EXERCISE_IDS.find((e) => e === run.exercise);
  const bench = useAsk('practiceExercise', [exercise ?? 'slurry', run.seed], { enabled: exercise !== undefined });
  const own = useAsk('practiceRun', [run], { enabled: exercise === undefined });
  const asked = exercise ? bench : own;
  const data = asked.data && {
    ...asked.data,
    run,
    fresh: exercise ? asked.data.run : { ...run, acts: run.acts.slice(0, run.given) },
  };
  return (
    <Loaded
      asked={{ data, error: asked.error }}
      title={exercise ? t(`practice.exercise.${exercise}`) : t('practice.title')}
      startS={startS}
      onLeave={onLeave}
    />
  );
}

function OfPlan({ id, seed, onLeave }: Leave & { id: string; seed: number }) {
  const plans = useCollection('plans');
  const plan = plans.data?.find((p) => p.id === id);
  const asked = useAsk('practicePlan', [plan!, seed], { enabled: plan !== undefined });
  if (plans.data && !plan) return <NotHere onLeave={onLeave} />;
  return <Loaded asked={asked} title={t('practice.title')} onLeave={onLeave} />;
}

function OfBatch({ id, onLeave }: Leave & { id: string }) {
  const one = useOne('batches', id);
  const asked = useAsk('practiceBatch', [one.value!], { enabled: one.value !== undefined });
  if (one.loaded && !one.value) return <NotHere onLeave={onLeave} />;
  return <Loaded asked={asked} title={t('practice.whatIf')} onLeave={onLeave} />;
}

function NotHere({ onLeave }: Leave) {
  return (
    <Room name={t('room.Practice')} title={t('practice.title')} rescue={false}>
      <View className="gap-3 px-4 py-6">
        <Notice text={t('practice.notInThisKitchen')} />
        <Key label={t('practice.toTheExercises')} onPress={onLeave} />
      </View>
    </Room>
  );
}

/** What can be practised, in the order of the job. */
function Exercises({ onFile }: { onFile: (run: Run) => void }) {
  const router = useRouter();
  const { fmt, tell } = useApp();
  const kept = useKept();
  const plans = useCollection('plans');
  const [wrong, setWrong] = useState<readonly FormatIssue[] | undefined>();
  const [strange, setStrange] = useState<number | undefined>();
  const go = (query: string) => router.push(`/practice?${query}${strange ? `&strange=${strange}` : ''}` as '/plan');
  const read = async (file: File) => {
    const text = await readTextFile(file);
    const run = readRunFile(text ?? '');
    setWrong(run.ok ? undefined : run.issues);
    if (!run.ok) return;
    keepOpen(undefined);
    onFile(run.value);
  };
  const { open } = kept;
  const left = EXERCISE_IDS.find((e) => e === open?.run.exercise);
  return (
    <Room
      name={t('room.Practice')}
      title={t('practice.title')}
      sub={t('practice.sub')}
      rescue={false}
      actions={<Key label={t('practice.toThePot')} icon={ArrowLeft} stacked onPress={() => router.push('/pot')} />}
    >
      <View className="mx-auto w-full max-w-[720px] gap-3 px-4 py-3 wide:px-6">
        {open ? (
          <Key
            kind="yolk"
            size="act"
            label={t('practice.goOn', { name: left ? t(`practice.exercise.${left}`) : open.run.plan.name })}
            onPress={() => go('file=open')}
            testID="go-on"
          />
        ) : null}
        <View testID="exercises">
          {EXERCISE_IDS.map((id, i) => {
            const met = kept.met[id];
            const tries = kept.tries[id] ?? 0;
            return (
              <Row
                key={id}
                title={`${i + 1}. ${t(`practice.exercise.${id}`)}`}
                sub={
                  met
                    ? t('practice.metOn', { day: fmt.day(Date.parse(met)) })
                    : tries
                      ? t('practice.tried', { count: tries })
                      : t(`practice.about.${id}`)
                }
                {...(met
                  ? {
                      left: (
                        <Check size={24} color="rgb(var(--bay))" strokeWidth={3} aria-label={t('practice.managed')} />
                      ),
                    }
                  : {})}
                onPress={() => go(`do=${id}`)}
                testID={`exercise-${id}`}
              />
            );
          })}
        </View>
        <Key
          role="checkbox"
          selected={strange !== undefined}
          label={t('practice.strange')}
          onPress={() => setStrange(strange === undefined ? strangeSeed() : undefined)}
          className="self-start"
        />
        <Type kind="small" tone="quiet">
          {t('practice.strangeSays')}
        </Type>
        <Type kind="title" level={2}>
          {t('practice.yourOwn')}
        </Type>
        {(plans.data ?? [])
          .filter((p) => !p.archived)
          .map((p) => (
            <Row key={p.id} title={p.name} sub={t('practice.fromPlan')} onPress={() => go(`plan=${p.id}`)} />
          ))}
        <FileKey
          accept="application/json,.json"
          fileLabel={t('practice.runFile')}
          label={t('practice.openRun')}
          className="self-start"
          onFile={(f) => void read(f)}
        />
        {wrong ? (
          <Notice
            text={`${t('practice.notARun')} ${wrong
              .slice(0, 3)
              .map((i) => `${i.path}: ${tell(i.message)}`)
              .join('; ')}`}
          />
        ) : null}
        <Type kind="small" tone="quiet">
          {t('practice.onlyAModel')}
        </Type>
      </View>
    </Room>
  );
}
