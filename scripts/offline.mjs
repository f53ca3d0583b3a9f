// Writes the service worker over the export: after one visit the app opens without any network.
import path from 'node:path';
import { generateSW } from 'workbox-build';

const dist = path.resolve(import.meta.dirname, '../dist');
await generateSW({
  globDirectory: dist,
  globPatterns: ['**/*.{html,js,css,woff2,svg,png,ico,webmanifest}', 'choir.json'],
  globIgnores: ['_sitemap.html', 'notices.js'],
  // a tap on a notice
  importScripts: ['/notices.js'],
  swDest: path.join(dist, 'sw.js'),
  inlineWorkboxRuntime: true,
  sourcemap: false,
  cleanupOutdatedCaches: true,
  skipWaiting: false,
  dontCacheBustURLsMatching: /^(_expo\/static|assets)\//,
  maximumFileSizeToCacheInBytes: 5 * 1024 * 1024,
  // an address is its page, whatever follows it
  ignoreURLParametersMatching: [/.*/],
  navigateFallback: '/+not-found.html',
  navigateFallbackDenylist: [/^\/(healthz|kitchens)/],
});
