import { defineConfig } from '@playwright/test';
import { PORT } from './kitchen';
import { BROWSER } from '../scripts/browser';

const phone = { width: 390, height: 844 };
const wide = { width: 1280, height: 800 };

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  outputDir: '../test-results',
  workers: 2,
  fullyParallel: true,
  // a machine that is shared may stand still for half a minute: these find what hangs, not what is slow
  timeout: 240_000,
  // what fails once on a shared machine is tried once more, and named at the end as unsteady
  retries: 1,
  expect: { timeout: 60_000 },
  reporter: process.env['E2E_JSON'] ? [['line'], ['json', { outputFile: process.env['E2E_JSON'] }]] : 'line',
  use: {
    baseURL: `http://localhost:${PORT}`,
    locale: 'en-GB',
    timezoneId: 'Europe/Lisbon',
    trace: 'off',
    launchOptions: {
      executablePath: BROWSER,
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
  projects: [
    { name: 'phone', use: { viewport: phone, colorScheme: 'light' } },
    { name: 'wide', use: { viewport: wide, colorScheme: 'dark' }, grep: /@both-sizes/ },
  ],
  webServer: {
    command: 'node ../.cache/server/main.js',
    port: PORT,
    env: { PORT: String(PORT) },
    reuseExistingServer: false,
  },
});
