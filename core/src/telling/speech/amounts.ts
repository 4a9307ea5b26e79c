import { unitMs } from './lexicon.ts';
import type { Word } from './text.ts';

/** `three seconds`, `half a minute`, `five to ten seconds`, `a quarter of an hour`. */
export function lengthAt(
  words: readonly Word[],
  at: number,
): Readonly<{ ms: number; mostMs: number; length: number }> | null {
  const w = words[at];
  if (!w) return null;
  const unit = (i: number): number | undefined => unitMs[words[i]?.word ?? ''];
  // `a good half minute`
  if (
    ['a', 'another', 'the'].includes(w.word) &&
    ['good', 'full', 'whole', 'further'].includes(words[at + 1]?.word ?? '') &&
    words[at + 2]?.word === 'half'
  ) {
    const half = lengthAt(words, at + 2);
    return half ? { ...half, length: half.length + 2 } : null;
  }
  if (w.word === 'half') {
    const i = ['a', 'an'].includes(words[at + 1]?.word ?? '') ? at + 2 : at + 1;
    const ms = unit(i);
    return ms === undefined ? null : { ms: ms / 2, mostMs: ms / 2, length: i + 1 - at };
  }
  if (w.word === 'quarter' && words[at + 1]?.word === 'of' && unit(at + 3) !== undefined)
    return { ms: (unit(at + 3) ?? 0) / 4, mostMs: (unit(at + 3) ?? 0) / 4, length: 4 };
  // `a second one`, `a second beep`
  if (
    words[at + 1]?.word === 'second' &&
    /^(?:one|person|man|hand|colleague|helper|finger|try|attempt|beep|tone|time|buzz|chime|bell|press|click|gong|ring|peep|bleep|signal)$/.test(
      words[at + 2]?.word ?? '',
    )
  )
    return null;
  // `a good minute`
  if (
    ['a', 'one', 'another'].includes(w.word) &&
    /^(?:good|full|whole|solid|long|clear)$/.test(words[at + 1]?.word ?? '') &&
    /^(?:minute|hour)$/.test(words[at + 2]?.word ?? '')
  )
    return { ms: unit(at + 2) ?? 0, mostMs: unit(at + 2) ?? 0, length: 3 };
  // `one a second`: how fast
  if (w.word === 'a' && words[at - 1]?.value != null) return null;
  if (['a', 'an', 'another'].includes(w.word) && unit(at + 1) !== undefined && unit(at + 1) !== 3_600_000) {
    const ms = unit(at + 1) ?? 0;
    const half = words
      .slice(at + 2, at + 5)
      .map((x) => x.word)
      .join(' ');
    return half === 'and a half' ? { ms: ms * 1.5, mostMs: ms * 1.5, length: 5 } : { ms, mostMs: ms, length: 2 };
  }
  if (w.value === null) return null;
  let i = at + w.span;
  if (w.value === 1 && words[i]?.word === 'half' && unit(i + 1) !== undefined) {
    const ms = (unit(i + 1) ?? 0) / 2;
    return { ms, mostMs: ms, length: i + 2 - at };
  }
  if (['good', 'full', 'whole', 'little', 'more'].includes(words[i]?.word ?? '')) i += 1;
  const to = words[i];
  if ((to?.word === 'to' || to?.word === 'or' || to?.raw === '–') && words[i + 1]?.value != null) {
    const most = words[i + 1];
    const ms = most && unit(i + 1 + most.span);
    if (most?.value != null && ms !== undefined)
      return { ms: w.value * ms, mostMs: most.value * ms, length: i + 2 + most.span - at };
  }
  const ms = unit(i);
  // `hold Light for three`: of seconds
  if (ms === undefined && words[at - 1]?.word === 'for' && words[i] === undefined && w.value > 1 && w.value <= 60)
    return { ms: w.value * 1000, mostMs: w.value * 1000, length: i - at };
  return ms === undefined ? null : { ms: w.value * ms, mostMs: w.value * ms, length: i + 1 - at };
}

/** `twice`, `three times`, `2 x`. */
export const timesAt = (words: readonly Word[], at: number): Readonly<{ n: number; length: number }> | null => {
  const w = words[at];
  if (!w) return null;
  if (w.word === 'once')
    return /^(?:it|it's|you|the|that|they|he|she|we|i|all|both|this|these)$/.test(words[at + 1]?.word ?? '')
      ? null
      : { n: 1, length: 1 };
  if (w.word === 'twice') return { n: 2, length: 1 };
  if (w.word === 'thrice') return { n: 3, length: 1 };
  // captions hear four as for, two as to
  if ((w.word === 'for' || w.word === 'to') && words[at + 1]?.word === 'times')
    return { n: w.word === 'for' ? 4 : 2, length: 2 };
  const after = words[at + 1];
  if (w.word === 'x' && after?.value != null && after.span === 1 && Number.isInteger(after.value))
    return { n: after.value, length: 2 };
  if (/^x\d+$/.test(w.word)) return { n: Number(w.word.slice(1)), length: 1 };
  const each = ['a', 'another'].includes(w.word) && ['time'].includes(words[at + 1]?.word ?? '') ? 1 : null;
  if (each !== null) return null;
  // `a couple of times`; `three quick taps`
  if (
    w.word === 'couple' &&
    words[at + 1]?.word === 'of' &&
    /^(?:times|taps|presses|pushes)$/.test(words[at + 2]?.word ?? '')
  )
    return { n: 2, length: 3 };
  const adj = w.value === null ? undefined : words[at + w.span]?.word;
  if (
    w.value !== null &&
    Number.isInteger(w.value) &&
    /^(?:quick|short|little|light|gentle|sharp|single|brief|more)$/.test(adj ?? '') &&
    /^(?:times|presses|taps|pushes|jabs|prods|pulls|nudges|kicks|squeezes)$/.test(words[at + w.span + 1]?.word ?? '')
  )
    return { n: w.value, length: w.span + 2 };
  if (
    w.value !== null &&
    ['times', 'time', 'x', 'presses', 'taps', 'pushes', 'pulls', 'nudges'].includes(words[at + w.span]?.word ?? '') &&
    // `nine times out of ten`: how often it is so
    !(words[at + w.span + 1]?.word === 'out' && words[at + w.span + 2]?.word === 'of') &&
    Number.isInteger(w.value)
  )
    return { n: w.value, length: w.span + 1 };
  return null;
};
