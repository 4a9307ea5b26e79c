import { useDraggable, useDroppable } from '@dnd-kit/core';
import { type Face, type FacePart, partsOf } from '@wire-trail/core';
import { forwardRef, type KeyboardEvent, type MouseEvent } from 'react';
import { PanelDrawing } from '../../../parts/panel/PanelDrawing.tsx';
import { drawnAs, type Photo } from './photo.ts';

type Props = Readonly<{
  face: Face;
  picked: ReadonlySet<string>;
  badge: string | undefined;
  /** Grid units a pixel. */
  unit: () => number;
  /** A photograph to draw on: where it is to be had, and how it lies. */
  under: Readonly<{ address: string; photo: Photo }> | null;
  onPick: (picked: ReadonlySet<string>) => void;
  onKey: (event: KeyboardEvent) => void;
}>;

/** The face as it is drawn everywhere, with something to take hold of over each part. */
export const FaceBoard = forwardRef<SVGSVGElement, Props>(function FaceBoard(
  { face, picked, badge, unit, under, onPick, onKey },
  ref,
) {
  const { setNodeRef, isOver } = useDroppable({ id: 'face' });
  return (
    <div ref={setNodeRef} className={`board face-board ${isOver ? 'due' : ''}`}>
      <PanelDrawing face={face} badge={badge} lamps={new Map()} weights={weightsOf(face)} />
      <svg
        ref={ref}
        className="overlay"
        viewBox={`-1 -1 ${face.width + 2} ${face.height + 2}`}
        role="group"
        aria-label={`parts of ${face.label}`}
        onKeyDown={onKey}
        onClick={(e) => e.target === e.currentTarget && onPick(new Set())}
      >
        <defs>
          <pattern id="grid" width="2" height="2" patternUnits="userSpaceOnUse">
            <circle cx="0.1" cy="0.1" r="0.09" fill="var(--unit-line)" />
          </pattern>
        </defs>
        {under && (
          <image
            href={under.address}
            {...drawnAs(under.photo.lies, under.photo.ratio)}
            opacity={under.photo.lies.shows / 100}
            pointerEvents="none"
            data-testid="photograph"
          />
        )}
        <rect
          className="grid"
          x={0}
          y={0}
          width={face.width}
          height={face.height}
          fill="url(#grid)"
          pointerEvents="none"
        />
        {partsOf(face).map((part) => (
          <Handle key={part.id} part={part} picked={picked} unit={unit} onPick={onPick} />
        ))}
      </svg>
    </div>
  );
});

function weightsOf(face: Face) {
  return new Map(
    face.signs.flatMap((s) => (s.kind === 'lamp' && s.weight !== undefined ? [[s.id, String(s.weight)] as const] : [])),
  );
}

type HandleProps = Readonly<{ part: FacePart } & Pick<Props, 'picked' | 'unit' | 'onPick'>>;

function Handle({ part, picked, unit, onPick }: HandleProps) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: part.id });
  const { x, y, w, h } = part.at;
  const isPicked = picked.has(part.id);
  const scale = unit();
  const [dx, dy] = transform ? [transform.x * scale, transform.y * scale] : [0, 0];
  const pick = (more: boolean) => {
    if (!more) return onPick(new Set([part.id]));
    const next = new Set(picked);
    if (!next.delete(part.id)) next.add(part.id);
    onPick(next);
  };
  return (
    <g
      // its types know only HTML; it measures what it is given
      ref={setNodeRef as unknown as (element: SVGGElement | null) => void}
      role="button"
      tabIndex={0}
      aria-pressed={isPicked}
      aria-label={`${part.label}, ${'look' in part ? part.look : part.kind}`}
      data-testid={`part-${part.id}`}
      className={`handle ${isPicked ? 'picked' : ''} ${isDragging ? 'dragged' : ''}`}
      transform={`translate(${dx} ${dy})`}
      onClick={(e: MouseEvent) => pick(e.shiftKey || e.ctrlKey || e.metaKey)}
      onFocus={(e) => e.currentTarget.matches(':focus-visible') && !isPicked && picked.size < 2 && pick(false)}
      onKeyDown={(e: KeyboardEvent) => {
        if (e.key !== ' ' && e.key !== 'Enter') return;
        e.preventDefault();
        pick(e.key === ' ');
      }}
      {...listeners}
    >
      <rect x={x - 0.4} y={y - 0.4} width={w + 0.8} height={h + 0.8} rx={0.6} />
    </g>
  );
}
