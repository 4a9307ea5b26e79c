import type { Step } from '../model/route.ts';
import type { UnitFacts } from '../unit/facts.ts';
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

/** Written sentences, where the grammar understands every word of them; null for everything else. */
export function readWritten(text: string, facts: UnitFacts, instruments: readonly InstrumentName[] = []): Told | null {
  const { steps, phrases, notUnderstood, doubts, contradictions } = readTelling(text, facts, instruments);
  if (steps.length === 0 || notUnderstood.length > 0) return null;
  return {
    text,
    routes: [{ name: 'Steps', steps, phrases }],
    holes: [],
    doubts,
    contradictions: contradictions.map((c) => ({
      about: aboutOf(c.said, c.steps),
      from: c.from,
      to: c.to,
      said: c.text,
      before: c.steps,
    })),
  };
}

/** Reads a telling, however it is told: written sentences by their grammar, speech as it comes. */
export const readAnyTelling = (
  text: string,
  facts: UnitFacts,
  instruments: readonly InstrumentName[] = [],
  tell?: (share: number) => void,
): Told => readWritten(text, facts, instruments) ?? readTold(text, facts, tell);
