import { countsOf, patternOf } from '../caller/counts.ts';
import { type CallerWord, callerWords } from '../caller/word.ts';
import { numberAt, timesOf } from '../spoken/numbers.ts';

const blinkWords = /\b(?:blink|flash|beep|pulse)/i;
/** A single short or long may as well be a short circuit, or take too long. */
const lengthWords = /\b(?:short|long|dot|dash)\w*\b.*\b(?:short|long|dot|dash)/i;
const none = { signs: [], stages: [], several: true, numbered: false, pointed: false };

/** Before the blinks of a code that begins with a steady light. */
export const leadMark = '_';
const leadFirst =
  /\b(?:long|steady|solid)\b(?: (?:one|light|flash))?(?: first)?[, ]+(?:and )?(?:then )?(?=\w+ (?:blink|flash|beep))/i;

/**
 * How something blinks or beeps, as it was said among other words: `five blinks`, `three blinks then four`, `long then two
 * short`. A row of `s` and `l`, one for each part, behind a mark where a steady light comes first; empty where nothing of
 * the sort was said. More than one where it can be taken so.
 */
export function rhythmsSaid(query: string): string[] {
  if (!blinkWords.test(query) && !lengthWords.test(query)) return [];
  const rest = query.replace(leadFirst, ' ');
  const { words } = callerWords(query, none);
  const patterned = words.some((w) => w.kind === 'length') ? patternOf(words.filter((w) => w.kind !== 'then')) : null;
  const counted = countsIn(rest === query ? words : callerWords(rest, none).words);
  if (rest !== query) return [...(counted ? [`${leadMark} ${counted}`] : []), ...(patterned ? [patterned] : [])];
  return [patterned ?? counted].filter((r) => r !== null);
}

function countsIn(words: readonly CallerWord[]): string | null {
  const parts: string[] = [];
  let part: CallerWord[] = [];
  for (const word of [...words, { kind: 'then' } as const]) {
    if (word.kind !== 'then') {
      part.push(word);
      continue;
    }
    const counts = countsOf(part);
    for (const count of counts) if (count >= 1 && count <= 100) parts.push('s'.repeat(count));
    part = [];
  }
  return parts.length > 0 ? parts.join(' ') : null;
}

/** Whether a word of a query belongs to how something blinks, and names no unit. */
export const tellsRhythm = (word: string): boolean =>
  numberAt([word]) !== null ||
  timesOf(word) !== null ||
  /^(?:blink|flash|beep|pulse|short|long|dot|dash|then|times?$|and$|pause)/.test(word);

/** What was said, and what is one blink more or less in any part, or begins with a steady light nobody told. */
export function rhythmsNear(told: string): Array<{ rhythm: string; off: number }> {
  const parts = told.split(' ');
  const near = parts.flatMap((part, i) =>
    /^s+$/.test(part) ? [`${part}s`, part.slice(1)].filter((p) => p !== '').map((p) => parts.with(i, p).join(' ')) : [],
  );
  const led = parts[0] === leadMark ? [] : [`${leadMark} ${told}`];
  return [{ rhythm: told, off: 0 }, ...[...led, ...near].map((rhythm) => ({ rhythm, off: 1 }))];
}
