import type { PlaceId } from '../base/ids.ts';

type Place = Readonly<{ id: PlaceId; label?: string }>;

/** How switches are marked that do not say off and on: nought and one, or the circle and the bar of IEC 60417-5008 and -5007. */
const marks: ReadonlyArray<readonly [off: RegExp, on: RegExp]> = [
  [/^(?:0|zero|nought)$/i, /^(?:1|one)$/i],
  [/^[o○]$/i, /^[i|]$/i],
];

/** The place of a control that a usual word means: one of that id, or the mark on a switch that has both marks; null without one. */
export function usualPlace(places: readonly Place[], word: string): PlaceId | null {
  const own = places.find((p) => p.id === word);
  if (own || (word !== 'off' && word !== 'on')) return own?.id ?? null;
  const bears = (mark: RegExp): Place | undefined => places.find((p) => mark.test(p.id) || mark.test(p.label ?? ''));
  for (const [off, on] of marks) {
    const [dead, live] = [bears(off), bears(on)];
    if (dead && live) return word === 'off' ? dead.id : live.id;
  }
  return null;
}
