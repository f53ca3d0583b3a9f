import { eachLine, linesOf, withOwnSteps } from '../plan/layout';
import { BESIDE_USES, purposeOf } from '../plan/method';
import { forecast, type Forecast } from '../model/forecast';
import { moved, wetted, withGrams } from '../plan/amounts';
import { massG, PUDDING_G_PER_ML } from '../matter/mixture';
import { lookUp, wholeMixture } from '../plan/bowls';
import type { Plan } from '../plan/plan';
import { solve } from '../advice/solve';
import { PANS } from '../pantry/kitchen';
import type { Pantry } from '../pantry/pantry';
import { GRAINS } from '../pot/grain';
import { suggestSettings } from '../pot/hob';
import { panFit } from '../vessels/fit';
import type { Line } from './lines';
import { type Reading } from './read';
import { say, type Said } from '../say';
import { SAFE_COOLING } from '../set/safety';

/** One thing found: what it is, why it matters, and what would mend it. */
export type Finding = {
  id: string;
  /** needs mending, worth minding, or a fact */
  level: 'mend' | 'mind' | 'fact';
  says: Said;
  why: Said;
  fix?: { says: Said; apply(plan: Plan): Plan };
};

/** What is looked at: the recipe as read, its plan and forecast, and what follows from them. */
type Matter = ReturnType<typeof matterOf>;
type Finder = (matter: Matter) => Finding[];

/** Usual g of a thickener in a litre of liquid, from pouring to slicing (B): what a cook compares with. */
const PER_LITRE: Readonly<Record<string, readonly [number, number]>> = {
  cornstarch: [25, 130],
  custard_powder: [25, 130],
  potato_starch: [25, 110],
  tapioca_starch: [25, 120],
  wheat_flour: [45, 180],
  rice_flour: [40, 170],
  rice_ground: [50, 180],
  semolina: [60, 220],
  cornmeal_fine: [80, 260],
  cornmeal_coarse: [80, 260],
  rice_short: [70, 220],
};
/** Deeper than this and a pudding keeps its warmth too long, mm (B): see the cooling rules. */
const DEEP_MM = 60;
/** Less than this above the milk and any foam is over the rim, mm (B). */
const LEAST_HEADROOM_MM = 15;
/** Chance from which a boil-over is the pan's fault. */
const OFTEN = 0.6;
/** A middle warmer than this is not what "chilled" means, degC. */
const NOT_COLD_C = 12;
/** Yolk beside less starch than this curdles at the boil, % (see the protection law). */
const PROTECTS_PCT = 1.5;

/** Yolk alone: where a cook is told that it curdles, and to stop, degC (B: the egg law says more). */
const YOLK_CURDLES_C = 84;
const CUSTARD_STOPS_C = 82;

const cap = (s: string) => s[0]!.toUpperCase() + s.slice(1);

const withoutSteps = (plan: Plan): Plan => withOwnSteps(plan);

const sentenceWith = (method: readonly string[], word: RegExp) => method.find((s) => word.test(s))?.slice(0, 90);

/** Words that say which thing is meant, not what kind of it. */
const PLAIN = new Set([
  'whole',
  'fresh',
  'white',
  'fine',
  'ground',
  'canned',
  'chopped',
  'grated',
  'dried',
  'light',
  'carton',
  'powder',
  'drink',
  'plain',
  'peeled',
  'stoned',
  'grain',
  'short',
  'long',
  'coarse',
  'single',
  'double',
  'stick',
  'sticks',
  'pods',
  'extract',
  'water',
  'with',
  'from',
  'half',
  'tbsp',
  'cups',
  'large',
  'about',
]);
const wordsOf = (text: string) =>
  text
    .toLowerCase()
    .match(/[a-zé]{3,}/g)
    ?.filter((w) => !PLAIN.has(w)) ?? [];

/** Whether the method ever uses a line of the list. */
/** Whether anything is done with the thing of a line. */
const isPut = (at: number, { account: a }: Reading): boolean =>
  a.puts.some((p) => p.thing === at) || a.out.has(at) || !['pot', 'side'].includes(a.part.get(at) ?? 'pot');

function isUsed(line: Line, r: Reading, pantry: Pantry): boolean {
  const at = r.account.things.findIndex((x) => !x.found && x.text === line.text);
  if (line.found || isPut(at, r)) return true;
  // where it was followed what goes where, that is what counts
  if (r.account.puts.length > r.account.things.length / 2)
    return r.account.things[at]?.again === true || line.grams === 0;
  const method = r.method.join(' ').toLowerCase();
  if (!method || line.grams === 0) return true;
  if (
    /\b(everything|all (?:of )?(?:the )?(?:other |remaining |dry |cold )?ingredients|the lot|it all|rest of the ingredients)\b/.test(
      method,
    )
  )
    return true;
  if (line.top && /\b(topping|glaze|syrup|sauce|compote|sprinkle|garnish|top)\b/.test(method)) return true;
  const i = pantry.get(line.ingredientId!)!;
  if (r.facts.mentions.some((m) => m.id === i.id)) return true;
  if (i.id === 'water' && /\bwater\b/.test(method)) return true;
  if (i.comesOut && /\b(spices?|aromatics)\b/.test(method)) return true;
  if (
    i.group === 'thickener' &&
    /\b(slurry|starch|thickener)\b/.test(method) &&
    GRAINS[i.thickener ?? 'maize starch'].form === 'powder'
  )
    return true;
  if (i.egg && /\b(eggs?|yolks?)\b/.test(method)) return true;
  const own = [...wordsOf(i.name), ...wordsOf(line.text)];
  return own.some((w) => new RegExp(`\\b${w.replace(/(?:ies|es|s)$/, '')}`).test(method));
}

function matterOf(r: Reading, plan: Plan, f: Forecast, pantry: Pantry) {
  const { facts } = r;
  const items = linesOf(plan).map((i) => ({ ...i, x: lookUp(plan, i.ingredientId) }));
  const powders = items.filter(
    (i) => i.x.group === 'thickener' && i.x.thickener && GRAINS[i.x.thickener].form === 'powder' && i.grams > 0,
  );
  const egg = items.some((i) => i.x.egg && i.grams > 0);
  const kernels = items.some((i) => i.x.thickener && GRAINS[i.x.thickener].form === 'kernel');
  const starchName = powders[0]?.x.name ?? 'starch';
  return { r, plan, f, pantry, facts, items, powders, egg, kernels, starchName };
}

const setIs: Finder = ({ plan, f, pantry, kernels }) => {
  const wish = plan.serve.word;
  if (plan.family === 'frozen cream')
    return [
      {
        id: 'set',
        level: Number.isFinite(f.frozenH) && f.frozenH <= plan.rest.hours ? 'fact' : 'mend',
        says: Number.isFinite(f.frozenH)
          ? say('check.frozenThroughAfterHHot', { frozenH: f.frozenH, word: f.hot.word })
          : say('check.notFrozenThroughInH', { hours: plan.rest.hours }),
        why: say('check.aLightStarchKeepsThe'),
      },
    ];
  else if (f.serving.word !== wish && !kernels) {
    const s = solve(plan);
    return [
      {
        id: 'set',
        level: 'mend',
        says: say('check.asWrittenItAtServing', {
          word: f.serving.word === 'firm' ? say('check.setsFirm') : say(`word.${f.serving.word}`),
          word2: f.hot.word,
        }),
        why: s.ok
          ? say('check.forItTakesInsteadOf', {
              wish,
              takes: s.amounts.map((a) =>
                say('check.amount', { grams: a.grams, name: lookUp(plan, a.ingredientId).name }),
              ),
              instead: s.amounts.map((a) =>
                say('check.grams', {
                  grams: plan.things.find((i) => i.ingredientId === a.ingredientId)?.grams ?? 0,
                }),
              ),
            })
          : s.why,
        ...(s.ok
          ? {
              fix: {
                says: say('check.makeIt', { wish }),
                apply: (p: Plan) => {
                  const again = solve(p);
                  return again.ok
                    ? again.amounts.reduce((q, a) => withGrams(q, a.ingredientId, Math.round(a.grams * 2) / 2), p)
                    : p;
                },
              },
            }
          : {}),
      },
    ];
  } else
    return [
      {
        id: 'set',
        level: 'fact',
        says: say('check.atServingHotInThe', { word: f.serving.word, word2: f.hot.word }),
        why:
          f.nextDay.word === f.serving.word
            ? say('check.stillTheDayAfter', { word: f.nextDay.word })
            : say('check.theDayAfter', { word: f.nextDay.word }),
      },
    ];
};

const ratios: Finder = ({ items, egg }) => {
  const out: Finding[] = [];
  const litres =
    items
      .filter((i) => i.x.group === 'milk' && !BESIDE_USES.includes(purposeOf(i.in)))
      .reduce((s, i) => s + i.grams / i.x.densityGPerMl, 0) / 1000;
  for (const i of items.filter((t) => t.x.group === 'thickener' && t.grams > 0)) {
    const per = i.grams / Math.max(0.05, litres);
    const usual = PER_LITRE[i.ingredientId];
    const odd = usual && (per < usual[0] * 0.6 || per > usual[1] * 1.3);
    out.push({
      id: `ratio ${i.ingredientId}`,
      level: odd && items.filter((t) => t.x.group === 'thickener').length === 1 && !egg ? 'mind' : 'fact',
      says: say('check.toALitre', { per, name: i.x.name }),
      why: usual
        ? say('check.usualIsToGFrom', { usual: usual[0], usual2: usual[1] })
        : say('check.noUsualFigureIsKept'),
    });
  }
  return out;
};

const noColdSlurry: Finder = ({ r, f, pantry, facts, powders, starchName }) => {
  if (powders.length && r.method.length && facts.starch === 'into hot')
    return [
      {
        id: 'no cold slurry',
        level: 'mend',
        says: say('check.theGoesDryIntoHot', { starchName }),
        why: say('check.itsOutsideSealsBeforeIts', { chance: 10 * f.risks.lumps.chance }),
        fix: { says: say('check.wetItColdFirst'), apply: (p) => wetted(withoutSteps(p)) },
      },
    ];
  else if (powders.length && r.method.length && facts.starch === undefined)
    return [
      {
        id: 'no cold slurry',
        level: 'mind',
        says: say('check.itDoesNotSayHow', { starchName }),
        why: say('check.dryIntoHotItLumps'),
      },
    ];
  return [];
};

const yolksIntoBoil: Finder = ({ f, facts, items, egg }) => {
  if (egg && facts.yolks === 'straight in' && !facts.doubleBoiler) {
    // what has swollen by then protects, of grain as of powder
    const starchG = items.filter((i) => i.x.thickener).reduce((s, i) => s + (i.grams * i.x.per100.starch) / 100, 0);
    const protectedBy = starchG / Math.max(1, f.endMassG);
    const safe = 100 * protectedBy >= PROTECTS_PCT;
    return [
      {
        id: 'yolks into a boil',
        level: safe ? 'mind' : 'mend',
        says: say('check.theEggGoesStraightInto'),
        why: safe
          ? say('check.thereIsEnoughStarchTo')
          : say('check.whatTouchesTheHotMilk', { chance: 10 * f.risks.curdle.chance }),
        fix: {
          says: say('check.temperItLadleByLadle'),
          apply: (p) => ({ ...p, choices: { ...p.choices, yolks: 'tempered' as const } }),
        },
      },
    ];
  }
  return [];
};

const custardBoiled: Finder = ({ plan, facts, powders, egg }) => {
  if (egg && powders.length === 0 && facts.bubbles && plan.family === 'stirred custard')
    return [
      {
        id: 'custard boiled',
        level: 'mend',
        says: say('check.aCustardWithoutStarchIs'),
        why: say('check.yolkAloneCurdles', { aboveC: YOLK_CURDLES_C }),
        fix: {
          says: say('check.stopAt', { stopC: CUSTARD_STOPS_C }),
          apply: (p) => {
            const { eggOff: _e, ...choices } = p.choices;
            return { ...p, choices };
          },
        },
      },
    ];
  return [];
};

const starchNotBoiled: Finder = ({ r, facts, items, powders, egg, kernels, starchName }) => {
  if (
    (powders.length || items.some((i) => purposeOf(i.in) === 'grain')) &&
    r.method.length &&
    !facts.bubbles &&
    !facts.oven &&
    !kernels
  ) {
    const never = facts.forbidsBoil && !egg;
    return [
      {
        id: 'starch not boiled',
        level: 'mend',
        says: never ? say('check.itSaysNotToBoil', { starchName }) : say('check.itNeverSaysThatThe'),
        why: say('check.starchThatHasNotBubbled'),
        fix: {
          says: say('check.bubbleAndTwoMinutesMore'),
          apply: (p) => {
            const { end: _e, ...choices } = p.choices;
            return {
              ...p,
              choices: egg ? { ...choices, eggOff: 'to bubbling' as const } : choices,
              method: { ...p.method, cookOnMin: Math.max(2, p.method.cookOnMin) },
            };
          },
        },
      },
    ];
  }
  return [];
};

const sugarEarly: Finder = ({ plan, facts, items, kernels }) => {
  const sweet = items.find((i) => i.x.group === 'sweet' && i.grams > 0);
  if (kernels && sweet && !facts.sugarLate && purposeOf(sweet.in) !== 'late') {
    const pct =
      (100 * sweet.grams) /
      Math.max(
        1,
        plan.things.reduce((s, i) => s + i.grams, 0),
      );
    return [
      {
        id: 'sugar early',
        level: pct > 7 ? 'mend' : 'mind',
        says: say('check.theSugarIsInBefore'),
        why: say('check.sugarKeepsWaterFromThe', {
          pct,
          little: pct > 7 ? say('check.minutesAndSomeStayHard') : say('check.little'),
        }),
        fix: {
          says: say('check.sugarWhenTheyAreSoft'),
          apply: (p) => moved(p, sweet.ingredientId, 'late'),
        },
      },
    ];
  }
  return [];
};

const potTooSmall: Finder = ({ plan, f, pantry }) => {
  const fit = panFit(plan);
  const over = f.risks['boil over'].chance;
  if (fit.headroomMm < LEAST_HEADROOM_MM || over > OFTEN) {
    const bigger = PANS.filter((p) => p.diameterMm > plan.pan.diameterMm || p.heightMm > plan.pan.heightMm)
      .map((pan) => ({ pan, room: panFit({ ...plan, pan }).headroomMm }))
      .find((x) => x.room >= LEAST_HEADROOM_MM && x.room > fit.headroomMm);
    return [
      {
        id: 'pot too small',
        level: 'mend',
        says:
          fit.headroomMm <= 0
            ? say('check.doNotGoIntoA', { goesInMl: fit.goesInMl, holdsMl: fit.holdsMl })
            : over > OFTEN
              ? say('check.itBoilsOverTimesIn', { over: 10 * over, headroomMm: fit.headroomMm })
              : say('check.onlyMmAreLeftAbove', { headroomMm: fit.headroomMm }),
        why: say('check.milkFoamsFromAThird'),
        ...(bigger
          ? {
              fix: {
                says: say('check.takeThe', { panName: bigger.pan.name }),
                apply: (p: Plan) => ({
                  ...p,
                  pan: bigger.pan,
                  method: {
                    ...p.method,
                    ...suggestSettings(p.hob, bigger.pan.diameterMm, massG(wholeMixture(p))),
                  },
                }),
              },
            }
          : {}),
      },
    ];
  }
  return [];
};

const dishTooSmall: Finder = ({ plan, f }) => {
  if (f.fillRel > 1.02)
    return [
      {
        id: 'dish too small',
        level: 'mend',
        says: say('check.itMakesTheDishesHold', {
          endMassG: f.endMassG / PUDDING_G_PER_ML,
          capacityMl: plan.dish.count * plan.dish.capacityMl,
        }),
        why: say('check.whatDoesNotFitHas'),
        fix: {
          says: say('check.takeMoreDishes'),
          apply: (p) => ({
            ...p,
            dish: { ...p.dish, count: Math.min(60, Math.ceil((p.dish.count * f.fillRel) / 0.95)) },
          }),
        },
      },
    ];
  return [];
};

const tooDeepOrSlow: Finder = ({ plan, f, pantry, facts }) => {
  const cold = plan.serve.tempC < 20;
  const tooDeep = f.depthMm > DEEP_MM || (facts.layerMm !== undefined && f.depthMm > 1.35 * facts.layerMm);
  if (cold && tooDeep)
    return [
      {
        id: 'layer too deep',
        level: f.depthMm > DEEP_MM ? 'mend' : 'mind',
        says: say('check.itStandsMmDeep', {
          depthMm: f.depthMm,
          of: facts.layerMm ? say('check.notTheMmItSpeaks', { layerMm: facts.layerMm }) : undefined,
        }),
        why: say('check.itsMiddleTakesHalfAs', {
          c: Number.isFinite(f.cool.below21H)
            ? say('check.coolsIn', { hours: f.cool.below21H, toC: SAFE_COOLING.toC })
            : say('check.coolsTooSlowly', { toC: SAFE_COOLING.toC }),
        }),
        fix: {
          says: say('check.splitItOverMoreDishes'),
          apply: (p) => ({
            ...p,
            dish: {
              ...p.dish,
              count: Math.min(
                60,
                Math.max(p.dish.count + 1, Math.ceil((p.dish.count * f.depthMm) / (facts.layerMm ?? 40))),
              ),
            },
          }),
        },
      },
    ];
  else if (cold && !f.cool.safe) {
    const iced: Plan = { ...plan, choices: { ...plan.choices, cooling: 'ice bath' } };
    const helps = plan.choices.cooling !== 'ice bath' && forecast(iced).cool.safe;
    return [
      {
        id: 'cools too slowly',
        level: 'mind',
        says: say('check.itsMiddleTakesHTo', {
          many: Number.isFinite(f.cool.below21H) ? say('check.hours', { hours: f.cool.below21H }) : say('check.many'),
          toC: SAFE_COOLING.toC,
        }),
        why: say('check.thatIsLongerThanThe'),
        ...(helps
          ? {
              fix: {
                says: say('check.halfAnHourInIce'),
                apply: (p: Plan) => ({ ...p, choices: { ...p.choices, cooling: 'ice bath' as const } }),
              },
            }
          : {}),
      },
    ];
  }
  return [];
};

const notColdInTime: Finder = ({ plan, f }) => {
  const cold = plan.serve.tempC < 20;
  const last = f.set.filter((p) => p.hours <= plan.rest.hours + 1e-6).at(-1);
  const enough = Math.ceil(f.servingTempH * 2) / 2;
  if (cold && last && last.coreC > NOT_COLD_C && Number.isFinite(enough) && enough <= 96)
    return [
      {
        id: 'not cold in time',
        level: plan.serve.style === 'spooned' ? 'mind' : 'mend',
        says: say('check.afterHItsMiddleIs', { hours: plan.rest.hours, coreC: last.coreC }),
        why: say('check.aWarmMiddleHasNot'),
        fix: {
          says: say('check.giveItH', { enough }),
          apply: (p) => ({ ...p, rest: { ...p.rest, hours: Math.max(p.rest.hours, enough) } }),
        },
      },
    ];
  return [];
};

const spicesStay: Finder = ({ r, plan, pantry, facts }) => {
  const whole = r.lines.filter(
    (l) =>
      l.ingredientId &&
      l.count &&
      pantry.get(l.ingredientId)?.comesOut &&
      plan.things.some((i) => i.ingredientId === l.ingredientId),
  );
  const left = facts.strained ? [] : whole.filter((l) => !facts.takenOut.includes(l.ingredientId!));
  if (left.length && r.method.length)
    return [
      {
        id: 'spices stay in',
        level: 'mend',
        says: say('check.inAndNeverOut', {
          what: cap(left.map((l) => `${l.count} × ${pantry.get(l.ingredientId!)!.name}`).join(', ')),
          count: left.reduce((n, l) => n + l.count!, 0),
        }),
        why: say('check.laterItDragsHalfThe'),
        fix: {
          says: say('check.countThemOutBeforeIt'),
          apply: (p) =>
            eachLine(p, (i) => (left.some((l) => l.ingredientId === i.ingredientId) ? { ...i, in: 'pot' } : i)),
        },
      },
    ];
  return [];
};

const neverUsed: Finder = ({ r, pantry }) => {
  const unused = r.lines.filter((l) => l.state !== 'open' && l.ingredientId && !isUsed(l, r, pantry));
  if (unused.length)
    return [
      {
        id: 'listed and never used',
        level: 'mind',
        says: say('check.onTheListInNo', {
          ingredientIdName: cap(unused.map((l) => pantry.get(l.ingredientId!)!.name).join(', ')),
        }),
        why: say('check.hereItGoesInWhere'),
      },
    ];
  return [];
};

const neverListed: Finder = ({ r, pantry, facts }) => {
  const out: Finding[] = [];
  const said = r.lines.map((l) => l.text.toLowerCase());
  const notKnown = facts.mentions.flatMap((m) =>
    m.unsure && !said.some((text) => text.includes(m.unsure!.toLowerCase())) ? [m.unsure] : [],
  );
  if (notKnown.length)
    out.push({
      id: 'named and not known',
      level: 'mind',
      says: say('check.notKnown', { names: notKnown.join(', ') }),
      why: say('check.notKnownWhy'),
    });
  const strange = r.account.things.filter(
    (t, i) =>
      t.found &&
      !t.again &&
      t.purpose !== 'grease' &&
      r.account.part.get(i) !== 'serve' &&
      !['water', 'salt', 'oil', 'butter'].includes(t.id) &&
      pantry.has(t.id),
  );
  // a recipe without a list lists nothing
  if (strange.length && r.lines.some((l) => !l.found))
    out.push({
      id: 'used and never listed',
      level: 'mind',
      says: say('check.inAStepOnNo', { idName: cap(strange.map((m) => pantry.get(m.id)!.name).join(', ')) }),
      why: say('quote', {
        text:
          sentenceWith(r.method, new RegExp(pantry.get(strange[0]!.id)!.name.split(' ')[0]!, 'i')) ??
          r.method[0]?.slice(0, 90),
      }),
    });
  return out;
};

const bareSpoon: Finder = ({ r, plan, pantry }) => {
  const spoon = r.lines.find(
    (l) => l.vague && l.ingredientId && pantry.get(l.ingredientId)?.group === 'thickener' && l.lowG !== undefined,
  );
  const bare = r.lines.find(
    (l) =>
      l.ingredientId && pantry.get(l.ingredientId)?.group === 'thickener' && l.why?.code === 'recipe.aBareSpoonTakenAs',
  );
  const unsure = spoon ?? bare;
  if (unsure) {
    const at = (g: number) => forecast(withGrams(plan, unsure.ingredientId!, g)).serving.word;
    const [lo, hi] = [at(unsure.lowG!), at(unsure.highG!)];
    return [
      {
        id: 'bare spoon',
        level: lo === hi ? 'fact' : 'mind',
        says: say('check.isTo', { slice: unsure.text.slice(0, 50), lowG: unsure.lowG!, highG: unsure.highG! }),
        why:
          lo === hi
            ? say('check.eitherWayIt', { lo })
            : say('check.thatIsAnythingFromTo', { lo, hi, grams: unsure.grams! }),
      },
    ];
  }
  return [];
};

const sourSplits: Finder = ({ f }) => {
  if (f.risks.split.chance > 0.2)
    return [
      {
        id: 'sour splits it',
        level: 'mind',
        says: say('check.theSourFruitMaySplit'),
        why: f.risks.split.why,
      },
    ];
  return [];
};

/**
 * Everything that is looked for, in its order: mends are made in it too, so that a later one sees the earlier. The set comes
 * first to the cook and last in the mending, once all else is right.
 */
const FINDINGS: readonly Finder[] = [
  setIs,
  ratios,
  noColdSlurry,
  yolksIntoBoil,
  custardBoiled,
  starchNotBoiled,
  sugarEarly,
  potTooSmall,
  dishTooSmall,
  tooDeepOrSlow,
  notColdInTime,
  spicesStay,
  neverUsed,
  neverListed,
  bareSpoon,
  sourSplits,
];

/** What would be wrong with how it is cooked, whatever its amounts are. */
const HANDS: readonly Finder[] = [noColdSlurry, yolksIntoBoil, custardBoiled, starchNotBoiled];
export const handFindings = (r: Reading, plan: Plan, f: Forecast, pantry: Pantry): Finding[] => {
  const matter = matterOf(r, plan, f, pantry);
  return HANDS.flatMap((finds) => finds(matter));
};

export const findings = (r: Reading, plan: Plan, f: Forecast, pantry: Pantry): Finding[] => {
  const matter = matterOf(r, plan, f, pantry);
  return FINDINGS.flatMap((finds) => finds(matter));
};
