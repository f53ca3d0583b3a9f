import type { Vessel } from './account';
import { DISHES, LITTLE, REST, partOf } from './measures';
import { HEATING, type Act, type Ref } from './acts';
import type { VesselWord } from './lexicon';
import { Meeting } from './meeting';

/** What an act moves: things that go in, and what is in vessels already, all of it or a share. */
type Load = {
  things: { t: number; share: number; r: Extract<Ref, { kind: 'thing' }> }[];
  sources: { v: Vessel; share: number | undefined }[];
};

/** What an act moves, and where to. */
export abstract class Moving extends Meeting {
  /** Moves what the act names. Says whether it left the pot for its dish. */
  protected move(a: Act): boolean {
    const load: Load = { things: [], sources: [] };
    for (const r of a.objects) if (this.take(r, a, load) === 'moved as it is') return true;
    if (this.pouredOn(a)) return false;
    this.unsaid(a, load);
    const { things, sources } = load;
    const into = this.destination(a, things, sources);
    if (!into) return false;
    // what goes into a vessel is not what is there: it is the pot's
    const spoken = a.into.length > 0 && a.objects.some((r) => r.kind === 'content' && r.content !== 'slurry');
    for (const x of sources)
      if (x.v === into && into !== this.main && this.in(this.main).length && spoken) x.v = this.main;
    // a custard that was mixed in a bowl and never saw a pot
    const bowl = this.lastBowl;
    if (
      DISHES.includes(into.kind) &&
      !things.length &&
      !this.in(this.main).length &&
      bowl &&
      !bowl.side &&
      this.in(bowl).length
    )
      this.main = bowl;
    this.filledRaw(into, load);
    if (DISHES.includes(into.kind) && into !== this.main) return this.intoDish(a, into, things, sources);
    this.carry(a, into, load);
    return false;
  }

  /** All that is left of a thing. */
  private allOf = (t: number): Load['things'][number] => ({
    t,
    share: this.left(t),
    r: { kind: 'thing', things: [t], definite: true, hot: false, cold: false, at: 0, end: 0 },
  });

  /** What one name stands for: things that go in, or what is in a vessel already. */
  private take(r: Ref, a: Act, load: Load): 'moved as it is' | undefined {
    const { things, sources } = load;
    if (r.kind === 'thing') for (const t of r.things) this.takeThing(r, t, load);
    else if (r.kind === 'vessel') {
      const v = this.vesselOf(r, a);
      // a dish is moved as it is
      if (DISHES.includes(v.kind)) {
        if (!a.into.length) a.into.push(r);
        else if (a.deed) return 'moved as it is';
      } else if (this.in(v).length) sources.push({ v, share: undefined });
      else if (!a.into.length) a.into.push(r);
    } else if (r.kind === 'rest') {
      const t = this.keptThing;
      if (t !== undefined && this.left(t) > REST) things.push(this.allOf(t));
    } else this.takeContent(r, a, load);
    return undefined;
  }

  private takeThing(r: Extract<Ref, { kind: 'thing' }>, t: number, { things, sources }: Load) {
    const share = this.shareOf(r, t);
    const v = this.meant(r, t);
    const measured = typeof r.share === 'number' || r.grams !== undefined;
    const gone = this.left(t) <= REST;
    // what is hot, or in a vessel with nothing left beside it, is meant as what is there
    const there =
      v !== undefined &&
      !(r.cold && r.share === 'little') &&
      (share <= 0 ||
        (v.warmth === 'hot' && (r.hot || (gone && measured && !r.cold) || (gone && r.share === 'little'))));
    // "with the remaining sugar" of what is all elsewhere: there was more of it than was said
    if (there && r.share === 'rest' && v.side && v !== this.current) return;
    if (there) sources.push({ v, share: partOf(r.share, r.grams, this.things[t]!.grams) });
    else if (!things.some((x) => x.t === t)) things.push({ t, share, r });
  }

  private takeContent(r: Extract<Ref, { kind: 'content' | 'holder' }>, a: Act, { things, sources }: Load) {
    // what was rinsed, soaked or ground just now and is in nothing yet
    const ready = r.kind === 'content' && r.content === 'it' ? this.ready.filter((t) => this.left(t) > REST) : [];
    if (ready.length) {
      things.push(...ready.map(this.allOf));
      this.ready = [];
      return;
    }
    const everything = r.kind === 'content' && (r.content === 'all' || r.content === 'dry');
    if (everything && (a.deed !== undefined || a.into.length)) {
      const dry = r.content === 'dry';
      const nothingYet = !this.in(this.current).length && !(this.lastBowl && this.in(this.lastBowl).length);
      const all = dry || nothingYet || /ingredients|\belse\b/i.test(a.text) ? this.unplaced(dry) : [];
      if (all.length) {
        for (const t of all) if (!things.some((x) => x.t === t) && !a.except?.includes(t)) things.push(this.allOf(t));
        return;
      }
    }
    const named = this.contentOf(r, a);
    // "half of it into the jug": what goes into a vessel is not what is there
    const dest = a.into.find((x) => x.kind === 'vessel');
    const v = dest?.kind === 'vessel' && named && named === this.vesselOf(dest, a) ? this.main : named;
    if (v && this.in(v).length) sources.push({ v, share: r.kind === 'content' ? partOf(r.share) : undefined });
  }

  /** "Pour on the hot milk": what is named goes onto what was mixed last. */
  private pouredOn(a: Act): boolean {
    const over = a.into[0];
    const onto = this.current;
    if (a.objects.length || a.deed !== 'pour' || a.into.length !== 1 || over?.kind !== 'thing' || onto.kind !== 'bowl')
      return false;
    const pot = this.holding(over.things[0]!);
    if (!pot || pot.warmth !== 'hot' || pot === onto) return false;
    this.pour(pot, onto, partOf(over.share, over.grams, this.things[over.things[0]!]!.grams), a);
    return true;
  }

  /** What an act moves without a name for it: what was made ready, or mixed last. */
  private unsaid(a: Act, { things, sources }: Load) {
    const named = a.objects.length > 0;
    const is = (...deeds: NonNullable<Act['deed']>[]) => a.deed !== undefined && deeds.includes(a.deed);
    const full = (v: Vessel | undefined): v is Vessel => v !== undefined && this.in(v).length > 0;
    const ready = this.ready.filter((t) => this.left(t) > REST && !things.some((x) => x.t === t));
    // "crush it and add to the boiling milk"; nuts that were soaked are blended
    if ((!named && a.into.length && is('put', 'pour', 'rain') && ready.length) || (is('blend') && ready.length)) {
      things.push(...ready.map(this.allOf));
      if (!is('blend')) this.ready = [];
    }
    const bowl = this.current.kind === 'bowl' ? this.current : this.lastBowl;
    const fromBowl = full(bowl) && bowl !== this.main && full(this.main);
    // "mix it with water and add"
    if (!named && !a.into.length && is('put', 'pour', 'back', 'fold') && fromBowl && !a.place && !a.onHeat)
      sources.push({ v: bowl, share: undefined });
    const last = this.lastBowl;
    const onto = a.into.some((r) => r.kind === 'thing' || r.kind === 'content');
    if (!named && !things.length && is('stir', 'mix', 'fold') && onto && full(last) && last !== this.main)
      sources.push({ v: last, share: undefined });
    // "into the pan in a stream"
    const pan = a.into.some((r) => r.kind === 'vessel' && (r.vessel === 'pot' || r.vessel === 'other pot'));
    if (!named && pan && full(last) && full(this.main) && last !== this.main)
      sources.push({ v: last, share: undefined });
    // "back into the pan": what the bowl became
    if (
      !things.length &&
      !sources.length &&
      pan &&
      this.main.kind === 'bowl' &&
      full(this.main) &&
      is('back', 'put', 'pour')
    )
      sources.push({ v: this.main, share: undefined });
    for (const r of a.from) {
      const v = this.heldBy(r, a);
      if (v && sources.length === 0 && !things.length) sources.push({ v, share: undefined });
    }
  }

  /** A pudding that is put together in its dish. */
  private filledRaw(into: Vessel, { things, sources }: Load) {
    if (!DISHES.includes(into.kind) || this.poured || sources.length || !things.length) return;
    if (into !== this.main && this.in(this.main).length) return;
    if (into !== this.main && !things.some(({ t }) => this.isThickener(t) || this.isMilk(t) || this.isEgg(t))) return;
    this.main = into;
    this.dishIs(into.kind);
    this.current = into;
    for (const t of this.in(into)) this.account.part.delete(t);
  }

  /** What was named goes in, with what stands in the destination by name and is in no vessel yet. */
  private carry(a: Act, into: Vessel, { things, sources }: Load) {
    this.besideIt(a);
    const joined = a.into.flatMap((r) =>
      r.kind === 'thing'
        ? r.things
            .filter((t) => this.holding(t) === undefined || this.left(t) > REST || (r.cold && r.grams !== undefined))
            .map((t) => ({ t, share: this.shareOf(r, t), r }))
        : [],
    );
    const poured = [...new Set(sources.map((s) => s.v))].filter((v) => v !== into);
    const first = joined.length > 0 && !things.length && poured.length > 0;
    if (first) this.putTogether(joined, into, a);
    for (const v of poured) {
      const gentle =
        a.gradual &&
        into.kind === 'bowl' &&
        v === this.main &&
        [...this.eggs.values()].includes(into) &&
        /ladle|spoonful|by the spoon|splash|little|temper/i.test(a.text);
      this.pour(v, into, sources.find((x) => x.v === v)!.share ?? (gentle ? LITTLE : undefined), a);
    }
    // "into a cup of the nut milk": some of what stands cold elsewhere
    for (const r of a.into) {
      if (r.kind !== 'thing' || r.grams === undefined) continue;
      const from = this.holding(r.things[0]!);
      const total = this.things[r.things[0]!]!.grams;
      if (from && from !== into && from.warmth !== 'hot' && total && this.left(r.things[0]!) <= REST)
        this.pour(from, into, r.grams / total, a);
    }
    const all = first ? things : [...things, ...joined];
    if (all.length) this.putTogether(all, into, a);
    if (into.kind === 'bowl' || into.kind === 'blender') this.lastBowl = into;
    this.current = into;
    if (a.deed === 'whip') for (const { t } of all) this.account.whipped.add(t);
  }

  /** "We had it on stewed plums": what it goes onto at the table. */
  private besideIt(a: Act) {
    if (!/^o/.test(a.prep ?? '') || !this.account.heats.length || this.onFire) return;
    for (const r of a.into)
      if (r.kind === 'thing')
        for (const t of r.things)
          if (this.things[t]!.found && this.things[t]!.grams === undefined && !this.placed.has(t)) {
            this.account.part.set(t, 'serve');
            this.placed.set(t, 1);
          }
  }

  /** Which vessel of a thing is meant: what was kept, or what of it is cold where the most of it is hot. */
  private meant(r: Extract<Ref, { kind: 'thing' }>, t: number): Vessel | undefined {
    const v = this.holding(t);
    const keeps = (x: Vessel | undefined): x is Vessel => (x?.holds.get(t) ?? 0) > REST;
    if (r.share === 'kept' && keeps(this.keptIn)) return this.keptIn;
    if (!r.cold || r.grams !== undefined || v?.warmth !== 'hot') return v;
    return [...this.vessels.values()].find((x) => x.warmth === 'cold' && keeps(x)) ?? v;
  }

  /** Where the act says that it goes. */
  private namedDestination(a: Act): Vessel | undefined {
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
        const v = this.meant(r, t);
        const newPart = r.grams !== undefined || r.share !== undefined || (r.cold && this.left(t) > REST);
        if (v && !newPart && !(this.left(t) > REST && a.deed === 'mix')) return v;
        if (v && this.left(t) <= REST && !newPart) return v;
      } else if (r.kind !== 'rest' && r.kind !== 'vessel') {
        const v = this.contentOf(r, a);
        if (v && this.in(v).length) return v;
        if (
          r.kind === 'content' &&
          r.content === 'it' &&
          a.deed === 'put' &&
          this.readied &&
          !this.in(this.main).length
        )
          return this.readied;
      }
    }
    return undefined;
  }

  /** Where what is in vessels already goes, if nobody says it. */
  private placeOfSources(a: Act, sources: Load['sources'], mixes: boolean): Vessel | undefined {
    if (a.deed === 'back' || /\bback\b/i.test(a.text)) return this.pan();
    if (a.deed === 'fold') return this.in(this.main).length ? this.main : this.current;
    const bowl = this.current.kind === 'bowl' ? this.current : this.lastBowl;
    if (
      (a.deed === 'put' || a.deed === 'pour' || a.deed === 'mix') &&
      sources[0]!.v.kind === 'pot' &&
      bowl &&
      this.in(bowl).length &&
      [...this.eggs.values()].includes(bowl)
    )
      return bowl;
    if (
      (a.deed === 'put' || a.deed === 'pour') &&
      sources.some(({ v }) => v.kind === 'bowl' && v !== this.main) &&
      this.in(this.pan()).length
    )
      return this.pan();
    if (a.goesIn && sources[0]!.v.kind === 'bowl' && this.in(this.pan()).length) return this.pan();
    return mixes || !a.deed ? sources[0]!.v : undefined;
  }

  protected destination(a: Act, things: { t: number; share: number }[], sources: Load['sources']): Vessel | undefined {
    const named = this.namedDestination(a);
    if (named) return named;
    if (!things.length && !sources.length && !a.into.length) return undefined;
    const intoThings = a.into.some((r) => r.kind === 'thing');
    const mixes =
      a.deed === 'mix' ||
      a.deed === 'whip' ||
      a.deed === 'blend' ||
      a.deed === 'grind' ||
      a.deed === 'prepare' ||
      a.deed === 'strain' ||
      a.deed === 'rain';
    const sideThing = things.find(
      ({ t }) =>
        this.isSideThing(t) &&
        (this.things[t]!.component === this.component || things.every((x) => this.isSideThing(x.t))),
    );
    if (
      a.deed === 'blend' &&
      !a.into.length &&
      things.some(({ t }) => this.of(t)?.group === 'nut' || this.of(t)?.group === 'piece' || this.isKernel(t))
    )
      return this.vessel('blender', 'blender');
    if (a.deed && (HEATING.includes(a.deed) || a.onHeat)) {
      if (sideThing) return this.sidePot(this.things[sideThing.t]!.component!);
      if (a.deed === 'fry' && !things.some(({ t }) => this.isThickener(t) || this.isFat(t) || this.isSweet(t)))
        return this.vessel('frying pan', 'other pot', true);
      if (!things.length && sources[0] && a.objects.some((r) => r.kind === 'thing' && r.share === 'kept'))
        return sources[0].v;
      if (!things.length && sources[0])
        return a.overWater
          ? sources[0].v
          : sources[0].v.kind === 'bowl' || sources[0].v.kind === 'blender'
            ? a.deed === 'stir'
              ? sources[0].v
              : this.pan()
            : sources[0].v;
      if (a.deed !== 'stir') return this.pan();
    }
    // "and the butter" behind a source that is in a vessel: there
    if (sources.length && !things.length && !intoThings) return this.placeOfSources(a, sources, mixes);
    if (a.deed === 'fold' && this.in(this.main).length) return this.main;
    // yolks with some of what is hot: in a bowl of their own
    if (
      a.deed === 'mix' &&
      sources[0]?.v.warmth === 'hot' &&
      sources[0].v.kind !== 'bowl' &&
      things.length &&
      things.every(({ t }) => this.isEgg(t) || this.isSweet(t) || this.isThickener(t))
    )
      return this.mixingPlace(things, a);
    if (sources.length && things.length)
      return mixes || a.deed === 'put' ? (this.bowlOf(things) ?? sources[0]!.v) : sources[0]!.v;
    if (a.deed === 'leave' && a.into.some((r) => r.kind === 'thing' && r.things.some(this.isLiquid))) return this.pan();
    if (mixes || intoThings) {
      if (a.deed === 'rain') return this.current.side ? this.current : this.main;
      if (
        sideThing &&
        this.component &&
        this.sideParts.has(this.component) &&
        this.in(this.sidePot(this.component)).length
      ) {
        // a sauce's own slurry
        const v = this.vessel(`bowl#side`, 'bowl', true);
        v.component = this.component;
        return v;
      }
      return this.mixingPlace(things, a);
    }
    if (sideThing) return this.sidePot(this.things[sideThing.t]!.component!);
    if (a.deed === 'leave' && things.some(({ t }) => this.isLiquid(t))) return this.pan();
    return this.current;
  }

  /** Where things are mixed that nobody gave a place. */
  protected mixingPlace(things: readonly { t: number }[], a: Act): Vessel {
    const bowl = this.bowlOf(things);
    if (bowl) return bowl;
    // butter, nuts, a spice: into what is there
    const extra = things.every(
      ({ t }) => !this.isLiquid(t) && !this.isEgg(t) && !this.isThickener(t) && !this.isSweet(t),
    );
    if (extra && a.deed === 'mix' && this.current === this.main && this.in(this.main).length) return this.main;
    // "whisk in the sugar": into what was spoken of
    if (
      /\b(?:stir|whisk|beat|mix|work)\w*\s+(?:in|through)\b/i.test(a.text) &&
      this.in(this.current).length &&
      a.deed === 'put'
    )
      return this.current;
    const sameBowl =
      this.lastBowl &&
      this.current === this.lastBowl &&
      this.in(this.lastBowl).length > 0 &&
      !things.some(({ t }) => this.isEgg(t) || this.isThickener(t));
    if (sameBowl) return this.lastBowl!;
    const n = [...this.vessels.values()].filter((v) => v.id.startsWith('mix#')).length;
    return this.vessel(`mix#${n}`, 'bowl');
  }

  protected intoDish(
    a: Act,
    dish: Vessel,
    things: { t: number; share: number }[],
    sources: { v: Vessel; share: number | undefined }[],
  ): boolean {
    const main = this.main;
    // what stood in the cold is poured, whether that was said or not
    const before = !this.poured && !this.account.rests.some((r) => r.where === 'fridge' || r.where === 'freezer');
    for (const { t } of things) {
      this.placed.set(t, 1);
      if (a.deed === 'grease') continue;
      this.account.part.set(t, before && !this.in(main).includes(t) ? 'under' : 'top');
      dish.holds.set(t, 1);
    }
    // a caramel or a compote that lies under it
    const side =
      sources.find(({ v }) => v.side)?.v ??
      (this.current.side && !things.length && !sources.length ? this.current : undefined);
    if (
      before &&
      !things.length &&
      !sources.some(({ v }) => !v.side) &&
      this.component !== undefined &&
      this.sideParts.has(this.component) &&
      !side
    ) {
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
    const poursMain =
      sources.some(({ v }) => !v.side) ||
      (!things.length &&
        (a.deed === undefined || a.deed === 'pour' || a.deed === 'put' || a.deed === 'strain') &&
        this.in(main).length > 0);
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

  protected dishIs(kind: VesselWord) {
    if (kind !== 'dish' || this.account.dish === undefined) this.account.dish = kind;
  }

  protected keep(a: Act) {
    const r = a.objects[0];
    if (!r) return;
    if (r.kind === 'thing')
      for (const t of r.things) {
        const total = this.things[t]!.grams;
        const share =
          r.grams !== undefined && total
            ? r.grams / total
            : typeof r.share === 'number'
              ? r.share
              : r.share === 'little' || r.grams !== undefined
                ? LITTLE
                : 0;
        if (!(share > 0 && share < 1)) continue;
        const named = a.into.find((x) => x.kind === 'vessel');
        const v =
          named?.kind === 'vessel' ? this.vesselOf(named, a) : this.vessel(`kept#${this.things[t]!.id}`, 'bowl');
        this.putTogether([{ t, share }], v, a);
        this.current = v;
        this.lastBowl = v;
        this.keptIn = v;
        this.keptThing = t;
      }
  }

  protected strain(a: Act, from: Vessel = this.main) {
    const things = this.in(from);
    for (const t of things) if (this.of(t)?.comesOut) this.takenOut(t, a);
    const pudding = things.some((t) => this.isThickener(t) || this.isEgg(t));
    if (pudding && !from.side) this.account.strained = true;
  }
}
