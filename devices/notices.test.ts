import { badge, mayNotify, notify } from './notices';

type Shown = [title: string, options: Record<string, unknown>];

/** A browser with a page that is looked at or not, and what it was asked to show. */
function browser(o: { hidden: boolean; permission?: string; worker?: boolean }) {
  const shown: Shown[] = [];
  const closed: string[] = [];
  const heard: (() => void)[] = [];
  const badges: (number | 'none')[] = [];
  const worker = {
    showNotification: (...s: Shown) => Promise.resolve(void shown.push(s)),
    getNotifications: () => Promise.resolve([{ close: () => closed.push('one') }]),
  };
  const set = (name: string, value: unknown) =>
    Object.defineProperty(globalThis, name, { value, configurable: true, writable: true });
  set('Notification', o.permission === undefined ? undefined : { permission: o.permission });
  set('document', { hidden: o.hidden, addEventListener: (_name: string, f: () => void) => heard.push(f) });
  set('navigator', {
    ...(o.worker === false ? {} : { serviceWorker: { getRegistration: () => Promise.resolve(worker) } }),
    setAppBadge: (n: number) => Promise.resolve(void badges.push(n)),
    clearAppBadge: () => Promise.resolve(void badges.push('none')),
  });
  return { shown, closed, heard, badges };
}

describe('a notice over other apps', () => {
  it('is shown while the page is not, with the line, one a pot, and where it leads', async () => {
    const b = browser({ hidden: true, permission: 'granted' });
    await notify('About to climb. Ring down and stir.', 'Vanilla', true, '/pot?cook=1');
    expect(b.shown).toHaveLength(1);
    const [title, options] = b.shown[0]!;
    expect(title).toBe('About to climb.');
    expect(options).toMatchObject({
      body: 'Ring down and stir.',
      tag: 'Vanilla',
      requireInteraction: true,
      renotify: true,
      data: { address: '/pot?cook=1' },
    });
  });
  it('is taken away once somebody looks', async () => {
    const b = browser({ hidden: true, permission: 'granted' });
    await notify('Soon.', 'pot', false, '/pot');
    b.heard.forEach((f) => f());
    await new Promise((ok) => setTimeout(ok, 0));
    expect(b.closed).toEqual(['one']);
  });
  it('is not shown to who looks, or who said no', async () => {
    for (const o of [
      { hidden: false, permission: 'granted' },
      { hidden: true, permission: 'denied' },
      { hidden: true, permission: 'default' },
    ]) {
      const b = browser(o);
      await notify('Soon.', 'pot', false, '/pot');
      expect(b.shown).toEqual([]);
    }
  });
  it('says what the browser can', () => {
    const can = (o: Parameters<typeof browser>[0]) => (browser(o), mayNotify());
    expect(can({ hidden: true, permission: 'default' })).toBe('not asked');
    expect(can({ hidden: true, permission: 'granted' })).toBe('yes');
    expect(can({ hidden: true, permission: 'denied' })).toBe('none');
    expect(can({ hidden: true })).toBe('none');
    expect(can({ hidden: true, permission: 'granted', worker: false })).toBe('none');
  });
});

describe('the figure on the icon', () => {
  it('is whole minutes, and goes', () => {
    const b = browser({ hidden: true });
    [2.2, 0, 400].forEach(badge);
    expect(b.badges).toEqual([3, 'none', 99]);
  });
});
