import { useMutation } from '@tanstack/react-query';
import { addDays } from 'date-fns/addDays';
import { useLocalSearchParams, useRouter } from 'expo-router';
import Check from 'lucide-react-native/icons/check';
import { useState } from 'react';
import { View } from 'react-native';
import type { CheckItem } from '../../core/recipe/check';
import type { Line } from '../../core/recipe/lines';
import { limit } from '../../core/model/limits';
import type { Reading } from '../../core/recipe/read';
import { PANTRY, pantryWith } from '../../core/pantry/pantry';
import { aimPlace } from '../../core/texture/words';
import { useCollection, useSave } from '../shared/stored';
import { useLatestSignal } from '../shared/useLatestSignal';
import { colour } from '../../ui/colours';
import { Field } from '../../ui/Field';
import { FileKey } from '../../ui/FileKey';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { SetStrip } from '../../ui/SetStrip';
import { Sheet } from '../../ui/Sheet';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useApp, useTell } from '../shared/App';
import { LIMITS } from '../../core/recipe/limits';
import { readTextFile } from '../shared/readTextFile';
import { newId } from '../shared/ids';
import { Room } from '../shared/Room';
import { useAsk } from '../shared/useAsk';
import { useMounted } from '../shared/useNow';
import { learn, named, t } from '../../words';
import { check } from '../../words/en/check';
import { z } from 'zod';
import { FormField } from '../shared/FormField';
import { useFigure } from '../shared/useFigure';
import { useKitchen } from '../shared/kitchen';
import { recipeRoom } from '../../words/en/recipeRoom';
import { ReadSoFar } from './ReadSoFar';
import { SentencesPart } from './SentencesPart';

learn(recipeRoom);

learn(check);

const NO_OWN: never[] = [];
/** The check-up does not depend on the day: the plan gets its own when it is kept. */
const ANY_EVENING = '2026-12-12T19:30:00Z';
const MOST_BYTES = 1_000_000;
/** A field that holds more than the reader takes would only be slow; the one letter more lets the reader say so. */
const MOST_LETTERS = LIMITS.letters + 1;
/** of one ingredient, as the plan's schema has it */
const MOST_G = 20_000;

type Checked = NonNullable<ReturnType<typeof useCheck>['data']>;

/** How it sets as it is written. */
function AsWritten({ checked, working, toMend }: { checked: Checked; working: boolean; toMend: number }) {
  const { fmt } = useApp();
  return (
    <View className="gap-1 px-3 py-2 wide:px-6" testID="recipe-set">
      <View className="flex-row flex-wrap items-end justify-between gap-x-4">
        <View>
          <Type tone="quiet">{t('planRoom.atServing', { tempC: fmt.temp(checked.plan.serve.tempC) })}</Type>
          <Type kind="answer" className={working ? 'opacity-60' : ''}>
            {t(`word.${checked.forecast.serving.word}`)}
          </Type>
        </View>
        <View className="items-end pb-1">
          {toMend ? <Type kind="strong">{t('planRoom.toLookAt', { toMend })}</Type> : null}
          <Type tone="quiet">{t('planRoom.hotInThePot')}</Type>
          <Type kind="amount">{t(`word.${checked.forecast.hot.word}`)}</Type>
        </View>
      </View>
      <SetStrip
        place={checked.forecast.serving.place}
        low={checked.forecast.doubt.low}
        high={checked.forecast.doubt.high}
        wanted={aimPlace(checked.plan.serve.word)}
        working={working}
        label={t('planRoom.setAtServing', { word: t(`word.${checked.forecast.serving.word}`) })}
      />
    </View>
  );
}

/** A recipe on paper: pasted or opened, read line by line, checked, and taken as a plan. */
export function RecipeRoom() {
  const { ask, clock } = useKitchen();
  const tell = useTell();
  const { fmt, setWhere } = useApp();
  const router = useRouter();
  const mounted = useMounted();
  const packs = useCollection('packs');
  const own = useCollection('ingredients');
  const savePlan = useSave('plans');
  // what another app shared comes in the address; a link alone cannot be followed, for nothing leaves this device
  const shared = useLocalSearchParams<{ title?: string; text?: string; url?: string }>();
  const [written, setText] = useState<string | undefined>();
  const text = written ?? (mounted ? [shared.title, shared.text, shared.url].filter(Boolean).join('\n') : '');
  const [reading, setReading] = useState<Reading | undefined>();
  const [wrong, setWrong] = useState('');
  const [accepted, setAccepted] = useState<string[]>([]);
  const [people, setPeople] = useState<number | undefined>();
  const [planId] = useState(() => newId('plan'));
  const options = {
    system: fmt.settings.spoons,
    eggSize: 'eu M' as const,
    packs: (packs.data ?? []).map(({ ingredientId, grams }) => ({ ingredientId, grams })),
  };
  const mine = own.data ?? NO_OWN;
  const latest = useLatestSignal();
  const read = useMutation({
    mutationFn: (written: string) => ask('read', [written, mine, options], latest()),
    onSuccess: (r) => {
      setAccepted([]);
      setReading(r.ok ? r.reading : undefined);
      setPeople(r.ok ? r.reading.people : undefined);
      setWrong(r.ok ? '' : tell(r.why));
    },
    onError: (e) => e.name !== 'AbortError' && setWrong(t('planRoom.itCouldNotBeRead', { message: e.message })),
  });
  const open = async (f: File) => {
    const written = f.size > MOST_BYTES ? undefined : await readTextFile(f);
    if (written === undefined) {
      setWrong(t('planRoom.holdsThousandLettersOneRecipe', { name: f.name, size: Math.round(f.size / 1000) }));
      return;
    }
    // what is too long is said by the reader, and not put into a field that it would only slow
    if (written.length <= MOST_LETTERS) setText(written);
    read.mutate(written);
  };
  const mend = async (at: number, change: { ingredientId?: string; grams?: number }) => {
    if (!reading) return;
    const line = await ask('mend', [reading.lines[at]!, change, mine, options]);
    setReading({ ...reading, lines: reading.lines.map((l, i) => (i === at ? line : l)) });
  };
  const keep = (plan: Checked['plan']) => {
    const tomorrow = addDays(clock(), 1);
    tomorrow.setHours(19, 30, 0, 0);
    void savePlan
      .mutateAsync({ ...plan, serve: { ...plan.serve, at: tomorrow.toISOString() } })
      .catch(() => undefined)
      .then(() => {
        setWhere({ planId: plan.id });
        router.replace(`/plan?id=${plan.id}` as '/plan');
      });
  };
  const check = useCheck(reading, mine, planId, people, accepted);
  const toMend = check.data?.items.filter((i) => !i.accepted && i.level !== 'fact').length ?? 0;
  return (
    <Room
      name={t('planRoom.readARecipe')}
      title={reading ? reading.title : t('planRoom.aRecipeOnPaper')}
      sub={
        reading
          ? t('planRoom.linesSentences', { lines: reading.lines.length, method: reading.method.length })
          : t('planRoom.pasteItOrOpenA')
      }
      actions={
        <Key label={t('planRoom.back')} onPress={() => (reading ? setReading(undefined) : router.replace('/plan'))} />
      }
      right={
        reading && check.data ? (
          <CheckUp
            items={check.data.items}
            working={check.isPlaceholderData}
            onAccept={(id) => setAccepted([...accepted, id])}
            onUndo={(id) => setAccepted(accepted.filter((a) => a !== id))}
          />
        ) : undefined
      }
      foot={
        reading ? (
          <View className="flex-row justify-center gap-2 border-t-rim border-ink bg-field px-3 py-2 flat:py-0.5">
            <Key
              kind="yolk"
              size="amount"
              className="max-w-[460px] flex-1"
              label={
                check.data
                  ? t('planRoom.planIt')
                  : check.isFetching
                    ? t('planRoom.checking')
                    : t('planRoom.nothingToPlanYet')
              }
              disabled={!check.data || check.isPlaceholderData}
              onPress={() => check.data && keep(check.data.plan)}
            />
            {check.data ? (
              <Key
                size="amount"
                label={t('planRoom.asItIs')}
                spoken={t('planRoom.planItAsItIs')}
                disabled={check.isPlaceholderData}
                onPress={() => keep(check.data!.asItIs)}
              />
            ) : null}
          </View>
        ) : undefined
      }
    >
      {reading ? (
        <View>
          {check.data ? (
            <AsWritten checked={check.data} working={check.isPlaceholderData} toMend={toMend} />
          ) : check.isFetching ? (
            <Type tone="quiet" className="px-3 py-4 wide:px-6">
              {t('planRoom.cookingItAsWritten')}
            </Type>
          ) : (
            <View className="px-3 wide:px-6">
              <Notice text={t('planRoom.nothingLiquidWasReadTap')} />
            </View>
          )}
          <View className="border-y-rim border-ink bg-plate">
            {reading.lines.map((l, i) => (
              <LineRow
                key={`${i} ${l.text}`}
                line={l}
                own={mine}
                onMend={(c) => void mend(i, c)}
                onDrop={() => setReading({ ...reading, lines: reading.lines.filter((_, j) => j !== i) })}
              />
            ))}
          </View>
          <View className="px-3 py-3 wide:px-6">
            <Stepper
              name={t('planRoom.people')}
              value={people ?? check.data?.plan.people ?? 6}
              unit=""
              step={1}
              min={1}
              max={60}
              onChange={(v) => setPeople(Math.round(v))}
            />
          </View>
          <SentencesPart
            reading={reading}
            pantry={pantryWith(mine)}
            onTakeIn={(line) => read.mutate(`${text}\n${line}`)}
          />
        </View>
      ) : (
        <View className="mx-auto w-full max-w-[720px] gap-3 p-4">
          <Field
            label={t('planRoom.theRecipe')}
            value={text}
            onChangeText={setText}
            multiline
            numberOfLines={12}
            maxLength={MOST_LETTERS}
            placeholder={t('planRoom.500MlWholeMilk40')}
            style={{ minHeight: 300, textAlignVertical: 'top' }}
            error={wrong || undefined}
          />
          <Key
            kind="yolk"
            size="act"
            label={read.isPending ? t('planRoom.reading') : t('planRoom.readIt')}
            disabled={!mounted || read.isPending}
            onPress={() => read.mutate(text)}
          />
          <ReadSoFar text={text} own={mine} options={options} />
          <FileKey
            label={t('planRoom.openAFile')}
            size="amount"
            accept=".txt,.md,.markdown,.json,.jsonld,.html,.htm,text/*,application/json,application/ld+json"
            fileLabel={t('planRoom.recipeFile')}
            onFile={(f) => void open(f)}
          />
          <Type kind="small" tone="quiet">
            {t('planRoom.plainTextMarkdownOrA')}
          </Type>
        </View>
      )}
    </Room>
  );
}

/** The check-up, asked anew when a line, the people or an accepted fix changes. */
function useCheck(
  reading: Reading | undefined,
  own: Parameters<typeof pantryWith>[0] & object,
  planId: string,
  people: number | undefined,
  accepted: string[],
) {
  return useAsk(
    'check',
    [reading!, [...own], { id: planId, serveAt: ANY_EVENING, ...(people === undefined ? {} : { people }) }, accepted],
    { enabled: reading !== undefined, keep: true },
  );
}

/** One line: as written, as read; a tap says what it is or how much. */
function LineRow({
  line,
  own,
  onMend,
  onDrop,
}: {
  line: Line;
  own: readonly (typeof PANTRY)[number][];
  onMend: (c: { ingredientId?: string; grams?: number }) => void;
  onDrop: () => void;
}) {
  const tell = useTell();
  const { fmt } = useApp();
  const [open, setOpen] = useState(false);
  const [search, setSearch] = useState('');
  const pantry = pantryWith(own);
  const thing = line.ingredientId ? pantry.get(line.ingredientId) : undefined;
  const noAmount = t('planRoom.aNumberOfGramsAbove');
  const much = useFigure(z.number(noAmount).gt(0, noAmount).max(MOST_G, noAmount));
  const found = [...pantry.values()]
    .filter((i) => search.trim().length > 1 && i.name.includes(search.trim().toLowerCase()))
    .slice(0, 12);
  const value =
    line.state === 'open' ? t('planRoom.tapToSay') : line.again ? t('planRoom.counted') : fmt.grams(line.grams ?? 0);
  const sub = [
    thing ? (line.state === 'ask' ? t('planRoom.tapToSayWhich', { thingName: thing.name }) : thing.name) : '',
    line.heldG ? t('planRoom.keptBack', { heldG: fmt.grams(line.heldG) }) : '',
    line.optional ? t('planRoom.optional') : '',
    line.why ? tell(line.why) : '',
  ]
    .filter(Boolean)
    .join('; ');
  return (
    <View className={`px-3 wide:px-6 ${line.state === 'read' ? '' : 'bg-field'}`} testID={`line-${line.state}`}>
      <Row title={line.text} sub={sub} value={value} onPress={() => setOpen(true)} />
      <Sheet open={open} title={line.text} onClose={() => setOpen(false)}>
        {line.which ? (
          <View className="gap-2">
            <Type kind="strong">{tell(line.which.question)}</Type>
            {line.which.options.map((o) => (
              <Key
                key={o.ingredientId}
                label={tell(o.label)}
                sub={tell(o.tell)}
                size="amount"
                left
                onPress={() => {
                  onMend({ ingredientId: o.ingredientId });
                  setOpen(false);
                }}
              />
            ))}
          </View>
        ) : null}
        <FormField
          control={much.control}
          name="figure"
          label={t('planRoom.howMuch')}
          unit="g"
          inputMode="decimal"
          placeholder={line.grams ? String(Math.round(line.grams * 10) / 10) : ''}
        />
        <Key
          label={t('planRoom.thatMuch')}
          size="amount"
          disabled={much.figure === undefined || !thing}
          onPress={much.take((grams) => {
            onMend({ grams });
            setOpen(false);
          })}
        />
        <Field
          label={thing ? t('planRoom.itIsSomethingElse') : t('planRoom.itIs')}
          value={search}
          onChangeText={setSearch}
          placeholder={t('planRoom.milkStarchSugar')}
        />
        {found.map((i) => (
          <Row
            key={i.id}
            title={i.name}
            sub={named('allergen', i.allergens) || undefined}
            onPress={() => {
              onMend({ ingredientId: i.id, ...(much.figure === undefined ? {} : { grams: much.figure }) });
              setOpen(false);
            }}
          />
        ))}
        {search.trim().length > 1 && found.length === 0 ? (
          <Notice harm={false} text={t('planRoom.nothingOfThatNameAdd')} />
        ) : null}
        <Key
          label={t('planRoom.leaveThisLineOut')}
          kind="harm"
          onPress={() => {
            onDrop();
            setOpen(false);
          }}
        />
      </Sheet>
    </View>
  );
}

/** What is missing or risky, each with its reason and what a tap would mend. */
function CheckUp({
  items,
  working,
  onAccept,
  onUndo,
}: {
  items: readonly CheckItem[];
  working: boolean;
  onAccept: (id: string) => void;
  onUndo: (id: string) => void;
}) {
  const tell = useTell();
  const open = items.filter((i) => !i.accepted && i.level !== 'fact');
  return (
    <View className={working ? 'gap-3 py-2 opacity-70' : 'gap-3 py-2'} testID="checkup" aria-live="polite">
      <Type kind="title" level={2}>
        {open.length === 0 ? t('planRoom.nothingToMend') : t('planRoom.toLookAt2', { open: open.length })}
      </Type>
      {items.map((i) => (
        <View key={i.id} testID={`check-${i.id}`} className="gap-1 border-b-hair border-line pb-2">
          {i.accepted ? (
            <View className="flex-row items-center gap-2">
              <Check size={20} color={colour.bay} strokeWidth={3} />
              <Type kind="strong" className="shrink">
                {t('planRoom.mended', { says: tell(i.fix ?? i.says) })}
              </Type>
            </View>
          ) : i.level === 'fact' ? (
            <Type kind="strong">{tell(i.says)}</Type>
          ) : (
            <Notice text={tell(i.says)} harm={i.level === 'mend'} />
          )}
          <Type kind="small" tone="quiet">
            {tell(i.why)}
          </Type>
          {i.fix && !i.accepted ? (
            <Key label={tell(i.fix)} className="self-start" disabled={working} onPress={() => onAccept(i.id)} />
          ) : null}
          {i.accepted ? (
            <Key label={t('planRoom.asItWas')} kind="quiet" className="self-start" onPress={() => onUndo(i.id)} />
          ) : null}
        </View>
      ))}
      <Type kind="small" tone="quiet">
        {tell(limit('recipe'))}
      </Type>
    </View>
  );
}
