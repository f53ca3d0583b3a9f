import { emptyKitchen } from '../../core/formats/kitchenFile';
import { DEFAULT_SETTINGS } from '../../core/settings';
import { browserKitchen } from '../../storage/browser';
import { nowKept, openKitchen, placeKept, type KitchenName } from '../../storage/which';
import { useKitchen } from './kitchen';
import { useSettings } from './stored';

/**
 * Opens the other kitchen where it was left; nothing of this one goes. One's own begins with the units that were set while
 * looking round.
 * `first` is done in it before, and says where to go.
 */
export function useOtherKitchen(): (name: KitchenName, first?: () => Promise<string>) => Promise<void> {
  const { clock } = useKitchen();
  const { settings } = useSettings();
  return async (name, first) => {
    const other = browserKitchen(name);
    if (name === 'own' && !(await other.opened())) {
      await other.replaceAll(emptyKitchen(settings ?? DEFAULT_SETTINGS, new Date(clock()).toISOString()), clock());
      nowKept(name);
    }
    const place = (await first?.()) ?? placeKept(name);
    openKitchen(name);
    location.assign(place);
  };
}
