import { BatchSchema, type Batch } from '../core/book/batch';
import { CookSchema, type Cook, type CookEvent } from '../core/cook/events';
import { migrateIngredient, migratePlan, PlanSchema, type Plan } from '../core/plan/plan';
import { migrateCook, withPlan } from '../core/cook/migrate';
import type { KitchenFile } from '../core/formats/kitchenFile';
import { IngredientSchema, type Ingredient } from '../core/pantry/ingredient';
import { DEFAULT_SETTINGS, SettingsSchema, type Settings } from '../core/settings';
import { DaySchema, type Day } from '../core/day/record';
import { PrepSchema, type Prep } from '../core/prep/weigh';
import { PastPlanSchema, type PastPlan } from '../core/plan/history';
import { PackSchema, type Pack } from '../core/units/packs';
import { VesselSchema, type Vessel } from '../core/vessels/vessel';
import { z } from 'zod';
import { journalOver } from './journal';
import { putAside, repository, since, type Repository, type Shell } from './records';

const StoredSettingsSchema = SettingsSchema.extend({ id: z.literal('mine') });
type StoredSettings = Settings & { id: 'mine' };

const META = 'meta/opened';

export type Kitchen = {
  plans: Repository<Plan>;
  cooks: Repository<Cook>;
  batches: Repository<Batch>;
  ingredients: Repository<Ingredient>;
  packs: Repository<Pack>;
  vessels: Repository<Vessel>;
  history: Repository<PastPlan>;
  days: Repository<Day>;
  preps: Repository<Prep>;
  settings: Repository<StoredSettings>;
  /** false until the first visit has been filled with the demo or the cook's own start */
  opened(): Promise<boolean>;
  /** Notes events of a cook: they outlive the tab from this moment on, and are in its record after `settle`. */
  note(cookId: string, events: readonly CookEvent[]): void;
  /**
   * Puts what was noted, here or by a tab that died, into the records: a write a cook, each event once.
   * @returns whether any record has changed
   */
  settle(): Promise<boolean>;
  readAll(exportedAt: string): Promise<KitchenFile>;
  /** Puts a file's content in the place of everything; the old stays until the new is written. */
  replaceAll(file: KitchenFile): Promise<void>;
  readSettings(): Promise<Settings>;
};

/** All of a cook's data over one key-value store. Version 2 of plans and ingredients knows every thickener, version 3 of plans side pots and rules,
 * version 4 of cooks and batches what was read off, version 5 corrections, lid, spoon, ladles, devices and rescues, version 6 steps
 * by their role (version 4 of plans, 2 of history). */
export function kitchenOver(shell: Shell): Kitchen {
  const same = (old: unknown) => old;
  const plans = repository<Plan>(
    { name: 'plans', version: 4, schema: PlanSchema, migrations: since(4, migratePlan) },
    shell,
  );
  const cooks = repository<Cook>(
    { name: 'cooks', version: 6, schema: CookSchema, migrations: since(6, migrateCook) },
    shell,
  );
  const batches = repository<Batch>(
    { name: 'batches', version: 6, schema: BatchSchema, migrations: since(6, migrateCook) },
    shell,
  );
  const ingredients = repository<Ingredient>(
    { name: 'ingredients', version: 2, schema: IngredientSchema, migrations: { 1: migrateIngredient } },
    shell,
  );
  // version 2 of packs may have a price, of settings how money is written; version 3 of settings which machines there are,
  // version 4 how the Pot is heard, seen and held, and its devices
  const packs = repository<Pack>({ name: 'packs', version: 2, schema: PackSchema, migrations: { 1: same } }, shell);
  const vessels = repository<Vessel>({ name: 'vessels', version: 1, schema: VesselSchema, migrations: {} }, shell);
  const history = repository<PastPlan>(
    { name: 'history', version: 2, schema: PastPlanSchema, migrations: since(2, withPlan) },
    shell,
  );
  const days = repository<Day>({ name: 'days', version: 1, schema: DaySchema, migrations: {} }, shell);
  const preps = repository<Prep>({ name: 'preps', version: 1, schema: PrepSchema, migrations: {} }, shell);
  const settings = repository<StoredSettings>(
    { name: 'settings', version: 4, schema: StoredSettingsSchema, migrations: { 1: same, 2: same, 3: same } },
    shell,
  );
  const all = [plans, cooks, batches, ingredients, packs, vessels, history, days, preps];

  const journal = journalOver(shell.atOnce);

  const readSettings = async (): Promise<Settings> => {
    const stored = await settings.get('mine');
    if (!stored) return DEFAULT_SETTINGS;
    const { id: _id, ...rest } = stored;
    return rest;
  };

  return {
    plans,
    cooks,
    batches,
    ingredients,
    packs,
    vessels,
    history,
    days,
    preps,
    settings,
    readSettings,
    opened: async () => (await shell.store.getItem(META)) !== null,
    note: journal.note,
    async settle() {
      const { of, bad } = journal.pending();
      let changed = false;
      for (const { key, text, why } of bad) await putAside(shell, key, text, why, () => journal.clear([key]));
      for (const [cookId, { keys, events }] of of) {
        let found = false;
        const put = await cooks.update(cookId, (cook) => {
          found = cook !== undefined;
          const fresh = events.filter((e) => !cook?.events.some((old) => old.id === e.id));
          return cook && fresh.length ? { ...cook, events: [...cook.events, ...fresh] } : undefined;
        });
        changed ||= put !== undefined;
        // a cook whose own record a full disk refused: its events wait for it
        if (found) journal.clear(keys);
      }
      return changed;
    },
    async readAll(exportedAt) {
      const [p, c, b, i, k, v, h, d, r, s] = await Promise.all([
        plans.list(),
        cooks.list(),
        batches.list(),
        ingredients.list(),
        packs.list(),
        vessels.list(),
        history.list(),
        days.list(),
        preps.list(),
        readSettings(),
      ]);
      return {
        format: 'ovalis-kitchen',
        version: 6,
        exportedAt,
        plans: p,
        cooks: c,
        batches: b,
        ingredients: i,
        packs: k,
        vessels: v,
        history: h,
        days: d,
        preps: r,
        settings: s,
      };
    },
    async replaceAll(file) {
      await shell.lock('replace all', async () => {
        const entries: Record<string, string> = { [META]: file.exportedAt };
        const put = <T extends { id: string }>(repo: Repository<T>, values: T[]) => {
          for (const v of values) entries[repo.key(v.id)] = repo.seal(v);
        };
        put(plans, file.plans);
        put(cooks, file.cooks);
        put(batches, file.batches);
        put(ingredients, file.ingredients);
        put(packs, file.packs);
        put(vessels, file.vessels);
        put(history, file.history);
        put(days, file.days);
        put(preps, file.preps);
        put(settings, [{ ...file.settings, id: 'mine' }]);
        const old = (await shell.store.getAllKeys()).filter(
          (k) => all.some((r) => k.startsWith(r.name + '/')) && !(k in entries),
        );
        try {
          await shell.store.setMany(entries);
        } catch (e) {
          shell.report({ kind: 'not saved', key: 'everything', why: (e as Error).message || 'the browser refused' });
          throw e;
        }
        if (old.length) await shell.store.removeMany(old);
        journal.clear([...journal.pending().of.values()].flatMap((p) => p.keys));
      });
      for (const r of [...all, settings]) shell.changed(r.name);
    },
  };
}
