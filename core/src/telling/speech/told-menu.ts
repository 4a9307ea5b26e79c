import { mentionAt } from './mentions.ts';
import { fill, isStop, placeOf, saidFrom } from './named-keys.ts';
import type { Made, Reader } from './reader.ts';
import type { Word } from './text.ts';

const picks =
  /^(?:go|goes|going|scroll|scrolls|choose|chooses|select|selects|selected|pick|picks|open|opens|navigate|enter)$/;
const between =
  /^(?:,|>|»|→|->|\/|and|then|and then|, then|, and then|, and in there|, in there|, below it|and below it|, and under it|, and below that|, inside that|, in that|, and inside it)$/;
/** The names of entries from a word on: `Diagnostics, then Stored`; written large, and nothing of the unit. */
function entriesFrom(r: Reader, words: readonly Word[], from: number): Readonly<{ path: string[]; end: number }> {
  const path: string[] = [];
  let end = from;
  const isName = (k: number): boolean =>
    /^["“]?\p{Lu}[\p{L}\d-]*["”]?$/u.test(words[k]?.raw ?? '') &&
    !mentionAt(words, k, r.called.controls) &&
    !mentionAt(words, k, r.called.signs) &&
    !/^(?:I|OK|I'm|I've|Then|And|It|The|You|Press|Hold)$/.test(words[k]?.raw ?? '');
  for (let k = from; isName(k); ) {
    let to = k + 1;
    while (isName(to) && to - k < 3) to += 1;
    path.push(
      words
        .slice(k, to)
        .map((w) => w.raw.replace(/["“”]/g, ''))
        .join(' '),
    );
    end = to;
    const gap = [4, 3, 2, 1].find((n) => between.test(saidRaw(words, to, to + n)) && isName(to + n));
    if (gap === undefined) break;
    k = to + gap;
  }
  return { path, end };
}
const saidRaw = (words: readonly Word[], from: number, to: number): string =>
  words
    .slice(from, to)
    .map((w) => w.raw.toLowerCase())
    .join(' ');

/** `in the setup menu go to Diagnostics, then Stored`: what is chosen from a menu, by the names its entries have. */
export function findChosen(r: Reader, words: readonly Word[]): void {
  const hasText = r.called.displays.some((d) => d.kind === 'text');
  if (!hasText || r.made.some((m) => m.step.kind === 'choose')) return;
  for (let i = 0; i < words.length; i += 1) {
    const isPicked = picks.test(words[i]?.word ?? '') && mentionAt(words, i, r.called.controls) === null;
    const isMenu = words[i]?.word === 'menu' && /^(?:>|»|→|->)$/.test(words[i + 1]?.raw ?? '');
    // `the entry "MEMORY" is selected`
    const isEntry = /^(?:entry|item|option|submenu)$/.test(words[i]?.word ?? '');
    if (!isPicked && !isMenu && !isEntry) continue;
    let from = i + 1;
    while (/^(?:down|up|on|to|into|in|for|the|entry|item|point|>|»|→|->)$/.test(words[from]?.raw.toLowerCase() ?? ''))
      from += 1;
    const { path, end } = entriesFrom(r, words, from);
    let begin = i;
    while (begin > 0 && i - begin < 9 && !isStop(words[begin - 1])) begin -= 1;
    const isOfMenu = /\b(?:menu|list|entry|screen)\b/.test(
      `${saidFrom(words, i - 14, i)} ${saidFrom(words, end, end + 5)}`,
    );
    // `the menu goes to LOG`: what shows, and nothing that is chosen
    const isChosen =
      isEntry &&
      /^(?:is|must be|shall be|has to be|can be) (?:selected|chosen|picked|opened)\b/.test(
        saidFrom(words, end, end + 4),
      );
    const isSaidEntry = isChosen || (isPicked && /^(?:entry|item|option)$/.test(words[from - 1]?.word ?? ''));
    const isName = path.length > 1 || isSaidEntry || (isOfMenu && !isEntry && /\p{Ll}/u.test(path[0] ?? ''));
    if (path.length === 0 || !isName) continue;
    const at = placeOf(words, from, end);
    // `in the setup menu`: no key that is called so
    const menu = isMenu ? [] : words.slice(begin, end).filter((w) => w.word === 'menu');
    r.drop(
      new Set(
        r.made.filter(
          (m) => m.step.kind === 'press' && menu.some((w) => m.from <= w.from && m.to >= w.to && m.to - m.from < 60),
        ),
      ),
    );
    // the keys it is chosen and confirmed with, and that it shows
    if (isSaidEntry) {
      let [start, stop] = [i, end];
      while (start > 0 && !/^[.!?\n]$/.test(words[start - 1]?.raw ?? '')) start -= 1;
      while (stop < words.length && !/^[.!?\n]$/.test(words[stop]?.raw ?? '')) stop += 1;
      const own = placeOf(words, start, stop);
      const isTold = (m: Made): boolean =>
        m.from >= own.from && m.to <= own.to && (m.step.kind === 'see' || m.step.kind === 'press');
      r.drop(new Set(r.made.filter(isTold)));
      fill(r, own);
    }
    fill(r, placeOf(words, begin, end));
    r.insert({ kind: 'choose', on: 'unit', path }, at);
    return;
  }
}
