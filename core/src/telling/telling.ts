import { contradictions } from '../accounts/align.ts';
import type { UnitFacts } from '../unit/facts.ts';
import type { Contradiction, TellingDraft } from './draft.ts';
import { type InstrumentName, namesOf } from './names.ts';
import { readSentences } from './read.ts';

/** Longer tellings are read to this length. */
export const mostTelling = 20_000;

/** Where somebody begins to sum up what was told. */
const sumsUp =
  /\b(so,? in short|in short|to sum up|summed up|in sum|all in all|so altogether|altogether that is|so that is|so that's|that makes)\b[:,]?\s*/i;

/** What the summing-up says and the steps do not: each with its place in the text. */
function contradictionsOf(told: TellingDraft, summary: TellingDraft, from: number, text: string): Contradiction[] {
  return contradictions(summary.steps, told.steps).flatMap((row): Contradiction[] => {
    const [mine, theirs] = row.cells;
    const phrase = mine && summary.phrases.find((p) => p.at === mine.at.split('.')[0]);
    if (!mine || !phrase) return [];
    const [begin, end] = [phrase.from + from, phrase.to + from];
    return [{ from: begin, to: end, text: text.slice(begin, end), said: mine.step, steps: theirs?.step ?? null }];
  });
}

/**
 * Reads how somebody tells a sequence into draft steps on this family's controls. A grammar, the same answer every
 * time: a part that is not understood whole makes no step and is given back as it stands. Where the telling sums itself
 * up (“in short, …”), the summing-up makes no steps of its own and is held against those before it.
 */
export function readTelling(text: string, facts: UnitFacts, instruments: readonly InstrumentName[] = []): TellingDraft {
  const cut = text.slice(0, mostTelling);
  const names = namesOf(facts, instruments);
  const summing = sumsUp.exec(cut);
  const told = readSentences(summing ? cut.slice(0, summing.index) : cut, names);
  if (summing && told.steps.length > 0) {
    const from = summing.index + summing[0].length;
    const summary = readSentences(cut.slice(from), names);
    return withLeft({ ...told, contradictions: contradictionsOf(told, summary, from, cut) }, text);
  }
  return withLeft(summing ? readSentences(cut, names) : told, text);
}

function withLeft(intake: TellingDraft, text: string): TellingDraft {
  if (text.length <= mostTelling) return intake;
  const left = { from: mostTelling, to: text.length, text: text.slice(mostTelling, mostTelling + 200) };
  return { ...intake, notUnderstood: [...intake.notUnderstood, left] };
}
