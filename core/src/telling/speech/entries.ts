import type { ControlId, InstrumentId } from '../../base/ids.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import { itemsOf } from './items.ts';
import { mentionAt } from './mentions.ts';
import { isPush, type Reader } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';
import { shownTextAt } from './shown-text.ts';
import type { Word } from './text.ts';

/** The keys characters are put in with: one that goes up, one down, one on to the next place. */
function dialKeys(r: Reader): Readonly<{ up: ControlId; down: ControlId | null; next: ControlId }> | null {
  const pushes = [...r.called.facts.controls.values()].filter(isPush);
  const by = (name: RegExp): ControlFacts | undefined =>
    pushes.find((c) => name.test(c.control.label.toLowerCase()) || name.test(c.control.id));
  const up = by(/^(?:up|plus|\+|higher|▲|increase)\b|^\+$/);
  const down = by(/^(?:down|minus|-|−|lower|▼|decrease)\b|^[-−]$/);
  const next = by(/^(?:next|right|►|>|cursor|shift|move)\b|^[>►]$/);
  return up && next ? { up: up.control.id, down: down?.control.id ?? null, next: next.control.id } : null;
}

/** `the letters KEN are to be entered`, `our number is four one seven zero, and how you put it in …`. */
export function readDial(r: Reader, segment: Segment, at: Readonly<{ from: number; to: number }>): boolean {
  const { words } = segment;
  const said = saidOf(segment);
  const told = `${said} ${r.ahead
    .slice(0, 2)
    .map((s) => saidOf(s))
    .join(' ')}`;
  if (
    !/\b(?:enter|entered|put (?:it|them|that|this|in)|puts? in|dial|dialled|type|typed|key (?:it )?in|keyed)\b/.test(
      told,
    )
  )
    return false;
  const keys = dialKeys(r);
  if (!keys) return false;
  for (let i = 0; i < words.length; i += 1) {
    const isNamed = /^(?:number|code|pin|password|letters?|combination|figures|word|digits|characters)$/.test(
      words[i]?.word ?? '',
    );
    const isDone = /^(?:enter|dial|type|in)$/.test(words[i]?.word ?? '');
    if (!isNamed && !isDone) continue;
    let k = i + 1;
    while (/^(?:is|are|the|was|our|a|number|code|letters?|word|in)$/.test(words[k]?.word ?? '')) k += 1;
    const shown = shownTextAt(words, k);
    if (!shown || shown.text.length < 3 || shown.text.length > 8 || !/^(?:\d+|[A-Z]+)$/.test(shown.text)) continue;
    const isDigits = /^\d+$/.test(shown.text);
    r.put(
      {
        kind: 'dial',
        text: shown.text,
        start: (isDigits ? '0' : 'A').repeat(shown.text.length),
        alphabet: [...(isDigits ? '0123456789' : 'ABCDEFGHIJKLMNOPQRSTUVWXYZ')],
        wraps: true,
        by: { kind: 'moving', up: keys.up, ...(keys.down ? { down: keys.down } : {}), next: keys.next },
      },
      at,
    );
    r.entered = { sentence: r.sentence, keys: [keys.up, keys.next, ...(keys.down ? [keys.down] : [])] };
    return true;
  }
  return false;
}

const instruments = /\b((?:service |test |hand |scan )?(?:box|tool|tester|laptop|tablet|scanner))\b/;
const notEntries =
  /^(?:start|back|step|beginning|end|top|bottom|wall|cellar|pit|door|front|panel|box|off|on|work|the|it|that|one|next|so|now|okay|uh|um|er|and|then|enter|ok|this|there|here|you|all|again|which|history books)$/;

/** What an entry of a menu is called, where nothing else is said; null where it names something of the unit. */
function entryOf(r: Reader, words: readonly Word[]): string | null {
  const own = words.filter(
    (w) => !/^(?:the|entry|item|menu|point|to|then|and|into|in|,|go|you|it|below|under)$/.test(w.word),
  );
  if (own.length === 0 || own.length > 3 || own.some((w) => w.value !== null)) return null;
  if (own.length === 1 && notEntries.test(own[0]?.word ?? '')) return null;
  if (itemsOf(own, r.called, []).some((x) => x.is === 'control' || x.is === 'sign')) return null;
  return own.map((w) => w.raw).join(' ');
}

/** `then you go to diagnosis, then history`, `from the menu the entry Faults and below it Stored is selected`. */
export function readChoose(r: Reader, segment: Segment, at: Readonly<{ from: number; to: number }>): boolean {
  const said = saidOf(segment);
  const box = instruments.exec(said)?.[1];
  if (/\bmenu\b/.test(said)) r.menuAt = r.sentence;
  const inMenu = box !== undefined || (r.menuAt !== null && r.sentence - r.menuAt < 14);
  if (!inMenu) return false;
  const named = segment.words.findIndex(
    (w, i) => w.word === 'entry' && /^(?:\p{Lu}|called$|named$)/u.test(segment.words[i + 1]?.raw ?? ''),
  );
  const entry = named >= 0 && /^(?:called|named)$/.test(segment.words[named + 1]?.word ?? '') ? named + 1 : named;
  if (entry >= 0) {
    const path = segment.words
      .slice(entry + 1)
      .filter((w) => /^\p{Lu}\p{L}+$/u.test(w.raw))
      .map((w) => w.raw);
    const behind = r.ahead
      .slice(0, 1)
      .flatMap((s) =>
        /\b(?:below|under|then)\b/.test(saidOf(s)) ? s.words.filter((w) => /^\p{Lu}\p{L}+$/u.test(w.raw)) : [],
      )
      .map((w) => w.raw);
    return choose(r, [...path, ...behind], box, at);
  }
  const goes =
    /\b(?:you|i|we|then|and|now) (?:go|goes|select|choose|pick|scroll)(?: down| up)? ?(?:to|into|in|for)? /.exec(
      `${said} `,
    );
  // `hold Menu and Go until it says EMPTY`: a key that is called so
  const isGoKey = segment.words.some(
    (w, k) =>
      /^(?:go|select)$/.test(w.word) && w.raw !== w.word && mentionAt(segment.words, k, r.called.controls) !== null,
  );
  if (!goes || isGoKey) return false;
  const from = said
    .slice(0, goes.index + goes[0].length)
    .trim()
    .split(' ').length;
  const head = segment.words.slice(from);
  const first = box !== undefined && instruments.test(saidOf({ words: head })) ? null : entryOf(r, head);
  const path = first === null ? [] : [first];
  if (first === null && box === undefined) return false;
  for (const s of r.ahead) {
    const next = s.words.length <= 4 ? entryOf(r, s.words) : null;
    if (next === null) break;
    path.push(next);
  }
  return choose(r, path, box, at);
}

function choose(
  r: Reader,
  path: readonly string[],
  box: string | undefined,
  at: Readonly<{ from: number; to: number }>,
): boolean {
  const hasText = [...r.called.facts.signs.values()].some((s) => s.kind === 'text');
  if (path.length < (box === undefined ? 1 : 2) || (box === undefined && !hasText)) return false;
  r.put(
    { kind: 'choose', on: box === undefined ? 'unit' : (box.replaceAll(' ', '-') as InstrumentId), path: [...path] },
    at,
  );
  r.chosenAt = r.sentence;
  r.chosen = new Set(path.map((p) => p.toLowerCase()));
  return true;
}
