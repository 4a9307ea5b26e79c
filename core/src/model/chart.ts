import { z } from 'zod';
import {
  AccessId,
  AssetId,
  ChartId,
  ControlId,
  FamilyId,
  HazardId,
  InstrumentId,
  ModeId,
  NodeId,
  ParameterId,
  PartId,
  RouteId,
  SettingId,
  SignId,
  SourceId,
  VariantId,
} from '../base/ids.ts';
import { Quantity } from '../base/quantity.ts';
import { Label, Prose, Scope, Span, Standing } from '../base/text.ts';
import { Amount, Band } from './band.ts';

/** Where an answer leads; null is an open end, which a draft may have and a published chart may not. */
export const Target = NodeId.nullable();
export type Target = z.infer<typeof Target>;

export const Answer = z.strictObject({ answer: Label, next: Target });
export type Answer = z.infer<typeof Answer>;

/** What a chart that is used needs to be told by whoever uses it: values for its parameters, parts for its roles. */
export const ChartUse = z.strictObject({
  values: z.record(ParameterId, Amount).default({}),
  parts: z.record(PartId, PartId).default({}),
});
export type ChartUse = z.infer<typeof ChartUse>;

const base = {
  id: NodeId,
  title: Label,
  text: Prose.optional(),
  hazards: z.array(HazardId).max(20).default([]),
  tools: z.array(Label).max(20).default([]),
  access: Prose.optional(),
  /** Ways of getting there, written once; the Clear station goes back through them. */
  ways: z.array(AccessId).max(12).default([]),
  minutes: z.number().min(0).max(600).default(1),
  /** Suspects this node clears or finds, by part. */
  about: z.array(PartId).max(20).default([]),
  pictures: z.array(AssetId).max(12).default([]),
  source: SourceId.optional(),
  standing: Standing.optional(),
  /** How often a walk may come here, and where it is sent when it would come once more. */
  retries: z.strictObject({ times: z.number().int().min(1).max(20), after: Target }).optional(),
};

/** What must be seen of a unit that is being run. All but `see` are judged by what is measured or heard. */
export const Watch = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('climb'), quantity: Quantity, by: Amount, withinMs: z.number().positive() }),
  z.strictObject({
    kind: z.literal('reach'),
    quantity: Quantity,
    value: Amount,
    way: z.enum(['up', 'down']),
    withinMs: z.number().positive(),
  }),
  z.strictObject({ kind: z.literal('sound'), what: Label, withinMs: z.number().positive().optional() }),
]);
export type Watch = z.infer<typeof Watch>;

/** What a split goes by; what is not known is asked. */
export const SplitBy = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('code') }),
  z.strictObject({ kind: z.literal('sub-code') }),
  z.strictObject({ kind: z.literal('variant') }),
  z.strictObject({ kind: z.literal('controller') }),
  z.strictObject({ kind: z.literal('option'), option: Label }),
  z.strictObject({ kind: z.literal('answer'), node: NodeId }),
  z.strictObject({ kind: z.literal('reading'), node: NodeId }),
]);
export type SplitBy = z.infer<typeof SplitBy>;

/** One case of a split: a name, and for a reading the span it holds for, in the base unit; null is no bound. */
export const SplitCase = z.strictObject({
  is: Label,
  within: z.strictObject({ least: Amount.nullable(), most: Amount.nullable() }).optional(),
  next: Target,
});
export type SplitCase = z.infer<typeof SplitCase>;

/** What a reading is held against. */
export const Against = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('reading'), node: NodeId }),
  z.strictObject({ kind: z.literal('setting'), setting: SettingId }),
  z.strictObject({ kind: z.literal('amount'), amount: Amount }),
]);

/** One node of a test flowchart. New kinds join the union; documents written before stay good. */
export const ChartNode = z.discriminatedUnion('kind', [
  z.strictObject({
    ...base,
    kind: z.literal('look'),
    looksGood: Prose.optional(),
    looksBad: Prose.optional(),
    yes: Target,
    no: Target,
    cannotTell: NodeId.optional(),
  }),
  /** A circumstance: low supply, weather, who used it, what was done before. */
  z.strictObject({
    ...base,
    kind: z.literal('ask'),
    answers: z.array(Answer).max(12),
    cannotTell: NodeId.optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('measure'),
    quantity: Quantity,
    probes: z.array(Label).min(1).max(6),
    /** Where the probes go, on the drawn panel. */
    marks: z
      .array(z.union([ControlId, SignId]))
      .max(6)
      .default([]),
    supply: z.enum(['dead', 'energised']),
    protection: Prose.optional(),
    /** How it is isolated while the probes go on and come off; else as its hazards say. */
    isolation: Prose.optional(),
    disconnect: z.array(Prose).max(8).default([]),
    under: Prose.optional(),
    instrument: InstrumentId.optional(),
    band: Band,
    /** What the temperature of a thermistor is taken from. */
    temperatureOf: Label.optional(),
    /** Temperatures at which it is measured, so that the band is known to hold there. */
    measuredAt: z.strictObject({ leastCelsius: z.number(), mostCelsius: z.number() }).optional(),
    pass: Target,
    low: Target,
    high: Target,
    /** Where a reading at the very edge goes; without it, the person is asked to measure again. */
    tooClose: NodeId.optional(),
    /** Where an open circuit or a short goes, when that is another matter than too high or too low. */
    open: NodeId.optional(),
    short: NodeId.optional(),
  }),
  /** Holds a reading against another one or against what is set; the sum is done, nobody is asked. */
  z.strictObject({
    ...base,
    kind: z.literal('compare'),
    reading: NodeId,
    against: Against,
    as: z.enum(['ratio', 'difference']),
    least: Amount.nullable(),
    most: Amount.nullable(),
    pass: Target,
    low: Target,
    high: Target,
  }),
  z.strictObject({
    ...base,
    kind: z.literal('operate'),
    route: RouteId.optional(),
    test: z.strictObject({ mode: ModeId, number: z.string().min(1).max(12) }).optional(),
    watchFor: Prose,
    takes: Span.optional(),
    /** Judged by a sum where it is given; then it has two ways on, and `answers` are not used. */
    watch: Watch.optional(),
    pass: NodeId.optional(),
    fail: NodeId.optional(),
    answers: z.array(Answer).max(12).default([]),
    cannotTell: NodeId.optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('act'),
    act: z.enum(['clean', 'reseat', 'adjust', 'replace', 'isolate', 'put-back']),
    part: PartId.optional(),
    /** What the unit demands after it. */
    recalibrate: RouteId.optional(),
    next: Target,
  }),
  /** A timer, or, when it is half a day or more, until a date. */
  z.strictObject({ ...base, kind: z.literal('wait'), waitMs: z.number().positive().max(2_592_000_000), next: Target }),
  /** A setting is changed: the old value is noted. Without a value, the right one for this variant. */
  z.strictObject({ ...base, kind: z.literal('set'), setting: SettingId, to: Label.optional(), next: Target }),
  z.strictObject({
    ...base,
    kind: z.literal('split'),
    by: SplitBy,
    cases: z.array(SplitCase).max(40),
    /** Where everything else goes. */
    otherwise: NodeId.optional(),
  }),
  /** Another chart, gone through here; what it finds ends the walk unless a way on is given. */
  z.strictObject({
    ...base,
    kind: z.literal('call'),
    chart: ChartId,
    use: ChartUse.prefault({}),
    nothingFound: Target,
    causeFound: NodeId.optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('verdict'),
    verdict: z.enum(['cause-found', 'hand-on', 'nothing-found', 'unsafe-stop', 'left-limited']),
    cause: PartId.optional(),
    /** To whom, and with what. */
    handOnTo: Label.optional(),
    /** What was left limited or not put back, and within how many days it has to be. */
    putBack: Prose.optional(),
    putBackDays: z.number().int().min(0).max(400).optional(),
  }),
]);
export type ChartNode = z.infer<typeof ChartNode>;
export const nodeKinds = [
  'look',
  'measure',
  'compare',
  'operate',
  'act',
  'wait',
  'ask',
  'set',
  'split',
  'call',
  'verdict',
] as const satisfies ReadonlyArray<ChartNode['kind']>;
export type NodeKind = ChartNode['kind'];
export type NodeOf<K extends NodeKind> = Extract<ChartNode, { kind: K }>;
export type MeasureNode = NodeOf<'measure'>;
export type VerdictNode = NodeOf<'verdict'>;

export const Chart = z.strictObject({
  kind: z.literal('chart'),
  id: ChartId,
  /** Null for a chart that several families share. */
  family: FamilyId.nullable(),
  title: Label,
  audience: Scope,
  /** Holds for these variants only; empty for all. */
  onlyVariants: z.array(VariantId).max(40).default([]),
  /** Values it is given by whoever uses it; one without a value has to be given. */
  parameters: z
    .array(
      z.strictObject({
        id: ParameterId,
        name: Label,
        quantity: Quantity.or(z.literal('ratio')),
        value: z.number().nullable().default(null),
      }),
    )
    .max(40)
    .default([]),
  /** Parts it speaks of without knowing the family's; `{id}` in its words becomes the part's name. */
  roles: z
    .array(z.strictObject({ id: PartId, name: Label }))
    .max(40)
    .default([]),
  /** Kept to begin others from: nothing has to use it. */
  template: z.boolean().default(false),
  start: NodeId,
  nodes: z.array(ChartNode).min(1).max(2000),
  /** Where "cannot tell" leads, unless a node says otherwise. */
  cannotTell: NodeId.optional(),
  /** How often a walk may come through the same node before it is told to stop. */
  mostVisits: z.number().int().min(1).max(20).default(3),
  /** Where a walk that came round too often ends. */
  afterRetries: NodeId.optional(),
  source: SourceId.nullable(),
  standing: Standing,
});
export type Chart = z.infer<typeof Chart>;
