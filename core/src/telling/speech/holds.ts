import type { PlaceId, SignId } from '../../base/ids.ts';
import type { Held, Moment } from '../../model/route.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import { onlyHeld } from '../names.ts';
import type { Item } from './item.ts';
import { placeByVerb } from './mentions.ts';
import { hasOtherObject } from './objects.ts';
import { type ItemOf, isAct, isOf, isPush, type Made, type Reader, spanOf, withoutTimes } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';
import { momentIn, see, shownIn } from './shown.ts';
import { set } from './turns.ts';

export const heldOf = (own: ControlFacts, place: PlaceId | null): Held => {
  const to = isPush(own) ? null : (place ?? onlyHeld(own));
  return to === null ? { control: own.control.id } : { control: own.control.id, place: to };
};

/** `rocker hold up`: where a control that springs back is held. */
function placeSaid(items: readonly Item[], { own, to }: ItemOf<'control'>): PlaceId | null {
  const said = items.find((x) => x.is === 'place' && x.from >= to);
  if (said?.is !== 'place' || isPush(own) || own.springs.size === 0) return null;
  const place = placeByVerb(own, said.word);
  return place !== null && own.springs.has(place) ? place : null;
}

export function readHold(
  r: Reader,
  items: readonly Item[],
  ends: Moment | null,
  at: Readonly<{ from: number; to: number }>,
  segment: Segment | null = null,
): boolean {
  const all = items.filter(isOf('control'));
  const holdable = (own: ControlFacts): boolean =>
    isPush(own) || own.springs.size > 0 || ['pedal', 'lever', 'trigger'].includes(own.control.look);
  const named = all.filter((c) => holdable(c.own));
  const others = all.filter((c) => !holdable(c.own) && c.place !== null);
  const isIt = items.some(isOf('it', 'both')) && r.last.length > 0 && r.last.every(holdable);
  if (others.length > 0 && named.length === 0 && !isIt) {
    for (const o of others) if (o.place !== null) set(r, o.own, o.place, o, true);
    return true;
  }
  const length = items.find(isOf('length'));
  const verbs = items.filter(isOf('act')).map((a) => a.word);
  // a pedal held by one, and `Head and Knees, both, don't let go of them`: these as well
  const justNow = r.made.at(-1);
  const alsoHeld = justNow?.sentence === r.sentence ? pressedOnce(r, justNow) : [];
  if (
    named.length === 0 &&
    r.held.length > 0 &&
    alsoHeld.length > 0 &&
    alsoHeld.every((own) => r.last.includes(own) && !r.held.includes(own)) &&
    verbs.length > 0
  ) {
    const earlier = r.held;
    turnToHold(r, r.made.length - 1, 1, alsoHeld);
    r.held = [...earlier, ...alsoHeld];
    return true;
  }
  // `I keep holding`: what is held already
  if (
    named.length === 0 &&
    r.held.length > 0 &&
    !length &&
    !ends &&
    (verbs.some((v) => /^(?:keep|keeps|holding)$/.test(v)) ||
      segment?.words.some((w) => /^(?:keep|keeps|keeping|kept)$/.test(w.word)))
  )
    return true;
  // `you keep them down`, said of keys that were pressed before something else was done
  const keeps =
    named.length === 0 &&
    r.held.length === 0 &&
    (segment?.words.some((w) => /^(?:keep|keeps|kept|down)$/.test(w.word)) ?? false);
  if (keeps && items.some(isOf('it', 'both')) && r.last.every(isPush) && keepPressed(r, ends, at)) return true;
  // what is kept is what is held, whatever was named since
  const goesOn = verbs.some((v) => /^(?:keep|keeps|keeping|holding)$/.test(v));
  if (
    named.length === 0 &&
    r.held.length > 0 &&
    ends &&
    (goesOn || !r.last.some((own) => isPush(own) || own.springs.size > 0) || items.some(isOf('it', 'both')))
  ) {
    r.put({ kind: 'release', controls: r.held.map((o) => o.control.id), at: ends }, at);
    r.last = r.held;
    r.held = [];
    return true;
  }
  const onto =
    named.length > 0
      ? named.map((n) => ({ own: n.own, place: n.place ?? placeSaid(items, n) }))
      : items.some(isOf('it', 'both')) || items.some((x) => x.is === 'act' && x.word === 'keep') || ends || length
        ? r.last.filter(holdable).map((own) => ({ own, place: null }))
        : [];
  const unique = onto.filter((o, i) => onto.findIndex((p) => p.own === o.own) === i);
  if (unique.length === 0) return false;
  const verb = items.find(isOf('act'));
  if (named.length === 0 && segment && verb && hasOtherObject(segment, verb, items)) return false;
  const owns = unique.map((u) => u.own);
  const again = r.held.length > 0 && owns.every((o) => r.held.includes(o));
  const index = r.made.findLastIndex(
    (m) =>
      m.step.kind === 'hold' && m.step.controls.map((c) => c.control).join() === owns.map((o) => o.control.id).join(),
  );
  const before = r.made[index];
  // said once more, with how long or until when
  if (again && before?.step.kind === 'hold') {
    if (length && before.step.until.kind === 'release' && index === r.made.length - 1) {
      r.made[index] = {
        ...before,
        step: { ...before.step, until: { kind: 'span', span: spanOf(length) } },
        to: at.to,
      };
      r.held = [];
    } else if (length && before.step.until.kind === 'release') {
      // held on for so long, after something else was done meanwhile
      r.put({ kind: 'rest', span: spanOf(length) }, length);
      r.put({ kind: 'release', controls: owns.map((o) => o.control.id) }, at);
      r.held = [];
    } else if (ends) {
      r.put({ kind: 'release', controls: owns.map((o) => o.control.id), at: ends }, at);
      r.held = [];
    }
    for (const o of others) if (o.place !== null) set(r, o.own, o.place, o, true);
    return true;
  }
  // `let go of Mute but keep Zone down until the lamp comes on`: of several, one is let go of later
  if (again && ends && !length && others.length === 0) {
    r.put({ kind: 'release', controls: owns.map((o) => o.control.id), at: ends }, at);
    r.held = r.held.filter((h) => !owns.includes(h));
    r.last = owns;
    return true;
  }
  // one of several that are held, kept: as it is
  if (again && !length && !ends && others.length === 0) return true;
  // one and the other pressed, and the pair of them held
  const two = r.made.slice(-owns.length);
  const isPair =
    owns.length > 1 &&
    two.length === owns.length &&
    two.every(
      (m) =>
        m.sentence === r.sentence &&
        m.step.kind === 'press' &&
        m.step.times === 1 &&
        owns.some((o) => m.step.kind === 'press' && o.control.id === m.step.control),
    );
  if (isPair && named.length === 0) r.made.splice(r.made.length - owns.length);
  const pressed = r.made.at(-1);
  // pressed, and kept so
  if (
    pressed &&
    ((pressed.step.kind === 'press' &&
      owns.length === 1 &&
      pressed.step.control === owns[0]?.control.id &&
      pressed.step.times === 1) ||
      pressed.step.kind === 'together') &&
    (named.length === 0 ||
      (pressed.sentence === r.sentence &&
        (verbs.some((v) => /^(?:keep|keeps|keeping)$/.test(v)) ||
          // `Bell, I hold the bell`
          (segment?.joined === 'comma' && /^(?:and )?(?:i|you|we) hold\b/.test(saidOf(segment))))))
  )
    r.made.pop();
  const put = r.made.at(-1);
  const stood =
    put?.step.kind === 'set' && owns.length === 1 && put.step.control === owns[0]?.control.id ? put.step.to : null;
  if (stood !== null) r.made.pop();
  const controls = unique.map((u) => heldOf(u.own, u.place ?? stood));
  r.last = owns;
  r.mode = 'hold';
  const behind = length ? items.slice(items.indexOf(length) + 1) : [];
  if (others.length > 0) {
    r.put({ kind: 'hold', controls, until: { kind: 'release' } }, at);
    r.held = owns;
    for (const o of others) if (o.place !== null) set(r, o.own, o.place, o, true);
    return true;
  }
  if (length) {
    r.put({ kind: 'hold', controls, until: { kind: 'span', span: spanOf(length) } }, at);
    r.held = [];
    r.timed = owns;
    const shown = shownIn(r, behind);
    if (shown.length > 0) see(r, shown, at);
    else if (ends?.kind === 'sign')
      see(
        r,
        [
          ends.nth > 1 && ends.shown.kind === 'sound' ? { ...ends.shown, times: ends.nth } : ends.shown,
          ...(ends.also ?? []),
        ],
        at,
      );
  } else if (ends) {
    r.put({ kind: 'hold', controls, until: { kind: 'moment', moment: ends } }, at);
    r.held = [];
  } else {
    // `battery back in, but I'm on Fan the whole time`: held before that
    const wasSet = r.made.at(-1);
    const isBefore =
      wasSet?.step.kind === 'set' &&
      wasSet.sentence === r.sentence &&
      segment !== null &&
      /\bthe (?:whole|entire) time\b|\ball (?:the time|along|the while)\b|\bthroughout\b/.test(saidOf(segment));
    if (isBefore) r.made.pop();
    r.put({ kind: 'hold', controls, until: { kind: 'release' } }, at);
    if (isBefore && wasSet) r.made.push(wasSet);
    r.held = owns;
  }
  return true;
}

/** What the controls of a step that presses are, where each is pressed once; empty where it is no such step. */
export function pressedOnce(r: Reader, { step }: Made): ControlFacts[] {
  const ids =
    step.kind === 'together' && step.times === 1
      ? step.controls
      : step.kind === 'press' && step.times === 1 && step.control !== 'any'
        ? [step.control]
        : [];
  return ids.flatMap((id) => r.called.facts.controls.get(id) ?? []);
}

/** The keys that are pressed once each right before a step, each another, as far back as they are wanted; where they begin. */
export function pressedBefore(
  r: Reader,
  at: number,
  isWanted: (key: ControlFacts, keys: readonly ControlFacts[]) => boolean,
): Readonly<{ first: number; keys: readonly ControlFacts[] }> {
  const keys: ControlFacts[] = [];
  let first = at;
  for (let made = r.made[first - 1]; made; made = r.made[first - 1]) {
    const pressed = pressedOnce(r, made);
    if (pressed.length === 0 || !pressed.every((k) => !keys.includes(k) && isWanted(k, [...pressed, ...keys]))) break;
    keys.unshift(...pressed);
    first -= 1;
  }
  return { first, keys };
}

/** Puts a hold in the place of steps that pressed: from then on these are held. */
export function turnToHold(r: Reader, at: number, steps: number, owns: readonly ControlFacts[]): void {
  const [first, end] = [r.made[at], r.made[at + steps - 1]];
  if (!first || !end) return;
  r.made.splice(at, steps, {
    ...end,
    from: first.from,
    step: { kind: 'hold', controls: owns.map((o) => heldOf(o, null)), until: { kind: 'release' } },
  });
  r.held = [...owns];
}

/** Keys pressed a step or two ago that turn out to be kept down: held from there on. */
function keepPressed(r: Reader, ends: Moment | null, at: Readonly<{ from: number; to: number }>): boolean {
  const index = r.made.findLastIndex(
    (m, i) => i >= r.made.length - 3 && (m.step.kind === 'together' || m.step.kind === 'press'),
  );
  const pressed = r.made[index];
  const since = r.made.slice(index + 1);
  if (!pressed || since.length === 0 || since.some((m) => m.step.kind !== 'set' && m.step.kind !== 'see')) return false;
  const owns = pressedOnce(r, pressed);
  if (owns.length === 0) return false;
  turnToHold(r, index, 1, owns);
  if (ends) {
    r.put({ kind: 'release', controls: owns.map((o) => o.control.id), at: ends }, at);
    r.held = [];
  }
  return true;
}

/** `and with those two pressed …`: what was pressed just now stays so. Gives what is told behind it; null where it is not said. */
export function keptPressed(r: Reader, segment: Segment, items: readonly Item[]): Item[] | null {
  const stays =
    /^(?:and |then |now |so )*with (?:those|these|them|both|the (?:two|three))(?: (?:two|three|of them|both|buttons|keys))* (?:still |kept )?(?:pressed|held|down|in)\b/.exec(
      saidOf(segment),
    );
  const end = r.made.at(-1);
  if (!stays || r.held.length > 0 || !end || end.sentence < r.sentence - 1) return null;
  let from = r.made.length - 1;
  const isOne = (m: Made | undefined): boolean => m?.step.kind === 'press' && m.sentence === end.sentence;
  while (from > 0 && isOne(end) && isOne(r.made[from - 1])) from -= 1;
  const owns = r.made.slice(from).flatMap((m) => pressedOnce(r, m));
  if (owns.length < 2 || owns.length > 3) return null;
  turnToHold(r, from, r.made.length - from, owns);
  const behind = segment.words[stays[0].split(' ').length]?.from ?? Number.POSITIVE_INFINITY;
  return items.filter((x) => x.from >= behind);
}

/** `at 8, let go`, of a display that counts. */
function countedTo(r: Reader): Moment | null {
  const display = r.called.displays;
  const [own] = display;
  if (!r.nth || r.nth.sentence < r.sentence - 1 || r.nth.n < 4 || !own || display.length !== 1) return null;
  if (!/\bdisplay\S* (?:is |now )?count|\bcounts? (?:up|down)\b/i.test(r.whole)) return null;
  return { kind: 'sign', shown: { kind: 'text', sign: own.id as SignId, text: String(r.nth.n) }, nth: 1 };
}

/** Keys that were said to be pressed a while ago and are let go of only now: they were held. */
function holdPressed(r: Reader, named: readonly ControlFacts[], ends: Moment | null): void {
  const isOne = (m: Made | undefined): m is Made => m !== undefined && pressedOnce(r, m).length > 0;
  // nothing but what is put and what shows lies between
  let last = r.made.length - 1;
  while (last >= 0 && r.made.length - last <= 5 && /^(?:set|see|rest)$/.test(r.made[last]?.step.kind ?? '')) last -= 1;
  const end = r.made[last];
  // `press both and release them when it buzzes`; not `press it and let go`
  const isBoth = ends !== null && end?.step.kind === 'together';
  if (last === r.made.length - 1 && named.length === 0 && !isBoth) return;
  if (!isOne(end) || end.sentence < r.sentence - 4) return;
  let first = last;
  while (first > 0 && isOne(r.made[first - 1]) && r.made[first - 1]?.sentence === end.sentence) first -= 1;
  const run = r.made.slice(first, last + 1);
  const owns = run.flatMap((m) => pressedOnce(r, m));
  const ids = owns.map((o): string => o.control.id);
  const wanted = named.map((own) => own.control.id as string);
  const isThem =
    wanted.every((id) => ids.includes(id)) &&
    (end.step.kind === 'together' || wanted.length === 0 || ids.length === wanted.length);
  if (!isThem || new Set(ids).size < ids.length || ids.length > 3) return;
  turnToHold(r, first, run.length, owns);
}

/** `put your foot down on the pedal … take the foot off`: what would come back by itself was held there. */
function holdSprung(r: Reader, named: readonly ControlFacts[], segment: Segment | null): void {
  const isFoot = named.length === 0 && segment !== null && /\b(?:foot|feet)\b/.test(saidOf(segment));
  const at = r.made.findLastIndex((m) => {
    const own = m.step.kind === 'set' ? r.called.facts.controls.get(m.step.control) : undefined;
    const isSprung = own !== undefined && m.step.kind === 'set' && own.springs.has(m.step.to);
    return (
      isSprung && m.sentence >= r.sentence - 6 && (named.includes(own) || (isFoot && own.control.look === 'pedal'))
    );
  });
  const made = r.made[at];
  const own = made?.step.kind === 'set' ? r.called.facts.controls.get(made.step.control) : undefined;
  if (made?.step.kind !== 'set' || !own) return;
  const controls = [heldOf(own, made.step.to)];
  r.made[at] = { ...made, step: { kind: 'hold', controls, until: { kind: 'release' } } };
  r.held = [own];
}

export function readRelease(
  r: Reader,
  items: readonly Item[],
  release: number,
  at: Readonly<{ from: number; to: number }>,
  segment: Segment | null = null,
): void {
  const named = [...new Set(items.filter(isOf('control')).map((c) => c.own))];
  // of several that are named, those that are held
  const whose = (): readonly ControlFacts[] => {
    const heldOnes = named.filter((own) => r.held.includes(own));
    return heldOnes.length > 0 ? heldOnes : named.length > 0 ? named : r.held;
  };
  const own = momentIn(
    r,
    items.filter((_, i) => i !== release),
  );
  const isThen =
    segment !== null &&
    /\b(?:when|once|as soon as|the moment) (?:it|that|they|she|he|this)(?:'s|'ve)? ?(?:starts?|begins?|does|do|doing|happens?|comes?|shows?|goes|that|this|is|has|have)\b/.test(
      saidOf(segment),
    );
  // a sound, and let go: at that sound
  const heard = r.made.at(-1);
  const [sound] = heard?.step.kind === 'see' && heard.step.signs.length === 1 ? heard.step.signs : [];
  const atSound: Moment | null =
    (sound?.kind === 'sound' ||
      sound?.kind === 'text' ||
      (sound?.kind === 'lamp' && heard && heard.sentence >= r.sentence - 1)) &&
    heard &&
    heard.sentence >= r.sentence - 3
      ? { kind: 'sign', shown: withoutTimes(sound), nth: sound.kind === 'sound' ? (sound.times ?? 1) : 1 }
      : null;
  // `wait for the lamps to go dark, then off with your thumb`
  const lamps = heard?.step.kind === 'see' && heard.sentence >= r.sentence - 1 ? heard.step.signs : [];
  const [lamp, ...further] = lamps;
  const atLamps: Moment | null =
    lamp && further.length > 0 && r.waiting >= r.sentence - 1 && lamps.every((s) => s.kind === 'lamp')
      ? { kind: 'sign', shown: lamp, also: further, nth: 1 }
      : null;
  // `once the red and the amber lamp are both on, you let go`
  const isAll = further.length > 0 && heard?.sentence === r.sentence && lamps.every((s) => s.kind === 'lamp');
  const ends: Moment | null =
    own ??
    (lamp && isAll ? { kind: 'sign', shown: lamp, also: further, nth: 1 } : null) ??
    (isThen && r.lastSign ? { kind: 'sign', shown: withoutTimes(r.lastSign), nth: 1 } : null) ??
    countedTo(r) ??
    (r.nth && r.nth.sentence >= r.sentence - (r.lastSign?.kind === 'sound' ? 3 : 1) && r.lastSign
      ? { kind: 'sign', shown: withoutTimes(r.lastSign), nth: r.nth.n }
      : (atSound ?? atLamps));
  if (whose().length === 0 && r.timed.length > 0 && r.made.at(-1)?.step.kind === 'see') {
    r.put({ kind: 'release', controls: r.timed.map((c) => c.control.id), ...(ends && { at: ends }) }, at);
    r.timed = [];
    return;
  }
  // held until then: they are off already
  const over = r.made.findLast((m) => isAct(m.step));
  const isOver =
    over?.step.kind === 'hold' &&
    over.step.until.kind === 'moment' &&
    over.sentence >= r.sentence - 1 &&
    named.length > 0 &&
    named.every((o) => over.step.kind === 'hold' && over.step.controls.some((c) => c.control === o.control.id));
  if (r.held.length === 0 && isOver) return;
  if (r.held.length === 0) holdSprung(r, named, segment);
  // what is let go of was held, whatever word was used for it
  if (r.held.length === 0) holdPressed(r, named, own);
  const controls = whose();
  if (controls.length === 0) return;
  const ids = controls.map((c) => c.control.id);
  const before = r.made.at(-1);
  // already let go of
  if (before?.step.kind === 'release' && before.step.controls.join() === ids.join()) {
    if (ends && !before.step.at)
      r.made[r.made.length - 1] = { ...before, step: { ...before.step, at: ends }, to: at.to };
    return;
  }
  if (r.held.length === 0 && named.length === 0) return;
  if (before?.step.kind === 'hold' && before.step.until.kind !== 'release') return;
  const seen = r.made.at(-1);
  const [sign] = seen?.step.kind === 'see' ? seen.step.signs : [];
  if (
    ends?.kind === 'sign' &&
    sign &&
    sign.sign === ends.shown.sign &&
    (ends.also === undefined || JSON.stringify(sign) === JSON.stringify(ends.shown)) &&
    seen?.step.kind === 'see' &&
    (seen.step.signs.length === 1 ||
      own === null ||
      (own.kind === 'sign' && own.also !== undefined && JSON.stringify(sign) === JSON.stringify(own.shown)))
  )
    r.made.pop();
  r.put({ kind: 'release', controls: ids, ...(ends && { at: ends }) }, at);
  r.held = r.held.filter((h) => !controls.includes(h));
  r.last = [...controls];
  r.mode = null;
}

/** `he doesn't let go before the horn has gone off, … he has to wait for the third`: at that, and at which of them. */
export function readKeptTo(
  r: Reader,
  segment: Segment,
  items: readonly Item[],
  at: Readonly<{ from: number; to: number }>,
): boolean {
  const said = saidOf(segment);
  const letsGo = items.findIndex(isOf('let-go'));
  const isKept =
    /\b(?:don't|dont|doesn't|doesnt|not|never|mustn't|can't) (?:\w+ )?(?:let|release|lift|come|take|leave)\b.* before\b/.test(
      said,
    );
  if (isKept && r.held.length > 0 && items.slice(letsGo + 1).some(isOf('sign', 'text')) && letsGo >= 0) {
    readRelease(r, items.slice(letsGo), 0, at, segment);
    return true;
  }
  const done = r.made.at(-1);
  const nth = items.find(isOf('nth'));
  if (
    nth &&
    done?.step.kind === 'release' &&
    done.step.at?.kind === 'sign' &&
    done.step.at.shown.kind === 'sound' &&
    done.sentence >= r.sentence - 1 &&
    /\bwaits?(?: for)? the \w+(?: one)?$/.test(said)
  ) {
    r.made[r.made.length - 1] = { ...done, step: { ...done.step, at: { ...done.step.at, nth: nth.n } }, to: at.to };
    return true;
  }
  return false;
}
