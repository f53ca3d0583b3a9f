import type { Change, DayClash } from '../../core/day/day';
import type { ask } from '../../workers/client';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { errorSays } from '../shared/errorSays';
import { useFormat, useTell } from '../shared/App';
import { useAsk } from '../shared/useAsk';
import { t } from '../../words';

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
  const tell = useTell();
  const fmt = useFormat();
  const changes = useAsk('dayChanges', [question], { enabled: open });
  const names = new Map(question.plans.map((p) => [p.id, p.name]));
  return (
    <Sheet open={open} title={t('dayRoom.itDoesNotFit')} onClose={onClose}>
      {clashes.map((c) => (
        <Notice
          key={`${c.resource}${c.fromMs}`}
          text={t('dayRoom.to2', {
            fromMs: fmt.time(c.fromMs),
            toMs: fmt.time(c.toMs),
            text: tell(c.text),
            and: [...new Set(c.tasks.map((t) => names.get(t.split(':')[0]!) ?? ''))].join(' and '),
          })}
        />
      ))}
      {why === 'time' ? <Notice text={t('dayRoom.thereIsNotEnoughTime')} /> : null}
      <Type kind="title" level={3}>
        {t('dayRoom.whatWouldMakeItPossible')}
      </Type>
      {changes.isPending ? <Type role="status">{t('dayRoom.tryingOneChangeAfterAnother')}</Type> : null}
      {changes.error ? <Notice text={tell(errorSays(changes.error))} /> : null}
      {changes.data?.length === 0 ? <Type>{t('dayRoom.noSingleChangeDoesLeave')}</Type> : null}
      {changes.data?.map((c, i) => (
        <Key
          key={c.id}
          kind={i === 0 ? 'yolk' : 'plain'}
          size="amount"
          left
          label={tell(c.text)}
          onPress={() => onTake(c)}
        />
      ))}
      <Type kind="small" tone="quiet">
        {t('dayRoom.eachIsTriedOnThe')}
      </Type>
    </Sheet>
  );
}
