import type { Code, Detection } from '../model/code.ts';
import type { Readout } from '../model/readout.ts';

/** Whether a code stays in memory once it was found, so that it has to be erased: not where a readout tells results of tests. */
export const isKept = (code: Code, readout: Readout | undefined): boolean =>
  code.detection.stored && (readout === undefined || readout.tells === 'codes');

export type ProveRun = Readonly<{
  /** Cycles to run before the code's absence proves anything. */
  cycles: number;
  /** Of those, the ones in which the control does not look. */
  notWatched: number;
  /** After so many clean cycles the memory erases itself, so that an empty memory proves less. */
  erasedAfter: number | null;
  /** How long that takes at the least; null where nothing says how long a cycle is. */
  leastMs: number | null;
  /** How long one cycle is at the least: as it is, or as long as the threshold has to be passed for. */
  cycleMs: number | null;
  /** The memory may be empty because it erased itself within this very run. */
  erasesWithin: boolean;
}>;

/**
 * The shortest run that proves a repair: the cycles it does not watch, plus as many in a row as it needs to store the
 * code. Running fewer and finding nothing proves nothing. Its time is arming + (n − 1) · spacing + one cycle, where a
 * cycle lasts at least as long as the threshold must be passed for, and the spacing is at least a cycle.
 */
export function proveRun(
  detection: Pick<Detection, 'notWatchedCycles' | 'inARow' | 'erasedAfterCleanCycles'> &
    Partial<Pick<Detection, 'armingMs' | 'cycleMs' | 'cycleEveryMs' | 'forMs'>>,
): ProveRun {
  const { notWatchedCycles, inARow, erasedAfterCleanCycles, armingMs, cycleMs, cycleEveryMs, forMs } = detection;
  const cycles = notWatchedCycles + inARow;
  const oneMs = cycleMs === undefined && forMs === undefined ? null : Math.max(cycleMs ?? 0, forMs ?? 0);
  const known = oneMs !== null || cycleEveryMs !== undefined || armingMs !== undefined;
  const spacingMs = Math.max(cycleEveryMs ?? 0, oneMs ?? 0);
  return {
    cycles,
    notWatched: notWatchedCycles,
    erasedAfter: erasedAfterCleanCycles,
    leastMs: known ? (armingMs ?? 0) + (cycles - 1) * spacingMs + (oneMs ?? 0) : null,
    cycleMs: oneMs,
    erasesWithin: erasedAfterCleanCycles !== null && erasedAfterCleanCycles <= cycles,
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
