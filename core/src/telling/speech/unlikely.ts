import type { ControlId, PlaceId } from '../../base/ids.ts';
import type { Step } from '../../model/route.ts';
import type { Shown } from '../../model/shown.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import { mentionAt } from './mentions.ts';
import { isPush, type Made, type Reader, withoutTimes } from './reader.ts';
import { wordsOf } from './text.ts';

/** Words by which sounds are counted along, whoever counts them and however. */
const counting =
  /\b(?:again|another|once more|one more|second(?! ?later)|third|fourth|fifth|twice|double|(?:two|three|four|five|six|[2-6])(?! ?(?:of us|of them|of those|fingers?|hands?|thumbs?|people|men|buttons?|keys?|pads?|ones|s\b|secs?\b|seconds?|min\b|minutes?|m\b|degrees?|volts?|%)))\b/i;
/** Words by which a sound that was there is not there any more. */
const isOver =
  /\b(?:(?:stops?|stopped)(?! (?:blink|flash|flick)\w*)|finish(?:ed|es)?|over|silent|silence|quiet|ends?|ended|done)\b/i;

const notSeconds = String.raw`(?!\)| ?(?:s|secs?|seconds?|min|minutes?)\b)`;
const isMore = new RegExp(
  String.raw`\b(?:third|3rd|fourth|4th|last|double|(?:three|four|3|4)${notSeconds})\b|\b(?:another|again)\b[\s\S]*\blong`,
  'i',
);
const isOnceThenTwice =
  /\b(?:once|one time|1x|single)\b[\s\S]*\b(?:twice|two times|double|2x)\b|\ba (\p{L}+)\b[\s\S]*\btwo (?:\p{L}+ )?\1s\b/iu;
const isOfTwo =
  /\b(?:again|another|once more|one more|next|longe?r?|twice|two(?! of (?:us|them))|2x?|both)\b|\b(\p{L}{3,})\b[\s\S]{1,30}\b\1\b/iu;

/**
 * Steps nobody means as they were read. What only repeats is dropped: where a thing stands already, what a hold ended at. What was meant otherwise stays as a hole, as it is known that something is done and not
 * what: a thing put back at once, a sound while keys are held, a hand that comes off at one of several sounds.
 */
export function leaveUnlikely(r: Reader, text: string): void {
  leaveToAndFro(r, text);
  leaveHeard(r);
  leaveUncounted(r, text);
  holdTogether(r, text);
  dropNeverHeld(r);
  dropTests(r);
  leaveNotHeld(r);
  dropHeldUp(r);
  leaveUnnamed(r, text);
  leaveMany(r, text);
  dropLedAgain(r, text);
  dropShownTwice(r);
}

const isLater = /\b(?:again|back|until|till|at the end|after(?:wards?| that)|later|finally)\b/i;
/** `There. Now it's closed.`: how it has come to stand. */
const standsNow = /\b(?:there|now|so)\b.*(?:'s|\bis|\bare)\b/i;

/**
 * One control put one way and another with nothing in between. `S4, that's off, goes on`: it stood so. `The lid can stay
 * open, it need not be shut`: what has two places and is put in one has no reason to be put back at once. `Put it over the two
 * of them. There. Now it's closed`: done once. A supply is switched off and on again, and what goes to and fro several times
 * is worked that way.
 */
function leaveToAndFro(r: Reader, text: string): void {
  const stands = new Map<string, string | null>();
  for (const [id, own] of r.called.facts.controls) stands.set(id, own.start);
  const wrong = new Set<Made>();
  const unsure = new Set<Made>();
  for (let i = 0; i < r.made.length; i += 1) {
    const run = runAt(r, i);
    const [a, b, c] = run;
    const own = a && r.called.facts.controls.get(a.control);
    if (!a || !own) continue;
    if (b && run.length === 2 && a.to !== b.to) {
      const between = text.slice(a.made.to, b.made.to + 30);
      if (stands.get(a.control) === a.to) wrong.add(a.made);
      else if (isTwoWay(own) && !own.powersAt.has(b.to) && !isCycle(a.to, b.to) && !isLater.test(between))
        unsure.add(b.made);
    } else if (b && c && run.length === 3 && a.to === c.to && own.powersAt.size === 0)
      if (standsNow.test(text.slice(b.made.to, c.made.to))) for (const m of [b, c]) wrong.add(m.made);
    stands.set(a.control, run.at(-1)?.to ?? null);
    i += run.length - 1;
  }
  r.drop(wrong);
  for (const m of unsure) leave(r, r.made.indexOf(m));
}

/** What one control is put to from a step on, with nothing done in between. */
function runAt(r: Reader, from: number): Array<Readonly<{ made: Made; control: ControlId; to: PlaceId }>> {
  const sets = r.made
    .slice(from)
    .map((made) => (made.step.kind === 'set' ? { made, control: made.step.control, to: made.step.to } : null));
  const end = sets.findIndex((s) => s === null || s.control !== sets[0]?.control);
  return sets.slice(0, end < 0 ? undefined : end).filter((s) => s !== null);
}

/** Off and on, out and in: what is started anew that way. */
const isCycle = (from: PlaceId, to: PlaceId): boolean => /^(?:off|out|0)$/.test(from) && /^(?:on|in|1)$/.test(to);

const isTwoWay = ({ control: { mechanism } }: ControlFacts): boolean =>
  mechanism.kind === 'places' && mechanism.places.length === 2;

/** `keep them in. The bell goes. Not yet.`: what sounds while keys are held is counted for where a hand comes off, and no step. */
function leaveHeard(r: Reader): void {
  const held = new Set<string>();
  for (let i = 0; i < r.made.length; i += 1) {
    const m = r.made[i];
    if (m?.step.kind === 'hold' && m.step.until.kind === 'release')
      for (const c of m.step.controls.filter((h) => isKey(r, h.control))) held.add(c.control);
    else if (m?.step.kind === 'release') for (const c of m.step.controls) held.delete(c);
    else if (
      m?.step.kind === 'see' &&
      held.size > 0 &&
      i + 1 < r.made.length &&
      (m.step.signs.every((s) => s.kind === 'sound') || (areLit(m.step.signs) && !comesOff(r.made, i)))
    ) {
      leave(r, i);
      i -= 1;
    }
  }
}

const areLit = (signs: readonly Shown[]): boolean => signs.every((s) => s.kind === 'lamp' && s.state === 'lit');
/** Whether a hand comes off something before anything else is done. */
const comesOff = (made: readonly Made[], from: number): boolean =>
  made.slice(from + 1).find((m) => m.step.kind !== 'see' && m.step.kind !== 'rest')?.step.kind === 'release';

/** `it pips, and again, then off`: at which of them is not known where they were not counted. */
function leaveUncounted(r: Reader, text: string): void {
  for (let i = 0; i < r.made.length; i += 1) {
    const m = r.made[i];
    if (m?.step.kind !== 'release' || m.step.at?.kind !== 'sign') continue;
    const { shown, nth } = m.step.at;
    if (shown.kind !== 'sound' || shown.state !== 'on' || nth > 2) continue;
    const from = r.made.slice(0, i).findLast((x) => x.step.kind !== 'see' && x.to <= m.from)?.to ?? 0;
    const told = text.slice(Math.min(from, m.from), m.to) + (/^[^.!?\n]{0,40}/.exec(text.slice(m.to))?.[0] ?? '');
    if (nth === 1 ? isFirst(told) : isSecond(told)) continue;
    leave(r, i);
    i -= 1;
  }
}

/** Whether the first is told as such, or nothing is told of further ones nor of its end. */
const isFirst = (told: string): boolean =>
  /\b(?:very first|first (?:beep|buzz|pip|ding|bell|tone|one|time))\b/i.test(told) ||
  (!counting.test(told) && !isOver.test(told));

/** Whether the second is told as such, and nothing is told of further ones. */
const isSecond = (told: string): boolean =>
  !isMore.test(told) && (/\b(?:second|2nd)\b/i.test(told) || (isOfTwo.test(told) && !isOnceThenTwice.test(told)));

/**
 * A hand that comes off what it has pressed since, or at once, nothing shown and nothing done between: when it did was not
 * heard.
 */
function leaveNotHeld(r: Reader): void {
  const pressed = new Set<string>();
  for (let i = 0; i < r.made.length; i += 1) {
    const { step } = r.made[i] ?? {};
    if (step?.kind === 'hold') for (const c of step.controls) pressed.delete(c.control);
    for (const id of pressedIn(step)) pressed.add(id);
    if (step?.kind !== 'release') continue;
    const before = r.made[i - 1]?.step;
    const isAtOnce =
      step.at === undefined &&
      before?.kind === 'set' &&
      (r.called.facts.controls.get(before.control)?.powersAt.has(before.to) ?? false);
    const isPressed = step.controls.every((id) => pressed.has(id));
    if (step.controls.every((id) => isKey(r, id)) && (isAtOnce || isPressed)) {
      leave(r, i);
      i -= 1;
    }
  }
}

/** `with Mill and Fill together, the siren makes short`: held until it does. */
function holdTogether(r: Reader, text: string): void {
  for (let i = 0; i + 1 < r.made.length; i += 1) {
    const [m, next] = [r.made[i], r.made[i + 1]];
    if (m?.step.kind !== 'together' || m.step.times !== 1 || next?.step.kind !== 'see') continue;
    const [shown, ...others] = next.step.signs;
    if (
      shown?.kind !== 'sound' ||
      others.length > 0 ||
      next.sentence !== m.sentence ||
      /\d|\bfor\b/.test(text.slice(m.to, next.from))
    )
      continue;
    const moment = { kind: 'sign' as const, shown: withoutTimes(shown), nth: shown.times ?? 1 };
    const controls = m.step.controls.map((control) => ({ control }));
    r.made.splice(i, 2, { ...m, to: next.to, step: { kind: 'hold', controls, until: { kind: 'moment', moment } } });
  }
}

/** `keep both pressed until it says SYS. Release both keys.`: a hand that is off already, and what nobody ever held. */
function dropNeverHeld(r: Reader): void {
  const held = new Set<string>();
  const beside = r.made.filter(({ step }) => {
    if (step.kind === 'hold' || step.kind === 'keep') for (const c of step.controls) held.add(c.control);
    if (step.kind !== 'release') return false;
    const isAny = step.controls.some((c) => held.has(c));
    return !isAny && step.at === undefined && held.size > 0 && !step.controls.every((c) => isKey(r, c));
  });
  r.drop(new Set(beside));
}

/** `it says 88. Wait for the beep.`: all of a display lit while keys are held, and let go of at something else. */
function dropTests(r: Reader): void {
  const tests = r.made.filter((m, i) => {
    const [only, ...others] = m.step.kind === 'see' ? m.step.signs : [];
    if (only?.kind !== 'text' || others.length > 0 || !/^8{2,}$/.test(only.text)) return false;
    const held = r.made.slice(0, i).findLastIndex((x) => x.step.kind === 'hold' && x.step.until.kind === 'release');
    const isHeld = held >= 0 && r.made.slice(held, i).every((x) => x.step.kind !== 'release');
    return isHeld && r.made.slice(i + 1).some((x) => x.step.kind === 'release' && x.step.at !== undefined);
  });
  r.drop(new Set(tests));
}

/** `hold the arm while you do that, it's heavy`: what stays where it is put is not held for the unit. */
function dropHeldUp(r: Reader): void {
  const stays = (id: ControlId): boolean => {
    const own = r.called.facts.controls.get(id);
    const isLetGo = r.made.some((m) => m.step.kind === 'release' && m.step.controls.includes(id));
    return own?.mechanism.kind === 'places' && own.springs.size === 0 && own.control.look !== 'pedal' && !isLetGo;
  };
  const beside = r.made.filter(
    ({ step }) => step.kind === 'hold' && step.until.kind === 'release' && step.controls.every((c) => stays(c.control)),
  );
  for (const m of beside) r.holes.push({ from: m.from, to: m.to, why: 'warned' });
  r.drop(new Set(beside));
}

const soundSaid =
  /\b(?:beep|bleep|buzz|ring|rang|rung|chime|honk|horn|hoot|bell|gong|tone|pip|peep|bip|chirp|ding|bong|whistl|squeal|squeak|(?:once|twice|three|four|five) times?|toot|blip|ping|signal|sound|noise|siren|alarm|click|clack|tick)\w*/i;
const ends =
  /\b(?:over|gone(?! (?:once|twice|\w+ times|off\b))|goes out|went out|goes off|went off|(?:stops?|stopped)(?! (?:blink|flash|flick)\w*)|finish\w*|disappears?|vanish\w*|ends?|ended|silent|quiet|extinguish\w*)\b/i;
const ordinals = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'];
/**
 * `it says CHECK. Wait. When it says the other one, let go`: a hand that comes off at something that is named neither where that
 * is told nor right before, or at its beginning where its end is told. Of a sound it is enough which of them it is.
 */
function leaveUnnamed(r: Reader, text: string): void {
  for (let i = r.made.length - 1; i >= 0; i -= 1) {
    const m = r.made[i];
    if (m?.step.kind !== 'release' || m.step.at?.kind !== 'sign') continue;
    const { shown, nth } = m.step.at;
    const own = sentenceOf(text, m);
    const isNth = new RegExp(`\\b(?:${ordinals[nth - 1] ?? ''}|${nth}(?:st|nd|rd|th)?)\\b`, 'i').test(own.said);
    const isNamed =
      names(r, own.said, shown) ||
      names(r, shown.kind === 'text' ? own.before : own.lately, shown) ||
      (shown.kind === 'sound' && isNth);
    const begins = shown.kind === 'sound' ? shown.state === 'on' : shown.kind === 'lamp' && shown.state === 'lit';
    if (!isNamed || (begins && ends.test(own.said.slice(-75).replace(/.*\b(?:comes?|came|stays?|is|goes) on\b/i, ''))))
      leave(r, i);
  }
}

/** The sentence a step was told in, and the one before; of what is told without stops some words. */
function sentenceOf(text: string, { from, to }: Made): Readonly<{ said: string; before: string; lately: string }> {
  const lead = text.slice(Math.max(0, from - 240), from);
  const parts = lead.split(/[.!?\n…]+/);
  const tail = /^[^.!?\n…]{0,50}/.exec(text.slice(to))?.[0] ?? '';
  const said = `${(parts.at(-1) ?? '').slice(-200)}${text.slice(from, to)}${tail}`;
  return {
    said,
    before: parts.slice(0, -1).findLast((part) => /[\p{L}\p{N}]|--/u.test(part)) ?? '',
    lately: lead.slice(-140),
  };
}

const figures = /\b(?:zero|one|two|three|four|five|six|seven|eight|nine|nought|oh|double|triple)\b/i;
/** Whether words name what shows or sounds. */
function names(r: Reader, said: string, shown: Shown): boolean {
  const words = wordsOf(said);
  if (words.some((_, i) => mentionAt(words, i, r.called.signs)?.of.id === shown.sign)) return true;
  if (shown.kind === 'sound') return soundSaid.test(said);
  if (shown.kind === 'lamp') return /\b(?:lamps?|lights?|leds?|all)\b/i.test(said);
  return (
    shown.text === '' ||
    said.toLowerCase().includes(shown.text.toLowerCase()) ||
    (/^[\d-]+$/.test(shown.text) && (figures.test(said) || /\bdash/i.test(said)))
  );
}

/** Presses told further apart than this, in letters, are not of one row. */
const apart = 30;
const leastKeys = 3;
/** That a key leads on: said between one press of it and the next. */
const isLed = /\b(?:older|newer|next|following|one (?:more|before|after)|the rest|others)\b/i;
/** `Mode gives the next. P07. Mode again. P19.`: what leads on is told once, however often somebody does it. */
function dropLedAgain(r: Reader, text: string): void {
  const isRow = ({ step }: Made): boolean => step.kind === 'group' && step.window !== undefined;
  const rowed = r.made.findIndex((m) => isRow(m) && pressedIn(m.step).length >= leastKeys);
  // a code, or a knob put to and fro
  const isPut = (m: Made): boolean =>
    m.step.kind === 'group' && isRow(m) && m.step.steps.every((x) => x.kind === 'set');
  const entered = rowed >= 0 ? rowed : r.made.findIndex((m) => m.step.kind === 'dial' || isPut(m));
  if (entered < 0) return;
  const again = r.made.filter((m, i) => {
    const before = r.made[i - 1];
    // the first of those in a row
    let first = i;
    const isSame = (x: Made | undefined): boolean =>
      x?.step.kind === 'press' && m.step.kind === 'press' && x.step.control === m.step.control;
    while (isSame(r.made[first - 1])) first -= 1;
    return (
      i > entered + 1 &&
      m.step.kind === 'press' &&
      before?.step.kind === 'press' &&
      m.step.times === 1 &&
      before.step.control === m.step.control &&
      (m.from - before.to > apart || isLed.test(text.slice(r.made[first]?.from ?? 0, m.from))) &&
      // `press Drain again for the next one`: what it is for is told
      !/\b(?:next|following)\b/i.test(text.slice(m.from, m.to + 30))
    );
  });
  r.drop(new Set(again));
  // `Rinse is the next one. I had E8 five times`: how often that was there
  for (const [i, m] of r.made.entries()) {
    const isAlone = [r.made[i - 1], r.made[i + 1]].every((x) => x?.step.kind !== 'press');
    // `then press twice`: so often it is done
    const isTold = /\b(?:press|push|tap|hit|touch|jab)\w*\b[^.;:!?]*$/i.test(
      text.slice(Math.max(0, m.from - 14), m.to),
    );
    if (rowed >= 0 && i > rowed && m.step.kind === 'press' && m.step.times > 1 && isAlone && !isTold)
      r.made[i] = { ...m, step: { ...m.step, times: 1 } };
  }
}

const mostPresses = 8;
/** Nobody presses one key more than a few times in a row, but where it is said so: it was a figure that was read out. */
function leaveMany(r: Reader, text: string): void {
  for (let i = r.made.length - 1; i >= 0; i -= 1) {
    const m = r.made[i];
    if (m?.step.kind !== 'press' || m.step.times <= mostPresses) continue;
    if (!/\b(?:times|presses|taps|x)\b|×/i.test(text.slice(m.from, m.to + 12))) leave(r, i);
  }
}

/** `hold both till the red lamp is out, and it goes out`: told once more. */
function dropShownTwice(r: Reader): void {
  const again = r.made.filter((m, i) => {
    const before = r.made[i - 1]?.step;
    const moment =
      before?.kind === 'hold' && before.until.kind === 'moment'
        ? before.until.moment
        : before?.kind === 'release'
          ? before.at
          : null;
    const [own, ...others] = m.step.kind === 'see' && m.step.must === 'must' ? m.step.signs : [];
    if (!own || others.length > 0 || moment?.kind !== 'sign') return false;
    // `until it buzzes twice. Buzzed twice.`
    const isCounted = own.kind === 'sound' && own.times === moment.nth;
    return JSON.stringify(moment.shown) === JSON.stringify(isCounted ? withoutTimes(own) : own);
  });
  r.drop(new Set(again));
}

/** The keys a step presses, in order. */
function pressedIn(step: Step | undefined): readonly string[] {
  if (step?.kind === 'group') return step.steps.flatMap(pressedIn);
  return step?.kind === 'press' ? Array<string>(step.times).fill(step.control) : [];
}
const isKey = (r: Reader, id: ControlId): boolean => {
  const own = r.called.facts.controls.get(id);
  return own !== undefined && isPush(own);
};

/** A step that was meant otherwise becomes a hole. */
function leave(r: Reader, i: number): void {
  const m = r.made[i];
  if (!m) return;
  // what was left out because it stood so by this step is done after all
  r.drop(new Set([m]));
  r.holes.push({ from: m.from, to: m.to, why: 'not-understood' });
}
