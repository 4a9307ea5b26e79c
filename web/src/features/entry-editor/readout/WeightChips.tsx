import { DndContext, type DragEndEvent, PointerSensor, useDraggable, useSensor, useSensors } from '@dnd-kit/core';
import Button from '@mui/material/Button';
import type { ReadsOf, SignId } from '@wire-trail/core';
import { useState } from 'react';

type Lamps = ReadsOf<'lamps'>['lamps'];
type Props = Readonly<{
  lamps: Lamps;
  nameOf: (sign: string) => string;
  /** What each lamp counts, once one was laid on another lamp. */
  onLay: (lamps: Lamps) => void;
}>;

/** A weight laid on a lamp: where another lamp had it, that one counts nothing until it is given one. */
export const laidOn = (lamps: Lamps, sign: SignId, weight: number): Lamps =>
  lamps.map((l) => (l.sign === sign ? { sign, weight } : l.weight === weight ? { sign: l.sign } : l));

/** The sign that is drawn where something was let go of; null where there is none. */
function signUnder({ activatorEvent, delta }: DragEndEvent): string | null {
  if (!(activatorEvent instanceof PointerEvent)) return null;
  const under = document.elementsFromPoint(activatorEvent.clientX + delta.x, activatorEvent.clientY + delta.y);
  for (const at of under) {
    const sign = at.closest('[data-sign]')?.getAttribute('data-sign');
    if (sign) return sign;
  }
  return null;
}

/** Weights to be dragged onto the lamps as they are drawn, or onto their names; by keys one is taken, then a lamp picked. */
export function WeightChips({ lamps, nameOf, onLay }: Props) {
  const [taken, setTaken] = useState<number | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const weights = lamps.map((_, i) => 2 ** i);
  const lay = (sign: string | null, weight: number) => {
    const own = lamps.find((l) => l.sign === sign);
    if (own) onLay(laidOn(lamps, own.sign, weight));
    setTaken(null);
  };
  return (
    <DndContext sensors={sensors} onDragEnd={(e) => lay(signUnder(e), Number(e.active.id))}>
      <div className="stack">
        <div className="row" role="group" aria-label="weights to lay on lamps">
          <span className="soft small">Drag onto a lamp:</span>
          {weights.map((weight) => (
            <Chip
              key={weight}
              weight={weight}
              isTaken={taken === weight}
              onTake={() => setTaken(taken === weight ? null : weight)}
            />
          ))}
        </div>
        {taken !== null && (
          <div className="row" role="group" aria-label={`lay ${taken} on`}>
            <span className="soft small">{taken} onto</span>
            {lamps.map((l) => (
              <Button key={l.sign} size="small" onClick={() => lay(l.sign, taken)}>
                {nameOf(l.sign)}
              </Button>
            ))}
          </div>
        )}
      </div>
    </DndContext>
  );
}

function Chip({ weight, isTaken, onTake }: { weight: number; isTaken: boolean; onTake: () => void }) {
  const { setNodeRef, listeners, transform } = useDraggable({ id: String(weight) });
  return (
    <Button
      ref={setNodeRef}
      size="small"
      className="mono"
      aria-pressed={isTaken}
      aria-label={`weight ${weight}`}
      style={{ touchAction: 'none', ...(transform && { transform: `translate(${transform.x}px, ${transform.y}px)` }) }}
      onClick={onTake}
      {...listeners}
    >
      {weight}
    </Button>
  );
}
