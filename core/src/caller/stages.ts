import type { SignId } from '../base/ids.ts';
import type { Readout } from '../model/readout.ts';
import { isRhythmic, signsOfReads } from '../model/reads.ts';
import { type CallerNames, type CallerWord, spokenWords, tells } from './word.ts';

/** What is said of one stage. */
export type Chunk = Readonly<{ stage: number; words: readonly CallerWord[] }>;

/** Which stage a sign that is no part of it brings on: a phase lamp. */
function broughtOnBy(readout: Readout, sign: SignId): number {
  return readout.stages.findIndex(
    ({ comes, reads }) =>
      comes.kind === 'sign' &&
      comes.shown.kind === 'lamp' &&
      comes.shown.sign === sign &&
      !signsOfReads(reads).includes(sign),
  );
}

const halves: ReadonlyArray<readonly [string, number]> = [
  ...['half', 'part', 'number', 'digit', 'figure', 'character', 'time', 'round'].flatMap((what) =>
    ['first', 'second', 'third'].map((nth, i) => [`${nth} ${what}`, i] as const),
  ),
  ['other half', 1],
  ['other part', 1],
  ['tens', 0],
  ['ones', 1],
  ['units', 1],
];

/** The names a readout's signs and stages go by: `labels` are what is printed beside each sign, on every badge. */
export function callerNames(readout: Readout, labels: ReadonlyMap<string, readonly string[]>): CallerNames {
  const several = readout.stages.length > 1;
  const bySpelling = new Map<string, SignId[]>();
  for (const [sign, own] of labels)
    for (const label of own) {
      const words = spokenWords(label).join(' ');
      if (words !== '') bySpelling.set(words, [...(bySpelling.get(words) ?? []), sign as SignId]);
    }
  const stages = several
    ? [
        ...halves.filter(([, i]) => i < readout.stages.length),
        ...readout.stages.map((s, i) => [spokenWords(s.label).join(' '), i] as const),
      ]
    : [];
  const longest = <T extends { words: readonly string[] }>(list: T[]): T[] =>
    list.sort((a, b) => b.words.length - a.words.length);
  return {
    several,
    pointed: readout.stages.some(({ reads }) => reads.kind === 'lamps' || reads.kind === 'which'),
    numbered: [...bySpelling.keys()].some((label) => /^\d+$/.test(label)),
    signs: longest([...bySpelling].map(([words, signs]) => ({ words: words.split(' '), signs }))),
    stages: longest(
      stages
        // a label of one letter or figure says something else
        .filter(([words]) => words.length > 1 && !/^\d+$/.test(words) && !bySpelling.has(words))
        .map(([words, stage]) => ({ words: words.split(' '), stage })),
    ),
  };
}

/** Words that name the phase lamp as lit or dark become the stage they mean; so does a colour that brings a stage on. */
function marked(readout: Readout, words: readonly CallerWord[]): CallerWord[] {
  const made: CallerWord[] = [];
  for (let i = 0; i < words.length; i++) {
    const word = words[i] as CallerWord;
    if (word.kind === 'colour') {
      const stage = readout.stages.findIndex((s) => s.comes.kind === 'colour' && s.comes.colour === word.colour);
      made.push(stage < 0 ? word : { kind: 'stage', stage });
      continue;
    }
    const stage = word.kind === 'name' && word.signs[0] ? broughtOnBy(readout, word.signs[0]) : -1;
    if (stage < 0) {
      const next = words[i + 1];
      made.push(word.kind === 'without' && next?.kind !== 'name' ? { kind: 'other-stage' } : word);
      continue;
    }
    const before = words[i - 1];
    const after = words[i + 1];
    const isState = after?.kind === 'state';
    const dark = before?.kind === 'without' || (isState && after.state === 'off');
    if (before?.kind === 'with' || before?.kind === 'without') made.pop();
    if (isState) i += 1;
    made.push(dark ? { kind: 'stage', stage: stage === 0 ? 1 : 0 } : { kind: 'stage', stage });
  }
  return made;
}

/** Whether a word says anything of a stage: a lamp that is off says nothing where blinks are counted. */
const saysOf =
  (counted: boolean) =>
  (word: CallerWord): boolean =>
    tells(word) && !(counted && (word.kind === 'none' || (word.kind === 'state' && word.state !== 'blinks')));

/** Whether something was said since the last stop. */
function saysNow(words: readonly CallerWord[], says: (word: CallerWord) => boolean): boolean {
  const from = words.findLastIndex((w) => w.kind === 'stop' || w.kind === 'end');
  return words.slice(from + 1).some(says);
}

/** Rounds told one after the other are one: 4, 2, 4, 2 of two stages. */
function once(chunks: ReadonlyArray<readonly CallerWord[]>, stages: number): ReadonlyArray<readonly CallerWord[]> {
  if (chunks.length <= stages || chunks.length % stages !== 0) return chunks;
  const first = JSON.stringify(chunks.slice(0, stages));
  for (let i = stages; i < chunks.length; i += stages)
    if (JSON.stringify(chunks.slice(i, i + stages)) !== first) return chunks;
  return chunks.slice(0, stages);
}

/** Shares what was said out among the stages: by the stage that is named, the phase lamp, or one after the other. */
export function chunksOf(readout: Readout, said: readonly CallerWord[]): { chunks: Chunk[]; left: CallerWord[] } {
  const says = saysOf(readout.stages.every(({ reads }) => isRhythmic(reads) && reads.kind !== 'rhythm'));
  type Draft = { stage: number | null; words: CallerWord[] };
  const drafts: Draft[] = [{ stage: null, words: [] }];
  const last = () => drafts.at(-1) as Draft;
  const begin = (stage: number | null) => {
    if (last().words.some(says)) drafts.push({ stage, words: [] });
    else last().stage = stage ?? last().stage;
  };
  const all = marked(readout, said);
  for (const [i, word] of all.entries()) {
    const next = all[i + 1];
    const endsThere = next === undefined || next.kind === 'stop' || next.kind === 'end' || next.kind === 'then';
    if (word.kind === 'then') begin(null);
    else if (word.kind === 'stage' && endsThere && last().stage === null && saysNow(last().words, says)) {
      // named behind what it is about
      last().stage = word.stage;
      drafts.push({ stage: null, words: [] });
    } else if (word.kind === 'stage') begin(word.stage);
    else if (word.kind === 'other-stage') {
      const before = last().stage ?? drafts.length - 1;
      begin(readout.stages.length === 2 ? 1 - Math.min(1, before) : before === 0 ? 1 : before - 1);
    } else last().words.push(word);
  }
  const ended = drafts.at(-1);
  // a stage named at the end is that of what was said before
  if (ended && !ended.words.some(says)) {
    drafts.pop();
    const before = drafts.at(-1);
    if (before && before.stage === null) before.stage = ended.stage;
  }
  const named = drafts.some((d) => d.stage !== null);
  if (!named) {
    const rounds = once(
      drafts.map((d) => d.words),
      readout.stages.length,
    );
    return {
      chunks: rounds.slice(0, readout.stages.length).map((words, stage) => ({ stage, words })),
      left: rounds.slice(readout.stages.length).flat(),
    };
  }
  const taken = new Set(drafts.flatMap((d) => (d.stage === null ? [] : [d.stage])));
  const free = readout.stages.map((_, i) => i).filter((i) => !taken.has(i));
  const chunks: Chunk[] = [];
  const left: CallerWord[] = [];
  for (const { stage, words } of drafts) {
    const own = stage ?? free.shift();
    if (own === undefined) left.push(...words);
    else chunks.push({ stage: own, words });
  }
  return { chunks: chunks.sort((a, b) => a.stage - b.stage), left };
}
