import { table } from '../coefficients';
import type { Tool } from '../pot/hands';
import { cook, severityOf, type Controls, type Pot, type PotSetup } from '../pot/pot';
import { COARSE } from '../pot/program';
import { readPot } from '../pot/pot';
import type { CookState } from './fold';
import { stepSeconds } from './fold';
import { handsOf } from './live';
import type { Step } from './steps';

/** How to stir: by what is in the pot and how hot its floor is. */
const PACE = table('The spoon', {
  constantS: [5, 's', 'C', 'a wipe this often is stirring without a rest'],
  hotFilmC: [102, 'degC', 'C', 'film from which the floor wants the spoon more often'],
  hurry: [0.7, '1', 'C', 'by this'],
  leastS: [1.5, 's', 'C', 'no hand is quicker'],
  thickPaS: [0.3, 'Pa s', 'C', 'the sides hold paste from here'],
  restLookS: [60, 's', 'C', 'a rest is looked at so far'],
  restChunkS: [5, 's', 'C', 'in pieces of'],
  restScorch: [0.001, '1', 'C', 'what a rest may add to the scorch sum'],
  restCurd: [0.02, '1', 'C', 'and to the curds that are felt'],
  mayRestS: [25, 's', 'C', 'a rest shorter than this is none'],
  turnS: [20, 's', 'C', 'between two patterns'],
});

export type Pattern = 'figure of eight' | 'sweep the floor' | 'round the rim' | 'scrape the sides' | 'still';

export type Pace = {
  pattern: Pattern;
  tool: Tool;
  /** s for one wipe; Infinity is a still spoon */
  everyS: number;
  /** s the spoon may rest now without harm, up to a minute */
  restS: number;
  mayRest: boolean;
  /** minutes that still want the spoon without a rest */
  owedMin: number;
};

/** s of rest that cost nothing that is seen or tasted. */
export function restSeconds(pot: Pot, setup: PotSetup, controls: Controls): number {
  let p = pot;
  for (let s = 0; s < PACE.restLookS; s += PACE.restChunkS) {
    p = cook({ ...p, foamMax: 0 }, setup, { ...controls, stirEveryS: Infinity }, PACE.restChunkS, undefined, {
      toleranceScale: COARSE,
    }).pot;
    if (p.scorch - pot.scorch > PACE.restScorch || severityOf(p) - severityOf(pot) > PACE.restCurd || p.foamMax > 1)
      return s;
    // what swells unstirred sets at the floor in lumps
    if (thickening(p) && thickening(pot)) return s;
  }
  return PACE.restLookS;
}

/** Between the first swelling and a thick pot: the half minute that decides. */
const thickening = (pot: Pot): boolean => {
  const r = readPot(pot);
  return r.gelatinised > 0.03 && r.gelatinised < 0.9;
};

/** @param controls what the hands and the ring do now */
export function paceOf({
  step,
  steps,
  state,
  nowMs,
  setup,
  pot,
  controls,
}: {
  step: Step;
  steps: readonly Step[];
  state: CookState;
  nowMs: number;
  setup: PotSetup;
  pot: Pot;
  controls: Controls;
}): Pace {
  const own = handsOf(step, state.resting);
  const filmC = (pot.panC + pot.bulkC) / 2;
  const everyS = Number.isFinite(own)
    ? Math.max(PACE.leastS, own * (filmC > PACE.hotFilmC && own <= PACE.constantS ? PACE.hurry : 1))
    : Infinity;
  const restS = step.heat ? restSeconds(pot, setup, controls) : PACE.restLookS;
  const tool = step.heat?.tool ?? 'spoon';
  const constant = (s: Step) => s.heat !== undefined && (s.stirEveryS ?? Infinity) <= PACE.constantS;
  const owedS = steps.slice(state.stepIndex).reduce((sum, s, i) => {
    if (!constant(s)) return sum;
    return sum + (i === 0 ? Math.max(0, s.seconds - stepSeconds(state, nowMs)) : s.seconds);
  }, 0);
  const turn = Math.floor(pot.tS / PACE.turnS);
  const pattern: Pattern = !Number.isFinite(everyS)
    ? 'still'
    : pot.viscosityPaS >= PACE.thickPaS
      ? (['sweep the floor', 'round the rim', 'scrape the sides'] as const)[turn % 3]!
      : thickening(pot)
        ? 'sweep the floor'
        : 'figure of eight';
  return { pattern, tool, everyS, restS, mayRest: restS >= PACE.mayRestS, owedMin: owedS / 60 };
}
