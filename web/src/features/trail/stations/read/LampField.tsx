import {
  type Face,
  lampField,
  type Panel,
  partName,
  type Sign,
  type SignId,
  type Stage,
  signsOfReads,
} from '@wire-trail/core';
import { useMemo } from 'react';
import type { LampShow } from '../../../../parts/panel/lamp-show.ts';
import { SignMark } from '../../../../parts/panel/SignMark.tsx';

/** As wide as a phone's page, in its own points; a finger in a glove needs this much room. */
const [wide, finger] = [350, 68];
/** How large a lamp is drawn there, in the units of its face. */
const radius = 21;
/** The drawing's own measures are those of a face: what is drawn larger is drawn by this much. */
const enlarged = 8;

type Props = Readonly<{
  face: Face;
  panel: Panel;
  stage: Stage;
  lamps: ReadonlyMap<SignId, LampShow>;
  weights: ReadonlyMap<SignId, string>;
  /** The one to look at. */
  pointed?: SignId | null;
  onTap: (sign: Sign) => void;
}>;

/** The lamps of a stage, close up, as they stand on the panel: each large enough for a thumb, with what was said of it. */
export function LampField({ face, panel, stage, lamps, weights, pointed = null, onTap }: Props) {
  const signs = useMemo(() => {
    const own = signsOfReads(stage.reads);
    return face.signs.filter((s) => s.kind === 'lamp' && own.includes(s.id));
  }, [face, stage]);
  const field = useMemo(
    () =>
      lampField(
        signs.map((s) => ({ id: s.id, x: s.at.x + s.at.w / 2, y: s.at.y + s.at.h / 2 })),
        wide,
        finger,
      ),
    [signs],
  );
  const under = 26;
  return (
    <svg
      className="panel lamp-field"
      viewBox={`0 0 ${wide / enlarged} ${(field.height + under) / enlarged}`}
      role="group"
      aria-label="lamps, close up"
    >
      {field.lamps.map((at) => {
        const sign = signs.find((s) => s.id === at.id);
        if (!sign) return null;
        const box = { w: (radius * 2) / enlarged, h: (radius * 2) / enlarged };
        const close = { ...sign, at: { ...box, x: at.x / enlarged - box.w / 2, y: at.y / enlarged - box.h / 2 } };
        return (
          <SignMark
            key={sign.id}
            sign={close}
            label={partName(panel, sign.id)}
            lamp={lamps.get(sign.id) ?? { state: 'unseen' }}
            text={undefined}
            on={false}
            weight={weights.get(sign.id)}
            pointed={pointed === sign.id}
            onTap={() => onTap(sign)}
            saysState
          />
        );
      })}
    </svg>
  );
}
