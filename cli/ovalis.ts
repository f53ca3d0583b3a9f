import { readFileSync } from 'node:fs';
import { forecast } from '../core/model/forecast';
import { answer, askJsonSchema, ASKS, type Ask } from '../core/formats/asks';
import { batchJsonSchema } from '../core/formats/batchFile';
import { kitchenJsonSchema } from '../core/formats/kitchenFile';
import { readingFile, readingJsonSchema } from '../core/formats/readingFile';
import { readRunFile, runJsonSchema } from '../core/formats/practiceFile';
import { endOf } from '../core/practice/debrief';
import { judgedRun } from '../core/practice/exercises';
import { DEFAULT_SETTINGS } from '../core/settings';
import { readPlanFile, planJsonSchema } from '../core/formats/planFile';
import { stepsJsonSchema } from '../core/formats/stepsFile';
import { choirSupper } from '../core/demo/choirSupper';
import type { Said } from '../core/say';
import type { Plan } from '../core/plan/plan';
import { english } from '../words/english';
import { formatter } from '../words/format';
import { stepsFile } from '../words/stepsFile';

const USAGE = `Use:
  npm run -s ovalis -- forecast FILE   forecast of a plan, JSON in and out (FILE or - for standard input)
  npm run -s ovalis -- solve FILE      amounts for a wanted word; with a plan and what may move
  npm run -s ovalis -- swap FILE       one thickener for another at equal set
  npm run -s ovalis -- compare FILE    a plan cooked by both sides of a school, or against another plan
  npm run -s ovalis -- cool FILE       a filled dish through room, fridge, freezer or baths
  npm run -s ovalis -- bake FILE       a filled dish in the oven
  npm run -s ovalis -- montecarlo FILE chances over many kitchens
  npm run -s ovalis -- read FILE       a recipe (text, Markdown, HTML, JSON-LD): its plan, what is asked, what was not understood, findings
  npm run -s ovalis -- steps FILE      what the pot tells of a plan or a recipe, act by act: things, grams, measure, sign, minutes, degrees, sentence
  npm run -s ovalis -- practice FILE   a run of the practice pot: its pudding, what happened when, what each act cost
  npm run -s ovalis -- schema [NAME]   JSON Schema of plan (where none is named), kitchen, batch, reading, steps, practice, or one of the questions above
  npm run -s ovalis -- example         a plan to start from
`;

function fail(lines: string[], code: number): never {
  process.stderr.write(lines.join('\n') + '\n');
  process.exit(code);
}

function readInput(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (e) {
    return fail([`cannot read ${file}: ${(e as Error).message}`], 2);
  }
}

/** What core says goes out as its code and figures, with its sentence beside them. */
const isSaid = (v: unknown): v is Said =>
  typeof v === 'object' && v !== null && 'code' in v && typeof v.code === 'string';
const written = (v: unknown): unknown =>
  typeof v === 'number' && !Number.isFinite(v) ? null : isSaid(v) ? { ...v, says: english(v) } : v;

const print = (value: unknown) => process.stdout.write(JSON.stringify(value, (_, v) => written(v), 2) + '\n');

/** The plan of a file: a plan itself, or what a recipe's text is read as. */
function planIn(text: string): Plan {
  const json = /^\s*\{/.test(text);
  const plan = readPlanFile(text);
  if (plan.ok) return plan.value;
  if (json && !/"@type"/.test(text))
    fail(['This is not a plan:', ...plan.issues.map((i) => `  ${i.path}: ${english(i.message)}`)], 1);
  const meta = { id: 'recipe', serveAt: new Date().toISOString() };
  const read = readingFile(text, { system: DEFAULT_SETTINGS.spoons, eggSize: 'eu M' }, meta);
  if (!read.ok) fail(['This is not a recipe that can be read:', `  ${english(read.why)}`], 1);
  const found = (read.value as { plan?: Plan }).plan;
  if (!found) fail(['No plan comes out of this recipe: it names nothing liquid, or no amounts.'], 1);
  return found;
}

const isAsk = (name: string | undefined): name is Ask => name !== undefined && Object.hasOwn(ASKS, name);

// what nobody foresaw: one line, and no stack
process.on('uncaughtException', (e) => fail([`this could not be worked out: ${e.message}`], 1));

const [command, file] = process.argv.slice(2);
if (command === 'forecast' && file) {
  const read = readPlanFile(readInput(file));
  if (!read.ok)
    fail(
      ['This is not a plan that can be forecast:', ...read.issues.map((i) => `  ${i.path}: ${english(i.message)}`)],
      1,
    );
  print({ format: 'ovalis-forecast', version: 1, ...forecast(read.value) });
} else if (isAsk(command) && file) {
  const a = answer(command, readInput(file));
  if (!a.ok)
    fail(
      [`This is not a question that can be answered:`, ...a.issues.map((i) => `  ${i.path}: ${english(i.message)}`)],
      1,
    );
  print(a.value);
} else if (command === 'read' && file) {
  const meta = { id: 'recipe', serveAt: new Date().toISOString() };
  const read = readingFile(readInput(file), { system: DEFAULT_SETTINGS.spoons, eggSize: 'eu M' }, meta);
  if (!read.ok) fail(['This is not a recipe that can be read:', `  ${english(read.why)}`], 1);
  print(read.value);
} else if (command === 'steps' && file) {
  const plan = planIn(readInput(file));
  print(stepsFile(plan, forecast(plan), formatter(DEFAULT_SETTINGS)));
} else if (command === 'practice' && file) {
  const read = readRunFile(readInput(file));
  if (!read.ok)
    fail(['This is not a run that can be played:', ...read.issues.map((i) => `  ${i.path}: ${english(i.message)}`)], 1);
  const { outcome, happened, costs, marks } = judgedRun(read.value, endOf(read.value));
  print({
    format: 'ovalis-practice-debrief',
    version: 1,
    outcome,
    happened,
    marks,
    costs: costs.map(({ acts: _a, endS: _e, outcome: o, ...cost }) => ({ ...cost, word: o.served.word, felt: o.felt })),
  });
} else if (command === 'schema' && isAsk(file)) print(askJsonSchema(file));
else if (command === 'schema' && file === 'kitchen') print(kitchenJsonSchema());
else if (command === 'schema' && file === 'batch') print(batchJsonSchema());
else if (command === 'schema' && file === 'practice') print(runJsonSchema());
else if (command === 'schema' && file === 'steps') print(stepsJsonSchema());
else if (command === 'schema' && file === 'reading') print(readingJsonSchema());
else if (command === 'schema' && (file === undefined || file === 'plan')) print(planJsonSchema());
else if (command === 'example') print(choirSupper(Date.UTC(2026, 11, 11, 12)).plans[1]);
else fail([USAGE], 2);
