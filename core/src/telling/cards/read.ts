import type { ControlId } from '../../base/ids.ts';
import type { Step } from '../../model/route.ts';
import { stepTraits } from '../../model/steps.ts';
import type { UnitFacts } from '../../unit/facts.ts';
import type { Told } from '../speech/read.ts';
import { type CardNames, type CardRead, cardAt, cardNames, windowed } from './card.ts';
import { Cursor } from './cursor.ts';

type Line = CardRead & Readonly<{ from: number; to: number }>;

const isNote = /^(?:First: |With: |If it fails: |If it does not take: |How sure: |! )/;

/** Steps with the lines each was made of. */
type Built = Readonly<{ step: Step; from: number; to: number }>;

const without = (line: Line, names: readonly ControlId[]): Line => ({
  ...line,
  keeping: line.keeping.filter((k) => !names.includes(k)),
});

/** Lines of one window in a row, as the one group they come to; what shows in between belongs to it. */
function windowsOf(lines: readonly Line[]): Built[] {
  const out: Built[] = [];
  for (let i = 0; i < lines.length; ) {
    const line = lines[i];
    if (!line) break;
    if (line.windowMs === null) {
      out.push(...keptAt(lines, i));
      i = nextAfter(lines, i);
      continue;
    }
    const key = (l: Line): string => `${l.windowMs} ${JSON.stringify(l.since)}`;
    let k = i + 1;
    while (true) {
      const next = lines[k];
      if (!next) break;
      if (next.windowMs !== null && key(next) === key(line)) k += 1;
      else if (
        seenWithin(next) === line.windowMs &&
        lines.slice(k + 1).some((l, n) => n < 3 && l.windowMs !== null && key(l) === key(line))
      )
        k += 1;
      else break;
    }
    const run = lines.slice(i, k).map((l): Line => ({ ...bareSee(l, line.windowMs), windowMs: null, since: null }));
    const inner = windowsOf(run);
    const isMerged = run.length > 1 && inner.some(({ step }) => !stepTraits[step.kind].joins || step.kind === 'group');
    if (isMerged)
      out.push({
        step: windowed(
          inner.map((b) => b.step),
          line,
        ),
        from: line.from,
        to: lines[k - 1]?.to ?? line.to,
      });
    else for (const b of inner) out.push({ step: windowed([b.step], line), from: b.from, to: b.to });
    i = k;
  }
  return out;
}

const seenWithin = ({ step }: Line): number | null => (step.kind === 'see' ? (step.within?.mostMs ?? null) : null);
/** What shows within the window around it says so in the same words as a time of its own. */
function bareSee(line: Line, windowMs: number | null): Line {
  if (line.step.kind !== 'see' || seenWithin(line) !== windowMs) return line;
  const { within: _, ...step } = line.step;
  return { ...line, step };
}

const idsOf = (step: Step): readonly ControlId[] =>
  step.kind === 'hold' ? step.controls.map((h) => h.control) : step.kind === 'release' ? step.controls : [];

/** Where what a line takes hold of is let go of, where the lines between say that it is kept; null where they do not. */
function endOf(lines: readonly Line[], at: number): number | null {
  const line = lines[at];
  if (line?.step.kind !== 'hold' || line.step.until.kind !== 'release') return null;
  const ids = idsOf(line.step);
  const keeps = (l: Line): boolean => ids.every((id) => l.keeping.includes(id));
  let isKept = false;
  for (let k = at + 1; k < lines.length; k += 1) {
    const next = lines[k];
    if (!next) break;
    const letsGo = next.step.kind === 'release' || (next.step.kind === 'hold' && next.step.until.kind === 'span');
    if (letsGo && idsOf(next.step).join() === ids.join()) return isKept ? k : null;
    if (keeps(next)) isKept = true;
    // what is only seen or waited for, or lets go of something else, says nothing of what is held
    else if (stepTraits[next.step.kind].joins && next.step.kind !== 'release') return null;
    else if (next.step.kind === 'hold' || next.step.kind === 'group') return null;
  }
  return null;
}

const nextAfter = (lines: readonly Line[], at: number): number => (endOf(lines, at) ?? at) + 1;

/** A line as its step; where it takes hold of something that is kept, with all that is done the while. */
function keptAt(lines: readonly Line[], at: number): Built[] {
  const line = lines[at];
  if (!line) return [];
  const end = endOf(lines, at);
  const last = end === null ? undefined : lines[end];
  if (end === null || !last || line.step.kind !== 'hold') return [{ step: line.step, from: line.from, to: line.to }];
  const ids = idsOf(line.step);
  const during = windowsOf(lines.slice(at + 1, end).map((l) => without(l, ids))).map((b) => b.step);
  const until =
    last.step.kind === 'hold' && last.step.until.kind === 'span'
      ? { until: last.step.until }
      : last.step.kind === 'release' && last.step.at
        ? { until: { kind: 'moment' as const, moment: last.step.at } }
        : {};
  return [{ step: { kind: 'keep', controls: line.step.controls, during, ...until }, from: line.from, to: last.to }];
}

/** What a line tells, one after the other; null where some of it is left over. */
function cardsOf(line: string, names: CardNames): CardRead[] | null {
  const at = new Cursor(line);
  const made: CardRead[] = [];
  do {
    const read = cardAt(at, names);
    if (!read) return null;
    made.push(read);
  } while (at.take(/, then /));
  return at.isDone ? made : null;
}

/**
 * What the coach, the pocket card and the printed sheet say of a route, read back into its steps; null for any other text.
 * A line that is none of theirs stays a hole.
 */
export function readCards(text: string, facts: UnitFacts): Told | null {
  const names = cardNames(facts);
  const lines: Line[] = [];
  const holes: Array<Readonly<{ from: number; to: number; why: 'not-understood' }>> = [];
  let caution: string | null = null;
  let at = 0;
  let told = 0;
  for (const raw of text.split('\n')) {
    const from = at + (raw.length - raw.trimStart().length);
    at += raw.length + 1;
    const own = raw.trim();
    const to = from + own.length;
    if (own === '') continue;
    if (isNote.test(own)) {
      if (own.startsWith('! ')) caution = own.slice(2);
      continue;
    }
    told += 1;
    const line = own.replace(/^\d+\. /, '');
    // a stop at the end may be the line's own
    const made = cardsOf(line, names) ?? cardsOf(line.replace(/\.$/, ''), names);
    if (made === null) {
      holes.push({ from, to, why: 'not-understood' });
      continue;
    }
    made.forEach((m, i) => {
      const step = caution !== null && i === 0 ? { ...m.step, caution } : m.step;
      lines.push({ ...m, step, from, to });
    });
    caution = null;
  }
  if (lines.length === 0 || holes.length * 5 > told) return null;
  const built = windowsOf(lines);
  return {
    text,
    routes: [
      {
        name: 'Steps',
        from: 0,
        steps: built.map((b) => b.step),
        phrases: built.map((b, i) => ({ from: b.from, to: b.to, at: String(i) })),
      },
    ],
    holes,
    doubts: [],
    contradictions: [],
  };
}
