import {
  classed,
  codeDistance,
  type Difference,
  differences,
  plainAs,
  plainCode,
  squeezed,
  typedAs,
} from '../code/alike.ts';
import type { FindDoc, FindIndex } from './index-build.ts';
import { rhythmsNear, rhythmsSaid, tellsRhythm } from './rhythm.ts';
import { matchWord, type WordMatch, withoutOne, wordsOf } from './vocabulary.ts';

/** Why something was found. */
export type Why =
  | Readonly<{ kind: 'same' }>
  /** Case, dashes, spaces or leading zeros apart. */
  | Readonly<{ kind: 'spelling'; typed: string }>
  /** So far typed, it is how the code begins. */
  | Readonly<{ kind: 'beginning'; typed: string }>
  | Readonly<{ kind: 'misread'; typed: string; differences: readonly Difference[] }>
  | Readonly<{ kind: 'word'; word: string; typed: string; in: 'title' | 'saw' | 'suspect' }>
  | Readonly<{ kind: 'family'; word: string; typed: string }>
  /** It blinks or beeps so; `off` by how many from what was told. */
  | Readonly<{ kind: 'blinks'; rhythm: string; off: number }>
  /** The number behind the code says where. */
  | Readonly<{ kind: 'sub'; typed: string }>;

export type Found = Readonly<{
  kind: 'code' | 'symptom' | 'family';
  family: string;
  familyName: string;
  id: string;
  /** The code as the unit shows it; empty for what has none. */
  text: string;
  title: string;
  why: readonly Why[];
  /** 0 is what was typed; larger is further away. */
  distance: number;
}>;

const furthest = 1.6;
const fewFamilies = 24;
const mostInWords = 200;
const mostNamed = 200;
const decisive = 1.3;
/** Beside what was typed exactly, only what it may be misread for. */
const furthestBesideExact = 0.95;

type Named = Readonly<{ families: ReadonlyMap<number, Why>; slip: boolean }>;
type Token = Readonly<{ typed: string; word: string }>;

function tokensOf(query: string): Token[] {
  return query
    .slice(0, 200)
    .split(/[\s,;]+/)
    .flatMap((typed) => (typed === '' ? [] : [{ typed, word: wordsOf(typed).join('') }]))
    .slice(0, 12);
}

/** Families a token may name. */
function namedBy(index: FindIndex, { typed, word }: Token): Named | null {
  if (word.length < 2) return null;
  const matches = matchWord(index.familyWords, word, 12);
  if (matches.length === 0) return null;
  const families = new Map<number, Why>();
  for (const match of matches)
    for (const family of index.familyWords.holders[match.place] ?? [])
      if (!families.has(family)) families.set(family, { kind: 'family', word: match.word, typed });
  return { families, slip: matches.every((m) => m.how === 'slip') };
}

type Scope = Readonly<{
  families: ReadonlyMap<number, readonly Why[]> | null;
  rest: readonly Token[];
  penalty: number;
  /** Whether the families are named by a whole name of theirs. */
  isName: boolean;
}>;

type Families = ReadonlyMap<number, readonly Why[]>;

function both(a: Families, b: Families): Families {
  return new Map([...b].flatMap(([f, why]) => (a.has(f) ? [[f, [...(a.get(f) ?? []), ...why]] as const] : [])));
}

/** A whole name among the tokens: `Quaylift 12` names one family, and its 12 is no code. */
function wholeName(index: FindIndex, tokens: readonly Token[]): Scope | null {
  for (let length = Math.min(4, tokens.length); length > 0; length--)
    for (let from = 0; from + length <= tokens.length; from++) {
      const part = tokens.slice(from, from + length);
      const name = part.map((t) => t.word).join(' ');
      const named = index.byName.get(name);
      if (!named || (length === 1 && tokens.length > 1 && name.length < 3)) continue;
      const typed = part.map((t) => t.typed).join(' ');
      const why = { kind: 'family', word: name, typed } as const;
      return {
        families: new Map(named.map((f) => [f, [why]] as const)),
        rest: [...tokens.slice(0, from), ...tokens.slice(from + length)],
        penalty: 0,
        isName: true,
      };
    }
  return null;
}

const mostScopes = 8;

/** What a query may mean: some of its words name families and narrow, the others are code or words. Narrowest first. */
function scopesOf(index: FindIndex, tokens: readonly Token[]): Scope[] {
  const all: Scope = { families: null, rest: tokens, penalty: 0.05, isName: false };
  const named = wholeName(index, tokens);
  const scopes: Scope[] = [];
  let narrowest: Scope = named ?? all;
  if (named) scopes.push(named);
  for (const token of named ? named.rest : tokens) {
    const own = namedBy(index, token);
    if (!own) continue;
    const families: Families = new Map([...own.families].map(([f, why]) => [f, [why]] as const));
    const penalty = own.slip ? 0.01 : 0;
    const and = narrowest.families ? both(narrowest.families, families) : families;
    if (and.size > 0) {
      const { rest, penalty: before } = narrowest;
      const base = narrowest === all ? 0 : before;
      narrowest = { families: and, rest: rest.filter((t) => t !== token), penalty: base + penalty, isName: false };
      scopes.unshift(narrowest);
    }
    // the others may name another one
    if (!named && and.size !== families.size)
      scopes.push({ families, rest: tokens.filter((t) => t !== token), penalty: penalty + 0.02, isName: false });
  }
  return [...scopes.slice(0, mostScopes), all];
}

/** The same sign for sign; a small letter is the same letter. */
const isSame = (listed: string, typed: string): boolean =>
  listed === typed || (listed.length === typed.length && listed.toUpperCase() === typed.toUpperCase());

type Hit = { place: number; distance: number; why: Why };

function judge(
  typed: string,
  tight: string,
  plain: string,
  doc: FindDoc,
  other: { squeezed: string; plain: string },
): Omit<Hit, 'place'> | null {
  if (isSame(doc.text, typed)) return { distance: 0, why: { kind: 'same' } };
  const [tightUpper, plainUpper] = [tight.toUpperCase(), plain.toUpperCase()];
  if (tightUpper === other.squeezed || plainUpper === other.plain)
    return { distance: tightUpper === other.squeezed ? 0.001 : 0.002, why: { kind: 'spelling', typed } };
  const ahead = other.squeezed.length - tight.length;
  if (ahead > 0 && ahead <= 4 && tight.length >= 2 && other.squeezed.startsWith(tightUpper))
    return { distance: 0.2 + ahead * 0.02, why: { kind: 'beginning', typed } };
  const whole = codeDistance(tight, other.squeezed);
  const isPlain = plain === tight && other.plain === other.squeezed;
  const short = isPlain ? whole : codeDistance(plain, other.plain);
  const distance = Math.min(whole, short);
  if (distance > Math.min(furthest, plain.length - 0.5)) return null;
  // where they differ is worked out for the few that are shown
  return { distance, why: { kind: 'misread', typed, differences: [] } };
}

/** Says of a misread where it differs. */
function explained(why: Why, text: string): Why {
  if (why.kind !== 'misread') return why;
  const [tight, plain] = [typedAs(why.typed), plainAs(why.typed)];
  const [listed, listedPlain] = [squeezed(text), plainCode(text)];
  const isWhole = codeDistance(tight, listed) <= codeDistance(plain, listedPlain);
  return { ...why, differences: isWhole ? differences(tight, listed) : differences(plain, listedPlain) };
}

/** Spellings that may be one misread away from a typed code. */
function nearSpellings(index: FindIndex, tight: string, plain: string): Set<number> {
  const near = new Set<number>();
  const take = (list: readonly number[] | undefined) => {
    for (const place of list ?? []) near.add(place);
  };
  for (const key of new Set([classed(tight), classed(plain)])) {
    take(index.byClass.get(key));
    take(index.byShortened.get(key));
    for (const form of withoutOne(key)) {
      take(index.byClass.get(form));
      take(index.byShortened.get(form));
    }
  }
  return near;
}

const mostCodes = 64;

const plainWords: ReadonlySet<string> = new Set(
  'no on in is it of to at so or an as be by do go hot low off out not all any has too wet dry and the up my'.split(
    ' ',
  ),
);
/** Words in small letters are a code only where it is spelled so; a unit's own may be misread, but not as a word such as "no". */
const isNoCode = (typed: string, isNamed: boolean): boolean =>
  /^[a-z]{2,}(?:[\s'][a-z]+)*$/.test(typed) && (!isNamed || typed.length > 4 || plainWords.has(typed));

function findTyped(index: FindIndex, typed: string, families: Scope['families']): Hit[] {
  const hits = typedHits(index, typed, families);
  const isNamed = families !== null && families.size <= fewFamilies;
  return isNoCode(typed, isNamed) ? hits.filter((h) => h.why.kind !== 'misread') : hits;
}

function typedHits(index: FindIndex, typed: string, families: Scope['families']): Hit[] {
  const [tight, plain] = [typedAs(typed), plainAs(typed)];
  if (tight === '' || tight.length > 16 || !/[A-Z0-9]/i.test(tight)) return [];
  const hits: Hit[] = [];
  if (families && families.size <= fewFamilies) {
    for (const number of families.keys()) {
      const { from, to } = index.families[number] ?? { from: 0, to: 0 };
      for (let place = from; place < to; place++) {
        const doc = index.docs[place];
        if (doc?.kind !== 'code') continue;
        const other = index.spellings[index.spellingOf[place] ?? -1];
        if (!other || other.squeezed.length - tight.length > 4 || tight.length - other.squeezed.length > 2) continue;
        const judged = judge(typed, tight, plain, doc, other);
        if (judged) hits.push({ place, ...judged });
      }
    }
    return hits;
  }
  const judgedSpellings = [...nearSpellings(index, tight, plain)].flatMap((s) => {
    const spelling = index.spellings[s];
    const doc = spelling && index.docs[spelling.docs[0] ?? -1];
    const judged = spelling && doc && judge(typed, tight, plain, doc, spelling);
    return judged ? [{ spelling, distance: judged.distance, judged }] : [];
  });
  judgedSpellings.sort((a, b) => a.distance - b.distance);
  for (const { spelling, judged } of judgedSpellings) {
    for (const place of spelling.docs) {
      if (families && !families.has(index.familyOf[place] ?? -1)) continue;
      const own = isSame(index.docs[place]?.text ?? '', typed)
        ? ({ distance: 0, why: { kind: 'same' } } as const)
        : judged;
      hits.push({ place, ...own });
    }
    if (hits.length > mostCodes * 4) break;
  }
  return hits;
}

const inField = (doc: FindDoc, word: string): 'title' | 'saw' | 'suspect' | null =>
  wordsOf(doc.title).includes(word)
    ? 'title'
    : doc.suspects.some((s) => wordsOf(s).includes(word))
      ? 'suspect'
      : wordsOf(doc.saw).includes(word)
        ? 'saw'
        : null;

const stopWords: ReadonlySet<string> = new Set(
  'the and for with was are but when while its has not does you get'.split(' '),
);

/** Codes and symptoms that hold every word; where none does, those that hold most of what is rare. */
function findWords(
  index: FindIndex,
  tokens: readonly Token[],
  families: Scope['families'],
): Array<{ place: number; distance: number; why: Why[] }> {
  const telling = tokens.filter((t) => (t.word.length >= 3 || /\d/.test(t.word)) && !stopWords.has(t.word));
  const asked = telling.length > 0 ? telling : tokens.filter((t) => t.word.length >= 3);
  if (asked.length === 0) return [];
  const met = asked.map((token) => {
    const matches = matchWord(index.words, token.word);
    const byPlace = new Map<number, WordMatch>();
    for (const match of matches)
      for (const place of index.words.holders[match.place] ?? []) {
        if (families && !families.has(index.familyOf[place] ?? -1)) continue;
        if (!byPlace.has(place)) byPlace.set(place, match);
      }
    return { token, byPlace };
  });
  const found = met.filter((m) => m.byPlace.size > 0).sort((a, b) => a.byPlace.size - b.byPlace.size);
  const [rarest] = found;
  if (!rarest) return [];
  const places: Array<{ place: number; missing: number }> = [];
  for (const place of rarest.byPlace.keys()) {
    const missing = asked.length - found.filter((m) => m.byPlace.has(place)).length;
    places.push({ place, missing });
  }
  const frequency = (place: number) => index.docs[place]?.frequency ?? 0;
  return places
    .sort((a, b) => a.missing - b.missing || frequency(b.place) - frequency(a.place))
    .slice(0, mostInWords)
    .map(({ place, missing }) => {
      const doc = index.docs[place];
      const why = found.flatMap(({ token, byPlace }): Why[] => {
        const match = byPlace.get(place);
        const where = match && doc && inField(doc, match.word);
        return match && where ? [{ kind: 'word', word: match.word, typed: token.typed, in: where }] : [];
      });
      const worth = why.reduce((sum, w) => sum + (w.kind === 'word' && w.in === 'title' ? 0 : 0.2), 0);
      const slips = found.filter((m) => m.byPlace.get(place)?.how === 'slip').length;
      const inTitle = why.filter((w) => w.kind === 'word' && w.in === 'title').length;
      // what says all that was typed, in its own title, is what was meant, before any unit of such a name
      const whole = missing === 0 && inTitle === asked.length && asked.length > 1 && slips === 0;
      const share = whole && doc ? Math.min(1, inTitle / wordsOf(doc.title).length) : 0;
      const isNamed = families !== null && families.size <= fewFamilies && missing === 0;
      const base = whole ? 0.9 - 0.2 * share : isNamed ? 1.25 : 2;
      return { place, distance: base + missing + worth * 0.5 + slips * 0.3 - Math.min(0.4, inTitle * 0.08), why };
    });
}

/**
 * Finds codes, symptoms and families for what somebody typed: a code as they read it, words, names, in any order. Nearest
 * first; of equals the more frequent. An exact code is always first, its look-alikes after it.
 */
export function find(index: FindIndex, query: string, most = 12): Found[] {
  const tokens = tokensOf(query);
  if (tokens.length === 0) return [];
  const best = new Map<string, Found & { rank: number }>();
  const keep = (key: string, found: Found, frequency: number) => {
    const before = best.get(key);
    if (!before || found.distance < before.distance) best.set(key, { ...found, rank: frequency });
  };
  const keepDoc = (place: number, distance: number, why: readonly Why[]) => {
    const doc = index.docs[place];
    const family = index.families[index.familyOf[place] ?? -1];
    if (!doc || !family) return;
    const { kind, id, text, title } = doc;
    keep(
      `${place}`,
      { kind, family: family.id, familyName: family.name, id, text, title, why, distance },
      doc.frequency,
    );
  };
  const keepFamily = (number: number, why: readonly Why[], distance: number) => {
    const family = index.families[number];
    if (!family) return;
    const { id, name } = family;
    keep(`family ${id}`, { kind: 'family', family: id, familyName: name, id, text: '', title: name, why, distance }, 0);
  };
  const told = rhythmsSaid(query);
  const others = told.length > 0 ? tokens.filter((t) => !tellsRhythm(t.word)) : tokens;
  for (const { families, rest, penalty, isName } of scopesOf(index, others)) {
    const whyFamily = (place: number): readonly Why[] => families?.get(index.familyOf[place] ?? -1) ?? [];
    for (const said of told)
      for (const { rhythm, off } of rhythmsNear(said))
        for (const place of index.byRhythm.get(rhythm) ?? [])
          if (!families || families.has(index.familyOf[place] ?? -1))
            keepDoc(place, penalty + 0.02 + off * 0.6, [{ kind: 'blinks', rhythm, off }, ...whyFamily(place)]);
    if (rest.length === 0) {
      if (families && families.size <= mostNamed)
        for (const [number, why] of families) keepFamily(number, why, isName ? 0.05 : 1 + penalty);
      continue;
    }
    // a number behind a code says where, on units that have such
    const [code, sub, ...more] = rest;
    if (code && sub && more.length === 0 && /^[#\d][\w-]{0,5}$/.test(sub.typed))
      for (const hit of findTyped(index, code.typed, families)) {
        const family = index.families[index.familyOf[hit.place] ?? -1];
        if (family?.hasSub && hit.distance < 0.1)
          keepDoc(hit.place, hit.distance + penalty + 0.01, [
            hit.why,
            { kind: 'sub', typed: sub.typed },
            ...whyFamily(hit.place),
          ]);
      }
    // a code told with spaces is one code; each word on its own may be one as well
    const joined = rest.map((t) => t.typed).join(' ');
    const alone = rest.length > 1 ? rest.map((t) => t.typed).filter((t) => /\d/.test(t)) : [];
    let nearest = Number.POSITIVE_INFINITY;
    for (const [i, typed] of [joined, ...alone].entries()) {
      const further = penalty + (i === 0 ? 0 : 0.4 * (rest.length - 1));
      for (const hit of findTyped(index, typed, families)) {
        nearest = Math.min(nearest, hit.distance + further);
        keepDoc(hit.place, hit.distance + further, [hit.why, ...whyFamily(hit.place)]);
      }
    }
    // a unit was named and has a code like this: other units' codes would only be in the way
    if (families && families.size <= fewFamilies && nearest < decisive) break;
    for (const hit of findWords(index, rest, families))
      keepDoc(hit.place, hit.distance + penalty, [...hit.why, ...whyFamily(hit.place)]);
  }
  const exact = [...best.values()].some((f) => f.kind === 'code' && f.distance < 0.1);
  return [...best.values()]
    .filter((f) => !exact || f.kind !== 'code' || f.distance <= furthestBesideExact)
    .sort(
      (a, b) =>
        a.distance - b.distance ||
        b.rank - a.rank ||
        (a.text < b.text ? -1 : a.text > b.text ? 1 : a.family < b.family ? -1 : 1),
    )
    .slice(0, most)
    .map(({ rank: _, ...found }) => ({ ...found, why: found.why.map((why) => explained(why, found.text)) }));
}
