const ACCENTS: Readonly<Record<string, string>> = {
  a: 'á',
  e: 'é',
  i: 'í',
  o: 'ó',
  u: 'ú',
  y: 'ý',
  c: 'ç',
  n: 'ñ',
  s: 'š',
  A: 'Á',
  E: 'É',
  I: 'Í',
  O: 'Ó',
  U: 'Ú',
  C: 'Ç',
  N: 'Ñ',
  S: 'Š',
};

/** One sentence: accents on its letters, a third longer, its figures and what it holds of others left alone. */
function pseudoOf(sentence: string): string {
  const parts = sentence.split(/(\{\{[^}]*\}\}|\$t\([^)]*\))/);
  const letters = sentence.replace(/\{\{[^}]*\}\}|\$t\([^)]*\)/g, '').match(/\p{L}/gu)?.length ?? 0;
  if (!letters) return sentence;
  const accented = parts.map((part, i) =>
    i % 2 ? part : [...part].map((letter) => ACCENTS[letter] ?? letter).join(''),
  );
  return `${accented.join('')} ${'ø'.repeat(Math.max(1, Math.round(letters / 3)))}`;
}

/** A whole book of sentences so, for looking at the rooms. */
export const pseudo = (sentences: Readonly<Record<string, string>>): Record<string, string> =>
  Object.fromEntries(Object.entries(sentences).map(([code, sentence]) => [code, pseudoOf(sentence)]));
