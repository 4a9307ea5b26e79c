import type { ControlFacts } from '../../unit/facts.ts';
import type { Item } from './item.ts';
import { mentionAt, placeByVerb } from './mentions.ts';
import { isOf, isPush, type Reader } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';
import { set } from './turns.ts';

/** What is done though no verb says it, or none says where to: keys named in a row, a switch that is thrown. */
export function readUnsaid(r: Reader, segment: Segment, items: readonly Item[]): boolean {
  return readRow(r, segment, items) || readThrown(r, segment, items) || readBare(r, segment);
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

const bare =
  /^(?:and |then |now |so |right |okay |ok |well )*(?:back )?(on|off|in|out)(?: again| it goes| you go| now| they go| please)*$/;

/** `With Enter held, on.`, `off again`: no more than that, where what was named last has no such place: the supply. */
function readBare(r: Reader, segment: Segment): boolean {
  const said = bare.exec(saidOf(segment));
  const word = said?.[1];
  if (word === undefined || r.made.length === 0) return false;
  // a key is called so
  if (segment.words.some((_, i) => mentionAt(segment.words, i, r.called.controls) !== null)) return false;
  const isLast = r.last.some((own) => {
    const to = isPush(own) ? null : placeByVerb(own, word);
    return to !== null && r.places.get(own.control.id) !== to;
  });
  if (isLast) return false;
  // `okay and off`: the hand that holds
  if (word === 'off' && r.held.length > 0) return false;
  // what was moved last first, what nobody moved yet last
  const moved = [...r.places.keys()];
  const movedAt = ({ control }: ControlFacts): number => moved.indexOf(control.id);
  const supply = [...r.called.facts.supply].sort((a, b) => movedAt(b) - movedAt(a));
  const isPlugged = word === 'in' || word === 'out';
  for (const own of supply) {
    if (isPlugged && !/^(?:plug|key|fuse|appliance)$/.test(own.control.look)) continue;
    const to = placeByVerb(own, word);
    const stands = r.places.get(own.control.id) ?? (isPlugged ? to : own.start);
    if (to === null) continue;
    // `Okay. Off.`: as it was told to be
    if (stands === to) return false;
    const [a, z] = [segment.words[0], segment.words.at(-1)];
    if (!a || !z) return false;
    set(r, own, to, { from: a.from, to: z.to }, true);
    return true;
  }
  return false;
}
