import type { Detection } from '../model/code.ts';

/** What a counter of attempts says of time. */
export type Attempts = Readonly<{
  /** How long it has been going on, at the least: every attempt, and the rests between. */
  soFarMs: number;
  /** How many more until it locks out, and how long that takes; null where it does not, or has. */
  left: Readonly<{ attempts: number; ms: number }> | null;
}>;

/**
 * How long trouble has lasted after so many attempts: attempts × run + (attempts − 1) × rest, the last rest not counted.
 * What is left begins with the rest that is due. Null where a code's attempts are not known, or there were none.
 */
export function attemptsSoFar(
  detection: Pick<Detection, 'attempt' | 'locksOutAfter'>,
  attempts: number,
): Attempts | null {
  const { attempt, locksOutAfter } = detection;
  if (attempt === undefined || !Number.isInteger(attempts) || attempts < 1) return null;
  const soFarMs = attempts * attempt.runMs + (attempts - 1) * attempt.restMs;
  const more = (locksOutAfter ?? 0) - attempts;
  return {
    soFarMs,
    left: more > 0 ? { attempts: more, ms: more * (attempt.runMs + attempt.restMs) } : null,
  };
}
