import type { ControlId, PlaceId } from '../../base/ids.ts';
import type { Step } from '../../model/route.ts';
import type { Shown } from '../../model/shown.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import { pressedBefore, turnToHold } from './holds.ts';
import { farthest, saysLetGo } from './letting-go.ts';
import { placeByVerb } from './mentions.ts';
import type { Made, Reader } from './reader.ts';

const gives = String.raw`(?:switch\w*|power\w*|turn\w*|flick\w*|flip\w*|put\w*|plug\w*|bring\w*|brought|throw\w*|comes?|goes|gets?|slid\w*|stick\w*|stuck|shov\w*|connect\w*|insert\w*|gives?|made?|makes?)`;
/** Words that take the supply away. */
const takenAway = new RegExp(
  String.raw`\b(?:${gives}|kill\w*|take\w*|took|pull\w*|unplug\w*|disconnect\w*)\b(?:\W+\w+){0,4}?\W+(?:off|out|down)\b(?! (?:the|your|my) \w+ (?:lamp|light))|(?<=[.,;:!?\n]\s*|\bthen |\band )(?:off|out)(?= again| it goes| and\b|\s*[.,;:!?\n])|\bunplug\w*`,
  'gi',
);
/** How far before it is switched on a unit is said to be switched off, in letters. */
const nearBy = 220;

/** Words that give the supply back, whoever and whatever it is said of. */
const givenBack = new RegExp(
  String.raw`\b${gives}\b(?:\W+\w+){0,4}?\W+(?:on|in|up|back|connected)\b(?! (?:the|it|them|both|my|your|with|top)\b)|(?<=[.,;:!?\n]\s*)(?:and |then |now )?(?:back )?(?:on|in)(?= again| it goes|\s*[.,;:!?\n])`,
  'gi',
);

/** What is called so carries the supply of the whole unit; the plug of a sensor does not. */
const isMain = ({ control }: ControlFacts): boolean =>
  /^(?:breaker|switch|rocker|fuse)$/.test(control.look) ||
  /\b(?:mains?|power|batt\w*|supply|isolator|pack|cord|cable|breaker|fuse|key)\b|^plug$/i.test(control.label);

const isAlive = (shown: Shown): boolean =>
  shown.kind === 'lamp' ? shown.state !== 'dark' : shown.kind === 'sound' ? shown.state === 'on' : shown.text !== '';
/** What a step needs the unit to show or sound. */
const showsOf = (step: Step): readonly Shown[] =>
  step.kind === 'see' && step.must === 'must'
    ? step.signs
    : step.kind === 'release' && step.at?.kind === 'sign'
      ? [step.at.shown]
      : step.kind === 'hold' && step.until.kind === 'moment' && step.until.moment.kind === 'sign'
        ? [step.until.moment.shown]
        : [];

/**
 * `hold Fan and Stop, isolator on. There. Off!`: while keys are held and the unit has come on, it is not switched off for what
 * it shows next; it is the hands that come off. Where it is switched on again, or other things are put where they belong
 * behind it, it was meant.
 */
export function dropOffHeld(r: Reader): void {
  const wrong = new Set<Made>();
  for (const [i, hold] of r.made.entries()) {
    if (hold.step.kind !== 'hold' || hold.step.until.kind !== 'release') continue;
    let live: string | null = null;
    for (let k = i + 1; k < r.made.length; k += 1) {
      const made = r.made[k];
      const { step } = made ?? {};
      if (step?.kind === 'see') continue;
      const own = step?.kind === 'set' ? r.called.facts.controls.get(step.control) : undefined;
      if (!made || step?.kind !== 'set' || !own || own.powersAt.size === 0 || !isMain(own)) break;
      if (own.powersAt.has(step.to)) live = step.control;
      else if (live === step.control && /^(?:see|release|press|together)$/.test(r.made[k + 1]?.step.kind ?? ''))
        wrong.add(made);
    }
  }
  r.drop(wrong);
}

/**
 * A unit whose supply was taken away shows and sounds nothing: where it is told that it does, somebody gave the supply back
 * before, in words that were not heard. They are looked for between the two.
 */
export function findSupplyBack(r: Reader, text: string): void {
  let dead: Readonly<{ at: number; own: ControlFacts }> | null = null;
  for (let i = 0; i < r.made.length; i += 1) {
    const step = r.made[i]?.step;
    if (!step) break;
    for (const own of setsIn(step))
      if (own.facts.powersAt.has(own.to)) {
        if (dead?.own === own.facts) dead = null;
      } else dead = { at: i, own: own.facts };
    if (!dead || !showsOf(step).some(isAlive)) continue;
    const to = placeByVerb(dead.own, 'on') ?? placeByVerb(dead.own, 'in');
    const from = r.made[dead.at]?.to ?? 0;
    const said = to ? lastSaid(r.made, text, from, r.made[i]?.from ?? from, givenBack) : null;
    if (to && said) {
      const behind = r.made.findIndex((m, k) => k > (dead?.at ?? 0) && m.from > said.from);
      const place = behind < 0 || behind > i ? i : behind;
      const sentence = r.made[place]?.sentence ?? 0;
      r.made.splice(place, 0, { step: { kind: 'set', control: dead.own.control.id, to }, ...said, sentence });
    }
    dead = null;
  }

  function setsIn(step: Step): Array<Readonly<{ facts: ControlFacts; to: PlaceId }>> {
    const steps = step.kind === 'group' ? step.steps : [step];
    return steps.flatMap((s) => {
      const facts = s.kind === 'set' ? r.called.facts.controls.get(s.control as ControlId) : undefined;
      return s.kind === 'set' && facts && facts.powersAt.size > 0 && isMain(facts) ? [{ facts, to: s.to }] : [];
    });
  }
}

/** `off again, link out, and on`: it was on, so what switches it on tells that it was switched off before. */
export function findSupplyAway(r: Reader, text: string): void {
  for (const { own, to, from, end } of r.putAgain) {
    const said = own.powersAt.has(to)
      ? saidAway(
          r.made.filter((m) => m.from <= from),
          text,
          own,
          to,
          from,
        )
      : null;
    if (!said) continue;
    r.insert(said.step, said);
    r.insert({ kind: 'set', control: own.control.id, to }, { from, to: end });
  }
  for (let i = 0; i < r.made.length; i += 1) {
    const made = r.made[i];
    const own = made?.step.kind === 'set' ? r.called.facts.controls.get(made.step.control) : undefined;
    if (made?.step.kind !== 'set' || !own?.powersAt.has(made.step.to)) continue;
    const said = saidAway(r.made.slice(0, i), text, own, made.step.to, made.from);
    if (!said) continue;
    r.insert(said.step, said);
    i += 1;
  }
}

/** Where a supply that was on is said to be switched off, shortly before it is switched on once more. */
function saidAway(made: readonly Made[], text: string, own: ControlFacts, to: PlaceId, from: number) {
  const last = made.findLast((m) => m.step.kind === 'set' && m.step.control === own.control.id);
  const away = placeByVerb(own, 'off') ?? placeByVerb(own, 'out');
  if (last?.step.kind !== 'set' || last.step.to !== to || !away || own.powersAt.has(away)) return null;
  const said = lastSaid(made, text, Math.max(last.to, from - nearBy), from, takenAway);
  const step: Step = { kind: 'set', control: own.control.id, to: away };
  return said && { ...said, step };
}

/** Where the supply was last said to be given back or taken, and nothing else was made of it. */
function lastSaid(
  made: readonly Made[],
  text: string,
  from: number,
  to: number,
  words: RegExp,
): Readonly<{ from: number; to: number }> | null {
  if (to - from > 600) return null;
  const found = [...text.slice(from, to).matchAll(words)].map((m) => ({
    from: from + m.index,
    to: from + m.index + m[0].length,
  }));
  const isFree = (s: { from: number; to: number }): boolean =>
    !made.some((m) => m.step.kind === 'set' && m.from < s.to && m.to > s.from);
  return found.filter(isFree).at(-1) ?? null;
}

const mostKeys = 3;
/**
 * Keys that are pressed while the unit has no supply, right before it comes back, do nothing unless they stay pressed: they
 * are held from there on, where it is told later that a hand comes off them.
 */
export function holdThrough(r: Reader, text: string): void {
  const dead = new Set<string>();
  for (let i = 0; i < r.made.length; i += 1) {
    const step = r.made[i]?.step;
    if (step?.kind !== 'set') continue;
    const own = r.called.facts.controls.get(step.control);
    if (!own || own.powersAt.size === 0 || !isMain(own)) continue;
    const isOn = own.powersAt.has(step.to);
    if (isOn && dead.has(step.control)) {
      const { first, keys } = pressedBefore(r, i, (_, all) => all.length <= mostKeys);
      const held = r.held;
      const isLetGo = saysLetGo(text.slice(r.made[i]?.to ?? 0, (r.made[i]?.to ?? 0) + farthest));
      if (keys.length > 0 && isLetGo) {
        turnToHold(r, first, i - first, keys);
        r.held = held;
        i = first + 1;
      }
    }
    if (isOn) dead.delete(step.control);
    else dead.add(step.control);
  }
}
