import type { SignId } from '../../base/ids.ts';
import type { Sign } from '../../model/panel.ts';
import { ordinalOf, timesOf } from '../../spoken/numbers.ts';
import { type Called, mentionAt } from './mentions.ts';
import { type Made, type Reader, withoutTimes } from './reader.ts';
import { type Word, wordsOf } from './text.ts';

/** A count, and whether it is told by its number or only counted along. */
type Count = Readonly<{ n: number; isSaid: boolean }>;

/**
 * Which one of several sounds a hold ends at, by everything that is told of them from the last act to where it is let go
 * of: `it beeps. Not yet. It beeps again, now`. What is read word by word has them one at a time; here they are counted in a
 * row, and where the two differ the row is right, as it has heard all of them.
 */
export function countSounds(r: Reader, text: string): void {
  for (let i = 0; i < r.made.length; i += 1) {
    const made = r.made[i];
    if (made?.step.kind !== 'release') continue;
    const { at } = made.step;
    const shown = at?.kind === 'sign' && at.also === undefined && at.shown.kind === 'sound' ? at.shown : null;
    if (at !== undefined && shown?.state !== 'on') continue;
    const from = r.made.slice(0, i).findLast((m) => m.step.kind !== 'see' && m.to <= made.to)?.to ?? 0;
    const told = text.slice(from, made.to) + (nextBehind.exec(text.slice(made.to))?.[0] ?? '');
    const sound = shown?.sign ?? heardIn(told, r.called);
    if (sound === null) continue;
    const nth = at?.kind === 'sign' ? at.nth : 1;
    const count = namedBehind(text, made.to) ?? counted(clausesOf(told, r.called, sound));
    // one is what is read where nothing tells them apart
    const isFurther = count !== null && (count.n > nth || (count.n < nth && count.isSaid));
    if (!isFurther) continue;
    const heard = shown ? withoutTimes(shown) : { kind: 'sound' as const, sign: sound, state: 'on' as const };
    r.made[i] = { ...made, step: { ...made.step, at: { kind: 'sign', shown: heard, nth: count.n } } };
    dropHeard(r.made, i, sound);
  }
}

/** `when it goes blank the second time you let go`: which of several times a display or a lamp is meant that way. */
export function countTimes(r: Reader, text: string): void {
  for (const [i, made] of r.made.entries()) {
    if (made.step.kind !== 'release' || made.step.at?.kind !== 'sign') continue;
    const { at } = made.step;
    if (at.nth > 1 || at.also !== undefined || at.shown.kind === 'sound') continue;
    const [before, behind] = [text.slice(0, made.from), text.slice(made.to)];
    const near = `${/[^.!?\n]{0,60}$/.exec(before)?.[0]}${text.slice(made.from, made.to)}${/^[^.!?\n]{0,20}/.exec(behind)?.[0]}`;
    const [, word = ''] = /\b(?:the|for the|it's the) (second|third|fourth|2nd|3rd) time\b/i.exec(near) ?? [];
    const n = ordinalOf(word.toLowerCase());
    if (n !== null && n > 1) r.made[i] = { ...made, step: { ...made.step, at: { ...at, nth: n } } };
  }
}

/** What was seen to sound just before it is let go of is what it is let go of at. */
function dropHeard(made: Made[], i: number, sound: SignId): void {
  const before = made[i - 1]?.step;
  if (before?.kind === 'see' && before.signs.length === 1 && before.signs[0]?.sign === sound) made.splice(i - 1, 1);
}

/** The one sound that is told of; null where it is none, or more than one. */
function heardIn(told: string, called: Called): SignId | null {
  const words = wordsOf(told);
  const isSound = (s: Sign): boolean => s.kind === 'beeper';
  const named = new Set(words.flatMap((_, i) => mentionAt(words, i, called.signs)?.of ?? []).filter(isSound));
  const all = named.size > 0 ? [...named] : [...called.facts.signs.values()].filter(isSound);
  return all.length === 1 && all[0] ? (all[0].id as SignId) : null;
}

/** `and release on the next`. */
const nextBehind = /^\W*(?:on|at|with|after) the (?:next|following|other)\b/i;

/** `that's when you let go, on the second one`. */
function namedBehind(text: string, at: number): Count | null {
  const behind = text.slice(at).split(/[.!?\n]/)[0] ?? '';
  const [, word] = /^[^\p{L}]*(?:so )?(?:on|at|after|with|to) (?:(?:the|that) )?([\p{L}\d]+)/iu.exec(behind) ?? [];
  const n = word === undefined ? null : ordinalOf(word.toLowerCase());
  return n === null ? null : { n, isSaid: true };
}

type Clause = Readonly<{
  words: readonly Word[];
  said: string;
  /** How often it sounds in it. */
  sounds: number;
  /** Whether it says no more than that. */
  isBare: boolean;
  letsGo: boolean;
}>;

const letsGoWords =
  /\b(?:let(?:s|ting)?(?: \w+){0,4} go|releas\w+|off (?:with|they|it|comes?|go)|(?:take|lift|pull|get)s? (?:\w+ ){0,3}(?:off|away)|takes? (?:\w+ ){0,2}fingers?|both off|let up|fingers? off|hands? off)\b/;
const soundVerbs =
  /^(?:beep|bip|peep|ping|buzz|honk|hoot|chime|ring|bong|gong|bleep|pip|clack|click|toot)(?:s|es|ed)?$/;
const isJoin = (w: Word, next: Word | undefined): boolean =>
  /^[.,;:!?\n()–—…]$/.test(w.raw) ||
  w.word === 'then' ||
  (w.word === 'and' && w.value === null && !(next?.value != null && next.value > 1));

/** What is told, piece by piece; the last piece is the one it is let go of in. */
function clausesOf(told: string, called: Called, sound: SignId): Clause[] {
  const words = wordsOf(told);
  const parts: Word[][] = [[]];
  words.forEach((w, i) => {
    if (isJoin(w, words[i + 1])) parts.push([]);
    else {
      // `it beeps once it beeps again`
      const goesOn =
        (/^(?:it|he)$/.test(w.word) && soundVerbs.test(words[i + 1]?.word ?? '')) ||
        (w.word === 'there' && /^(?:a|another|one)$/.test(words[i + 1]?.word ?? ''));
      if (goesOn && parts.at(-1)?.some((x) => soundVerbs.test(x.word))) parts.push([]);
      parts.at(-1)?.push(w);
    }
  });
  return parts
    .filter((own) => own.length > 0)
    .map((own, k, all): Clause => {
      const said = own.map((w) => w.word).join(' ');
      const isSound = own.map((w, i) => {
        const named = mentionAt(own, i, called.signs)?.of;
        // `beeeeeep`
        return named ? named.id === sound : soundVerbs.test(w.word.replace(/(\w)\1{2,}/g, '$1$1'));
      });
      // `the relay clacks` is one, `ping ping` are two
      // `horn there's the horn`: the one that was told just now
      const isSame = (i: number): boolean =>
        /^(?:there's|theres|there|that's|thats|that)(?: is)? (?:the|your)$/.test(
          own
            .slice(Math.max(0, i - 2), i)
            .map((w) => w.word)
            .join(' '),
        ) && isSound.slice(0, i - 1).some(Boolean);
      const sounds = isSound.filter(
        (is, i) =>
          is &&
          !isSame(i) &&
          // `it rings the bell`
          !(/^(?:the|a|its)$/.test(own[i + 1]?.word ?? '') && isSound[i + 2]) &&
          (!isSound[i - 1] || own[i]?.word === own[i - 1]?.word),
      ).length;
      const isBare = own.every((w, i) => isSound[i] || /^(?:a|an|the|one|it|goes|there|there's|now)$/.test(w.word));
      return {
        words: own,
        said,
        sounds,
        isBare: sounds > 0 && isBare,
        letsGo: k === all.length - 1 || letsGoWords.test(said),
      };
    });
}

const mostSounds = 8;
const isFew = (n: number | null | undefined): n is number => n != null && n <= mostSounds;

/** `the third beep`, `the second time`, `tone number two`. */
function ordinalIn({ words, said, sounds, letsGo }: Clause): number | null {
  const isOfSound =
    sounds > 0 ||
    letsGo ||
    words.length === 1 ||
    /\b(?:one|time|go)\b|\b(?:the|that|on|at|a) (?:very )?\S+$|^(?:and |then )*at the (?:second|third|fourth|fifth)\b/.test(
      said,
    );
  if (!isOfSound) return null;
  return (
    words
      .map((w, i) => {
        // half a second later
        if (
          w.word === 'second' &&
          /^(?:later|or|per|persons?|man|woman|helper|colleague|technician)$/.test(words[i + 1]?.word ?? '')
        )
          return null;
        // `at 4 you let go`
        const isAt =
          letsGo && /^(?:at|on)$/.test(words[i - 1]?.word ?? '') && /^(?:you|we|i|let)$/.test(words[i + 1]?.word ?? '');
        return ordinalOf(w.word) ?? (words[i - 1]?.word === 'number' || isAt ? w.value : null);
      })
      .find(isFew) ?? null
  );
}

/** `that's 3, let go`. */
const summed = /^(?:and |so )*(?:thats|that's|that|that is|that makes|makes) (?:all |already )?\S+$/;

/** How many they come to, where it is said: `again that's three let go`; 0 where it is not. */
function sumIn({ words, said, letsGo }: Clause): number {
  if (summed.test(said)) return words.at(-1)?.value ?? 0;
  const at = letsGo ? words.findIndex((w) => /^(?:that|that's|thats)$/.test(w.word)) : -1;
  const many = words[at + 1];
  return at >= 0 &&
    many?.value != null &&
    isLetGo.test(
      said
        .split(' ')
        .slice(at + 2)
        .join(' '),
    )
    ? many.value
    : 0;
}
const isLetGo = /^(?:and |so |now )*(?:let|off|hands|release|take|fingers|thumbs)\b/;

/** `twice`, `two beeps`, `three times`. */
function timesIn({ words, said, sounds }: Clause, isHeard: boolean): number | null {
  const times = words.map((w) => timesOf(w.word)).find(isFew);
  if (times !== undefined) return sounds > 0 || isHeard ? times : null;
  // `three altogether?`
  const inAll = words.find(
    (w, i) =>
      isFew(w.value) &&
      w.value > 1 &&
      /^(?:altogether|in all|in total)/.test(`${words[i + 1]?.word} ${words[i + 2]?.word}`),
  );
  if (inAll) return inAll.value;
  const many = words.find((w, i) => isFew(w.value) && w.value > 1 && /^(?:times|\w+s)$/.test(words[i + 1]?.word ?? ''));
  // `4 of them please`
  const ofThem = words.find(
    (w, i) =>
      isFew(w.value) && w.value > 1 && words[i + 1]?.word === 'of' && /^(?:them|those)$/.test(words[i + 2]?.word ?? ''),
  );
  if (ofThem && isHeard) return ofThem.value;
  // `it goes three times`
  const goes = /\b(?:it|that|she|he) (?:goes|sounds|does (?:it|that)) (?:off )?\S+ times\b/.test(said);
  return many && (sounds > 0 || goes) ? many.value : null;
}

const againWords =
  /\b(?:again|another|the other one|once more|one more|a further one|next|the real one|a (?:longer|shorter|second|deeper|higher|louder|long|proper) one)\b/;
const isWarning =
  /\b(?:too (?:late|early|long|soon)|if|means? you|or else|(?:it'll|it will|you'll|going to) .*(?:in a (?:moment|second|sec|minute|bit)|soon|shortly|any (?:moment|second)))\b/;
const isDenied = /\b(?:not|don't|dont|never|ignore|forget|doesn't count|isn't)\b/;

/** The count a row of pieces comes to; null where nothing sounds. */
function counted(clauses: readonly Clause[]): Count | null {
  let n = 0;
  let isSaid = false;
  // asked for before it is heard: what sounds next is the one
  let isAwaited = false;
  let along = 0;
  const lengths: string[] = [];
  const isListened = clauses.some((c) => /\b(?:listen|hear|count)\w*\b/.test(c.said));
  for (const [k, clause] of clauses.entries()) {
    // `do I let go? No`: not yet
    if (clause.letsGo && k < clauses.length - 1 && clause.sounds === 0) continue;
    const { words, said, sounds, isBare, letsGo } = clause;
    if (isWarning.test(said)) continue;
    const isNot = isDenied.test(said);
    const ordinal = ordinalIn(clause);
    const times = timesIn(clause, n > 0);
    const aloud = words.length === 1 ? (words[0]?.value ?? 0) : 0;
    const sum = isNot ? 0 : sumIn(clause);
    // `a long one, and then two short`
    if (!letsGo)
      lengths.push(
        ...words.flatMap((w, i) =>
          w.word === 'short' || w.word === 'long'
            ? Array<string>(Math.min(words[i - 1]?.value ?? 1, 4)).fill(w.word)
            : [],
        ),
      );
    if (sum > n && n > 0 && isFew(sum)) [n, isSaid, isAwaited] = [sum, true, false];
    else if (ordinal !== null && isNot) n = Math.max(n, ordinal);
    else if (ordinal !== null) [n, isSaid, isAwaited] = [ordinal, true, false];
    else if ((n > 0 || isListened) && (aloud === along + 1 || (n > 1 && aloud === n + 1)) && isFew(aloud))
      [n, along, isSaid] = [aloud, aloud, aloud > 1];
    else if (n > 0 && (sounds > 0 || letsGo || words.length < 8) && againWords.test(said)) {
      n += isAwaited ? 0 : 1;
      isAwaited = sounds === 0 && !/\b(?:it|(?:we|you|i) (?:get|got|hear|heard)|there's|comes|came)\b/.test(said);
    } else if (times !== null) [n, isSaid, isAwaited] = [Math.max(n, times), times > 1, false];
    else if (sounds > 1) n = Math.max(n, sounds);
    else if (sounds === 1) {
      if (n === 0 || (isBare && !letsGo && !isAwaited)) n += 1;
      isAwaited = false;
    }
  }
  // short ones and long ones, told apart by that
  if (new Set(lengths).size === 2 && lengths.length > n) return { n: lengths.length, isSaid: true };
  return n === 0 ? null : { n, isSaid };
}
