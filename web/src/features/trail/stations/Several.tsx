import { type Code, familyEntry, variantName } from '@wire-trail/core';
import { Pressable } from '../../../parts/field/Pressable.tsx';
import type { TrailData } from '../trail-data.ts';

type Props = Readonly<{ codes: readonly Code[]; data: TrailData; onTake: (code: Code) => void }>;

/** One code with an entry for each of several variants, while the plate does not tell which this is. */
export function Several({ codes, data, onTake }: Props) {
  if (codes.length === 0) return null;
  const { variants } = familyEntry(data.bundle);
  return (
    <div className="note" role="status">
      <strong>{codes[0]?.text} differs by variant, and the plate does not tell which this is.</strong>
      <div className="stack">
        {codes.map((code) => (
          <Pressable key={code.id} className="tile ends" onClick={() => onTake(code)}>
            <span>
              <strong>{code.title}</strong>
              <span className="soft small">
                on {code.onlyVariants.map((id) => variantName({ variants }, id)).join(', ') || 'every variant'}
              </span>
            </span>
          </Pressable>
        ))}
      </div>
    </div>
  );
}
