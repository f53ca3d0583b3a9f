import type { Forecast } from '../../core/model/forecast';
import { comingOut, kindOf, type NamedStep } from '../../core/plan/methodList';
import { purposeOf, topOf, type HeatStep, type Bowl } from '../../core/plan/method';
import type { Plan } from '../../core/plan/plan';
import { lookUp, heldAfter, portionsIn, potsIn, wholeMixture } from '../../core/plan/bowls';
import { depthMm } from '../../core/pot/corrections';
import { massG } from '../../core/matter/mixture';
import type { Formatter } from '../../words/format';
import { t } from '../../words';

/** Steps of the list in a cook's words: what each is, how it goes, and what it comes to. */

export const stepTitle = (s: NamedStep): string =>
  s.do === 'say' ? s.words : 'name' in s && s.name ? s.name : t(`stepKind.${kindOf(s)}`);

const untilSays = (until: HeatStep['until'], fmt: Formatter): string => {
  switch (until.reach) {
    case 'time':
      return until.minutes < 1
        ? t('stepLine.until.seconds', { seconds: Math.round(until.minutes * 60) })
        : t('stepLine.until.minutes', { minutes: Math.round(until.minutes * 10) / 10 });
    case 'temperature':
      return t('stepLine.until.temperature', { temp: fmt.temp(until.tempC) });
    case 'share':
      return t('stepLine.until.share', { percent: Math.round(until.share * 100) });
    case 'mass':
      return t('stepLine.until.mass', { grams: fmt.grams(until.grams) });
    default:
      return t(`stepLine.until.${until.reach}`);
  }
};

/** What goes in at a moment, each with its grams. */
export const thingsAt = (plan: Plan, bowl: Bowl, fmt: Formatter): string =>
  [
    ...portionsIn(plan, bowl).map((p) => `${fmt.grams(p.grams)} ${p.ingredient.name}`),
    ...potsIn(plan, bowl).map((p) => t('stepLine.ofPot', { name: p.vessel.name, share: Math.round(100 * p.share) })),
  ].join(', ') || t('stepLine.nothing');

/** What is put into a bowl, each with its grams, before any bowl is poured into another. */
const thingsIn = (plan: Plan, bowl: Bowl, fmt: Formatter): string =>
  heldAfter(plan, bowl)
    .map((p) => `${fmt.grams(p.grams)} ${p.ingredient.name}`)
    .join(', ') || t('stepLine.nothing');

/** A bowl by what was put into it. */
export const bowlName = (plan: Plan, bowl: Bowl): string =>
  bowl === 'pot'
    ? t('stepLine.thePot')
    : [...heldAfter(plan, bowl).map((p) => p.ingredient.name), ...potsIn(plan, bowl).map((p) => p.vessel.name)].join(
        ', ',
      ) || t('stepLine.emptyBowl');

/** Something in it may lump: how it meets the liquid matters. */
export const meetsLiquid = (plan: Plan, bowl: Bowl): boolean =>
  portionsIn(plan, bowl).some((p) => p.ingredient.per100.starch > LUMPS_FROM_PCT);
const LUMPS_FROM_PCT = 20;

/** How it goes, in one line. */
export function stepLine(s: NamedStep, plan: Plan, fmt: Formatter): string {
  switch (s.do) {
    case 'pour':
      switch (s.to) {
        case 'dish':
          return `${plan.dish.count} × ${fmt.ml(plan.dish.capacityMl)}`;
        case 'top':
          return thingsAt(plan, topOf(s), fmt);
        case 'bowl':
          return t(s.share < 1 ? 'stepLine.shareTogether' : 'stepLine.together', {
            from: bowlName(plan, s.from),
            into: bowlName(plan, s.into),
            percent: Math.round(100 * s.share),
          });
        case 'pot':
          break;
      }
      return [
        meetsLiquid(plan, s.from)
          ? t('stepLine.into', { what: thingsAt(plan, s.from, fmt), how: t(`entry.${s.how}`) })
          : thingsAt(plan, s.from, fmt),
        s.ladleG ? t('stepLine.ladles', { grams: fmt.grams(s.ladleG) }) : '',
        s.soakMin > 0 ? t('stepLine.soaked', { minutes: s.soakMin }) : '',
      ]
        .filter(Boolean)
        .join(', ');
    case 'heat':
      return [
        untilSays(s.until, fmt),
        s.setting > 0 ? t('stepLine.ring', { setting: s.setting }) : t('stepLine.ringOff'),
        s.over ? t('stepLine.overWater') : '',
        s.stirEveryS === null ? t('stepLine.spoonRests') : t('stepLine.stir', { every: s.stirEveryS }),
        s.lid === 'off' ? '' : t('stepLine.lid', { lid: t(`stepField.lid.${s.lid}`) }),
      ]
        .filter(Boolean)
        .join(', ');
    case 'mix':
      return t('stepLine.mix', {
        what: s.in === 'pot' ? t('stepLine.allInThePot') : thingsIn(plan, s.in, fmt),
        tool: t(`mixTool.${s.with}`),
        until: t(`mixed.${s.until}`),
      });
    case 'take out':
      return (s.things ?? comingOut(plan)).map((id) => lookUp(plan, id).name).join(', ') || t('stepLine.nothing');
    case 'serve':
      return [
        t('stepLine.serve', { temp: fmt.temp(plan.serve.tempC), style: t(`style.${plan.serve.style}`) }),
        s.from ? thingsAt(plan, s.from, fmt) : '',
      ]
        .filter(Boolean)
        .join(', ');
    case 'bake':
      return [
        t('stepLine.oven', { temp: fmt.temp(s.ovenC) }),
        s.fan ? t('stepLine.fan') : '',
        s.from === 'cold' ? t('stepLine.cold') : '',
        s.bath === 'none' ? '' : t('stepLine.bath'),
        s.covered ? t('stepLine.covered') : '',
        bakeUntil(s.until, fmt),
        s.grillMin > 0 ? t('stepLine.grill', { minutes: s.grillMin }) : '',
      ]
        .filter(Boolean)
        .join(', ');
    case 'say':
      return s.minutes === undefined ? t('stepLine.ownWords') : t('stepLine.until.minutes', { minutes: s.minutes });
    case 'rest':
      return [
        t('stepLine.hours', { hours: fmt.hours(s.minutes / 60) }),
        t(`place.${s.where}`),
        s.covered ? t('stepLine.covered') : t('stepLine.open'),
      ].join(', ');
  }
}

function bakeUntil(until: Extract<NamedStep, { do: 'bake' }>['until'], fmt: Formatter): string {
  switch (until.reach) {
    case 'time':
      return until.minutes > 0 ? t('stepLine.until.minutes', { minutes: Math.round(until.minutes) }) : '';
    case 'centre':
      return t('stepLine.untilCentre', { temp: fmt.temp(until.tempC) });
    case 'colour':
      return t('stepLine.untilColour');
    case 'carries':
      return t('stepLine.untilCarries');
  }
}

/** A chance of lumps that is worth a word. */
const FELT = 0.08;

/** What it comes to, as the model has it; empty where the forecast is of another list. */
export function stepTold(i: number, list: readonly NamedStep[], plan: Plan, f: Forecast, fmt: Formatter): string {
  const s = list[i]!;
  const told = f.told.length === list.length ? f.told[i] : undefined;
  if (!told) return '';
  const out: string[] = [];
  const fromG = f.told[i - 1]?.massG ?? massG(wholeMixture(plan));
  switch (s.do) {
    case 'heat':
      if (s.until.reach !== 'time') out.push(t('stepTold.took', { minutes: Math.max(1, Math.round(told.minutes)) }));
      if (s.until.reach !== 'temperature') out.push(t('stepTold.ends', { temp: fmt.temp(told.tempC) }));
      if (s.role === 'reduce') {
        const mm = (g: number) =>
          fmt.length((depthMm(wholeMixture(plan), plan.pan.diameterMm) * g) / massG(wholeMixture(plan)));
        out.push(
          t('stepTold.mark', { from: mm(fromG), to: mm(told.massG) }),
          t('stepTold.left', { grams: fmt.grams(told.massG) }),
        );
      }
      if (!told.reached) out.push(t('stepTold.never'));
      break;
    case 'pour': {
      if (s.to !== 'pot') break;
      const tenths = Math.round((told.lumpRisk ?? 0) * 10);
      if ((told.lumpRisk ?? 0) > FELT) out.push(t('stepTold.lumps', { tenths: Math.max(1, tenths) }));
      if (purposeOf(s.from) === 'fold in' && f.folded) {
        out.push(t('stepTold.grows', { ml: fmt.ml(f.folded.addsMl), fill: Math.round(f.fillRel * 100) }));
        if (f.folded.steps > 0.05) out.push(t('stepTold.softer', { steps: f.folded.steps.toFixed(1) }));
      }
      break;
    }
    case 'bake':
      out.push(t('stepTold.took', { minutes: Math.round(told.minutes) }));
      if (s.bath === 'none' && told.browning !== undefined)
        out.push(t(told.browning < 0.6 ? 'stepTold.pale' : told.browning < 2 ? 'stepTold.golden' : 'stepTold.dark'));
      if (!told.reached) out.push(t('stepTold.never'));
      break;
    case 'rest':
      if (s.where === 'freezer') {
        if (f.frozen)
          out.push(
            Number.isNaN(f.frozenH)
              ? t('stepTold.notFrozen')
              : t('stepTold.frozen', {
                  hours: fmt.hours(f.frozenH),
                  waitMin: Math.max(1, Math.round(f.frozen.pullsRoomS / 60)),
                }),
          );
        else if (!Number.isNaN(f.touchH)) out.push(t('stepTold.touch', { hours: fmt.hours(f.touchH) }));
      }
      if (i === list.findLastIndex((x) => x.do === 'rest'))
        out.push(t('stepTold.served', { word: t(`word.${f.serving.word}`) }));
      break;
    default:
      break;
  }
  return out.join(', ');
}
