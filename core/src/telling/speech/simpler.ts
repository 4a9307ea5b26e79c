import type { Called } from './mentions.ts';
import type { Word } from './text.ts';

/** What is said of a telling's order and not of the unit: words that name places or keys elsewhere. */
const fillers: readonly string[] = [
  'to start with',
  'to begin with',
  'to start off with',
  'for a start',
  'for starters',
];

/** Words without what only fills, and with rows of names written out: `L1 2 and 3` is `L1 L2 and L3`. */
export function simpler(words: readonly Word[], called: Called): Word[] {
  const out: Word[] = [];
  for (let i = 0; i < words.length; i += 1) {
    const w = words[i];
    if (!w) break;
    const filler = fillers.find((f) => {
      const n = f.split(' ').length;
      return (
        words
          .slice(i, i + n)
          .map((x) => x.word)
          .join(' ') === f
      );
    });
    if (filler) i += filler.split(' ').length - 1;
    else out.push(w);
  }
  return rowsOpened(out, called);
}

/** `L1 2 and 3`, where the unit has an L2 and an L3. */
function rowsOpened(words: readonly Word[], called: Called): Word[] {
  const names = new Set(
    [...called.controls, ...called.signs].flatMap((n) => (n.words.length === 1 ? [n.words[0] ?? ''] : [])),
  );
  let stem = '';
  return words.map((w) => {
    const own = /^([a-z]{1,3})(\d{1,2})$/.exec(w.word);
    if (own && names.has(w.word)) stem = own[1] ?? '';
    else if (stem !== '' && /^\d{1,2}$/.test(w.raw) && names.has(`${stem}${w.raw}`))
      return { ...w, word: `${stem}${w.raw}`, raw: `${stem}${w.raw}`.toUpperCase(), value: null, span: 1 };
    else if (!/^(?:,|and|or|\/|&)$/.test(w.word)) stem = '';
    return w;
  });
}
