import type { GestureResponderEvent } from 'react-native';

/** The second click of a double one: its count stands in the browser's own event. */
export const isSecond = (e: GestureResponderEvent | undefined): boolean =>
  ((e?.nativeEvent as { detail?: number })?.detail ?? 0) > 1;
