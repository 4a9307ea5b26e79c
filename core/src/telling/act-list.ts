import type { Moment, Step } from '../model/route.ts';
import { actNext } from './acts.ts';
import { meanwhileAfter } from './during.ts';
import { momentBefore, opensAt, pushSign, windowNext } from './moments.ts';
import { extendLast, markLost, phraseOf, pushPiece, type TellingState, wrapPieces } from './pieces.ts';
import { Stream } from './stream.ts';

/** Acts one after the other, with commas, `and` and `then` between them. */
export function readList(telling: TellingState, s: Stream, at: Moment | null): void {
  const begun = telling.pieces.length;
  let moment = at;
  // where the words of the moment begin, so that they are linked with the step they belong to
  let momentFrom = at === null ? null : 0;
  let anchor = at;
  let strong = true;
  while (!s.end) {
    const joined = readConnector(telling, s);
    if (joined !== null) strong = joined;
    if (s.end) break;
    const begins = s.i;
    const inner = momentBefore(telling, s);
    if (inner) {
      momentFrom = begins;
      moment = inner;
      anchor = inner;
    }
    if (readSuffix(telling, s, begun, anchor)) continue;
    const opening = telling.pieces.length > begun || strong ? windowNext(telling, s) : null;
    if (opening) {
      s.takes(',');
      const from = s.i;
      const before = telling.pieces.length;
      const steps = readAct(telling, s);
      if (steps) {
        pushPiece(telling, s, steps, from, strong);
        wrapPieces(telling, before, (inside) => ({ kind: 'group', times: 1, steps: inside, window: opening }));
        strong = false;
        continue;
      }
      passOver(telling, s, from - 1);
      continue;
    }
    const from = moment !== null && momentFrom !== null ? momentFrom : s.i;
    const steps = readAct(telling, s);
    if (!steps) {
      const here = s.i;
      if (moment) pushSign(telling, moment, s, here);
      moment = null;
      passOver(telling, s, here);
      strong = true;
      continue;
    }
    const [first] = steps;
    if (moment && first?.kind === 'release' && !first.at) steps[0] = { ...first, at: moment };
    else if (moment && !opensAt(telling, s, moment)) pushSign(telling, moment, s, from);
    moment = null;
    pushPiece(telling, s, steps, from, strong);
    strong = false;
  }
  if (moment) pushSign(telling, moment, s, s.tokens.length - 1);
}

/** What stands behind acts and is about them: a repeat, a window. */
function readSuffix(telling: TellingState, s: Stream, begun: number, anchor: Moment | null): boolean {
  if (telling.pieces.length === begun) return false;
  const from = s.i;
  const count = s.count();
  if (count !== null) {
    const chained = telling.pieces.length - begun > 1;
    if (count > 1) {
      if (chained)
        wrapPieces(telling, chainStart(telling, begun, true), (steps) => ({ kind: 'group', times: count, steps }));
      else wrapPieces(telling, telling.pieces.length - 1, (steps) => repeated(steps, count));
    }
    extendLast(telling, s);
    return true;
  }
  const all = s.peek() === 'all' || s.peek() === 'no';
  const window = windowNext(telling, s);
  if (!window) {
    s.i = from;
    return false;
  }
  if (s.end || /^[,.;]$|^(and|then)$/.test(s.peek())) {
    const opens = window.from.kind === 'step-before' && anchor?.kind === 'sign' ? { ...window, from: anchor } : window;
    const start = all ? begun : chainStart(telling, begun, false);
    const inside = telling.pieces.slice(start).flatMap((p) => p.steps);
    const [only] = inside;
    if (only?.kind === 'group' && inside.length === 1 && !only.window)
      wrapPieces(telling, start, () => ({ ...only, window: opens }));
    else wrapPieces(telling, start, (steps) => ({ kind: 'group', times: 1, steps, window: opens }));
    extendLast(telling, s);
    return true;
  }
  s.i = from;
  return false;
}

/** Where the chain of acts began that a repeat or a window stands behind. */
function chainStart(telling: TellingState, begun: number, repeat: boolean): number {
  let start = telling.pieces.length - 1;
  while (start > begun && (repeat || telling.pieces[start]?.chain)) start -= 1;
  return start;
}

function readConnector(_telling: TellingState, s: Stream): boolean | null {
  const from = s.i;
  let strong = false;
  let any = false;
  for (;;) {
    if (s.takes(',', ';', ':', '–', '—', 'after that', 'next', 'finally', 'now', 'first')) {
      strong = true;
      any = true;
    } else if (s.takes('and then', 'then')) {
      strong = true;
      any = true;
    } else if (s.takes('and', 'but')) any = true;
    else break;
  }
  if (!any) s.i = from;
  return any ? strong : null;
}

function readAct(telling: TellingState, s: Stream): Step[] | null {
  return s.try(() => {
    const before = telling.memory.doubts.length;
    const from = s.i;
    const steps = actNext(s, telling.names, telling.memory);
    if (!steps) return null;
    const kept = meanwhileAfter(telling, s, steps);
    const clean =
      s.end ||
      s.token?.kind === 'stop' ||
      /^(and|then|but|while|all|within|in|no|until|twice|let|release)$/.test(s.peek()) ||
      s.token?.kind === 'number';
    if (!clean) return null;
    const first = s.tokens[from];
    const last = s.tokens[s.i - 1];
    for (const about of telling.memory.doubts.slice(before))
      if (first && last) telling.doubts.push({ ...phraseOf(telling, first.from, last.to), about });
    return kept;
  });
}

/** Passes over what is not understood, up to where something new may begin. */
function passOver(telling: TellingState, s: Stream, from: number): void {
  s.i = Math.max(s.i, from + 1);
  while (!s.end && s.token?.kind !== 'stop' && !(s.peek() === 'and' && beginsAct(telling, s)) && s.peek() !== 'then')
    s.i += 1;
  markLost(telling, s.tokens.slice(from, s.i));
}

function beginsAct(telling: TellingState, s: Stream): boolean {
  const ahead = new Stream(s.tokens);
  ahead.i = s.i + 1;
  const saved = {
    ...telling.memory,
    places: new Map(telling.memory.places),
    was: new Map(telling.memory.was),
    doubts: [...telling.memory.doubts],
  };
  const got = actNext(ahead, telling.names, telling.memory);
  Object.assign(telling.memory, saved);
  return got !== null;
}

/** One step so many times: presses count up, anything else stands in a group. */
function repeated(steps: Step[], times: number): Step {
  const [only] = steps;
  if (steps.length === 1 && only?.kind === 'press') return { ...only, times: only.times * times };
  return { kind: 'group', times, steps };
}
