import { ordinalOf } from '../../spoken/numbers.ts';
import { lengthAt } from './amounts.ts';
import { leftWords, negWords, rightWords, togetherWords } from './lexicon.ts';
import { hasKnob, mentionAt } from './mentions.ts';
import type { Scan } from './scan.ts';

/** What joins and what bounds: until, when, within, if, not, both, which way, which time. */
/** `second buzz you let go`: of what is heard, not of the clock. */
const isHeard = ({ words, i, called }: Scan): boolean =>
  /^(?:beep|buzz|tone|chime|bell|ring|peep|bleep|signal)s?$/.test(words[i + 1]?.word ?? '') ||
  mentionAt(words, i + 1, called.signs)?.of.kind === 'beeper';

export function jointWords(s: Scan): boolean {
  const { words, w, here, i, take } = s;
  if (/^(?:any (?:key|button|pad))\b/.test(here)) {
    take(2, { is: 'any' });
    return true;
  }
  if (
    /^(?:within|inside|in less than|in under|you(?:'?ve| have)?(?: now| only| just| then)? got|i(?:'?ve| have)? got|we(?:'?ve| have)? got|you'?ve|you have|(?:i|we|one) have(?= (?:only |just |about )?(?:\d|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty))|you (?:only|just) (?:have|get)|you get|they have|one has|there(?:'s| is| are))\b/.test(
      here,
    )
  ) {
    const k = /^in under/.test(here)
      ? 2
      : /^(?:in less than|you (?:only|just) (?:have|get)|you have got|i have got|we have got|you(?:'?ve)? (?:now|only|just|then) got)/.test(
            here,
          )
        ? 3
        : /^(?:within|inside|you'?ve (?!got|now|only|just|then))/.test(here)
          ? 1
          : 2;
    const ahead = words
      .slice(i + k, i + k + (words[i + k]?.word === 'to' ? 8 : 5))
      .some((_, d) => lengthAt(words, i + k + d) !== null);
    // `you've got to leave that off for a minute`
    const isKept =
      words[i + k]?.word === 'to' && /^(?:leave|wait|keep|hold|let|give)$/.test(words[i + k + 1]?.word ?? '');
    if (ahead && !isKept) {
      take(k, { is: 'within' });
      return true;
    }
  }
  const roughly = /^(?:the|about|around|roughly|maybe|some|like|say)$/.test(words[i + 1]?.word ?? '') ? 2 : 1;
  if (
    w.word === 'in' &&
    lengthAt(words, i + roughly) &&
    words.some(
      (x, k) =>
        /^(?:all|everything|lot|altogether|quick|quickly|done|happen)$/.test(x.word) &&
        !(x.word === 'all' && words[k + 1]?.word === 'the'),
    )
  ) {
    take(roughly, { is: 'within' });
    return true;
  }
  if (
    /^(?:max|maximum|at most|no more than)\b/.test(here) &&
    lengthAt(words, i + (here.startsWith('at most') ? 2 : here.startsWith('no more') ? 3 : 1))
  ) {
    take(here.startsWith('at most') ? 2 : here.startsWith('no more') ? 3 : 1, { is: 'within' });
    return true;
  }
  // `for as long as it takes for the blue one to go out`
  if (/^for as long as it takes for /.test(here)) {
    take(7, { is: 'until' });
    return true;
  }
  if (/^(?:until|till|til)\b/.test(here)) {
    take(1, { is: 'until' });
    return true;
  }
  // `turn on the main switch`
  if (
    /^(?:on|off) (?:the|your|that|this)\b/.test(here) &&
    /^(?:turn|turns|turned|turning|switch|switches|switched|switching|power|powering|put|flick|flip)$/.test(
      words[i - 1]?.word ?? '',
    )
  ) {
    take(1, { is: 'place', word: w.word });
    return true;
  }
  // `after that it's Gate`: then
  const isThen = /^after (?:that|this) (?:it |comes? |just )/.test(here) && mentionAt(words, i + 3, s.called.controls);
  if (isThen && isThen.of.mechanism.kind === 'push') {
    s.i += 3;
    return true;
  }
  if (
    /^(?:when|once|as soon as|the moment|after|at(?! least| most| all| first| last| once| the same)|on the|with the (?=first|second|third|fourth|fifth|last|next|\w+ (?:beep|peep|buzz|chime|ring|tone)|(?:beep|peep|buzz|chime|chirp|gong|bell|tone|horn|click)\b)|with (?=["“])|from)(?: |$)/.test(
      here,
    )
  ) {
    take(here.startsWith('as soon as') ? 3 : /^(?:the moment|on the|with the)\b/.test(here) ? 2 : 1, {
      is: 'moment',
    });
    return true;
  }
  const inCase = /^in (?:the )?case (?!of)/.exec(here);
  if (inCase) {
    take(inCase[0].trim().split(' ').length, { is: 'if' });
    return true;
  }
  if (w.word === 'if' || (w.word === 'should' && i === 0)) {
    take(1, { is: 'if' });
    return true;
  }
  if (/^(?:otherwise|else)\b/.test(here)) {
    take(1, { is: 'else' });
    return true;
  }
  if (/^(?:while|whilst)\b/.test(here)) {
    take(1, { is: 'while' });
    return true;
  }
  // `not too fast`: how, not whether
  if (/^not (?:too|so|very|that|all that) (?:fast|quick|quickly|slow|slowly|hard|long|far|gently)\b/.test(here)) {
    s.i += 3;
    return true;
  }
  if (negWords.has(w.word)) {
    take(1, { is: 'not' });
    return true;
  }
  if (w.word === 'each' || w.word === 'every') {
    take(1, { is: 'each' });
    return true;
  }
  if (togetherWords.has(w.word) || /^(?:at the same time|the same time|same time|at once)/.test(here)) {
    take(
      here.startsWith('at the same time')
        ? 4
        : here.startsWith('the same time')
          ? 3
          : here.startsWith('at once')
            ? 2
            : 1,
      { is: 'both' },
    );
    return true;
  }
  // `on three you come off`
  const counted = words[i + 1];
  if (
    /^(?:on|at)$/.test(w.word) &&
    (i === 0 || words[i - 1]?.word === 'and') &&
    counted?.value != null &&
    counted.span === 1 &&
    counted.value <= 12 &&
    /^(?:you|i|we|let|release|off|,|)$/.test(words[i + 2]?.word ?? '')
  ) {
    s.put(i, 1, { is: 'moment' });
    s.put(i + 1, 1, { is: 'nth', n: counted.value });
    s.i += 2;
    return true;
  }
  // `2 R, 1 L, 3 R`, of a knob
  if (/^[RL]$/.test(w.raw) && (words[i - 1]?.value ?? null) !== null && hasKnob(s.called)) {
    take(1, { is: 'way', way: w.raw === 'R' ? 'cw' : 'ccw' });
    return true;
  }
  // `down up right the green one's blinking`: said as one goes on
  const before = words[i - 1];
  const isFiller =
    w.word === 'right' &&
    /^(?:the|now|so|that|that's|it's|ok|okay)$/.test(words[i + 1]?.word ?? '') &&
    before !== undefined &&
    before.value === null &&
    mentionAt(words, i - 1, s.called.controls)?.of.mechanism.kind === 'push';
  if (isFiller) {
    take(1, null);
    return true;
  }
  if (rightWords.has(w.word) || leftWords.has(w.word)) {
    take(1, { is: 'way', way: rightWords.has(w.word) ? 'cw' : 'ccw' });
    return true;
  }
  const nth = ordinalOf(w.word);
  if (
    nth !== null && !['second'].includes(w.word)
      ? nth !== null
      : nth !== null && (['the', 'that'].includes(words[i - 1]?.word ?? '') || isHeard(s))
  ) {
    // the third one
    take(words[i + 1]?.word === 'one' ? 2 : 1, { is: 'nth', n: nth ?? 1 });
    return true;
  }
  return false;
}
