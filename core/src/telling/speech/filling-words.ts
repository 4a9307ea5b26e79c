import { mentionAt } from './mentions.ts';
import { added, goes, isStop, keyAt, type Rewrite, said, wordsIn } from './rewrite.ts';
import { type Word, wordsOf } from './text.ts';

/** What is said of a telling's order and not of the unit: words that name places or keys elsewhere. */
const fillers: readonly string[] = [
  'one at a time',
  'one by one',
  'to start with',
  'to begin with',
  'to start off with',
  'for a start',
  'for starters',
  "don't ask me why",
  'dont ask me why',
  "don't ask why",
  'for some reason',
  'give me a ring',
  'give me a buzz',
  'give us a ring',
  'give us a buzz',
  'put it in the order that works',
  'put it in order',
  'put it in the right order',
  "i'd say",
  'i would say',
  'with something that is not metal',
  "with something that isn't metal",
  'with something not metal',
];

/** What only fills, and words that are others in speech. */
export const fills: readonly Rewrite[] = [
  ({ words, i }) => {
    const filler = fillers.find((f) => said(words, i, wordsIn(f)) === f);
    return filler ? goes(wordsIn(filler)) : null;
  },
  // `and you're out.`, `Back once more to leave.`: where one is then
  ({ words, i }) => {
    const leaves =
      i > 0 && !isStop(words[i - 1]?.raw) ? /^to (?:leave|exit|quit)(?= |$)/.exec(said(words, i, 2)) : null;
    const arrived =
      leaves ??
      /^(?:and |then |so )?(?:you're|you are|youre|we're|we are) (?:out|through|done|finished|home)(?= |$)/.exec(
        said(words, i, 4),
      );
    const n = arrived ? wordsIn(arrived[0]) : 0;
    return isStop(words[i + n]?.raw) ? goes(n) : null;
  },
  // `you can go back as far as ten`
  ({ words, i }) => goes(/^as far as$/.test(said(words, i, 3)) && words[i + 3]?.value != null ? 4 : 0),
  // `confirm once more with Regen`
  ({ words, i, out }) =>
    /^(?:confirms?|accept|accepts)$/.test(out.at(-1)?.word ?? '')
      ? goes(
          /^again (?:with|by|using)\b/.test(said(words, i, 2))
            ? 1
            : /^once (?:more|again) (?:with|by|using)\b/.test(said(words, i, 3))
              ? 2
              : 0,
        )
      : null,
  // `isolator off, leave it off ten seconds`
  ({ words, i, w, out }) => {
    const left =
      /^(?:and )?(?:leave|leaving|keep|keeping) (?:it|that|him) (on|off|in|out|open|shut|up|down) (?:for )?/.exec(
        `${said(words, i, 6)} `,
      );
    const n = left ? wordsIn(left[0]) : 0;
    const isThere = left !== null && out.at(out.at(-1)?.raw === ',' ? -2 : -1)?.word === left[1];
    return isThere && words[i + n]?.value != null ? { takes: n, puts: [added('for', w)] } : null;
  },
  // `both buttons`, of a unit that has two
  ({ words, i, w, called }) => {
    const both = /^(?:both (?:of )?(?:the |your )?|the two )(?:buttons|keys|pads)(?= |$)/.exec(said(words, i, 4));
    const keys = both ? [...called.facts.controls.values()].filter((c) => c.mechanism.kind === 'push') : [];
    const [one, other] = keys.map((c) => wordsOf(c.control.label));
    if (!both || keys.length !== 2 || !one || !other) return null;
    const at = (x: Word): Word => ({ ...x, from: w.from, to: words[i + wordsIn(both[0]) - 1]?.to ?? w.to });
    return { takes: wordsIn(both[0]), puts: [...one.map(at), added('and', w), ...other.map(at)] };
  },
  // `beginning with In`: which of them is first is told by their order
  ({ words, i, called }) => {
    if (i <= 2 || !/^(?:beginning|starting) with\b/.test(said(words, i, 2))) return null;
    const from = words[i + 2]?.word === 'the' ? i + 3 : i + 2;
    const key = keyAt(words, from, called);
    return key ? goes(from + key.length - i) : null;
  },
  // `Head and Knees, turn about`: of keys, the one after the other
  ({ words, i, w, called }) => {
    const isSaid =
      /^(?:turn about|in turn)$/.test(said(words, i, 2)) &&
      !/^(?:it|the|that|this|on|off|your|my)$/.test(words[i + 2]?.word ?? '') &&
      [2, 3, 4, 5, 6, 7, 8].some((k) => i >= k && keyAt(words, i - k, called) !== null);
    return isSaid ? { takes: 2, puts: [{ ...w, word: 'alternately' }] } : null;
  },
  // `bzzz`, `beeep`: as it is heard
  ({ w }) => {
    const heard = /^bz{2,}t?$/.test(w.word)
      ? 'buzz'
      : /^be{3,}p$/.test(w.word)
        ? 'beep'
        : /^pi{2,}p$/.test(w.word)
          ? 'pip'
          : null;
    return heard ? { takes: 1, puts: [{ ...w, word: heard, raw: heard }] } : null;
  },
  // `and don't do anything yet`
  ({ words, i }) => {
    const still =
      /^(?:and |but )?(?:don't|dont|do not) (?:do|touch|press) (?:anything|a thing|nothing) (?:yet|else|more)(?= [.,;!?\n]|$)/.exec(
        said(words, i, 8),
      );
    return still && i > 0 ? goes(wordsIn(still[0])) : null;
  },
  // `crank back where it was`
  ({ words, i, out }) => {
    const home = /^back$/.test(out.at(-1)?.word ?? '')
      ? /^(?:to )?(?:where|wherever) (?:it|they|he|she) (?:was|were|belongs?|came from|lives?|goes|comes from)(?= |$)/.exec(
          said(words, i, 5),
        )
      : null;
    return home ? goes(wordsIn(home[0])) : null;
  },
  // `Crank back`, of a crank: the thing, not what is done
  ({ words, i, w, called }) =>
    /^(?:crank|wind)$/.test(w.word) &&
    isStop(words[i - 1]?.raw) &&
    mentionAt(words, i, called.controls) &&
    words[i + 1]?.word === 'back'
      ? { takes: 1, puts: [added('the', w), w] }
      : null,
  ({ w }) => (w.word === 'em' || w.word === "'em" ? { takes: 1, puts: [{ ...w, word: 'them' }] } : null),
];
