import type { SignId } from '../../base/ids.ts';
import type { Step } from '../../model/route.ts';
import { mentionAt } from './mentions.ts';
import { isPush, type Made, type Reader } from './reader.ts';
import { shownTextAt } from './shown-text.ts';
import { type Word, wordsOf } from './text.ts';

/**
 * What is told once the unit was let in by a row of keys and was not understood: what its display answers, and which key
 * leads on to the next of what is stored.
 */
export function findAfterEntry(r: Reader, text: string): void {
  const row = rowEnd(r.made);
  if (row === null) return;
  const words = wordsOf(text);
  findAnswer(r, words, row);
  findLeads(r, words, row);
}

const leastKeys = 3;
/** Keys that are told further apart than this, in letters, are no row. */
const apart = 30;
/** The step a row of keys ends with; null where there is none. */
function rowEnd(made: readonly Made[]): number | null {
  let keys = 0;
  for (const [i, { step, to }] of made.entries()) {
    const inside = step.kind === 'group' && step.times === 1 ? step.steps : [step];
    keys = inside.every((s) => s.kind === 'press')
      ? keys + inside.reduce((n, s) => n + (s.kind === 'press' ? s.times : 0), 0)
      : 0;
    const next = made[i + 1];
    const goesOn = /^(?:press|group)$/.test(next?.step.kind ?? '') && (next?.from ?? 0) - to <= apart;
    if (keys >= leastKeys && !goesOn) return i;
  }
  return null;
}

const stop = /^[.!?\n;…]$/;
/** How far behind a row it is told what a display answers, in letters. */
const near = 150;
const shows =
  /^(?:says?|said|shows?|showed|reads?|display|screen|readout|gauge|line|indicator|comes?|came|goes|went|get|gets|got|see|sees|stands?|writes?|writing|answers?|answered|appears?|up|now|lights?)$/;
const otherwise = /^(?:if|instead|otherwise|unless|not|no|slow|late|wrong|until|till|before|or|means|when)$/;

/** What the display answers to the row, where nothing was made of it: the first text told behind it. */
function findAnswer(r: Reader, words: readonly Word[], row: number): void {
  const from = r.made[row]?.to ?? 0;
  const isTold = r.made
    .slice(row + 1, row + 4)
    .some((m) => m.step.kind === 'see' && m.step.signs.some((s) => s.kind === 'text'));
  const [display, ...others] = r.called.displays;
  if (isTold || !display || others.length > 0) return;
  const next = r.made.slice(row + 1).find((m) => m.step.kind !== 'see')?.from ?? Number.POSITIVE_INFINITY;
  let clause: Word[] = [];
  for (let i = words.findIndex((w) => w.from >= from); i >= 0 && i < words.length; i += 1) {
    const w = words[i];
    if (!w || w.from > from + near || w.from >= next) return;
    if (stop.test(w.raw)) {
      clause = [];
      continue;
    }
    const named = mentionAt(words, i, r.called.controls);
    // another key is told of: that row is over
    if (named && isPush(named.of) && clause.length > 0) return;
    const shown = named ? null : shownTextAt(words, i);
    // `what's it supposed to say` – `FA`
    const isAnswer =
      /^[A-Z]{2,6}$/.test(w.raw) &&
      clause.length === 0 &&
      stop.test(words[i + 1]?.raw ?? '.') &&
      words.slice(Math.max(0, i - 7), i).some((x) => /^(?:says?|shows?|reads?|display|see)$/.test(x.word));
    const isAlone =
      isAnswer ||
      (/^[A-Z0-9]+[-–]?[A-Z0-9-]*$/.test(w.raw) && /\d|-/.test(w.raw) && clause.length <= 1 && w.raw.length > 1);
    const behind = words[i + (shown?.length ?? 1)]?.word ?? '';
    const isSaid =
      clause.slice(-6).some((x) => shows.test(x.word)) ||
      /^(?:=|:)$/.test(words[i - 1]?.raw ?? '') ||
      /^(?:comes|appears|stands|lights|pops)$/.test(behind);
    // a figure is what is stored, not that one is in
    if (shown && !/[1-9]/.test(shown.text) && (isSaid || isAlone) && mentionAt(words, i, r.called.signs) === null) {
      if (clause.some((x) => otherwise.test(x.word))) return;
      const end = words[i + shown.length - 1]?.to ?? w.to;
      const step: Step = {
        kind: 'see',
        must: 'must',
        signs: [{ kind: 'text', sign: display.id as SignId, text: shown.text }],
      };
      const sentence = r.made[row]?.sentence ?? 0;
      // behind what is told to show before it
      let at = row + 1;
      while (r.made[at]?.step.kind === 'see' && (r.made[at]?.from ?? 0) < w.from) at += 1;
      r.made.splice(at, 0, { step, from: w.from, to: end, sentence });
      return;
    }
    clause = [...clause, w];
  }
}

const leads =
  /^(?:,? ?(?:is|=|:|->|→|for|to|then|now|always|again|you|he|it|we|i|can|come|comes|get|gets|see|sees|go|goes|brings?|gives?|shows?|displays?|takes?|leads?|moves?|steps?|calls?|me|us|up|on|back|out|all|the|a|an|one|each|every|by|through|time|press|tap|older|errors?|faults?|entries) ){0,7}?(?:next|older|oldest|previous|preceding|further|scrolls?|scroll|through|before (?:that|it)|one before)\b/;

/** The key that leads on to the next of what is stored, where nothing was made of it. */
function findLeads(r: Reader, words: readonly Word[], row: number): void {
  const from = r.made[row]?.to ?? 0;
  const pressed = new Set(
    r.made.slice(row + 1).flatMap((m) => (m.step.kind === 'press' ? [m.step.control as string] : [])),
  );
  for (let i = words.findIndex((w) => w.from >= from); i >= 0 && i < words.length; i += 1) {
    const w = words[i];
    const named = mentionAt(words, i, r.called.controls);
    if (!w || !named || named.weak || !isPush(named.of) || pressed.has(named.of.control.id)) continue;
    const end = i + named.length;
    const at = { from: w.from, to: words[end - 1]?.to ?? w.to };
    let stops = end;
    while (stops < words.length && !stop.test(words[stops]?.raw ?? '') && stops - end < 10) stops += 1;
    const behind = words.slice(end, stops);
    const before = words.slice(Math.max(0, i - 4), i).map((x) => x.word);
    const comma = behind.findIndex((x) => x.raw === ',');
    const isOther = behind.slice(0, comma < 0 ? 7 : Math.min(7, comma)).some((_, k) => {
      const other = mentionAt(words, end + k, r.called.controls);
      return other !== null && isPush(other.of);
    });
    const said = `${behind.map((x) => x.raw.toLowerCase()).join(' ')} `;
    if (
      r.isRead(at) ||
      isOther ||
      !leads.test(said) ||
      before.some((x) => /^(?:not|don't|never|hold|if|and|or)$/.test(x))
    )
      continue;
    pressed.add(named.of.control.id);
    r.insert({ kind: 'press', control: named.of.control.id, times: 1 }, at);
  }
}
