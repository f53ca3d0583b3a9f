import { judge } from '../forecast';
import type { Pantry } from '../pantry/pantry';
import { dishAreaM2 } from '../pantry/kitchen';
import { planProgram, potSetup } from '../pot/fromPlan';
import { COARSE_STEP_S, runProgram } from '../pot/program';
import { coolInDish } from '../set/cooling';
import { ageingRate } from '../set/firmness';
import { aimPa, boundsFor } from '../texture/words';
import { toSpoons, type SpoonSystem } from '../units/measures';
import { withGrams } from './amounts';
import { lookUp, massG } from './compose';
import type { Plan } from './plan';

/** Yield stress at serving for a plan, and its bounds: the forecast without its doubt and curves. */
function servingStress(plan: Plan, pantry: Pantry) {
  const setup = potSetup(plan, pantry);
  const { start, phases } = planProgram(plan, pantry, setup);
  const { pot } = runProgram(start, setup, phases, 0, COARSE_STEP_S);
  const depthM = ((massG(pot.content) / 1.04 / plan.dish.count) * 1e-6) / dishAreaM2(plan.dish);
  const bounds = boundsFor(plan.serve.style, depthM);
  const cooling = coolInDish({
    dish: plan.dish,
    depthM,
    startC: pot.bulkC - 4,
    roomC: plan.room.tempC,
    roomMin: plan.rest.roomMin,
    fridgeC: plan.rest.fridgeC,
    covered: plan.rest.covered,
    hours: plan.rest.hours,
  });
  let ageH = 0;
  cooling.forEach((p, i) => {
    const before = cooling[i - 1];
    if (before) ageH += (p.hours - before.hours) * ageingRate((p.coreC + before.coreC) / 2);
  });
  return {
    stress: judge(plan, pantry, pot, ageH, plan.serve.tempC, bounds).yieldPa,
    aim: aimPa(plan.serve.word, bounds),
  };
}

export type Solved = { ok: true; plan: Plan; grams: number; starchId: string } | { ok: false; why: string; plan: Plan };

/**
 * The grams of starch that set this plan to its wanted word at serving: the middle of the word's band.
 * Works on ln grams against ln stress, which is nearly a straight line; about six cooks of the pot.
 */
export function solveStarch(plan: Plan, pantry: Pantry): Solved {
  const item = plan.items.find((i) => lookUp(pantry, plan, i.ingredientId).group === 'thickener');
  if (!item) return { ok: false, plan, why: 'There is no thickener in the plan. Add cornstarch.' };
  const liquidG = plan.items
    .filter((i) => lookUp(pantry, plan, i.ingredientId).group === 'milk')
    .reduce((s, i) => s + i.grams, 0);
  if (liquidG <= 0) return { ok: false, plan, why: 'There is no milk in the plan. Add some.' };
  const at = (grams: number) => {
    const next = withGrams(plan, item.ingredientId, grams, pantry);
    const { stress, aim } = servingStress(next, pantry);
    return { next, error: Math.log(stress / aim) };
  };
  let lo = Math.log(liquidG * 0.002);
  let hi = Math.log(liquidG * 0.28);
  const top = at(Math.exp(hi));
  if (top.error < 0) {
    return {
      ok: false,
      plan,
      why: 'No amount of starch reaches this: there is too much sugar, or it is served too warm to be set. Serve it colder or choose a softer set.',
    };
  }
  const bottom = at(Math.exp(lo));
  if (bottom.error > 0) return { ok: true, plan: bottom.next, grams: Math.exp(lo), starchId: item.ingredientId };
  let x = Math.log(Math.max(liquidG * 0.003, item.grams));
  if (!(x > lo && x < hi)) x = (lo + hi) / 2;
  let best = top;
  for (let i = 0; i < 14; i++) {
    best = at(Math.exp(x));
    if (Math.abs(best.error) < 0.004) break;
    if (best.error > 0) hi = x;
    else lo = x;
    const newton = x - best.error / 2.9;
    x = newton > lo && newton < hi ? newton : (lo + hi) / 2;
  }
  return { ok: true, plan: best.next, grams: Math.exp(x), starchId: item.ingredientId };
}

/** What level spoons in place of the exact grams do to the set: ratio of yield stress, and the spoons. */
export function spoonEffect(
  grams: number,
  densityGPerMl: number,
  system: SpoonSystem,
): ReturnType<typeof toSpoons> & { stressRatio: number } {
  const spoons = toSpoons(grams, densityGPerMl, system);
  return { ...spoons, stressRatio: grams > 0 ? (spoons.grams / grams) ** 2.75 : 1 };
}
