import type { Deed, Level, Lexicon, Place, Sign, VesselWord } from './lexicon';
import { marksOf, type Mark } from './marks';
import type { Holder, Mention, Part } from './things';

/** What an act names: a thing, a vessel, or what is in one. */
export type Ref =
  | Mention
  | { kind: 'vessel'; vessel: VesselWord; text: string; fresh: boolean }
  | { kind: 'content'; content: keyof Lexicon['contents']; share?: Mention['share'] }
  /** "heat the rest": of what was kept back from */
  | { kind: 'rest' }
  | Holder;

type Time = { lowMin: number; highMin: number };

/** One act of a sentence: who meets what, where, how hot, until when. */
export type Act = {
  sentence: number;
  deed?: Deed;
  objects: Ref[];
  into: Ref[];
  from: Ref[];
  /** what the last act has to have come to before: "when it boils", "after forty minutes" */
  when: Sign[];
  whenTime?: Time;
  until: Sign[];
  time?: Time;
  /** the time is on top of what was before */
  further?: true;
  /** a second stretch behind a sign: "till it boils, 1 min more" */
  more?: Time;
  tempC?: number;
  level?: Level;
  lid?: 'on' | 'ajar' | 'off';
  stirring?: 'all the time' | 'often' | 'now and then' | 'none';
  place?: Place;
  gradual?: true;
  offHeat?: true;
  onHeat?: true;
  overWater?: true;
  bath?: true;
  coldOven?: true;
  /** "starch in" */
  goesIn?: true;
  /** the word before what it goes to */
  prep?: string;
  /** "everything but the butter" */
  except?: number[];
  /** into something that nobody here has a name for */
  intoUnknown?: true;
  fan?: true;
  overnight?: true;
  beside?: true;
  onTop?: true;
  hot?: true;
  /** what is said of it holds only if */
  conditional?: true;
  text: string;
};

const blank = (sentence: number): Act => ({ sentence, objects: [], into: [], from: [], when: [], until: [], text: '' });
const empty = (a: Act): boolean =>
  a.deed === undefined &&
  !a.objects.length &&
  !a.into.length &&
  !a.from.length &&
  !a.when.length &&
  !a.until.length &&
  !a.time &&
  !a.whenTime &&
  !a.level &&
  !a.place &&
  !a.offHeat &&
  !a.onHeat &&
  !a.overWater &&
  !a.bath &&
  !a.overnight &&
  !a.lid &&
  !a.stirring &&
  a.tempC === undefined;

/** Acts that can have an end by a sign: what comes in a sentence behind them is theirs. */
export const HEATING: readonly Deed[] = ['heat', 'boil', 'simmer', 'bring', 'cook', 'stir', 'fry'];

type Mode = 'object' | 'into' | 'from' | 'until' | 'when' | 'skip';
type Token = Mark | Mention | Holder | Part;

/** "the beaten eggs": a participle before a name is no act. */
const PARTICIPLE = /(?:ed|en)$|^(?:slit|split|cut|ground)$/i;
const BEFORE_PARTICIPLE =
  /(?:\b(?:the|a|an|your|of|these|this|some|all|with|until|and|[\d½¼¾]+|two|three|four|large|egg|eggs)\s+|[,(]\s*)$/i;
const PASSIVE = /\b(?:is|are|was|be|been|gets?)\s+$/i;

class Reader {
  readonly acts: Act[] = [];
  private act: Act;
  private mode: Mode = 'object';
  private share: Mention['share'];
  /** a comma or "and" since the last name */
  private paused = false;
  /** a participle that stands before the name it belongs to */
  private lastPrep = '';
  /** "everything but the butter" */
  private except = false;
  /** "and" was the last word that binds */
  private afterAnd = false;
  private carry: Ref | undefined;
  private aside = false;
  /** something was done in this sentence */
  private begun = false;
  /** "in goes the sugar": the name behind is what goes */
  private comes = false;
  /** "pod out" */
  private bareOut = false;

  constructor(
    private readonly s: string,
    private readonly sentence: number,
    private readonly lexicon: Lexicon,
  ) {
    this.act = blank(sentence);
  }

  private close() {
    // "stir the slurry in"
    if (this.mode === 'into' && this.lastPrep === 'in' && !this.act.into.length && this.act.objects.length)
      this.act.goesIn = true;
    if (this.mode === 'into' && !this.act.into.length && this.act.deed === 'pour' && this.lastPrep.startsWith('o'))
      this.act.intoUnknown = true;
    const before = this.acts.at(-1);
    // "in the fridge, once cool": of the act before it
    const onlyWhen = this.act.when.length > 0 && empty({ ...this.act, when: [] });
    if (onlyWhen && before) before.when.push(...this.act.when);
    else if (!empty(this.act)) this.acts.push(this.act);
    const { conditional } = this.act;
    this.act = { ...blank(this.sentence), ...(conditional ? { conditional } : {}) };
    this.mode = 'object';
    this.share = undefined;
    this.paused = false;
    this.lastPrep = '';
    this.bareOut = false;
  }

  private put(ref: Ref) {
    const ways = { object: this.act.objects, into: this.act.into, from: this.act.from };
    if (this.mode === 'until' || this.mode === 'when' || this.mode === 'skip') return;
    let mode: 'object' | 'into' | 'from' = this.mode;
    // "stir in the butter": the little word belongs to the deed, where nothing else was named yet
    const moved = ref.kind === 'thing' || (ref.kind === 'content' && ref.content !== 'it') || ref.kind === 'holder';
    if (
      mode === 'into' &&
      this.lastPrep === 'in' &&
      this.act.deed &&
      moved &&
      (this.comes || !this.act.objects.length)
    ) {
      mode = 'object';
      this.mode = 'object';
    }
    // another subject behind the comma: another act
    if (
      mode === 'object' &&
      this.paused &&
      this.act.into.length &&
      (this.act.deed ? ref.kind !== 'thing' : this.act.objects.length > 0)
    ) {
      this.close();
      this.act.objects.push(ref);
      return;
    }
    if (mode === 'into') this.act.prep = this.lastPrep;
    this.carry = mode === 'into' && this.afterAnd && this.act.deed ? ref : undefined;
    this.afterAnd = false;
    ways[mode].push(ref);
  }

  private deed(m: Extract<Token, { kind: 'deed' }>) {
    const before = this.s.slice(0, m.at);
    const irregular = /^(?:slit|split|cut|ground)$/i.test(m.text);
    if (
      PARTICIPLE.test(m.text) &&
      (irregular ? /\b(?:the|a|an|with|of)\s+$/i : BEFORE_PARTICIPLE).test(before) &&
      !PASSIVE.test(before)
    ) {
      if (m.deed === 'keep') this.share = 'kept';
      return;
    }
    // "until it boils": the end of an act and no act
    if (this.mode === 'skip' && !this.paused) return;
    if ((this.mode === 'until' || this.mode === 'when') && !this.paused && !/^(?:count|give)/i.test(m.text)) {
      const sign = SIGN_OF[m.deed];
      if (sign) (this.mode === 'until' ? this.act.until : this.act.when).push(sign);
      if (sign || this.mode === 'until' || !(this.act.when.length || this.act.whenTime)) return;
    }
    // "in a heavy pot, combine"
    const place =
      this.act.deed === undefined &&
      this.lastPrep === 'in' &&
      this.act.into.length === 1 &&
      this.act.into[0]!.kind === 'vessel' &&
      !this.act.objects.length &&
      !['cups', 'moulds', 'plates'].includes(this.act.into[0]!.vessel);
    const fronted =
      place ||
      (this.act.deed === undefined &&
        (!this.paused || !(this.act.into.length || this.act.objects.length || this.act.time || this.act.until.length)));
    if (!fronted) {
      // "and in it stir the starch": where, before what
      const { carry } = this;
      if (carry) this.act.into = this.act.into.filter((r) => r !== carry);
      this.close();
      if (carry) this.act.into.push(carry);
    }
    this.carry = undefined;
    this.act.deed = m.deed;
    if (m.deed === 'put' && / on$/i.test(m.text)) this.act.onHeat = true;
    if (MOVING.includes(m.deed) && /\b(?:it|them|this|that)\b/i.test(m.text))
      this.act.objects.push({ kind: 'content', content: 'it' });
    this.bareOut = m.deed === 'out' && m.text.toLowerCase() === 'out';
    this.comes = /^(?:goes?|comes?|in goes|follow)/i.test(m.text);
    if (this.mode !== 'object') this.mode = 'object';
    this.paused = false;
  }

  private time(m: Extract<Token, { kind: 'time' }>) {
    if (m.every) return;
    const t = { lowMin: m.lowMin, highMin: m.highMin };
    // "when it has boiled for two minutes"
    if (this.mode === 'when' && this.act.when.length) {
      this.act.whenTime = t;
      return;
    }
    // "up to the boil, 2 min": first the one, then the other
    const apart =
      (this.paused || (this.mode === 'object' && /\bfor\s+(?:about\s+|another\s+)?$/i.test(this.s.slice(0, m.at)))) &&
      BOILING.includes(this.act.until.at(-1)!) &&
      m.highMin <= SHORT_MIN &&
      !/\b(?:about|around|roughly|some|takes?|\()\s*$/i.test(this.s.slice(0, m.at));
    if (m.after && !this.act.time) {
      if (this.act.deed && this.act.deed !== 'stir') this.close();
      this.act.whenTime = t;
    } else if (this.act.time === undefined && !((m.more || apart) && this.act.until.length)) {
      this.act.time = t;
      if (m.more) this.act.further = true;
    } else if (this.act.more === undefined) this.act.more = t;
  }

  private word(m: Extract<Token, { kind: 'word' }>) {
    const a = this.act;
    switch (m.word) {
      case 'into':
      case 'onto':
        this.mode = 'into';
        this.lastPrep = m.text.toLowerCase();
        return;
      case 'from':
        this.mode = 'from';
        return;
      case 'together':
        if (this.mode === 'skip' || this.mode === 'until' || this.mode === 'when') this.paused = true;
        else if (/with|w\//i.test(m.text)) this.mode = 'object';
        this.afterAnd = /^and$/i.test(m.text);
        return;
      case 'until':
        this.mode = 'until';
        this.paused = false;
        return;
      case 'when':
        if (this.paused && this.act.deed) this.close();
        this.mode = 'when';
        this.paused = false;
        return;
      case 'if':
        // a sentence of advice, or a word beside what is done
        if (this.begun) {
          this.mode = 'skip';
          this.paused = false;
        } else this.act.conditional = true;
        return;
      case 'not':
        this.paused = false;
        this.mode = 'skip';
        return;
      case 'keptBack': {
        // behind its name: "the water that you reserved"
        const last = this.mode === 'into' ? a.into.at(-1) : a.objects.at(-1);
        if (last?.kind === 'thing' && !this.paused && /you|I |we /.test(m.text)) last.share = 'kept';
        else this.share = 'kept';
        return;
      }
      case 'except':
        this.except = true;
        return;
      case 'alternative':
        return;
      case 'hot':
        a.hot = true;
        return;
      case 'offHeat':
        if (a.deed && this.paused) this.close();
        this.act.offHeat = true;
        return;
      case 'onHeat': {
        a.onHeat = true;
        const level = levelIn(m.text, this.lexicon);
        if (level) a.level = level;
        return;
      }
      case 'overWater':
      case 'bath':
        a[m.word] = true;
        return;
      case 'coldOven':
        a.place = 'oven';
        a.coldOven = true;
        return;
      case 'overnight':
      case 'beside':
      case 'onTop':
        a[m.word] = true;
    }
  }

  private vessel(m: Extract<Token, { kind: 'vessel' }>) {
    const fresh =
      /(?:^|\s)(?:a|an|another|separate|second|clean)\s+(?:\w+\s+)*$/i.test(
        `${this.s.slice(Math.max(0, m.at - 3), m.at)}`,
      ) || /\b(?:another|separate|second|clean|small)\b/i.test(m.text);
    if (m.vessel === 'bath') this.act.bath = true;
    else this.put({ kind: 'vessel', vessel: m.vessel, text: m.text.toLowerCase(), fresh });
    this.share = undefined;
  }

  private sign(m: Extract<Token, { kind: 'sign' }>) {
    if (this.mode === 'skip') return;
    if (this.mode === 'when' || (this.act.whenTime && this.act.deed === undefined)) this.act.when.push(m.sign);
    else if (
      this.mode === 'until' ||
      (this.act.deed && (HEATING.includes(this.act.deed) || ENDING.includes(this.act.deed))) ||
      this.act.deed === undefined
    ) {
      // "Boil, whisking, for a minute"
      if (
        this.mode === 'object' &&
        this.act.deed === undefined &&
        !this.begun &&
        (m.text.toLowerCase() === 'boil' || m.text.toLowerCase() === 'simmer' || m.text.toLowerCase() === 'bubble')
      ) {
        this.act.deed = m.sign === 'simmer' ? 'simmer' : 'boil';
        return;
      }
      // a mere adjective: "hot soft rice"
      if (this.mode !== 'until' && ADJECTIVE.includes(m.sign) && this.act.deed !== 'bring') return;
      this.act.until.push(m.sign);
    }
  }

  /** A thing, or what is in a vessel, with the share of it that was said before. */
  private noun(m: Extract<Token, { kind: 'thing' | 'holder' | 'content' }>) {
    const { share } = this;
    if (m.kind === 'thing' && this.except) {
      (this.act.except ??= []).push(...m.things);
      this.except = false;
      return;
    }
    if (
      m.kind === 'content' &&
      m.content === 'it' &&
      (this.mode === 'until' || this.mode === 'when' || this.mode === 'skip')
    )
      return;
    if (m.kind === 'thing') this.put(share === undefined ? m : { ...m, share });
    else if (m.kind === 'content') {
      if (/there/i.test(m.text) && this.act.deed) this.mode = 'into';
      this.put({ kind: 'content', content: m.content, ...(share === undefined ? {} : { share }) });
    } else if (m.kept === 'rest') this.put({ kind: 'rest' });
    else if (m.things.length || m.kept) this.put(m);
    this.share = undefined;
    this.paused = false;
  }

  /** A place to stand: another one is another act. */
  private placed(place: Place) {
    // "20 minutes on the side, then an hour in the fridge"
    if (this.act.more && this.act.place && this.act.place !== place) {
      const { more } = this.act;
      delete this.act.more;
      this.close();
      this.act.time = more;
    }
    // "cool, then the fridge": one place, then another
    if (place !== 'room' && this.act.time && (this.act.deed === 'cool' || this.act.deed === 'leave')) this.close();
    if (
      place !== 'room' &&
      this.paused &&
      (this.act.deed === 'cool' || this.act.deed === 'leave' || (this.act.place && this.act.place !== place))
    )
      this.close();
  }

  private stop(m: Extract<Token, { kind: 'stop' }>) {
    if (m.hard && m.text !== ':') return this.close();
    this.paused = true;
    // "vanilla in, zest out"
    const alone = this.mode === 'into' && !this.act.into.length && this.act.objects.length > 0 && !this.act.deed;
    if (alone) this.act.goesIn = true;
    if (alone || this.bareOut) return this.close();
    this.mode = this.mode === 'from' && !this.act.deed ? 'from' : 'object';
  }

  read(m: Token) {
    // what is said in brackets is no act
    if (m.kind === 'stop' && /[()]/.test(m.text)) this.aside = m.text === '(';
    if (
      this.aside &&
      (m.kind === 'deed' ||
        m.kind === 'content' ||
        m.kind === 'vessel' ||
        m.kind === 'holder' ||
        m.kind === 'word' ||
        m.kind === 'place')
    )
      return;
    if (m.kind === 'deed' || m.kind === 'thing' || m.kind === 'temp') this.begun = true;
    // "heat the rest with the sugar": it has no name
    if (
      this.share === 'rest' &&
      this.mode === 'object' &&
      ((m.kind === 'word' && m.word !== 'cold' && m.word !== 'hot' && m.word !== 'keptBack') ||
        m.kind === 'stop' ||
        m.kind === 'sign' ||
        m.kind === 'deed')
    ) {
      this.share = undefined;
      this.put({ kind: 'rest' });
    }
    switch (m.kind) {
      case 'thing':
      case 'holder':
      case 'content':
        return this.noun(m);
      case 'share':
        // "add half now and the rest later" has no name: it is of what was spoken of
        this.share = m.share;
        return;
      case 'deed':
        return this.deed(m);
      case 'vessel':
        return this.vessel(m);
      case 'sign':
        return this.sign(m);
      case 'time':
        return this.time(m);
      case 'temp':
        this.act.tempC ??= m.tempC;
        return;
      case 'level':
        if (this.mode !== 'skip') this.act.level ??= m.level;
        return;
      case 'lid':
        this.act.lid = m.lid;
        return;
      case 'stirring':
        if (m.stirring !== 'once') this.act.stirring ??= m.stirring;
        else this.act.deed ??= 'stir';
        return;
      case 'place':
        this.placed(m.place);
        this.act.place ??= m.place;
        return;
      case 'gradual':
        this.act.gradual = true;
        return;
      case 'word':
        return this.word(m);
      case 'stop':
        return this.stop(m);
    }
  }

  end(): Act[] {
    this.close();
    return this.acts;
  }
}

const BOILING: readonly Sign[] = ['boil', 'simmer'];
/** min behind a boil up to which they are those that it boils, not those until it does (C) */
const SHORT_MIN = 3;
/** Deeds behind which a sign is the end of a stretch, although they heat nothing themselves. */
const ENDING: readonly Deed[] = ['leave', 'put', 'pour', 'cover', 'back', 'rain', 'mix', 'turn'];
/** Deeds that move what they name. */
const MOVING: readonly Deed[] = ['put', 'pour', 'mix', 'back', 'heat', 'strain', 'blend'];
/** What a deed says when it is what is waited for. */
const SIGN_OF: Partial<Record<Deed, Sign>> = {
  boil: 'boil',
  simmer: 'simmer',
  cook: 'soft',
  cool: 'cold',
  heat: 'steam',
};
/** Signs that are adjectives as well: they count where they are waited for. */
const ADJECTIVE: readonly Sign[] = ['soft', 'thick', 'smooth', 'set', 'golden', 'cold', 'warm', 'melted'];

const LEVEL_FIND = new Map<Lexicon, (readonly [Level, RegExp])[]>();
/** The height of a fire inside "over a low heat". */
function levelIn(text: string, lexicon: Lexicon): Level | undefined {
  let rules = LEVEL_FIND.get(lexicon);
  if (!rules) {
    rules = (Object.entries(lexicon.levels) as [Level, string][]).map(
      ([l, ways]) => [l, new RegExp(`(?<![a-z])(?:${ways})(?![a-z])`, 'i')] as const,
    );
    LEVEL_FIND.set(lexicon, rules);
  }
  let best: { level: Level; length: number } | undefined;
  for (const [level, r] of rules) {
    const m = r.exec(text);
    if (m && (!best || m[0].length > best.length)) best = { level, length: m[0].length };
  }
  return best?.level;
}

const FAN = new Map<Lexicon, RegExp>();
/** The acts of one sentence, in its order. */
export function actsOf(
  s: string,
  sentence: number,
  names: readonly (Mention | Holder | Part)[],
  lexicon: Lexicon,
): Act[] {
  const marks: Token[] = [...marksOf(s, lexicon, names), ...names];
  marks.sort((a, b) => a.at - b.at);
  const reader = new Reader(s, sentence, lexicon);
  for (const m of marks) reader.read(m);
  let fan = FAN.get(lexicon);
  if (!fan) FAN.set(lexicon, (fan = new RegExp(`(?<![a-z])(?:${lexicon.words.fan})(?![a-z])`, 'i')));
  return reader.end().map((a) => ({ ...a, ...(fan.test(s) ? { fan: true as const } : {}), text: s }));
}
