import { useRouter } from 'expo-router';
import { useCallback, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useInView } from 'react-intersection-observer';
import { learnFirmness } from '../../core/book/learned';
import { promiseOf, type Batch } from '../../core/book/batch';
import { thinned } from '../../core/book/thin';
import type { BatchRow } from '../../core/book/row';
import type { Cook } from '../../core/cook/events';
import type { CookRow } from '../../core/cook/row';
import { stripMiddle, wordAt } from '../../core/texture/words';
import { keepFirmly } from '../../storage/browser';
import { useCollection, useEdit, useOne, useRows, useSave } from '../shared/stored';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Empty, Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { SetStrip } from '../../ui/SetStrip';
import { Sheet } from '../../ui/Sheet';
import { Tag } from '../../ui/Tag';
import { Type } from '../../ui/Type';
import { UndoBar } from '../../ui/UndoBar';
import { useApp } from '../shared/App';
import { newId } from '../shared/ids';
import { Room } from '../shared/Room';
import { useMounted } from '../shared/useNow';
import { MANY_UNSAVED, sinceExport, useLastExported, useSaveKitchen } from '../shared/saveFile';
import { Legend } from './Legend';
import { lastRemoved, rememberRemoved } from './removed';
import { useNextTime } from './useNextTime';
import { adviceSays, keptPromise, missSays, firmnessSays } from './words';
import { learn, t } from '../../words';
import { bookRoom } from '../../words/en/bookRoom';
import { useKitchen } from '../shared/kitchen';

learn(bookRoom);

const found = (b: BatchRow, words: readonly string[]) => {
  const hay = [
    b.name,
    b.found.note,
    b.found.wordServing,
    b.found.wordHot,
    ...b.found.flaws,
    ...b.items.map((id) => id.replaceAll('_', ' ')),
  ]
    .join(' ')
    .toLowerCase();
  return words.every((w) => hay.includes(w));
};

/** Batches that are drawn at first, and more each time their end comes into sight. */
const AT_A_TIME = 24;

/** Beside the word of a batch: how it kept its promise, or what that was. */
const told = (b: BatchRow) =>
  b.found.wordServing
    ? missSays(b)
    : t('bookRoom.promised2', { servingPlace: t(`word.${wordAt(b.promise.servingPlace)}`) });

/** The book: advice first, because that is why one opens it; then each batch, promised against what came out. */
export function BookRoom() {
  const { fmt, ready, setWhere } = useApp();
  const router = useRouter();
  const stored = useRows('batches');
  const save = useSave('batches');
  const mounted = useMounted();
  const [text, setText] = useState('');
  const [writing, setWriting] = useState(false);
  const [gone, setGone] = useState<Batch | undefined>(lastRemoved);
  const over = useCallback(() => {
    rememberRemoved(undefined);
    setGone(undefined);
  }, []);
  const [drawn, setDrawn] = useState(AT_A_TIME);
  const [end] = useInView({ rootMargin: '600px', onChange: (seen) => seen && setDrawn((n) => n + AT_A_TIME) });
  const all = mounted ? (stored.data ?? []).toSorted((a, b) => Date.parse(b.at) - Date.parse(a.at)) : [];
  const words = text.trim().toLowerCase().split(/\s+/);
  const shown = all.filter((b) => found(b, words));
  const latest = all.find((b) => b.found.wordServing);
  const next = useNextTime(useOne('batches', latest?.id).value, all);
  const learnt = learnFirmness(all);
  const saveKitchen = useSaveKitchen();
  const exportedAt = useLastExported();
  const unsaved = exportedAt === undefined ? 0 : sinceExport(all, exportedAt);
  const tints = [...new Set(all.map((b) => b.name))];
  const loaded = mounted && ready && stored.isSuccess;

  return (
    <Room
      name={t('room.Book')}
      title={t('bookRoom.book')}
      sub={loaded ? `${all.length} ${all.length === 1 ? t('bookRoom.batch2') : t('bookRoom.batches')}` : undefined}
      foot={
        <View>
          {gone ? (
            <UndoBar
              text={t('bookRoom.isGone', { goneName: gone.plan.name, at: fmt.day(Date.parse(gone.at)) })}
              onUndo={() => {
                save.mutate(gone);
                over();
              }}
              onGone={over}
            />
          ) : null}
          <View className="border-t-rim border-ink bg-field px-3 py-2 wide:items-center flat:py-0.5">
            <Key
              kind="ink"
              size="amount"
              label={t('bookRoom.writeDownABatch')}
              className="wide:w-[460px]"
              onPress={() => setWriting(true)}
            />
          </View>
        </View>
      }
      right={
        loaded && all.length ? (
          <View className="gap-1">
            <Type kind="title" level={2}>
              {t('bookRoom.myKitchen')}
            </Type>
            <Row
              title={firmnessSays(learnt.factor)}
              sub={t('bookRoom.fromWrittenWords', { batches: learnt.batches, sdLn: Math.round(learnt.sdLn * 100) })}
            />
            <Row
              title={t('bookRoom.asPromised')}
              value={t('bookRoom.of', {
                promised: all.filter((b) => keptPromise(b)).length,
                wordServing: all.filter((b) => b.found.wordServing).length,
              })}
            />
            <Type kind="small" tone="quiet">
              {t('bookRoom.eachWordIsABand')}
            </Type>
          </View>
        ) : undefined
      }
    >
      {loaded && all.length === 0 ? (
        <Empty word={t('bookRoom.oneFaintEgg')} text={t('bookRoom.cookOnceThenThisFills')} />
      ) : loaded ? (
        <>
          {latest && (next.data ? next.data.advice.length > 0 : !next.isError) ? (
            <Pressable
              role="button"
              onPress={() => router.push(`/batch?id=${latest.id}` as '/batch')}
              className="border-b-rim border-ink bg-yolk px-4 py-3 wide:px-6"
            >
              <Type kind="strong" tone="onyolk">
                {t('bookRoom.nextTime2', { latestName: latest.name })}
              </Type>
              <Type kind="amount" tone="onyolk" level={2} {...(next.data ? { testID: 'advice' } : {})}>
                {next.data ? next.data.advice.map((a) => adviceSays(a, next.data.plan, fmt)).join(', ') : '…'}
              </Type>
              <Type tone="onyolk">
                {t('bookRoom.lastTimeLearntFromOf', {
                  latest: missSays(latest),
                  batches: next.data?.batches ?? '…',
                  batches2: next.data?.batches === 1 ? t('bookRoom.batch2') : t('bookRoom.batches'),
                })}
              </Type>
            </Pressable>
          ) : null}
          <View className="gap-3 px-4 py-3 wide:px-6">
            {unsaved >= MANY_UNSAVED ? (
              <Notice text={t('bookRoom.inNoFileYet', { count: unsaved })}>
                <Key label={t('shared.exportEverything')} className="self-start" onPress={() => void saveKitchen()} />
              </Notice>
            ) : null}
            <Legend />
            <Field
              label={t('bookRoom.search')}
              value={text}
              onChangeText={(typed) => {
                setText(typed);
                setDrawn(AT_A_TIME);
              }}
              inputMode="search"
              placeholder={t('bookRoom.nameMilkFlawNote')}
            />
          </View>
          <View className="border-t-rim border-ink bg-plate">
            {shown.slice(0, drawn).map((b) => (
              <Pressable
                key={b.id}
                role="link"
                aria-label={`${b.name}, ${fmt.day(Date.parse(b.at))}, ${b.found.wordServing ? t(`word.${b.found.wordServing}`) : t('bookRoom.notWrittenDown')}, ${told(b)}`}
                onPress={() => router.push(`/batch?id=${b.id}` as '/batch')}
                className="gap-1 border-b-hair border-line px-4 py-3 active:opacity-70 wide:px-6"
              >
                <View className="flex-row items-center gap-3">
                  <Tag letter={b.name[0]!.toUpperCase()} tint={tints.indexOf(b.name)} size={30} />
                  <Type kind="key" className="min-w-0 flex-1">
                    {b.name}
                  </Type>
                  <Type tone="quiet">{fmt.day(Date.parse(b.at))}</Type>
                </View>
                <View className="flex-row items-center gap-4">
                  <View className="w-[200px]">
                    <SetStrip
                      promised={b.promise.servingPlace}
                      {...(b.found.wordServing ? { found: stripMiddle(b.found.wordServing) } : {})}
                      label={t('bookRoom.promisedOf5', { servingPlace: b.promise.servingPlace.toFixed(1) })}
                    />
                  </View>
                  <View className="min-w-0 flex-1">
                    <Type kind="strong">
                      {b.found.wordServing ? t(`word.${b.found.wordServing}`) : t('bookRoom.notWrittenDown')}
                    </Type>
                    <Type kind="small" tone="quiet">
                      {[told(b), ...b.found.flaws.map((f) => t(`flaw.${f}`))].join(', ')}
                    </Type>
                  </View>
                </View>
              </Pressable>
            ))}
            {shown.length > drawn ? <View ref={end as never} key={drawn} className="h-px" /> : null}
            {shown.length === 0 ? (
              <Type className="px-4 py-6">{t('bookRoom.noBatchWith', { trim: text.trim() })}</Type>
            ) : null}
          </View>
        </>
      ) : null}
      <WriteSheet
        open={writing}
        onClose={() => setWriting(false)}
        onMade={(id, cookId) => {
          setWriting(false);
          if (cookId) setWhere({ cookId });
          router.push(`/batch?id=${id}` as '/batch');
        }}
      />
    </Room>
  );
}

/** Pots that are offered: older ones nobody remembers. */
const MOST_POURED = 30;

/** From a cook that was poured, or from a plan that was cooked without the pot. */
function WriteSheet({
  open,
  onClose,
  onMade,
}: {
  open: boolean;
  onClose: () => void;
  onMade: (batchId: string, cookId?: string) => void;
}) {
  const { ask, clock, store } = useKitchen();
  const { fmt } = useApp();
  const plans = useCollection('plans');
  const cooks = useRows('cooks');
  const saveBatch = useSave('batches');
  const editCook = useEdit('cooks');
  const poured = (cooks.data ?? [])
    .filter((c) => c.batchId === undefined && c.pouredAt !== undefined)
    .toSorted((x, y) => Date.parse(y.pouredAt!) - Date.parse(x.pouredAt!));
  const write = async (plan: Batch['plan'], at: number, cook?: Cook) => {
    const id = newId('batch');
    keepFirmly();
    const forecast = await ask('forecast', [plan]);
    saveBatch.mutate({
      id,
      ...(cook ? { cookId: cook.id } : {}),
      at: new Date(at).toISOString(),
      plan,
      events: thinned(cook?.events ?? []),
      promise: promiseOf(forecast, plan),
      found: { flaws: [], note: '' },
    });
    if (cook) editCook.mutate({ id: cook.id, edit: (now) => now && { ...now, batchId: id } });
    onMade(id, cook?.id);
  };
  /** The whole of a cook, which the list knows by its row only. */
  const writeCook = async (row: CookRow) => {
    const cook = await store().cooks.get(row.id);
    if (cook) await write(cook.plan, Date.parse(row.pouredAt!), cook);
  };
  return (
    <Sheet open={open} title={t('bookRoom.writeDownABatch')} onClose={onClose}>
      {poured.length ? (
        <>
          <Type kind="title" level={3}>
            {t('bookRoom.poured')}
          </Type>
          {poured.slice(0, MOST_POURED).map((c) => (
            <Row
              key={c.id}
              title={c.name}
              sub={t('bookRoom.poured2', {
                pouredMs: fmt.weekday(Date.parse(c.pouredAt!)),
                pouredMs2: fmt.time(Date.parse(c.pouredAt!)),
              })}
              onPress={() => void writeCook(c)}
            />
          ))}
        </>
      ) : null}
      <Type kind="title" level={3}>
        {t('bookRoom.fromAPlanCookedWithout')}
      </Type>
      {(plans.data ?? []).map((p) => (
        <Row
          key={p.id}
          title={p.name}
          sub={t('bookRoom.people2', { people: p.people })}
          onPress={() => void write(p, clock())}
        />
      ))}
    </Sheet>
  );
}
