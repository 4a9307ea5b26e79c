import { type Called, mentionAt } from './mentions.ts';
import { added, areTwoKeys, begins, isStop, keyAt, pastThe, type Rewrite, said, wordsIn } from './rewrite.ts';
import type { Word } from './text.ts';

/** How far behind a press it is told that the other hand does something. */
const farthest = 22;
const otherHand =
  /^(?:with|and) (?:your|my|the|his|her) (?:free|other|third|left|right|spare|second|one) (?:hand|elbow|arm|foot)(?= |$)/;
const isPress = /^(?:press|presses|pressed|pressing|push|pushes)$/;
const isHeldLater =
  /^(?:hold|holds|held|holding|keep|keeps|kept|stay|stays|leave|once|twice|times|short|briefly|release)$/;

/** Whether somebody is told to do something with the hand that is free, in the same sentence, before anything is let go of. */
function freeHandFollows(words: readonly Word[], from: number): boolean {
  for (let k = from; k < words.length && k < from + farthest; k += 1) {
    const w = words[k];
    if (!w || /^[.!?\n]$/.test(w.raw) || isHeldLater.test(w.word) || (isPress.test(w.word) && k > from)) return false;
    if (otherHand.test(said(words, k, 4))) return true;
  }
  return false;
}

/** Where `Hoist and Slow`, two keys named together from a place on, end; null where they are not. */
function pairEnd(words: readonly Word[], i: number, called: Called): number | null {
  const key = keyAt(words, i, called);
  const and = key ? i + key.length : 0;
  const other = key && words[and]?.word === 'and' ? keyAt(words, and + 1, called) : null;
  return other ? and + 1 + other.length : null;
}

/** What is said of hands that are busy: keys that are pressed while the other hand does something are held. */
export const twoHands: readonly Rewrite[] = [
  // `Hoist and Slow, hold.`, `Turtle and Set, press and hold`
  ({ words, i, w, out, called }) => {
    const isBare = !/^(?:hold|holding|keep|press)$/.test(out.at(-1)?.word ?? '');
    const end = isBare ? pairEnd(words, i, called) : null;
    const behind =
      end === null
        ? null
        : (/^, press and hold(?= [,.;]| them| both|$)/.exec(said(words, end, 5)) ??
          (begins(out) ? /^, hold(?= [.!;\n]|$)/.exec(said(words, end, 3)) : null));
    return end !== null && behind
      ? {
          takes: end + wordsIn(behind[0]) - i,
          puts: [{ ...w, word: 'hold', raw: 'hold' }, ...words.slice(i, end)],
        }
      : null;
  },
  // `I press Water and OK and wait until the horn sounds`: two at once, kept until then
  ({ words, i, w, called }) => {
    const end = isPress.test(w.word) ? pairEnd(words, i + 1, called) : null;
    const waits =
      end === null ? null : /^,? ?(?:and |then )*(?:i |you |we )?waits? (?=until|till)/.exec(`${said(words, end, 6)} `);
    return end !== null && waits
      ? { takes: end + wordsIn(waits[0]) - i, puts: [{ ...w, word: 'hold', raw: 'hold' }, ...words.slice(i + 1, end)] }
      : null;
  },
  // `my left thumb is on Thick and my right thumb is on Info and they're both pressed in`
  ({ words, i, w, called }) => {
    const hand = `(?:my|your|his|her|one|the|a) (?:left |right |other |first |second )?(?:thumb|finger|hand|foot)(?: is| goes|'s)? on (?:the )?`;
    const one = /^(?:my|your|his|her|one|the|a)$/.test(w.word)
      ? new RegExp(`^${hand}`).exec(`${said(words, i, 7)} `)
      : null;
    const at = one ? i + wordsIn(one[0]) : i;
    const key = one ? keyAt(words, at, called) : null;
    const behind = key ? at + key.length : 0;
    const also = key
      ? new RegExp(`^(?:, )?(?:and |then )?(?:${hand}|the other(?: one)?(?: is)? on (?:the )?)`).exec(
          `${said(words, behind, 9)} `,
        )
      : null;
    const next = behind + (also ? wordsIn(also[0]) : 0);
    const other = also ? keyAt(words, next, called) : null;
    const end = other ? next + other.length : 0;
    if (!key || !other) return null;
    const both = /^,? ?(?:and )?they(?:'re| are) (?:both )?(?:pressed|held|down)(?: in| down)?(?= |$)/.exec(
      said(words, end, 6),
    );
    return {
      takes: end + (both ? wordsIn(both[0]) : 0) - i,
      puts: [{ ...w, word: 'hold' }, ...words.slice(at, behind), added('and', w), ...words.slice(next, end)],
    };
  },

  // `Stop and Menu, hold the pair of them till …`
  ({ words, i, w }) => {
    const pair = w.word === 'the' ? /^the (?:pair|two)(?: of (?:them|those))?(?= |$)/.exec(said(words, i, 4)) : null;
    const isHeld = /^(?:hold|holding|keep|press|release)$/.test(words[i - 1]?.word ?? '');
    const isFree = /^(?:[.,;!?\n]|and|till|until|for|down|in|pressed)$/.test(
      words[i + (pair ? wordsIn(pair[0]) : 0)]?.word ?? '.',
    );
    return pair && isHeld && isFree ? { takes: wordsIn(pair[0]), puts: [added('both', w)] } : null;
  },

  // `you're going to have Stir and Minus pressed`
  ({ words, i, w, called }) => {
    if (!/^(?:have|having|got)$/.test(w.word)) return null;
    const at = pastThe(words, i + 1);
    const key = keyAt(words, at, called);
    const end = pairEnd(words, at, called) ?? (key ? at + key.length : 0);
    return key && /^(?:pressed|held|down)$/.test(words[end]?.word ?? '') && isStop(words[end + 1]?.raw)
      ? { takes: end + 1 - i, puts: [{ ...w, word: 'hold' }, ...words.slice(at, end)] }
      : null;
  },
  // `I've got plus in this hand and enter in this hand`
  ({ words, i, w, called }) => {
    if (!/^(?:i|i've|you|you've|we|with)$/.test(w.word)) return null;
    const head = /^(?:(?:i've|you've|i have|you have|i|you)(?: got| have)?|with) (?:the )?/.exec(
      `${said(words, i, 4)} `,
    );
    const at = head ? i + wordsIn(head[0]) : i;
    const key = head ? keyAt(words, at, called) : null;
    const behind = key ? at + key.length : 0;
    const hand =
      /^(?:in|under|on) (?:this|that|my|your|one|the) (?:one |left |right |other )?(?:hand|thumb|finger)(?: here)? and (?:the )?/.exec(
        `${said(words, behind, 7)} `,
      );
    const next = behind + (key && hand ? wordsIn(hand[0]) : 0);
    const other = key && hand ? keyAt(words, next, called) : null;
    const end = other ? next + other.length : 0;
    const also =
      /^(?:in|under|on) (?:this|that|my|your|the) (?:one |left |right |other )?(?:hand|thumb|finger|one)(?= |$)/.exec(
        said(words, end, 4),
      );
    return key && other && also
      ? {
          takes: end + wordsIn(also[0]) - i,
          puts: [{ ...w, word: 'hold' }, ...words.slice(at, behind), added('and', w), ...words.slice(next, end)],
        }
      : null;
  },
  // `she holds Plus and I hold Minus`
  ({ words, i, w, called }) => {
    if (!/^(?:she|he|you|i|one|somebody)$/.test(w.word) || !/^holds?$/.test(words[i + 1]?.word ?? '')) return null;
    const at = pastThe(words, i + 2);
    const key = keyAt(words, at, called);
    const behind = key ? at + key.length : 0;
    const other = /^and (?:she|he|you|i|another|the other(?: one)?|somebody) (?:holds? )?(?:the )?/.exec(
      `${said(words, behind, 5)} `,
    );
    const n = key && other ? wordsIn(other[0]) : 0;
    return key && n > 0 && keyAt(words, behind + n, called)
      ? { takes: behind + n - i, puts: [{ ...w, word: 'hold' }, ...words.slice(at, behind), added('and', w)] }
      : null;
  },
  // `so you press those, and with your free hand you switch on`
  ({ words, i, w }) =>
    isPress.test(w.word) && freeHandFollows(words, i + 1) ? { takes: 1, puts: [{ ...w, word: 'hold' }] } : null,
  // `you need to be pressing Reset when the power comes back`
  ({ words, i, w, out }) =>
    w.word === 'be' &&
    /^(?:pressing|pushing|holding)$/.test(words[i + 1]?.word ?? '') &&
    /^(?:to|must|should)$/.test(out.at(-1)?.word ?? '')
      ? { takes: 2, puts: [{ ...w, word: 'hold', raw: 'hold' }] }
      : null,
  // `Open and Learn, I've got one under each thumb`
  ({ words, i, w }) => {
    const each =
      /^(?:(?:(?:i've|i have|you've|you have|you|we) (?:got )?(?:put )?)?one (?:under|on|for|beneath) (?:each|either) (?:thumb|finger|hand)|(?:one|a) (?:thumb|finger|hand) (?:on )?each)(?= |$)/.exec(
        said(words, i, 8),
      );
    return each ? { takes: wordsIn(each[0]), puts: [{ ...w, word: 'hold' }, added('both', w)] } : null;
  },
  // `with a finger on each, Test and Fan`
  ({ words, i, w, called }) => {
    const each = /^(?:with )?(?:a|one) (?:finger|thumb|hand) (?:on|for) (?:each|either)(?= |$)/.exec(said(words, i, 5));
    const n = each ? wordsIn(each[0]) : 0;
    const next = /^[,:]$/.test(words[i + n]?.raw ?? '') ? n + 1 : words[i + n]?.word === 'of' ? n + 1 : n;
    return each && keyAt(words, i + next, called) ? { takes: next, puts: [{ ...w, word: 'hold' }] } : null;
  },
  // `one finger on Temp, another one on Light`
  ({ words, i, w, called, out }) => {
    if (!/^(?:and|the|another|one|a|my|your|his|her)$/.test(w.word)) return null;
    const another =
      /^(?:and )?(?:(?:the other|another|one more|a second|(?:my|your|his|her|the)(?: other| left| right)?(?= (?:finger|thumb|hand)))(?: one| finger| thumb| hand)?|one) (?:on|goes on) (?:the )?/.exec(
        `${said(words, i, 7)} `,
      );
    const n = another ? wordsIn(another[0]) : 0;
    if (!another || keyAt(words, i + n, called) === null) return null;
    const isBehind = /\b(?:finger|thumb|hand|one) (?:goes )?on (?:the )?\S+(?: \S+)? ,?$/.test(
      `${said(out, Math.max(0, out.length - 8), 8)} `.replace(/ $/, out.at(-1)?.raw === ',' ? '' : ' ,'),
    );
    return isBehind ? { takes: n, puts: [added('and', w)], drops: out.at(-1)?.raw === ',' ? 1 : 0 } : null;
  },
  // `it'll keep the red lamp lit for ever`: what it does, and nobody's hand
  ({ words, i, w, called }) => {
    if (!/^(?:it|that|which|this)/.test(w.word)) return null;
    const keeps = /^(?:it|that|which|this)(?:'ll| will)? keeps? (?:on )?(?:the |its |showing |flashing )?/.exec(
      `${said(words, i, 6)} `,
    );
    const n = keeps ? wordsIn(keeps[0]) : 0;
    const sign = keeps ? mentionAt(words, i + n, called.signs) : null;
    if (!sign) return null;
    let k = i + n + sign.length;
    while (!isStop(words[k]?.raw) && words[k]?.word !== 'and') k += 1;
    return { takes: k - i, puts: [] };
  },
  // `you go plus plus enter`: of a unit that has a key called so
  ({ words, i, w, called, out }) => {
    if (
      !/^(?:go|do|enter|set)$/.test(w.word) ||
      !/^(?:you|i|we)$/.test(out.at(-1)?.word ?? '') ||
      !keyAt(words, i, called)
    )
      return null;
    return areTwoKeys(words, i + 1, called) ? { takes: 1, puts: [added('press', w)] } : null;
  },
  // `then the knob back 3`: as many clicks
  ({ words, i, w, called }) => {
    if (!words.slice(i + 1, i + 4).some((x) => x.word === 'back')) return null;
    const knob = mentionAt(words, i, called.controls);
    const n = knob?.of.mechanism.kind === 'clicks' ? knob.length : 0;
    const many = words[i + n + 1];
    const isBack = n > 0 && words[i + n]?.word === 'back' && many?.value != null && many.value <= 24;
    if (!isBack || !isStop(words[i + n + 1 + many.span]?.raw)) return null;
    const turned = [added('turn', w), ...words.slice(i, i + n), many, added('clicks', w), added('back', w)];
    return { takes: n + 1 + many.span, puts: turned };
  },
];
