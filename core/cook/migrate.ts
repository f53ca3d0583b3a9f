import { HEAT_ROLES } from '../plan/method';
import { migratePlan, migrateStep } from '../plan/migrate';

type OldEvent = { kind?: unknown; id?: unknown; step?: unknown; after?: unknown; heat?: unknown; target?: unknown };
type OldFire = { do?: unknown; name?: unknown };

/** A record that holds a plan, with that plan in the present version. */
export const withPlan = (old: unknown): unknown =>
  old !== null && typeof old === 'object' && 'plan' in old ? { ...old, plan: migratePlan(old.plan) } : old;

const FIX = /^(.*) for fix (\d+)$/;
const nameOf = (fire: OldFire): string => (typeof fire.name === 'string' ? fire.name : 'heat');
const roleOf = (name: string): string => HEAT_ROLES.find((r) => r === name) ?? 'heat';

/** What the fires of a plan were called by name, each with what it is called by role. */
function renamedFires(steps: unknown): Map<string, string> {
  const out = new Map<string, string>();
  const seen = new Map<string, number>();
  const number = (kind: string, name: string) => {
    const n = (seen.get(kind + name) ?? 0) + 1;
    seen.set(kind + name, n);
    return n > 1 ? `${name} ${n}` : name;
  };
  for (const fire of Array.isArray(steps) ? (steps as OldFire[]) : [])
    if (fire.do === 'heat') out.set(number('was ', nameOf(fire)), number('is ', roleOf(nameOf(fire))));
  return out;
}

/**
 * A cook or a batch up to version 5 named a step by what its fire was called, and the fire after a correction by its
 * number among the corrections. Now a step is called by its role, numbered, and a correction's fire by its event.
 */
export function migrateCook(old: unknown): unknown {
  if (old === null || typeof old !== 'object' || !('events' in old) || !Array.isArray(old.events)) return withPlan(old);
  const { plan, events } = old as { plan?: { steps?: unknown }; events: OldEvent[] };
  const undone = new Set(events.filter((e) => e.kind === 'undone').map((e) => e.target));
  const fixes = events.flatMap((e) =>
    e.kind === 'added' && e.after !== undefined && Array.isArray(e.heat) && e.heat.length && !undone.has(e.id)
      ? [{ id: String(e.id), fires: (e.heat as OldFire[]).map(nameOf) }]
      : [],
  );
  const fires = renamedFires(plan?.steps);
  const renamed = (step: unknown): unknown => {
    if (typeof step !== 'string') return step;
    const [, name, nth] = FIX.exec(step) ?? [];
    const fix = fixes[Number(nth) - 1];
    if (!fix || name === undefined) return fires.get(step) ?? step;
    const at = Math.max(0, fix.fires.indexOf(name));
    return at === 0 ? fix.id : `${fix.id}/${at + 1}`;
  };
  return withPlan({
    ...old,
    events: events.map((e) => ({
      ...e,
      ...(e.step === undefined ? {} : { step: renamed(e.step) }),
      ...(e.after === undefined ? {} : { after: renamed(e.after) }),
      ...(Array.isArray(e.heat) ? { heat: e.heat.map(migrateStep) } : {}),
    })),
  });
}
