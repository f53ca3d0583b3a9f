import { bodyOf } from '../../pot/paste';
import { weepPct } from '../../set/keeping';
import { say } from '../../say';
import { near, COOL, type Way } from '../way';

export const weeping: Way = ({ pot, mass, head, told, fault }) => {
  const weeps = weepPct(
    pot.content,
    pot.fractions,
    bodyOf(pot.content, pot.fractions),
    Math.max(0.5, (told.standingH ?? 24) / 24),
  );
  const g = near((weeps / 100) * mass, 5);
  return {
    fault,
    going: say('rescue.theGelTightensAndLets', { weeps, g }),
    saved: 'all',
    steps: [{ what: say('rescue.tipItOffAboutG', { g }) }, { what: say('rescue.coverTouchingTheSurfaceBack') }],
    before: head(pot),
    after: head(pot),
    then: say('rescue.firmerByALittleAnd'),
    minutes: 2,
    orElse: say('rescue.stirredHardItDrinksIts'),
    caution: COOL,
  };
};
