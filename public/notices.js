// In the service worker: a tap on a notice brings the pot to the front that called.
self.addEventListener('notificationclick', (event) => {
  event.notification.close();
  const address = event.notification.data?.address ?? '/';
  event.waitUntil(
    self.clients.matchAll({ type: 'window', includeUncontrolled: true }).then((pages) => {
      const there = pages.find((page) => new URL(page.url).pathname === new URL(address, self.location.origin).pathname) ?? pages[0];
      return there ? there.focus() : self.clients.openWindow(address);
    }),
  );
});
