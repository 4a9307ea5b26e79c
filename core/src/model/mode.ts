import { z } from 'zod';
import { Quantity } from '../base/quantity.ts';
import { Label, Prose, Span } from '../base/text.ts';
import { acceptances } from './accepted.ts';
import { Condition } from './condition.ts';
import { Effect } from './effect.ts';
import { defines, plain, ref, scoped } from './reference.ts';
import { Step } from './route.ts';
import { Shown } from './shown.ts';

/** What a mode remembers while it runs: a list of forty entries is one mode with a cursor, not forty modes. */
export const Variable = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('cursor'),
    id: defines('variable'),
    from: z.number().int(),
    to: z.number().int(),
    start: z.number().int(),
    wraps: z.boolean(),
  }),
  z.strictObject({
    kind: z.literal('characters'),
    id: defines('variable'),
    /** In the order the controls step through them; letters, digits or signs. */
    alphabet: z
      .array(plain('a character', z.string().min(1).max(4)))
      .min(2)
      .max(64),
    length: z.number().int().min(1).max(16),
    start: plain('characters', z.string().max(64)),
    wraps: z.boolean(),
  }),
  z.strictObject({ kind: z.literal('flag'), id: defines('variable'), start: z.boolean() }),
]);
export type Variable = z.infer<typeof Variable>;

/** What sets a transition off. Gestures are the steps routes are made of. */
export const Trigger = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('gesture'), steps: z.array(Step).min(1).max(60) }),
  z.strictObject({ kind: z.literal('after'), afterMs: z.number().positive() }),
  z.strictObject({ kind: z.literal('idle'), afterMs: z.number().positive() }),
  z.strictObject({ kind: z.literal('supply'), becomes: z.enum(['on', 'off']) }),
  z.strictObject({ kind: z.literal('sign'), shown: Shown }),
  z.strictObject({
    kind: z.literal('input'),
    input: ref('input'),
    passes: z.enum(['above', 'below']),
    value: z.number(),
  }),
  z.strictObject({ kind: z.literal('message'), from: ref('controller'), message: Label }),
  /** A code comes up: one of these, or any. */
  z.strictObject({ kind: z.literal('code-comes'), codes: z.array(ref('code')).max(60).default([]) }),
  /** A code stands: at once on entry where one does already, or as soon as one comes to stand. */
  z.strictObject({ kind: z.literal('code-stands'), codes: z.array(ref('code')).max(60).default([]) }),
  /** A control is kept down: after so long, and again every so long. */
  z.strictObject({
    kind: z.literal('held'),
    control: ref('control'),
    afterMs: z.number().positive().max(60_000),
    everyMs: z.number().min(10).max(60_000),
  }),
]);
export type Trigger = z.infer<typeof Trigger>;

export const Transition = z.strictObject({
  on: Trigger,
  when: Condition.optional(),
  effects: z.array(Effect).max(20).default([]),
  to: ref('mode').optional(),
  note: Prose.optional(),
});

/** What the signs show while the mode runs: fixed signs, or a readout driven by a variable or the fault memory. */
export type Transition = z.infer<typeof Transition>;

export const Showing = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('fixed'), when: Condition.optional(), signs: z.array(Shown).max(60) }),
  z.strictObject({
    kind: z.literal('readout'),
    when: Condition.optional(),
    readout: ref('readout'),
    of: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('memory'), slot: ref('variable').optional() }),
      z.strictObject({ kind: z.literal('variable'), variable: ref('variable') }),
      z.strictObject({ kind: z.literal('input'), input: ref('input') }),
    ]),
  }),
]);

export type Showing = z.infer<typeof Showing>;

/** What a numbered test should show: signs, a code on a readout, or a reading that a person takes. */
export const Expected = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('signs'), signs: z.array(Shown).min(1).max(20) }),
  z.strictObject({ kind: z.literal('reads'), readout: ref('readout'), code: ref('code') }),
  z.strictObject({
    kind: z.literal('reading'),
    quantity: Quantity,
    /** In the base unit of the quantity. */
    least: z.number().nullable(),
    most: z.number().nullable(),
  }),
]);
export type Expected = z.infer<typeof Expected>;

/** A numbered test inside a mode. Tests that run by themselves follow each other in the order they stand in. */
export const NumberedTest = z.strictObject({
  number: defines('test'),
  name: Label,
  starts: Prose,
  expected: Prose,
  expects: Expected.optional(),
  takes: Span.optional(),
  signs: z.array(ref('sign')).max(20).default([]),
  coldOnly: z.boolean().default(false),
  needsFirst: ref('test').optional(),
  /** The gesture that starts it; left out where it starts by itself. */
  gesture: z.array(Step).max(20).optional(),
  /** What passes on from it before it is over, and what begins it anew. */
  skipBy: z.array(Step).max(20).optional(),
  againBy: z.array(Step).max(20).optional(),
  /** Only these variants have it; empty for all. */
  onlyVariants: z.array(ref('variant')).max(40).optional(),
  /** How it is stopped, where it does not end by itself. */
  stops: Prose.optional(),
  /** When what it says does not count, and it has to be done again. */
  repeatWhen: Prose.optional(),
  /** The test that follows by itself; null when nothing does. */
  followedBy: ref('test').nullable().default(null),
});
export type NumberedTest = z.infer<typeof NumberedTest>;

export const Mode = scoped(
  'mode',
  z.strictObject({
    kind: z.literal('mode'),
    ...acceptances,
    id: defines('mode'),
    family: ref('family'),
    controller: ref('controller'),
    name: Label,
    /** Only these variants have it; empty for all. */
    onlyVariants: z.array(ref('variant')).max(40).optional(),
    sort: z.enum(['standby', 'running', 'service', 'memory', 'live', 'tests', 'settings', 'locked-out', 'off']),
    /** So long after it begins the unit takes nothing that is done, as during a self-check or a restart. */
    deafForMs: z.number().positive().max(86_400_000).optional(),
    /** How one knows one is in it. */
    normalSigns: Prose.optional(),
    variables: z.array(Variable).max(30).default([]),
    shows: z.array(Showing).max(60).default([]),
    transitions: z.array(Transition).max(200).default([]),
    tests: z.array(NumberedTest).max(200).default([]),
  }),
);
export type Mode = z.infer<typeof Mode>;
