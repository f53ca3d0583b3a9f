import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { say } from '../core/say';
import { DEFAULT_SETTINGS } from '../core/settings';
import { tell, WAYS } from '.';
import { byRoom, en } from './en';
import { first } from './en/first';
import { formatter } from './format';
import { english } from './english';

const root = path.resolve(__dirname, '..');
const sentences: Readonly<Record<string, string>> = en;

function* sources(dir: string): Generator<string> {
  for (const entry of readdirSync(path.join(root, dir), { withFileTypes: true })) {
    const file = path.join(dir, entry.name);
    if (entry.isDirectory()) yield* sources(file);
    else if (/\.tsx?$/.test(entry.name) && !/\.test\.tsx?$/.test(entry.name)) yield file;
  }
}

type Call = { at: string; by: 'say' | 't'; code: RegExp; figures: string[] | undefined };

/** What may stand in the place of a code: a text, a choice of two, or a text with a part that is filled in. */
function codesOf(node: ts.Expression): RegExp[] {
  const exact = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  if (ts.isStringLiteralLike(node)) return [new RegExp(`^${exact(node.text)}$`)];
  if (ts.isConditionalExpression(node)) return [...codesOf(node.whenTrue), ...codesOf(node.whenFalse)];
  if (ts.isTemplateExpression(node) && node.head.text !== '')
    return [
      new RegExp(
        `^${exact(node.head.text)}${node.templateSpans.map((s) => `[^.]+${exact(s.literal.text)}`).join('')}$`,
      ),
    ];
  return [];
}

/** Every call of `say` and `t` in the code, and every text in it: a table may hold a code too. */
const calls: Call[] = [];
const texts = new Set<string>();
for (const file of ['core', 'storage', 'features', 'ui', 'app', 'words', 'workers'].flatMap((dir) => [
  ...sources(dir),
])) {
  if (file.startsWith('words/en/')) continue;
  const text = readFileSync(path.join(root, file), 'utf8');
  // the rooms have a voice of that name too
  const says = /\bsay\b[^;]*\} from '(?:\.\.?\/)+(?:core\/)?say'/.test(text);
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const visit = (node: ts.Node) => {
    if (ts.isStringLiteralLike(node)) texts.add(node.text);
    const by = ts.isCallExpression(node) ? node.expression.getText() : undefined;
    if (ts.isCallExpression(node) && ((by === 'say' && says) || by === 't') && node.arguments[0]) {
      const given = node.arguments[1];
      const figures =
        given === undefined
          ? []
          : ts.isObjectLiteralExpression(given)
            ? given.properties.map((p) => p.name?.getText() ?? '')
            : undefined;
      const at = `${file}:${source.getLineAndCharacterOfPosition(node.getStart()).line + 1}`;
      for (const code of codesOf(node.arguments[0])) calls.push({ at, by, code, figures });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
}
/** "keep_one" and "keep_other" are the plurals of "keep". */
const bare = (code: string) => code.replace(/_(?:zero|one|two|few|many|other)$/, '');
/** Sentences that stand inside others: "$t(word.{{word}})". */
const nested = Object.values(sentences).flatMap((s) =>
  [...s.matchAll(/\$t\(([^)]*)\)/g)].map((m) => new RegExp(`^${m[1]!.replace(/\{\{\w+\}\}/g, '.+')}$`)),
);

describe('what is said', () => {
  it('has a sentence for every code, with no figure that is not given', () => {
    expect(calls.length).toBeGreaterThan(1000);
    const wrong = calls.flatMap(({ at, code, figures }) => {
      const meant = Object.entries(sentences).filter(([known]) => code.test(bare(known)));
      if (!meant.length) return [`${at}: no sentence for ${code.source}`];
      return meant.flatMap(([known, sentence]) =>
        [...sentence.matchAll(/\{\{(\w+)/g)]
          // of a code that is put together only that it is there is known
          .filter(([, figure]) => figures && !code.source.includes('[^.]+') && !figures.includes(figure!))
          .map(([, figure]) => `${at}: ${known} wants ${figure}`),
      );
    });
    expect(wrong).toEqual([]);
  });
  it('of one room is learnt where it is said', () => {
    const common = new Set(Object.keys(first));
    const ofRooms = Object.keys(sentences).filter((known) => !common.has(known));
    expect(ofRooms.length).toBeGreaterThan(300);
    const learnt = (dir: string) =>
      [...sources(dir)].flatMap((file) =>
        [...readFileSync(path.join(root, file), 'utf8').matchAll(/^learn\((\w+)\);$/gm)].flatMap((m) =>
          Object.keys(byRoom[m[1]!] ?? {}),
        ),
      );
    const wrong = calls
      .filter(({ by, at }) => by === 't' && at.startsWith('features/'))
      .flatMap(({ at, code }) => {
        const here = new Set(learnt(at.split('/').slice(0, 2).join('/')));
        return ofRooms.filter((known) => code.test(bare(known)) && !here.has(known)).map((known) => `${at}: ${known}`);
      });
    expect(wrong).toEqual([]);
  });
  it('has no sentence that nobody says', () => {
    const unsaid = Object.keys(sentences).filter(
      (known) =>
        !texts.has(bare(known)) &&
        !calls.some(({ code }) => code.test(bare(known))) &&
        !nested.some((code) => code.test(bare(known))),
    );
    expect(unsaid).toEqual([]);
  });
  it('writes every figure in a way that there is, and a room writes its figures by the settings itself', () => {
    const waysOf = (sentence: string) => [...sentence.matchAll(/\{\{\w+, (\w+)\}\}/g)].map((m) => m[1]!);
    expect(
      Object.values(sentences)
        .flatMap(waysOf)
        .filter((way) => !(way in WAYS)),
    ).toEqual([]);
    const free = ['whole', 'decimal', 'percent', 'halves', 'quarters'];
    const bound = calls
      .filter(({ by }) => by === 't')
      .flatMap(({ at, code }) =>
        Object.entries(sentences)
          .filter(([known, s]) => code.test(bare(known)) && waysOf(s).some((way) => !free.includes(way)))
          .map(([known]) => `${at}: ${known}`),
      );
    expect(bound).toEqual([]);
  });
});

describe('a sentence', () => {
  it('follows the settings: degrees of the cook’s own scale', () => {
    const said = say('caution.egg', { safeC: 71 });
    expect(english(said)).toContain('guidance for egg is 71 °C.');
    expect(tell(said, formatter({ ...DEFAULT_SETTINGS, temperature: 'F' }))).toContain('guidance for egg is 160 °F.');
    const apart = say('limit.oven', { k: 15 });
    expect(tell(apart, formatter({ ...DEFAULT_SETTINGS, temperature: 'F' }))).toContain('differ by 27°');
  });
  it('has its plural, and the sentence of what it holds', () => {
    expect(english(say('caution.keep', { count: 1 }))).toBe('Keeps about a day in the fridge, covered and dated.');
    expect(english(say('caution.keep', { count: 3 }))).toContain('about 3 days');
    expect(english(say('caution.curdle', { why: say('risk.edge', { edgeC: 92.4 }) }))).toBe(
      'The egg may curdle: the edge reaches 92 °C. Stop lower, stir more, or add starch first.',
    );
  });
});
