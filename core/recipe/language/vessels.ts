import type { Account, Bake, Vessel } from './account';
import { BOILS, DISHES, OVEN_FROM_C, REST, mid, reducedTo } from './measures';
import { HEATING, type Act, type Ref } from './acts';
import type { Deed, Sign } from './lexicon';
import { Preparing } from './preparing';

/** Deeds that heat nothing themselves, behind which something is waited for all the same. */
const WAITED_FOR: readonly Deed[] = ['mix', 'put', 'cover', 'pour', 'rain', 'back'];
/** Signs that are no end of a stretch on the fire. */
const NO_ENDS: readonly Sign[] = ['smooth', 'warm', 'cold', 'set', 'golden'];

/** Runs a recipe's acts over its vessels. */
export class Kitchen extends Preparing {
  /** Does what an act says. */
  run(a: Act) {
    this.turn += 1;
    this.account.heard.add(a.sentence);
    if (a.conditional) return this.perhaps(a);
    if (a.when.length || a.whenTime) this.came(a);
    if (a.fan) this.fan = true;
    const lights =
      a.deed === 'heat' &&
      /\blight (?:it|the oven)/i.test(a.text) &&
      (this.account.dish !== undefined || this.account.bakes.length > 0);
    if (
      lights ||
      a.deed === 'preheat' ||
      (a.coldOven && !a.deed) ||
      (a.deed === 'heat' && (a.tempC ?? 0) >= OVEN_FROM_C)
    )
      return this.preheat(a);
    if (a.deed !== 'soak') this.soakedFor(a.text);
    if (a.deed === 'grease') return this.grease(a);
    if (a.deed === 'soak' || a.deed === 'rinse') return this.soak(a);
    const kernels = a.objects.flatMap((r) => (r.kind === 'thing' ? r.things : []));
    const blitzed =
      a.deed === 'blend' && kernels.length > 0 && kernels.every((t) => this.isKernel(t)) && !a.until.includes('smooth');
    if ((a.deed === 'grind' || blitzed) && this.grind(blitzed ? { ...a, into: [] } : a)) return;
    if (a.deed === 'keep') return this.keep(a);
    if (a.offHeat || a.deed === 'off') this.offHeat();
    this.manner(a);
    if (this.soaksHere(a)) return;
    if (this.whites(a)) return;
    if (this.takesOut(a)) return;
    if (this.garnishes(a)) return;
    if (a.deed === 'turn' && a.level) return this.turnRing(a);
    const inDish = this.move(a);
    if (
      a.deed === 'bake' ||
      a.deed === 'grill' ||
      a.place === 'oven' ||
      (a.tempC !== undefined && this.account.bakes.length === 0 && a.deed !== 'heat')
    ) {
      if (this.bake(a)) return;
    }
    if (this.serve(a)) return;
    if (this.rest(a)) return;
    if (!inDish) this.heat(a);
  }

  /** "If it is too thick …": advice, unless it names what may go beside it. */
  protected perhaps(a: Act) {
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
  protected came(a: Act) {
    const v = this.current.side ? this.current : this.main;
    const sign = a.when.find((s) => s !== 'smooth' && s !== 'warm');
    const boiledFor = sign !== undefined && BOILS.includes(sign) && a.whenTime !== undefined;
    if (sign === 'cold' || sign === 'set') {
      if (sign === 'cold') {
        // the minutes are of what is done then
        const { time: _time, overnight: _overnight, ...before } = a;
        this.cooled({ ...before, deed: 'cool' });
      }
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

  protected turnRing(a: Act) {
    this.level = a.level;
    if (a.lid) this.lid = a.lid;
    if (a.stirring) this.stir = a.stirring;
    this.heatOpen = undefined;
    if (a.until.length || a.time) this.heat({ ...a, deed: 'cook' });
  }

  /** What is strewn over it, or goes beside it at the table. */
  protected garnishes(a: Act): boolean {
    const names = [...a.objects, ...a.into].filter((r): r is Extract<Ref, { kind: 'thing' }> => r.kind === 'thing');
    const fresh = names.filter((r) => r.things.some((t) => this.left(t) > REST || this.things[t]!.purpose === 'top'));
    const after =
      this.poured &&
      fresh.length > 0 &&
      (a.deed === 'pour' || a.deed === 'put') &&
      !a.into.length &&
      fresh.every((r) => r.things.every((t) => this.things[t]!.purpose !== undefined));
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
    if (
      a.deed === 'top' &&
      !this.poured &&
      fresh.some((r) => r.things.some((t) => this.isThickener(t) && !this.placed.has(t)))
    ) {
      // strewn into the pot, not over the dish
      a.deed = 'rain';
      if (!a.objects.length) a.objects = a.into.splice(0);
      return false;
    }
    const onTop =
      a.deed === 'top' ||
      (a.onTop && a.deed !== 'cover') ||
      ((this.poured || this.served) && a.deed === 'put' && /\b(?:on|over)\b/i.test(a.text));
    const kept = names.find(
      (r) =>
        (r.share === 'kept' || r.share === 'rest') && r.things.some((t) => (this.keptIn?.holds.get(t) ?? 0) > REST),
    );
    if (kept && this.keptIn && (a.onTop || a.deed === 'top' || a.deed === 'serve' || a.beside)) {
      const t = kept.things[0]!;
      this.account.puts.push({
        thing: t,
        share: this.keptIn.holds.get(t)!,
        sentence: a.sentence,
        place: 'top',
        beside: [],
        off: true,
      });
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
  protected toTop(t: number, r: Extract<Ref, { kind: 'thing' }>, a: Act) {
    const before = this.placed.get(t) ?? 0;
    if (before > REST)
      this.account.puts.push({
        thing: t,
        share: this.shareOf(r, t),
        sentence: a.sentence,
        place: 'top',
        beside: [],
        off: true,
      });
    else this.account.part.set(t, 'top');
    this.placed.set(t, 1);
  }

  protected serve(a: Act, again = false): boolean {
    const acc = this.account;
    if (a.deed === 'cut') acc.style = 'cut';
    if (a.deed === 'unmould') acc.style = 'turned out';
    if (a.deed === 'serve') {
      this.served = true;
      const t = a.text;
      const first = /\b(?:serve\w*|eat\w*|eaten|enjoy\w*|offer\w*)\b[^.;]{0,24}?\b(warm|hot|cold|chilled)\b/i
        .exec(t)?.[1]
        ?.toLowerCase();
      const onCold = /\b(?:on|over|with) (?:the |your )?(?:cold|chilled)\b/i.test(t);
      const both = /\b(?:hot|warm|cold) or (?:hot|warm|cold|chilled)\b/i.test(t);
      const warm =
        !onCold &&
        (both || (first ? /warm|hot/.test(first) : /\b(?:warm|hot|straight away|at once|immediately)\b/i.test(t)));
      const cold = onCold || both || (first ? /cold|chilled/.test(first) : /\b(?:cold|chilled|cool)\b/i.test(t));
      if (warm && cold) delete acc.warm;
      else if (warm) acc.warm = true;
      else if (cold) acc.warm = false;
    }
    return !again && (a.deed === 'cut' || a.deed === 'unmould' || a.deed === 'serve');
  }

  protected bake(a: Act): boolean {
    const bakes = this.account.bakes;
    const last = bakes.at(-1);
    const time = a.time ? mid(a.time) : undefined;
    if (a.deed === 'grill') {
      const b: Bake = last ?? { sentence: a.sentence, turn: this.turn };
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
      sentence: a.sentence,
      turn: this.turn,
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

  /** Standing, cooling, chilling of the dish itself. */
  protected rest(a: Act): boolean {
    if (a.bath && !this.account.bakes.length) this.bathReady = true;
    else if (a.bath) this.account.bakes.at(-1)!.bath = true;
    const where =
      a.deed === 'chill' ? 'fridge' : a.deed === 'freeze' ? 'freezer' : a.place === 'oven' ? undefined : a.place;
    const hot = a.until.find((x) => x === 'steam' || x === 'boil' || x === 'simmer');
    if (a.deed === 'leave' && hot && this.in(this.main).length) this.stretch(this.main, hot, undefined, a);
    const cools =
      a.deed === 'cool' ||
      a.deed === 'leave' ||
      a.deed === 'chill' ||
      a.deed === 'freeze' ||
      (where !== undefined && (where !== 'room' || (a.time !== undefined && a.deed === undefined)));
    if (!cools || (a.deed !== undefined && HEATING.includes(a.deed) && a.deed !== 'stir')) return false;
    if (a.deed === 'leave' && a.time === undefined && !where && !a.overnight && !a.until.length) {
      this.maybe = this.in(this.current).length ? { where: 'room', sentence: a.sentence, turn: this.turn } : undefined;
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
    if (
      a.deed === 'leave' &&
      !where &&
      this.account.bakes.length &&
      !this.baked2 &&
      this.account.bakes.at(-1)!.min === undefined &&
      a.time
    ) {
      this.account.bakes.at(-1)!.min = mid(a.time);
      return true;
    }
    const objects = a.objects.flatMap((r) => (r.kind === 'thing' ? r.things : []));
    if (
      objects.length &&
      objects.every((t) => !this.main.holds.has(t)) &&
      objects.some((t) => this.left(t) > REST || this.isSideThing(t))
    )
      return true;
    if (this.current.side && !this.poured && !objects.some((t) => this.main.holds.has(t))) return true;
    if (!this.in(this.main).length && !this.poured) return true;
    if (
      a.level ||
      (a.deed === 'leave' &&
        (this.heatOpen || this.onFire) &&
        a.time &&
        !where &&
        !a.offHeat &&
        (a.lid || a.onHeat || a.stirring || a.further))
    ) {
      this.heat({ ...a, deed: 'cook' });
      return true;
    }
    this.cooled(a, where);
    return true;
  }

  /** What is on the fire, until when. */
  protected heat(a: Act) {
    const deedHeats = a.deed !== undefined && HEATING.includes(a.deed);
    const waits = a.until.length > 0 || a.time !== undefined || a.more !== undefined;
    const heats =
      deedHeats ||
      a.onHeat ||
      a.overWater ||
      a.level !== undefined ||
      (waits && (a.deed === undefined || WAITED_FOR.includes(a.deed)));
    this.manner(a);
    this.ontoTheFire(a, deedHeats);
    const v = this.heated(a, deedHeats);
    if (this.poured && a.time && this.preheatC !== undefined && this.account.bakes.every((b) => b.min === undefined))
      return this.inOven(a);
    if (!heats || this.poured) return;
    const standing = !this.onFire && v.warmth === 'hot' && !a.level && !a.onHeat && !deedHeats;
    const still = a.deed === undefined || a.deed === 'put' || a.deed === 'cover';
    if ((a.offHeat || standing) && a.time && !a.until.length && still) return this.cooled(a);
    if (DISHES.includes(v.kind)) return this.inOven(a);
    if ((v.kind === 'bowl' && !a.overWater && v !== this.main) || !this.in(v).length) return;
    const signs = a.until.filter((s) => !NO_ENDS.includes(s));
    // a stir with nothing to wait for is a way and no stretch
    if (a.deed === 'stir' && !signs.length && !a.time && !a.more) {
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
    // who whisks until a sign comes stirs all the while
    if (a.deed === 'mix' && signs.length && /\bwhisk/i.test(a.text)) this.stir ??= 'all the time';
    this.waitFor(a, v, signs.at(-1), deedHeats);
  }

  /** What was mixed goes on the fire, or into what is on it. */
  private ontoTheFire(a: Act, deedHeats: boolean) {
    const { current, main } = this;
    if (current === main || a.deed === 'stir' || !this.in(current).length) return;
    // "… and let it bubble": the slurry is in by then
    const slurry = current === this.lastBowl && this.in(current).some((t) => this.isThickener(t));
    if (deedHeats && slurry && this.in(main).some(this.isLiquid) && main.warmth === 'hot') {
      this.pour(current, main, undefined, a);
      this.current = main;
      return;
    }
    const mixed = current.kind === 'bowl' || current.kind === 'blender';
    if (!(deedHeats || a.onHeat) || a.overWater || !mixed || this.in(main).length) return;
    const pot = this.vessel('pot', 'pot');
    this.pour(current, pot, undefined, a);
    this.main = pot;
    this.current = pot;
  }

  /** The vessel that is heated. */
  private heated(a: Act, deedHeats: boolean) {
    const { current, main } = this;
    if (current.side || a.overWater || current.warmth === 'hot') return current;
    if (current.kind === 'bowl' && !deedHeats && !a.onHeat) return current;
    return main.kind === 'pot' || main.warmth === 'hot' || DISHES.includes(main.kind) ? main : this.pan();
  }

  /** The end of a stretch: a sign that is said, or that the deed means. */
  private waitFor(a: Act, v: Vessel, said: Sign | undefined, deedHeats: boolean) {
    const byDeed = !said && v.boiled && (a.deed === 'boil' || a.deed === 'simmer');
    // "boil and stir 1 min" of what boils: its minutes are said next
    const open = this.heatOpen;
    if (!said && a.deed === 'boil' && !a.time && !a.more && v.boiled && open?.until === 'boil' && open.vessel === v.id)
      return;
    const shrinks = /\bdown\b|reduc/i.test(a.text) && reducedTo(a.text) !== undefined;
    let sign = said;
    if (!sign && shrinks && (a.deed === 'boil' || a.deed === 'cook' || a.deed === 'simmer')) sign = 'reduced';
    else if (!sign && (a.deed === 'bring' || (a.deed === 'boil' && !a.time))) sign = 'boil';
    else if (!sign && a.deed === 'simmer' && !a.time) sign = 'simmer';
    if (a.tempC !== undefined && a.tempC < OVEN_FROM_C && !sign) return this.stretch(v, 'temp', a.time, a);
    if (!sign && a.time === undefined && a.more === undefined) {
      // put on, with no end yet
      v.warmth = 'hot';
      if (a.onHeat || a.level || deedHeats) this.heatOpen = undefined;
      // fat that is heated for frying is no stretch of the pudding's own
      if (a.deed === 'heat' && !this.in(v).every(this.isFat)) this.stretch(v, 'steam', undefined, a);
      else if (a.deed === 'fry' || (a.deed === 'cook' && !a.level)) this.stretch(v, 'time', undefined, a);
      return;
    }
    if (sign || a.time) this.stretch(v, sign ?? 'time', a.time, a);
    if (byDeed && this.heatOpen) this.heatOpen.byDeed = true;
    if (!a.more) return;
    if (a.stirring) this.stir = a.stirring;
    this.stretch(v, 'time', a.more, a);
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
      if (e.portions.length) acc.arrivals.push({ turn: e.turn, portions: e.portions, off: e.off });
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
      if (
        this.isKernel(t) &&
        this.things.some(
          (_, i) =>
            this.isMilk(i) &&
            !this.isSideThing(i) &&
            this.main.holds.has(i) &&
            acc.puts.some((p) => p.thing === i && p.place === 'pot'),
        )
      )
        acc.wet.set(t, 'in water first');
    for (const v of this.eggs.values()) if (acc.egg === undefined && !v.side) acc.egg = 'cold';
    for (const [t, v] of this.dry)
      if (!acc.wet.has(t) && this.in(v).some((x) => this.isLiquid(x))) acc.wet.set(t, 'cold together');
    if (this.preheatC !== undefined && !acc.bakes.length)
      acc.bakes.push({
        sentence: 0,
        turn: this.turn + 1,
        tempC: this.preheatC,
        ...(this.fan ? { fan: true as const } : {}),
      });
    this.parts();
    return acc;
  }

  protected parts() {
    const acc = this.account;
    // named in passing, and never used
    for (const [i, t] of this.things.entries())
      if (t.found && t.grams === undefined && !this.placed.has(i) && !acc.part.has(i)) t.again = true;
    for (const [i, t] of this.things.entries()) {
      if (acc.part.has(i)) continue;
      if (t.purpose === 'grease') acc.part.set(i, 'grease');
      else if (this.isSideThing(i))
        acc.part.set(i, /layer|topping/i.test(t.component!) && this.sideIsLayer(t.component!) ? 'layer' : 'side');
      else {
        const v = this.holding(i);
        acc.part.set(
          i,
          v?.side && v !== this.main
            ? 'side'
            : v === undefined && t.purpose !== undefined
              ? t.purpose
              : v !== undefined && v.kind !== 'pot' && t.purpose === 'top' && !this.main.holds.has(i)
                ? 'top'
                : 'pot',
        );
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

  protected sideIsLayer = (component: string) =>
    this.things.some((t, i) => t.component === component && (this.isThickener(i) || this.isMilk(i)));
}
