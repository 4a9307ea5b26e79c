import { z } from 'zod';
import { Label, Prose, Scope, Standing } from '../base/text.ts';
import { acceptances } from './accepted.ts';
import { ChartUse } from './chart.ts';
import { defines, plain, ref } from './reference.ts';

/** A part, wire, supply or circumstance that may be behind a code; the list is in the order to think of them. */
export const Suspect = z.strictObject({
  label: Label,
  part: ref('part').optional(),
  reason: Prose,
  /** How likely before anything was tested; any positive scale. */
  weight: z.number().positive().max(1000).default(1),
  source: ref('source').optional(),
  standing: Standing.optional(),
});
export type Suspect = z.infer<typeof Suspect>;

/** Numbers of a detection that a variant may set. */
export const detectionAmounts = [
  'notWatchedCycles',
  'forMs',
  'inARow',
  'warnsAfter',
  'locksOutAfter',
  'erasedAfterCleanCycles',
  'armingMs',
  'cycleMs',
  'cycleEveryMs',
] as const;

/** When the control looks and when it speaks up: the sum of how long a run proves a repair follows from this. */
export const Detection = z.strictObject({
  /** Cycles after power-up in which it does not look. */
  notWatchedCycles: z.number().int().min(0).max(1000).default(0),
  onlyWhen: Prose.optional(),
  /** What must be passed, in words, and for how long. */
  threshold: Prose.optional(),
  forMs: z.number().nonnegative().optional(),
  /** Whether it is kept in memory once it is found; what a test or a live display shows is gone with it. */
  stored: z.boolean().default(true),
  /** So many in a row before it is stored. */
  inARow: z.number().int().min(1).max(1000).default(1),
  warnsAfter: z.number().int().min(1).max(1000).optional(),
  locksOutAfter: z.number().int().min(1).max(1000).optional(),
  /** Attempts of so long with a rest between: how long it has been going on when it locks out. */
  attempt: z.strictObject({ runMs: z.number().positive(), restMs: z.number().nonnegative() }).optional(),
  erasedAfterCleanCycles: z.number().int().min(1).max(10_000).nullable().default(null),
  /** After power-up, before it looks at all. */
  armingMs: z.number().nonnegative().max(86_400_000).optional(),
  /** How long a cycle takes, and how far apart two may begin at the least. */
  cycleMs: z.number().positive().max(604_800_000).optional(),
  cycleEveryMs: z.number().positive().max(2_592_000_000).optional(),
  cycle: Label.default('cycle'),
  /** Which of these numbers are values of the family's that its variants may set; times in seconds there. */
  amounts: z
    .array(z.strictObject({ of: z.enum(detectionAmounts), is: ref('parameter') }))
    .max(12)
    .optional(),
});
export type Detection = z.infer<typeof Detection>;

/** What one source says of one matter. Claims stand side by side; nothing is merged. */
export const Claim = z.strictObject({
  about: z.enum(['saw', 'does', 'suspects', 'detection', 'reading', 'other']),
  says: Prose.min(1),
  source: ref('source'),
  /** Where in it: a page, a figure, a second; and its own words. */
  cites: z.strictObject({ at: Label, quote: Prose.optional() }).optional(),
  standing: Standing,
});
export type Claim = z.infer<typeof Claim>;

const shared = {
  family: ref('family'),
  ...acceptances,
  title: Label,
  saw: Prose,
  does: Prose,
  detection: Detection.prefault({}),
  signStages: z
    .array(z.strictObject({ when: Label, sign: Prose }))
    .max(12)
    .default([]),
  suspects: z.array(Suspect).max(40),
  circumstances: z.array(Prose).max(20).default([]),
  scope: Scope,
  hazards: z.array(ref('hazard')).max(20).default([]),
  /** Why nothing here can hurt, where no hazard is named. */
  harmless: Prose.min(1).optional(),
  /** Holds for these variants only; empty for all. */
  onlyVariants: z.array(ref('variant')).max(40).default([]),
  location: Prose.optional(),
  goodReadings: z
    .array(z.strictObject({ what: Label, reading: Label, under: Prose.optional() }))
    .max(20)
    .default([]),
  chart: ref('chart').nullable().default(null),
  /** What a shared chart is told when it is used for this. */
  chartUse: ChartUse.prefault({}),
  enter: ref('route').nullable().default(null),
  clear: ref('route').nullable().default(null),
  seeAlso: z
    .array(z.strictObject({ code: ref('code'), why: Prose, followsFromIt: z.boolean().default(false) }))
    .max(20)
    .default([]),
  claims: z.array(Claim).max(60).default([]),
  pictures: z.array(ref('asset')).max(20).default([]),
  /** How often the field reports it, on any positive scale. */
  frequency: z.number().positive().max(1_000_000).default(1),
  source: ref('source').nullable(),
  standing: Standing,
  note: Prose.optional(),
};

export const CodeText = plain(
  'a code as shown',
  z
    .string()
    .min(1)
    .max(16)
    .regex(/^[\x21-\x7e]+( [\x21-\x7e]+)*$/, 'letters, digits and signs as the unit shows them'),
);

export const Code = z.strictObject({
  kind: z.literal('code'),
  id: defines('code'),
  text: CodeText,
  controller: ref('controller'),
  readout: ref('readout').nullable(),
  /** Codes that share one entry in the maker's table. */
  group: Label.optional(),
  /** A sign that shows for every fault, and gets one innocent part replaced. */
  decoy: z.boolean().default(false),
  ...shared,
});
export type Code = z.infer<typeof Code>;

/** As a code, without one: no ice, all lamps steady, a fault counted that never happened. */
export const Symptom = z.strictObject({ kind: z.literal('symptom'), id: defines('symptom'), ...shared });
export type Symptom = z.infer<typeof Symptom>;

/** What a number means in any family that does not list it: a scheme's generic meaning, in the school's own words. */
export const Meaning = z.strictObject({
  kind: z.literal('meaning'),
  ...acceptances,
  id: defines('meaning'),
  scheme: Label,
  /** The number that stands after the suspect parameter. */
  number: z.number().int().min(0).max(9999),
  says: Prose.min(1),
  source: ref('source').nullable(),
  standing: Standing,
});
export type Meaning = z.infer<typeof Meaning>;

export const Setting = z.strictObject({
  kind: z.literal('setting'),
  ...acceptances,
  id: defines('setting'),
  family: ref('family'),
  name: Label,
  shownAs: Prose,
  allowed: z.array(Label).min(1).max(200),
  /** What its values are keyed in, where they are bare numbers. */
  unit: plain('a unit', z.string().min(1).max(12)).optional(),
  right: z.array(z.strictObject({ variant: ref('variant').nullable(), value: Label })).max(100),
  parameter: ref('parameter').optional(),
  route: ref('route').optional(),
  source: ref('source').nullable(),
  standing: Standing,
});
export type Setting = z.infer<typeof Setting>;
