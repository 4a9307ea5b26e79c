import { DndContext, type DragEndEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import Button from '@mui/material/Button';
import {
  addPart,
  alignParts,
  duplicateParts,
  type Edge,
  type Entry,
  entriesOf,
  moveParts,
  newFace,
  type Panel,
  type PartKind,
  partsOf,
  removeParts,
  resizeParts,
  sideWords,
  spreadParts,
  weighLamps,
} from '@wire-trail/core';
import { type KeyboardEvent, useRef, useState } from 'react';
import { draftEdited } from '../../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../../foundation/store.ts';
import { Select } from '../../../parts/field/Select.tsx';
import { TabRow } from '../../../parts/tabs/TabRow.tsx';
import { FaceBoard } from './FaceBoard.tsx';
import { Inspector } from './Inspector.tsx';
import { Palette } from './Palette.tsx';
import './studio.css';
import { UnderPhoto } from './UnderPhoto.tsx';
import { usePhoto } from './use-photo.ts';

const sides = Object.keys(sideWords) as Array<keyof typeof sideWords>;
const edges: ReadonlyArray<readonly [Edge, string, string]> = [
  ['left', '⇤', 'left edges'],
  ['centre', '↔', 'centres'],
  ['right', '⇥', 'right edges'],
  ['top', '⤒', 'upper edges'],
  ['middle', '↕', 'middles'],
  ['bottom', '⤓', 'lower edges'],
];

/** Draws a family's panel from typed parts: by dragging, or by keyboard alone. */
export function PanelStudio({ body, bodies }: { body: Panel; bodies: { entries: Entry[] } }) {
  const dispatch = useAppDispatch();
  const [index, setIndex] = useState(0);
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [badge, setBadge] = useState<string | undefined>(undefined);
  const board = useRef<SVGSVGElement>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const at = Math.min(index, body.faces.length - 1);
  const face = body.faces[at];
  const under = usePhoto(`${body.family} ${body.id} ${face?.id ?? ''}`, face);
  const edit = (panel: Panel, about = '') => void dispatch(draftEdited({ body: panel, about }));
  const add = (sort: PartKind, middle?: { x: number; y: number }) => {
    const { panel, id } = addPart(body, at, sort, middle);
    edit(panel);
    setPicked(new Set([id]));
  };
  const duplicate = () => {
    const { panel, ids } = duplicateParts(body, at, picked);
    edit(panel);
    setPicked(new Set(ids));
  };
  const remove = () => {
    edit(removeParts(body, at, picked));
    setPicked(new Set());
  };
  /** Pixels to grid units, as the face is drawn right now. */
  const unit = (): number => {
    const box = board.current?.getBoundingClientRect();
    return box && face ? (face.width + 2) / box.width : 0;
  };
  const onDragEnd = ({ active, delta, over }: DragEndEvent) => {
    const scale = unit();
    const sort = active.data.current?.sort as PartKind | undefined;
    if (sort) {
      const box = board.current?.getBoundingClientRect();
      const dropped = active.rect.current.translated;
      if (!over || !box || !dropped) return;
      const x = (dropped.left + dropped.width / 2 - box.left) * scale - 1;
      const y = (dropped.top + dropped.height / 2 - box.top) * scale - 1;
      return add(sort, { x, y });
    }
    const id = String(active.id);
    const together = picked.has(id) ? picked : new Set([id]);
    setPicked(together);
    edit(moveParts(body, at, together, Math.round(delta.x * scale), Math.round(delta.y * scale)));
  };
  const onKey = (event: KeyboardEvent) => {
    if (picked.size === 0) return;
    const step = event.shiftKey ? 0.25 : 1;
    const arrows: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const way = arrows[event.key];
    if (way) edit((event.altKey ? resizeParts : moveParts)(body, at, picked, ...way), `keys.${[...picked].join()}`);
    else if (event.key === 'Delete' || event.key === 'Backspace') remove();
    else if (event.key === 'd' && (event.ctrlKey || event.metaKey)) duplicate();
    else if (event.key === 'a' && (event.ctrlKey || event.metaKey))
      setPicked(new Set(face ? partsOf(face).map((p) => p.id) : []));
    else return;
    event.preventDefault();
  };
  const badges = entriesOf(bodies, 'family').find((f) => f.id === body.family)?.badges ?? [];
  const lamps = face?.signs.filter((s) => s.kind === 'lamp' && picked.has(s.id)).length ?? 0;
  return (
    <DndContext sensors={sensors} onDragEnd={onDragEnd}>
      <div className="studio">
        <Palette onAdd={add} />
        <div className="studio-middle stack">
          <div className="row spread">
            <TabRow
              name="faces"
              value={at}
              onPick={(i) => {
                setIndex(i);
                setPicked(new Set());
              }}
              tabs={body.faces.map((f, i) => ({ value: i, label: f.label }))}
            />
            <span className="row">
              <Select
                native
                fullWidth
                value=""
                onChange={(e) => {
                  edit(newFace(body, e.target.value as (typeof sides)[number]));
                  setIndex(body.faces.length);
                  setPicked(new Set());
                }}
                inputProps={{ 'aria-label': 'add a side' }}
              >
                <option value="">add a side …</option>
                {sides.map((s) => (
                  <option key={s} value={s}>
                    {sideWords[s]}
                  </option>
                ))}
              </Select>
              {badges.length > 0 && (
                <Select
                  native
                  fullWidth
                  value={badge ?? ''}
                  onChange={(e) => setBadge(e.target.value || undefined)}
                  inputProps={{ 'aria-label': 'names of the badge' }}
                >
                  <option value="">own names</option>
                  {badges.map((b) => (
                    <option key={b.id} value={b.id}>
                      {b.name}
                    </option>
                  ))}
                </Select>
              )}
            </span>
          </div>
          <div className="row studio-tools" role="toolbar" aria-label="picked parts">
            <Button disabled={picked.size === 0} onClick={duplicate} title="Ctrl D">
              Duplicate
            </Button>
            <Button disabled={picked.size === 0} onClick={remove} title="Delete">
              Remove
            </Button>
            {edges.map(([edge, sign, words]) => (
              <Button
                key={edge}
                disabled={picked.size < 2}
                aria-label={`align ${words}`}
                title={`align ${words}`}
                onClick={() => edit(alignParts(body, at, picked, edge))}
              >
                {sign}
              </Button>
            ))}
            <Button disabled={picked.size < 3} onClick={() => edit(spreadParts(body, at, picked, 'across'))}>
              Even gaps
            </Button>
            {lamps > 1 && (
              <>
                <Button onClick={() => edit(weighLamps(body, at, picked, 'left'))}>Weights 1 2 4 → right</Button>
                <Button onClick={() => edit(weighLamps(body, at, picked, 'right'))}>left ← 4 2 1</Button>
              </>
            )}
          </div>
          {face && (
            <FaceBoard
              ref={board}
              face={face}
              picked={picked}
              badge={badge}
              unit={unit}
              under={under.photo && under.address ? { photo: under.photo, address: under.address } : null}
              onPick={setPicked}
              onKey={onKey}
            />
          )}
          {face && <UnderPhoto face={face} {...under} />}
          <p className="small soft">
            Drag parts in and about, or: Tab picks the next part, arrows move it, Alt and arrows change its size, Shift
            goes by quarters, Ctrl D doubles it, Delete takes it away.
          </p>
        </div>
        {face && (
          <Inspector
            key={`${at} ${[...picked].join()}`}
            panel={body}
            faceIndex={at}
            picked={picked}
            bodies={bodies}
            onEdit={edit}
            onRemoveFace={() => {
              edit({ ...body, faces: body.faces.toSpliced(at, 1) });
              setIndex(0);
              setPicked(new Set());
            }}
          />
        )}
      </div>
    </DndContext>
  );
}
