import type { ProveRun } from '../code/prove.ts';

const plural = (n: number, word: string): string => `${n} ${word}${n === 1 ? '' : 's'}`;

/** Resetting first, as against testing first: what it costs, when it is right, and what the help says of the two. */
export const resetFirstWords = {
  why: 'Testing first keeps the evidence: what is stored with the code, and how often it came. Resetting first shows at once whether the fault is still there, and is right where the code may be old.',
  right:
    'Right where the code may be old: after work was done on it, after the supply was away, or where nobody has seen the fault.',
  /** What a reset costs here. */
  costs: (run: ProveRun, cycle: string): string =>
    `It costs the evidence: the code and what is stored with it are gone. That it stays away proves something only after ${plural(run.cycles, cycle)}.`,
} as const;
