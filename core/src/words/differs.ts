import type { Differing } from '../accounts/align.ts';

/** What two tellings of one step differ in, in a few words. */
export const differWords: Readonly<Record<Differing, string>> = {
  count: 'another count',
  time: 'another time',
  control: 'another control',
  place: 'another place or sign',
  act: 'done differently',
  order: 'another order',
  'left-out': 'left out',
};
