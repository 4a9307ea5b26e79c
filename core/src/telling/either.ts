import type { Step } from '../model/route.ts';
import type { UnitFacts } from '../unit/facts.ts';
import { type Answers, noAnswers, withNames } from './answers.ts';
import { readCards } from './cards/read.ts';
import type { InstrumentName } from './names.ts';
import { readTold, type Told } from './speech/read.ts';
import type { Differs } from './speech/recap.ts';
import { readTelling } from './telling.ts';

/** What two steps differ in, as it is told. */
function aboutOf(said: Step, before: Step | null): Differs['about'] {
  if (before === null) return 'left-out';
  if (said.kind !== before.kind) return 'order';
  if ('control' in said && 'control' in before && said.control !== before.control) return 'control';
  if (said.kind === 'turn' && before.kind === 'turn' && said.way !== before.way) return 'direction';
  return said.kind === 'hold' || said.kind === 'rest' ? 'time' : 'count';
}

/** What the grammar of written sentences makes of a text, with what it left over; null where it made nothing. */
function byGrammar(text: string, facts: UnitFacts, instruments: readonly InstrumentName[]): Told | null {
  const { steps, phrases, notUnderstood, doubts, contradictions } = readTelling(text, facts, instruments);
  if (steps.length === 0) return null;
  return {
    text,
    routes: [{ name: 'Steps', from: 0, steps, phrases }],
    holes: notUnderstood.map(({ from, to }) => ({ from, to, why: 'not-understood' as const })),
    doubts,
    contradictions: contradictions.map((c) => ({
      about: aboutOf(c.said, c.steps),
      from: c.from,
      to: c.to,
      said: c.text,
      before: c.steps,
      instead: c.steps && c.said.kind === c.steps.kind ? c.said : null,
    })),
  };
}

/** Written sentences, where the grammar understands every word of them; null for everything else. */
export function readWritten(text: string, facts: UnitFacts, instruments: readonly InstrumentName[] = []): Told | null {
  const told = byGrammar(text, facts, instruments);
  const isActs = told?.routes[0]?.steps.some((s) => s.kind !== 'at-place' && s.kind !== 'say') ?? false;
  return told && isActs && told.holes.length === 0 ? told : null;
}

/**
 * Reads a telling, however it is told: lines of the coach and the sheet back into their steps, written sentences by their
 * grammar where every word of them is understood, and speech as it comes.
 */
export function readAnyTelling(
  text: string,
  facts: UnitFacts,
  instruments: readonly InstrumentName[] = [],
  tell?: (share: number) => void,
  answers: Answers = noAnswers,
): Told {
  const named = withNames(facts, answers.names);
  const whole = readCards(text, named) ?? readWritten(text, named, instruments);
  if (whole) return whole;
  const spoken = readTold(text, facts, tell, answers);
  if (spoken.routes.length > 0) return spoken;
  // where it understood more than it left over
  const written = byGrammar(text, named, instruments);
  const steps = written?.routes[0]?.steps ?? [];
  // to go somewhere alone is nothing that is done to a unit: `Going to bed.`
  return written && steps.some((s) => s.kind !== 'at-place') && written.holes.length <= steps.length ? written : spoken;
}
