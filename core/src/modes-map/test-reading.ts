import { parseReading, type ReadingError } from '../base/quantity.ts';
import { fail, ok, type Result } from '../base/result.ts';
import { judgeReading, type Named } from '../chart/verdict.ts';
import type { Mode, NumberedTest } from '../model/mode.ts';
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

/** What a mode says of a numbered test that counts before it is run, and after: cold only, what needs to be run first, when it does not count. */
export function testConditions(mode: Pick<Mode, 'tests'>, test: NumberedTest): string[] {
  const first = mode.tests.find((t) => t.number === test.needsFirst);
  return [
    ...(test.coldOnly ? ['Only on a cold unit: a warm one gives a wrong result.'] : []),
    ...(test.needsFirst === undefined
      ? []
      : [`Test ${test.needsFirst}${first ? ` (${first.name})` : ''} has to be run first.`]),
    ...(test.repeatWhen ? [`It does not count, and is run again: ${test.repeatWhen}`] : []),
  ];
}
