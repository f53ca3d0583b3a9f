import { dishHistory, judge } from '../../model/forecast';
import { standing } from '../../set/firmness';
import { boundsFor } from '../../texture/words';
import { say } from '../../say';
import { RESCUE, pct, poured, type Way } from '../way';

export const willNotUnmould: Way = ({ plan, pot, head, s, told, fault }) => {
  const run = poured(s);
  const bounds = boundsFor(plan.serve.style, run.depthM);
  const { serving } = dishHistory(plan, run, Math.max(1, told.standingH ?? plan.rest.hours));
  const f = judge(plan, run, serving, bounds);
  const stands = standing(f.yieldPa, f.modulusPa, run.depthM);
  const seconds = plan.dish.wall === 'metal' ? RESCUE.unmouldMetalS : RESCUE.unmouldThickS;
  return {
    fault,
    going: stands.stands
      ? say('rescue.itIsFirmEnoughAir')
      : say('rescue.byTheModelItWould', { slumpRel: pct(stands.slumpRel) }),
    saved: stands.stands ? 'all' : 'part',
    steps: stands.stands
      ? [
          { what: say('rescue.easeTheEdgeFreeAll') },
          { what: say('rescue.mouldIntoHotWaterTo'), seconds },
          { what: say('rescue.plateOnTopTurnBoth') },
        ]
      : [{ what: say('rescue.leaveItInItsDish') }],
    before: head(pot),
    after: head(pot),
    then: stands.stands ? say('rescue.theRimMeltsALittle') : say('rescue.asItIsInIts'),
    minutes: 2,
    orElse: stands.stands ? say('rescue.againAsLongIfIt') : say('rescue.moreStarchByATenth'),
    caution: say('rescue.coldGlassIntoHotWater'),
  };
};
