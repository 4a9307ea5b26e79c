import { z } from 'zod';
import { Label, Prose, Standing } from '../base/text.ts';
import { acceptances } from './accepted.ts';
import { LampColour } from './lamp.ts';
import { Look } from './look.ts';
import { Reads } from './reads.ts';
import { defines, plain, ref, refOrText, scoped } from './reference.ts';
import { Shown } from './shown.ts';

export const Stage = z.strictObject({
  id: defines('stage'),
  label: Label,
  /** What brings this stage on: a colour of the lamps, time, a phase lamp, or a gesture. */
  comes: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('at-once') }),
    z.strictObject({ kind: z.literal('colour'), colour: LampColour, everyMs: z.number().positive().default(3000) }),
    z.strictObject({ kind: z.literal('alternates'), everyMs: z.number().positive() }),
    z.strictObject({ kind: z.literal('route'), route: ref('route') }),
    z.strictObject({ kind: z.literal('sign'), shown: Shown, everyMs: z.number().positive().default(3000) }),
  ]),
  reads: Reads,
});
export type Stage = z.infer<typeof Stage>;

export const specialMeans = [
  'nothing-stored',
  'end-of-list',
  'self-check',
  'healthy',
  'out-of-service',
  'mode',
  'part-good',
  'part-open',
  'part-short',
  'setting',
] as const;

/** What a readout tells of: codes, or something else that is read in the same way. */
export const readoutTells = ['codes', 'entry', 'role', 'setting', 'result'] as const;
export type ReadoutTells = (typeof readoutTells)[number];

/** A pattern that is no code: nothing stored, self-check, healthy. Callers report these as if they were codes. */
export const Special = z.strictObject({
  id: defines('special'),
  label: Label,
  means: z.enum(specialMeans),
  signs: z.array(Shown).max(60).default([]),
  /** Where it is told by time: a pattern of `s` and `l` in the stage that reads it. */
  rhythm: z
    .strictObject({ stage: ref('stage'), pattern: plain('long and short', z.string().regex(/^[sl]{1,24}$/)) })
    .optional(),
  mode: ref('mode').optional(),
  part: ref('part').optional(),
  setting: ref('setting').optional(),
});
export type Special = z.infer<typeof Special>;

/** What a sub code names: looked up, or counted through. */
const SubNames = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('table'),
    rows: z
      .array(
        z.strictObject({
          value: plain('characters', z.string().min(1).max(12)),
          unit: Label,
          part: Label.optional(),
        }),
      )
      .min(1)
      .max(400),
  }),
  /** Counted through: `first` is the first part of the main unit, then its next part, then the next unit. */
  z.strictObject({
    kind: z.literal('count'),
    first: z.number().int().min(0).max(65_535),
    main: Label,
    unit: Label,
    parts: z.array(Label).min(1).max(32),
    most: z.number().int().min(1).max(64),
  }),
]);
export type SubNames = z.infer<typeof SubNames>;

/** A stage beside the code that says where: which unit, and which part within it. */
export const SubCode = z.strictObject({
  stage: ref('stage'),
  names: SubNames,
  /** Where the same number names something else with some codes. */
  byCode: z
    .array(
      z.strictObject({
        codes: z
          .array(plain('a code as it shows', z.string().min(1).max(64)))
          .min(1)
          .max(200),
        names: SubNames,
      }),
    )
    .max(64)
    .default([]),
});
export type SubCode = z.infer<typeof SubCode>;

/** Something that was seen on a real unit and what it stood for: kept, and tried again at every save. */
export const TestVector = z.strictObject({
  name: Label,
  looks: z.array(Look).min(1).max(20),
  /** The code, the special’s id, or null where it must stand for nothing. */
  expect: refOrText('special', z.string().max(64)).nullable(),
});
export type TestVector = z.infer<typeof TestVector>;

/** How somebody else reads the same signs: kept beside, never merged silently. */
export const ReadoutAccount = scoped(
  'readout',
  z.strictObject({
    id: defines('reading-account'),
    label: Label,
    source: ref('source').nullable(),
    standing: Standing,
    stages: z.array(Stage).min(1).max(8),
  }),
);
export type ReadoutAccount = z.infer<typeof ReadoutAccount>;

export const Readout = scoped(
  'readout',
  z.strictObject({
    kind: z.literal('readout'),
    ...acceptances,
    id: defines('readout'),
    family: ref('family'),
    name: Label,
    controller: ref('controller'),
    /** Other controllers whose codes the same signs show, and how one gets to them. */
    alsoFor: z
      .array(z.strictObject({ controller: ref('controller'), how: Label, route: ref('route').optional() }))
      .max(20)
      .default([]),
    /** Shows the codes of another readout in its own way, such as a later generation's or a service instrument's. */
    codesOf: ref('readout').optional(),
    modes: z.array(ref('mode')).min(1).max(20),
    tells: z.enum(readoutTells).default('codes'),
    stages: z.array(Stage).min(1).max(8),
    /** The code's text, piece by piece. */
    compose: z
      .array(
        z.discriminatedUnion('kind', [
          z.strictObject({ kind: z.literal('literal'), text: plain('characters', z.string().min(1).max(8)) }),
          z.strictObject({ kind: z.literal('stage'), stage: ref('stage') }),
        ]),
      )
      .min(1)
      .max(12),
    slots: z
      .strictObject({
        count: z.number().int().min(1).max(100),
        /** With `active-first`, what stands now comes before what is only stored. */
        order: z.enum(['latest-first', 'oldest-first', 'active-first']),
        next: ref('route').optional(),
        /** The slots follow one another by themselves. */
        rotatesMs: z.number().positive().max(600_000).optional(),
      })
      .default({ count: 1, order: 'latest-first' }),
    /** How a code that is active now is told from one that is only stored. */
    marks: z
      .array(
        z.strictObject({
          id: defines('mark'),
          means: z.enum(['active', 'stored', 'confirmed', 'pending']),
          label: Label,
          signs: z.array(Shown).max(20).default([]),
        }),
      )
      .max(6)
      .default([]),
    specials: z.array(Special).max(40).default([]),
    sub: SubCode.optional(),
    /** How often a slow and a fast lamp of this unit blinks in a second. */
    rates: z
      .strictObject({ slowHz: z.number().min(0.1).max(3), fastHz: z.number().min(0.5).max(12) })
      .default({ slowHz: 1, fastHz: 3 }),
    vectors: z.array(TestVector).max(200).default([]),
    accounts: z.array(ReadoutAccount).max(8).default([]),
    /** Holds for these variants only; empty for all. */
    onlyVariants: z.array(ref('variant')).max(40).default([]),
    confirmAtLead: z.boolean().default(false),
    note: Prose.optional(),
    source: ref('source').optional(),
    standing: Standing,
  }),
);
export type Readout = z.infer<typeof Readout>;
