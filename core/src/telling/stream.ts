import { exactly, type Span } from '../base/text.ts';
import { fillers, type Token } from './tokens.ts';

const unitMs: Readonly<Record<string, number>> = { ms: 1, s: 1000, second: 1000, minute: 60_000, hour: 3_600_000 };

/** Tokens read from left to right; readers take what they want or put the place back. */
export class Stream {
  readonly tokens: readonly Token[];
  i = 0;
  constructor(tokens: readonly Token[]) {
    this.tokens = tokens;
  }
  get end(): boolean {
    return this.i >= this.tokens.length;
  }
  get token(): Token | undefined {
    return this.tokens[this.i];
  }
  peek(ahead = 0): string {
    const t = this.tokens[this.i + ahead];
    return t === undefined ? '' : t.kind === 'number' ? String(t.value) : t.word;
  }
  /** Runs a reader; where it finds nothing the place is as before. */
  try<T>(read: () => T | null): T | null {
    const from = this.i;
    const got = read();
    if (got === null) this.i = from;
    return got;
  }
  /** Takes one of these words, fillers before it passed over. `“let go”` is two words. */
  takes(...options: string[]): string | null {
    return this.try(() => {
      this.fill();
      for (const option of options) {
        const words = option.split(' ');
        if (words.every((w, k) => this.peek(k) === w)) {
          this.i += words.length;
          return option;
        }
      }
      return null;
    });
  }
  fill(): void {
    while (!this.end && this.token?.kind === 'word' && fillers.has(this.peek())) this.i += 1;
  }
  number(): number | null {
    this.fill();
    const t = this.token;
    if (t?.kind !== 'number' || t.value === null) return null;
    this.i += 1;
    return t.value;
  }
  text(): string | null {
    const t = this.token;
    if (t?.kind !== 'text') return null;
    this.i += 1;
    return t.word;
  }
  /** `5 s`, `half a minute`, `a second`; a number without a unit where one is `given`. */
  duration(given: number | null = null): { ms: number; unit: number } | null {
    return this.try(() => {
      this.takes('about', 'around', 'roughly', 'some', 'another');
      if (this.takes('half')) {
        this.takes('of');
        const unit = this.unit();
        return unit === null ? null : { ms: unit / 2, unit };
      }
      const single = this.peek() === 'a' || this.peek() === 'an';
      const value = this.number() ?? (single ? 1 : null);
      if (value === null) return null;
      const glued = this.peek() === 'and' && this.peek(1) === 'half' ? 0.5 : 0;
      if (glued) this.i += 2;
      const unit = this.unit() ?? given;
      return unit === null ? null : { ms: Math.round((value + glued) * unit), unit };
    });
  }
  private unit(): number | null {
    this.fill();
    const unit = unitMs[this.peek()];
    if (unit === undefined) return null;
    this.i += 1;
    return unit;
  }
  /** A length or a range: `five to ten seconds`, `between 5 and 10 s`, `at least five seconds, ten at most`. */
  span(): Span | null {
    return this.try(() => {
      this.takes('for');
      if (this.takes('between')) {
        const range = this.range('and');
        return range;
      }
      if (this.takes('at least', 'no less than', 'not less than')) {
        const least = this.duration();
        if (!least) return null;
        const most = this.try(() => {
          this.takes(',');
          this.takes('and', 'but');
          const d = this.duration(least.unit);
          return d && this.takes('at most', 'at the most') ? d : null;
        });
        return most ? between(least.ms, most.ms) : { leastMs: least.ms, usualMs: least.ms, mostMs: least.ms };
      }
      if (this.takes('no longer than', 'not longer than', 'at most', 'no more than')) {
        const most = this.duration();
        return most && between(0, most.ms);
      }
      return this.range('to');
    });
  }
  private range(by: string): Span | null {
    return this.try(() => {
      const from = this.i;
      const first = this.duration(1);
      if (!first) return null;
      const second = this.try(() => (this.takes(by, by === 'to' ? 'or' : by) ? this.duration(first.unit) : null));
      this.takes('time');
      if (second) {
        const unit = first.unit === 1 ? second.unit : 1;
        return between(first.ms * unit, second.ms);
      }
      if (first.unit !== 1) return exactly(first.ms);
      this.i = from;
      const alone = this.duration();
      return alone && exactly(alone.ms);
    });
  }
  /** `twice`, `3 times`, `once more`; null where no count is told. */
  count(): number | null {
    return this.try(() => {
      this.fill();
      if (this.takes('once', 'one time')) return 1;
      if (this.takes('twice')) return 2;
      if (this.takes('thrice')) return 3;
      const n = this.number();
      return n !== null && Number.isInteger(n) && this.takes('time', 'x') ? n : null;
    });
  }
}

const between = (leastMs: number, mostMs: number): Span =>
  leastMs > mostMs ? exactly(leastMs) : { leastMs, usualMs: (leastMs + mostMs) / 2, mostMs };
