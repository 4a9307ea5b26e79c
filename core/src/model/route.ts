import { z } from 'zod';
import type { ControlId, InstrumentId, ParameterId, PartId, PlaceId, RouteId } from '../base/ids.ts';
import { Label, Prose, Scope, Span, Standing } from '../base/text.ts';
import { acceptances } from './accepted.ts';
import { Condition } from './condition.ts';
import { Effect } from './effect.ts';
import { defines, plain, ref, refToEither } from './reference.ts';
import { Shown } from './shown.ts';

/** A moment on the unit that a window or a hold can start or end at. */
export const Moment = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('power-on') }),
  z.strictObject({ kind: z.literal('step-before') }),
  /** The sign comes (or goes); `nth` counts repeats, as in the second beep. */
  z.strictObject({
    kind: z.literal('sign'),
    shown: Shown,
    /** All of these as well, at the same time. */
    also: z.array(Shown).max(12).optional(),
    nth: z.number().int().min(1).max(100).default(1),
  }),
]);
export type Moment = z.infer<typeof Moment>;

const held = z.strictObject({ control: ref('control'), place: ref('place', 'control').optional() });
/** What to do when a step or a route does not take, in the order it is tried. */
export const retries = ['faster', 'slower', 'again', 'reset-first', 'check-supply', 'suspect-board'] as const;
export const Retry = z.enum(retries);
export type Retry = z.infer<typeof Retry>;

/** Notes any step may carry. */
const notes = {
  /** The step's number (how often, which entry, how long) is this value of the family's, which its variants may set. */
  amount: ref('parameter').optional(),
  /** Who may do it, where that is not everybody the route is for. */
  scope: Scope.optional(),
  takes: Span.optional(),
  why: Prose.optional(),
  caution: Prose.optional(),
  tool: Label.optional(),
  feelsLike: Prose.optional(),
  ifItFails: Prose.optional(),
  retry: z.array(Retry).min(1).max(6).optional(),
  source: ref('source').optional(),
  standing: Standing.optional(),
};
const until = z.discriminatedUnion('kind', [
  /** Counted from the grip, or from when the supply came. */
  z.strictObject({ kind: z.literal('span'), span: Span, from: z.literal('power-on').optional() }),
  z.strictObject({ kind: z.literal('moment'), moment: Moment }),
]);
/** A hold ends after a span, at a moment, or stays until a `release` lets it go. */
const holdUntil = z.discriminatedUnion('kind', [...until.options, z.strictObject({ kind: z.literal('release') })]);
/** How characters are set: one control (or one up, one down) for each, or one pair that a third control moves along. */
const DialBy = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('each'),
    up: z.array(ref('control')).min(1).max(16),
    down: z.array(ref('control')).max(16).default([]),
  }),
  z.strictObject({
    kind: z.literal('moving'),
    up: ref('control'),
    down: ref('control').optional(),
    next: ref('control'),
  }),
  /** One knob, a click for each: the characters one by one, moved along by another control, or all of them as one number. */
  z.strictObject({ kind: z.literal('knob'), knob: ref('control'), next: ref('control').optional() }),
]);
type DialBy = z.infer<typeof DialBy>;

type Notes = z.infer<z.ZodObject<typeof notes>>;
type Until = z.infer<typeof until>;
type HoldUntil = z.infer<typeof holdUntil>;
export type Held = z.infer<typeof held>;

/** How a key that is kept down goes on by itself: after so long, then once every so long. */
const Repeats = z.strictObject({
  afterMs: z.number().positive().max(60_000),
  everyMs: z.number().min(10).max(60_000),
});
export type Repeats = z.infer<typeof Repeats>;

/** Keys that go down together are no further apart than this, where nothing else is said. */
export const defaultWithinMs = 500;

/** One step of a route. A small timed language: a step is an action, a rest, a sign to see, or a group of steps. */
export type Step =
  | ({ kind: 'press'; control: ControlId | 'any'; times: number } & Notes)
  | ({ kind: 'hold'; controls: Held[]; until: HoldUntil } & Notes)
  | ({ kind: 'keep'; controls: Held[]; during: Step[]; until?: Until } & Notes)
  | ({ kind: 'release'; controls: ControlId[]; at?: Moment } & Notes)
  | ({ kind: 'turn'; control: ControlId; clicks: number; way: 'cw' | 'ccw' } & Notes)
  | ({ kind: 'sweep'; control: ControlId; turns: number; way: 'cw' | 'ccw'; stopAt?: PlaceId } & Notes)
  | ({ kind: 'set'; control: ControlId; to: PlaceId } & Notes)
  | ({ kind: 'rest'; span: Span } & Notes)
  | ({
      kind: 'step-list';
      control: ControlId;
      to: number;
      start: number;
      by: 'press' | 'ramp';
      back?: ControlId;
      round?: { from: number; to: number };
      repeats?: Repeats;
      overshoot?: string;
    } & Notes)
  | ({ kind: 'together'; controls: ControlId[]; times: number; withinMs: number } & Notes)
  /** `steps` is filled in where the route is gone (`wholeSteps`); it is never stored. */
  | ({
      kind: 'do';
      route: RouteId;
      times: number;
      values?: Array<{ parameter: ParameterId; is: number }>;
      steps?: Step[];
      name?: string;
    } & Notes)
  | ({ kind: 'dial'; text: string; start: string; alphabet: string[]; wraps: boolean; by: DialBy } & Notes)
  | ({
      kind: 'choose';
      on: 'unit' | InstrumentId;
      path: string[];
      needs?: string;
      confirm?: string;
      value?: string;
    } & Notes)
  | ({ kind: 'see'; must: 'must' | 'may' | 'must-not'; signs: Shown[]; within?: Span } & Notes)
  | ({ kind: 'group'; steps: Step[]; times: number; window?: { from: Moment; mostMs: number } } & Notes)
  | ({ kind: 'branch'; on: BranchOn; met: Step[]; otherwise: Step[] } & Notes)
  | ({ kind: 'at-place'; place: string } & Notes)
  | ({ kind: 'say'; text: string } & Notes)
  | ({ kind: 'bypass'; what: ControlId | PartId } & Notes);

const branchOn = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('sign'), shown: Shown }),
  z.strictObject({ kind: z.literal('reads'), readout: ref('readout'), code: ref('code') }),
  z.strictObject({ kind: z.literal('nothing-done'), withinMs: z.number().positive() }),
]);
export type BranchOn = z.infer<typeof branchOn>;

const steps = () => z.array(Step).max(200);
export const Step: z.ZodType<Step> = z.lazy(() =>
  z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('press'),
      control: ref('control').or(z.literal('any')),
      times: z.number().int().min(1).max(100),
      ...notes,
    }),
    z.strictObject({ kind: z.literal('hold'), controls: z.array(held).min(1).max(8), until: holdUntil, ...notes }),
    z.strictObject({
      kind: z.literal('keep'),
      controls: z.array(held).min(1).max(8),
      during: steps(),
      until: until.optional(),
      ...notes,
    }),
    z.strictObject({
      kind: z.literal('release'),
      /** None named: all that are held. */
      controls: z.array(ref('control')).max(8),
      at: Moment.optional(),
      ...notes,
    }),
    z.strictObject({
      kind: z.literal('turn'),
      control: ref('control'),
      clicks: z.number().int().min(1).max(200),
      way: z.enum(['cw', 'ccw']),
      ...notes,
    }),
    z.strictObject({
      kind: z.literal('sweep'),
      control: ref('control'),
      turns: z.number().int().min(1).max(50),
      way: z.enum(['cw', 'ccw']),
      stopAt: ref('place', 'control').optional(),
      ...notes,
    }),
    z.strictObject({ kind: z.literal('set'), control: ref('control'), to: ref('place', 'control'), ...notes }),
    z.strictObject({ kind: z.literal('rest'), span: Span, ...notes }),
    z.strictObject({
      kind: z.literal('step-list'),
      control: ref('control'),
      to: z.number().int().min(0).max(9999),
      start: z.number().int().min(0).max(9999).default(0),
      by: z.enum(['press', 'ramp']),
      /** The control that steps the other way, for coming back. */
      back: ref('control').optional(),
      /** The list goes round: past its last entry comes its first. */
      round: z
        .strictObject({ from: z.number().int().min(0).max(9999), to: z.number().int().min(0).max(9999) })
        .optional(),
      repeats: Repeats.optional(),
      overshoot: Prose.optional(),
      ...notes,
    }),
    z.strictObject({
      kind: z.literal('together'),
      controls: z.array(ref('control')).min(2).max(6),
      times: z.number().int().min(1).max(20).default(1),
      /** From the first that goes down to the last. */
      withinMs: z.number().min(20).max(5000).default(defaultWithinMs),
      ...notes,
    }),
    z.strictObject({
      kind: z.literal('do'),
      route: ref('route'),
      times: z.number().int().min(1).max(100).default(1),
      /** What values of the family's stand at while it is done. */
      values: z
        .array(z.strictObject({ parameter: ref('parameter'), is: z.number().min(-1e12).max(1e12) }))
        .max(8)
        .optional(),
      ...notes,
    }),
    z.strictObject({
      kind: z.literal('dial'),
      text: plain('characters', z.string().min(1).max(16)),
      start: plain('characters', z.string().max(16)),
      /** Characters in the order the controls step through them. */
      alphabet: z
        .array(plain('a character', z.string().length(1)))
        .min(2)
        .max(64)
        .default([...'0123456789']),
      wraps: z.boolean().default(true),
      by: DialBy,
      ...notes,
    }),
    z.strictObject({
      kind: z.literal('choose'),
      on: z.literal('unit').or(ref('instrument')),
      path: z.array(Label).min(1).max(12),
      /** The function an instrument must have for this. */
      needs: Label.optional(),
      /** The prompt that is waited for and confirmed. */
      confirm: Label.optional(),
      /** The value that is entered at the end. */
      value: Label.optional(),
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
    z.strictObject({ kind: z.literal('bypass'), what: refToEither('control', 'part'), ...notes }),
  ]),
);

/** A difference between tellings of one route that somebody settled, or left open. */
export const Settled = z.strictObject({
  /** What differed, in a line. */
  about: Label,
  accounts: z.array(ref('account')).max(12),
  chosen: ref('account').nullable(),
  why: Prose,
  standing: Standing,
  open: z.boolean(),
});
export type Settled = z.infer<typeof Settled>;

/** A way from a mode, several or any into another (or out), or one that does something there, such as clearing. */
export const Route = z.strictObject({
  kind: z.literal('route'),
  ...acceptances,
  id: defines('route'),
  family: ref('family'),
  name: Label,
  purpose: z.enum(['enter', 'leave', 'step', 'clear', 'calibrate', 'lock-out', 'test']),
  from: z.literal('any').or(z.array(ref('mode')).min(1).max(40)),
  to: ref('mode').nullable(),
  /** Only where a reset is special to one code. */
  onlyFor: z.array(ref('code')).max(60).default([]),
  onlyVariants: z.array(ref('variant')).max(40).default([]),
  /** Only where this holds, such as an entry of a list or a page that shows. */
  when: Condition.optional(),
  /** Routes that must have been gone before, such as a drain before a calibration. */
  needsFirst: z.array(ref('route')).max(8).optional(),
  before: z.array(Prose).max(20).default([]),
  tools: z.array(Label).max(20).default([]),
  hazards: z.array(ref('hazard')).max(20).default([]),
  /** Ways of getting to the controls it needs. */
  ways: z.array(ref('access')).max(12).default([]),
  steps: z.array(Step).min(1).max(200),
  ifItFails: z.array(Prose).max(12).default([]),
  /** What to try, in this order, when it does not take. */
  retry: z.array(Retry).max(6).default([]),
  /** The route told in a sentence or two; held against the steps. */
  summary: Prose.optional(),
  /** How the tellings it was made of were settled. */
  settled: z.array(Settled).max(60).default([]),
  sideEffects: z.array(Prose).max(12).default([]),
  /** What it changes by hand and what has to be put back after it. */
  changes: z.array(Label).max(12).optional(),
  /** What it does beside changing the mode: move a cursor, send a message. */
  effects: z.array(Effect).max(20).default([]),
  /** Ways known not to work, worth as much as one that does. */
  knownNotToWork: z
    .array(
      z.strictObject({
        variant: ref('variant').optional(),
        how: Prose,
        why: Prose,
        /** What somebody would do; recognised when it is played. */
        steps: z.array(Step).min(1).max(60).optional(),
      }),
    )
    .max(20)
    .default([]),
  /** What a route of purpose `lock-out` takes out of use, for the capacity that is left. */
  locksOut: z.strictObject({ part: Label, count: z.number().int().min(1).max(100).default(1) }).optional(),
  chart: ref('chart').optional(),
  source: ref('source').optional(),
  standing: Standing,
});
export type Route = z.infer<typeof Route>;

/** One telling of a route, as it was told: laid beside others, never merged silently. */
export const Account = z.strictObject({
  kind: z.literal('account'),
  ...acceptances,
  id: defines('account'),
  family: ref('family'),
  route: ref('route'),
  name: Label,
  /** The words it was told in. */
  told: Prose.default(''),
  steps: z.array(Step).max(200),
  source: ref('source').nullable(),
  standing: Standing,
});
export type Account = z.infer<typeof Account>;
