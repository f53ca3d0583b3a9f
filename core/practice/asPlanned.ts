import { massG } from '../matter/mixture';
import { portionsIn, potsIn } from '../plan/bowls';
import { methodOf } from '../plan/family';
import {
  BESIDE_USES,
  intoDish,
  intoPot,
  purposeOf,
  type AddStep,
  type Bowl as BowlName,
  type HeatStep,
  type Use,
} from '../plan/method';
import type { Plan, PutPot } from '../plan/plan';
import { phaseOf, runOff } from '../model/run';
import { shows } from '../kitchen/simulated';
import type { Controls } from '../pot/pot';
import { PRACTICE_FORMAT, PRACTICE_VERSION, type Act, type Run, type StandsOn } from './act';
import { Replay } from './replay';

/** What stands on the bench beside the pot: a bowl of the plan, and how its method has it go in. */
export type Bowl = {
  id: string;
  use: Use;
  portions: { ingredientId: string; grams: number }[];
  /** what of second pots is in it: they were cooked beforehand */
  pots?: PutPot[];
  meets: Meets;
};
type Meets = Pick<AddStep, 'how' | 'stirring' | 'tempC' | 'soakMin' | 'ladleG'>;

const leftIn = (plan: Plan, bowl: BowlName, left = 0) =>
  portionsIn(plan, bowl).map((p) => ({ ingredientId: p.ingredient.id, grams: p.grams * (1 - left) }));

/** What of second pots a bowl of the plan brings. */
export const potsOf = (plan: Plan, bowl: BowlName): { pots?: PutPot[] } => {
  const pots = potsIn(plan, bowl).map(({ vessel, share }) => ({ vesselId: vessel.id, share }));
  return pots.length ? { pots } : {};
};

const meetsOf = ({ how, stirring, tempC, soakMin, ladleG }: AddStep): Meets => ({
  how,
  stirring,
  tempC,
  soakMin,
  ...(ladleG === undefined ? {} : { ladleG }),
});

/** The bowls of a plan, in the order in which its method takes them. */
export const bowlsOf = (plan: Plan): Bowl[] =>
  methodOf(plan).flatMap((s, i) =>
    intoPot(s) && portionsIn(plan, s.from).length + potsIn(plan, s.from).length
      ? [
          {
            id: `${purposeOf(s.from)} ${i}`,
            use: purposeOf(s.from),
            portions: leftIn(plan, s.from, s.left),
            ...potsOf(plan, s.from),
            meets: meetsOf(s),
          },
        ]
      : [],
  );

export const runOf = (plan: Plan, acts: Act[] = [], more: Partial<Run> = {}): Run => ({
  format: PRACTICE_FORMAT,
  version: PRACTICE_VERSION,
  plan,
  seed: 0,
  fromS: 0,
  given: 0,
  acts,
  ...more,
});

/** What has to be done with the hands so that they are as a stretch wants them. */
function handsTo(step: HeatStep, now: { controls: Controls; on: StandsOn }, atS: number): Act[] {
  const phase = phaseOf(step);
  const acts: Act[] = [];
  const to: StandsOn = phase.over ? 'double boiler' : phase.lifted ? 'off the ring' : 'ring';
  if (to !== now.on) acts.push({ do: 'move', atS, to });
  if (phase.setting !== now.controls.setting) acts.push({ do: 'hob', atS, setting: phase.setting });
  if (phase.lid !== now.controls.lid) acts.push({ do: 'lid', atS, lid: phase.lid });
  const tool = phase.tool ?? 'spoon';
  if (phase.stirEveryS !== now.controls.stirEveryS || tool !== now.controls.tool)
    acts.push({ do: 'stir', atS, everyS: Number.isFinite(phase.stirEveryS) ? phase.stirEveryS : null, tool });
  return acts;
}

/** The oven and the places that a plan has for its dish; nothing where it has no oven: what is poured goes the plan's own way. */
function afterPouring(plan: Plan, replay: Replay, pouredS: number): Act[] {
  const method = methodOf(plan);
  const { bake: baked } = runOff(plan, replay.setup, replay.at(pouredS).pot);
  if (!baked) return [];
  const acts: Act[] = [];
  let atS = pouredS;
  for (const step of method) {
    if (step.do === 'bake') {
      const { ovenC, fan, bath, covered } = step;
      acts.push({ do: 'bake', atS, ovenC, fan, bath, covered });
      atS += Math.round(60 * baked.minutes);
    } else if (step.do === 'rest' && step.minutes > 0) {
      acts.push({ do: 'stand', atS, where: step.where, covered: step.covered });
      atS += Math.round(60 * step.minutes);
    }
  }
  return [...acts, { do: 'serve', atS }];
}

/**
 * A plan cooked by its own method in the practice pot, as acts: what a good run looks like.
 * @returns acts to the pouring, or to the oven and the table where the method goes there
 */
export function asPlanned(plan: Plan, seed = 0): Act[] {
  const replay = new Replay(runOf(plan, [], { seed }));
  let atS = 0;
  const put = (acts: readonly Act[]) => acts.forEach((a) => replay.put(a));
  for (const [i, step] of methodOf(plan).entries()) {
    if (intoPot(step)) {
      const portions = leftIn(plan, step.from, step.left);
      const poured = potsOf(plan, step.from);
      if ((portions.length || poured.pots) && !BESIDE_USES.includes(purposeOf(step.from)))
        put([{ do: 'add', atS, portions, ...poured, bowl: `${purposeOf(step.from)} ${i}`, ...meetsOf(step) }]);
    } else if (step.do === 'heat') {
      const scene = replay.at(atS);
      put(handsTo(step, scene, atS));
      const { until } = phaseOf(step);
      const fromG = massG(scene.pot.content);
      const limitS = Math.round(60 * (step.until.reach === 'time' ? step.until.minutes : step.limitMin));
      for (let ranS = 0; ranS < limitS; ranS++) {
        const { pot } = replay.at(++atS);
        if (until.kind !== 'seconds' && shows(until, pot, fromG)) break;
      }
    } else if (intoDish(step)) {
      put([{ do: 'pour', atS }, ...afterPouring(plan, replay, atS)]);
      break;
    }
  }
  return [...replay.done];
}
