import type { ProveRun } from '../code/prove.ts';
import type { FirstBy } from '../model/walk.ts';

const plural = (n: number, word: string): string => `${n} ${word}${n === 1 ? '' : 's'}`;

/** Doing something first, as against testing first: what it costs, when it is right, and what the help says of it. */
export const firstMoveWords = {
  why: 'Testing first keeps the evidence: what is stored with the code, and how often it came. Resetting or recalibrating first shows at once whether the fault is still there, and is right where the code may be old or the unit may only be out of adjustment.',
  reset: {
    offer: 'Or reset it first, and see whether it comes back',
    right:
      'Right where the code may be old: after work was done on it, after the supply was away, or where nobody has seen the fault.',
    costs: 'the code and what is stored with it are gone.',
  },
  recalibrate: {
    offer: 'Or recalibrate first, and see whether it comes back',
    right:
      'Right where the unit may only be out of adjustment: after a part or the board was put in new, after it was moved, or where the setting was lost.',
    costs:
      'the setting it had is gone, and with it what it said; so is the code and what is stored with it. A part that is on its way out can be calibrated away for a while.',
  },
  /** What it costs here, and from when on it proves something. */
  costs: (by: FirstBy, run: ProveRun, cycle: string): string =>
    `It costs the evidence: ${firstMoveWords[by].costs} That it stays away proves something only after ${plural(run.cycles, cycle)}.`,
} as const;
