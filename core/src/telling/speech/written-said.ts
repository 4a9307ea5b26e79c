import { mentionAt, namedLast } from './mentions.ts';
import { added, begins, isStop, labelled, type Rewrite, said, wordsIn } from './rewrite.ts';
import type { Word } from './text.ts';

/** `It shows` so and so, said at the place of a word. */
const itShows = (at: Word, ...shown: readonly Word[]): readonly Word[] => [
  added('it', at),
  added('shows', at),
  ...shown,
];
const quoted = (text: string, at: Word): Word => ({ ...at, word: `"${text}"`, raw: `"${text}"` });

/** Ways of saying what a display has written on it. */
export const writtenSaid: readonly Rewrite[] = [
  // `what you're waiting for is DIAG on the display, and that's when you let go`
  ({ words, i, w }) => {
    const waits =
      w.word === 'what'
        ? /^what (?:you|we|i)(?:'re| are|'m| am)? (?:waiting|looking) for is /.exec(`${said(words, i, 7)} `)
        : null;
    const shown = waits ? words[i + wordsIn(waits[0])] : undefined;
    if (!waits || !shown || !/^(?:"|\p{Lu}{2,}|\d{2,}|-{2,})/u.test(shown.raw)) return null;
    const end = i + wordsIn(waits[0]) + 1;
    const then = /^(?:(?:on|in) the \w+ )?(?:, )?(?:and )?that(?: is)? when (?=you|we|i|they)/.exec(
      `${said(words, end, 8)} `,
    );
    return then ? { takes: end - i + wordsIn(then[0]), puts: [added('when', w), ...itShows(w, shown)] } : null;
  },
  // `It complains: SENSOR`
  ({ words, i, w, out, called }) =>
    /^(?:complains?|moans?|grumbles?|protests|whines|answers?|replies|greets)$/.test(w.word) &&
    /^(?:it|she|he|display|screen)$/.test(out.at(-1)?.word ?? '') &&
    called.displays.length > 0 &&
    /^[:,]$/.test(words[i + 1]?.raw ?? '') &&
    /^(?:"|[A-Z]{2,})/.test(words[i + 2]?.raw ?? '')
      ? { takes: 2, puts: [{ ...w, word: 'says', raw: 'says' }] }
      : null,
  // `Mode for 4 sec. SERVICE.`: what shows then, on a line with what is done
  ({ words, i, w, out, called }) => {
    const [display, ...others] = called.displays;
    const isAlone = out.at(-1)?.raw === '.' && /^[.,]$/.test(words[i + 1]?.raw ?? '') && /^[A-Z]{4,}$/.test(w.raw);
    if (!isAlone || display?.kind !== 'text' || others.length > 0) return null;
    if (mentionAt(words, i, called.controls) || mentionAt(words, i, called.signs)) return null;
    return { takes: 1, puts: itShows(w, quoted(w.raw, w)) };
  },
  // `LIST EMPTY appears`, `until NO FAULTS`, `comes up with NO SIGNAL`: all of what is written there
  ({ words, i, w, out, called }) => {
    if (called.displays.length !== 1) return null;
    const up = begins(out) ? /^(?:it )?(?:comes|came|starts) up with /.exec(`${said(words, i, 5)} `) : null;
    const from = up ? i + wordsIn(up[0]) : i;
    let end = from;
    while (
      /^[A-Z]{2,}$/.test(words[end]?.raw ?? '') &&
      !mentionAt(words, end, called.controls) &&
      ![...called.facts.signs.values()].some((s) => s.label.toLowerCase() === words[end]?.word)
    )
      end += 1;
    const written = words
      .slice(from, end)
      .map((x) => x.raw)
      .join(' ');
    const comes =
      /^(?:appears?|is displayed|is shown|is indicated|comes up|lights up|shows up)(?= [.,;!?\n]|$| and)|^, (?:it|she|he) (?:then |now )?(?:says|reads|shows)(?= [.,;!?\n]|$| and)/.exec(
        said(words, end, 4),
      );
    const isLed = /^(?:until|till|says|shows|reads|with|at|see)$/.test(out.at(-1)?.word ?? '') && end - from > 1;
    if (written.length < 4 || !(up || comes || isLed)) return null;
    const isRead = /^(?:says|shows|reads)$/.test(out.at(-1)?.word ?? '');
    return {
      takes: end - i + (comes ? wordsIn(comes[0]) : 0),
      puts: isRead ? [quoted(written, w)] : itShows(w, quoted(written, w)),
    };
  },
  // `and 00 is all that is left`
  ({ words, i, w, called }) => {
    if (called.displays.length !== 1 || !/^(?:"|[A-Z]{2,}|\d{2,}|-{2,})/.test(w.raw)) return null;
    const all =
      /^is (?:then )?all (?:that|you|it) (?:is left|remains|see|shows|says|stays|is there|stands there)(?: then)?(?= [.,;!?\n]|$)/.exec(
        said(words, i + 1, 6),
      );
    return all ? { takes: 1 + wordsIn(all[0]), puts: itShows(w, w) } : null;
  },
  // `until CODE? is shown`: what is written there
  ({ w }) => (/^\p{Lu}{2,}\?$/u.test(w.raw) ? { takes: 1, puts: [quoted(w.raw, w)] } : null),
  // `until E zero zero comes up`, `up comes E zero zero`
  ({ words, i, w, out, called }) => {
    if (!/^[b-hj-z]$/.test(w.word) || called.displays.length !== 1 || mentionAt(words, i, called.controls)) return null;
    let figures = '';
    while (/^\d$/.test(String(words[i + 1 + figures.length]?.value ?? '')) && words[i + 1 + figures.length]?.span === 1)
      figures += String(words[i + 1 + figures.length]?.value);
    if (figures.length < 2 || figures.length > 4) return null;
    const end = i + 1 + figures.length;
    const comes =
      /^(?:comes? up|comes? (?:back )?(?=[.,;!?\n]|and|$)|appears?|shows up|is shown|pops up|is there)\b/.exec(
        said(words, end, 3),
      );
    const isLed = /\b(?:up comes|there comes|here comes|up pops)$/.test(said(out, Math.max(0, out.length - 2), 2));
    if (!comes && !isLed) return null;
    return {
      takes: end - i + (comes ? wordsIn(comes[0].trim()) : 0),
      drops: isLed ? 2 : 0,
      puts: itShows(w, quoted(`${w.word.toUpperCase()}${figures}`, w)),
    };
  },
  // `and the word SERVICE shows up`
  ({ words, i, w, called }) => {
    const word = /^the words?$/.test(said(words, i, 2)) ? words[i + 2] : undefined;
    const [display, ...others] = called.displays;
    const comes = word
      ? /^(?:shows? up|appears?|comes?(?: up)?|is shown|lights? up|pops up)(?= [.,;!?\n]|$| and)/.exec(
          said(words, i + 3, 3),
        )
      : null;
    return word && comes && display && others.length === 0 && /^["“]|^[A-Z][A-Z0-9-]+$/.test(word.raw)
      ? { takes: 3 + wordsIn(comes[0]), puts: [...labelled(display.label, w), added('says', w), word] }
      : null;
  },
  // `6 s, screen EMPTY`
  ({ words, i, w, out, called }) => {
    const isShown = /^[A-Z][A-Z0-9-]{2,}$/.test(w.raw) && /^[.,;!?)\n]?$/.test(words[i + 1]?.raw ?? '');
    if (!isShown || mentionAt(words, i, called.controls)) return null;
    const sign = namedLast(out, called.signs);
    const isDisplay = sign?.kind === 'text' || sign?.kind === 'segments';
    const lead = out.findLastIndex((x) => isStop(x.raw));
    return isDisplay && out.length - lead <= 3 ? { takes: 1, puts: [added('says', w), w] } : null;
  },
  // `until it's got double zero on it`
  ({ words, i, w }) => {
    const got =
      /^(?:it|it has|there|there is|there are|you've|you have|the display has)(?: got)? (?=(?:double |triple )?[\w"-]+(?: \w+){0,2} (?:on it|in the (?:window|display)|on the (?:display|screen|readout))\b)/.exec(
        said(words, i, 9),
      );
    if (!got || !/^(?:until|till|when|once|and)$/.test(words[i - 1]?.word ?? '')) return null;
    const shown = i + wordsIn(got[0]);
    const on = [1, 2, 3, 4].find((n) => /^(?:on it|in the|on the)$/.test(said(words, shown + n, 2)));
    if (!on || !/^(?:"|\d|double|triple|zero|nought|dash|[A-Z]{2,})/.test(words[shown]?.raw ?? '')) return null;
    const end = shown + on + (said(words, shown + on, 2) === 'on it' ? 2 : 3);
    return { takes: end - i, puts: itShows(w, ...words.slice(shown, shown + on)) };
  },
];
