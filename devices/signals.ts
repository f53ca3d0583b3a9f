import type { Settings } from '../core/settings';
import { notify } from './notices';
import { signal } from './sound';

/** How a due step and an alarm reach a cook who is not looking; each way can be muted. */
export type Ways = Pick<Settings, 'sound' | 'vibrates' | 'flashes' | 'speaks' | 'notifies'>;

/** A voice of the cook's language, if the browser has one. */
export const canSpeak = (): boolean => typeof speechSynthesis !== 'undefined';

/** Says a line now; an older one that is still waiting is dropped. */
export function say(line: string) {
  if (!canSpeak()) return;
  speechSynthesis.cancel();
  const u = new SpeechSynthesisUtterance(line);
  u.lang = 'en';
  u.rate = 1.05;
  speechSynthesis.speak(u);
}

/** @param of what calls: a newer call of it takes the place of the older on a locked screen */
export function call(ways: Ways, line: string, urgent: boolean, of = 'pot') {
  signal(urgent, ways);
  if (ways.speaks) say(line);
  if (ways.notifies === 'yes')
    void notify(line, of, urgent, location.pathname + location.search).catch(() => undefined);
}

const recognition = (): typeof SpeechRecognition | undefined => {
  if (typeof window === 'undefined') return undefined;
  // a browser may have it under its old name only, or not at all
  const w = window as Partial<Pick<Window & typeof globalThis, 'SpeechRecognition' | 'webkitSpeechRecognition'>>;
  return w.SpeechRecognition ?? w.webkitSpeechRecognition;
};
export const canListen = (): boolean => recognition() !== undefined;

/** Words that are understood, and what each does. */
export const WORDS = {
  done: ['done', 'next', 'ready'],
  undo: ['undo', 'take it back'],
  pause: ['pause', 'stop the clock'],
  'go on': ['go on', 'continue'],
  repeat: ['repeat', 'say again', 'what now'],
  quiet: ['quiet', 'be quiet', 'hush'],
  lumps: ['lumps'],
  stir: ['stirred'],
} as const;
export type Word = keyof typeof WORDS;

/** The last word of a phrase that is one of ours. */
function wordIn(phrase: string): Word | undefined {
  const said = ` ${phrase.toLowerCase().replace(/[^a-z ]/g, ' ')} `;
  let best: { word: Word; at: number } | undefined;
  for (const [word, forms] of Object.entries(WORDS) as [Word, readonly string[]][])
    for (const form of forms) {
      const at = said.lastIndexOf(` ${form} `);
      if (at >= 0 && (!best || at > best.at)) best = { word, at };
    }
  return best?.word;
}

/** ms before it listens again: at once where it only stopped, longer each time that it could not hear at all. */
const AGAIN_MS = 250;
const MOST_AGAIN_MS = 60_000;

/** Listens until the returned function is called; starts again, after a pause, when the browser stops by itself. */
export function listen(onWord: (word: Word) => void, onRefused: () => void): () => void {
  const Make = recognition();
  if (!Make) {
    onRefused();
    return () => undefined;
  }
  let on = true;
  let failures = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const r = new Make();
  r.continuous = true;
  r.interimResults = false;
  r.lang = 'en';
  r.addEventListener('result', ({ results, resultIndex }) => {
    failures = 0;
    const word = wordIn(results[resultIndex]?.[0]?.transcript ?? '');
    if (word) onWord(word);
  });
  r.addEventListener('error', ({ error }) => {
    if (['not-allowed', 'service-not-allowed', 'audio-capture'].includes(error)) {
      on = false;
      onRefused();
    } else if (error !== 'no-speech') failures += 1;
  });
  const start = () => {
    try {
      r.start();
    } catch {
      // it has begun already
    }
  };
  r.addEventListener('end', () => {
    clearTimeout(timer);
    if (on) timer = setTimeout(start, Math.min(MOST_AGAIN_MS, AGAIN_MS * 2 ** failures));
  });
  start();
  return () => {
    on = false;
    clearTimeout(timer);
    r.stop();
  };
}
