import type { ReactNode } from 'react';
import { BROWSER, KitchenProvider, type AroundRooms } from './kitchen';

/** For tests: rooms with another model, store, clock or sound around them. */
export const within = (other: Partial<AroundRooms>) => {
  const around = { ...BROWSER, which: () => 'choir' as const, ...other };
  return function Within({ children }: { children: ReactNode }) {
    return <KitchenProvider value={around}>{children}</KitchenProvider>;
  };
};

/** A sound that is awake, and keeps what was called. */
export const heardSound = () => ({
  call: jest.fn<void, Parameters<AroundRooms['sound']['call']>>(),
  say: jest.fn(),
  signal: jest.fn(),
  wakeAtTouch: () => () => undefined,
  asleep: () => false,
  on: () => () => undefined,
});
