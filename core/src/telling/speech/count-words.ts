import { lengthAt, timesAt } from './amounts.ts';
import { clickWords, leftWords, rightWords, turnWords } from './lexicon.ts';
import type { Scan } from './scan.ts';

/** How long, how often, how many clicks. */
export function countWords(s: Scan): boolean {
  const { words, w, i, take } = s;
  const lengthHere = lengthAt(words, i);
  if (lengthHere && /^(?:later|earlier|ago)$/.test(words[i + lengthHere.length]?.word ?? '')) {
    s.i += lengthHere.length + 1;
    return true;
  }
  if (lengthHere) {
    take(lengthHere.length, { is: 'length', ms: lengthHere.ms, mostMs: lengthHere.mostMs });
    return true;
  }
  const count = timesAt(words, i);
  if (count) {
    take(count.length, { is: 'times', n: count.n });
    return true;
  }
  if (w.value !== null) {
    const k = i + w.span;
    const a = words[k]?.word ?? '';
    const full = ['full', 'whole', 'complete'].includes(a);
    const b = words[full ? k + 1 : k]?.word ?? '';
    const wayHere = rightWords.has(a) || leftWords.has(a);
    if (turnWords.has(b) && (full || !clickWords.has(b) || b.startsWith('turn'))) {
      take(k + (full ? 2 : 1) - i, { is: 'turns', n: w.value });
      return true;
    }
    if (clickWords.has(a)) {
      take(k + 1 - i, { is: 'clicks', n: w.value });
      return true;
    }
    // four left, two back, one back to the left
    const back = ['back', 'more'].includes(a) ? k + 1 : k;
    const toWay =
      words[back]?.word === 'to' &&
      words[back + 1]?.word === 'the' &&
      /^(?:left|right)$/.test(words[back + 2]?.word ?? '');
    if (
      wayHere ||
      toWay ||
      ((a === 'to' || a === 'more') &&
        (rightWords.has(words[k + 1]?.word ?? '') ||
          leftWords.has(words[k + 1]?.word ?? '') ||
          words[k + 2]?.word === 'left' ||
          words[k + 2]?.word === 'right'))
    ) {
      take(w.span, { is: 'clicks', n: w.value });
      return true;
    }
  }

  return false;
}
