import type { PlaceId } from '../../base/ids.ts';
import { ordinalOf } from '../../spoken/numbers.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import { mentionAt, placeAt, placeByVerb } from './mentions.ts';
import { placeDone } from './place-by-kind.ts';
import { type Made, type Reader, setsWithin } from './reader.ts';
import { type Word, wordsOf } from './text.ts';

/**
 * What is put back was put away before. Where a thing that has two places is told into the one it stands in already, the
 * words that put it into the other one were not understood: they are looked for between the two, where it is named, nothing
 * was made of it, and something is said that brings it there. So is what is left put away at the end, while all else is
 * put back.
 */
export function findPutAway(r: Reader, text: string): void {
  freeNotHeld(r);
  const words = wordsOf(text);
  for (const own of r.called.facts.controls.values()) {
    const { mechanism } = own;
    if (mechanism.kind !== 'places' || isWorked(r, own)) continue;
    let stands: PlaceId | null = own.start;
    let from = 0;
    for (const { to, at, end, again } of setsOf(r, own)) {
      for (const { id } of to === stands ? mechanism.places : []) {
        const said = id === to ? null : saidIn(r, words, own, id, from, at);
        if (!said) continue;
        r.insert({ kind: 'set', control: own.control.id, to: id }, said);
        // it had been left out as it stood so
        if (again) r.insert({ kind: 'set', control: own.control.id, to }, { from: at, to: end });
        break;
      }
      stands = to;
      from = end;
    }
    const back = putBackFrom(r);
    if (back !== null && stands !== null && own.start !== null && stands !== own.start) {
      const said = saidIn(r, words, own, own.start, Math.max(from, back), text.length);
      if (said) r.insert({ kind: 'set', control: own.control.id, to: own.start }, said);
    }
  }
}

/** `release the prop brake`, which nobody held: it is put where it is free. */
function freeNotHeld(r: Reader): void {
  for (const [i, m] of r.made.entries()) {
    const [id, ...others] = m.step.kind === 'release' ? m.step.controls : [];
    const own = id === undefined || others.length > 0 ? undefined : r.called.facts.controls.get(id);
    const isHeld = r.made
      .slice(0, i)
      .some(({ step }) => step.kind === 'hold' && step.controls.some((c) => c.control === id));
    if (!own || isHeld || own.mechanism.kind !== 'places' || own.springs.size > 0) continue;
    const free = own.mechanism.places.find((p) => /^(?:free|released?|loose|unlocked|off|out)$/.test(p.id));
    if (free) r.made[i] = { ...m, step: { kind: 'set', control: own.control.id, to: free.id } };
  }
}

/** Whether a control is worked to and fro in one step. */
const isWorked = (r: Reader, { control }: ControlFacts): boolean =>
  r.made.some(({ step }) => setsWithin(step).filter((s) => s.control === control.id).length > 1);

type Put = Readonly<{ to: PlaceId; at: number; end: number; again: boolean }>;
/** Where one control is put, in the order it is told; what was left out because it stood so as well. */
function setsOf(r: Reader, own: ControlFacts): Put[] {
  const id = own.control.id;
  const made = r.made.flatMap((m) =>
    setsWithin(m.step)
      .filter((s) => s.control === id)
      .map((s) => ({ to: s.to, at: m.from, end: m.to, again: false })),
  );
  const again = r.putAgain
    .filter((p) => p.own.control.id === id)
    .map((p) => ({ to: p.to, at: p.from, end: p.end, again: true }));
  return [...made, ...again].sort((a, b) => a.at - b.at);
}

/** Where everything begins to be put back to where it stood at first; null where it is not. */
function putBackFrom(r: Reader): number | null {
  const stands = new Map<string, PlaceId | null>();
  let back: Made[] = [];
  for (const m of r.made) {
    if (m.step.kind !== 'set') {
      if (m.step.kind === 'hold' || m.step.kind === 'press') back = [];
      continue;
    }
    const own = r.called.facts.controls.get(m.step.control);
    const was = stands.get(m.step.control);
    if (own && was !== undefined && was !== own.start && m.step.to === own.start) back.push(m);
    stands.set(m.step.control, m.step.to);
  }
  return back[0]?.from ?? null;
}

const stop = /^[.!?\n;:…]$/;
const not =
  /^(?:not|don't|dont|never|no|won't|can't|cannot|without|leave|leaves|left|half|if|somebody|stay|stays|staying|still|already|or)$/;

/** Where words between two places of the text name a control and bring it somewhere, and nothing was made of them. */
function saidIn(
  r: Reader,
  words: readonly Word[],
  own: ControlFacts,
  to: PlaceId,
  from: number,
  end: number,
): Readonly<{ from: number; to: number }> | null {
  for (let i = 0; i < words.length; i += 1) {
    const w = words[i];
    if (!w || w.from < from) continue;
    if (w.to > end) break;
    const length = namedAt(r, words, i, own);
    if (length === 0) continue;
    const cue = isState(words, i) ? null : cueAround(r, words, i, length, own, to, from, end);
    if (cue) return { from: Math.min(w.from, cue.from), to: Math.max(cue.to, words[i + length - 1]?.to ?? 0) };
  }
  return null;
}

/** How many words name a control, by more than what it is called for sure: nothing else is meant where it has to be there. */
function namedAt(r: Reader, words: readonly Word[], i: number, own: ControlFacts): number {
  const named = mentionAt(words, i, r.called.controls);
  if (named) return named.of.control.id === own.control.id ? named.length : 0;
  const word = words[i]?.word ?? '';
  if (ownWords(r, own).has(word)) return 1;
  // `the fourth switch`, of DIP 4
  const n = /\b(\d+)$/.exec(own.control.label)?.[1];
  const nth = ordinalOf(word) ?? words[i]?.value ?? null;
  return n && nth === Number(n) && /^(?:of|switch|one|dip|has|is|goes|must|to)$/.test(words[i + 1]?.word ?? '') ? 1 : 0;
}

const known = new WeakMap<ControlFacts, ReadonlySet<string>>();
/** The words of its name that no other control and no sign has. */
function ownWords(r: Reader, own: ControlFacts): ReadonlySet<string> {
  const before = known.get(own);
  if (before) return before;
  const of = (label: string): string[] => label.toLowerCase().match(/[\p{L}\d]{3,}/gu) ?? [];
  const others = new Set<string>();
  for (const c of r.called.facts.controls.values()) if (c !== own) for (const w of of(c.control.label)) others.add(w);
  for (const s of r.called.facts.signs.values()) for (const w of of(s.label)) others.add(w);
  const all = new Set(of(own.control.label).filter((w) => !others.has(w) && !/^(?:the|and|test|start|stop)$/.test(w)));
  known.set(own, all);
  return all;
}

/** `with the key in`, `what's the knob on?`: how it stands, not what is done. */
function isState(words: readonly Word[], i: number): boolean {
  let start = i;
  while (start > 0 && i - start < 16 && !stop.test(words[start - 1]?.raw ?? '')) start -= 1;
  return (
    words
      .slice(Math.max(start, i - 3), i)
      .some((w) => /^(?:with|when|if|while|because|unless|whether|till|until)$/.test(w.word)) ||
    (i - start < 16 &&
      /^(?:what|what's|whats|which|is|are|how|have|has|do|does|did|why|where)$/.test(words[start]?.word ?? ''))
  );
}

const beside = /^(?:by|near|beside|under|below|above|behind|of|from|at|next)$/;
const reach = { back: 6, on: 20 };
function cueAround(
  r: Reader,
  words: readonly Word[],
  i: number,
  length: number,
  own: ControlFacts,
  to: PlaceId,
  from: number,
  end: number,
): Word | null {
  // forward: to the end of the next sentence, as long as nothing else is named
  let stops = 0;
  for (let k = i + length; k < words.length && k <= i + length + reach.on; k += 1) {
    const w = words[k];
    // `from the isolator again`: as it went wrong
    if (!w || w.to > end || r.isRead(w) || /^(?:again|anew)$/.test(w.word)) break;
    if (stop.test(w.raw)) {
      if (w.raw === '?') break;
      stops += 1;
      if (stops > 1) break;
      continue;
    }
    const other = mentionAt(words, k, r.called.controls);
    const isWhere = beside.test(words[k - 1]?.word ?? '') || beside.test(words[k - 2]?.word ?? '');
    if (other && other.of.control.id !== own.control.id && !other.weak && !isWhere) break;
    if (brings(words, k, own, to, k === i + length)) return w;
  }
  for (let k = i - 1; k >= 0 && k >= i - reach.back; k -= 1) {
    const w = words[k];
    if (!w || w.from < from || r.isRead(w) || stop.test(w.raw) || mentionAt(words, k, r.called.controls)) break;
    if (brings(words, k, own, to, false)) return w;
  }
  return null;
}

const plugOut = /^(?:unplug\w*|pull\w*|withdraw\w*|unscrew\w*|remov\w*|disconnect\w*|unhook\w*|take[ns]?|took)$/;
const plugIn = /^(?:plug|plugged|plugs|insert\w*|reconnect\w*|push\w*|reinsert\w*|replac\w*)$/;
const coverOff =
  /^(?:lift\w*|rais\w*|undo|undone|unscrew\w*|remov\w*|unclip\w*|unlatch\w*|take[ns]?|took|opens?|opened|opening)$/;
const coverOn = /^(?:refit\w*|replac\w*|lower\w*|clos\w*|shut\w*)$/;
const joined = /^(?:bridg\w*|join\w*|together|across|over|link\w*|connect\w*|short\w*|cap|clip)$/;
const stopIn = /^(?:push\w*|press\w*|hit|hits|hammer\w*|whack\w*|smack\w*|punch\w*)$/;
const stopOut = /^(?:pull\w*|twist\w*|releas\w*)$/;
/** Where verbs of the hand bring things of a look, by what such a place is usually called. */
const byLook: ReadonlyArray<readonly [look: RegExp, words: RegExp, to: RegExp]> = [
  [/^(?:plug|fuse|appliance)$/, plugOut, /^(?:out|off|removed|disconnected)$/],
  [/^(?:plug|fuse|appliance)$/, plugIn, /^(?:in|on|fitted|connected)$/],
  [/^(?:lid|door)$/, coverOff, /^(?:open|off|up|out)$/],
  [/^(?:lid|door)$/, coverOn, /^(?:shut|closed|on|down|in)$/],
  [/^jumper$/, joined, /^(?:on|in|bridged|closed|fitted|set|made)$/],
  [/^jumper$/, plugOut, /^(?:off|out|open|parked|removed)$/],
  [/^knob$/, stopIn, /^(?:in|pushed|pressed)$/],
  [/^knob$/, stopOut, /^(?:out|pulled|released)$/],
];
const aside =
  /^(?:the|a|an|my|your|our|his|her|its|this|that|these|those|it|them|one|two|both|each|every|top|case|front)$/;
const handed =
  /^(?:to|is|be|goes|go|come|comes|put|puts|push|pushed|flip|flipped|pull|pulls|pulled|it|them|that|back|switch|turn|turned|set|take|taken|again|right|straight)$/;

/** Whether a word says that something is brought to a place. */
function brings(words: readonly Word[], k: number, own: ControlFacts, to: PlaceId, isBehind: boolean): boolean {
  const { word = '' } = words[k] ?? {};
  if (words.slice(Math.max(0, k - 4), k).some((w) => not.test(w.word))) return false;
  // `key off and again`: as it went wrong
  if (words.slice(k + 1, k + 4).some((w) => /^(?:again|anew|over)$/.test(w.word))) return false;
  const { look } = own.control;
  for (const [of, said, place] of byLook) if (of.test(look) && said.test(word) && place.test(to)) return true;
  if (placeDone(own, word) === to) return true;
  const next = words[k + 1];
  // `in the corner`, `on the left`: where, not where to
  const isSmall = /^(?:in|on|out|off|up|down|back|over)$/.test(word);
  if (isSmall && next && aside.test(next.word) && !handed.test(words[k - 1]?.word ?? '')) return false;
  if (
    isSmall &&
    !isBehind &&
    next &&
    /^\p{L}/u.test(next.raw) &&
    !handed.test(words[k - 1]?.word ?? '') &&
    !/^(?:and|then|now|so|again|with|for|till|until|while|too|first|please|as|well)$/.test(next.word)
  )
    return false;
  if (word === 'back') return false;
  return (
    (placeAt(words, k, own)?.place ??
      (isSmall || /^(?:open|shut|close|closed|opened)$/.test(word) ? placeByVerb(own, word) : null)) === to
  );
}
