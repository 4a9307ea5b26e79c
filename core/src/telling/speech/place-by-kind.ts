import type { PlaceId } from '../../base/ids.ts';
import type { ControlFacts } from '../../unit/facts.ts';

type Kind = Readonly<{ of: (own: ControlFacts) => boolean; ways: ReadonlyArray<readonly [acts: RegExp, to: RegExp]> }>;
/** What goes in and out, on and off by what it is, whatever its places are called: the first kind that fits says where to. */
const kinds: readonly Kind[] = [
  // `L3 on`: bridged
  {
    of: ({ control }) => control.look === 'jumper',
    ways: [
      [/^(?:in|on|shut)$/, /^(?:bridged|fitted|in|on|closed|set|made)$/],
      [/^(?:out|off|open)$/, /^(?:out|off|open|parked|removed)$/],
    ],
  },
  // `pin in`: it locks, or is fitted
  {
    of: ({ control }) => /\b(?:pin|bolt|catch|latch|strut|chock|peg)\b/i.test(control.label),
    ways: [
      [/^(?:in|push)$/, /^(?:in|locked|fitted|set|engaged|on|closed)$/],
      [/^(?:out|pull)$/, /^(?:out|free|removed|stowed|unlocked|off|open)$/],
    ],
  },
  // `brake off`, `lock off`: free
  {
    of: ({ control }) => /\b(?:brake|lock)\b/i.test(control.label),
    ways: [
      [/^on$/, /^(?:locked|applied|set|engaged)$/],
      [/^off$/, /^(?:free|released|unlocked)$/],
    ],
  },
];

/** Where an act brings a pin, a brake or a jumper to; null where it is none of them or has no such place. */
export function placeByKind(own: ControlFacts, act: string): PlaceId | null {
  const { mechanism } = own;
  if (mechanism.kind !== 'places') return null;
  for (const { of, ways } of kinds) {
    const to = of(own) ? ways.find(([acts]) => acts.test(act))?.[1] : undefined;
    const place = to && mechanism.places.find((p) => to.test(p.id));
    if (place) return place.id;
  }
  return null;
}

const irregular: Readonly<Record<string, string>> = {
  hang: 'hung',
  hangs: 'hung',
  stow: 'stowed',
  set: 'set',
  untie: 'untied',
};
/** The place of a control that is called as what was done to it: `hung`, `parked`, `folded`; `untie` is not `tied`. */
export function placeDone({ mechanism }: ControlFacts, verb: string): PlaceId | null {
  if (mechanism.kind !== 'places') return null;
  const { places } = mechanism;
  const done = (of: string) => {
    const all = [irregular[of], `${of}ed`, `${of}d`, `${of}${of.at(-1)}ed`];
    return places.find((p) => all.includes(p.label.toLowerCase()) || all.includes(p.id));
  };
  const own = verb.length > 2 ? done(verb) : undefined;
  if (own) return own.id;
  const undone = verb.startsWith('un') && places.length === 2 ? done(verb.slice(2)) : undefined;
  return undone ? (places.find((p) => p !== undone)?.id ?? null) : null;
}
