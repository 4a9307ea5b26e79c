import type { Moment, Step } from '../model/route.ts';
import { actNext } from './acts.ts';
import type { Doubt, Intake, LinkedPhrase, Phrase } from './draft.ts';
import type { Names } from './names.ts';
import type { Memory } from './parts.ts';
import { momentNext, seenNext } from './signs.ts';
import { Stream } from './stream.ts';
import { type Token, tokensOf } from './tokens.ts';

/** Steps with the tokens they were made of, before they have their places. */
type Piece = { steps: Step[]; from: number; to: number; chain: boolean };

/** One reading of a telling, sentence by sentence. */
export class Reading {
  private readonly text: string;
  private readonly names: Names;
  private readonly memory: Memory = {
    controls: [],
    held: [],
    places: new Map(),
    was: new Map(),
    verb: null,
    doubts: [],
  };
  private readonly pieces: Piece[] = [];
  readonly notUnderstood: Phrase[] = [];
  readonly doubts: Doubt[] = [];

  constructor(text: string, names: Names) {
    this.text = text;
    this.names = names;
  }

  read(): Intake {
    for (const sentence of sentencesOf(tokensOf(this.text))) this.sentence(sentence);
    const steps: Step[] = [];
    const phrases: LinkedPhrase[] = [];
    for (const piece of this.pieces) {
      piece.steps.forEach((_, i) => {
        phrases.push({ ...this.phrase(piece.from, piece.to), at: String(steps.length + i) });
      });
      steps.push(...piece.steps);
    }
    return {
      steps,
      phrases,
      notUnderstood: merge(this.notUnderstood, this.text),
      doubts: this.doubts,
      contradictions: [],
    };
  }

  private phrase(from: number, to: number): Phrase {
    return { from, to, text: this.text.slice(from, to) };
  }
  private lost(tokens: readonly Token[]): void {
    const [first] = tokens;
    const last = tokens.at(-1);
    if (first && last) this.notUnderstood.push(this.phrase(first.from, last.to));
  }

  private sentence(tokens: readonly Token[]): void {
    const s = new Stream(tokens);
    const begun = this.pieces.length;
    if (this.choice(s, tokens)) return;
    if (this.meanwhile(s, tokens)) return;
    if (this.again(s)) return;
    if (s.peek() === 'when' && s.peek(1) === 'nothing') {
      this.lost(tokens);
      return;
    }
    const times = s.try(() => {
      if (!s.takes('do this', 'do the following', 'do')) return null;
      const n = s.count();
      return n !== null && s.takes(':') ? n : null;
    });
    const opening = this.window(s);
    if (opening) s.takes(',');
    const at = opening ? null : this.moment(s);
    this.list(s, at);
    const mine = this.pieces.slice(begun);
    if (times !== null && mine.length > 0) this.wrap(begun, (steps) => ({ kind: 'group', times, steps }));
    if (opening && mine.length > 0) this.wrap(begun, (steps) => ({ kind: 'group', times: 1, steps, window: opening }));
  }

  /** `within 5 s of the beep` and its like, where it stands. */
  private window(s: Stream): { from: Moment; mostMs: number } | null {
    return s.try(() => {
      const word = s.takes('all within', 'within', 'in less than', 'inside', 'in', 'no slower than');
      if (word === null) return null;
      const d = s.duration();
      if (!d) return null;
      if (word === 'no slower than') s.takes('for all', 'altogether');
      const from = s.try(() => (s.takes('of', 'after', 'from') ? momentNext(s, this.names) : null));
      if (!from && /^(of|after|from)$/.test(s.peek())) return null;
      return { from: from ?? { kind: 'step-before' }, mostMs: d.ms };
    });
  }
  /** `at the second beep`, `when lamp d lights`, `once the display reads 00` before what is done then. */
  private moment(s: Stream): Moment | null {
    return s.try(() => {
      const word = s.takes('at', 'when', 'once', 'as soon as', 'and when', 'on');
      if (word === null) return null;
      const moment = momentNext(s, this.names);
      if (moment?.kind !== 'sign') return null;
      s.takes(',');
      return moment;
    });
  }

  /** Acts one after the other, with commas, `and` and `then` between them. */
  private list(s: Stream, at: Moment | null): void {
    const begun = this.pieces.length;
    let moment = at;
    // where the words of the moment begin, so that they are linked with the step they belong to
    let momentFrom = at === null ? null : 0;
    let anchor = at;
    let strong = true;
    while (!s.end) {
      const joined = this.connector(s);
      if (joined !== null) strong = joined;
      if (s.end) break;
      const begins = s.i;
      const inner = this.moment(s);
      if (inner) {
        momentFrom = begins;
        moment = inner;
        anchor = inner;
      }
      if (this.suffix(s, begun, anchor)) continue;
      const opening = this.pieces.length > begun || strong ? this.window(s) : null;
      if (opening) {
        s.takes(',');
        const from = s.i;
        const before = this.pieces.length;
        const steps = this.act(s);
        if (steps) {
          this.push(s, steps, from, strong);
          this.wrap(before, (inside) => ({ kind: 'group', times: 1, steps: inside, window: opening }));
          strong = false;
          continue;
        }
        this.lose(s, from - 1);
        continue;
      }
      const from = moment !== null && momentFrom !== null ? momentFrom : s.i;
      const steps = this.act(s);
      if (!steps) {
        const here = s.i;
        if (moment) this.see(moment, s, here);
        moment = null;
        this.lose(s, here);
        strong = true;
        continue;
      }
      const [first] = steps;
      if (moment && first?.kind === 'release' && !first.at) steps[0] = { ...first, at: moment };
      else if (moment && !this.opensAt(s, moment)) this.see(moment, s, from);
      moment = null;
      this.push(s, steps, from, strong);
      strong = false;
    }
    if (moment) this.see(moment, s, s.tokens.length - 1);
  }

  /** Whether a window that begins at this moment closes the sentence: then the moment is the window's. */
  private opensAt(s: Stream, moment: Moment): boolean {
    const rest = new Stream(s.tokens);
    for (rest.i = s.i; !rest.end; rest.i += 1) {
      const window = rest.try(() => this.window(rest));
      if (window) return window.from.kind === 'step-before' && moment.kind === 'sign';
    }
    return false;
  }
  private see(moment: Moment, s: Stream, from: number): void {
    if (moment.kind !== 'sign') return;
    const sign: Step = { kind: 'see', must: 'must', signs: [moment.shown] };
    const first = s.tokens[Math.max(0, Math.min(from, s.tokens.length) - 1)];
    const start = s.tokens[0];
    if (first && start) this.pieces.push({ steps: [sign], from: start.from, to: first.to, chain: true });
  }

  /** What stands behind acts and is about them: a repeat, a window. */
  private suffix(s: Stream, begun: number, anchor: Moment | null): boolean {
    if (this.pieces.length === begun) return false;
    const from = s.i;
    const count = s.count();
    if (count !== null) {
      const chained = this.pieces.length - begun > 1;
      if (count > 1) {
        if (chained) this.wrap(this.chainStart(begun, true), (steps) => ({ kind: 'group', times: count, steps }));
        else this.wrap(this.pieces.length - 1, (steps) => repeated(steps, count));
      }
      this.extend(s);
      return true;
    }
    const all = s.peek() === 'all' || s.peek() === 'no';
    const window = this.window(s);
    if (!window) {
      s.i = from;
      return false;
    }
    if (s.end || /^[,.;]$|^(and|then)$/.test(s.peek())) {
      const opens =
        window.from.kind === 'step-before' && anchor?.kind === 'sign' ? { ...window, from: anchor } : window;
      const start = all ? begun : this.chainStart(begun, false);
      const inside = this.pieces.slice(start).flatMap((p) => p.steps);
      const [only] = inside;
      if (only?.kind === 'group' && inside.length === 1 && !only.window)
        this.wrap(start, () => ({ ...only, window: opens }));
      else this.wrap(start, (steps) => ({ kind: 'group', times: 1, steps, window: opens }));
      this.extend(s);
      return true;
    }
    s.i = from;
    return false;
  }
  /** Where the chain of acts began that a repeat or a window stands behind. */
  private chainStart(begun: number, repeat: boolean): number {
    let start = this.pieces.length - 1;
    while (start > begun && (repeat || this.pieces[start]?.chain)) start -= 1;
    return start;
  }

  private connector(s: Stream): boolean | null {
    const from = s.i;
    let strong = false;
    let any = false;
    for (;;) {
      if (s.takes(',', ';', ':', '–', '—', 'after that', 'next', 'finally', 'now', 'first')) {
        strong = true;
        any = true;
      } else if (s.takes('and then', 'then')) {
        strong = true;
        any = true;
      } else if (s.takes('and', 'but')) any = true;
      else break;
    }
    if (!any) s.i = from;
    return any ? strong : null;
  }

  private act(s: Stream): Step[] | null {
    return s.try(() => {
      const before = this.memory.doubts.length;
      const from = s.i;
      const steps = actNext(s, this.names, this.memory);
      if (!steps) return null;
      const kept = this.meanwhileAfter(s, steps);
      const clean =
        s.end ||
        s.token?.kind === 'stop' ||
        /^(and|then|but|while|all|within|in|no|until|twice|let|release)$/.test(s.peek()) ||
        s.token?.kind === 'number';
      if (!clean) return null;
      const first = s.tokens[from];
      const last = s.tokens[s.i - 1];
      for (const about of this.memory.doubts.slice(before))
        if (first && last) this.doubts.push({ ...this.phrase(first.from, last.to), about });
      return kept;
    });
  }
  /** `… while you press b` behind a hold. */
  private meanwhileAfter(s: Stream, steps: Step[]): Step[] {
    const last = steps.at(-1);
    if (last?.kind !== 'hold') return steps;
    const during = s.try(() => {
      if (!s.takes('while', 'as', 'whilst')) return null;
      return this.during(s);
    });
    if (!during) return steps;
    const until = last.until.kind === 'release' ? {} : { until: last.until };
    const ending = s.try(() => {
      s.takes(',');
      return s.takes('until', 'till') ? momentNext(s, this.names) : null;
    });
    const end = ending ? { until: { kind: 'moment' as const, moment: ending } } : until;
    return [...steps.slice(0, -1), { kind: 'keep', controls: last.controls, during, ...end }];
  }
  private during(s: Stream): Step[] | null {
    const inside: Step[] = [];
    for (;;) {
      const more = s.try(() => {
        if (inside.length > 0) {
          s.takes(',');
          if (!s.takes('and then', 'and', 'then')) return null;
        }
        const passive = this.passive(s);
        return passive ?? actNext(s, this.names, this.memory);
      });
      if (!more) break;
      inside.push(...more);
    }
    return inside.length > 0 ? inside : null;
  }
  /** `the way rocker is put to neutral`: told of the control, not of the hand. */
  private passive(s: Stream): Step[] | null {
    return s.try(() => {
      const tokens = s.tokens.slice(s.i);
      const is = tokens.findIndex((t) => t.word === 'is' || t.word === 'are');
      if (is < 1 || is > 5 || tokens[is + 1]?.word === undefined) return null;
      const verb = tokens[is + 1];
      if (!verb || !['put', 'press', 'turn', 'set', 'switch', 'move', 'open', 'shut', 'pressed'].includes(verb.word))
        return null;
      const active = new Stream([
        { ...verb, word: verb.word === 'pressed' ? 'press' : verb.word },
        ...tokens.slice(0, is),
        ...tokens.slice(is + 2),
      ]);
      const steps = actNext(active, this.names, this.memory);
      if (!steps) return null;
      s.i += active.i + 1;
      return steps;
    });
  }

  /** `while holding a, press b`, `with the rocker held up, open the hood`. */
  private meanwhile(s: Stream, tokens: readonly Token[]): boolean {
    const done = s.try(() => {
      const word = s.takes('while', 'whilst', 'with');
      if (word === null) return null;
      const comma = tokens.findIndex((t, i) => i > s.i && t.word === ',');
      if (comma < 0) return null;
      const head = tokens.slice(s.i, comma);
      const held = head.findIndex((t) => ['held', 'pressed', 'depressed', 'kept'].includes(t.word));
      const words =
        word === 'with' && held > 0
          ? [
              { ...(head[held] as Token), word: 'hold', kind: 'word' as const },
              ...head.slice(0, held),
              ...head.slice(held + 1),
            ]
          : head;
      const inner = new Stream(words);
      const steps = actNext(inner, this.names, this.memory);
      const hold = steps?.[0];
      if (!inner.end || hold?.kind !== 'hold' || steps?.length !== 1) return null;
      return { hold, comma };
    });
    if (!done) return false;
    const begun = this.pieces.length;
    const rest = new Stream(tokens.slice(done.comma + 1));
    this.list(rest, null);
    this.wrap(begun, (during) => ({ kind: 'keep', controls: done.hold.controls, during }), tokens[0]?.from);
    return true;
  }

  /** `if … , … otherwise …` */
  private choice(s: Stream, tokens: readonly Token[]): boolean {
    const on = s.try(() => {
      if (!s.takes('if')) return null;
      const seen = seenNext(s, this.names);
      const [shown] = seen?.signs ?? [];
      return shown && seen?.signs.length === 1 && s.takes(',', 'then') ? shown : null;
    });
    if (!on) {
      if (s.peek() !== 'if') return false;
      this.lost(tokens);
      return true;
    }
    const rest = tokens.slice(s.i);
    const other = rest.findIndex(
      (t, i) =>
        t.word === 'otherwise' ||
        t.word === 'else' ||
        (t.word === 'if' &&
          (rest[i + 1]?.word === 'not' || rest[i + 2]?.word === 'does' || rest[i + 1]?.word === 'it')),
    );
    const split = other < 0 ? rest.length : other;
    const part = (some: readonly Token[]): Step[] => {
      const begun = this.pieces.length;
      const words = some.filter((t, i) => !(i === some.length - 1 && t.kind === 'stop'));
      this.list(new Stream(words), null);
      return this.pieces.splice(begun).flatMap((p) => p.steps);
    };
    const met = part(rest.slice(0, split));
    const after = rest.slice(split);
    const skip = after[0]?.word === 'if' ? after.findIndex((t) => t.word === ',') + 1 : 1;
    const otherwise = after.length > 0 ? part(after.slice(Math.max(1, skip))) : [];
    const [first] = tokens;
    const last = tokens.at(-1);
    if (first && last && (met.length > 0 || otherwise.length > 0))
      this.pieces.push({
        steps: [{ kind: 'branch', on: { kind: 'sign', shown: on }, met, otherwise }],
        from: first.from,
        to: last.to,
        chain: false,
      });
    return true;
  }
  /** `Repeat that four times.` */
  private again(s: Stream): boolean {
    const n = s.try(() => {
      if (!s.takes('repeat that', 'repeat', 'do that', 'do it', 'repeat it', 'do so')) return null;
      const count = s.count();
      return count !== null && s.end ? count : null;
    });
    if (n === null || this.pieces.length === 0) return false;
    // a whole sentence is repeated
    this.wrap(this.sentenceStart, (steps) => ({ kind: 'group', times: n, steps }));
    this.extend(s);
    return true;
  }
  private sentenceStart = 0;

  private push(s: Stream, steps: Step[], from: number, strong: boolean): void {
    if (from === 0 || this.pieces.length === 0) {
      this.sentenceStart = this.pieces.length;
    }
    const first = s.tokens[from];
    const last = s.tokens[s.i - 1];
    if (first && last) this.pieces.push({ steps, from: first.from, to: last.to, chain: !strong });
  }
  private wrap(start: number, make: (steps: Step[]) => Step, from?: number): void {
    const inside = this.pieces.splice(start);
    const [first] = inside;
    const last = inside.at(-1);
    if (!first || !last) return;
    const step = make(inside.flatMap((p) => p.steps));
    this.pieces.push({
      steps: [step],
      from: from ?? first.from,
      to: last.to,
      chain: first.chain,
    });
  }
  private extend(s: Stream): void {
    const piece = this.pieces.at(-1);
    const last = s.tokens[s.i - 1];
    if (piece && last) piece.to = Math.max(piece.to, last.to);
  }
  /** Passes over what is not understood, up to where something new may begin. */
  private lose(s: Stream, from: number): void {
    s.i = Math.max(s.i, from + 1);
    while (!s.end && s.token?.kind !== 'stop' && !(s.peek() === 'and' && this.begins(s)) && s.peek() !== 'then')
      s.i += 1;
    this.lost(s.tokens.slice(from, s.i));
  }
  private begins(s: Stream): boolean {
    const ahead = new Stream(s.tokens);
    ahead.i = s.i + 1;
    const saved = {
      ...this.memory,
      places: new Map(this.memory.places),
      was: new Map(this.memory.was),
      doubts: [...this.memory.doubts],
    };
    const got = actNext(ahead, this.names, this.memory);
    Object.assign(this.memory, saved);
    return got !== null;
  }
}

/** One step so many times: presses count up, anything else stands in a group. */
function repeated(steps: Step[], times: number): Step {
  const [only] = steps;
  if (steps.length === 1 && only?.kind === 'press') return { ...only, times: only.times * times };
  return { kind: 'group', times, steps };
}

function sentencesOf(tokens: readonly Token[]): Token[][] {
  const sentences: Token[][] = [[]];
  for (const token of tokens) {
    const ends = token.kind === 'stop' && ['.', '!', '?', '\n'].includes(token.word);
    const isIf = token.word === ';' && sentences.at(-1)?.[0]?.word === 'if';
    if (ends || (token.word === ';' && !isIf)) sentences.push([]);
    else sentences.at(-1)?.push(token);
  }
  return sentences.filter((s) => s.length > 0);
}

function merge(phrases: readonly Phrase[], text: string): Phrase[] {
  const out: Phrase[] = [];
  for (const p of [...phrases].sort((a, b) => a.from - b.from)) {
    const last = out.at(-1);
    if (last && /^[\s,]*$/.test(text.slice(last.to, p.from)))
      out[out.length - 1] = { from: last.from, to: p.to, text: text.slice(last.from, p.to) };
    else out.push(p);
  }
  return out;
}
