import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { OBSERVATIONS, type Observation } from '../../core/cook/events';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import type { useCook } from '../shared/useCook';
import { StepList } from './StepList';
import { SEEN } from './words';

/** Everything of the live cook that is not the one thing now. */
export function MoreSheet({
  open,
  onClose,
  c,
  why,
  onSee,
}: {
  open: boolean;
  onClose: () => void;
  c: ReturnType<typeof useCook>;
  why: string;
  onSee: (what: Observation) => void;
}) {
  const { fmt, setWhere } = useApp();
  const router = useRouter();
  const [note, setNote] = useState('');
  const state = c.state!;
  const others = c.cooks.filter((o) => o.id !== c.cook!.id && !o.batchId);
  return (
    <Sheet open={open} title="More" onClose={onClose}>
      <Type>
        <Type kind="strong">Why </Type>
        {why}
      </Type>
      <Type kind="title" level={3}>
        What you see
      </Type>
      <View className="flex-row flex-wrap gap-2">
        {OBSERVATIONS.map((what) => (
          <Key
            key={what}
            size="amount"
            label={SEEN[what]}
            onPress={() => {
              onSee(what);
              onClose();
            }}
          />
        ))}
      </View>
      <Field label="Note" value={note} onChangeText={setNote} multiline maxLength={2000} />
      <Key
        label="Keep the note"
        disabled={note.trim() === ''}
        onPress={() => {
          c.add({ kind: 'noted', text: note.trim() });
          setNote('');
        }}
      />
      {[
        ...state.observations.map((o) => ({ id: o.id, ms: o.atMs, text: SEEN[o.what] })),
        ...state.notes.map((n) => ({ id: n.id, ms: n.atMs, text: n.text })),
      ]
        .sort((a, b) => b.ms - a.ms)
        .map((o) => (
          <View key={o.id} className="flex-row items-center justify-between gap-3 border-b-hair border-line py-1">
            <Type className="shrink">{`${fmt.time(o.ms)}  ${o.text}`}</Type>
            <Key label="Take back" kind="quiet" onPress={() => c.add({ kind: 'undone', target: o.id })} />
          </View>
        ))}
      <Type kind="title" level={3}>
        Order of the work
      </Type>
      <StepList steps={c.steps} state={state} plan={c.cook!.plan} />
      <Notice text="Hot starch paste sticks to skin and burns. Milk climbs to the rim in seconds: never leave it alone on the ring." />
      {others.map((o) => (
        <Row
          key={o.id}
          title={`To ${o.plan.name}`}
          onPress={() => {
            router.setParams({ cook: o.id });
            onClose();
          }}
        />
      ))}
      <Key
        label="Leave the pot; it keeps its time"
        size="amount"
        onPress={() => {
          setWhere({ live: false });
          router.push('/plan');
        }}
      />
    </Sheet>
  );
}
