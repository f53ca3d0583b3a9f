import { massG, PUDDING_G_PER_ML } from '../matter/mixture';
import type { Plan } from '../plan/plan';
import { methodOf } from '../plan/family';
import { lookUp, mainLiquid, wholeMixture } from '../plan/bowls';
import { EGG } from '../pot/egg';
import { sugarFraction } from '../pot/paste';
import { RAW_TASTE } from '../pot/pot';
import { SCORCH } from '../pot/scorch';
import { say, type Figure, type Said } from '../say';
import { breaksCoolingRule, coolingRuleSaid, isStillWarm } from '../set/safety';
import type { PhaseEnd } from '../pot/program';
import type { EggReport } from './judgeRisks';
import type { Risk, RiskName } from './risks';

export type CautionId =
  | 'egg-ok'
  | 'egg'
  | 'pan'
  | 'boil-over'
  | 'dish'
  | 'no-bubble'
  | 'not-there'
  | 'turn-up'
  | 'grain-hard'
  | 'burnt-dry'
  | 'dry'
  | 'raw'
  | 'curdle'
  | 'amylase'
  | 'scorch'
  | 'film'
  | 'split'
  | 'sugar'
  | 'stand'
  | 'still-warm'
  | 'cooling'
  | 'keep'
  | 'thin-milk'
  | 'coconut'
  | 'lumps'
  | 'whole-spice'
  | 'alcohol'
  | 'substitute'
  | 'oven'
  | 'choke'
  | 'hot';

/** What a cook should know before it goes wrong, or hurts somebody: an id, and what is said. */
export type Caution = { id: CautionId; says: Said };

/** Chance from which a risk is worth a word (C). */
const WORTH_SAYING = { lumps: 0.08, curdle: 0.15, 'boil over': 0.3, split: 0.2, weeping: 0.6 } as const;
/** of the pan, from which milk may climb to the rim (C) */
const FULL_PAN = 0.66;
/** of what went in, from which a loss is no reduction any more (C) */
const LOST_MUCH = 0.5;

/** What of a forecast asks for care. */
type Judged = {
  egg?: EggReport;
  risks: Record<RiskName, Risk>;
  phases: readonly PhaseEnd[];
  fillRel: number;
  endMassG: number;
  lossRel: number;
  scorch: number;
  rawPer100G: number;
  standing: { stands: boolean };
  cool: Parameters<typeof breaksCoolingRule>[0];
  atTableC: number;
  keeping: { days: number };
  frozen?: unknown;
  bake?: unknown;
};

/** Said of a recipe that is taken as it is, too: what hurts somebody, what spoils, what runs over. */
const SAFETY: ReadonlySet<CautionId> = new Set<CautionId>([
  'egg-ok',
  'egg',
  'pan',
  'boil-over',
  'dish',
  'burnt-dry',
  'cooling',
  'keep',
  'whole-spice',
  'alcohol',
  'substitute',
  'oven',
  'choke',
  'hot',
]);

/** The cautions of a forecast, in the order in which they matter. */
export function cautionsOf(plan: Plan, f: Judged): Caution[] {
  const out: Caution[] = [];
  const warn = (id: CautionId, figures: Record<string, Figure> = {}) => {
    if (!plan.asItIs || SAFETY.has(id)) out.push({ id, says: say(`caution.${id}`, figures) });
  };
  const m = wholeMixture(plan);
  const panMl = Math.PI * (plan.pan.diameterMm / 20) ** 2 * (plan.pan.heightMm / 10);
  const items = plan.things.filter((i) => i.grams > 0).map((i) => lookUp(plan, i.ingredientId));
  const base = mainLiquid(plan)?.base;

  if (f.egg) warn(f.egg.safe ? 'egg-ok' : 'egg', { safeC: EGG.safeC });
  if (massG(m) / 1.03 > panMl * FULL_PAN) warn('pan');
  else if (f.risks['boil over'].chance > WORTH_SAYING['boil over']) warn('boil-over');
  if (f.fillRel > 0.98)
    warn('dish', {
      holdsMl: plan.dish.count * plan.dish.capacityMl,
      comesMl: Math.round(f.endMassG / PUDDING_G_PER_ML / 10) * 10,
    });
  const fires = methodOf(plan).filter((s) => s.do === 'heat');
  const stuck = f.phases.findIndex((p) => p.role.startsWith('thicken') && !p.reached);
  // what is thickened by egg, or over steam, is never to bubble
  if (stuck >= 0) warn(fires[stuck]?.until.reach === 'bubble' && !fires[stuck].over ? 'no-bubble' : 'not-there');
  const turned = f.phases.findIndex((p) => p.turned);
  if (turned >= 0 && f.phases[turned]?.turned)
    warn('turn-up', {
      from: fires[turned]?.setting ?? 0,
      to: f.phases[turned].turned.to,
      afterMin: Math.round((f.phases[turned].turned.atS - f.phases[turned].startS) / 60),
    });
  if (f.phases.some((p) => p.role.startsWith('simmer') && !p.reached)) warn('grain-hard');
  if (f.scorch >= SCORCH.ruined && f.lossRel > 0.4) warn('burnt-dry');
  else if (f.lossRel > LOST_MUCH && plan.choices.reduceTo === undefined) warn('dry');
  if (f.rawPer100G > RAW_TASTE) warn('raw');
  if (f.risks.curdle.chance > WORTH_SAYING.curdle) warn('curdle', { why: f.risks.curdle.why });
  if (f.egg && f.egg.amylaseLeft > 0.05 && m.starchG > 0.01 * massG(m)) warn('amylase');
  if (f.scorch > SCORCH.taste) warn('scorch');
  else if (f.scorch > SCORCH.film) warn('film');
  if (f.risks.split.chance > WORTH_SAYING.split) warn('split');
  if (sugarFraction(m) > 0.35) warn('sugar');
  if (plan.serve.style === 'turned out' && !f.frozen && !f.standing.stands) warn('stand');
  if (isStillWarm(plan.serve.tempC, f.atTableC)) warn('still-warm', { nowC: f.atTableC, wantedC: plan.serve.tempC });
  if (breaksCoolingRule(f.cool)) warn('cooling', { rule: coolingRuleSaid(plan.rest.rule ?? 'two stages') });
  if (plan.rest.hours > f.keeping.days * 24) warn('keep', { count: f.keeping.days });
  if (base === 'nut' || base === 'oat' || base === 'soy') warn('thin-milk');
  if (base === 'coconut' && plan.serve.tempC > COCONUT_SOFT_C) warn('coconut', { softC: COCONUT_SOFT_C });
  if (f.risks.lumps.chance > WORTH_SAYING.lumps)
    warn('lumps', { tenths: 10 * f.risks.lumps.chance, why: f.risks.lumps.why });
  if (items.some((i) => i.comesOut)) warn('whole-spice');
  if (items.some((i) => i.alcohol)) warn('alcohol');
  if (items.some((i) => i.sweetness !== undefined && i.id !== 'honey')) warn('substitute');
  if (f.bake) warn('oven');
  if (items.some((i) => i.group === 'piece' || i.group === 'nut')) warn('choke');
  warn('hot');
  return out;
}

/** degC from which coconut fat no longer holds (B) */
const COCONUT_SOFT_C = 20;
