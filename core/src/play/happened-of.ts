import type { Happened } from '../model/walk.ts';
import type { MissCode } from './attempt-state.ts';

/** What a miss is in the words of the walk's record of tries. */
export const happenedOf: Readonly<Record<MissCode, Happened>> = {
  'too-late': 'too-slow',
  'after-window': 'too-slow',
  'let-go-late': 'too-slow',
  'held-too-long': 'too-slow',
  'not-together': 'too-slow',
  'held-not-pressed': 'too-slow',
  'too-early': 'too-fast',
  'let-go-early': 'too-fast',
  'before-sign': 'too-fast',
  'before-window': 'too-fast',
  deaf: 'too-fast',
  'one-too-many': 'count-over',
  'too-few': 'count-over',
  'other-mode': 'other-mode',
  'other-control': 'nothing',
  'other-place': 'nothing',
  'other-way': 'nothing',
  'other-choice': 'nothing',
  'left-out': 'nothing',
  swapped: 'nothing',
  unfinished: 'nothing',
  'no-power': 'nothing',
  'not-now': 'nothing',
};
