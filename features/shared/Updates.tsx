import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import type { Workbox } from 'workbox-window';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from './App';

/** Keeps the app at hand without a network; a newer one waits until it is wanted, and never comes while something cooks. */
export function Updates() {
  const { where } = useApp();
  const worker = useRef<Workbox | undefined>(undefined);
  const [waits, setWaits] = useState(false);
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !navigator.serviceWorker) return;
    void import('workbox-window').then(({ Workbox }) => {
      const wb = new Workbox('/sw.js');
      worker.current = wb;
      wb.addEventListener('waiting', () => setWaits(true));
      wb.addEventListener('controlling', (e) => {
        if (e.isUpdate) location.reload();
      });
      return wb.register().catch(() => undefined);
    });
  }, []);
  if (!waits) return null;
  return (
    <View
      role="status"
      testID="newer"
      className="flex-row flex-wrap items-center justify-between gap-2 border-b-hair border-line bg-plate px-3 wide:px-6 print:hidden"
    >
      <Type kind="small" className="shrink py-1">
        {t(where.live ? 'shared.aNewerOneWaits' : 'shared.aNewerOneIsHere')}
      </Type>
      {where.live ? null : (
        <Key label={t('shared.takeIt')} size="line" kind="quiet" onPress={() => worker.current?.messageSkipWaiting()} />
      )}
    </View>
  );
}
