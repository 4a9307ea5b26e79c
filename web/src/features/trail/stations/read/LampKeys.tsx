import { type Look, type Panel, partName, SeenLamp, type SignId, type Stage } from '@wire-trail/core';
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

/** The lamps once more as large keys: for gloves, and for those who do not see the drawing. */
export function LampKeys({
  panel,
  stage,
  look,
  paint,
  onPaint,
  onTap,
}: {
  panel: Panel;
  stage: Stage;
  look: Look | undefined;
  /** What a tap says; null where it says the next thing in turn. */
  paint: SeenLamp | null;
  onPaint: (paint: SeenLamp | null) => void;
  onTap: (id: SignId) => void;
}) {
  if (stage.reads.kind !== 'lamps') return null;
  const { lamps } = stage.reads;
  return (
    <div className="stack">
      <div className="lamp-keys" role="group" aria-label="lamps">
        {lamps.map((lamp) => {
          const seen = look?.kind === 'lamps' ? look.lamps[lamp.sign] : undefined;
          const colour = look?.kind === 'lamps' ? look.colours?.[lamp.sign] : undefined;
          return (
            <button key={lamp.sign} type="button" className={seen ?? 'unseen'} onClick={() => onTap(lamp.sign)}>
              <strong>{partName(panel, lamp.sign)}</strong>
              <span>{seen ? (seen === 'lit' && colour ? colour : lampStateWords[seen]) : '–'}</span>
            </button>
          );
        })}
      </div>
      <label className="row small paint">
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
    </div>
  );
}
