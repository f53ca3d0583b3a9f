import { createContext, useContext } from 'react';
import { servedKitchen } from '../../devices/kitchen';
import { call, say } from '../../devices/signals';
import { onSound, signal, soundAsleep, wakeAtTouch } from '../../devices/sound';
import { browserKitchen } from '../../storage/browser';
import type { KitchenStore } from '../../storage/kitchen';
import { whichKitchen, type KitchenName } from '../../storage/which';
import { ask, askChances, modelHealth } from '../../workers/client';

/** What stands around the rooms: the model, what is kept, the time, what is heard. Rooms reach it through here alone. */
export const BROWSER = {
  ask,
  askChances,
  modelHealth,
  /** the kitchen that is open; none before the cook has chosen */
  which: (): KitchenName | undefined => whichKitchen(location.pathname),
  store: (): KitchenStore => browserKitchen(),
  /** ms since 1970 */
  clock: (): number => Date.now(),
  sound: { call, say, signal, wakeAtTouch, asleep: soundAsleep, on: onSound },
  servedKitchen,
};
export type AroundRooms = typeof BROWSER;

const Around = createContext<AroundRooms>(BROWSER);
/** Another kitchen around the rooms below it: a test's. */
export const KitchenProvider = Around.Provider;
export const useKitchen = (): AroundRooms => useContext(Around);
