import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import type { Health } from '../../workers/overseer';
import { useKitchen } from './kitchen';

const well = (): Health => 'well';

/** How the model is; what it could not answer is asked again when it is well. */
export function useModelHealth(): Health {
  const { modelHealth } = useKitchen();
  return useSyncExternalStore(modelHealth.listen, modelHealth.now, well);
}

/** Once, around all rooms. */
export function useAskAgain(health: Health) {
  const client = useQueryClient();
  useEffect(() => {
    if (health === 'well')
      void client.refetchQueries({ predicate: (q) => q.state.status === 'error' && q.queryKey[0] !== 'opened' });
  }, [health, client]);
}
