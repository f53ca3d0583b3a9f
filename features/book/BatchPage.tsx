import { useLocalSearchParams, useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { FLAWS, SWEETNESS, type Batch, type Found } from '../../core/book/batch';
import { rowOfBatch } from '../../core/book/row';
import { countingEvents } from '../../core/cook/counting';
import { changesOf, stepsOf } from '../../core/cook/steps';
import { SET_WORDS, stripMiddle, wordAt } from '../../core/texture/words';
import { lookUp, pantryOf } from '../../core/plan/bowls';
import { useCollection, useOne, useRebased, useRemove, useRows, useSave } from '../shared/stored';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Empty } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { SetStrip } from '../../ui/SetStrip';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import { eventSays } from '../shared/eventWords';
import { newId } from '../shared/ids';
import { SaveChart } from '../shared/SaveChart';
import type { Formatter } from '../../words/format';
import type { Chart } from '../../core/formats/chartSvg';
import { Room } from '../shared/Room';
import { useMounted } from '../shared/useNow';
import { Legend } from './Legend';
import { PhotoField } from './PhotoField';
import { rememberRemoved } from './removed';
import { useOwedPromise } from './useOwedPromise';
import { useNextTime } from './useNextTime';
import { adviceSays, missSays, firmnessSays } from './words';
import { learn, t } from '../../words';
import { bookRoom } from '../../words/en/bookRoom';

learn(bookRoom);

/** One batch: what was promised, what came out, and what to do next time. Every tap is kept at once. */
export function BatchPage() {
  const { id } = useLocalSearchParams<{ id?: string }>();
  const { fmt, tell, ready, setWhere } = useApp();
  const router = useRouter();
  const one = useOne('batches', id);
  const rows = useRows('batches');
  const [diff, setDiff] = useState(false);
  const plans = useCollection('plans');
  const keep = useRebased('batches');
  const savePlan = useSave('plans');
  const remove = useRemove('batches');
  const mounted = useMounted();
  const batch = mounted ? one.value : undefined;
  const next = useNextTime(batch);
  useOwedPromise(batch?.id);
  const back = <Key label={t('bookRoom.book')} icon={ArrowLeft} stacked onPress={() => router.push('/book')} />;
  if (!batch) {
    return (
      <Room name={t('room.Batch')} title={t('bookRoom.batch')} actions={back}>
        {mounted && ready && one.loaded ? (
          <Empty word={t('bookRoom.notInTheBook')} text={t('bookRoom.thisBatchWasDeletedOr')}>
            <Key label={t('bookRoom.toTheBook')} onPress={() => router.push('/book')} />
          </Empty>
        ) : null}
      </Room>
    );
  }
  const { promise } = batch;
  const promised = promise && t(`word.${wordAt(promise.servingPlace)}`);
  const change = (part: Partial<Found>) => keep(batch, { ...batch, found: { ...batch.found, ...part } });
  const takeUp = () => {
    if (!next.data) return;
    const existing = plans.data?.find((p) => p.id === batch.plan.id);
    const plan = existing
      ? { ...next.data.plan, name: existing.name, serve: existing.serve }
      : { ...next.data.plan, id: newId('plan') };
    savePlan.mutate(plan);
    setWhere({ planId: plan.id });
    router.push(`/plan?id=${plan.id}` as '/plan');
  };
  const variants = (rows.data ?? []).filter((r) => r.planId === batch.plan.id && r.id !== batch.id).slice(0, 6);
  const words = SET_WORDS.map((w) => ({ value: w, label: t(`word.${w}`) }));
  return (
    <Room
      name={t('bookRoom.batch3', { batchName: batch.plan.name })}
      title={batch.plan.name}
      sub={t('bookRoom.people', { at: fmt.weekday(Date.parse(batch.at)), people: batch.plan.people })}
      tag={{ letter: batch.plan.name[0]!.toUpperCase(), tint: 0 }}
      actions={back}
      rescue={{ batchId: batch.id }}
      right={<Log batch={batch} />}
    >
      <View className="gap-4 px-4 py-3 wide:px-6">
        <View className="max-w-[560px] gap-1">
          <SetStrip
            {...(promise ? { promised: promise.servingPlace, low: promise.low, high: promise.high } : {})}
            {...(batch.found.wordServing ? { found: stripMiddle(batch.found.wordServing) } : {})}
            labels
            label={
              promised
                ? t('bookRoom.promisedCameOut', {
                    servingPlace: promised,
                    down: batch.found.wordServing ?? t('bookRoom.notWrittenDown'),
                  })
                : t('bookRoom.promiseComes')
            }
          />
          <Legend />
          <Type kind="title">
            {promised
              ? t('bookRoom.promised', { servingPlace: promised, batch: missSays(rowOfBatch(batch)) })
              : t('bookRoom.promiseComes')}
          </Type>
        </View>
        {next.data ? (
          <View className="gap-2 rounded-plate border-edge border-onyolk bg-yolk p-3">
            <Type kind="strong" tone="onyolk">
              {t('bookRoom.nextTime')}
            </Type>
            <Type kind="amount" tone="onyolk" level={2} testID="next-time">
              {next.data.advice.length
                ? next.data.advice.map((a) => adviceSays(a, batch.plan, fmt)).join('; ')
                : t(next.data.asPromised ? 'bookRoom.asPromisedChangeNothing' : 'bookRoom.theSameAgain')}
            </Type>
            <Type tone="onyolk">
              {t('bookRoom.fromOfThisMilkSets', {
                batches: next.data.batches,
                batches2: next.data.batches === 1 ? t('bookRoom.batch2') : t('bookRoom.batches'),
                yours: firmnessSays(next.data.factor),
                sdLn: Math.round(next.data.sdLn * 100),
              })}
            </Type>
            {next.data.unexplained.length ? (
              <Type tone="onyolk">
                {t('bookRoom.unexplained', { flaws: next.data.unexplained.map((f) => t(`flaw.${f}`)).join(', ') })}
              </Type>
            ) : null}
            {diff && next.data.changes.length ? (
              <View testID="differences">
                {next.data.changes.map((l) => (
                  <Type key={tell(l)} tone="onyolk">
                    {tell(l)}
                  </Type>
                ))}
              </View>
            ) : null}
            <View className="flex-row flex-wrap gap-2">
              <Key label={t('bookRoom.putItIntoThePlan')} size="amount" onPress={takeUp} />
              {next.data.changes.length ? (
                <Key
                  label={t(diff ? 'bookRoom.hideDifferences' : 'bookRoom.showDifferences', {
                    count: next.data.changes.length,
                  })}
                  onPress={() => setDiff(!diff)}
                />
              ) : null}
            </View>
          </View>
        ) : null}
        <Choices
          label={t('bookRoom.atServingItWas')}
          value={batch.found.wordServing}
          options={words}
          onChoose={(wordServing) => change({ wordServing })}
        />
        <Choices
          label={t('bookRoom.hotInThePotIt')}
          value={batch.found.wordHot}
          options={words}
          onChoose={(wordHot) => change({ wordHot })}
        />
        <Choices
          label={t('bookRoom.theDayAfter')}
          value={batch.found.wordNextDay}
          options={words}
          onChoose={(wordNextDay) => change({ wordNextDay })}
        />
        <Choices
          label={t('bookRoom.sweetness')}
          value={batch.found.sweetness}
          options={SWEETNESS.map((v) => ({ value: v, label: t(`rightly.${v}`) }))}
          onChoose={(sweetness) => change({ sweetness })}
        />
        <View className="gap-2">
          <Type kind="strong">{t('bookRoom.flaws')}</Type>
          <View className="flex-row flex-wrap gap-2">
            {FLAWS.map((f) => {
              const on = batch.found.flaws.includes(f);
              return (
                <Key
                  key={f}
                  role="checkbox"
                  label={t(`flaw.${f}`)}
                  selected={on}
                  onPress={() =>
                    change({ flaws: on ? batch.found.flaws.filter((v) => v !== f) : [...batch.found.flaws, f] })
                  }
                />
              );
            })}
          </View>
        </View>
        <Key
          label={t('bookRoom.whatIf')}
          className="self-start"
          onPress={() => router.push(`/practice?batch=${batch.id}` as '/plan')}
          testID="what-if"
        />
        <NoteField
          key={batch.id}
          initial={batch.found.note}
          onChange={(note, was) => {
            const typed = (text: string): Batch => ({ ...batch, found: { ...batch.found, note: text } });
            keep(typed(was), typed(note));
          }}
        />
        <Field
          label={t('bookRoom.likedBy')}
          value={batch.found.likedBy ?? ''}
          maxLength={200}
          onChangeText={(likedBy) => change({ likedBy })}
        />
        <Field
          label={t('bookRoom.recipeOf')}
          value={batch.found.recipeOf ?? ''}
          maxLength={200}
          onChangeText={(recipeOf) => change({ recipeOf })}
        />
        <PhotoField
          photo={batch.found.photo}
          name={batch.plan.name}
          onChange={(photo) => {
            const { photo: _was, ...rest } = batch.found;
            keep(batch, { ...batch, found: photo ? { ...rest, photo } : rest });
          }}
        />
        {variants.length ? (
          <View className="gap-1" testID="variants">
            <Type kind="strong">{t('bookRoom.samePlanBefore')}</Type>
            {variants.map((v) => (
              <Row
                key={v.id}
                title={`${v.name}, ${fmt.day(Date.parse(v.at))}`}
                sub={missSays(v)}
                onPress={() => router.push(`/batch?id=${v.id}` as '/batch')}
              />
            ))}
          </View>
        ) : null}
        <Key
          label={t('bookRoom.printAndSend')}
          onPress={() => router.push(`/card?batch=${batch.id}` as '/')}
          className="self-start"
        />
        <Key
          label={t('bookRoom.deleteThisBatch')}
          kind="harm"
          onPress={() => {
            rememberRemoved(batch);
            remove.mutate(batch.id);
            router.push('/book');
          }}
          className="self-start"
        />
      </View>
    </Room>
  );
}

/**
 * Free words. While they are typed the field is the typing hand's: what another tab writes meanwhile is put together with it
 * where the record is kept, and shown when the hand rests, so that no letter and no caret is moved under it.
 */
function NoteField({ initial, onChange }: { initial: string; onChange: (note: string, was: string) => void }) {
  const [typed, setTyped] = useState<string | undefined>();
  const shown = typed ?? initial;
  useEffect(() => {
    if (typed === undefined) return undefined;
    const timer = setTimeout(() => setTyped(undefined), RESTS_MS);
    return () => clearTimeout(timer);
  }, [typed]);
  return (
    <Field
      label={t('bookRoom.note')}
      value={shown}
      multiline
      numberOfLines={3}
      maxLength={2000}
      onChangeText={(text) => {
        setTyped(text);
        onChange(text, shown);
      }}
      onBlur={() => setTyped(undefined)}
    />
  );
}

/** After its last letter a hand rests. */
const RESTS_MS = 2000;

/** What a thermometer read in the pot, over the minutes of the cook; nothing where it read hardly anything. */
function potChart(batch: Batch, fmt: Formatter): Chart | undefined {
  const events = countingEvents(batch);
  const fromMs = Date.parse(events[0]?.at ?? '');
  const points = events.flatMap((e) =>
    e.kind === 'measured' && e.what === 'probe' ? [{ x: (Date.parse(e.at) - fromMs) / 60_000, y: e.value }] : [],
  );
  if (points.length < 3) return undefined;
  return {
    title: batch.plan.name,
    says: t('bookRoom.batch3', { batchName: batch.plan.name }),
    x: { name: t('shared.minutes'), domain: [0, Math.max(...points.map((p) => p.x))] },
    left: { name: t('shared.pot'), domain: [0, 110], tick: fmt.temp },
    series: [{ name: t('shared.pot'), on: 'left', points }],
  };
}

function Log({ batch }: { batch: Batch }) {
  const { fmt } = useApp();
  const pantry = pantryOf(batch.plan);
  const events = countingEvents(batch);
  const steps = stepsOf(batch.plan, { phases: [] }, changesOf(batch));
  return (
    <View className="gap-3">
      <Type kind="title" level={2}>
        {t('bookRoom.whatWentIn')}
      </Type>
      <View>
        {batch.plan.things.map((i) => (
          <View key={i.ingredientId} className="flex-row justify-between gap-3 border-b-hair border-line py-1">
            <Type className="shrink">{lookUp(batch.plan, i.ingredientId).name}</Type>
            <Type kind="strong">{fmt.grams(i.grams)}</Type>
          </View>
        ))}
        {batch.plan.vessels.map((v) => (
          <View key={v.id} testID={`beside-${v.id}`}>
            <Type kind="strong" className="pt-2">
              {t('bookRoom.besideIt', { name: v.name })}
            </Type>
            {v.things.map((i) => (
              <View key={i.ingredientId} className="flex-row justify-between gap-3 border-b-hair border-line py-1">
                <Type className="shrink">{lookUp(batch.plan, i.ingredientId).name}</Type>
                <Type kind="strong">{fmt.grams(i.grams)}</Type>
              </View>
            ))}
          </View>
        ))}
      </View>
      {events.length ? (
        <>
          <Type kind="title" level={2}>
            {t('bookRoom.howItWent')}
          </Type>
          {potChart(batch, fmt) ? (
            <SaveChart name={`pot-${batch.plan.name}`} chart={() => potChart(batch, fmt)!} />
          ) : null}
          <View>
            {events.flatMap((e) => {
              const says = eventSays(e, fmt, (id) => pantry.get(id)?.name ?? id, steps);
              return says === undefined ? [] : <Type key={e.id}>{`${fmt.time(Date.parse(e.at))}  ${says}`}</Type>;
            })}
          </View>
        </>
      ) : null}
    </View>
  );
}
