import { type ItemOf, type Reader, spanOf } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';

export function readWait(
  r: Reader,
  segment: Segment,
  length: ItemOf<'length'>,
  at: Readonly<{ from: number; to: number }>,
): boolean {
  const text = saidOf(segment);
  // `22 is the motor too hot, wait an hour`: what is done about it
  if (r.reading) return false;
  const before = r.made.at(-1);
  // `hold it, five seconds`, `for as long as five seconds`
  if (
    before?.step.kind === 'hold' &&
    before.step.until.kind === 'release' &&
    (/\blong\b/.test(text) || (r.held.length > 0 && segment.words.length < 9 && !/\bwait\b/.test(text)))
  ) {
    r.made[r.made.length - 1] = {
      ...before,
      step: { ...before.step, until: { kind: 'span', span: spanOf(length) } },
      to: at.to,
    };
    r.held = [];
    return true;
  }
  // `Breaker off. Ten seconds. Breaker on.`
  const isBare =
    ((before?.step.kind === 'set' && before.sentence === r.sentence - 1) ||
      (r.waiting >= 0 && r.waiting === r.sentence - 1)) &&
    segment.words.every(
      (w) => (w.from >= length.from && w.to <= length.to) || /^(?:about|roughly|for|and|a|good)$/.test(w.word),
    );
  if (isBare) {
    r.put({ kind: 'rest', span: spanOf(length) }, at);
    return true;
  }
  // `Timer, 5 s, one beep`: so long
  if (
    before?.step.kind === 'press' &&
    before.step.times === 1 &&
    before.step.control !== 'any' &&
    before.sentence === r.sentence &&
    // `leave it with the lock pad, three seconds`: nobody said it is pressed
    (r.pressedIn === r.sentence || !/\b(?:press|push|tap|touch|hit)(?:es|ed|ing)?\b/.test(r.saidBefore)) &&
    r.made.filter((m) => m.sentence === r.sentence && m.step.kind === 'press').length === 1 &&
    segment.words.every(
      (w) =>
        (w.from >= length.from && w.to <= length.to) ||
        /^(?:about|roughly|for|a|good|long|minimum|minimal|least|at|some|around|but)$/.test(w.word),
    )
  ) {
    r.made[r.made.length - 1] = {
      ...before,
      step: {
        kind: 'hold',
        controls: [{ control: before.step.control }],
        until: { kind: 'span', span: spanOf(length) },
      },
      to: at.to,
    };
    return true;
  }
  // `delete: Door 1 and Door 2, 5 s`: both of them, so long
  const run = r.made.filter((m) => m.sentence === r.sentence && m.step.kind === 'press');
  const only = segment.words.every(
    (w) => (w.from >= length.from && w.to <= length.to) || /^(?:about|roughly|for|a|good|long|both|each)$/.test(w.word),
  );
  const keys = run.flatMap((m) =>
    m.step.kind === 'press' && m.step.times === 1 && m.step.control !== 'any' ? [m.step.control] : [],
  );
  if (
    only &&
    run.length === 2 &&
    keys.length === 2 &&
    r.made.at(-1) === run[1] &&
    r.made.at(-2) === run[0] &&
    r.pairIn === r.sentence
  ) {
    r.made.splice(-2, 2, {
      step: {
        kind: 'hold',
        controls: keys.map((control) => ({ control })),
        until: { kind: 'span', span: spanOf(length) },
      },
      from: run[0]?.from ?? at.from,
      to: at.to,
      sentence: r.sentence,
    });
    return true;
  }
  const follows = (before?.step.kind === 'set' && before.sentence === r.sentence) || r.waiting === r.sentence;
  if (before?.step.kind === 'rest' && before.step.span.usualMs === spanOf(length).usualMs) return true;
  // `ten seconds it'll wait for you`: how long one has
  if (/\b(?:it|that|he|the machine)(?:'ll| will)? waits?\b/.test(text)) return false;
  if (/^(?:and |but )?(?:(?:it|this) (?:was|took|takes|is)|that (?:was|took|takes))\b/.test(text)) return false;
  if (
    !/\b(?:wait|waits|waiting|waited|leave|leaves|leaving|left|rest|count|stand|sits?|give|do nothing)\b/.test(text) &&
    !follows
  )
    return false;
  if (
    /\b(?:takes|took|about|every|after|minutes? (?:old|later)|lasts?)\b/.test(text) &&
    !/\b(?:wait|do nothing|sits there)\b/.test(text)
  )
    return false;
  if (!/\b(?:wait|leave|left|count|give it|rest)\b/.test(text) && r.made.length === 0) return false;
  r.put({ kind: 'rest', span: spanOf(length) }, at);
  return true;
}
