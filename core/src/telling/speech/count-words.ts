import { lengthAt, timesAt } from './amounts.ts';
import { clickWords, leftWords, rightWords, turnWords } from './lexicon.ts';
import { hasKnob, mentionAt } from './mentions.ts';
import type { Scan } from './scan.ts';

/** How long, how often, how many clicks. */
export function countWords(s: Scan): boolean {
  const { words, called, items, w, i, take } = s;
  const lengthHere = lengthAt(words, i);
  // `two minutes later it is shut`
  if (lengthHere && i === 0 && words[i + lengthHere.length]?.word === 'later') {
    s.put(i, 1, { is: 'moment' });
    take(lengthHere.length, { is: 'length', ms: lengthHere.ms, mostMs: lengthHere.mostMs });
    s.i += 1;
    return true;
  }
  if (lengthHere && /^(?:later|earlier|ago)$/.test(words[i + lengthHere.length]?.word ?? '')) {
    s.i += lengthHere.length + 1;
    return true;
  }
  if (lengthHere) {
    take(lengthHere.length, { is: 'length', ms: lengthHere.ms, mostMs: lengthHere.mostMs });
    return true;
  }
  // `hold Stop for 5 until …`
  const bare = words[i + 1];
  if (
    w.word === 'for' &&
    bare?.value != null &&
    bare.value > 1 &&
    bare.value <= 60 &&
    /^(?:until|till|til|then|and|)$/.test(words[i + 1 + bare.span]?.word ?? '') &&
    items.some(
      (x) => (x.is === 'act' && x.act === 'hold') || x.is === 'long' || (x.is === 'place' && x.word === 'down'),
    )
  ) {
    take(1 + bare.span, { is: 'length', ms: bare.value * 1000, mostMs: bare.value * 1000 });
    return true;
  }
  // `three on Start`
  const on = w.value === null ? -1 : i + w.span;
  if (w.value !== null && Number.isInteger(w.value) && w.value <= 20 && /^(?:on|of)$/.test(words[on]?.word ?? '')) {
    const pressed = mentionAt(words, words[on + 1]?.word === 'the' ? on + 2 : on + 1, called.controls);
    if (pressed?.of.mechanism.kind === 'push' && words[i - 1]?.word !== 'number') {
      take(w.span + 1, { is: 'times', n: w.value });
      return true;
    }
  }
  // `every click to the right`, `each further click clockwise`
  const every =
    /^(?:each|every) (?:further |single |more )?(?:click|notch|step) (?:to the |to |more )?(?:right|left|clockwise|anticlockwise|anti-clockwise|counterclockwise)\b/.exec(
      s.here,
    );
  if (every) {
    take(every[0].split(' ').findIndex((x) => /^(?:click|notch|step)$/.test(x)) + 1, { is: 'clicks', n: 1 });
    return true;
  }
  // `move the knob a notch to the left`
  if (
    /^(?:a|another) (?:single )?(?:click|notch|detent) (?:further |more )?(?:to the |to )?(?:left|right|clockwise|anticlockwise|counterclockwise|on|up|down|further|back)\b/.test(
      s.here,
    )
  ) {
    take(words[i + 1]?.word === 'single' ? 3 : 2, { is: 'clicks', n: 1 });
    return true;
  }
  const count = timesAt(words, i);
  // a link may be called X4
  const isName = count?.length === 1 && mentionAt(words, i, called.controls) !== null;
  if (count && !isName) {
    take(count.length, { is: 'times', n: count.n });
    return true;
  }
  if (w.value !== null) {
    const k = i + w.span;
    const a = words[k]?.word ?? '';
    const full = ['full', 'whole', 'complete'].includes(a);
    const b = words[full ? k + 1 : k]?.word ?? '';
    const wayHere = rightWords.has(a) || leftWords.has(a) || (/^[RL]$/.test(words[k]?.raw ?? '') && hasKnob(called));
    // `one turns the knob`: somebody does
    const isSomebody = w.word === 'one' && /^(?:turns|rotates)$/.test(b);
    if (turnWords.has(b) && !isSomebody && (full || !clickWords.has(b) || b.startsWith('turn'))) {
      take(k + (full ? 2 : 1) - i, { is: 'turns', n: w.value });
      return true;
    }
    // `it does three clicks`, of what has no knob and is heard
    const heard = clickWords.has(a) && !hasKnob(called) ? mentionAt(words, k, called.signs) : null;
    if (heard && heard.of.kind !== 'lamp' && w.value <= 12) {
      s.put(k, 1, { is: 'sign', signs: [heard.of] });
      take(k + 1 - i, { is: 'times', n: w.value });
      return true;
    }
    // `2 more clicks`
    const further = /^(?:more|further|extra)$/.test(a) && clickWords.has(words[k + 1]?.word ?? '') ? 1 : 0;
    if (clickWords.has(a) || further > 0) {
      take(k + 1 + further - i, { is: 'clicks', n: w.value });
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
