import * as fc from 'fast-check';
import { z } from 'zod';
import { choirSupper } from '../core/demo/choirSupper';
import type { CookEvent } from '../core/cook/events';
import { emptyKitchen, readKitchenFile } from '../core/formats/kitchenFile';
import { kitchenText } from '../core/formats/merge';
import { ChangedMeanwhileError, kitchenOver, type Kitchen } from './kitchen';
import { NotSavedError, repository, setAside, type Shell } from './records';
import { memory } from './testingStore';

const Note = z.object({ id: z.string(), text: z.string() });

describe('a collection', () => {
  const spec = {
    name: 'notes',
    version: 2,
    schema: Note,
    migrations: { 1: (old: unknown) => ({ ...(old as object), text: (old as { body: string }).body }) },
  };

  it('keeps, lists, changes and removes', async () => {
    const m = memory();
    const notes = repository(spec, m.shell);
    await notes.put({ id: 'a', text: 'one' });
    await notes.update('a', (n) => n && { ...n, text: 'two' });
    expect(await notes.list()).toEqual([{ id: 'a', text: 'two' }]);
    await notes.remove('a');
    expect(await notes.get('a')).toBeUndefined();
    expect(m.changed).toEqual(Array(3).fill({ collection: 'notes', id: 'a' }));
  });

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

  it('what is being read in an older shape never writes over a change made meanwhile', async () => {
    const m = memory();
    m.map.set('notes/a', JSON.stringify({ v: 1, data: { id: 'a', body: 'old' } }));
    const notes = repository(spec, m.shell);
    const [, read] = await Promise.all([
      notes.update('a', (n) => ({ ...n!, text: n!.text + ' and new' })),
      notes.list(),
    ]);
    expect(read.map((n) => n.text)).toEqual(['old and new']);
    expect(await notes.get('a')).toEqual({ id: 'a', text: 'old and new' });
  });

  it('a full disk is said, nothing old is lost, and a corrupt record stays where it is', async () => {
    const m = memory();
    const notes = repository(spec, m.shell);
    await notes.put({ id: 'a', text: 'one' });
    m.map.set('notes/bad', '{');
    m.fill(true);
    await expect(notes.put({ id: 'a', text: 'two' })).rejects.toThrow(NotSavedError);
    expect(m.problems[0]).toMatchObject({ kind: 'not saved', why: { code: 'record.full' } });
    expect(await notes.get('a')).toEqual({ id: 'a', text: 'one' });
    await notes.list();
    expect(m.map.get('notes/bad')).toBe('{');
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
  it('are written with them, go with them, and are read without them', async () => {
    const m = memory();
    const notes = repository(spec, m.shell);
    await notes.put({ id: 'a', text: 'one' });
    await notes.put({ id: 'b', text: 'three' });
    await notes.update('a', (n) => n && { ...n, text: 'longer' });
    made.length = 0;
    expect(await notes.rows()).toEqual([
      { id: 'a', length: 6 },
      { id: 'b', length: 5 },
    ]);
    expect(made).toEqual([]);
    await notes.remove('a');
    expect([...m.map.keys()]).toEqual(['notes/b', 'notes-row/b']);
  });
  it('that are missing, torn or of another version are made again from the record, once', async () => {
    const m = memory();
    const notes = repository(spec, m.shell);
    for (const id of ['a', 'b', 'c']) await notes.put({ id, text: id.repeat(4) });
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

  const read = async (k: Kitchen) => {
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
    k.noteRemoved('plans', id, NOW);
    const next = kitchenOver(m.shell);
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
    await old.plans.put({ ...other!, name: 'made anew' });
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
    k.note(cook!.id, [{ kind: 'noted', id: 'tap', at: new Date(NOW + 60_000).toISOString(), text: 'on it' }]);
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
    await k.plans.update(demo.plans[0]!.id, (p) => p && { ...p, people: 9 });
    const entries = { [`plans/${demo.plans[0]!.id}`]: seen[`plans/${demo.plans[0]!.id}`]! };
    await expect(k.exchange({ entries, gone: [] }, NOW, seen)).rejects.toThrow(ChangedMeanwhileError);
    await k.exchange({ entries, gone: [] }, NOW, await k.texts());
    expect((await k.plans.get(demo.plans[0]!.id))!.people).toBe(demo.plans[0]!.people);
  });

  it('two tabs appending to one cook lose nothing, and the same event is kept once', async () => {
    const m = memory();
    const [one, two] = [kitchenOver(m.shell), kitchenOver(m.shell)];
    await one.replaceAll({ ...demo, cooks: [{ ...demo.cooks[0]!, events: [] }] }, NOW);
    const event = (id: string): CookEvent => ({ kind: 'noted', id, at: demo.exportedAt, text: id });
    const id = demo.cooks[0]!.id;
    const tap = (tab: typeof one, e: string) => {
      tab.note(id, [event(e)]);
      return tab.settle();
    };
    await Promise.all([
      ...Array.from({ length: 20 }, (_, i) => tap(one, `a${i}`)),
      ...Array.from({ length: 20 }, (_, i) => tap(two, `b${i}`)),
      tap(one, 'a0'),
    ]);
    expect((await one.cooks.get(id))!.events).toHaveLength(40);
    expect(m.atOnce.size).toBe(0);
  });

  it('what a full disk refused is written when there is room again; what is half written is set aside', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    const cook = { ...demo.cooks[0]!, events: demo.cooks[0]!.events.slice(0, 1) };
    await k.cooks.put(cook);
    m.fill(true);
    k.note(cook.id, [{ kind: 'noted', id: 'n', at: demo.exportedAt, text: 'too pale' }]);
    await expect(k.settle()).rejects.toThrow(NotSavedError);
    m.fill(false);
    m.atOnce.set('ovalis-noted/x/y', '{');
    await k.settle();
    expect((await k.cooks.get(cook.id))!.events.map((e) => e.id)).toEqual([cook.events[0]!.id, 'n']);
    expect(m.problems.map((p) => p.kind)).toEqual(['not saved', 'set aside']);
    expect(await setAside(m.store)).toEqual({ 'ovalis-noted/x/y': '{' });
    expect(m.atOnce.size).toBe(0);
  });

  it('events of a cook whose own record a full disk refused wait for it', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    const cook = { ...demo.cooks[0]!, events: demo.cooks[0]!.events.slice(0, 1) };
    m.fill(true);
    await expect(k.cooks.put(cook)).rejects.toThrow(NotSavedError);
    m.fill(false);
    k.note(cook.id, [{ kind: 'noted', id: 'n', at: demo.exportedAt, text: 'too pale' }]);
    await k.settle();
    expect(m.atOnce.size).toBe(1);
    await k.cooks.put(cook);
    await k.settle();
    expect((await k.cooks.get(cook.id))!.events.map((e) => e.id)).toEqual([cook.events[0]!.id, 'n']);
    expect(m.atOnce.size).toBe(0);
  });

  it('what was noted of a cook that is gone, or before everything was replaced, does not come back', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    k.note('gone', [{ kind: 'noted', id: 'n', at: demo.exportedAt, text: '' }]);
    await k.settle();
    expect(await k.cooks.list()).toEqual([]);
    k.note(demo.cooks[0]!.id, [{ kind: 'noted', id: 'n', at: demo.exportedAt, text: '' }]);
    await k.replaceAll(demo, NOW);
    await k.settle();
    expect(await k.cooks.get(demo.cooks[0]!.id)).toEqual(demo.cooks[0]);
  });

  it('what version 1 stored is read as the present one: a plan, a cook that is going, a batch, an own milk', async () => {
    const m = memory();
    const plan = demo.plans[1]!;
    const { choices: _c, sides: _s, rules: _r, ...rest } = plan;
    const old = { ...rest, version: 1 };
    const milk = { ...demo.ingredients[0]!, starch: 'maize' };
    const put = (key: string, data: object) => m.map.set(key, JSON.stringify({ v: 1, data }));
    put(`plans/${plan.id}`, old);
    put('cooks/c', { id: 'c', plan: old, events: demo.cooks[0]!.events });
    put('batches/b', { ...demo.batches[0]!, id: 'b', plan: old });
    put(`ingredients/${milk.id}`, milk);
    const kitchen = kitchenOver(m.shell);
    expect(await kitchen.plans.list()).toEqual([{ ...plan, choices: {}, sides: [], rules: [] }]);
    expect((await kitchen.cooks.get('c'))!.plan.version).toBe(5);
    expect((await kitchen.cooks.get('c'))!.events).toEqual(demo.cooks[0]!.events);
    expect((await kitchen.batches.get('b'))!.plan.choices).toEqual({});
    expect((await kitchen.ingredients.get(milk.id))!.thickener).toBe('maize starch');
    expect(m.problems).toEqual([]);
    expect(JSON.parse(m.map.get(`plans/${plan.id}`)!)).toMatchObject({ v: 5 });
  });
});

describe('a change of a record that a tab did not live to write', () => {
  const NOW = Date.UTC(2026, 11, 11, 12);
  const demo = choirSupper(NOW);
  const plan = demo.plans[0]!;
  const opened = async (m: ReturnType<typeof memory>) => {
    const k = kitchenOver(memoryOf(m));
    await k.settle();
    return k;
  };
  it('is made good by the next, on what is there by then; in every collection', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    k.noteChange('plans', plan, { ...plan, people: 9 }, 1);
    k.noteChange('plans', plan, { ...plan, portionG: 99 }, 2);
    const batch = demo.batches[0]!;
    k.noteChange('batches', batch, { ...batch, found: { ...batch.found, note: 'too pale' } } as typeof batch, 3);
    k.noteChange('packs', undefined, { ...demo.packs[0]!, id: 'new' }, 4);
    // meanwhile the other tab wrote a name
    await kitchenOver(memoryOf(m)).plans.update(plan.id, (now) => now && { ...now, name: 'Other' });
    const again = await opened(m);
    expect(await again.plans.get(plan.id)).toMatchObject({ people: 9, portionG: 99, name: 'Other' });
    expect((await again.batches.get(batch.id))!.found.note).toBe('too pale');
    expect(await again.packs.get('new')).toBeDefined();
    expect(m.atOnce.size).toBe(0);
  });
  it('is forgotten once it is written, brings nothing removed back, and is set aside where it is no record', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    k.noteChange('plans', plan, { ...plan, people: 9 }, 1)();
    expect(m.atOnce.size).toBe(0);
    k.noteChange('plans', plan, { ...plan, people: 9 }, 1);
    await k.plans.remove(plan.id);
    k.noteChange('plans', undefined, { id: 'junk' } as never, 2);
    const again = await opened(m);
    expect(await again.plans.get(plan.id)).toBeUndefined();
    expect(m.atOnce.size).toBe(0);
    expect(Object.values(await setAside(m.store)).join()).toMatch(/junk/);
  });
  it('settings too, before they are read', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    const was = await k.readSettings();
    k.noteSettings(was, { ...was, theme: 'night' }, 1);
    k.noteSettings({ ...was, theme: 'night' }, { ...was, theme: 'night', clock: '12' }, 2);
    const again = kitchenOver(memoryOf(m));
    expect(await again.readSettings()).toMatchObject({ theme: 'night', clock: '12' });
    expect(m.atOnce.size).toBe(0);
  });
  it('this tab’s own are left to it while it lives', async () => {
    const m = memory();
    const k = kitchenOver(m.shell);
    await k.replaceAll(demo, NOW);
    k.noteChange('plans', plan, { ...plan, people: 9 }, 1);
    await k.settle();
    expect((await k.plans.get(plan.id))!.people).toBe(plan.people);
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
      items: [{ ingredientId: 'moon dust', grams: 5, stage: 'pot' as const }],
      carveOuts: [],
    };
    const late = { ...plan, id: 'late', serve: { ...plan.serve, at: '9999-01-01T00:00:00Z' } };
    for (const p of [moon, late]) m.map.set(`plans/${p.id}`, JSON.stringify({ v: 4, data: p }));
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

describe('a tab that is killed', () => {
  it('200 kills at random moments lose no event that was noted, and tear no record', async () => {
    const demo = choirSupper(Date.parse('2026-12-11T12:00:00Z'));
    let lost = 0;
    let torn = 0;
    let kills = 0;
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 1, max: 20 }), async (at, taps) => {
        const m = memory();
        const kitchen = kitchenOver(m.shell);
        const cook = { ...demo.cooks[0]!, events: demo.cooks[0]!.events.slice(0, 1) };
        await kitchen.cooks.put(cook);
        // from the operation `at` on nothing comes back any more: the tab is gone
        let operations = 0;
        const dies =
          <A extends unknown[], R>(f: (...a: A) => Promise<R>) =>
          (...a: A): Promise<R> =>
            operations++ >= at ? new Promise<R>(() => undefined) : f(...a);
        const dying = kitchenOver({
          ...m.shell,
          lock: (_n, work) => work(),
          store: { ...m.store, getItem: dies(m.store.getItem), setItem: dies(m.store.setItem) },
        });
        const noted: string[] = [];
        void (async () => {
          for (let i = 0; i < taps; i++) {
            const e: CookEvent = { kind: 'observed', id: `t${i}`, at: '2026-12-11T12:00:01Z', what: 'lumps' };
            // the tap is over when this returns; the record may never be written by this tab
            dying.note(cook.id, [e]);
            noted.push(e.id);
            await dying.settle();
          }
        })();
        await new Promise((ok) => setTimeout(ok, 2));
        kills += 1;
        const opened = kitchenOver(memoryOf(m));
        await opened.settle();
        const again = await opened.cooks.list();
        const kept = again[0]?.events.map((e) => e.id) ?? [];
        if (again.length !== 1) torn += 1;
        lost += noted.filter((id) => !kept.includes(id)).length;
        // in their order, and none twice
        if (new Set(kept).size !== kept.length) torn += 1;
      }),
      { numRuns: 200, seed: 11 },
    );
    expect({ kills, lost, torn }).toEqual({ kills: 200, lost: 0, torn: 0 });
  }, 60_000);
});

/** The same store, opened anew. */
const memoryOf = (m: ReturnType<typeof memory>): Shell => ({ ...m.shell, lock: (_n, work) => work() });
