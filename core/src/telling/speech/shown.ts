import type { SignId } from '../../base/ids.ts';
import type { Sign } from '../../model/panel.ts';
import type { Moment } from '../../model/route.ts';
import type { Shown } from '../../model/shown.ts';
import type { Item } from './item.ts';
import { itemsOf } from './items.ts';
import { isInRow } from './lamp-rows.ts';
import { isAct, isOf, lampState, type Reader, withoutTimes } from './reader.ts';
import { isCodeAlike } from './readouts.ts';
import { type Segment, saidOf } from './segments.ts';
import type { Word } from './text.ts';

/** What signs are said to show, in order; a state goes with all that were named before it. */
export function shownIn(r: Reader, items: readonly Item[]): Shown[] {
  const out: Shown[] = [];
  let signs: Sign[] = [...r.pending];
  let count: number | null = null;
  items.forEach((item, i) => {
    if (item.is === 'sign') {
      // one of them all: then only that is meant
      if (r.pendingAll && signs.length === r.pending.length && item.signs.every((s) => r.pending.includes(s)))
        signs = [];
      // `watch the lamps, it pips and the low lamp …`: one of those that were named all at once
      else if (signs.length > item.signs.length && item.signs.length > 0 && item.signs.every((s) => signs.includes(s)))
        signs = [];
      signs = [...signs, ...item.signs];
      if (item.signs.every((s) => s.kind === 'beeper')) {
        const before = items[i - 1];
        const after = items[i + 1];
        const later = items[i + 2];
        const times =
          after?.is === 'times'
            ? after.n
            : (after?.is === 'act' || after?.is === 'light') && later?.is === 'times'
              ? later.n
              : items
                    .slice(i + 1, i + 4)
                    .every(
                      (x, n, run) => x.is === 'light' || x.is === 'act' || run.slice(0, n + 1).some(isOf('times')),
                    ) && items.slice(i + 1, i + 4).some(isOf('times'))
                ? (items.slice(i + 1, i + 4).find(isOf('times'))?.n ?? null)
                : before?.is === 'number' || before?.is === 'times'
                  ? before.n
                  : null;
        count = times;
        // `once the buzzer has stopped`
        if (after?.is === 'light' && after.light === 'dark') {
          for (const s of item.signs) out.push({ kind: 'sound', sign: s.id as SignId, state: 'off' });
          signs = signs.filter((s) => s.kind !== 'beeper');
          return;
        }
        for (const s of item.signs)
          out.push({ kind: 'sound', sign: s.id as SignId, state: 'on', ...(count === null ? {} : { times: count }) });
        signs = signs.filter((s) => s.kind !== 'beeper');
      }
    } else if (item.is === 'light') {
      for (const s of signs)
        if (s.kind === 'lamp') {
          // a lamp of one colour shows no other
          const colour = item.light !== 'dark' && s.colours.length > 1 ? item.colour : undefined;
          out.push({ kind: 'lamp', sign: s.id as SignId, state: lampState(item.light), ...(colour && { colour }) });
        } else if (s.kind !== 'segments' && s.kind !== 'text')
          out.push({ kind: 'sound', sign: s.id as SignId, state: item.light === 'dark' ? 'off' : 'on' });
      if (items[i + 1]?.is !== 'light') signs = [];
    } else if (item.is === 'text') {
      const display = signs.find((s) => s.kind === 'segments' || s.kind === 'text') ?? r.called.displays[0];
      if (display) out.push({ kind: 'text', sign: display.id as SignId, text: item.text });
    } else if (
      item.is === 'place' &&
      items[i - 1]?.is === 'sign' &&
      signs.length > 0 &&
      signs.every((s) => s.kind === 'lamp') &&
      ['on', 'off', 'out'].includes(item.word)
    ) {
      for (const s of signs)
        out.push({ kind: 'lamp', sign: s.id as SignId, state: item.word === 'on' ? 'lit' : 'dark' });
      signs = [];
    }
  });
  // `by two tones and the wash lamp`: what that does is said next
  const lamps = items.at(-1)?.is === 'sign' ? signs.filter((s) => s.kind === 'lamp') : [];
  if (out.length > 0) r.pending = lamps;
  const seen = new Map(out.map((x) => [x.sign, x] as const));
  if (seen.size < out.length) out.splice(0, out.length, ...seen.values());
  // a fan or a pump that is heard
  for (const s of signs)
    if (s.kind !== 'lamp' && s.kind !== 'segments' && s.kind !== 'text' && items.some(isOf('act', 'light')))
      out.push({ kind: 'sound', sign: s.id as SignId, state: 'on' });
  return out;
}

/** A lamp that flashes so often is lit each time; null where it is no such lamp, or once. */
export const flashedSo = (shown: Shown, times: number | null | undefined): Shown | null =>
  shown.kind === 'lamp' && (shown.state === 'fast' || shown.state === 'slow') && (times ?? 1) > 1
    ? { ...shown, state: 'lit' }
    : null;

/** The moment some items name: a sign with what it does, and which time. */
export function momentIn(r: Reader, items: readonly Item[]): Moment | null {
  const [shown, ...also] = shownIn(r, items);
  const said = items.find(isOf('nth'))?.n ?? 1;
  const heard = r.lastSign?.kind === 'sound' ? (r.lastSign.times ?? 1) : 1;
  const nth = said === 0 ? heard : said;
  // `till the peeper's done three`
  const many = items.find(isOf('number'));
  const soundAt = items.findIndex(isOf('sign'));
  if (
    shown?.kind === 'sound' &&
    shown.times === undefined &&
    many &&
    many.n <= 12 &&
    items.indexOf(many) === soundAt + 1
  )
    return { kind: 'sign', shown: withoutTimes(shown), nth: many.n };
  const only = items[soundAt];
  if (!shown && only?.is === 'sign' && only.signs[0]?.kind === 'beeper' && many && many.n <= 12)
    return { kind: 'sign', shown: { kind: 'sound', sign: only.signs[0].id as SignId, state: 'on' }, nth: many.n };
  // `when the lamp has flashed three times`: at its third
  const often = also.length === 0 ? items.find(isOf('times'))?.n : undefined;
  const flashed = shown ? flashedSo(shown, often) : null;
  if (flashed) return { kind: 'sign', shown: flashed, nth: often ?? 1 };
  if (shown)
    return {
      kind: 'sign',
      shown: withoutTimes(shown),
      ...(shown.kind === 'lamp' && also.length > 0 && also.every((s) => s.kind === 'lamp') ? { also } : {}),
      nth: shown.kind === 'sound' && shown.times ? shown.times : nth,
    };
  const sign = items.find(isOf('sign'))?.signs[0];
  if (sign?.kind === 'lamp')
    return { kind: 'sign', shown: { kind: 'lamp', sign: sign.id as SignId, state: 'lit' }, nth };
  // `when they go out`: the lamps that were seen just now
  const before = r.made.at(-1);
  const glow = items.find(isOf('light'));
  const seen = before?.step.kind === 'see' && before.sentence >= r.sentence - 2 ? before.step.signs : [];
  const [firstSeen, ...others] = seen.flatMap((s) =>
    s.kind === 'lamp' && glow ? [{ kind: 'lamp' as const, sign: s.sign, state: lampState(glow.light) }] : [],
  );
  if (
    glow &&
    firstSeen &&
    others.length + 1 === seen.length &&
    items.every(isOf('it', 'moment', 'until', 'light', 'act'))
  )
    return { kind: 'sign', shown: firstSeen, ...(others.length > 0 ? { also: others } : {}), nth };
  if (sign && sign.kind !== 'segments' && sign.kind !== 'text')
    return { kind: 'sign', shown: { kind: 'sound', sign: sign.id as SignId, state: 'on' }, nth };
  // `when it gets to five`, of what a display counts
  const reached = items.find(isOf('number'));
  const display = r.called.displays;
  const countsTo = items.some(isOf('it')) && items.some(isOf('moment')) && items.every(isOf('it', 'moment', 'number'));
  if (reached && countsTo && r.lastSign?.kind === 'sound' && (reached.n <= 12 || display.length !== 1))
    return { kind: 'sign', shown: withoutTimes(r.lastSign), nth: reached.n };
  if (reached && countsTo && display.length === 1 && display[0])
    return {
      kind: 'sign',
      // as it is written: `000` is three figures
      shown: { kind: 'text', sign: display[0].id as SignId, text: figuresAt(r, reached) ?? String(reached.n) },
      nth: 1,
    };
  // “on the third one”: of the sign that was told last
  if (items.some(isOf('nth')) && r.lastSign) return { kind: 'sign', shown: withoutTimes(r.lastSign), nth };
  // `third buzz you let go`, of the only one that sounds
  const sounds = r.called.sounds;
  if (
    items.some(isOf('nth')) &&
    items.some((x) => x.is === 'act' && x.act === 'see') &&
    sounds.length === 1 &&
    sounds[0]
  )
    return { kind: 'sign', shown: { kind: 'sound', sign: sounds[0].id as SignId, state: 'on' }, nth };
  return null;
}

/** A number as it stands in the telling; null where it is in words. */
const figuresAt = (r: Reader, { from, to }: Readonly<{ from: number; to: number }>): string | null =>
  /^\d+$/.exec(r.whole.slice(from, to).trim())?.[0] ?? null;

/** Whether a text with a number in it is told of more than once: a code, not something that comes by itself. */
const isCodeTold = (r: Reader, text: string): boolean => {
  if (!/^(?:[a-z]{1,4}[- ]?)?\d{1,3}$/i.test(text) || !/[a-z]/i.test(text)) return false;
  const spoken = (part: string): number =>
    r.whole.toUpperCase().split(new RegExp(`(?<![A-Z0-9])${part.toUpperCase().replaceAll(' ', '\\s?')}(?![A-Z0-9])`))
      .length - 1;
  const digits = /\d{2,3}$/.exec(text)?.[0];
  return spoken(text) > 1 || (digits !== undefined && digits !== text && spoken(digits) > 0);
};

/** `31. That's the landing door contact.`: a figure that is told the meaning of is a code somebody reads, not a sign of the way. */
const isMeaningTold = (r: Reader, text: string, to: number): boolean =>
  /\d/.test(text) &&
  /^[\s"'”’.,!?)-]*(?:[\p{L}]+:\s*)?(?:(?:okay|ok|right|ah|good|yes|yeah|oh)[,. ]+)?(?:that's|that’s|that is|this is|it's|it’s|is|means|stands for) (?:the|a|an|your|our)\b/iu.test(
    r.whole.slice(to, to + 80),
  );

/** Told by the other right behind what shows: it did not come out. */
const wentWrong =
  /^["”'’.,!?)\s]*(?:\n\s*|\n?[\p{L}_]+:\s*|>>\s*)(?:(?:then|so|yeah|ah|ok|no|hm+),? )*(?:that'?s (?:not a (?:fault|code|number|real one)|no (?:fault|code)|just|only)?,? ?)?(?:(?:it'?s |that'?s )?(?:you were|that was|you're|was|you being) )?(?:too (?:slow|late|fast|early|short)|wrong|start (?:over|again)|try (?:it )?again|again\b|do it again|once more)/iu;

/** `till it stops`, of what sounds just now. */
export function fallsSilent(r: Reader, segment: Segment): Moment | null {
  const stops =
    /\b(?:it|that|this|they)(?:'s| has| have|'ve| is| are)? (?:stops|stopped|stop|over|quiet|silent|ended|ends|finished)(?: (?:ticking|beeping|buzzing|ringing|sounding|chirping|bleeping|peeping|humming|clicking))?$/;
  if (r.lastSign?.kind !== 'sound' || r.lastSign.state !== 'on' || !stops.test(saidOf(segment))) return null;
  return { kind: 'sign', shown: { kind: 'sound', sign: r.lastSign.sign, state: 'off' }, nth: 1 };
}

export function see(r: Reader, shown: readonly Shown[], at: Readonly<{ from: number; to: number }>): void {
  const [first] = shown;
  if (first) r.lastSign = first;
  // `… until it says EMPTY.` – `EMPTY.`: that was waited for
  const held = r.made.at(-1)?.step;
  const ends =
    held?.kind === 'hold' && held.until.kind === 'moment' && held.until.moment.kind === 'sign'
      ? held.until.moment
      : null;
  if (ends && JSON.stringify(shown) === JSON.stringify([ends.shown])) return;
  // `it says A31` … `A31, that's the seat switch`: what is read
  if (
    first?.kind === 'text' &&
    shown.length === 1 &&
    (isCodeTold(r, first.text) || isMeaningTold(r, first.text, at.to) || isCodeAlike(r, first.text))
  ) {
    // from a code that is told of again on, it is told what is read; what is said of one figure may be an aside
    if (isCodeTold(r, first.text)) r.reading = true;
    r.holes.push({ ...at, why: 'not-understood' });
    return;
  }
  // `it just says READY` – `too slow, again`: what shows where it went wrong
  if (first?.kind === 'text' && shown.length === 1 && wentWrong.test(r.whole.slice(at.to, at.to + 70))) {
    r.holes.push({ ...at, why: 'not-understood' });
    return;
  }
  // what shows long after anything was done belongs to what is read, not to how one gets there
  const done = r.made.findLast((m) => isAct(m.step) || m.step.kind === 'see' || m.step.kind === 'rest');
  if (r.reading || (done && done.sentence < r.sentence - 4)) {
    r.holes.push({ ...at, why: 'not-understood' });
    return;
  }
  const before = r.made.at(-1);
  const [only] = shown;
  if (
    before?.step.kind === 'release' &&
    before.step.at?.kind === 'sign' &&
    only &&
    shown.length === 1 &&
    only.sign === before.step.at.shown.sign
  )
    return;
  // that it has to stay away was said
  if (
    before?.step.kind === 'see' &&
    before.step.must === 'must-not' &&
    shown.every((x) => before.step.kind === 'see' && before.step.signs.some((s) => s.sign === x.sign))
  )
    return;
  // the same sound once more: how often is all it adds
  const [heardBefore] = before?.step.kind === 'see' && before.step.signs.length === 1 ? before.step.signs : [];
  if (
    before?.step.kind === 'see' &&
    only?.kind === 'sound' &&
    shown.length === 1 &&
    heardBefore?.sign === only.sign &&
    heardBefore.kind === 'sound' &&
    only.state === heardBefore.state
  ) {
    // `you hear bip, you hear bip`
    const told = r.whole.slice(at.from, at.to).trim().toLowerCase();
    if (
      only.times === undefined &&
      before.sentence === r.sentence &&
      told.length > 0 &&
      told === r.whole.slice(before.from, before.to).trim().toLowerCase()
    )
      r.made[r.made.length - 1] = {
        ...before,
        step: { ...before.step, signs: [{ ...heardBefore, times: (heardBefore.times ?? 1) + 1 }] },
      };
    else if (only.times !== undefined && (heardBefore.times === undefined || only.times > heardBefore.times))
      r.made[r.made.length - 1] = { ...before, step: { ...before.step, signs: [only] } };
    return;
  }
  // all of them lit for a test, and then only some: these are read
  const tested = before?.step.kind === 'see' ? before.step.signs : [];
  if (
    tested.length > 2 &&
    shown.length < tested.length &&
    shown.every((x) => x.kind === 'lamp' && tested.some((s) => JSON.stringify(s) === JSON.stringify(x)))
  ) {
    r.holes.push({ ...at, why: 'not-understood' });
    return;
  }
  // `L1, then L1 and L2, then all three`: what it comes to
  const fewer = before?.step.kind === 'see' && before.step.must === 'must' ? before.step.signs : [];
  if (
    before &&
    before.sentence === r.sentence &&
    fewer.length > 0 &&
    fewer.length < shown.length &&
    fewer.every((x) => x.kind === 'lamp' && shown.some((y) => JSON.stringify(x) === JSON.stringify(y)))
  ) {
    r.made[r.made.length - 1] = { ...before, step: { kind: 'see', must: 'must', signs: [...shown] }, to: at.to };
    return;
  }
  // the same once more says nothing new
  if (before?.step.kind === 'see' && JSON.stringify(before.step.signs) === JSON.stringify(shown)) return;
  r.put({ kind: 'see', must: 'must', signs: [...shown] }, at);
}

/** `the drum must not turn`: what has to stay away while this is done. */
export function mustNotShow(segment: Segment, items: readonly Item[]): Shown | null {
  const text = saidOf(segment);
  if (
    !/\b(?:must not|mustn't|may not|should not|shouldn't|must never|should never) (?:turn|run|spin|move|start|come|light|flash|blink|be|sound|click|go)\b/.test(
      text,
    )
  )
    return null;
  const [sign] = items.find(isOf('sign'))?.signs ?? [];
  if (!sign || items.some(isOf('control', 'if', 'moment')) || sign.kind === 'segments' || sign.kind === 'text')
    return null;
  return sign.kind === 'lamp'
    ? { kind: 'lamp', sign: sign.id as SignId, state: 'lit' }
    : { kind: 'sound', sign: sign.id as SignId, state: 'on' };
}

/** `it blinks, slowly`: how fast is said behind. */
export function quicken(r: Reader, segment: Segment): boolean {
  const text = saidOf(segment);
  const state = /\b(?:slow|slowly)\b/.test(text)
    ? 'slow'
    : /\b(?:fast|quick|quickly|rapidly)\b/.test(text)
      ? 'fast'
      : null;
  const before = r.made.at(-1);
  if (state === null || before?.step.kind !== 'see' || before.sentence < r.sentence - 1) return false;
  const signs = before.step.signs.map((s) =>
    s.kind === 'lamp' && s.state === 'fast' ? { ...s, state } : s,
  ) as Shown[];
  r.made[r.made.length - 1] = { ...before, step: { ...before.step, signs } };
  r.lastSign = signs.find((s) => s.sign === r.lastSign?.sign) ?? r.lastSign;
  return true;
}

/** Whether a stretch names signs and has not said yet what they do. */
export function lacksState(r: Reader, words: readonly Word[], ahead: readonly Word[] = []): boolean {
  if (isInRow(words, ahead, r.called)) return true;
  const items = itemsOf(words, r.called, r.last);
  // `S3 and S4 to on`: where to is said of both
  const before = items.at(-1);
  const [next] = itemsOf(ahead, r.called, r.last);
  if (
    before?.is === 'control' &&
    before.place === null &&
    before.own.mechanism.kind === 'places' &&
    next?.is === 'control' &&
    next.own !== before.own &&
    next.own.control.look === before.own.control.look &&
    next.own.mechanism.kind === 'places'
  )
    return true;
  return items.at(-1)?.is === 'sign' && !items.some((x) => x.is === 'light' || (x.is === 'act' && x.act !== 'wait'));
}
