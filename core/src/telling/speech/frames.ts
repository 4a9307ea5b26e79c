import type { ControlId, PlaceId, SignId } from '../../base/ids.ts';
import type { Sign } from '../../model/panel.ts';
import { defaultWithinMs, type Held, type Moment, type Step } from '../../model/route.ts';
import type { Shown } from '../../model/shown.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import { onlyHeld } from '../names.ts';
import { type Item, itemsOf, type Light } from './items.ts';
import { type Called, mentionAt, placeAt, placeByVerb } from './mentions.ts';
import type { Segment } from './segments.ts';
import type { Word } from './text.ts';

/** A step with the stretch of the telling it was made of. */
export type Made = Readonly<{ step: Step; from: number; to: number; sentence: number }>;
/** A stretch that names something of the unit and of which nothing was made. */
export type Hole = Readonly<{ from: number; to: number; why: 'warned' | 'asked' | 'not-understood' }>;
export type Doubt = Readonly<{ from: number; to: number; about: string }>;

type ItemOf<K extends Item['is']> = Extract<Item, { is: K }>;
const isOf =
  <K extends Item['is']>(...kinds: K[]) =>
  (item: Item): item is ItemOf<K> =>
    (kinds as string[]).includes(item.is);

const exactly = (ms: number) => ({ leastMs: ms, usualMs: ms, mostMs: ms });
const spanOf = ({ ms, mostMs }: Readonly<{ ms: number; mostMs: number }>) =>
  ms === mostMs
    ? exactly(ms)
    : { leastMs: Math.min(ms, mostMs), usualMs: (ms + mostMs) / 2, mostMs: Math.max(ms, mostMs) };

const isPush = (own: ControlFacts): boolean => own.mechanism.kind === 'push';

/** Reads stretch after stretch, remembering what was named, held and counted before. */
export class Reader {
  readonly made: Made[] = [];
  readonly holes: Hole[] = [];
  readonly doubts: Doubt[] = [];
  private readonly called: Called;
  /** What “it” and “both” go back to. */
  private last: ControlFacts[] = [];
  private held: ControlFacts[] = [];
  private mode: 'press' | 'hold' | 'turn' | null = null;
  private sentence = -1;
  private skipping: number | null = null;
  private window: { mostMs: number; from: Moment; at: number; sentence: number } | null = null;
  private lastSign: Shown | null = null;
  private pending: Sign[] = [];
  private far = false;
  private listed = false;
  private muted = false;
  /** Whether it is said later what does work. */
  private saysWhatWorks = false;
  private refused = -1;
  private waiting = -1;
  private pressedIn = -1;
  private both = false;
  private timed: ControlFacts[] = [];
  private readonly places = new Map<ControlId, PlaceId>();
  private branch: { on: Shown; from: number; at: number; otherwise: number | null; sentence: number } | null = null;

  constructor(called: Called) {
    this.called = called;
  }

  startsAct(words: readonly Word[], at: number): boolean {
    const ahead = words.slice(at, at + 4);
    const [first, second] = itemsOf(ahead, this.called, this.last).filter((x) => x.is !== 'both');
    if (!first) return false;
    if (first.is === 'control') return first.place !== null || second?.is === 'place';
    return ['act', 'let-go', 'sign', 'clicks'].includes(first.is) || (first.is === 'it' && second?.is === 'act');
  }

  /** Whether a stretch names signs and has not said yet what they do. */
  lacksState(words: readonly Word[]): boolean {
    const items = itemsOf(words, this.called, this.last);
    return items.at(-1)?.is === 'sign' && !items.some((x) => x.is === 'light' || x.is === 'act');
  }

  startsPlace(words: readonly Word[], at: number): boolean {
    const [first, second] = itemsOf(words.slice(at, at + 5), this.called, this.last);
    return (
      first?.is === 'control' &&
      !isPush(first.own) &&
      first.from === words[at]?.from &&
      (first.place !== null || second?.is === 'place')
    );
  }

  /** Reads stretches in order. */
  readAll(segments: readonly Segment[]): void {
    this.saysWhatWorks ||= /\bwhat (?:does|do) work\b|\bwhat works\b/.test(
      segments.map((s) => s.words.map((w) => w.word).join(' ')).join(' . '),
    );
    const bare = new Map<number, number>();
    for (const s of segments) {
      const items = itemsOf(s.words, this.called, this.last);
      const isBare = items.length > 0 && items.every((x) => x.is === 'times' || (x.is === 'control' && isPush(x.own)));
      if (isBare && s.words.length <= 5) bare.set(s.sentence, (bare.get(s.sentence) ?? 0) + 1);
    }
    for (const s of segments) {
      this.listed = (bare.get(s.sentence) ?? 0) >= 2;
      this.read(s);
    }
  }

  /** Whether what is told just now is what does not work. */
  private isMuted(segment: Segment): boolean {
    const text = segment.words.map((w) => w.word).join(' ');
    if (/\bwhat (?:does not|doesn't|do not|don't) work\b/.test(text)) this.muted = true;
    if (/\bwhat (?:does|do) work\b|\bwhat works\b/.test(text)) this.muted = false;
    return this.muted && this.saysWhatWorks;
  }

  read(segment: Segment): void {
    if (this.isMuted(segment)) {
      const [a] = segment.words;
      const z = segment.words.at(-1);
      if (a && z && this.named(itemsOf(segment.words, this.called, this.last)))
        this.holes.push({ from: a.from, to: z.to, why: 'warned' });
      return;
    }
    if (segment.sentence !== this.sentence) {
      this.closeWindow(segment.sentence);
      if (this.branch && segment.sentence > this.branch.sentence && segment.words[0]?.word !== 'otherwise')
        this.closeBranch();
      this.sentence = segment.sentence;
      this.skipping = null;
      this.pending = [];
    }
    const items = itemsOf(segment.words, this.called, this.last);
    const [first] = segment.words;
    const end = segment.words.at(-1);
    if (
      first &&
      segment.words.length <= 3 &&
      items.every((x) => x.is === 'light' || x.is === 'not') &&
      this.quicken(segment)
    )
      return;
    if (!first || !end || items.length === 0) return;
    const at = { from: first.from, to: end.to };
    if (this.skipping === segment.sentence && !items.some(isOf('else'))) {
      if (this.named(items)) this.holes.push({ ...at, why: 'warned' });
      return;
    }
    if (this.isTalk(segment)) {
      if (this.named(items)) this.holes.push({ ...at, why: 'not-understood' });
      this.skipping = segment.sentence;
      return;
    }
    if (segment.isQuestion && items.some(isOf('not'))) this.refused = segment.sentence + 1;
    if (this.refused === segment.sentence) {
      if (this.named(items)) this.holes.push({ ...at, why: 'warned' });
      return;
    }
    if (segment.isQuestion) {
      if (this.named(items)) this.holes.push({ ...at, why: 'asked' });
      return;
    }
    // `I don't bother with that, I just …`
    const just = items.some(isOf('not')) ? segment.words.findIndex((w, i) => i > 0 && w.word === 'just') : -1;
    if (just > 0 && segment.words.slice(0, just).some((w) => /^(?:don't|dont|not|never)$/.test(w.word))) {
      this.read({ ...segment, words: segment.words.slice(just + 1), joined: 'then' });
      return;
    }
    const not = items.findIndex(isOf('not'));
    const act = items.findIndex(isOf('act', 'control', 'let-go'));
    if (not >= 0 && this.isWarning(segment, items, not, act)) {
      if (this.named(items)) this.holes.push({ ...at, why: 'warned' });
      if (first.word === 'never') this.skipping = segment.sentence;
      return;
    }
    if (
      items[0]?.is !== 'if' &&
      items[0]?.is !== 'else' &&
      (this.isAside(segment) ||
        /\b(?:you were|you turned|you waited|=) ?too (?:slow|late|fast|short)\b/.test(
          segment.words.map((w) => w.word).join(' '),
        ))
    ) {
      if (this.named(items)) this.holes.push({ ...at, why: 'warned' });
      this.skipping = segment.sentence;
      return;
    }
    if (
      (/^(?:which|who|whose|where)$/.test(first.word) && segment.joined === 'comma') ||
      /^(?:because|unless|cause)$/.test(first.word)
    ) {
      if (this.named(items)) this.holes.push({ ...at, why: 'not-understood' });
      return;
    }
    if (items[0]?.is === 'if' && this.branch?.otherwise !== null && this.branch !== null) return;
    if (items[0]?.is === 'if') {
      this.readIf(segment, items);
      return;
    }
    if (items[0]?.is === 'else') {
      if (this.branch) this.branch.otherwise = this.made.length;
      else if (items.length === 1) return;
      this.readActs(segment, items.slice(1));
      return;
    }
    this.readActs(segment, items);
  }

  end(): Made[] {
    this.closeWindow(Number.POSITIVE_INFINITY);
    this.closeBranch();
    const first = this.made.findIndex((m) => isAct(m.step));
    if (first > 0) this.made.splice(0, first, ...this.made.slice(0, first).filter((m) => m.step.kind !== 'see'));
    if (first < 0) this.made.length = 0;
    this.dropToldOut();
    return this.made;
  }

  /** What was said to be done so often and is then told out once more is told once. */
  private dropToldOut(): void {
    for (let i = 0; i < this.made.length; i += 1) {
      const step = this.made[i]?.step;
      const inner = step?.kind === 'group' && step.window ? step.steps.at(-1) : step;
      if (inner?.kind !== 'group' || inner.times < 2) continue;
      const key = inner.steps.map((s) => JSON.stringify(s));
      let n = 0;
      while (key.every((k, j) => JSON.stringify(this.made[i + 1 + n * key.length + j]?.step) === k)) n += 1;
      if (n > 0) this.made.splice(i + 1, n * key.length);
    }
  }

  /** `it blinks, slowly`: how fast is said behind. */
  private quicken(segment: Segment): boolean {
    const text = segment.words.map((w) => w.word).join(' ');
    const state = /\b(?:slow|slowly)\b/.test(text)
      ? 'slow'
      : /\b(?:fast|quick|quickly|rapidly)\b/.test(text)
        ? 'fast'
        : null;
    const before = this.made.at(-1);
    if (state === null || before?.step.kind !== 'see' || before.sentence !== this.sentence) return false;
    const signs = before.step.signs.map((s) =>
      s.kind === 'lamp' && s.state === 'fast' ? { ...s, state } : s,
    ) as Shown[];
    this.made[this.made.length - 1] = { ...before, step: { ...before.step, signs } };
    return true;
  }

  private named = (items: readonly Item[]): boolean => items.some(isOf('control', 'act', 'clicks', 'turns', 'let-go'));

  /** What is said not to be done, or not to work. */
  private isWarning(segment: Segment, items: readonly Item[], not: number, act: number): boolean {
    const text = segment.words.map((w) => w.word).join(' ');
    if (/\bif (?:it|you) (?:does|do)n't\b/.test(text)) return false;
    // `not the second, the third`; `no more than`
    if (/^(?:not|no) (?:the )?(?:before|the second|the first|more)/.test(text)) return true;
    return act < 0 || not < act || items.slice(act).some(isOf('not'));
  }

  /** What others do, what would happen, what is not part of it. */
  private isAside(segment: Segment): boolean {
    const text = segment.words.map((w) => w.word).join(' ');
    return /^(?:on the (?:old|other|old grey) ones?|some people|somebody|my (?:sister|brother|colleague|cousin|theory)|he said|she said|they say|people say|what doesn't work|the man said|i've seen|i have seen|the old man|it has been reported|everybody tells|should you|unless|that way|too (?:slow|late|fast|short)|otherwise the|or it|or she|or else|somebody will|last time|yesterday)\b/.test(
      text,
    );
  }

  /** What a code means, what a part measures, what causes it: nothing of that is done. */
  private isTalk(segment: Segment): boolean {
    const text = segment.words.map((w) => w.word).join(' ');
    const raw = segment.words.map((w) => w.raw).join(' ');
    if (
      /\b(?:likely causes?|ohms?|kilohms?|kiloohms?|megohms?|volts?|bar|millibar|degrees|percent|hertz|watts?|kilowatts?)\b/.test(
        text,
      )
    )
      return true;
    if (
      /\b(?:in a row|locks? out|is stored|are stored|not stored|erased after|are erased|comes? when|is reported|only reported|counts? (?:as )?(?:one|two|four|five|eight|ten|\d)|stands for|the tens|the ones|the units|with (?:one|two|three|four|five|six|\d) flash\w*)\b/.test(
        text,
      ) &&
      !/\b(?:press|hold|push)\b/.test(text)
    )
      return true;
    const [first] = segment.words;
    const moves = first && mentionAt(segment.words, 0, this.called.controls);
    // `up makes it bigger, next goes to the next place`
    if (
      moves &&
      isPush(moves.of) &&
      /^(?:changes?|makes?|moves?|goes|selects?)$/.test(segment.words[moves.length]?.word ?? '')
    )
      return true;
    const named =
      first && (mentionAt(segment.words, 0, this.called.controls) ?? mentionAt(segment.words, 0, this.called.signs));
    // `small is one, large is two`
    if (
      named &&
      /^(?:is|counts?|=)$/.test(segment.words[named.length]?.word ?? '') &&
      segment.words[named.length + 1]?.value != null &&
      segment.words.length <= named.length + 3
    )
      return true;
    const code =
      /^(?:code |fault |error )?(?:[A-Z] ?\d{1,3}|[A-Z] (?:oh |zero )?(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\w+teen|\w+ty)|\d{2,3})(?: is\b| means\b|,| |$)/;
    return (
      segment.joined === 'start' &&
      code.test(raw) &&
      !segment.words.some((w) => /^(?:press|hold|push|turn)$/.test(w.word))
    );
  }

  private readIf(segment: Segment, items: readonly Item[]): void {
    const all = this.shownIn(items);
    const named = items.filter(isOf('sign')).flatMap((x) => x.signs);
    const [lamp] = named;
    const shown: Shown[] =
      all.length === 0 && named.length === 1 && lamp?.kind === 'lamp'
        ? [{ kind: 'lamp', sign: lamp.id as SignId, state: 'lit' }]
        : all;
    const [only] = shown;
    const first = segment.words[0];
    if (only && shown.length === 1 && first && !items.some(isOf('not'))) {
      this.closeBranch();
      this.branch = { on: only, from: first.from, at: this.made.length, otherwise: null, sentence: segment.sentence };
      return;
    }
    const last = segment.words.at(-1);
    if (first && last && this.named(items)) this.holes.push({ from: first.from, to: last.to, why: 'not-understood' });
    this.skipping = segment.sentence;
  }

  private closeBranch(): void {
    const { branch } = this;
    this.branch = null;
    if (!branch) return;
    const inside = this.made.splice(branch.at);
    const split = (branch.otherwise ?? this.made.length + inside.length) - this.made.length;
    const met = inside.slice(0, split).map((m) => m.step);
    const otherwise = inside.slice(split).map((m) => m.step);
    const last = inside.at(-1);
    if (!last || !inside.some((m) => isAct(m.step))) return;
    this.made.push({
      step: { kind: 'branch', on: { kind: 'sign', shown: branch.on }, met, otherwise },
      from: branch.from,
      to: last.to,
      sentence: branch.sentence,
    });
  }

  /** What signs are said to show, in order; a state goes with all that were named before it. */
  private shownIn(items: readonly Item[]): Shown[] {
    const out: Shown[] = [];
    let signs: Sign[] = [...this.pending];
    let count: number | null = null;
    items.forEach((item, i) => {
      if (item.is === 'sign') {
        signs = [...signs, ...item.signs];
        if (item.signs.every((s) => s.kind === 'beeper')) {
          const before = items[i - 1];
          const after = items[i + 1];
          const later = items[i + 2];
          const times =
            after?.is === 'times'
              ? after.n
              : after?.is === 'act' && later?.is === 'times'
                ? later.n
                : before?.is === 'number' || before?.is === 'times'
                  ? before.n
                  : null;
          count = times;
          for (const s of item.signs)
            out.push({ kind: 'sound', sign: s.id as SignId, state: 'on', ...(count === null ? {} : { times: count }) });
          signs = signs.filter((s) => s.kind !== 'beeper');
        }
      } else if (item.is === 'light') {
        for (const s of signs)
          if (s.kind === 'lamp') out.push({ kind: 'lamp', sign: s.id as SignId, state: lampState(item.light) });
          else if (s.kind !== 'segments' && s.kind !== 'text')
            out.push({ kind: 'sound', sign: s.id as SignId, state: item.light === 'dark' ? 'off' : 'on' });
        if (items[i + 1]?.is !== 'light') signs = [];
      } else if (item.is === 'text') {
        const display =
          signs.find((s) => s.kind === 'segments' || s.kind === 'text') ??
          [...this.called.facts.signs.values()].find((s) => s.kind === 'segments' || s.kind === 'text');
        if (display) out.push({ kind: 'text', sign: display.id as SignId, text: item.text });
      } else if (
        item.is === 'place' &&
        signs.length > 0 &&
        signs.every((s) => s.kind === 'lamp') &&
        ['on', 'off', 'out'].includes(item.word)
      ) {
        for (const s of signs)
          out.push({ kind: 'lamp', sign: s.id as SignId, state: item.word === 'on' ? 'lit' : 'dark' });
        signs = [];
      }
    });
    const seen = new Map(out.map((x) => [x.sign, x] as const));
    if (seen.size < out.length) out.splice(0, out.length, ...seen.values());
    // a fan or a pump that is heard
    for (const s of signs)
      if (s.kind !== 'lamp' && s.kind !== 'segments' && s.kind !== 'text' && items.some(isOf('act', 'light')))
        out.push({ kind: 'sound', sign: s.id as SignId, state: 'on' });
    return out;
  }

  /** The moment some items name: a sign with what it does, and which time. */
  private momentIn(items: readonly Item[]): Moment | null {
    const [shown] = this.shownIn(items);
    const nth = items.find(isOf('nth'))?.n ?? 1;
    if (shown)
      return {
        kind: 'sign',
        shown: withoutTimes(shown),
        nth: shown.kind === 'sound' && shown.times ? shown.times : nth,
      };
    const sign = items.find(isOf('sign'))?.signs[0];
    if (sign?.kind === 'lamp')
      return { kind: 'sign', shown: { kind: 'lamp', sign: sign.id as SignId, state: 'lit' }, nth };
    if (sign && sign.kind !== 'segments' && sign.kind !== 'text')
      return { kind: 'sign', shown: { kind: 'sound', sign: sign.id as SignId, state: 'on' }, nth };
    // “on the third one”: of the sign that was told last
    if (items.some(isOf('nth')) && this.lastSign) return { kind: 'sign', shown: withoutTimes(this.lastSign), nth };
    return null;
  }

  private put(step: Step, at: Readonly<{ from: number; to: number }>): void {
    this.made.push({ step, from: at.from, to: at.to, sentence: this.sentence });
  }

  private readActs(segment: Segment, all: readonly Item[]): void {
    let items = [...all];
    const [start] = items;
    const finish = items.at(-1);
    if (!start || !finish) return;
    const at = { from: start.from, to: finish.to };
    // a window: within so long, of a sign or of what stands before
    const within = items.findIndex(isOf('within'));
    if (within >= 0) {
      const lengthAt = items.findIndex((x, i) => i > within && x.is === 'length');
      const length = items[lengthAt];
      if (length?.is === 'length') {
        const earlier = items.slice(0, within);
        const told = earlier.some(isOf('sign')) ? this.momentIn(earlier) : null;
        if (told?.kind === 'sign') {
          const shown = this.shownIn(earlier);
          this.see(shown.length > 0 ? shown : [told.shown], at);
        }
        const after = items[lengthAt + 1];
        let used = lengthAt + 1;
        let from: Moment =
          this.lastSign && after?.is !== 'moment'
            ? {
                kind: 'sign',
                shown: withoutTimes(this.lastSign),
                nth: this.lastSign.kind === 'sound' ? (this.lastSign.times ?? 1) : 1,
              }
            : { kind: 'step-before' };
        if (after?.is === 'moment' || after?.is === 'sign' || after?.is === 'nth') {
          const rest = items.slice(lengthAt + 1);
          const stop = rest.findIndex((x, i) => i > 0 && (x.is === 'act' || x.is === 'control'));
          const of = stop < 0 ? rest : rest.slice(0, stop);
          const moment = this.momentIn(of);
          if (moment) from = moment;
          else if (this.called.facts.supply.some((c) => of.some((x) => x.is === 'control' && x.own === c)))
            from = { kind: 'power-on' };
          used = lengthAt + 1 + of.length;
        }
        if (/power-on|powering|switching on|switched on/.test(segment.words.map((w) => w.word).join(' ')))
          from = { kind: 'power-on' };
        const before = this.made.findIndex((m) => m.sentence === this.sentence && isAct(m.step));
        const standing = this.made.at(-1);
        const afterPresses =
          items.slice(used).every((x) => !isOf('act', 'control', 'clicks')(x)) &&
          standing !== undefined &&
          (standing.step.kind === 'press' || standing.step.kind === 'turn' || standing.step.kind === 'group') &&
          standing.sentence >= this.sentence - 1;
        const isTrailing =
          afterPresses ||
          (within > 0 && items.slice(0, within).some(isOf('act', 'control', 'clicks'))) ||
          (before >= 0 &&
            items.slice(used).every((x) => !isOf('act', 'control', 'clicks')(x)) &&
            segment.joined === 'comma' &&
            this.made.slice(before).every((m) => isAct(m.step)));
        this.closeWindow(Number.POSITIVE_INFINITY);
        if (told) from = told;
        const own = [...(told ? [] : items.slice(0, within)), ...items.slice(used)];
        let run = this.made.length;
        while (afterPresses && run > 0) {
          const m = this.made[run - 1];
          if (!m || !['press', 'turn', 'group'].includes(m.step.kind)) break;
          run -= 1;
        }
        const begun = afterPresses ? run : isTrailing && before >= 0 ? before : this.made.length;
        this.window = { mostMs: length.ms, from, at: begun, sentence: this.sentence };
        items = own;
        if (items.length === 0) return;
      }
    }
    this.readPlain(segment, items, at);
  }

  /** Wraps what was told within a window once that is over. */
  private closeWindow(sentence: number): void {
    const { window } = this;
    if (!window) return;
    const inside = this.made.slice(window.at);
    const acts = inside.filter((m) => isAct(m.step));
    // a window without acts yet goes on into the next sentence
    if (acts.length === 0 && sentence <= window.sentence + 2) return;
    this.window = null;
    if (acts.length === 0) return;
    const lastAct = inside.findLastIndex((m) => isAct(m.step));
    const firstAct = inside.findIndex((m) => isAct(m.step));
    const own = inside.slice(firstAct, lastAct + 1);
    const [first] = own;
    const last = own.at(-1);
    if (!first || !last) return;
    this.made.splice(window.at + firstAct, own.length, {
      step: {
        kind: 'group',
        times: 1,
        steps: own.map((m) => m.step),
        window: { from: window.from, mostMs: window.mostMs },
      },
      from: first.from,
      to: last.to,
      sentence: first.sentence,
    });
  }

  private readPlain(segment: Segment, items: Item[], at: Readonly<{ from: number; to: number }>): void {
    const until = items.findIndex(isOf('until'));
    const moment = items.findIndex((x, i) => x.is === 'moment' && i !== until);
    const release = items.findIndex((x) => x.is === 'let-go' || (x.is === 'act' && x.act === 'release'));
    if (release > 0) {
      const cut = items.findLastIndex((x, i) => i < release && (x.is === 'moment' || x.is === 'until'));
      const split = cut > 0 ? cut : release;
      const before = items.slice(0, split);
      if (before.some((x) => x.is === 'act' && x.act !== 'see' && x.act !== 'wait') && before.some(isOf('control'))) {
        this.readPlain(segment, before, at);
        this.readRelease(items.slice(split), release - split, at);
        return;
      }
    }
    if (release >= 0) {
      const next = items.findIndex(
        (x, i) => i > release && ((x.is === 'act' && x.act !== 'see' && x.act !== 'set') || x.is === 'length'),
      );
      this.readRelease(next > 0 ? items.slice(0, next) : items, release, at);
      if (next > 0) this.readPlain(segment, items.slice(next), at);
      return;
    }
    const head = until >= 0 ? items.slice(0, until) : items;
    const tail = until >= 0 ? items.slice(until + 1) : [];
    const ends = tail.length > 0 ? this.momentIn(tail) : null;
    const controls = head.filter(isOf('control'));
    const act = head.find(isOf('act'));
    const length = head.find(isOf('length'));
    const isHold = head.some((x) => x.is === 'act' && x.act === 'hold');
    if (isHold || (act?.act === 'press' && length && head.some(isOf('control')) && !head.some(isOf('within')))) {
      if (this.readHold(head, ends, at)) return;
    }
    if (until >= 0 && ends && controls.length === 0 && this.held.length === 0) {
      if (ends.kind === 'sign')
        this.see([ends.nth > 1 && ends.shown.kind === 'sound' ? { ...ends.shown, times: ends.nth } : ends.shown], at);
      return;
    }
    const reached = tail.find(isOf('number'));
    const [one] = this.held.length > 0 ? this.held : this.last;
    if (until >= 0 && !ends && reached && one && isPush(one)) {
      const before = this.made.at(-1);
      if (before?.step.kind === 'hold' && before.step.until.kind === 'release') this.made.pop();
      this.held = [];
      this.put({ kind: 'step-list', control: one.control.id, to: reached.n, start: 0, by: 'ramp' }, at);
      return;
    }
    // a hold that goes on until something, told after it
    if (until >= 0 && ends && controls.length === 0 && this.held.length > 0) {
      this.put({ kind: 'release', controls: this.held.map((h) => h.control.id), at: ends }, at);
      this.held = [];
      return;
    }
    // when a sign comes, do this: the sign, then the act
    const timed =
      moment >= 0 && moment < 2
        ? head.findIndex((x, i) => i > moment && ((x.is === 'act' && x.act !== 'see') || x.is === 'control'))
        : -1;
    if (timed > 0) {
      const shown = this.shownIn(head.slice(moment + 1, timed));
      if (shown.length > 0) {
        this.see(shown, at);
        this.readPlain(segment, head.slice(timed), at);
        return;
      }
    }
    if (act?.act === 'wait' && !length) this.waiting = this.sentence;
    const shown = this.shownIn(head);
    const isSigns = head.every((x) => x.is === 'sign' || x.is === 'nth' || x.is === 'both') && head.some(isOf('sign'));
    if (shown.length === 0 && isSigns) {
      this.pending = [...this.pending, ...head.filter(isOf('sign')).flatMap((x) => x.signs)];
      const [named] = this.pending;
      if (named?.kind === 'lamp') this.lastSign = { kind: 'lamp', sign: named.id as SignId, state: 'lit' };
      return;
    }
    if (shown.length > 0 && controls.length === 0 && !head.some(isOf('clicks'))) {
      const [sign] = shown;
      const nth = head.find(isOf('nth'))?.n;
      const before = this.made.at(-1)?.step;
      // after the second beep: of those that were seen
      if (
        head[0]?.is === 'moment' &&
        sign &&
        nth !== undefined &&
        before?.kind === 'see' &&
        before.signs.some((s) => s.sign === sign.sign)
      ) {
        this.lastSign = sign.kind === 'sound' ? { ...sign, times: nth } : sign;
        return;
      }
      this.see(shown, at);
      return;
    }
    const told = head.find(isOf('sign'))?.signs;
    if (shown.length === 0 && told?.length === 1 && told[0]?.kind === 'lamp')
      this.lastSign = { kind: 'lamp', sign: told[0].id as SignId, state: 'lit' };
    const swept = this.made.at(-1);
    if (swept?.step.kind === 'sweep' && swept.step.stopAt === undefined && swept.sentence === this.sentence) {
      const { step } = swept;
      const own = this.called.facts.controls.get(step.control);
      const k = own ? segment.words.findIndex((_, i) => placeAt(segment.words, i, own) !== null) : -1;
      const rest = own && k >= 0 ? placeAt(segment.words, k, own) : null;
      if (rest) {
        this.made[this.made.length - 1] = { ...swept, step: { ...step, stopAt: rest.place }, to: at.to };
        return;
      }
    }
    this.far = /\b(?:as far as|all the way|fully|until it stops|to the stop|to the end)\b/.test(
      segment.words.map((w) => w.word).join(' '),
    );
    if (this.readTurn(head, at)) return;
    if (this.readSet(segment, head, at)) return;
    if (this.readPress(segment, head, at)) return;
    if (length && !head.some(isOf('within')) && this.readWait(segment, length, at)) return;
    if (shown.length > 0) this.see(shown, at);
  }

  private see(shown: readonly Shown[], at: Readonly<{ from: number; to: number }>): void {
    const [first] = shown;
    if (first) this.lastSign = first;
    // what shows long after anything was done belongs to what is read, not to how one gets there
    const done = this.made.findLast((m) => isAct(m.step) || m.step.kind === 'see' || m.step.kind === 'rest');
    if (done && done.sentence < this.sentence - 4) {
      this.holes.push({ ...at, why: 'not-understood' });
      return;
    }
    const before = this.made.at(-1);
    const [only] = shown;
    if (
      before?.step.kind === 'release' &&
      before.step.at?.kind === 'sign' &&
      only &&
      shown.length === 1 &&
      only.sign === before.step.at.shown.sign
    )
      return;
    // the same once more says nothing new
    if (before?.step.kind === 'see' && JSON.stringify(before.step.signs) === JSON.stringify(shown)) return;
    this.put({ kind: 'see', must: 'must', signs: [...shown] }, at);
  }

  private readRelease(items: readonly Item[], release: number, at: Readonly<{ from: number; to: number }>): void {
    const named = items.filter(isOf('control')).map((c) => c.own);
    const controls = named.length > 0 ? named : this.held;
    const ends = this.momentIn(items.filter((_, i) => i !== release));
    if (controls.length === 0 && this.timed.length > 0 && this.made.at(-1)?.step.kind === 'see') {
      this.put({ kind: 'release', controls: this.timed.map((c) => c.control.id), ...(ends && { at: ends }) }, at);
      this.timed = [];
      return;
    }
    if (controls.length === 0) return;
    const ids = controls.map((c) => c.control.id);
    const before = this.made.at(-1);
    // already let go of
    if (before?.step.kind === 'release' && before.step.controls.join() === ids.join()) {
      if (ends && !before.step.at)
        this.made[this.made.length - 1] = { ...before, step: { ...before.step, at: ends }, to: at.to };
      return;
    }
    if (this.held.length === 0 && named.length === 0) return;
    if (before?.step.kind === 'hold' && before.step.until.kind !== 'release') return;
    const seen = this.made.at(-1);
    const [sign] = seen?.step.kind === 'see' ? seen.step.signs : [];
    if (
      ends?.kind === 'sign' &&
      sign &&
      sign.sign === ends.shown.sign &&
      seen?.step.kind === 'see' &&
      seen.step.signs.length === 1
    )
      this.made.pop();
    this.put({ kind: 'release', controls: ids, ...(ends && { at: ends }) }, at);
    this.held = this.held.filter((h) => !controls.includes(h));
    this.mode = null;
  }

  private heldOf = (own: ControlFacts, place: PlaceId | null): Held => {
    const to = isPush(own) ? null : (place ?? onlyHeld(own));
    return to === null ? { control: own.control.id } : { control: own.control.id, place: to };
  };

  private readHold(items: readonly Item[], ends: Moment | null, at: Readonly<{ from: number; to: number }>): boolean {
    const all = items.filter(isOf('control'));
    const holdable = (own: ControlFacts): boolean =>
      isPush(own) || own.springs.size > 0 || ['pedal', 'lever', 'trigger'].includes(own.control.look);
    const named = all.filter((c) => holdable(c.own));
    const others = all.filter((c) => !holdable(c.own) && c.place !== null);
    if (others.length > 0 && named.length === 0) {
      for (const o of others) if (o.place !== null) this.set(o.own, o.place, o, true);
      return true;
    }
    const length = items.find(isOf('length'));
    const onto =
      named.length > 0
        ? named.map((n) => ({ own: n.own, place: n.place }))
        : items.some(isOf('it', 'both')) || ends || length
          ? this.last.map((own) => ({ own, place: null }))
          : [];
    const unique = onto.filter((o, i) => onto.findIndex((p) => p.own === o.own) === i);
    if (unique.length === 0) return false;
    const owns = unique.map((u) => u.own);
    const again = this.held.length > 0 && owns.every((o) => this.held.includes(o));
    const index = this.made.findLastIndex(
      (m) =>
        m.step.kind === 'hold' && m.step.controls.map((c) => c.control).join() === owns.map((o) => o.control.id).join(),
    );
    const before = this.made[index];
    // said once more, with how long or until when
    if (again && before?.step.kind === 'hold') {
      if (length && before.step.until.kind === 'release' && index === this.made.length - 1) {
        this.made[index] = {
          ...before,
          step: { ...before.step, until: { kind: 'span', span: spanOf(length) } },
          to: at.to,
        };
        this.held = [];
      } else if (ends) {
        this.put({ kind: 'release', controls: owns.map((o) => o.control.id), at: ends }, at);
        this.held = [];
      }
      for (const o of others) if (o.place !== null) this.set(o.own, o.place, o, true);
      return true;
    }
    // one and the other pressed, and the pair of them held
    const two = this.made.slice(-owns.length);
    const isPair =
      owns.length > 1 &&
      two.length === owns.length &&
      two.every(
        (m) =>
          m.sentence === this.sentence &&
          m.step.kind === 'press' &&
          m.step.times === 1 &&
          owns.some((o) => m.step.kind === 'press' && o.control.id === m.step.control),
      );
    if (isPair && named.length === 0) this.made.splice(this.made.length - owns.length);
    const pressed = this.made.at(-1);
    // pressed, and kept so
    if (
      pressed &&
      ((pressed.step.kind === 'press' &&
        owns.length === 1 &&
        pressed.step.control === owns[0]?.control.id &&
        pressed.step.times === 1) ||
        pressed.step.kind === 'together') &&
      named.length === 0
    )
      this.made.pop();
    const put = this.made.at(-1);
    const stood =
      put?.step.kind === 'set' && owns.length === 1 && put.step.control === owns[0]?.control.id ? put.step.to : null;
    if (stood !== null) this.made.pop();
    const controls = unique.map((u) => this.heldOf(u.own, u.place ?? stood));
    this.last = owns;
    this.mode = 'hold';
    const behind = length ? items.slice(items.indexOf(length) + 1) : [];
    if (others.length > 0) {
      this.put({ kind: 'hold', controls, until: { kind: 'release' } }, at);
      this.held = owns;
      for (const o of others) if (o.place !== null) this.set(o.own, o.place, o, true);
      return true;
    }
    if (length) {
      this.put({ kind: 'hold', controls, until: { kind: 'span', span: spanOf(length) } }, at);
      this.held = [];
      this.timed = owns;
      const shown = this.shownIn(behind);
      if (shown.length > 0) this.see(shown, at);
    } else if (ends) {
      this.put({ kind: 'hold', controls, until: { kind: 'moment', moment: ends } }, at);
      this.held = [];
    } else {
      this.put({ kind: 'hold', controls, until: { kind: 'release' } }, at);
      this.held = owns;
    }
    return true;
  }

  private readTurn(items: readonly Item[], at: Readonly<{ from: number; to: number }>): boolean {
    const knobs = [...this.called.facts.controls.values()].filter((c) => c.mechanism.kind === 'clicks');
    const named = items.filter(isOf('control')).find((c) => c.own.mechanism.kind === 'clicks');
    const own =
      named?.own ?? this.last.find((c) => c.mechanism.kind === 'clicks') ?? (knobs.length === 1 ? knobs[0] : undefined);
    if (!own) return false;
    let done = false;
    items.forEach((item, i) => {
      const bare = item.is === 'number' && this.mode === 'turn' && items.some(isOf('way'));
      if (item.is !== 'clicks' && item.is !== 'turns' && !bare) return;
      const near = [items[i + 1], items[i - 1], items[i + 2], items[i - 2]].find((x) => x?.is === 'way');
      const way = near?.is === 'way' ? near.way : items.find(isOf('way'))?.way;
      if (!way) {
        this.doubts.push({ ...at, about: 'which way it is turned' });
        return;
      }
      done = true;
      const before = this.made.at(-1);
      if (
        before?.step.kind === 'turn' &&
        before.sentence === this.sentence &&
        'n' in item &&
        before.step.clicks === item.n &&
        before.step.way === way
      )
        return;
      if (item.is !== 'turns' && 'n' in item)
        this.put({ kind: 'turn', control: own.control.id, clicks: item.n, way }, item);
      else if (item.is === 'turns')
        this.put(
          {
            kind: 'sweep',
            control: own.control.id,
            turns: item.n,
            way,
            ...(named?.place ? { stopAt: named.place } : {}),
          },
          item,
        );
    });
    const far = items.find(isOf('way'));
    if (!done && named && far && this.far) {
      this.put(
        {
          kind: 'sweep',
          control: own.control.id,
          turns: 1,
          way: far.way,
          ...(named.place ? { stopAt: named.place } : {}),
        },
        at,
      );
      done = true;
    }
    if (done) {
      this.last = [own];
      this.mode = 'turn';
      // “stop with the pointer on humid”
      const rest = items.find((x) => x.is === 'control' && x.own === own && x.place !== null);
      const before = this.made.at(-1);
      if (rest?.is === 'control' && rest.place && before?.step.kind === 'sweep')
        this.made[this.made.length - 1] = { ...before, step: { ...before.step, stopAt: rest.place } };
    }
    return done;
  }

  private readSet(segment: Segment, items: readonly Item[], at: Readonly<{ from: number; to: number }>): boolean {
    const named = items.filter(isOf('control')).filter((c) => !isPush(c.own));
    let done = false;
    let act: string | null = null;
    for (const [i, item] of items.entries()) {
      if (item.is === 'act') act = item.act;
      if (item.is !== 'control' || isPush(item.own)) continue;
      const next = items[i + 1];
      const word = next?.is === 'place' ? next.word : null;
      const before = items[i - 1];
      const wordBefore = before?.is === 'place' ? before.word : null;
      const isNear = (a: Item): boolean => {
        const [from, to] = a.to <= item.from ? [a.to, item.from] : [item.to, a.from];
        return segment.words.filter((w) => w.from >= from && w.to <= to).length <= 5;
      };
      const verb =
        items.slice(0, i).findLast((x) => x.is === 'act' && isNear(x)) ??
        items.slice(i + 1).find((x) => x.is === 'act' && isNear(x)) ??
        null;
      const verbAct = verb?.is === 'act' ? verb.act : null;
      // `switches 2 and 7 are set to on`: what is said of the last is said of both
      const shared = items.slice(i + 1).find((x) => x.is === 'control' && x.place !== null && !isPush(x.own));
      const together =
        shared?.is === 'control' &&
        item.own.control.look === shared.own.control.look &&
        item.own.mechanism.kind === 'places'
          ? (item.own.mechanism.places.find((p) => p.id === shared.place)?.id ?? null)
          : null;
      const place =
        item.place ??
        (together as PlaceId | null) ??
        (word ? placeByVerb(item.own, word) : null) ??
        (wordBefore ? placeByVerb(item.own, wordBefore) : null) ??
        (verbAct ? placeByVerb(item.own, verbAct === 'press' ? 'push' : verbAct) : null);
      if (place === null) continue;
      this.set(item.own, place, { from: item.from, to: (next?.is === 'place' ? next : item).to });
      // off and on again
      const other = item.place !== null && next?.is === 'place' ? placeByVerb(item.own, next.word) : null;
      if (other !== null && other !== place && /^(?:on|off|in|out)$/.test(word ?? '')) this.set(item.own, other, item);
      done = true;
    }
    if (done) {
      const length = items.find(isOf('length'));
      if (length && !items.some(isOf('within'))) this.put({ kind: 'rest', span: spanOf(length) }, length);
      return true;
    }
    const [lone] = named;
    if (lone && named.length === 1) this.last = [lone.own];
    if (named.length === 0 && (act === 'in' || act === 'out') && (!items.some(isOf('it')) || this.last.every(isPush))) {
      const plug = this.called.facts.supply.find((c) => c.control.look === 'plug');
      const to = plug && placeByVerb(plug, act);
      if (plug && to && this.last.every(isPush)) {
        this.set(plug, to, at);
        return true;
      }
    }
    // `then off`, `back in`: of what was named last
    const [only] = this.last;
    const word = items.filter(isOf('place')).at(-1)?.word;
    if (
      named.length === 0 &&
      only &&
      !isPush(only) &&
      this.last.length === 1 &&
      word &&
      (items.length <= 3 || act !== null) &&
      !items.some(isOf('sign', 'control', 'text'))
    ) {
      if (word === 'back' && act !== 'set' && act !== 'in') return false;
      const place = placeByVerb(only, word === 'back' ? 'in' : word);
      if (place === null) return false;
      this.set(only, place, at);
      return true;
    }
    // `open it`, `plug it back in`
    if (named.length === 0 && only && !isPush(only) && act && items.some(isOf('it'))) {
      const place = placeByVerb(only, act);
      if (place === null) return false;
      this.set(only, place, at);
      return true;
    }
    return false;
  }

  /** Puts a control somewhere; told once more where it stands already, that is no step of its own. */
  private set(own: ControlFacts, to: PlaceId, at: Readonly<{ from: number; to: number }>, beside = false): void {
    if (!beside) this.last = [own];
    this.mode = null;
    if (this.places.get(own.control.id) === to && own.mechanism.kind !== 'clicks') return;
    if (this.held.includes(own)) return;
    this.places.set(own.control.id, to);
    this.put({ kind: 'set', control: own.control.id, to }, at);
  }

  private readPress(segment: Segment, items: readonly Item[], at: Readonly<{ from: number; to: number }>): boolean {
    const act = items.find(isOf('act'));
    const isPressed =
      act?.act === 'press' || (act?.act === 'set' && items.some((x) => x.is === 'control' && isPush(x.own)));
    const any = items.find(isOf('any'));
    if (any) {
      this.put({ kind: 'press', control: 'any', times: items.find(isOf('times'))?.n ?? 1 }, any);
      return true;
    }
    const pushes = items.filter(isOf('control')).filter((c) => isPush(c.own));
    const [only1] = pushes;
    const words1 = segment.words.map((w) => w.word).join(' ');
    const counted = /\b(?:up|on|down|go|get|climb|count|step)(?: \w+)? to (\S+)/.exec(words1);
    const leads =
      /\bfor the (?:next|older|previous|other|others|rest|last|second|one before)\b/.test(words1) ||
      /\b(?:takes|gets|brings|moves) you\b|\bgo(?:es)? (?:to the next|back)\b/.test(words1);
    if (
      only1 &&
      pushes.length === 1 &&
      leads &&
      !items.some(
        (x) => (x.is === 'act' && x.act !== 'set') || x.is === 'sign' || x.is === 'length' || x.is === 'number',
      )
    ) {
      this.put({ kind: 'press', control: only1.own.control.id, times: items.find(isOf('times'))?.n ?? 1 }, at);
      this.last = [only1.own];
      return true;
    }
    const upTo = items.find(isOf('number'));
    if (only1 && pushes.length === 1 && counted && upTo && !items.some(isOf('times', 'length', 'sign'))) {
      this.put({ kind: 'step-list', control: only1.own.control.id, to: upTo.n, start: 0, by: 'press' }, at);
      this.last = [only1.own];
      return true;
    }
    if (
      only1 &&
      pushes.length === 1 &&
      /^(?:and )?with \w+(?: \w+)? (?:you|i|we) (?:say|confirm|accept|agree|take|store|save)\b/.test(words1)
    ) {
      this.put({ kind: 'press', control: only1.own.control.id, times: 1 }, at);
      this.last = [only1.own];
      this.mode = 'press';
      return true;
    }
    const times = items.filter(isOf('times'));
    const span = items.find(isOf('length'));
    if (
      pushes.length > 0 &&
      span &&
      act === undefined &&
      !items.some(isOf('sign', 'within', 'moment', 'not')) &&
      segment.words.length <= 9
    )
      return this.readHold([...items, { is: 'act', act: 'hold', word: 'for', from: at.from, to: at.to }], null, at);
    if (
      pushes.length === 0 &&
      !act &&
      (items.some(isOf('both')) || (span && this.made.at(-1)?.step.kind === 'together'))
    ) {
      const two = this.made.slice(-2);
      const arePressed =
        two.length === 2 &&
        two.every((m) => m.sentence === this.sentence && m.step.kind === 'press' && m.step.times === 1);
      const joined = two.at(-1);
      const ids = arePressed
        ? two.flatMap((m) => (m.step.kind === 'press' ? [m.step.control as ControlId] : []))
        : joined?.step.kind === 'together'
          ? joined.step.controls
          : [];
      if (ids.length > 1) {
        this.made.splice(arePressed ? -2 : -1);
        this.last = ids.flatMap((id) => this.called.facts.controls.get(id) ?? []);
        if (span)
          this.put(
            {
              kind: 'hold',
              controls: ids.map((control) => ({ control })),
              until: { kind: 'span', span: spanOf(span) },
            },
            at,
          );
        else this.put({ kind: 'together', controls: ids, times: 1, withinMs: defaultWithinMs }, at);
        return true;
      }
    }
    if (pushes.length === 0 && act?.act === 'press' && items.some(isOf('both')) && this.last.length < 2) {
      // both: which, is said next
      this.both = true;
      return true;
    }
    if (pushes.length === 0) {
      // `three times` alone: of what was pressed last
      const [only] = times;
      const before = this.made.at(-1);
      const text = segment.words.map((w) => w.word).join(' ');
      if (
        only &&
        (/\b(?:pair|pairs|sequence|lot|round|rounds|that|these|those|over)\b/.test(text) || this.isToldOut(only.n)) &&
        this.readAgain(items)
      )
        return true;
      const longFor = items.find(isOf('length'));
      if (items.some(isOf('long')) && longFor && before?.step.kind === 'press' && before.step.times === 1) {
        this.made[this.made.length - 1] = {
          ...before,
          step: {
            kind: 'hold',
            controls: [{ control: before.step.control as ControlId }],
            until: { kind: 'span', span: spanOf(longFor) },
          },
          to: at.to,
        };
        return true;
      }
      if (
        only &&
        !act &&
        before?.step.kind === 'press' &&
        before.sentence >= this.sentence - 1 &&
        before.step.times === 1
      ) {
        this.made[this.made.length - 1] = { ...before, step: { ...before.step, times: only.n }, to: at.to };
        return true;
      }
      if (
        act?.act === 'press' &&
        this.last.length === 1 &&
        this.last[0] &&
        isPush(this.last[0]) &&
        (only || items.some(isOf('it')))
      ) {
        this.put({ kind: 'press', control: this.last[0].control.id, times: only?.n ?? 1 }, at);
        return true;
      }
      return this.readAgain(items);
    }
    const said = segment.words.map((w) => w.word).join(' ');
    const named = pushes.reduce((n, p) => n + p.own.control.label.split(' ').length, 0);
    const isNext =
      this.listed ||
      this.both ||
      items.some(isOf('long')) ||
      this.mode === 'press' ||
      times.length > 0 ||
      segment.joined === 'then' ||
      pushes.length > 1;
    const bare =
      segment.words.length <= named + 3 + 2 * times.length &&
      act === undefined &&
      isNext &&
      !items.some(isOf('sign', 'light', 'not', 'if', 'moment', 'number'));
    const down =
      items.some((x) => x.is === 'place' && x.word === 'down') ||
      /\b(?:thumb|finger|fingers|hand|hands|foot) on\b/.test(said);
    if (down && !isPressed) {
      const owns = pushes.map((p) => p.own);
      const before = this.made.at(-1);
      // one after the other, kept down together
      if (
        before?.step.kind === 'hold' &&
        before.step.until.kind === 'release' &&
        before.sentence === this.sentence &&
        this.held.length > 0
      ) {
        const fresh = owns.filter((o) => !this.held.includes(o));
        const controls = [...before.step.controls, ...fresh.map((o) => this.heldOf(o, null))];
        this.made[this.made.length - 1] = { ...before, step: { ...before.step, controls }, to: at.to };
        this.held = [...this.held, ...fresh];
        this.last = this.held;
        return true;
      }
      return this.readHold([...items, { is: 'act', act: 'hold', word: 'down', from: at.from, to: at.to }], null, at);
    }
    // what is held already is only named once more
    if (bare && this.held.length > 0 && pushes.every((p) => this.held.includes(p.own))) return true;
    const goesOn =
      bare ||
      (this.mode === 'press' &&
        this.pressedIn === this.sentence &&
        (segment.joined === 'comma' || segment.joined === 'and' || segment.joined === 'then'));
    if (!isPressed && !goesOn && !(times.length > 0 && act === undefined)) {
      // named without anything done to it: what “it” goes back to
      if (!act || act.act !== 'see') this.last = pushes.map((p) => p.own);
      return false;
    }
    const lengthBoth = items.find(isOf('length'));
    if ((items.some(isOf('both')) || this.both) && pushes.length > 1 && lengthBoth)
      return this.readHold(
        [...items, { is: 'act', act: 'hold', word: 'together', from: at.from, to: at.to }],
        null,
        at,
      );
    const isBoth = items.some(isOf('both')) || this.both;
    this.both = false;
    if (isBoth && pushes.length > 1) {
      this.put(
        {
          kind: 'together',
          controls: pushes.map((p) => p.own.control.id as ControlId),
          times: times[0]?.n ?? 1,
          withinMs: defaultWithinMs,
        },
        at,
      );
      this.last = pushes.map((p) => p.own);
      this.mode = 'press';
      return true;
    }
    for (const [i, item] of items.entries()) {
      if (item.is !== 'control' || !isPush(item.own)) continue;
      const after = items[i + 1];
      const before = items[i - 1];
      const later = items[i + 2];
      const n =
        after?.is === 'times'
          ? after.n
          : after?.is === 'act' && after.act === 'press' && later?.is === 'times'
            ? later.n
            : before?.is === 'times'
              ? before.n
              : null;
      const isLong = items.some(isOf('long'));
      const length = items.find(isOf('length'));
      if (isLong && length)
        this.put(
          {
            kind: 'hold',
            controls: [{ control: item.own.control.id }],
            until: { kind: 'span', span: spanOf(length) },
          },
          item,
        );
      else if (isLong)
        this.put({ kind: 'hold', controls: [{ control: item.own.control.id }], until: { kind: 'release' } }, item);
      else
        this.put(
          { kind: 'press', control: item.own.control.id, times: n ?? 1 },
          { from: item.from, to: after?.is === 'times' ? after.to : item.to },
        );
      this.last = [item.own];
    }
    if (pushes.length > 1) this.last = pushes.map((p) => p.own);
    this.pressedIn = this.sentence;
    this.mode = 'press';
    return true;
  }

  /** Whether the last acts are so many times the same already. */
  private isToldOut(times: number): boolean {
    const key = this.made
      .filter((m) => isAct(m.step) && m.sentence >= this.sentence - 1)
      .map((m) => JSON.stringify(m.step));
    for (let size = 2; size * times <= key.length; size += 1) {
      const last = key.slice(-size).join();
      if (
        Array.from({ length: times }, (_, k) =>
          key.slice(key.length - size * (k + 1), key.length - size * k).join(),
        ).every((x) => x === last)
      )
        return true;
    }
    return false;
  }

  /** `that pair three times`, `and that twice`: what was told last, again; nothing where it was told out already. */
  private readAgain(items: readonly Item[]): boolean {
    const times = items.find(isOf('times'))?.n;
    if (times === undefined || times < 2 || items.some(isOf('act', 'control', 'sign'))) return false;
    const own = this.made.map((m, i) => ({ m, i })).filter(({ m }) => isAct(m.step) && m.sentence >= this.sentence - 1);
    const key = own.map(({ m }) => JSON.stringify(m.step));
    for (let size = 1; size * times <= key.length; size += 1) {
      const last = key.slice(-size).join();
      const is = Array.from({ length: times }, (_, k) =>
        key.slice(key.length - size * (k + 1), key.length - size * k).join(),
      ).every((x) => x === last);
      if (is) return true;
    }
    const block = own.filter(({ m }) => m.sentence === own.at(-1)?.m.sentence).slice(-4);
    const [first] = block;
    const last = block.at(-1);
    if (!first || !last || block.length < 2) return false;
    this.made.splice(first.i, this.made.length - first.i, {
      step: { kind: 'group', times, steps: block.map(({ m }) => m.step) },
      from: first.m.from,
      to: last.m.to,
      sentence: first.m.sentence,
    });
    return true;
  }

  private readWait(segment: Segment, length: ItemOf<'length'>, at: Readonly<{ from: number; to: number }>): boolean {
    const text = segment.words.map((w) => w.word).join(' ');
    const before = this.made.at(-1);
    // `hold it, five seconds`
    if (
      before?.step.kind === 'hold' &&
      before.step.until.kind === 'release' &&
      this.held.length > 0 &&
      segment.words.length < 9 &&
      !/\bwait\b/.test(text)
    ) {
      this.made[this.made.length - 1] = {
        ...before,
        step: { ...before.step, until: { kind: 'span', span: spanOf(length) } },
        to: at.to,
      };
      this.held = [];
      return true;
    }
    if (before?.step.kind === 'hold' && /\blong\b/.test(text) && before.step.until.kind === 'release') {
      this.made[this.made.length - 1] = {
        ...before,
        step: { ...before.step, until: { kind: 'span', span: spanOf(length) } },
        to: at.to,
      };
      this.held = [];
      return true;
    }
    const follows =
      (before?.step.kind === 'set' && before.sentence === this.sentence) || this.waiting === this.sentence;
    if (before?.step.kind === 'rest' && before.step.span.usualMs === spanOf(length).usualMs) return true;
    if (!/\b(?:wait|waits|waited|leave|left|rest|count|stand|sit|give)\b/.test(text) && !follows) return false;
    if (/\b(?:takes|took|about|every|after|minutes? (?:old|later)|lasts?)\b/.test(text) && !/\bwait\b/.test(text))
      return false;
    if (!/\b(?:wait|leave|left|count|give it|rest)\b/.test(text) && this.made.length === 0) return false;
    this.put({ kind: 'rest', span: spanOf(length) }, at);
    return true;
  }
}

const lampState = (light: Light) => (light === 'blinks' ? 'fast' : light);
const withoutTimes = (shown: Shown): Shown => {
  if (shown.kind !== 'sound') return shown;
  const { times: _, ...rest } = shown;
  return rest;
};
const isAct = (step: Step): boolean =>
  step.kind !== 'see' && step.kind !== 'say' && step.kind !== 'at-place' && step.kind !== 'rest';
