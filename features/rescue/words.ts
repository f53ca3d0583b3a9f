import type { Fault } from '../../core/cook/events';

/** Faults as a cook names them, in the order in which they are offered. */
export const FAULT: Record<Fault, string> = {
  lumps: 'Lumps',
  curdled: 'Curdled',
  'too thin': 'Too thin',
  'too thin, cold': 'Too thin, cold',
  'too stiff': 'Too stiff',
  catching: 'It catches',
  caught: 'Caught, brown',
  'boiled over': 'Boiled over',
  'raw taste': 'Raw taste',
  'grains hard': 'Grains hard',
  'grains mush': 'Grains mush',
  'too sweet': 'Too sweet',
  split: 'Split with fruit',
  weeping: 'Weeps',
  skin: 'Skin',
  'will not unmould': 'Will not turn out',
  'not set in time': 'Not set in time',
  'frozen too hard': 'Frozen too hard',
};

/** The six that come first, hot in the pot and cold in the dish. */
export const FIRST_HOT: readonly Fault[] = ['lumps', 'curdled', 'too thin', 'too stiff', 'catching', 'boiled over'];
export const FIRST_COLD: readonly Fault[] = [
  'too thin, cold',
  'not set in time',
  'will not unmould',
  'weeping',
  'too stiff',
  'skin',
];

export const SAVED = {
  all: 'All of it can be saved',
  part: 'Part of it can be saved',
  no: 'This one is lost',
} as const;
