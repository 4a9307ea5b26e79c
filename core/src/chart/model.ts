import { z } from 'zod';
import {
  AccessId,
  AssetId,
  ChartId,
  ControlId,
  FamilyId,
  HazardId,
  InstrumentId,
  NodeId,
  ParameterId,
  PartId,
  RouteId,
  SignId,
  SourceId,
  VariantId,
} from '../base/ids.ts';
import { Quantity } from '../base/quantity.ts';
import { Label, Prose, Scope, Span, Standing } from '../base/words.ts';

/** A number as it stands, or a parameter of the family that its variants may set. Base units. */
export const Amount = z.number().or(z.strictObject({ parameter: ParameterId }));
export type Amount = z.infer<typeof Amount>;

/** What a good reading is. Bands compute; nobody types the result of a sum. */
export const Band = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('fixed'), least: Amount.nullable(), most: Amount.nullable() }),
  /** R = r25 · exp(β · (1/T − 1/298.15 K)), the Beta form. */
  z.strictObject({ kind: z.literal('thermistor'), r25Ohm: Amount, betaK: Amount, toleranceRatio: Amount }),
  /** 1/T = a + b·ln R + c·(ln R)³, the Steinhart–Hart form, solved for R. */
  z.strictObject({ kind: z.literal('steinhart-hart'), a: Amount, b: Amount, c: Amount, toleranceRatio: Amount }),
  z.strictObject({
    kind: z.literal('table'),
    rows: z
      .array(z.strictObject({ atCelsius: z.number(), ohm: z.number().positive() }))
      .min(2)
      .max(400),
    toleranceRatio: Amount,
  }),
  /** R = V² / P, the resistance of a heating element at its rated supply. */
  z.strictObject({ kind: z.literal('element'), powerWatt: Amount, supplyVolt: Amount, toleranceRatio: Amount }),
]);
export type Band = z.infer<typeof Band>;

export const Answer = z.strictObject({ answer: Label, next: NodeId });
export type Answer = z.infer<typeof Answer>;

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
};

/** One node of a test flowchart. New kinds join the union; documents written before stay good. */
export const ChartNode = z.discriminatedUnion('kind', [
  z.strictObject({
    ...base,
    kind: z.literal('look'),
    looksGood: Prose.optional(),
    looksBad: Prose.optional(),
    yes: NodeId,
    no: NodeId,
    cannotTell: NodeId.optional(),
  }),
  z.strictObject({ ...base, kind: z.literal('ask'), answers: z.array(Answer).min(2).max(12) }),
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
    disconnect: z.array(Prose).max(8).default([]),
    under: Prose.optional(),
    instrument: InstrumentId.optional(),
    band: Band,
    /** What the temperature of a thermistor is taken from. */
    temperatureOf: Label.optional(),
    pass: NodeId,
    low: NodeId,
    high: NodeId,
    /** Where a reading at the very edge goes; without it, the person is asked to measure again. */
    tooClose: NodeId.optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('operate'),
    route: RouteId.optional(),
    watchFor: Prose,
    takes: Span.optional(),
    answers: z.array(Answer).min(2).max(12),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('act'),
    act: z.enum(['clean', 'reseat', 'adjust', 'replace', 'put-back']),
    part: PartId.optional(),
    next: NodeId,
  }),
  z.strictObject({ ...base, kind: z.literal('wait'), waitMs: z.number().positive().max(2_592_000_000), next: NodeId }),
  z.strictObject({
    ...base,
    kind: z.literal('verdict'),
    verdict: z.enum(['cause-found', 'hand-on', 'nothing-found', 'unsafe-stop', 'left-limited']),
    cause: PartId.optional(),
    /** To whom, and with what. */
    handOnTo: Label.optional(),
    putBack: Prose.optional(),
  }),
]);
export type ChartNode = z.infer<typeof ChartNode>;
export type MeasureNode = Extract<ChartNode, { kind: 'measure' }>;
export type VerdictNode = Extract<ChartNode, { kind: 'verdict' }>;

export const Chart = z.strictObject({
  kind: z.literal('chart'),
  id: ChartId,
  family: FamilyId.nullable(),
  title: Label,
  audience: Scope,
  /** Holds for these variants only; empty for all. */
  onlyVariants: z.array(VariantId).max(40).default([]),
  start: NodeId,
  nodes: z.array(ChartNode).min(1).max(2000),
  /** How often a walk may come through the same node before it is told to stop. */
  mostVisits: z.number().int().min(1).max(20).default(3),
  source: SourceId.nullable(),
  standing: Standing,
});
export type Chart = z.infer<typeof Chart>;
