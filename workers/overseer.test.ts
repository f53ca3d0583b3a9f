import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { overseer, WorkerGone, type Hired } from './overseer';

/** Workers that answer, hang or die as told. */
function stage(...lives: ('answers' | 'hangs' | 'dies')[]) {
  let n = 0;
  let ended = 0;
  let stopped = false;
  let kill: (why: string) => void = () => undefined;
  const hire = (): Hired<() => Promise<number>> => {
    const life = stopped ? 'answers' : lives[Math.min(n, lives.length - 1)]!;
    const mine = ++n;
    let die: (why: string) => void = () => undefined;
    const died = new Promise<string>((ok) => (die = ok));
    kill = (why) => die(why);
    return {
      died,
      end: () => {
        ended += 1;
        die('ended');
      },
      hand: () => {
        if (life === 'dies') die('broke');
        return life === 'answers' ? Promise.resolve(mine) : new Promise(() => undefined);
      },
    };
  };
  const o = overseer(
    hire,
    (hand) => hand(),
    () => new Promise((ok) => setTimeout(ok, 5)),
  );
  const said: string[] = [];
  o.listen(() => said.push(o.health()));
  const until = async (health: string) => {
    while (o.health() !== health) await new Promise((ok) => setTimeout(ok, 2));
  };
  return {
    o,
    said,
    until,
    hired: () => n,
    ended: () => ended,
    stop: () => (stopped = true),
    kill: () => kill('ended elsewhere'),
  };
}

describe('a worker that is watched', () => {
  it('is hired once and answers', async () => {
    const s = stage('answers');
    expect([await s.o.use((h) => h()), await s.o.use((h) => h())]).toEqual([1, 1]);
    expect([s.hired(), s.o.health()]).toEqual([1, 'well']);
  });
  it('that dies under a question is said, begun again, and the question asked once more', async () => {
    const s = stage('dies', 'answers');
    expect(await s.o.use((h) => h())).toBe(2);
    expect(s.said).toEqual(['begun again', 'well']);
  });
  it('that hangs is ended when its time is over, and the question asked once more', async () => {
    const s = stage('hangs', 'answers');
    expect(await s.o.use((h) => h(), 20)).toBe(2);
    expect([s.ended(), s.o.health()]).toEqual([1, 'well']);
  });
  it('that never lives is said to be gone, and a question fails in place of waiting for ever', async () => {
    const s = stage('dies');
    await expect(s.o.use((h) => h())).rejects.toThrow(WorkerGone);
    expect(s.o.health()).toBe('gone');
    await expect(s.o.use((h) => h())).rejects.toThrow(WorkerGone);
    s.stop();
  });
  it('that dies while nobody asks is noticed at once, and a new one greeted', async () => {
    const s = stage('answers');
    await s.o.use((h) => h());
    s.kill();
    await s.until('begun again');
    await s.until('well');
    expect(s.hired()).toBe(2);
  });
  it('comes back by itself once it lives', async () => {
    const s = stage('dies', 'dies', 'answers');
    await expect(s.o.use((h) => h())).rejects.toThrow(WorkerGone);
    await s.until('well');
    expect(s.said).toEqual(['begun again', 'gone', 'well']);
  });
  it('an error that the model itself throws is the answer, and nobody is hired anew for it', async () => {
    const s = stage('answers');
    await expect(s.o.use(() => Promise.reject(new RangeError('no liquid')))).rejects.toThrow('no liquid');
    expect([s.hired(), s.o.health()]).toEqual([1, 'well']);
  });
  it('that works for nobody any more is ended, without a death; who else waits is answered by the next', async () => {
    const s = stage('hangs', 'answers');
    const over = new AbortController();
    const asked = s.o.use((h) => h(), 10_000, over.signal);
    const beside = s.o.use((h) => h(), 10_000);
    await new Promise((ok) => setTimeout(ok, 5));
    over.abort(new Error('the cook went on'));
    await expect(asked).rejects.toThrow('the cook went on');
    expect(await beside).toBe(2);
    expect([s.hired(), s.o.health(), s.said]).toEqual([2, 'well', []]);
  });
  it('that rests is ended, and another one hired for the next question', async () => {
    const s = stage('answers');
    expect(await s.o.use((h) => h())).toBe(1);
    s.o.rest();
    expect([await s.o.use((h) => h()), s.ended(), s.o.health()]).toEqual([2, 1, 'well']);
  });
  it('keeps none of its answers: after many of them there is no more in memory than after a few', async () => {
    setFlagsFromString('--expose_gc');
    const gc = runInNewContext('gc') as () => void;
    const o = overseer(
      () => ({
        hand: (n: number) => Promise.resolve(new Array(2000).fill(n)),
        died: new Promise(() => undefined),
        end: () => undefined,
      }),
      (hand) => hand(0),
    );
    const heapMb = async (answers: number) => {
      for (let n = 0; n < answers; n++) await o.use((hand) => hand(n));
      gc();
      return process.memoryUsage().heapUsed / 1e6;
    };
    const few = await heapMb(200);
    // 16 kB each: 64 MB, were they kept
    expect((await heapMb(4000)) - few).toBeLessThan(4);
  });
});
