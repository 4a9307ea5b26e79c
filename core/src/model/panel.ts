import { z } from 'zod';
import { Label, Prose } from '../base/text.ts';
import { acceptances } from './accepted.ts';
import { LampColour, lightStates } from './lamp.ts';
import { defines, ref, scoped } from './reference.ts';

/** Where something sits on its face, in grid units from the top left. */
export const Box = z.strictObject({
  x: z.number().min(0).max(200),
  y: z.number().min(0).max(200),
  w: z.number().positive().max(200),
  h: z.number().positive().max(200),
});
export type Box = z.infer<typeof Box>;

const byBadge = z.record(ref('badge'), Label).optional();

export const ControlPlace = z.strictObject({
  id: defines('place'),
  label: Label,
  /** Where it goes by itself when let go. */
  springsTo: ref('place').optional(),
});

/** What a control can be made to do; how it looks is told apart from that. */
export const Mechanism = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('push') }),
  z.strictObject({ kind: z.literal('places'), places: z.array(ControlPlace).min(2).max(64), start: ref('place') }),
  z.strictObject({
    kind: z.literal('clicks'),
    perTurn: z.number().int().min(2).max(100),
    springsBack: z.boolean(),
    rests: z.array(z.strictObject({ id: defines('place'), label: Label, atClick: z.number().int().min(0) })).max(32),
  }),
]);
export type Mechanism = z.infer<typeof Mechanism>;

export const controlLooks = [
  'button',
  'pad',
  'rocker',
  'knob',
  'key',
  'slide',
  'jumper',
  'plug',
  'breaker',
  'lid',
  'remote-key',
  'pedal',
  'lever',
  'float',
  'tap',
  'switch',
  'dip',
  'fuse',
  'door',
  'valve',
  'appliance',
] as const;

export const Control = scoped(
  'control',
  z.strictObject({
    id: defines('control'),
    look: z.enum(controlLooks),
    label: Label,
    labelByBadge: byBadge,
    /** What else it goes by: its number in the sheet, how people call it. */
    alsoCalled: z.array(Label).max(12).optional(),
    /** Only these variants have it; empty for all. */
    onlyVariants: z.array(ref('variant')).max(40).optional(),
    at: Box,
    /** Places in which the unit has its supply through this control; a main breaker, plug or key. */
    powersAt: z.array(ref('place')).max(8).default([]),
    /** Holding an interlock false is never a step that can be published. */
    interlock: z.boolean().default(false),
    mechanism: Mechanism,
  }),
);
export type Control = z.infer<typeof Control>;

const signBase = {
  id: defines('sign'),
  label: Label,
  labelByBadge: byBadge,
  /** What else it goes by: its number in the sheet, how people call it. */
  alsoCalled: z.array(Label).max(12).optional(),
  at: Box,
};
export const Sign = z.discriminatedUnion('kind', [
  z.strictObject({
    ...signBase,
    kind: z.literal('lamp'),
    colours: z.array(LampColour).min(1).max(6),
    /** What it can do beside being dark. */
    shows: z
      .array(z.enum([...lightStates, 'pattern']))
      .min(1)
      .max(4)
      .default(['lit']),
    /** What it usually counts for, as printed beside it or told; a readout says what it counts for there. */
    weight: z.number().positive().max(1_000_000).optional(),
  }),
  z.strictObject({
    ...signBase,
    kind: z.literal('bar'),
    lamps: z.number().int().min(2).max(40),
    colours: z.array(LampColour).min(1).max(6),
  }),
  z.strictObject({ ...signBase, kind: z.literal('segments'), digits: z.number().int().min(1).max(8) }),
  z.strictObject({ ...signBase, kind: z.literal('text'), characters: z.number().int().min(1).max(80) }),
  z.strictObject({ ...signBase, kind: z.literal('beeper') }),
  z.strictObject({ ...signBase, kind: z.literal('felt'), sense: z.enum(['heard', 'felt', 'seen']) }),
]);
export type Sign = z.infer<typeof Sign>;

export const Face = z.strictObject({
  id: defines('face'),
  label: Label,
  side: z.enum(['front', 'behind-cover', 'board', 'remote', 'helm', 'site']),
  /** Where the maker hides the service sheet. */
  sheet: z.strictObject({ at: Box, where: Label }).optional(),
  /** What has to come off to reach it, and whether the supply must be isolated first. */
  cover: z.strictObject({ label: Label, isolateFirst: z.boolean() }).optional(),
  width: z.number().positive().max(200),
  height: z.number().positive().max(200),
  controls: z.array(Control).max(200),
  signs: z.array(Sign).max(200),
  captions: z
    .array(z.strictObject({ text: Label, at: Box }))
    .max(60)
    .default([]),
});
export type Face = z.infer<typeof Face>;

export const Panel = z.strictObject({
  kind: z.literal('panel'),
  ...acceptances,
  id: defines('panel'),
  family: ref('family'),
  name: Label,
  controller: ref('controller'),
  /** Only these variants have it, as one generation of a board; empty for all. */
  onlyVariants: z.array(ref('variant')).max(40).optional(),
  faces: z.array(Face).min(1).max(12),
  /** How many copies of this panel one system may have. */
  copies: z
    .strictObject({ least: z.number().int().min(0), most: z.number().int().min(1) })
    .default({ least: 1, most: 1 }),
  note: Prose.optional(),
});
export type Panel = z.infer<typeof Panel>;
