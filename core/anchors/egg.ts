import { chances } from '../model/chances';
import { eggReport } from '../model/judgeRisks';
import { judge } from '../model/forecast';
import { runMethod } from '../model/run';
import type { Plan } from '../plan/plan';
import { PANS, type Hob } from '../pantry/kitchen';
import { cook, fillPot, severityOf, type Controls, type Pot, type PotSetup, type Stop } from '../pot/pot';
import { boundsFor } from '../texture/words';
import { rowsOf, type Anchor } from './anchor';
import { dishOf, heatStep as heat, mix, RINGS, type Asked } from './dishes';
import { strip } from './starch';

const SHARE = 'share';
const FELT = 'what is felt of curds, 0 to 1';
const egg = rowsOf('Egg');

const SETUP: PotSetup = { pan: PANS[1]!, hob: RINGS.induction, base: 'dairy', roomC: 21, altitudeM: 0 };
/** 160 g of yolk and 100 g of sugar to a litre of milk, as half of it. */
const CUSTARD = { milk_whole: 515, yolk: 80, sugar: 50 };
const fire = (watts: number): Controls => ({ setting: 0, watts, stirEveryS: 2, lid: 'off' });
const to =
  (tempC: number): Stop =>
  (p) =>
    p.bulkC - tempC;
/** Brought to a temperature on a gentle ring, and held there to a few tenths by a hand on the knob. */
function held(tempC: number, seconds: number, watts = 380): Pot {
  let pot = cook(fillPot(SETUP, mix(CUSTARD), 40), SETUP, fire(watts), 3600, to(tempC)).pot;
  const until = pot.tS + seconds;
  while (pot.tS < until - 0.1) {
    const on = pot.bulkC < tempC;
    pot = cook(pot, SETUP, { ...fire(on ? watts : 40), stirEveryS: 2 }, Math.min(5, until - pot.tS)).pot;
  }
  return pot;
}

/** A stirred custard in the pan, taken to a temperature and poured: yolks tempered with milk of 85 degC. */
const custard = (tempC: number, more: Partial<Asked> = {}): Asked => ({
  family: 'stirred custard',
  items: { yolk: 155, sugar: 97 },
  hob: RINGS.gas,
  steps: [
    heat({ role: 'warm', setting: 5, stirEveryS: 20, until: { reach: 'temperature', tempC: 75 } }),
    {
      do: 'pour',
      to: 'pot',
      from: 'bowl',
      tempC: 21,
      how: 'in cold cream or yolks',
      stirring: 'whisk',
      soakMin: 0,
      left: 0,
      ladleG: 60,
    },
    heat({ role: 'thicken', watts: 330, until: { reach: 'temperature', tempC } }),
    heat({ role: 'off the heat', until: { reach: 'time', minutes: 0.6 } }),
    { do: 'pour', to: 'dish' },
    { do: 'rest', where: 'fridge', minutes: 240, covered: true },
  ],
  ...more,
});
/** Share of 500 kitchens in which a gentle custard that is taken to this temperature is grainy. */
const grainyAt = (tempC: number): number => chances(dishOf(custard(tempC)), 500, 0.31).curdles;

/** A family custard with one choice, by what is felt of its curds. */
function chosen(hob: Hob, choices: Plan['choices']): number {
  const base = dishOf({ family: 'stirred custard', items: { yolk: 155, sugar: 97 }, hob, choices });
  const run = runMethod({ ...base, method: { ...base.method, stirEveryS: 3 } });
  return eggReport(run)!.curd;
}

const CUPS = { kind: 'cup' as const, count: 5, capacityMl: 150, heightMm: 55, wall: 'ceramic' as const };
/** Three eggs to half a litre of milk, in cups. */
function baked(ovenC: number, bath: 'open' | 'none') {
  const plan = dishOf({
    family: 'baked custard',
    liquidG: 515,
    items: { egg: 150, sugar: 75 },
    choices: { ovenC, bath },
  });
  const run = runMethod({ ...plan, dish: CUPS });
  return { run, report: eggReport(run)!, bake: run.bake! };
}

/** Three eggs and two yolks to half a litre, baked in a bath: as it is at so many degC. */
function shivers(tempC: number): number {
  const plan = dishOf({
    family: 'baked custard',
    liquidG: 515,
    style: 'turned out',
    word: 'wobbles',
    depthMm: 50,
    items: { egg: 150, yolk: 36, sugar: 75 },
    choices: { ovenC: 160, bath: 'open' },
  });
  const run = runMethod({ ...plan, dish: CUPS });
  const at = tempC > 30 ? { ageH: 0, tempC } : { ageH: 5, tempC, hours: 5.33 };
  return judge(plan, run, at, boundsFor('turned out', run.depthM)).place;
}

const PASTRY: Asked = {
  family: 'egg-enriched pudding',
  items: { yolk: 160, sugar: 150, cornstarch: 40 },
  method: { cookOnMin: 2 },
  choices: { eggOff: 'to bubbling' },
};

export const EGG_ANCHORS: readonly Anchor[] = [
  egg('160 g of yolk a litre, at 82 degC: coats the spoon', 'Pa s', [0.025, 0.04], () => held(82, 20).viscosityPaS),
  egg('the same: smooth', FELT, [0, 0.12], () => severityOf(held(82, 20))),
  egg('stopped at 80 degC: no curd', FELT, [0, 0.12], () => severityOf(held(80, 10))),
  egg('stopped at 84 degC: no curd', FELT, [0, 0.12], () => severityOf(held(84, 5))),
  egg('held at 84.5 degC for five minutes: some grain', FELT, [0.12, 0.3], () => severityOf(held(84.5, 300))),
  egg('held at 87 degC for a minute: grainy', FELT, [0.12, 1], () => severityOf(held(87, 60))),
  egg('91 degC: scrambled', FELT, [0.3, 1], () => severityOf(held(91, 20, 400))),
  egg('a gentle cook to 82 degC: grainy in under 3 of 100 kitchens', SHARE, [0, 0.03], () => grainyAt(82)),
  egg('to 84 degC: in about 10', SHARE, [0.05, 0.18], () => grainyAt(84)),
  egg('to 86 degC: in half', SHARE, [0.35, 0.65], () => grainyAt(86)),
  egg('to 88 degC: in nearly all', SHARE, [0.85, 1], () => grainyAt(88)),
  ...Object.entries(RINGS).flatMap(([name, hob]) => [
    egg(
      `${name}: a double boiler against the ring`,
      'curd, times',
      [0, 0.999],
      () => chosen(hob, { heat: 'double boiler' }) / Math.max(1e-9, chosen(hob, {})),
    ),
    egg(
      `${name}: heat off at once against minutes more`,
      'curd, times',
      [0, 0.999],
      () => chosen(hob, { eggOff: 'heat off at once' }) / Math.max(1e-9, chosen(hob, { eggOff: 'minutes more' })),
    ),
  ]),
  ...[150, 160, 170].flatMap((ovenC) => [
    egg(
      `three eggs to 500 ml in cups, bath at ${ovenC} degC: smooth`,
      FELT,
      [0, 0.12],
      () => baked(ovenC, 'open').report.severity,
    ),
    egg(`the same at ${ovenC} degC: minutes`, 'min', [30, 55], () => baked(ovenC, 'open').bake.minutes),
    egg(`the same at ${ovenC} degC: its middle when done`, 'degC', [76, 85], () => baked(ovenC, 'open').bake.centreC),
  ]),
  egg('open bath at 180 degC: still usable', FELT, [0, 0.3], () => baked(180, 'open').report.severity),
  egg('without a bath at 180 degC: curdled at the rim', FELT, [0.3, 1], () => baked(180, 'none').report.rim),
  egg(
    'three eggs and two yolks to 500 ml, warm: shivers',
    'place on the strip',
    strip('holds a trail', 'wobbles'),
    () => shivers(55),
  ),
  egg('the same, cold: stands', 'place on the strip', strip('wobbles', 'slices'), () => shivers(6)),
  egg('the same: warm it is softer than cold', 'steps', [0.2, 2], () => shivers(6) - shivers(55)),
  egg('yolk and 4 g of starch to 100, bubbled two minutes: smooth', FELT, [0, 0.12], () =>
    severityOf(runMethod(dishOf(PASTRY)).pot),
  ),
  egg('the same: enzyme that is left', SHARE, [0, 0.02], () => eggReport(runMethod(dishOf(PASTRY)))!.amylaseLeft),
  egg('yolk in a pudding that bakes to 80 degC and more in the middle: enzyme that is left', SHARE, [0, 0.05], () => {
    const plan = dishOf({
      family: 'egg-enriched pudding',
      items: { yolk: 60, sugar: 90, rice_ground: 50 },
      choices: { yolks: 'into a cooled base' },
    });
    return eggReport(runMethod({ ...plan, dish: CUPS }))!.amylaseLeft;
  }),
];
