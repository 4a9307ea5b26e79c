import { z } from 'zod';
import {
  ControllerId,
  FamilyId,
  ModeId,
  ReadoutId,
  RouteId,
  SignId,
  SourceId,
  StageId,
  VariantId,
} from '../base/ids.ts';
import { Label, Prose, Standing } from '../base/words.ts';
import { LampColour } from '../unit/panel.ts';
import { LampState, Shown } from '../unit/signal.ts';

/** How a stage's number becomes the characters of the code. */
export const ValueMap = z.discriminatedUnion('kind', [
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
    characters: z.string().min(1).max(64),
    first: z.number().int().min(0).default(1),
  }),
  /** No arithmetic: each row names a pattern (`1` on, `0` off, `-` either, in the order of the lamps) or a count. */
  z.strictObject({
    kind: z.literal('table'),
    rows: z
      .array(z.strictObject({ pattern: z.string().min(1).max(64), value: z.string().min(1).max(12) }))
      .min(1)
      .max(1024),
  }),
]);
export type ValueMap = z.infer<typeof ValueMap>;

export const StageLamp = z.strictObject({ sign: SignId, weight: z.number().int().min(1).max(65_536).optional() });

export const Reads = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('lamps'),
    lamps: z.array(StageLamp).min(1).max(16),
    /** What counts as on and off; some units blink the lamp that counts. */
    onIs: LampState.default('lit'),
    offIs: LampState.default('dark'),
    to: ValueMap,
  }),
  z.strictObject({
    kind: z.literal('blinks'),
    sign: SignId,
    most: z.number().int().min(1).max(100),
    onMs: z.number().positive().default(300),
    offMs: z.number().positive().default(300),
    pauseMs: z.number().positive().default(1500),
    leadIn: z.strictObject({ steadyMs: z.number().positive(), means: Label }).optional(),
    to: ValueMap,
  }),
  z.strictObject({
    kind: z.literal('text'),
    sign: SignId,
    length: z.number().int().min(1).max(12),
    characters: z.string().min(1).max(128),
  }),
]);
export type Reads = z.infer<typeof Reads>;

export const Stage = z.strictObject({
  id: StageId,
  label: Label,
  /** What brings this stage on: a colour of the lamps, time, or a gesture. */
  comes: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('at-once') }),
    z.strictObject({ kind: z.literal('colour'), colour: LampColour }),
    z.strictObject({ kind: z.literal('alternates'), everyMs: z.number().positive() }),
    z.strictObject({ kind: z.literal('route'), route: RouteId }),
    z.strictObject({ kind: z.literal('sign'), shown: Shown }),
  ]),
  reads: Reads,
});
export type Stage = z.infer<typeof Stage>;

/** A pattern that is no code: nothing stored, self-check, healthy. Callers report these as if they were codes. */
export const Special = z.strictObject({
  id: StageId,
  label: Label,
  means: z.enum([
    'nothing-stored',
    'end-of-list',
    'self-check',
    'healthy',
    'out-of-service',
    'mode',
    'part-good',
    'part-open',
    'part-short',
  ]),
  signs: z.array(Shown).min(1).max(60),
});
export type Special = z.infer<typeof Special>;

export const Readout = z.strictObject({
  kind: z.literal('readout'),
  id: ReadoutId,
  family: FamilyId,
  name: Label,
  controller: ControllerId,
  modes: z.array(ModeId).min(1).max(20),
  stages: z.array(Stage).min(1).max(8),
  /** The code's text, piece by piece. */
  compose: z
    .array(
      z.discriminatedUnion('kind', [
        z.strictObject({ kind: z.literal('literal'), text: z.string().min(1).max(8) }),
        z.strictObject({ kind: z.literal('stage'), stage: StageId }),
      ]),
    )
    .min(1)
    .max(12),
  slots: z
    .strictObject({
      count: z.number().int().min(1).max(100),
      order: z.enum(['latest-first', 'oldest-first']),
      next: RouteId.optional(),
    })
    .default({ count: 1, order: 'latest-first' }),
  specials: z.array(Special).max(40).default([]),
  /** Holds for these variants only; empty for all. */
  onlyVariants: z.array(VariantId).max(40).default([]),
  confirmAtLead: z.boolean().default(false),
  note: Prose.optional(),
  source: SourceId.optional(),
  standing: Standing,
});
export type Readout = z.infer<typeof Readout>;

/** What a person says of one lamp. `unsure` is an answer; a lamp not mentioned has not been looked at. */
export const SeenLamp = z.enum(['dark', 'lit', 'slow', 'fast', 'unsure']);
export type SeenLamp = z.infer<typeof SeenLamp>;

/** One look at one stage. The same stage may be looked at more than once. */
export const Look = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('lamps'), stage: StageId, lamps: z.record(SignId, SeenLamp) }),
  z.strictObject({ kind: z.literal('blinks'), stage: StageId, count: z.number().int().min(0).max(1000) }),
  z.strictObject({ kind: z.literal('text'), stage: StageId, text: z.string().max(40) }),
]);
export type Look = z.infer<typeof Look>;

/** Everything seen of one slot, as seen. */
export const Seen = z.strictObject({ slot: z.number().int().min(1).max(100).default(1), looks: z.array(Look).max(60) });
export type Seen = z.infer<typeof Seen>;
