import type { Measured } from '../settings';
import type { Plan } from '../plan/plan';
import { say, type Said } from '../say';
import { firmnessOf, setOf, type Learnt } from './known';
import { kindOfPlan, ringKey } from './row';

/** What is known of a kitchen: what its batches taught, and what was measured. */
export type Known = { learnt: Learnt; measured: readonly Measured[] };

const TRIM = { least: 0.3, most: 2 } as const;
const within = (x: number, least: number, most: number) => Math.min(most, Math.max(least, x));
/** Nearer than this to what the plan believes, and it is believed already. */
const SAME_REL = 0.02;
const SAME_K = 0.3;

/**
 * A plan with all that is known of the kitchen where it will be cooked, and what that changed. What was measured goes before
 * what batches taught.
 */
export function inThisKitchen(plan: Plan, { learnt, measured }: Known): { plan: Plan; changes: Said[] } {
  const changes: Said[] = [];
  let next = plan;
  const differs = (a: number, b: number) => Math.abs(Math.log(a / b)) > SAME_REL;
  const firm = (measured.some((m) => m.what === 'spoon') ? firmnessOf : setOf)(learnt, {
    ...kindOfPlan(plan),
    starchMeasure: plan.starchMeasure,
  });
  if (learnt.batches > 0 && (differs(firm.factor, plan.firmness.factor) || differs(firm.sdLn, plan.firmness.sdLn))) {
    next = { ...next, firmness: { factor: within(firm.factor, 0.2, 5), sdLn: within(firm.sdLn, 0.02, 1) } };
    if (differs(firm.factor, plan.firmness.factor))
      changes.push(say('known.firmness', { from: plan.firmness.factor, to: firm.factor, batches: learnt.batches }));
  }
  const of = (what: Measured['what'], name: string) => measured.find((m) => m.what === what && m.of === name)?.value;
  const power = of('ring', ringKey(plan.hob)) ?? learnt.rings[ringKey(plan.hob)]?.factor;
  if (power !== undefined && differs(power, plan.hob.powerTrim)) {
    next = { ...next, hob: { ...next.hob, powerTrim: within(power, TRIM.least, TRIM.most) } };
    changes.push(say('known.ring', { pct: Math.round(100 * power) }));
  }
  const steam = of('steam', plan.pan.name);
  if (steam !== undefined && differs(steam, plan.pan.steam ?? 1)) {
    next = { ...next, pan: { ...next.pan, steam: within(steam, 0.2, 4) } };
    changes.push(say('known.steam', { pct: Math.round(100 * steam) }));
  }
  const pace = learnt.fridge?.factor;
  if (pace !== undefined && differs(pace, plan.rest.pace ?? 1)) {
    next = { ...next, rest: { ...next.rest, pace: within(pace, 0.3, 3) } };
    changes.push(say('known.pace', { pct: Math.round(100 * pace) }));
  }
  const fridge = of('fridge', '');
  if (fridge !== undefined && Math.abs(fridge - plan.rest.fridgeC) > SAME_K) {
    next = { ...next, rest: { ...next.rest, fridgeC: within(fridge, -2, 12) } };
    changes.push(say('known.fridge', { tempC: fridge }));
  }
  return { plan: next, changes };
}
