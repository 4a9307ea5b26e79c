import { mentionAt } from './mentions.ts';
import { added, goes, isStop, type Rewrite, said, wordsIn } from './rewrite.ts';

/** Whether something stands in a place, and is no key: `put on the main switch`. */
const standsAt = (at: Parameters<Rewrite>[0], i: number) => {
  const own = mentionAt(at.words, i, at.called.controls);
  return own?.of.mechanism.kind === 'places' ? own : null;
};

/** What those say who learnt it later, and what others say in a hurry, in the words the reader knows. */
export const secondLanguage: readonly Rewrite[] = [
  // `the red lamp makes slow`
  ({ words, i, w, called, out }) => {
    const makes = /^(?:makes?|does|goes) (slow|fast|quick|slowly|quickly|rapidly)(?= |$)/.exec(said(words, i, 2));
    const lamp = out.findLastIndex((_, k) => mentionAt(out, k, called.signs)?.of.kind === 'lamp');
    if (!makes || lamp < 0 || lamp < out.length - 3 || w.word === 'goes') return null;
    const how = /^s/.test(makes[1] ?? '') ? 'slowly' : 'quickly';
    return { takes: 2, puts: [{ ...w, word: 'blinks' }, added(how, w)] };
  },
  // `you put on the main switch`
  (at) => {
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
    const own = standsAt(at, at.i);
    const n = own?.length ?? 0;
    if (!own || at.words[at.i + n]?.word !== 'released' || own.of.springs.size > 0) return null;
    return { takes: n + 1, puts: at.words.slice(at.i, at.i + n) };
  },
  // `somebody else does the breaker`: they switch it back
  (at) => {
    const does = /^(?:does|do|operates?|works?) the /.exec(`${said(at.words, at.i, 2)} `);
    const own = does ? standsAt(at, at.i + 2) : null;
    if (!own || own.of.powersAt.size === 0 || !isStop(at.words[at.i + 2 + own.length]?.raw)) return null;
    return {
      takes: 2 + own.length,
      puts: [{ ...at.w, word: 'switch' }, ...at.words.slice(at.i + 1, at.i + 2 + own.length), added('on', at.w)],
    };
  },
  // `you count slowly until 20`
  ({ words, i, w }) => {
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
  ({ words, i, out }) => {
    const anew =
      /^(?:(?:repeat|start|begin) (?:again |anew |over |new )?|again |once more |over again |back )from (?!the (?:left|right)\b)/.exec(
        `${said(words, i, 5)} `,
      );
    if (!anew || !(isStop(out.at(-1)?.raw) || /^(?:then|so|and|it|do|=|to)$/.test(out.at(-1)?.word ?? ''))) return null;
    let k = i + wordsIn(anew[0]);
    while (!isStop(words[k]?.raw)) k += 1;
    return goes(k - i);
  },
];
