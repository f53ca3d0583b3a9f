// npm run demo: from a fresh clone to the running app with the choir supper in it.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { ensureBuilt, ensureInstalled, root } from './lib.mjs';

ensureInstalled();
const built = ensureBuilt();
if (!built.ok) {
  console.error(built.out);
  process.exit(1);
}
const server = spawn(process.execPath, [path.join(root, '.cache/server/main.js')], {
  stdio: 'inherit',
  env: process.env,
});
for (const sign of ['SIGINT', 'SIGTERM']) process.on(sign, () => server.kill(sign));
server.on('exit', (code) => process.exit(code ?? 0));
