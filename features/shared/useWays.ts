import { DEFAULT_SETTINGS } from '../../core/settings';
import type { Ways } from '../../devices/signals';
import { useSettings } from './stored';

/** How the cook wants to be called. */
export function useWays(): Ways {
  const { settings } = useSettings();
  const { sound, vibrates, flashes, speaks, notifies } = settings ?? DEFAULT_SETTINGS;
  return { sound, vibrates, flashes, speaks, notifies };
}
