import type { Clearing, NothingToDo } from '../model/walk.ts';
import type { Root } from '../walk/roots.ts';

/** Why a walk passed a station by itself, as a line after the station's name. */
export const passedWords: Readonly<Record<NothingToDo, string>> = {
  'no-mode': 'nothing to do, no mode has to be entered for this',
  'symptom-leads': 'nothing to do, there is no code and the symptom leads',
  'no-readout': 'nothing to do, this code shows nowhere on the unit',
  'nothing-stored': 'nothing to do, nothing is stored',
};

/** What of Clear was done. */
export const clearedWords: Readonly<Record<Clearing, string>> = {
  'put-back': 'What was changed by hand is back, or left to somebody',
  'close-up': 'What was taken off is back on',
  recalibrate: 'What the new part wants is done',
  erase: 'Memory erased',
  leave: 'Service mode left',
  'close-last': 'What had to stay open is closed',
};

/** How far one of several codes is. */
export const rootWords: Readonly<Record<Root['is'], string>> = {
  now: 'now',
  tested: 'tested',
  deferred: 'left for later',
  open: 'still open',
};
