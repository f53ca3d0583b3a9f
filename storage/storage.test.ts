import { asStages } from '../core/testing';
import { z } from 'zod';
import { choirSupper } from '../core/demo/choirSupper';
import type { CookEvent } from '../core/cook/events';
import { emptyKitchen, readKitchenFile } from '../core/formats/kitchenFile';
import { kitchenText } from '../core/formats/merge';
import { changeBetween, type Numbers } from '../core/records/change';
import type { CollectionName } from '../core/formats/collections';
import { textsOf } from '../core/formats/record';
import { ChangedMeanwhileError, kitchenOver, SETTINGS_NAME, STORED_DEFAULTS, type KitchenStore } from './kitchen';
import { repository, setAside } from './records';
import { memory, tabOf, tap } from './testingStore';

const AT = Date.UTC(2026, 11, 11, 12);
type Any = { id: string };
const put = (k: KitchenStore, collection: CollectionName, value: Any, atMs = AT) =>
  k.note({ collection, record: value.id, act: { put: value } }, atMs);
const remove = (k: KitchenStore, collection: CollectionName, id: string, atMs = AT) =>
  k.note({ collection, record: id, act: { removed: true } }, atMs);
const change = (k: KitchenStore, collection: CollectionName, base: Any, mine: Any, atMs = AT, numbers?: Numbers) =>
  k.note({ collection, record: mine.id, act: { change: changeBetween(base, mine, numbers)! } }, atMs);

const Note = z.object({ id: z.string(), text: z.string() });

describe('a collection', () => {
  const spec = {
    name: 'notes',
    version: 2,
    schema: Note,
    migrations: { 1: (old: unknown) => ({ ...(old as object), text: (old as { body: string }).body }) },
  };

  it('brings an older record to the present shape and keeps it so', async () => {
    const m = memory();
    m.map.set('notes/a', JSON.stringify({ v: 1, data: { id: 'a', body: 'old' } }));
    const notes = repository(spec, m.shell);
    expect(await notes.list()).toEqual([{ id: 'a', text: 'old' }]);
    expect(JSON.parse(m.map.get('notes/a')!)).toMatchObject({ v: 2, data: { text: 'old' } });
  });

  it.each([
    ['not JSON', '{', /torn/],
    ['the wrong shape', JSON.stringify({ v: 2, data: { id: 'a' } }), /text/],
    ['a newer version', JSON.stringify({ v: 9, data: { id: 'a', text: '' } }), /newer/],
    ['no version', '{}', /noVersion/],
  ])('sets %s aside, says why, and shows the rest', async (_, text, why) => {
    const m = memory();
    m.map.set('notes/bad', text);
    m.map.set('notes/good', JSON.stringify({ v: 2, data: { id: 'good', text: 'x' } }));
    const notes = repository(spec, m.shell);
    expect(await notes.list()).toEqual([{ id: 'good', text: 'x' }]);
    expect(m.problems).toEqual([{ kind: 'set aside', key: 'notes/bad', why: expect.anything() }]);
    expect(JSON.stringify(m.problems[0]!.why)).toMatch(why);
    expect(await setAside(m.store)).toEqual({ 'notes/bad': text });
    expect(m.map.has('notes/bad')).toBe(false);
  });

  it('on a full disk what is old is read as it was, and what is broken stays where it is', async () => {
    const m = memory();
    m.map.set('notes/a', JSON.stringify({ v: 1, data: { id: 'a', body: 'old' } }));
    m.map.set('notes/bad', '{');
    m.fill(true);
    const notes = repository(spec, m.shell);
    expect(await notes.list()).toEqual([{ id: 'a', text: 'old' }]);
    expect(m.map.get('notes/bad')).toBe('{');
    expect(JSON.parse(m.map.get('notes/a')!)).toMatchObject({ v: 1 });
  });
});

describe('rows beside records', () => {
  const made: string[] = [];
  const spec = {
    name: 'notes',
    version: 1,
    schema: Note,
    migrations: {},
    row: {
      version: 3,
      of: (n: z.infer<typeof Note>) => {
        made.push(n.id);
        return { id: n.id, length: n.text.length };
      },
    },
  };
  const keep = (m: ReturnType<typeof memory>, value: z.infer<typeof Note>) =>
    Object.entries(textsOf(spec, value)).forEach(([key, text]) => m.map.set(key, text));
  it('are read without them', async () => {
    const m = memory();
    const notes = repository(spec, m.shell);
    keep(m, { id: 'a', text: 'longer' });
    keep(m, { id: 'b', text: 'three' });
    made.length = 0;
    expect(await notes.rows()).toEqual([
      { id: 'a', length: 6 },
      { id: 'b', length: 5 },
    ]);
    expect(made).toEqual([]);
  });
  it('that are missing, torn or of another version are made again from the record, once', async () => {
    const m = memory();
    const notes = repository(spec, m.shell);
    for (const id of ['a', 'b', 'c']) keep(m, { id, text: id.repeat(4) });
    m.map.delete('notes-row/a');
    m.map.set('notes-row/b', '{"v":3,');
    m.map.set('notes-row/c', JSON.stringify({ v: 2, data: { id: 'c', old: true } }));
    expect((await notes.rows()).map((r) => r.length)).toEqual([4, 4, 4]);
    made.length = 0;
    await notes.rows();
    expect(made).toEqual([]);
  });
  it('of a record that cannot be read is no row: the record is set aside', async () => {
    const m = memory();
    const notes = repository(spec, m.shell);
    m.map.set('notes/bad', '{');
    expect(await notes.rows()).toEqual([]);
    expect(m.problems[0]).toMatchObject({ kind: 'set aside', key: 'notes/bad' });
  });
});

describe('the kitchen', () => {
  const NOW = Date.UTC(2026, 11, 11, 12);
  const demo = choirSupper(NOW);

  const read = async (k: KitchenStore) => {
    const text = kitchenText(await k.texts(), {}, await k.readSettings(), demo.exportedAt);
    const parsed = readKitchenFile(text);
    if (!parsed.ok) throw new Error('not read');
    return parsed.value;
  };

  it('is opened by the demo and gives it all back', async () => {
    const k = kitchenOver(memory().shell);
    expect(await k.opened()).toBe(false);
    await k.replaceAll(demo, NOW);
    expect(await k.opened()).toBe(true);
    const back = await read(k);
    const sorted = (f: typeof demo) => ({
      ...f,
      plans: [...f.plans].sort((a, b) => a.id.localeCompare(b.id)),
      batches: [...f.batches].sort((a, b) => a.id.localeCompare(b.id)),
    });
    expect(sorted(back)).toEqual(sorted(demo));
  });

  it('replacing takes the old out; on a full disk the old stays whole', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    await k.replaceAll({ ...demo, plans: [demo.plans[0]!], batches: [] }, NOW);
    expect((await read(k)).plans).toHaveLength(1);
    expect((await read(k)).batches).toEqual([]);
    m.fill(true);
    await expect(k.replaceAll(demo, NOW)).rejects.toThrow(/full/);
    expect((await read(k)).plans).toHaveLength(1);
  });

  it('what was taken out by a tab that died at once stays out', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    const id = demo.plans[0]!.id;
    remove(k, 'plans', id);
    const next = kitchenOver(tabOf(m.shell));
    await next.settle();
    expect((await read(next)).plans.map((p) => p.id)).not.toContain(id);
    expect(m.atOnce.size).toBe(0);
  });

  it('what a later version wrote comes back by itself once it can be read; what was made anew meanwhile stays', async () => {
    const m = memory();
    const [plan, other] = demo.plans;
    const later = (p: object) => JSON.stringify({ v: 99, data: p });
    const old = kitchenOver(m.shell);
    await old.replaceAll({ ...demo, plans: [] }, NOW);
    m.map.set(`plans/${plan!.id}`, later(plan!));
    m.map.set(`plans/${other!.id}`, later(other!));
    expect(await old.plans.list()).toEqual([]);
    expect(await old.bringBack()).toBe(false);
    put(old, 'plans', { ...other!, name: 'made anew' } as Any);
    await old.settle();
    // the app that knows that version: here, the version that this one writes
    for (const [key, text] of m.map)
      if (key.startsWith('newer/'))
        m.map.set(key, text.replace('"v":99', `"v":${JSON.parse(m.map.get(`plans/${other!.id}`)!).v}`));
    const next = kitchenOver(m.shell);
    expect(await next.bringBack()).toBe(true);
    expect((await next.plans.list()).map((p) => p.name).sort()).toEqual([plan!.name, 'made anew'].sort());
    expect(Object.keys(await setAside(m.store))).toEqual([`plans/${other!.id}`]);
  });

  it('a pot that somebody stands at stays when another kitchen comes, and what came can be taken back', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    const [cook] = demo.cooks;
    expect(await k.potsOn(NOW)).toEqual([]);
    const onIt = { kind: 'noted', id: 'tap', at: new Date(NOW + 60_000).toISOString(), text: 'on it' } as const;
    tap(k, cook!.id, [onIt], NOW);
    await k.settle();
    expect((await k.potsOn(NOW + 120_000)).map((r) => r.id)).toEqual([cook!.id]);
    const back = await k.replaceAll(emptyKitchen(demo.settings, demo.exportedAt), NOW + 120_000);
    expect((await read(k)).cooks.map((c) => c.events.at(-1)!.id)).toEqual(['tap']);
    expect((await read(k)).plans).toEqual([]);
    await k.exchange(back, NOW + 180_000);
    expect((await read(k)).plans).toHaveLength(demo.plans.length);
    expect((await read(k)).cooks).toHaveLength(1);
  });

  it('an exchange that was made of what is not there any more is refused', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    const seen = await k.texts();
    change(k, 'plans', demo.plans[0]!, { ...demo.plans[0]!, people: 9 } as Any);
    const entries = { [`plans/${demo.plans[0]!.id}`]: seen[`plans/${demo.plans[0]!.id}`]! };
    await expect(k.exchange({ entries, gone: [] }, NOW, seen)).rejects.toThrow(ChangedMeanwhileError);
    await k.exchange({ entries, gone: [] }, NOW, await k.texts());
    expect((await k.plans.get(demo.plans[0]!.id))!.people).toBe(demo.plans[0]!.people);
  });

  it('two tabs appending to one cook lose nothing, and the same event is kept once', async () => {
    const m = memory();
    const [one, two] = [kitchenOver(m.shell), kitchenOver(tabOf(m.shell))];
    await one.replaceAll({ ...demo, cooks: [{ ...demo.cooks[0]!, events: [] }] }, NOW);
    const event = (id: string): CookEvent => ({ kind: 'noted', id, at: demo.exportedAt, text: id });
    const id = demo.cooks[0]!.id;
    const note = (tab: typeof one, e: string) => {
      tap(tab, id, [event(e)], NOW);
      return tab.settle();
    };
    await Promise.all([
      ...Array.from({ length: 20 }, (_, i) => note(one, `a${i}`)),
      ...Array.from({ length: 20 }, (_, i) => note(two, `b${i}`)),
      note(one, 'a0'),
    ]);
    expect((await one.cooks.get(id))!.events).toHaveLength(40);
    expect(m.atOnce.size).toBe(0);
  });

  it('what a full disk refused is shown, and written when there is room again; what is half written is set aside', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    const cook = { ...demo.cooks[0]!, events: demo.cooks[0]!.events.slice(0, 1) };
    put(k, 'cooks', cook);
    await k.settle();
    m.fill(true);
    tap(k, cook.id, [{ kind: 'noted', id: 'n', at: demo.exportedAt, text: 'too pale' }], NOW);
    expect((await k.settle()).refused).toHaveLength(1);
    const ids = [cook.events[0]!.id, 'n'];
    expect((await k.cooks.get(cook.id))!.events.map((e) => e.id)).toEqual(ids);
    expect(k.waiting()).toEqual([{ collection: 'cooks', id: cook.id }]);
    m.fill(false);
    m.atOnce.set('ovalis-op/x/1', '{');
    await k.settle();
    expect(k.waiting()).toEqual([]);
    expect((await k.cooks.get(cook.id))!.events.map((e) => e.id)).toEqual(ids);
    expect(m.problems.map((p) => p.kind)).toEqual(['not saved', 'set aside']);
    expect(await setAside(m.store)).toEqual({ 'ovalis-op/x/1': '{' });
    expect(m.atOnce.size).toBe(0);
  });

  it('what alone has no room waits, and keeps nothing else from being written', async () => {
    const m = memory();
    const large = { ...demo.plans[0]!, id: 'large', name: 'a plan that has no room' };
    const setMany = m.store.setMany;
    let room = false;
    m.store.setMany = async (entries) => {
      if (!room && Object.keys(entries).includes('plans/large')) throw new Error('the disk is full');
      await setMany(entries);
    };
    const k = kitchenOver(m.shell);
    put(k, 'plans', large);
    put(k, 'plans', { ...demo.plans[0]!, id: 'small' } as Any);
    expect((await k.settle()).refused.map((o) => o.record)).toEqual(['large']);
    expect([...m.map.keys()]).toContain('plans/small');
    room = true;
    change(k, 'plans', large, { ...large, people: 9 } as Any);
    expect((await k.settle()).refused).toEqual([]);
    expect(await k.plans.get('large')).toMatchObject({ people: 9 });
  });

  it('a change that would leave what no room can read is put aside and said; the record stays', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    put(k, 'plans', demo.plans[0]!);
    k.note(
      { collection: 'plans', record: demo.plans[0]!.id, act: { change: { fields: { people: { set: 'many' } } } } },
      NOW,
    );
    change(k, 'plans', demo.plans[0]!, { ...demo.plans[0]!, name: 'Other' } as Any);
    await k.settle();
    expect(await k.plans.get(demo.plans[0]!.id)).toEqual({ ...demo.plans[0]!, name: 'Other' });
    expect(Object.values(await setAside(m.store)).join()).toContain('many');
    expect(m.problems).toHaveLength(1);
    // one that is called otherwise than its record writes over no other
    k.note({ collection: 'plans', record: 'another', act: { put: demo.plans[0]! } }, NOW);
    await k.settle();
    expect(await k.plans.list()).toHaveLength(1);
    expect(m.problems).toHaveLength(2);
  });

  it('an exchange that was cut off in the middle is finished by the next', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    const dying = kitchenOver(
      tabOf(m.shell, { lock: (work) => work(), store: { ...m.store, removeMany: () => new Promise(() => undefined) } }),
    );
    void dying.replaceAll({ ...demo, plans: [], batches: [] }, NOW);
    await new Promise((ok) => setTimeout(ok, 20));
    const next = kitchenOver(tabOf(m.shell));
    put(next, 'packs', { ...demo.packs[0]!, id: 'new' } as Any);
    await next.settle();
    expect((await read(next)).plans).toEqual([]);
    expect((await read(next)).batches).toEqual([]);
  });

  it('one lock for all that is written', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    put(k, 'plans', demo.plans[0]!);
    await k.settle();
    await k.plans.aside(demo.plans[0]!.id);
    expect([...new Set(m.locks.asked)]).toEqual(['ovalis kitchen']);
  });

  it('what was noted of a cook that is gone, or before everything was replaced, does not come back', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    const event = { kind: 'noted', id: 'n', at: demo.exportedAt, text: '' } as const;
    tap(k, 'gone', [event], NOW);
    await k.settle();
    expect(await k.cooks.list()).toEqual([]);
    tap(k, demo.cooks[0]!.id, [event], NOW);
    await k.replaceAll(demo, NOW);
    await k.settle();
    expect(await k.cooks.get(demo.cooks[0]!.id)).toEqual(demo.cooks[0]);
  });

  it('what version 1 stored is read as the present one: a plan, a cook that is going, a batch, an own milk', async () => {
    const m = memory();
    const plan = demo.plans.find((p) => !p.vessels.length && p.acts.every((a) => a.do !== 'prepare'))!;
    const { choices: _c, sides: _s, rules: _r, ...rest } = asStages(plan);
    const old = { ...rest, version: 1 };
    const milk = { ...demo.ingredients[0]!, starch: 'maize' };
    const put = (key: string, data: object) => m.map.set(key, JSON.stringify({ v: 1, data }));
    put(`plans/${plan.id}`, old);
    put('cooks/c', { id: 'c', plan: old, events: demo.cooks[0]!.events });
    put('batches/b', { ...demo.batches[0]!, id: 'b', plan: old });
    put(`ingredients/${milk.id}`, milk);
    const kitchen = kitchenOver(m.shell);
    expect(await kitchen.plans.list()).toEqual([{ ...plan, choices: {}, rules: [] }]);
    expect((await kitchen.cooks.get('c'))!.plan.version).toBe(7);
    expect((await kitchen.cooks.get('c'))!.events).toEqual(demo.cooks[0]!.events);
    expect((await kitchen.batches.get('b'))!.plan.choices).toEqual({});
    expect((await kitchen.ingredients.get(milk.id))!.thickener).toBe('maize starch');
    expect(m.problems).toEqual([]);
    expect(JSON.parse(m.map.get(`plans/${plan.id}`)!)).toMatchObject({ v: 7 });
  });
});

describe('a change of a record that a tab did not live to write', () => {
  const NOW = Date.UTC(2026, 11, 11, 12);
  const demo = choirSupper(NOW);
  const plan = demo.plans[0]!;
  const opened = async (m: ReturnType<typeof memory>) => {
    const k = kitchenOver(tabOf(m.shell));
    await k.settle();
    return k;
  };
  it('is made good by the next, on what is there by then; in every collection', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    change(k, 'plans', plan, { ...plan, people: 9 } as Any, 1);
    change(k, 'plans', plan, { ...plan, portionG: 99 } as Any, 2);
    const batch = demo.batches[0]!;
    change(k, 'batches', batch, { ...batch, found: { ...batch.found, note: 'too pale' } } as Any, 3);
    put(k, 'packs', { ...demo.packs[0]!, id: 'new' } as Any, 4);
    // meanwhile another tab wrote a name
    change(kitchenOver(tabOf(m.shell)), 'plans', plan, { ...plan, name: 'Other' } as Any, 3);
    const again = await opened(m);
    expect(await again.plans.get(plan.id)).toMatchObject({ people: 9, portionG: 99, name: 'Other' });
    expect((await again.batches.get(batch.id))!.found.note).toBe('too pale');
    expect(await again.packs.get('new')).toBeDefined();
    expect(m.atOnce.size).toBe(0);
  });
  it('brings nothing removed back, and is set aside where it is no record', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    remove(k, 'plans', plan.id, 1);
    change(k, 'plans', plan, { ...plan, people: 9 } as Any, 2);
    put(k, 'plans', { id: 'junk' }, 2);
    const again = await opened(m);
    expect(await again.plans.get(plan.id)).toBeUndefined();
    expect(m.atOnce.size).toBe(0);
    expect(Object.values(await setAside(m.store)).join()).toMatch(/junk/);
  });
  it('what an older version noted of a plan is not lost unsaid: a whole one is the present one, a change is set aside', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    put(k, 'plans', { ...asStages({ ...plan, vessels: [] }), id: 'older' } as Any, 1);
    const older = { items: [{ ingredientId: 'sugar', grams: 40, stage: 'pot' }] };
    change(k, 'plans', { id: plan.id, items: [] } as Any, { id: plan.id, ...older } as Any, 2);
    const again = await opened(m);
    expect((await again.plans.get('older'))!.things).toEqual(plan.things);
    expect(await again.plans.get(plan.id)).toEqual(plan);
    expect(m.atOnce.size).toBe(0);
    expect(Object.values(await setAside(m.store)).join()).toMatch(/"items"/);
  });
  it('settings too, before they are read', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    const was = { ...(await k.readSettings()), id: 'mine' };
    const set = (base: Any, mine: Any) =>
      k.note(
        {
          collection: SETTINGS_NAME,
          record: 'mine',
          act: { change: changeBetween(base, mine)!, from: STORED_DEFAULTS },
        },
        1,
      );
    set(was, { ...was, theme: 'night' } as Any);
    set({ ...was, theme: 'night' } as Any, { ...was, theme: 'night', clock: '12' } as Any);
    const again = kitchenOver(tabOf(m.shell));
    expect(await again.readSettings()).toMatchObject({ theme: 'night', clock: '12' });
    await again.settle();
    expect(await again.readSettings()).toMatchObject({ theme: 'night', clock: '12' });
    expect(m.atOnce.size).toBe(0);
  });
  it('what an earlier version of the app noted is done, too', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    const cook = demo.cooks[0]!;
    const event = { kind: 'noted', id: 'n', at: demo.exportedAt, text: 'late' };
    const old = (at: number, change: object) =>
      m.atOnce.set(`ovalis-changed/plans/x/${at}-1`, JSON.stringify({ collection: 'plans', at, n: 1, ...change }));
    m.atOnce.set(`ovalis-noted/${cook.id}/n`, JSON.stringify({ cookId: cook.id, events: [event] }));
    old(1, { base: plan, value: { ...plan, people: 9 } });
    old(2, { value: { ...plan, id: 'new' } });
    old(3, { value: { id: demo.plans[1]!.id }, removed: true });
    const again = await opened(m);
    expect((await again.cooks.get(cook.id))!.events.at(-1)).toEqual(event);
    expect(await again.plans.get(plan.id)).toMatchObject({ people: 9 });
    expect(await again.plans.get('new')).toBeDefined();
    expect(await again.plans.get(demo.plans[1]!.id)).toBeUndefined();
    expect(m.atOnce.size).toBe(0);
  });
});

describe('what no room can work with', () => {
  const NOW = Date.UTC(2026, 11, 11, 12);
  const demo = choirSupper(NOW);
  const plan = demo.plans[0]!;
  it('is set aside where it is read, with what is wrong; the rest is shown', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    const moon = {
      ...plan,
      id: 'moon',
      things: [{ ingredientId: 'moon dust', grams: 5 }],
    };
    const late = { ...plan, id: 'late', serve: { ...plan.serve, at: '9999-01-01T00:00:00Z' } };
    for (const p of [moon, late]) m.map.set(`plans/${p.id}`, JSON.stringify({ v: 7, data: p }));
    expect((await k.plans.list()).map((p) => p.id).sort()).toEqual(demo.plans.map((p) => p.id).sort());
    expect(m.problems.map((p) => p.key).sort()).toEqual(['plans/late', 'plans/moon']);
    expect(JSON.stringify(m.problems.find((p) => p.key === 'plans/moon')!.why)).toMatch(/moon dust/);
    expect(Object.keys(await setAside(m.store)).sort()).toEqual(['plans/late', 'plans/moon']);
  });
  it('one that a room cannot show is moved aside as it is', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    const text = m.map.get(`plans/${plan.id}`);
    await k.plans.aside(plan.id);
    expect(await k.plans.get(plan.id)).toBeUndefined();
    expect(await setAside(m.store)).toEqual({ [`plans/${plan.id}`]: text });
  });
});
