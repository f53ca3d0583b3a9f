import type { Observation } from '../core/cook/events';
import { say, type Said } from '../core/say';

/** What a cook sees, hears or tastes at the pot. */
export const SEEN: Record<Observation, Said> = {
  steams: say('shared.itSteams'),
  'rim bubbles': say('shared.bubblesAtTheRim'),
  'edges thicken': say('shared.edgesThicken'),
  'first bubble': say('shared.firstBubble'),
  'coats the spoon': say('shared.coatsTheSpoon'),
  'no free milk': say('shared.noMilkBehindTheStroke'),
  'drags the whisk': say('shared.dragsAtTheWhisk'),
  'goes quiet': say('shared.theHissGoesQuiet'),
  plops: say('shared.slowPlops'),
  'no bubble yet': say('shared.noBubbleYet'),
  'still thin': say('shared.stillThin'),
  'tastes raw': say('shared.tastesRaw'),
  'tastes cooked': say('shared.tastesCooked'),
  'grain hard': say('shared.grainStillHard'),
  'grain soft': say('shared.grainSoftThrough'),
  'at the mark': say('shared.downAtTheMark'),
  'bowl warm': say('shared.bowlFeelsWarm'),
  lumps: say('shared.lumps'),
  'too thick': say('shared.tooThick'),
  'too thin': say('shared.tooThin'),
  'smells toasted': say('shared.smellsToasted'),
  climbs: say('shared.itClimbs'),
};
