import type { Arrival, Egg, Vessel, Wet } from './account';
import { type Act } from './acts';
import { Warmth } from './warmth';

/** What meets what in a vessel: starch its liquid, egg what is hot. */
export abstract class Meeting extends Warmth {
  // moving
  protected add(t: number, share: number, v: Vessel, a: Act) {
    if (share <= 0) return;
    const before = new Map(v.holds);
    this.placed.set(t, (this.placed.get(t) ?? 0) + share);
    v.holds.set(t, (v.holds.get(t) ?? 0) + share);
    const list = this.portions.get(t) ?? [];
    list.push({ share, vessel: v.id, order: this.events.length });
    this.portions.set(t, list);
    if (this.isSweet(t) && !v.side && v === this.main && !this.soft && this.in(v).some((x) => this.isKernel(x)))
      this.account.earlySweet = true;
    void before;
    void a;
  }

  /** Things that are put into a vessel together, and how that wets and warms them. */
  protected putTogether(refs: { t: number; share: number }[], v: Vessel, a: Act) {
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
    this.arrive(
      v.id,
      refs.filter(({ t }) => group.includes(t)).map(({ t, share }) => ({ thing: t, share })),
      a,
    );
    for (const { t, share } of refs)
      if (group.includes(t))
        this.account.puts.push({
          thing: t,
          share,
          sentence: a.sentence,
          place: v.side ? 'side' : v.kind === 'bowl' || v.kind === 'blender' ? 'bowl' : 'pot',
          beside: [...new Set([...had, ...group])].filter((x) => x !== t),
          off: this.account.heats.length > 0 && !this.onFire,
        });
    this.meet(v, had, group, a);
  }

  protected arrive(vessel: string, portions: Arrival['portions'], a: Act) {
    const off = this.account.heats.length > 0 && !this.onFire;
    this.events.push({
      vessel,
      things: portions.map((p) => p.thing),
      portions,
      sentence: a.sentence,
      turn: this.turn,
      off,
    });
  }

  /** What meets what in a vessel: starch its liquid, egg what is hot. */
  protected meet(v: Vessel, had: readonly number[], group: readonly number[], a: Act) {
    const all = this.in(v);
    const liquids = all.filter(this.isLiquid);
    const wasLiquid = had.some(this.isLiquid);
    const hot = v.warmth === 'hot' && had.length > 0;
    for (const t of group) {
      if (this.isThickener(t) && !this.account.wet.has(t)) {
        if (liquids.length && liquids.every((x) => this.things[x]!.id === 'water')) this.inWater.add(t);
        if (hot && wasLiquid) this.wet(t, this.isPowder(t) && a.deed !== 'rain' ? 'dry into hot' : 'rain', a);
        else if (all.some(this.isEgg) && this.isPowder(t))
          this.wet(
            t,
            liquids.length && this.coldIn(v, liquids, t) === 'cold together' ? 'cold together' : 'with egg',
            a,
          );
        else if (liquids.length) this.wet(t, this.coldIn(v, liquids, t), a);
        else if (/\b(?:with|in|into)\b[^.;]{0,24}\bwater\b/i.test(a.text) && v.kind === 'bowl')
          this.wet(t, 'cold slurry', a);
        else this.dry.set(t, v);
      }
      if (this.isEgg(t) && this.account.egg === undefined) {
        if (a.deed === 'fold' && this.things[t]!.id === 'white') {
          this.account.folded = true;
          this.egg('folded', a);
        } else if (hot && wasLiquid && v.kind !== 'bowl')
          this.egg(v.warmth === 'hot' ? 'straight in' : 'into cooled', a);
        else if (v === this.takenUp) this.egg('tempered', a);
        else if (v.warmth === 'cooled' && wasLiquid) this.egg('into cooled', a);
        else this.eggs.set(t, v);
      }
    }
    // what is called hot comes onto egg that stands ready
    if (a.hot && group.some(this.isLiquid) && !group.some(this.isEgg) && [...this.eggs.values()].includes(v)) {
      this.account.egg ??= 'hot onto';
      this.account.eggAt ??= a.sentence;
    }
    // a liquid comes to what stood dry
    if (group.some(this.isLiquid))
      for (const [t, where] of [...this.dry])
        if (where === v && !group.includes(t)) {
          this.dry.delete(t);
          const hotLiquid = a.hot && group.filter(this.isLiquid).length > 0;
          this.wet(
            t,
            hotLiquid
              ? 'hot onto'
              : v.warmth === 'hot' && had.some(this.isFat)
                ? 'fat first'
                : had.some(this.isFat) && (v.kind === 'pot' || v.kind === 'other pot')
                  ? 'fat first'
                  : had.some(this.isEgg) && this.isPowder(t)
                    ? 'with egg'
                    : this.dryWith(v, had, liquids, t),
            a,
          );
        }
  }

  protected dryWith(v: Vessel, had: readonly number[], liquids: readonly number[], t: number): Wet {
    return had.some((x) => this.isSweet(x)) && this.isPowder(t) && v.kind !== 'bowl'
      ? 'with sugar'
      : had.some((x) => this.isSweet(x)) && this.isPowder(t)
        ? 'with sugar'
        : this.coldIn(v, liquids, t);
  }

  /** Wetted by a part of the liquid, or by all of it. */
  protected coldIn(v: Vessel, liquids: readonly number[], t: number): Wet {
    if (v.kind === 'pot' || v.side) {
      return v.side && this.isPowder(t) ? 'cold slurry' : 'cold together';
    }
    if (liquids.every(this.isCream)) return 'in cream';
    const main = this.things.map((_, i) => i).filter((x) => this.isMilk(x) && !this.isSideThing(x));
    const mass = (x: number) => this.things[x]!.grams ?? 0;
    const allMilk = main.reduce((s, x) => s + mass(x), 0);
    const here = liquids.reduce((s, x) => s + mass(x) * (v.holds.get(x) ?? 0), 0);
    if (allMilk > 0 && here > 0.7 * allMilk) return 'cold together';
    if (allMilk === 0 && main.length && liquids.some((x) => main.includes(x) && (v.holds.get(x) ?? 0) > 0.7))
      return 'cold together';
    return 'cold slurry';
  }

  protected wet(t: number, how: Wet, a: Act) {
    this.dry.delete(t);
    this.account.wet.set(t, how);
    this.account.wetAt.set(t, a.sentence);
  }

  protected egg(how: Egg, a: Act) {
    this.account.egg = how;
    this.account.eggAt = a.sentence;
    if (how !== 'folded') this.eggs.clear();
  }

  /** What is in one vessel goes into another, all of it or a part. */
  protected pour(from: Vessel, into: Vessel, share: number | undefined, a: Act) {
    if (from === into) return;
    const things = this.in(from);
    if (!things.length) return;
    const part = share !== undefined && share < 0.95;
    const kind = (v: Vessel) => (v.kind === 'bowl' || v.kind === 'blender' ? 'bowl' : 'pot');
    this.account.pours.push({ sentence: a.sentence, from: kind(from), into: kind(into), part });
    const had = this.in(into);
    const fromHot = from.warmth === 'hot' || a.hot === true;
    if (a.deed === 'fold' && this.in(from).some((t) => this.things[t]!.id === 'white')) {
      this.account.folded = true;
      if (this.account.egg === undefined && ![...this.eggs.keys()].some((t) => this.things[t]!.id !== 'white'))
        this.egg('folded', a);
      for (const t of this.in(from)) this.eggs.delete(t);
    }
    this.mergeEgg(from, into, part, fromHot, a);
    this.mergeDry(from, into, fromHot, a);
    const there = new Map(into.holds);
    const moved: Arrival['portions'] = [];
    for (const t of things) {
      const g = from.holds.get(t)!;
      const s = part ? g * share : g;
      moved.push({ thing: t, share: s });
      into.holds.set(t, (into.holds.get(t) ?? 0) + s);
      from.holds.set(t, part ? g - s : 0);
      for (const p of this.portions.get(t) ?? []) if (p.vessel === from.id && !part) p.vessel = into.id;
    }
    if (fromHot && into.kind === 'bowl' && !part) {
      // the pot's content moves into the bowl: from here on that is the pot
      if (from === this.main) this.main = into;
      this.arrive(
        'pot',
        had.map((t) => ({ thing: t, share: there.get(t) ?? 1 })),
        a,
      );
      for (const e of this.events) if (e.vessel === from.id) e.vessel = 'pot';
      into.warmth = 'hot';
    } else if (part && fromHot && into.kind === 'bowl') this.takenUp = into;
    else {
      this.arrive(into.id, moved, a);
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

  protected mergeEgg(from: Vessel, into: Vessel, part: boolean, fromHot: boolean, a: Act) {
    const there = [...this.eggs].filter(([, v]) => v === into);
    const here = [...this.eggs].filter(([, v]) => v === from);
    if (there.length && fromHot && this.in(from).some((t) => this.isLiquid(t)))
      this.egg(part || /temper/i.test(a.text) ? 'tempered' : 'hot onto', a);
    else if (here.length && this.in(into).some((t) => this.isLiquid(t))) {
      if (into.warmth === 'hot') this.egg('straight in', a);
      else if (into.warmth === 'cooled') this.egg('into cooled', a);
      else for (const [t] of here) this.eggs.set(t, into);
    } else for (const [t] of here) this.eggs.set(t, into);
  }

  protected mergeDry(from: Vessel, into: Vessel, fromHot: boolean, a: Act) {
    const liquid = (v: Vessel) => this.in(v).some(this.isLiquid);
    for (const [t, v] of [...this.dry]) {
      if (v === from && liquid(into)) {
        const sweet = this.in(from).some(this.isSweet);
        if (into.warmth === 'hot')
          this.wet(
            t,
            sweet && this.isPowder(t) ? 'with sugar' : this.isPowder(t) && a.deed !== 'rain' ? 'dry into hot' : 'rain',
            a,
          );
        else this.wet(t, this.dryWith(into, this.in(from), this.in(into).filter(this.isLiquid), t), a);
      } else if (v === into && liquid(from)) {
        if (fromHot) this.wet(t, this.in(into).some(this.isEgg) && this.isPowder(t) ? 'with egg' : 'hot onto', a);
        else this.wet(t, this.dryWith(into, this.in(into), this.in(from).filter(this.isLiquid), t), a);
      } else if (v === from) this.dry.set(t, into);
    }
  }

  protected takenOut(t: number, a: Act) {
    this.account.out.add(t);
    this.account.outAt.set(t, a.sentence);
  }

  /** Starch that its own line wets: "60 g of starch, slaked in a little of the milk". */
  wetted(t: number) {
    if (this.isThickener(t)) this.account.wet.set(t, 'cold slurry');
  }
}
