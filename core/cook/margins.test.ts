import { withLine } from '../plan/layout';
import { EGG } from '../pot/egg';
import { FOAM } from '../pot/foam';
import { cook, severityOf } from '../pot/pot';
import { SCORCH } from '../pot/scorch';
import { familyPlan, testPlan } from '../testing';
import { calls, cookOn, evening, eventAt, note, potOf, presentOf, T0 } from '../testingEvening';
import { onTheHob, controlsNow } from './live';
import { curdlesAtC, MARGIN, marginsOf } from './margins';

/** Small clouds: the calls are about seconds, the shares about one pot in eight. */
const particles = 60;

const custard = familyPlan('stirred custard');
/** A cook who does not look up: the ring stays as it is, nothing ends the step. */
const atThicken = (plan = custard, truth = {}) => {
  let e = evening(plan, truth);
  e = cookOn(e, { stop: (x) => presentOf(x)?.id === 'thicken' });
  return e;
};

describe('curdling', () => {
  it.each([
    ['as planned', {}],
    ['on a ring a third stronger', { hob: 1.2 }],
    ['on a weak ring', { hob: -1.2 }],
  ])('a custard left on the ring is called before it is felt, in time for the ring: %s', (_name, truth) => {
    let e = atThicken(custard, truth);
    // turned up and left: nobody says that it coats
    e = note(e, eventAt('hobSet', e.nowMs, { setting: custard.method.simmerSetting }));
    let called = NaN;
    for (let i = 0; i < 400 && Number.isNaN(called); i++) {
      // a thermometer hangs in it
      if (i % 5 === 0) e = note(e, eventAt('measured', e.nowMs, { what: 'probe', value: potOf(e).bulkC }));
      e = cookOn(e, { particles, horizonS: 3, stop: () => true });
      if (calls(e)?.harm === 'curdle') called = e.nowMs;
      else e = { ...e, nowMs: e.nowMs + 3000 };
    }
    expect(called).not.toBeNaN();
    const atCall = onTheHob(e.cook, e.steps, called, e.truth);
    expect(severityOf(atCall.pot)).toBeLessThan(EGG.smooth);
    // eight seconds until the ring is off and the pot is stirred on it: still smooth
    const controls = controlsNow(e.cook, e.steps, called);
    const acted = cook(atCall.pot, atCall.setup, controls, 8).pot;
    const after = cook(acted, atCall.setup, { ...controls, setting: 0, stirEveryS: 2 }, 120).pot;
    expect(severityOf(after)).toBeLessThan(EGG.smooth);
    // and it is a call with a reason: left alone it curdles
    expect(severityOf(cook(atCall.pot, atCall.setup, controls, 300).pot)).toBeGreaterThan(EGG.smooth);
  });
  it('does not cry while the custard is cooked as planned, with a thermometer in it', () => {
    let e = atThicken();
    const heard: number[] = [];
    for (let i = 0; i < 200 && presentOf(e)?.id === 'thicken'; i++) {
      if (i % 5 === 0) e = note(e, eventAt('measured', e.nowMs, { what: 'probe', value: potOf(e).bulkC }));
      e = cookOn(e, { particles, horizonS: 3 });
      if (calls(e)?.harm === 'curdle') heard.push(potOf(e).bulkC);
    }
    // only in the last degree before its end, if at all
    expect(Math.min(99, ...heard)).toBeGreaterThan(80.5);
  });
  it('without a thermometer it asks to look, and “still thin” quiets it', () => {
    let e = atThicken();
    const sure: number[] = [];
    let asked = NaN;
    for (let i = 0; i < 40 && presentOf(e)?.id === 'thicken'; i++) {
      e = cookOn(e, { particles: 200, horizonS: 3 });
      const m = e.margins.find((x) => x.harm === 'curdle');
      if (m?.state !== 'alarm') continue;
      if (!m.asks) sure.push(potOf(e).bulkC);
      else if (Number.isNaN(asked) && potOf(e).bulkC < 82) {
        asked = m.unavoidable;
        const told = note(e, eventAt('observed', e.nowMs, { what: 'still thin' }));
        const after = cookOn(
          { ...told, nowMs: told.nowMs + 500 },
          {
            particles: 200,
            horizonS: 1,
            stop: () => true,
          },
        );
        expect(after.margins.find((x) => x.harm === 'curdle')!.unavoidable).toBeLessThan(asked);
      }
    }
    expect(asked).not.toBeNaN();
    // sure only near its end, if at all
    expect(Math.min(99, ...sure)).toBeGreaterThan(79);
  });
  it('says how many degrees are left, and that starch keeps it smooth', () => {
    const e = cookOn(atThicken(), { particles, horizonS: 9 });
    const m = e.margins.find((x) => x.harm === 'curdle')!;
    expect(m.spareK).toBeGreaterThan(0);
    expect(m.used).toBeLessThan(1);
    const starchy = withLine(familyPlan('stirred custard'), { ingredientId: 'cornstarch', grams: 40, in: 'pot' });
    const hot = cookOn(evening(starchy), { stop: (x) => presentOf(x)?.id === 'off the heat' });
    const { pot, setup } = onTheHob(hot.cook, hot.steps, hot.nowMs, hot.truth);
    expect(curdlesAtC(pot, setup)).toBe(Infinity);
  });
  it('there is none without egg', () => {
    const lit = cookOn(evening(testPlan()), { stop: (x) => presentOf(x)?.id === 'warm' });
    const e = cookOn(lit, { particles, horizonS: 9 });
    expect(e.margins.map((m) => m.harm)).toEqual(['boil over', 'catch']);
  });
});

describe('catching and boiling over', () => {
  const thick = () => {
    const e = cookOn(evening(testPlan()), { stop: (x) => presentOf(x)?.id === 'cook on' });
    return onTheHob(e.cook, e.steps, e.nowMs + 5000, e.truth);
  };
  it('a spoon that rests over a hot ring is called before the film; a stirred pot is not', () => {
    const { pot, setup } = thick();
    const still = { setting: 6, stirEveryS: Infinity, lid: 'off' as const };
    let p = pot;
    let at = NaN;
    for (let s = 0; s < 600 && Number.isNaN(at); s += 3) {
      if (marginsOf([{ pot: p, setup }], still).find((m) => m.harm === 'catch')!.state === 'alarm') at = s;
      else p = cook(p, setup, still, 3).pot;
    }
    expect(at).not.toBeNaN();
    expect(p.scorch).toBeLessThan(SCORCH.film);
    expect(
      cook(cook(p, setup, still, 8).pot, setup, { ...still, setting: 0, stirEveryS: 2 }, 60).pot.scorch,
    ).toBeLessThan(SCORCH.film);
    const paced = marginsOf([{ pot, setup }], { ...still, setting: 3, stirEveryS: 3 });
    expect(paced.find((m) => m.harm === 'catch')!.state).toBe('clear');
  });
  it('milk in a full pan on full heat is called before it is at the rim', () => {
    const plan = testPlan({ pan: { ...testPlan().pan, heightMm: 60, diameterMm: 160 } });
    const e = evening(plan);
    const { pot, setup } = onTheHob(e.cook, e.steps, T0, e.truth);
    const full = { setting: 9, stirEveryS: Infinity, lid: 'off' as const };
    let p = pot;
    let called = NaN;
    for (let s = 0; s < 1200; s += 3) {
      if (Number.isNaN(called) && marginsOf([{ pot: p, setup }], full)[0]!.state === 'alarm') called = p.tS;
      const next = cook({ ...p, foamMax: 0 }, setup, full, 3).pot;
      if (next.foamMax >= FOAM.over) break;
      p = next;
    }
    expect(called).not.toBeNaN();
    expect(p.tS - called).toBeGreaterThan(3);
    expect(marginsOf([{ pot: p, setup }], full)[0]!.harm).toBe('boil over');
  });
  it('the trend is upwards on the ring and downwards off it', () => {
    const { pot, setup } = thick();
    const used = (setting: number) =>
      marginsOf([{ pot, setup }], { setting, stirEveryS: 3, lid: 'off' }).find((m) => m.harm === 'boil over')!;
    expect(used(9).trendPerMin).toBeGreaterThanOrEqual(used(0).trendPerMin);
    expect(MARGIN.alarm).toBeLessThan(MARGIN.near);
  });
});

it('potOf is the pot that the twin is not told about', () => {
  const e = atThicken(custard, { hob: 1 });
  expect(potOf(e).bulkC).not.toBeCloseTo(onTheHob(e.cook, e.steps, e.nowMs).pot.bulkC, 0);
});
