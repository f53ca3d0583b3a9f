import type { Change, DayClash } from '../../core/day/day';
import type { ask } from '../../workers/client';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { useAsk } from '../shared/useAsk';

type DayAsk = Parameters<typeof ask<'day'>>[1][0];

/** What cannot be met, and the nearest changes that make it possible. */
export function ChangesSheet({
  open,
  onClose,
  ask: question,
  clashes,
  why,
  onTake,
}: {
  open: boolean;
  onClose: () => void;
  ask: DayAsk;
  clashes: readonly DayClash[];
  why: string | undefined;
  onTake: (c: Change) => void;
}) {
  const fmt = useFormat();
  const changes = useAsk('dayChanges', [question], { enabled: open });
  const names = new Map(question.plans.map((p) => [p.id, p.name]));
  return (
    <Sheet open={open} title="It does not fit" onClose={onClose}>
      {clashes.map((c) => (
        <Notice
          key={`${c.resource}${c.fromMs}`}
          text={`${fmt.time(c.fromMs)} to ${fmt.time(c.toMs)}: ${c.text}. ${[...new Set(c.tasks.map((t) => names.get(t.split(':')[0]!) ?? ''))].join(' and ')}.`}
        />
      ))}
      {why === 'time' ? (
        <Notice text="There is not enough time before the meal: what is shown begins earlier than you can." />
      ) : null}
      <Type kind="title" level={3}>
        What would make it possible
      </Type>
      {changes.isPending ? <Type role="status">Trying one change after another …</Type> : null}
      {changes.error ? <Notice text={changes.error.message} /> : null}
      {changes.data?.length === 0 ? (
        <Type>No single change does. Leave a dish out, or take back what was moved or marked as done.</Type>
      ) : null}
      {changes.data?.map((c, i) => (
        <Key key={c.id} kind={i === 0 ? 'yolk' : 'plain'} size="amount" left label={c.text} onPress={() => onTake(c)} />
      ))}
      <Type kind="small" tone="quiet">
        Each is tried on the whole day. Shorter waits come from the model of setting and cooling, with an eighth to
        spare.
      </Type>
    </Sheet>
  );
}
