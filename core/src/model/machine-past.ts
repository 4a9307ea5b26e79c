import { z } from 'zod';
import { plain, ref } from './reference.ts';
import { TakenReading } from './taken-reading.ts';

/** Something left limited or not put back on a machine. */
export const Owed = z
  .strictObject({
    walk: ref('walk'),
    /** What a `put-back` event names it by. */
    key: plain('what was owed', z.string()),
    kind: z.enum(['limited', 'setting', 'locked-out']),
    what: plain('what was owed, in words', z.string()),
    setting: ref('setting').nullable(),
    since: plain('a time', z.string()),
    /** The day it has to be put back by; null where nobody said. */
    by: plain('a date', z.string()).nullable(),
    /** Who puts it back, where somebody said so. */
    who: plain('a name', z.string()).optional(),
  })
  .readonly();
export type Owed = z.infer<typeof Owed>;

/** A reading that was taken, at a step of a chart, again after the repair, or in a numbered test of a mode. */
export const EarlierReading = z
  .strictObject({
    walk: plain('a walk', z.string()),
    at: plain('a time', z.string()),
    when: z.enum(['before', 'after', 'test']),
    /** The chart, or the mode of a test. */
    of: plain('a chart or a mode', z.string()),
    /** The step, or the number of a test. */
    step: plain('a step or a test', z.string()),
    reading: TakenReading,
  })
  .readonly();
export type EarlierReading = z.infer<typeof EarlierReading>;
