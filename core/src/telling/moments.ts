import type { Moment, Step } from '../model/route.ts';
import type { TellingState } from './pieces.ts';
import { momentNext } from './signs.ts';
import { Stream } from './stream.ts';

/** `within 5 s of the beep` and its like, where it stands. */
export function windowNext(telling: TellingState, s: Stream): { from: Moment; mostMs: number } | null {
  return s.try(() => {
    const word = s.takes('all within', 'within', 'in less than', 'inside', 'in', 'no slower than');
    if (word === null) return null;
    const d = s.duration();
    if (!d) return null;
    if (word === 'no slower than') s.takes('for all', 'altogether');
    const from = s.try(() => (s.takes('of', 'after', 'from') ? momentNext(s, telling.names) : null));
    if (!from && /^(of|after|from)$/.test(s.peek())) return null;
    return { from: from ?? { kind: 'step-before' }, mostMs: d.ms };
  });
}

/** `at the second beep`, `when lamp d lights`, `once the display reads 00` before what is done then. */
export function momentBefore(telling: TellingState, s: Stream): Moment | null {
  return s.try(() => {
    const word = s.takes('at', 'when', 'once', 'as soon as', 'and when', 'on');
    if (word === null) return null;
    const moment = momentNext(s, telling.names);
    if (moment?.kind !== 'sign') return null;
    s.takes(',');
    return moment;
  });
}

/** Whether a window that begins at this moment closes the sentence: then the moment is the window's. */
export function opensAt(telling: TellingState, s: Stream, moment: Moment): boolean {
  const rest = new Stream(s.tokens);
  for (rest.i = s.i; !rest.end; rest.i += 1) {
    const window = rest.try(() => windowNext(telling, rest));
    if (window) return window.from.kind === 'step-before' && moment.kind === 'sign';
  }
  return false;
}

export function pushSign(telling: TellingState, moment: Moment, s: Stream, from: number): void {
  if (moment.kind !== 'sign') return;
  const sign: Step = { kind: 'see', must: 'must', signs: [moment.shown] };
  const first = s.tokens[Math.max(0, Math.min(from, s.tokens.length) - 1)];
  const start = s.tokens[0];
  if (first && start) telling.pieces.push({ steps: [sign], from: start.from, to: first.to, chain: true });
}
