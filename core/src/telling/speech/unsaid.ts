import type { Item } from './item.ts';
import { isOf, isPush, type Reader } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';
import { set } from './turns.ts';

/** What is done though no verb says it, or none says where to: keys named in a row, a switch that is thrown. */
export function readUnsaid(r: Reader, segment: Segment, items: readonly Item[]): boolean {
  return readRow(r, segment, items) || readThrown(r, segment, items);
}

/** `Raise Lower Raise Lower like that`: so many keys with nothing between them are pressed one after the other. */
function readRow(r: Reader, segment: Segment, items: readonly Item[]): boolean {
  const keys = items.filter(isOf('control')).filter((c) => isPush(c.own));
  const isBeside = (a: Item, b: Item): boolean => !segment.words.some((w) => w.from >= a.to && w.to <= b.from);
  const areBeside = keys.every((k, i) => i === 0 || isBeside(keys[i - 1] as Item, k));
  if (keys.length < 3 || !areBeside || items.some(isOf('act', 'both', 'length', 'times', 'sign', 'if'))) return false;
  for (const key of keys) r.put({ kind: 'press', control: key.own.control.id, times: 1 }, key);
  r.last = keys.slice(-1).map((k) => k.own);
  r.mode = 'press';
  r.pressedIn = r.sentence;
  return true;
}

/** `throw the switch`: to where it does not stand, of two places. */
function readThrown(r: Reader, segment: Segment, items: readonly Item[]): boolean {
  const [own, ...more] = items.filter(isOf('control')).map((c) => c.own);
  const isThrown = /\b(?:throw|throws|flip|flips|flick|flicks|toggle|toggles) (?:the|that|your|his|it)\b/.test(
    saidOf(segment),
  );
  if (!own || more.length > 0 || !isThrown || own.mechanism.kind !== 'places') return false;
  if (items.some((x) => x.is === 'place' || x.is === 'times' || (x.is === 'control' && x.place !== null))) return false;
  const places = own.mechanism.places.map((p) => p.id);
  const stands = r.places.get(own.control.id);
  const [to, ...others] = places.filter((p) => p !== stands);
  if (stands === undefined || to === undefined || others.length > 0) return false;
  set(r, own, to, { from: segment.words[0]?.from ?? 0, to: segment.words.at(-1)?.to ?? 0 });
  return true;
}
