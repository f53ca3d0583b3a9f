import { inner, within } from './local';

const memory = () => {
  const map = new Map<string, string>();
  return {
    map,
    store: {
      get length() {
        return map.size;
      },
      key: (i: number) => [...map.keys()][i] ?? null,
      getItem: (k: string) => map.get(k) ?? null,
      setItem: (k: string, v: string) => void map.set(k, v),
      removeItem: (k: string) => void map.delete(k),
    },
  };
};
/** A page of its own: which kitchen it shows is settled once. */
function page(kept: Readonly<Record<string, string>> = {}) {
  const { map, store } = memory();
  for (const [key, value] of Object.entries(kept)) map.set(key, value);
  jest.resetModules();
  jest.doMock('./local', () => ({ local: () => store, keepLightly: store.setItem }));
  const which = jest.requireActual<typeof import('./which')>('./which');
  return { map, which };
}

describe('which kitchen is open', () => {
  it('none, before the first page was answered; the choir’s for who comes by an address', () => {
    expect(page().which.whichKitchen('/')).toBeUndefined();
    const { map, which } = page();
    expect(which.whichKitchen('/pot')).toBe('choir');
    expect(map.get('ovalis-kitchen')).toBe('choir');
  });
  it('the one that was open last; one’s own where one was kept before there were two', () => {
    expect(page({ 'ovalis-kitchen': 'choir' }).which.whichKitchen('/')).toBe('choir');
    expect(page({ 'ovalis-kept': '1' }).which.whichKitchen('/plan')).toBe('own');
    expect(page({ 'ovalis-kitchen': 'nonsense' }).which.whichKitchen('/')).toBeUndefined();
  });
  it('stays the same for a page while another tab opens the other', () => {
    const { which } = page({ 'ovalis-kitchen': 'own' });
    expect(which.whichKitchen('/plan')).toBe('own');
    which.openKitchen('choir');
    expect(which.whichKitchen('/plan')).toBe('own');
  });
  it('keeps the place and the mark of each apart', () => {
    const { which } = page();
    which.keepPlace('own', '/book');
    which.keepPlace('choir', '/day?date=2026-12-11');
    expect([which.placeKept('own'), which.placeKept('choir')]).toEqual(['/book', '/day?date=2026-12-11']);
    which.nowKept('choir');
    expect([which.everKept('own'), which.everKept('choir')]).toEqual([false, true]);
    expect([which.keyIn('own', 'ovalis'), which.keyIn('choir', 'ovalis')]).toEqual(['ovalis', 'ovalis-choir']);
  });
});

describe('a part of a store', () => {
  it('sees its own keys alone, and writes under its own name', () => {
    const { map, store } = memory();
    const part = within(store, 'choir/');
    store.setItem('other', '1');
    part.setItem('a', 'x');
    part.setItem('b', 'y');
    expect([part.length, part.key(0), part.key(1), part.key(2), part.getItem('other')]).toEqual([
      2,
      'a',
      'b',
      null,
      null,
    ]);
    part.removeItem('a');
    expect([...map]).toEqual([
      ['other', '1'],
      ['choir/b', 'y'],
    ]);
    expect([inner('choir/b', 'choir/'), inner('b', 'choir/'), inner(null, 'choir/')]).toEqual([
      'b',
      undefined,
      undefined,
    ]);
  });
});
