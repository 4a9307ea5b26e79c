import { asidesSaid } from './asides-said.ts';
import { begunAgainSaid } from './begun-again-said.ts';
import { fills } from './filling-words.ts';
import { harmlessNots } from './harmless-nots.ts';
import { inPassingSaid } from './in-passing-said.ts';
import { jumperSaid } from './jumper-said.ts';
import { keysSaid } from './keys-said.ts';
import { letGoSaid } from './let-go-said.ts';
import type { Called } from './mentions.ts';
import { movedSaid } from './moved-said.ts';
import { placesSaid } from './places-said.ts';
import { plainer } from './plainer-words.ts';
import { areTwoKeys, keyAt, keysBefore, keysInRow, type Rewrite, type Spot, said, wordsIn } from './rewrite.ts';
import { shownSaid } from './shown-said.ts';
import type { Word } from './text.ts';
import { timeSaid } from './time-said.ts';
import { twoHands } from './two-hands.ts';
import { writtenSaid } from './written-said.ts';

/** `Enter the sequence A, C, C, B`: the keys are pressed. */
const sequences: readonly Rewrite[] = [
  ({ words, i, w, called, out }) => {
    // `you now enter 3 1 3`: what is done with keys that have figures on them, whatever key is called Enter
    const from = words[i + 1]?.word === 'in' ? i + 2 : i + 1;
    const isKey = keysBefore(out, called) > 0;
    const isVerb = w.raw === w.word || keyAt(words, i, called) === null;
    if (!isKey && isVerb && /^(?:enter|type|dial|punch|key)$/.test(w.word) && areTwoKeys(words, from, called))
      return { takes: 1, puts: [{ ...w, word: 'press', raw: 'press' }] };
    const row = /^(?:enter|enters|input|type|give|key|make|do)$/.test(w.word)
      ? /^(?:in )?(?:the |this |a )?(?:sequence|combination|code|row|order|pattern)\b/.exec(said(words, i + 1, 4))
      : null;
    if (!row) return null;
    const next = i + 1 + wordsIn(row[0]);
    const key = words[next]?.raw === ':' ? next + 1 : next;
    return keyAt(words, key, called) ? { takes: 1, puts: [{ ...w, word: 'press' }] } : null;
  },
  // `it wants Dose, Dose, Wash`
  ({ words, i, w, called, out }) =>
    /^(?:wants|needs|expects|likes)$/.test(w.word) &&
    /^(?:it|he|she|that)$/.test(out.at(-1)?.word ?? '') &&
    areTwoKeys(words, i + 1, called)
      ? { takes: 1, puts: [{ ...w, word: 'press', raw: 'press' }], drops: 1 }
      : null,
  // `the code, which is forward forward reverse slow`
  ({ words, i, w, called, out }) => {
    const isIs =
      /^(?:is|it's|its|that's|thats)$/.test(w.word) &&
      (w.word !== 'is' || /^(?:which|that|it|this)$/.test(out.at(-1)?.word ?? ''));
    return isIs && keysInRow(words, i + 1, called) > 2
      ? { takes: 1, puts: [{ ...w, word: 'press', raw: 'press' }], drops: w.word === 'is' ? 1 : 0 }
      : null;
  },
  // `now you do mode light mode light`
  ({ words, i, w, called }) =>
    /^(?:do|does|play|type)$/.test(w.word) && areTwoKeys(words, i + 1, called)
      ? { takes: 1, puts: [{ ...w, word: 'press' }] }
      : null,
  // `keep the last Light pressed`
  ({ words, i, called, out }) =>
    /^the last$/.test(said(words, i, 2)) &&
    /^(?:keep|hold|keeping|holding)$/.test(out.at(-1)?.word ?? '') &&
    keyAt(words, i + 2, called)
      ? { takes: 2, puts: [] }
      : null,
  // `Every tap on Down shows you one more`: what each press of it does
  ({ words, i, called }) => {
    const each = /^(?:every|each) (?:single )?(?:tap|press|push|touch|click) (?:on|of|at) (?:the )?/.exec(
      `${said(words, i, 6)} `,
    );
    const n = each ? wordsIn(each[0]) : 0;
    const key = n > 0 ? keyAt(words, i + n, called) : null;
    const does = key ? (words[i + n + key.length]?.word ?? '') : '';
    // what is understood as it stands is left so
    const isOneMore = /^(?:you |us |me )?one more\b/.test(said(words, i + n + (key?.length ?? 0) + 1, 3));
    return isOneMore && /^(?:shows?|gives?|brings?)$/.test(does) ? { takes: n, puts: [] } : null;
  },
];

/** `this you pull`, `him you must close`: what is done to it is said behind it. */
const turnedRound: readonly Rewrite[] = [
  ({ words, i, w, out }) => {
    const done =
      /^(?:this|that|these|those|him|them|it) (?:you|we|i) (?:must |have to |need to |can |should |then |now )?(?:pull|pulls|press|push|open|close|shut|turn|bridge|take|switch|remove|hold)(?= |$)/.exec(
        said(words, i, 6),
      );
    const leads =
      /^(?:when|if|after|before|once|the|with|of|until|like|so|do|all|wipe|clear|erase|delete|empty|reset|finish|leave|see|get|read|enter|stop|start|to)$/.test(
        out.at(-1)?.word ?? '',
      );
    const verb = done ? words[i + wordsIn(done[0]) - 1] : undefined;
    return done && verb && !leads ? { takes: wordsIn(done[0]), puts: [verb, { ...w, word: 'it' }] } : null;
  },
];

/** The words with each way of saying in a table put as the plainer one; the first that fits takes its words. */
function rewritten(words: readonly Word[], called: Called, table: readonly Rewrite[]): Word[] {
  const places = new Set(
    called.controls.flatMap(({ of: { mechanism } }) =>
      mechanism.kind === 'places' ? mechanism.places.map((p) => p.id as string) : [],
    ),
  );
  const out: Word[] = [];
  for (let i = 0; i < words.length; ) {
    const w = words[i];
    if (!w) break;
    const at: Spot = { words, i, w, out, called, places };
    let found: ReturnType<Rewrite> = null;
    for (const rewrite of table) {
      found = rewrite(at);
      if (found) break;
    }
    if (found?.drops) out.splice(-found.drops);
    out.push(...(found ? found.puts : [w]));
    i += found?.takes ?? 1;
  }
  return out;
}

/** What those say who learnt it later, and what others say in a hurry, in the words the reader knows. */
const otherwise: readonly Rewrite[] = [
  ...writtenSaid,
  ...shownSaid,
  ...placesSaid,
  ...movedSaid,
  ...jumperSaid,
  ...timeSaid,
  ...letGoSaid,
  ...keysSaid,
  ...begunAgainSaid,
  ...asidesSaid,
  ...inPassingSaid,
];

/** What somebody says, in the plainer words the reader knows: without what only fills, names in rows written out. */
export function simpler(words: readonly Word[], called: Called): Word[] {
  const said = [harmlessNots, otherwise, twoHands, fills, plainer].reduce<readonly Word[]>(
    (now, table) => rewritten(now, called, table),
    words,
  );
  return rewritten(rewritten(rowsOpened(said, called), called, sequences), called, turnedRound);
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
