import { useDraggable } from '@dnd-kit/core';
import Button from '@mui/material/Button';
import { addPart, type Face, newFace, type Panel, type PartKind, partKinds, partsOf } from '@wire-trail/core';
import { useMemo } from 'react';
import { PanelDrawing } from '../../../parts/panel/PanelDrawing.tsx';

const groups: ReadonlyArray<readonly [string, readonly PartKind[]]> = [
  ['Pressed', ['button', 'pad', 'remote-key']],
  ['Turned', ['knob', 'key']],
  ['Switched', ['rocker', 'switch', 'slide', 'dip']],
  ['Put in, taken out', ['jumper', 'fuse', 'plug', 'breaker']],
  ['Moved', ['lid', 'door', 'pedal', 'lever', 'float']],
  ['On site', ['tap', 'valve', 'appliance']],
  ['Seen', ['lamp', 'bar', 'segments', 'text']],
  ['Heard or felt', ['beeper', 'felt']],
];

const words: Partial<Record<PartKind, string>> = {
  felt: 'relay, fan, lock',
  segments: 'digits',
  dip: 'DIP switch',
  'remote-key': 'remote key',
};
export const sortWords = (sort: PartKind): string => words[sort] ?? sort.replace('-', ' ');

/** A face that holds just one part, cut to it: the picture on its button. */
function sampleOf(sort: PartKind): Face {
  // a panel of which only the new face is looked at
  const blank = newFace({ faces: [] } as unknown as Panel, 'front');
  const [face] = addPart(blank, 0, sort, { x: 0, y: 0 }).panel.faces;
  if (!face) throw new Error(sort);
  const [part] = partsOf(face);
  const { w, h } = part?.at ?? { w: 4, h: 4 };
  const side = Math.max(w, h, 5) + 3;
  const at = { x: (side - w) / 2, y: (side - h) / 2, w, h };
  return {
    ...face,
    width: side,
    height: side,
    controls: face.controls.map((c) => ({ ...c, at, label: ' ' })),
    signs: face.signs.map((s) => ({ ...s, at, label: ' ' })),
  };
}

/** Every sort of part there is; dragged onto the face, or put there by Enter. */
export function Palette({ onAdd }: { onAdd: (sort: PartKind) => void }) {
  const listed = new Set(groups.flatMap(([, sorts]) => sorts));
  const rest = partKinds.filter((s) => !listed.has(s));
  return (
    <div className="scrolls palette sheet" role="group" aria-label="parts">
      {[...groups, ...(rest.length > 0 ? [['Other', rest] as const] : [])].map(([name, sorts]) => (
        <div key={name}>
          <h2 className="small soft">{name}</h2>
          <div className="palette-row">
            {sorts.map((sort) => (
              <PaletteItem key={sort} sort={sort} onAdd={onAdd} />
            ))}
          </div>
        </div>
      ))}
    </div>
  );
}

function PaletteItem({ sort, onAdd }: { sort: PartKind; onAdd: (sort: PartKind) => void }) {
  const face = useMemo(() => sampleOf(sort), [sort]);
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: `new ${sort}`, data: { sort } });
  return (
    <Button
      ref={setNodeRef}
      variant="text"
      size="rail"
      className={`palette-item ${isDragging ? 'dragged' : ''}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      aria-label={`put a ${sortWords(sort)}`}
      onClick={() => onAdd(sort)}
      {...listeners}
    >
      <span aria-hidden>
        <PanelDrawing face={face} thumbnail bare />
      </span>
      <span>{sortWords(sort)}</span>
    </Button>
  );
}
