import { mentionAt } from './mentions.ts';
import type { Scan } from './scan.ts';
import { plainTextAt, shownTextAt } from './shown-text.ts';

/** `until the display goes blank`: how many words say so, waited for, or as something that comes to it; 0 where none do. */
function goesBlank({ items, here }: Scan): number {
  const sign = items.at(-1);
  const isDisplay = sign?.is === 'sign' && sign.signs.every((s) => s.kind === 'text' || s.kind === 'segments');
  // `when it's blank`: nothing but a display is
  const isIt =
    sign?.is === 'it' && /^(?:is |goes |gone |has gone |turns )?(?:completely |all )?blank(?= |$)/.test(here);
  if (!isDisplay && !isIt) return 0;
  const said =
    /^(?:has |have |had |is |are |was )?(?:(go|goes|gone|went|going|turns|turned) )?(?:completely |quite |all |fully |totally )?(blank|black|empty|dark|out|off|dead)(?= |$)/.exec(
      here,
    );
  if (!said) return 0;
  const isAwaited = items.some((x) => x.is === 'until' || x.is === 'moment') || isIt;
  return isAwaited || (said[1] !== undefined && said[2] !== 'off' && said[2] !== 'out') ? said[0].split(' ').length : 0;
}

/** What a display is said to show. */
export function displayWords(s: Scan): boolean {
  const { words, called, items, w, i, put } = s;
  // `in the display four strokes stand`
  if (
    w.value !== null &&
    w.value > 1 &&
    w.value <= 8 &&
    /^(?:strokes?|dashes|hyphens)$/.test(words[i + w.span]?.word ?? '')
  ) {
    put(i, w.span + 1, { is: 'act', act: 'see', word: 'shows' });
    put(i, w.span + 1, { is: 'text', text: '-'.repeat(w.value) });
    s.i += w.span + 1;
    return true;
  }
  // `wait until is written "SERVICE"`
  if (/^(?:written|printed|standing)$/.test(w.word) && /^["“].+["”]$/.test(words[i + 1]?.raw ?? '')) {
    put(i, 1, { is: 'act', act: 'see', word: 'shows' });
    put(i + 1, 1, { is: 'text', text: (words[i + 1]?.raw ?? '').slice(1, -1) });
    s.i += 2;
    return true;
  }
  // `"88" appears`
  if (
    /^["“].+["”]$/.test(w.raw) &&
    /^(?:comes?|appears?|is|shows?|pops?|stands?|flash(?:es)?|blinks?)$/.test(words[i + 1]?.word ?? '')
  ) {
    put(i, 1, { is: 'act', act: 'see', word: 'shows' });
    put(i, 1, { is: 'text', text: w.raw.slice(1, -1) });
    s.i += words[i + 2]?.word === 'up' ? 3 : 2;
    return true;
  }
  // `with "tE" you let go`; `then "tE"`, alone
  const alone = words.every((x, k) => k === i || /^(?:and|then|now|at|last|next|finally|first|after|it)$/.test(x.word));
  if (
    /^["“][^"”]{1,12}["”]$/.test(w.raw) &&
    (items.at(-1)?.is === 'moment' || alone) &&
    !mentionAt(words, i, called.controls) &&
    called.displays.length > 0
  ) {
    put(i, 1, { is: 'text', text: w.raw.slice(1, -1) });
    s.i += 1;
    return true;
  }
  // `when you see a nine`, of a display
  if (
    /^(?:see|sees|reads|reaches|reach)$/.test(w.word) &&
    /^(?:a|an|the)$/.test(words[i + 1]?.word ?? '') &&
    words[i + 2]?.value != null &&
    (words[i + 2]?.value ?? 99) < 10 &&
    /^(?:|that|then|you|,|and|on|in)$/.test(words[i + 3]?.word ?? '') &&
    called.displays.length > 0
  ) {
    put(i, 1, { is: 'act', act: 'see', word: 'shows' });
    put(i + 2, 1, { is: 'text', text: String(words[i + 2]?.value ?? '') });
    s.i += 3;
    return true;
  }
  if (
    /^(?=.*[A-Z])[A-Z0-9]{2,5}$/.test(w.raw) &&
    /^(?:comes?|appears?|is|shows?|pops?|stands?|flash\w*|lights?)$/.test(words[i + 1]?.word ?? '') &&
    !mentionAt(words, i, called.controls) &&
    !mentionAt(words, i, called.signs) &&
    called.displays.length > 0
  ) {
    put(i, 1, { is: 'act', act: 'see', word: 'shows' });
    put(i, 1, { is: 'text', text: w.raw });
    s.i += words[i + 2]?.word === 'up' ? 3 : 2;
    return true;
  }
  // `on the screen stands "SERVICE"`, `then comes "MENU"`
  if (/^(?:stands?|appears?|comes?|pops?)$/.test(w.word)) {
    // `there stands then "tESt"`
    let k = i + 1;
    while (k < i + 4 && /^(?:then|now|first|up|there|the|a|word)$/.test(words[k]?.word ?? '')) k += 1;
    const isOnDisplay = items.at(-1)?.is === 'sign' && /^(?:stands?|appears?)$/.test(w.word);
    const shown = isOnDisplay ? shownTextAt(words, k) : null;
    const isQuoted = /^["“].+["”]$/.test(words[k]?.raw ?? '');
    if (isQuoted || shown) {
      put(i, 1, { is: 'act', act: 'see', word: 'shows' });
      put(k, shown?.length ?? 1, { is: 'text', text: shown?.text ?? (words[k]?.raw ?? '').slice(1, -1) });
      s.i = k + (shown?.length ?? 1);
      return true;
    }
  }
  const blank = goesBlank(s);
  if (blank > 0) {
    put(i, blank, { is: 'act', act: 'see', word: 'shows' });
    put(i, blank, { is: 'text', text: '' });
    s.i += blank;
    return true;
  }
  // `till SERV`, and no more
  if (
    items.at(-1)?.is === 'until' &&
    /^(?=\p{L}*\p{Lu}{2})[\p{L}\d]{3,8}$/u.test(w.raw) &&
    (i + 1 === words.length || /^(?:and|then|comes|appears)$/.test(words[i + 1]?.word ?? '')) &&
    !mentionAt(words, i, called.controls) &&
    !mentionAt(words, i, called.signs) &&
    called.displays.length > 0
  ) {
    put(i, 1, { is: 'act', act: 'see', word: 'shows' });
    put(i, 1, { is: 'text', text: w.raw });
    s.i += 1;
    return true;
  }
  if (/^(?:displays?|shows?|reads?|says?)$/.test(w.word)) {
    const shown = shownTextAt(words, i + 1) ?? plainTextAt(words, i + 1, items);
    if (shown) {
      put(i, 1, { is: 'act', act: 'see', word: w.word });
      put(i + 1, shown.length, { is: 'text', text: shown.text });
      s.i += 1 + shown.length;
      return true;
    }
  }
  return false;
}
