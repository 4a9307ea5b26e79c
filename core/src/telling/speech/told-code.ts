import type { ControlId } from '../../base/ids.ts';
import type { Step } from '../../model/route.ts';
import { controlsOf } from '../../model/steps.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import { clickWords, unitMs } from './lexicon.ts';
import { mentionAt } from './mentions.ts';
import { fill, type KeyAt, keysIn, placeOf, saidFrom, withThem } from './named-keys.ts';
import type { Made, Reader } from './reader.ts';
import type { Word } from './text.ts';

/** How far around a code it is told with which keys it is put in, in words. */
const around = 55;
const codeWord = /^(?:code|pin|pw|passcode|password|combination|number|figures?|digits?|letters?|word)$/;
const changes =
  /^(?:,? ?(?:key|button|arrow|you|to|can|will|both|they|it|now|is|are|=|:) ?)*(?:(?:changes?|changing|makes?|sets?|raises?|lowers?|counts?|goes|scrolls?|alters?|modify|modifies|increases?|decreases?|increments?|decrements?|for) (?:you |up |down |through )?(?:the |a |each |every |it |that |this )?(?:marked |selected |blinking |flashing |current )?)?(?:figures?|digits?|letters?|numbers?|values?|characters?|bigger|smaller|higher|lower|up|down|(?:plus |minus |\+|-)?(?:one|1) ?(?:up|down|more|less|higher|lower)?(?= ?(?:,|$))|(?:plus|minus) one)\b/;
const goesOn =
  /^(?:,? ?(?:key|button|arrow|you|to|can|will|it|then|always|is|=|:|-|→|once|each time|after each(?: one| figure| digit| letter)?) )*(?:(?:takes?|moves?|goes|go|gets?|brings?|steps?|jumps?|shifts?|hops?|confirms?|sends?|advances?|marks?|selects?|highlights?|comes?)(?: you| it| the cursor| one)?(?: on| along| over| across| to| forward| right| further)*(?: the| a)? ?(?:next|following|place|position|digit|figure|letter|one|on|along|over)|(?:for )?(?:the )?(?:next|following)(?: one| place| digit| figure| letter| position| number| character)?$|(?:after|behind|for|at) (?:each|every)(?: (?:one|figure|digit|letter|character|number))?(?: |$)|(?:for )?(?:the )?(?:next|following) (?:one|place|digit|figure|letter|position|number|character)|on to the next|one (?:place )?(?:further|along|on))\b/;
const there =
  "(?:when|once|as soon as) (?:done|finished|complete|(?:it|they're|it is|they are|that|you have|you've got) (?:all )?(?:the figures |the number |the code )?(?:there|in|right|complete|together))";
const isAllThere = new RegExp(
  String.raw`^(?:,? ?)(?:${there}|(?:confirms|accepts|completes|finishes|ends|sends|takes) (?:the |it|your |this )?(?:whole )?(?:entry|code|number|input|all)\b)`,
);
const allThere = new RegExp(String.raw`\b${there}(?: ,)?$`);
const figureNames: Readonly<Record<string, string>> = Object.fromEntries(
  ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'oh'].map(
    (name, n) => [name, String(n % 10)] as const,
  ),
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

/** `Close is down`, read as a key that is held. */
const isOneHeld = (step: Step): boolean =>
  step.kind === 'hold' && step.until.kind === 'release' && step.controls.length === 1;

/** A code that is put in figure by figure, with what is told of how each key does it; what was read of them there is not done. */
export function findDialled(r: Reader, words: readonly Word[]): void {
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
      (m.step.kind === 'press' || isOneHeld(m.step)) &&
      controlsOf(m.step).some((id) => ids.has(id)) &&
      spans.some((k) => placeOf(words, k.at, k.end).from < m.to && placeOf(words, k.at, k.end).to > m.from);
    r.drop(new Set(r.made.filter(isTold)));
    const at = placeOf(words, from, next);
    for (const k of spans) fill(r, placeOf(words, k.at, k.end));
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
    // `Select moves you along, and when it's all there OK`
    const last = said.find(
      (k) =>
        k.at >= next &&
        !ids.has(k.own.control.id) &&
        (isAllThere.test(k.behind) || allThere.test(saidFrom(words, k.at - 7, k.at))),
    );
    const end = last ? placeOf(words, last.at, last.end) : null;
    if (last && end && !r.made.some((m) => m.from < end.to && m.to > end.from)) {
      fill(r, end);
      r.insert({ kind: 'press', control: last.own.control.id, times: 1 }, end);
    }
    return;
  }
}
