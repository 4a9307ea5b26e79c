import type { PlaceId } from '../../base/ids.ts';
import { codeIdOf, freeIn } from '../../base/slug.ts';
import type { Control, Face } from '../../model/panel.ts';
import { madeAs } from '../../unit/panel-parts.ts';
import { capital, cut, type Group, groupOf, namesWithColours, nounIn } from './groups.ts';
import { controlOf, drawFace, edge, fitted, labelRoom } from './layout.ts';

/** A stretch of what was said of a panel, and what was made of it; null where nothing was. */
export type PanelWord = Readonly<{ text: string; made: string | null }>;
export type PanelFromWords = Readonly<{ faces: readonly Face[]; words: readonly PanelWord[] }>;

/** `a fuse F2 behind the flap`: told where it sits behind it, as if before. */
function hidden(clause: string): string[] {
  if (startsFace.test(clause)) return [clause];
  const own: string[] = [];
  const behind: string[] = [];
  for (const part of cut(clause)) {
    const m = /^(.*\S) ((?:behind|inside|under) the (?:cover|lid|hood|flap|door|panel|guard|hatch))$/i.exec(part);
    if (m?.[1] && m[2]) behind.push(`${m[2]} ${m[1]}`);
    else own.push(part);
  }
  return behind.length === 0 ? [clause] : [...(own.length > 0 ? [own.join(', ')] : []), ...behind];
}

const startsFace =
  /^(?:(?:inside|behind|under|underneath|within)(?! (?:it|them|that|this|those|these)\b)|on the (?:back|side|left side|right side|board|rear)|at the (?:back|rear)|in the (?:cabinet|box|back)|on the board)\b/i;

/** Where a face stands: behind something that comes off, or a side of the unit. */
function faceOf(clause: string): Readonly<{ label: string; side: Face['side']; cover: string | null; rest: string }> {
  const m =
    /^((?:inside|behind|under|underneath|within|in|on|at)\b(?: the| a| its)? (\p{L}+(?: side)?))(?: (?:is|are|there is|there's|there are|sits|sit))?[:,]?\s*/iu.exec(
      clause,
    );
  if (!m?.[1] || !startsFace.test(clause)) return { label: 'Front', side: 'front', cover: null, rest: clause };
  const what = m[2] ?? '';
  const isCover = /^(?:lid|hood|cover|flap|guard|door|hatch|panel)$/i.test(what);
  return {
    label: isCover
      ? `${capital(m[1].split(' ')[0] ?? '')} the ${what}`
      : capital(m[1].replace(/^(?:on|at|in) the /i, '')),
    side: /board/i.test(what) ? 'board' : 'behind-cover',
    cover: isCover ? what : null,
    rest: clause.slice(m[0].length),
  };
}

const plural = (noun: string, n: number): string =>
  n === 1 || noun.endsWith('s') ? noun : /(?:ch|sh|x)$/.test(noun) ? `${noun}es` : `${noun}s`;
function madeWords({ n, noun, kind, shape, labels, places, digits, colours }: Group): string {
  const of = labels.length > 0 ? `: ${labels.join(', ')}` : '';
  const coloured = kind === 'lamp' && colours.length > 0 ? ` (${[...new Set(colours)].join(', ')})` : '';
  const placed = places.length > 0 ? ` with ${places.join(', ')}` : '';
  const wide = digits !== null ? ` of ${digits}` : '';
  return `${n} ${plural(noun, n)}${coloured}${n > 2 && shape !== 'row' ? ` in ${shape === 'arc' ? 'an arc' : 'a column'}` : ''}${wide}${placed}${of}`;
}

/**
 * A panel told in words: `four lamps in a row, three green and a red one, labelled 1, 2, 4 and half, a knob right of them with
 * rest, 1, 2, 3, and a pad below; inside the hood the breaker`. Parts are placed beside and below each other, none over another;
 * what each is filed under follows its label. What names nothing that can be drawn is told.
 */
export function panelFromWords(text: string): PanelFromWords {
  const words: PanelWord[] = [];
  const faces: Face[] = [];
  const taken = new Set<string>();
  const covers: string[] = [];
  const idOf = (label: string): string => {
    const stem = codeIdOf(label) || 'part';
    const id = freeIn(taken, /^[a-z]/.test(stem) ? stem : `n${stem}`);
    taken.add(id);
    return id;
  };
  // `three lamps (heat, fan, fault)`: what they are called
  const clauses = namesWithColours(text)
    .replace(/ \(((?:\p{L}[\p{L}\p{N} -]*, )+\p{L}[\p{L}\p{N} -]*)\)/gu, ': $1')
    .split(/\s*[;\n]\s*|\.\s+(?=\p{L})/u)
    .map((c) => c.trim().replace(/\.$/, ''))
    .filter((c) => c !== '')
    .flatMap(hidden);
  let last: Group | undefined;
  for (const clause of clauses) {
    const { label, side, cover, rest } = faceOf(clause);
    const groups: Group[] = [];
    for (const said of cut(rest)) {
      // `one on the right`: of the same
      const before = groups.at(-1) ?? last;
      const again = before && /^(?:another|one|two|three|a second|the other)\b/i.test(said) && nounIn(said) === null;
      const group = groupOf(again ? said.replace(/^(\S+(?: second| other)?)/, `$1 ${before.noun}`) : said);
      if (!group) words.push({ text: said, made: null });
      else {
        groups.push(group);
        last = group;
        words.push({ text: said, made: madeWords(group) });
      }
    }
    if (cover !== null) covers.push(cover);
    if (groups.length === 0) continue;
    const face = drawFace(groups, idOf);
    const known = faces.find((f) => f.label === label);
    if (known) {
      const lower = (at: Control['at']) => ({ ...at, y: at.y + known.height });
      known.controls.push(...face.controls.map((c) => ({ ...c, at: lower(c.at) })));
      known.signs.push(...face.signs.map((s) => ({ ...s, at: lower(s.at) })));
      known.width = Math.max(known.width, face.width);
      known.height += face.height;
    } else
      faces.push({
        id: (codeIdOf(label) || 'front') as PlaceId,
        label,
        side,
        ...(cover !== null ? { cover: { label: capital(cover), isolateFirst: true } } : {}),
        captions: [],
        ...face,
      });
  }
  // what comes off is opened and shut as well, unless it was told as a part
  const [front] = faces;
  for (const cover of new Set(covers)) {
    if (!front || faces.some((f) => f.controls.some((c) => c.label.toLowerCase() === cover.toLowerCase()))) continue;
    const look: Control['look'] = /door|hatch/i.test(cover) ? 'door' : 'lid';
    const { w, h } = madeAs(look);
    front.controls.push(
      controlOf(
        look,
        idOf(cover),
        capital(cover),
        { x: edge, y: front.height, w, h },
        { places: [], clicks: null },
        false,
      ),
    );
    front.height += h + labelRoom;
    front.width = Math.max(front.width, w + 2 * edge);
  }
  return { faces: faces.map(fitted), words };
}
