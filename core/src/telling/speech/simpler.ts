import { type Called, mentionAt } from './mentions.ts';
import type { Word } from './text.ts';

/** What is said of a telling's order and not of the unit: words that name places or keys elsewhere. */
const fillers: readonly string[] = [
  'to start with',
  'to begin with',
  'to start off with',
  'for a start',
  'for starters',
];

/** Words without what only fills, and with rows of names written out: `L1 2 and 3` is `L1 L2 and L3`. */
export function simpler(words: readonly Word[], called: Called): Word[] {
  const out: Word[] = [];
  for (let i = 0; i < words.length; i += 1) {
    const w = words[i];
    if (!w) break;
    const filler = fillers.find((f) => {
      const n = f.split(' ').length;
      return (
        words
          .slice(i, i + n)
          .map((x) => x.word)
          .join(' ') === f
      );
    });
    if (filler) i += filler.split(' ').length - 1;
    else if (beginsWith(words, i, called) > 0) i += beginsWith(words, i, called) - 1;
    else if (alternates(words, i, called)) {
      out.push({ ...w, word: 'alternately' });
      i += 1;
    } else if (w.word === 'em' || w.word === "'em") out.push({ ...w, word: 'them' });
    else out.push(w);
  }
  return turnedRound(sequenceKeyed(rowsOpened(out, called), called));
}

/** `beginning with In`: which of them first was said by their order. Gives how many words it takes. */
function beginsWith(words: readonly Word[], i: number, called: Called): number {
  const verb = /^(?:beginning|starting)$/.test(words[i]?.word ?? '') && words[i + 1]?.word === 'with' && i > 2;
  if (!verb) return 0;
  const from = words[i + 2]?.word === 'the' ? i + 3 : i + 2;
  const key = mentionAt(words, from, called.controls);
  return key?.of.mechanism.kind === 'push' ? from + key.length - i : 0;
}

/** `Head and Knees, turn about`: of keys, the one after the other. */
const alternates = (words: readonly Word[], i: number, called: Called): boolean =>
  (at(words, i, 2) === 'turn about' || at(words, i, 2) === 'in turn') &&
  !/^(?:it|the|that|this|on|off|your|my)$/.test(words[i + 2]?.word ?? '') &&
  [2, 3, 4, 5, 6, 7, 8].some((k) => i >= k && mentionAt(words, i - k, called.controls)?.of.mechanism.kind === 'push');

const at = (words: readonly Word[], i: number, n: number): string =>
  words
    .slice(i, i + n)
    .map((w) => w.word)
    .join(' ');

/** `Enter the sequence A, C, C, B`: the keys are pressed. */
function sequenceKeyed(words: readonly Word[], called: Called): Word[] {
  return words.flatMap((w, i): Word[] => {
    const isVerb = /^(?:enter|enters|input|type|give|key|make|do)$/.test(w.word);
    const said = isVerb
      ? /^(?:in )?(?:the |this |a )?(?:sequence|combination|code|row|order|pattern)\b/.exec(at(words, i + 1, 4))
      : null;
    const next = said ? i + 1 + said[0].split(' ').length : -1;
    const key = next > 0 ? (words[next]?.raw === ':' ? next + 1 : next) : -1;
    if (key < 0 || !words[key] || mentionAt(words, key, called.controls)?.of.mechanism.kind !== 'push') return [w];
    return [{ ...w, word: 'press' }];
  });
}

/** `this you pull`, `him you must close`: what is done to it is said behind it. */
function turnedRound(words: readonly Word[]): Word[] {
  const out = [...words];
  for (let i = 0; i < out.length; i += 1) {
    const said =
      /^(?:this|that|these|those|him|them|it) (?:you|we|i) (?:must |have to |need to |can |should |then |now )?(pull|pulls|press|push|open|close|shut|turn|bridge|take|switch|remove|hold)(?= |$)/.exec(
        at(out, i, 6),
      );
    const [pronoun] = out.slice(i, i + 1);
    if (
      !said ||
      !pronoun ||
      /^(?:when|if|after|before|once|the|with|of|until|like|so|do|all)$/.test(out[i - 1]?.word ?? '')
    )
      continue;
    const n = said[0].split(' ').length;
    const verb = out[i + n - 1];
    if (verb) out.splice(i, n, verb, { ...pronoun, word: 'it' });
  }
  return out;
}

/** `L1 2 and 3`, where the unit has an L2 and an L3. */
function rowsOpened(words: readonly Word[], called: Called): Word[] {
  const names = new Set(
    [...called.controls, ...called.signs].flatMap((n) => (n.words.length === 1 ? [n.words[0] ?? ''] : [])),
  );
  let stem = '';
  return words.map((w) => {
    const own = /^([a-z]{1,3})(\d{1,2})$/.exec(w.word);
    if (own && names.has(w.word)) stem = own[1] ?? '';
    else if (stem !== '' && /^\d{1,2}$/.test(w.raw) && names.has(`${stem}${w.raw}`))
      return { ...w, word: `${stem}${w.raw}`, raw: `${stem}${w.raw}`.toUpperCase(), value: null, span: 1 };
    else if (!/^(?:,|and|or|\/|&)$/.test(w.word)) stem = '';
    return w;
  });
}
