import { BatchSchema, type Batch } from '../core/book/batch';
import { CookSchema, type Cook, type CookEvent } from '../core/cook/events';
import { migrateIngredient, migratePlan, PlanSchema, type Plan } from '../core/formula/plan';
import { withPlan, type KitchenFile } from '../core/formats/kitchenFile';
import { IngredientSchema, type Ingredient } from '../core/pantry/ingredient';
import { DEFAULT_SETTINGS, SettingsSchema, type Settings } from '../core/settings';
import { PackSchema, type Pack } from '../core/units/packs';
import { z } from 'zod';
import { repository, type Repository, type Shell } from './records';

const StoredSettingsSchema = SettingsSchema.extend({ id: z.literal('mine') });
type StoredSettings = Settings & { id: 'mine' };

const META = 'meta/opened';

export type Kitchen = {
  plans: Repository<Plan>;
  cooks: Repository<Cook>;
  batches: Repository<Batch>;
  ingredients: Repository<Ingredient>;
  packs: Repository<Pack>;
  settings: Repository<StoredSettings>;
  /** false until the first visit has been filled with the demo or the cook's own start */
  opened(): Promise<boolean>;
  /** Adds to a cook's list in one write, each event once. */
  appendEvents(cookId: string, events: readonly CookEvent[]): Promise<Cook | undefined>;
  readAll(exportedAt: string): Promise<KitchenFile>;
  /** Puts a file's content in the place of everything; the old stays until the new is written. */
  replaceAll(file: KitchenFile): Promise<void>;
  readSettings(): Promise<Settings>;
};

/** All of a cook's data over one key-value store. Version 2 of plans and ingredients knows every thickener. */
export function kitchenOver(shell: Shell): Kitchen {
  const plans = repository<Plan>(
    { name: 'plans', version: 2, schema: PlanSchema, migrations: { 1: migratePlan } },
    shell,
  );
  const cooks = repository<Cook>({ name: 'cooks', version: 2, schema: CookSchema, migrations: { 1: withPlan } }, shell);
  const batches = repository<Batch>(
    { name: 'batches', version: 2, schema: BatchSchema, migrations: { 1: withPlan } },
    shell,
  );
  const ingredients = repository<Ingredient>(
    { name: 'ingredients', version: 2, schema: IngredientSchema, migrations: { 1: migrateIngredient } },
    shell,
  );
  const packs = repository<Pack>({ name: 'packs', version: 1, schema: PackSchema, migrations: {} }, shell);
  const settings = repository<StoredSettings>(
    { name: 'settings', version: 1, schema: StoredSettingsSchema, migrations: {} },
    shell,
  );
  const all = [plans, cooks, batches, ingredients, packs];

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
    settings,
    readSettings,
    opened: async () => (await shell.store.getItem(META)) !== null,
    appendEvents: (cookId, events) =>
      cooks.update(cookId, (cook) => {
        const fresh = events.filter((e) => !cook?.events.some((old) => old.id === e.id));
        return cook && fresh.length ? { ...cook, events: [...cook.events, ...fresh] } : undefined;
      }),
    async readAll(exportedAt) {
      const [p, c, b, i, k, s] = await Promise.all([
        plans.list(),
        cooks.list(),
        batches.list(),
        ingredients.list(),
        packs.list(),
        readSettings(),
      ]);
      return {
        format: 'ovalis-kitchen',
        version: 2,
        exportedAt,
        plans: p,
        cooks: c,
        batches: b,
        ingredients: i,
        packs: k,
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
      });
      for (const r of [...all, settings]) shell.changed(r.name);
    },
  };
}
