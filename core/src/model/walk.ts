import { z } from 'zod';
import {
  ChartId,
  CodeId,
  ControllerId,
  EventId,
  FamilyId,
  HazardId,
  MachineId,
  ModeId,
  NodeId,
  PartId,
  ReadoutId,
  RouteId,
  SettingId,
  StageId,
  SymptomId,
  VariantId,
  WalkId,
} from '../base/ids.ts';
import { Label, Prose } from '../base/text.ts';
import { Attached } from '../unit/composition.ts';
import { CodeText } from './code.ts';
import { SoftwareVersion } from './family.ts';
import { Seen } from './look.ts';
import { TakenReading } from './taken.ts';

export const stations = ['unit', 'safe', 'enter', 'read', 'test', 'clear', 'prove'] as const;
export const Station = z.enum(stations);
export type Station = z.infer<typeof Station>;

/** One real unit, known by its serial number. */
export const Machine = z.strictObject({
  id: MachineId,
  family: FamilyId,
  serial: z.string().trim().min(1).max(60),
  model: z.string().trim().max(60),
  software: SoftwareVersion.nullable(),
  /** How many of which parts the system holds, asked on site. */
  composition: z.array(Attached).max(60).default([]),
  site: Label.optional(),
});
export type Machine = z.infer<typeof Machine>;

/** What a try that did not take ended in. */
export const happenings = ['nothing', 'other-mode', 'too-slow', 'too-fast', 'count-over', 'reset'] as const;
export const Happened = z.enum(happenings);
export type Happened = z.infer<typeof Happened>;

const stamp = {
  id: EventId,
  walk: WalkId,
  /** Counts up from 0 on the device that made it. */
  seq: z.number().int().min(0).max(100_000),
  at: z.iso.datetime(),
};

/** What happened on a walk. Events are only ever added; taking one back is itself an event. */
export const WalkEvent = z.discriminatedUnion('kind', [
  z.strictObject({
    ...stamp,
    kind: z.literal('started'),
    family: FamilyId,
    bundle: z.string().max(80),
    from: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('code'), code: CodeId }),
      z.strictObject({ kind: z.literal('symptom'), symptom: SymptomId }),
      z.strictObject({ kind: z.literal('panel') }),
      z.strictObject({ kind: z.literal('unlisted'), text: CodeText }),
    ]),
  }),
  z.strictObject({
    ...stamp,
    kind: z.literal('unit'),
    machine: MachineId,
    serial: z.string().trim().min(1).max(60),
    model: z.string().trim().max(60),
    software: SoftwareVersion.nullable(),
    variant: VariantId.nullable(),
    /** Options read off the unit, such as fuel or motor make. */
    options: z.record(z.string().min(1).max(40), Label).default({}),
    composition: z.array(Attached).max(60).default([]),
  }),
  z.strictObject({ ...stamp, kind: z.literal('safe'), hazards: z.array(HazardId).max(40) }),
  z.strictObject({
    ...stamp,
    kind: z.literal('tried'),
    route: RouteId,
    took: z.boolean(),
    /** What happened instead, and at which step, where somebody said so. */
    happened: Happened.optional(),
    step: z.string().max(80).optional(),
    /** What the beat was times the usual tempo. */
    pace: z.number().min(0.2).max(5).optional(),
    tookMs: z.number().min(0).max(86_400_000).optional(),
  }),
  z.strictObject({
    ...stamp,
    kind: z.literal('tested'),
    mode: ModeId,
    number: z.string().min(1).max(12),
    result: z.enum(['pass', 'fail', 'not-valid']),
    reading: TakenReading.nullable().default(null),
    /** Since the tests began, where they run by themselves. */
    afterMs: z.number().min(0).max(86_400_000).optional(),
  }),
  z.strictObject({
    ...stamp,
    kind: z.literal('setting'),
    setting: SettingId,
    did: z.enum(['noted', 'set', 'verified', 'put-back']),
    value: Label,
  }),
  z.strictObject({
    ...stamp,
    kind: z.literal('locked-out'),
    route: RouteId,
    part: Label,
    count: z.number().int().min(0).max(100),
  }),
  z.strictObject({ ...stamp, kind: z.literal('skipped'), station: Station, why: Prose.min(1) }),
  z.strictObject({
    ...stamp,
    kind: z.literal('seen'),
    readout: ReadoutId,
    /** Whose codes were read; left out where the readout has one controller only. */
    controller: ControllerId.optional(),
    seen: Seen,
    made: z.array(z.strictObject({ code: z.string().max(64), certainty: z.number().min(0).max(1) })).max(20),
  }),
  z.strictObject({ ...stamp, kind: z.literal('special'), readout: ReadoutId, special: StageId }),
  z.strictObject({
    ...stamp,
    kind: z.literal('code-taken'),
    code: CodeId,
    slot: z.number().int().min(1).max(100),
    readout: ReadoutId.optional(),
    controller: ControllerId.optional(),
    /** The controller that has to say the same before testing starts. */
    confirmAt: ControllerId.optional(),
    /** There is more to read before the walk goes on. */
    more: z.boolean().optional(),
  }),
  /** A controller was asked for its codes. */
  z.strictObject({
    ...stamp,
    kind: z.literal('swept'),
    controller: ControllerId,
    result: z.enum(['codes', 'nothing-stored', 'no-answer']),
  }),
  /** The authoritative controller was asked whether it says the same. */
  z.strictObject({ ...stamp, kind: z.literal('confirmed'), controller: ControllerId, agrees: z.boolean() }),
  /** Everything that shows has been read; the code the walk goes on with. */
  z.strictObject({ ...stamp, kind: z.literal('read-done'), code: CodeId.nullable() }),
  z.strictObject({ ...stamp, kind: z.literal('unlisted'), text: CodeText, words: Prose, ask: z.boolean() }),
  /** No code explains it, and something is wrong all the same: the walk goes on with a symptom. */
  z.strictObject({ ...stamp, kind: z.literal('symptom-taken'), symptom: SymptomId }),
  z.strictObject({
    ...stamp,
    kind: z.literal('answered'),
    chart: ChartId,
    node: NodeId,
    answer: Label,
    reading: TakenReading.nullable(),
    /** Why it was not done, where the walk went on as if the answer had been given. */
    skipped: Prose.min(1).optional(),
  }),
  /** A suspect seen on the way, which the question at hand is not about. */
  z.strictObject({
    ...stamp,
    kind: z.literal('suspected'),
    chart: ChartId,
    node: NodeId,
    part: PartId.nullable(),
    text: Prose.min(1),
  }),
  /** A wait has begun: it is over so long after the event's own time, wherever the walk is looked at. */
  z.strictObject({
    ...stamp,
    kind: z.literal('timer'),
    of: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('node'), chart: ChartId, node: NodeId }),
      z.strictObject({ kind: z.literal('prove') }),
    ]),
    ms: z.number().positive().max(2_592_000_000),
  }),
  /** Left limited, or not put back: it is somebody's to do until it is put back. */
  z.strictObject({ ...stamp, kind: z.literal('owed'), what: Prose.min(1), by: z.iso.date().nullable() }),
  /** What was owed on this walk, or on an earlier one of the same machine, is as it should be. */
  z.strictObject({ ...stamp, kind: z.literal('put-back'), of: WalkId, what: z.string().min(1).max(200) }),
  z.strictObject({ ...stamp, kind: z.literal('noted'), text: Prose.min(1) }),
  z.strictObject({ ...stamp, kind: z.literal('cleared'), route: RouteId.nullable() }),
  z.strictObject({ ...stamp, kind: z.literal('waits'), until: z.iso.date(), why: Prose }),
  z.strictObject({ ...stamp, kind: z.literal('resumed') }),
  z.strictObject({ ...stamp, kind: z.literal('reading-after'), chart: ChartId, node: NodeId, reading: TakenReading }),
  z.strictObject({
    ...stamp,
    kind: z.literal('proved'),
    returned: z.boolean(),
    cycles: z.number().int().min(0).max(10_000),
  }),
  z.strictObject({
    ...stamp,
    kind: z.literal('closed'),
    outcome: z.enum(['fixed', 'handed-on', 'nothing-found', 'left-limited', 'given-up']),
    fixedBy: Prose,
  }),
  z.strictObject({ ...stamp, kind: z.literal('taken-back'), event: EventId }),
]);
export type WalkEvent = z.infer<typeof WalkEvent>;
export type WalkEventOf<K extends WalkEvent['kind']> = Extract<WalkEvent, { kind: K }>;
