import type { Detection } from './model.ts';

export type ProveRun = Readonly<{
  /** Cycles to run before the code's absence proves anything. */
  cycles: number;
  /** Of those, the ones in which the control does not look. */
  notWatched: number;
  /** After so many clean cycles the memory erases itself, so that an empty memory proves less. */
  erasedAfter: number | null;
}>;

/**
 * The shortest run that proves a repair: the cycles it does not watch, plus as many in a row as it needs to store the
 * code. Running fewer and finding nothing proves nothing.
 */
export function proveRun(
  detection: Pick<Detection, 'notWatchedCycles' | 'inARow' | 'erasedAfterCleanCycles'>,
): ProveRun {
  return {
    cycles: detection.notWatchedCycles + detection.inARow,
    notWatched: detection.notWatchedCycles,
    erasedAfter: detection.erasedAfterCleanCycles,
  };
}

/**
 * How long the trouble has lasted, at the least, when the unit locks out: attempts × (run + rest), the last rest not
 * counted. Null where the code does not lock out or its attempts are not known.
 */
export function lockOutMs(detection: Detection): number | null {
  const { locksOutAfter, attempt } = detection;
  if (locksOutAfter === undefined || attempt === undefined) return null;
  return locksOutAfter * attempt.runMs + (locksOutAfter - 1) * attempt.restMs;
}
