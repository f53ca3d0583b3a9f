import type { DoubleBoiler } from '../pantry/kitchen';
import { BITE, GRAINS } from '../pot/grain';
import { countOutAt } from './countOut';
import { inBowls, lookUp, mixtureOfPortions, portionsIn, potPartsIn } from './bowls';
import { ownSteps } from './layout';
import {
  BESIDE_USES,
  USES,
  purposeOf,
  type AddStep,
  type BakeStep,
  type Bowl,
  type HeatStep,
  type MethodStep,
  type MixStep,
  type RestStep,
  type Use,
  intoDish,
  intoPot,
} from './method';
import { KEPT, keptTogetherC } from './kept';
import { oncePerPlan } from './once';
import type { Plan } from './plan';

/** The methods of the families: from a plan and its choices to steps. A list of the cook's own comes first. */

/** A thin steel bowl over two fingers of water. */
export const USUAL_BATH: DoubleBoiler = {
  material: 'steel',
  wallMm: 0.8,
  contactCm2: 400,
  waterG: 700,
  touching: false,
};

/** degC at which scalded milk steams and shows small bubbles at the edge. */
const SCALD_C = 85;
/** degC that milk over steam comes to in any bowl */
const STEAMED_C = 74;
/** degC a custard without enough starch is taken to. */
const CUSTARD_C = 82;
/** Over steam it comes so slowly that it is thick two degrees before. */
const STEAMED_CUSTARD_C = 80;
/** s a pot stands off the heat before it is poured. */
const STAND_S = 40;
/** degC at which a cooled base takes raw egg. */
const COOLED_BASE_C = 45;
/** degC in the middle of a slab that is baked through. */
const SLAB_C = 90;
/** Share of its water that rice takes from water before the milk follows. */
const WATER_FIRST_BITE = 0.78;
/** min under a grill from pale to golden (C). */
const GRILL_MIN = 3.5;
/** g of water kept for the top from which that is poured on as a layer, and not sprinkled (B). */
const LAYER_FROM_G = 20;
/** Starch in 100 g from which egg may bubble (kitchen experience; see the protection law). */
const BUBBLES_WITH_PCT = 2;

function context(plan: Plan) {
  const bowls = inBowls(plan);
  const grams = (what: (id: string) => boolean) =>
    plan.things.filter((i) => what(i.ingredientId)).reduce((s, i) => s + i.grams, 0);
  const total = plan.things.reduce((s, i) => s + i.grams, 0);
  const starchPct =
    (100 * plan.things.reduce((s, i) => s + (i.grams * lookUp(plan, i.ingredientId).per100.starch) / 100, 0)) /
    Math.max(1, total);
  const kinds = plan.things.flatMap((i) => lookUp(plan, i.ingredientId).thickener ?? []);
  return {
    bowls,
    grams,
    starchPct,
    whole: kinds.some((k) => GRAINS[k].form === 'kernel'),
    grainy: kinds.some((k) => GRAINS[k].form !== 'powder'),
    egg: bowls.bowl.length > 0 || bowls['fold in'].length > 0,
  };
}

const heat = (plan: Plan, step: Partial<HeatStep> & Pick<HeatStep, 'role' | 'until'>): HeatStep => {
  const bath = plan.choices.heat === 'double boiler';
  return {
    do: 'heat',
    setting: plan.method.heatSetting,
    limitMin: 90,
    stirEveryS: bath ? Math.max(5, plan.method.stirEveryS) : plan.method.stirEveryS,
    tool: 'spoon',
    lid: 'off',
    wrapped: false,
    ...(bath ? { over: USUAL_BATH } : {}),
    ...step,
    // over steam it may never bubble: hot enough, or thick enough, is the end
    ...(bath && step.until.reach === 'bubble'
      ? step.role === 'warm'
        ? { until: { reach: 'temperature' as const, tempC: STEAMED_C } }
        : { until: { reach: 'thickness' as const, viscosityPaS: 0.15 }, limitMin: 30 }
      : {}),
  };
};

const add = (from: Bowl, more: Partial<AddStep> = {}): AddStep => ({
  do: 'pour',
  to: 'pot',
  from,
  tempC: KEPT.fridgeC,
  how: 'cold slurry',
  stirring: 'whisk',
  soakMin: 0,
  left: 0,
  ...more,
});

/** Everything after the fire: off the heat, into the dish, rest and cold until it is served. */
function finish(plan: Plan, ctx: ReturnType<typeof context>, baked: MethodStep[] = []): MethodStep[] {
  const steps: MethodStep[] = [];
  if (ctx.bowls['off the heat'].length) steps.push(add('off the heat', { tempC: plan.room.tempC }));
  steps.push({
    ...heat(plan, { role: 'off the heat', until: { reach: 'time', minutes: STAND_S / 60 } }),
    setting: 0,
    // a custard goes on cooking in its hot pan: it is kept moving
    stirEveryS: ctx.egg ? Math.min(plan.method.stirEveryS, 3) : 10,
  });
  if (ctx.bowls['fold in'].length) steps.push(add('fold in', { tempC: plan.room.tempC, stirring: 'spoon' }));
  steps.push({ do: 'pour', to: 'dish' }, ...baked);
  return [...steps, ...restsOf(plan)];
}

/** Where it stands from the pouring to the table, as the plan's choices have it. */
export function restsOf(plan: Plan): RestStep[] {
  const rests = placesOf(plan);
  // a rest of no minutes is none; one stays, so that there is a place where it waits
  const real = rests.filter((r) => r.minutes > 0);
  return real.length ? real : rests.slice(0, 1);
}

function placesOf(plan: Plan): RestStep[] {
  const { roomMin, fridgeC, covered, hours } = plan.rest;
  const all = hours * 60;
  const rest = (where: RestStep['where'], minutes: number, tempC?: number): RestStep => ({
    do: 'rest',
    where,
    minutes: Math.max(0, minutes),
    covered,
    ...(tempC === undefined ? {} : { tempC }),
  });
  const first = Math.min(all, roomMin);
  switch (plan.choices.cooling ?? 'room first') {
    case 'straight to the cold':
      return [rest('fridge', all, fridgeC)];
    case 'freezer':
      return [rest('room', first), rest('freezer', all - first)];
    case 'ice bath': {
      const bath = Math.min(all, 30);
      return [rest('ice bath', bath), rest('fridge', all - bath, fridgeC)];
    }
    case 'room first':
      return [rest('room', first), rest('fridge', all - first, fridgeC)];
  }
}

/** How grain meets a hot pot, by the choice. */
const GRAIN_MEETS: Record<NonNullable<Plan['choices']['grain']>, AddStep['how']> = {
  'into cold milk': 'cold together',
  'into boiling milk': 'dry rain',
  'fried in fat first': 'fat-coated',
  'wetted cold first': 'cold slurry',
  'hot liquid onto it': 'hot liquid onto meal',
};

/** The hob's part, up to what is thick enough. */
function thicken(plan: Plan, ctx: ReturnType<typeof context>): MethodStep[] {
  const { heatSetting, simmerSetting, slurryAtC, cookOnMin, stirEveryS } = plan.method;
  const c = plan.choices;
  const up = c.start === 'low throughout' ? simmerSetting : heatSetting;
  const lidded = c.stirring === 'lid on, now and then';
  const on: Partial<HeatStep> = lidded
    ? { setting: Math.max(1, simmerSetting - 2), lid: 'on', stirEveryS: 180 }
    : { setting: simmerSetting, stirEveryS: ctx.whole ? Math.max(stirEveryS, 20) : stirEveryS };
  const steps: MethodStep[] = [];
  const warm = (until: HeatStep['until']) => heat(plan, { role: 'warm', setting: up, stirEveryS: 20, until });
  const soakMin = c.soak === 'soaked' && ctx.grainy ? 45 : 0;
  const hasGrain = ctx.bowls.grain.length > 0;

  if (hasGrain && (c.grain ?? 'into cold milk') === 'into cold milk')
    steps.push(add('grain', { how: 'cold together', tempC: 20, stirring: 'spoon', soakMin }));
  else if (hasGrain)
    steps.push(
      warm({ reach: 'bubble' }),
      add('grain', { how: GRAIN_MEETS[c.grain ?? 'into boiling milk'], tempC: 20, soakMin }),
    );
  const early = ctx.bowls.slurry.length > 0 && c.starch !== 'last';
  if (early && !hasGrain) steps.push(warm({ reach: 'temperature', tempC: slurryAtC }), add('slurry'));
  const simmers = c.reduceTo !== undefined || (ctx.grainy && c.end !== 'coats the spoon');
  if (simmers && c.heat === 'double boiler') {
    // over steam nothing marks the moment: hot, and on to the bite or the mark
    if (!steps.some((s) => s.do === 'heat')) steps.push(warm({ reach: 'bubble' }));
  } else if (ctx.bowls.slurry.length + ctx.bowls.grain.length > 0 || !ctx.egg)
    steps.push(
      heat(plan, {
        role: 'thicken',
        setting: up,
        until: c.end === 'coats the spoon' ? { reach: 'thickness', viscosityPaS: 0.07 } : { reach: 'bubble' },
      }),
    );
  if (early && hasGrain) steps.push(add('slurry'));
  if (c.reduceTo !== undefined)
    steps.push(
      heat(plan, { role: 'reduce', ...on, lid: 'off', until: { reach: 'share', share: c.reduceTo }, limitMin: 150 }),
    );
  const late = ctx.bowls.late;
  if (ctx.grainy && c.end !== 'coats the spoon') {
    const milky = late.some((p) => p.ingredient.group === 'milk');
    const first = milky ? WATER_FIRST_BITE : late.length ? 0.93 : BITE.done;
    const inWater: Partial<HeatStep> = milky
      ? { setting: Math.max(1, simmerSetting - 2), lid: 'on', stirEveryS: 120, limitMin: 40 }
      : {};
    steps.push(heat(plan, { role: 'simmer', ...on, ...inWater, until: { reach: 'grain', bite: first } }));
    if (late.length) steps.push(add('late'));
    if (milky) steps.push(heat(plan, { role: 'simmer in milk', ...on, until: { reach: 'grain', bite: BITE.done } }));
  } else if (late.length) steps.push(add('late'));
  if (!early && ctx.bowls.slurry.length) {
    steps.push(
      add('slurry', { stirring: 'whisk' }),
      heat(plan, { role: 'thicken', setting: up, until: { reach: 'bubble' } }),
    );
  }
  if (cookOnMin > 0 && c.end !== 'coats the spoon')
    steps.push(heat(plan, { role: 'cook on', ...on, until: { reach: 'time', minutes: cookOnMin } }));
  return steps;
}

/** Egg into the hot pot, and on to where it is thick. */
function eggIn(plan: Plan, ctx: ReturnType<typeof context>): MethodStep[] {
  if (!ctx.bowls.bowl.length) return [];
  const c = plan.choices;
  const tempered = (c.yolks ?? 'tempered') === 'tempered';
  const low = plan.method.simmerSetting;
  const bubbling = ctx.starchPct >= BUBBLES_WITH_PCT || c.eggOff === 'to bubbling';
  const steps: MethodStep[] = [
    add('bowl', {
      tempC: plan.room.tempC,
      how: 'in cold cream or yolks',
      stirring: tempered ? 'whisk' : 'spoon',
      ...(tempered ? { ladleG: 60 } : {}),
    }),
  ];
  if (c.eggOff === 'heat off at once') {
    steps.push({
      ...heat(plan, { role: 'heat off', until: { reach: 'time', minutes: 3 } }),
      setting: 0,
      lid: 'on',
      stirEveryS: 20,
    });
    return steps;
  }
  if (bubbling)
    steps.push(
      // over steam it is thick long before: what counts is that the egg is hot
      heat(plan, {
        role: 'thicken',
        until: c.heat === 'double boiler' ? { reach: 'temperature', tempC: CUSTARD_C } : { reach: 'bubble' },
      }),
      heat(plan, {
        role: 'cook on',
        setting: low,
        until: { reach: 'time', minutes: Math.max(1, plan.method.cookOnMin) },
      }),
    );
  else {
    steps.push(
      heat(plan, {
        role: 'thicken',
        // the water under a bowl is to boil; what stands on the ring is to come slowly
        setting: c.heat === 'double boiler' ? low : Math.max(1, low - 2),
        limitMin: 25,
        until: { reach: 'temperature', tempC: c.heat === 'double boiler' ? STEAMED_CUSTARD_C : CUSTARD_C },
      }),
    );
    if (c.eggOff === 'minutes more')
      steps.push(
        heat(plan, { role: 'minutes more', setting: Math.max(1, low - 3), until: { reach: 'time', minutes: 3 } }),
      );
  }
  return steps;
}

const bake = (plan: Plan, centreC: number, ovenC: number, bath: 'none' | 'open'): BakeStep => ({
  do: 'bake',
  ovenC: plan.choices.ovenC ?? ovenC,
  fan: false,
  from: plan.choices.oven === 'cold start' ? 'cold' : 'hot',
  bath: plan.choices.bath ?? bath,
  until: { reach: 'centre', tempC: centreC },
  limitMin: 180,
  grillMin: 0,
  covered: false,
});

/** Bowls that go into a pot that is on its way, in the order of their uses. */
export function bowlsOf(plan: Plan): Bowl[] {
  const bowls = inBowls(plan);
  const held = [...USES.flatMap((use) => bowls[use].map((p) => p.in)), ...potPartsIn(plan).map((p) => p.in)];
  return [...new Set(held)].filter((bowl) => bowl !== 'pot' && !BESIDE_USES.includes(purposeOf(bowl)));
}

/** Bowls that hold something and that no step adds: what would be forgotten. Toppings are not forgotten. */
export const notAdded = (plan: Plan, steps: readonly MethodStep[]): Bowl[] =>
  bowlsOf(plan).filter((w) => !steps.some((m) => intoPot(m) && m.from === w));

/** What goes in as it is taken from where it is kept; egg is left to come to the room. */
const AS_KEPT: readonly Use[] = ['slurry', 'grain', 'late'];

/** The steps of a plan: its own, or its family's with the cook's choices. @throws UnknownIngredientError */
export const methodOf = oncePerPlan((plan: Plan): readonly MethodStep[] => {
  const own = ownSteps(plan);
  if (own) return own;
  const steps = template(plan).map((s) =>
    intoPot(s) && AS_KEPT.includes(purposeOf(s.from))
      ? { ...s, tempC: keptTogetherC(portionsIn(plan, s.from), plan.room.tempC) }
      : s,
  );
  const at = steps.findIndex((s) => intoDish(s) || (s.do === 'heat' && s.role === 'off the heat'));
  const missing = notAdded(plan, steps).map((bowl) => add(bowl, { tempC: plan.room.tempC }));
  const all = missing.length ? [...steps.slice(0, at), ...missing, ...steps.slice(at)] : steps;
  if (plan.choices.hands !== 'spoon only') return withHands(plan, all);
  return withHands(
    plan,
    all.map((s) => (intoPot(s) && s.stirring === 'whisk' ? { ...s, stirring: 'spoon' as const } : s)),
  );
});

/** Uses whose bowls are mixed before the pot is lit. */
const MIXED_FIRST: readonly Use[] = ['slurry', 'bowl'];
/** How a bowl is usually mixed before it goes in; undefined where nobody would. @throws UnknownIngredientError */
export function mixOf(plan: Plan, bowl: Bowl): MixStep | undefined {
  const held = portionsIn(plan, bowl);
  const mix = (until: MixStep['until'], tool: MixStep['with'] = 'whisk'): MixStep => ({
    do: 'mix',
    in: bowl,
    with: tool === 'whisk' && plan.choices.hands === 'spoon only' ? 'spoon' : tool,
    until,
  });
  if (!held.length) return undefined;
  if (purposeOf(bowl) === 'slurry') return mix('smooth');
  if (purposeOf(bowl) === 'bowl') return mix('pale');
  const whites = purposeOf(bowl) === 'fold in' && held.some((p) => p.ingredient.egg?.yolk === 0);
  return whites ? mix('stiff', 'machine') : undefined;
}

/**
 * A list with what hands do around its fires, where it does not say so itself: bowls whisked and beaten, whites whipped,
 * what must not stay taken out, and the dish served.
 * @throws UnknownIngredientError
 */
export function withHands(plan: Plan, steps: readonly MethodStep[]): readonly MethodStep[] {
  const mixes = (bowl: Bowl) => steps.some((s) => s.do === 'mix' && s.in === bowl);
  const first = MIXED_FIRST.flatMap((use) => [...new Set(inBowls(plan)[use].map((p) => p.in))]).flatMap((bowl) =>
    mixes(bowl) ? [] : (mixOf(plan, bowl) ?? []),
  );
  const out = steps.some((s) => s.do === 'take out') ? -1 : countOutAt(plan, steps);
  const list = steps.flatMap((s, i): MethodStep[] => {
    const whip = intoPot(s) && purposeOf(s.from) === 'fold in' && !mixes(s.from) ? mixOf(plan, s.from) : undefined;
    return [...(i === out ? [{ do: 'take out' } as const] : []), ...(whip ? [whip] : []), s];
  });
  return [...first, ...list, ...(steps.some((s) => s.do === 'serve') ? [] : [{ do: 'serve' } as const])];
}

/** A family as a function from a wish to a list: what stands in the bowls, and the choices, decide. */
function template(plan: Plan): MethodStep[] {
  const ctx = context(plan);
  const c = plan.choices;
  switch (plan.family) {
    case 'starch-set milk pudding':
    case 'ground-rice cream':
    case 'porridge':
    case 'whole-rice pudding':
      return [...thicken(plan, ctx), ...eggIn(plan, ctx), ...finish(plan, ctx)];
    case 'egg-enriched pudding':
      if (c.yolks === 'into a cooled base')
        return [
          ...thicken(plan, ctx),
          coolTo(plan, COOLED_BASE_C),
          add('bowl', { tempC: plan.room.tempC, how: 'in cold cream or yolks', stirring: 'spoon' }),
          ...finish(plan, ctx, [bake(plan, 80, 170, 'none')]),
        ];
      return [...thicken(plan, ctx), ...eggIn(plan, ctx), ...finish(plan, ctx)];
    case 'stirred custard':
      return [
        heat(plan, {
          role: 'warm',
          stirEveryS: 20,
          until: { reach: 'temperature', tempC: c.heat === 'double boiler' ? STEAMED_C : SCALD_C },
        }),
        ...reduced(plan),
        ...(ctx.bowls.slurry.length ? [add('slurry')] : []),
        ...eggIn(plan, ctx),
        ...(ctx.bowls.late.length ? [add('late')] : []),
        ...finish(plan, ctx),
      ];
    case 'baked custard':
      return [
        heat(plan, { role: 'warm', stirEveryS: 20, until: { reach: 'temperature', tempC: 60 } }),
        ...reduced(plan),
        ...(plan.choices.reduceTo === undefined ? [] : [coolTo(plan, COOLED_BASE_C)]),
        ...(ctx.bowls.bowl.length
          ? [add('bowl', { tempC: plan.room.tempC, how: 'in cold cream or yolks', stirring: 'spoon' })]
          : []),
        ...finish(plan, ctx, [bake(plan, 77, 160, 'open')]),
      ];
    case 'baked slab':
      return [
        ...(ctx.bowls.slurry.length + ctx.bowls.grain.length > 0 ? thicken(plan, ctx) : []),
        ...eggIn(plan, ctx),
        ...finish(plan, ctx, slabBakes(plan, ctx)),
      ];
    case 'frozen cream':
      return [...thicken({ ...plan, choices: { starch: 'last', reduceTo: 0.5, ...c } }, ctx), ...finish(plan, ctx)];
  }
}

/** Milk cooked down before egg comes to it. */
const reduced = (plan: Plan): HeatStep[] =>
  plan.choices.reduceTo === undefined
    ? []
    : [
        heat(plan, {
          role: 'reduce',
          setting: plan.method.simmerSetting,
          stirEveryS: Math.max(plan.method.stirEveryS, 10),
          until: { reach: 'share', share: plan.choices.reduceTo },
          limitMin: 150,
        }),
      ];

/** A slab in the oven; where something liquid is kept for its top, that is poured on when the slab carries it. */
function slabBakes(plan: Plan, ctx: ReturnType<typeof context>): MethodStep[] {
  const grilled = plan.choices.finish === 'grilled' ? { grillMin: GRILL_MIN } : {};
  const done = { ...bake(plan, SLAB_C, 180, 'none'), limitMin: 60, ...grilled };
  return mixtureOfPortions(ctx.bowls.top).waterG < LAYER_FROM_G
    ? [done]
    : [{ ...done, until: { reach: 'carries' }, grillMin: 0 }, { do: 'pour', to: 'top', tempC: plan.room.tempC }, done];
}

const coolTo = (plan: Plan, tempC: number): HeatStep => ({
  ...heat(plan, { role: 'cool', until: { reach: 'time', minutes: 25 } }),
  setting: 0,
  stirEveryS: 60,
  limitMin: 240,
  until: { reach: 'time', minutes: tempC < 50 ? 40 : 20 },
});
