import { useQueries } from '@tanstack/react-query';
import { View } from 'react-native';
import { missSteps } from '../../core/book/facts';
import type { Batch } from '../../core/book/batch';
import { rowOfBatch } from '../../core/book/row';
import { changesBetween } from '../../core/plan/history';
import { stripMiddle } from '../../core/texture/words';
import { Sheet } from '../../ui/Sheet';
import { SetOverlay } from '../../ui/SetOverlay';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from '../shared/App';
import { useKitchen } from '../shared/kitchen';
import { missSays } from './words';

/** Some batches laid over each other: their set as promised and as it came out, and what was done differently. */
export function CompareSheet({ open, ids, onClose }: { open: boolean; ids: readonly string[]; onClose: () => void }) {
  const { fmt, tell } = useApp();
  const { ask, store } = useKitchen();
  const loaded = useQueries({
    queries: ids.map((id) => ({
      queryKey: ['compared', id],
      queryFn: async () => {
        const batch = await store().batches.get(id);
        return batch ? { batch, set: (await ask('forecast', [batch.plan])).set } : null;
      },
      enabled: open,
      staleTime: Infinity,
    })),
  });
  const all = loaded.flatMap((q) => q.data ?? []);
  const name = (b: Batch) => `${b.plan.name}, ${fmt.day(Date.parse(b.at))}`;
  const first = all[0]?.batch;
  return (
    <Sheet open={open} title={t('bookRoom.overEachOther')} onClose={onClose}>
      {all.length < ids.length ? (
        <Type role="status">{t('bookRoom.workingItOut')}</Type>
      ) : (
        <View className="gap-4" testID="overlay">
          <SetOverlay
            label={t('bookRoom.overlaySays', {
              batches: all
                .map(
                  ({ batch }) =>
                    `${name(batch)}: ${batch.found.wordServing ? t(`word.${batch.found.wordServing}`) : t('bookRoom.notWrittenDown')}`,
                )
                .join('; '),
            })}
            batches={all.map(({ batch, set }) => ({
              name: `${name(batch)}, ${missSays(rowOfBatch(batch))}`,
              points: set,
              hours: batch.plan.rest.hours,
              ...(batch.found.wordServing ? { found: stripMiddle(batch.found.wordServing) } : {}),
            }))}
          />
          {first
            ? all.slice(1).map(({ batch }) => {
                const lines = changesBetween(first.plan, batch.plan);
                return (
                  <View key={batch.id} className="gap-1">
                    <Type kind="strong">{t('bookRoom.against', { name: name(batch), first: name(first) })}</Type>
                    {lines.length ? (
                      lines.slice(0, 10).map((l) => (
                        <Type key={tell(l)} kind="small">
                          {tell(l)}
                        </Type>
                      ))
                    ) : (
                      <Type kind="small" tone="quiet">
                        {t('bookRoom.samePlan', {
                          miss: Math.abs(
                            (missSteps(rowOfBatch(batch)) ?? 0) - (missSteps(rowOfBatch(first)) ?? 0),
                          ).toFixed(1),
                        })}
                      </Type>
                    )}
                  </View>
                );
              })
            : null}
        </View>
      )}
    </Sheet>
  );
}
