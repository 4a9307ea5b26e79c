import { z } from 'zod';
import { Label, Prose } from '../base/text.ts';
import { plain } from './reference.ts';

/** A finding somebody looked at and let stand, with their reason. It holds for exactly what was found then. */
export const Accepted = z.strictObject({
  finding: plain('which finding', z.string().min(1).max(60)),
  /** What was found, as it was found: another fact, and it is open again. */
  facts: plain('what was found', z.string().max(4000)),
  reason: Prose.min(1),
  by: Label,
  on: plain('a date', z.iso.date()),
});
export type Accepted = z.infer<typeof Accepted>;

/** What every entry may carry: the findings about it that were accepted, whether it is another unit's still, and what it follows. */
export const acceptances = {
  accepted: z.array(Accepted).max(200).optional(),
  /** The unit it was carried over from, until somebody has looked at it here. */
  carriedFrom: Label.optional(),
  /** Of a new generation: which revision of the older unit's entry this one was last brought in line with. */
  follows: z.number().int().min(1).optional(),
};
