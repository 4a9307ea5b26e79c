import { z } from 'zod';
import { Quantity } from '../base/quantity.ts';
import { plain, ref } from './reference.ts';

/** A reading as it was typed beside what was made of it, so that a wrong sum can be found later. */
export const TakenReading = z.strictObject({
  typed: plain('a reading as typed', z.string().min(1).max(400)),
  quantity: Quantity,
  /** Base unit, or what `as` says; null is an open circuit, or a value that is never reached. */
  value: z.number().nullable(),
  atCelsius: z.number().nullable(),
  least: z.number().nullable(),
  most: z.number().nullable(),
  verdict: z.enum(['pass', 'low', 'high', 'too-close']),
  /** Left out for the quantity itself; else a share of another reading, change a minute, or seconds. */
  as: z.enum(['ratio', 'per-minute', 'seconds']).optional(),
  /** The readings behind it, where there were several. */
  points: z
    .array(z.strictObject({ afterMs: z.number().min(0), value: z.number() }))
    .max(60)
    .optional(),
  instrument: ref('instrument').optional(),
});
export type TakenReading = z.infer<typeof TakenReading>;
