import { parentPort } from 'node:worker_threads';
import { potBook, type PotQuestion } from './pots';

/** The thread of the pots: a numbered question in, its answer or its error out. */
const answer = potBook();
parentPort?.on('message', ({ n, q }: { n: number; q: PotQuestion }) => {
  try {
    parentPort!.postMessage({ n, answer: answer(q) });
  } catch (e) {
    parentPort!.postMessage({ n, error: (e as Error).message });
  }
});
