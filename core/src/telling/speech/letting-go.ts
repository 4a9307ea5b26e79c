import type { SignId } from '../../base/ids.ts';
import type { Moment } from '../../model/route.ts';
import type { Shown } from '../../model/shown.ts';
import { ordinalOf, timesOf } from '../../spoken/numbers.ts';
import { itemsOf } from './items.ts';
import { mentionAt } from './mentions.ts';
import { isAct, isOf, lampState, type Made, Reader, withoutTimes } from './reader.ts';
import { flashedSo, shownIn } from './shown.ts';
import { shownTextAt } from './shown-text.ts';
import { simpler } from './simpler.ts';
import { type Word, wordsOf } from './text.ts';

/** How far behind a hold it is still told that it is let go of, in letters. */
export const farthest = 420;
const limb = `(?:fingers?|thumbs?|hands?|foot|feet|it|them|both|that)`;
const letsGo = new RegExp(
  String.raw`\b(?:let(?:s|ting)?(?: (?:go|\w+ go|\w+ \w+ go))\b|(?<!press )releas(?:e|es|ed|ing)\b|(?:you |i |we )?(?:come|comes) off\b|off (?:you|they|we|i) (?:come|go)\b|${limb} (?:come |comes |go |goes )?(?:off|away|from)\b|(?:take|takes|lift|lifts|pull|get) (?:\w+ ){0,2}(?:fingers?|thumbs?|hands?|foot)\b|let up\b|lets? (?:the |it |that )?(?:\w+ )?(?:drop|fall|sink|spring back|come back|come down)\b|\bthat(?:'s| is) (?:the right one|the one you want|the one that counts|your moment|the moment)\b|^(?:and |okay |ok |right |now |then |there )*off$)`,
);
const isDenied =
  /\b(?:don't|dont|do not|doesn't|not|never|without|mustn't|before|if|ignore|forget|(?<!then )(?:just|only)|too (?:early|late|soon))\b/;
/** What is told of what one holds, and of no hand that comes off it. */
const isLater = /\b(?:keep|keeps|kept|keeping|hold|holds|stay|stays|still)\b/;

/** Whether it is told that a hand comes off something. */
export const saysLetGo = (text: string): boolean => clausesOf(text, 0, text.length).some(comesOff);
const comesOff = ({ said }: Clause): boolean => letsGo.test(said) && !isDenied.test(said) && !isLater.test(said);

type Clause = Readonly<{ words: readonly Word[]; said: string; from: number; to: number }>;

const breaks = /^(?:then|when|once|until|till|and|so|but|before|because|as)$/;
/** What is told, cut at stops and before the words that go on to something else. */
function clausesOf(text: string, from: number, to: number): Clause[] {
  const words = wordsOf(text.slice(from, to)).map((w) => ({ ...w, from: w.from + from, to: w.to + from }));
  const parts: Word[][] = [[]];
  words.forEach((w, i) => {
    if (/^[.,;:!?\n()–—…]$/.test(w.raw)) parts.push([]);
    else {
      const own = parts.at(-1) ?? [];
      const isAt =
        /^(?:at|on|with)$/.test(w.word) && own.length > 1 && /^(?:the|that|\d+)$/.test(words[i + 1]?.word ?? '');
      if (own.length > 0 && (breaks.test(w.word) || isAt)) parts.push([w]);
      else own.push(w);
    }
  });
  return parts
    .filter((own) => own.length > 0)
    .map((own) => ({
      words: own,
      said: own.map((w) => w.word).join(' '),
      from: own[0]?.from ?? from,
      to: own.at(-1)?.to ?? to,
    }));
}

/**
 * Where a hand comes off what it held, looked at once more over all that is told behind the hold: a hold nobody was heard to
 * let go of, one let go of without what it waits for, and another key than the one that is held.
 */
export function findReleases(r: Reader, text: string): void {
  for (let i = 0; i < r.made.length; i += 1) {
    const hold = r.made[i];
    if (hold?.step.kind !== 'hold' || hold.step.until.kind !== 'release') continue;
    const ids = hold.step.controls.map((c) => c.control);
    const held = new Set<string>(ids);
    const next = r.made.findIndex((m, k) => k > i && m.step.kind === 'release');
    const release = r.made[next];
    const again = r.made.findIndex((m, k) => k > i && isAct(m.step) && m.step.kind !== 'set');
    if (release?.step.kind === 'release' && (again < 0 || again >= next)) {
      const isOther = release.step.controls.every((c) => !held.has(c));
      const step = isOther ? { ...release.step, controls: ids } : release.step;
      const isOpen = step.at === undefined;
      const begun = startOf(r.made, next);
      const at = isOpen || isOther ? momentTold(r, text, begun, release.to) : laterThan(r, text, begun, release);
      if (isOther || at) r.made[next] = { ...release, step: { ...step, ...(at && { at }) } };
      // that it waits for something was told, and not understood for what: a hole, and no letting go at once
      else if (isOpen && waitsFor.test(around(text, release))) {
        r.made.splice(next, 1);
        r.holes.push({ from: release.from, to: release.to, why: 'not-understood' });
      }
    } else if (next < 0 || (again >= 0 && again < next)) {
      // held once more, as somebody says it again
      const step = r.made[again]?.step;
      if (step?.kind === 'hold' && step.controls.some((c) => held.has(c.control))) continue;
      const last = again < 0 ? r.made.length : again;
      const end = Math.min(text.length, r.made[last]?.from ?? hold.to + farthest, hold.to + farthest);
      const clause = clausesOf(text, hold.to, end).find(comesOff);
      if (!clause) continue;
      const before = r.made.findIndex((m, n) => n > i && m.from >= clause.from);
      const place = before < 0 ? last : before;
      const at = momentTold(r, text, startOf(r.made, place), clause.to) ?? behind(r, text, clause.to);
      if (!at) continue;
      const made = { from: clause.from, to: clause.to, sentence: hold.sentence };
      r.made.splice(place, 0, { step: { kind: 'release', controls: ids, at }, ...made });
    }
  }
}

/** `the lamp blinks four times, and at the number four you let go`: at the fourth time it is lit, not as soon as it blinks. */
export function countBlinks(r: Reader, text: string): void {
  for (const [i, m] of r.made.entries()) {
    const at = m.step.kind === 'release' && m.step.at?.kind === 'sign' ? m.step.at : null;
    if (m.step.kind !== 'release' || at?.shown.kind !== 'lamp' || !/^(?:fast|slow)$/.test(at.shown.state)) continue;
    const rest = /^[^.,;!?\n]{0,40}/.exec(text.slice(m.to))?.[0] ?? '';
    const words = clausesOf(text, startOf(r.made, i), m.to + rest.length).flatMap((c) => c.words);
    // `let go on the fourth flash`: of a lamp that flashes
    const isFlash = (x: string | undefined): boolean =>
      x === undefined || /^(?:[.,;!?\n]|(?:blink|flash|wink|flick|pulse)\w*)$/.test(x);
    const nth = words.findIndex(
      (w, k) =>
        (ordinalOf(w.word) ?? 0) > 1 &&
        /^(?:at|on|with|after)$/.test(
          words[k - 1]?.word === 'the' ? (words[k - 2]?.word ?? '') : (words[k - 1]?.word ?? ''),
        ) &&
        isFlash(words[k + 1]?.word),
    );
    if (nth >= 0) {
      const own = { ...at, shown: { ...at.shown, state: 'lit' as const }, nth: ordinalOf(words[nth]?.word ?? '') ?? 1 };
      r.made[i] = { ...m, step: { ...m.step, at: own } };
      continue;
    }
    const n = words.find(
      (w, k) =>
        w.value !== null &&
        w.value > 1 &&
        words[k + w.span]?.word === 'times' &&
        words.slice(Math.max(0, k - 4), k).some((x) => /^(?:blink|flash|wink|flick|pulse)/.test(x.word)),
    )?.value;
    const isNamed = words.some(
      (w, k) =>
        /^(?:at|on|with)$/.test(w.word) &&
        words.slice(k + 1, k + 4).some((x) => x.value === n || ordinalOf(x.word) === n || x.word === 'last'),
    );
    if (n == null || !isNamed) continue;
    r.made[i] = { ...m, step: { ...m.step, at: { ...at, shown: { ...at.shown, state: 'lit' }, nth: n } } };
  }
}

/**
 * `Down and Tilt. Hold them. Count six. Fault lamp's out.`: held that long, where nothing is done with the hands while one
 * counts and nobody lets go of it.
 */
export function holdCounted(r: Reader, text: string): void {
  for (let i = 0; i + 1 < r.made.length; i += 1) {
    const [hold, rest, next] = [r.made[i], r.made[i + 1], r.made[i + 2]];
    if (hold?.step.kind !== 'hold' || hold.step.until.kind !== 'release' || rest?.step.kind !== 'rest') continue;
    const isCounted = /\bcount\w*\b|^\W*\d|seconds?\W*$/i.test(text.slice(Math.max(hold.to, rest.from - 12), rest.to));
    const isOver =
      next === undefined || next.step.kind === 'see' || (next.step.kind === 'set' && next.sentence > rest.sentence + 1);
    if (!isCounted || !isOver || rest.sentence - hold.sentence > 2) continue;
    r.made.splice(i, 2, {
      ...hold,
      step: { ...hold.step, until: { kind: 'span', span: rest.step.span } },
      to: rest.to,
    });
  }
}

const waitsFor =
  /\b(?:when|once (?:the|it|that|they|you|all|both|your)|until|till|as soon as|the moment|the second|not before|(?:at|on|with|after) (?:the|that|this|which|\d+))\b/i;
/** The sentence a step was told in, no further than a few words. */
function around(text: string, { from, to }: Made): string {
  const before = text.slice(Math.max(0, from - 60), from);
  return (
    before.slice(before.search(/[^.!?\n]*$/)) +
    text.slice(from, to) +
    (/^[^.!?\n]{0,40}/.exec(text.slice(to))?.[0] ?? '')
  );
}

/** From where on it is told what is waited for: behind the last thing a hand did. */
const startOf = (made: readonly Made[], place: number): number =>
  made.slice(0, place).findLast((m) => m.step.kind !== 'see' && m.step.kind !== 'rest')?.to ?? 0;

const goneBehind =
  /\b(?:let go|releas\w+|off)\W+(?:only )?(?:when|once|after|as soon as) (?:it|that|this)(?:'s| has| is)? (?:went|goes|gone|going) (?:off|out|dark)\b/i;
const falls =
  /\b(?:it|that|the \w+)(?:'s| has| is)?(?: finally)? (?:stops?|stopped|silent|quiet|shuts up|shut up)(?: again)?$|^(?:it )?(?:(?:has )?stopped \w+ing$|stopped|quiet|silence|gone quiet)$/;

/** `all three light, then Service alone comes back, and only then you release`: at what was told last. */
function laterThan(r: Reader, text: string, from: number, { step, to }: Made): Moment | null {
  if (step.kind !== 'release' || step.at?.kind !== 'sign') return null;
  // `it came on and now it went off again. Release when it went off.`
  if (
    step.at.shown.kind === 'lamp' &&
    step.at.shown.state === 'lit' &&
    goneBehind.test(text.slice(Math.max(from, to - 40), to + 40))
  )
    return { kind: 'sign', shown: { ...step.at.shown, state: 'dark' }, nth: 1 };
  // `it buzzes. Wait until it stops. Now it's stopped. Hands off.`
  const { shown } = step.at;
  const clauses = clausesOf(text, from, to);
  const isOver =
    clauses.slice(-4, -1).some((c) => falls.test(c.said)) ||
    /^(?:and |so )*(?:when|once) (?:it|that|he|she)(?: finally)? (?:stops|shuts up)\b/.test(clauses.at(-1)?.said ?? '');
  if (shown.kind === 'sound' && shown.state === 'on' && step.at.nth === 1 && isOver)
    return { kind: 'sign', shown: { ...shown, state: 'off' }, nth: 1 };
  const own = clauses.at(-1);
  const named = own ? momentOf(r, own, clauses.slice(0, -1)) : null;
  // `it shows 888. Hold. Now it shows P3. Let go!`: what it showed last
  const last = shown.kind === 'text' && !named ? lastText(r, clauses, shown.text) : null;
  if (last !== null && shown.kind === 'text') return { ...step.at, shown: { ...shown, text: last }, nth: 1 };
  // `first TEST, then SERV, and at SERV you let go`: as it is named there
  const isText = named?.kind === 'sign' && named.shown.kind === 'text' && shown.kind === 'text';
  // `it blinks, then it stays on. When it stays on you let go`
  const isLamp =
    named?.kind === 'sign' &&
    named.shown.kind === 'lamp' &&
    named.shown.sign === shown.sign &&
    /^(?:and |so )*(?:when|once|as soon as)\b/.test(own?.said ?? '');
  // `when the horn stops`
  const isSilent = named?.kind === 'sign' && named.shown.kind === 'sound' && named.shown.state === 'off';
  if (isText || isLamp || isSilent) return JSON.stringify(named.shown) === JSON.stringify(shown) ? null : named;
  const isThen =
    own !== undefined &&
    (/^(?:and |so )*(?:only |just )?(?:then|now|that(?:'s| is)? (?:where|when))\b/.test(own.said) ||
      (/^when (?:you|i|we|one)\b/.test(own.said) && /\bthat(?:'s| is)?$/.test(clauses.at(-2)?.said ?? '')));
  if (!isThen || named) return null;
  const told = momentTold(r, text, from, own.from);
  const isSame =
    told?.kind === 'sign' &&
    told.shown.sign === shown.sign &&
    told.shown.kind !== 'text' &&
    !(told.shown.kind === 'lamp' && shown.kind === 'lamp' && told.shown.state !== shown.state);
  // a sound is counted elsewhere, unless it is a lamp that was heard before it
  const isLater = told?.kind === 'sign' && (told.shown.kind !== 'sound' || shown.kind === 'lamp');
  return isLater && !isSame ? told : null;
}

const showsThen =
  /\b(?:shows?|says?|reads?|replaced by|gives way to|turns (?:in)?to|changes? (?:in)?to|becomes?|jumps to|comes?|display:?|screen:?) (?:up )?(?:the |a )?$/;
/** What a display is told to show behind what it showed before, last of all; null where that is nothing else. */
const goesDark =
  /^(?:and |then |so |but |now )*(?:it|that|the (?:display|screen|number|counter|window)) (?:then )?(?:goes|went|is|gets|turns)(?: off)?(?: completely| all| quite| totally)? (?:dark|blank|black|empty)\b/;
function lastText(r: Reader, clauses: readonly Clause[], before: string): string | null {
  let last: string | null = null;
  for (const { words, said } of clauses) {
    if (isDenied.test(said)) continue;
    // `it shows 188. When the number goes blank, let go`
    if (before === '' && /\b(?:blank|black|dark|empty|dead|nothing)\b/.test(said)) last = null;
    words.forEach((_, i) => {
      const text = shownTextAt(words, i)?.text;
      const lead = words
        .slice(0, i)
        .map((w) => w.word)
        .join(' ');
      if (text === undefined || mentionAt(words, i, r.called.controls) !== null) return;
      if (text === before) last = null;
      else if (showsThen.test(`${lead} `)) last = text;
    });
  }
  return last;
}

/** `off your fingers at the second beep`. */
function behind(r: Reader, text: string, at: number): Moment | null {
  const end = text.slice(at).search(/[.!?\n]/);
  return end > 0 && end < 60 ? momentTold(r, text, at, at + end) : null;
}

/** What was told to show or sound last before a hand comes off, nearest first; null where nothing is. */
export function momentTold(r: Reader, text: string, from: number, to: number): Moment | null {
  const clauses = clausesOf(text, from, to);
  for (let k = clauses.length - 1; k >= 0; k -= 1) {
    const clause = clauses[k];
    if (!clause || (k < clauses.length - 1 && isDenied.test(clause.said.replace(/\bjust on\b/, '')))) continue;
    const moment = momentOf(r, clause, clauses.slice(0, k));
    if (!moment) continue;
    // `it shows 8888 and then it goes dark and that's when I let go`
    const isText = moment.kind === 'sign' && moment.shown.kind === 'text' ? moment.shown : null;
    return isText && clauses.slice(k + 1).some((c) => goesDark.test(c.said))
      ? { kind: 'sign', shown: { ...isText, text: '' }, nth: 1 }
      : moment;
  }
  return null;
}

const turnsInto =
  /\b(?:turns? (?:in)?to|becomes?|changes? (?:in)?to|is replaced by|gives way to|goes over to|jumps to) (?:the |a )?/;
const leadsText =
  /^(?:and |then |right )*(?:at|on|with|when (?:it|they|the \w+(?: \w+)?)(?:'s|'re| is| are| says?| reads?| shows?| gets? to| reach(?:es)?| hits?| come(?:s)? to)|as soon as it(?:'s| is| says| reads| shows)|once it(?:'s| is| says| reads| shows)|until it(?:'s| is| says| reads| shows)|till it(?:'s| is| says| reads| shows)|wait for|you want(?: to see)?) (?:the |a )?/;

function momentOf(r: Reader, { words, said }: Clause, before: readonly Clause[]): Moment | null {
  const display = r.called.displays;
  const [own, ...others] = display;
  // `as soon as HELLO turns into SETUP`, `at 0 you let go`
  const lead = turnsInto.exec(said) ?? leadsText.exec(said);
  if (lead && own && others.length === 0) {
    const at = said
      .slice(0, lead.index + lead[0].length)
      .trim()
      .split(' ').length;
    // `0`, `dIA`: a figure alone, large letters within a word
    const raw = words[at]?.raw ?? '';
    const text =
      shownTextAt(words, at)?.text ??
      (/^\d+$|^(?=.*\p{Ll})\p{L}+\p{Lu}\p{L}*$|^[A-HJ-Z]$/u.test(raw) ? raw : undefined);
    const isFigure = /^\d+$/.test(raw);
    const isNamed =
      !isFigure && (mentionAt(words, at, r.called.controls) !== null || mentionAt(words, at, r.called.signs) !== null);
    const isTime = /^(?:seconds?|minutes?|times?|s|sec)$/.test(words[at + 1]?.word ?? '');
    if (text !== undefined && !isNamed && !isTime)
      return { kind: 'sign', shown: { kind: 'text', sign: own.id as SignId, text }, nth: 1 };
  }
  const probe = new Reader(r.called);
  const asSaid = itemsOf(words, r.called, []);
  // said in a way that stands for a plainer one: `it'll speed up`
  const items = asSaid.some(isOf('sign', 'light', 'text')) ? asSaid : itemsOf(simpler(words, r.called), r.called, []);
  const [shown, ...also] = shownIn(probe, items);
  const times = items.find(isOf('times'))?.n ?? words.map((w) => timesOf(w.word)).find((n) => n !== null) ?? null;
  if (shown) {
    // `has flashed three times`: at its third
    const flashed = flashedSo(shown, times);
    if (flashed) return { kind: 'sign', shown: flashed, nth: times ?? 1 };
    const areLamps = shown.kind === 'lamp' && also.length > 0 && also.every((s) => s.kind === 'lamp');
    const nth = shown.kind === 'sound' ? (ordinalIn(words) ?? shown.times ?? 1) : 1;
    return { kind: 'sign', shown: withoutTimes(shown), nth, ...(areLamps && { also }) };
  }
  const light = items.find(isOf('light'));
  const seen = lampBefore(r, before);
  // `when it's quiet again`
  if (
    /\b(?:it|that|everything|all)(?:'s| is| has| goes| went| gone| falls)* (?:quiet|silent|stopped|stops)\b(?! (?:flash|blink)\w*)/.test(
      said,
    )
  ) {
    const sound = soundBefore(r, before);
    if (sound) return { kind: 'sign', shown: { kind: 'sound', sign: sound, state: 'off' }, nth: 1 };
  }
  // `when it stays on`
  const staysOn =
    /(?:\b(?:it|that|they|he|she)(?:'s)?|^(?:and|then|but)(?: then)?) (?:stays?|remains?|keeps?) (?:on|lit|steady|solid)\b|^and (?:now )?it(?:'s| is)? (?:just|now|only|simply) on$|^(?:and )?then (?:lights?|burns?|glows?|shines?|is|stays?|remains?) (?:up |on )?(?:on|lit|steady|steadily|continuously|permanently|constantly|solid)$/;
  // `when the green lamp stays`
  const lone = items.find(isOf('sign'))?.signs[0];
  if (lone?.kind === 'lamp' && /^(?:when|once|as soon as) .*\b(?:stays?|remains?)\b/.test(said))
    return { kind: 'sign', shown: { kind: 'lamp', sign: lone.id as SignId, state: 'lit' }, nth: 1 };
  if (seen && staysOn.test(said)) return { kind: 'sign', shown: { kind: 'lamp', sign: seen, state: 'lit' }, nth: 1 };
  // `once they've all gone out`
  const [lamp, ...lamps] = /\b(?:they|all|both)\b/.test(said) ? lampsBefore(r, before) : [];
  const isOut = /\b(?:they|all|both)(?:'ve|'re| have| are| all)* (?:(?:gone|go|went|goes) )?(?:off|out|dark)\b/.test(
    said,
  );
  if ((light || isOut) && lamp && lamps.length > 0) {
    const state = light ? lampState(light.light) : 'dark';
    const so = (sign: SignId): Shown => ({ kind: 'lamp', sign, state });
    return { kind: 'sign', shown: so(lamp), nth: 1, also: lamps.map(so) };
  }
  // `the moment it goes out`
  if (light && seen && /\b(?:it|that|they|he|this)(?:'s)?\b/.test(said))
    return { kind: 'sign', shown: { kind: 'lamp', sign: seen, state: lampState(light.light) }, nth: 1 };
  // `wait for all three lamps`
  const signs = items.find(isOf('sign'))?.signs ?? [];
  const [first, ...rest] = signs.flatMap((s): Shown[] =>
    s.kind === 'lamp' ? [{ kind: 'lamp', sign: s.id as SignId, state: 'lit' }] : [],
  );
  // `all three light up, then only Full`
  if (
    first &&
    (/\bwait\w*\b|\b(?:comes? back|alone|by itself|on its own)\b/.test(said) ||
      (/^then (?:only|just)\b/.test(said) && words.length < 6))
  )
    return { kind: 'sign', shown: first, nth: 1, ...(rest.length > 0 && { also: rest }) };
  return null;
}

/** `the second`, `on the third one`. */
const ordinalIn = (words: readonly Word[]): number | null =>
  words.map((w) => ordinalOf(w.word)).find((n) => n !== null && n <= 8) ?? null;

/** Several lamps that were told of last to show something together. */
function lampsBefore(r: Reader, before: readonly Clause[]): SignId[] {
  for (const { words } of [...before].reverse()) {
    const shown = shownIn(new Reader(r.called), itemsOf(words, r.called, []));
    const lamps = shown.filter((s) => s.kind === 'lamp').map((s) => s.sign);
    if (lamps.length > 1) return lamps;
  }
  return [];
}

/** The sound that was told of last; the only one there is where none was. */
function soundBefore(r: Reader, before: readonly Clause[]): SignId | null {
  const told = [...before]
    .reverse()
    .flatMap(({ words }) => words.flatMap((_, i) => mentionAt(words, i, r.called.signs)?.of ?? []));
  const last = told.find((s) => s.kind !== 'text' && s.kind !== 'segments');
  if (last) return last.kind === 'beeper' ? (last.id as SignId) : null;
  const all = r.called.sounds;
  return all.length === 1 && all[0] ? (all[0].id as SignId) : null;
}

/** The lamp that was named last. */
function lampBefore(r: Reader, before: readonly Clause[]): SignId | null {
  for (const { words } of [...before].reverse()) {
    const named = words
      .flatMap((_, i) => mentionAt(words, i, r.called.signs)?.of ?? [])
      .filter((s) => s.kind === 'lamp');
    const last = named.at(-1);
    if (last) return last.id as SignId;
  }
  return null;
}
