import type { SignId } from '../../base/ids.ts';
import { doLater, tellsLater } from './afterwards.ts';
import { closeBranch, readIf } from './branches.ts';
import { readChoose, readDial } from './entries.ts';
import { readKeptTo, readRelease } from './holds.ts';
import type { Item } from './item.ts';
import { itemsOf } from './items.ts';
import { mentionAt } from './mentions.ts';
import { readPress } from './presses.ts';
import { isAct, isOf, isPush, type Made, type Reader, spanOf } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';
import { momentIn, mustNotShow, quicken, see } from './shown.ts';
import {
  couldDo,
  hasReading,
  isAside,
  isHearsay,
  isMuted,
  isPurpose,
  isTalk,
  isWarning,
  named,
  tellsReading,
} from './talk.ts';
import type { Word } from './text.ts';
import { dropToldOut, dropToldTwice } from './told-twice.ts';
import { namesUnread, soundsDone } from './unread.ts';
import { closeWindow, readActs } from './windows.ts';

export function startsAct(r: Reader, words: readonly Word[], at: number): boolean {
  const ahead = words.slice(at, at + 4);
  const [first, second] = itemsOf(ahead, r.called, r.last).filter((x) => x.is !== 'both');
  if (!first) return false;
  // `left and right down`: one goes on to the other
  if (first.is === 'control' && isPush(first.own))
    // `and Reset is released`; not `Up and Down must be pushed`
    return (
      (!isListedWith(r, words, at) &&
        (second?.is === 'let-go' || (second?.is === 'act' && /^(?:press|hold|release)$/.test(second.act))) &&
        ahead.some((w) => /^(?:is|gets|must|has)$/.test(w.word))) ||
      leadsAhead(first, ahead)
    );
  if (first.is === 'control') return first.place !== null || second?.is === 'place';
  return (
    ['act', 'let-go', 'sign', 'clicks'].includes(first.is) ||
    (first.is === 'it' && (second?.is === 'act' || second?.is === 'sign' || second?.is === 'light'))
  );
}

/** Whether a key is one of two that something is said of: `Up and Down must be pushed`, at the start of what is said. */
function isListedWith(r: Reader, words: readonly Word[], at: number): boolean {
  if (!/^(?:and|plus|&|or)$/.test(words[at - 1]?.word ?? '')) return false;
  const from = [1, 2, 3]
    .map((k) => at - 1 - k)
    .find((k) => k >= 0 && mentionAt(words, k, r.called.controls)?.length === at - 1 - k);
  if (from === undefined) return false;
  const before = words[words[from - 1]?.word === 'the' ? from - 2 : from - 1];
  return before === undefined || /^(?:[.,;:!?\n]|now|then|next|both|also|here|that|and)$/.test(before.word);
}

/** `and print takes me through the rest`. */
const leadsAhead = (first: Item, ahead: readonly Word[]): boolean =>
  /^(?:takes|gives|brings|shows|goes|moves|steps|walks|gets)$/.test(ahead.find((w) => w.from >= first.to)?.word ?? '');

export function startsPlace(r: Reader, words: readonly Word[], at: number): boolean {
  // within a longer name: `the red stop`
  if (at > 0 && (mentionAt(words, at - 1, r.called.controls)?.length ?? 0) > 1) return false;
  // `throttle right up to full`
  const [first, second] = itemsOf(words.slice(at, at + 5), r.called, r.last).filter((x) => x.is !== 'way');
  return (
    first?.is === 'control' &&
    !isPush(first.own) &&
    first.from === words[at]?.from &&
    (first.place !== null || second?.is === 'place')
  );
}

/** Whether a hand's verb stands there with the control it is done to. */
export function startsOn(r: Reader, words: readonly Word[], at: number): boolean {
  const [first, second] = itemsOf(words.slice(at, at + 4), r.called, r.last);
  return first?.is === 'act' && first.from === words[at]?.from && second?.is === 'control';
}

/** Reads stretches in order. */
export function readAll(r: Reader, segments: readonly Segment[]): void {
  r.saysWhatWorks ||= /\bwhat (?:does|do) work\b|\bwhat works\b/.test(segments.map((s) => saidOf(s)).join(' . '));
  const bare = new Map<number, number>();
  for (const s of segments) {
    const items = itemsOf(s.words, r.called, r.last);
    const isBare =
      items.length > 0 &&
      items.every((x) => x.is === 'times' || x.is === 'nth' || (x.is === 'control' && isPush(x.own)));
    if (isBare && s.words.length <= 5) bare.set(s.sentence, (bare.get(s.sentence) ?? 0) + 1);
  }
  // a sentence with a reading in it is about a part
  // what is to be left alone
  r.leftAlone = new Set(
    segments
      .filter(
        (s) =>
          !s.flows &&
          (/\b(?:leave|leaves) (?:it|that|them|this|those|these) (?:well )?(?:alone|be)\b/.test(saidOf(s)) ||
            // `they told me to do it with the cabinet shut but forget that`
            /\bbut (?:forget|ignore|never mind) (?:about )?(?:that|it)$/.test(saidOf(s))),
      )
      .map((s) => s.sentence),
  );
  r.measured = new Set(segments.filter((s) => hasReading(s)).map((s) => s.sentence));
  let told = 0;
  // what a sentence names and makes nothing of stays open
  const named = new Map<number, Segment>();
  const done = (): string =>
    `${r.made.length} ${r.holes.length} ${r.doubts.length} ${r.made.at(-1)?.to ?? 0} ${r.branch?.at ?? -1} ${r.window?.at ?? -1}`;
  let stood = done();
  const close = (sentence: number): void => {
    for (const [own, segment] of named) {
      if (own === sentence) continue;
      named.delete(own);
      const [a] = segment.words;
      const z = segment.words.at(-1);
      if (a && z) r.holes.push({ from: a.from, to: z.to, why: 'not-understood' });
    }
    stood = done();
  };
  let skipsTo = -1;
  let retriedTo = -1;
  for (const [i, s] of segments.entries()) {
    const [first] = s.words;
    if (first && first.from - told > 4000) {
      told = first.from;
      r.comesTo?.(told);
    }
    r.listed = (bare.get(s.sentence) ?? 0) >= 2;
    r.actsAhead = false;
    r.ahead = segments.slice(i + 1, i + 5).filter((x) => x.sentence === s.sentence);
    r.saidBefore = segments
      .slice(Math.max(0, i - 2), i)
      .filter((x) => x.sentence === s.sentence)
      .map(saidOf)
      .join(' ');
    for (let k = i + 1; segments[k]?.sentence === s.sentence && !r.actsAhead; k += 1)
      r.actsAhead = itemsOf(segments[k]?.words ?? [], r.called, r.last).some(isOf('control', 'clicks'));
    // `Anna pressed Light, and that's wrong`
    if (takesBack(s) && segments[i - 1]?.sentence === s.sentence && /\b(?:that|that's|this|it)\b/.test(saidOf(s))) {
      for (let m = r.made.at(-1); m?.sentence === s.sentence; m = r.made.at(-1)) {
        if (m.step.kind !== 'press' && m.step.kind !== 'set') break;
        if (m.step.kind === 'set') r.places.delete(m.step.control);
        r.made.pop();
      }
      continue;
    }
    // `it says to hold Menu before that. That does nothing.`
    if (isVoid.test(saidOf(s)) && segments[i - 1]?.sentence !== s.sentence) {
      for (let m = r.made.at(-1); m?.sentence === s.sentence - 1; m = r.made.at(-1)) {
        if (m.step.kind === 'set' || m.step.kind === 'see') break;
        r.made.pop();
        r.holes.push({ from: m.from, to: m.to, why: 'warned' });
      }
      r.held = [];
      continue;
    }
    if (takesBack(s) && segments[i - 1]?.sentence !== s.sentence && tellsPresses(r, segments, i + 1)) {
      while (r.made.at(-1)?.sentence === s.sentence - 1 && r.made.at(-1)?.step.kind === 'press') r.made.pop();
      continue;
    }
    // `when it makes two, it was not correct and you push again until it buzzes`: nothing of that is of the way in
    if (!s.flows && segments[i - 1]?.sentence !== s.sentence) {
      const own = segments.filter((x) => x.sentence === s.sentence);
      if (wentWrongAgain(own.map(saidOf).join(' '))) retriedTo = i + own.length - 1;
    }
    // `if you're too late the hooter does a long one and then you switch off and start over`, told without stops
    const over =
      s.flows && isTooLate.test(saidOf(s))
        ? segments.slice(i, i + 7).findIndex((x) => beginsAgain.test(saidOf(x)))
        : -1;
    if (over >= 0) retriedTo = i + over;
    if (i <= retriedTo) {
      const [a] = s.words;
      const z = s.words.at(-1);
      if (a && z) r.holes.push({ from: a.from, to: z.to, why: 'warned' });
      continue;
    }
    // told without stops, what is done if so ends where one begins again; else it is what is said next
    if (i === skipsTo) r.skipping = null;
    const before = r.skipping;
    if (segments[i - 1]?.sentence !== s.sentence) {
      closeWindow(r, s.sentence);
      close(s.sentence);
    }
    read(r, s);
    if (done() !== stood) named.delete(s.sentence);
    else if (!named.has(s.sentence) && (namesUnread(r, s) || soundsDone(r, s))) named.set(s.sentence, s);
    if (r.flows && r.skipping !== null && r.skipping !== before) {
      const again = segments
        .slice(i, i + 5)
        .findIndex((x) => /\b(?:start|starts|go|try|begin) (?:over|again)\b|\bfrom the start\b/.test(saidOf(x)));
      skipsTo = i + (again >= 0 ? again + 1 : 2);
    }
  }
  close(Number.POSITIVE_INFINITY);
}

/** Somebody counts aloud as it shows or sounds, up or down. */
const countsAlong = /(?:^|\b(?:and|so) )(?:(?:one|two|three|four|five|six|seven|eight|nine|ten)(?: and)? ?){2,}$/;

/** What showed just now is what shows where it was not taken. */
function wentWrong(r: Reader, { sentence }: Segment): void {
  r.wrongIn = sentence;
  const shown = r.made.at(-1);
  const isLamp = shown?.step.kind === 'see' && shown.step.signs.every((s) => s.kind === 'lamp' && s.state === 'fast');
  if (shown && isLamp && shown.sentence === sentence - 1 && r.turnsAt.length > 0) r.made.pop();
}

const isWrongSaid =
  /\b(?:it|that|you|this|the (?:code|entry|sequence|word)) (?:was|were|is|are|has been|went) (?:not (?:correct|right|good|accepted|taken|quick enough|fast enough|in time)|wrong|false|incorrect|too (?:slow|late|fast|early|long)|refused|rejected)\b|\bnot good\b/;
const isToldAgain =
  /\b(?:from (?:number|step|point|line|no) \d|again|anew|repeat|once more|one more time|start over|over again|from the (?:start|beginning|top))\b/;
/** Whether a sentence says how it is seen that something went wrong, and that it is done again; where one waits first, that is told as a way of its own. */
const wentWrongAgain = (said: string): boolean =>
  (/^(?:and |but |so )*(?:if|when|should|in case|is (?:it|that)|on|two|three|one|a)\b/.test(said) ||
    /\bnot good\b/.test(said)) &&
  isWrongSaid.test(said) &&
  isToldAgain.test(said) &&
  !/\b(?:wait|waits|minutes?)\b/.test(said);

const isTooLate =
  /^(?:and |but |so )*if (?:you|it|that)(?:'re| are| were|'s| is| was|re)? (?:too (?:late|slow|early|quick|fast)|not (?:quick|fast) enough|miss(?:ed)? it)\b/;
const beginsAgain = /\b(?:start|starts|go|try|begin|do it|do that) (?:over|again)\b|\bfrom the (?:start|beginning)\b/;
const isVoid =
  /^(?:and |but |well )*(?:that|this|it|which)(?: just| simply)? (?:does nothing|did nothing|doesn't (?:work|do anything|help)|does not (?:work|do anything|help)|won't work|is (?:nonsense|rubbish|useless)|didn't work)(?: at all| here| on this one)?$/;
/** `No.`, `Wrong.`: what was just told is taken back. */
const takesBack = (segment: Segment): boolean =>
  /^(?:and |but |which |so )*(?:that|that's|this|it|thats)(?: is| was)? (?:wrong|not right|no good|(?:a|the|my|his|our) mistake|incorrect|false)$|^(?:no|wrong|no sorry|sorry no|no no|scratch that|strike that)$/.test(
    saidOf(segment),
  );
/** Whether the next sentence tells presses again. */
function tellsPresses(r: Reader, segments: readonly Segment[], from: number): boolean {
  const sentence = segments[from]?.sentence;
  const next = segments.slice(from, from + 6).filter((s) => s.sentence === sentence);
  return (
    r.made.at(-1)?.step.kind === 'press' &&
    next.some((s) => itemsOf(s.words, r.called, r.last).some((x) => x.is === 'control' && isPush(x.own)))
  );
}

/** The first words of a stretch, by which a question is known that ends without a mark. */
const opening = ({ words }: Segment): string =>
  words
    .slice(0, words[0]?.word === 'and' ? 3 : 2)
    .map((w) => w.word)
    .join(' ');

/** `first thing, is the key on`: asked, though there is no mark behind it. */
const asksState =
  /^(?:and |so |ok |okay |right |first )*(?:is|are) (?:the|your|that|its) [\w ]{1,24} (?:on|off|in|out|open|shut|closed|up|down)$/;

export function read(r: Reader, segment: Segment): void {
  r.flows = segment.flows;
  if (/\bhow (?:often|many)\b/.test(saidOf(segment))) r.askedHow = segment.sentence;
  if (isMuted(r, segment)) {
    const [a] = segment.words;
    const z = segment.words.at(-1);
    if (a && z && named(itemsOf(segment.words, r.called, r.last)))
      r.holes.push({ from: a.from, to: z.to, why: 'warned' });
    return;
  }
  if (segment.sentence !== r.sentence) {
    doLater(r, segment.sentence);
    closeWindow(r, segment.sentence);
    if (r.branch && segment.sentence > r.branch.sentence && segment.words[0]?.word !== 'otherwise') closeBranch(r);
    r.sentence = segment.sentence;
    r.skipping = null;
    r.pending = [];
  }
  const items = itemsOf(segment.words, r.called, r.last);
  doLater(r, segment.sentence, items.some(isOf('sign')));
  const [first] = segment.words;
  const end = segment.words.at(-1);
  // `do the breaker again and try it faster`: begun anew
  const isAnew =
    /^(?:then |just )?do (?:the \w+|it|that|all of it) again$/.test(saidOf(segment)) &&
    r.ahead.some((s) => /\b(?:try|faster|slower|quicker|sooner)\b/.test(saidOf(s)));
  // `slow is wrong. mains off and again`
  const isOver =
    (/\b(?:and|all|it) (?:again|over|once more|one more time)$/.test(saidOf(segment)) ||
      /^(?:and )?(?:once more|again|all over)$/.test(r.ahead.length === 1 ? r.ahead.map(saidOf).join() : '')) &&
    r.wrongIn === segment.sentence - 1 &&
    items.every((x) => !(x.is === 'control' && isPush(x.own)));
  if (/\b(?:is|was|that's|that) (?:wrong|no good|not right)\b|\btoo (?:slow|late|early|fast)\b/.test(saidOf(segment)))
    wentWrong(r, segment);
  // `key off and try again, faster`, behind `too slow, I think`
  const isRetry =
    r.wrongIn >= segment.sentence - 2 &&
    r.wrongIn < segment.sentence &&
    segment.joined === 'start' &&
    /\b(?:try|start|begin|go|do) (?:it |that )?(?:again|over|anew)\b|\bonce more\b/.test(
      [segment, ...r.ahead].map(saidOf).join(' '),
    ) &&
    ![segment, ...r.ahead].some((s) =>
      itemsOf(s.words, r.called, r.last).some((x) => x.is === 'control' && isPush(x.own)),
    );
  // `too slow. Off, count to ten, Clock again, and on`: all of it once more
  const isAllAgain =
    r.wrongIn >=
      segment.sentence - (r.ahead.some((s) => /\bsame (?:thing )?(?:once )?again$/.test(saidOf(s))) ? 2 : 1) &&
    r.wrongIn < segment.sentence &&
    segment.joined !== 'and' &&
    /^(?:(?:power|switch|key|isolator|breaker|main switch|mains) )?off$/.test(saidOf(segment)) &&
    r.ahead.some((s) => /\bagain$/.test(saidOf(s)));
  if (r.leftAlone.has(segment.sentence) || isAnew || isOver || isRetry || isAllAgain) {
    if (first && end && named(items)) r.holes.push({ from: first.from, to: end.to, why: 'warned' });
    if (isAnew || isRetry || isAllAgain) r.skipping = segment.sentence;
    return;
  }
  if (
    first &&
    segment.words.length <= 3 &&
    items.every((x) => x.is === 'light' || x.is === 'not') &&
    quicken(r, segment)
  )
    return;
  if (!first || !end) return;
  const at = { from: first.from, to: end.to };
  if (tellsLater(r, segment) || readDial(r, segment, at) || readChoose(r, segment, at)) return;
  if (segment.sentence - r.chosenAt <= 2 && segment.words.some((w) => r.chosen.has(w.word)))
    r.chosenIn = segment.sentence;
  if (items.length === 0) {
    // `then again`
    if (
      /^(?:and )?(?:then )?(?:again|once more|one more time)$/.test(saidOf(segment)) &&
      (r.made.at(-1)?.sentence === segment.sentence ||
        (r.made.at(-1)?.sentence === segment.sentence - 1 && r.made.at(-1)?.step.kind === 'press'))
    )
      readPress(r, segment, items, at);
    return;
  }
  // `I used to hold both, but holding OK is enough`; `others pull the plug, but you press Menu`
  const isNow =
    /^(?:but|so|now|instead) (?:now |first |then |today |really |actually )*(?:i|you|we|just|only)\b|^(?:but |now )?(?:holding|pressing|turning|pulling) .* (?:is enough|will do|does it|suffices)$|^(?:you|we) (?:just |only )?(?:press|hold|turn|pull|push|take|open|switch|keep)\b/.test(
      saidOf(segment),
    );
  if (r.skipping === segment.sentence && r.heardIn === segment.sentence && isNow) r.skipping = null;
  if (r.skipping === segment.sentence && !items.some(isOf('else'))) {
    if (named(items)) r.holes.push({ ...at, why: 'warned' });
    return;
  }
  // `they stay in until the blue lamp flashes. And off.`: the hands
  if (/^(?:and )?off$/.test(saidOf(segment)) && r.made.at(-1)?.step.kind === 'release' && r.held.length === 0) return;
  // `one and two and three and four, off`: hands off, at the last of them
  if (/^(?:and )?off$/.test(saidOf(segment)) && countsAlong.test(r.saidBefore)) {
    if (r.held.length > 0) readRelease(r, [{ is: 'let-go', ...at }], 0, at, segment);
    return;
  }
  r.isBeforehand =
    /\b(?:before anything|beforehand|make sure|should be|has to be|have to be|you want the|needs? to be|must be|(?:must|has to|have to|needs? to) (?:go|stand|point) (?:to|on|at|in))\b/.test(
      saidOf(segment),
    );
  // `Up again, forty one again, up again, seven`: what was read with it
  const named1 = items.filter(isOf('control'));
  if (
    ((/^(?:and |then )*(?:\S+ ){1,3}again$/.test(saidOf(segment)) &&
      named1.length === 1 &&
      items.every(isOf('control', 'again', 'place'))) ||
      /^(?:and |then )*(?:press|push|tap|hit) (?:it|that) again$/.test(saidOf(segment))) &&
    r.made.at(-1)?.step.kind === 'press' &&
    (r.ahead[0]?.words[0]?.value ?? null) !== null &&
    !/^(?:times?|x|presses|taps|more)$/.test(r.ahead[0]?.words[r.ahead[0]?.words[0]?.span ?? 1]?.word ?? '')
  ) {
    r.holes.push({ ...at, why: 'not-understood' });
    return;
  }
  // `Which one is it on? Auto.`: as it stands
  const isAnswered =
    segment.sentence - r.askedPlace === 1 && segment.words.length <= 2 && !items.some(isOf('act', 'sign', 'it'));
  if (isAnswered) return;
  // `the lamp is telling the number: six times`
  if (
    r.reading &&
    items.every(isOf('times')) &&
    /\b(?:tell|tells|telling) (?:you )?(?:the|its|your) number$/.test(r.saidBefore)
  )
    return;
  if (tellsReading(segment, items)) r.reading = true;
  // `the lamp blinks: so many times for the tens`
  if (
    items.some(isOf('sign')) &&
    !items.some(isOf('control')) &&
    /^(?:so|how|as|that) (?:many|often)\b/.test(r.ahead.slice(0, 1).map(saidOf).join())
  )
    r.reading = true;
  // `it keeps the last six`
  if (
    /^(?:and |but )?(?:it|she|he|the \w+) (?:only |just )?(?:keeps|holds|stores|remembers) (?!going|on)/.test(
      saidOf(segment),
    )
  ) {
    if (named(items)) r.holes.push({ ...at, why: 'not-understood' });
    return;
  }
  if (isTalk(r, segment)) {
    if (named(items)) r.holes.push({ ...at, why: 'not-understood' });
    if (!r.flows) r.skipping = segment.sentence;
    return;
  }
  if (segment.isQuestion && items.some(isOf('not'))) r.refused = segment.sentence + 1;
  if (r.refused === segment.sentence) {
    if (named(items)) r.holes.push({ ...at, why: 'warned' });
    return;
  }
  if (
    segment.isQuestion ||
    /^(?:and )?(?:can|could|may|does|did|should) (?:i|it|we|they|one|that)$/.test(opening(segment)) ||
    asksState.test(saidOf(segment))
  ) {
    r.askedOf = items.filter(isOf('sign')).flatMap((x) => x.signs);
    r.askedIn = segment.sentence;
    if (/\b(?:which|what|where)\b.* (?:on|at|to|set|standing)$|\bwhere is (?:it|that)$/.test(saidOf(segment)))
      r.askedPlace = segment.sentence;
    // `Next number? Steam.`
    if (/^(?:and |so )?(?:the )?next(?: (?:number|one|code|fault|error|entry|message))?$/.test(saidOf(segment)))
      r.reading = false;
    // `is the door shut? … Open it, please.`
    const [asked, ...more] = items.filter(isOf('control')).filter((c) => !isPush(c.own));
    const asksHow =
      /^(?:and |so |ok |okay |right |fine )*(?:is|was|are) (?:the|your|that) [\w ]+ (?:shut|closed|open|on|off|in|out|up|down)$/;
    if (asked && more.length === 0 && asksHow.test(saidOf(segment))) r.last = [asked.own];
    if (named(items)) r.holes.push({ ...at, why: 'asked' });
    return;
  }
  // `it's the second chirp you want`
  const wanted = items.find(isOf('nth'));
  const [heard] = items.find(isOf('sign'))?.signs ?? [];
  if (
    wanted &&
    heard?.kind === 'beeper' &&
    /\b(?:you|we|i)(?:'re| are)? (?:want|need|after|wait(?:ing)? for)\b|\bthat counts\b/.test(saidOf(segment)) &&
    r.made.length > 0
  ) {
    if (r.held.length > 0) r.nth = { n: wanted.n, sentence: r.sentence };
    see(r, [{ kind: 'sound', sign: heard.id as SignId, state: 'on', times: wanted.n }], at);
    return;
  }
  // `A tone. That's one. And two.`: counted along
  const along = /^(?:and |that's |thats |that |that is |there's |there is )*(one|two|three|four|five|six)$/.exec(
    saidOf(segment),
  );
  const nth = along ? ['one', 'two', 'three', 'four', 'five', 'six'].indexOf(along[1] ?? '') + 1 : 0;
  if (nth > 0 && segment.joined === 'start' && r.held.length > 0 && r.lastSign?.kind === 'sound') {
    if (nth === 1 || nth === (r.nth?.n ?? 0) + 1) r.nth = { n: nth, sentence: r.sentence };
    return;
  }
  // `that one doesn't count`: it is the next
  if (
    /^(?:and |but |so )*(?:(?:that|the first|this)(?: one)? (?:doesn't|doesnt|does not|don't) count|(?:ignore|forget) (?:that|it|the first)(?: one)?)$/.test(
      saidOf(segment),
    ) &&
    r.held.length > 0 &&
    r.lastSign?.kind === 'sound'
  ) {
    r.nth = { n: (r.lastSign.times ?? 1) + 1, sentence: r.sentence };
    return;
  }
  // `now. both off`: the hands
  if (
    /^(?:and |now |then |ok |okay )*(?:both|them|hands|fingers|thumbs) off(?: now)?$/.test(saidOf(segment)) &&
    r.held.length > 0
  ) {
    readRelease(r, [{ is: 'let-go', ...at }], 0, at, segment);
    return;
  }
  // `until it goes beep beep. Off.`, `there, three bleeps, and off`: the hands
  const shownNow = r.made.at(-1);
  const isHeardNow =
    shownNow?.step.kind === 'see' &&
    shownNow.step.signs.every((s) => s.kind === 'sound' || (s.kind !== 'lamp' && segment.joined === 'start'));
  if (
    /^(?:and |now |then )*off(?: now)?$/.test(saidOf(segment)) &&
    r.held.length > 0 &&
    r.ahead.length === 0 &&
    isHeardNow &&
    shownNow.sentence >= r.sentence - (segment.joined === 'start' ? 3 : 4)
  ) {
    readRelease(r, [{ is: 'let-go', ...at }], 0, at, segment);
    return;
  }
  // held until then: the hands are off already
  if (
    /^off$/.test(saidOf(segment)) &&
    segment.joined === 'start' &&
    r.ahead.length === 0 &&
    (shownNow?.step.kind === 'release' || (shownNow?.step.kind === 'hold' && shownNow.step.until.kind === 'moment')) &&
    shownNow.sentence === r.sentence - 1
  )
    return;
  // `don't let go yet … now you can`
  if (
    /^(?:and )?(?:now|then) (?:you|we) (?:can|may)$|^(?:you|we) (?:can|may) now$/.test(saidOf(segment)) &&
    r.held.length > 0
  ) {
    readRelease(r, [{ is: 'let-go', ...at }], 0, at, segment);
    return;
  }
  // `I don't bother with that, I just …`
  const just = items.some(isOf('not'))
    ? segment.words.findIndex(
        (w, i) => i > 0 && w.word === 'just' && !/^(?:don't|dont|not|never)$/.test(segment.words[i - 1]?.word ?? ''),
      )
    : -1;
  if (just > 0 && segment.words.slice(0, just).some((w) => /^(?:don't|dont|not|never)$/.test(w.word))) {
    read(r, { ...segment, words: segment.words.slice(just + 1), joined: 'then' });
    return;
  }
  // `not more than three seconds may lie between any two of them`: of each, not of all
  if (
    items.some(isOf('length')) &&
    /\bbetween (?:any two|each|them|two|one (?:press|and)|the (?:presses|pushes|clicks|taps))\b/.test(saidOf(segment))
  ) {
    r.holes.push({ ...at, why: 'not-understood' });
    return;
  }
  const isBare = !items.some(isOf('control')) || segment.words.some((w) => w.word === 'it' || w.word === 'them');
  // `Main switch off. 30 seconds. S2 on.`: waited
  const isTime = items.length === 1 && items[0]?.is === 'length' && segment.words.length <= 4;
  if (r.measured.has(segment.sentence) && !r.flows && isBare && !isTime) {
    if (named(items)) r.holes.push({ ...at, why: 'not-understood' });
    return;
  }
  // `the key’s on, still on, he doesn’t touch that`
  if (
    /^(?:and |but )?(?:[\w ]+ )?the [\w ]+(?: is)? (?:on|off|in|out|open|shut)$/.test(saidOf(segment)) &&
    /^(?:still|and stays|it stays|stays)\b|n't touch\b/.test(r.ahead.slice(0, 2).map(saidOf).join(' '))
  ) {
    r.last = items.filter(isOf('control')).map((c) => c.own);
    return;
  }
  // `one full turn clockwise, stop, two clicks back`
  const turnedNow = r.made.at(-1);
  if (saidOf(segment) === 'stop' && turnedNow?.sentence === r.sentence && /^(?:turn|sweep)$/.test(turnedNow.step.kind))
    return;
  // `I had switched the key off and that was my mistake`
  if (/\bthat (?:is|was) (?:my|the|a|his|her|our) mistake$/.test(saidOf(segment))) {
    if (named(items)) r.holes.push({ ...at, why: 'warned' });
    return;
  }
  // `brew stays down until the ready light blinks`
  const staysDown =
    /^(?:and |but |only )*(?:the )?[\w ]+? (?:stays?|remains?) (?:down|in|pressed|held|put|there|on|where (?:it is|they are))\b/.test(
      saidOf(segment),
    );
  const until = items.findIndex(isOf('until'));
  const kept = items.slice(0, Math.max(0, until)).filter(isOf('control'));
  if (staysDown && until > 0 && kept.length > 0 && kept.every((c) => r.held.includes(c.own))) {
    const ends = momentIn(r, items.slice(until + 1));
    const owns = kept.map((c) => c.own);
    if (ends) {
      r.put({ kind: 'release', controls: owns.map((o) => o.control.id), at: ends }, at);
      r.held = r.held.filter((h) => !owns.includes(h));
      r.last = owns;
      return;
    }
  }
  // `FN stays down till the display reads 000`: nothing held it before
  const isFresh = staysDown && until > 0 && kept.length > 0 && r.held.length === 0;
  if (isFresh && kept.every((c) => isPush(c.own))) {
    const moment = momentIn(r, items.slice(until + 1));
    const controls = kept.map((c) => ({ control: c.own.control.id }));
    if (moment) {
      r.put({ kind: 'hold', controls, until: { kind: 'moment', moment } }, at);
      r.last = kept.map((c) => c.own);
      return;
    }
  }
  // `Horn, a short one`
  if (/^(?:just )?(?:a|one) (?:short|quick|brief|little) (?:one|press|tap|push)$/.test(saidOf(segment))) {
    const [key, ...others] = r.last;
    const made = r.made.at(-1);
    const isMade = made?.sentence === r.sentence && made.step.kind === 'press';
    if (key && others.length === 0 && isPush(key) && !isMade)
      r.put({ kind: 'press', control: key.control.id, times: 1 }, at);
    return;
  }
  // `the selector stands on auto`: where one finds it
  const found = items.find(isOf('control'));
  if (
    found &&
    /^(?:and |so )?(?:(?:it|he|she|that|this|which|the (?:\w+ )?\w+)(?: is)? |is )?(?:standing|stands|sitting|sits) (?:on|at|in) (?!there)/.test(
      saidOf(segment),
    )
  ) {
    r.last = [found.own];
    return;
  }
  // `S4 is behind the little flap`: where it is, and what is meant by `that` next
  const whereIs =
    /^(?:and |so |now )*(?:the |that |this )?[\w-]+(?: [\w-]+){0,2}?(?:'s| is| are|(?= an? (?:little|small|tiny|big|white|grey|black|red|green|yellow|blue) )) (?:just |right |hidden |tucked |over |up |down )*(?:behind|under|underneath|inside|next to|beside|above|below|beneath|between|(?:at|on|in) the (?:very )?(?:top|bottom|left|right|back|front|side|middle)|(?:a|the) (?:\w+ ){0,3}(?:switch|lever|button|slide|plug|knob|thing|one|tap)) /;
  if (
    found &&
    found.place === null &&
    items[0] === found &&
    whereIs.test(`${saidOf(segment)} `) &&
    !items.some((x) => x.is === 'act' && x.word !== 'switch')
  ) {
    r.last = [found.own];
    return;
  }
  // `you'll see a float in there`: what is meant by `it` next
  const isSeen =
    /^(?:and |so |now )*(?:you|we)(?:'ll| will| should|'ve)? (?:see|find|notice|spot)s? (?:a|an|the) /.test(
      saidOf(segment),
    );
  if (
    found &&
    isSeen &&
    found.place === null &&
    items.every((x) => x === found || x.is === 'act') &&
    !isPush(found.own)
  ) {
    r.last = [found.own];
    return;
  }
  // `it's parked up here`: as one sees it
  if (found && /^(?:and |so )?(?:it|that|he|she)(?:'s| is)? \w+ (?:up |down |over |in )?here$/.test(saidOf(segment))) {
    r.last = [found.own];
    return;
  }
  // `you turn it off and the memory is gone`
  if (
    /(?<!\b(?:seconds|minutes|secs) )\b(?:is|are|gets) (?:gone|lost|dead|broken|ruined|wrecked)\b/.test(
      `${/\band (?:the|your|all|its) \w+ (?:is|are|gets)\b/.test(saidOf(segment)) ? saidOf(segment) : ''} ${r.ahead
        .slice(0, 1)
        .map(saidOf)
        .filter((x) => !/^(?:and |then )?(?:wait|until|till)\b/.test(x))
        .join(' ')}`,
    ) &&
    items.some(isOf('control'))
  ) {
    r.holes.push({ ...at, why: 'warned' });
    return;
  }
  if (readKeptTo(r, segment, items, at)) return;
  const spared = mustNotShow(segment, items);
  if (spared) {
    if (r.made.length > 0) r.put({ kind: 'see', must: 'must-not', signs: [spared] }, at);
    return;
  }
  const not = items.findIndex(isOf('not'));
  const act = items.findIndex(isOf('act', 'control', 'let-go'));
  if (not >= 0 && isWarning(segment, items, not, act)) {
    if (named(items)) r.holes.push({ ...at, why: 'warned' });
    // `you don't press OK twice, you press it three times`
    const denied = items.filter(isOf('control'));
    if (denied.length === 1 && denied[0] && isPush(denied[0].own) && items.some(isOf('act'))) r.last = [denied[0].own];
    // `behind it hangs a lead with nothing on it`: named, nothing more
    const isFound = /\b(?:hangs|lies|dangles|there's|there is|you(?:'ll)? (?:find|see))\b/.test(saidOf(segment));
    if (isFound && denied.length === 1 && denied[0] && !isPush(denied[0].own) && !items.some(isOf('act', 'place')))
      r.last = [denied[0].own];
    if (/^(?:when|if)$/.test(first.word) && !r.flows) r.skipping = segment.sentence;
    if (first.word === 'never') if (!r.flows) r.skipping = segment.sentence;
    return;
  }
  if (
    items[0]?.is !== 'if' &&
    items[0]?.is !== 'else' &&
    (isAside(segment) ||
      isHearsay(r, segment) ||
      couldDo(r, segment) ||
      isPurpose(segment) ||
      (/^they \w+/.test(saidOf(segment)) && /\b(?:wrong|mistake)\b/.test(r.saidBefore)) ||
      /\b(?:you were|you turned|you waited|=) ?too (?:slow|late|fast|short)\b/.test(saidOf(segment)))
  ) {
    if (named(items)) r.holes.push({ ...at, why: 'warned' });
    if (!r.flows && !isPurpose(segment)) r.skipping = segment.sentence;
    if (isHearsay(r, segment)) r.heardIn = segment.sentence;
    return;
  }
  // `for as long as it takes, which is about eight seconds`
  const only = items.find(isOf('length'));
  if (
    first.word === 'which' &&
    only &&
    !/\b(?:can|may|might|could|up to)\b/.test(saidOf(segment)) &&
    r.waiting === segment.sentence &&
    !items.some(isOf('control', 'sign'))
  ) {
    r.put({ kind: 'rest', span: spanOf(only) }, only);
    return;
  }
  // `a switch called S2, which you push to on`
  if (
    /^which (?:you|i|we|one|is then|must be|has to be) /.test(saidOf(segment)) &&
    r.last.length === 1 &&
    items.some(isOf('act')) &&
    !items.some(isOf('sign', 'control', 'not'))
  ) {
    const behind = segment.words.slice(1);
    const it = segment.words[0];
    read(r, {
      ...segment,
      words: it ? [...behind.slice(0, 2), { ...it, word: 'it', raw: 'it' }, ...behind.slice(2)] : behind,
      joined: 'then',
    });
    return;
  }
  if (
    ((/^(?:which|who|whose|where)$/.test(first.word) && segment.joined === 'comma') ||
      /^(?:because|unless|cause)$/.test(first.word)) &&
    // `the wash lamp, which now blinks`; `because you have only ten seconds`
    !(first.word === 'which' && r.pending.length > 0 && items.every(isOf('light'))) &&
    !(first.word === 'because' && items.length === 2 && items[0]?.is === 'within' && items[1]?.is === 'length')
  ) {
    if (named(items)) r.holes.push({ ...at, why: 'not-understood' });
    return;
  }
  // `if you hold Alarm for five seconds the list is emptied`: how it is done
  const emptied =
    /^(?:and |but |so )?if you (?=(?:hold|press|keep|push|tap|touch)\b).*\b(?:emptied|empties|cleared|clears|erased|erases|wiped|wipes|deleted|deletes|reset|resets|(?:it's|its|they're|that's|they are|it is) (?:all )?gone)\b/.exec(
      `${saidOf(segment)} ${r.ahead.slice(0, 1).map(saidOf).join()}`,
    );
  if (emptied && items[0]?.is === 'if') {
    const you = segment.words.findIndex((w) => w.word === 'you');
    read(r, { ...segment, words: segment.words.slice(you + 1), joined: 'then' });
    return;
  }
  if (items[0]?.is === 'if' && r.branch?.otherwise !== null && r.branch !== null) return;
  if (items[0]?.is === 'if') {
    readIf(r, segment, items);
    return;
  }
  if (items[0]?.is === 'else') {
    if (r.branch) r.branch.otherwise = r.made.length;
    else if (items.length === 1) return;
    // `otherwise the dashes go and you begin again`: what is not wanted
    else if (
      !items.some((x) => isOf('control', 'let-go', 'clicks', 'turns')(x) || (x.is === 'act' && !/^go/.test(x.word)))
    ) {
      if (named(items)) r.holes.push({ ...at, why: 'warned' });
      return;
    }
    readActs(r, segment, items.slice(1));
    return;
  }
  readActs(r, segment, items);
}

export function end(r: Reader): Made[] {
  doLater(r, Number.POSITIVE_INFINITY);
  closeWindow(r, Number.POSITIVE_INFINITY);
  closeBranch(r);
  const first = r.made.findIndex((m) => isAct(m.step));
  if (first > 0) r.made.splice(0, first, ...r.made.slice(0, first).filter((m) => m.step.kind !== 'see'));
  if (first < 0) r.made.length = 0;
  dropToldOut(r);
  dropToldTwice(r);
  return r.made;
}
