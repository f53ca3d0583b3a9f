// npm test: every check, from a fresh clone. Ends with one line: N passed, N failed.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { bin, ensureBuilt, ensureInstalled, quietEnv, root, run } from './lib.mjs';

let passed = 0;
let failed = 0;

function check(name, result) {
  if (result.ok) passed += 1;
  else {
    failed += 1;
    console.log(result.out);
  }
  console.log(`${result.ok ? 'ok    ' : 'FAILED'} ${name}`);
}

function ensureChromium() {
  if (existsSync('/usr/bin/chromium')) return { ok: true, out: '' };
  console.log('Installing Chromium …');
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    return run(command, rest, { quiet: true, env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } });
  };
  apt('update');
  return apt('install', '-y', '--no-install-recommends', 'chromium');
}

function jest() {
  const out = path.join(root, '.cache/jest.json');
  rmSync(out, { force: true });
  const r = run(bin('jest'), ['--json', `--outputFile=${out}`, '--silent'], { quiet: true });
  if (!existsSync(out)) return check('unit tests', r);
  const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(readFileSync(out, 'utf8'));
  if (!r.ok) console.log(r.out);
  passed += numPassedTests;
  failed += numFailedTests + numRuntimeErrorTestSuites;
  console.log(`${r.ok ? 'ok    ' : 'FAILED'} unit tests (${numPassedTests})`);
}

function browser() {
  const out = path.join(root, '.cache/e2e.json');
  rmSync(out, { force: true });
  const r = run(bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts'], {
    quiet: true,
    env: { ...quietEnv, E2E_JSON: out },
  });
  if (!existsSync(out)) return check('browser tests', r);
  const { stats } = JSON.parse(readFileSync(out, 'utf8'));
  if (!r.ok) console.log(r.out.slice(-20000));
  passed += stats.expected + stats.flaky;
  failed += stats.unexpected;
  console.log(
    `${r.ok ? 'ok    ' : 'FAILED'} browser tests (${stats.expected + stats.flaky}, each at its sizes and themes)`,
  );
}

ensureInstalled();
mkdirSync(path.join(root, '.cache'), { recursive: true });
check('Chromium', ensureChromium());
check('type check', run(bin('tsc'), ['--noEmit', '-p', '.'], { quiet: true }));
check(
  'lint',
  run(bin('eslint'), ['.', '--cache', '--cache-location', '.cache/eslint', '--max-warnings', '0'], { quiet: true }),
);
const folders = ['app', 'core', 'features', 'ui', 'storage', 'workers', 'devices', 'server', 'cli'];
check(
  'arrows between folders',
  run(bin('depcruise'), [...folders, '--config', '.dependency-cruiser.cjs'], { quiet: true }),
);
check('format', run(bin('prettier'), ['--check', '.', '--log-level', 'warn'], { quiet: true }));
jest();
const built = ensureBuilt();
check('build', built);
if (built.ok) browser();
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
