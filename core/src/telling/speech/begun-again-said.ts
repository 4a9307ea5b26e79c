import { added, goes, isStop, keyAt, pastThe, type Rewrite, said, standsAt, stopAt, wordsIn } from './rewrite.ts';

/** Ways of saying that one begins again, as it went wrong: none of it is done by somebody who does it right. */
export const begunAgainSaid: readonly Rewrite[] = [
  // `you begin again from main switch off each time you press Run`: said without a stop
  (at) => {
    const { words, i, w, out } = at;
    const isAgain = /^(?:again|over|anew)$/.test(w.word) && /^(?:begin|start|go|try)$/.test(out.at(-1)?.word ?? '');
    if (!isAgain || !/^(?:from|at|with)$/.test(words[i + 1]?.word ?? '')) return null;
    const named = pastThe(words, i + 2);
    const own = standsAt(at, named);
    const place = named + (own?.length ?? 0);
    const isPlace = own && /^(?:on|off|in|out|open|shut|closed|up|down)$/.test(words[place]?.word ?? '');
    return isPlace && !isStop(words[place + 1]?.raw) ? { takes: place + 1 - i, puts: [w, added('.', w)] } : null;
  },
  // `Blue lamp stays dark: back to holding Set.`: one begins again there
  ({ words, i, w, out }) => {
    const back =
      w.word === 'back' && /^[.,:;(]$/.test(out.at(-1)?.raw ?? '')
        ? /^back to (?:hold|press|push|switch|turn)ing(?= )/.exec(said(words, i, 4))
        : null;
    return back ? goes(stopAt(words, i) - i) : null;
  },
  // `after that it returns to READY and you need Select and Cancel again`: as it went wrong
  ({ words, i, w, called }) => {
    const needs =
      w.word === 'and'
        ? /^and (?:then )?(?:you|one|we) (?:need|have to have|want) (?:the )?/.exec(`${said(words, i, 6)} `)
        : null;
    if (!needs) return null;
    const one = i + wordsIn(needs[0]);
    const key = keyAt(words, one, called);
    const and = key ? one + key.length : 0;
    const other = key && words[and]?.word === 'and' ? keyAt(words, and + 1, called) : null;
    const end = other ? and + 1 + other.length : and;
    return key && /^(?:again|once more|anew)$/.test(words[end]?.word ?? '') ? goes(end + 1 - i) : null;
  },
  // `you go back to Rate and Stop`: one begins again with them
  ({ words, i, w, called }) => {
    if (w.word !== 'go' && w.word !== 'back') return null;
    const lead = /^(?:go )?back to (?:the |holding |pressing )?/.exec(`${said(words, i, 4)} `);
    const one = lead ? i + wordsIn(lead[0]) : i;
    const key = lead ? keyAt(words, one, called) : null;
    const and = key ? one + key.length : 0;
    const other = key && words[and]?.word === 'and' ? keyAt(words, and + 1, called) : null;
    return other ? goes(and + 1 + other.length - i) : null;
  },
  // `you were not quick enough; it's off with the main switch, and you hold the two again`
  ({ words, i, w }) => {
    const slow = /^(?:you|it)$/.test(w.word)
      ? /^\w+ (?:were|was|have been|are) (?:not (?:quick|fast) enough|too (?:slow|late|early))(?= )/.exec(
          said(words, i, 6),
        )
      : null;
    const end = slow ? i + wordsIn(slow[0]) : i;
    if (!slow || !/^[;:]$/.test(words[end]?.raw ?? '')) return null;
    const over = words.findIndex((x, k) => k > end && /^[.!?\n]$/.test(x.raw));
    return /\b(?:again|anew|once more|over)\b/.test(said(words, end, over - end)) ? goes(over - i) : null;
  },
];
