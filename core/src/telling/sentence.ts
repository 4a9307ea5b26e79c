import type { Step } from '../model/route.ts';
import { readList } from './act-list.ts';
import { actNext } from './acts.ts';
import { momentBefore, windowNext } from './moments.ts';
import { extendLast, markLost, type TellingState, wrapPieces } from './pieces.ts';
import { seenNext } from './signs.ts';
import { Stream } from './stream.ts';
import type { Token } from './tokens.ts';

export function readSentence(telling: TellingState, tokens: readonly Token[]): void {
  const s = new Stream(tokens);
  const begun = telling.pieces.length;
  if (readChoice(telling, s, tokens)) return;
  if (readMeanwhile(telling, s, tokens)) return;
  if (readAgain(telling, s)) return;
  if (s.peek() === 'when' && s.peek(1) === 'nothing') {
    markLost(telling, tokens);
    return;
  }
  const times = s.try(() => {
    if (!s.takes('do this', 'do the following', 'do')) return null;
    const n = s.count();
    return n !== null && s.takes(':') ? n : null;
  });
  const opening = windowNext(telling, s);
  if (opening) s.takes(',');
  const at = opening ? null : momentBefore(telling, s);
  readList(telling, s, at);
  const mine = telling.pieces.slice(begun);
  if (times !== null && mine.length > 0) wrapPieces(telling, begun, (steps) => ({ kind: 'group', times, steps }));
  if (opening && mine.length > 0)
    wrapPieces(telling, begun, (steps) => ({ kind: 'group', times: 1, steps, window: opening }));
}

/** `while holding a, press b`, `with the rocker held up, open the hood`. */
function readMeanwhile(telling: TellingState, s: Stream, tokens: readonly Token[]): boolean {
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
    const steps = actNext(inner, telling.names, telling.memory);
    const hold = steps?.[0];
    if (!inner.end || hold?.kind !== 'hold' || steps?.length !== 1) return null;
    return { hold, comma };
  });
  if (!done) return false;
  const begun = telling.pieces.length;
  const rest = new Stream(tokens.slice(done.comma + 1));
  readList(telling, rest, null);
  wrapPieces(telling, begun, (during) => ({ kind: 'keep', controls: done.hold.controls, during }), tokens[0]?.from);
  return true;
}

/** `if … , … otherwise …` */
function readChoice(telling: TellingState, s: Stream, tokens: readonly Token[]): boolean {
  const on = s.try(() => {
    if (!s.takes('if')) return null;
    const seen = seenNext(s, telling.names);
    const [shown] = seen?.signs ?? [];
    return shown && seen?.signs.length === 1 && s.takes(',', 'then') ? shown : null;
  });
  if (!on) {
    if (s.peek() !== 'if') return false;
    markLost(telling, tokens);
    return true;
  }
  const rest = tokens.slice(s.i);
  const other = rest.findIndex(
    (t, i) =>
      t.word === 'otherwise' ||
      t.word === 'else' ||
      (t.word === 'if' && (rest[i + 1]?.word === 'not' || rest[i + 2]?.word === 'does' || rest[i + 1]?.word === 'it')),
  );
  const split = other < 0 ? rest.length : other;
  const part = (some: readonly Token[]): Step[] => {
    const begun = telling.pieces.length;
    const words = some.filter((t, i) => !(i === some.length - 1 && t.kind === 'stop'));
    readList(telling, new Stream(words), null);
    return telling.pieces.splice(begun).flatMap((p) => p.steps);
  };
  const met = part(rest.slice(0, split));
  const after = rest.slice(split);
  const skip = after[0]?.word === 'if' ? after.findIndex((t) => t.word === ',') + 1 : 1;
  const otherwise = after.length > 0 ? part(after.slice(Math.max(1, skip))) : [];
  const [first] = tokens;
  const last = tokens.at(-1);
  if (first && last && (met.length > 0 || otherwise.length > 0))
    telling.pieces.push({
      steps: [{ kind: 'branch', on: { kind: 'sign', shown: on }, met, otherwise }],
      from: first.from,
      to: last.to,
      chain: false,
    });
  return true;
}

/** `Repeat that four times.` */
function readAgain(telling: TellingState, s: Stream): boolean {
  const n = s.try(() => {
    if (!s.takes('repeat that', 'repeat', 'do that', 'do it', 'repeat it', 'do so')) return null;
    const count = s.count();
    return count !== null && s.end ? count : null;
  });
  if (n === null || telling.pieces.length === 0) return false;
  // a whole sentence is repeated
  wrapPieces(telling, telling.sentenceStart, (steps) => ({ kind: 'group', times: n, steps }));
  extendLast(telling, s);
  return true;
}
