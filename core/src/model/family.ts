import { z } from 'zod';
import { FamilyId } from '../base/ids.ts';
import { Quantity } from '../base/quantity.ts';
import { Label, Prose, Scope, Standing } from '../base/text.ts';
import { acceptances } from './accepted.ts';
import { defines, plain, ref } from './reference.ts';

/** One controller of the system. Each has modes of its own, running side by side with the others'. */
export const Controller = z.strictObject({
  id: defines('controller'),
  name: Label,
  role: z.enum(['lead', 'second', 'third', 'station', 'part', 'remote', 'instrument']),
  /** Its display is the one to believe when two disagree. */
  authoritative: z.boolean(),
  howToTell: Prose.optional(),
  /** The sign that tells it from the others, and the route that makes it show. */
  toldBy: z.strictObject({ sign: ref('sign').optional(), route: ref('route').optional() }).optional(),
});
export type Controller = z.infer<typeof Controller>;

export const Parameter = z.strictObject({
  id: defines('parameter'),
  name: Label,
  quantity: Quantity.or(z.literal('ratio')),
  /** In the base unit of the quantity. */
  value: z.number(),
  source: ref('source').optional(),
  standing: Standing.optional(),
});
export type Parameter = z.infer<typeof Parameter>;

/** What a variant or a walk tells an option by, such as fuel or motor make. */
export const OptionName = plain('the name of an option', z.string().min(1).max(40));

/** A model pattern, as `compilePattern` reads it; one that cannot be read is a finding at its column. */
export const ModelPattern = plain(
  'a model pattern',
  z
    .string()
    .min(1)
    .max(60)
    .regex(/^[A-Z0-9?*[\]{}()\-/. ]+$/, 'capital letters, digits, dashes, ? * [class] {1-20} and (optional)'),
);

/** Dotted numbers, compared number by number: 3.10 comes after 3.9. */
export const SoftwareVersion = plain(
  'a version',
  z
    .string()
    .min(1)
    .max(30)
    .regex(/^\d+(\.\d+)*$/, 'numbers with dots, such as 2.4'),
);

const SoftwareBounds = z.strictObject({ from: SoftwareVersion.optional(), below: SoftwareVersion.optional() });

export const Variant = z.strictObject({
  id: defines('variant'),
  name: Label,
  models: z.array(ModelPattern).max(40).default([]),
  serials: z
    .array(
      z.strictObject({
        from: plain('a serial number', z.string().max(40)),
        to: plain('a serial number', z.string().max(40)),
      }),
    )
    .max(40)
    .default([]),
  software: SoftwareBounds.optional(),
  options: z.record(OptionName, Label).default({}),
  values: z.record(ref('parameter'), z.number()).default({}),
  note: Prose.optional(),
});
export type Variant = z.infer<typeof Variant>;

/** A number something is ordered by, as it is printed. */
const PartNumber = plain('a part number', z.string().trim().min(1).max(60));
/** A currency by its three letters. */
export const Currency = plain('a currency', z.string().regex(/^[A-Z]{3}$/, 'three capital letters, such as EUR'));

/** Somebody to ring or write to: who, for what, when, and what they ask for. */
export const Contact = z.strictObject({
  name: Label,
  sort: z.enum(['maker', 'shop', 'trade', 'colleague']),
  /** Work that is theirs. */
  for: Scope,
  reach: Label,
  /** The trade it is, where it is one. */
  trade: Label.optional(),
  country: Label.optional(),
  hours: Label.optional(),
  asks: z
    .array(z.enum(['model', 'serial', 'software', 'code', 'readings', 'bought']))
    .max(6)
    .default([]),
});
export type Contact = z.infer<typeof Contact>;

/** A part a suspect can name: where it sits, and whether it is an interlock. */
export const Part = z.strictObject({
  id: defines('part'),
  name: Label,
  location: Prose.optional(),
  /** The variants that have it; empty for all. */
  onlyVariants: z.array(ref('variant')).max(40).default([]),
  interlock: z.boolean().default(false),
  afterReplacing: Prose.optional(),
  /** The route that recalibrates it once it is replaced. */
  recalibrateBy: ref('route').optional(),
  /** Settings that have to be right once it is replaced. */
  setAfter: z.array(ref('setting')).max(12).optional(),
  /** What it is ordered by, on which variants, and the numbers that were in its place before. */
  numbers: z
    .array(
      z.strictObject({
        number: PartNumber,
        onlyVariants: z.array(ref('variant')).max(40).default([]),
        supersedes: z.array(PartNumber).max(12).default([]),
        source: ref('source').optional(),
      }),
    )
    .max(40)
    .optional(),
  price: z.strictObject({ amount: z.number().min(0).max(10_000_000), currency: Currency }).optional(),
  minutesToFit: z.number().min(0).max(6000).optional(),
  /** Why it must not be bought first, as where a warning lamp blinks for every fault. */
  notFirst: Prose.min(1).optional(),
  /** How it is swapped, written once. */
  swap: z
    .strictObject({
      ways: z.array(ref('access')).max(12).default([]),
      hazards: z.array(ref('hazard')).max(20).default([]),
      steps: z
        .array(
          z.strictObject({
            do: Prose.min(1),
            caution: Prose.optional(),
            tool: Label.optional(),
            scope: Scope.optional(),
            /** What it has to come to, such as a torque. */
            reading: Label.optional(),
            /** Where it can be seen: a page, a figure, a second of a clip. */
            cites: z.strictObject({ source: ref('source'), at: Label }).optional(),
            pictures: z.array(ref('asset')).max(6).default([]),
          }),
        )
        .min(1)
        .max(60),
    })
    .optional(),
});
export type Part = z.infer<typeof Part>;

/** A physical quantity the control reacts to; it gets a slider when the unit is played. */
export const PhysicalInput = z.strictObject({
  id: defines('input'),
  name: Label,
  quantity: Quantity,
  least: z.number(),
  most: z.number(),
  start: z.number(),
});

/** What may be attached: how many, and which generations go with which variant and software. Checked at the Unit station. */
export const AttachmentRule = z.strictObject({
  part: Label,
  least: z.number().int().min(0),
  most: z.number().int().min(0),
  generations: z
    .array(
      z.strictObject({
        name: Label,
        /** Variants it goes with; empty for all. */
        variants: z.array(ref('variant')).max(40).default([]),
        /** Software the unit needs for it. */
        software: SoftwareBounds.optional(),
        note: Prose.optional(),
      }),
    )
    .max(20)
    .default([]),
  note: Prose.optional(),
});
export type AttachmentRule = z.infer<typeof AttachmentRule>;

/** So many of a part in the system, of one generation where that is known. */
export const Attached = z.strictObject({
  part: Label,
  count: z.number().int().min(0).max(1000),
  generation: Label.optional(),
});
export type Attached = z.infer<typeof Attached>;

export const Family = z.strictObject({
  kind: z.literal('family'),
  ...acceptances,
  id: defines('family'),
  name: Label,
  sort: z.enum(['appliance', 'machine', 'vehicle']),
  /** The unit it is a new generation of: what is not said otherwise here is as there. */
  generationOf: z.strictObject({ family: plain('a unit', FamilyId), name: Label }).optional(),
  summary: Prose,
  badges: z
    .array(z.strictObject({ id: defines('badge'), name: Label }))
    .max(40)
    .default([]),
  recognisedBy: z.array(Label).max(20).default([]),
  traits: z.record(plain('a trait', z.string().min(1).max(60)), Label).default({}),
  controllers: z.array(Controller).min(1).max(20),
  parts: z.array(Part).max(400).default([]),
  parameters: z.array(Parameter).max(400).default([]),
  variants: z.array(Variant).max(100).default([]),
  inputs: z.array(PhysicalInput).max(40).default([]),
  attachments: z.array(AttachmentRule).max(40).default([]),
  /** The scheme whose generic meanings hold for codes that are not listed. */
  genericScheme: Label.optional(),
  plate: Prose.optional(),
  softwareShown: Prose.optional(),
  sheetHidden: Prose.optional(),
  pictures: z.array(ref('asset')).max(40).default([]),
  contacts: z.array(Contact).max(40).optional(),
});
export type Family = z.infer<typeof Family>;
