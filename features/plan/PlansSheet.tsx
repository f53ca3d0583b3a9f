import { addDays } from 'date-fns/addDays';
import { formatISO } from 'date-fns/formatISO';
import { startOfDay } from 'date-fns/startOfDay';
import { useRouter } from 'expo-router';
import { memo, useState } from 'react';
import { View } from 'react-native';
import { changesBetween } from '../../core/plan/history';
import { newPlan } from '../../core/plan/newPlan';
import type { Plan } from '../../core/plan/plan';
import { type SetWord } from '../../core/texture/words';
import { RULES, type Rule } from '../../core/plan/rules';
import { PANTRY, pantryWith } from '../../core/pantry/pantry';
import { withGrams } from '../../core/plan/amounts';
import { wishedPlan, type Wish } from '../../core/recipe/wish';
import { atWallClock } from '../shared/wallClock';
import { useCollection, useEdit, useRemove, useSave } from '../shared/stored';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Row } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Stepper } from '../../ui/Stepper';
import { Tag } from '../../ui/Tag';
import { Type } from '../../ui/Type';
import { UndoBar } from '../../ui/UndoBar';
import { useApp, useTell } from '../shared/App';
import { newId, nowIso } from '../shared/ids';
import { useStable } from '../shared/useStable';
import { withFirstAmounts } from './firstAmounts';
import type { What } from './what';
import { WhatKind, whatLabel } from './WhatKind';
import { FAMILY_SAYS, RULE_SAYS, wordSays } from './words';
import { learn, t } from '../../words';
import { useKitchen } from '../shared/kitchen';
import { useKnown } from '../shared/useKnown';
import { plansSheet } from '../../words/en/plansSheet';

learn(plansSheet);

/** The plans there are: open one, or duplicate, archive, compare and look back; and a new one. */
export const PlansSheet = memo(function PlansSheet({
  open,
  onClose,
  plans,
  current,
}: {
  open: boolean;
  onClose: () => void;
  plans: Plan[];
  current: Plan | undefined;
}) {
  const { fmt, setWhere } = useApp();
  const router = useRouter();
  const save = useSave('plans');
  const edit = useEdit('plans');
  const remove = useRemove('plans');
  const [view, setView] = useState<'list' | 'new' | 'history' | 'archive'>('list');
  const [gone, setGone] = useState<Plan | undefined>();
  const go = (id: string) => {
    setWhere({ planId: id });
    router.setParams({ id });
    setView('list');
    onClose();
  };
  /** A new plan is opened once it is there: until then another one would stand in its place. */
  const goToNew = (plan: Plan) =>
    void save
      .mutateAsync(plan)
      .catch(() => undefined)
      .then(() => go(plan.id));
  const leave = () => {
    setWhere({ planId: undefined });
    router.setParams({ id: undefined });
  };
  const close = () => {
    setView('list');
    onClose();
  };
  const past = useCollection('history');
  const removePast = useRemove('history');
  /** A plan that is gone for good takes its history along. */
  const forget = useStable(() => {
    for (const p of past.data ?? []) if (p.planId === gone?.id) removePast.mutate(p.id);
    setGone(undefined);
  });
  const kept = plans.filter((p) => !p.archived);
  const archived = plans.filter((p) => p.archived);
  const row = (p: Plan, i: number) => (
    <Row
      key={p.id}
      title={p.name}
      sub={t('planRoom.people2', {
        people: p.people,
        style: t(`style.${p.serve.style}`),
        at: fmt.weekday(Date.parse(p.serve.at)),
        at2: fmt.time(Date.parse(p.serve.at)),
      })}
      value={p.id === current?.id ? t('planRoom.here') : undefined}
      left={<Tag letter={p.name[0]!.toUpperCase()} tint={i} />}
      onPress={() => go(p.id)}
    />
  );
  const titles = {
    list: t('planRoom.plans'),
    new: t('planRoom.aNewPudding'),
    history: t('planRoom.asItWas'),
    archive: t('planRoom.putAway'),
  } as const;
  return (
    <Sheet open={open} title={titles[view]} onClose={close}>
      {view !== 'list' ? (
        <Key label={t('planRoom.back')} kind="quiet" className="self-start" onPress={() => setView('list')} />
      ) : null}
      {view === 'new' ? <NewPlanForm onMade={(plan) => goToNew(plan)} /> : null}
      {view === 'history' && current ? <HistoryForm plan={current} onBack={close} /> : null}
      {view === 'archive'
        ? archived.map((p) => (
            <View key={p.id} className="flex-row items-center gap-2">
              <View className="min-w-0 flex-1">
                <Row title={p.name} sub={fmt.weekday(Date.parse(p.serve.at))} />
              </View>
              <Key
                label={t('planRoom.bringBack')}
                spoken={t('planRoom.bringBack2', { name: p.name })}
                onPress={() => {
                  const { archived: _a, ...rest } = p;
                  save.mutate(rest);
                  go(p.id);
                }}
              />
            </View>
          ))
        : null}
      {view === 'list' ? (
        <>
          {gone ? (
            <UndoBar
              text={t('planRoom.isGone', { goneName: gone.name })}
              onUndo={() => {
                save.mutate(gone);
                setGone(undefined);
              }}
              onGone={forget}
            />
          ) : null}
          {kept.map(row)}
          <Key kind="yolk" size="amount" label={t('planRoom.planANewPudding')} onPress={() => setView('new')} />
          <Key
            size="amount"
            label={t('planRoom.readARecipe')}
            onPress={() => {
              close();
              router.push('/recipe' as '/');
            }}
          />
          <Key
            size="amount"
            label={t('planRoom.practise')}
            onPress={() => {
              close();
              router.push('/practice' as '/');
            }}
          />
          {current ? (
            <View className="gap-2">
              <Type kind="strong">{t('planRoom.with', { currentName: current.name })}</Type>
              <View className="flex-row flex-wrap gap-2">
                <Key
                  label={t('planRoom.duplicate')}
                  once
                  onPress={() => {
                    const copy = { ...current, id: newId('plan'), name: nextName(current.name, plans) };
                    goToNew(copy);
                  }}
                />
                <Key
                  label={t('planRoom.compare')}
                  onPress={() => {
                    close();
                    router.push(`/compare?a=${current.id}` as '/');
                  }}
                />
                <Key
                  label={t('planRoom.printAndSend')}
                  onPress={() => {
                    close();
                    router.push(`/card?id=${current.id}` as '/');
                  }}
                />
                <Key label={t('planRoom.asItWas')} onPress={() => setView('history')} />
                <Key
                  label={t('planRoom.putAway')}
                  onPress={() => {
                    edit.mutate({ id: current.id, edit: (now) => now && { ...now, archived: true } });
                    leave();
                  }}
                />
                <Key
                  label={t('planRoom.delete')}
                  spoken={t('planRoom.delete2', { currentName: current.name })}
                  kind="harm"
                  onPress={() => {
                    setGone(current);
                    remove.mutate(current.id);
                    leave();
                  }}
                />
              </View>
            </View>
          ) : null}
          {archived.length ? (
            <Key
              label={t('planRoom.putAway2', { archived: archived.length })}
              kind="quiet"
              onPress={() => setView('archive')}
            />
          ) : null}
        </>
      ) : null}
    </Sheet>
  );
});

/** "Vanilla cups 2", or the next number that is free. */
function nextName(name: string, plans: readonly Plan[]): string {
  const base = name.replace(/ \d+$/, '').slice(0, 55);
  for (let n = 2; ; n++) if (!plans.some((p) => p.name === `${base} ${n}`)) return `${base} ${n}`;
}

/** Earlier states of a plan: when, what was changed since, and the way back. */
function HistoryForm({ plan, onBack }: { plan: Plan; onBack: () => void }) {
  const tell = useTell();
  const { fmt } = useApp();
  const past = useCollection('history');
  const save = useSave('plans');
  const saveWas = useSave('history');
  const [before, setBefore] = useState<Plan | undefined>();
  const list = (past.data ?? [])
    .filter((p) => p.planId === plan.id)
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at));
  return (
    <>
      {before ? (
        <UndoBar
          text={t('planRoom.broughtBack')}
          onUndo={() => {
            save.mutate(before);
            setBefore(undefined);
          }}
          onGone={() => setBefore(undefined)}
        />
      ) : null}
      {list.length === 0 ? <Type tone="quiet">{t('planRoom.nothingYetTheFirstChange')}</Type> : null}
      {list.map((p) => {
        const lines = changesBetween(p.plan, plan);
        return (
          <View key={p.id} className="gap-1 border-b-hair border-line pb-3" testID="past">
            <View className="flex-row items-center justify-between gap-3">
              <Type kind="strong">
                {t('planRoom.before', { at: fmt.day(Date.parse(p.at)), at2: fmt.time(Date.parse(p.at)) })}
              </Type>
              <Key
                label={t('planRoom.bringBack')}
                disabled={lines.length === 0}
                onPress={() => {
                  // what is here now is kept too
                  saveWas.mutate({ id: newId('past'), planId: plan.id, at: nowIso(), plan });
                  setBefore(plan);
                  save.mutate(p.plan);
                }}
              />
            </View>
            {lines.length === 0 ? (
              <Type kind="small" tone="quiet">
                {t('planRoom.asItIsNow')}
              </Type>
            ) : (
              lines.slice(0, 8).map((l) => (
                <Type key={tell(l)} kind="small" tone="quiet">
                  {t('planRoom.since', { l: tell(l) })}
                </Type>
              ))
            )}
          </View>
        );
      })}
      <Key label={t('planRoom.close')} size="amount" onPress={onBack} />
    </>
  );
}

const MILKS = PANTRY.filter((i) => i.group === 'milk' && i.per100.water > 70);
const USUAL_TIME = 19 * 60 + 30;

/** A wish: said in a sentence, or tapped together; then amounts that will set. */
function NewPlanForm({ onMade }: { onMade: (p: Plan) => void }) {
  const { ask, clock } = useKitchen();
  const { fmt } = useApp();
  const own = useCollection('ingredients');
  const known = useKnown();
  const [said, setSaid] = useState('');
  const [name, setName] = useState('');
  const [what, setWhat] = useState<What>({ family: 'starch-set milk pudding' });
  const [milkId, setMilkId] = useState('milk_whole');
  const [people, setPeople] = useState(6);
  const [portionG, setPortionG] = useState(130);
  const [style, setStyle] = useState<Plan['serve']['style'] | 'usual'>('usual');
  const [warm, setWarm] = useState<boolean | undefined>();
  const [word, setWord] = useState<SetWord | undefined>();
  const [at, setAt] = useState(USUAL_TIME);
  const [rules, setRules] = useState<Rule[]>([]);
  const [wished, setWished] = useState<Wish | undefined>();
  const [heard, setHeard] = useState('');
  const [busy, setBusy] = useState(false);
  const milks = [...MILKS, ...(own.data ?? []).filter((i) => i.group === 'milk')];
  const milk = milks.find((m) => m.id === milkId);
  const usualName = what.dish
    ? whatLabel(what)
    : milk
      ? `${milk.name[0]!.toUpperCase()}${milk.name.slice(1)} ${t(FAMILY_SAYS[what.family].short)}`.slice(0, 60)
      : '';
  /** A dish brings its milk along; another can be chosen after it. */
  const choose = (w: What) => {
    setWhat(w);
    if (w.dish) setMilkId(w.dish.milkId);
  };
  const dayIn = (days: number) => startOfDay(addDays(clock(), days)).getTime();
  const hear = async () => {
    const w = await ask('wish', [said, formatISO(clock(), { representation: 'date' })]);
    setWished(w);
    if (w.family) setWhat({ family: w.family });
    if (w.milkId) setMilkId(w.milkId);
    if (w.people) setPeople(w.people);
    if (w.style) setStyle(w.style);
    if (w.warm !== undefined) setWarm(w.warm);
    if (w.word) setWord(w.word);
    if (w.at !== undefined) setAt(w.at);
    if (w.rules.length) setRules([...new Set([...rules, ...w.rules])]);
    const parts = [
      w.family && t(FAMILY_SAYS[w.family].label).toLowerCase(),
      w.milkId && milks.find((m) => m.id === w.milkId)?.name,
      w.people && t('planRoom.for3', { people: w.people }),
      w.style && t(`style.${w.style}`),
      w.warm === undefined ? '' : w.warm ? t('planRoom.warm') : t('planRoom.cold'),
      w.word && wordSays(w.word),
      ...w.amounts.map((a) =>
        t('planRoom.amountOf', {
          grams: fmt.grams(a.grams),
          name: pantryWith(own.data ?? []).get(a.ingredientId)!.name,
        }),
      ),
      w.dish,
      w.inDays !== undefined && fmt.weekday(dayIn(w.inDays)),
      w.at !== undefined && fmt.time(atWallClock(clock(), w.at).getTime()),
      ...w.rules.map((r) => t(RULE_SAYS[r].label).toLowerCase()),
    ].filter(Boolean);
    setHeard(
      [
        parts.length ? t('planRoom.heard', { parts: parts.join(', ') }) : t('planRoom.noneOfThatWasUnderstood'),
        w.unknown.length || w.unheard.length
          ? t('planRoom.notUnderstood', { words: [...w.unknown, ...w.unheard].join(', ') })
          : '',
      ]
        .filter(Boolean)
        .join(' '),
    );
  };
  const make = async () => {
    if (!milk) return;
    setBusy(true);
    const day = dayIn(wished?.inDays ?? 1);
    const ownUsed = milk.own ? [milk] : [];
    const begin = {
      id: newId('plan'),
      name: name.trim() || usualName,
      milkId,
      people,
      portionG,
      serveAt: atWallClock(day, at).toISOString(),
      own: ownUsed,
    };
    const start = what.dish
      ? (await import('./DishList')).startDish(what.dish.id, begin)
      : newPlan({ ...begin, family: what.family });
    const first: Plan = {
      ...start,
      rules,
      serve: {
        ...start.serve,
        ...(style === 'usual'
          ? {}
          : { style, word: style === 'turned out' ? 'wobbles' : style === 'cut' ? 'slices' : start.serve.word }),
        ...(word ? { word } : {}),
        ...(warm === undefined ? {} : { tempC: warm ? 55 : 8 }),
      },
      rest:
        warm === undefined
          ? start.rest
          : warm
            ? { ...start.rest, hours: 0.25, roomMin: 15 }
            : { ...start.rest, hours: Math.max(5, start.rest.hours) },
    };
    // what the occasion forbids goes before the amounts are worked out
    let plan = first;
    for (const what of ['egg', 'milk', 'wheat', 'nuts', 'coconut', 'soy', 'alcohol'] as const) {
      const rule: Rule = `no ${what}`;
      if (!rules.includes(rule)) continue;
      const freed = await ask('free', [plan, what]);
      if (freed.ok) plan = freed.plan;
    }
    if (wished) plan = wishedPlan(plan, wished);
    const made = await withFirstAmounts(ask, plan, known);
    // what there is of it stays as it was said
    onMade((wished?.amounts ?? []).reduce((p, a) => withGrams(p, a.ingredientId, a.grams), made));
  };
  return (
    <>
      <Field
        label={t('planRoom.whatYouWishInA')}
        value={said}
        onChangeText={setSaid}
        placeholder={t('planRoom.coldTurnedOutForFourteen')}
        maxLength={400}
        multiline
      />
      <Key
        label={t('planRoom.understandIt')}
        disabled={said.trim() === ''}
        className="self-start"
        onPress={() => void hear()}
      />
      {heard ? (
        <Type kind="strong" role="status">
          {heard}
        </Type>
      ) : null}
      <Field label={t('planRoom.name')} value={name} onChangeText={setName} placeholder={usualName} maxLength={60} />
      <WhatKind label={t('planRoom.kind')} what={what} onChoose={choose} />
      <Choices
        label={t('planRoom.milk')}
        value={milkId}
        options={milks.map((m) => ({ value: m.id, label: m.name }))}
        onChoose={setMilkId}
      />
      <Stepper
        name={t('planRoom.people')}
        value={people}
        unit=""
        step={1}
        min={1}
        max={60}
        onChange={(v) => setPeople(Math.round(v))}
      />
      <Stepper
        name={t('planRoom.portion')}
        value={portionG}
        unit="g"
        step={5}
        min={30}
        max={500}
        onChange={setPortionG}
      />
      <Choices
        label={t('planRoom.served')}
        value={style}
        options={[
          { value: 'usual' as const, label: t('planRoom.asIsUsual') },
          ...(['spooned', 'turned out', 'cut'] as const).map((v) => ({ value: v, label: t(`style.${v}`) })),
        ]}
        onChoose={setStyle}
      />
      <View className="gap-2">
        <Type kind="strong">{t('planRoom.theOccasion')}</Type>
        <View className="flex-row flex-wrap gap-2">
          {RULES.map((r) => (
            <Key
              key={r}
              label={t(RULE_SAYS[r].label)}
              role="checkbox"
              selected={rules.includes(r)}
              onPress={() => setRules(rules.includes(r) ? rules.filter((x) => x !== r) : [...rules, r])}
            />
          ))}
        </View>
      </View>
      <Key
        kind="yolk"
        size="act"
        label={busy ? t('planRoom.workingItOut') : t('planRoom.planIt')}
        disabled={busy}
        onPress={() => void make()}
      />
    </>
  );
}
