import { quantile } from 'simple-statistics';
import { clamp, table } from '../coefficients';
import { massG } from '../matter/mixture';
import { curdSeverity, EGG, eggPoint, starchProtects } from '../pot/egg';
import { FOAM } from '../pot/foam';
import { sugarFraction } from '../pot/paste';
import { cook, cookedStarchPct, severityOf, type Controls, type Pot, type PotSetup } from '../pot/pot';
import { COARSE } from '../pot/program';
import { SCORCH } from '../pot/scorch';

/** How far the pot is from harm, and the call before it is too late. */
export const MARGIN = table('Margins at the pot', {
  reactS: [12, 's', 'C', 'from the call to the ring off'],
  coastS: [55, 's', 'C', 'from there until it is out of the pan, or the floor is scraped'],
  lookS: [90, 's', 'C', 'ahead, if nothing is done'],
  chunkS: [6, 's', 'C', 'in pieces of'],
  alarm: [0.2, '1', 'C', 'share of pots that come to harm though it is acted on: call'],
  near: [0.5, '1', 'C', 'share that come to harm in the time looked ahead if nothing is done: near'],
  bandK: [20, 'K', 'C', 'width of the band before curdling'],
  knownK: [6, 'K', 'C', 'heat known less than this, 8 pots in 10: a call about egg asks to look'],
  trendS: [18, 's', 'C', 'over which a trend is taken'],
});

const HARMS = ['boil over', 'curdle', 'catch'] as const;
/** In the order in which they are called. */
export type Harm = (typeof HARMS)[number];

export type Margin = {
  harm: Harm;
  /** share of the way to the limit, 1 is there: middle of the pots */
  used: number;
  /** change of that in a minute, as the hands are now */
  trendPerMin: number;
  /** s to the limit if nothing is done, middle of the pots that get there; undefined when fewer than half do */
  inS?: number;
  /** K below curdling */
  spareK?: number;
  /** share of pots that come to harm though it is acted on at once */
  unavoidable: number;
  state: 'clear' | 'near' | 'alarm';
  /** so little is known of its heat that the call can only ask to look */
  asks: boolean;
};

/** Heart of the pot at which egg begins to be felt, degC; Infinity where starch keeps it smooth, NaN without egg. */
export function curdlesAtC(pot: Pot, setup: PotSetup): number {
  const point = eggPoint(pot.content, sugarFraction(pot.content));
  if (!point) return NaN;
  const felt = curdSeverity(1, 0, (100 * pot.content.eggProteinG) / massG(pot.content));
  const share = EGG.smooth / Math.max(1e-9, felt * (1 - starchProtects(cookedStarchPct(pot))));
  if (share >= 1) return Infinity;
  return point.curdC + (setup.tuning?.curdShiftK ?? 0) - EGG.curdWidthK * Math.log(1 / share - 1);
}

/** Foam of the last stretch: the largest index in it. */
const fresh = (pot: Pot): Pot => ({ ...pot, foamMax: 0 });

function usedOf(harm: Harm, pot: Pot, setup: PotSetup): number {
  switch (harm) {
    case 'boil over':
      return pot.foamMax / FOAM.over;
    case 'catch':
      return pot.scorch / SCORCH.film;
    case 'curdle': {
      const at = curdlesAtC(pot, setup);
      // past the limit once it is felt; before that how near its heart is
      if (severityOf(pot) >= EGG.smooth) return 1;
      if (!Number.isFinite(at)) return 0;
      return clamp(1 - (at - pot.bulkC) / MARGIN.bandK, 0, 0.99);
    }
  }
}

const harmed = (harm: Harm, pot: Pot): boolean =>
  harm === 'curdle'
    ? severityOf(pot) >= EGG.smooth
    : harm === 'catch'
      ? pot.scorch >= SCORCH.film
      : pot.foamMax >= FOAM.over;

/** A ring that is off, or that the pan has left, calls nobody for what burns or climbs. Egg goes on setting. */
const isOut = (c: Controls): boolean => c.lifted === true || (c.watts === undefined && c.setting === 0);

/** Share of the pots that are no worse than what is told of foam. */
const WORSE = 0.8;
const middle = (xs: number[]): number => quantile(xs, 0.5);

/** Off the ring: what the pan and the ring still hold goes in, or does not where the pot is lifted. */
const off = (c: Controls): Controls => {
  const { watts: _w, ...rest } = c;
  return { ...rest, setting: 0, stirEveryS: Math.min(c.stirEveryS, 2) };
};

/**
 * The margins of a pot that is known as a few that stand for it, each as likely as another.
 * @param controls what the hands and the ring do now
 */
export function marginsOf(pots: readonly { pot: Pot; setup: PotSetup }[], controls: Controls): Margin[] {
  const egg = pots.some(({ pot }) => pot.content.eggProteinG > 0);
  const chunks = Math.round(MARGIN.lookS / MARGIN.chunkS);
  const trendAt = Math.round(MARGIN.trendS / MARGIN.chunkS);
  const paths = pots.map(({ pot, setup }) => {
    const on: Pot[] = [];
    let p = pot;
    for (let i = 0; i < chunks; i++)
      on.push((p = cook(fresh(p), setup, controls, MARGIN.chunkS, undefined, { toleranceScale: COARSE }).pot));
    const react = cook(fresh(pot), setup, controls, MARGIN.reactS, undefined, { toleranceScale: COARSE }).pot;
    const coast = cook(react, setup, off(controls), MARGIN.coastS, undefined, { toleranceScale: COARSE }).pot;
    return { pot, setup, on, coast };
  });
  return HARMS.filter((h) => h !== 'curdle' || egg).map((harm): Margin => {
    // foam comes in seconds: it is told from the worse pots, and a little ahead
    const at = harm === 'boil over' ? WORSE : 0.5;
    const soon = (x: (typeof paths)[number]) => (harm === 'boil over' ? x.on[1]! : x.pot);
    const used = quantile(
      paths.map((x) => usedOf(harm, soon(x), x.setup)),
      at,
    );
    const later = quantile(
      paths.map((x) => usedOf(harm, x.on[trendAt - 1]!, x.setup)),
      at,
    );
    const times = paths.map((x) => {
      if (harm !== 'boil over' && harmed(harm, x.pot)) return 0;
      const at = x.on.findIndex((p) => harmed(harm, p));
      return at < 0 ? Infinity : (at + 1) * MARGIN.chunkS;
    });
    const come = times.filter((t) => Number.isFinite(t)).length / times.length;
    const unavoidable = paths.filter((x) => harmed(harm, x.coast)).length / paths.length;
    const curdC = harm === 'curdle' ? middle(paths.map((x) => curdlesAtC(x.pot, x.setup))) : NaN;
    const inS = middle(times);
    const hearts = paths.map((x) => x.pot.bulkC);
    const silent = harm !== 'curdle' && isOut(controls);
    const state = silent ? 'clear' : unavoidable >= MARGIN.alarm ? 'alarm' : come >= MARGIN.near ? 'near' : 'clear';
    return {
      harm,
      used,
      trendPerMin: ((later - used) * 60) / MARGIN.trendS,
      ...(Number.isFinite(inS) ? { inS } : {}),
      ...(Number.isFinite(curdC) ? { spareK: curdC - middle(paths.map((x) => x.pot.bulkC)) } : {}),
      unavoidable,
      state,
      asks: harm === 'curdle' && state === 'alarm' && quantile(hearts, 0.9) - quantile(hearts, 0.1) > MARGIN.knownK,
    };
  });
}
