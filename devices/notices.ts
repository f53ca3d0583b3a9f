/** Notices of the system: for a cook whose phone is locked or shows another app. */

/** What the browser lets us do; `none` where it has no notices, or the cook said no. */
type MayNotify = 'yes' | 'not asked' | 'none';

export function mayNotify(): MayNotify {
  if (typeof Notification === 'undefined' || !navigator.serviceWorker) return 'none';
  return { granted: 'yes', default: 'not asked', denied: 'none' }[Notification.permission] as MayNotify;
}

/** Asks the cook, once; from a tap only. */
export const askToNotify = async (): Promise<boolean> => (await Notification.requestPermission()) === 'granted';

/**
 * Shows a line over whatever else is on the screen, while this page is not. One tag is one notice: a newer line takes the
 * older one's place and is felt again.
 * @param address where a tap on it leads
 */
export async function notify(line: string, tag: string, urgent: boolean, address: string): Promise<void> {
  if (!document.hidden || mayNotify() !== 'yes') return;
  document.addEventListener('visibilitychange', () => void unnotify(), { once: true });
  const worker = await navigator.serviceWorker.getRegistration();
  const [title, ...rest] = line.split(/(?<=[.!?]) /);
  await worker?.showNotification(title!, {
    body: rest.join(' '),
    tag,
    requireInteraction: urgent,
    icon: '/icons/any-192.png',
    data: { address },
    ...({ renotify: true, vibrate: urgent ? [200, 100, 200, 100, 200] : [160, 80, 160] } as object),
  });
}

/** Takes away what was shown, once the page is looked at. */
async function unnotify(): Promise<void> {
  const worker = await navigator.serviceWorker.getRegistration();
  for (const shown of (await worker?.getNotifications()) ?? []) shown.close();
}

/** The figure on the app's icon, where there is one: minutes left; 0 takes it off. */
export function badge(minutes: number): void {
  const done = minutes > 0 ? navigator.setAppBadge?.(Math.min(99, Math.ceil(minutes))) : navigator.clearAppBadge?.();
  void done?.catch(() => undefined);
}
