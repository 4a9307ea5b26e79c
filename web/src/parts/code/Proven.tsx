import { type Bundle, type EntryOf, familyEntry, reachOf, reachWords } from '@wire-trail/core';
import { StandingMark } from './CodeGlyph.tsx';

type Props = Readonly<{ entry: EntryOf<'route' | 'chart' | 'code' | 'symptom'>; bundle: Bundle }>;

/** How sure we are of an entry; where it was proven on the bench, on what, what was not seen and whom it does not speak for. */
export function Proven({ entry, bundle }: Props) {
  const reach = reachOf(bundle, entry);
  return (
    <span>
      <StandingMark standing={entry.standing} />
      {reach && <span className="soft small"> {reachWords(reach, familyEntry(bundle)).join(' ')}</span>}
    </span>
  );
}
