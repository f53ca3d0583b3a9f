import { type HeatStep } from '../../plan/method';
import { RAW_TASTE, readPot } from '../../pot/pot';
import { say } from '../../say';
import { RESCUE, HOT, until, simmer, type Way } from '../way';

export const rawTaste: Way = ({ pot, egg, head, add, s, fault }) => {
  const heat = simmer(s, { role: 'cook on' });
  const r = until(s, heat, RESCUE.rawMost, (p) => readPot(p).rawPer100G <= RAW_TASTE);
  const minutes = Number.isNaN(r.minutes) ? RESCUE.rawMost : Math.max(1, Math.ceil(r.minutes));
  const fire: HeatStep[] = [{ ...heat, until: { reach: 'time', minutes } }];
  const a = add([], fire, 'stirred in');
  return {
    fault,
    going: say('rescue.gOfRawStarchIn', { rawPer100G: readPot(pot).rawPer100G, tasteG: RAW_TASTE }),
    saved: Number.isNaN(r.minutes) ? 'part' : 'all',
    steps: [
      ...(s.hot ? [] : [{ what: say('rescue.backIntoThePanWhisked2') }]),
      { what: say('rescue.toASlowBubbleStirring'), seconds: minutes * 60 },
      { what: say('rescue.tasteAColdSpoonful') },
    ],
    added: a,
    before: head(pot),
    after: head(pot, fire),
    then: say('rescue.thenItTastesOfMilk'),
    minutes,
    orElse: egg ? say('rescue.withEggAndLittleStarch2') : say('rescue.cocoaOrSpiceCoversThe'),
    caution: HOT,
  };
};
