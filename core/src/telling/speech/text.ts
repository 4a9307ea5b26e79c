import { numberAt } from '../../spoken/numbers.ts';

/** One word of a telling, with its place in the text. */
export type Word = Readonly<{
  /** In small letters, without a possessive ending. */
  word: string;
  raw: string;
  /** A number, whether in figures or in words; of several words the first. */
  value: number | null;
  /** How many words that number takes. */
  span: number;
  from: number;
  to: number;
}>;

/** Keys that have a sign on them and no word, and what the sign is called. */
export const signNames: ReadonlyArray<readonly [RegExp, readonly string[]]> = [
  [/^\+$/, ['plus', 'plus sign']],
  [/^[-–−]$/, ['minus', 'minus sign']],
  [/^[▲↑]$/, ['up', 'up arrow', 'arrow up']],
  [/^[▼↓]$/, ['down', 'down arrow', 'arrow down']],
  [/^[◀←<]$/, ['left arrow', 'arrow left']],
  [/^[▶→>]$/, ['right arrow', 'arrow right']],
  [/^\*$/, ['star', 'asterisk']],
  [/^#$/, ['hash', 'pound']],
];
/** A sign that stands by itself. */
const lone = /(?<![\p{L}\p{N}])[+▲▼↑↓*#](?![\p{L}\p{N}])|(?<=^|[\s("'])[-−](?=$|[\s,.)"'])/gu;

/** A telling of a unit that has keys with signs on them: each such sign is the word it is called by. */
export function withSigns(words: readonly Word[], text: string): Word[] {
  const found = [...text.matchAll(lone)].flatMap((m): Word[] => {
    const name = signNames.find(([sign]) => sign.test(m[0]))?.[1][0];
    if (name === undefined) return [];
    return [{ word: name, raw: m[0], value: null, span: 1, from: m.index, to: m.index + 1 }];
  });
  const all = [...words.filter((w) => !found.some((f) => f.from === w.from)), ...found].sort((a, b) => a.from - b.from);
  // a dash between two thoughts is none
  const leads =
    /^(?:now|so|use|uses|it's|is|want|just|only|on|by|for|after|before|again|until|till|press|presses|pressed|hold|holds|held|push|tap|hit|and|or|with|the|to|of|keep|release|plus|key|button|then|,|until|times)$/;
  const follows =
    /^(?:once|twice|key|button|pad|and|or|until|till|for|times|to|,|\.|;|!|\?|\n|is|again|then|held|together)$/;
  return all.flatMap((w, i) => {
    const [before, after] = [all[i - 1]?.word ?? '.', all[i + 1]?.word ?? '.'];
    if (w.word === 'minus' && w.raw.toLowerCase() !== 'minus') return leads.test(before) ? [w] : [];
    // `Light + OK`: the one and the other
    if (w.word === 'plus' && w.raw === '+') {
      // `Plus + Minus`, both of them written out
      const isBetween = /^\p{L}{4,}$/u.test(all[i - 1]?.raw ?? '') && /^\p{L}/u.test(after) && !follows.test(after);
      const isKey =
        (!isBetween && leads.test(before)) ||
        follows.test(after) ||
        isStop(before) ||
        !/^\p{L}/u.test(before) ||
        [all[i - 1], all[i + 1]].some((x) => x !== undefined && /^[-+−]$/.test(x.raw)) ||
        (all[i + 1]?.value != null && /^(?:times|x)$/.test(all[i + 2]?.word ?? ''));
      return isKey ? [w] : [{ ...w, word: 'and', raw: 'and' }];
    }
    return [w];
  });
}

// `until CODE? is shown`: no question
const pattern =
  /\p{Lu}{2,}\?(?=,? (?:is|are|appears?|comes?|stands?|shows?|in the|on the|and|lights)\b)|0x[0-9a-f]+|-{3,}(?!>)|\d(?:\.\d){2,}|-{1,2}>|=>|→|⇒|(?<=\s)[>»/](?=\s)|"[^"]*"|“[^”]*”|\d{1,2}(?:st|nd|rd|th)(?![\p{L}\p{N}])|\d+(?:[.,]\d+)?|(?<=[\p{L}\p{N}])\+(?=\p{L})|(?<=[\p{L}\p{N}] )\+(?= \p{L})|[\p{L}\p{N}]+(?:['’-][\p{L}\p{N}]+)*|[.,;:!?\n()–—…]|(?<=\S )-(?= \S)/gu;

/** A quotation of some length is somebody telling; a short one is what is written somewhere. */
const isTold = (quoted: string): boolean =>
  /^["“]/.test(quoted) && quoted.split(/\s+/).length > 4 && /\p{Ll}/u.test(quoted);

/** The words and stops of a text, in order; what is told in quotes word by word. */
function tokensOf(text: string): Array<Readonly<{ said: string; from: number }>> {
  return [...text.matchAll(pattern)].flatMap((m) =>
    isTold(m[0])
      ? [
          { said: '.', from: m.index },
          ...tokensOf(m[0].slice(1, -1)).map((t) => ({ ...t, from: t.from + m.index + 1 })),
          { said: '.', from: m.index + m[0].length - 1 },
        ]
      : [{ said: m[0], from: m.index }],
  );
}

const isStop = (raw: string): boolean => /^[.,;:!?\n()–—…]$/.test(raw);

/**
 * `I hold both and count, one, two, three, four, five`: counted aloud while something is held, which is how long, in seconds.
 * What is counted of beeps and blinks stays as it is.
 */
export function countedAloud(words: readonly Word[]): Word[] {
  const out: Word[] = [];
  const joins = (w: Word | undefined): boolean =>
    w !== undefined && /^(?:,|and|…|\.|a|thousand|mississippi)$/.test(w.word);
  for (let i = 0; i < words.length; i += 1) {
    const w = words[i];
    if (!w) break;
    if (w.value !== 1 || w.span !== 1) {
      out.push(w);
      continue;
    }
    let n = 1;
    let last = i;
    for (let k = i + 1; k < words.length; ) {
      while (joins(words[k]) && k < last + 4) k += 1;
      if (words[k]?.value !== n + 1 || words[k]?.span !== 1) break;
      n += 1;
      last = k;
      k += 1;
    }
    const before = words.slice(Math.max(0, i - 14), i).map((x) => x.word);
    const held = before.findLastIndex((x) => /^(?:hold|holds|holding|held|keep|keeps|keeping|kept)$/.test(x));
    const counts = before.findLastIndex((x) => /^(?:count|counts|counting|counted)$/.test(x));
    const isHeld =
      held >= 0 &&
      !before
        .slice(held)
        .some((x) =>
          /^(?:beeps?|blinks?|flash\w*|times|presses|until|till|when|buzz\w*|clicks?|release|go|press|tap)$/.test(x),
        );
    const unit = words[last + 1]?.word ?? '';
    // `the window's counting, look, one two three`: it counts, and nobody's hand
    const showsCount = /\b(?:display|window|screen|readout|it)(?:'s| is)? count/.test(before.join(' '));
    if (
      !showsCount &&
      n >= 3 &&
      isHeld &&
      (counts > held || held >= before.length - 8) &&
      !/^(?:times|clicks?|beeps?|seconds?)$/.test(unit)
    ) {
      const at = { from: w.from, to: words[last]?.to ?? w.to, raw: w.raw };
      out.push({ ...at, word: 'for', value: null, span: 1 });
      out.push({ ...at, word: String(n), value: n, span: 1 });
      out.push({ ...at, word: 'seconds', value: null, span: 1 });
      i = last;
    } else out.push(w);
  }
  return out;
}

/** Cuts a text into words and stops. Numbers over several words stand at the first of them. */
export function wordsOf(text: string): Word[] {
  const plain = tokensOf(text).flatMap(({ said, from }): Array<Omit<Word, 'value' | 'span'>> => {
    // an arrow leads on as a comma does
    const raw = /^(?:-{1,2}>|=>|→|⇒|>|»|\/|-)$/.test(said) ? ',' : said;
    // `MENU+MINUS`: both of them
    if (raw === '+') return [{ word: 'and', raw: 'and', from, to: from + 1 }];
    const word = raw.toLowerCase().replaceAll('’', "'").replace(/'s$/, '');
    return [{ word, raw, from, to: from + said.length }];
  });
  const list = plain.map((w) => w.word);
  return plain.map((w, i): Word => {
    if (isStop(w.raw)) return { ...w, value: null, span: 1 };
    if (/^\d+(?:[.,]\d+)?$/.test(w.raw)) {
      const value = Number(w.raw.replace(',', '.'));
      // two point five, said
      return { ...w, value, span: 1 };
    }
    const number = numberAt(list, i);
    if (!number) return { ...w, value: null, span: 1 };
    if (list[i + number.words] === 'point') {
      const tail = numberAt(list, i + number.words + 1);
      if (tail && tail.value < 10)
        return { ...w, value: number.value + tail.value / 10, span: number.words + 1 + tail.words };
    }
    if (list[i + number.words] === 'and' && list[i + number.words + 1] === 'a' && list[i + number.words + 2] === 'half')
      return { ...w, value: number.value + 0.5, span: number.words + 3 };
    return { ...w, value: number.value, span: number.words };
  });
}
