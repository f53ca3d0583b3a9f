import { useRouter } from 'expo-router';
import { View } from 'react-native';
import type { Act } from '../../core/day/acts';
import { Key } from '../../ui/Key';
import { Sheet } from '../../ui/Sheet';
import { Tag } from '../../ui/Tag';
import { Type } from '../../ui/Type';
import { useFormat, useTell } from '../shared/App';
import { t } from '../../words';

const MINUTE = 60_000;

/** One act: when, how many of its minutes are the spoon's, and what can be done with it. */
export function ActSheet({
  act,
  look,
  nowMs,
  marked,
  onClose,
  onDone,
  onNotDone,
  onMove,
  onFree,
}: {
  act: Act;
  look: { letter: string; tint: number };
  nowMs: number;
  /** done by the cook's own mark, which can be taken back */
  marked: boolean;
  onClose: () => void;
  onDone: () => void;
  onNotDone: () => void;
  onMove: (ms: number) => void;
  onFree: () => void;
}) {
  const tell = useTell();
  const fmt = useFormat();
  const router = useRouter();
  const minutes = Math.round((act.endMs - act.startMs) / MINUTE);
  const prep = act.blocks.some((b) => ['ready', 'long', 'weigh'].includes(b.task.kind));
  const pot = act.blocks.some((b) => b.task.kind === 'cook');
  const movable = act.state === 'to do' && !act.blocks.some((b) => b.task.kind === 'cold' || b.task.kind === 'wait');
  const go = (path: string) => {
    onClose();
    router.push(path as '/');
  };
  return (
    <Sheet open title={act.dish} onClose={onClose}>
      <View className="flex-row items-center gap-3">
        <Tag letter={look.letter} tint={look.tint} />
        <View className="min-w-0 flex-1">
          <Type kind="title" level={3}>
            {t('dayRoom.to', { verb: tell(act.verb), startMs: fmt.time(act.startMs), endMs: fmt.time(act.endMs) })}
          </Type>
          <Type tone="quiet">
            {act.state === 'to do' && act.latestMs > act.startMs
              ? t('dayRoom.minItStillWorksOut', { minutes, latestMs: fmt.time(act.latestMs) })
              : `${minutes} min`}
          </Type>
        </View>
      </View>
      <Type>{tell(act.says)}</Type>
      {act.blocks.length > 1
        ? act.blocks.map((b) => (
            <Type
              key={b.task.id}
              kind="small"
            >{`${fmt.time(b.startMs)} ${tell(b.task.verb)}: ${tell(b.task.says)}`}</Type>
          ))
        : null}
      {prep && act.state !== 'done' ? (
        <Key
          kind="yolk"
          size="amount"
          label={t('dayRoom.toItsPrep')}
          onPress={() => go(t('dayRoom.prepId', { planId: act.planId }))}
        />
      ) : null}
      {pot && act.state !== 'done' ? (
        <Key kind="yolk" size="amount" label={t('dayRoom.toThePot')} onPress={() => go('/pot')} />
      ) : null}
      {act.state === 'done' ? (
        marked ? (
          <Key label={t('dayRoom.notDoneAfterAll')} onPress={onNotDone} />
        ) : null
      ) : (
        <Key size="amount" label={t('dayRoom.itIsDone')} onPress={onDone} />
      )}
      {movable ? (
        <View className="gap-2">
          <Type kind="strong">{t('dayRoom.moveItTheRestGives')}</Type>
          <View className="flex-row flex-wrap gap-2">
            {[-30, -10, 10, 30].map((m) => (
              <Key
                key={m}
                size="amount"
                label={`${m > 0 ? '+' : '−'}${Math.abs(m)} min`}
                spoken={t('dayRoom.minutes', {
                  m: Math.abs(m),
                  earlier: m > 0 ? t('dayRoom.later') : t('dayRoom.earlier'),
                })}
                onPress={() => onMove(act.startMs + m * MINUTE)}
              />
            ))}
            {act.startMs > nowMs + MINUTE ? (
              <Key size="amount" label={t('dayRoom.now')} onPress={() => onMove(Math.ceil(nowMs / MINUTE) * MINUTE)} />
            ) : null}
          </View>
          {act.pinned ? <Key label={t('dayRoom.letItMoveAgain')} onPress={onFree} /> : null}
        </View>
      ) : null}
    </Sheet>
  );
}
