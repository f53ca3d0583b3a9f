import type { Account, Arrival, Heat, Rest, Vessel } from './account';
import { DISHES, LITTLE, MOST, REST } from './measures';
import { type Act, type Ref } from './acts';
import type { Level, VesselWord } from './lexicon';
import type { Thing } from './things';
import type { Pantry } from '../../pantry/pantry';
import { GRAINS } from '../../pot/grain';

/** What is poured and is no milk: it is none of "the dry things". */
const POURED = /^(?:vanilla|.*_extract|extract|.*_water|rum|maple|honey|agave|date_syrup|condensed)$/;

/** The vessels of a kitchen, what is in them, and which of them a name means. */
export abstract class KitchenState {
  readonly account: Account;

  protected readonly vessels = new Map<string, Vessel>();

  protected readonly placed = new Map<number, number>();

  protected readonly portions = new Map<number, { share: number; vessel: string; order: number }[]>();

  protected current: Vessel;

  protected main: Vessel;

  protected lastBowl: Vessel | undefined;

  protected level: Level | undefined;

  /** the vessel whose ring it is */
  protected levelOf: string | undefined;

  protected lid: Heat['lid'];

  protected stir: Heat['stir'];

  protected poured = false;

  protected served = false;

  protected heatOpen: Heat | undefined;

  protected readonly events: (Arrival & { vessel: string; things: number[]; sentence: number })[] = [];

  /** the act that is run */
  protected turn = 0;

  protected readonly dry = new Map<number, Vessel>();

  protected eggs = new Map<number, Vessel>();

  protected component: string | undefined;

  protected soft = false;

  protected takenUp: Vessel | undefined;

  protected preheatC: number | undefined;

  protected fan = false;

  constructor(
    readonly things: Thing[],
    protected readonly pantry: Pantry,
    /** the parts of the recipe that are cooked beside it */
    protected readonly sideParts: ReadonlySet<string>,
  ) {
    this.main = this.vessel('pot', 'pot');
    this.current = this.main;
    this.account = {
      things,
      order: [],
      arrivals: [],
      wet: new Map(),
      wetAt: new Map(),
      heats: [],
      bakes: [],
      rests: [],
      out: new Set(),
      outAt: new Map(),
      pours: [],
      heard: new Set(),
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
    };
  }

  protected vessel(id: string, kind: VesselWord, side = false): Vessel {
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

  protected sidePot(component: string): Vessel {
    const v = this.vessel(`side:${component}`, 'other pot', true);
    v.component = component;
    return v;
  }

  // what a thing is
  protected of(t: number) {
    return this.pantry.get(this.things[t]!.id);
  }

  protected isLiquid = (t: number) => {
    const i = this.of(t);
    return i !== undefined && (i.group === 'milk' || /juice$/.test(i.id));
  };

  protected isMilk = (t: number) => {
    const i = this.of(t);
    return i?.group === 'milk' && i.id !== 'water' && i.id !== 'condensed' && !/cream/.test(i.id);
  };

  protected isCream = (t: number) => /cream/.test(this.things[t]!.id);

  protected isSweet = (t: number) => this.of(t)?.group === 'sweet' || this.things[t]!.id === 'condensed';

  protected isEgg = (t: number) => this.of(t)?.egg !== undefined;

  protected isFat = (t: number) => this.of(t)?.group === 'fat';

  isThickener = (t: number) => this.of(t)?.group === 'thickener' && this.of(t)?.thickener !== undefined;

  protected isPowder = (t: number) => this.isThickener(t) && GRAINS[this.of(t)!.thickener!].form === 'powder';

  protected isKernel = (t: number) => this.isThickener(t) && GRAINS[this.of(t)!.thickener!].form === 'kernel';

  protected in = (v: Vessel) => [...v.holds.keys()].filter((t) => v.holds.get(t)! > REST / 2);

  protected left = (t: number) => Math.max(0, 1 - (this.placed.get(t) ?? 0));

  /** The vessel that holds most of a thing. */
  protected holding(t: number): Vessel | undefined {
    let best: Vessel | undefined;
    for (const v of this.vessels.values()) if ((v.holds.get(t) ?? 0) > (best?.holds.get(t) ?? REST / 2)) best = v;
    return best;
  }

  protected isSideThing = (t: number) => {
    const c = this.things[t]!.component;
    return c !== undefined && this.sideParts.has(c);
  };

  // which vessel is meant
  protected vesselOf(r: Extract<Ref, { kind: 'vessel' }>, a: Act): Vessel {
    const objects = a.objects.flatMap((o) => (o.kind === 'thing' ? o.things : []));
    const sideThing = objects.find(
      (t) => this.isSideThing(t) && (this.things[t]!.component === this.component || objects.every(this.isSideThing)),
    );
    const aside =
      this.component !== undefined &&
      this.sideParts.has(this.component) &&
      !objects.some((t) => this.things[t]!.component === undefined && !this.things[t]!.found);
    if (DISHES.includes(r.vessel)) return this.vessel('dish', r.vessel);
    if (r.vessel === 'pot' || r.vessel === 'other pot') {
      if (aside && this.component) return this.sidePot(this.component);
      if (sideThing !== undefined) return this.sidePot(this.things[sideThing]!.component!);
      if (r.vessel === 'other pot') {
        const unused = !this.in(this.main).length && !this.account.heats.length;
        if (!/another|second|separate|other|frying|skillet|dry/.test(r.text) && (unused || objects.some(this.isMilk)))
          return this.main;
        return this.vessel(/frying|skillet|wok|dry/.test(r.text) ? 'frying pan' : 'second pot', 'other pot', true);
      }
      return this.main.kind === 'pot' || this.account.heats.some((h) => h.vessel === 'pot')
        ? this.vessel('pot', 'pot')
        : this.vessel('pot', 'pot');
    }
    const noun = /basin|bowl/.test(r.text)
      ? 'bowl'
      : /jug|pitcher|beaker/.test(r.text)
        ? 'jug'
        : /cup|mug/.test(r.text)
          ? 'cup'
          : r.vessel;
    const ids = [...this.vessels.values()].filter((v) => v.kind === r.vessel && v.id.startsWith(`${noun}#`));
    const lastOne = ids.at(-1);
    const news = objects.some((t) => this.left(t) > REST) && !objects.some((t) => lastOne?.holds.has(t));
    if (lastOne && !(r.fresh && news && this.in(lastOne).length)) return lastOne;
    // "the bowl" where only a jug was spoken of
    if (
      !lastOne &&
      !r.fresh &&
      this.lastBowl &&
      r.vessel === 'bowl' &&
      this.in(this.lastBowl).length &&
      (!news || noun === 'cup')
    )
      return this.lastBowl;
    const v = this.vessel(`${noun}#${ids.length}`, r.vessel);
    if (aside && this.component) {
      v.side = true;
      v.component = this.component;
    }
    return v;
  }

  protected contentOf(r: Extract<Ref, { kind: 'content' | 'holder' }>, a: Act): Vessel | undefined {
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
    if (
      r.content === 'mixture' &&
      (a.deed === 'put' || a.deed === 'mix' || a.deed === 'pour') &&
      !toDish &&
      apart.length &&
      this.in(this.main).length
    )
      return this.lastFull(apart);
    if (r.content === 'pudding' && !this.current.side) return this.main;
    return this.current;
  }

  /** The vessel that a name stands for. */
  protected heldBy(r: Ref, a: Act): Vessel | undefined {
    if (r.kind === 'thing') return this.holding(r.things[0]!);
    if (r.kind === 'vessel') return this.vesselOf(r, a);
    return r.kind === 'rest' ? undefined : this.contentOf(r, a);
  }

  protected lastFull = (vs: readonly Vessel[]) =>
    this.lastBowl && vs.includes(this.lastBowl) ? this.lastBowl : vs.at(-1);

  protected shareOf(r: Extract<Ref, { kind: 'thing' }>, t: number): number {
    const total = this.things[t]!.grams;
    const left = this.left(t);
    if (r.grams !== undefined && total !== undefined && total > 0 && (r.definite || r.grams < total * 0.98))
      return Math.min(1, r.grams / total);
    if (typeof r.share === 'number') return r.share;
    if (r.share === 'kept') return this.things[t]!.heldG && total ? this.things[t]!.heldG / total : left;
    if (r.share === 'little') return LITTLE;
    if (r.share === 'most') return MOST;
    return left > REST ? left : 0;
  }

  /** met water alone at first */
  protected readonly inWater = new Set<number>();

  protected whitesWhipped = false;

  /** What is on the list and in nothing yet, of the part that is being made. */
  protected unplaced(dry: boolean): number[] {
    return this.things.flatMap((t, i) =>
      !t.again &&
      !t.found &&
      t.purpose === undefined &&
      this.left(i) > REST &&
      !this.account.part.has(i) &&
      (this.component !== undefined && this.sideParts.has(this.component)
        ? t.component === this.component
        : !this.isSideThing(i)) &&
      (!dry || !(this.isLiquid(i) || this.isEgg(i) || this.isFat(i) || POURED.test(t.id)))
        ? [i]
        : [],
    );
  }

  protected pan = (): Vessel => {
    if (this.current.side && this.current.component !== undefined && this.sideParts.has(this.current.component))
      return this.sidePot(this.current.component);
    if (
      this.current.side &&
      this.current.kind === 'other pot' &&
      this.component !== undefined &&
      this.sideParts.has(this.component)
    )
      return this.current;
    return this.main.kind === 'pot' || this.main.warmth === 'hot' ? this.main : this.vessel('pot', 'pot');
  };

  protected bowlOf(things: readonly { t: number }[]): Vessel | undefined {
    const v = things.map(({ t }) => this.holding(t)).find((x) => x && x.kind === 'bowl');
    return v;
  }

  protected keptIn: Vessel | undefined;

  protected keptThing: number | undefined;

  /** what was rinsed, soaked or ground last */
  protected ready: number[] = [];

  protected onFire = false;

  /** a dish that was greased last: "into it" */
  protected readied: Vessel | undefined;

  protected lastSoak: number | undefined;

  protected soakOpen = false;

  protected prep: number | undefined;

  protected bathReady = false;

  protected baked = false;

  protected baked2 = false;

  /** a standing that nobody gave minutes yet */
  protected maybe: Rest | undefined;

  protected timed: { min?: number } | undefined;
}
