import { arrhenius, clamp, table } from '../coefficients';
import { massG, type Mixture } from '../matter/mixture';
import { dishAreaM2, type Dish } from '../pantry/kitchen';
import { boilsC, latentJPerKg, pressurePa, saturationPa, waterActivity } from '../pot/air';
import { amylaseRate, curdEquilibrium, curdRate, eggPoint, eggSetRate, salmonellaRate } from '../pot/egg';
import { grainDryG, grainRates, GRAINS } from '../pot/grain';
import { bodyOf, isMilky, sugarFraction, type Fraction } from '../pot/paste';
import { gelEquilibrium, gelPeakC, swellEquilibrium, swellRate } from '../pot/starch';
import { CoolingBody, WALL } from '../set/cooling';
import type { Baking } from './baking';

/** The oven: air and walls, a water bath, drying, browning; egg and starch set cell by cell. */
export const OVEN = table('Oven', {
  stillW: [11, 'W/m2K', 'B', 'convection, still oven'],
  fanW: [22, 'W/m2K', 'B', 'convection, fan'],
  emissivity: [0.9, '1', 'A', 'of food, dish and walls'],
  vapourPa: [7000, 'Pa', 'B', 'water vapour in a closed, full oven; 2000 to 3000 in an empty one'],
  evaporationW: [4.2, 'W/m2K', 'C', 'mass transfer at a wet surface, still: .7 of a kitchen'],
  evaporationFanW: [9.8, 'W/m2K', 'C', 'with a fan'],
  warmUpS: [330, 's', 'B', 'time constant of a cold oven'],
  bathArea: [
    2.25,
    '1',
    'C',
    'surface of the bath that takes heat over the one that evaporates; plateau 82.7 degC at 160',
  ],
  bathW: [200, 'W/m2K', 'B', 'water on the dish'],
  bathKgPerM2: [35, 'kg/m2', 'C', 'water of the bath over its surface'],
  crustW: [0.08, 'W/mK', 'B', 'conductivity of a dry crust'],
  crustAtKg: [1, 'kg/m2', 'C', 'water lost before a paste dries at the top'],
  skinAtKg: [3, 'kg/m2', 'C', 'before a custard does'],
  batterStarch: [0.05, '1', 'C', 'share of raw starch from which a mixture with egg is a batter and no custard'],
  batterCarries: [3, '1', 'C', 'steam moves through a batter that rises: its conductivity against a still one'],
  crustStart: [0.4, '1', 'C', 'share of that lost before a crust grows'],
  brownS: [240, 's', 'C', 'to golden at 150 degC'],
  brownJPerMol: [100000, 'J/mol', 'B', 'browning'],
  golden: [1, '1', 'C', 'golden'],
  dark: [2.5, '1', 'C', 'dark'],
  liquidStirs: [1.2, '1', 'C', 'conductivity of what still flows'],
  footShare: [0.7, '1', 'C', 'of the heat of the sides, through the foot: the rack shades it'],
  grillW: [3800, 'W/m2', 'C', 'grill on the top, what of it a crust takes; fitted: pale to burnt in minutes'],
  coloured: [0.6, '1', 'C', 'of golden at which a paste is called baked, besides being hot in the middle'],
  rimBubblesK: [3, 'K', 'C', 'below the boil at which the rim bubbles: done, under a cover'],
  carriesKg: [0.35, 'kg/m2', 'C', 'water lost at which a first layer carries a second'],
  carriesSet: [0.5, '1', 'C', 'or egg set at the top'],
});

const SIGMA = 5.67e-8;
const DT_S = 10;
/** s between two looks at the grain, which is slower than heat */
const GRAIN_DT_S = 30;

export type Bake = {
  minutes: number;
  reached: boolean;
  centreC: number;
  edgeC: number;
  surfaceC: number;
  bathC: number;
  lossRel: number;
  browning: number;
  crustMm: number;
  /** network of egg in the middle and in the mean; curd in the mean of the volume and of its outer ring */
  eggSet: number;
  eggSetMean: number;
  curdMean: number;
  curdRim: number;
  /** decimal reductions of yolk amylase, of what is left in the mean */
  amylaseLog: number;
  /** decimal reductions of salmonella at the coldest place */
  salmonellaLog: number;
  /** what has become of the starch and the grain */
  fractions: Fraction[];
  /** minutes until the first layer carries a second; NaN if it does not */
  carriesMin: number;
  trace: { minutes: number; centreC: number; edgeC: number }[];
  meanC: number;
};

const evaporates = (surfaceC: number, activity: number, fan: boolean, pPa: number): number => {
  const ps = Math.min(0.97 * pPa, activity * saturationPa(surfaceC));
  const pa = Math.min(OVEN.vapourPa, ps);
  if (ps - pa < 1) return 0;
  const r = 8.314 / 0.018015;
  const dense = ps / (r * (surfaceC + 273.15)) - pa / (r * (surfaceC + 273.15));
  const stefan = (pPa / (ps - pa)) * Math.log((pPa - pa) / (pPa - ps));
  return ((fan ? OVEN.evaporationFanW : OVEN.evaporationW) / 1000) * dense * stefan;
};
const radiates = (ovenC: number, surfaceC: number): number => {
  const a = ovenC + 273.15;
  const b = surfaceC + 273.15;
  return OVEN.emissivity * SIGMA * (a * a + b * b) * (a + b);
};
export type BakeInput = {
  dish: Dish;
  depthM: number;
  startC: number;
  content: Mixture;
  fractions: readonly Fraction[];
  eggSet: number;
  eggCurd: number;
  altitudeM: number;
  roomC: number;
  /** K by which this kitchen's egg curdles later */
  curdShiftK?: number;
  /** of an earlier bake */
  browning?: number;
  step: Baking;
};

/** One step of what grain and starch do in the oven, by the laws of the pot: nobody stirs. @param f is changed in place */
function cookGrain(f: Fraction[], content: Mixture, meanC: number, dryG: number, milky: boolean): void {
  const sugar = sugarFraction(content);
  const { freeWaterG } = bodyOf(content, f);
  for (const fr of f) {
    const g = GRAINS[fr.kind];
    const peak = gelPeakC(g.starch, sugar);
    const gelatinisable = gelEquilibrium(meanC, peak, g.starch);
    fr.gelatinised = Math.max(fr.gelatinised, gelatinisable);
    fr.swelling +=
      swellRate(meanC) * GRAIN_DT_S * Math.max(0, swellEquilibrium(meanC, peak) * gelatinisable - fr.swelling);
    const rates = grainRates(g, fr.grainMm ?? g.sizeMm, fr, {
      tempC: meanC,
      gelatinisable,
      sugarFraction: sugar,
      milky,
      freeWaterG,
      dryG,
      rub: 1,
    });
    fr.fourier += rates.fourier * GRAIN_DT_S;
    fr.leached = Math.min(1, fr.leached + rates.leached * GRAIN_DT_S);
  }
}

/** Share of a layer's volume that belongs to this cell's ring. */
const ringShare = (i: number, nr: number): number => (2 * (i % nr) + 1) / (nr * nr);

/** Bakes a filled dish. Temperatures degC, depth m; see {@link Bake}. */
export function bake(b: BakeInput): Bake {
  const { content, step } = b;
  const nr = 6;
  const nz = 10;
  const radius = Math.sqrt(dishAreaM2(b.dish) / Math.PI);
  const body = new CoolingBody(radius, b.depthM, b.startC, nr, nz);
  const n = nr * nz;
  const set = new Float64Array(n).fill(b.eggSet);
  const curd = new Float64Array(n).fill(b.eggCurd);
  const salmonella = new Float64Array(n);
  const amylase = new Float64Array(n);
  const hottest = new Float64Array(n).fill(b.startC);
  const x = sugarFraction(content);
  const point = eggPoint(content, x);
  if (point) point.curdC += b.curdShiftK ?? 0;
  const mass = massG(content);
  const wet = content.waterG / mass;
  // egg makes a custard of milk, a batter of flour: that dries at the top and browns as a paste does
  const egg = content.eggProteinG > 0.01 * mass;
  const rawG = b.fractions.reduce((sum, f) => sum + f.starchG * (1 - f.gelatinised), 0);
  const batter = egg && rawG > OVEN.batterStarch * mass;
  const custard = egg && !batter;
  const conduct = (0.2 + 0.44 * wet) * (batter ? OVEN.batterCarries : content.eggProteinG > 0 ? OVEN.liquidStirs : 1);
  const alpha = conduct / (1040 * (1900 + 2280 * wet));
  const activity = waterActivity(content.bindsG, content.waterG);
  const pPa = pressurePa(b.altitudeM);
  const capC = boilsC(b.altitudeM, content.bindsG, content.waterG);
  const crustAt = custard ? OVEN.skinAtKg : OVEN.crustAtKg;
  const covered = step.covered || step.bath === 'covered';
  const hc = step.fan ? OVEN.fanW : OVEN.stillW;
  const perM2 = b.depthM * 1040;
  let bathC = step.from === 'cold' ? b.roomC : 75;
  let lost = 0;
  let fromTop = 0;
  let browning = b.browning ?? 0;
  let crustM = 0;
  let crustC = b.startC;
  let carriesMin = NaN;
  const trace: Bake['trace'] = [];
  const fractions = b.fractions.map((f) => ({ ...f }));
  const dryG = grainDryG(fractions);
  const inDish = { ...content };
  const milky = isMilky(content);
  const mid = Math.floor(nz / 2) * nr;
  const edge = Math.floor(nz / 2) * nr + nr - 1;
  // the coldest place: the middle of the axis, or the foot over a cold bath
  const centre = () => Math.min(body.tempC[mid]!, body.tempC[mid + nr]!);
  const limitS = (step.until.reach === 'time' ? step.until.minutes : step.limitMin) * 60;
  const all = limitS + step.grillMin * 60;
  let t = 0;
  let done = false;
  let grillFrom = step.until.reach === 'time' ? limitS : Infinity;
  while (t < all - 1e-6) {
    const grilling = t >= grillFrom;
    if (grilling && t - grillFrom >= step.grillMin * 60 - 1e-6) break;
    const ovenC = step.from === 'cold' ? step.ovenC - (step.ovenC - b.roomC) * Math.exp(-t / OVEN.warmUpS) : step.ovenC;
    const ts = body.surfaceC();
    const rad = radiates(ovenC, Math.max(ts, crustC));
    const flux = covered ? 0 : evaporates(Math.min(ts, capC), activity, step.fan, pPa);
    const through = 1 / (1 + crustM / 1e-3);
    const latent = latentJPerKg(Math.min(ts, capC));
    const topH = (1 / (1 / (hc + rad) + crustM / OVEN.crustW)) * (step.covered ? 0.5 : 1);
    const grill = grilling ? OVEN.grillW : 0;
    const wall = WALL[b.dish.wall];
    const sides =
      step.bath === 'none'
        ? { airC: ovenC, hW: 1 / (1 / (hc + radiates(ovenC, body.tempC[edge]!)) + 1 / wall) }
        : { airC: bathC, hW: 1 / (1 / OVEN.bathW + 1 / wall) };
    body.step(
      DT_S,
      sides,
      { airC: ovenC, hW: topH },
      step.bath === 'none' ? { ...sides, hW: sides.hW * OVEN.footShare } : sides,
      flux * through * latent - grill * 0.6,
      conduct,
      alpha,
    );
    lost += flux * through * DT_S;
    fromTop += flux * through * DT_S;
    // what would pass the boil becomes steam
    for (let i = 0; i < n; i++) {
      const ring = ringShare(i, nr);
      const over = body.tempC[i]! - capC;
      if (over > 0) {
        body.tempC[i] = capC;
        lost += (over * 3600 * 1040 * (b.depthM / nz) * ring) / latent;
      }
      const c = body.tempC[i]!;
      if (c > hottest[i]!) hottest[i] = c;
      if (point) {
        set[i]! += (1 - set[i]!) * (1 - Math.exp(-eggSetRate(c, point) * DT_S));
        const eq = curdEquilibrium(c, point);
        if (eq > curd[i]!) curd[i]! += (eq - curd[i]!) * (1 - Math.exp(-curdRate(c, point) * DT_S));
      }
      salmonella[i]! += salmonellaRate(c) * DT_S;
      amylase[i]! += amylaseRate(c) * DT_S;
    }
    lost = Math.min(lost, perM2 * wet * 0.7);
    inDish.waterG = Math.max(1, content.waterG - (mass * lost) / perM2);
    if (fractions.length && t % GRAIN_DT_S < DT_S) cookGrain(fractions, inDish, body.meanC(), dryG, milky);
    crustM = Math.max(0, (fromTop - OVEN.crustStart * crustAt) / (1000 * wet));
    const inner = OVEN.crustW / Math.max(crustM, 2e-5);
    crustC = crustM > 0 ? ((hc + rad) * ovenC + grill + inner * ts) / (hc + rad + inner) : ts;
    browning += (arrhenius(OVEN.brownJPerMol, 150, crustC) * DT_S) / OVEN.brownS;
    if (step.bath !== 'none') {
      const capBath = step.bath === 'covered';
      const take = OVEN.bathArea * (hc + radiates(ovenC, bathC)) * (ovenC - bathC);
      const give = capBath ? 0 : evaporates(bathC, 1, step.fan, pPa) * latentJPerKg(bathC);
      bathC = Math.min(capC, bathC + ((take - give) * DT_S) / (OVEN.bathKgPerM2 * 4180));
    }
    t += DT_S;
    const topSet = set[(nz - 1) * nr]!;
    if (Number.isNaN(carriesMin) && (lost > OVEN.carriesKg || (point && topSet > OVEN.carriesSet))) carriesMin = t / 60;
    if (t % 60 < DT_S) trace.push({ minutes: t / 60, centreC: centre(), edgeC: body.tempC[edge]! });
    // a custard is done by its middle; a slab, poured in hot, by its colour too, or under a cover by its rim
    const looksDone =
      custard ||
      step.grillMin > 0 ||
      (covered ? body.tempC[edge]! >= capC - OVEN.rimBubblesK : browning >= OVEN.coloured);
    const isDone =
      (step.until.reach === 'centre' && looksDone && centre() >= step.until.tempC) ||
      (step.until.reach === 'colour' && browning >= OVEN.golden) ||
      (step.until.reach === 'carries' && !Number.isNaN(carriesMin));
    if (!done && isDone) {
      done = true;
      grillFrom = t;
      if (step.grillMin <= 0) break;
    }
  }
  for (const f of fractions) {
    const s = GRAINS[f.kind].starch;
    const peak = gelPeakC(s, x);
    let here = 0;
    for (let i = 0; i < n; i++)
      here += Math.max(f.gelatinised, gelEquilibrium(hottest[i]!, peak, s)) * ringShare(i, nr);
    f.gelatinised = here / nz;
  }
  /** by volume: a cell counts for its ring */
  const mean = (of: (i: number) => number) => {
    let sum = 0;
    for (let i = 0; i < n; i++) sum += of(i) * ringShare(i, nr);
    return sum / nz;
  };
  let rim = 0;
  for (let z = 0; z < nz; z++) rim += curd[z * nr + nr - 1]! / nz;
  return {
    minutes: t / 60,
    reached: step.until.reach === 'time' || done,
    centreC: centre(),
    edgeC: body.tempC[edge]!,
    surfaceC: crustC,
    bathC,
    lossRel: clamp(lost / perM2, 0, 0.6),
    browning,
    crustMm: crustM * 1000,
    eggSet: set[mid]!,
    eggSetMean: mean((i) => set[i]!),
    curdMean: mean((i) => curd[i]!),
    curdRim: rim,
    amylaseLog: -Math.log10(
      Math.max(
        1e-30,
        mean((i) => 10 ** -amylase[i]!),
      ),
    ),
    salmonellaLog: Math.min(...salmonella),
    fractions,
    carriesMin,
    trace,
    meanC: body.meanC(),
  };
}

/** Raw liquid of a second layer that leaves `depthMm` after it has lost `lossRel`, ml. */
export const secondLayerMl = (areaM2: number, depthMm: number, lossRel: number): number =>
  (areaM2 * depthMm * 1000) / (1 - lossRel);
