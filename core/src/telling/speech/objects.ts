import type { Item } from './item.ts';
import type { Reader } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';
import type { Word } from './text.ts';

const joining =
  /^(?:and|then|for|until|till|with|while|once|twice|when|again|back|down|up|in|out|off|on|over|to|from|at|now|so|but|or|until|gently|slowly|quickly)$/;

/** Whether an act is done to something that is nothing of the unit: `open a window`, `hit that like`. */
export const hasOtherObject = (segment: Segment, act: Item, items: readonly Item[]): boolean =>
  otherObject(segment, act, items) !== null;

/** The words something is called by that is done something to and is nothing of the unit; null where there are none. */
function otherObject(segment: Segment, act: Item, items: readonly Item[]): readonly Word[] | null {
  const at = segment.words.findIndex((w) => w.from >= act.to);
  if (at < 0 || !/^(?:the|that|this|a|an|my|your|his|her|our)$/.test(segment.words[at]?.word ?? '')) return null;
  let k = at + 1;
  while (/^(?:little|big|small|other|whole|same|old|new)$/.test(segment.words[k]?.word ?? '')) k += 1;
  const object = segment.words[k];
  const isOther =
    object !== undefined &&
    /^\p{L}{3,}$/u.test(object.word) &&
    !/^(?:button|key|pad|switch|lot|pair|sequence|one|thing|appliance|engine|vehicle|lift|oven|cooler|washer|dryer|pump|press|boiler|heater|drill|lever|knob|unit|machine|power|mains|supply|lead|cord|cable|plug|time|last|next|first|second|third|other|combination|two|three|four)s?$/.test(
      object.word,
    ) &&
    !items.some((x) => x.from <= object.from && x.to >= object.to);
  if (!isOther || !object) return null;
  const rest = segment.words.slice(at + 1);
  const end = rest.findIndex(
    (w, i) =>
      i > k - at - 1 &&
      (i > 2 ||
        !/^\p{L}{3,}$/u.test(w.word) ||
        joining.test(w.word) ||
        items.some((x) => x.from <= w.from && x.to >= w.to)),
  );
  return rest.slice(0, end < 0 ? Math.min(3, rest.length) : end);
}

/** Whether it is said of something that is nothing of the unit: `the cover is put back`. */
export function hasOtherSubject(segment: Segment, items: readonly Item[]): boolean {
  const words = segment.words.filter((w, i) => i > 0 || !/^(?:and|then|now|so)$/.test(w.word));
  const [article, noun, verb] = words;
  return (
    article !== undefined &&
    noun !== undefined &&
    /^(?:the|a|your|my|his)$/.test(article.word) &&
    /^\p{L}{3,}$/u.test(noun.word) &&
    /^(?:is|are|was|were|gets|goes|must|has|should)$/.test(verb?.word ?? '') &&
    !/^(?:unit|machine|power|mains|supply|plug|lead|cord|thing|one|other|first|second|last)$/.test(noun.word) &&
    !items.some((x) => x.from <= noun.from && x.to >= noun.to)
  );
}

const pointed = /\b(?:this|that|the other) (?:one|button|key|pad|thing|knob|lever|switch)\b/;
/** Whether somebody points at a control in place of naming it. */
export const pointsAt = (segment: Segment): boolean => pointed.test(saidOf(segment));

const does: Readonly<Record<string, 'press' | 'hold' | 'set'>> = {
  press: 'press',
  hold: 'hold',
  turn: 'set',
  set: 'set',
  open: 'set',
  shut: 'set',
  in: 'set',
  out: 'set',
  pull: 'set',
};

/**
 * A hand does something to what nobody has named yet, or to “that one”: asked, where the telling is at it and says how long,
 * how often or where to. What is only said of other things is not asked about.
 */
export function askWhich(
  r: Reader,
  segment: Segment,
  items: readonly Item[],
  at: Readonly<{ from: number; to: number }>,
): boolean {
  const act = items.find((x) => x.is === 'act');
  const hand = act?.is === 'act' ? does[act.act] : undefined;
  if (!act || !hand || items.some((x) => x.is === 'control')) return false;
  const text = saidOf(segment);
  const one = pointed.exec(text);
  const isTold =
    items.some((x) => ['times', 'length', 'until', 'clicks', 'turns', 'place', 'way', 'both'].includes(x.is)) ||
    /\bdown\b/.test(text);
  if (one && isTold) {
    r.ask({ is: 'one', phrase: one[0], does: hand }, `which one “${one[0]}” is`, at);
    return true;
  }
  const words = otherObject(segment, act, items);
  if (!words || !isTold || r.made.length === 0) return false;
  const phrase = words.map((w) => w.word).join(' ');
  r.ask({ is: 'name', phrase, does: hand }, `which control “${phrase}” is`, at);
  return true;
}
