import { add, EMPTY, massG, mixtureOf } from '../matter/mixture';
import { PANS, type DoubleBoiler } from '../pantry/kitchen';
import type { Base } from '../pantry/ingredient';
import { mixC, safeLadleG } from '../pot/egg';
import { bodyOf, consistency, viscosityPaS } from '../pot/paste';
import { cook, fillPot, readPot, severityOf, type Controls, type Pot, type PotSetup, type Stop } from '../pot/pot';
import { lumpRisk } from '../pot/lumps';
import { gelModulusPa, standing, yieldPa } from '../set/firmness';
import { waterBoilsC } from '../pot/air';
import { pantry } from '../testing';
import { WORDS } from '../texture/words';

/** Kitchen cases with the ranges that experience expects. Watts are net, into the pan. */
const mix = (amounts: Record<string, number>) =>
  Object.entries(amounts).reduce((sum, [id, g]) => add(sum, mixtureOf(pantry.get(id)!, g)), EMPTY);
const setup = (base: Base = 'dairy', pan = PANS[1]!): PotSetup => ({
  pan,
  hob: { kind: 'induction', ratedW: 1000, powerTrim: 1 },
  base,
  roomC: 21,
  altitudeM: 0,
});
const fire = (watts: number, stirEveryS: number, more: Partial<Controls> = {}): Controls => ({
  setting: 0,
  watts,
  stirEveryS,
  lid: 'off',
  ...more,
});
const to =
  (tempC: number): Stop =>
  (p) =>
    p.bulkC - tempC;
const H = 2 * 3600;

type Case = {
  pot: Pot;
  min: number;
  hot: number;
  lossPct: number;
  at(tempC: number, ageH?: number): { g: number; ty: number; eta: number };
};
function told(pot: Pot): Case {
  const body = bodyOf(pot.content, pot.fractions);
  return {
    pot,
    min: pot.tS / 60,
    hot: pot.viscosityPaS,
    lossPct: (100 * pot.evaporatedG) / (massG(pot.content) + pot.evaporatedG),
    at: (tempC, ageH = 24) => {
      const k = consistency(body, tempC, pot.content);
      const g = gelModulusPa(pot.content, body, { ageH, tempC });
      return { g, ty: yieldPa(g, k), eta: viscosityPaS(k, pot.content, tempC, body, pot.eggSet) };
    },
  };
}
const within = (value: number, low: number, high: number) => {
  expect(value).toBeGreaterThanOrEqual(low);
  expect(value).toBeLessThanOrEqual(high);
};
const custard = { yolk: 90, milk_whole: 500, sugar: 100 };
const start = (amounts: Record<string, number>, tempC = 20, s = setup()) => fillPot(s, mix(amounts), tempC);

describe('custards', () => {
  it('yolk only, stirred to 82.5: thick, smooth, safe', () => {
    const c = told(cook(start(custard, 35), setup(), fire(250, 2), H, to(82.5)).pot);
    within(c.pot.eggSet, 0.8, 1);
    within(severityOf(c.pot), 0, 0.12);
    within(c.hot, 0.012, 0.09);
    within(c.at(5).eta, 0.04, 0.4);
    within(c.min, 5, 20);
    expect(c.pot.salmonellaLog).toBeGreaterThan(7);
  });
  it('the same, rushed to 91, is scrambled', () => {
    within(severityOf(cook(start(custard, 35), setup(), fire(700, 2), H, to(91)).pot), 0.3, 1);
  });
  it('pouring custard of 2.5 % starch and yolk bears 90 degrees', () => {
    const mixed = start({ yolk: 45, milk_whole: 500, sugar: 70, cornstarch: 16 });
    const c = told(cook(cook(mixed, setup(), fire(400, 2), H, to(90)).pot, setup(), fire(300, 2), 60).pot);
    within(c.at(65).eta, 0.08, 0.8);
    within(c.at(5).eta, 0.25, 3);
    within(c.at(5).ty, 0.3, 18);
    within(severityOf(c.pot), 0, 0.15);
  });
  it('pastry cream, boiled two minutes: smooth, no enzyme left, firm', () => {
    const mixed = start({ milk_whole: 500, sugar: 100, cornstarch: 45, yolk: 80 }, 40);
    const c = told(cook(cook(mixed, setup(), fire(500, 1.5), H, to(93)).pot, setup(), fire(400, 1.5), 120).pot);
    within(severityOf(c.pot), 0, 0.12);
    within(10 ** -c.pot.amylaseLog, 0, 0.001);
    within(c.at(5).ty, 60, 450);
    within(c.hot, 0.6, 8);
  });
  it('starch custard stopped at 72: raw, thin, and its enzyme alive', () => {
    const mixed = start({ milk_whole: 500, sugar: 100, cornstarch: 45, yolk: 80 }, 40);
    const c = told(cook(mixed, setup(), fire(400, 1.5), H, to(72)).pot);
    within(10 ** -c.pot.amylaseLog, 0.1, 1);
    within(readPot(c.pot).rawPer100G, 0.3, 5);
    within(c.hot, 0, 0.25);
  });
  it('lean yolk with two per cent of starch bubbles and stays smooth; rich yolk with one does not', () => {
    const boil = (amounts: Record<string, number>) =>
      severityOf(cook(cook(start(amounts), setup(), fire(500, 2), H, to(94)).pot, setup(), fire(400, 2), 60).pot);
    within(boil({ milk_whole: 900, yolk: 35, sugar: 80, cornstarch: 24 }), 0, 0.12);
    within(boil({ milk_whole: 800, yolk: 85, sugar: 80, cornstarch: 11 }), 0.2, 1);
    within(boil({ milk_whole: 800, yolk: 85, sugar: 80, cornstarch: 36 }), 0, 0.12);
  });
  it('double boiler: a steel bowl in minutes, glass on a plateau, neither catches', () => {
    const over = (material: DoubleBoiler['material'], wallMm: number) =>
      fire(600, 2, { over: { material, wallMm, contactCm2: 400, waterG: 500, touching: false } });
    const hot = { ...start(custard, 35), bathC: 98 };
    const steel = cook(hot, setup(), over('steel', 0.8), H, to(82.5)).pot;
    within(steel.tS / 60, 3, 14);
    within(severityOf(steel), 0, 0.15);
    within(steel.scorch, 0, 0.05);
    const glass = cook(hot, setup(), over('glass', 4), 2400).pot;
    within(glass.bulkC, 74, 92);
  });
  it('tempering: one ladle at 85 into 115 g of yolk and sugar, and the largest safe one', () => {
    within(mixC(115, 2.65, 20, 120, 3.9, 85), 45, 62);
    within(safeLadleG(115, 2.65, 20, 85, 65), 150, 260);
  });
});

describe('cornstarch puddings, boiled, cold after a day', () => {
  it.each([
    [4, 80, 400, 0.2, 0.7],
    // a set gel breaks late: kitchens turn out 5.8 to 7 g to 100, which this is, and see its sag as wobble, not as slump
    [6, 450, 1300, 0, 0.22],
    [8, 1300, 3500, 0, 0.03],
    [10, 2000, 8000, 0, 0.01],
  ])('%i %%: G %i to %i Pa', (pct, gLow, gHigh, slumpLow, slumpHigh) => {
    const p = start({ milk_whole: 910 - pct * 10, sugar: 90, cornstarch: pct * 10 });
    const c = told(cook(cook(p, setup(), fire(700, 2), H, to(92)).pot, setup(), fire(450, 2), 240).pot);
    const cold = c.at(5);
    within(cold.g, gLow, gHigh);
    within(standing(cold.ty, cold.g, 0.04).slumpRel, slumpLow, slumpHigh);
    within(c.hot, 0.08, 8);
    within(c.lossPct, 1, 14);
    within(readPot(c.pot).rawPer100G, 0, 0.2);
    within(c.pot.scorch, 0, 0.3);
  });
  it('in almond drink half as firm as in milk', () => {
    const g = (milk: string, base: Base) =>
      told(
        cook(
          cook(start({ [milk]: 830, sugar: 90, cornstarch: 80 }, 20, setup(base)), setup(base), fire(700, 2), H, to(92))
            .pot,
          setup(base),
          fire(450, 2),
          180,
        ).pot,
      ).at(5).g;
    within(g('almond_drink', 'nut') / g('milk_whole', 'dairy'), 0.35, 0.8);
    within(g('almond_drink', 'nut'), 500, 2500);
  });
  it('coconut squares at 7.4 % starch: cut, and soft at 28 degrees', () => {
    const s = setup('coconut');
    const p = start({ coconut_milk: 800, sugar: 80, cornstarch: 74 }, 20, s);
    const c = told(cook(cook(p, s, fire(700, 2), H, to(92)).pot, s, fire(450, 2), 180).pot);
    within(c.at(5).g, 900, 5000);
    within(standing(c.at(5).ty, c.at(5).g, 0.03).slumpRel, 0, 0.03);
    within(c.at(28).g / c.at(5).g, 0.15, 0.6);
    within(c.hot, 0.8, 8);
  });
  it('a small batch of 250 g on 350 W', () => {
    const s = setup('dairy', PANS[0]);
    const p = start({ milk_whole: 210, sugar: 22, cornstarch: 15 }, 20, s);
    const c = told(cook(cook(p, s, fire(350, 2), H, to(92)).pot, s, fire(300, 2), 60).pot);
    within(c.min, 5, 14);
    within(c.lossPct, 3, 18);
  });
  it('a big batch of 3 kg: wide open on 700 W it starves, with a lid it does not', () => {
    const s = setup('dairy', PANS[2]);
    const p = start({ milk_whole: 2550, sugar: 250, cornstarch: 180 }, 20, s);
    const min = (watts: number, lid: Controls['lid']) => cook(p, s, fire(watts, 4, { lid }), 3 * H, to(93)).pot.tS / 60;
    within(min(1300, 'off'), 13, 30);
    within(min(700, 'off'), 35, 100);
    within(min(700, 'on'), 20, 38);
  });
  it('left alone five minutes on 900 W it burns, stirred it does not', () => {
    const hot = cook(start({ milk_whole: 500, sugar: 50, cornstarch: 36 }), setup(), fire(900, 2), H, to(92)).pot;
    const alone = cook(hot, setup(), fire(900, Infinity), 300).pot;
    within(alone.scorch, 0.9, 50);
    within(alone.panMaxC, 118, 230);
    within(cook(hot, setup(), fire(900, 1.5), 300).pot.scorch, 0, 0.5);
  });
  it('sour fruit boiled with it for 20 minutes loses half its granules', () => {
    const s = setup('water');
    const p = start({ puree_strawberry: 450, sugar: 50, cornstarch: 30 }, 20, s);
    const hot = cook(p, s, fire(500, 2), H, to(93)).pot;
    const whole = (min: number, from = hot) => {
      const end = cook(from, s, fire(300, 3), min * 60).pot;
      return bodyOf(end.content, end.fractions).integrity;
    };
    within(whole(20) / whole(1), 0.3, 0.75);
    const neutral = cook(start({ water: 450, sugar: 50, cornstarch: 30 }, 20, s), s, fire(500, 2), H, to(93)).pot;
    within(whole(20, neutral) / whole(20), 1.15, 3);
  });
});

describe('grain', () => {
  it('ground-rice cream, reduced to 0.85', () => {
    const p = start({ milk_whole: 1000, sugar: 80, rice_ground: 70 });
    const c = told(cook(p, setup(), fire(420, 3), H, (q) => 0.85 * 1150 - q.massG).pot);
    within(c.min, 15, 45);
    within(readPot(c.pot).bite, 0.97, 1);
    within(c.hot, 0.12, 2);
    within(c.at(5).ty, 12, 120);
    within(c.pot.scorch, 0, 0.7);
  });
  it('sugar from the start keeps whole rice hard for longer', () => {
    const simmerMin = (sugar: number) => {
      const hot = cook(start({ milk_whole: 1000, rice_short: 100, sugar }), setup(), fire(700, 10), H, to(92)).pot;
      return (cook(hot, setup(), fire(300, 15, { lid: 'on' }), 2 * H, (q) => q.bite - 0.93).pot.tS - hot.tS) / 60;
    };
    within(simmerMin(130) / simmerMin(1), 1.1, 1.7);
  });
  it('whole rice with little liquid stays creamy with loose grains: never a slab, never hundreds of Pa s', () => {
    const p = start({ milk_whole: 600, rice_short: 180, sugar: 60 });
    const hot = cook(p, setup(), fire(700, 10), H, to(92)).pot;
    const c = told(cook(hot, setup(), fire(150, 60, { lid: 'on' }), 2 * H, (q) => q.bite - 0.95).pot);
    within(c.min, 20, 80);
    within(c.hot, 0.1, 20);
    // 160 g a litre holds a trail in kitchens: 300 g is above that, and still no slab
    within(c.at(8).ty, 8, WORDS.slices);
  });
});

describe('lumps and height', () => {
  it.each([
    ['dry powder', 95, 3, 0.9, 1],
    // hardly stirred; with a spoon kitchens have 5 to 20 of 100
    ['cold slurry', 95, 0, 0.6, 1],
    ['cold slurry', 95, 3, 0, 0.4],
    ['cold slurry', 75, 3, 0, 0.1],
    ['fat-coated', 90, 3, 0, 0.45],
    ['cold together', 20, 1, 0, 0.1],
  ] as const)('%s at %i degC, stirred %i: %f to %f', (how, tempC, hand, low, high) =>
    within(lumpRisk(how, tempC, hand, 64), low, high),
  );
  it('at 2500 m water boils at 91 to 92.3', () => within(waterBoilsC(2500), 91, 92.3));
});
