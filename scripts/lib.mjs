// What the two commands share: install and build only when something changed. Node's own modules only.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';

export const root = path.resolve(import.meta.dirname, '..');
const cache = path.join(root, '.cache');
export const quietEnv = { ...process.env, EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', CI: '1' };

/** Runs a command in the project; `quiet` keeps its output for when it fails. */
export function run(command, args, { quiet = false, env = quietEnv } = {}) {
  const r = spawnSync(command, args, {
    cwd: root,
    env,
    encoding: 'utf8',
    stdio: quiet ? 'pipe' : 'inherit',
    maxBuffer: 1 << 28,
  });
  return { ok: r.status === 0, out: `${r.stdout ?? ''}${r.stderr ?? ''}` };
}

export const bin = (name) => path.join(root, 'node_modules/.bin', name);

function stampIs(name, value) {
  const file = path.join(cache, name);
  return existsSync(file) && readFileSync(file, 'utf8') === value;
}
function stamp(name, value) {
  mkdirSync(cache, { recursive: true });
  writeFileSync(path.join(cache, name), value);
}

/** Installs from the lock file unless this very lock file is installed already. */
export function ensureInstalled() {
  const lock = createHash('sha256')
    .update(readFileSync(path.join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(path.join(root, 'node_modules/.bin/expo')) && stampIs('installed', lock)) return;
  console.log('Installing packages (a minute or two the first time) …');
  const r = run('npm', ['ci', '--no-audit', '--no-fund'], { quiet: true });
  if (!r.ok) {
    console.error(r.out);
    throw new Error('npm ci failed');
  }
  stamp('installed', lock);
}

function* walk(dir) {
  for (const entry of readdirSync(path.join(root, dir), { withFileTypes: true })) {
    const rel = path.join(dir, entry.name);
    if (entry.isDirectory()) yield* walk(rel);
    else yield rel;
  }
}

function sourceHash() {
  const hash = createHash('sha256');
  const folders = [
    'app',
    'core',
    'words',
    'features',
    'storage',
    'ui',
    'workers',
    'devices',
    'server',
    'scripts',
    'public',
  ].filter((d) => existsSync(path.join(root, d)));
  const files = folders
    .flatMap((d) => [...walk(d)])
    .filter((f) => !f.startsWith(path.join('public', 'fonts')) && !/\.test\.tsx?$/.test(f));
  for (const f of [
    ...files.sort(),
    'package-lock.json',
    'app.json',
    'babel.config.js',
    'metro.config.js',
    'tailwind.config.js',
    'tsconfig.json',
  ]) {
    hash.update(f).update(readFileSync(path.join(root, f)));
  }
  return hash.digest('hex');
}

/** Exports the web app and bundles the server unless the sources are as they were. */
export function ensureBuilt() {
  const hash = sourceHash();
  const page = path.join(root, 'dist/index.html');
  if (existsSync(page) && statSync(page).size > 0 && stampIs('built', hash)) return { ok: true, out: '', cached: true };
  console.log('Building the app …');
  const steps = [
    [process.execPath, ['scripts/fonts.mjs']],
    [process.execPath, ['node_modules/expo/bin/cli', 'export', '-p', 'web', '--output-dir', 'dist']],
    [
      bin('esbuild'),
      [
        'server/main.ts',
        'server/pot.worker.ts',
        '--bundle',
        '--platform=node',
        '--packages=external',
        '--outdir=.cache/server',
        '--log-level=warning',
      ],
    ],
    [bin('tsx'), ['scripts/choir.ts']],
    [process.execPath, ['scripts/inline.mjs']],
    [process.execPath, ['scripts/offline.mjs']],
  ];
  for (const [command, args] of steps) {
    const r = run(command, args, { quiet: true });
    if (!r.ok) return { ...r, cached: false };
  }
  stamp('built', hash);
  return { ok: true, out: '', cached: false };
}
