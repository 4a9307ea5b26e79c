import { pressedBefore } from './holds.ts';
import { mentionAt } from './mentions.ts';
import { isPush, type Made, type Reader } from './reader.ts';
import { type Word, wordsOf } from './text.ts';

/** How far before and behind a step it is told that it only stays, in letters. */
const near = 70;
const stays =
  /\b(?:stay|stays|stayed|staying|remain|remains|remained|remaining|keep|keeps|kept|keeping|(?:leave|leaves|leaving)(?! (?:it|them|that)\b)|(?:is|are|was|be|been) left|left (?:it|them|as)|(?:can|may|might|could) be|still|untouched)\b/i;

/** `the link stays where it is`: however that is. */
const isLeft = /\b(?:where|as|how) (?:it|they|that) (?:is|are|was|were)\b/i;

/** `there's a key, it's on normal`: how it stands. */
const standsSo = /^\W*(?:and |so )?(?:it|that|which)(?:'s| is) (?:still |now |just )?(?:on|at|in) [\w ]+$/i;
const leavesIt = /^\W*(?:and |so |just |you |please )*leaves? (?:that|it|this|them)\b/i;

/** The clause around a stretch: from the stop before it to the one behind. */
function clauseAround(text: string, { from, to }: Made): string {
  const before = text.slice(Math.max(0, from - near), from);
  const behind = text.slice(to, to + near);
  const begins = before.search(/(?:[^.,;:!?\n()–—-]|(?<! )-|-(?! ))*$/);
  const ends = behind.search(/[.,;:!?\n()]/);
  return before.slice(begins) + text.slice(from, to) + (ends < 0 ? behind : behind.slice(0, ends));
}

/** What of a clause is said of a control: from the join before its name to the next; empty where it is not named. */
function saidWith(r: Reader, control: string, clause: string): string {
  const words = wordsOf(clause);
  const at = words.findIndex((_, i) => mentionAt(words, i, r.called.controls)?.of.control.id === control);
  if (at < 0) return '';
  const isJoin = (w: Word): boolean => /^(?:and|while|then|until|till|when|as|with|but)$/.test(w.word);
  const from = words.slice(0, at).findLastIndex(isJoin) + 1;
  const end = words.findIndex((w, i) => i > at && isJoin(w) && !/^(?:it|they)$/.test(words[i + 1]?.word ?? ''));
  const own = words.slice(from, end < 0 ? words.length : end);
  // `with Start still held you turn the switch on`: what stays is another
  const isOfOther = own.some((_, i) => {
    const named = mentionAt(own, i, r.called.controls);
    return named !== null && named.of.control.id !== control;
  });
  return isOfOther ? '' : own.map((w) => w.word).join(' ');
}

/** `the plug must stay in`, `the tiller is left upright`: what stands there already and is said to stay so is not done. */
export function dropStays(r: Reader, text: string): void {
  const stands = new Map<string, string | null>();
  for (const [id, own] of r.called.facts.controls) stands.set(id, own.start);
  const beside = new Set<Made>();
  for (const m of r.made) {
    if (m.step.kind !== 'set') continue;
    const { control, to } = m.step;
    const clause = clauseAround(text, m).trim();
    // `leave that off`: what it is said of stands before
    // `Hopper lid, that one I keep shut`
    const isThat = /^\W*(?:and |so )?(?:that|this|the) one\b/i.test(clause);
    const own = leavesIt.test(clause) || isThat ? clause : saidWith(r, control, clause);
    const isKept = leavesIt.test(own) || stays.test(own);
    const isSaid = standsSo.test(clause) && stands.get(control) === to;
    if (isSaid || (isKept && (isLeft.test(own) || stands.get(control) === to))) beside.add(m);
    stands.set(control, to);
  }
  r.drop(beside);
}

const isSaidPressed =
  /\b(?:once|twice|times|one time|then|again|short(?:ly)?|brief(?:ly)?|first|tap|taps|quick(?:ly)?|let go|release[sd]?)\b|\d/i;

/** `Heat and Spin. You put two fingers on those`: keys that are named first and held then are not pressed before. */
export function dropNamedFirst(r: Reader, text: string): void {
  for (let i = 0; i < r.made.length; i += 1) {
    const hold = r.made[i];
    if (hold?.step.kind !== 'hold' || hold.step.until.kind !== 'release') continue;
    const held = hold.step.controls.flatMap((c) => r.called.facts.controls.get(c.control) ?? []);
    if (!held.every(isPush)) continue;
    const { first, keys } = pressedBefore(r, i, (key) => held.includes(key));
    const a = r.made[first];
    if (!a || keys.length < held.length || hold.sentence - a.sentence > 2) continue;
    const last = r.made[i - 1]?.to ?? a.to;
    const near = `${text.slice(a.from, Math.min(last + 16, hold.from))} ${text.slice(Math.max(last, hold.from - 16), hold.from)}`;
    if (isSaidPressed.test(near)) continue;
    r.made.splice(first, i - first);
    r.made[first] = { ...hold, from: a.from };
    i = first;
  }
}
