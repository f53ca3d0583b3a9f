import { useQuery } from '@tanstack/react-query';
import { promiseOf } from '../../core/book/batch';
import { useKitchen } from '../shared/kitchen';
import { useEdit, useOne } from '../shared/stored';

/** A batch is written down before the model has answered: what it promises is put in as soon as it is known. */
export function useOwedPromise(id: string | undefined): void {
  const { ask } = useKitchen();
  const edit = useEdit('batches');
  const batch = useOne('batches', id).value;
  const owed = batch !== undefined && batch.promise === undefined;
  useQuery({
    queryKey: ['owed promise', id],
    queryFn: async () => {
      const promise = promiseOf(await ask('forecast', [batch!.plan]), batch!.plan);
      await edit.mutateAsync({ id: id!, edit: (now) => now && (now.promise ? now : { ...now, promise }) });
      return true;
    },
    enabled: owed,
    retry: false,
    staleTime: Infinity,
  });
}
