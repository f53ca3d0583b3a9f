import { existsSync } from 'node:fs';

const SHELL = '/usr/bin/chromium-headless-shell';

/** Debian's Chromium without a window: the same engine with a fifth less to do; the whole one where it is not installed. */
export const BROWSER = existsSync(SHELL) ? SHELL : '/usr/bin/chromium';
