import { proveRun, provesOf } from '@wire-trail/core';
import type { StationProps } from '../StationLayout.tsx';

/** The run that proves it, of several codes the longest; one cycle where nothing says how the fault is detected. */
export const runOf = ({ subject, roots, codes }: StationProps['data']) =>
  provesOf(roots, codes)[0]?.run ??
  proveRun(subject?.detection ?? { notWatchedCycles: 0, inARow: 1, erasedAfterCleanCycles: null });

export const plural = (word: string, n: number): string => (n === 1 ? word : `${word}s`);
