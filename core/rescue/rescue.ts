import { table } from '../coefficients';
import type { Added, Fault, Portion } from '../cook/events';
import { addedTo } from '../cook/live';
import { dishHistory, judge } from '../model/forecast';
import { massG, phOf } from '../matter/mixture';
import { lookUp, mainLiquid } from '../plan/stages';
import { FRIDGE_C, methodOf } from '../plan/family';
import { offTheHob, type HeatStep } from '../plan/method';
import { BITE } from '../pot/grain';
import { EGG } from '../pot/egg';
import { splitChance } from '../pot/flavour';
import { LUMPS } from '../pot/lumps';
import { bodyOf, dairyProteinPct, sugarFraction } from '../pot/paste';
import { addToPot, cook, cookedStarchPct, RAW_TASTE, readPot, severityOf, type Pot } from '../pot/pot';
import { SCORCH } from '../pot/scorch';
import { phaseOf, runSteps, type Run } from '../model/run';
import { coolInDish, type Stay } from '../set/cooling';
import { standing } from '../set/firmness';
import { weepPct } from '../set/keeping';
import { boundsFor, stripMiddle } from '../texture/words';
import { FIX, fireAgain, headingOf, looser, starchOf, thicker, type Fix, type Heading, type Situation } from './fix';

/** What went wrong, what is left of it, and what to do: figures from the model of this very pot. */
export const RESCUE = table('Rescue', {
  sweetLess: [0.15, '1', 'C', 'a little too sweet: down by this'],
  sweetMuch: [0.35, '1', 'C', 'far too sweet: down by this'],
  topShare: [0.9, '1', 'B', 'of a pot that caught is tipped off the floor'],
  rawMost: [20, 'min', 'C', 'longest that raw starch is cooked on'],
  hardMost: [60, 'min', 'C', 'longest that hard grain is cooked on'],
  splitBelow: [0.15, '1', 'C', 'chance of splitting that is good enough'],
  splitStarch: [4, '%', 'C', 'most starch that is worth it against splitting'],
  sieved: [0.8, '1', 'C', 'share of curds that a sieve takes out'],
  rimG: [60, 'g', 'C', 'on the hob, when it boiled over and was caught at once'],
  unmouldMetalS: [5, 's', 'C', 'a metal mould in hot water'],
  unmouldThickS: [15, 's', 'C', 'a ceramic, glass or plastic one'],
  softMost: [6, 'h', 'C', 'longest that a frozen mould is let stand'],
  readyMost: [6, 'h', 'C', 'longest wait that is looked at'],
});

export type RescueStep = { say: string; portions?: Portion[]; seconds?: number; tempC?: number };

export type Rescue = {
  fault: Fault;
  going: string;
  saved: 'all' | 'part' | 'no';
  steps: RescueStep[];
  /** what it changes in a pot of this app */
  added?: Added;
  /** on this setting of the ring, where that is the mending */
  setting?: number;
  before?: Heading;
  after?: Heading;
  then: string;
  minutes: number;
  /** accept it as it is, or what else */
  orElse: string;
  /** start again, and use this for … */
  again?: string;
  caution?: string;
};

/** What only the cook knows. */
export type Told = {
  /** too sweet: far too sweet */
  much?: boolean;
  /** g that went over the rim */
  lostG?: number;
  /** h since it was poured */
  standingH?: number;
  /** hot starch is in already; before it a loss is milk alone */
  thickened?: boolean;
};

const min = (m: number) => (m < 1 ? 'less than a minute' : m < 1.5 ? 'a minute' : `${Math.round(m)} minutes`);
const pct = (x: number) => `${Math.round(100 * x)} %`;
const near = (x: number, step: number) => Math.max(step, Math.round(x / step) * step);
const USE = {
  custard: 'Use this for a bread pudding or a pancake batter: there nobody feels the curds.',
  sauce: 'Use this as a sauce over fruit, thinned with milk.',
  burnt: 'A burnt taste goes through everything: this is for nobody.',
};
const HOT = 'Hot starch paste sticks to skin and burns: dry cloth, slow hands.';
const EGG_SAFE = `The usual guidance for egg is ${EGG.safeC} °C. Local food-safety rules come first.`;
const COOL = 'Two hours out of the cold is the usual limit, counted together. Local food-safety rules come first.';

/** Steps of an amount that goes into the pot. */
function stepsOfFix(f: Fix, hot: boolean): RescueStep[] {
  const [first, second] = f.added.portions;
  const heat = f.added.heat ?? [];
  const warm: RescueStep[] = hot ? [] : [{ say: 'Back into the pan, whisked smooth, on a low ring.' }];
  const last = heat.at(-1);
  const lastMin = last?.until.reach === 'time' ? last.until.minutes : 0;
  switch (f.how) {
    case 'slurry':
      return [
        { say: 'Whisk the starch into the cold liquid until no lump is left.', portions: [first!, second!] },
        ...warm,
        { say: 'Pot off the ring. In a thin stream, whisking. Scrape the jug.' },
        ...(heat.length
          ? [
              { say: 'Back on, sweep the bottom to the first slow bubble.' },
              { say: 'Let it bubble on, stirring.', seconds: Math.round(lastMin * 60) },
            ]
          : [{ say: 'Go on as planned: it bubbles with the rest.' }]),
      ];
    case 'cook down':
      return [
        ...warm,
        { say: 'Lid off. Let it bubble gently, the spoon always on the floor.', seconds: Math.round(lastMin * 60) },
      ];
    case 'hold on':
      return [{ say: 'Lowest heat, slow eights, never a bubble.', seconds: Math.round(lastMin * 60) }];
    case 'loosen':
      return [
        ...(hot ? [] : [{ say: 'Back into the pan on a low ring, broken up with a whisk.' }]),
        {
          say: hot
            ? 'Stir the milk in, warm, a third at a time.'
            : 'Whisk the milk in, a third at a time, until it steams.',
          portions: [first!],
        },
        ...(hot ? [] : [{ say: 'Pour again, into rinsed dishes.' }]),
      ];
  }
}
const headsFor = (word: string, wanted: string) =>
  word === wanted ? `It is heading for ${word}, as wanted.` : `It is heading for ${word}; you want ${wanted}.`;

const says: Record<Fix['how'], string> = {
  slurry: 'starch in a slurry',
  'cook down': 'cooking down',
  'hold on': 'a little longer on the lowest heat',
  loosen: 'milk',
};

function fromFix(fault: Fault, going: string, fixes: Fix[], s: Situation, extra: Partial<Rescue> = {}): Rescue {
  const some = fixes.filter((f) => f.grams > 0 || (f.how !== 'loosen' && f.minutes > 0));
  const best = some.find((f) => f.reaches) ?? some[0];
  if (!best) {
    const heading = headingOf(
      s.plan,
      s.pantry,
      s.setup,
      s.finish(s.pot, []),
      Math.hypot(s.plan.firmness.sdLn, FIX.kitchenLn),
    );
    return {
      fault,
      going,
      saved: 'all',
      steps: [{ say: 'Leave it. What could be added would change more than it mends.' }],
      before: heading,
      after: heading,
      then: `left as it is, it ${heading.word}`,
      minutes: 0,
      orElse: 'Chill a spoonful on a cold plate if you doubt it.',
      ...extra,
    };
  }
  const other = some.find((f) => f !== best);
  return {
    fault,
    going,
    saved: best.reaches ? 'all' : 'part',
    steps: stepsOfFix(best, s.hot),
    added: best.added,
    before: best.before,
    after: best.after,
    then: best.reaches
      ? `then it ${best.after.word === 'drinks' ? 'drinks' : best.after.word}, as wanted`
      : `then it comes to ${best.after.word}, no further`,
    minutes: best.minutes,
    orElse: other
      ? `Or by ${says[other.how]}: ${other.grams > 0 ? `${other.grams} g` : min(other.minutes)}, to ${other.after.word}.`
      : `Or serve it as it is: it ${best.before.word}.`,
    caution: HOT,
    ...extra,
  };
}

/** The dish as poured, and how it stands and cools. */
function poured(s: Situation): Run {
  return runSteps(s.plan, s.pantry, s.setup, s.pot, offTheHob(methodOf(s.plan, s.pantry)));
}

/** h from pouring to its word, with other stays. */
function readyAfter(s: Situation, run: Run, stays: Stay[], startC: number): number {
  const { plan } = s;
  const bounds = boundsFor(plan.serve.style, run.depthM);
  const at = dishHistory(plan, { ...run, stays }, RESCUE.readyMost);
  for (const { point, ageH, coldestC } of at.ages)
    if (
      point.coreC < Math.min(30, startC) &&
      judge(plan, run, { ageH, tempC: point.coreC, coldestC }, bounds).yieldPa >= bounds[plan.serve.word] * 0.98
    )
      return point.hours;
  return NaN;
}

/** Minutes of this fire until a reading passes, or NaN. */
function until(s: Situation, heat: HeatStep, most: number, passes: (p: Pot) => boolean): { pot: Pot; minutes: number } {
  let pot = s.pot;
  for (let m = 0; m < most; m += 0.5) {
    if (passes(pot)) return { pot, minutes: m };
    pot = cook(pot, s.setup, phaseOf(heat), 30).pot;
  }
  return { pot, minutes: NaN };
}

const simmer = (s: Situation, more: Partial<HeatStep> = {}): HeatStep => ({
  ...fireAgain(s.plan, s.pantry)[1]!,
  ...more,
});

/**
 * The guided path out of a fault.
 * @param s the pot as the model has it, hot or cold
 * @param told what only the cook knows
 */
export function rescueOf(fault: Fault, s: Situation, told: Told = {}): Rescue {
  const { plan, pantry, setup, pot } = s;
  const sd = Math.hypot(plan.firmness.sdLn, FIX.kitchenLn);
  const liquid = mainLiquid(plan, pantry);
  const liquidId = liquid?.id ?? 'milk_whole';
  const mass = massG(pot.content);
  const egg = pot.content.eggProteinG > 0;
  const head = (p: Pot, heat: HeatStep[] = []) => headingOf(plan, pantry, setup, s.finish(p, heat), sd);
  const after = s.after === undefined ? {} : { after: s.after };
  const add = (portions: Portion[], heat: HeatStep[], how: Added['how'], tempC = FRIDGE_C): Added => ({
    portions,
    tempC,
    how,
    why: 'fix',
    ...after,
    ...(heat.length ? { heat } : {}),
  });
  const withAdded = (a: Added) => head(addToPot(pot, addedTo(a, plan, pantry)(pot), setup), a.heat ?? []);
  const base = { fault, minutes: 0 } as const;

  switch (fault) {
    case 'too thin':
      return fromFix(
        fault,
        `${headsFor(head(pot).word, plan.serve.word)} Too thin hot is often right cold: this is judged as it will be served.`,
        head(pot).word === plan.serve.word ? [] : thicker(s),
        s,
      );
    case 'too thin, cold':
      return fromFix(
        fault,
        'Cold starch gel that is stirred does not set again by itself: it has to bubble once more, with more starch.',
        thicker(s),
        s,
        egg
          ? { caution: `${EGG_SAFE} With egg and little starch warm it gently, it must not bubble.` }
          : { caution: COOL },
      );
    case 'too stiff':
      return fromFix(
        fault,
        `${headsFor(head(pot).word, plan.serve.word)} ${s.hot ? '' : 'A gel that is broken up stays softer.'}`.trim(),
        [looser(s)],
        s,
      );

    case 'lumps': {
      const kept = Math.max(0.3, pot.lumps) * LUMPS.trapped;
      const starchG = pot.fractions.reduce((sum, f) => sum + f.starchG, 0);
      const less: Pot = {
        ...pot,
        fractions: pot.fractions.map((f) => ({ ...f, starchG: f.starchG * (1 - kept), dryG: f.dryG * (1 - kept) })),
      };
      const heading = head(less);
      const short = stripMiddle(plan.serve.word) - heading.place;
      const fix = short > 3 * FIX.nearSteps ? thicker({ ...s, pot: less }).find((f) => f.how === 'slurry') : undefined;
      return {
        ...base,
        going: `Starch that met heat dry has sealed itself in. About ${near(kept * starchG, 0.5)} g of it is in the lumps and missing from the set.`,
        saved: fix || short <= 3 * FIX.nearSteps ? 'all' : 'part',
        steps: [
          { say: 'Off the ring. Whisk hard, into the corners, or blend it.', seconds: 60 },
          { say: 'Through a sieve, pressing with a spoon, while it is hot.' },
          ...(fix ? stepsOfFix(fix, s.hot) : []),
        ],
        ...(fix ? { added: fix.added } : {}),
        before: heading,
        after: fix?.after ?? heading,
        then: fix ? 'then smooth and as firm as wanted' : 'then smooth, and hardly softer',
        minutes: 3 + (fix?.minutes ?? 0),
        orElse: 'Leave small lumps of grain: they soften as it cooks on.',
        caution: HOT,
      };
    }

    case 'curdled': {
      const severity = Math.max(severityOf(pot), EGG.smooth);
      const scrambled = severity > EGG.grainy;
      const kept: Pot = {
        ...pot,
        eggSet: pot.eggSet * (1 - RESCUE.sieved * severity),
        eggCurd: pot.eggCurd * (1 - RESCUE.sieved),
      };
      const cold = near(0.06 * mass, 5);
      const a = add([{ ingredientId: liquidId, grams: cold }], [], 'stirred in');
      return {
        ...base,
        going: `The egg was held too hot${Number.isFinite(pot.eggMaxC) ? `: about ${Math.round(pot.eggMaxC)} °C` : ''}. ${scrambled ? 'It has scrambled.' : 'It has begun to grain.'}`,
        saved: scrambled ? 'no' : 'part',
        steps: [
          { say: 'Off the heat, into a cold bowl at once.' },
          { say: 'Beat the cold liquid in, or blend for ten seconds.', portions: a.portions, seconds: 10 },
          { say: 'Through a fine sieve. Do not heat it again beyond steaming.' },
        ],
        added: a,
        before: head(pot),
        after: head(addToPot(kept, addedTo(a, plan, pantry)(kept), setup)),
        then: scrambled ? 'then still grainy, and thinner' : 'then smooth to the eye, a little thinner',
        minutes: 3,
        orElse: 'Next time stop sooner, or put starch with the egg: two in a hundred protect it.',
        ...(scrambled ? { again: `Start again with fresh egg. ${USE.custard}` } : {}),
        caution: EGG_SAFE,
      };
    }

    case 'catching':
    case 'caught': {
      const ruined = fault === 'caught' && pot.scorch >= SCORCH.ruined;
      // the highest setting on which five minutes add less than half a film
      const adds = (setting: number) =>
        cook(pot, setup, { setting, lid: 'off', stirEveryS: Math.min(3, plan.method.stirEveryS) }, 300).pot.scorch -
        pot.scorch;
      let setting = Math.max(1, plan.method.simmerSetting);
      while (setting > 1 && adds(setting) > SCORCH.film / 2) setting -= 1;
      const keep = RESCUE.topShare * mass;
      return {
        ...base,
        going:
          fault === 'catching'
            ? `A film sticks to the floor${pot.scorch > 0.02 ? `, about ${pct(Math.min(1, pot.scorch))} of the way to a taste` : ''}. It is not in the pudding yet.`
            : 'The floor has burnt. What is above it may still taste clean.',
        saved: ruined ? 'no' : fault === 'catching' ? 'all' : 'part',
        steps: [
          { say: 'Off the ring. Do not scrape.' },
          fault === 'catching'
            ? { say: 'Pour into a clean pan. What sticks stays behind.' }
            : {
                say: `Tip the top nine tenths into a clean pan, about ${near(keep, 10)} g. Stop before the brown shows.`,
              },
          { say: 'Taste it from a cold spoon.' },
          { say: `Back on at ${setting}, the spoon always on the floor.` },
        ],
        setting,
        before: head(pot),
        after: head({ ...pot, scorch: 0 }),
        then: ruined ? 'it tastes burnt through' : 'then clean, if the taste says so',
        minutes: 2,
        orElse: 'Brown flakes in a clean taste: through a sieve.',
        ...(ruined ? { again: `Start again in a thicker pan. ${USE.burnt}` } : {}),
        caution: HOT,
      };
    }

    case 'boiled over': {
      const lost = told.lostG ?? RESCUE.rimG;
      const thickened = told.thickened ?? readPot(pot).gelatinised > 0.1;
      const share = Math.min(0.9, lost / mass);
      const left: Pot = {
        ...pot,
        content: { ...pot.content, waterG: pot.content.waterG * (1 - share) },
      };
      const a = add([{ ingredientId: liquidId, grams: near(lost, 5) }], [], 'stirred in', 20);
      return {
        ...base,
        going: thickened
          ? 'What went over was pudding: the rest is as it was, only less.'
          : `What went over was milk: without it the starch that follows sets ${head(left).word} instead of ${head(pot).word}.`,
        saved: 'all',
        steps: [
          { say: 'Ring off. Let it fall back; blow on it.' },
          { say: 'Wipe the ring only when it is cold.' },
          ...(thickened ? [] : [{ say: 'Put back what is missing.', portions: a.portions }]),
          { say: `Go on two settings lower, with ${Math.round(setup.pan.heightMm / 3)} mm of pan free.` },
        ],
        ...(thickened ? {} : { added: a }),
        setting: Math.max(1, plan.method.simmerSetting - 1),
        before: head(thickened ? pot : left),
        after: head(pot),
        then: thickened ? `about ${near(lost / plan.portionG, 0.5)} portions fewer` : 'then as planned',
        minutes: 2,
        orElse: 'A higher pan, or half of it at a time.',
        caution: 'Gas: the flame may be out and the gas on. Turn it off first.',
      };
    }

    case 'raw taste': {
      const heat = simmer(s, { role: 'cook on' });
      const r = until(s, heat, RESCUE.rawMost, (p) => readPot(p).rawPer100G <= RAW_TASTE);
      const minutes = Number.isNaN(r.minutes) ? RESCUE.rawMost : Math.max(1, Math.ceil(r.minutes));
      const fire: HeatStep[] = [{ ...heat, until: { reach: 'time', minutes } }];
      const a = add([], fire, 'stirred in');
      return {
        ...base,
        going: `${readPot(pot).rawPer100G.toFixed(1)} g of raw starch in 100 g can be tasted from ${RAW_TASTE}. It wants heat and time, not sugar.`,
        saved: Number.isNaN(r.minutes) ? 'part' : 'all',
        steps: [
          ...(s.hot ? [] : [{ say: 'Back into the pan, whisked smooth.' }]),
          { say: 'To a slow bubble, stirring, and on.', seconds: minutes * 60 },
          { say: 'Taste a cold spoonful.' },
        ],
        added: a,
        before: head(pot),
        after: head(pot, fire),
        then: 'then it tastes of milk, not of flour',
        minutes,
        orElse: egg
          ? 'With egg and little starch keep it under the bubble, and give it twice the time.'
          : 'Cocoa or spice covers the rest.',
        caution: HOT,
      };
    }

    case 'grains hard': {
      const heat = simmer(s, {
        role: 'simmer',
        lid: 'on',
        stirEveryS: 60,
        setting: Math.max(1, plan.method.simmerSetting - 1),
      });
      const r = until(s, heat, RESCUE.hardMost, (p) => bodyOf(p.content, p.fractions).bite >= BITE.done);
      const never = Number.isNaN(r.minutes);
      const minutes = never ? RESCUE.hardMost : Math.max(2, Math.ceil(r.minutes));
      const loosen = looser({ ...s, pot: r.pot, finish: (p) => p });
      const milk = loosen.grams > 5 ? near(loosen.grams, 5) : 0;
      const fire: HeatStep[] = [{ ...heat, until: { reach: 'time', minutes } }];
      const a = add(milk ? [{ ingredientId: liquidId, grams: milk }] : [], fire, 'stirred in', 60);
      return {
        ...base,
        going: `The grain has taken ${pct(bodyOf(pot.content, pot.fractions).bite)} of its water. Acid and much sugar keep it hard; heat and liquid soften it.`,
        saved: never ? 'part' : 'all',
        steps: [
          ...(milk ? [{ say: 'Stir hot milk in: the grain will drink it.', portions: a.portions }] : []),
          { say: `Lid on, low, a stir each minute. Bite one grain in ${min(minutes)}.`, seconds: minutes * 60 },
        ],
        added: a,
        before: head(pot),
        after: withAdded(a),
        then: never ? 'it gets softer, not soft: this grain needs a soak' : 'then soft through',
        minutes,
        orElse: 'Blend it: a grain that will not soften makes a smooth cream.',
        caution: 'Hard grains are a choking hazard for small children.',
      };
    }

    case 'grains mush': {
      const f = looser(s);
      return fromFix(
        fault,
        'The grain has burst and given its starch to the milk: it cannot be made whole, and it stiffens as it cools.',
        [f],
        s,
        {
          saved: 'part',
          then: `then creamy, it ${f.after.word}, without whole grains`,
          orElse: 'Blend it quite smooth and call it a ground-rice cream.',
        },
      );
    }

    case 'too sweet': {
      const less = told.much ? RESCUE.sweetMuch : RESCUE.sweetLess;
      const milkG = near(mass * (less / (1 - less)), 5);
      const starchId = starchOf(plan, pantry);
      // as much starch as the pot has for its water, so that it sets as before
      const perWater = pot.fractions.reduce((sum, f) => sum + f.starchG, 0) / Math.max(1, pot.content.waterG);
      const wet = (liquid?.per100.water ?? 88) / 100;
      const starchG = Math.max(
        1,
        Math.round((milkG * wet * perWater) / (lookUp(pantry, plan, starchId).per100.starch / 100)),
      );
      const heat = s.willBubble ? [] : fireAgain(plan, pantry);
      const a = add(
        [
          { ingredientId: starchId, grams: starchG },
          { ingredientId: liquidId, grams: milkG },
        ],
        heat,
        'slurry',
      );
      return {
        ...base,
        going: `${pct(pot.content.sweetG / mass)} sugar. Sweetness cannot be taken out, only spread: ${pct(less)} less wants ${milkG} g more, thickened as the rest is. Hot tastes sweeter than cold.`,
        saved: 'all',
        steps: [
          { say: 'Wait: taste it cold first, from a cold spoon.' },
          { say: 'Whisk the starch into the unsweetened liquid.', portions: a.portions },
          { say: 'Pot off the ring. In a thin stream, whisking.' },
          ...(heat.length ? [{ say: 'To the bubble and on, stirring.', seconds: Math.round(FIX.cookOnMin * 60) }] : []),
        ],
        added: a,
        before: head(pot),
        after: withAdded(a),
        then: `then ${pct(less)} less sweet, and ${near(milkG, 10)} g more of it`,
        minutes: heat.length ? 6 : 1,
        orElse: 'Or leave it and serve sour fruit or unsweetened cream beside it. A pinch of salt helps a little.',
        caution: HOT,
      };
    }

    case 'split': {
      const ph = phOf(pot.content);
      const chance = (pctStarch: number) => splitChance(ph, dairyProteinPct(pot.content), pctStarch);
      let want = cookedStarchPct(pot);
      while (want < RESCUE.splitStarch && chance(want) > RESCUE.splitBelow) want += 0.1;
      const starchId = starchOf(plan, pantry);
      const starchG = Math.max(
        2,
        Math.round(
          (((want - cookedStarchPct(pot)) / 100) * mass) / (lookUp(pantry, plan, starchId).per100.starch / 100),
        ),
      );
      const a = add(
        [
          { ingredientId: starchId, grams: starchG },
          { ingredientId: liquidId, grams: Math.round(FIX.slurryParts * starchG) },
        ],
        fireAgain(plan, pantry),
        'slurry',
      );
      return {
        ...base,
        going: `Sour fruit has curdled the milk: pH ${ph.toFixed(1)}. Starch between the curds holds them small.`,
        saved: 'part',
        steps: [
          { say: 'Off the heat. Blend until it is smooth.', seconds: 30 },
          { say: 'Whisk the starch into the cold liquid, then in.', portions: a.portions },
          { say: 'To the bubble once, stirring, and on.', seconds: Math.round(FIX.cookOnMin * 60) },
        ],
        added: a,
        before: head(pot),
        after: withAdded(a),
        then: 'then smooth to the eye, fine-grained on the tongue',
        minutes: 5,
        orElse: 'Next time fruit off the heat, into the thickened pot, or sweetened first.',
        again: 'If it is stringy: start again and serve the fruit beside it. Use this for a batter.',
      };
    }

    case 'weeping': {
      const weeps = weepPct(
        pot.content,
        pot.fractions,
        bodyOf(pot.content, pot.fractions),
        Math.max(0.5, (told.standingH ?? 24) / 24),
      );
      const g = near((weeps / 100) * mass, 5);
      return {
        ...base,
        going: `The gel tightens and lets water go: about ${weeps.toFixed(1)} % by now, ${g} g. Cut, stirred and frozen puddings weep more.`,
        saved: 'all',
        steps: [
          { say: `Tip it off, about ${g} g, or blot with paper. Do not stir.` },
          { say: 'Cover touching the surface, back into the cold.' },
        ],
        before: head(pot),
        after: head(pot),
        then: 'firmer by a little, and dry',
        minutes: 2,
        orElse: 'Stirred hard it drinks its water again and is a cream: it will not stand after that.',
        caution: COOL,
      };
    }

    case 'skin':
      return {
        ...base,
        going: 'Milk that stands still and open above 50 °C grows one.',
        saved: 'all',
        steps: s.hot
          ? [
              { say: 'Lift it off with the spoon; through a sieve if it has broken.' },
              { say: 'Stir, and lay a cover on the surface.' },
            ]
          : [{ say: 'Peel it off in one piece with a wet knife.' }, { say: 'Cover touching the surface.' }],
        before: head(pot),
        after: head(pot),
        then: 'then smooth',
        minutes: 1,
        orElse: 'Or leave it: some fight for it.',
      };

    case 'will not unmould': {
      const run = poured(s);
      const bounds = boundsFor(plan.serve.style, run.depthM);
      const { ageServingH, coldestServingC } = dishHistory(plan, run, Math.max(1, told.standingH ?? plan.rest.hours));
      const f = judge(plan, run, { ageH: ageServingH, tempC: plan.serve.tempC, coldestC: coldestServingC }, bounds);
      const stands = standing(f.yieldPa, f.modulusPa, run.depthM);
      const seconds = plan.dish.wall === 'metal' ? RESCUE.unmouldMetalS : RESCUE.unmouldThickS;
      return {
        ...base,
        going: stands.stands
          ? 'It is firm enough. Air has to get under it.'
          : `By the model it would slump by ${pct(stands.slumpRel)}: the mould holds it up.`,
        saved: stands.stands ? 'all' : 'part',
        steps: stands.stands
          ? [
              { say: 'Ease the edge free all round with a wet finger or knife.' },
              { say: `Mould into hot water to its rim.`, seconds },
              { say: 'Plate on top, turn both, one sharp shake sideways.' },
            ]
          : [{ say: 'Leave it in its dish. Smooth the top, and serve it from there.' }],
        before: head(pot),
        after: head(pot),
        then: stands.stands ? 'the rim melts a little, the rest stands' : 'as it is, in its dish',
        minutes: 2,
        orElse: stands.stands
          ? 'Again, as long, if it does not let go.'
          : 'More starch by a tenth and a lower mould next time.',
        caution: 'Cold glass into hot water can crack.',
      };
    }

    case 'not set in time': {
      const run = poured(s);
      const standingH = told.standingH ?? 1;
      const startC = Math.min(run.pot.bulkC, 90);
      const stay = (where: Stay['where'], airC: number): Stay[] => [
        ...(standingH > 0
          ? [{ where: 'fridge' as const, minutes: standingH * 60, airC: plan.rest.fridgeC, covered: true }]
          : []),
        { where, minutes: RESCUE.readyMost * 60, airC, covered: true },
      ];
      const ways = [
        {
          name: 'fridge',
          say: 'Stay in the fridge.',
          h: readyAfter(s, run, stay('fridge', plan.rest.fridgeC), startC),
        },
        {
          name: 'freezer',
          say: 'Into the freezer, flat, with a timer.',
          h: readyAfter(s, run, stay('freezer', -18), startC),
        },
        {
          name: 'ice bath',
          say: 'Dish into ice and water, to its rim.',
          h: readyAfter(s, run, stay('ice bath', 0), startC),
        },
        {
          name: 'half as deep',
          say: 'Into twice as many dishes, half as deep, in the fridge.',
          h: readyAfter(s, { ...run, depthM: run.depthM / 2 }, stay('fridge', plan.rest.fridgeC), startC),
        },
      ].map((w) => ({ ...w, min: (w.h - standingH) * 60 }));
      const some = ways.filter((w) => Number.isFinite(w.min)).sort((a, b) => a.min - b.min);
      const best = some[0];
      const stayIn = ways[0]!.min;
      return {
        ...base,
        going: best
          ? `It is still too warm inside. In the fridge it wants ${Number.isFinite(stayIn) ? `${min(Math.max(1, stayIn))} more` : `more than ${RESCUE.readyMost} hours`}.`
          : `By the model it does not get to ${plan.serve.word} in ${RESCUE.readyMost} hours: it is too thin, not too warm.`,
        saved: best ? 'all' : 'part',
        steps: best
          ? [
              { say: best.say, seconds: Math.max(60, Math.round(best.min * 60)) },
              { say: 'Press it: it springs back when it is ready.' },
            ]
          : [{ say: 'Serve it as a cream, in cups.' }],
        before: head(pot),
        after: head(pot),
        then: best ? `ready in ${min(Math.max(1, best.min))}` : 'a cream',
        minutes: best ? Math.max(1, best.min) : 0,
        orElse: some
          .slice(1)
          .map((w) => `${w.name}: ${min(Math.max(1, w.min))}`)
          .join('; ')
          .concat(some.length > 1 ? '.' : 'Serve it as a cream.'),
        caution: `A warm dish in the freezer warms its neighbours. ${COOL}`,
      };
    }

    case 'frozen too hard': {
      const run = poured(s);
      const points = (where: Stay['where'], airC: number) =>
        coolInDish({
          dish: plan.dish,
          depthM: run.depthM,
          startC: -18,
          stays: [{ where, minutes: RESCUE.softMost * 60, airC, covered: true }],
          hours: RESCUE.softMost,
          sugarFraction: sugarFraction(pot.content),
          waterShare: pot.content.waterG / mass,
        });
      const softC = -8;
      const warm = (where: Stay['where'], airC: number) => {
        const at = points(where, airC).find((p) => p.coreC >= softC);
        return at ? Math.max(2, at.hours * 60) : NaN;
      };
      const room = warm('room', plan.room.tempC);
      const fridge = warm('fridge', plan.rest.fridgeC);
      return {
        ...base,
        going: `At −18 °C ${pct(Math.min(1, hardShare(pot)))} of its water is ice. It wants to come to about ${softC} °C.`,
        saved: 'all',
        steps: [
          { say: 'On the table.', seconds: Math.round((Number.isNaN(room) ? 10 : room) * 60) },
          { say: 'Mould between two warm hands, then pull.' },
        ],
        before: head(pot),
        after: head(pot),
        then: 'then the spoon goes in',
        minutes: Number.isNaN(room) ? 10 : room,
        orElse: Number.isNaN(fridge)
          ? 'More sugar keeps it softer next time.'
          : `Or ${min(fridge)} in the fridge: more even. More sugar keeps it softer.`,
        caution: 'What has thawed is not frozen again.',
      };
    }
  }
}

/** Share of the water that is ice at -18 degC, by what is dissolved (A: freezing point lowered). */
const hardShare = (pot: Pot): number => {
  const x = sugarFraction(pot.content);
  return Math.max(0, 1 - (x / Math.max(0.01, 1 - x)) * (1.86 / 0.342) * (1 / 18));
};
