import { useQuery } from '@tanstack/react-query';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { writeBatchFile } from '../../core/formats/batchFile';
import { writePlanFile } from '../../core/formats/planFile';
import { planFragment } from '../../core/formats/planLink';
import { writeJsonLd, writeMarkdown, type Headings, type RecipeWords } from '../../core/formats/planText';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Empty, Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { learn, t } from '../../words';
import { card } from '../../words/en/card';
import { steps } from '../../words/en/steps';
import { useApp } from '../shared/App';
import { useKitchen } from '../shared/kitchen';
import { Room } from '../shared/Room';
import { fileName, saveFile } from '../shared/saveFile';
import { share } from '../shared/share';
import { useCollection, useOne } from '../shared/stored';
import { useForecast } from '../shared/useForecast';
import { useMounted } from '../shared/useNow';
import { recipeWords } from './recipeWords';

learn(card);
learn(steps);

const headings = (): Headings => ({ amounts: t('card.amounts'), steps: t('card.steps'), cautions: t('card.mind') });
/** Lines to write on. */
const LINES = 4;

/** One page of a plan, or of what became of one: printed, sent, copied, or as a file. */
export function CardRoom() {
  const { id, batch: batchId } = useLocalSearchParams<{ id?: string; batch?: string }>();
  const { fmt, tell } = useApp();
  const { ask, clock } = useKitchen();
  const router = useRouter();
  const mounted = useMounted();
  const plans = useCollection('plans');
  const one = useOne('batches', mounted ? batchId : undefined);
  const batch = batchId ? one.value : undefined;
  const plan = !mounted ? undefined : batchId ? batch?.plan : plans.data?.find((p) => p.id === id);
  const { forecast } = useForecast(plan);
  const beside = useQuery({
    queryKey: ['sides', JSON.stringify(plan?.acts), JSON.stringify(plan?.vessels)],
    queryFn: ({ signal }) => ask('sides', [plan!], signal),
    enabled: plan !== undefined,
  });
  const [link, setLink] = useState<{ text: string; copied: boolean } | undefined>();
  const back = (
    <Key
      label={t('card.back')}
      onPress={() => router.replace((batchId ? `/batch?id=${batchId}` : `/plan?id=${id ?? ''}`) as '/plan')}
    />
  );
  if (!plan)
    return (
      <Room name={t('room.Card')} title={t('card.title')} actions={mounted ? back : null}>
        {mounted && plans.isSuccess && (!batchId || one.loaded) ? (
          <Empty word={t('card.noSuchPlan')} text={t('card.noSuchPlanText')} />
        ) : null}
      </Room>
    );
  const found = batch?.found.wordServing;
  const base = forecast && recipeWords(plan, forecast, beside.data ?? [], tell, fmt);
  const words: RecipeWords | undefined = base && {
    ...base,
    ...(found ? { makes: `${base.makes}. ${t('card.wasFound', { word: t(`word.${found}`) })}` } : {}),
  };
  const file = fileName(plan.name);
  const json = batch ? writeBatchFile(batch) : writePlanFile(plan);
  const copyLink = async () => {
    const text = `${location.origin}/shared${await planFragment(plan)}`;
    const copied = await navigator.clipboard
      ?.writeText(text)
      .then(() => true)
      .catch(() => false);
    setLink({ text, copied: copied ?? false });
  };
  return (
    <Room name={t('room.Card')} title={t('card.title')} sub={plan.name} actions={back} paper={false}>
      <View className="mx-auto w-full max-w-[820px] gap-4 p-4 wide:px-8">
        <View className="gap-3 print:hidden">
          <View className="flex-row flex-wrap gap-2">
            <Key kind="yolk" size="amount" label={t('card.print')} onPress={() => window.print()} />
            <Key
              size="amount"
              label={t('card.send')}
              disabled={!words}
              onPress={() =>
                words &&
                void share({
                  title: plan.name,
                  text: writeMarkdown(words, headings()),
                  name: `${file}.md`,
                  type: 'text/markdown',
                })
              }
            />
            <Key size="amount" label={t('card.copyLink')} onPress={() => void copyLink()} />
          </View>
          <Type kind="small" tone="quiet">
            {t('card.copyLinkSub')}
          </Type>
          {link?.copied ? (
            <Type kind="strong" role="status">
              {t('card.copied')}
            </Type>
          ) : link ? (
            <Field label={t('card.notCopied')} value={link.text} readOnly selectTextOnFocus />
          ) : null}
          <View className="flex-row flex-wrap gap-2">
            <Key
              label={t('card.markdown')}
              disabled={!words}
              onPress={() => words && saveFile(`${file}.md`, writeMarkdown(words, headings()), 'text/markdown')}
            />
            <Key
              label={t('card.jsonLd')}
              disabled={!words}
              onPress={() => words && saveFile(`${file}.jsonld`, writeJsonLd(words), 'application/ld+json')}
            />
            <Key
              label={t('card.file')}
              onPress={() => saveFile(`ovalis-${batch ? 'batch' : 'plan'}-${file}.json`, json)}
            />
          </View>
        </View>
        {words ? <Page words={words} day={fmt.day(clock())} /> : <Type tone="quiet">{t('card.workingOut')}</Type>}
      </View>
    </Room>
  );
}

/** What is on the paper: nothing of the app but its name and the date. */
function Page({ words, day }: { words: RecipeWords; day: string }) {
  return (
    <View testID="card" className="gap-4 rounded-plate border-edge border-ink bg-plate p-5 print:border-0 print:p-0">
      <View className="gap-1 border-b-rim border-ink pb-2">
        <Type kind="amount" level={2}>
          {words.name}
        </Type>
        <Type>{words.makes}</Type>
      </View>
      <View className="gap-5 wide:flex-row print:flex-row">
        <View className="gap-1 wide:w-[280px] print:w-[42%]">
          <Type kind="title" level={3}>
            {t('card.amounts')}
          </Type>
          {words.amounts.map((line) => (
            <Type key={line} className="border-b-hair border-line py-1">
              {line}
            </Type>
          ))}
        </View>
        <View className="flex-1 gap-1.5">
          <Type kind="title" level={3}>
            {t('card.steps')}
          </Type>
          {words.steps.map((s, i) => (
            <Type key={`${i} ${s.title}`}>
              <Type kind="strong">{`${i + 1}. ${s.title}. `}</Type>
              {s.text}
            </Type>
          ))}
        </View>
      </View>
      {words.cautions.length ? (
        <View className="gap-0.5">
          {words.cautions.map((c) => (
            <Notice key={c} text={c} harm={false} />
          ))}
        </View>
      ) : null}
      <View>
        <Type kind="strong">{t('card.whatCameOfIt')}</Type>
        {Array.from({ length: LINES }, (_, i) => (
          <View key={i} className="h-8 border-b-hair border-line" />
        ))}
      </View>
      <Type kind="small" tone="quiet">
        {t('card.printedOn', { day })}
      </Type>
    </View>
  );
}
