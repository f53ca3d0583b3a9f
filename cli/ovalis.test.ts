import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ReadingFileSchema } from '../core/formats/readingFile';
import { StepsFileSchema } from '../core/formats/stepsFile';
import { FURTHER } from '../core/recipe/fixtures/further';
import { asPlanned, runOf } from '../core/practice/asPlanned';
import { testPlan } from '../core/testing';

const root = path.join(__dirname, '..');
/** The command in one file: a second of start for each question would be most of this test. */
const bundle = path.join(mkdtempSync(path.join(tmpdir(), 'ovalis-')), 'ovalis.js');
beforeAll(() => {
  const made = spawnSync(
    path.join(root, 'node_modules/.bin/esbuild'),
    ['cli/ovalis.ts', '--bundle', '--platform=node', `--outfile=${bundle}`, '--log-level=warning'],
    { cwd: root, encoding: 'utf8' },
  );
  if (made.status !== 0) throw new Error(made.stderr);
});
afterAll(() => rmSync(path.dirname(bundle), { recursive: true, force: true }));
const ovalis = (args: string[], input = '') =>
  spawnSync(process.execPath, [bundle, ...args], { cwd: root, input, encoding: 'utf8' });

describe('the other questions', () => {
  const q = (name: string, rest: object) => JSON.stringify({ format: `ovalis-${name}`, version: 1, ...rest });
  it('solve and montecarlo answer in JSON', () => {
    const solved = ovalis(['solve', '-'], q('solve', { plan: testPlan(), word: 'wobbles' }));
    expect(solved.status).toBe(0);
    expect(JSON.parse(solved.stdout)).toMatchObject({ format: 'ovalis-solve-answer', ok: true });
    const many = ovalis(['montecarlo', '-'], q('montecarlo', { plan: testPlan(), draws: 40 }));
    expect((JSON.parse(many.stdout) as { draws: number }).draws).toBe(40);
  });
  it('name the path of what is wrong, and print their schemas', () => {
    const r = ovalis(['cool', '-'], q('cool', { depthMm: 20 }));
    expect(r.status).toBe(1);
    expect(r.stderr).toMatch(/dish: /);
    expect((JSON.parse(ovalis(['schema', 'bake']).stdout) as { $id: string }).$id).toBe('ovalis-bake-1.schema.json');
  });
});

describe('ovalis read', () => {
  const recipe = FURTHER.find((w) => w.way.startsWith('cold slurry of meal'))!;
  it('reads a recipe from standard input and prints its plan and what was found, as its schema has it', () => {
    const r = ovalis(['read', '-'], recipe.text);
    expect(r.stderr).toBe('');
    const read = ReadingFileSchema.parse(JSON.parse(r.stdout));
    expect(read.plan).toMatchObject({ family: 'porridge', choices: { grain: 'wetted cold first' } });
    expect(read.findings.map((f) => f.id)).toContain('set');
    expect((JSON.parse(ovalis(['schema', 'reading']).stdout) as { $id: string }).$id).toBe(
      'ovalis-reading-1.schema.json',
    );
  });
  it('says what is asked and what was not understood, and what is no recipe', () => {
    const r = ovalis(['read', '-'], 'Cups\n2 cups milk\n40 g cornstarch\n1 tin moonbeam essence\n\nBoil it all.');
    const read = ReadingFileSchema.parse(JSON.parse(r.stdout));
    expect(read.asks.map((a) => a.text)).toEqual(['2 cups milk']);
    expect(read.notUnderstood.map((a) => a.text)).toEqual(['1 tin moonbeam essence']);
    const none = ovalis(['read', '-'], '');
    expect([none.status, none.stderr]).toEqual([1, expect.stringMatching(/nothing in it/)]);
  });
});

describe('ovalis steps', () => {
  it('prints what the pot tells of a plan, and of a recipe', () => {
    const ofPlan = StepsFileSchema.parse(JSON.parse(ovalis(['steps', '-'], JSON.stringify(testPlan())).stdout));
    expect(ofPlan.acts.map((a) => a.role)).toEqual(expect.arrayContaining(['weigh', 'slurry', 'warm', 'pour', 'rest']));
    const text = 'Cups\n500 ml milk\n40 g cornstarch\n50 g sugar\n\nBoil it all, stirring. Chill 3 hours.';
    const ofRecipe = StepsFileSchema.parse(JSON.parse(ovalis(['steps', '-'], text).stdout));
    expect(ofRecipe.acts.flatMap((a) => a.things.map((x) => x.ingredientId))).toContain('cornstarch');
  });
  it('says what is no plan', () => {
    const r = ovalis(['steps', '-'], '{"format":"ovalis-plan"}');
    expect([r.status, r.stderr]).toEqual([1, expect.stringMatching(/This is not a plan/)]);
  });
});

describe('ovalis forecast', () => {
  it('reads a plan from standard input and prints its forecast as JSON', () => {
    const r = ovalis(['forecast', '-'], JSON.stringify(testPlan()));
    expect(r.status).toBe(0);
    const f = JSON.parse(r.stdout) as {
      format: string;
      serving: { word: string };
      hot: { word: string };
      doubt: { sdLn: number };
    };
    expect(f.format).toBe('ovalis-forecast');
    expect(typeof f.serving.word).toBe('string');
    expect(f.doubt.sdLn).toBeGreaterThan(0);
  });
  it('reads the published example by its name, asked as it is asked by hand', () => {
    const tsx = path.join(root, 'node_modules/.bin/tsx');
    const asked = spawnSync(tsx, ['cli/ovalis.ts', 'forecast', 'docs/formats/vanilla-cups.plan.json'], { cwd: root });
    expect(asked.status).toBe(0);
  });
  it('ends with 1 and the path when the plan is wrong', () => {
    const plan = testPlan();
    const r = ovalis(['forecast', '-'], JSON.stringify({ ...plan, dish: { ...plan.dish, count: 0 } }));
    expect(r.status).toBe(1);
    expect(r.stderr).toMatch(/dish\.count: should be 1 or more/);
    expect(r.stdout).toBe('');
  });
  it('ends with 2 when there is no such file or no command', () => {
    expect(ovalis(['forecast', 'nowhere.json']).status).toBe(2);
    expect(ovalis([]).status).toBe(2);
  });
});

describe('ovalis practice', () => {
  it('says what a run came to and what each act cost', () => {
    const plan = testPlan();
    const acts = asPlanned(plan).map((a) =>
      a.do === 'add' && a.bowl?.startsWith('slurry')
        ? { ...a, atS: a.atS + 90, how: 'dry powder', stirring: 'spoon' }
        : a,
    );
    const r = ovalis(['practice', '-'], JSON.stringify({ ...runOf(plan), acts }));
    expect(r.stderr).toBe('');
    const told = JSON.parse(r.stdout) as { format: string; outcome: { felt: string[] }; costs: { kind: string }[] };
    expect(told.format).toBe('ovalis-practice-debrief');
    expect(told.outcome.felt).toContain('lumps');
    expect(told.costs[0]!.kind).toBe('as a slurry');
    expect(ovalis(['practice', '-'], '{}').stderr).toMatch(/format: /);
  });
});
