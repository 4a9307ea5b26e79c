import { z } from 'zod';
import { LampColour, lampStates } from './lamp.ts';
import { plain, ref } from './reference.ts';

/**
 * What a person says of one lamp. `unsure` is an answer, `dim` means it may be lit; a lamp not mentioned has not been
 * looked at.
 */
export const SeenLamp = z.enum([...lampStates, 'dim', 'unsure']);
export type SeenLamp = z.infer<typeof SeenLamp>;

/** A light or a beep, from when to when. */
export const Pulse = z.tuple([z.number().min(0).max(3_600_000), z.number().min(0).max(3_600_000)]);
export type Pulse = z.infer<typeof Pulse>;

/** What one trace or row of taps fits: the stages it tells, and how well (natural logarithm of the likelihood, best 0). */
export const Fit = z.strictObject({
  parts: z.record(ref('stage', 'readout'), plain('what a stage says', z.string().max(24))),
  log: z.number(),
});
export type Fit = z.infer<typeof Fit>;

/** One look at one stage. The same stage may be looked at more than once. */
export const Look = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('lamps'),
    stage: ref('stage', 'readout'),
    lamps: z.record(ref('sign'), SeenLamp),
    colours: z.record(ref('sign'), LampColour).optional(),
  }),
  z.strictObject({
    kind: z.literal('blinks'),
    stage: ref('stage', 'readout'),
    count: z.number().int().min(0).max(1000),
    /** Counts it may have been as well. */
    maybe: z.array(z.number().int().min(0).max(1000)).max(10).optional(),
    /** Which lamp it was, where several may blink. */
    sign: ref('sign').optional(),
    /** Whether a steady light of seconds came before the count; left out where nobody said. */
    lead: z.boolean().optional(),
  }),
  /** Long and short as somebody says them; `?` where it could not be told. */
  z.strictObject({
    kind: z.literal('rhythm'),
    stage: ref('stage', 'readout'),
    pattern: plain('long and short', z.string().regex(/^[sl?]{0,60}$/)),
  }),
  /** What a display shows; `?` for a character that cannot be told. */
  z.strictObject({
    kind: z.literal('text'),
    stage: ref('stage', 'readout'),
    text: plain('what a display shows', z.string().max(40)),
  }),
  /** Taps along with the blinking, or a camera's pulses set right by hand. Tells every stage its sign shows in turn. */
  z.strictObject({
    kind: z.literal('pulses'),
    stage: ref('stage', 'readout'),
    by: z.enum(['taps', 'camera']),
    sign: ref('sign').optional(),
    pulses: z.array(Pulse).max(400),
  }),
  /** Brightness of one lamp in even steps, 0 to 255; -1 where a picture was missing. */
  z.strictObject({
    kind: z.literal('trace'),
    stage: ref('stage', 'readout'),
    sign: ref('sign').optional(),
    stepMs: z.number().min(5).max(200),
    levels: z.array(z.number().int().min(-1).max(255)).max(3000),
    /** What was made of it where it was taken, so that it need not be worked out again. */
    fits: z.array(Fit).max(60).optional(),
  }),
]);
export type Look = z.infer<typeof Look>;
export type LookOf<K extends Look['kind']> = Extract<Look, { kind: K }>;

/** Everything seen of one slot, as seen. */
export const Seen = z.strictObject({
  slot: z.number().int().min(1).max(100).default(1),
  looks: z.array(Look).max(60),
  /** Active, stored, confirmed …: which of the readout's marks was seen beside the code. */
  mark: ref('mark', 'readout').optional(),
  /** Lamps seen to light at power-up, so that they are not dead. */
  alive: z.array(ref('sign')).max(60).optional(),
  /** What a caller said, in the caller's words. */
  said: plain('a caller’s words', z.string().max(400)).optional(),
});
export type Seen = z.infer<typeof Seen>;
