import type { Step } from '../../model/route.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import { lengthAt } from './amounts.ts';
import { heldOf } from './holds.ts';
import { momentTold } from './letting-go.ts';
import { mentionAt } from './mentions.ts';
import { isPush, type Reader, spanOf } from './reader.ts';
import { type Word, wordsOf } from './text.ts';

type Pair = Readonly<{
  keys: readonly [ControlFacts, ControlFacts];
  at: number;
  end: number;
  from: number;
  to: number;
}>;

/**
 * Two keys named together of which nothing was made. Without supply they do nothing unless they are held while it comes back:
 * where it does next, they are. With it they are held where it is told behind them for how long, or until when.
 */
export function findPairs(r: Reader, text: string): void {
  joinHolds(r);
  const words = wordsOf(text);
  for (let i = 0; i < words.length; i += 1) {
    const pair = pairAt(r, words, i);
    if (!pair || !isHeld(words, pair)) continue;
    const behind = r.made.findIndex((m) => m.from > pair.from);
    const index = behind < 0 ? r.made.length : behind;
    const own = r.made.filter((m) => m.from < pair.to && m.to > pair.from && m.step.kind !== 'set');
    // named once more beside what was made of it
    const isTold = r.made
      .slice(Math.max(0, index - 2), index + 2)
      .some(
        ({ step }) =>
          step.kind === 'hold' && pair.keys.every((k) => step.controls.some((c) => c.control === k.control.id)),
      );
    if (isTold) continue;
    // one of the two, or both, pressed one after the other
    const isPressed = own.every(
      ({ step }) => step.kind === 'press' && step.times === 1 && pair.keys.some((k) => k.control.id === step.control),
    );
    if (!isPressed || (own.length > 1 && !isHeld(words, pair, staysDown))) continue;
    const first = r.made.findIndex((m) => own.includes(m));
    const made = [...r.made];
    r.made.splice(0, r.made.length, ...made.filter((m) => !own.includes(m)));
    if (!hold(r, text, words, pair, own.length === 0 ? index : first)) r.made.splice(0, r.made.length, ...made);
    i = pair.end - 1;
  }
}

/** `You hold Zero, and you hold Program as well`: both, where nothing is done between. */
function joinHolds(r: Reader): void {
  for (let i = 0; i + 1 < r.made.length; i += 1) {
    const [a, b] = [r.made[i], r.made[i + 1]];
    if (a?.step.kind !== 'hold' || b?.step.kind !== 'hold' || a.step.until.kind !== 'release') continue;
    const controls = [...a.step.controls, ...b.step.controls];
    const arePushed = controls.every((c) => {
      const own = r.called.facts.controls.get(c.control);
      return own !== undefined && isPush(own);
    });
    const areTwo = new Set(controls.map((c) => c.control)).size === controls.length;
    if (!arePushed || !areTwo || b.sentence - a.sentence > 1) continue;
    const ids = controls.map((c) => c.control);
    r.made.splice(i, 2, { ...b, from: a.from, step: { ...b.step, controls } });
    const off = r.made.findIndex((m, k) => k > i && m.step.kind === 'release');
    const release = r.made[off];
    if (release?.step.kind === 'release' && release.step.controls.every((id) => ids.includes(id)))
      r.made[off] = { ...release, step: { ...release.step, controls: ids } };
  }
}

const and = /^(?:and|&|plus|\+|with)$/;
const limb = /^(?:hand|thumb|finger|foot)$/;
/** Two keys with an *and* between, and no more of them before or behind. */
function pairAt(r: Reader, words: readonly Word[], at: number): Pair | null {
  const keyAt = (i: number) => {
    const named = mentionAt(words, i, r.called.controls);
    return named && isPush(named.of) ? named : null;
  };
  const one = keyAt(at);
  if (!one) return null;
  let next = at + one.length;
  // `Plus in this hand and Enter in that`
  if (/^(?:in|with|under)$/.test(words[next]?.word ?? '') && limb.test(words[next + 2]?.word ?? '')) next += 3;
  if (!and.test(words[next]?.raw ?? '')) return null;
  next += /^(?:the|with)$/.test(words[next + 1]?.word ?? '') ? 2 : 1;
  const other = keyAt(next);
  if (!other || other.of === one.of) return null;
  const end = next + other.length;
  const isMore = (i: number): boolean =>
    keyAt(i) !== null || (/^(?:,|and|then)$/.test(words[i]?.raw ?? '') && keyAt(i + 1) !== null);
  const before = words[at - 1]?.raw ?? '';
  if (isMore(end) || keyAt(at - 1) || (/^(?:,|and|then|-)$/.test(before) && keyAt(at - 2))) return null;
  const [from, to] = [words[at]?.from ?? 0, words[end - 1]?.to ?? 0];
  return { keys: [one.of, other.of], at, end, from, to };
}

const stop = /^[.!?\n;…]$/;
const denies =
  /^(?:not|don't|dont|never|no|without|if|release|releases|released|releasing|off|unless|instead|than|or|between|beside|above|below|behind|under)$/;
const staysDown =
  /^(?:hold|holds|held|holding|keep|keeps|kept|down|both|together|thumbs?|fingers?|hands?|each|squeeze|lean|time|simultaneously|until|till)$/;
const keeps = new RegExp(`${staysDown.source}|^(?:press|presses|pressed|pressing|push|pushed|pair)$`);
/** Whether something is said around two keys that a hand does to both at once, and nothing that takes it back. */
function isHeld(words: readonly Word[], { at, end }: Pair, by: RegExp = keeps): boolean {
  let from = at;
  while (from > 0 && at - from < 12 && !stop.test(words[from - 1]?.raw ?? '')) from -= 1;
  const before = words.slice(from, at);
  if (before.slice(-6).some((w) => denies.test(w.word))) return false;
  let to = end;
  let stops = 0;
  while (to < words.length && to - end < 14) {
    const raw = words[to]?.raw ?? '';
    if (raw === '?' && stops === 0) return false;
    if (stop.test(raw) && ++stops > 1) break;
    to += 1;
  }
  return (
    [...before.slice(-8), ...words.slice(end, to)].some((w) => by.test(w.word)) || lengthBehind(words, end) !== null
  );
}

/** How long is told right behind two keys: not within which time. */
function lengthBehind(words: readonly Word[], end: number) {
  for (let k = end; k < end + 10 && k < words.length; k += 1) {
    if (/^(?:within|in|have|you've|got|inside|wait|then)$/.test(words[k]?.word ?? '')) return null;
    const length = lengthAt(words, k);
    if (length) return length;
  }
  return null;
}

/** Whether the supply, gone by then, comes back with what is told next. */
function comesOn(r: Reader, index: number): boolean {
  const off = new Set<string>();
  for (const { step } of r.made.slice(0, index)) {
    const own = step.kind === 'set' ? r.called.facts.controls.get(step.control) : undefined;
    if (step.kind !== 'set' || !own || own.powersAt.size === 0) continue;
    if (own.powersAt.has(step.to)) off.delete(step.control);
    else off.add(step.control);
  }
  for (const { step } of r.made.slice(index, index + 3)) {
    if (step.kind !== 'set') return false;
    if (off.has(step.control)) return r.called.facts.controls.get(step.control)?.powersAt.has(step.to) ?? false;
  }
  return false;
}

/** Holds two keys as long as it is told; whether it is known how long. */
function hold(r: Reader, text: string, words: readonly Word[], { keys, end, from, to }: Pair, index: number): boolean {
  const controls = keys.map((own) => heldOf(own, null));
  const sentence = r.made[index - 1]?.sentence ?? 0;
  const put = (until: Extract<Step, { kind: 'hold' }>['until']): boolean => {
    r.made.splice(index, 0, { step: { kind: 'hold', controls, until }, from, to, sentence });
    return true;
  };
  if (comesOn(r, index)) return put({ kind: 'release' });
  const length = lengthBehind(words, end);
  if (length) return put({ kind: 'span', span: spanOf(length) });
  const until = words.findIndex((w, k) => k >= end && k < end + 12 && /^(?:until|till)$/.test(w.word));
  if (until < 0) return false;
  const stops = words.findIndex((w, k) => k > until && (stop.test(w.raw) || k > until + 10));
  const ends = words[stops < 0 ? words.length - 1 : stops]?.from ?? text.length;
  const moment = momentTold(r, text, words[until]?.from ?? to, ends);
  return moment !== null && put({ kind: 'moment', moment });
}
