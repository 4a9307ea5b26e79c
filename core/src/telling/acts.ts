import type { Step } from '../model/route.ts';
import { holdNext, pressNext, releaseNext } from './hand-acts.ts';
import type { Names } from './names.ts';
import { atPlaceNext, chooseNext, dialNext, listNext, restNext } from './other-acts.ts';
import type { Memory } from './parts.ts';
import { backNext, setNext, turnNext } from './set-acts.ts';
import { seenNext } from './signs.ts';
import type { Stream } from './stream.ts';

/** One act told at this place of the stream, as steps; null where none is understood. */
export function actNext(s: Stream, names: Names, memory: Memory): Step[] | null {
  const readers = [
    () => releaseNext(s, names, memory),
    () => listNext(s, names, memory),
    () => dialNext(s, names, memory),
    () => chooseNext(s, names),
    () => turnNext(s, names, memory),
    () => holdNext(s, names, memory),
    () => setNext(s, names, memory),
    () => pressNext(s, names, memory),
    () => restNext(s),
    () => atPlaceNext(s),
    () => seeStep(s, names, memory),
    () => backNext(s, memory),
  ];
  // of several readings the one that takes most of what was told
  const from = s.i;
  const saved = {
    controls: memory.controls,
    held: memory.held,
    verb: memory.verb,
    places: new Map(memory.places),
    was: new Map(memory.was),
    doubts: [...memory.doubts],
  };
  let best: { end: number; read: () => Step[] | null } | null = null;
  const restore = (): void => {
    s.i = from;
    memory.controls = saved.controls;
    memory.held = saved.held;
    memory.verb = saved.verb;
    memory.places = new Map(saved.places);
    memory.was = new Map(saved.was);
    memory.doubts = [...saved.doubts];
  };
  for (const read of readers) {
    const got = read();
    if (got && s.i > (best?.end ?? from)) best = { end: s.i, read };
    restore();
  }
  return best ? best.read() : null;
}

function seeStep(s: Stream, names: Names, memory: Memory): Step[] | null {
  const seen = seenNext(s, names);
  if (!seen) return null;
  if (seen.unsure !== null) memory.doubts.push(seen.unsure);
  const span = s.try(() => (s.takes('for') ? s.span() : null));
  const see: Step = {
    kind: 'see',
    must: seen.must,
    signs: seen.signs,
    ...(seen.within ? { within: seen.within } : {}),
  };
  return span ? [see, { kind: 'rest', span }] : [see];
}
