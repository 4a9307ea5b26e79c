import { placeByVerb, supplyFor } from './mentions.ts';
import { isAct, type Reader } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';
import { set } from './turns.ts';

/** `before switching on again, place your foot on the pedal`: the supply waits until the rest of the sentence is done. */
export function tellsLater(r: Reader, segment: Segment): boolean {
  const said =
    /^(?:and |but |now |then )?(?:right |just |shortly )?before (?:switching|turning|powering|plugging|putting)(?: it| the \w+| \w+self)?(?: back)? (on|in)(?: again)?$/.exec(
      saidOf(segment),
    );
  const supply = said && supplyFor(r.called, said[1] ?? 'on');
  const to = supply && placeByVerb(supply, said[1] ?? 'on');
  const [from, last] = [segment.words[0]?.from, segment.words.at(-1)?.to];
  if (!supply || !to || from === undefined || last === undefined || r.places.get(supply.control.id) === to)
    return false;
  r.later = { own: supply, to, at: { from, to: last }, sentence: segment.sentence, made: r.made.length };
  return true;
}

/**
 * Does what waited, once something was done and the unit is said to show something, or the sentence it was told in is over;
 * where nothing was done in it, it was no more than a time.
 */
export function doLater(r: Reader, sentence: number, isShown = false): void {
  const { later } = r;
  const isDone = later !== null && r.made.slice(later.made).some((m) => isAct(m.step));
  if (!later || (later.sentence === sentence && !(isShown && isDone))) return;
  r.later = null;
  if (!isDone) return;
  const said = r.last;
  set(r, later.own, later.to, later.at, true);
  r.last = said;
}
