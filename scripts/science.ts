/** Prints docs/science.md: the words from docs/science.head.md, every coefficient table and the limits from the code. */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { coefficientTables } from '../core/coefficients';
import '../core/model/chances';
import '../core/day/tasks';
import '../core/twin/twin';
import '../core/advice/about';
import '../core/texture/kitchenTests';
import '../core/book/learned';
import '../core/kitchen/measure';
import '../core/set/touch';
import '../core/practice/hands';
import '../core/practice/replay';
import { ANCHORS } from '../core/anchors/anchors';
import { ANCHOR_PARTS, type Anchor } from '../core/anchors/anchor';
import { LIMITS, limitSaid } from '../core/model/limits';
import { SAFE_COOLING_RULES } from '../core/set/safety';
import { coolingRuleSaid, type CoolingRule } from '../core/set/safety';
import { english } from '../words/english';

const figure = (v: number): string => {
  const s =
    Math.abs(v) >= 1e5 || (v !== 0 && Math.abs(v) < 1e-3) ? v.toExponential(2) : String(Number(v.toPrecision(5)));
  return s;
};
/** A row of what kitchens agree on, with what the model says today; to two digits, as kitchens go. */
const anchorRow = (a: Anchor): string => {
  const value = a.of();
  const met = value >= a.range[0] - 1e-9 && value <= a.range[1] + 1e-9;
  return `| ${cell(a.asked)} | ${figure(a.range[0])} to ${figure(a.range[1])} | ${Number(value.toPrecision(2))} | ${cell(a.unit)} | ${met ? 'met' : `**missed**: ${cell(a.missed ?? '')}`} |`;
};
const cell = (text: string) => text.replaceAll('|', '\\|');

export function sciencePage(): string {
  const head = readFileSync(path.join(__dirname, '../docs/science.head.md'), 'utf8').trimEnd();
  const tables = coefficientTables().flatMap((t) => [
    `### ${t.title}`,
    '',
    '| name | value | unit | trust | what it is |',
    '| --- | --- | --- | --- | --- |',
    ...Object.entries(t.rows).map(
      ([name, [value, unit, confidence, source]]) =>
        `| \`${name}\` | ${figure(value)} | ${cell(unit)} | ${confidence} | ${cell(source)} |`,
    ),
    '',
  ]);
  return [
    head,
    '',
    '## Limits, in plain words',
    '',
    'The app says these where they matter, from the same list.',
    '',
    ...LIMITS.map((l) => `- ${english(limitSaid(l))}`),
    '',
    '## Cooling rules',
    '',
    'Data, not law: local rules and licensed advice come first.',
    '',
    ...Object.entries(SAFE_COOLING_RULES).map(
      ([name, r]) => `- ${name}: ${english(coolingRuleSaid(name as CoolingRule))}`,
    ),
    '',
    '## What every kitchen knows',
    '',
    'Rows that kitchens and textbooks agree on, in weighed grams, against the model today. A range is never widened; a row that is missed stands here as missed, with the reason. Coefficients that were fitted to these rows are C and say so.',
    '',
    ...ANCHOR_PARTS.flatMap((part) => [
      `### ${part}`,
      '',
      '| asked | kitchens say | model | unit | |',
      '| --- | --- | --- | --- | --- |',
      ...ANCHORS.filter((a) => a.part === part).map(anchorRow),
      '',
    ]),
    '## Every coefficient',
    '',
    'Printed from the code by `npm run -s science`; a test holds this page to it.',
    '',
    ...tables,
  ].join('\n');
}

if (require.main === module) process.stdout.write(sciencePage());
