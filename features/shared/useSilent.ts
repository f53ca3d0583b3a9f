import { useSyncExternalStore } from 'react';
import { useKitchen } from './kitchen';
import { useSettings } from './stored';

/** An alarm is wanted with sound and could not be heard yet: the page has not been touched since it was opened. */
export function useSilent(): boolean {
  const { sound } = useKitchen();
  const { settings } = useSettings();
  const asleep = useSyncExternalStore(sound.on, sound.asleep, () => false);
  return asleep && (settings?.sound ?? true);
}
