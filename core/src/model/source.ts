import { z } from 'zod';
import { Quantity } from '../base/quantity.ts';
import { Label, Prose, Scope } from '../base/text.ts';
import { acceptances } from './accepted.ts';
import { defines, plain, ref, refToEntry } from './reference.ts';

const base = {
  kind: z.literal('source'),
  id: defines('source'),
  family: ref('family').nullable(),
  ...acceptances,
  /** How it is got, what it costs, which course it wants, and what they ask for. */
  obtained: Prose.optional(),
  cost: Label.optional(),
  course: Label.optional(),
  asks: z.array(Label).max(12).optional(),
  /** Whether its words may be passed on. Of what somebody else wrote, filmed or said in a chat: not, unless it says so. */
  mayBeCopied: z.boolean().optional(),
};

/** What a proof was done on. */
export const proofOn = ['sound-unit', 'faulted-unit', 'loose-board'] as const;

/** Where a claim comes from: a document, a bulletin, a clip, a chat, a person's word, or a proof on the bench. */
export const Source = z.discriminatedUnion('sort', [
  z.strictObject({
    ...base,
    sort: z.literal('document'),
    title: Label,
    edition: Label,
    /** The edition before, where claims still have to be looked at again; null once that is done. */
    before: Label.nullable().default(null),
    /** Entries looked at since, as `kind:id`. */
    lookedAgain: z.array(refToEntry()).max(20_000).default([]),
    page: Label.optional(),
    keptAt: Prose.optional(),
  }),
  z.strictObject({ ...base, sort: z.literal('bulletin'), title: Label, number: Label, page: Label.optional() }),
  z.strictObject({ ...base, sort: z.literal('clip'), title: Label, by: Label.optional(), keptAt: Prose.optional() }),
  z.strictObject({ ...base, sort: z.literal('chat'), title: Label, when: Label.optional() }),
  z.strictObject({ ...base, sort: z.literal('person'), title: Label, role: Label }),
  z.strictObject({
    ...base,
    sort: z.literal('bench'),
    title: Label,
    provenOn: plain('a date', z.iso.date()),
    serial: Label.optional(),
    software: Label.optional(),
    note: Prose.optional(),
    pictures: z.array(ref('asset')).max(20).default([]),
    /** What it was tried on: a unit without a fault shows other signs than one with it, and a loose board has half of them. */
    on: z.enum(proofOn).optional(),
    /** Steps of routes that were not seen there. */
    notSeen: z
      .array(z.strictObject({ route: ref('route'), at: plain('where a step stands', z.string().min(1).max(80)) }))
      .max(200)
      .optional(),
    /** The variants it speaks for; left out where nobody said. */
    speaksFor: z.array(ref('variant')).max(40).optional(),
  }),
]);
export type Source = z.infer<typeof Source>;

export const hazardKinds = [
  'mains',
  'stored-charge',
  'hot',
  'gas',
  'refrigerant',
  'moving-parts',
  'raised-load',
  'battery',
  'water-near-electricity',
  'pressure',
  'chemical',
] as const;

/** What can hurt, with the usual cautions. Library-wide, so that it is written once. */
export const Hazard = z.strictObject({
  kind: z.literal('hazard'),
  ...acceptances,
  id: defines('hazard'),
  sort: z.enum(hazardKinds),
  title: Label,
  cautions: z.array(Prose).min(1).max(12),
  isolation: z.array(Prose).max(12).default([]),
  gear: z.array(Label).max(20).default([]),
  scope: Scope.default('technician'),
  /** The trade that may, where it is for one. */
  trade: Label.optional(),
});
export type Hazard = z.infer<typeof Hazard>;

/** A meter or service instrument, what it can do, and how far its readings can be trusted. */
export const Instrument = z.strictObject({
  kind: z.literal('instrument'),
  ...acceptances,
  id: defines('instrument'),
  name: Label,
  functions: z.array(Label).max(60),
  /** Share of the reading it may be off by, for each quantity it measures; of a temperature, of 100 K at least. */
  accuracyRatio: z.number().min(0).max(0.5).optional(),
  /** What it can show of a quantity, in the base unit, and how far off that may be where it differs. */
  ranges: z
    .array(
      z.strictObject({
        quantity: Quantity,
        least: z.number(),
        most: z.number(),
        accuracyRatio: z.number().min(0).max(0.5).optional(),
      }),
    )
    .max(40)
    .default([]),
  /** Voltages it measures insulation at. */
  testVolts: z.array(z.number().positive()).max(12).default([]),
  heldBy: Prose.optional(),
  /** Who in the school has one, by role or van. */
  holders: z.array(Label).max(100).default([]),
});
export type Instrument = z.infer<typeof Instrument>;

/** What a picture may be, which its first bytes say. */
export const PictureType = z.enum(['image/png', 'image/jpeg', 'image/webp']);
export type PictureType = z.infer<typeof PictureType>;

/** A picture kept by the hash of its bytes, in the bundle or fetched on demand. */
export const Asset = z.strictObject({
  kind: z.literal('asset'),
  ...acceptances,
  id: defines('asset'),
  family: ref('family').nullable(),
  name: Label,
  type: PictureType,
  bytes: z.number().int().positive(),
  mayBeShared: z.boolean(),
  marks: z
    .array(
      z.strictObject({
        number: z.number().int().min(1),
        x: z.number().min(0).max(1),
        y: z.number().min(0).max(1),
        label: Label,
      }),
    )
    .max(60)
    .default([]),
  base64: plain('bytes', z.base64()).optional(),
});
export type Asset = z.infer<typeof Asset>;
