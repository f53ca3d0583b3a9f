import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { PotQuestion } from './pots';
import { potThread, TooLong } from './thread';

/** A thread in which the pot called "bad" is never reckoned to its end, and "breaks" ends the thread. */
const file = path.join(mkdtempSync(path.join(tmpdir(), 'ovalis-thread-')), 'worker.js');
writeFileSync(
  file,
  `const { parentPort } = require('node:worker_threads');
   const pots = new Set();
   parentPort.on('message', ({ n, q }) => {
     const id = q.ask === 'put' ? q.cook.id : q.id;
     if (id === 'bad') for (;;);
     if (id === 'breaks') process.exit(1);
     if (q.ask === 'put') pots.add(id);
     parentPort.postMessage({ n, answer: pots.has(id) ? [{ device: 'probe', atMs: pots.size, tempC: 20 }] : [] });
   });`,
);
const LIMIT_MS = 400;
const put = (id: string) => ({ ask: 'put', cook: { id }, faults: [] }) as unknown as PotQuestion;
const read = (id: string): PotQuestion => ({ ask: 'read', id, atMs: 0 });

describe('the thread of the pots', () => {
  it.each(['bad', 'breaks'])(
    'a pot that is %s is given up, and no other is refused or waits for it twice',
    async (id) => {
      const kept = new Set(['one', 'two', id]);
      const thread = potThread(file, (k) => (kept.has(k) ? put(k) : undefined), LIMIT_MS);
      await thread.ask(put('one'));
      await thread.ask(put('two'));
      await expect(thread.ask(put(id))).rejects.toThrow(TooLong);
      const fromMs = Date.now();
      // it is still kept: those that come after it are answered all the same, from a new thread that is told of them alone
      expect(await thread.ask(read('one'))).toEqual([{ device: 'probe', atMs: 1, tempC: 20 }]);
      expect(await thread.ask(put('three'))).toHaveLength(1);
      expect(await thread.ask(read('two'))).toHaveLength(1);
      expect(Date.now() - fromMs).toBeLessThan(LIMIT_MS);
      await thread.close();
    },
  );
  it('that ended while nobody asked is begun again', async () => {
    const thread = potThread(file, put, LIMIT_MS);
    await thread.ask(put('one'));
    await thread.close();
    expect(await thread.ask(read('one'))).toHaveLength(1);
    await thread.close();
  });
});
