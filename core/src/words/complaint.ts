import type { complaintTimes, triedBefore } from '../model/walk.ts';
import type { Complaint } from '../walk/state.ts';

/** When it happens, as a pick. */
export const complaintTimeWords: Readonly<Record<(typeof complaintTimes)[number], string>> = {
  always: 'all the time',
  'now-and-then': 'now and then',
  cold: 'when cold',
  warm: 'when warm',
  'under-load': 'under load',
  'at-start': 'at the start',
  'after-rain': 'after rain or washing',
  'when-others-run': 'when other things run',
};

/** What was tried before, as a pick. */
export const triedWords: Readonly<Record<(typeof triedBefore)[number], string>> = {
  reset: 'it was reset',
  unplugged: 'it was unplugged',
  'breaker-tripped': 'the breaker tripped',
  'parts-changed': 'parts were changed',
  cleaned: 'it was cleaned',
  moved: 'it was moved',
};

/** What the customer said, a line for each matter that was asked. */
export function complaintLines(
  said: Omit<Complaint, 'partsChanged'> & Partial<Pick<Complaint, 'partsChanged'>>,
  partName: (id: string) => string = (id) => id,
): string[] {
  const changed = (said.partsChanged ?? []).map(partName);
  return [
    said.says,
    said.since && `since ${said.since}`,
    said.happens.length > 0 && said.happens.map((h) => complaintTimeWords[h]).join(', '),
    said.usedBy && `used by ${said.usedBy}`,
    said.tried.length > 0 && said.tried.map((t) => triedWords[t]).join(', '),
    changed.length > 0 && `put in new by others: ${changed.join(', ')}`,
    said.age && `age: ${said.age}`,
    said.counter && `counter: ${said.counter}`,
  ].filter((line): line is string => Boolean(line));
}
