import type { Code, Symptom } from '../model/code.ts';
import type { Route } from '../model/route.ts';
import type { NothingToDo, Station } from '../model/walk.ts';
import type { Walk } from './state.ts';

/**
 * Why there is nothing to do at a station, so that a walk may pass it by itself; null where there is something. Unit, Safe,
 * Clear and Prove always have something: a caution is never passed.
 */
export function nothingToDo(
  station: Station,
  walk: Walk,
  unit: Readonly<{ subject: Code | Symptom | null; way: readonly Route[]; hasReadout: boolean }>,
): NothingToDo | null {
  const leads = unit.subject?.kind === 'symptom' && walk.code === null && walk.special === null;
  switch (station) {
    case 'enter':
      if (leads) return 'symptom-leads';
      return unit.way.length === 0 ? 'no-mode' : null;
    case 'read':
      if (leads) return 'symptom-leads';
      // a code that nothing shows was told by something else, and is known
      return unit.subject?.kind === 'code' && !unit.hasReadout ? 'no-readout' : null;
    case 'unit':
    case 'safe':
    case 'test':
    case 'clear':
    case 'prove':
      return null;
  }
}
