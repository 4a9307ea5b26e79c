import { mentionAt } from './mentions.ts';
import { added, goes, isStop, keyAt, type Rewrite, said, stopAt, wordsIn } from './rewrite.ts';

/** Whether something stands in a place, and is no key: `put on the main switch`. */
const standsAt = (at: Parameters<Rewrite>[0], i: number) => {
  const own = mentionAt(at.words, i, at.called.controls);
  return own?.of.mechanism.kind === 'places' ? own : null;
};

/** What those say who learnt it later, and what others say in a hurry, in the words the reader knows. */
export const secondLanguage: readonly Rewrite[] = [
  // `the red lamp makes slow`
  ({ words, i, w, called, out }) => {
    if (!/^(?:makes?|does)$/.test(w.word)) return null;
    const makes = /^(?:makes?|does) (slow|fast|quick|slowly|quickly|rapidly)(?= |$)/.exec(said(words, i, 2));
    if (!makes) return null;
    const isOfLamp = out.slice(-3).some((_, k, last) => mentionAt(last, k, called.signs)?.of.kind === 'lamp');
    if (!isOfLamp) return null;
    const how = /^s/.test(makes[1] ?? '') ? 'slowly' : 'quickly';
    return { takes: 2, puts: [{ ...w, word: 'blinks' }, added(how, w)] };
  },
  // `you put on the main switch`
  (at) => {
    if (!/^puts?$/.test(at.w.word)) return null;
    const puts = /^(?:put|puts) (on|off|in|out|up|down) (?:the |your |that )?/.exec(`${said(at.words, at.i, 4)} `);
    const n = puts ? wordsIn(puts[0]) : 0;
    const own = puts ? standsAt(at, at.i + n) : null;
    const way = at.words[at.i + 1];
    if (!own || !way) return null;
    return {
      takes: n + own.length,
      puts: [at.w, ...at.words.slice(at.i + 2, at.i + n + own.length), { ...way, raw: way.word }],
    };
  },
  // `float released (down)`: what is let go of stands there then
  (at) => {
    if (!at.words.slice(at.i + 1, at.i + 4).some((x) => x.word === 'released')) return null;
    const own = standsAt(at, at.i);
    const n = own?.length ?? 0;
    // a brake is called so where it stands then
    const isPlace = own?.of.mechanism.kind === 'places' && own.of.mechanism.places.some((p) => p.id === 'released');
    if (!own || isPlace || at.words[at.i + n]?.word !== 'released' || own.of.springs.size > 0) return null;
    return { takes: n + 1, puts: at.words.slice(at.i, at.i + n) };
  },
  // `somebody else does the breaker`: they switch it back
  (at) => {
    if (!/^(?:does|do|operates?|works?)$/.test(at.w.word)) return null;
    const does = /^(?:does|do|operates?|works?) the /.exec(`${said(at.words, at.i, 2)} `);
    const own = does ? standsAt(at, at.i + 2) : null;
    if (!own || own.of.powersAt.size === 0 || !isStop(at.words[at.i + 2 + own.length]?.raw)) return null;
    return {
      takes: 2 + own.length,
      puts: [{ ...at.w, word: 'switch' }, ...at.words.slice(at.i + 1, at.i + 2 + own.length), added('on', at.w)],
    };
  },
  // `you make the current away with the main switch`
  ({ words, i, w }) => {
    const away =
      /^(?:make|makes|take|takes|put|puts) (?:the |all )?(?:current|power|electricity|mains|supply) (?:away|out|off|down)(?: (?:with|at|on|by)(?= (?:the|your)))?(?= |$)/.exec(
        said(words, i, 6),
      );
    return away ? { takes: wordsIn(away[0]), puts: [{ ...w, word: 'switch' }, added('off', w)] } : null;
  },
  // `you have then twelve seconds`
  ({ words, i, w }) =>
    /^(?:then|now)$/.test(w.word) &&
    /^(?:you|we|i) (?:have|had|got)$/.test(said(words, i - 2, 2)) &&
    words[i + 1]?.value != null
      ? { takes: 1, puts: [] }
      : null,
  // `so long till the lamp is not more lighting`
  ({ words, i, w }) => {
    const long = w.word === 'so' ? /^so long (?:till|until|that)(?= )/.exec(said(words, i, 3)) : null;
    return long ? { takes: 3, puts: [{ ...w, word: 'until' }] } : null;
  },
  ({ words, i, w }) => {
    const dark = /^(?:is|are|'s) (?:not|no) more (?:lighting|burning|shining|on|lit|glowing)(?= |$)/.exec(
      said(words, i, 4),
    );
    return dark ? { takes: wordsIn(dark[0]), puts: [{ ...w, word: 'goes' }, added('out', w)] } : null;
  },
  // `it can be open or shut`
  ({ words, i, out }) => {
    const either = /^(?:it|that|they|which) (?:can|may|might|could) (?:be|stand|stay) (\w+) or (\w+)(?= |$)/.exec(
      said(words, i, 6),
    );
    return either && (out.length === 0 || isStop(out.at(-1)?.raw)) ? { takes: 6, puts: [] } : null;
  },
  // `the display indicates "SERVICE"`
  ({ w, called, out }) =>
    /^indicates?$/.test(w.word) && out.slice(-3).some((_, k, last) => mentionAt(last, k, called.signs) !== null)
      ? { takes: 1, puts: [{ ...w, word: 'shows' }] }
      : null,
  // `hold B, no, sorry, hold A and C`: what was said first was not meant
  ({ words, i, w, out }) => {
    if (w.word !== 'no') return null;
    const no =
      /^no(?: ,)?(?: (?:sorry|wait|i mean|rather|that's wrong))?(?: ,)? (?=(?:press|hold|push|turn|set|pull|open|close)(?= |$))/.exec(
        said(words, i, 7),
      );
    if (!no || !/^[,.]$/.test(out.at(-1)?.raw ?? '')) return null;
    const verb = words[i + wordsIn(no[0])]?.word;
    const from = out.findLastIndex((x) => x.word === verb);
    if (from < 0 || out.length - from > 7) return null;
    return { takes: wordsIn(no[0]), puts: [], drops: out.length - from };
  },
  // `Go Go Home`: a key that is called like what one does, one after the other
  ({ words, i, w, called }) => {
    if (!/^\p{Lu}/u.test(w.raw)) return null;
    const key = keyAt(words, i, called);
    const next = key ? keyAt(words, i + key.length, called) : null;
    return key && next && (key.of === next.of || w.word === 'go') && /^\p{Lu}/u.test(words[i + key.length]?.raw ?? '')
      ? { takes: key.length, puts: [...words.slice(i, i + key.length), added(',', w)] }
      : null;
  },
  // `call once two three times`: a key with a figure on it, so often
  ({ words, i, w, called }) => {
    const many = words[i + 1];
    if (w.value === null || many?.value == null) return null;
    const key = keyAt(words, i, called);
    return key?.length === 1 && /^times$/.test(words[i + 1 + many.span]?.word ?? '')
      ? { takes: 1, puts: [added(',', w), added('press', w), added('key', w), w] }
      : null;
  },
  // `and then you count twenty`
  ({ words, i, w }) => {
    const many = words[i + 1];
    if (!/^counts?$/.test(w.word) || many?.value == null || many.value < 5) return null;
    if (
      /^(?:times|lamps?|lights?|flash\w*|blinks?|beeps?|clicks?|codes?|of|to|and|,)$/.test(
        words[i + 1 + many.span]?.word ?? '',
      )
    )
      return null;
    if (/^seconds?$/.test(words[i + 1 + many.span]?.word ?? '')) return null;
    return { takes: 1 + many.span, puts: [{ ...w, word: 'wait' }, many, added('seconds', w)] };
  },
  // `you count slowly until 20`
  ({ words, i, w }) => {
    if (!/^counts?$/.test(w.word)) return null;
    const counts = /^counts? (?:(?:slowly |slow |quietly |calmly )(?:until|till|up to|to)|(?:until|till))(?= )/.exec(
      said(words, i, 4),
    );
    const n = counts ? wordsIn(counts[0]) : 0;
    const many = words[i + n];
    if (!counts || many?.value == null || many.value < 5 || !isStop(words[i + n + many.span]?.raw)) return null;
    return { takes: n + many.span, puts: [{ ...w, word: 'wait' }, many, added('seconds', w)] };
  },
  // `6 second`, `in the 6 seconds you must`
  ({ words, i, w, out }) => {
    const unit = words[i + w.span];
    if (w.value === null || w.value < 2 || !unit || !/^(?:second|minute|hour|sec)s?$/.test(unit.word)) return null;
    const isIn = /^in (?:the|these|those)$/.test(said(out, out.length - 2, 2));
    if (!isIn && /s$/.test(unit.word)) return null;
    const plural = { ...unit, word: unit.word.replace(/s?$/, 's') };
    const own = words.slice(i, i + w.span);
    return isIn
      ? { takes: w.span + 1, puts: [added('within', w), ...own, plural], drops: 2 }
      : { takes: w.span + 1, puts: [...own, plural] };
  },
  // `when it hits five you let go`
  ({ words, i, w, out }) =>
    /^(?:hits|reaches|arrives)$/.test(w.word) &&
    /^(?:it|he|that)$/.test(out.at(-1)?.word ?? '') &&
    (words[i + 1]?.word === 'at' ? words[i + 2] : words[i + 1])?.value != null
      ? { takes: words[i + 1]?.word === 'at' ? 2 : 1, puts: [{ ...w, word: 'gets' }, added('to', w)] }
      : null,
  // `at 88 on the display: release MODE`
  ({ words, i, w, called }) => {
    const many = words[i + 1];
    if (
      w.word !== 'at' ||
      many?.value == null ||
      !called.signs.some((x) => x.of.kind === 'text' || x.of.kind === 'segments')
    )
      return null;
    const behind = i + 1 + many.span;
    const shown = /^on (?:the |its )?(?:display|screen|window|readout)(?= |$)/.exec(said(words, behind, 3));
    const next = behind + (shown ? wordsIn(shown[0]) : 0);
    const go = /^[,:]$/.test(words[next]?.raw ?? '') ? next + 1 : next;
    if (!/^(?:release|let|off|take|lift)$/.test(words[go]?.word ?? '')) return null;
    return {
      takes: next - i,
      puts: ['when', 'the', 'display', 'shows'].map((x) => added(x, w)).concat(words.slice(i + 1, behind)),
    };
  },
  // `repeat from "fuse out"`, `then again from stop in`: from where one begins anew
  ({ words, i, w, out }) => {
    if (!/^(?:repeat|start|begin|again|once|over|back)$/.test(w.word)) return null;
    const anew =
      /^(?:(?:repeat|start|begin) (?:again |anew |over |new )?|again |once more |over again |back )from (?!the (?:left|right)\b)/.exec(
        `${said(words, i, 5)} `,
      );
    if (!anew || !(isStop(out.at(-1)?.raw) || /^(?:then|so|and|it|do|=|to)$/.test(out.at(-1)?.word ?? ''))) return null;
    return goes(stopAt(words, i + wordsIn(anew[0])) - i);
  },
];
