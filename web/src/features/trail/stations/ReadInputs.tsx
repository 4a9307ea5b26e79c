import type { Look, SeenLamp, SignId, Stage } from '@wire-trail/core';
import { partName } from '../../../parts/words/coach-words.ts';
import type { TrailData } from '../trail-data.ts';

const stateWords: Record<SeenLamp, string> = {
  dark: 'dark',
  lit: 'lit',
  slow: 'blinks',
  fast: 'fast',
  unsure: 'cannot tell',
};

/** The lamps once more as large keys: for gloves, and for those who do not see the drawing. */
export function LampKeys({
  data,
  stage,
  look,
  onTap,
}: {
  data: TrailData;
  stage: Stage;
  look: Look | undefined;
  onTap: (id: SignId) => void;
}) {
  if (stage.reads.kind !== 'lamps') return null;
  return (
    <div className="lamp-keys" role="group" aria-label="lamps">
      {stage.reads.lamps.map((lamp) => {
        const seen = look?.kind === 'lamps' ? look.lamps[lamp.sign] : undefined;
        return (
          <button key={lamp.sign} type="button" className={seen ?? 'unseen'} onClick={() => onTap(lamp.sign)}>
            <strong>{partName(data.panel, lamp.sign)}</strong>
            <span>{seen ? stateWords[seen] : '–'}</span>
          </button>
        );
      })}
    </div>
  );
}

export function BlinkCount({
  stage,
  look,
  most,
  onCount,
}: {
  stage: Stage;
  look: Look | undefined;
  most: number;
  onCount: (count: number) => void;
}) {
  const now = look?.kind === 'blinks' ? look.count : null;
  return (
    <div role="group" aria-label={stage.label} className="blink-count">
      {Array.from({ length: most }, (_, i) => i + 1).map((n) => (
        <button
          key={n}
          type="button"
          className={n === now ? 'act first' : 'act'}
          aria-pressed={n === now}
          onClick={() => onCount(n)}
        >
          {n}
        </button>
      ))}
    </div>
  );
}
