import type { SignId } from '../../base/ids.ts';
import { unitMs } from './lexicon.ts';
import type { Made, Reader } from './reader.ts';
import { type Word, wordsOf } from './text.ts';

/** How far behind a row of keys a time for them is told, in letters. */
const farthest = 150;
const isQuick =
  /\b(?:time (?:allowed|limit|given|available)|allowed|quick\w*|fast|hurry|swift\w*|dawdl\w+|brisk\w*|all day|time for (?:it|that|this|all|them)|(?:you|we|i)(?:'ve| have|'ll have)? (?:only |just |about |roughly )?(?:got|get|have)|it gives you|gives you|you're given|for (?:it|that|this|all|the lot|everything|the whole)|inside|within|in under|will do|is enough|window|all (?:the time )?(?:you|we)(?:'ve)? (?:got|get|have)|at most|max(?:imum)?|tops|before it|or it|otherwise|no longer|not longer|no more than|must be done|have to be|in one go)\b/;
/** How far before it a question stands that is answered with no more than a time, in letters. */
const near = 60;
const howLong = /\bhow (?:long|much time) (?:have|do|did|would|will) (?:i|we|you|they)(?: got| get| have)?\b/;
const isTooLong =
  /\bif (?:it|you) .*\b(?:longer|slower|more) than\b|\b(?:more|longer) than\b.*\band (?:it|you)\b|\b(?:it'll|it will|it|they|he) waits? for (?:you|that|it)\b/;
const isOther =
  /\b(?:wait\w*|hold\w*|held|keep\w*|kept|leave|later|rest|count\w*|until|till|long|takes?|took|blink\w*|flash\w*|every|pause|off for|out for)\b/;

/**
 * How long one has for keys that were told just before: `Fizz four times, then Cold. You don't have all day for it, six
 * seconds`. A time that became nothing else, in words that urge, behind a row of keys is how long one has for that row.
 */
export function findWindows(r: Reader, text: string): void {
  const words = wordsOf(text);
  words.forEach((w, i) => {
    const ms = w.value === null ? null : (unitMs[words[i + w.span]?.word ?? ''] ?? null);
    if (ms === null || w.value === null) return;
    const [from, to] = [w.from, words[i + w.span]?.to ?? w.to];
    if (r.isRead({ from, to })) return;
    const around = `${saidFrom(words, i - 1, -1)} ${saidFrom(words, i + w.span, 1)}`.replace(howLong, 'got');
    const isAnswer = howLong.test(text.slice(Math.max(0, from - near), from).toLowerCase());
    // `Four seconds.`, and no more
    const isTurn = r.turnsAt.some((at) => at >= to && at <= (words[i + w.span + 1]?.from ?? to));
    // `in 6 sec`
    const begin = /^(?:in|within|inside)$/.test(words[i - 1]?.word ?? '') ? i - 2 : i - 1;
    const isAlone = isStop(words[begin]) && (isStop(words[i + w.span + 1]) || isTurn);
    // `plus, minus, plus, minus, six seconds.`
    const isTail =
      (words[i - 1]?.raw === ',' && isStop(words[i + w.span + 1])) ||
      // `code confirm confirm open five seconds go`
      (/^(?:go|max|tops|no)$/.test(words[i + w.span + 1]?.word ?? '') &&
        r.made.some((m) => m.step.kind === 'press' && from - m.to === 1));
    if (!isAnswer && !isAlone && !isTail && !isTooLong.test(around) && (!isQuick.test(around) || isOther.test(around)))
      return;
    const last = r.made.findLastIndex((m) => m.to <= from);
    const before = runBefore(r, last);
    const behind = r.made.slice(before, last + 1);
    const end = behind.at(-1)?.to;
    // none told right before: the row that comes right behind it
    const isBehind =
      pressesIn(behind) > 1 && end !== undefined && from - end <= farthest && !isMeantFor(r.made[last + 1], to, text);
    const run = isBehind ? before : last + 1;
    const own = isBehind ? behind : r.made.slice(run, runAhead(r, run));
    const [first, final] = [own[0], own.at(-1)];
    if (!first || !final || pressesIn(own) < (isTail ? 3 : 2)) return;
    if (!isBehind && (isAlone || isTooLong.test(around) || first.from - to > near)) return;
    const mostMs = w.value * ms;
    r.made.splice(run, own.length, {
      step: {
        kind: 'group',
        times: 1,
        steps: own.map((m) => m.step),
        window: { from: { kind: 'step-before' }, mostMs },
      },
      from: first.from,
      to: final.to,
      sentence: first.sentence,
    });
    dropTwin(r.made, run, mostMs, (end) =>
      words.some(
        (x, k) =>
          k > i &&
          x.from < end &&
          x.value !== null &&
          x.value * (unitMs[words[k + x.span]?.word ?? ''] ?? 0) === mostMs,
      ),
    );
  });
}

const blank =
  /^(?:of|after|from|since|once|when|as soon as)(?: the| its)? (?:it|\w+)(?: (?:has|is|had))?(?: (?:gone|goes|going|went|turned|turns))? (?:blank|black|empty|dark)\b/;
/** How far from a row the time for it is told, in letters. */
const beside = 140;
/** `within 12 s after it goes blank`: counted from when the display does. */
export function countFromBlank(r: Reader, text: string): void {
  const [display, ...others] = r.called.displays;
  if (!display || others.length > 0) return;
  const words = wordsOf(text);
  for (const [i, group] of r.made.entries()) {
    const { step } = group;
    if (step.kind !== 'group' || step.times !== 1 || step.window?.from.kind !== 'step-before') continue;
    const { mostMs } = step.window;
    const at = words.findIndex(
      (w, k) =>
        w.from > group.from - beside &&
        w.from < group.to + beside &&
        w.value !== null &&
        w.value * (unitMs[words[k + w.span]?.word ?? ''] ?? 0) === mostMs &&
        blank.test(saidFrom(words, k + w.span + 1, 1)),
    );
    const time = words[at];
    if (!time) continue;
    const shown = { kind: 'text', sign: display.id as SignId, text: '' } as const;
    r.made[i] = { ...group, step: { ...step, window: { mostMs, from: { kind: 'sign', shown, nth: 1 } } } };
    // that it goes so is when one begins, and is not seen behind it
    const seen = r.made.findIndex(
      (m, k) =>
        k > i &&
        m.step.kind === 'see' &&
        m.from <= time.from + 60 &&
        m.to > time.from &&
        m.step.signs.every((s) => s.kind === 'text' && s.text === ''),
    );
    if (seen >= 0) r.made.splice(seen, 1);
    return;
  }
}

/** How far from its time a row is at most, where another row stands right before that time, in letters. */
const apart = 45;
/** `turn it back, press Enter. You have twelve seconds.`, and one goes on to something else: of the row before. */
export function moveWindows(r: Reader, text: string): void {
  const words = wordsOf(text);
  for (let i = 1; i < r.made.length; i += 1) {
    const group = r.made[i];
    const step = group?.step;
    if (!group || step?.kind !== 'group' || step.times !== 1 || step.window?.from.kind !== 'step-before') continue;
    const { mostMs } = step.window;
    const at = words.findLastIndex(
      (w, k) =>
        w.from < group.from && w.value !== null && w.value * (unitMs[words[k + w.span]?.word ?? ''] ?? 0) === mostMs,
    );
    const time = words[at];
    const run = runBefore(r, i - 1);
    const own = r.made.slice(run, i);
    const last = own.at(-1);
    if (!time || !last || own.length < 2 || group.from - time.to < apart || last.to > time.from) continue;
    // `and you've got twelve seconds so no panic`, told without stops
    const behind = words[at + time.span + 1];
    if (
      time.from - last.to > apart ||
      !(isStop(behind) || /^(?:so|which|no|okay|that's|don't)$/.test(behind?.word ?? ''))
    )
      continue;
    const first = own[0] ?? last;
    const steps = own.map((m) => m.step);
    r.made.splice(
      run,
      own.length + 1,
      { ...first, to: last.to, step: { ...step, steps } },
      ...step.steps.map((s) => ({ ...group, step: s })),
    );
  }
}

/** The same time was read as one for what comes next as well: it is told once, and of the row before. */
function dropTwin(made: Made[], run: number, mostMs: number, isToldAgain: (end: number) => boolean): void {
  const at = made.findIndex(
    ({ step }, k) =>
      k > run && k < run + 5 && step.kind === 'group' && step.times === 1 && step.window?.mostMs === mostMs,
  );
  const twin = made[at];
  if (twin?.step.kind !== 'group' || isToldAgain(twin.to)) return;
  made.splice(at, 1, ...twin.step.steps.map((step) => ({ ...twin, step })));
}

const pressesIn = (own: readonly Made[]): number =>
  own.reduce((n, { step }) => n + (step.kind === 'press' ? step.times : 1), 0);

/** Whether the time is of what is done next: it stands right behind it, or was read so. */
const isMeantFor = (next: Made | undefined, to: number, text: string): boolean =>
  next !== undefined &&
  ((next.from - to < 3 && !/[.!?\n]/.test(text.slice(to, next.from))) ||
    (next.step.kind === 'group' && next.step.window !== undefined));

const isStop = (w: Word | undefined): boolean => w === undefined || /^[.!?\n()]$/.test(w.raw);
const reach = 12;
/** What is said in the same sentence from a word on, or back from it. */
function saidFrom(words: readonly Word[], i: number, step: 1 | -1): string {
  const out: string[] = [];
  for (let k = i; out.length < reach && !isStop(words[k]); k += step) out.push(words[k]?.word ?? '');
  return (step < 0 ? out.reverse() : out).join(' ');
}

const isOfRow = (r: Reader, { step }: Made): boolean =>
  step.kind === 'press' ||
  step.kind === 'together' ||
  step.kind === 'turn' ||
  (step.kind === 'set' && r.called.facts.controls.get(step.control)?.mechanism.kind === 'clicks');
/** Behind where the row of keys and turns that begins at a step ends. */
function runAhead(r: Reader, run: number): number {
  const { made } = r;
  let end = run;
  for (let m = made[end]; m && isOfRow(r, m) && m.sentence - (made[end - 1] ?? m).sentence <= 1; m = made[end])
    end += 1;
  return end;
}

/** Where the row of keys and turns that ends at a step begins; what one has a time for already is no part of it. */
function runBefore(r: Reader, last: number): number {
  const { made } = r;
  let run = last + 1;
  while (run > 0) {
    const m = made[run - 1];
    const later = run <= last ? made[run] : undefined;
    if (!m || !isOfRow(r, m) || (later && later.sentence - m.sentence > 2)) break;
    run -= 1;
  }
  return run;
}
