import { type HeatStep } from '../../plan/method';
import { BITE } from '../../pot/grain';
import { bodyOf } from '../../pot/paste';
import { looser } from '../fix';
import { say } from '../../say';
import { RESCUE, min, pct, near, until, simmer, type Way } from '../way';

export const grainsHard: Way = ({ plan, pot, liquidId, head, add, withAdded, s, fault }) => {
  const heat = simmer(s, {
    role: 'simmer',
    lid: 'on',
    stirEveryS: 60,
    setting: Math.max(1, plan.method.simmerSetting - 1),
  });
  const r = until(s, heat, RESCUE.hardMost, (p) => bodyOf(p.content, p.fractions).bite >= BITE.done);
  const never = Number.isNaN(r.minutes);
  const minutes = never ? RESCUE.hardMost : Math.max(2, Math.ceil(r.minutes));
  const loosen = looser({ ...s, pot: r.pot, finish: (p) => p });
  const milk = loosen.grams > 5 ? near(loosen.grams, 5) : 0;
  const fire: HeatStep[] = [{ ...heat, until: { reach: 'time', minutes } }];
  const a = add(milk ? [{ ingredientId: liquidId, grams: milk }] : [], fire, 'stirred in', 60);
  return {
    fault,
    going: say('rescue.theGrainHasTakenOf', { bite: pct(bodyOf(pot.content, pot.fractions).bite) }),
    saved: never ? 'part' : 'all',
    steps: [
      ...(milk ? [{ what: say('rescue.stirHotMilkInThe'), portions: a.portions }] : []),
      { what: say('rescue.lidOnLowAStir', { minutes: min(minutes) }), seconds: minutes * 60 },
    ],
    added: a,
    before: head(pot),
    after: withAdded(a),
    then: never ? say('rescue.itGetsSofterNotSoft') : say('rescue.thenSoftThrough'),
    minutes,
    orElse: say('rescue.blendItAGrainThat'),
    caution: say('rescue.hardGrainsAreAChoking'),
  };
};
