import type { Pantry } from '../pantry/pantry';
import { GRAINS } from '../pot/grain';
import { readNumber } from './amount';
import type { Account, Heat, Wet } from './language/account';
import { namesIn } from './names';
import { dishIn, sizesIn, type Sizes } from './vesselSizes';

/** What a recipe's sentences say of heat, order and hands. Figures that it does not give stay undefined. */
export type Grind = 'flour' | 'semolina' | 'coarse';
export type Facts = Sizes & {
  /** ingredients named in the method, in order, with the first sentence that names each */
  /** what the steps name, and where first; `unsure` where a word beside the name makes it something that is not known */
  mentions: { id: string; at: number; unsure?: string }[];
  starch?:
    | 'cold slurry'
    | 'cold together'
    | 'mixed with sugar'
    | 'in cold yolks'
    | 'rain'
    | 'fat first'
    | 'hot onto meal'
    | 'into hot';
  yolks?: 'tempered' | 'straight in' | 'cold together' | 'into a cooled base';
  sugarWithYolks: boolean;
  sugarLate: boolean;
  /** the starch is brought to the bubble; said that it must not boil */
  bubbles: boolean;
  forbidsBoil: boolean;
  /** minutes after it has thickened, and after the grain is soft; each is counted once */
  cookOnMin?: number;
  softMin?: number;
  /** minutes of whole grain in water, before its milk, and in milk */
  inWaterMin?: number;
  inMilkMin?: number;
  /** minutes it soaks or steeps */
  soakMin?: number;
  stirEveryS?: number;
  lidOn: boolean;
  doubleBoiler: boolean;
  soaked: boolean;
  waterFirst: boolean;
  reduceTo?: number;
  /** whole spices that are taken out again, or everything strained */
  takenOut: string[];
  /** grain that is ground in the steps, and how fine */
  ground?: Grind;
  /** what a step keeps back of an ingredient: g, or a share of it; and what for */
  kept: { id: string; grams?: number; share?: number; use: 'late' | 'top' | 'bowl' | 'off the heat' }[];
  /** fruit or sauce lies in the dish, and the rest is poured over it */
  under?: true;
  /** whites are whipped and folded in */
  folded?: true;
  strained: boolean;
  oven?: {
    tempC: number;
    minutes?: number;
    fan: boolean;
    bath: boolean;
    cold: boolean;
    grill?: true;
    secondMin?: number;
    grillMin?: number;
  };
  /** hob ovals, 1 to 9, as it says them: at first, and at the end */
  hob?: { first: number; last: number };
  chillH?: number;
  freezeH?: number;
  roomMin?: number;
  style?: 'spooned' | 'turned out' | 'cut';
  warm?: boolean;
};

/** How high, in ovals of nine (B): what cooks mean by the words. */
const HEAT_WORDS: readonly (readonly [RegExp, number])[] = [
  [/\b(?:lowest|very low|gentlest)\b/i, 1],
  [/\bmedium[- ]low\b/i, 4],
  [/\bmedium[- ]high\b/i, 7],
  [/\b(?:low|gentle)\b/i, 3],
  [/\b(?:medium|moderate)\b/i, 5],
  [/\b(?:high(?:est)?|full|strong)\b/i, 9],
];

/** The fire a sentence names: "over medium heat", "hob 6", "turn it to 4"; undefined where it names none. */
export function hobIn(s: string): number | undefined {
  const number =
    /\b(?:hob|ring|burner|dial|stove|setting|mark)\s+(?:(?:at|to|on|number)\s+)?([1-9])\b(?!\s*(?:min|cm|x|\d))/i.exec(
      s,
    );
  if (number && !/\bgas mark\b/i.test(s)) return Number(number[1]);
  if (!/\b(?:heat|fire|flame|hob|ring|on low|on high|on medium)\b/i.test(s)) return undefined;
  return HEAT_WORDS.find(([w]) => w.test(s))?.[1];
}

/** That it must not boil. */
const NEVER =
  /\b(?:do not|don.t|never|without|must not|not let it|before it|stop before|not)\b[^.]{0,30}\b(?:boil\w*|bubbl\w*|simmer\w*)/i;

const STARCH: Partial<Record<Wet, NonNullable<Facts['starch']>>> = {
  'cold slurry': 'cold slurry',
  'cold together': 'cold together',
  'with sugar': 'mixed with sugar',
  'with egg': 'in cold yolks',
  rain: 'rain',
  'fat first': 'fat first',
  'hot onto': 'hot onto meal',
  'dry into hot': 'into hot',
  'in cream': 'cold slurry',
};
const GRIND = { fine: 'semolina', coarse: 'coarse', flour: 'flour' } as const;
/** s between two stirs by the words of a recipe (C). */
export const STIR_S: Readonly<Record<NonNullable<Heat['stir']>, number>> = {
  'all the time': 2,
  often: 20,
  'now and then': 60,
  none: 300,
};

const sum = (list: readonly (number | undefined)[]): number | undefined => {
  const known = list.filter((x) => x !== undefined);
  return known.length ? known.reduce((a, b) => a + b, 0) : undefined;
};

type Form = (t: number) => string | undefined;

/** What stands in a recipe's account of heat, order and hands, in the words that its plan is made of. */
export function factsOf(account: Account, method: readonly string[], head: readonly string[], pantry: Pantry): Facts {
  const a = account;
  const id = (t: number) => a.things[t]!.id;
  const form: Form = (t) => {
    const kind = pantry.get(id(t))?.thickener;
    return pantry.get(id(t))?.group === 'thickener' && kind ? GRAINS[kind].form : undefined;
  };
  const sweet = (t: number) => pantry.get(id(t))?.group === 'sweet';
  const kernels = a.things.some((_, t) => form(t) === 'kernel');
  const f: Facts = {
    mentions: [],
    sugarWithYolks: a.puts.some(
      (p) => p.place === 'bowl' && sweet(p.thing) && p.beside.some((t) => pantry.get(id(t))?.egg),
    ),
    sugarLate: kernels && !a.earlySweet && a.puts.some((p) => sweet(p.thing)),
    bubbles: false,
    forbidsBoil: method.some((s) => NEVER.test(s)),
    lidOn: a.heats.some((h) => h.lid === 'on'),
    doubleBoiler: a.doubleBoiler,
    soaked: a.soaked.size > 0 || a.soakMin !== undefined || head.some((h) => /\bsoaked\b/i.test(h)),
    waterFirst: [...a.wet.values()].includes('in water first'),
    takenOut: [...new Set([...a.out].map(id))].sort(),
    kept: keptIn(a, pantry),
    strained: a.strained,
    ...(a.folded ? { folded: true as const } : {}),
    ...([...a.part].some(([t, p]) => p === 'under' && /^(?:fruit_|puree_)/.test(id(t)))
      ? { under: true as const }
      : {}),
    ...(a.kind ? { ground: GRIND[a.kind.fine] } : {}),
    ...(a.soakMin === undefined ? {} : { soakMin: a.soakMin }),
    ...(a.reduce === undefined ? {} : { reduceTo: a.reduce }),
    ...(a.style === 'cut' || a.style === 'turned out' ? { style: a.style } : {}),
    ...(a.warm === undefined ? {} : { warm: a.warm }),
  };
  wetting(a, form, f);
  minutes(a, form, f);
  rests(a, f);
  ovens(a, f);
  fire(a, method, f);
  for (const h of head) f.dish ??= dishIn(h);
  if (f.dish === undefined) delete f.dish;
  method.forEach((s, at) => {
    sizesIn(s, f);
    for (const n of namesIn(s))
      if (!f.mentions.some((m) => m.id === n.id && m.unsure === n.unsure)) f.mentions.push({ ...n, at });
  });
  return f;
}

/** How the starch, or else the grain, met its liquid; how the egg met what is hot. */
function wetting(a: Account, form: Form, f: Facts): void {
  const of = (want: (form: string | undefined) => boolean) =>
    [...a.wet].filter(([t]) => want(form(t)) && a.part.get(t) !== 'side').map(([, how]) => how);
  const how =
    of((x) => x === 'powder')[0] ?? of((x) => x !== 'powder' && x !== 'kernel')[0] ?? of((x) => x === 'kernel')[0];
  if (how && STARCH[how]) f.starch = STARCH[how];
  if (a.egg && a.egg !== 'folded')
    f.yolks =
      a.egg === 'tempered' || a.egg === 'hot onto'
        ? 'tempered'
        : a.egg === 'into cooled'
          ? 'into a cooled base'
          : a.egg === 'cold'
            ? 'cold together'
            : 'straight in';
}

/** Minutes behind the thickening, of grain in water and in milk, and behind its softness; and whether it bubbled. */
function minutes(a: Account, form: Form, f: Facts): void {
  const thick = (h: Heat) => h.things.some((t) => form(t) !== undefined);
  const on = a.heats.filter((h) => thick(h) && h.min !== undefined && h.until !== 'boil' && h.until !== 'simmer');
  const cookOn = sum(on.map((h) => h.min));
  if (cookOn !== undefined) f.cookOnMin = cookOn;
  f.bubbles = a.heats.some((h) => (thick(h) || h.things.some((t) => a.things[t]!.id === 'yolk')) && h.boils);
  if ((f.starch === 'rain' || f.starch === 'hot onto meal') && !f.forbidsBoil && (cookOn ?? 0) >= 1) f.bubbles = true;
  // minutes over the fire once it is thick cook it out, whatever it is called
  const thickAt = a.heats.findIndex((h) => thick(h) && h.until === 'thick');
  const after = thickAt < 0 ? [] : a.heats.slice(thickAt + 1);
  if (!f.forbidsBoil && after.some((h) => h.until === 'time' && (h.min ?? 0) >= COOKED_OUT_MIN)) f.bubbles = true;
  const grain = a.heats.filter((h) => h.things.some((t) => form(t) === 'kernel'));
  if (!grain.length) return;
  const soft = grain.findIndex((h) => h.until === 'soft');
  const behind = soft < 0 ? undefined : sum(grain.slice(soft + 1).map((h) => (h.until === 'time' ? h.min : undefined)));
  if (behind !== undefined) f.softMin = behind;
  const milk = (h: Heat) => h.things.some((t) => /milk|drink|cream|evaporated/.test(a.things[t]!.id));
  const inWater = sum(grain.filter((h) => !milk(h)).map((h) => h.min));
  const inMilk = sum(grain.filter((h, i) => milk(h) && (soft < 0 || i <= soft)).map((h) => h.min));
  if (inWater !== undefined) f.inWaterMin = inWater;
  if (inMilk !== undefined) f.inMilkMin = inMilk;
}

function rests(a: Account, f: Facts): void {
  const of = (where: string) => sum(a.rests.filter((r) => r.where === where).map((r) => r.min));
  const [room, fridge, freezer] = [of('room'), of('fridge'), of('freezer')];
  if (room !== undefined) f.roomMin = room;
  if (fridge !== undefined) f.chillH = fridge / 60;
  if (freezer !== undefined) f.freezeH = freezer / 60;
}

/** degC of an oven of which nothing is said (B) */
const USUAL_OVEN_C = 170;
function ovens(a: Account, f: Facts): void {
  const [first, second] = a.bakes;
  if (!first) return;
  const grillMin = a.bakes.find((b) => b.grillMin !== undefined)?.grillMin;
  f.oven = {
    tempC: first.tempC ?? USUAL_OVEN_C,
    ...(first.min === undefined ? {} : { minutes: first.min }),
    fan: a.bakes.some((b) => b.fan),
    bath: a.bakes.some((b) => b.bath),
    cold: a.bakes.some((b) => b.cold),
    ...(second?.min === undefined ? {} : { secondMin: second.min }),
    ...(a.bakes.some((b) => b.grill) ? { grill: true as const } : {}),
    ...(grillMin === undefined ? {} : { grillMin }),
  };
}

/** min over the fire behind the thickening that cook starch out (C) */
const COOKED_OUT_MIN = 2;
const EVERY = /\bevery\s+(?:(\d+|two|three|four|five|ten)\s+)?(seconds?|minutes?|mins?)/i;
/** The ring as it is said first and last, and how often it is stirred. */
function fire(a: Account, method: readonly string[], f: Facts): void {
  for (const s of method) {
    const ring = /\b(?:oven|bake|grill)/i.test(s) ? undefined : hobIn(s);
    if (ring !== undefined) f.hob = { first: f.hob?.first ?? ring, last: ring };
    const every = EVERY.exec(s);
    if (every) f.stirEveryS = (every[1] ? (readNumber(every[1])?.value ?? 1) : 1) * (/^m/i.test(every[2]!) ? 60 : 1);
  }
  if (f.stirEveryS !== undefined) return;
  const said = a.heats.map((h) => h.stir).filter((x) => x !== undefined);
  const longest = said.includes('now and then') ? 'now and then' : said.includes('often') ? 'often' : said[0];
  if (longest) f.stirEveryS = STIR_S[longest];
}

/** What joins later than the rest of it, and in which bowl; what wets starch cold is the slurry's own and no other bowl. */
function keptIn(a: Account, pantry: Pantry): Facts['kept'] {
  const out: Facts['kept'] = [];
  for (const [t, thing] of a.things.entries()) {
    const puts = a.puts.filter((p) => p.thing === t);
    if (puts.length < 2) continue;
    const most = puts.reduce((x, y) => (y.share > x.share ? y : x));
    for (const p of puts) {
      if (p === most) continue;
      const starch = p.beside.some((x) => pantry.get(a.things[x]!.id)?.group === 'thickener');
      const egg = p.beside.some((x) => pantry.get(a.things[x]!.id)?.egg);
      const use =
        p.place === 'top'
          ? 'top'
          : p.place === 'bowl'
            ? egg
              ? 'bowl'
              : starch
                ? undefined
                : 'late'
            : p.off
              ? 'off the heat'
              : 'late';
      if (!use || (p.place === 'pot' && p.sentence < most.sentence)) continue;
      out.push({
        id: thing.id,
        ...(thing.grams === undefined ? { share: p.share } : { grams: p.share * thing.grams }),
        use,
      });
    }
  }
  return out;
}
