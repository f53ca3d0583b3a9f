import { clsx } from 'clsx';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useCallback, useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useInView } from 'react-intersection-observer';
import { factsOf, lookedFor, SORTS, wordsFound, type Filter, type Sort } from '../../core/book/facts';
import type { Batch } from '../../core/book/batch';
import { thinned } from '../../core/book/thin';
import type { BatchRow } from '../../core/book/row';
import type { Cook } from '../../core/cook/events';
import type { CookRow } from '../../core/cook/row';
import { stripMiddle, wordAt } from '../../core/texture/words';
import { keepFirmly } from '../../storage/browser';
import { asShown } from '../shared/cache';
import { useAtHand, useCollection, useEdit, useOne, useRows, useSave } from '../shared/stored';
import { useOwedPromise } from './useOwedPromise';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { later } from '../../ui/later';
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
import { useKnown } from '../shared/useKnown';
import { FactsPart } from './FactsPart';
import { Legend } from './Legend';
import { lastRemoved, rememberRemoved } from './removed';
import { useNextTime } from './useNextTime';
import { adviceSays, missSays, firmnessSays } from './words';
import { learn, t } from '../../words';
import { bookRoom } from '../../words/en/bookRoom';
import { useKitchen } from '../shared/kitchen';

learn(bookRoom);

const CompareSheet = later(() => import('./CompareSheet').then((m) => m.CompareSheet));

/** Batches that are drawn at first, and more each time their end comes into sight. */
const AT_A_TIME = 24;

/** Beside the word of a batch: how it kept its promise, or what that was. */
const told = (b: BatchRow) =>
  b.found.wordServing
    ? missSays(b)
    : b.promise
      ? t('bookRoom.promised2', { servingPlace: t(`word.${wordAt(b.promise.servingPlace)}`) })
      : '';

/** The book: advice first, because that is why one opens it; then each batch, promised against what came out. */
export function BookRoom() {
  const { fmt, ready, setWhere } = useApp();
  const router = useRouter();
  const stored = useRows('batches');
  const save = useSave('batches');
  const mounted = useMounted();
  const [text, setText] = useState('');
  const [filter, setFilter] = useState<Omit<Filter, 'words'>>({});
  const [sort, setSort] = useState<Sort>('newest');
  const [sorting, setSorting] = useState(false);
  const [chosen, setChosen] = useState<readonly string[] | undefined>();
  const [comparing, setComparing] = useState(false);
  const [writing, setWriting] = useState(false);
  const [gone, setGone] = useState<Batch | undefined>(lastRemoved);
  const over = useCallback(() => {
    rememberRemoved(undefined);
    setGone(undefined);
  }, []);
  const [drawn, setDrawn] = useState(AT_A_TIME);
  const [end] = useInView({ rootMargin: '600px', onChange: (seen) => seen && setDrawn((n) => n + AT_A_TIME) });
  useOwedPromise(stored.data?.find((b) => !b.promise)?.id);
  const all = mounted ? (stored.data ?? []).toSorted((a, b) => Date.parse(b.at) - Date.parse(a.at)) : [];
  const words = text.trim().toLowerCase().split(/\s+/);
  const shown = lookedFor(all, { ...filter, words }, sort);
  const latest = all.find((b) => b.found.wordServing);
  const next = useNextTime(useOne('batches', latest?.id).value);
  const { learnt } = useKnown();
  const packs = useCollection('packs');
  const facts = useMemo(
    () => factsOf(stored.data ?? [], packs.data ?? [], new Date().getTimezoneOffset()),
    [stored.data, packs.data],
  );
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
            {learnt ? (
              <Row
                testID="my-kitchen"
                title={firmnessSays(learnt.other.factor)}
                sub={t('bookRoom.fromWrittenWords', {
                  batches: learnt.batches,
                  sdLn: Math.round(learnt.other.sdLn * 100),
                })}
                onPress={() => router.push('/kitchen' as '/')}
              />
            ) : null}
            <FactsPart facts={facts} />
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
            <View className="flex-row flex-wrap gap-2">
              <Key
                label={t('bookRoom.sortAndFilter')}
                testID="sort"
                selected={sort !== 'newest' || Object.values(filter).some((v) => v !== undefined)}
                onPress={() => setSorting(true)}
              />
              <Key
                label={t(chosen ? 'bookRoom.chooseNoMore' : 'bookRoom.compare')}
                testID="compare"
                selected={chosen !== undefined}
                onPress={() => setChosen(chosen ? undefined : [])}
              />
              {chosen && chosen.length >= 2 ? (
                <Key
                  kind="yolk"
                  label={t('bookRoom.layOver', { count: chosen.length })}
                  testID="overlay-key"
                  onPress={() => setComparing(true)}
                />
              ) : chosen ? (
                <Type className="self-center">{t('bookRoom.chooseTwo')}</Type>
              ) : null}
            </View>
          </View>
          <View className="border-t-rim border-ink bg-plate">
            {shown.slice(0, drawn).map((b) => (
              <Pressable
                key={b.id}
                role={chosen ? 'checkbox' : 'link'}
                {...(chosen ? { 'aria-checked': chosen.includes(b.id) } : {})}
                aria-label={`${b.name}, ${fmt.day(Date.parse(b.at))}, ${b.found.wordServing ? t(`word.${b.found.wordServing}`) : t('bookRoom.notWrittenDown')}, ${told(b)}`}
                onPress={() =>
                  chosen ? setChosen(toggled(chosen, b.id)) : router.push(`/batch?id=${b.id}` as '/batch')
                }
                className={clsx(
                  'gap-1 border-b-hair border-line px-4 py-3 active:opacity-70 wide:px-6',
                  chosen?.includes(b.id) && 'border-l-[10px] border-l-ink',
                )}
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
                      {...(b.promise ? { promised: b.promise.servingPlace } : {})}
                      {...(b.found.wordServing ? { found: stripMiddle(b.found.wordServing) } : {})}
                      label={
                        b.promise
                          ? t('bookRoom.promisedOf5', { servingPlace: b.promise.servingPlace.toFixed(1) })
                          : t('bookRoom.promiseComes')
                      }
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
      <SortSheet
        open={sorting}
        rows={all}
        sort={sort}
        filter={filter}
        onSort={setSort}
        onFilter={(next) => {
          setFilter(next);
          setDrawn(AT_A_TIME);
        }}
        onClose={() => setSorting(false)}
      />
      {chosen && comparing ? <CompareSheet open ids={chosen} onClose={() => setComparing(false)} /> : null}
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

/** One more, or one less; the first goes where there are too many. */
const toggled = (chosen: readonly string[], id: string): string[] =>
  chosen.includes(id) ? chosen.filter((c) => c !== id) : [...chosen, id].slice(-MOST_COMPARED);
const MOST_COMPARED = 4;

/** In which order, and which of them. */
function SortSheet({
  open,
  rows,
  sort,
  filter,
  onSort,
  onFilter,
  onClose,
}: {
  open: boolean;
  rows: readonly BatchRow[];
  sort: Sort;
  filter: Omit<Filter, 'words'>;
  onSort: (sort: Sort) => void;
  onFilter: (filter: Omit<Filter, 'words'>) => void;
  onClose: () => void;
}) {
  const families = [...new Set(rows.map((r) => r.family))];
  return (
    <Sheet open={open} title={t('bookRoom.sortAndFilter')} onClose={onClose}>
      <Choices
        label={t('bookRoom.order')}
        value={sort}
        options={SORTS.map((value) => ({ value, label: t(`sort.${value}`) }))}
        onChoose={onSort}
      />
      <Choices
        label={t('bookRoom.kind')}
        value={filter.family ?? 'all'}
        options={[
          { value: 'all' as const, label: t('bookRoom.all') },
          ...families.map((value) => ({ value, label: t(`family.${value}`) })),
        ]}
        onChoose={(family) => onFilter({ ...filter, family: family === 'all' ? undefined : family })}
      />
      <Choices
        label={t('bookRoom.cameOutAs')}
        value={filter.word ?? 'all'}
        options={[
          { value: 'all' as const, label: t('bookRoom.all') },
          ...wordsFound(rows).map((value) => ({ value, label: t(`word.${value}`) })),
        ]}
        onChoose={(word) => onFilter({ ...filter, word: word === 'all' ? undefined : word })}
      />
      <Choices
        label={t('bookRoom.only')}
        value={filter.only ?? 'all'}
        options={[
          { value: 'all' as const, label: t('bookRoom.all') },
          ...(['kept', 'missed', 'flawed'] as const).map((value) => ({ value, label: t(`only.${value}`) })),
        ]}
        onChoose={(only) => onFilter({ ...filter, only: only === 'all' ? undefined : only })}
      />
      <Key label={t('bookRoom.showThem')} size="amount" onPress={onClose} />
    </Sheet>
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
  const { clock } = useKitchen();
  const { fmt } = useApp();
  const client = useQueryClient();
  const plans = useCollection('plans');
  const cooks = useRows('cooks');
  const saveBatch = useSave('batches');
  const editCook = useEdit('cooks');
  const poured = (cooks.data ?? [])
    .filter((c) => c.batchId === undefined && c.pouredAt !== undefined)
    .toSorted((x, y) => Date.parse(y.pouredAt!) - Date.parse(x.pouredAt!))
    .slice(0, MOST_POURED);
  // what is tapped is whole: its batch is down before the tap returns
  const ready = useAtHand('cooks', open ? poured.map((c) => c.id) : []);
  const write = (plan: Batch['plan'], at: number, cook?: Cook) => {
    const id = newId('batch');
    keepFirmly();
    saveBatch.mutate({
      id,
      ...(cook ? { cookId: cook.id } : {}),
      at: new Date(at).toISOString(),
      plan,
      events: thinned(cook?.events ?? []),
      found: { flaws: [], note: '' },
    });
    if (cook) editCook.mutate({ id: cook.id, edit: (now) => now && { ...now, batchId: id } });
    onMade(id, cook?.id);
  };
  /** The whole of a cook, which the list knows by its row only. */
  const writeCook = (row: CookRow) => {
    const cook = asShown<Cook>(client, 'cooks', row.id);
    if (cook) write(cook.plan, Date.parse(row.pouredAt!), cook);
  };
  return (
    <Sheet open={open} title={t('bookRoom.writeDownABatch')} onClose={onClose}>
      {poured.length && ready ? (
        <>
          <Type kind="title" level={3}>
            {t('bookRoom.poured')}
          </Type>
          {poured.map((c) => (
            <Row
              key={c.id}
              title={c.name}
              sub={t('bookRoom.poured2', {
                pouredMs: fmt.weekday(Date.parse(c.pouredAt!)),
                pouredMs2: fmt.time(Date.parse(c.pouredAt!)),
              })}
              onPress={() => writeCook(c)}
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
          onPress={() => write(p, clock())}
        />
      ))}
    </Sheet>
  );
}
