import { actOf } from './lexicon.ts';
import { type Called, mentionAt } from './mentions.ts';
import { added, begins, endOf, goes, isStop, pastThe, type Rewrite, said, wordsIn } from './rewrite.ts';
import type { Word } from './text.ts';

/** What somebody does not do that has nothing to do with the unit. */
const minds =
  'worry panic ask mind know care want need bother dawdle hurry rush matter think wonder expect laugh despair hesitate believe hurt blame tell say understand remember recall like trust fear argue swear cry look';
const mindVerbs = new Set(minds.split(' '));
const nots =
  "(?:don't|dont|do not|doesn't|does not|didn't|can't|cannot|can not|won't|wouldn't|couldn't|needn't|shouldn't|never)";
const noMind = new RegExp(
  `^(?:(?:and|but|so|now) )?(?:(?:i|you|we|they|he|she|it|that) )?(?:really |honestly |still |even )?${nots} (?:really |even |ever |you |me |be )?(\\w+)`,
);
const told =
  /^(?:(?:and|but) )?(?:(?:i have|i've|i've got|we have|there's) )?(?:no idea|no clue|nobody (?:knows|told|tells|wrote|asked|said|minds|cares)|god knows|goodness knows|heaven knows|never mind|mind you|without (?:any(?:body|one) (?:on|in|at|near|under|beside|around) (?:it|them|there)|a load|load|asking|thinking|looking|hurrying|waiting for|any fuss))(?= |$)/;
const beside =
  /^(?:that|which|who) (?:isn't|wasn't|aren't|doesn't|won't|didn't|is not|was not|does not|hasn't|haven't) (?:\w+ ){0,3}\w+$/;

/** Whether something of the unit, or done to it, is named at a place. */
const isOfUnit = (words: readonly Word[], i: number, called: Called): boolean =>
  mentionAt(words, i, called.controls) !== null || mentionAt(words, i, called.signs) !== null;

/** What is asked for next, told without a stop between: `no laptop take the beans out`. */
const asks = /^(?:take|lift|put|press|push|hold|turn|switch|open|close|pull|keep|wait|hit|go)$/;
const leads = /^(?:to|about|for|you|i|we|they|he|she|not|don't|never|can|will|would|should|must|and|the|a|by|of)$/;

/** How many words on a clause ends: at a stop, where another begins, or at what is of the unit. */
function clauseEnd(words: readonly Word[], from: number, called: Called): number {
  let i = from;
  while (
    i < words.length &&
    !isStop(words[i]?.raw) &&
    !/^(?:and|but|so|then|or|no)$/.test(words[i]?.word ?? '') &&
    !(i > from && asks.test(words[i]?.word ?? '') && !leads.test(words[i - 1]?.word ?? '')) &&
    !isOfUnit(words, i, called)
  )
    i += 1;
  // `the setpoint`, `your thumb`: what belongs to a name goes with it
  while (
    i > from &&
    isOfUnit(words, i, called) &&
    /^(?:the|a|your|this|that|just|you|i|we)$/.test(words[i - 1]?.word ?? '')
  )
    i -= 1;
  return i;
}

/** What is left in the place of words that go: a pause, where something was said before. */
const pauseBehind = (out: readonly Word[], w: Word): Word[] => (out.length === 0 ? [] : [added(',', w)]);

/**
 * What is not done, known or so beside the matter: `don't be shy about it`, `a finger that isn't wet`, `no idea why`. It warns
 * of nothing, and what stands behind it in the same breath is done.
 */
export const harmlessNots: readonly Rewrite[] = [
  // `that's it saying there's nothing wrong which is a lie`, `and not when it buzzes`
  ({ words, i, w }) => {
    if (!/^(?:that|saying|which|and|not|,)$/.test(w.word)) return null;
    const none =
      /^(?:(?:that|that is|which is) )?(?:it |him |her )?(?:saying|telling you|its way of saying|how it says|which says|which means) (?:that )?(?:there|there is|it has|it got) nothing wrong(?: with (?:it|him|her))?(?: ,)?(?: (?:and |but )?which is (?:a lie|not true|nonsense|wrong))?(?= |$)/.exec(
        said(words, i, 16),
      ) ??
      /^(?:, )?(?:and )?not when (?:it|he|she|they) (?:buzz|beep|chime|ring|sound|hoot|pip|flash|blink)\w*(?= [.,;!?\n]|$| and)/.exec(
        said(words, i, 7),
      );
    return none ? goes(wordsIn(none[0])) : null;
  },
  // `when there is nothing more to tell the buzzer sounds long`: how the list ends
  ({ words, i, w, out, called }) => {
    if (!/^(?:when|if|once|where)$/.test(w.word) || !begins(out)) return null;
    const over =
      /^\S+ (?:there (?:is|are|was|were)?(?: )?(?:nothing|no|none) (?:more|further|left|else)|there (?:nothing|no|none) (?:more|further|left|else)|(?:the list|the memory) (?:is|has) (?:over|ended|empty|through|at its end)|you(?:'ve| have) (?:seen|had|read) (?:them )?all)\b/.exec(
        said(words, i, 8),
      );
    const end = endOf(words, i);
    const isAct = words.slice(i, end).some((_, k) => mentionAt(words, i + k, called.controls) !== null);
    return over && !isAct ? goes(end - i) : null;
  },
  // `you can get at it without calling me`, `on a string so you won't lose it`, `close it or nothing happens`
  ({ words, i, w, out }) => {
    const idle = /^(?:without|so|or)$/.test(w.word)
      ? /^(?:without (?:calling|ringing|phoning|bothering|waking|asking) (?:me|us|him|her|anyone|anybody|someone)|so (?:that )?(?:you|i|we|they|it|he) (?:won't|don't|can't|doesn't|cannot) (?:lose|drop|forget|miss|confuse|mislay|bite|hurt) (?:it|them|you|that|yourself)|or nothing (?:happens|works|comes|moves)|or (?:it'll|it will) (?:sulk|complain|not (?:work|start|go)))(?= |$)/.exec(
          said(words, i, 9),
        )
      : null;
    return idle ? { takes: wordsIn(idle[0]), puts: pauseBehind(out, w) } : null;
  },

  // `open so there's no soup in it`
  ({ words, i, w, out }) => {
    const none =
      w.word === 'so'
        ? /^so (?:that )?(?:there's|there is|there are|there) no \S+ (?:in it|in there|left|on it|inside)(?= |$)/.exec(
            said(words, i, 8),
          )
        : null;
    return none ? { takes: wordsIn(none[0]), puts: pauseBehind(out, w) } : null;
  },
  // `because you don't want it spinning honey round the room`
  ({ words, i, w, out, called }) => {
    if (!/^(?:because|as|you|we|i)$/.test(w.word)) return null;
    const want =
      /^(?:(?:because|as|since) )?(?:you|we|i) (?:don't|dont|do not) want (?:it|them|that|anything|him|her|anyone|anybody) (?:to )?(?:thing )?\S+/.exec(
        said(words, i, 9),
      );
    if (!want) return null;
    const from = i + wordsIn(want[0]);
    let end = from;
    const isOver = (k: number): boolean =>
      isStop(words[k]?.raw) || /^(?:on|now|then|so|and|but)$/.test(words[k]?.word ?? '') || isOfUnit(words, k, called);
    while (end - from < 5 && !isOver(end)) end += 1;
    return { takes: end - i, puts: pauseBehind(out, w) };
  },
  // `you don't need gas for this`
  ({ words, i, w, out }) => {
    const need = /^(?:you|we|i|it|don't|dont)$/.test(w.word)
      ? /^(?:(?:you|we|i|it) )?(?:don't|dont|do not|doesn't) need (?:\S+ ){1,3}for (?:this|that|it)(?= |$)/.exec(
          said(words, i, 9),
        )
      : null;
    return need ? { takes: wordsIn(need[0]), puts: pauseBehind(out, w) } : null;
  },
  // `the boss isn't here`
  ({ words, i }) => {
    const not =
      /^(?:isn't|isnt|wasn't|aren't|weren't|is not|are not) (?:here|around|about|in today|bothered|interested|coming|back yet|my (?:fault|idea|job)|a (?:secret|joke|problem))(?= |$)/.exec(
        said(words, i, 5),
      );
    return not ? { takes: wordsIn(not[0]), puts: [] } : null;
  },
  // `and look that nobody has the hand inside`
  ({ words, i, w, out, called }) => {
    if (!/^(?:and|look|see|check|make|watch)$/.test(w.word)) return null;
    const sure =
      /^(?:and )?(?:i |you |we )?(?:look|see|check|make sure|watch)(?: that| to it that| out that)? (?:nobody|no one|no-one|nothing|no hand|no fingers?)(?= )/.exec(
        said(words, i, 8),
      );
    const end = sure ? clauseEnd(words, i + wordsIn(sure[0]), called) : 0;
    return sure && isStop(words[end]?.raw) ? { takes: end - i, puts: pauseBehind(out, w) } : null;
  },
  // `which means there's nothing else in there`
  ({ words, i, w, out, called }) => {
    if (!/^(?:which|that|so|there|there's|and)$/.test(w.word)) return null;
    const none =
      /^(?:and )?(?:(?:which|that|so|it) (?:means|tells you)(?: that)? |so |that )?(?:there's|there is|there are|there) (?:nothing|no) (?:else|more|other|further|others)(?: (?:faults?|codes?|errors?|entries|entry))?(?: (?:in there|in it|stored|left|to (?:see|read|come)))?(?= |$)/.exec(
        said(words, i, 12),
      );
    const n = none ? wordsIn(none[0]) : 0;
    return none && !isOfUnit(words, i + n - 1, called) ? { takes: n, puts: pauseBehind(out, w) } : null;
  },
  ({ words, i, w, out, called }) => {
    const mind = noMind.exec(said(words, i, 6));
    const isMind = mind !== null && mindVerbs.has(mind[1] ?? '');
    const other = isMind ? null : told.exec(said(words, i, 5));
    const head = isMind ? mind[0] : other?.[0];
    // what begins in the middle of something else is of that
    if (head === undefined || /^(?:if|when|until|till|once|unless|what|you|i|we|it)$/.test(out.at(-1)?.word ?? ''))
      return null;
    const from = i + wordsIn(head);
    const end = clauseEnd(words, from, called);
    const near = isOfUnit(words, end, called) && end - from < 2;
    // `you don't need to press Test`, `I don't want the lid open`: that is of the unit
    const isAct =
      isMind && words.slice(from, end).some((x, k) => actOf.has(x.word) && words[from + k - 1]?.word === 'to');
    if (near || isAct || (end - from > 9 && !isStop(words[end]?.raw))) return null;
    return { takes: end - i, puts: isStop(words[end]?.raw) ? [] : pauseBehind(out, w) };
  },
  // `but not the brake the brake stays where it is`: what is said of it comes right behind
  ({ words, i, w, called }) => {
    if (w.word !== 'not') return null;
    const from = pastThe(words, i + 1);
    const own = mentionAt(words, from, called.controls);
    const n = own ? from + own.length : 0;
    const next = /^[,.;]$/.test(words[n]?.raw ?? '') ? n + 1 : n;
    const name = words[next]?.word === 'the' ? next + 1 : next;
    const again = own ? mentionAt(words, name, called.controls) : null;
    const behind = again ? (words[name + again.length]?.word ?? '') : '';
    return own && again?.of === own.of && /^(?:stays|remains|keeps|is|has)$/.test(behind)
      ? { takes: next - i, puts: [added(',', w)] }
      : null;
  },
  // `there's no click, so just rest your fingers on it`
  ({ words, i, w, out, called }) => {
    const none = /^(?:there|there's)$/.test(w.word)
      ? /^(?:there's|there is|there) no (?:\w+ )?(?:click|feel|feedback|lamp for (?:it|that)|sound|label|mark|menu|hurry|rush|trick|harm|way round (?:it|that)|other way)(?= |$)/.exec(
          said(words, i, 7),
        )
      : null;
    const n = none ? wordsIn(none[0]) : 0;
    return none && !isOfUnit(words, i + n - 1, called) ? { takes: n, puts: pauseBehind(out, w) } : null;
  },
  // `first things first, blade not moving, stop button in`: how it has to be
  ({ words, i, w, out }) =>
    w.word === 'not' &&
    /^not (?:moving|running|turning|spinning|hot|live|plugged in)(?= |$)/.test(said(words, i, 3)) &&
    !/^(?:is|are|it|if|when|does|still)$/.test(out.at(-1)?.word ?? '')
      ? { takes: words[i + 1]?.word === 'plugged' ? 3 : 2, puts: pauseBehind(out, w) }
      : null,
  // `no tools no laptop`
  ({ words, i, w, out }) => {
    const none =
      /^no (?:(?:special|extra|other) )?(?:tools?|laptop|computer|software|password|hurry|rush|problem|worries|harm|magic|screwdriver|manual|app)(?= |$)/.exec(
        said(words, i, 3),
      );
    return none ? { takes: wordsIn(none[0]), puts: pauseBehind(out, w) } : null;
  },
  // `with a finger that isn't wet`
  ({ words, i, called }) => {
    if (!/^(?:that|which|who)$/.test(words[i]?.word ?? '') || i === 0) return null;
    const end = clauseEnd(words, i, called);
    const own = said(words, i, end - i);
    return beside.test(own) && !isOfUnit(words, end, called) ? { takes: end - i, puts: [] } : null;
  },
];
