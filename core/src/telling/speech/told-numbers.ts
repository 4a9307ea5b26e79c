import { clickWords, unitMs } from './lexicon.ts';
import { mentionAt } from './mentions.ts';
import { fill, isStop, isWay, type KeyAt, keysIn, placeOf, saidFrom, withThem } from './named-keys.ts';
import type { Made, Reader } from './reader.ts';
import { type Word, wordsOf } from './text.ts';
import { findDialled } from './told-code.ts';
import { findChosen } from './told-menu.ts';

/**
 * Numbers that are put in with keys: a code figure by figure (`it's two six zero four, Up and Down change the figure and Enter
 * takes you to the next one`), and one that is gone up to (`with Plus to 14`). What was read of their keys in between tells
 * how, and is not done.
 */
export function findNumbers(r: Reader, text: string): void {
  const words = wordsOf(text);
  findChosen(r, words);
  findDialled(r, words);
  findStepped(r, words);
  // `until it says 00 again`: nobody goes up to that
  for (const [i, m] of r.made.entries())
    if (m.step.kind === 'step-list' && m.step.to <= m.step.start)
      r.made[i] = { ...m, step: { kind: 'press', control: m.step.control, times: 1 } };
}

const stepsUp =
  /\b(?:go|goes|step|steps|scroll|scrolls|count|counts|run|runs|move|moves|page|pages|get|climb|work|walk|come|select|selects|selected|choose|chosen|set|take|find|dial|advance|advances|tap|taps|press|presses|pressed|keep|up)\b/;
const leadsTo =
  /\b(?:to|until|till|up to|as far as|reach|reaches|reached|get to|got|at|on|select|choose|find|says|shows|reads|see|number|place|entry|position|program|parameter|item|line|point)$/;
const isRead = /\b(?:error|fault|code|entry is|means|stored|end|last|again)\b/;

/** The number at a place that a display can be stepped to: `14`, `P14`, `twenty-eight`. */
function numberAt(words: readonly Word[], i: number): Readonly<{ n: number; end: number }> | null {
  const w = words[i];
  if (!w) return null;
  const lettered = /^(?:[A-Z]{1,2}-?|[a-z])0*(\d{1,2})$/.exec(w.raw);
  if (lettered) return { n: Number(lettered[1]), end: i + 1 };
  if (w.value === null || !Number.isInteger(w.value) || w.value < 2 || w.value > 99) return null;
  const end = i + w.span;
  // `2/3`: two figures
  if (/^\d+$/.test(words[end]?.raw ?? '')) return null;
  const unit = words[end]?.word ?? '';
  const isAmount =
    unit in unitMs ||
    clickWords.has(unit) ||
    /^(?:times?|x|presses|taps|pushes|turns?|more|of|percent|degrees|bar|volts?|lamps?|beeps?|zeros?|dashes|or|to|screws?|lines?)$/.test(
      unit,
    );
  return isAmount ? null : { n: w.value, end };
}

function findStepped(r: Reader, words: readonly Word[]): void {
  if (r.called.displays.length === 0) return;
  let begin = 0;
  for (let i = 0; i <= words.length; i += 1) {
    if (!isStop(words[i])) continue;
    const end = i;
    stepIn(r, words, begin, end);
    begin = i + 1;
  }
}

function stepIn(r: Reader, words: readonly Word[], begin: number, end: number): void {
  const keys = keysIn(r, words, begin, end);
  for (let i = begin; i < end; i += 1) {
    const number =
      mentionAt(words, i, r.called.controls) || mentionAt(words, i, r.called.signs) ? null : numberAt(words, i);
    if (!number) continue;
    const pair = pairSelects(words, keys, i, number.end);
    if (pair) {
      putStep(r, words, {
        key: pair.up,
        from: Math.min(pair.up.at, pair.down.at),
        to: number.end,
        n: number.n,
        isHeld: false,
        back: pair.down,
      });
      return;
    }
    const key = keys.find((k) => {
      const [from, to] = [Math.min(k.at, i), Math.max(k.end, number.end)];
      if (
        to - from > (/\b(?:stop|stops) (?:on|at)$/.test(saidFrom(words, i - 2, i)) ? 40 : 16) ||
        othersIn(r, words, from, to, k)
      )
        return false;
      // no more keys than one go up: `hold Up and Down until it says 30`
      if (/^(?:and|or|\+|,)$/.test(words[k.at - 1]?.raw ?? '') && keys.some((o) => o.end === k.at - 1)) return false;
      return k.at < i
        ? isGoneTo(
            saidFrom(words, Math.max(begin, k.at - 5), k.at),
            saidFrom(words, k.end, isName.test(words[i - 1]?.raw ?? '') ? i - 1 : i),
            saidFrom(words, number.end, number.end + 3),
          )
        : leadsTo.test(saidFrom(words, begin, i)) &&
            stepsUp.test(saidFrom(words, begin, i)) &&
            /^(?:,? ?(?:is|appears|comes|shows|stands|there) )?(?:with|using|by|on|via|by pressing|with the|using the|by means of)(?: the)?$/.test(
              saidFrom(words, number.end, k.at),
            );
    });
    if (!key) continue;
    const [from, to] = [Math.min(key.at, i), Math.max(key.end, number.end)];
    const isHeld =
      /\b(?:hold|holding|held|(?:keep|keeping|kept)(?! (?:pressing|tapping|hitting|pushing|on (?:pressing|tapping))))\b/.test(
        saidFrom(words, Math.max(begin, key.at - 6), i),
      );
    putStep(r, words, { key, from, to, n: number.n, isHeld });
    return;
  }
  const along = keys.find((k) => goesUpWith.test(saidFrom(words, Math.max(begin, k.at - 7), k.at)));
  const n = along ? (countedTo(words, along.end, end) ?? toldBefore(words, along.at)) : null;
  if (along && n !== null) putStep(r, words, { key: along, from: along.at, to: along.end, n, isHeld: false });
}

/** Whether anything else that is moved is named between a key and a number. */
const othersIn = (r: Reader, words: readonly Word[], from: number, to: number, key: KeyAt): boolean =>
  words.slice(from, to).some((_, k) => {
    const at = from + k;
    const named = at >= key.at && at < key.end ? null : mentionAt(words, at, r.called.controls);
    return named !== null && !(named.length === 1 && isWay(words, at));
  });

/** `to DIAG 3`: what the display writes before the number. */
const isName = /^[A-Z]{3,}$/;
/** `with Forward and Backward the parameter P08 is selected`: the one goes up, the other comes back. */
function pairSelects(
  words: readonly Word[],
  keys: readonly KeyAt[],
  at: number,
  end: number,
): Readonly<{ up: KeyAt; down: KeyAt }> | null {
  const [first, last] = keys.filter((k) => k.end <= at).slice(-2);
  if (!first || !last) return null;
  const isPair =
    /^(?:and|or|\/|)$/.test(saidFrom(words, first.end, last.at)) &&
    withThem.test(saidFrom(words, first.at - 3, first.at));
  const isChosen =
    /^(?:keys? |buttons? )?(?:the |a )?(?:parameter|program|entry|number|position|item|line|point|place)$/.test(
      saidFrom(words, last.end, at),
    ) && /^(?:is|has to be|must be|can be) (?:selected|chosen|set|called|looked)/.test(saidFrom(words, end, end + 4));
  return isPair && isChosen ? { up: first, down: last } : null;
}

const goesUpWith =
  /\b(?:go|goes|step|count|scroll|move|climb|page|work)(?: your way)? (?:up|down|on|along|through)(?: there| to it| to that)? (?:with|using|by)(?: the)?$/;
/** `eleven, twelve, thirteen`: counted along, the last of them. */
function countedTo(words: readonly Word[], from: number, end: number): number | null {
  let [last, run] = [-1, 0];
  for (let i = from; i < end; i += 1) {
    const n = words[i]?.value ?? null;
    if (n === null) continue;
    run = n === last + 1 ? run + 1 : 0;
    last = n;
    if (run > 1 && words[i + (words[i]?.span ?? 1) + 1]?.value !== n + 1) return n;
  }
  return null;
}
/** `the stored faults are at entry sixteen`, in the sentence before or this one. */
function toldBefore(words: readonly Word[], at: number): number | null {
  for (let i = at - 1; i > Math.max(0, at - 24); i -= 1) {
    const number = numberAt(words, i);
    if (
      number &&
      /\b(?:entry|number|place|position|program|parameter|item|is|at|to|want)$/.test(saidFrom(words, i - 2, i))
    )
      return number.n;
  }
  return null;
}

type Gone = Readonly<{ key: KeyAt; from: number; to: number; n: number; isHeld: boolean; back?: KeyAt }>;
function putStep(r: Reader, words: readonly Word[], { key, from, to, n, isHeld, back: other }: Gone): void {
  const control = key.own.control.id;
  const at = placeOf(words, from, to);
  const isOfKey = (m: Made): boolean =>
    m.from < at.to &&
    m.to > at.from &&
    ((m.step.kind === 'press' && m.step.control === control) ||
      (m.step.kind === 'hold' && m.step.controls.every((c) => c.control === control)) ||
      (m.step.kind === 'see' && m.step.signs.every((s) => s.kind === 'text')));
  if (r.made.some((m) => m.step.kind === 'step-list' && m.step.control === control && m.to > at.from - 40)) return;
  const start = startOf(r, words, from);
  if (n - start < 2) return;
  r.drop(new Set(r.made.filter(isOfKey)));
  fill(r, at);
  const back = other ?? backKey(r, words, to);
  const by = isHeld ? 'ramp' : 'press';
  r.insert({ kind: 'step-list', control, to: n, start, by, ...(back && { back: back.own.control.id }) }, at);
}

/** `With Plus to`, `press Plus until it shows`, `Plus up to`. */
const isGoneTo = (before: string, between: string, behind: string): boolean =>
  isGoneAlong(before, between) ||
  // `hold Plus, it counts up by itself, stop at 28`
  (/\b(?:hold|holding|keep)\b/.test(before) &&
    /\b(?:stops?|let go|release|released|off) (?:it |them )?(?:at|on)$/.test(between)) ||
  // `with the Plus key the parameter 14 is selected`
  (withThem.test(before) &&
    /^(?:key |button )?(?:the |a )?(?:parameter|program|entry|number|position|item|line|point|place)$/.test(between) &&
    /^is (?:selected|chosen|set|called|reached|looked)/.test(behind));
const isGoneAlong = (before: string, between: string): boolean =>
  /^,? ?(?:,? ?(?:button|key|and|then|you|i|we|it|keep|go|goes|step|scroll|count|counts|run|runs|climbs?|pressing|tapping|up|now|for|so long|as long|often|down|pressed) )*(?:(?:up |all the way )*(?:to|until|till)|as far as|(?:until|till) (?:you|it|we|i|the \w+)(?:'re| are| is|'s)? (?:get to|reach|reaches|at|on|to|says?|shows?|reads?|see|have|come to|gets to|counts to|stands (?:on|at))|(?:advance|bring|run|count|take)(?: the \w+| it)? (?:up )?to|select|choose|find|(?:to|until|till) (?:the )?(?:number|place|entry|position|program|parameter|item|line|point))(?: the| number| program| parameter)*$/.test(
    between,
  ) &&
  (/\b(?:with|using|press|presses|pressing|pressed|tap|hold|keep|by|on|push|use|go|step|scroll|take|via|then|now|the)\b/.test(
    before,
  ) ||
    before === '') &&
  !isRead.test(between);

/** From which number one goes up: what is said to stand there, or what the display showed last. */
function startOf(r: Reader, words: readonly Word[], from: number): number {
  for (let i = from; i > Math.max(0, from - 40); i -= 1) {
    const n = words[i]?.value ?? null;
    const stands = /\b(?:starts?|begins?|sits|stands|is) (?:at|on|from|with)(?: the)?(?: entry| number| place)?$/;
    if (n !== null && Number.isInteger(n) && n < 99 && stands.test(saidFrom(words, i - 5, i))) return n;
  }
  const shown = r.made
    .filter((m) => m.from < (words[from]?.from ?? 0))
    .flatMap((m) => (m.step.kind === 'see' ? m.step.signs : []))
    .findLast((s) => s.kind === 'text');
  const figure = shown?.kind === 'text' ? /^[A-Za-z]{0,2}-?0*(\d{1,2})$/.exec(shown.text) : null;
  return Number(figure?.[1] ?? 0);
}

/** `(Minus goes back)`: the key one comes back with, where that is told right behind; what was read of it is not done. */
function backKey(r: Reader, words: readonly Word[], from: number): KeyAt | null {
  const goesBack =
    /^(?:,? ?(?:key|button|will|can|always|then|it) )*(?:goes|brings|takes|gets|steps|comes|is the way|is for going|for going|to go|=|is)(?: you| it| one)? ?(?:back|down again|down|the other way)\b/;
  const key = keysIn(r, words, from, from + 14).find((k) => goesBack.test(saidFrom(words, k.end, k.end + 8)));
  if (!key) return null;
  fill(r, placeOf(words, from, key.end));
  const own = placeOf(words, key.at, key.end);
  r.drop(
    new Set(
      r.made.filter(
        (m) => m.step.kind === 'press' && m.step.control === key.own.control.id && m.from < own.to && m.to > own.from,
      ),
    ),
  );
  return key;
}
