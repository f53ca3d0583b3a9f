import { useQuery } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { View } from 'react-native';
import type { KitchenFile } from '../../core/formats/kitchenFile';
import type { ImportAnswer } from '../../core/formats/incoming';
import type { Called, Exchange, ImportWay, Weighed } from '../../core/formats/merge';
import type { FormatIssue } from '../../core/formats/issues';
import { say } from '../../core/say';
import type { Settings } from '../../core/settings';
import { Choices } from '../../ui/Choices';
import { FileKey } from '../../ui/FileKey';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp, useTell } from '../shared/App';
import { useKitchen } from '../shared/kitchen';
import { MOST_BYTES, readTextFile } from '../shared/readTextFile';
import { saveFile, sinceExport, useLastExported, useSaveKitchen } from '../shared/saveFile';
import { useExchange, useImport, useRows, useSetAside } from '../shared/stored';
import { useLatestSignal } from '../shared/useLatestSignal';
import { useTakeBack } from '../shared/useTakeBack';
import { useOtherKitchen } from '../shared/useOtherKitchen';
import { supperOffsetMin } from '../shared/wallClock';

/** What is asked before it is done, and how it is done: gives what brings the old back. */
type Asking = { title: string; text: string; act: string; make: () => Promise<Exchange | undefined> };
type Chosen = { name: string; text: string };

const AS_A_START: ImportWay = { mode: 'merge', keep: 'mine' };
/** names that are told of each kind, and faults of a file */
const MOST_NAMES = 6;
const MOST_FAULTS = 20;

type LaunchQueue = {
  setConsumer(take: (launched: { files?: readonly { getFile(): Promise<File> }[] }) => void): void;
};

/** The kitchen as files, out and in; and the other kitchen. */
export function FilesPart({ settings }: { settings: Settings }) {
  const { ask, clock, which } = useKitchen();
  const openOther = useOtherKitchen();
  const saveKitchen = useSaveKitchen();
  const exchange = useExchange();
  const incoming = useImport();
  const back = useTakeBack();
  const [asking, setAsking] = useState<Asking | undefined>();
  const [chosen, setChosen] = useState<Chosen | undefined>();
  const [way, setWay] = useState(AS_A_START);
  const [answer, setAnswer] = useState<ImportAnswer | undefined>();
  const [issues, setIssues] = useState<FormatIssue[]>([]);
  const [said, setSaid] = useState('');

  // what was asked last: an answer to something else comes too late
  const latest = useLatestSignal();
  const asked = useRef<{ file: Chosen; way: ImportWay } | undefined>(undefined);
  const close = () => {
    latest();
    asked.current = undefined;
    setChosen(undefined);
  };
  const weigh = async (file: Chosen, next: ImportWay) => {
    const mine = { file, way: next };
    asked.current = mine;
    setWay(next);
    const found = await incoming.weigh(file.text, next, latest()).catch(() => undefined);
    if (asked.current !== mine) return;
    if (found?.ok) {
      setAnswer(found);
      return;
    }
    close();
    if (found) setIssues(found.issues);
    else setSaid(t('settingsRoom.notDoneNothingWasChanged'));
  };
  const open = async (file: File) => {
    setIssues([]);
    setSaid('');
    setAnswer(undefined);
    const text = await readTextFile(file);
    if (text === undefined) {
      setIssues([{ path: '(whole file)', message: say('issue.tooLarge', { millions: MOST_BYTES / 1e6 }) }]);
      return;
    }
    const next = { name: file.name, text };
    setChosen(next);
    await weigh(next, AS_A_START);
  };
  const onLaunch = useEffectEvent((file: File) => void open(file));
  // a file that the system opened with the installed app
  useEffect(() => {
    (window as { launchQueue?: LaunchQueue }).launchQueue?.setConsumer((launched) => {
      void launched.files?.[0]?.getFile().then(onLaunch);
    });
  }, []);
  const act = (work: () => Promise<Exchange | undefined>) => {
    setAsking(undefined);
    close();
    setSaid(t('settingsRoom.working'));
    void work()
      .then((was) => {
        if (was) back.offer(t('settingsRoom.anotherKitchenIsHere'), () => void exchange(was));
        setSaid(t('settingsRoom.done'));
      })
      .catch(() => setSaid(t('settingsRoom.notDoneNothingWasChanged')));
  };
  const replaceBy = (make: () => Promise<KitchenFile>) => async () => exchange(await make());

  return (
    <>
      <View className="gap-2">
        <Type kind="title" level={2}>
          {t('settingsRoom.yourKitchenInOneFile')}
        </Type>
        <Key label={t('settingsRoom.exportEverything')} size="amount" onPress={() => void saveKitchen()} />
        <FileKey
          label={t('settingsRoom.importAFile')}
          sub={t('settingsRoom.importWhat')}
          size="amount"
          accept="application/json,.json,text/csv,.csv"
          fileLabel={t('settingsRoom.kitchenFile')}
          onFile={(f) => void open(f)}
        />
        <Tables />
        <SetAside />
        <Keeping />
        {issues.length ? (
          <View role="alert">
            <Notice text={t('settingsRoom.nothingWasChangedThisFile')}>
              <Faults list={issues} />
            </Notice>
          </View>
        ) : null}
        {back.bar}
        {said ? (
          <Type kind="strong" role="status">
            {said}
          </Type>
        ) : null}
      </View>
      <View className="gap-2">
        <Type kind="title" level={2}>
          {t('settingsRoom.twoKitchens')}
        </Type>
        <Type tone="quiet">
          {t(which() === 'own' ? 'settingsRoom.youAreInYours' : 'settingsRoom.youAreInTheChoirs')}
        </Type>
        {which() === 'own' ? (
          <Key label={t('settingsRoom.lookRound')} size="amount" onPress={() => void openOther('choir')} />
        ) : (
          <>
            <Key label={t('settingsRoom.toMyKitchen')} size="amount" onPress={() => void openOther('own')} />
            <Key
              label={t('settingsRoom.laySupperAnew')}
              size="amount"
              onPress={() =>
                setAsking({
                  title: t('settingsRoom.layTheSupperAnew'),
                  text: t('settingsRoom.whatIsWrittenInTheChoirs'),
                  act: t('settingsRoom.layIt'),
                  make: replaceBy(async () => ({
                    ...(await ask('demo', [clock(), supperOffsetMin(clock())])),
                    settings,
                  })),
                })
              }
            />
          </>
        )}
      </View>
      <Sheet open={asking !== undefined} title={asking?.title ?? ''} onClose={() => setAsking(undefined)}>
        <Type>{asking?.text}</Type>
        <PotThatIsOn />
        <Key label={t('settingsRoom.exportFirst')} size="amount" onPress={() => void saveKitchen()} />
        <Key
          label={asking?.act ?? ''}
          kind="harm"
          size="amount"
          testID="confirm"
          onPress={() => asking && act(asking.make)}
        />
        <Key label={t('settingsRoom.leaveItAsItIs')} size="amount" onPress={() => setAsking(undefined)} />
      </Sheet>
      <Sheet open={chosen !== undefined} title={t('settingsRoom.whatThisFileWouldDo')} onClose={close}>
        <Type kind="strong">{chosen?.name}</Type>
        {chosen && answer?.ok ? (
          <>
            {answer.kind === 'kitchen' ? (
              <Choices
                label={t('settingsRoom.howItComesIn')}
                value={way.mode}
                column
                options={[
                  { value: 'merge', label: t('settingsRoom.merge'), sub: t('settingsRoom.mergeSays') },
                  { value: 'replace', label: t('settingsRoom.replace'), sub: t('settingsRoom.replaceSays') },
                ]}
                onChoose={(mode) => void weigh(chosen, { ...way, mode })}
              />
            ) : null}
            {answer.kind !== 'table' && way.mode === 'merge' && differs(answer.weighed) ? (
              <Choices
                label={t('settingsRoom.whereBothDiffer')}
                value={way.keep}
                options={[
                  { value: 'mine', label: t('settingsRoom.keepMine') },
                  { value: 'theirs', label: t('settingsRoom.takeTheFiles') },
                ]}
                onChoose={(keep) => void weigh(chosen, { ...way, keep })}
              />
            ) : null}
            <Preview weighed={answer.weighed} />
            {answer.left.length ? (
              <Notice text={t('settingsRoom.theseStayOut', { count: answer.left.length })}>
                <Faults list={answer.left} />
              </Notice>
            ) : null}
            {way.mode === 'replace' ? (
              <>
                <PotThatIsOn />
                <Key label={t('settingsRoom.exportFirst')} size="amount" onPress={() => void saveKitchen()} />
              </>
            ) : null}
            <Key
              label={t(way.mode === 'replace' ? 'settingsRoom.putItInPlace' : 'settingsRoom.takeItIn')}
              kind={way.mode === 'replace' ? 'harm' : 'yolk'}
              size="amount"
              testID="confirm"
              onPress={() => act(() => incoming.take(chosen.text, way))}
            />
          </>
        ) : (
          <Type role="status">{t('settingsRoom.lookingThrough')}</Type>
        )}
        <Key label={t('settingsRoom.leaveItAsItIs')} size="amount" onPress={close} />
      </Sheet>
    </>
  );
}

const differs = (weighed: readonly Weighed[]) => weighed.some((w) => w.changes.length + w.stays.length > 0);

/** What comes, changes and goes, kind by kind, with the first few by their names. */
function Preview({ weighed }: { weighed: readonly Weighed[] }) {
  const { fmt } = useApp();
  const names = (list: readonly Called[]) =>
    list
      .slice(0, MOST_NAMES)
      .map((c) => (c.at === undefined ? c.name : `${c.name}, ${fmt.day(Date.parse(c.at))}`))
      .join('; ') +
    (list.length > MOST_NAMES ? ` ${t('settingsRoom.andMore', { count: list.length - MOST_NAMES })}` : '');
  const touched = weighed.filter((w) => w.comes.length + w.changes.length + w.goes.length + w.stays.length > 0);
  const same = weighed.reduce((n, w) => n + w.same, 0);
  return (
    <View className="gap-3" testID="preview">
      {touched.map((w) => (
        <View key={w.collection} className="gap-1">
          <Type kind="strong">{t(`collection.${w.collection}`)}</Type>
          {(['comes', 'changes', 'stays', 'goes'] as const).map((what) =>
            w[what].length ? (
              <Type key={what}>
                {t(`settingsRoom.${what}`, { count: w[what].length })}: {names(w[what])}
              </Type>
            ) : null,
          )}
        </View>
      ))}
      {same ? <Type tone="quiet">{t('settingsRoom.sameAlready', { count: same })}</Type> : null}
      {touched.length === 0 ? <Type>{t('settingsRoom.nothingNew')}</Type> : null}
    </View>
  );
}

/** A pot that somebody stands at stays, whatever kitchen comes. */
function PotThatIsOn() {
  const { store, clock } = useKitchen();
  const on = useQuery({ queryKey: ['pots on'], queryFn: () => store().potsOn(clock()) });
  const names = on.data?.map((row) => row.name).join(', ');
  return names ? <Type kind="strong">{t('settingsRoom.thePotStays', { names })}</Type> : null;
}

function Faults({ list }: { list: readonly FormatIssue[] }) {
  const tell = useTell();
  return list
    .slice(0, MOST_FAULTS)
    .map((i) => <Type key={i.path + tell(i.message)}>{`${i.path}: ${tell(i.message)}`}</Type>);
}

/** Where it is kept, what the browser promises of it, and how long ago a file was made. */
function Keeping() {
  const { fmt } = useApp();
  const rows = useRows('batches');
  const room = useQuery({
    queryKey: ['room'],
    queryFn: async () => {
      const { usage, quota } = (await navigator.storage?.estimate?.()) ?? {};
      return { usage, quota, firm: (await navigator.storage?.persisted?.()) ?? false };
    },
  });
  const at = useLastExported();
  const mb = (bytes: number) => (bytes < 1e9 ? `${Math.ceil(bytes / 1e6)} MB` : `${(bytes / 1e9).toFixed(1)} GB`);
  return (
    <View className="gap-1" testID="keeping">
      <Type kind="strong">
        {!at
          ? t('settingsRoom.neverExported')
          : t('settingsRoom.lastExported', { at: fmt.day(Date.parse(at)), count: sinceExport(rows.data ?? [], at) })}
      </Type>
      <Type kind="small" tone="quiet">
        {t('settingsRoom.keptInThisBrowser')}
        {room.data?.quota === undefined
          ? ''
          : ` ${t('settingsRoom.roomHere', { used: mb(room.data.usage ?? 0), quota: mb(room.data.quota) })}`}
        {` ${t(room.data?.firm ? 'settingsRoom.firm' : 'settingsRoom.notFirm')}`}
      </Type>
    </View>
  );
}

/** The book, the log and the curves for a spreadsheet. */
function Tables() {
  const { ask, store, clock } = useKitchen();
  const save = async (what: 'book' | 'log' | 'curves') =>
    saveFile(
      `ovalis-${what}-${new Date(clock()).toISOString().slice(0, 10)}.csv`,
      await ask('table', [what, await store().texts()]),
      'text/csv',
    );
  return (
    <View className="gap-2">
      <Type kind="strong">{t('settingsRoom.asTables')}</Type>
      <View role="group" aria-label={t('settingsRoom.asTables')} className="flex-row flex-wrap gap-2">
        {(['book', 'log', 'curves'] as const).map((what) => (
          <Key key={what} label={t(`settingsRoom.table.${what}`)} onPress={() => void save(what)} />
        ))}
      </View>
    </View>
  );
}

/** Records that could not be read, kept as they were: the cook can take them out. */
function SetAside() {
  const aside = useSetAside();
  const count = Object.keys(aside.data ?? {}).length;
  if (count === 0) return null;
  return (
    <Key
      label={t('settingsRoom.saveTheSetAside', {
        countOf: count,
        records: count === 1 ? t('settingsRoom.record') : t('settingsRoom.records'),
      })}
      size="amount"
      onPress={() => saveFile('ovalis-set-aside.json', JSON.stringify(aside.data, null, 1))}
    />
  );
}
