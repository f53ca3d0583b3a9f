import { forecast, type Forecast } from '../model/forecast';
import { RISKS, type RiskName } from '../model/risks';
import { methodOf } from '../plan/family';
import type { Plan } from '../plan/plan';
import type { Said } from '../say';

/** Two ways to cook one plan, beside each other: what is told of each, and what differs. */

/** What is told of one way to cook it. */
export type Told = {
  name: Said;
  minutes: number;
  /** minutes that truly need the spoon */
  stirringMin: number;
  wordHot: string;
  wordServing: string;
  hotPaS: number;
  yieldPa: number;
  nextDayPa: number;
  bite: number;
  endMassG: number;
  sweetnessPct: number;
  toServingTempH: number;
  risks: Record<(typeof RISKS)[number], number>;
  unmould: number;
  aromaLeft: number;
  look: Forecast['look'];
  /** the layer on top: minutes in its own pan, depth in the dish */
  topMin: number;
  /** in the oven */
  ovenMin: number;
  topMm: number;
};

export const tell = (name: Said, plan: Plan): Told => toldOf(name, plan, forecast(plan));

/** The same of a forecast that is there already. */
export function toldOf(name: Said, plan: Plan, f: Forecast): Told {
  const heats = methodOf(plan).filter((s) => s.do === 'heat');
  const stirringMin = heats.reduce((sum, s, i) => {
    const took = f.phases[i];
    return s.stirEveryS !== null && s.stirEveryS <= 15 && took ? sum + (took.endS - took.startS) / 60 : sum;
  }, 0);
  return {
    name,
    minutes: f.minutes.total,
    stirringMin,
    wordHot: f.hot.word,
    wordServing: f.serving.word,
    hotPaS: f.hot.viscosityPaS,
    yieldPa: f.serving.yieldPa,
    nextDayPa: f.nextDay.yieldPa,
    bite: f.bite,
    endMassG: f.endMassG,
    sweetnessPct: f.sweetnessPct,
    toServingTempH: f.servingTempH,
    risks: Object.fromEntries(RISKS.map((r) => [r, f.risks[r].chance])) as Told['risks'],
    unmould: f.knife.unmould,
    aromaLeft: f.aroma.length ? Math.min(...f.aroma.map((a) => a.left)) : 1,
    look: f.look,
    topMin: f.top?.minutes ?? 0,
    ovenMin: f.bake?.minutes ?? 0,
    topMm: f.top?.depthMm ?? 0,
  };
}

/** One thing that differs: figures in the unit of its name, words by their id, a risk as its chance. */
export type Difference = {
  what:
    | 'minutes'
    | 'stirringMin'
    | 'hot'
    | 'serving'
    | 'hotPaS'
    | 'yieldPa'
    | 'endMassG'
    | 'sweetnessPct'
    | 'bite'
    | 'coldH'
    | 'unmould'
    | 'aromaLeft'
    | 'topMin'
    | 'ovenMin'
    | 'topMm'
    | 'cream'
    | 'tint'
    | 'risk';
  risk?: RiskName;
  from: number | string;
  to: number | string;
  ratio?: number;
};

/** What changes from one way to another; small changes are left out. */
export function differences(a: Told, b: Told): Difference[] {
  const out: Difference[] = [];
  const number = (what: Difference['what'], x: number, y: number, least: number) => {
    if (!Number.isFinite(x) || !Number.isFinite(y)) return;
    if (Math.abs(y - x) > least * Math.max(Math.abs(x), Math.abs(y), 1e-9))
      out.push({ what, from: x, to: y, ...(x !== 0 ? { ratio: y / x } : {}) });
  };
  const word = (what: Difference['what'], x: string, y: string) => x !== y && out.push({ what, from: x, to: y });
  number('minutes', a.minutes, b.minutes, 0.04);
  number('stirringMin', a.stirringMin, b.stirringMin, 0.05);
  word('hot', a.wordHot, b.wordHot);
  word('serving', a.wordServing, b.wordServing);
  number('hotPaS', a.hotPaS, b.hotPaS, 0.08);
  number('yieldPa', a.yieldPa, b.yieldPa, 0.05);
  number('endMassG', a.endMassG, b.endMassG, 0.03);
  number('sweetnessPct', a.sweetnessPct, b.sweetnessPct, 0.04);
  number('bite', a.bite, b.bite, 0.01);
  number('coldH', a.toServingTempH, b.toServingTempH, 0.05);
  number('unmould', a.unmould, b.unmould, 0.01);
  number('aromaLeft', a.aromaLeft, b.aromaLeft, 0.1);
  number('ovenMin', a.ovenMin, b.ovenMin, 0.02);
  number('topMin', a.topMin, b.topMin, 0.04);
  number('topMm', a.topMm, b.topMm, 0.04);
  number('cream', a.look.cream, b.look.cream, 0.15);
  word('tint', a.look.tint ?? 'none', b.look.tint ?? 'none');
  for (const risk of RISKS)
    if (Math.abs(a.risks[risk] - b.risks[risk]) > 0.03)
      out.push({ what: 'risk', risk, from: a.risks[risk], to: b.risks[risk] });
  return out;
}
