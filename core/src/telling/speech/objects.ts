import type { Item } from './item.ts';
import type { Segment } from './segments.ts';

/** Whether an act is done to something that is nothing of the unit: `open a window`, `hit that like`. */
export function hasOtherObject(segment: Segment, act: Item, items: readonly Item[]): boolean {
  const at = segment.words.findIndex((w) => w.from >= act.to);
  if (at < 0 || !/^(?:the|that|this|a|an|my|your|his|her|our)$/.test(segment.words[at]?.word ?? '')) return false;
  let k = at + 1;
  while (/^(?:little|big|small|other|whole|same|old|new)$/.test(segment.words[k]?.word ?? '')) k += 1;
  const object = segment.words[k];
  return (
    object !== undefined &&
    /^\p{L}{3,}$/u.test(object.word) &&
    !/^(?:button|key|pad|switch|lot|pair|sequence|one|thing|appliance|engine|vehicle|lift|oven|cooler|washer|dryer|pump|press|boiler|heater|drill|lever|knob|unit|machine|power|mains|supply|lead|cord|cable|plug|time|last|next|first|second|third|other|combination|two|three|four)s?$/.test(
      object.word,
    ) &&
    !items.some((x) => x.from <= object.from && x.to >= object.to)
  );
}
