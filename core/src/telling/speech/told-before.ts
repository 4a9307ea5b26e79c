import { isAct, type Made, type Reader } from './reader.ts';

const opensBefore = /^\W*(?:(?:and|but|so|now|then) )?before (?!that\b|this\b|you start\b|anything\b)/i;
const notYet =
  /\bbefore (?:i|you|we) (?:even |so much as |ever |start to )?(?:open|close|shut|switch|turn|pull|take|touch|lift|put)\b[^.!?\n]*$/i;
const onlyThen =
  /\b(?:only|not (?:until|till|before)) (?:when|once|after|if|the|it|they)?\b|\bnot (?:until|till|before)\b/i;

const isWithOut =
  /\bwith (?:the |its |your )?[^\s.,]+(?: [^\s.,]+)? (?:still )?(?:out|off|open|removed|disconnected)\W*$/i;

const whileDoing =
  /^[^.!?\n]{0,60}\b(?:while|when) (?:you|i|we) (?:do(?: (?:it|that|so))?|are doing (?:it|that))(?= *[.,;:!?\n]|$)/i;

/** `breaker in, but before, you must press …`: what comes is done first. */
const beforeThat =
  /\b(?:but|and) (?:first|before(?: that| this)?)\W*(?:,|you|i|we|they|a (?:second|helper|colleague)|somebody|someone)\W[^.!?\n]*$/i;

/**
 * What is told last and done first: `before the breaker is switched on the stop must be pulled out`, `pull it out, but only
 * when the lamp is out`. Both stand in one sentence, and are put the other way round.
 */
export function turnRound(r: Reader, text: string): void {
  // `before I even open the hood I put the lock on … and now the hood's open`: then, and not before
  const early = r.made.filter(
    (m) =>
      m.step.kind === 'set' &&
      notYet.test(text.slice(Math.max(0, m.from - 40), m.to)) &&
      r.putAgain.some(
        (p) => m.step.kind === 'set' && p.own.control.id === m.step.control && p.to === m.step.to && p.from > m.to,
      ),
  );
  r.drop(new Set(early));
  for (let i = 0; i + 1 < r.made.length; i += 1) {
    const [a, b] = [r.made[i], r.made[i + 1]];
    // `hold Plus with the fuse out`: so it stands by then
    const isWith =
      a?.step.kind === 'hold' &&
      b?.step.kind === 'set' &&
      isWithOut.test(text.slice(a.from, b.to)) &&
      !/\b(?:until|till|then)\b/i.test(text.slice(a.from, b.from));
    // `breaker on, but keep Fan and Stop pressed while you do`: held before that
    const isMeanwhile =
      a?.step.kind === 'set' &&
      b?.step.kind === 'hold' &&
      b.step.until.kind === 'release' &&
      (whileDoing.test(text.slice(b.from)) || beforeThat.test(text.slice(a.to, b.from + 1)));
    if ((isWith || isMeanwhile) && a && b) r.made.splice(i, 2, b, a);
    if (!a || !b || a.step.kind !== 'set' || /[.!?\n]/.test(text.slice(a.to, b.from))) continue;
    const isFirst =
      isAct(b.step) && opensBefore.test(startOf(text, a)) && !(r.made[i - 1] && isIn(r.made[i - 1], a, text));
    const isAwaited = b.step.kind === 'see' && onlyThen.test(text.slice(a.to, b.to));
    if (isFirst || isAwaited) r.made.splice(i, 2, b, a);
  }
}

/** What stands before a step in its sentence, with the start of its own words. */
function startOf(text: string, { from, to }: Made): string {
  const before = text.slice(Math.max(0, from - 60), from);
  return before.slice(before.search(/[^.!?\n]*$/)) + text.slice(from, to);
}

/** Whether a step was told in the same sentence, before another. */
const isIn = (earlier: Made | undefined, later: Made, text: string): boolean =>
  earlier !== undefined && !/[.!?\n]/.test(text.slice(earlier.to, later.from));
