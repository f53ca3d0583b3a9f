import path from 'node:path';
import { ovalisServer } from './app';
import { listenerOf } from './listener';

const port = Number(process.env['PORT'] ?? 4173);
if (!Number.isInteger(port) || port < 1 || port > 65535) {
  console.error(`PORT=${process.env['PORT']} is not a port; it should be a number from 1 to 65535`);
  process.exit(2);
}
/** Loopback, unless the one who starts it says otherwise. */
const host = process.env['HOST'] || '127.0.0.1';
const app = ovalisServer(path.resolve(__dirname, '../../dist'), path.join(__dirname, 'pot.worker.js'));
const server = listenerOf(app, (what) => console.warn(what));
server.listen(port, host, () =>
  console.log(`Ovalis is at http://${host === '127.0.0.1' ? 'localhost' : host}:${port}`),
);
server.on('error', (e: NodeJS.ErrnoException) => {
  console.error(
    e.code === 'EADDRINUSE'
      ? `Port ${port} is busy. Stop what runs there, or choose another: PORT=4174 npm run demo`
      : e.message,
  );
  process.exit(1);
});
for (const sign of ['SIGINT', 'SIGTERM'] as const) process.on(sign, () => server.close(() => process.exit(0)));
