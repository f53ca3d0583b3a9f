/** Reckoned once a plan and kept with it: a plan is never changed in place. */
export function oncePerPlan<P extends object, T>(reckon: (plan: P) => T): (plan: P) => T {
  const kept = new WeakMap<P, T>();
  return (plan) => {
    if (!kept.has(plan)) kept.set(plan, reckon(plan));
    return kept.get(plan)!;
  };
}
