import { nearest } from '../base/nearest.ts';
import type { Span } from '../base/text.ts';
import { type LampState, lampStates } from '../model/lamp.ts';
import type { Moment } from '../model/route.ts';
import type { Shown } from '../model/shown.ts';
import type { ScriptCount, ScriptProblem, ScriptWanted } from './problem.ts';

type Token = Readonly<{ text: string; column: number; kind: 'word' | 'text' | 'sign' }>;
type Facts<P> = P extends unknown ? Omit<P, 'line' | 'column' | 'length'> : never;

/** A line that cannot be read; caught where the line began. */
export class Unreadable extends Error {
  readonly problem: ScriptProblem;
  constructor(problem: ScriptProblem) {
    super(problem.code);
    this.problem = problem;
  }
}

const pattern = /"(?:[^"\\]|\\.)*"|[+,>]|[^\s+,>"]+|"/g;
const idPattern = /^[a-z0-9][a-z0-9-]{0,63}$/;
const units: Readonly<Record<string, number>> = { ms: 1, s: 1000, sec: 1000, min: 60_000, h: 3_600_000 };
const unitWords = Object.keys(units);
const colours = ['amber', 'green', 'red', 'white', 'blue', 'yellow'] as const;

/** Reads one line from left to right. Every reader either takes what it wants or throws `Unreadable` at its column. */
export class Line {
  private readonly tokens: readonly Token[];
  private next = 0;
  readonly number: number;
  private readonly text: string;

  constructor(text: string, number: number, from: number) {
    this.text = text;
    this.number = number;
    this.tokens = [...text.slice(from).matchAll(pattern)].map((m) => ({
      text: m[0],
      column: from + m.index + 1,
      kind: m[0].startsWith('"') ? 'text' : /^[+,>]$/.test(m[0]) ? 'sign' : 'word',
    }));
  }

  fail(problem: Facts<ScriptProblem>, token = this.tokens[this.next]): never {
    throw new Unreadable({
      ...problem,
      line: this.number,
      column: token?.column ?? this.text.length + 1,
      length: token?.text.length ?? 1,
    } as ScriptProblem);
  }
  peek(): string | null {
    return this.tokens[this.next]?.text ?? null;
  }
  get atEnd(): boolean {
    return this.next >= this.tokens.length;
  }
  /** Takes the word if it stands next. */
  takes(...words: string[]): boolean {
    if (!words.includes(this.peek() ?? '')) return false;
    this.next += 1;
    return true;
  }
  word(words: readonly string[], wanted: ScriptWanted): string {
    const token = this.tokens[this.next] ?? this.fail({ code: 'missing', wanted });
    if (!words.includes(token.text))
      this.fail({ code: 'no-such-word', word: token.text, likely: nearest(token.text, words) });
    this.next += 1;
    return token.text;
  }
  expect(word: string): void {
    this.word([word], { word });
  }
  id(wanted: ScriptWanted): string {
    const token = this.tokens[this.next] ?? this.fail({ code: 'missing', wanted });
    const text = token.text.startsWith('@') ? token.text.slice(1) : token.text;
    if (token.kind !== 'word' || !idPattern.test(text)) this.fail({ code: 'not-an-id', word: token.text });
    this.next += 1;
    return text;
  }
  ids(wanted: ScriptWanted): string[] {
    const ids = [this.id(wanted)];
    while (this.takes('+')) ids.push(this.id(wanted));
    return ids;
  }
  quoted(wanted: ScriptWanted): string {
    const token = this.tokens[this.next] ?? this.fail({ code: 'missing', wanted });
    if (token.kind !== 'text') this.fail({ code: 'missing', wanted });
    this.next += 1;
    return this.unquote(token.text, token);
  }
  private unquote(text: string, token?: Token): string {
    try {
      return JSON.parse(text) as string;
    } catch {
      return this.fail({ code: 'text-not-closed' }, token);
    }
  }
  /** What is left of the line, as it stands or in quotation marks. */
  tail(wanted: ScriptWanted, most = 4000): string {
    const token = this.tokens[this.next] ?? this.fail({ code: 'missing', wanted });
    this.next = this.tokens.length;
    const rest = this.text.slice(token.column - 1).trim();
    const text = rest.startsWith('"') ? this.unquote(rest, token) : rest;
    if (text.length > most)
      this.fail({ code: 'out-of-range', what: 'letters', value: text.length, least: 1, most }, token);
    return text;
  }
  integer(what: ScriptCount, least: number, most: number): number {
    const token = this.tokens[this.next] ?? this.fail({ code: 'missing', wanted: what });
    const value = Number(token.text);
    if (token.kind !== 'word' || !Number.isInteger(value)) this.fail({ code: 'not-a-number', word: token.text });
    if (value < least || value > most) this.fail({ code: 'out-of-range', what, value, least, most });
    this.next += 1;
    return value;
  }
  /** Any number. */
  numeral(): number {
    const token = this.tokens[this.next] ?? this.fail({ code: 'missing', wanted: 'value' });
    const value = Number(token.text);
    if (token.kind !== 'word' || !Number.isFinite(value)) this.fail({ code: 'not-a-number', word: token.text });
    this.next += 1;
    return value;
  }
  /** `3 times`, `twice`, `once`, `x3`, or nothing for once. */
  times(most = 100): number {
    if (this.takes('once')) return 1;
    if (this.takes('twice')) return 2;
    const glued = /^x(\d+)$/.exec(this.peek() ?? '');
    if (glued) return this.range(Number(glued[1]), 'times', 1, most);
    if (!/^[-\d]/.test(this.peek() ?? '')) return 1;
    const value = this.integer('times', 1, most);
    this.word(['times', 'time'], { word: 'times' });
    return value;
  }
  private range(value: number, what: ScriptCount, least: number, most: number): number {
    if (value < least || value > most) this.fail({ code: 'out-of-range', what, value, least, most });
    this.next += 1;
    return value;
  }
  /** A number with its unit, `3 s` or `3s`; without a unit, in the unit that was given. */
  private amount(unitGiven: number | null): { value: number; unit: number | null } {
    const token = this.tokens[this.next] ?? this.fail({ code: 'missing', wanted: 'time' });
    const match = /^(-?\d*\.?\d+(?:e[-+]?\d+)?)([a-z]*)$/i.exec(token.text);
    const value = Number(match?.[1]);
    if (!match || !Number.isFinite(value)) this.fail({ code: 'not-a-number', word: token.text });
    const glued = match[2] || null;
    if (glued !== null && !(glued in units))
      this.fail({ code: 'no-such-word', word: glued, likely: nearest(glued, unitWords) });
    if (value < 0) this.fail({ code: 'out-of-range', what: 'duration', value, least: 0, most: 86_400_000 });
    this.next += 1;
    const following = glued ?? (this.peek() !== null && (this.peek() as string) in units ? this.peek() : null);
    if (glued === null && following !== null) this.next += 1;
    return { value, unit: following === null ? unitGiven : (units[following] ?? null) };
  }
  duration(): number {
    const { value, unit } = this.amount(null);
    if (unit === null) this.fail({ code: 'missing', wanted: 'unit' });
    return value * unit;
  }
  /** `3 s`, `3 to 5 s`, `3 s to 5 s usually 4 s`. */
  span(): Span {
    const begin = this.tokens[this.next];
    const first = this.amount(null);
    if (!this.takes('to')) {
      if (first.unit === null) this.fail({ code: 'missing', wanted: 'unit' });
      const ms = first.value * first.unit;
      return { leastMs: ms, usualMs: ms, mostMs: ms };
    }
    const last = this.amount(null);
    if (last.unit === null) this.fail({ code: 'missing', wanted: 'unit' });
    const leastMs = first.value * (first.unit ?? last.unit);
    const mostMs = last.value * last.unit;
    const usualMs = this.takes('usually') ? this.duration() : (leastMs + mostMs) / 2;
    if (leastMs > usualMs || usualMs > mostMs) this.fail({ code: 'span-upside-down' }, begin);
    return { leastMs, usualMs, mostMs };
  }
  shown(): Shown {
    const sign = this.id('sign') as Shown['sign'];
    if (this.tokens[this.next]?.kind === 'text') {
      const text = { kind: 'text' as const, sign, text: this.quoted('text') };
      if (this.takes('flashing')) return { ...text, flashes: true };
      return this.takes('steady') ? { ...text, flashes: false } : text;
    }
    const state = this.word([...lampStates, 'on', 'off'], 'state');
    if (state === 'on' || state === 'off') {
      const glued = /^x(\d+)$/.exec(this.peek() ?? '');
      const times = glued ? this.range(Number(glued[1]), 'times', 1, 100) : null;
      return { kind: 'sound', sign, state, ...(times === null ? {} : { times }) };
    }
    const lamp = { kind: 'lamp' as const, sign, state: state as LampState };
    const colour = colours.find((c) => this.takes(c));
    return colour ? { ...lamp, colour } : lamp;
  }
  moment(): Moment {
    if (this.takes('power-on')) return { kind: 'power-on' };
    if (this.takes('step-before')) return { kind: 'step-before' };
    const shown = this.shown();
    const nth = /^#(\d+)$/.exec(this.peek() ?? '');
    const times = nth ? this.range(Number(nth[1]), 'count', 1, 100) : 1;
    const also: Shown[] = [];
    while (this.takes('and')) also.push(this.shown());
    return { kind: 'sign', shown, ...(also.length > 0 && { also }), nth: times };
  }
  /** Nothing may be left; what is, is named with what was likely meant. */
  end(words: readonly string[] = []): void {
    const token = this.tokens[this.next];
    if (token) this.fail({ code: 'left-over', word: token.text, likely: nearest(token.text, words) });
  }
}
