import { exactly } from '../../base/text.ts';
import type { Step } from '../../model/route.ts';
import { lengthAt } from './amounts.ts';
import { type Reader, spanOf } from './reader.ts';
import { type Word, wordsOf } from './text.ts';

/**
 * Times that became nothing, by where they stand: beside a row of keys that has none, how long one has for it; while the supply
 * is away and nobody waits, how long one does.
 */
export function findTimes(r: Reader, text: string): void {
  waitNotHaste(r);
  const words = wordsOf(text);
  for (let i = 0; i < words.length; i += 1) {
    const w = words[i];
    const length = lengthAt(words, i);
    if (!w || !length) continue;
    const at = { from: w.from, to: words[i + length.length - 1]?.to ?? w.to };
    if (!r.isRead(at) && !isOther(words, i, length.length)) {
      if (!windowFor(r, at, length.ms)) restFor(r, text, at, length);
    }
    i += length.length - 1;
  }
}

/** `you have patience for forty seconds`: so long nobody has for a row of keys, and where no key is pressed one waits. */
function waitNotHaste(r: Reader): void {
  for (let i = r.made.length - 1; i >= 0; i -= 1) {
    const m = r.made[i];
    if (m?.step.kind !== 'group' || !m.step.window || m.step.times !== 1) continue;
    const { steps, window } = m.step;
    if (window.mostMs <= longest || steps.some((s) => s.kind !== 'set')) continue;
    const before = r.made.slice(0, i).map((x) => x.step);
    const off = steps.findIndex((s) => awaySince(r, [...before, s]) === before.length);
    if (off < 0 && awaySince(r, before) < 0) continue;
    const rest: Step = { kind: 'rest', span: exactly(window.mostMs) };
    const all = [...steps.slice(0, off + 1), rest, ...steps.slice(off + 1)];
    r.made.splice(i, 1, ...all.map((step) => ({ ...m, step })));
  }
}

/** Which of some steps took the supply away last; -1 where it is there behind them. */
function awaySince(r: Reader, steps: readonly Step[]): number {
  let away = -1;
  for (const [i, step] of steps.entries()) {
    const own = step.kind === 'set' ? r.called.facts.controls.get(step.control) : undefined;
    if (step.kind === 'set' && own && own.powersAt.size > 0) away = own.powersAt.has(step.to) ? -1 : i;
  }
  return away;
}

type Span = Readonly<{ from: number; to: number }>;

const other =
  /^(?:every|each|blink\w*|flash\w*|took|takes?|ago|years?|last|lasts|apart|between|first|if|hold|holds|held|holding|keep|kept|after|later|since|old|more|than)$/;
/** Whether a time is told of something else: how it blinks, how long it took, how long a key is held. */
function isOther(words: readonly Word[], i: number, length: number): boolean {
  let from = i;
  while (from > 0 && i - from < 7 && !/^[.!?\n;]$/.test(words[from - 1]?.raw ?? '')) from -= 1;
  const behind = words[i + length]?.word ?? '';
  return (
    words.slice(from, i).some((w, k, own) => other.test(w.word) && !isThen(w, own[k + 1])) ||
    /^(?:ago|later|apart|old|long|ones?|after|timer)$/.test(behind)
  );
}

/** `after that, in five seconds`: what comes next. */
const isThen = ({ word }: Word, next: Word | undefined): boolean =>
  word === 'after' && /^(?:,|that|this)$/.test(next?.raw ?? '');

/** A window is no longer than this. */
const longest = 15_000;
/** How far from its row a time is told, in letters. */
const near = 60;
const leastKeys = 3;
function windowFor(r: Reader, { from, to }: Span, mostMs: number): boolean {
  if (mostMs > longest || mostMs < 2000) return false;
  const last = r.made.findLastIndex((m) => m.to <= from);
  const isPress = (k: number): boolean => r.made[k]?.step.kind === 'press';
  let [first, end] = [last + 1, last + 1];
  while (isPress(end)) end += 1;
  // none told behind it: the row right before
  if (end - first === 0 || (r.made[first]?.from ?? 0) - to > near) {
    [first, end] = [last + 1, last + 1];
    if (from - (r.made[last]?.to ?? 0) > near) return false;
    while (isPress(first - 1)) first -= 1;
  }
  // told once more of a row that has it
  const isTold = r.made
    .slice(Math.max(0, last - 1), last + 3)
    .some(({ step }) => step.kind === 'group' && step.window?.mostMs === mostMs);
  if (isTold) return false;
  const own = r.made.slice(first, end);
  const presses = own.reduce((n, { step }) => n + (step.kind === 'press' ? step.times : 0), 0);
  const [one, final] = [own[0], own.at(-1)];
  if (!one || !final || presses < leastKeys) return false;
  const window = { from: { kind: 'step-before' }, mostMs } as const;
  r.made.splice(first, own.length, {
    step: { kind: 'group', times: 1, steps: own.map((m) => m.step), window },
    from: Math.min(one.from, from),
    to: Math.max(final.to, to),
    sentence: one.sentence,
  });
  return true;
}

/** A wait is no shorter than this, and no longer. */
const shortest = 8000;
const longestWait = 300_000;
function restFor(r: Reader, text: string, { from, to }: Span, length: Readonly<{ ms: number; mostMs: number }>): void {
  if (
    length.ms < shortest ||
    length.ms > longestWait ||
    /\b(?:within|inside|in under|(?:you|we|i)(?:'ve| have)(?: got| only)*)\W*$/i.test(
      text.slice(Math.max(0, from - 16), from),
    )
  )
    return;
  const last = r.made.findLastIndex((m) => m.from <= from);
  const away = awaySince(
    r,
    r.made.slice(0, last + 1).map((m) => m.step),
  );
  const isDone = r.made
    .slice(Math.max(0, away), last + 3)
    .some((m) => m.step.kind === 'rest' || m.step.kind === 'press' || m.step.kind === 'hold');
  if (away < 0 || isDone || r.made.slice(0, away).some((m) => m.step.kind === 'hold')) return;
  r.insert({ kind: 'rest', span: spanOf(length) }, { from, to });
}
