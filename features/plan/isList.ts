/** What is typed is a list, and not a name that is looked for: it holds an amount or a second line. */
export const isList = (text: string): boolean =>
  /\d|[½¼¾⅓⅔]|\n|\bto taste\b|\b(?:a|an|half|two|three) \w+ \w/i.test(text);
