import type { Step } from '../../model/route.ts';
import type { UnitFacts } from '../../unit/facts.ts';
import { type Answers, noAnswers, withNames } from '../answers.ts';
import { findAfterEntry } from './after-entry.ts';
import { dropNamedFirst, dropStays } from './as-it-stands.ts';
import { dropBesideActs } from './beside-acts.ts';
import { type ReadIn, readIn } from './captions.ts';
import { end, readAll, startsAct, startsOn, startsPlace } from './flow.ts';
import { answersCondition, hear, keepsUntold } from './hearing.ts';
import { findPairs } from './held-pairs.ts';
import { dropBack, holdSprungOn } from './held-sprung.ts';
import { findRests } from './late-rests.ts';
import { countFromBlank, findWindows, moveWindows } from './late-windows.ts';
import { countBlinks, findReleases, holdCounted } from './letting-go.ts';
import { routeCues } from './lexicon.ts';
import { codeLines, listMarks, shortVersion, withoutMarkers } from './markers.ts';
import { askWhetherMeant } from './meant.ts';
import { type Called, calledOf, mentionAt } from './mentions.ts';
import { dropReadOut } from './read-out.ts';
import { type Doubt, type Hole, isAct, type Made, Reader } from './reader.ts';
import { type Differs, recapDiffers, tellsAgain } from './recap.ts';
import { corrected, isFlow, saidOf, segmentsOf, summaryAt } from './segments.ts';
import { lacksState } from './shown.ts';
import { simpler } from './simpler.ts';
import { withStops } from './stops.ts';
import { dropOffHeld, findSupplyAway, findSupplyBack, holdThrough } from './supply-back.ts';
import { countedAloud, type Word, withSigns, wordsOf } from './text.ts';
import { findPutAway } from './told-back.ts';
import { turnRound } from './told-before.ts';
import { findNumbers } from './told-numbers.ts';
import { findTimes } from './told-times.ts';
import { dropRetries, dropRowsTwice, dropToldAnew } from './told-twice.ts';
import { leaveUnlikely } from './unlikely.ts';
import { countSounds, countTimes } from './which-sound.ts';

/** A route as a telling has it: its steps, each with the stretch it was made of. */
export type ToldRoute = Readonly<{
  name: string;
  /** Where in the text it begins: at its first step, or at what is asked before it. */
  from: number;
  steps: readonly Step[];
  phrases: ReadonlyArray<Readonly<{ from: number; to: number; at: string }>>;
}>;
export type Told = Readonly<{
  contradictions: readonly Differs[];
  text: string;
  routes: readonly ToldRoute[];
  holes: readonly Hole[];
  doubts: readonly Doubt[];
  /** How many letters at its end were not read, where it is longer than can be. */
  left?: number;
}>;

/** Longer speech is read to this length: some three hours of captions. */
const mostSpoken = 400_000;

/** `Teacher: who can tell me what comes first?`: what the pupils answer is told as well as what the teacher does. */
const isLesson = (text: string, named: readonly string[]): boolean =>
  named.length > 2 &&
  (named.some((who) => /^(?:the )?(?:teacher|trainer|instructor|tutor|lecturer)$/i.test(who)) ||
    /\bwho (?:can tell (?:me|us)|knows|remembers|wants to (?:go on|tell))\b/i.test(text));

type Heard = ReadonlyArray<ReadonlyArray<readonly [number, number]>>;
/** What each who speaks says, by place; in a lesson every turn is a voice of its own, and all are heard. */
function voices({ text, turns }: ReadIn): Heard {
  if (turns.length === 0) return [[[0, text.length]]];
  const parts = turns.map((t, i) => ({ who: t.who, span: [t.from, turns[i + 1]?.from ?? text.length] as const }));
  const named = [...new Set(parts.map((p) => p.who))];
  if (named.length > 6 || isLesson(text, named)) return [parts.map((p) => p.span)];
  return named.map((who) => parts.filter((p) => p.who === who).map((p) => p.span));
}

/** `Up-Up-Down-Start`: keys in a row, written as one word. */
function hyphensOpened(words: readonly Word[], called: Called): Word[] {
  return words.flatMap((w): Word[] => {
    const parts = /^\p{L}+(?:-\p{L}+){2,}$/u.test(w.raw) ? w.raw.split('-') : [];
    const rest = { value: null, span: 1, from: w.from, to: w.to };
    const own = parts.map((raw): Word => ({ ...rest, word: raw.toLowerCase(), raw }));
    const areKeys =
      own.length > 0 && own.every((_, i) => mentionAt(own, i, called.controls)?.of.mechanism.kind === 'push');
    // `Key off-on-off-on`
    const arePlaces = own.length > 0 && own.every((x) => /^(?:on|off|in|out|up|down|open|shut|closed)$/.test(x.word));
    return areKeys || arePlaces ? own.flatMap((x, i) => (i > 0 ? [{ ...rest, word: ',', raw: ',' }, x] : [x])) : [w];
  });
}

/** `Back and Next`: within a sentence what is written large is a name. */
const isWrittenLarge = (words: readonly Word[], at: number): boolean =>
  at > 0 && !/^[.!?\n;:…]$/.test(words[at - 1]?.raw ?? '') && /^\p{Lu}/u.test(words[at]?.raw ?? '');

/** What is told beside the way: which code is about what, and a short version of what is told at length. */
function besides(text: string, called: Called): ReadonlyArray<readonly [from: number, to: number]> {
  const short = shortVersion(text);
  return short ? [...codeLines(text, called), short] : codeLines(text, called);
}

function readPart(text: string, from: number, to: number, reader: Reader, isOwn = true): void {
  const own = text.slice(from, to);
  const beside = besides(own, reader.called);
  const all = reader.called.hasSigns ? withSigns(wordsOf(own), own) : wordsOf(own);
  const asTold = all.filter((w) => w.raw === '\n' || !beside.some(([a, z]) => w.from >= a && w.to <= z));
  const plain = isFlow(asTold) ? withStops(asTold, reader.called) : asTold;
  const marks = new Set([...reader.marks].map((at) => at - from));
  const marked = withoutMarkers(plain, reader.called, marks);
  const isLargeKey = (all: readonly Word[], at: number): boolean =>
    /^\p{Lu}/u.test(all[at]?.raw ?? '') &&
    all[at - 1]?.raw === ',' &&
    mentionAt(all, at, reader.called.controls)?.of.mechanism.kind === 'push';
  const plainer = simpler(hyphensOpened(marked, reader.called), reader.called);
  const words = countedAloud(corrected(plainer, isLargeKey)).map((w) => ({
    ...w,
    from: w.from + from,
    to: w.to + from,
  }));
  const isKey = (at: number): boolean => mentionAt(words, at, reader.called.controls)?.of.mechanism.kind === 'push';
  const begun = reader.sentence + 1;
  const isMention = (at: number): boolean => mentionAt(words, at, reader.called.controls) !== null;
  const segments = segmentsOf(words, {
    startsAct: (at) => startsAct(reader, words, at),
    lacksState: (some, ahead) => lacksState(reader, some, ahead),
    startsPlace: (at) => startsPlace(reader, words, at),
    startsOn: (at) => startsOn(reader, words, at),
    // `OK`, a key that is written so
    // or stands behind other keys: `jog jog ok`
    isName: (at) =>
      isMention(at) &&
      (words[at]?.raw === words[at]?.raw.toUpperCase() ||
        isKey(at - 1) ||
        (words[at - 1]?.word === 'and' && isKey(at - 2))),
    isLarge: (at) => isWrittenLarge(words, at) && isMention(at),
    isKey,
    saysAt: (at) => {
      const sign = mentionAt(words, at, reader.called.signs);
      const isDisplay = sign?.of.kind === 'text' || sign?.of.kind === 'segments';
      const does = words[at + (sign?.length ?? 0)]?.word ?? '';
      // `cold warm start the filter light flashes fast`
      const isRow = isKey(at - 2) && isKey(at - 3) && sign !== null;
      return (
        (isDisplay && /^(?:says|reads|shows|said|showed)$/.test(does)) ||
        (isRow && /^(?:flashes|blinks|lights|goes|comes|beeps|sounds)$/.test(does))
      );
    },
  }).map((s) => ({ ...s, sentence: s.sentence + begun }));
  if (isOwn) readAll(reader, answersCondition(reader, segments) ? keepsUntold(reader, segments) : segments);
  else
    for (const [i, segment] of segments.entries()) {
      const before = segments[i - 1];
      reader.saidBefore = before?.sentence === segment.sentence ? saidOf(before) : '';
      hear(reader, segment);
    }
}

/** What is asked, as something that is done: which way it belongs to is told as of any other. */
const askedAs = ({ from, to, asked }: Doubt, { sentence }: Reader): Made => ({
  step: asked?.is === 'meant' ? asked.step : { kind: 'press', control: 'any', times: 1 },
  from,
  to,
  sentence,
});

const stops = ['.', '!', '?', '\n'];
/** Where the sentence around a place ends. */
const sentenceEnd = (text: string, at: number): number =>
  Math.min(...stops.map((s) => text.indexOf(s, at)).map((i) => (i < 0 ? text.length : i)));

/** Where other routes begin: by what is said, since the step before or behind this one, that it is for. */
function namesOf(text: string, made: readonly Made[]): string[] {
  let current = '';
  const isPut = (m: Made): boolean => m.step.kind === 'set' || m.step.kind === 'rest';
  const named = (m: Made, i: number): string => {
    // somebody begins with the way in, whatever he says that all of it is for
    if (i === 0) return '';
    const since = Math.max(made[i - 1]?.to ?? 0, m.from - 240, 0);
    const before = text.slice(Math.min(since, m.from), Math.min(m.from + 12, m.to));
    // the cue nearest to the step goes before those further off
    const nearest = routeCues
      .flatMap(([name, cue]) =>
        [...before.matchAll(new RegExp(cue.source, 'gi'))].map((x) => ({ name, at: x.index ?? 0 })),
      )
      .sort((a, b) => b.at - a.at)[0];
    const goesOn = nearest?.name === 'Leave' && made[i - 1]?.sentence === m.sentence && m.step.kind === 'press';
    if (nearest && isAct(m.step) && !goesOn) return nearest.name;
    const behind = text.slice(m.from, Math.min(sentenceEnd(text, m.to), m.to + 90, made[i + 1]?.from ?? text.length));
    return isAct(m.step)
      ? (routeCues.filter(([n]) => n === 'Erase' || n === 'Next').find(([, cue]) => cue.test(behind))?.[0] ?? '')
      : '';
  };
  return made.map((m, i) => {
    const own = named(m, i);
    // erased, and then switched off and put back
    const isBack = current === 'Erase' && own === '' && isPut(m) && m.step.kind === 'set' && !isPut(made[i - 1] ?? m);
    const name = isBack ? 'Leave' : own;
    if (name !== '') current = name;
    return name;
  });
}

/**
 * Reads how somebody tells a unit into draft routes: what is done is found wherever it stands in the flow, with what belongs
 * to it; what names something of the unit and became nothing is kept as a hole at its place. `tell` hears how much of it is
 * read, from 0 to 1, a few times while a long one is.
 */
export function readTold(
  raw: string,
  plain: UnitFacts,
  tell?: (share: number) => void,
  answers: Answers = noAnswers,
): Told {
  const facts = withNames(plain, answers.names);
  const input = readIn(raw.slice(0, mostSpoken));
  const left = Math.max(0, raw.length - mostSpoken);
  const { text } = input;
  const called = calledOf(facts, answers.ones);
  const marks = listMarks(text);
  // who tells is whoever tells most of what is done
  const heard = voices(input);
  let come = 0;
  const readWith = (heard: Heard, sumAt: number): Reader[] => {
    const before = besides(text.slice(0, sumAt), called).reduce(
      (told, [a, z]) => told.slice(0, a) + ' '.repeat(z - a) + told.slice(z),
      text.slice(0, sumAt),
    );
    return heard.map((_, i) => {
      const own = new Reader(called, answers);
      own.whole = text;
      own.marks = marks;
      own.turnsAt = input.turns.map((t) => t.from);
      own.comesTo = (at) => {
        // read a second time, it has come as far as it had
        come = Math.max(come, (i + at / text.length) / heard.length);
        tell?.(come);
      };
      // what the others say they see is heard in between
      for (const [from, to, who] of heard
        .flatMap((s, k) => s.map(([a, z]) => [a, z, k] as const))
        .sort((a, b) => a[0] - b[0]))
        if (from < sumAt) readPart(text, from, Math.min(to, sumAt), own, who === i);
      end(own);
      dropBesideActs(own, text);
      dropStays(own, text);
      holdThrough(own, text);
      dropNamedFirst(own, text);
      dropOffHeld(own);
      findPairs(own, before);
      holdSprungOn(own, before);
      findReleases(own, text);
      countBlinks(own, text);
      dropBack(own);
      holdCounted(own, text);
      findSupplyBack(own, text);
      findSupplyAway(own, text);
      countSounds(own, text);
      countTimes(own, text);
      findWindows(own, text);
      moveWindows(own, text);
      countFromBlank(own, text);
      findRests(own, text);
      turnRound(own, text);
      dropReadOut(own, text);
      dropRetries(own, text);
      dropRowsTwice(own, text);
      dropToldAnew(own, text);
      findNumbers(own, before);
      findPutAway(own, before);
      findTimes(own, before);
      findAfterEntry(own, before);
      leaveUnlikely(own, text);
      return own;
    });
  };
  const readTo = (sumAt: number): Reader => {
    const read = readWith(heard, sumAt);
    const acts = ({ made }: Reader): number => made.filter((m) => isAct(m.step)).length;
    const [most, ...less] = [...read].sort((a, b) => acts(b) - acts(a));
    // arrows tell that another speaks, and not who: where both tell, all is told by one
    const isBoth = most && input.cues.length > 0 && less.some((l) => acts(l) > acts(most) * 0.3);
    return isBoth && heard.length > 1
      ? (readWith([heard.flat()], sumAt)[0] ?? most)
      : (most ?? new Reader(called, answers));
  };
  let sumAt = summaryAt(input);
  let reader = readTo(sumAt);
  if (sumAt < text.length) {
    const rest = new Reader(called, answers);
    rest.whole = text;
    readPart(text, sumAt, text.length, rest);
    end(rest);
    // what is told there is told for the first time: it only sounds like a summing-up
    if (!tellsAgain(rest.made, reader.made)) {
      sumAt = text.length;
      reader = readTo(sumAt);
    }
  }
  const contradictions = recapDiffers(text, sumAt, reader.made, called);
  askWhetherMeant(reader, text);
  const { made } = reader;
  // what is asked may begin a way as well as what was understood
  const asks = reader.doubts.filter((d) => d.asked !== undefined);
  // what is told first and done last stays where it is done
  let latest = 0;
  const told = [
    ...made.map((m) => {
      latest = Math.max(latest, m.from);
      return { at: latest, m };
    }),
    ...asks.map((d) => ({ at: d.from, m: askedAs(d, reader) })),
  ].sort((a, b) => a.at - b.at);
  const names = namesOf(
    text,
    told.map((t) => t.m),
  );
  const routes: Array<{
    name: string;
    from: number;
    steps: Step[];
    phrases: Array<{ from: number; to: number; at: string }>;
  }> = [];
  told.forEach(({ m }, i) => {
    const name = names[i] ?? '';
    const current = routes.at(-1);
    const isNew = !current || (name !== '' && name !== current.name && i > 0);
    if (isNew) routes.push({ name: name || 'Steps', from: m.from, steps: [], phrases: [] });
    const route = routes.at(-1);
    if (!route || !made.includes(m)) return;
    route.phrases.push({ from: m.from, to: m.to, at: String(route.steps.length) });
    route.steps.push(m.step);
  });
  return {
    text,
    routes,
    holes: reader.holes,
    doubts: reader.doubts,
    contradictions,
    ...(left > 0 ? { left } : {}),
  };
}
