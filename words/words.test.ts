import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { say } from '../core/say';
import { DEFAULT_SETTINGS } from '../core/settings';
import { tell, WAYS } from '.';
import { en } from './en';
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

type Call = { at: string; code: RegExp; figures: string[] | undefined };

/** What may stand in the place of a code: a text, a choice of two, or a text with a part that is filled in. */
function codesOf(node: ts.Expression): RegExp[] {
  const exact = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  if (ts.isStringLiteralLike(node)) return [new RegExp(`^${exact(node.text)}$`)];
  if (ts.isConditionalExpression(node)) return [...codesOf(node.whenTrue), ...codesOf(node.whenFalse)];
  if (ts.isTemplateExpression(node))
    return [
      new RegExp(`^${exact(node.head.text)}${node.templateSpans.map((s) => `.+${exact(s.literal.text)}`).join('')}$`),
    ];
  return [];
}

/** Every call of `say` in the code. */
const calls: Call[] = ['core', 'features']
  .flatMap((dir) => [...sources(dir)])
  .flatMap((file) => {
    const found: Call[] = [];
    const text = readFileSync(path.join(root, file), 'utf8');
    // the rooms have a voice of that name too
    if (!/\bsay\b[^;]*\} from '(?:\.\.?\/)+(?:core\/)?say'/.test(text)) return found;
    const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
    const visit = (node: ts.Node) => {
      if (ts.isCallExpression(node) && node.expression.getText() === 'say' && node.arguments[0]) {
        const given = node.arguments[1];
        const figures =
          given === undefined
            ? []
            : ts.isObjectLiteralExpression(given)
              ? given.properties.map((p) => p.name?.getText() ?? '')
              : undefined;
        for (const code of codesOf(node.arguments[0]))
          found.push({
            at: `${file}:${source.getLineAndCharacterOfPosition(node.getStart()).line + 1}`,
            code,
            figures,
          });
      }
      ts.forEachChild(node, visit);
    };
    visit(source);
    return found;
  });
/** "keep_one" and "keep_other" are the plurals of "keep". */
const bare = (code: string) => code.replace(/_(?:zero|one|two|few|many|other)$/, '');

describe('what core says', () => {
  it('has a sentence for every code, with no figure that is not given', () => {
    expect(calls.length).toBeGreaterThan(100);
    const wrong = calls.flatMap(({ at, code, figures }) => {
      const meant = Object.entries(sentences).filter(([known]) => code.test(bare(known)));
      if (!meant.length) return [`${at}: no sentence for ${code.source}`];
      return meant.flatMap(([known, sentence]) =>
        [...sentence.matchAll(/\{\{(\w+)/g)]
          .filter(([, figure]) => figures && !figures.includes(figure!))
          .map(([, figure]) => `${at}: ${known} wants ${figure}`),
      );
    });
    expect(wrong).toEqual([]);
  });
  it('has no sentence that nobody says', () => {
    const unsaid = Object.keys(sentences).filter((known) => !calls.some(({ code }) => code.test(bare(known))));
    expect(unsaid).toEqual([]);
  });
  it('writes every figure in a way that there is', () => {
    const used = Object.values(sentences).flatMap((sentence) =>
      [...sentence.matchAll(/\{\{\w+, (\w+)\}\}/g)].map((m) => m[1]!),
    );
    expect(used.filter((way) => !(way in WAYS))).toEqual([]);
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
