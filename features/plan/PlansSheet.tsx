import { addDays } from 'date-fns/addDays';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { newPlan } from '../../core/formula/newPlan';
import { FAMILIES, type Family, type Plan } from '../../core/formula/plan';
import { PANTRY, pantryWith } from '../../core/pantry/pantry';
import { useCollection, useRemove, useSave } from '../../storage/hooks';
import { model } from '../../workers/client';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Row } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Stepper } from '../../ui/Stepper';
import { Tag } from '../../ui/Tag';
import { Type } from '../../ui/Type';
import { UndoBar } from '../../ui/UndoBar';
import { useApp } from '../shared/App';
import { newId } from '../shared/ids';
import { FAMILY_SAYS, STYLE_SAYS } from './words';

/** The plans there are, and a new one. */
export function PlansSheet({
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
  const remove = useRemove('plans');
  const [making, setMaking] = useState(false);
  const [gone, setGone] = useState<Plan | undefined>();
  const go = (id: string) => {
    setWhere({ planId: id });
    router.setParams({ id });
    setMaking(false);
    onClose();
  };
  return (
    <Sheet
      open={open}
      title={making ? 'A new pudding' : 'Plans'}
      onClose={() => {
        setMaking(false);
        onClose();
      }}
    >
      {making ? (
        <NewPlanForm
          onMade={(plan) => {
            save.mutate(plan);
            go(plan.id);
          }}
        />
      ) : (
        <>
          {gone ? (
            <UndoBar
              text={`${gone.name} is gone`}
              onUndo={() => {
                save.mutate(gone);
                setGone(undefined);
              }}
              onGone={() => setGone(undefined)}
            />
          ) : null}
          {plans.map((p, i) => (
            <Row
              key={p.id}
              title={p.name}
              sub={`${p.people} people, ${STYLE_SAYS[p.serve.style]}, ${fmt.weekday(Date.parse(p.serve.at))} ${fmt.time(Date.parse(p.serve.at))}`}
              value={p.id === current?.id ? 'here' : undefined}
              left={<Tag letter={p.name[0]!.toUpperCase()} tint={i} />}
              onPress={() => go(p.id)}
            />
          ))}
          <Key kind="yolk" size="amount" label="Plan a new pudding" onPress={() => setMaking(true)} />
          {current ? (
            <Key
              label={`Delete ${current.name}`}
              kind="harm"
              onPress={() => {
                setGone(current);
                remove.mutate(current.id);
                setWhere({ planId: undefined });
                router.setParams({ id: undefined });
              }}
            />
          ) : null}
        </>
      )}
    </Sheet>
  );
}

const MILKS = PANTRY.filter((i) => i.group === 'milk' && i.per100.water > 70);

function NewPlanForm({ onMade }: { onMade: (p: Plan) => void }) {
  const own = useCollection('ingredients');
  const [name, setName] = useState('');
  const [family, setFamily] = useState<Family>('starch-set milk pudding');
  const [milkId, setMilkId] = useState('milk_whole');
  const [people, setPeople] = useState(6);
  const [portionG, setPortionG] = useState(130);
  const [busy, setBusy] = useState(false);
  const milks = [...MILKS, ...(own.data ?? []).filter((i) => i.group === 'milk')];
  const milk = milks.find((m) => m.id === milkId);
  const make = async () => {
    if (!milk) return;
    setBusy(true);
    const tomorrow = addDays(Date.now(), 1);
    tomorrow.setHours(19, 30, 0, 0);
    const ownUsed = milk.own ? [milk] : [];
    const title =
      name.trim() || `${milk.name[0]!.toUpperCase()}${milk.name.slice(1)} ${FAMILY_SAYS[family].short}`.slice(0, 60);
    const first = newPlan(
      { id: newId('plan'), name: title, milkId, people, portionG, serveAt: tomorrow.toISOString(), family },
      pantryWith(ownUsed),
    );
    const solved = await model().solve({ ...first, own: ownUsed });
    onMade({ ...solved.plan, items: solved.plan.items.map((i) => ({ ...i, grams: Math.round(i.grams * 2) / 2 })) });
  };
  return (
    <>
      <Field
        label="Name"
        value={name}
        onChangeText={setName}
        placeholder={milk ? `${milk.name} ${FAMILY_SAYS[family].short}` : ''}
        maxLength={60}
      />
      <Choices
        label="Kind"
        value={family}
        options={FAMILIES.map((f) => ({ value: f, label: FAMILY_SAYS[f].label }))}
        onChoose={setFamily}
      />
      <Type tone="quiet">{FAMILY_SAYS[family].sub}</Type>
      <Choices
        label="Milk"
        value={milkId}
        options={milks.map((m) => ({ value: m.id, label: m.name }))}
        onChoose={setMilkId}
      />
      <Stepper
        name="People"
        value={people}
        unit=""
        step={1}
        min={1}
        max={60}
        onChange={(v) => setPeople(Math.round(v))}
      />
      <Stepper name="Portion" value={portionG} unit="g" step={5} min={30} max={500} onChange={setPortionG} />
      <Key
        kind="yolk"
        size="act"
        label={busy ? 'Working it out' : 'Plan it'}
        disabled={busy}
        onPress={() => void make()}
      />
    </>
  );
}
