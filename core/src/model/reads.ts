import { z } from 'zod';
import type { SignId } from '../base/ids.ts';
import { Quantity } from '../base/quantity.ts';
import { Label } from '../base/text.ts';
import { LampState } from './lamp.ts';
import { plain, ref } from './reference.ts';

/** What a stage makes of what it reads. */
const Value = plain('characters', z.string().min(1).max(12));

/** How a number, or a row of lamps, becomes the characters of the code. */
const SimpleMap = z.discriminatedUnion('kind', [
  /** The sum itself, padded with zeros to so many digits. */
  z.strictObject({
    kind: z.literal('number'),
    least: z.number().int().min(0).max(65_535),
    most: z.number().int().min(0).max(65_535),
    digits: z.number().int().min(1).max(6).default(1),
  }),
  /** The sum counts into a list of characters, beginning at `first`. */
  z.strictObject({
    kind: z.literal('characters'),
    characters: plain('characters', z.string().min(1).max(64)),
    first: z.number().int().min(0).default(1),
  }),
  /**
   * No arithmetic: each row names a count, or a pattern with one letter a lamp: `1` on, `0` off, `-` either, `d` dark,
   * `l` lit, `s` slow, `f` fast, and `R G A W B Y` lit in that colour.
   */
  z.strictObject({
    kind: z.literal('table'),
    rows: z
      .array(
        z.strictObject({ pattern: plain('a pattern of lamps, or a count', z.string().min(1).max(64)), value: Value }),
      )
      .min(1)
      .max(1024),
  }),
]);
export type SimpleMap = z.infer<typeof SimpleMap>;

export const ValueMap = z.discriminatedUnion('kind', [
  ...SimpleMap.options,
  /** What it means depends on what an earlier stage said. */
  z.strictObject({
    kind: z.literal('by-stage'),
    stage: ref('stage'),
    maps: z
      .array(z.strictObject({ when: z.array(Value).min(1).max(64), to: SimpleMap }))
      .min(1)
      .max(64),
    otherwise: SimpleMap.nullable().default(null),
  }),
]);
export type ValueMap = z.infer<typeof ValueMap>;

export const StageLamp = z.strictObject({ sign: ref('sign'), weight: z.number().int().min(1).max(65_536).optional() });

const ms = z.number().positive().max(600_000);
/** A long steady light before the run, and what it means: usually that the fault sits in the other unit. */
const LeadIn = z.strictObject({ steadyMs: ms, means: Label });
const run = { onMs: ms.default(300), offMs: ms.default(300), pauseMs: ms.default(1500) };
/** Whether it is a beeper and not a lamp. */
const heard = z.boolean().default(false);

export const Reads = z.discriminatedUnion('kind', [
  /** A row of lamps; what counts as on and off may be said, since some units blink the lamp that counts. */
  z.strictObject({
    kind: z.literal('lamps'),
    lamps: z.array(StageLamp).min(1).max(16),
    onIs: LampState.default('lit'),
    offIs: LampState.default('dark'),
    to: ValueMap,
  }),
  /** So many blinks, or beeps, and a pause. */
  z.strictObject({
    kind: z.literal('blinks'),
    sign: ref('sign'),
    heard,
    most: z.number().int().min(1).max(100),
    ...run,
    leadIn: LeadIn.optional(),
    to: ValueMap,
  }),
  /** Long and short ones: each row is a pattern of `s` and `l`. */
  z.strictObject({
    kind: z.literal('rhythm'),
    sign: ref('sign'),
    heard,
    shortMs: ms.default(250),
    longMs: ms.default(900),
    gapMs: ms.default(300),
    pauseMs: ms.default(2000),
    leadIn: LeadIn.optional(),
    rows: z
      .array(
        z.strictObject({
          pattern: plain('long and short', z.string().regex(/^[sl]{1,24}$/, 'a pattern of s for short and l for long')),
          value: Value,
        }),
      )
      .min(1)
      .max(256),
  }),
  /** Which lamp blinks says one thing, how often the other: the lamp's own text, then the count. */
  z.strictObject({
    kind: z.literal('which'),
    lamps: z
      .array(z.strictObject({ sign: ref('sign'), value: plain('characters', z.string().min(1).max(6)) }))
      .min(2)
      .max(16),
    most: z.number().int().min(1).max(30),
    ...run,
  }),
  z.strictObject({
    kind: z.literal('text'),
    sign: ref('sign'),
    /** Seven segments lose one now and then; a text line does not. */
    face: z.enum(['segments', 'text']).default('text'),
    /** Characters of the longest text; `shortest` where shorter ones show as well. */
    length: z.number().int().min(1).max(12),
    shortest: z.number().int().min(1).max(12).optional(),
    characters: plain('characters', z.string().min(1).max(128)),
    /** Words that may stand there beside, of any length and letters, such as LO and HOT where numbers show. */
    words: z.array(Value).max(64).default([]),
  }),
  /** A live value with its unit and range; it accompanies the code and is no part of it. */
  z.strictObject({
    kind: z.literal('value'),
    sign: ref('sign'),
    /** The stage that says which value it is, such as an address dialled in. */
    after: ref('stage').optional(),
    fields: z
      .array(
        z.strictObject({
          when: plain('characters', z.string().max(12)).nullable().default(null),
          name: Label,
          quantity: Quantity.nullable(),
          /** What it is shown in, where that is not the usual unit of its quantity. */
          unit: plain('a unit', z.string().min(1).max(12)).optional(),
          decimals: z.number().int().min(0).max(4).default(0),
          /** In what is shown, not in base units. */
          least: z.number(),
          most: z.number(),
        }),
      )
      .min(1)
      .max(200),
  }),
  /** A suspect parameter and a failure mode, as `412-7`. */
  z.strictObject({
    kind: z.literal('pair'),
    sign: ref('sign'),
    /** What stands between the two on the unit. */
    between: z.enum(['-', '.', '/', ' ']).default('-'),
  }),
  /** A number pair as four raw bytes: 19 bits parameter, 5 bits mode, 1 bit layout, 7 bits count. */
  z.strictObject({ kind: z.literal('bytes'), sign: ref('sign') }),
]);
export type Reads = z.infer<typeof Reads>;
export type ReadsOf<K extends Reads['kind']> = Extract<Reads, { kind: K }>;

/** The kinds that are told by time: each has one sign, or several of which one blinks. */
export const isRhythmic = (reads: Reads): reads is ReadsOf<'blinks' | 'rhythm' | 'which'> =>
  reads.kind === 'blinks' || reads.kind === 'rhythm' || reads.kind === 'which';

/** Every sign a stage is read from. */
export function signsOfReads(reads: Reads): SignId[] {
  return reads.kind === 'lamps' || reads.kind === 'which' ? reads.lamps.map((l) => l.sign) : [reads.sign];
}
