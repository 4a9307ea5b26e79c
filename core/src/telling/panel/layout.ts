import type { ControlId, PlaceId, SignId } from '../../base/ids.ts';
import { codeIdOf } from '../../base/slug.ts';
import type { Control, Face, Sign } from '../../model/panel.ts';
import { isControlKind, madeAs, mechanismOf, newSign } from '../../unit/panel-parts.ts';
import { capital, type Group } from './groups.ts';

const powers: Readonly<Partial<Record<Control['look'], string>>> = {
  breaker: 'on',
  plug: 'in',
  switch: 'on',
  rocker: 'on',
  key: 'on',
};

/** A control as it was told of: its places, its clicks, and whether the unit has its supply by it. */
export function controlOf(
  look: Control['look'],
  id: string,
  label: string,
  at: Control['at'],
  { places, clicks }: Pick<Group, 'places' | 'clicks'>,
  isMain: boolean,
): Control {
  const made = mechanismOf(look);
  const usual = made.kind === 'clicks' && clicks !== null ? { ...made, perTurn: clicks } : made;
  const rests = places.some((p) => /^(?:rest|home|zero|park|neutral|0)$/i.test(p));
  const mechanism: Control['mechanism'] =
    places.length < 2
      ? usual
      : look === 'knob' && rests
        ? {
            kind: 'clicks',
            perTurn: Math.max(clicks ?? 12, places.length),
            springsBack: false,
            rests: places.map((p, i) => ({ id: codeIdOf(p) as PlaceId, label: p, atClick: i })),
          }
        : {
            kind: 'places',
            places: places.map((p) => ({ id: codeIdOf(p) as PlaceId, label: p })),
            start: codeIdOf(places[0] ?? '') as PlaceId,
          };
  const own = powers[look];
  const start =
    mechanism.kind === 'places' && isMain && own !== undefined && mechanism.places.some((p) => p.id === own);
  return {
    id: id as ControlId,
    look,
    label,
    at,
    powersAt: start ? [own as PlaceId] : [],
    interlock: false,
    mechanism: start && mechanism.kind === 'places' ? { ...mechanism, start: own as PlaceId } : mechanism,
  };
}

export const [edge, gap, labelRoom] = [3, 3, 3];

/** A group with its size, and how many of it stand in a row. */
type Placed = Readonly<{ group: Group; across: number; w: number; h: number }>;

/** Whether something is said to be what the unit has its supply by. */
const saysMain = (text: string): boolean => /\b(?:main|mains|power)\b/i.test(text);

/** Groups laid out in rows: what is right or left of what came before beside it, all else below or above. */
export function drawFace(
  groups: readonly Group[],
  idOf: (label: string) => string,
): Pick<Face, 'width' | 'height' | 'controls' | 'signs'> {
  const isMainNamed = groups.some((g) => saysMain(g.text));
  const rows: Placed[][] = [];
  let row = 0;
  for (const group of groups) {
    const size = madeAs(group.kind);
    const across = group.shape === 'column' ? 1 : (group.perRow ?? group.n);
    const down = Math.ceil(group.n / across);
    const rise = group.shape === 'arc' && group.n > 2 ? 6 : 0;
    const own = { group, across, w: across * size.w + (across - 1) * gap, h: down * (size.h + labelRoom) + rise };
    if (rows.length === 0) rows.push([own]);
    else if (group.side === 'right') rows[row]?.push(own);
    else if (group.side === 'left') rows[row]?.unshift(own);
    else if (group.side === 'above') {
      rows.splice(row, 0, [own]);
    } else {
      rows.splice(row + 1, 0, [own]);
      row += 1;
    }
  }
  const wide = Math.max(...rows.map((r) => r.reduce((sum, p) => sum + p.w, 0) + (r.length - 1) * 2 * gap));
  const width = Math.max(24, wide + 2 * edge);
  const controls: Control[] = [];
  const signs: Sign[] = [];
  let y = edge;
  for (const placed of rows) {
    const own = placed.reduce((sum, p) => sum + p.w, 0) + (placed.length - 1) * 2 * gap;
    let x = Math.max(edge, (width - own) / 2);
    const tall = Math.max(...placed.map((p) => p.h));
    for (const { group, across, w, h } of placed) {
      const size = madeAs(group.kind);
      const isMain = saysMain(group.text) || (!isMainNamed && (group.kind === 'breaker' || group.kind === 'plug'));
      for (let i = 0; i < group.n; i += 1) {
        const bow = group.shape === 'arc' && group.n > 2 ? 6 * (1 - Math.sin((Math.PI * i) / (group.n - 1))) : 0;
        const at = {
          x: Math.round((x + (i % across) * (size.w + gap)) * 4) / 4,
          y: Math.round((y + (tall - h) / 2 + bow + Math.floor(i / across) * (size.h + labelRoom)) * 4) / 4,
          w: size.w,
          h: size.h,
        };
        const label = group.labels[i] ?? capital(labelFor(group, i));
        const id = idOf(/^\d/.test(label) ? `${group.kind} ${label}` : label);
        if (isControlKind(group.kind)) {
          controls.push(controlOf(group.kind, id, label, at, group, isMain));
        } else {
          const sign = newSign(group.kind, id as SignId, at);
          const colour = group.colours[i];
          if (sign.kind === 'lamp')
            signs.push({ ...sign, label, ...(colour ? { colours: [colour] } : {}), shows: ['lit', 'slow', 'fast'] });
          else if (sign.kind === 'segments') signs.push({ ...sign, label, digits: Math.min(8, group.digits ?? 2) });
          else signs.push({ ...sign, label });
        }
      }
      x += w + 2 * gap;
    }
    y += tall + gap;
  }
  return { width, height: y + 1, controls, signs };
}

/** What a part is called where nobody said: what it is, its colour where that tells it apart, its number where there are several. */
function labelFor({ noun, n, colours, kind, text }: Group, i: number): string {
  const one = noun.replace(/(?<=ch|sh|x)es$|(?<!s)s$/, '');
  const main = /\b(main|mains|power)\b/i.exec(text)?.[1];
  if (n === 1)
    return kind === 'lamp' && colours[0]
      ? `${colours[0]} ${one}`
      : main && !one.includes(main.toLowerCase())
        ? `${main} ${one}`
        : one;
  const own = colours[i];
  const alone = own !== undefined && colours.filter((c) => c === own).length === 1;
  return alone && kind === 'lamp' ? `${own}` : `${one} ${i + 1}`;
}

/** A face that came out larger than a face can be is drawn smaller, all of it alike. */
export function fitted(face: Face): Face {
  const by = Math.min(1, 200 / face.width, 200 / face.height);
  if (by === 1) return face;
  const small = (at: Control['at']) => ({ x: at.x * by, y: at.y * by, w: at.w * by, h: at.h * by });
  return {
    ...face,
    width: face.width * by,
    height: face.height * by,
    controls: face.controls.map((c) => ({ ...c, at: small(c.at) })),
    signs: face.signs.map((s) => ({ ...s, at: small(s.at) })),
  };
}
