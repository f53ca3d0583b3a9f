import { DISHES, REST, mid } from './measures';
import { type Act } from './acts';
import { timeAt } from './marks';
import { Moving } from './moving';

/** "soaked for 30 min", behind the name of what is soaked. */
const SOAKED = /\bsoaked\s+(?:for\s+)?(?:about\s+|at least\s+)?/i;
const OVERNIGHT = /^(?:overnight|over night|the night before)/i;
/** shorter is a rinse, min */
const LEAST_SOAK_MIN = 5;

/** What is done with things before they go in, and with what comes out again. */
export abstract class Preparing extends Moving {
  /** Whites of eggs that are listed whole: they go in with them, whipped. */
  protected whites(a: Act): boolean {
    const whites = a.objects.some((r) => r.kind === 'thing' && r.whites);
    if (!whites && !(a.deed === 'fold' && this.whitesWhipped)) return false;
    if (a.deed === 'fold') this.account.folded = true;
    if (whites && (a.deed === 'whip' || a.deed === 'mix')) this.whitesWhipped = true;
    a.objects = a.objects.filter((r) => !(r.kind === 'thing' && r.whites));
    return !a.objects.some((r) => r.kind === 'thing');
  }

  /** "Leave the rice in water for half an hour". */
  protected soaksHere(a: Act): boolean {
    if (!(a.deed === 'leave' || a.deed === 'put' || a.deed === 'cover')) return false;
    if (a.deed !== 'cover' && !(a.time || a.overnight)) return false;
    if (a.into.some((r) => r.kind === 'vessel' && r.vessel === 'pot')) return false;
    const things = a.objects.flatMap((r) => (r.kind === 'thing' ? r.things : [])).filter((t) => !this.isLiquid(t));
    if (!things.length || !things.every((t) => this.left(t) > REST) || !/\bwater\b/i.test(a.text)) return false;
    if (!things.every((t) => this.isKernel(t) || this.of(t)?.group === 'nut' || this.of(t)?.group === 'piece'))
      return false;
    this.soak({
      ...a,
      deed: 'soak',
      objects: a.objects.filter((r) => r.kind === 'thing' && r.things.every((t) => things.includes(t))),
      into: [],
    });
    return true;
  }

  protected takesOut(a: Act): boolean {
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
            this.takenOut(t, a);
          }
    const named = a.objects.filter((r) => r.kind === 'thing');
    if (!named.length) {
      // "take them out": what was spoken of that comes out
      for (const t of this.in(this.current))
        if (this.of(t)?.comesOut && /\b(?:them|spices?|all|everything|it)\b/i.test(a.text)) this.takenOut(t, a);
    }
    return true;
  }

  protected preheat(a: Act) {
    if (a.tempC !== undefined) this.preheatC = a.tempC;
    const open = this.account.bakes.at(-1);
    if (open && a.tempC !== undefined && open.tempC === undefined) open.tempC = a.tempC;
    if (a.coldOven && open) open.cold = true;
    if (open && a.time && open.min === undefined) open.min = mid(a.time);
  }

  protected grease(a: Act) {
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

  protected greased(t: number) {
    if (this.things.some((x) => x.purpose === 'grease')) return;
    this.things.push({ id: this.things[t]!.id, text: this.things[t]!.text, optional: false, purpose: 'grease' });
    this.account.part.set(this.things.length - 1, 'grease');
    this.placed.set(this.things.length - 1, 1);
  }

  protected newGrease() {
    this.things.push({ id: 'butter', text: 'butter', optional: false, purpose: 'grease', found: true });
    this.account.part.set(this.things.length - 1, 'grease');
    this.placed.set(this.things.length - 1, 1);
  }

  /** "Rice, soaked 30 min": how long it lay in water, said beside its name. */
  soakedFor(text: string) {
    const at = SOAKED.exec(text);
    if (!at) return;
    const behind = text.slice(at.index + at[0].length);
    const t = timeAt(behind);
    const min = t ? (t.low + t.high) / 2 : OVERNIGHT.test(behind) ? 600 : undefined;
    if (min !== undefined && min >= LEAST_SOAK_MIN) this.account.soakMin ??= min;
  }

  protected soak(a: Act) {
    for (const r of [...a.objects, ...a.into])
      if (r.kind === 'thing')
        for (const t of r.things) {
          if (a.deed === 'soak' && !this.isLiquid(t)) {
            this.account.soaked.add(t);
            this.lastSoak = t;
          }
        }
    const named = [...a.objects, ...a.into]
      .flatMap((r) => (r.kind === 'thing' ? r.things : []))
      .filter((t) => !this.isLiquid(t) && this.left(t) > REST);
    if (named.length) this.ready = named;
    if (a.deed === 'soak' && (a.time || a.overnight)) this.account.soakMin = a.time ? mid(a.time) : 600;
    else if (a.deed === 'soak') this.soakOpen = true;
    if (a.deed === 'soak' || a.deed === 'rinse') this.prep = a.sentence;
  }

  protected grind(a: Act): boolean {
    const t =
      a.objects.flatMap((r) => (r.kind === 'thing' ? r.things : [])).find((x) => this.isKernel(x)) ??
      this.things.findIndex((_, i) => this.isKernel(i));
    if (t < 0) return false;
    const fine = /coarse|broken|cracked|rough|quarter/i.test(a.text)
      ? 'coarse'
      : /not as fine as flour|sand|semolina|grit/i.test(a.text)
        ? 'fine'
        : /flour|powder|dust|silky/i.test(a.text)
          ? 'flour'
          : 'fine';
    this.account.kind ??= { thing: t, fine };
    this.ready = [t];
    this.prep = a.sentence;
    return (
      !a.into.some((r) => r.kind === 'thing') &&
      !a.objects.some((r) => r.kind === 'thing' && !r.things.includes(t) && r.share === undefined)
    );
  }
}
