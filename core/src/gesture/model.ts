import { z } from 'zod';
import {
  AccessId,
  ChartId,
  CodeId,
  ControlId,
  FamilyId,
  HazardId,
  InstrumentId,
  ModeId,
  PartId,
  PlaceId,
  ReadoutId,
  RouteId,
  SourceId,
  VariantId,
} from '../base/ids.ts';
import { Label, Prose, Span, Standing } from '../base/words.ts';
import { Shown } from '../unit/signal.ts';

/** A moment on the unit that a window or a hold can start or end at. */
export const Moment = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('power-on') }),
  z.strictObject({ kind: z.literal('step-before') }),
  /** The sign comes (or goes); `nth` counts repeats, as in the second beep. */
  z.strictObject({ kind: z.literal('sign'), shown: Shown, nth: z.number().int().min(1).max(100).default(1) }),
]);
export type Moment = z.infer<typeof Moment>;

const held = z.strictObject({ control: ControlId, place: PlaceId.optional() });
/** Notes any step may carry. */
const notes = {
  takes: Span.optional(),
  why: Prose.optional(),
  caution: Prose.optional(),
  tool: Label.optional(),
  feelsLike: Prose.optional(),
  ifItFails: Prose.optional(),
  source: SourceId.optional(),
  standing: Standing.optional(),
};
const until = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('span'), span: Span }),
  z.strictObject({ kind: z.literal('moment'), moment: Moment }),
]);

type Notes = z.infer<z.ZodObject<typeof notes>>;
type Until = z.infer<typeof until>;
type Held = z.infer<typeof held>;

/** One step of a route. A small timed language: a step is an action, a rest, a sign to see, or a group of steps. */
export type Step =
  | ({ kind: 'press'; control: ControlId | 'any'; times: number } & Notes)
  | ({ kind: 'hold'; controls: Held[]; until: Until } & Notes)
  | ({ kind: 'keep'; controls: Held[]; during: Step[]; until?: Until } & Notes)
  | ({ kind: 'turn'; control: ControlId; clicks: number; way: 'cw' | 'ccw' } & Notes)
  | ({ kind: 'sweep'; control: ControlId; turns: number; way: 'cw' | 'ccw'; stopAt?: PlaceId } & Notes)
  | ({ kind: 'set'; control: ControlId; to: PlaceId } & Notes)
  | ({ kind: 'rest'; span: Span } & Notes)
  | ({ kind: 'step-list'; control: ControlId; to: number; by: 'press' | 'ramp'; overshoot?: string } & Notes)
  | ({ kind: 'dial'; up: ControlId; down: ControlId; text: string; start?: string } & Notes)
  | ({ kind: 'choose'; on: 'unit' | InstrumentId; path: string[] } & Notes)
  | ({ kind: 'see'; must: 'must' | 'may' | 'must-not'; signs: Shown[]; within?: Span } & Notes)
  | ({ kind: 'group'; steps: Step[]; times: number; window?: { from: Moment; mostMs: number } } & Notes)
  | ({ kind: 'branch'; on: BranchOn; met: Step[]; otherwise: Step[] } & Notes)
  | ({ kind: 'at-place'; place: string } & Notes)
  | ({ kind: 'say'; text: string } & Notes)
  | ({ kind: 'bypass'; what: ControlId | PartId } & Notes);

const branchOn = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('sign'), shown: Shown }),
  z.strictObject({ kind: z.literal('reads'), readout: ReadoutId, code: CodeId }),
  z.strictObject({ kind: z.literal('nothing-done'), withinMs: z.number().positive() }),
]);
type BranchOn = z.infer<typeof branchOn>;

const steps = () => z.array(Step).max(200);
export const Step: z.ZodType<Step> = z.lazy(() =>
  z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('press'),
      control: ControlId.or(z.literal('any')),
      times: z.number().int().min(1).max(100),
      ...notes,
    }),
    z.strictObject({ kind: z.literal('hold'), controls: z.array(held).min(1).max(8), until, ...notes }),
    z.strictObject({
      kind: z.literal('keep'),
      controls: z.array(held).min(1).max(8),
      during: steps(),
      until: until.optional(),
      ...notes,
    }),
    z.strictObject({
      kind: z.literal('turn'),
      control: ControlId,
      clicks: z.number().int().min(1).max(200),
      way: z.enum(['cw', 'ccw']),
      ...notes,
    }),
    z.strictObject({
      kind: z.literal('sweep'),
      control: ControlId,
      turns: z.number().int().min(1).max(50),
      way: z.enum(['cw', 'ccw']),
      stopAt: PlaceId.optional(),
      ...notes,
    }),
    z.strictObject({ kind: z.literal('set'), control: ControlId, to: PlaceId, ...notes }),
    z.strictObject({ kind: z.literal('rest'), span: Span, ...notes }),
    z.strictObject({
      kind: z.literal('step-list'),
      control: ControlId,
      to: z.number().int().min(0).max(9999),
      by: z.enum(['press', 'ramp']),
      overshoot: Prose.optional(),
      ...notes,
    }),
    z.strictObject({
      kind: z.literal('dial'),
      up: ControlId,
      down: ControlId,
      text: z.string().min(1).max(16),
      start: z.string().max(16).optional(),
      ...notes,
    }),
    z.strictObject({
      kind: z.literal('choose'),
      on: z.literal('unit').or(InstrumentId),
      path: z.array(Label).min(1).max(12),
      ...notes,
    }),
    z.strictObject({
      kind: z.literal('see'),
      must: z.enum(['must', 'may', 'must-not']),
      signs: z.array(Shown).min(1).max(60),
      within: Span.optional(),
      ...notes,
    }),
    z.strictObject({
      kind: z.literal('group'),
      steps: steps().min(1),
      times: z.number().int().min(1).max(100).default(1),
      window: z.strictObject({ from: Moment, mostMs: z.number().positive().max(86_400_000) }).optional(),
      ...notes,
    }),
    z.strictObject({ kind: z.literal('branch'), on: branchOn, met: steps(), otherwise: steps(), ...notes }),
    z.strictObject({ kind: z.literal('at-place'), place: Label, ...notes }),
    z.strictObject({ kind: z.literal('say'), text: Prose, ...notes }),
    z.strictObject({ kind: z.literal('bypass'), what: z.union([ControlId, PartId]), ...notes }),
  ]),
);

/** A way from a mode, several or any into another (or out), or one that does something there, such as clearing. */
export const Route = z.strictObject({
  kind: z.literal('route'),
  id: RouteId,
  family: FamilyId,
  name: Label,
  purpose: z.enum(['enter', 'leave', 'step', 'clear', 'calibrate', 'lock-out', 'test']),
  from: z.literal('any').or(z.array(ModeId).min(1).max(40)),
  to: ModeId.nullable(),
  /** Only where a reset is special to one code. */
  onlyFor: z.array(CodeId).max(60).default([]),
  onlyVariants: z.array(VariantId).max(40).default([]),
  before: z.array(Prose).max(20).default([]),
  tools: z.array(Label).max(20).default([]),
  hazards: z.array(HazardId).max(20).default([]),
  /** Ways of getting to the controls it needs. */
  ways: z.array(AccessId).max(12).default([]),
  steps: z.array(Step).min(1).max(200),
  ifItFails: z.array(Prose).max(12).default([]),
  sideEffects: z.array(Prose).max(12).default([]),
  /** Ways known not to work, worth as much as one that does. */
  knownNotToWork: z
    .array(z.strictObject({ variant: VariantId.optional(), how: Prose, why: Prose }))
    .max(20)
    .default([]),
  chart: ChartId.optional(),
  source: SourceId.optional(),
  standing: Standing,
});
export type Route = z.infer<typeof Route>;
