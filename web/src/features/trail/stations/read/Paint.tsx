import { SeenLamp } from '@wire-trail/core';
import { Select } from '../../../../parts/field/Select.tsx';

const lampStateWords: Record<SeenLamp, string> = {
  dark: 'dark',
  lit: 'lit',
  slow: 'blinks',
  fast: 'fast',
  dim: 'maybe dim',
  unsure: 'cannot tell',
};
const paints: readonly SeenLamp[] = ['lit', ...SeenLamp.options.filter((state) => state !== 'lit')];

/** What a tap on a lamp says, where it should not be the next thing in turn. */
export function Paint({ paint, onPaint }: { paint: SeenLamp | null; onPaint: (paint: SeenLamp | null) => void }) {
  return (
    <label className="row small">
      <span className="soft">a tap says</span>
      <Select
        native
        fullWidth
        value={paint ?? ''}
        onChange={(e) => onPaint((e.target.value || null) as SeenLamp | null)}
      >
        <option value="">the next thing in turn</option>
        {paints.map((p) => (
          <option key={p} value={p}>
            {lampStateWords[p]}
          </option>
        ))}
      </Select>
    </label>
  );
}
