import type { Found } from '@wire-trail/core';
import { whyWords } from '@wire-trail/core';
import { CodeGlyph } from '../code/CodeGlyph.tsx';
import { Pressable } from '../field/Pressable.tsx';

type Props = Readonly<{ found: Found; current?: boolean; onPick: () => void }>;

/** One thing found: the code as it stands, whose it is, and why it was found. */
export function FoundLine({ found, current, onPick }: Props) {
  const why = whyWords(found);
  return (
    <Pressable className={`tile ends ${current ? 'now' : ''}`} aria-current={current || undefined} onClick={onPick}>
      {found.kind === 'code' ? (
        <CodeGlyph text={found.text} size="large" />
      ) : (
        <span className="tag">{found.kind === 'family' ? 'unit' : 'no code'}</span>
      )}
      <span>
        <strong>{found.title}</strong>
        <span className="soft small">
          {[found.kind === 'family' ? '' : found.familyName, why].filter(Boolean).join(' · ')}
        </span>
      </span>
    </Pressable>
  );
}
