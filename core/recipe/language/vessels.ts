import type { Pantry } from '../../pantry/pantry';
import { GRAINS } from '../../pot/grain';
import { HEATING, type Act, type Ref } from './acts';
import type { Level, Place, Sign, VesselWord } from './lexicon';
import type { Thing } from './things';

/** How hot what is in a vessel is. */
type Warmth = 'cold' | 'hot' | 'cooled';
type Vessel = {
  id: string;
  kind: VesselWord;
  /** share of each thing that is in it */
  holds: Map<number, number>;
  warmth: Warmth;
  boiled: boolean;
  /** its content is no part of the dish itself */
  side: boolean;
  /** the part of the recipe that is made in it */
  component?: string | undefined;
};

export type Heat = {
  vessel: string;
  until: Sign | 'time' | 'temp';
  min?: number;
  level?: Level;
  lid?: 'on' | 'ajar' | 'off';
  stir?: 'all the time' | 'often' | 'now and then' | 'none';
  overWater?: true;
  tempC?: number;
  /** what was in it meanwhile */
  things: number[];
  sentence: number;
  /** nothing is waited for: the word of the deed is all there is */
  byDeed?: boolean;
  /** it bubbles meanwhile */
  boils: boolean;
};
export type Bake = { tempC?: number; min?: number; fan?: true; cold?: true; bath?: true; grillMin?: number; grill?: true };
export type Rest = { where: Exclude<Place, 'oven'>; min?: number; sentence: number };
export type Wet =
  | 'cold slurry'
  | 'cold together'
  | 'with sugar'
  | 'with egg'
  | 'rain'
  | 'dry into hot'
  | 'fat first'
  | 'hot onto'
  | 'in water first'
  | 'in cream';
export type Egg = 'tempered' | 'hot onto' | 'straight in' | 'cold' | 'into cooled' | 'folded';

/** What happened to the things of a recipe, act by act. */
export type Account = {
  things: Thing[];
  /** what goes into the pot, moment by moment */
  order: { things: number[]; sentence: number }[];
  wet: Map<number, Wet>;
  /** the sentence in which each thickener was wetted */
  wetAt: Map<number, number>;
  egg?: Egg;
  eggAt?: number;
  heats: Heat[];
  bakes: Bake[];
  rests: Rest[];
  out: Set<number>;
  strained: boolean;
  kind?: { thing: number; fine: 'fine' | 'coarse' | 'flour' };
  soakMin?: number;
  soaked: Set<number>;
  reduce?: number;
  dish?: VesselWord;
  style?: 'cut' | 'turned out' | 'frozen' | 'spooned';
  warm?: boolean;
  /** g or share of each thing that joined later than the rest of it */
  backG: Map<number, number>;
  /** where each thing ended up */
  part: Map<number, 'pot' | 'side' | 'under' | 'top' | 'layer' | 'grease' | 'serve'>;
  sides: { component?: string | undefined; things: number[]; heated: boolean }[];
  /** sugar and grain: what went in before the grain was soft */
  earlySweet: boolean;
  doubleBoiler: boolean;
  forbidsBoil: boolean;
  whipped: Set<number>;
  folded: boolean;
  /** each portion of a thing that went somewhere, with what was there */
  puts: {
    thing: number;
    share: number;
    sentence: number;
    place: 'bowl' | 'pot' | 'side' | 'top';
    beside: number[];
    off: boolean;
  }[];
  steps: { act: Act; did: string[] }[];
};

/** min up to which what is covered is still hot (C) */
const STAYS_HOT_MIN = 30;
/** degC from which it is an oven's and no pot's */
const OVEN_FROM_C = 110;
const DISHES: readonly VesselWord[] = ['cups', 'moulds', 'tray', 'dish', 'pie', 'plates'];
const BOILS: readonly Sign[] = ['boil', 'simmer'];
/** From less than this on, all of it is in. */
const REST = 0.02;
const LITTLE = 0.15;
const MOST = 0.8;

/** Runs a recipe's acts over its vessels. */
export class Kitchen {
  readonly account: Account;
  private readonly vessels = new Map<string, Vessel>();
  private readonly placed = new Map<number, number>();
  private readonly portions = new Map<number, { share: number; vessel: string; order: number }[]>();
  private current: Vessel;
  private main: Vessel;
  private lastBowl: Vessel | undefined;
  private level: Level | undefined;
  private lid: Heat['lid'];
  private stir: Heat['stir'];
  private poured = false;
  private served = false;
  private heatOpen: Heat | undefined;
  private readonly events: { vessel: string; things: number[]; sentence: number }[] = [];
  private readonly dry = new Map<number, Vessel>();
  private eggs = new Map<number, Vessel>();
  private component: string | undefined;
  private soft = false;
  private takenUp: Vessel | undefined;
  private preheatC: number | undefined;
  private fan = false;
  private did: string[] = [];

  constructor(
    readonly things: Thing[],
    private readonly pantry: Pantry,
    /** the parts of the recipe that are cooked beside it */
    private readonly sideParts: ReadonlySet<string>,
  ) {
    this.main = this.vessel('pot', 'pot');
    this.current = this.main;
    this.account = {
      things,
      order: [],
      wet: new Map(),
      wetAt: new Map(),
      heats: [],
      bakes: [],
      rests: [],
      out: new Set(),
      strained: false,
      soaked: new Set(),
      backG: new Map(),
      part: new Map(),
      sides: [],
      earlySweet: false,
      doubleBoiler: false,
      forbidsBoil: false,
      whipped: new Set(),
      folded: false,
      puts: [],
      steps: [],
    };
  }

  private vessel(id: string, kind: VesselWord, side = false): Vessel {
    let v = this.vessels.get(id);
    if (!v) this.vessels.set(id, (v = { id, kind, holds: new Map(), warmth: 'cold', boiled: false, side }));
    return v;
  }

  /** The part of the recipe that the next sentences are about. */
  turnTo(component: string | undefined) {
    this.component = component;
    if (component !== undefined && this.sideParts.has(component)) this.current = this.sidePot(component);
    else if (this.current.side) this.current = this.main;
  }
  get about(): string | undefined {
    return this.component;
  }

  private sidePot(component: string): Vessel {
    const v = this.vessel(`side:${component}`, 'other pot', true);
    v.component = component;
    return v;
  }

  // what a thing is
  private of(t: number) {
    return this.pantry.get(this.things[t]!.id);
  }
  private isLiquid = (t: number) => {
    const i = this.of(t);
    return i !== undefined && (i.group === 'milk' || /juice$/.test(i.id));
  };
  private isMilk = (t: number) => {
    const i = this.of(t);
    return i?.group === 'milk' && i.id !== 'water' && i.id !== 'condensed' && !/cream/.test(i.id);
  };
  private isCream = (t: number) => /cream/.test(this.things[t]!.id);
  private isSweet = (t: number) => this.of(t)?.group === 'sweet' || this.things[t]!.id === 'condensed';
  private isEgg = (t: number) => this.of(t)?.egg !== undefined;
  private isFat = (t: number) => this.of(t)?.group === 'fat';
  isThickener = (t: number) => this.of(t)?.group === 'thickener' && this.of(t)?.thickener !== undefined;
  private isPowder = (t: number) => this.isThickener(t) && GRAINS[this.of(t)!.thickener!].form === 'powder';
  private isKernel = (t: number) => this.isThickener(t) && GRAINS[this.of(t)!.thickener!].form === 'kernel';
  private in = (v: Vessel) => [...v.holds.keys()].filter((t) => v.holds.get(t)! > REST / 2);
  private left = (t: number) => Math.max(0, 1 - (this.placed.get(t) ?? 0));

  /** The vessel that holds most of a thing. */
  private holding(t: number): Vessel | undefined {
    let best: Vessel | undefined;
    for (const v of this.vessels.values()) if ((v.holds.get(t) ?? 0) > (best?.holds.get(t) ?? REST / 2)) best = v;
    return best;
  }

  private isSideThing = (t: number) => {
    const c = this.things[t]!.component;
    return c !== undefined && this.sideParts.has(c);
  };

  // which vessel is meant
  private vesselOf(r: Extract<Ref, { kind: 'vessel' }>, a: Act): Vessel {
    const objects = a.objects.flatMap((o) => (o.kind === 'thing' ? o.things : []));
    const sideThing = objects.find((t) => this.isSideThing(t) && (this.things[t]!.component === this.component || objects.every(this.isSideThing)));
    const aside = this.component !== undefined && this.sideParts.has(this.component) && !objects.some((t) => this.things[t]!.component === undefined && !this.things[t]!.found);
    if (DISHES.includes(r.vessel)) return this.vessel('dish', r.vessel);
    if (r.vessel === 'pot' || r.vessel === 'other pot') {
      if (aside && this.component) return this.sidePot(this.component);
      if (sideThing !== undefined) return this.sidePot(this.things[sideThing]!.component!);
      if (r.vessel === 'other pot') {
        const unused = !this.in(this.main).length && !this.account.heats.length;
        if (!/another|second|separate|other|frying|skillet|dry/.test(r.text) && (unused || objects.some(this.isMilk))) return this.main;
        return this.vessel(/frying|skillet|wok|dry/.test(r.text) ? 'frying pan' : 'second pot', 'other pot', true);
      }
      return this.main.kind === 'pot' || this.account.heats.some((h) => h.vessel === 'pot') ? this.vessel('pot', 'pot') : this.vessel('pot', 'pot');
    }
    const noun = /basin|bowl/.test(r.text) ? 'bowl' : /jug|pitcher|beaker/.test(r.text) ? 'jug' : /cup|mug/.test(r.text) ? 'cup' : r.vessel;
    const ids = [...this.vessels.values()].filter((v) => v.kind === r.vessel && v.id.startsWith(`${noun}#`));
    const lastOne = ids.at(-1);
    const news = objects.some((t) => this.left(t) > REST) && !objects.some((t) => lastOne?.holds.has(t));
    if (lastOne && !(r.fresh && news && this.in(lastOne).length)) return lastOne;
    // "the bowl" where only a jug was spoken of
    if (!lastOne && !r.fresh && this.lastBowl && r.vessel === 'bowl' && this.in(this.lastBowl).length && (!news || noun === 'cup')) return this.lastBowl;
    const v = this.vessel(`${noun}#${ids.length}`, r.vessel);
    if (aside && this.component) {
      v.side = true;
      v.component = this.component;
    }
    return v;
  }

  private contentOf(r: Extract<Ref, { kind: 'content' | 'holder' }>, a: Act): Vessel | undefined {
    if (r.kind === 'holder') {
      if (r.kept) return this.keptIn ?? this.lastBowl ?? this.current;
      const v = r.things.map((t) => this.holding(t)).find((x) => x);
      return v;
    }
    const bowls = [...this.vessels.values()].filter((v) => v.kind === 'bowl' && this.in(v).length);
    if (r.content === 'kept') return this.keptIn ?? this.lastBowl;
    if (r.content === 'slurry')
      return bowls.find((v) => this.in(v).some((t) => this.isThickener(t))) ?? this.lastFull(bowls) ?? this.current;
    const apart = bowls.filter((v) => v !== this.main && !v.side);
    const toDish = a.into.some((x) => x.kind === 'vessel' && DISHES.includes(x.vessel));
    if (r.content === 'mixture' && (a.deed === 'put' || a.deed === 'mix' || a.deed === 'pour') && !toDish && apart.length && this.in(this.main).length) return this.lastFull(apart);
    if (r.content === 'pudding' && !this.current.side) return this.main;
    return this.current;
  }
  /** The vessel that a name stands for. */
  private heldBy(r: Ref, a: Act): Vessel | undefined {
    if (r.kind === 'thing') return this.holding(r.things[0]!);
    if (r.kind === 'vessel') return this.vesselOf(r, a);
    return r.kind === 'rest' ? undefined : this.contentOf(r, a);
  }
  private lastFull = (vs: readonly Vessel[]) =>
    this.lastBowl && vs.includes(this.lastBowl) ? this.lastBowl : vs.at(-1);

  // moving
  private add(t: number, share: number, v: Vessel, a: Act) {
    if (share <= 0) return;
    const before = new Map(v.holds);
    this.placed.set(t, (this.placed.get(t) ?? 0) + share);
    v.holds.set(t, (v.holds.get(t) ?? 0) + share);
    const list = this.portions.get(t) ?? [];
    list.push({ share, vessel: v.id, order: this.events.length });
    this.portions.set(t, list);
    if (this.isSweet(t) && !v.side && v === this.main && !this.soft && this.in(v).some((x) => this.isKernel(x))) this.account.earlySweet = true;
    void before;
    void a;
  }

  private shareOf(r: Extract<Ref, { kind: 'thing' }>, t: number): number {
    const total = this.things[t]!.grams;
    const left = this.left(t);
    if (r.grams !== undefined && total !== undefined && total > 0 && (r.definite || r.grams < total * 0.98)) return Math.min(1, r.grams / total);
    if (typeof r.share === 'number') return r.share;
    if (r.share === 'kept') return this.things[t]!.heldG && total ? this.things[t]!.heldG / total : left;
    if (r.share === 'little') return LITTLE;
    if (r.share === 'most') return MOST;
    return left > REST ? left : 0;
  }

  /** Things that are put into a vessel together, and how that wets and warms them. */
  private putTogether(refs: { t: number; share: number }[], v: Vessel, a: Act) {
    const had = this.in(v);
    const group: number[] = [];
    for (const { t, share } of refs) {
      const s = share > 0 ? share : 0;
      if (s <= 0) continue;
      this.add(t, s, v, a);
      if (s < 0.95) this.keptThing = t;
      group.push(t);
    }
    if (!group.length) return;
    this.events.push({ vessel: v.id, things: group, sentence: a.sentence });
    for (const { t, share } of refs)
      if (group.includes(t))
        this.account.puts.push({ thing: t, share, sentence: a.sentence, place: v.side ? 'side' : v.kind === 'bowl' || v.kind === 'blender' ? 'bowl' : 'pot', beside: [...new Set([...had, ...group])].filter((x) => x !== t), off: this.account.heats.length > 0 && !this.onFire });
    this.did.push(`${v.id} + ${group.map((t) => this.things[t]!.id).join(', ')}`);
    this.meet(v, had, group, a);
  }

  /** What meets what in a vessel: starch its liquid, egg what is hot. */
  private meet(v: Vessel, had: readonly number[], group: readonly number[], a: Act) {
    const all = this.in(v);
    const liquids = all.filter(this.isLiquid);
    const wasLiquid = had.some(this.isLiquid);
    const hot = v.warmth === 'hot' && had.length > 0;
    for (const t of group) {
      if (this.isThickener(t) && !this.account.wet.has(t)) {
        if (liquids.length && liquids.every((x) => this.things[x]!.id === 'water')) this.inWater.add(t);
        if (hot && wasLiquid) this.wet(t, this.isPowder(t) && a.deed !== 'rain' ? 'dry into hot' : 'rain', a);
        else if (all.some(this.isEgg) && this.isPowder(t)) this.wet(t, liquids.length && this.coldIn(v, liquids, t) === 'cold together' ? 'cold together' : 'with egg', a);
        else if (liquids.length) this.wet(t, this.coldIn(v, liquids, t), a);
        else if (/\b(?:with|in|into)\b[^.;]{0,24}\bwater\b/i.test(a.text) && v.kind === 'bowl') this.wet(t, 'cold slurry', a);
        else this.dry.set(t, v);
      }
      if (this.isEgg(t) && this.account.egg === undefined) {
        if (a.deed === 'fold' && this.things[t]!.id === 'white') {
          this.account.folded = true;
          this.egg('folded', a);
        }
        else if (hot && wasLiquid && v.kind !== 'bowl') this.egg(v.warmth === 'hot' ? 'straight in' : 'into cooled', a);
        else if (v === this.takenUp) this.egg('tempered', a);
        else if (v.warmth === 'cooled' && wasLiquid) this.egg('into cooled', a);
        else this.eggs.set(t, v);
      }
    }
    // a liquid comes to what stood dry
    if (group.some(this.isLiquid))
      for (const [t, where] of [...this.dry])
        if (where === v && !group.includes(t)) {
          this.dry.delete(t);
          const hotLiquid = a.hot && group.filter(this.isLiquid).length > 0;
          this.wet(t, hotLiquid ? 'hot onto' : v.warmth === 'hot' && had.some(this.isFat) ? 'fat first' : had.some(this.isFat) && (v.kind === 'pot' || v.kind === 'other pot') ? 'fat first' : had.some(this.isEgg) && this.isPowder(t) ? 'with egg' : this.dryWith(v, had, liquids, t), a);
        }
  }

  private dryWith(v: Vessel, had: readonly number[], liquids: readonly number[], t: number): Wet {
    return had.some((x) => this.isSweet(x)) && this.isPowder(t) && v.kind !== 'bowl' ? 'with sugar' : had.some((x) => this.isSweet(x)) && this.isPowder(t) ? 'with sugar' : this.coldIn(v, liquids, t);
  }

  /** Wetted by a part of the liquid, or by all of it. */
  private coldIn(v: Vessel, liquids: readonly number[], t: number): Wet {
    if (v.kind === 'pot' || v.side) {
      return v.side && this.isPowder(t) ? 'cold slurry' : 'cold together';
    }
    if (liquids.every(this.isCream)) return 'in cream';
    const main = this.things.map((_, i) => i).filter((x) => this.isMilk(x) && !this.isSideThing(x));
    const mass = (x: number) => this.things[x]!.grams ?? 0;
    const allMilk = main.reduce((s, x) => s + mass(x), 0);
    const here = liquids.reduce((s, x) => s + mass(x) * (v.holds.get(x) ?? 0), 0);
    if (allMilk > 0 && here > 0.7 * allMilk) return 'cold together';
    if (allMilk === 0 && main.length && liquids.some((x) => main.includes(x) && (v.holds.get(x) ?? 0) > 0.7)) return 'cold together';
    return 'cold slurry';
  }
  /** met water alone at first */
  private readonly inWater = new Set<number>();

  private wet(t: number, how: Wet, a: Act) {
    this.dry.delete(t);
    this.account.wet.set(t, how);
    this.account.wetAt.set(t, a.sentence);
  }
  private egg(how: Egg, a: Act) {
    this.account.egg = how;
    this.account.eggAt = a.sentence;
    if (how !== 'folded') this.eggs.clear();
  }

  /** What is in one vessel goes into another, all of it or a part. */
  private pour(from: Vessel, into: Vessel, share: number | undefined, a: Act) {
    if (from === into) return;
    const things = this.in(from);
    if (!things.length) return;
    const part = share !== undefined && share < 0.95;
    const had = this.in(into);
    const fromHot = from.warmth === 'hot' || a.hot === true;
    this.did.push(`${from.id} → ${into.id}${part ? ` ${Math.round(100 * share)} %` : ''}`);
    if (a.deed === 'fold' && this.in(from).some((t) => this.things[t]!.id === 'white')) {
      this.account.folded = true;
      if (this.account.egg === undefined && ![...this.eggs.keys()].some((t) => this.things[t]!.id !== 'white')) this.egg('folded', a);
      for (const t of this.in(from)) this.eggs.delete(t);
    }
    this.mergeEgg(from, into, part, fromHot, a);
    this.mergeDry(from, into, fromHot, a);
    for (const t of things) {
      const g = from.holds.get(t)!;
      const s = part ? g * share : g;
      into.holds.set(t, (into.holds.get(t) ?? 0) + s);
      from.holds.set(t, part ? g - s : 0);
      for (const p of this.portions.get(t) ?? []) if (p.vessel === from.id && !part) p.vessel = into.id;
    }
    if (fromHot && into.kind === 'bowl' && !part) {
      // the pot's content moves into the bowl: from here on that is the pot
      if (from === this.main) this.main = into;
      this.events.push({ vessel: 'pot', things: had, sentence: a.sentence });
      for (const e of this.events) if (e.vessel === from.id) e.vessel = 'pot';
      into.warmth = 'hot';
    } else if (part && fromHot && into.kind === 'bowl') this.takenUp = into;
    else {
      this.events.push({ vessel: into.id, things, sentence: a.sentence });
      if (from === this.main && !into.side) this.main = into;
      if (into.warmth !== 'hot' && fromHot) into.warmth = 'hot';
      if (from.warmth === 'cooled' && !had.length) into.warmth = 'cooled';
      // a frying pan's or a jug's content is part of the dish from here on
      if (!into.side) from.side = false;
    }
    into.boiled = into.boiled || from.boiled;
    // all of the milk, and yet poured into another liquid that was hot
    if (from.kind === 'bowl' && into.warmth === 'hot' && had.some(this.isLiquid))
      for (const t of things) if (this.account.wet.get(t) === 'cold together') this.account.wet.set(t, 'cold slurry');
  }

  private mergeEgg(from: Vessel, into: Vessel, part: boolean, fromHot: boolean, a: Act) {
    const there = [...this.eggs].filter(([, v]) => v === into);
    const here = [...this.eggs].filter(([, v]) => v === from);
    if (there.length && fromHot && this.in(from).some((t) => this.isLiquid(t))) this.egg(part || /temper/i.test(a.text) ? 'tempered' : 'hot onto', a);
    else if (here.length && this.in(into).some((t) => this.isLiquid(t))) {
      if (into.warmth === 'hot') this.egg('straight in', a);
      else if (into.warmth === 'cooled') this.egg('into cooled', a);
      else for (const [t] of here) this.eggs.set(t, into);
    } else for (const [t] of here) this.eggs.set(t, into);
  }

  private mergeDry(from: Vessel, into: Vessel, fromHot: boolean, a: Act) {
    const liquid = (v: Vessel) => this.in(v).some(this.isLiquid);
    for (const [t, v] of [...this.dry]) {
      if (v === from && liquid(into)) {
        const sweet = this.in(from).some(this.isSweet);
        if (into.warmth === 'hot') this.wet(t, sweet && this.isPowder(t) ? 'with sugar' : this.isPowder(t) && a.deed !== 'rain' ? 'dry into hot' : 'rain', a);
        else this.wet(t, this.dryWith(into, this.in(from), this.in(into).filter(this.isLiquid), t), a);
      } else if (v === into && liquid(from)) {
        if (fromHot) this.wet(t, this.in(into).some(this.isEgg) && this.isPowder(t) ? 'with egg' : 'hot onto', a);
        else this.wet(t, this.dryWith(into, this.in(into), this.in(from).filter(this.isLiquid), t), a);
      } else if (v === from) this.dry.set(t, into);
    }
  }

  /** Starch that its own line wets: "60 g of starch, slaked in a little of the milk". */
  wetted(t: number) {
    if (this.isThickener(t)) this.account.wet.set(t, 'cold slurry');
  }

  // acts
  run(a: Act) {
    this.did = [];
    this.perform(a);
    this.account.steps.push({ act: a, did: this.did });
  }

  private perform(a: Act) {
    if (a.conditional) return this.perhaps(a);
    if (a.when.length || a.whenTime) this.came(a);
    if (a.fan) this.fan = true;
    const lights = a.deed === 'heat' && /\blight (?:it|the oven)/i.test(a.text) && (this.account.dish !== undefined || this.account.bakes.length > 0);
    if (lights || a.deed === 'preheat' || (a.coldOven && !a.deed) || (a.deed === 'heat' && (a.tempC ?? 0) >= OVEN_FROM_C)) return this.preheat(a);
    if (a.deed === 'grease') return this.grease(a);
    if (a.deed === 'soak' || a.deed === 'rinse') return this.soak(a);
    const kernels = a.objects.flatMap((r) => (r.kind === 'thing' ? r.things : []));
    const blitzed = a.deed === 'blend' && kernels.length > 0 && kernels.every((t) => this.isKernel(t)) && !a.until.includes('smooth');
    if ((a.deed === 'grind' || blitzed) && this.grind(blitzed ? { ...a, into: [] } : a)) return;
    if (a.deed === 'keep') return this.keep(a);
    if (a.offHeat || a.deed === 'off') this.offHeat();
    this.manner(a);
    if (this.soaksHere(a)) return;
    if (this.whites(a)) return;
    if (this.takesOut(a)) return;
    if (this.garnishes(a)) return;
    if (a.deed === 'turn' && a.level) return this.turn(a);
    const inDish = this.move(a);
    if (a.deed === 'bake' || a.deed === 'grill' || a.place === 'oven' || (a.tempC !== undefined && this.account.bakes.length === 0 && a.deed !== 'heat')) {
      if (this.bake(a)) return;
    }
    if (this.serve(a)) return;
    if (this.rest(a)) return;
    if (!inDish) this.heat(a);
  }

  /** How high the fire is, the lid, the spoon: from here on, and of the stretch that is on. */
  private manner(a: Act) {
    if (a.level) this.level = a.level;
    if (a.lid) this.lid = a.lid;
    if (a.stirring) {
      this.stir = a.stirring;
      if (this.heatOpen && a.deed === undefined && !a.until.length && !a.time) this.heatOpen.stir ??= a.stirring;
    }
  }

  /** Whites of eggs that are listed whole: they go in with them, whipped. */
  private whites(a: Act): boolean {
    const whites = a.objects.some((r) => r.kind === 'thing' && r.whites);
    if (!whites && !(a.deed === 'fold' && this.whitesWhipped)) return false;
    if (a.deed === 'fold') this.account.folded = true;
    if (whites && (a.deed === 'whip' || a.deed === 'mix')) this.whitesWhipped = true;
    a.objects = a.objects.filter((r) => !(r.kind === 'thing' && r.whites));
    return !a.objects.some((r) => r.kind === 'thing');
  }
  private whitesWhipped = false;

  /** "Leave the rice in water for half an hour". */
  private soaksHere(a: Act): boolean {
    if (!(a.deed === 'leave' || a.deed === 'put' || a.deed === 'cover')) return false;
    if (a.deed !== 'cover' && !(a.time || a.overnight)) return false;
    if (a.into.some((r) => r.kind === 'vessel' && r.vessel === 'pot')) return false;
    const things = a.objects.flatMap((r) => (r.kind === 'thing' ? r.things : [])).filter((t) => !this.isLiquid(t));
    if (!things.length || !things.every((t) => this.left(t) > REST) || !/\bwater\b/i.test(a.text)) return false;
    if (!things.every((t) => this.isKernel(t) || this.of(t)?.group === 'nut' || this.of(t)?.group === 'piece')) return false;
    this.soak({ ...a, deed: 'soak', objects: a.objects.filter((r) => r.kind === 'thing' && r.things.every((t) => things.includes(t))), into: [] });
    return true;
  }

  /** "If it is too thick …": advice, unless it names what may go beside it. */
  private perhaps(a: Act) {
    for (const r of a.objects)
      if (r.kind === 'thing')
        for (const t of r.things)
          if (this.things[t]!.found && !this.placed.has(t)) {
            this.account.part.set(t, 'serve');
            this.things[t]!.optional = true;
            this.placed.set(t, 1);
          }
  }

  /** What was waited for before this act is how the stretch before it ended. */
  private came(a: Act) {
    const v = this.current.side ? this.current : this.main;
    const sign = a.when.find((s) => s !== 'smooth' && s !== 'warm');
    const boiledFor = sign !== undefined && BOILS.includes(sign) && a.whenTime !== undefined;
    if (sign === 'cold' || sign === 'set') {
      if (sign === 'cold') this.cooled({ ...a, deed: 'cool' });
      return;
    }
    const open = this.heatOpen;
    const t = boiledFor ? undefined : a.whenTime;
    if (boiledFor) {
      if (!(open && BOILS.includes(open.until as Sign))) this.stretch(v, sign, undefined, a);
      this.heatOpen = undefined;
      this.stretch(v, 'time', a.whenTime, a);
      return;
    }
    if (open && open.vessel === v.id && (open.until === 'time' || open.until === sign) && open.min === undefined) {
      if (sign) open.until = sign;
      if (t) open.min = (t.lowMin + t.highMin) / 2;
      if (sign) this.reached(v, sign);
      return;
    }
    if (open && sign && BOILS.includes(open.until as Sign) && BOILS.includes(sign) && open.vessel === v.id) return;
    if (!this.in(v).length) return;
    if (t || (sign && ['boil', 'simmer', 'steam', 'soft', 'thick', 'coats', 'gone'].includes(sign)))
      this.stretch(v, sign ?? 'time', t, a);
  }

  private refs(a: Act, list: readonly Ref[]) {
    return list;
  }

  /** Moves what the act names. Says whether it left the pot for its dish. */
  private move(a: Act): boolean {
    const objects = this.refs(a, a.objects);
    const dests = a.into;
    const things: { t: number; share: number; r: Extract<Ref, { kind: 'thing' }> }[] = [];
    const sources: { v: Vessel; share: number | undefined }[] = [];
    for (const r of objects) {
      if (r.kind === 'thing')
        for (const t of r.things) {
          const share = this.shareOf(r, t);
          const v = r.share === 'kept' && this.keptIn?.holds.has(t) ? this.keptIn : this.holding(t);
          // what is hot, or in a vessel with nothing left beside it, is meant as what is there
          const there = v && !(r.cold && r.share === 'little') && (share <= 0 || (r.hot && v.warmth === 'hot') || ((typeof r.share === 'number' || r.grams !== undefined) && !r.cold && v.warmth === 'hot' && this.left(t) <= REST) || (typeof r.share === 'string' && r.share === 'little' && this.left(t) <= REST && v.warmth === 'hot'));
          // "with the remaining sugar" of what is all elsewhere: there was more of it than was said
          if (there && r.share === 'rest' && v.side && v !== this.current) continue;
          if (there) sources.push({ v, share: partOf(r.share, r.grams, this.things[t]!.grams) });
          else if (!things.some((x) => x.t === t)) things.push({ t, share, r });
        }
      else if (r.kind === 'vessel') {
        const v = this.vesselOf(r, a);
        // a dish is moved as it is
        if (DISHES.includes(v.kind)) {
          if (!dests.length) dests.push(r);
          else if (a.deed) return true;
        } else if (this.in(v).length) sources.push({ v, share: undefined });
        else if (!dests.length) dests.push(r);
      } else if (r.kind === 'rest') {
        const t = this.keptThing;
        if (t !== undefined && this.left(t) > REST) things.push({ t, share: this.left(t), r: { kind: 'thing', things: [t], definite: true, hot: false, cold: false, at: 0, end: 0 } });
      } else {
        // what was rinsed, soaked or ground just now and is in nothing yet
        const ready = r.kind === 'content' && r.content === 'it' ? this.ready.filter((t) => this.left(t) > REST) : [];
        if (ready.length) {
          for (const t of ready) things.push({ t, share: this.left(t), r: { kind: 'thing', things: [t], definite: true, hot: false, cold: false, at: 0, end: 0 } });
          this.ready = [];
          continue;
        }
        if (r.kind === 'content' && (r.content === 'all' || r.content === 'dry') && (a.deed !== undefined || a.into.length)) {
          const all = this.unplaced(r.content === 'dry');
          if (all.length && (r.content === 'dry' || (!this.in(this.current).length && !(this.lastBowl && this.in(this.lastBowl).length)) || /ingredients/i.test(a.text))) {
            for (const t of all) if (!things.some((x) => x.t === t) && !a.except?.includes(t)) things.push({ t, share: this.left(t), r: { kind: 'thing', things: [t], definite: true, hot: false, cold: false, at: 0, end: 0 } });
            continue;
          }
        }
        const named = this.contentOf(r, a);
        // "half of it into the jug": what goes into a vessel is not what is there
        const dest = a.into.find((x) => x.kind === 'vessel');
        const v = dest?.kind === 'vessel' && named && named === this.vesselOf(dest, a) ? this.main : named;
        if (v && this.in(v).length) sources.push({ v, share: r.kind === 'content' ? partOf(r.share) : undefined });
      }
    }
    // "mix it with water and add": what was mixed just now
    // "crush it and add to the boiling milk"
    if (!objects.length && a.into.length && (a.deed === 'put' || a.deed === 'pour' || a.deed === 'rain') && this.ready.some((t) => this.left(t) > REST)) {
      for (const t of this.ready.filter((x) => this.left(x) > REST)) things.push({ t, share: this.left(t), r: { kind: 'thing', things: [t], definite: true, hot: false, cold: false, at: 0, end: 0 } });
      this.ready = [];
    }
    if (a.deed === 'blend' && this.ready.length)
      for (const t of this.ready.filter((x) => this.left(x) > REST && !things.some((y) => y.t === x)))
        things.push({ t, share: this.left(t), r: { kind: 'thing', things: [t], definite: true, hot: false, cold: false, at: 0, end: 0 } });
    const bowl = this.current.kind === 'bowl' ? this.current : this.lastBowl;
    if (!objects.length && !a.into.length && (a.deed === 'put' || a.deed === 'pour' || a.deed === 'back' || a.deed === 'fold') && bowl && bowl !== this.main && this.in(bowl).length && this.in(this.main).length && !a.place && !a.onHeat)
      sources.push({ v: bowl, share: undefined });
    // "pour on the hot milk"
    const over = a.into[0];
    if (!objects.length && a.deed === 'pour' && a.into.length === 1 && over?.kind === 'thing' && this.current.kind === 'bowl') {
      const pot = this.holding(over.things[0]!);
      if (pot && pot.warmth === 'hot' && pot !== this.current) {
        this.pour(pot, this.current, partOf(over.share, over.grams, this.things[over.things[0]!]!.grams), a);
        return false;
      }
    }
    // "into the pan in a stream": what was mixed last
    if (!objects.length && !things.length && (a.deed === 'stir' || a.deed === 'mix' || a.deed === 'fold') && a.into.some((r) => r.kind === 'thing' || r.kind === 'content') && this.lastBowl && this.in(this.lastBowl).length && this.lastBowl !== this.main)
      sources.push({ v: this.lastBowl, share: undefined });
    if (!objects.length && a.into.some((r) => r.kind === 'vessel' && (r.vessel === 'pot' || r.vessel === 'other pot')) && this.lastBowl && this.in(this.lastBowl).length && this.in(this.main).length && this.lastBowl !== this.main)
      sources.push({ v: this.lastBowl, share: undefined });
    // "back into the pan": what the bowl became
    if (!things.length && !sources.length && this.main.kind === 'bowl' && this.in(this.main).length && (a.deed === 'back' || a.deed === 'put' || a.deed === 'pour') && a.into.some((r) => r.kind === 'vessel' && r.vessel === 'pot'))
      sources.push({ v: this.main, share: undefined });
    for (const r of a.from) {
      const v = this.heldBy(r, a);
      if (v && sources.length === 0 && !things.length) sources.push({ v, share: undefined });
    }
    const into = this.destination(a, things, sources);
    if (!into) return false;
    // what goes into a vessel is not what is there: it is the pot's
    for (const x of sources) if (x.v === into && into !== this.main && this.in(this.main).length && objects.some((r) => r.kind === 'content' && r.content !== 'slurry') && a.into.length) x.v = this.main;
    // a pudding that is put together in its dish
    if (DISHES.includes(into.kind) && !this.poured && !sources.length && (into === this.main || !this.in(this.main).length) && things.length && things.some(({ t }) => this.isThickener(t) || this.isMilk(t) || this.isEgg(t) || into === this.main)) {
      this.main = into;
      this.dishIs(into.kind);
      this.current = into;
      for (const t of this.in(into)) this.account.part.delete(t);
    }
    const dish = DISHES.includes(into.kind) && into !== this.main;
    if (dish) return this.intoDish(a, into, things, sources);
    // what stands in the destination by name and is in no vessel yet goes there with it
    // "we had it on stewed plums"
    if (/^o/.test(a.prep ?? '') && this.account.heats.length && !this.onFire)
      for (const r of dests)
        if (r.kind === 'thing')
          for (const t of r.things)
            if (this.things[t]!.found && this.things[t]!.grams === undefined && !this.placed.has(t)) {
              this.account.part.set(t, 'serve');
              this.placed.set(t, 1);
            }
    const joined = dests.flatMap((r) => (r.kind === 'thing' ? r.things.filter((t) => this.holding(t) === undefined || this.left(t) > REST || (r.cold && r.grams !== undefined)).map((t) => ({ t, share: this.shareOf(r, t), r })) : []));
    const unique = [...new Set(sources.map((s) => s.v))].filter((v) => v !== into);
    const first = a.deed === 'put' || a.deed === 'pour' || a.deed === 'back' || a.deed === undefined ? unique : unique;
    if (joined.length && !things.length && unique.length) this.putTogether(joined, into, a);
    for (const v of first) {
      const s = sources.find((x) => x.v === v)!;
      const share = s.share ?? (a.gradual && /ladle|spoon|splash|little|temper/i.test(a.text) && into.kind === 'bowl' && v === this.main && [...this.eggs.values()].includes(into) && /\b(?:some|ladle|half|little|temper|cup|splash)/i.test(a.text) ? LITTLE : undefined);
      this.pour(v, into, share, a);
    }
    // "into a cup of the nut milk": some of what stands cold elsewhere
    for (const r of dests) {
      const from = r.kind === 'thing' && r.grams !== undefined ? this.holding(r.things[0]!) : undefined;
      const total = r.kind === 'thing' ? this.things[r.things[0]!]!.grams : undefined;
      if (r.kind === 'thing' && from && from !== into && from.warmth !== 'hot' && total && this.left(r.things[0]!) <= REST) this.pour(from, into, r.grams! / total, a);
    }
    const all = [...things, ...(joined.length && !things.length && unique.length ? [] : joined)];
    if (all.length) this.putTogether(all, into, a);
    if (into.kind === 'bowl' || into.kind === 'blender') this.lastBowl = into;
    this.current = into;
    if (a.deed === 'whip') for (const { t } of all) this.account.whipped.add(t);
    return false;
  }

  /** What is on the list and in nothing yet, of the part that is being made. */
  private unplaced(dry: boolean): number[] {
    return this.things.flatMap((t, i) =>
      !t.again && !t.found && t.purpose === undefined && this.left(i) > REST && !this.account.part.has(i) && (this.component !== undefined && this.sideParts.has(this.component) ? t.component === this.component : !this.isSideThing(i)) && (!dry || !(this.isLiquid(i) || this.isEgg(i) || this.isFat(i)))
        ? [i]
        : [],
    );
  }

  private destination(a: Act, things: { t: number; share: number }[], sources: { v: Vessel }[]): Vessel | undefined {
    for (const r of a.into) if (r.kind === 'vessel') return this.vesselOf(r, a);
    if (a.intoUnknown && this.lastBowl && this.in(this.lastBowl).length) return this.lastBowl;
    for (const r of a.into) {
      if (r.kind === 'thing') {
        const t = r.things[0]!;
        if (r.hot && this.holding(t) === undefined && this.isLiquid(t)) {
          // it was heated, and nobody said so
          const pot = this.isSideThing(t) ? this.sidePot(this.things[t]!.component!) : this.pan();
          this.putTogether([{ t, share: this.shareOf(r, t) }], pot, a);
          this.stretch(pot, r.boiling ? 'boil' : 'steam', undefined, { ...a, text: '' });
          return pot;
        }
        const v = this.holding(t);
        const newPart = r.grams !== undefined || r.share !== undefined || (r.cold && this.left(t) > REST);
        if (v && !newPart && !(this.left(t) > REST && a.deed === 'mix')) return v;
        if (v && this.left(t) <= REST && !newPart) return v;
      } else if (r.kind !== 'rest' && r.kind !== 'vessel') {
        const v = this.contentOf(r, a);
        if (v && this.in(v).length) return v;
        if (r.kind === 'content' && r.content === 'it' && this.readied && !this.in(this.main).length) return this.readied;
      }
    }
    if (!things.length && !sources.length && !a.into.length) return undefined;
    const intoThings = a.into.some((r) => r.kind === 'thing');
    const mixes = a.deed === 'mix' || a.deed === 'whip' || a.deed === 'blend' || a.deed === 'grind' || a.deed === 'prepare' || a.deed === 'strain' || a.deed === 'rain';
    const sideThing = things.find(({ t }) => this.isSideThing(t) && (this.things[t]!.component === this.component || things.every((x) => this.isSideThing(x.t))));
    if (a.deed === 'blend' && !a.into.length && things.some(({ t }) => this.of(t)?.group === 'nut' || this.of(t)?.group === 'piece' || this.isKernel(t))) return this.vessel('blender', 'blender');
    if (a.deed && (HEATING.includes(a.deed) || a.onHeat)) {
      if (sideThing) return this.sidePot(this.things[sideThing.t]!.component!);
      if (a.deed === 'fry' && !things.some(({ t }) => this.isThickener(t) || this.isFat(t) || this.isSweet(t))) return this.vessel('frying pan', 'other pot', true);
      if (!things.length && sources[0] && a.objects.some((r) => r.kind === 'thing' && r.share === 'kept')) return sources[0].v;
      if (!things.length && sources[0]) return a.overWater ? sources[0].v : sources[0].v.kind === 'bowl' || sources[0].v.kind === 'blender' ? (a.deed === 'stir' ? sources[0].v : this.pan()) : sources[0].v;
      if (a.deed !== 'stir') return this.pan();
    }
    // "and the butter" behind a source that is in a vessel: there
    if (sources.length && !things.length && !intoThings) {
      if (a.deed === 'back' || /\bback\b/i.test(a.text)) return this.pan();
      if (a.deed === 'fold') return this.in(this.main).length ? this.main : this.current;
      const bowl = this.current.kind === 'bowl' ? this.current : this.lastBowl;
      if ((a.deed === 'put' || a.deed === 'pour' || a.deed === 'mix') && sources[0]!.v.kind === 'pot' && bowl && this.in(bowl).length && [...this.eggs.values()].includes(bowl)) return bowl;
      if ((a.deed === 'put' || a.deed === 'pour') && sources.some(({ v }) => v.kind === 'bowl' && v !== this.main) && this.in(this.pan()).length) return this.pan();
      if (a.goesIn && sources[0]!.v.kind === 'bowl' && this.in(this.pan()).length) return this.pan();
      return mixes || !a.deed ? sources[0]!.v : undefined;
    }
    if (a.deed === 'fold' && this.in(this.main).length) return this.main;
    // yolks with some of what is hot: in a bowl of their own
    if (a.deed === 'mix' && sources[0]?.v.warmth === 'hot' && sources[0].v.kind !== 'bowl' && things.length && things.every(({ t }) => this.isEgg(t) || this.isSweet(t) || this.isThickener(t))) return this.mixingPlace(things, a);
    if (sources.length && things.length) return mixes || a.deed === 'put' ? (this.bowlOf(things) ?? sources[0]!.v) : sources[0]!.v;
    if (a.deed === 'leave' && a.into.some((r) => r.kind === 'thing' && r.things.some(this.isLiquid))) return this.pan();
    if (mixes || intoThings) {
      if (a.deed === 'rain') return this.current.side ? this.current : this.main;
      if (sideThing && this.component && this.sideParts.has(this.component) && this.in(this.sidePot(this.component)).length) {
        // a sauce's own slurry
        const v = this.vessel(`bowl#side`, 'bowl', true);
        v.component = this.component;
        return v;
      }
      return this.mixingPlace(things, a);
    }
    if (sideThing) return this.sidePot(this.things[sideThing.t]!.component!);
    if (a.deed === 'leave' && things.some(({ t }) => this.isLiquid(t))) return this.pan();
    if (this.served || this.poured) return this.current;
    return this.current;
  }

  private pan = (): Vessel => {
    if (this.current.side && this.current.component !== undefined && this.sideParts.has(this.current.component)) return this.sidePot(this.current.component);
    if (this.current.side && this.current.kind === 'other pot' && this.component !== undefined && this.sideParts.has(this.component)) return this.current;
    return this.main.kind === 'pot' || this.main.warmth === 'hot' ? this.main : this.vessel('pot', 'pot');
  };
  private bowlOf(things: readonly { t: number }[]): Vessel | undefined {
    const v = things.map(({ t }) => this.holding(t)).find((x) => x && x.kind === 'bowl');
    return v;
  }
  /** Where things are mixed that nobody gave a place. */
  private mixingPlace(things: readonly { t: number }[], a: Act): Vessel {
    const bowl = this.bowlOf(things);
    if (bowl) return bowl;
    // butter, nuts, a spice: into what is there
    const extra = things.every(({ t }) => !this.isLiquid(t) && !this.isEgg(t) && !this.isThickener(t) && !this.isSweet(t));
    if (extra && a.deed === 'mix' && this.current === this.main && this.in(this.main).length) return this.main;
    // "whisk in the sugar": into what was spoken of
    if (/\b(?:stir|whisk|beat|mix|work)\w*\s+(?:in|through)\b/i.test(a.text) && this.in(this.current).length && a.deed === 'put') return this.current;
    const sameBowl = this.lastBowl && this.current === this.lastBowl && this.in(this.lastBowl).length > 0 && !things.some(({ t }) => this.isEgg(t) || this.isThickener(t));
    if (sameBowl) return this.lastBowl!;
    const n = [...this.vessels.values()].filter((v) => v.id.startsWith('mix#')).length;
    return this.vessel(`mix#${n}`, 'bowl');
  }

  private intoDish(a: Act, dish: Vessel, things: { t: number; share: number }[], sources: { v: Vessel; share: number | undefined }[]): boolean {
    const main = this.main;
    const before = !this.poured;
    for (const { t } of things) {
      this.placed.set(t, 1);
      if (a.deed === 'grease') continue;
      this.account.part.set(t, before && !this.in(main).includes(t) ? 'under' : 'top');
      dish.holds.set(t, 1);
    }
    // a caramel or a compote that lies under it
    const side = sources.find(({ v }) => v.side)?.v ?? (this.current.side && !things.length && !sources.length ? this.current : undefined);
    if (before && !things.length && !sources.some(({ v }) => !v.side) && this.component !== undefined && this.sideParts.has(this.component) && !side) {
      // what nobody named by its own name: the base of crumbs
      for (const [t, x] of this.things.entries())
        if (x.component === this.component && this.left(t) > REST) {
          this.account.part.set(t, 'under');
          this.placed.set(t, 1);
        }
      this.account.dish ??= dish.kind;
      return true;
    }
    if (side && before && this.in(side).length) {
      for (const t of this.in(side)) this.account.part.set(t, 'under');
      this.current = main;
      this.account.dish ??= dish.kind;
      return true;
    }
    const poursMain = sources.some(({ v }) => !v.side) || (!things.length && (a.deed === undefined || a.deed === 'pour' || a.deed === 'put' || a.deed === 'strain') && this.in(main).length > 0);
    if (poursMain) {
      const v = sources.find((s) => !s.v.side)?.v ?? main;
      if (v !== main && v.kind !== 'pot' && !this.in(main).length) this.main = v;
      this.poured = true;
      this.dishIs(dish.kind);
      for (const [t, s] of v.holds) dish.holds.set(t, s);
      this.current = this.main;
      this.heatOpen = undefined;
      if (a.deed === 'strain' || /strain|siev/i.test(a.text)) this.strain(a);
    } else if (things.length && before) this.account.dish ??= dish.kind;
    return poursMain;
  }

  private dishIs(kind: VesselWord) {
    if (kind !== 'dish' || this.account.dish === undefined) this.account.dish = kind;
  }

  private keep(a: Act) {
    const r = a.objects[0];
    if (!r) return;
    if (r.kind === 'thing')
      for (const t of r.things) {
        const total = this.things[t]!.grams;
        const share = r.grams !== undefined && total ? r.grams / total : typeof r.share === 'number' ? r.share : r.share === 'little' || r.grams !== undefined ? LITTLE : 0;
        if (!(share > 0 && share < 1)) continue;
        const named = a.into.find((x) => x.kind === 'vessel');
        const v = named?.kind === 'vessel' ? this.vesselOf(named, a) : this.vessel(`kept#${this.things[t]!.id}`, 'bowl');
        this.putTogether([{ t, share }], v, a);
        this.current = v;
        this.lastBowl = v;
        this.keptIn = v;
        this.keptThing = t;
      }
  }
  private keptIn: Vessel | undefined;
  private keptThing: number | undefined;
  /** what was rinsed, soaked or ground last */
  private ready: number[] = [];

  private onFire = false;
  private offHeat() {
    this.onFire = false;
    for (const v of this.vessels.values()) v.boiled = false;
    this.heatOpen = undefined;
    this.level = undefined;
    this.stir = undefined;
    this.lid = undefined;
  }

  private takesOut(a: Act): boolean {
    const strains = a.deed === 'strain';
    if (a.deed !== 'out' && !strains) return false;
    if (strains) {
      const source = a.objects.map((r) => this.heldBy(r, a)).find((v) => v) ?? this.current;
      this.strain(a, source);
      // it goes on as a pouring
      return !(a.into.length > 0 && a.objects.length > 0) && !a.into.some((r) => r.kind === 'vessel');
    }
    for (const r of a.objects)
      if (r.kind === 'thing')
        for (const t of r.things)
          if (this.of(t)?.comesOut) {
            this.account.out.add(t);
          }
    const named = a.objects.filter((r) => r.kind === 'thing');
    if (!named.length) {
      // "take them out": what was spoken of that comes out
      for (const t of this.in(this.current)) if (this.of(t)?.comesOut && /\b(?:them|spices?|all|everything|it)\b/i.test(a.text)) this.account.out.add(t);
    }
    return true;
  }

  private strain(a: Act, from: Vessel = this.main) {
    const things = this.in(from);
    for (const t of things) if (this.of(t)?.comesOut) this.account.out.add(t);
    const pudding = things.some((t) => this.isThickener(t) || this.isEgg(t));
    if (pudding && !from.side) this.account.strained = true;
  }

  private preheat(a: Act) {
    if (a.tempC !== undefined) this.preheatC = a.tempC;
    const open = this.account.bakes.at(-1);
    if (open && a.tempC !== undefined && open.tempC === undefined) open.tempC = a.tempC;
    if (a.coldOven && open) open.cold = true;
    if (open && a.time && open.min === undefined) open.min = mid(a.time);
  }

  private grease(a: Act) {
    if (/\b(?:bottom|base|under)\b/i.test(a.text))
      for (const r of a.objects)
        if (r.kind === 'thing')
          for (const t of r.things)
            if (!this.isFat(t) && this.left(t) > REST) {
              this.account.part.set(t, 'under');
              this.placed.set(t, 1);
            }
    for (const r of [...a.objects, ...a.into])
      if (r.kind === 'thing')
        for (const t of r.things)
          if (this.isFat(t)) {
            const thing = this.things[t]!;
            if (thing.found && !this.placed.has(t)) {
              thing.purpose = 'grease';
              this.placed.set(t, 1);
              this.account.part.set(t, 'grease');
            } else this.greased(t);
          }
    if (/(?:^\W*|[.,;] (?:and )?|\band )butter (?:a|the|an|your|six|four|\d)\b/i.test(a.text)) {
      const t = this.things.findIndex((x) => x.id === 'butter' && x.purpose !== 'grease');
      if (t >= 0) this.greased(t);
      else if (!this.things.some((x) => x.purpose === 'grease')) this.newGrease();
    }
    const dish = [...a.objects, ...a.into].find((r) => r.kind === 'vessel' && DISHES.includes(r.vessel));
    if (dish?.kind === 'vessel') {
      this.account.dish ??= dish.vessel;
      this.readied = this.vessel('dish', dish.vessel);
    }
  }
  /** a dish that was greased last: "into it" */
  private readied: Vessel | undefined;
  private greased(t: number) {
    if (this.things.some((x) => x.purpose === 'grease')) return;
    this.things.push({ id: this.things[t]!.id, text: this.things[t]!.text, optional: false, purpose: 'grease' });
    this.account.part.set(this.things.length - 1, 'grease');
    this.placed.set(this.things.length - 1, 1);
  }

  private newGrease() {
    this.things.push({ id: 'butter', text: 'butter', optional: false, purpose: 'grease', found: true });
    this.account.part.set(this.things.length - 1, 'grease');
    this.placed.set(this.things.length - 1, 1);
  }

  private soak(a: Act) {
    for (const r of [...a.objects, ...a.into])
      if (r.kind === 'thing')
        for (const t of r.things) {
          if (a.deed === 'soak' && !this.isLiquid(t)) {
            this.account.soaked.add(t);
            this.lastSoak = t;
          }
        }
    const named = [...a.objects, ...a.into].flatMap((r) => (r.kind === 'thing' ? r.things : [])).filter((t) => !this.isLiquid(t) && this.left(t) > REST);
    if (named.length) this.ready = named;
    if (a.deed === 'soak' && (a.time || a.overnight)) this.account.soakMin = a.time ? mid(a.time) : 600;
    else if (a.deed === 'soak') this.soakOpen = true;
    if (a.deed === 'soak' || a.deed === 'rinse') this.prep = a.sentence;
  }
  private lastSoak: number | undefined;
  private soakOpen = false;
  private prep: number | undefined;

  private grind(a: Act): boolean {
    const t = a.objects.flatMap((r) => (r.kind === 'thing' ? r.things : [])).find((x) => this.isKernel(x)) ?? this.things.findIndex((_, i) => this.isKernel(i));
    if (t < 0) return false;
    const fine = /coarse|broken|cracked|rough|quarter/i.test(a.text) ? 'coarse' : /not as fine as flour|sand|semolina|grit/i.test(a.text) ? 'fine' : /flour|powder|dust|silky/i.test(a.text) ? 'flour' : 'fine';
    this.account.kind ??= { thing: t, fine };
    this.ready = [t];
    this.prep = a.sentence;
    return !a.into.some((r) => r.kind === 'thing') && !a.objects.some((r) => r.kind === 'thing' && !r.things.includes(t) && r.share === undefined);
  }

  private turn(a: Act) {
    this.level = a.level;
    if (a.lid) this.lid = a.lid;
    if (a.stirring) this.stir = a.stirring;
    this.heatOpen = undefined;
    if (a.until.length || a.time) this.heat({ ...a, deed: 'cook' });
  }

  /** What is strewn over it, or goes beside it at the table. */
  private garnishes(a: Act): boolean {
    const names = [...a.objects, ...a.into].filter((r): r is Extract<Ref, { kind: 'thing' }> => r.kind === 'thing');
    const fresh = names.filter((r) => r.things.some((t) => this.left(t) > REST || this.things[t]!.purpose === 'top'));
    const after = this.poured && fresh.length > 0 && (a.deed === 'pour' || a.deed === 'put') && !a.into.length && fresh.every((r) => r.things.every((t) => this.things[t]!.purpose !== undefined));
    if (after) {
      for (const r of fresh)
        for (const t of r.things) {
          this.account.part.set(t, this.things[t]!.purpose!);
          this.placed.set(t, 1);
        }
      return true;
    }
    if (this.served && a.deed !== 'top' && fresh.length && !a.onTop) {
      for (const r of fresh)
        for (const t of r.things) {
          this.account.part.set(t, 'serve');
          this.placed.set(t, 1);
        }
      return true;
    }
    if (a.deed === 'top' && !this.poured && fresh.some((r) => r.things.some((t) => this.isThickener(t) && !this.placed.has(t)))) {
      // strewn into the pot, not over the dish
      a.deed = 'rain';
      if (!a.objects.length) a.objects = a.into.splice(0);
      return false;
    }
    const onTop = a.deed === 'top' || (a.onTop && a.deed !== 'cover') || ((this.poured || this.served) && a.deed === 'put' && /\b(?:on|over)\b/i.test(a.text));
    const kept = names.find((r) => (r.share === 'kept' || r.share === 'rest') && r.things.some((t) => (this.keptIn?.holds.get(t) ?? 0) > REST));
    if (kept && this.keptIn && (a.onTop || a.deed === 'top' || a.deed === 'serve' || a.beside)) {
      const t = kept.things[0]!;
      this.account.puts.push({ thing: t, share: this.keptIn.holds.get(t)!, sentence: a.sentence, place: 'top', beside: [], off: true });
      this.keptIn.holds.set(t, 0);
      for (const r of fresh)
        for (const x of r.things) {
          this.account.part.set(x, 'top');
          this.placed.set(x, 1);
        }
      if (a.deed === 'serve') this.serve(a, true);
      return true;
    }
    if (a.deed === 'serve' || a.beside) {
      this.serve(a, true);
      for (const r of a.into) if (r.kind === 'vessel' && DISHES.includes(r.vessel)) this.account.dish ??= r.vessel;
      for (const r of fresh)
        for (const t of r.things) {
          this.account.part.set(t, onTop || this.things[t]!.purpose === 'top' ? 'top' : 'serve');
          this.placed.set(t, 1);
        }
      return a.deed === 'serve';
    }
    if (onTop && fresh.length && (a.deed === 'top' || this.poured || this.served)) {
      for (const r of fresh)
        for (const t of r.things)
          if (!this.isThickener(t) || this.poured) {
            this.toTop(t, r, a);
          }
      return true;
    }
    return false;
  }

  /** On top, all of it or what was kept for it. */
  private toTop(t: number, r: Extract<Ref, { kind: 'thing' }>, a: Act) {
    const before = this.placed.get(t) ?? 0;
    if (before > REST) this.account.puts.push({ thing: t, share: this.shareOf(r, t), sentence: a.sentence, place: 'top', beside: [], off: true });
    else this.account.part.set(t, 'top');
    this.placed.set(t, 1);
  }

  private serve(a: Act, again = false): boolean {
    const acc = this.account;
    if (a.deed === 'cut') acc.style = 'cut';
    if (a.deed === 'unmould') acc.style = 'turned out';
    if (a.deed === 'serve') {
      this.served = true;
      const t = a.text;
      const first = /\b(?:serve\w*|eat\w*|eaten|enjoy\w*|offer\w*)\b[^.;]{0,24}?\b(warm|hot|cold|chilled)\b/i.exec(t)?.[1]?.toLowerCase();
      const onCold = /\b(?:on|over|with) (?:the |your )?(?:cold|chilled)\b/i.test(t);
      const both = /\b(?:hot|warm|cold) or (?:hot|warm|cold|chilled)\b/i.test(t);
      const warm = !onCold && (both || (first ? /warm|hot/.test(first) : /\b(?:warm|hot|straight away|at once|immediately)\b/i.test(t)));
      const cold = onCold || both || (first ? /cold|chilled/.test(first) : /\b(?:cold|chilled|cool)\b/i.test(t));
      if (warm && cold) delete acc.warm;
      else if (warm) acc.warm = true;
      else if (cold) acc.warm = false;
    }
    return !again && (a.deed === 'cut' || a.deed === 'unmould' || a.deed === 'serve');
  }

  private bake(a: Act): boolean {
    const bakes = this.account.bakes;
    const last = bakes.at(-1);
    const time = a.time ? mid(a.time) : undefined;
    if (a.deed === 'grill') {
      const b = last ?? {};
      if (!last) bakes.push(b);
      b.grill = true;
      if (time !== undefined) b.grillMin = time;
      return true;
    }
    if (a.place === 'oven' && a.deed === 'preheat') return true;
    const isOven = a.deed === 'bake' || a.place === 'oven';
    if (!isOven && !(a.tempC !== undefined && a.tempC >= 90 && last)) return false;
    if (last && (last.min === undefined || last.tempC === undefined) && last.grillMin === undefined) {
      if (a.tempC !== undefined) last.tempC ??= a.tempC;
      if (time !== undefined) last.min ??= time;
      if (a.bath) last.bath = true;
      if (a.coldOven) last.cold = true;
      return true;
    }
    const tempC = a.tempC ?? this.preheatC ?? (last && time !== undefined ? last.tempC : undefined);
    const b: Bake = {
      ...(tempC === undefined ? {} : { tempC }),
      ...(time === undefined ? {} : { min: time }),
      ...(a.fan || this.fan ? { fan: true as const } : {}),
      ...(a.coldOven ? { cold: true as const } : {}),
      ...(a.bath || this.bathReady ? { bath: true as const } : {}),
    };
    bakes.push(b);
    this.timed = b;
    this.bathReady = false;
    this.baked = true;
    return true;
  }
  private bathReady = false;
  private baked = false;

  /** Standing, cooling, chilling of the dish itself. */
  private rest(a: Act): boolean {
    if (a.bath && !this.account.bakes.length) this.bathReady = true;
    else if (a.bath) this.account.bakes.at(-1)!.bath = true;
    const where = a.deed === 'chill' ? 'fridge' : a.deed === 'freeze' ? 'freezer' : a.place === 'oven' ? undefined : a.place;
    const hot = a.until.find((x) => x === 'steam' || x === 'boil' || x === 'simmer');
    if (a.deed === 'leave' && hot && this.in(this.main).length) this.stretch(this.main, hot, undefined, a);
    const cools = a.deed === 'cool' || a.deed === 'leave' || a.deed === 'chill' || a.deed === 'freeze' || (where !== undefined && (where !== 'room' || (a.time !== undefined && a.deed === undefined)));
    if (!cools || (a.deed !== undefined && HEATING.includes(a.deed) && a.deed !== 'stir')) return false;
    if (a.deed === 'leave' && a.time === undefined && !where && !a.overnight && !a.until.length) {
      this.maybe = this.in(this.current).length ? { where: 'room', sentence: a.sentence } : undefined;
      return !a.objects.length;
    }
    if (this.soakOpen || (this.prep !== undefined && this.prep === a.sentence && !this.in(this.current).length)) {
      const soaking = this.soakOpen && (a.time ?? a.overnight);
      if (soaking) {
        this.account.soakMin ??= a.time ? mid(a.time) : 600;
        this.soakOpen = false;
      }
      return true;
    }
    // something in the oven or on the fire is left there, not laid down
    if (a.deed === 'leave' && !where && this.account.bakes.length && !this.baked2 && this.account.bakes.at(-1)!.min === undefined && a.time) {
      this.account.bakes.at(-1)!.min = mid(a.time);
      return true;
    }
    const objects = a.objects.flatMap((r) => (r.kind === 'thing' ? r.things : []));
    if (objects.length && objects.every((t) => !this.main.holds.has(t)) && objects.some((t) => this.left(t) > REST || this.isSideThing(t))) return true;
    if (this.current.side && !this.poured && !objects.some((t) => this.main.holds.has(t))) return true;
    if (!this.in(this.main).length && !this.poured) return true;
    if (a.level || (a.deed === 'leave' && (this.heatOpen || this.onFire) && a.time && !where && !a.offHeat && (a.lid || a.onHeat || a.stirring || a.further))) {
      this.heat({ ...a, deed: 'cook' });
      return true;
    }
    this.cooled(a, where);
    return true;
  }
  private baked2 = false;
  /** a standing that nobody gave minutes yet */
  private maybe: Rest | undefined;
  private timed: { min?: number } | undefined;

  /** Minutes that stand alone behind a step: they are of its last stretch. */
  took(t: { lowMin: number; highMin: number }) {
    if (this.maybe) {
      this.maybe.min = mid(t);
      this.account.rests.push(this.maybe);
      this.offHeat();
    } else if (this.timed && this.timed.min === undefined) {
      this.timed.min = mid(t);
      // "simmer on, 5 min" of what boils already
      if ('byDeed' in this.timed && this.timed.byDeed) (this.timed as Heat).until = 'time';
    }
    this.maybe = undefined;
    this.timed = undefined;
  }

  private cooled(a: Act, where?: Exclude<Place, 'oven'>) {
    const place = where ?? 'room';
    const rests = this.account.rests;
    const last = rests.at(-1);
    const min = a.time ? mid(a.time) : a.overnight ? 600 : undefined;
    this.offHeat();
    // what stands covered for a while stays hot
    const steeps = place === 'room' && min !== undefined && min <= STAYS_HOT_MIN && (a.lid === 'on' || /\b(?:cover|lid|infuse|steep|draw)/i.test(a.text));
    if (!steeps) {
      if (this.main.warmth === 'hot') this.main.warmth = 'cooled';
      if (place !== 'fridge' && place !== 'freezer') this.currentCooled();
    }
    if (last && last.where === place && this.timed === last && (last.min === undefined || min === undefined || last.sentence === a.sentence)) {
      if (min !== undefined) last.min ??= min;
      return;
    }
    const rest: Rest = { where: place, ...(min === undefined ? {} : { min }), sentence: a.sentence };
    rests.push(rest);
    this.timed = rest;
    this.maybe = undefined;
    if (place === 'freezer' && /stick|lolly|ice|frozen|mould/i.test(a.text) && this.account.dish === 'moulds') this.account.style ??= 'frozen';
    if (place === 'fridge') this.account.warm ??= false;
    if (/\b(?:quite|completely|stone|till|until)\s+(?:\w+\s+)?cold\b|\bgo cold\b/i.test(a.text)) this.account.warm ??= false;
  }
  private currentCooled() {
    if (this.current.warmth === 'hot') this.current.warmth = 'cooled';
  }

  private reached(v: Vessel, sign: Sign | undefined) {
    v.warmth = 'hot';
    if (sign === 'boil' || sign === 'simmer') v.boiled = true;
    if (sign === 'soft' || sign === 'gone') this.soft = true;
  }

  private heat(a: Act) {
    const deedHeats = a.deed !== undefined && HEATING.includes(a.deed);
    const heats = deedHeats || a.onHeat || a.overWater || a.level !== undefined || ((a.until.length > 0 || a.time !== undefined || a.more !== undefined) && (a.deed === undefined || a.deed === 'mix' || a.deed === 'put' || a.deed === 'cover' || a.deed === 'pour' || a.deed === 'rain' || a.deed === 'back'));
    if (a.level) this.level = a.level;
    if (a.lid) this.lid = a.lid;
    if (a.stirring) this.stir = a.stirring;
    // "… and let it bubble": the slurry is in by then
    if (deedHeats && a.deed !== 'stir' && this.current === this.lastBowl && this.current !== this.main && this.in(this.current).some((t) => this.isThickener(t)) && this.in(this.main).some(this.isLiquid) && this.main.warmth === 'hot') {
      this.pour(this.current, this.main, undefined, a);
      this.current = this.main;
    }
    // what was mixed in a bowl goes on the fire
    if ((deedHeats || a.onHeat) && a.deed !== 'stir' && !a.overWater && (this.current.kind === 'bowl' || this.current.kind === 'blender') && this.current !== this.main && this.in(this.current).length && !this.in(this.main).length) {
      const pot = this.vessel('pot', 'pot');
      this.pour(this.current, pot, undefined, a);
      this.main = pot;
      this.current = pot;
    }
    const v = this.current.side || a.overWater || this.current.warmth === 'hot' ? this.current : this.current.kind === 'bowl' && !deedHeats && !a.onHeat ? this.current : this.main.kind === 'pot' || this.main.warmth === 'hot' || DISHES.includes(this.main.kind) ? this.main : this.pan();
    if (this.poured && a.time && this.preheatC !== undefined && this.account.bakes.every((b) => b.min === undefined)) return this.inOven(a);
    if (!heats || this.poured) return;
    const standing = !this.onFire && v.warmth === 'hot' && !a.level && !a.onHeat && !deedHeats && !a.until.length;
    if ((a.offHeat || standing) && a.time && !a.until.length && (a.deed === undefined || a.deed === 'put' || a.deed === 'cover')) return this.cooled(a);
    if (DISHES.includes(v.kind)) return this.inOven(a);
    if (v.kind === 'bowl' && !a.overWater && v !== this.main) return;
    if (!this.in(v).length) return;
    const signs = a.until.filter((s) => s !== 'smooth' && s !== 'warm' && s !== 'cold' && s !== 'set' && s !== 'golden');
    // a stir with nothing to wait for is a way and no stretch
    const only = a.deed === 'stir' && !signs.length && !a.time && !a.more;
    if (only) {
      if (this.heatOpen && a.stirring) this.heatOpen.stir = a.stirring;
      v.warmth = 'hot';
      return;
    }
    this.onFire = true;
    if (a.overWater) {
      this.account.doubleBoiler = true;
      if (v.kind === 'bowl' && !v.side) this.main = v;
      v.warmth = 'hot';
    }
    let sign: Sign | undefined = signs.at(-1);
    const byDeed = !sign && v.boiled && (a.deed === 'boil' || a.deed === 'simmer');
    if (!sign && /\bdown\b|reduc/i.test(a.text) && reducedTo(a.text) !== undefined && (a.deed === 'boil' || a.deed === 'cook' || a.deed === 'simmer')) sign = 'reduced';
    if (a.deed === 'boil' && !sign && !a.time) sign = 'boil';
    if (a.deed === 'bring' && !sign) sign = 'boil';
    if (a.deed === 'simmer' && !sign && !a.time) sign = 'simmer';
    if (a.tempC !== undefined && a.tempC < 110 && !sign) {
      this.stretch(v, 'temp', a.time, a);
      return;
    }
    const main = signs.find((s) => ['coats', 'thick', 'soft', 'gone', 'reduced'].includes(s));
    if (main && sign && BOILS.includes(sign)) sign = sign;
    if (!sign && a.time === undefined && a.more === undefined) {
      // put on, with no end yet
      v.warmth = 'hot';
      if (a.onHeat || a.level || deedHeats) this.heatOpen = undefined;
      if (a.deed === 'heat' || a.deed === 'fry' || (a.deed === 'cook' && !a.level)) this.stretch(v, a.deed === 'fry' ? 'time' : a.deed === 'heat' ? 'steam' : 'time', undefined, a);
      return;
    }
    if (sign || a.time) this.stretch(v, sign ?? 'time', a.time, a);
    if (byDeed && this.heatOpen) this.heatOpen.byDeed = true;
    if (a.more) {
      if (a.stirring) this.stir = a.stirring;
      this.stretch(v, 'time', a.more, a);
    }
  }

  /** Minutes of a dish that was put together cold: it is in the oven. */
  private inOven(a: Act) {
    if (!a.time || this.preheatC === undefined) return;
    const last = this.account.bakes.at(-1);
    const all = /\b(?:all told|altogether|in all|in total|all in all)\b/i.test(a.text);
    if (!last) this.account.bakes.push({ tempC: this.preheatC, min: mid(a.time), ...(this.bathReady ? { bath: true as const } : {}) });
    else last.min = all || last.min === undefined ? mid(a.time) : last.min + mid(a.time);
  }

  private stretch(v: Vessel, until: Heat['until'], time: { lowMin: number; highMin: number } | undefined, a: Act) {
    const open = this.heatOpen;
    // a stretch without an end is ended by what is said of it next
    if (open && open.vessel === v.id && open.min === undefined && open.until === 'time' && until !== 'temp') {
      open.until = until;
      if (time) open.min = mid(time);
      if (this.level) open.level = this.level;
      if (this.stir) open.stir = this.stir;
      if (this.lid) open.lid = this.lid;
      this.reached(v, until as Sign);
      return;
    }
    const h: Heat = {
      vessel: v.id,
      until,
      ...(time ? { min: mid(time) } : {}),
      ...(this.level ? { level: this.level } : {}),
      ...(this.lid ? { lid: this.lid } : {}),
      ...(this.stir ? { stir: this.stir } : {}),
      ...(a.overWater ? { overWater: true as const } : {}),
      ...(a.tempC !== undefined ? { tempC: a.tempC } : {}),
      things: this.in(v),
      sentence: a.sentence,
      boils: (v.boiled && !this.in(v).some(this.isEgg)) || until === 'boil' || until === 'simmer' || a.deed === 'boil' || a.deed === 'simmer' || a.until.some((x) => x === 'boil' || x === 'simmer'),
    };
    this.account.heats.push(h);
    this.current = v;
    this.timed = h;
    this.maybe = undefined;
    this.heatOpen = h;
    this.did.push(`heat ${v.id} until ${until}${h.min === undefined ? '' : ` ${h.min} min`}`);
    this.reached(v, until as Sign);
    if (until === 'reduced') this.account.reduce ??= reducedTo(a.text);
    // what was waited for needs no ring of its own any more
    this.stir = undefined;
    this.lid = a.lid === 'on' || a.lid === 'ajar' ? this.lid : this.lid;
  }

  /** What came of it all. */
  finish(): Account {
    const acc = this.account;
    acc.heats = acc.heats.filter((h) => {
      const v = this.vessels.get(h.vessel)!;
      return !v.side;
    });
    const lineage = new Set(['pot', this.main.id]);
    const seen = new Set<string>();
    const heated = acc.heats.some((h) => h.vessel === 'pot');
    for (const e of this.events) {
      if (!(lineage.has(e.vessel) && (heated ? true : true))) continue;
      if (heated && e.vessel !== 'pot' && e.vessel !== this.main.id) continue;
      const news = e.things.filter((t) => !seen.has(String(t)));
      if (news.length) acc.order.push({ things: news, sentence: e.sentence });
      for (const t of news) seen.add(String(t));
    }
    for (const [t, list] of this.portions) {
      if (list.length < 2) continue;
      const sorted = list.map((p) => p.share).sort((a, b) => b - a);
      const back = sorted.slice(1).reduce((s, x) => s + x, 0);
      const g = this.things[t]!.grams;
      if (g !== undefined && back > REST) acc.backG.set(t, back * g);
    }
    // grain that was cooked in water before its milk came
    for (const t of this.inWater)
      if (this.isKernel(t) && this.things.some((_, i) => this.isMilk(i) && !this.isSideThing(i) && this.main.holds.has(i) && acc.puts.some((p) => p.thing === i && p.place === 'pot'))) acc.wet.set(t, 'in water first');
    for (const [t, v] of this.eggs) if (acc.egg === undefined && !v.side) acc.egg = 'cold';
    for (const [t, v] of this.dry) if (!acc.wet.has(t) && this.in(v).some((x) => this.isLiquid(x))) acc.wet.set(t, 'cold together');
    if (this.preheatC !== undefined && !acc.bakes.length) acc.bakes.push({ tempC: this.preheatC, ...(this.fan ? { fan: true as const } : {}) });
    this.parts();
    return acc;
  }

  private parts() {
    const acc = this.account;
    // named in passing, and never used
    for (const [i, t] of this.things.entries()) if (t.found && t.grams === undefined && !this.placed.has(i) && !acc.part.has(i)) t.again = true;
    for (const [i, t] of this.things.entries()) {
      if (acc.part.has(i)) continue;
      if (t.purpose === 'grease') acc.part.set(i, 'grease');
      else if (this.isSideThing(i)) acc.part.set(i, /layer|topping/i.test(t.component!) && this.sideIsLayer(t.component!) ? 'layer' : 'side');
      else {
        const v = this.holding(i);
        acc.part.set(i, v?.side && v !== this.main ? 'side' : v === undefined && t.purpose !== undefined ? t.purpose : v !== undefined && v.kind !== 'pot' && t.purpose === 'top' && !this.main.holds.has(i) ? 'top' : 'pot');
      }
    }
    const byPart = new Map<string, { component?: string | undefined; things: number[]; heated: boolean }>();
    for (const [i] of this.things.entries()) {
      const part = acc.part.get(i);
      if (part !== 'side' && part !== 'layer') continue;
      const key = this.things[i]!.component ?? this.holding(i)?.id ?? 'side';
      const s = byPart.get(key) ?? { component: this.things[i]!.component, things: [], heated: true };
      s.things.push(i);
      byPart.set(key, s);
    }
    acc.sides = [...byPart.values()];
  }
  private sideIsLayer = (component: string) => this.things.some((t, i) => t.component === component && (this.isThickener(i) || this.isMilk(i)));
}

const mid = (t: { lowMin: number; highMin: number }): number => (t.lowMin + t.highMin) / 2;

const partOf = (share: Extract<Ref, { kind: 'thing' }>['share'], grams?: number, total?: number): number | undefined =>
  typeof share === 'number' ? share : share === 'little' ? LITTLE : share === 'most' ? MOST : grams !== undefined && total ? Math.min(1, grams / total) : undefined;

const REDUCED: readonly (readonly [RegExp, number])[] = [
  [/two[- ]thirds (?:is |are )?(?:left|remain)|to two[- ]thirds|by (?:a |one )?third/i, 2 / 3],
  [/(?:to|by) (?:a |one )?half|half (?:of it )?(?:is left|remains|has gone)/i, 0.5],
  [/to (?:a |one )?third/i, 1 / 3],
  [/to three[- ]quarters|by (?:a |one )?quarter/i, 0.75],
];
const reducedTo = (text: string): number | undefined => REDUCED.find(([r]) => r.test(text))?.[1];
