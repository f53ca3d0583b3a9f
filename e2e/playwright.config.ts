import { defineConfig } from '@playwright/test';

const port = Number(process.env['E2E_PORT'] ?? 4183);
const phone = { width: 390, height: 844 };
const wide = { width: 1280, height: 800 };
/** Every path at both sizes and in both themes; what does not depend on them once: see the tags in kitchen.ts. */
const looks = [
  { name: 'phone day', viewport: phone, colorScheme: 'light' as const },
  { name: 'phone night', viewport: phone, colorScheme: 'dark' as const },
  { name: 'wide day', viewport: wide, colorScheme: 'light' as const },
  { name: 'wide night', viewport: wide, colorScheme: 'dark' as const },
];

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  outputDir: '../test-results',
  workers: 2,
  fullyParallel: true,
  timeout: 60_000,
  retries: 0,
  expect: { timeout: 15_000 },
  reporter: process.env['E2E_JSON'] ? [['line'], ['json', { outputFile: process.env['E2E_JSON'] }]] : 'line',
  use: {
    baseURL: `http://localhost:${port}`,
    locale: 'en-GB',
    timezoneId: 'Europe/Lisbon',
    trace: 'off',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  projects: looks.map(({ name, ...use }) => ({
    name,
    use,
    // not the other looks of what is tested in one
    grepInvert: name === 'phone day' ? [] : name.endsWith('day') ? /@once(?!-)/ : /@once/,
  })),
  webServer: {
    command: 'node ../.cache/server/main.js',
    port,
    env: { PORT: String(port) },
    reuseExistingServer: false,
  },
});
