import { STARCHES } from '../pot/starch';
import { massG, type Mixture } from '../matter/mixture';
import { PANS, type Hob } from '../pantry/kitchen';
import { HOBS, netW } from '../pot/hob';
import { lumpRisk, type StarchEntry } from '../pot/lumps';
import { cook, fillPot, type Controls, type Pot, type PotSetup } from '../pot/pot';
import { runPhase } from '../pot/program';
import { SCORCH } from '../pot/scorch';
import { above } from '../model/normal';
import { rowsOf, type Anchor } from './anchor';
import { mix } from './dishes';

const anchor = rowsOf('The pot');
const setup = (hob: Partial<Hob> = {}, pan = PANS[1]!): PotSetup => ({
  pan,
  hob: { kind: 'gas', ratedW: 1800, powerTrim: 1, ...hob },
  base: 'dairy',
  roomC: 21,
  altitudeM: 0,
});
const fire = (watts: number, stirEveryS: number, lid: Controls['lid'] = 'off'): Controls => ({
  setting: 0,
  watts,
  stirEveryS,
  lid,
});
const boiling = (content: Mixture, s: PotSetup, watts = 1000): Pot =>
  cook(fillPot(s, content, 6), s, fire(watts, 5), 7200, (p) => p.bulkC - 99.4).pot;

/** Minutes in which 1 kW into the pan takes 500 g off milk that boils. */
function minutesFor500G(): number {
  const s = setup({}, PANS[2]);
  const hot = boiling(mix({ milk_whole: 2000 }), s, 2200);
  const from = massG(hot.content);
  return (cook(hot, s, fire(1000, 20), 7200, (p) => from - 500 - p.massG).pot.tS - hot.tS) / 60;
}

const lumps = (
  asked: string,
  entry: StarchEntry,
  tempC: number,
  hand: number,
  range: readonly [number, number],
  onsetC: number = STARCHES.maize.onsetC,
): Anchor => anchor(asked, 'share', range, () => lumpRisk(entry, tempC, hand, onsetC, 0.02, 2.5));

/** Chance of a burnt taste, as the app tells it. */
const catches = (pot: Pot): number => above(pot.scorch, SCORCH.taste, SCORCH.sdLn);
const thick = (s: PotSetup): Pot =>
  cook(fillPot(s, mix({ milk_whole: 900, sugar: 72, cornstarch: 52 }), 6), s, fire(750, 2), 3600, (p) => p.bubbling)
    .pot;

export const POT_ANCHORS: readonly Anchor[] = [
  anchor('1 kW into the pan takes 500 g in about 20 minutes', 'min', [18.8, 22], minutesFor500G),
  ...([85, 98] as const).flatMap((tempC) => [
    lumps(`slurry 1:2.5 into milk of ${tempC} degC, whisk`, 'cold slurry', tempC, 3, [0.01, 0.08]),
    lumps(`the same, ${tempC} degC, spoon`, 'cold slurry', tempC, 1, [0.05, 0.2]),
  ]),
  lumps('paste of yolk and starch into hot milk, whisk', 'in cold cream or yolks', 95, 3, [0.01, 0.08]),
  lumps('starch in cold cream into hot milk, spoon', 'in cold cream or yolks', 95, 1, [0.05, 0.2]),
  lumps('cornmeal slurry into boiling water, spoon', 'cold slurry', 100, 1, [0.05, 0.2]),
  lumps('dry starch into hot milk, whisk', 'dry powder', 90, 3, [0.5, 1]),
  lumps('dry starch into hot milk, spoon', 'dry powder', 90, 1, [0.5, 1]),
  ...[20, 30].map((everyS) =>
    anchor(`rice in milk at a simmer, stirred every ${everyS} s: catches`, 'share', [0, 0.1], () => {
      const s = setup();
      const hot = cook(
        fillPot(s, mix({ milk_whole: 1000, rice_short: 125, sugar: 50 }), 6),
        s,
        fire(750, 15),
        3600,
        (p) => p.bubbling,
      ).pot;
      return catches(cook(hot, s, fire(200, everyS, 'on'), 40 * 60).pot);
    }),
  ),
  anchor('full heat and four minutes without a spoon in a thick pot: catches', 'share', [0.9, 1], () => {
    const s = setup();
    return catches(cook(thick(s), s, fire(netW(s.hob, 9), Infinity), 240).pot);
  }),
  anchor('high heat, a spoon every three minutes against none, eight minutes', 'of the scorch', [0.6, 1.05], () => {
    const s = setup();
    const pot = thick(s);
    const w = netW(s.hob, 8);
    return cook(pot, s, fire(w, 180), 480).pot.scorch / cook(pot, s, fire(w, Infinity), 480).pot.scorch;
  }),
  anchor('1.5 kg under a lid on medium-low: holds, or is turned up to, a simmer', 'degC', [90, 101], () => {
    const s = setup({}, PANS[2]);
    const hot = cook(
      fillPot(s, mix({ milk_whole: 1350, rice_short: 150 }), 6),
      s,
      fire(1200, 15),
      7200,
      (p) => p.bubbling,
    ).pot;
    const medium = runPhase(hot, s, {
      role: 'simmer',
      setting: 3,
      stirEveryS: 25,
      lid: 'on',
      until: { kind: 'grain', bite: 0.95 },
      limitS: 3600,
    });
    return medium.pot.bulkC;
  }),
  ...(
    [
      ['gas', 0.45, 0.55],
      ['electric', 0.65, 0.75],
      ['induction', 0.85, 0.95],
    ] as const
  ).map(([kind, low, high]) =>
    anchor(`${kind}: share of the rating that is in the pan`, 'share', [low, high], () => HOBS[kind].efficiency),
  ),
];
