import { LUMPS } from '../../pot/lumps';
import { type Pot } from '../../pot/pot';
import { aimPlace } from '../../texture/words';
import { FIX, thicker } from '../fix';
import { say } from '../../say';
import { near, HOT, stepsOfFix, type Way } from '../way';

export const lumps: Way = ({ plan, pot, head, s, fault }) => {
  const kept = Math.max(0.3, pot.lumps) * LUMPS.trapped;
  const starchG = pot.fractions.reduce((sum, f) => sum + f.starchG, 0);
  const less: Pot = {
    ...pot,
    fractions: pot.fractions.map((f) => ({ ...f, starchG: f.starchG * (1 - kept), dryG: f.dryG * (1 - kept) })),
  };
  const heading = head(less);
  const short = aimPlace(plan.serve.word) - heading.place;
  const fix = short > 3 * FIX.nearSteps ? thicker({ ...s, pot: less }).find((f) => f.how === 'slurry') : undefined;
  return {
    fault,
    going: say('rescue.starchThatMetHeatDry', { starchG: near(kept * starchG, 0.5) }),
    saved: fix || short <= 3 * FIX.nearSteps ? 'all' : 'part',
    steps: [
      { what: say('rescue.offTheRingWhiskHard'), seconds: 60 },
      { what: say('rescue.throughASievePressingWith') },
      ...(fix ? stepsOfFix(fix, s.hot) : []),
    ],
    ...(fix ? { added: fix.added } : {}),
    before: heading,
    after: fix?.after ?? heading,
    then: fix ? say('rescue.thenSmoothAndAsFirm') : say('rescue.thenSmoothAndHardlySofter'),
    minutes: 3 + (fix?.minutes ?? 0),
    orElse: say('rescue.leaveSmallLumpsOfGrain'),
    caution: HOT,
  };
};
