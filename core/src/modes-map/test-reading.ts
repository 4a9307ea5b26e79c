import { parseReading, type ReadingError } from '../base/quantity.ts';
import { fail, ok, type Result } from '../base/result.ts';
import { judgeReading, type Named } from '../chart/verdict.ts';
import type { NumberedTest } from '../model/mode.ts';
import type { TakenReading } from '../model/taken-reading.ts';

export type TestReading = Readonly<{ taken: TakenReading; named: Named | null }>;

/**
 * Judges what was typed at a numbered test that expects a reading, by the same rules as a chart's measurement. Which meter
 * is used is not said there, so that only the bound itself is too close to call. Null where the test expects no reading.
 */
export function judgeTestReading(test: NumberedTest, typed: string): Result<TestReading, ReadingError> | null {
  const { expects } = test;
  if (expects?.kind !== 'reading') return null;
  const { quantity, least, most } = expects;
  const read = parseReading(typed, quantity);
  if (!read.ok) return fail(read.error);
  const reading = read.value;
  const { verdict, named } = judgeReading({ reading, quantity, band: { least, middle: null, most }, doubt: 0 });
  const value = reading.kind === 'open' ? null : reading.value;
  return ok({ taken: { typed: typed.trim(), quantity, value, atCelsius: null, least, most, verdict }, named });
}
