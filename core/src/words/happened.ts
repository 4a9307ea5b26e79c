import type { Happened } from '../model/walk.ts';

/** What a try that did not take ended in, as a technician says it. */
export const happenedWords: Readonly<Record<Happened, string>> = {
  nothing: 'nothing happened',
  'other-mode': 'it went somewhere else',
  'too-slow': 'I was too slow',
  'too-fast': 'I was too quick',
  'count-over': 'I counted wrong',
  reset: 'it started anew',
};
