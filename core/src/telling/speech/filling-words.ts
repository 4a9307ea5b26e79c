import { mentionAt } from './mentions.ts';
import { added, goes, isStop, keyAt, letGo, pastThe, type Rewrite, said, wordsIn } from './rewrite.ts';
import { type Word, wordsOf } from './text.ts';

/** What is said of a telling's order and not of the unit: words that name places or keys elsewhere. */
const fillers: readonly string[] = [
  'one at a time',
  "you've got as long as you like",
  'you have as long as you like',
  'take as long as you like',
  'as long as you like',
  'as long as you want',
  'all the time in the world',
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
  'be put off by it',
  'be put off by that',
  'get put off by it',
  'put off by it',
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
  "don't hang about",
  'dont hang about',
  "don't hang around",
  'dont hang around',
  "don't mess about",
  "don't dawdle",
  'dont dawdle',
  "don't dither",
  "don't dilly dally",
  "so don't be slow",
];

/** By the word they begin with, in the order they are tried. */
const fillersBy = new Map<string, string[]>();
for (const filler of fillers) {
  const [first = ''] = filler.split(' ');
  fillersBy.set(first, [...(fillersBy.get(first) ?? []), filler]);
}

/** What only fills, and words that are others in speech. */
export const fills: readonly Rewrite[] = [
  ({ words, i, w }) => {
    const filler = fillersBy.get(w.word)?.find((f) => said(words, i, wordsIn(f)) === f);
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
  // `I count, one, two, three, up to ten`: so many seconds
  ({ words, i, w }) => {
    if (!/^counts?$/.test(w.word)) return null;
    let k = i + 1;
    for (let n = 1; words[k]?.raw === ',' || words[k]?.value === n; k += 1) if (words[k]?.value === n) n += 1;
    const to = words[k]?.word === 'up' ? k + 1 : k;
    const most = words[to + 1];
    if (k === i + 1 && to === k) return null;
    if (words[to]?.word !== 'to' || most?.value == null || most.value < 5) return null;
    const at = (word: string): Word => added(word, w);
    return { takes: to + 2 - i, puts: [{ ...w, word: 'wait' }, most, at('seconds')] };
  },
  // `Now we wait. A minute or so.`
  ({ words, i, w, out }) => {
    const isAmount =
      /^(?:(?:about|around|roughly|say) )?(?:a|an|one|two|three|half|\d+)(?: a| an| good)? (?:minutes?|seconds?|secs?|hour)\b/.test(
        said(words, i + 1, 4),
      );
    return w.raw === '.' && isAmount && /^(?:wait|waits|waiting)$/.test(out.at(-1)?.word ?? '')
      ? { takes: 1, puts: [] }
      : null;
  },
  // `I get hold of the pendant`
  ({ words, i }) => goes(/^(?:get|gets|got|take|takes|took|grab) hold of$/.test(said(words, i, 3)) ? 3 : 0),
  // `From MENU it's Down, Down`
  ({ words, i, w }) => goes(w.word === 'from' && /^it['’]s$/i.test(words[i + 2]?.raw ?? '') ? 3 : 0),
  // `three zeros`, said one by one
  ({ words, i, w }) => {
    let n = 0;
    while (/^(?:zero|nought|oh)$/.test(words[i + n]?.word ?? '')) n += 1;
    if (n < 2) return null;
    const raw = '0'.repeat(n);
    return { takes: n, puts: [{ ...w, word: raw, raw, value: null, span: 1, to: words[i + n - 1]?.to ?? w.to }] };
  },
  // `in the same time`, `you don't leave them`, `you leave the two buttons`: of a hand
  ({ words, i, w }) =>
    /^in the same time$/.test(said(words, i, 4)) ? { takes: 4, puts: [added('together', w)] } : null,
  ({ words, i, w }) => {
    const kept =
      /^(?:you |we |he |i )?(?:don't|dont|do not|not) leave (?:them|it|him|the (?:two |both )?(?:buttons|keys))(?= [.,;!?\n]| and|$)/.exec(
        said(words, i, 8),
      );
    return kept ? { takes: wordsIn(kept[0]), puts: [added('keep', w), added('them', w), added('pressed', w)] } : null;
  },
  ({ words, i, w }) => {
    const left = /^(?:you |we |he |i )leave (?:them|the (?:two |both )?(?:buttons|keys))(?= [.,;!?\n]| and|$)/.exec(
      said(words, i, 6),
    );
    return left ? { takes: wordsIn(left[0]), puts: letGo(w, added('them', w)) } : null;
  },
  // `(With the cover open the mixer starts in demo.)`: what would be, told aside
  ({ words, i, w, out }) =>
    w.raw === '(' && out.length > 0 && /^(?:with|if|otherwise|not)$/.test(words[i + 1]?.word ?? '')
      ? { takes: 1, puts: [{ ...w, raw: '.', word: '.' }, added('unless', w)] }
      : null,
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
    const from = pastThe(words, i + 2);
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
