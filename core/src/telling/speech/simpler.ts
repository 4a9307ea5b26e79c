import { type Called, mentionAt } from './mentions.ts';
import type { Word } from './text.ts';

/** What is said of a telling's order and not of the unit: words that name places or keys elsewhere. */
const fillers: readonly string[] = [
  'to start with',
  'to begin with',
  'to start off with',
  'for a start',
  'for starters',
  "don't ask me why",
  'dont ask me why',
  "don't ask why",
  'for some reason',
  'give me a ring',
  'give me a buzz',
  'give us a ring',
  'give us a buzz',
  'with something that is not metal',
  "with something that isn't metal",
  'with something not metal',
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
    else if (arrives(words, i) > 0) i += arrives(words, i) - 1;
    else if (beginsWith(words, i, called) > 0) i += beginsWith(words, i, called) - 1;
    else if (alternates(words, i, called)) {
      out.push({ ...w, word: 'alternately' });
      i += 1;
    } else if (w.word === 'em' || w.word === "'em") out.push({ ...w, word: 'them' });
    else out.push(w);
  }
  return turnedRound(sequenceKeyed(rowsOpened(spokenAsWritten(out, called), called), called));
}

/** `and you're out.`, `Back once more to leave.`: where one is then. Gives how many words it takes. */
function arrives(words: readonly Word[], i: number): number {
  const leaves =
    i > 0 && !/^[.,;!?\n)]$/.test(words[i - 1]?.raw ?? '')
      ? /^to (?:leave|exit|quit)(?= |$)/.exec(at(words, i, 2))
      : null;
  const said =
    leaves ??
    /^(?:and |then |so )?(?:you're|you are|youre|we're|we are) (?:out|through|done|finished|home)(?= |$)/.exec(
      at(words, i, 4),
    );
  const n = said ? said[0].split(' ').length : 0;
  const next = words[i + n]?.raw;
  return n > 0 && (next === undefined || /^[.,;!?\n)]$/.test(next)) ? n : 0;
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

const isKeyAt = (words: readonly Word[], i: number, called: Called): boolean =>
  mentionAt(words, i, called.controls)?.of.mechanism.kind === 'push';

/** What is said in a way that stands for a plainer one, put as the plainer one. */
function spokenAsWritten(words: readonly Word[], called: Called): Word[] {
  const places = new Set(
    called.controls.flatMap(({ of: { mechanism } }) =>
      mechanism.kind === 'places' ? mechanism.places.map((p) => p.id as string) : [],
    ),
  );
  const out: Word[] = [];
  for (let i = 0; i < words.length; i += 1) {
    const w = words[i];
    if (!w) break;
    const before = out.at(-1)?.word ?? '';
    const added = (word: string): Word => ({ word, raw: word, value: null, span: 1, from: w.from, to: w.from });
    // `Stop, held, till the red lamp dies`
    if (
      w.raw === ',' &&
      /^(?:held|pressed)$/.test(words[i + 1]?.word ?? '') &&
      /^, (?:held|pressed) ,? ?(?:until|till)\b/.test(at(words, i, 4))
    ) {
      const held = words[i + 1];
      if (held) out.push(held);
      i += words[i + 2]?.raw === ',' ? 2 : 1;
    }
    // `breaker off for a minute back on`
    else if (
      w.word === 'back' &&
      /^(?:on|in|up|down|out|off)$/.test(words[i + 1]?.word ?? '') &&
      /^(?:minutes?|seconds?|secs?)$/.test(before)
    ) {
      const on = words[i + 1];
      out.push({ ...added(','), raw: ',' }, w);
      if (on) out.push(on, { ...added(','), raw: ',' });
      i += 1;
    }
    // `key to service, not on`
    else if (
      w.word === 'not' &&
      places.has(before) &&
      places.has(words[i + 1]?.word ?? '') &&
      words[i + 1]?.word !== before
    )
      i += words[i + 2]?.word === before && words[i + 2]?.word !== undefined ? 2 : 1;
    // `cycle the isolator off and on`
    else if (
      /^off and (?:back )?on\b/.test(at(words, i, 4)) &&
      out.slice(-5).some((x) => /^cycl(?:e|es|ed|ing)$/.test(x.word))
    )
      i += words[i + 2]?.word === 'back' ? 3 : 2;
    // `keep squeezing while you push Mode`
    else if (/^(?:keep|keeps|keeping) (?:squeezing|holding) while\b/.test(at(words, i, 4))) i += 1;
    // `from position A to position B`: where it goes is said last
    else if (fromTo(words, i, places, called) > 0) i += fromTo(words, i, places, called) - 1;
    // `Start one two three times`
    else if (countsUp(words, i) > 0) i += countsUp(words, i) - 1;
    // `until the gong comes a second time`
    else if (
      /^(?:for )?(?:a|the) (?:second|third|fourth) time(?: [.,;!?\n]|$)/.test(at(words, i, 5)) &&
      out.slice(-6).some((x) => /^(?:until|till|when|once)$/.test(x.word))
    ) {
      const n = w.word === 'for' ? i + 2 : i + 1;
      const many = { second: 2, third: 3, fourth: 4 }[words[n]?.word ?? ''] ?? 2;
      out.push(
        { ...w, word: String(many), raw: String(many), value: many, span: 1 },
        { ...w, word: 'times', raw: 'times', value: null },
      );
      i = n + 1;
    }
    // `the Bell button, three short ones`
    else if (
      w.value !== null &&
      w.value <= 9 &&
      /^(?:short|quick|brief) ones\b/.test(at(words, i + w.span, 2)) &&
      out.slice(-5).some((_, k, five) => isKeyAt(out, out.length - five.length + k, called))
    ) {
      if (out.at(-1)?.raw === ',') out.pop();
      out.push(w, { ...w, word: 'times', raw: 'times', value: null, span: 1 });
      i += w.span + 1;
    }
    // `with Clear pressed`
    else if (/^(?:pressed|pushed|depressed)$/.test(w.word) && namesKeysWith(out, called))
      out.push({ ...w, word: 'held' });
    // `depress Raise four times`
    else if (w.word === 'depress' && words.slice(i + 1, i + 6).some((x) => /^(?:times|twice|once)$/.test(x.word)))
      out.push({ ...w, word: 'press' });
    // `ten seconds for all of it`
    else if (isForAll(words, i)) out.push(added("you've"), added('got'), w);
    // `six clicks to the left and Menu and it goes to …`
    else if (before === 'and' && isKeyAt(words, i, called) && isKeyThen(words, i, called)) out.push(added('press'), w);
    // `and Power to confirm`
    else if (/^(?:and|then|,)$/.test(before) && confirmsAt(words, i, called)) out.push(added('press'), w);
    // `After this Light, Zero`
    else if (
      /^(?:this|that)$/.test(before) &&
      out.at(-2)?.word === 'after' &&
      /^\p{Lu}/u.test(w.raw) &&
      isKeyAt(words, i, called)
    )
      out.push({ ...added(','), raw: ',' }, w);
    else out.push(w);
  }
  return out;
}

/** Whether what was said last is *with* and keys: `with Up and Down`. */
function namesKeysWith(words: readonly Word[], called: Called): boolean {
  const from = words.findLastIndex((x) => x.word === 'with');
  if (from < 0 || from < words.length - 9) return false;
  let k = from + 1;
  let keys = 0;
  while (k < words.length) {
    const key = isKeyAt(words, k, called) ? mentionAt(words, k, called.controls) : null;
    if (key) keys += 1;
    else if (!/^(?:the|and|both|still|buttons?|keys?|,)$/.test(words[k]?.word ?? '')) return false;
    k += key?.length ?? 1;
  }
  return keys > 0;
}

/** How many words `from A` takes where `to B` stands behind it, both places of the unit. */
function fromTo(words: readonly Word[], i: number, places: ReadonlySet<string>, called: Called): number {
  if (words[i]?.word !== 'from') return 0;
  const k = /^(?:position|the|its)$/.test(words[i + 1]?.word ?? '') ? i + 2 : i + 1;
  const isPlace = places.has(words[k]?.word ?? '') && words[k + 1]?.word === 'to';
  const next = /^(?:position|the)$/.test(words[k + 2]?.word ?? '') ? k + 3 : k + 2;
  return isPlace && places.has(words[next]?.word ?? '') && mentionAt(words, next, called.controls) === null
    ? k + 1 - i
    : 0;
}

/** How many words go where somebody counts aloud up to how often: `one two three times`. */
function countsUp(words: readonly Word[], i: number): number {
  if (words[i]?.value !== 1) return 0;
  let n = 0;
  while (words[i + n]?.value === n + 1 && words[i + n]?.span === 1) n += 1;
  return n >= 2 && words[i + n]?.word === 'times' ? n - 1 : 0;
}

/** Whether a sentence begins there that says how long all that was told may take. */
const isForAll = (words: readonly Word[], i: number): boolean => {
  const w = words[i];
  const begins = i === 0 || /^[.!?\n]$/.test(words[i - 1]?.raw ?? '');
  return (
    begins &&
    w !== undefined &&
    w.value !== null &&
    /^(?:seconds?|minutes?|secs?) for (?:all (?:of )?(?:it|that|them|those|this)|the (?:lot|whole)|all (?:two|three|four|five)|both|that|those|these)\b/.test(
      at(words, i + w.span, 5),
    )
  );
};

/** Whether after a key it is told what comes of it: nothing else can be meant but that it is pressed. */
function isKeyThen(words: readonly Word[], i: number, called: Called): boolean {
  const key = mentionAt(words, i, called.controls);
  // `hold Stop and Thin and you …`: one of those before it
  if ([2, 3].some((k) => i >= k && isKeyAt(words, i - k, called))) return false;
  return key !== null && /^(?:and (?:it|you|that|this) |to open it)/.test(`${at(words, i + key.length, 3)} `);
}

/** Whether a key stands there that is said to confirm something. */
function confirmsAt(words: readonly Word[], i: number, called: Called): boolean {
  const key = isKeyAt(words, i, called) ? mentionAt(words, i, called.controls) : null;
  return key !== null && /^to (?:confirm|accept|select|save|store|enter|finish)\b/.test(at(words, i + key.length, 2));
}

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
