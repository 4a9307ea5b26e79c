import { fail, ok, type Result } from '../base/result.ts';
import type { PatternError } from '../model/finding.ts';

/** What a plate can hold once spaces and dashes are put aside. */
const alphabet = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789/.';

type Part =
  | Readonly<{ kind: 'one-of'; characters: string }>
  | Readonly<{ kind: 'any-run' }>
  | Readonly<{ kind: 'optional'; parts: readonly Part[] }>
  | Readonly<{ kind: 'either'; of: ReadonlyArray<readonly Part[]> }>;

type State = { on: Array<Readonly<{ characters: string; to: number }>>; free: number[] };
/** A model pattern ready to be matched: a small automaton. State 0 begins, the last state accepts. */
export type ModelMatcher = Readonly<{ states: ReadonlyArray<Readonly<State>> }>;

const digits = '0123456789';
const sequence = (sets: readonly string[]): Part[] => sets.map((characters) => ({ kind: 'one-of', characters }));

/** Numbers of one length from `low` to `high` as rows of digit sets. */
function numberRows(low: string, high: string): string[][] {
  if (low === '') return [[]];
  const [a, b] = [Number(low[0]), Number(high[0])];
  const [restLow, restHigh] = [low.slice(1), high.slice(1)];
  if (a === b) return numberRows(restLow, restHigh).map((row) => [String(a), ...row]);
  const rows = numberRows(restLow, '9'.repeat(restLow.length)).map((row) => [String(a), ...row]);
  if (b - a > 1) rows.push([digits.slice(a + 1, b), ...restLow.split('').map(() => digits)]);
  return [...rows, ...numberRows('0'.repeat(restHigh.length), restHigh).map((row) => [String(b), ...row])];
}

function numberRange(low: string, high: string): Part | null {
  const [from, to] = [Number(low), Number(high)];
  if (from > to) return null;
  // a first number with a leading zero says how wide they all are
  const width = low.length > 1 && low.startsWith('0') ? low.length : 0;
  const of: Part[][] = [];
  for (let length = low.length; length <= high.length; length++) {
    const least = length === low.length ? low : `1${'0'.repeat(length - 1)}`;
    const most = length === high.length ? high : '9'.repeat(length);
    if (width === 0 || length === width) of.push(...numberRows(least, most).map(sequence));
  }
  return { kind: 'either', of };
}

/** Reads a class such as `A-C7`; null where a range stands upside down or holds a sign no plate has. */
function classOf(text: string): string | null {
  let characters = '';
  for (let i = 0; i < text.length; i++) {
    const first = text[i] ?? '';
    if (text[i + 1] === '-' && i + 2 < text.length) {
      const [from, to] = [alphabet.indexOf(first), alphabet.indexOf(text[i + 2] ?? '')];
      if (from < 0 || to < from) return null;
      characters += alphabet.slice(from, to + 1);
      i += 2;
    } else if (alphabet.includes(first)) characters += first;
    else return null;
  }
  return characters;
}

function parse(text: string): Result<Part[], PatternError> {
  const open: Array<{ column: number; parts: Part[] }> = [];
  let parts: Part[] = [];
  for (let i = 0; i < text.length; i++) {
    const sign = text[i] ?? '';
    const column = i + 1;
    if (sign === ' ' || sign === '-') continue;
    if (sign === '?') parts.push({ kind: 'one-of', characters: alphabet });
    else if (sign === '*') parts.push({ kind: 'any-run' });
    else if (sign === '(') {
      open.push({ column, parts });
      parts = [];
    } else if (sign === ')') {
      const outer = open.pop();
      if (!outer) return fail({ column, why: 'not-opened' });
      if (parts.length === 0) return fail({ column, why: 'empty' });
      outer.parts.push({ kind: 'optional', parts });
      parts = outer.parts;
    } else if (sign === '[' || sign === '{') {
      const end = text.indexOf(sign === '[' ? ']' : '}', i);
      if (end < 0) return fail({ column, why: 'not-closed' });
      const inner = text.slice(i + 1, end);
      if (inner === '') return fail({ column, why: 'empty' });
      if (sign === '[') {
        const characters = classOf(inner);
        if (characters === null) return fail({ column, why: 'range' });
        parts.push({ kind: 'one-of', characters });
      } else {
        const [, low, high] = /^(\d{1,9})-(\d{1,9})$/.exec(inner) ?? [];
        const range = low !== undefined && high !== undefined ? numberRange(low, high) : null;
        if (!range) return fail({ column, why: 'range' });
        parts.push(range);
      }
      i = end;
    } else if (alphabet.includes(sign)) parts.push({ kind: 'one-of', characters: sign });
    else return fail({ column, why: sign === ']' || sign === '}' ? 'not-opened' : 'character' });
  }
  const unclosed = open.at(-1);
  return unclosed ? fail({ column: unclosed.column, why: 'not-closed' }) : ok(parts);
}

/**
 * Compiles a model pattern: letters and digits as they are, `?` for one, `*` for any number, `[A-C7]` for one of a class,
 * `{100-250}` for a number in a range (`{007-120}` with leading zeros), `(…)` for what may be missing. Spaces, dashes and
 * case do not count.
 */
export function compilePattern(pattern: string): Result<ModelMatcher, PatternError> {
  const parsed = parse(pattern.toUpperCase());
  if (!parsed.ok) return parsed;
  const states: State[] = [{ on: [], free: [] }];
  const add = (): number => states.push({ on: [], free: [] }) - 1;
  const put = (part: Part, at: number): number => {
    const next = add();
    switch (part.kind) {
      case 'one-of':
        states[at]?.on.push({ characters: part.characters, to: next });
        break;
      case 'any-run':
        states[at]?.free.push(next);
        states[next]?.on.push({ characters: alphabet, to: next });
        break;
      case 'optional':
        states[at]?.free.push(next);
        states[build(part.parts, at)]?.free.push(next);
        break;
      case 'either':
        for (const parts of part.of) states[build(parts, at)]?.free.push(next);
        break;
    }
    return next;
  };
  const build = (parts: readonly Part[], from: number): number => parts.reduce((at, part) => put(part, at), from);
  const end = build(parsed.value, 0);
  const last = add();
  states[end]?.free.push(last);
  return ok({ states });
}

type Standing = ReadonlySet<number>;

function settled(matcher: ModelMatcher, from: Iterable<number>): Standing {
  const reached = new Set(from);
  for (const state of reached) for (const to of matcher.states[state]?.free ?? []) reached.add(to);
  return reached;
}

const moved = (matcher: ModelMatcher, at: Standing, character: string): Standing =>
  settled(
    matcher,
    [...at].flatMap((s) =>
      (matcher.states[s]?.on ?? []).filter((o) => o.characters.includes(character)).map((o) => o.to),
    ),
  );
const accepts = (matcher: ModelMatcher, at: Standing): boolean => at.has(matcher.states.length - 1);
const plain = (model: string): string => model.toUpperCase().replace(/[\s-]/g, '');

/** Whether a model number fits a compiled pattern; spaces, dashes and case do not matter. */
export function fits(matcher: ModelMatcher, model: string): boolean {
  let at = settled(matcher, [0]);
  for (const character of plain(model)) at = moved(matcher, at, character);
  return accepts(matcher, at);
}

/** The shortest string for which `wanted` holds of where every matcher stands; null where there is none. */
function shortest(matchers: readonly ModelMatcher[], wanted: (at: readonly Standing[], text: string) => boolean) {
  const begin = matchers.map((m) => settled(m, [0]));
  const nameOf = (at: readonly Standing[]) => at.map((s) => [...s].sort((a, b) => a - b).join()).join('|');
  let ring: Array<Readonly<{ at: readonly Standing[]; text: string }>> = [{ at: begin, text: '' }];
  const seen = new Set<string>();
  while (ring.length > 0) {
    const next: typeof ring = [];
    for (const { at, text } of ring) {
      if (wanted(at, text)) return text;
      for (const character of alphabet) {
        const then = matchers.map((m, i) => moved(m, at[i] ?? new Set(), character));
        const name = nameOf(then);
        if (seen.has(name)) continue;
        seen.add(name);
        next.push({ at: then, text: text + character });
      }
    }
    ring = next;
  }
  return null;
}

/** The shortest model number that fits both patterns; null where none does. */
export function sharedModel(a: ModelMatcher, b: ModelMatcher): string | null {
  return shortest([a, b], ([x, y]) => accepts(a, x ?? new Set()) && accepts(b, y ?? new Set()));
}

/** The shortest model number that fits; null for what is no pattern. */
export function modelLike(pattern: string): string | null {
  const compiled = compilePattern(pattern);
  return compiled.ok ? sharedModel(compiled.value, compiled.value) : null;
}

/** The shortest model number, not empty, that a pattern leaves out; null where it matches everything. */
export function leftOut(matcher: ModelMatcher): string | null {
  return shortest([matcher], ([at], text) => text !== '' && !accepts(matcher, at ?? new Set()));
}
