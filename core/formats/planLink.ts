import type { Plan } from '../plan/plan';
import type { Parsed } from './issues';
import { readPlanFile } from './planFile';
import { say } from '../say';

/** A plan in the part of an address that never leaves the browser: behind the "#", packed and written in letters. */

const MARK = 'plan=';
/** Letters of a link that is still worth opening, and bytes that may come out of it. */
const MOST_LETTERS = 200_000;
const MOST_BYTES = 1_000_000;

/** Puts bytes through a packer. @throws RangeError when more than MOST_BYTES come out, TypeError when it is no packed text */
async function through(
  bytes: Uint8Array<ArrayBuffer>,
  packer: GenericTransformStream,
): Promise<Uint8Array<ArrayBuffer>> {
  const out: Uint8Array[] = [];
  let length = 0;
  const reader = (new Blob([bytes]).stream().pipeThrough(packer) as ReadableStream<Uint8Array>).getReader();
  for (let part = await reader.read(); !part.done; part = await reader.read()) {
    length += part.value.length;
    if (length > MOST_BYTES) {
      await reader.cancel();
      throw new RangeError('too much');
    }
    out.push(part.value);
  }
  const whole = new Uint8Array(length);
  let at = 0;
  for (const part of out) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

const letters = (bytes: Uint8Array): string =>
  btoa(Array.from(bytes, (b) => String.fromCharCode(b)).join(''))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '');
const bytesOf = (text: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (c) => c.charCodeAt(0));

/** @returns the fragment of a link, with its "#" */
export async function planFragment(plan: Plan): Promise<string> {
  const packed = await through(new TextEncoder().encode(JSON.stringify(plan)), new CompressionStream('deflate-raw'));
  return `#${MARK}${letters(packed)}`;
}

/** The plan of such a fragment, looked at as a file is. Never throws. */
export async function planOfFragment(fragment: string): Promise<Parsed<Plan>> {
  const broken = { ok: false as const, issues: [{ path: '#', message: say('issue.noPlanInTheLink') }] };
  const text = fragment.replace(/^#/, '');
  if (!text.startsWith(MARK) || text.length > MOST_LETTERS) return broken;
  try {
    const bytes = await through(bytesOf(text.slice(MARK.length)), new DecompressionStream('deflate-raw'));
    return readPlanFile(new TextDecoder().decode(bytes));
  } catch {
    return broken;
  }
}
