import { exactly } from '../../base/text.ts';
import { lengthAt } from './amounts.ts';
import type { Made, Reader } from './reader.ts';
import { wordsOf } from './text.ts';

/** What is no time somebody waits with the supply off. */
const isOther =
  /\b(?:ago|old|later on|(?:can |may )?takes? (?:me|you|up|about|some|around)|can be|hours? (?:a|per)|(?:give|gimme) (?:me|us)|gimme|every|each|press|hold|held|pressed|within|inside|less than|flash\w*|blink\w*|beep\w*|buzz\w*|guarantee|warranty|warm up)\b/i;
const isAtLeast = /\bnot less than\b/i;

/**
 * `Battery out. Not less than a minute. Battery in.`: a time that became nothing, between what takes the supply away and what
 * gives it back, or right behind what takes it, is how long one waits.
 */
export function findRests(r: Reader, text: string): void {
  for (let i = 0; i < r.made.length; i += 1) {
    const off = r.made[i];
    if (!off || !takesSupply(r, off)) continue;
    const next = r.made[i + 1];
    if (next?.step.kind === 'rest') continue;
    const isBack = next?.step.kind === 'set' && off.step.kind === 'set' && next.step.control === off.step.control;
    const end = next ? next.from : text.length;
    const told = text.slice(off.to, Math.min(end, off.to + (isBack ? 240 : 90)));
    const found = timeIn(told);
    if (!found) continue;
    const at = off.to + found.from;
    // where nothing is switched back on, only what is told in the same breath or alone is waited
    const before = told.slice(0, found.from);
    const stops = before.split(/[.!?\n]/).length - 1;
    const around = sentenceAt(text, at);
    if (isOther.test(around.replace(isAtLeast, '')) || (!isBack && stops > (isSaidWaiting.test(before) ? 3 : 1)))
      continue;
    if (!isBack && !isSaidWaiting.test(around) && !isSaidWaiting.test(before)) continue;
    r.made.splice(i + 1, 0, {
      step: { kind: 'rest', span: exactly(found.ms) },
      from: at,
      to: off.to + found.to,
      sentence: off.sentence,
    });
  }
}

const isSaidWaiting =
  /\b(?:wait\w*|stays? (?:off|out|dead|that way|like that)|stay(?:s|ed)? off|leave\w*|left|patient|patience|pause|at least|at the least|minimum|off for|out for|sit|sits|rest|count\w*|(?:i|we|it) needs?)\b/i;

/** The sentence a place stands in. */
function sentenceAt(text: string, at: number): string {
  const from = text.slice(0, at).search(/[^.!?\n]*$/);
  const end = text.slice(at).search(/[.!?\n]/);
  return text.slice(from, end < 0 ? text.length : at + end);
}

const takesSupply = (r: Reader, { step }: Made): boolean => {
  const own = step.kind === 'set' ? r.called.facts.controls.get(step.control) : undefined;
  return step.kind === 'set' && own !== undefined && own.powersAt.size > 0 && !own.powersAt.has(step.to);
};

function timeIn(told: string): Readonly<{ ms: number; from: number; to: number }> | null {
  const words = wordsOf(told);
  for (const [i, w] of words.entries()) {
    const length = lengthAt(words, i);
    const end = length ? words[i + length.length - 1] : undefined;
    if (length && end && length.ms === length.mostMs && length.ms >= 2000)
      return { ms: length.ms, from: w.from, to: end.to };
  }
  return null;
}
