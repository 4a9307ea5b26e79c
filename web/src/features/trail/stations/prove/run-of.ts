import { proveRun } from '@wire-trail/core';
import type { StationProps } from '../StationLayout.tsx';

/** The run that proves it; one cycle where nothing says how the fault is detected. */
export const runOf = ({ subject }: StationProps['data']) =>
  proveRun(subject?.detection ?? { notWatchedCycles: 0, inARow: 1, erasedAfterCleanCycles: null });

export const plural = (word: string, n: number): string => (n === 1 ? word : `${word}s`);
