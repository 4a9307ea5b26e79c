import { letterOf } from '../../spoken/letters.ts';
import type { Item } from './item.ts';
import type { Word } from './text.ts';

const numerals: Readonly<Record<string, string>> = {
  zero: '0',
  oh: '0',
  nought: '0',
  dash: '-',
  dashes: '-',
  line: '-',
  lines: '-',
  bar: '-',
  bars: '-',
};

const isFigureAt = (words: readonly Word[], i: number): boolean =>
  /^\d$/.test(words[i]?.raw ?? '') && words[i]?.from === (words[i - 1]?.to ?? 0) + 1;

/** What a display is said to show, from a word on: quoted, in capitals, spelt out, so many dashes. */
export function shownTextAt(words: readonly Word[], at: number): Readonly<{ text: string; length: number }> | null {
  let i = at;
  while (
    ['the', 'a', 'an', 'word', 'letters', 'now', 'first', 'like', 'capital', 'you', 'number'].includes(
      words[i]?.word ?? '',
    ) &&
    !/^[A-Z0-9]{2,}$/.test(words[i]?.raw ?? '')
  )
    i += 1;
  const first = words[i];
  // `wait for the SECOND beep`: no display says that
  if (
    !first ||
    /^(?:FIRST|SECOND|THIRD|FOURTH|NOT|ONLY|BOTH|MUST|NEVER|BEFORE|AFTER|NOW|THEN|YES|NO|WAIT|AGAIN|ALL|AND|IF)$/.test(
      first.raw,
    )
  )
    return null;
  if (/^["“]/.test(first.raw)) return { text: first.raw.slice(1, -1), length: i + 1 - at };
  // ---, 8.8.8
  if (/^-{3,}$/.test(first.raw)) return { text: first.raw.slice(0, 8), length: i + 1 - at };
  if (/^\d(?:\.\d){2,}$/.test(first.raw)) return { text: first.raw.replaceAll('.', ''), length: i + 1 - at };
  const twofold = /^(?:double|triple)$/.test(first.word) ? words[i + 1] : undefined;
  const sign =
    twofold &&
    (numerals[twofold.word] ?? (twofold.value !== null && twofold.value < 10 ? String(twofold.value) : undefined));
  if (sign !== undefined) return { text: sign.repeat(first.word === 'double' ? 2 : 3), length: i + 2 - at };
  // 2/3: a stroke between two figures
  const [over] = words.slice(i + 1);
  if (
    /^\d+$/.test(first.raw) &&
    over &&
    /^\d+$/.test(over.raw) &&
    over.from === first.to + 1 &&
    !isFigureAt(words, i + 2)
  )
    return { text: `${first.raw}/${over.raw}`, length: i + 2 - at };
  // dash dash dash
  let dashes = 0;
  while (/^(?:dash|bar)$/.test(words[i + dashes]?.word ?? '')) dashes += 1;
  if (dashes > 1) return { text: '-'.repeat(Math.min(8, dashes)), length: i + dashes - at };
  const next = words[i + (first.span || 1)];
  if (first.value !== null && first.value > 1 && next && /^(?:zeros?|zeroes|noughts?)$/.test(next.word))
    return { text: '0'.repeat(Math.min(8, first.value)), length: i + first.span + 1 - at };
  if (first.value !== null && next && /^(?:dash|dashes|lines?|bars?|little|small)$/.test(next.word)) {
    const mark = ['little', 'small'].includes(next.word) ? words[i + first.span + 1] : next;
    if (mark && numerals[mark.word] === '-')
      return { text: '-'.repeat(Math.min(8, first.value)), length: i + first.span + (mark === next ? 1 : 2) - at };
  }
  // letters and figures one by one: S E, capital F, capital L, one, zero zero zero
  let text = '';
  let j = i;
  for (; j < words.length; j += 1) {
    const w = words[j];
    if (!w) break;
    if (
      w.word === 'capital' ||
      w.word === 'letter' ||
      w.word === 'big' ||
      (w.raw === ',' && text.length > 0 && words[j + 1]?.word === 'capital')
    )
      continue;
    if (
      w.raw === ',' &&
      text.length > 0 &&
      text.length < 4 &&
      ((letterOf(words[j + 1]?.raw ?? '') !== null && (words[j + 1]?.raw.length ?? 9) === 1) ||
        (words[j + 1]?.value ?? 99) < 10)
    )
      continue;
    if (/^[A-Z]{2,}[A-Z0-9-]*$|^[A-Z]?\d+[A-Z]?$|^[A-Z]\d+$/.test(w.raw) && !/^I$/.test(w.raw))
      // `LOG 03` is two words
      text +=
        ((w.raw.length > 1 && /[A-Z]{2,}$/.test(text)) || (/^\d$/.test(w.raw) && /[A-Z]{3,}$/.test(text)) ? ' ' : '') +
        w.raw;
    else if (w.raw.length === 1 && /[A-Za-z]/.test(w.raw) && !['a', 'i', 'A', 'I'].includes(w.raw))
      text += w.raw.toUpperCase();
    else if (w.value !== null && w.value < 10 && w.span === 1) text += String(w.value);
    else if (numerals[w.word] === '0') text += '0';
    else if (numerals[w.word] === '-' && text.length > 0) text += '-';
    else break;
    if (text.length >= 8) break;
  }
  if (text.length >= 2 || (text.length === 1 && /\d/.test(text) && /^\d/.test(first.raw)))
    return { text, length: j - at };
  // `tESt`, `CLr`: as figures of seven strokes write it
  if (/^(?=\p{L}*\p{Ll}\p{Lu}|\p{Lu}{2,}\p{Ll})[\p{L}\d-]{2,8}$/u.test(first.raw))
    return { text: first.raw, length: i + 1 - at };
  // `d000`
  if (/^[a-z]\d{2,4}$/.test(first.raw) && /^(?:shows?|reads?|says?|at|to|with)$/.test(words[i - 1]?.word ?? ''))
    return { text: first.raw, length: i + 1 - at };
  const second = words[i + 1];
  if (second?.word === 'question' && words[i + 2]?.word === 'mark')
    return { text: `${first.raw}?`, length: i + 3 - at };
  if (/^[a-z]{2}$/.test(first.raw) && /^([a-z])\1$/.test(first.raw)) return { text: first.raw, length: i + 1 - at };
  return null;
}

/** A word a display is said to show, where the display was named. */
export function plainTextAt(
  words: readonly Word[],
  at: number,
  items: readonly Item[],
): Readonly<{ text: string; length: number }> | null {
  const display = items.some((x) => x.is === 'sign' && x.signs.some((s) => s.kind === 'text' || s.kind === 'segments'));
  const w = words[at];
  if (!display || !w || w.value !== null || !/^\p{L}{2,}$/u.test(w.raw)) return null;
  // `shows last fault`: what it is, not what is written there
  const isOf = /^(?:faults?|errors?|codes?|entry|events?|one|number|value|version|message)$/.test(
    words[at + 1]?.word ?? '',
  );
  const isAwaited = items.some((x) => x.is === 'until' || x.is === 'moment');
  if (!isAwaited && w.raw === w.word && /^(?:errors?|faults?|codes?|number|text|message|value)$/.test(w.word))
    return null;
  if (w.raw === w.word && isOf && /^(?:last|first|next|newest|latest|current|stored|most|each)$/.test(w.word))
    return null;
  if (
    /^(?:the|a|an|it|so|that|something|what|nothing|all|you|your|to|and|its|this|when|on|off|in|reads?|says?|shows?|has|have|had|should|must|will|may|can|does|me|us|him|her|them|now|then|first|last|next|only|just|briefly|again|nothing)$/.test(
      w.word,
    )
  )
    return null;
  return { text: w.raw.toUpperCase(), length: 1 };
}
