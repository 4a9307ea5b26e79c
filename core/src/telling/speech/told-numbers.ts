import type { ControlId } from '../../base/ids.ts';
import type { Step } from '../../model/route.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import { clickWords, unitMs } from './lexicon.ts';
import { mentionAt } from './mentions.ts';
import { isPush, type Made, type Reader } from './reader.ts';
import { type Word, wordsOf } from './text.ts';

const picks =
  /^(?:go|goes|going|scroll|scrolls|choose|chooses|select|selects|selected|pick|picks|open|opens|navigate|enter)$/;
const between =
  /^(?:,|>|»|→|->|\/|and|then|and then|, then|, and then|, and in there|, in there|, below it|and below it|, and under it|, and below that|, inside that|, in that|, and inside it)$/;
/** The names of entries from a word on: `Diagnostics, then Stored`; written large, and nothing of the unit. */
function entriesFrom(r: Reader, words: readonly Word[], from: number): Readonly<{ path: string[]; end: number }> {
  const path: string[] = [];
  let end = from;
  const isName = (k: number): boolean =>
    /^["“]?\p{Lu}[\p{L}\d-]*["”]?$/u.test(words[k]?.raw ?? '') &&
    !mentionAt(words, k, r.called.controls) &&
    !mentionAt(words, k, r.called.signs) &&
    !/^(?:I|OK|I'm|I've|Then|And|It|The|You|Press|Hold)$/.test(words[k]?.raw ?? '');
  for (let k = from; isName(k); ) {
    let to = k + 1;
    while (isName(to) && to - k < 3) to += 1;
    path.push(
      words
        .slice(k, to)
        .map((w) => w.raw.replace(/["“”]/g, ''))
        .join(' '),
    );
    end = to;
    const gap = [4, 3, 2, 1].find((n) => between.test(saidRaw(words, to, to + n)) && isName(to + n));
    if (gap === undefined) break;
    k = to + gap;
  }
  return { path, end };
}
const saidRaw = (words: readonly Word[], from: number, to: number): string =>
  words
    .slice(from, to)
    .map((w) => w.raw.toLowerCase())
    .join(' ');

/** `in the setup menu go to Diagnostics, then Stored`: what is chosen from a menu, by the names its entries have. */
function findChosen(r: Reader, words: readonly Word[]): void {
  const hasText = r.called.displays.some((d) => d.kind === 'text');
  if (!hasText || r.made.some((m) => m.step.kind === 'choose')) return;
  for (let i = 0; i < words.length; i += 1) {
    const isPicked = picks.test(words[i]?.word ?? '') && mentionAt(words, i, r.called.controls) === null;
    const isMenu = words[i]?.word === 'menu' && /^(?:>|»|→|->)$/.test(words[i + 1]?.raw ?? '');
    if (!isPicked && !isMenu) continue;
    let from = i + 1;
    while (/^(?:down|up|on|to|into|in|for|the|entry|item|point|>|»|→|->)$/.test(words[from]?.raw.toLowerCase() ?? ''))
      from += 1;
    const { path, end } = entriesFrom(r, words, from);
    let begin = i;
    while (begin > 0 && i - begin < 9 && !isStop(words[begin - 1])) begin -= 1;
    const isOfMenu = /\b(?:menu|list|entry|screen)\b/.test(
      `${saidFrom(words, i - 14, i)} ${saidFrom(words, end, end + 5)}`,
    );
    // `the menu goes to LOG`: what shows, and nothing that is chosen
    const isName = path.length > 1 || (isOfMenu && /\p{Ll}/u.test(path[0] ?? ''));
    if (path.length === 0 || !isName) continue;
    const at = { from: words[from]?.from ?? 0, to: words[end - 1]?.to ?? 0 };
    // `in the setup menu`: no key that is called so
    const menu = isMenu ? [] : words.slice(begin, end).filter((w) => w.word === 'menu');
    r.drop(
      new Set(
        r.made.filter(
          (m) => m.step.kind === 'press' && menu.some((w) => m.from <= w.from && m.to >= w.to && m.to - m.from < 60),
        ),
      ),
    );
    fill(r, { from: words[begin]?.from ?? 0, to: at.to });
    r.insert({ kind: 'choose', on: 'unit', path }, at);
    return;
  }
}

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

type KeyAt = Readonly<{ own: ControlFacts; at: number; end: number }>;
const isStop = (w: Word | undefined): boolean => w === undefined || /^[.!?\n;…]$/.test(w.raw);
const saidFrom = (words: readonly Word[], from: number, to: number): string =>
  words
    .slice(Math.max(0, from), to)
    .filter((w) => !/^[()]$/.test(w.raw))
    .map((w) => w.word)
    .join(' ');

/** `step up to`, `counts down`: which way, whatever key is called so. */
function isWay(words: readonly Word[], i: number): boolean {
  const w = words[i];
  if (!w || !/^(?:up|down|on|back)$/.test(w.word) || w.raw !== w.word) return false;
  return (
    words[i + 1]?.word === 'to' ||
    /^(?:go|goes|step|steps|count|counts|run|runs|climb|climbs|creeps|move|moves|scroll|scrolls|page|keep|way|itself|further)$/.test(
      words[i - 1]?.word ?? '',
    )
  );
}

/** The keys that are named within some words. */
function keysIn(r: Reader, words: readonly Word[], from: number, to: number): KeyAt[] {
  const keys: KeyAt[] = [];
  for (let i = Math.max(0, from); i < Math.min(to, words.length); i += 1) {
    const named = mentionAt(words, i, r.called.controls);
    if (!named || !isPush(named.of) || (named.length === 1 && isWay(words, i))) continue;
    keys.push({ own: named.of, at: i, end: i + named.length });
    i += named.length - 1;
  }
  return keys;
}

/** What stood open at a stretch is understood. */
function fill(r: Reader, { from, to }: Readonly<{ from: number; to: number }>): void {
  r.holes.splice(
    0,
    r.holes.length,
    ...r.holes.filter((h) => h.why !== 'not-understood' || h.from >= to || h.to <= from),
  );
}

/** How far around a code it is told with which keys it is put in, in words. */
const around = 55;
const codeWord = /^(?:code|pin|passcode|password|combination|number|figures?|digits?|letters?|word)$/;
const changes =
  /^(?:,? ?(?:key|button|arrow|you|to|can|will|both|they|it|now|is|are|=|:) ?)*(?:(?:changes?|changing|makes?|sets?|raises?|lowers?|counts?|goes|scrolls?|alters?|for) (?:you |up |down |through )?(?:the |a |each |every |it |that |this )?)?(?:figures?|digits?|letters?|numbers?|values?|characters?|bigger|smaller|higher|lower|up|down)\b/;
const goesOn =
  /^(?:,? ?(?:key|button|arrow|you|to|can|will|it|then|always|is|=|:|-|→|once|each time|after each(?: one| figure| digit| letter)?) )*(?:(?:takes?|moves?|goes|go|gets?|brings?|steps?|jumps?|shifts?|hops?|confirms?|sends?|comes?)(?: you| it| the cursor| one)?(?: on| along| over| across| to| forward| right| further)*(?: the| a)? ?(?:next|following|place|position|digit|figure|letter|one|on|along|over)|(?:for )?(?:the )?(?:next|following)(?: one| place| digit| figure| letter| position| number| character)?$|(?:for )?(?:the )?(?:next|following) (?:one|place|digit|figure|letter|position|number|character)|on to the next|one (?:place )?(?:further|along|on))\b/;
const withThem = /\b(?:with|using|by|via|on|through)(?: the)?(?: keys?| buttons?| arrows?)?$/;

const figureNames: Readonly<Record<string, string>> = Object.fromEntries(
  ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'oh']
    .map((name, n) => [name, String(n % 10)] as const)
    .map(([name, n]) => [name, name === 'oh' ? '0' : n] as const),
);
/** A code of figures or of letters at a place: `2604`, `two six zero four`, `the letters KEN`. */
function codeAt(words: readonly Word[], i: number): Readonly<{ text: string; end: number }> | null {
  const w = words[i];
  if (!w) return null;
  if (/^\d{3,6}$/.test(w.raw)) return { text: w.raw, end: i + 1 };
  if (
    /^(?!CODE$|PIN$|PASS$|WORD$)[A-Z]{3,6}$/.test(w.raw) &&
    /\b(?:letters?|word|password|code)\b/.test(saidFrom(words, i - 4, i))
  )
    return { text: w.raw, end: i + 1 };
  const figure = (k: number): string | null => {
    const x = words[k];
    if (x && /^(?:oh|o)$/.test(x.word)) return '0';
    return x && x.value !== null && x.span === 1 && x.value < 10 && Number.isInteger(x.value) ? String(x.value) : null;
  };
  // `two-six-oh-four`
  const joined = w.word.split('-').map((part) => figureNames[part]);
  if (joined.length >= 3 && joined.length <= 6 && joined.every((x) => x !== undefined))
    return { text: joined.join(''), end: i + 1 };
  let text = '';
  let k = i;
  for (let f = figure(k); f !== null && text.length < 8; f = figure(k)) {
    text += f;
    k += 1;
    while (/^(?:,|-|–|…|then|and)$/.test(words[k]?.raw ?? '') && figure(k + 1) !== null) k += 1;
  }
  return text.length >= 3 && text.length <= 6 ? { text, end: k } : null;
}

function findDialled(r: Reader, words: readonly Word[]): void {
  if (r.made.some((m) => m.step.kind === 'dial')) return;
  for (let i = 0; i < words.length; i += 1) {
    const code = mentionAt(words, i, r.called.controls) ? null : codeAt(words, i);
    if (!code) continue;
    const next = code.end;
    const from = i;
    i = next - 1;
    const isNamed =
      words.slice(Math.max(0, i - 40), i).some((w) => codeWord.test(w.word)) ||
      words.slice(Math.max(0, i - 5), i).some((w) => /^(?:dial|enter|type|key|input)$/.test(w.word)) ||
      words.slice(next, next + 8).some((w) => codeWord.test(w.word));
    const isAmount = (words[next]?.word ?? '') in unitMs || clickWords.has(words[next]?.word ?? '');
    if (!isNamed || isAmount || /^(.)\1*$/.test(code.text)) continue;
    const keys = keysIn(r, words, i - around, next + around);
    const behind = (k: KeyAt): string => saidFrom(words, k.end, k.end + 12);
    // of two named together what is said of the second is said of both
    const said = keys.map((k, n) => {
      const other = keys[n + 1];
      const isWith = other && /^(?:and|or|\/|&|)$/.test(saidFrom(words, k.end, other.at));
      return { ...k, isWith, behind: behind(k), both: isWith && other ? behind(other) : '' };
    });
    const leads = said.find((k) => goesOn.test(k.behind));
    const isWith = (k: KeyAt | undefined): boolean => {
      const before = k ? saidFrom(words, k.at - 4, k.at) : '';
      return (
        withThem.test(before) &&
        !/\b(?:confirm|accept|acknowledg|finish|stor|sav|end|tak|leav)\w* (?:it |that |this )?(?:with|using|by|via)(?: the)?$/.test(
          before,
        )
      );
    };
    const turns = said.filter((k, n) => {
      const one = said[n - 1];
      return (
        k.own !== leads?.own &&
        (changes.test(k.behind) || changes.test(k.both) || isWith(k) || (one?.isWith && isWith(one)))
      );
    });
    const owns = [...new Set(turns.map((k) => k.own))];
    const isUp = (own: ControlFacts): boolean =>
      /^(?:up|plus|\+|▲|more|higher|increase)/i.test(own.control.label) || /^(?:up|plus)/.test(own.control.id);
    const up = owns.find(isUp) ?? owns[0];
    const down = owns.find((o) => o !== up);
    const on = leads?.own ?? null;
    if (!up || !on || owns.length > 2) continue;
    const isFigures = /^\d+$/.test(code.text);
    const spans = [...turns, ...(leads ? [leads] : [])];
    const ids = new Set<ControlId>([up, ...(down ? [down] : []), on].map((o) => o.control.id));
    const isTold = (m: Made): boolean =>
      m.step.kind === 'press' &&
      m.step.control !== 'any' &&
      ids.has(m.step.control) &&
      spans.some((k) => (words[k.at]?.from ?? 0) < m.to && (words[k.end - 1]?.to ?? 0) > m.from);
    r.drop(new Set(r.made.filter(isTold)));
    const at = { from: words[from]?.from ?? 0, to: words[next - 1]?.to ?? 0 };
    for (const k of spans) fill(r, { from: words[k.at]?.from ?? 0, to: words[k.end - 1]?.to ?? 0 });
    const step: Step = {
      kind: 'dial',
      text: code.text,
      start: (isFigures ? '0' : 'A').repeat(code.text.length),
      alphabet: [...(isFigures ? '0123456789' : 'ABCDEFGHIJKLMNOPQRSTUVWXYZ')],
      wraps: true,
      by: { kind: 'moving', up: up.control.id, ...(down ? { down: down.control.id } : {}), next: on.control.id },
    };
    fill(r, at);
    r.insert(step, at);
    return;
  }
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
    const pair = pairSelects(r, words, keys, i, number.end);
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
  r: Reader,
  words: readonly Word[],
  keys: readonly KeyAt[],
  at: number,
  end: number,
): Readonly<{ up: KeyAt; down: KeyAt }> | null {
  const [one, two] = keys.slice(-2);
  const [first, last] = [one && keys.find((k) => k.at < at && keys.some((o) => o.at > k.at && o.at < at)), two];
  if (!first || !last || first === last || last.end > at || r.called.displays.length === 0) return null;
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
  const at = { from: words[from]?.from ?? 0, to: words[to - 1]?.to ?? 0 };
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
  fill(r, { from: words[from]?.from ?? 0, to: words[key.end - 1]?.to ?? 0 });
  const [a, z] = [words[key.at]?.from ?? 0, words[key.end - 1]?.to ?? 0];
  r.drop(
    new Set(
      r.made.filter((m) => m.step.kind === 'press' && m.step.control === key.own.control.id && m.from < z && m.to > a),
    ),
  );
  return key;
}
