import type { Heat, Rest, Vessel } from './account';
import { SOFT_BY_MIN, STAYS_HOT_MIN, mid, reducedTo } from './measures';
import { type Act } from './acts';
import type { Place, Sign } from './lexicon';
import { KitchenState } from './kitchenState';

/** How hot it gets, for how long, and how it stands and cools. */
export abstract class Warmth extends KitchenState {
  /** How high the fire is, the lid, the spoon: from here on, and of the stretch that is on. */
  protected manner(a: Act) {
    if (a.level) {
      this.level = a.level;
      this.levelOf = undefined;
    }
    if (a.lid) this.lid = a.lid;
    if (a.stirring) {
      this.stir = a.stirring;
      if (this.heatOpen && a.deed === undefined && !a.until.length && !a.time) this.heatOpen.stir ??= a.stirring;
    }
  }

  protected offHeat() {
    this.onFire = false;
    for (const v of this.vessels.values()) v.boiled = false;
    this.heatOpen = undefined;
    this.level = undefined;
    this.stir = undefined;
    this.lid = undefined;
  }

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

  protected cooled(a: Act, where?: Exclude<Place, 'oven'>) {
    const place = where ?? 'room';
    const rests = this.account.rests;
    const last = rests.at(-1);
    const min = a.time ? mid(a.time) : a.overnight ? 600 : undefined;
    this.offHeat();
    // what stands covered for a while stays hot
    const steeps =
      place === 'room' &&
      min !== undefined &&
      min <= STAYS_HOT_MIN &&
      (a.lid === 'on' || /\b(?:cover|lid|infuse|steep|draw)/i.test(a.text));
    if (!steeps) {
      if (this.main.warmth === 'hot') this.main.warmth = 'cooled';
      if (place !== 'fridge' && place !== 'freezer') this.currentCooled();
    }
    if (
      last &&
      last.where === place &&
      this.timed === last &&
      (last.min === undefined || min === undefined || last.sentence === a.sentence)
    ) {
      if (min !== undefined) last.min ??= min;
      return;
    }
    const rest: Rest = { where: place, ...(min === undefined ? {} : { min }), sentence: a.sentence, turn: this.turn };
    rests.push(rest);
    this.timed = rest;
    this.maybe = undefined;
    if (place === 'freezer' && /stick|lolly|ice|frozen|mould/i.test(a.text) && this.account.dish === 'moulds')
      this.account.style ??= 'frozen';
    if (place === 'fridge') this.account.warm ??= false;
    if (/\b(?:quite|completely|stone|till|until)\s+(?:\w+\s+)?cold\b|\bgo cold\b/i.test(a.text))
      this.account.warm ??= false;
  }

  protected currentCooled() {
    if (this.current.warmth === 'hot') this.current.warmth = 'cooled';
  }

  protected reached(v: Vessel, sign: Sign | undefined) {
    v.warmth = 'hot';
    if (sign === 'boil' || sign === 'simmer') v.boiled = true;
    if (sign === 'soft' || sign === 'gone') this.soft = true;
  }

  /** Minutes of a dish that was put together cold: it is in the oven. */
  protected inOven(a: Act) {
    if (!a.time || this.preheatC === undefined) return;
    const last = this.account.bakes.at(-1);
    const all = /\b(?:all told|altogether|in all|in total|all in all)\b/i.test(a.text);
    if (!last)
      this.account.bakes.push({
        sentence: a.sentence,
        turn: this.turn,
        tempC: this.preheatC,
        min: mid(a.time),
        ...(this.bathReady ? { bath: true as const } : {}),
      });
    else last.min = all || last.min === undefined ? mid(a.time) : last.min + mid(a.time);
  }

  protected stretch(v: Vessel, until: Heat['until'], time: { lowMin: number; highMin: number } | undefined, a: Act) {
    // the ring of another pan is none of this one's
    if (this.levelOf !== undefined && this.levelOf !== v.id && !a.level) this.level = undefined;
    this.levelOf = v.id;
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
    // grain that simmers so long is soft, though nobody says so
    if (time && mid(time) >= SOFT_BY_MIN && this.in(v).some((t) => this.isKernel(t))) this.soft = true;
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
      turn: this.turn,
      boils:
        (v.boiled &&
          (until === 'time' || until === 'thick' || until === 'soft' || until === 'gone') &&
          !this.in(v).some(this.isEgg)) ||
        until === 'boil' ||
        until === 'simmer' ||
        a.deed === 'boil' ||
        a.deed === 'simmer' ||
        a.until.some((x) => x === 'boil' || x === 'simmer'),
    };
    this.account.heats.push(h);
    this.current = v;
    this.timed = h;
    this.maybe = undefined;
    this.heatOpen = h;
    this.reached(v, until as Sign);
    if (until === 'reduced') this.account.reduce ??= reducedTo(a.text);
    // what was waited for needs no ring of its own any more
    this.stir = undefined;
    this.lid = a.lid === 'on' || a.lid === 'ajar' ? this.lid : this.lid;
  }
}
