import type { ControlId, PlaceId, SignId } from '../base/ids.ts';
import { freeIn } from '../base/slug.ts';
import type { Box, Control, Face, Panel, Sign } from '../model/panel.ts';
import { isControlKind, madeAs, mechanismOf, newSign, type PartKind } from './panel-parts.ts';

export type FacePart = Control | Sign;

/** All parts of a face, controls first, in the order they are drawn last. */
export const partsOf = (face: Face): FacePart[] => [...face.controls, ...face.signs];

const round = (n: number): number => Math.round(n * 4) / 4;
const within = (n: number, most: number): number => Math.min(Math.max(0, round(n)), Math.max(0, most));

/** A box kept on its face: never beyond an edge, never larger than the face. Quarter units. */
function kept(face: Face, { x, y, w, h }: Box): Box {
  const size = { w: Math.max(0.5, Math.min(round(w), face.width)), h: Math.max(0.5, Math.min(round(h), face.height)) };
  return { x: within(x, face.width - size.w), y: within(y, face.height - size.h), ...size };
}

function freeId(panel: Panel, wanted: string): string {
  const taken = new Set(panel.faces.flatMap((f) => partsOf(f).map((p) => p.id as string)));
  return freeIn(taken, wanted, wanted.replace(/-\d+$/, '').slice(0, 58));
}

const onFace = (panel: Panel, index: number, change: (face: Face) => Face): Panel => ({
  ...panel,
  faces: panel.faces.map((f, i) => (i === index ? change(f) : f)),
});
const mapParts = (face: Face, change: <P extends FacePart>(part: P) => P): Face => ({
  ...face,
  controls: face.controls.map(change),
  signs: face.signs.map(change),
});

const overlaps = (a: Box, b: Box): boolean => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/** No face is taller, in its own units. */
const mostHeight = 200;
/** Room under a part for its label. */
const labelRoom = 2;
const labelled = (box: Box): Box => ({ ...box, h: box.h + labelRoom });

/**
 * A place for a part of this size where it, with its label under it, covers no other: the nearest to where it is wanted,
 * else the first from the top left. A face that is full has it below everything.
 */
function freePlace(face: Face, w: number, h: number, wanted?: { x: number; y: number }): { x: number; y: number } {
  const isFree = (x: number, y: number) =>
    !partsOf(face).some((p) => overlaps(labelled({ x, y, w, h }), labelled(p.at)));
  if (wanted && isFree(wanted.x, wanted.y)) return wanted;
  const free: Array<{ x: number; y: number }> = [];
  for (let y = 2; y + h <= face.height; y++)
    for (let x = 2; x + w <= face.width; x++) if (isFree(x, y)) free.push({ x, y });
  const away = (p: { x: number; y: number }) => (wanted ? (p.x - wanted.x) ** 2 + (p.y - wanted.y) ** 2 : 0);
  const [first] = free;
  if (first) return free.reduce((best, p) => (away(p) < away(best) ? p : best), first);
  return { x: 2, y: Math.max(...partsOf(face).map((p) => p.at.y + p.at.h)) + labelRoom };
}

/**
 * Puts a new part on a face, with its middle where it was dropped or nearest to it, or where there is room; a face that
 * is full grows by what it needs.
 */
export function addPart(
  panel: Panel,
  faceIndex: number,
  sort: PartKind,
  middle?: Readonly<{ x: number; y: number }>,
): { panel: Panel; id: string } {
  const face = panel.faces[faceIndex];
  if (!face) throw new Error(`panel ${panel.id} has no face ${faceIndex}`);
  const { w, h, label } = madeAs(sort);
  const wanted = middle
    ? kept(face, { x: Math.round(middle.x - w / 2), y: Math.round(middle.y - h / 2), w, h })
    : undefined;
  const place = freePlace(face, w, h, wanted);
  const height = Math.max(face.height, Math.min(mostHeight, place.y + h + (place.y + h > face.height ? labelRoom : 0)));
  const at = kept({ ...face, height }, { ...place, w, h });
  const id = freeId(panel, sort);
  const roomy = onFace(panel, faceIndex, (f) => (f.height === height ? f : { ...f, height }));
  const changed = onFace(roomy, faceIndex, (f) =>
    isControlKind(sort)
      ? {
          ...f,
          controls: [
            ...f.controls,
            {
              id: id as ControlId,
              look: sort,
              label,
              at,
              powersAt: [],
              interlock: false,
              mechanism: mechanismOf(sort),
            },
          ],
        }
      : { ...f, signs: [...f.signs, newSign(sort, id as SignId, at)] },
  );
  return { panel: changed, id };
}

type Picked = ReadonlySet<string>;

/** Moves parts together; the farthest of them stops all at the edge, so that they keep their places to each other. */
export function moveParts(panel: Panel, faceIndex: number, picked: Picked, dx: number, dy: number): Panel {
  return onFace(panel, faceIndex, (face) => {
    const boxes = partsOf(face).flatMap((p) => (picked.has(p.id) ? [p.at] : []));
    if (boxes.length === 0) return face;
    const left = Math.min(...boxes.map((b) => b.x));
    const top = Math.min(...boxes.map((b) => b.y));
    const right = Math.max(...boxes.map((b) => b.x + b.w));
    const bottom = Math.max(...boxes.map((b) => b.y + b.h));
    const [mx, my] = [
      Math.max(-left, Math.min(dx, face.width - right)),
      Math.max(-top, Math.min(dy, face.height - bottom)),
    ];
    return mapParts(face, (p) => (picked.has(p.id) ? { ...p, at: { ...p.at, x: p.at.x + mx, y: p.at.y + my } } : p));
  });
}

/** Makes parts wider and taller, within the face. */
export function resizeParts(panel: Panel, faceIndex: number, picked: Picked, dw: number, dh: number): Panel {
  return onFace(panel, faceIndex, (face) =>
    mapParts(face, (p) =>
      picked.has(p.id) ? { ...p, at: kept(face, { ...p.at, w: p.at.w + dw, h: p.at.h + dh }) } : p,
    ),
  );
}

export type Edge = 'left' | 'right' | 'top' | 'bottom' | 'centre' | 'middle';

/** Brings parts to one line: their outermost edge, or their common centre (across) or middle (down). */
export function alignParts(panel: Panel, faceIndex: number, picked: Picked, edge: Edge): Panel {
  return onFace(panel, faceIndex, (face) => {
    const boxes = partsOf(face).flatMap((p) => (picked.has(p.id) ? [p.at] : []));
    if (boxes.length < 2) return face;
    const left = Math.min(...boxes.map((b) => b.x));
    const top = Math.min(...boxes.map((b) => b.y));
    const right = Math.max(...boxes.map((b) => b.x + b.w));
    const bottom = Math.max(...boxes.map((b) => b.y + b.h));
    const to = (b: Box): Box => {
      switch (edge) {
        case 'left':
          return { ...b, x: left };
        case 'right':
          return { ...b, x: right - b.w };
        case 'top':
          return { ...b, y: top };
        case 'bottom':
          return { ...b, y: bottom - b.h };
        case 'centre':
          return { ...b, x: round((left + right - b.w) / 2) };
        case 'middle':
          return { ...b, y: round((top + bottom - b.h) / 2) };
      }
    };
    return mapParts(face, (p) => (picked.has(p.id) ? { ...p, at: to(p.at) } : p));
  });
}

/** Sets parts apart evenly between the two outermost, across or down. */
export function spreadParts(panel: Panel, faceIndex: number, picked: Picked, way: 'across' | 'down'): Panel {
  const [at, size] = way === 'across' ? (['x', 'w'] as const) : (['y', 'h'] as const);
  return onFace(panel, faceIndex, (face) => {
    const own = partsOf(face)
      .filter((p) => picked.has(p.id))
      .sort((a, b) => a.at[at] - b.at[at]);
    const [first, last] = [own[0], own.at(-1)];
    if (!first || !last || own.length < 3) return face;
    const free = last.at[at] - first.at[at] - own.slice(0, -1).reduce((sum, p) => sum + p.at[size], 0);
    let next = first.at[at];
    const to = new Map(
      own.map((p) => {
        const place = [p.id as string, round(next)] as const;
        next += p.at[size] + free / (own.length - 1);
        return place;
      }),
    );
    return mapParts(face, (p) =>
      to.has(p.id) ? { ...p, at: kept(face, { ...p.at, [at]: to.get(p.id) ?? p.at[at] }) } : p,
    );
  });
}

/** Copies parts beside themselves, with ids of their own. */
export function duplicateParts(panel: Panel, faceIndex: number, picked: Picked): { panel: Panel; ids: string[] } {
  let next = panel;
  const ids: string[] = [];
  const face = panel.faces[faceIndex];
  for (const part of face ? partsOf(face) : []) {
    if (!picked.has(part.id)) continue;
    const id = freeId(next, part.id);
    ids.push(id);
    next = onFace(next, faceIndex, (f) => {
      const at = kept(f, { ...part.at, x: part.at.x + part.at.w + 1 });
      return 'look' in part
        ? { ...f, controls: [...f.controls, { ...part, id: id as ControlId, at }] }
        : { ...f, signs: [...f.signs, { ...part, id: id as SignId, at }] };
    });
  }
  return { panel: next, ids };
}

export function removeParts(panel: Panel, faceIndex: number, picked: Picked): Panel {
  return onFace(panel, faceIndex, (f) => ({
    ...f,
    controls: f.controls.filter((c) => !picked.has(c.id)),
    signs: f.signs.filter((s) => !picked.has(s.id)),
  }));
}

/** Gives the picked lamps the weights 1, 2, 4 … in their order on the face, counted from the left or from the right. */
export function weighLamps(panel: Panel, faceIndex: number, picked: Picked, from: 'left' | 'right'): Panel {
  return onFace(panel, faceIndex, (face) => {
    const lamps = face.signs
      .filter((s) => s.kind === 'lamp' && picked.has(s.id))
      .sort((a, b) => (from === 'left' ? a.at.x - b.at.x : b.at.x - a.at.x));
    const weights = new Map(lamps.map((l, i) => [l.id, 2 ** i]));
    return {
      ...face,
      signs: face.signs.map((s) => {
        const weight = weights.get(s.id);
        return s.kind === 'lamp' && weight !== undefined ? { ...s, weight } : s;
      }),
    };
  });
}

/** A part one place earlier or later among what is of its kind: controls among controls, signs among signs. */
export function moveInOrder(panel: Panel, faceIndex: number, id: string, by: 1 | -1): Panel {
  const moved = <T extends { id: string }>(all: readonly T[]): T[] => {
    const at = all.findIndex((p) => p.id === id);
    const [one, other] = [all[at], all[at + by]];
    return one && other ? all.map((p, i) => (i === at ? other : i === at + by ? one : p)) : [...all];
  };
  return onFace(panel, faceIndex, (face) => ({ ...face, controls: moved(face.controls), signs: moved(face.signs) }));
}

/** A part called otherwise by those who know it by a badge; as everybody calls it where the name is empty. */
export function calledByBadge(part: FacePart, badge: string, name: string): FacePart {
  const { labelByBadge, ...rest } = part;
  const names = Object.fromEntries(Object.entries(labelByBadge ?? {}).filter(([b]) => b !== badge));
  const all = name.trim() === '' ? names : { ...names, [badge]: name };
  return (Object.keys(all).length === 0 ? rest : { ...rest, labelByBadge: all }) as FacePart;
}

/** Replaces one part by an edited one, under its id of before. */
export function changePart(panel: Panel, faceIndex: number, id: string, part: FacePart): Panel {
  return onFace(panel, faceIndex, (face) => ({
    ...face,
    controls: face.controls.map((c) => (c.id === id && 'look' in part ? part : c)),
    signs: face.signs.map((s) => (s.id === id && !('look' in part) ? part : s)),
  }));
}

/** A face of its own, empty. */
export function newFace(panel: Panel, side: Face['side']): Panel {
  const taken = new Set(panel.faces.map((f) => f.id as string));
  let id: string = side;
  for (let n = 2; taken.has(id); n++) id = `${side}-${n}`;
  const labels: Record<Face['side'], string> = {
    front: 'Front',
    'behind-cover': 'Behind the cover',
    board: 'Board',
    remote: 'Remote pad',
    helm: 'Helm',
    site: 'On site',
  };
  const face: Face = {
    id: id as PlaceId,
    label: labels[side],
    side,
    width: 60,
    height: 24,
    controls: [],
    signs: [],
    captions: [],
    ...(side === 'behind-cover' || side === 'board' ? { cover: { label: 'Cover', isolateFirst: true } } : {}),
  };
  return { ...panel, faces: [...panel.faces, face] };
}
