import { table } from '../coefficients';
import { truthOf } from '../kitchen/simulated';
import { mixtureOfPortions, lookUp } from '../plan/bowls';
import { massG, PUDDING_G_PER_ML, times, type Mixture } from '../matter/mixture';
import { USUAL_BATH } from '../plan/family';
import type { AddStep } from '../plan/method';
import type { Plan } from '../plan/plan';
import { additionFrom, additionOf, potSetup, startPot } from '../model/run';
import { addToPot, cook, severityOf, type Controls, type Pot, type PotSetup } from '../pot/pot';
import { EGG } from '../pot/egg';
import { FOAM, skinAfter } from '../pot/foam';
import { SCORCH } from '../pot/scorch';
import { withHabits } from '../twin/twin';
import { inOrder, type Act, type AddAct, type Run, type StandsOn } from './act';

/** The practice pot second by second. Pure: the same run gives the same pot to the last bit. */

export const PRACTICE = table('Practice pot', {
  stepS: [1, 's', 'A', 'the pot is reckoned in steps of this, so that a run is the same wherever it is stopped'],
  spills: [0.012, '1/s', 'C', 'share of the pot that comes over the rim, per foam index above it'],
  foamOverMilk: [6, '1', 'C', 'foam stands no higher than so many times the milk that it is made of'],
  spillsMost: [0.04, '1/s', 'C', 'and no more'],
  lumpsFelt: [0.5, '1', 'A', 'chance of lumps from which a kitchen as reckoned has them'],
  mostPotS: [21600, 's', 'A', 'nobody stands at one pot for longer: what is left on for longer stays as it is'],
  skinFelt: [0.35, '1', 'C', 'a skin that shows'],
});

export const HAPPENINGS = [
  'steams',
  'thickens',
  'bubbles',
  'film',
  'caught',
  'curdled',
  'lumps',
  'skin',
  'climbs',
  'boiled over',
  'dry',
] as const;
export type Happening = (typeof HAPPENINGS)[number];

/** What the pot and the hands are at a second, while it is a pot. */
export type Scene = {
  tS: number;
  pot: Pot;
  controls: Controls;
  on: StandsOn;
  /** foam over the last second: 1 is at the rim */
  foam: number;
  /** what came over the rim, share of all that was ever in the pot */
  spiltRel: number;
  /** hottest layer over the floor of late is the pot's own; this is what happened, each once, at its second */
  happened: Partial<Record<Happening, number>>;
  /** s since anything moved in it */
  stillS: number;
  /** the cook's own word that it thickens, s */
  calledS: number;
  /** it left the hob at this second: what is in the dish is worked out from here */
  leftS: number;
};

export const practiceSetup = (run: Pick<Run, 'plan' | 'seed'>): PotSetup =>
  run.seed === 0 ? potSetup(run.plan) : withHabits(run.plan, truthOf(run.seed)).setup;

/** What a bowl holds. @throws UnknownIngredientError */
export const portionsMixture = (plan: Plan, portions: AddAct['portions']): Mixture =>
  mixtureOfPortions(portions.map(({ ingredientId, grams }) => ({ ingredient: lookUp(plan, ingredientId), grams })));

/** As a step of a method: how it goes in is the same. */
const stepOf = (a: AddAct): AddStep => ({
  do: 'pour',
  to: 'pot',
  from: 'late',
  how: a.how,
  stirring: a.stirring,
  tempC: a.tempC,
  soakMin: a.soakMin,
  left: 0,
  ...(a.ladleG === undefined ? {} : { ladleG: a.ladleG }),
});

/** A share of all that is in the pot is gone. */
function without(pot: Pot, share: number): Pot {
  const keep = 1 - share;
  return {
    ...pot,
    content: times(pot.content, keep),
    fractions: pot.fractions.map((f) => ({ ...f, starchG: f.starchG * keep, dryG: f.dryG * keep })),
  };
}

/** The hands that nobody has laid on anything yet. */
const AT_FIRST: Controls = { setting: 0, stirEveryS: Infinity, lid: 'off', tool: 'spoon' };

export function begin(run: Pick<Run, 'plan' | 'seed'>, setup: PotSetup): Scene {
  return {
    tS: 0,
    pot: startPot(run.plan, setup),
    controls: AT_FIRST,
    on: 'ring',
    foam: 0,
    spiltRel: 0,
    happened: {},
    stillS: 0,
    calledS: NaN,
    leftS: NaN,
  };
}

/** The hands as the physics wants them: where the pan stands decides what heats it. */
const controlsOf = ({ controls, on }: Scene): Controls => {
  if (on === 'double boiler') return { ...controls, over: USUAL_BATH };
  if (on === 'off the ring') return { ...controls, setting: 0, lifted: true };
  return controls;
};

/** An act on a pot that is still one. What belongs to the dish only says when the pot was left. */
function acted(scene: Scene, act: Act, run: Pick<Run, 'plan'>, setup: PotSetup): Scene {
  switch (act.do) {
    case 'hob':
      return { ...scene, controls: { ...scene.controls, setting: act.setting } };
    case 'stir':
      return { ...scene, controls: { ...scene.controls, stirEveryS: act.everyS ?? Infinity, tool: act.tool } };
    case 'lid':
      return { ...scene, controls: { ...scene.controls, lid: act.lid } };
    case 'move':
      return { ...scene, on: act.to };
    case 'call':
      return { ...scene, calledS: act.atS };
    case 'add': {
      const mixture = portionsMixture(run.plan, act.portions);
      const own = act.portions.length ? [additionOf(stepOf(act), mixture, scene.pot).addition] : [];
      const cooked = (act.pots ?? []).flatMap(({ vesselId, share }) => {
        const vessel = run.plan.vessels.find((v) => v.id === vesselId);
        return vessel ? [additionFrom(run.plan, { vessel, share })] : [];
      });
      return { ...scene, pot: [...own, ...cooked].reduce((pot, a) => addToPot(pot, a, setup), scene.pot) };
    }
    case 'pour':
    case 'bake':
    case 'stand':
    case 'serve':
      return { ...scene, leftS: act.atS };
  }
}

const STEAMS_C = 65;

/** What has come to pass in this second, beside what had. */
function noted(scene: Scene, lumpsFrom: number): Scene['happened'] {
  const { pot, foam } = scene;
  const now: Record<Happening, boolean> = {
    steams: pot.bulkC >= STEAMS_C,
    thickens: !Number.isNaN(pot.thickenAtS),
    bubbles: !Number.isNaN(pot.bubbleAtS),
    film: pot.scorch >= SCORCH.film,
    caught: pot.scorch >= SCORCH.taste,
    curdled: severityOf(pot) >= EGG.smooth,
    lumps: pot.lumps >= lumpsFrom,
    skin: skinAfter(pot.skinS) >= PRACTICE.skinFelt,
    climbs: foam >= FOAM.watch,
    'boiled over': scene.spiltRel > 0,
    dry: pot.dry,
  };
  let { happened } = scene;
  for (const what of HAPPENINGS)
    if (now[what] && happened[what] === undefined) happened = { ...happened, [what]: scene.tS };
  return happened;
}

/** Chance of lumps from which this pot has them: a kitchen as reckoned at a half, another by its seed. */
export const lumpsFrom = (seed: number): number => (seed === 0 ? PRACTICE.lumpsFelt : 0.15 + 0.7 * seed);

/** m of what is in the pan */
const depthOf = (pot: Pot, setup: PotSetup): number =>
  massG(pot.content) / 1e6 / PUDDING_G_PER_ML / (Math.PI * (setup.pan.diameterMm / 2000) ** 2);

/** The pot one second later. */
function second(scene: Scene, setup: PotSetup, seed: number): Scene {
  const controls = controlsOf(scene);
  const before = { ...scene.pot, foamMax: 0 };
  let { pot } = cook(before, setup, controls, PRACTICE.stepS);
  const reach = (PRACTICE.foamOverMilk * depthOf(pot, setup)) / (setup.pan.heightMm / 1000);
  const foam = Math.min(pot.foamMax, reach);
  let { spiltRel } = scene;
  if (foam >= FOAM.over && !pot.dry) {
    const share = Math.min(PRACTICE.spillsMost, PRACTICE.spills * (1 + foam - FOAM.over));
    pot = without(pot, share);
    spiltRel += share * (1 - spiltRel);
  }
  const next: Scene = {
    ...scene,
    tS: scene.tS + PRACTICE.stepS,
    pot: { ...pot, foamMax: Math.max(scene.pot.foamMax, foam) },
    foam,
    spiltRel,
    stillS: Number.isFinite(controls.stirEveryS) ? 0 : scene.stillS + PRACTICE.stepS,
  };
  return { ...next, happened: noted(next, lumpsFrom(seed)) };
}

/** A scene is kept this often, s: going back begins there. */
const KEEP_EVERY_S = 5;

/** A run that is played: forwards as time goes, back to any second, and on from there with other acts. */
export class Replay {
  readonly setup: PotSetup;
  private acts: Act[];
  /** scenes before the acts of their second */
  private kept: Scene[];
  private now: Scene;
  /** acts before the next one have been done */
  private next = 0;

  constructor(
    readonly run: Run,
    kept: readonly Scene[] = [],
  ) {
    this.setup = practiceSetup(run);
    this.acts = inOrder(run.acts);
    this.now = kept[0] ?? begin(run, this.setup);
    this.kept = kept.length ? [...kept] : [this.now];
  }

  /** Scenes on the way to the present one, the first of each few seconds. */
  get seen(): readonly Scene[] {
    return this.kept;
  }

  get done(): readonly Act[] {
    return this.acts;
  }

  /** The pot at a second; where it has been left, as it was when it was. */
  at(tS: number): Scene {
    if (tS < this.now.tS || (this.next > 0 && this.acts[this.next - 1]!.atS > tS)) this.back(tS);
    for (;;) {
      while (this.next < this.acts.length && this.acts[this.next]!.atS <= this.now.tS && Number.isNaN(this.now.leftS))
        this.now = acted(this.now, this.acts[this.next++]!, this.run, this.setup);
      if (this.now.tS >= Math.min(tS, PRACTICE.mostPotS) || !Number.isNaN(this.now.leftS)) return this.now;
      this.now = second(this.now, this.setup, this.run.seed);
      const last = this.kept.at(-1)!;
      if (this.now.tS >= last.tS + KEEP_EVERY_S) this.kept.push(this.now);
    }
  }

  private back(tS: number): void {
    this.kept = this.kept.filter((k) => k.tS <= tS);
    this.now = this.kept.at(-1) ?? begin(this.run, this.setup);
    if (!this.kept.length) this.kept = [this.now];
    this.next = this.acts.findIndex((a) => a.atS >= this.now.tS);
    if (this.next < 0) this.next = this.acts.length;
  }

  /** The same run with other acts from a second on: what was before is not cooked again. */
  branch(acts: readonly Act[], fromS: number): Replay {
    const other = new Replay({ ...this.run, acts: [...acts] }, this.kept);
    other.back(fromS);
    return other;
  }

  /** Puts an act in at its second; what was done later is taken out: another evening begins there. */
  put(act: Act): void {
    this.acts = [...this.acts.filter((a) => a.atS <= act.atS), act];
    if (act.atS <= this.now.tS) this.back(act.atS);
  }

  /** Back to a second: what was done at it or after is undone. */
  cut(tS: number): void {
    this.acts = this.acts.filter((a) => a.atS < tS);
    this.back(tS);
  }
}
