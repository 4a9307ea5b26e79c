import type { SignId } from '../../base/ids.ts';
import { keptPressed, pressedOnce, readHold, readRelease, turnToHold } from './holds.ts';
import type { Item } from './item.ts';
import { actOf } from './lexicon.ts';
import { placeAt } from './mentions.ts';
import { askWhich, pointsAt } from './objects.ts';
import { readPress } from './presses.ts';
import { isOf, isPush, type Reader, spanOf } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';
import { fallsSilent, flashedSo, momentIn, see, shownIn } from './shown.ts';
import { countsSounds } from './sounds.ts';
import { readSet, readTurn, set } from './turns.ts';
import { readUnsaid } from './unsaid.ts';
import { readWait } from './waits.ts';

const findsIt = /\b(?:you|we|i)(?:'ll| will| can| could)? (?:reach|find|see|get at|get to) (?:the |a )?(?:\S+ ?){1,4}$/;

/** `mushroom to rest`: something nobody named yet is put where only one control can be: asked. */
function asksPlaced(r: Reader, segment: Segment, at: Readonly<{ from: number; to: number }>): boolean {
  const said = /^(?:and |then |now |the |your )*(\p{L}{4,}) (?:back )?(?:to|onto|at|on) (?:the )?(\S+)$/u.exec(
    saidOf(segment),
  );
  const [, phrase = '', place = ''] = said ?? [];
  if (!said || r.made.length === 0 || actOf.has(phrase)) return false;
  const fits = [...r.called.facts.controls.values()].filter(
    ({ mechanism: m }) =>
      (m.kind === 'places' && m.places.some((p) => p.label.toLowerCase() === place)) ||
      (m.kind === 'clicks' && m.rests.some((p) => p.label.toLowerCase() === place)),
  );
  if (fits.length !== 1 || /^(?:on|off|in|out|open|shut|up|down)$/.test(place)) return false;
  r.ask({ is: 'name', phrase, does: 'set' }, `which control “${phrase}” is`, at);
  r.holes.push({ ...at, why: 'not-understood' });
  return true;
}

export function readPlain(
  r: Reader,
  segment: Segment,
  items: Item[],
  at: Readonly<{ from: number; to: number }>,
): void {
  const [after, wait] = items;
  if (items.every(isOf('act')) && asksPlaced(r, segment, at)) return;
  // after a minute, on again
  if (after?.is === 'moment' && wait?.is === 'length' && items.length > 2 && items[2]?.is !== 'sign') {
    r.put({ kind: 'rest', span: spanOf(wait) }, wait);
    readPlain(r, segment, items.slice(2), at);
    return;
  }
  // `off and, after ten seconds, on`
  if (
    after?.is === 'moment' &&
    wait?.is === 'length' &&
    items.length === 2 &&
    r.ahead.length > 0 &&
    ((/^(?:and )?after\b/.test(saidOf(segment)) &&
      r.made.at(-1)?.step.kind === 'set' &&
      r.made.at(-1)?.sentence === r.sentence) ||
      (r.made.length > 0 && /\b(?:gone|gone by|passed|elapsed|over|up)$/.test(saidOf(segment))))
  ) {
    r.put({ kind: 'rest', span: spanOf(wait) }, wait);
    return;
  }
  // `the fuse goes in, and while it goes in somebody keeps Test pressed`: held before
  const put = r.made.at(-1);
  if (
    items[0]?.is === 'while' &&
    /^(?:and |but )?(?:while|whilst) (?:it|that|this|you do|doing)\b/.test(saidOf(segment)) &&
    put?.step.kind === 'set' &&
    put.sentence === r.sentence &&
    items.some((x) => x.is === 'control' && isPush(x.own)) &&
    items.some((x) => x.is === 'act' && x.act === 'hold')
  ) {
    r.made.pop();
    readHold(
      r,
      items.filter((x) => (x.is === 'act' ? x.act === 'hold' : x.is === 'control')),
      null,
      at,
      segment,
    );
    r.made.push(put);
    return;
  }
  // `now with it held press Run`: as it is already
  const kept =
    /^(?:and |then |now |so )*(?:with|while) (?:it|that|them|both|those|these|this)(?:'s| is| are)?(?: both| still)? (?:held|pressed|pushed|down|in)\b(?: down| in)?/.exec(
      saidOf(segment),
    );
  if (kept && r.held.length > 0) {
    const ends = segment.words[kept[0].split(' ').length - 1]?.to ?? at.from;
    const rest = items.filter((x) => x.from >= ends);
    if (rest.length > 0 && rest.length < items.length) {
      readPlain(r, { ...segment, words: segment.words.filter((x) => x.from >= ends) }, rest, at);
      return;
    }
  }
  // `wait for the lamp to go out before you switch the breaker back on`
  const goesOn = items.findIndex(
    (x, i) => i > 1 && (x.is === 'control' || (x.is === 'act' && /^(?:set|press|hold|open|shut|in|out)$/.test(x.act))),
  );
  if (
    after?.is === 'act' &&
    after.act === 'wait' &&
    goesOn > 1 &&
    items.slice(1, goesOn).some(isOf('sign')) &&
    items.slice(1, goesOn).some(isOf('light')) &&
    /\bbefore\b/.test(saidOf(segment))
  ) {
    readPlain(r, segment, items.slice(0, goesOn), at);
    readPlain(r, segment, items.slice(goesOn), at);
    return;
  }
  // `buzz, buzz, buzz`
  const heard = r.made.at(-1);
  const [sound] = heard?.step.kind === 'see' && heard.step.signs.length === 1 ? heard.step.signs : [];
  const same = after?.is === 'sign' ? after.signs[0] : undefined;
  if (
    segment.words.length === 1 &&
    sound?.kind === 'sound' &&
    heard &&
    (heard.sentence === r.sentence || (r.held.length > 0 && heard.sentence >= r.sentence - 3)) &&
    same?.id === sound.sign
  ) {
    const signs = [{ ...sound, times: (sound.times ?? 1) + 1 }];
    r.made[r.made.length - 1] = {
      ...heard,
      step: { ...heard.step, signs } as typeof heard.step,
      to: at.to,
      sentence: r.sentence,
    };
    return;
  }
  // `and while they are in, flick the switch`: what was pressed is held
  const stays =
    /^(?:and )?(?:while|whilst) (?:they|it|both|those|these)(?:'re|'s| are| is)? (?:both |still )?(?:in|down|held|pressed|pushed)\b/.exec(
      saidOf(segment),
    );
  const lastMade = r.made.at(-1);
  if (stays && lastMade && (lastMade.step.kind === 'together' || lastMade.step.kind === 'press')) {
    const ids =
      lastMade.step.kind === 'together'
        ? lastMade.step.controls
        : lastMade.step.control === 'any'
          ? []
          : [lastMade.step.control];
    const owns = ids.flatMap((id) => r.called.facts.controls.get(id) ?? []);
    if (owns.length > 0) {
      turnToHold(r, r.made.length - 1, 1, owns);
      const ends = segment.words[stays[0].split(' ').length - 1]?.to ?? at.from;
      const rest = items.filter((x) => x.from >= ends);
      if (rest.length > 0) readPlain(r, segment, rest, at);
      return;
    }
  }
  // `Up and Horn. Both in, and they stay in`: what was pressed is held from there on
  if (
    /^(?:and |so )?(?:they|both|those|these)(?: both)? (?:stay|stays|remain|remains)(?: there)?(?: in| down| pressed| held)?$/.test(
      saidOf(segment),
    )
  ) {
    let first = r.made.length;
    const isPressed = (m: (typeof r.made)[number] | undefined): boolean =>
      m?.step.kind === 'press' && m.sentence >= r.sentence - 1 && pressedOnce(r, m).length > 0;
    while (first > 0 && isPressed(r.made[first - 1])) first -= 1;
    const owns = r.made.slice(first).flatMap((m) => pressedOnce(r, m));
    if (owns.length > 0 && owns.length <= 3 && new Set(owns).size === owns.length) {
      turnToHold(r, first, owns.length, owns);
      r.last = owns;
      return;
    }
  }
  // `it comes on and two seconds later it goes off`: the lamp that was seen
  const off = r.made.at(-1);
  const [lamp] = off?.step.kind === 'see' && off.step.signs.length === 1 ? off.step.signs : [];
  if (
    lamp?.kind === 'lamp' &&
    off &&
    off.sentence >= r.sentence - 1 &&
    /\b(?:it|that)(?:'s| has)? (?:then )?(?:goes|go|went|gone|turns) (?:off|out|dark)\b/.test(saidOf(segment)) &&
    !items.some((x) => x.is === 'sign' || (x.is === 'control' && x.place === null))
  ) {
    const dark = { kind: 'lamp' as const, sign: lamp.sign, state: 'dark' as const };
    see(r, [dark], at);
    if (r.held.length > 0) r.nth = { n: 1, sentence: r.sentence };
    return;
  }
  if (countsSounds(r, segment, items) || readUnsaid(r, segment, items)) return;
  // `and with those two pressed I plug the cable in`
  const rest = keptPressed(r, segment, items);
  if (rest) {
    readPlain(r, segment, rest, at);
    return;
  }
  // `before I give the fuse back I push P1`: first what is said last; the rest is said again
  const laterKey = items.findIndex((x) => x.is === 'control' && isPush(x.own));
  const firstSet = items.findIndex((x) => x.is === 'control' && !isPush(x.own));
  if (/^(?:and |but )?before (?:i|you|we|one)\b/.test(saidOf(segment)) && firstSet >= 0 && laterKey > firstSet) {
    const verb = items.findIndex((x, i) => i > firstSet && i < laterKey && x.is === 'act' && x.act !== 'set');
    readPlain(r, segment, items.slice(verb > 0 ? verb : laterKey), at);
    return;
  }
  // `before I switch on I make sure the hood is shut`: what is said last is done, the rest comes by itself
  const opened = /^(?:and |but |now )?before (?:i|you|we|one|anything|he|she)\b/.exec(saidOf(segment));
  const subject = opened
    ? segment.words.findIndex(
        (x, k) => k > opened[0].split(' ').length && /^(?:i|you|we|one|he|she|make|check)$/.test(x.word),
      )
    : -1;
  const begins = segment.words[subject]?.from ?? -1;
  const later = items.filter((x) => x.from >= begins);
  if (
    subject > 0 &&
    items.some((x) => x.from < begins && isOf('act', 'control')(x)) &&
    later.some(isOf('control', 'act'))
  ) {
    readPlain(r, { ...segment, words: segment.words.slice(subject) }, later, at);
    return;
  }
  // `have OK and Back pressed before you put the switch on`: one, then the other
  const beforeAt = segment.words.findIndex(
    (x, k) => k > 0 && x.word === 'before' && /^(?:you|i|we|one|the|he|she)$/.test(segment.words[k + 1]?.word ?? ''),
  );
  const cutAt = segment.words[beforeAt]?.from ?? -1;
  const [earlier, then] = [items.filter((x) => x.to <= cutAt), items.filter((x) => x.from > cutAt)];
  if (
    beforeAt > 0 &&
    earlier.some(isOf('control')) &&
    earlier.some(isOf('act', 'let-go', 'place')) &&
    then.some((x) => x.is === 'control' && (x.place !== null || isPush(x.own))) &&
    !items.some(isOf('not', 'length'))
  ) {
    readPlain(r, { ...segment, words: segment.words.slice(0, beforeAt) }, earlier, at);
    readPlain(r, { ...segment, words: segment.words.slice(beforeAt + 1), joined: 'then' }, then, at);
    return;
  }
  // `press Start while holding Menu`
  const holding = items.findIndex((x, k) => k > 0 && x.is === 'act' && /^holding$/.test(x.word));
  const [said0] = items;
  if (
    holding > 0 &&
    said0?.is !== 'while' &&
    items.slice(0, holding).some((x) => x.is === 'control' && (x.place !== null || isPush(x.own))) &&
    items.slice(holding).some((x) => x.is === 'control') &&
    !/\b(?:keep|keeps|kept|still|while|start|stop|and|then|you're|are|be) holding\b/.test(saidOf(segment))
  ) {
    readPlain(r, segment, items.slice(holding), at);
    readPlain(r, segment, items.slice(0, holding), at);
    return;
  }
  const during = items.findIndex(isOf('while'));
  const heldAt = items.findIndex(
    (x, i) =>
      i > during &&
      x.is === 'act' &&
      (x.act === 'hold' || /^(?:pressing|pushing|depressing|operating|pressed|depressed|operated)$/.test(x.word)),
  );
  if (
    during > 0 &&
    heldAt > 0 &&
    items.slice(during).some(isOf('control')) &&
    items.slice(0, during).some((x) => x.is === 'control' || x.is === 'clicks')
  ) {
    const held = items.slice(during + 1).map((x): Item => (x.is === 'act' ? { ...x, act: 'hold', word: 'hold' } : x));
    readPlain(r, segment, held, at);
    readPlain(r, segment, items.slice(0, during), at);
    return;
  }
  // `lever forward, wait for the beep`
  const waitAt = items.findIndex((x) => x.is === 'act' && x.act === 'wait');
  if (
    waitAt > 0 &&
    items.slice(0, waitAt).some((x) => x.is === 'control' && (x.place !== null || isPush(x.own))) &&
    items.slice(waitAt).some(isOf('sign')) &&
    !items.some(isOf('not', 'within')) &&
    !items.slice(0, waitAt).some(isOf('until'))
  ) {
    readPlain(r, segment, items.slice(0, waitAt), at);
    readPlain(r, segment, items.slice(waitAt), at);
    return;
  }
  const named = items.at(-1);
  if (named?.is === 'nth' && items.at(-2)?.is === 'moment') r.nth = { n: named.n, sentence: r.sentence };
  const until = items.findIndex(isOf('until'));
  const moment = items.findIndex((x, i) => x.is === 'moment' && i !== until);
  const release = items.findIndex((x) => x.is === 'let-go' || (x.is === 'act' && x.act === 'release'));
  if (release > 0) {
    const cut = items.findLastIndex((x, i) => i < release && (x.is === 'moment' || x.is === 'until'));
    const split = cut > 0 ? cut : release;
    const before = items.slice(0, split);
    if (before.some((x) => x.is === 'act' && x.act !== 'see' && x.act !== 'wait') && before.some(isOf('control'))) {
      readPlain(r, segment, before, at);
      readRelease(r, items.slice(split), release - split, at, segment);
      return;
    }
  }
  if (release >= 0) {
    const next = items.findIndex(
      (x, i) => i > release && ((x.is === 'act' && x.act !== 'see' && x.act !== 'set') || x.is === 'length'),
    );
    readRelease(r, next > 0 ? items.slice(0, next) : items, release, at, segment);
    if (next > 0) readPlain(r, segment, items.slice(next), at);
    return;
  }
  const head = until >= 0 ? items.slice(0, until) : items;
  const tail = until >= 0 ? items.slice(until + 1) : [];
  const ends = (tail.length > 0 ? momentIn(r, tail) : null) ?? (until >= 0 ? fallsSilent(r, segment) : null);
  const controls = head.filter(isOf('control'));
  const act = head.find(isOf('act'));
  const length = head.find(isOf('length'));
  if (pointsAt(segment) && controls.length === 0) {
    // what was named just now, where that can be done to it; else it is asked
    const [before] = r.last;
    if (r.last.length !== 1 || !before || !isPush(before)) {
      if (askWhich(r, segment, items, at)) {
        r.holes.push({ ...at, why: 'not-understood' });
        return;
      }
    }
  }
  // `thumbs on Warm and Cold`
  const isGrip =
    controls.some((c) => isPush(c.own) || c.own.springs.size > 0) &&
    /\b(?:thumbs?|fingers?|hands?|foot|feet) (?:is |are |goes? |stays? )?on\b/.test(saidOf(segment));
  if (isGrip && r.held.length === 0) {
    const grip = { is: 'act', act: 'hold', word: 'on', from: at.from, to: at.from } as const;
    if (readHold(r, [grip, ...head], ends, at, segment)) return;
  }
  // `depress Raise four times`: so often, not so long
  const isHold = head.some(
    (x) => x.is === 'act' && x.act === 'hold' && !(x.word.startsWith('depress') && head.some(isOf('times'))),
  );
  // `breaker off, then on with Clear held`: held before that
  const [switched, ...others] = r.last;
  const onto = switched
    ? segment.words.slice(0, 3).flatMap((_, k) => placeAt(segment.words, k, switched) ?? [])[0]
    : undefined;
  if (
    isHold &&
    until < 0 &&
    head[0]?.is === 'place' &&
    switched &&
    others.length === 0 &&
    !isPush(switched) &&
    onto &&
    controls.length > 0 &&
    controls.every((c) => isPush(c.own)) &&
    segment.words.some((w) => w.word === 'with' && w.from < (controls[0]?.from ?? 0))
  ) {
    if (readHold(r, head.slice(1), null, at, segment)) {
      set(r, switched, onto.place, at);
      return;
    }
  }
  // `hold plus down … stop on twenty eight`
  const stopsOn = /\bstops? (?:on|at) \w/.test(saidOf(segment));
  const goal = head.filter(isOf('number')).at(-1);
  const [ramped] = controls;
  if (isHold && stopsOn && goal && ramped && isPush(ramped.own) && controls.length === 1) {
    r.put({ kind: 'step-list', control: ramped.own.control.id, to: goal.n, start: 0, by: 'ramp' }, at);
    r.last = [ramped.own];
    return;
  }
  // `press Up and Down together until it shows 99`, `Up and Down pressed until it buzzes`: nobody presses two that often
  const lastHead = head.at(-1);
  const areHeld =
    until > 0 &&
    ends !== null &&
    controls.length > 1 &&
    controls.every((c) => isPush(c.own)) &&
    new Set(controls.map((c) => c.own)).size === controls.length &&
    !head.some(isOf('times', 'place', 'nth')) &&
    (head.some(isOf('both')) ||
      (lastHead?.is === 'act' && lastHead.word === 'pressed') ||
      (act?.act === 'press' && /\band\b/.test(saidOf(segment))));
  if (areHeld) {
    const hold: Item = { is: 'act', act: 'hold', word: 'hold', from: at.from, to: at.from };
    if (readHold(r, [hold, ...head.filter((x) => x.is !== 'act')], ends, at, segment)) return;
  }
  if (isHold || (act?.act === 'press' && length && head.some(isOf('control')) && !head.some(isOf('within')))) {
    if (readHold(r, head, ends, at, segment)) return;
  }
  if (isHold && controls.length === 0 && r.held.length === 0 && askWhich(r, segment, items, at)) {
    r.holes.push({ ...at, why: 'not-understood' });
    return;
  }
  // `1 and 2 together, until the alarm lamp goes off`
  const joint = r.made.at(-1);
  if (
    until === 0 &&
    ends &&
    controls.length === 0 &&
    joint?.step.kind === 'together' &&
    joint.step.times === 1 &&
    joint.sentence === r.sentence
  ) {
    r.made[r.made.length - 1] = {
      ...joint,
      step: {
        kind: 'hold',
        controls: joint.step.controls.map((control) => ({ control })),
        until: { kind: 'moment', moment: ends },
      },
      to: at.to,
    };
    r.held = [];
    return;
  }
  if (until >= 0 && ends && controls.length === 0 && r.held.length === 0) {
    if (ends.kind === 'sign')
      see(
        r,
        [
          ends.nth > 1 && ends.shown.kind === 'sound' ? { ...ends.shown, times: ends.nth } : ends.shown,
          ...(ends.also ?? []),
        ],
        at,
      );
    return;
  }
  const reached = tail.find(isOf('number'));
  const pressedTo = act?.act === 'press' ? controls.map((c) => c.own) : [];
  const [one] = pressedTo.length === 1 ? pressedTo : r.held.length > 0 ? r.held : r.last;
  if (until >= 0 && !ends && reached && one && isPush(one) && controls.every((c) => c.own === one)) {
    const before = r.made.at(-1);
    if (before?.step.kind === 'hold' && before.step.until.kind === 'release') r.made.pop();
    r.held = [];
    r.put(
      {
        kind: 'step-list',
        control: one.control.id,
        to: reached.n,
        start: 0,
        by: pressedTo.length === 1 ? 'press' : 'ramp',
      },
      at,
    );
    return;
  }
  // `you wait until one minute is over`
  const over = tail.find(isOf('length'));
  if (until >= 0 && !ends && over && act?.act === 'wait' && !tail.some(isOf('sign', 'control'))) {
    r.put({ kind: 'rest', span: spanOf(over) }, at);
    return;
  }
  // a hold that goes on until something, told after it
  if (until >= 0 && ends && controls.length === 0 && r.held.length > 0) {
    const [heardOn] = put?.step.kind === 'see' && put.step.signs.length === 1 ? put.step.signs : [];
    if (ends.kind === 'sign' && heardOn?.sign === ends.shown.sign && heardOn.kind === 'sound') r.made.pop();
    r.put({ kind: 'release', controls: r.held.map((h) => h.control.id), at: ends }, at);
    r.last = r.held;
    r.held = [];
    return;
  }
  // `when it stops ticking`, and something is let go of: said next
  const silent = moment >= 0 && r.held.length > 0 && controls.length === 0 ? fallsSilent(r, segment) : null;
  if (silent?.kind === 'sign') {
    r.lastSign = silent.shown;
    r.nth = { n: 1, sentence: r.sentence };
    return;
  }
  // when a sign comes, do this: the sign, then the act
  const timed =
    moment >= 0 && moment < 2
      ? head.findIndex((x, i) => i > moment && ((x.is === 'act' && x.act !== 'see') || x.is === 'control'))
      : -1;
  if (timed > 0) {
    const shown = shownIn(r, head.slice(moment + 1, timed));
    if (shown.length > 0) {
      see(r, shown, at);
      readPlain(r, segment, head.slice(timed), at);
      return;
    }
  }
  if (act?.act === 'wait' && !length) {
    r.waiting = r.sentence;
    const nth = head.find(isOf('nth'))?.n;
    if (nth !== undefined && r.lastSign?.kind === 'sound' && !head.some(isOf('sign'))) {
      r.nth = { n: nth, sentence: r.sentence };
      return;
    }
  }
  // `tap Up till it says 14`
  const keys = controls.filter((c) => isPush(c.own));
  const [key] = keys;
  const isKeyed = act?.act === 'press' || (!act && head.length === 1);
  if (until >= 0 && ends?.kind === 'sign' && isKeyed && key && keys.length === 1 && !isHold) {
    const { shown: at14 } = ends;
    if (at14.kind === 'text' && /^\d+$/.test(at14.text)) {
      r.put({ kind: 'step-list', control: key.own.control.id, to: Number(at14.text), start: 0, by: 'press' }, at);
      r.last = [key.own];
      return;
    }
    if (at14.kind !== 'text' && act && readHold(r, head, ends, at, segment)) return;
    // `Arrow until you see LOG`
    if (at14.kind === 'text') {
      r.put({ kind: 'press', control: key.own.control.id, times: 1 }, key);
      see(r, [at14], at);
      r.last = [key.own];
      return;
    }
  }
  if (
    until >= 0 &&
    ends?.kind === 'sign' &&
    ends.shown.kind !== 'text' &&
    (act?.act === 'press' || !act) &&
    keys.length > 1 &&
    (head.some(isOf('both')) || (!act && /\band\b/.test(saidOf(segment)))) &&
    readHold(r, head, ends, at, segment)
  )
    return;
  // `it starts flashing quickly`: the lamp that was seen just now
  const seenBefore = r.made.at(-1);
  const [itself] = seenBefore?.step.kind === 'see' && seenBefore.step.signs.length === 1 ? seenBefore.step.signs : [];
  const itsSign =
    itself?.kind === 'lamp' && seenBefore && seenBefore.sentence >= r.sentence - 1
      ? r.called.facts.signs.get(itself.sign)
      : undefined;
  // `wait for the fault light. There, it's blinking`
  const awaited =
    r.lastSign?.kind === 'lamp' && r.waiting >= r.sentence - 1 && !itsSign
      ? r.called.facts.signs.get(r.lastSign.sign)
      : undefined;
  const ofIt = itsSign ?? awaited;
  const isIts =
    ofIt &&
    head[0]?.is === 'it' &&
    head.some(isOf('light')) &&
    !head.some(isOf('sign', 'control', 'act', 'moment', 'not'));
  // `M. Green lamp.`: what comes of it
  const [bare] = items;
  const done = r.made.at(-1);
  const comesOn =
    bare?.is === 'sign' &&
    items.length === 1 &&
    bare.signs.length === 1 &&
    bare.signs[0]?.kind === 'lamp' &&
    segment.joined === 'start' &&
    segment.words.length <= 3 &&
    r.ahead.length === 0 &&
    done?.step.kind === 'press' &&
    done.sentence === r.sentence - 1;
  if (comesOn) {
    see(r, shownIn(r, [bare, { is: 'light', light: 'lit', from: at.to, to: at.to }]), at);
    return;
  }
  const shown = shownIn(r, isIts ? [{ is: 'sign', signs: [ofIt], from: at.from, to: at.from }, ...head] : head);
  const isSigns = head.every((x) => x.is === 'sign' || x.is === 'nth' || x.is === 'both') && head.some(isOf('sign'));
  if (shown.length === 0 && isSigns) {
    // `the lamps Fog, Warm`: these of them
    const [general, ...own] = head.filter(isOf('sign'));
    const isGeneral = (general?.signs.length ?? 0) > 1;
    const fresh = (isGeneral && own.length > 0 ? own : head.filter(isOf('sign'))).flatMap((x) => x.signs);
    const instead = r.pendingAll && fresh.every((s) => r.pending.includes(s));
    r.pendingAll = r.pending.length === 0 && isGeneral && own.length === 0;
    r.pending = instead ? fresh : [...r.pending, ...fresh];
    const [named] = r.pending;
    if (named?.kind === 'lamp') r.lastSign = { kind: 'lamp', sign: named.id as SignId, state: 'lit' };
    return;
  }
  if (shown.length > 0 && controls.length === 0 && !head.some(isOf('clicks'))) {
    const [sign] = shown;
    const nth = head.find(isOf('nth'))?.n;
    const before = r.made.at(-1)?.step;
    // after the second beep: of those that were seen
    if (
      head[0]?.is === 'moment' &&
      sign &&
      nth !== undefined &&
      before?.kind === 'see' &&
      before.signs.some((s) => s.sign === sign.sign)
    ) {
      r.lastSign = sign.kind === 'sound' ? { ...sign, times: nth } : sign;
      if (r.held.length > 0) r.nth = { n: nth, sentence: r.sentence };
      return;
    }
    // `when the lamp has flashed three times`, something is let go of: at its third
    const often = head.find(isOf('times'))?.n ?? 1;
    const flashed = sign ? flashedSo(sign, often) : null;
    if (flashed && head[0]?.is === 'moment' && r.held.length > 0) {
      r.lastSign = flashed;
      r.nth = { n: often, sentence: r.sentence };
      return;
    }
    // when it shows so, something is let go of: said next
    const times = sign?.kind === 'sound' ? sign.times : undefined;
    if (head[0]?.is === 'moment' && moment === 0 && r.held.length > 0)
      r.nth = { n: times ?? nth ?? 1, sentence: r.sentence };
    // `it chirps again`: the second time of what was heard while it is held
    const isAgain =
      segment.words.some((w) => w.word === 'again') && sign?.kind === 'sound' && r.lastSign?.sign === sign.sign;
    if (isAgain && r.held.length > 0 && before?.kind === 'see') {
      r.nth = { n: 2, sentence: r.sentence };
      return;
    }
    const waitsFor = act?.act === 'wait' && sign?.kind === 'sound' && shown.length === 1;
    if (waitsFor) r.nth = { n: sign.times ?? nth ?? 1, sentence: r.sentence };
    see(r, waitsFor && (nth ?? 1) > 1 ? [{ ...sign, times: nth }] : shown, at);
    return;
  }
  const told = head.find(isOf('sign'))?.signs;
  if (shown.length === 0 && told?.length === 1 && told[0]?.kind === 'lamp')
    r.lastSign = { kind: 'lamp', sign: told[0].id as SignId, state: 'lit' };
  const swept = r.made.at(-1);
  if (swept?.step.kind === 'sweep' && swept.step.stopAt === undefined && swept.sentence === r.sentence) {
    const { step } = swept;
    const own = r.called.facts.controls.get(step.control);
    const k = own ? segment.words.findIndex((_, i) => placeAt(segment.words, i, own) !== null) : -1;
    const rest = own && k >= 0 ? placeAt(segment.words, k, own) : null;
    if (rest) {
      r.made[r.made.length - 1] = { ...swept, step: { ...step, stopAt: rest.place }, to: at.to };
      return;
    }
  }
  r.far =
    /\b(?:as far (?:\w+ )?as|all the way|fully|completely|until it stops|until the stop|until the end|to the stop|to the end)\b/.test(
      saidOf(segment),
    );
  // `with the hood still open you press OK twice`: the one, then the other
  const pressAt = head.findIndex((x, i) => i > 0 && x.is === 'act' && (x.act === 'press' || x.act === 'hold'));
  const pressed = pressAt > 0 ? head.slice(pressAt + 1).find(isOf('control')) : undefined;
  const moved = pressAt > 0 ? head.slice(0, pressAt).filter(isOf('control')) : [];
  if (
    pressed &&
    isPush(pressed.own) &&
    moved.length > 0 &&
    moved.every((x) => !isPush(x.own)) &&
    until < 0 &&
    !head.some(isOf('while', 'not', 'within')) &&
    head.slice(0, pressAt).some((x) => (x.is === 'control' && x.place !== null) || x.is === 'place' || x.is === 'act')
  ) {
    readPlain(r, segment, head.slice(0, pressAt), at);
    readPlain(r, segment, head.slice(pressAt), at);
    return;
  }
  if (readTurn(r, head, at)) return;
  if (readSet(r, segment, head, at)) return;
  if (readPress(r, segment, head, at)) return;
  if (shown.length === 0 && askWhich(r, segment, items, at)) {
    r.holes.push({ ...at, why: 'not-understood' });
    return;
  }
  // `you can reach DIP 4`: what is meant by what is said of it next
  const lone = controls.at(-1);
  if (
    lone &&
    controls.every((c) => c.place === null) &&
    !isPush(lone.own) &&
    lone.place === null &&
    findsIt.test(saidOf(segment))
  )
    r.last = [lone.own];
  if (length && !head.some(isOf('within')) && readWait(r, segment, length, at)) return;
  if (shown.length > 0) see(r, shown, at);
}
