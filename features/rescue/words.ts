import type { Fault } from '../../core/cook/events';
import { say, type Said } from '../../core/say';

/** Faults as a cook names them, in the order in which they are offered. */
export const FAULT: Record<Fault, Said> = {
  lumps: say('rescueRoom.lumps'),
  curdled: say('rescueRoom.curdled'),
  'too thin': say('rescueRoom.tooThin'),
  'too thin, cold': say('rescueRoom.tooThinCold'),
  'too stiff': say('rescueRoom.tooStiff'),
  catching: say('rescueRoom.itCatches'),
  caught: say('rescueRoom.caughtBrown'),
  'boiled over': say('rescueRoom.boiledOver'),
  'raw taste': say('rescueRoom.rawTaste'),
  'grains hard': say('rescueRoom.grainsHard'),
  'grains mush': say('rescueRoom.grainsMush'),
  'too sweet': say('rescueRoom.tooSweet'),
  split: say('rescueRoom.splitWithFruit'),
  weeping: say('rescueRoom.weeps'),
  skin: say('rescueRoom.skin'),
  'will not unmould': say('rescueRoom.willNotTurnOut'),
  'not set in time': say('rescueRoom.notSetInTime'),
  'frozen too hard': say('rescueRoom.frozenTooHard'),
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
  all: say('rescueRoom.allOfItCanBe'),
  part: say('rescueRoom.partOfItCanBe'),
  no: say('rescueRoom.thisOneIsLost'),
} as const;
