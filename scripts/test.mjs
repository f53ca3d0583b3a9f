// npm test: every check, from a fresh clone. npm test -- quick: what a change in hand needs, in under two minutes.
// Ends with one line: N passed, N failed.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { bin, ensureInstalled, quietEnv, root, run } from './lib.mjs';

const quick = process.argv.includes('quick');
let passed = 0;
let failed = 0;

const took = (fromMs) => {
  const s = Math.round((Date.now() - fromMs) / 1000);
  return s < 60 ? `${s} s` : `${Math.floor(s / 60)} min ${s % 60} s`;
};

function told(name, { ok, out = '' }, fromMs, counts = { passed: ok ? 1 : 0, failed: ok ? 0 : 1 }) {
  passed += counts.passed;
  failed += counts.failed;
  if (!ok) console.log(out.slice(-40000));
  console.log(`${ok ? 'ok    ' : 'FAILED'} ${name}, ${took(fromMs)}`);
}

/** A command beside others, its output kept for when it fails. */
const beside = (command, args, env = quietEnv) =>
  new Promise((done) => {
    const child = spawn(command, args, { cwd: root, env });
    let out = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (out += text));
    child.on('close', (code) => done({ ok: code === 0, out }));
    child.on('error', (e) => done({ ok: false, out: e.message }));
  });

async function check(name, command, args) {
  const from = Date.now();
  told(name, await beside(command, args), from);
}

function ensureChromium() {
  if (existsSync('/usr/bin/chromium-headless-shell')) return { ok: true };
  console.log('Installing Chromium …');
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    return run(command, rest, { quiet: true, env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } });
  };
  apt('update');
  const installed = apt('install', '-y', '--no-install-recommends', 'chromium-headless-shell');
  return { ...installed, ok: installed.ok || existsSync('/usr/bin/chromium') };
}

async function build() {
  const from = Date.now();
  const built = await beside(process.execPath, ['scripts/build.mjs']);
  told('build', built, from);
  return built.ok;
}

async function read() {
  await check('type check', bin('tsc'), ['--noEmit', '-p', '.']);
  await check('lint', bin('eslint'), ['.', '--cache', '--cache-location', '.cache/eslint', '--max-warnings', '0']);
  if (quick) return;
  const folders = ['app', 'core', 'words', 'features', 'ui', 'storage', 'workers', 'devices', 'server', 'cli'].filter(
    (f) => existsSync(path.join(root, f)),
  );
  await check('arrows between folders', bin('depcruise'), [...folders, '--config', '.dependency-cruiser.cjs']);
  await check('format', bin('prettier'), [
    '--check',
    '.',
    '--log-level',
    'warn',
    '--cache',
    '--cache-location',
    '.cache/prettier',
  ]);
}

async function units(args = []) {
  const from = Date.now();
  const file = path.join(root, '.cache/jest.json');
  rmSync(file, { force: true });
  const r = await beside(bin('jest'), ['--json', `--outputFile=${file}`, '--silent', '--passWithNoTests', ...args]);
  if (!existsSync(file)) return told('unit tests', { ...r, ok: false }, from);
  const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(readFileSync(file, 'utf8'));
  told(`unit tests (${numPassedTests})`, r, from, {
    passed: numPassedTests,
    failed: r.ok ? 0 : Math.max(1, numFailedTests + numRuntimeErrorTestSuites),
  });
}

/** Titles of what failed and then passed. */
const unsteady = (suites) =>
  suites.flatMap((s) => [
    ...(s.specs ?? []).filter((x) => x.tests.some((t) => t.status === 'flaky')).map((x) => `${x.file}: ${x.title}`),
    ...unsteady(s.suites ?? []),
  ]);

async function browser(args = []) {
  const from = Date.now();
  const file = path.join(root, '.cache/e2e.json');
  rmSync(file, { force: true });
  const r = await beside(bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts', ...args], {
    ...quietEnv,
    E2E_JSON: file,
  });
  if (!existsSync(file)) return told('browser tests', { ...r, ok: false }, from);
  const { stats, suites } = JSON.parse(readFileSync(file, 'utf8'));
  for (const title of unsteady(suites)) console.log(`UNSTEADY, passed the second time: ${title}`);
  const good = stats.expected + stats.flaky;
  // a run that could not even begin has failed too
  told(`browser tests (${good})`, r, from, { passed: good, failed: r.ok ? 0 : Math.max(1, stats.unexpected) });
}

const start = Date.now();
ensureInstalled();
mkdirSync(path.join(root, '.cache'), { recursive: true });
told('Chromium', ensureChromium(), start);
if (quick) {
  const [built] = await Promise.all([build(), read()]);
  await Promise.all([
    units(['--onlyChanged']),
    ...(built ? [browser(['--project=phone', 'path', '-g', 'find it in the book'])] : []),
  ]);
} else {
  const [built] = await Promise.all([build(), read()]);
  await units();
  if (built) await browser();
}
console.log(`all of it in ${took(start)}`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
