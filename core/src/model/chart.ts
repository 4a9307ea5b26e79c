import { z } from 'zod';
import { Quantity } from '../base/quantity.ts';
import { Label, Prose, Scope, Span, Standing } from '../base/text.ts';
import { acceptances } from './accepted.ts';
import { Amount, Band } from './band.ts';
import { defines, plain, ref, refToEither, scoped, withRoles } from './reference.ts';

/** What a chart may come to. */
export const Verdict = z.enum(['cause-found', 'hand-on', 'nothing-found', 'unsafe-stop', 'left-limited']);
export type Verdict = z.infer<typeof Verdict>;

/** Where an answer leads; null is an open end, which a draft may have and a published chart may not. */
export const Target = ref('node').nullable();
export type Target = z.infer<typeof Target>;

export const Answer = z.strictObject({ answer: Label, next: Target });
export type Answer = z.infer<typeof Answer>;

/** What a chart that is used needs to be told by whoever uses it: values for its parameters, parts for its roles. */
export const ChartUse = z.strictObject({
  values: z.record(ref('parameter', 'chart'), Amount).default({}),
  parts: z.record(ref('part', 'chart'), ref('part')).default({}),
});
export type ChartUse = z.infer<typeof ChartUse>;

/** Words of a step: `{id}` in them becomes what the family calls the part that has this role. */
const Title = withRoles(Label);
const Words = withRoles(Prose);

const base = {
  id: defines('node'),
  title: Title,
  text: Words.optional(),
  hazards: z.array(ref('hazard')).max(20).default([]),
  tools: z.array(Label).max(20).default([]),
  access: Words.optional(),
  /** Ways of getting there, written once; the Clear station goes back through them. */
  ways: z.array(ref('access')).max(12).default([]),
  minutes: z.number().min(0).max(600).default(1),
  /** Suspects this node clears or finds, by part. */
  about: z.array(ref('part')).max(20).default([]),
  pictures: z.array(ref('asset')).max(12).default([]),
  /** What is changed by hand here and has to be put back: a tap, a fuse, an output that was switched on. */
  changes: z.array(Label).max(12).optional(),
  /** Who may do it, where that is not everybody the chart is for. */
  scope: Scope.optional(),
  source: ref('source').optional(),
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
  z.strictObject({ kind: z.literal('answer'), node: ref('node') }),
  z.strictObject({ kind: z.literal('reading'), node: ref('node') }),
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
  z.strictObject({ kind: z.literal('reading'), node: ref('node') }),
  z.strictObject({ kind: z.literal('setting'), setting: ref('setting') }),
  z.strictObject({ kind: z.literal('amount'), amount: Amount }),
  /** What several add up to: the demand of every appliance on a meter, the loads on a supply. In the reading's base unit. */
  z.strictObject({
    kind: z.literal('sum'),
    of: z
      .array(z.strictObject({ name: Label, amount: Amount, count: z.number().int().min(1).max(1000).default(1) }))
      .min(1)
      .max(60),
  }),
]);

/** One node of a test flowchart. New kinds join the union; documents written before stay good. */
export const ChartNode = z.discriminatedUnion('kind', [
  z.strictObject({
    ...base,
    kind: z.literal('look'),
    looksGood: Words.optional(),
    looksBad: Words.optional(),
    yes: Target,
    no: Target,
    cannotTell: ref('node').optional(),
  }),
  /** A circumstance: low supply, weather, who used it, what was done before. */
  z.strictObject({
    ...base,
    kind: z.literal('ask'),
    answers: z.array(Answer).max(12),
    cannotTell: ref('node').optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('measure'),
    quantity: Quantity,
    probes: z.array(Title).max(6).default([]),
    /** The unit itself shows the value, behind an address where it has several: no probes and no meter. */
    shownBy: z
      .strictObject({
        readout: ref('readout'),
        address: plain('characters', z.string().min(1).max(12)).nullable().default(null),
      })
      .optional(),
    /** Where the probes go, on the drawn panel. */
    marks: z.array(refToEither('control', 'sign')).max(6).default([]),
    supply: z.enum(['dead', 'energised']),
    protection: Words.optional(),
    /** How it is isolated while the probes go on and come off; else as its hazards say. */
    isolation: Prose.optional(),
    disconnect: z.array(Words).max(8).default([]),
    under: Words.optional(),
    instrument: ref('instrument').optional(),
    band: Band,
    /** What the temperature of a thermistor is taken from. */
    temperatureOf: Title.optional(),
    /** Temperatures at which it is measured, so that the band is known to hold there. */
    measuredAt: z.strictObject({ leastCelsius: z.number(), mostCelsius: z.number() }).optional(),
    pass: Target,
    low: Target,
    high: Target,
    /** Where a reading at the very edge goes; without it, the person is asked to measure again. */
    tooClose: ref('node').optional(),
    /** Where an open circuit or a short goes, when that is another matter than too high or too low. */
    open: ref('node').optional(),
    short: ref('node').optional(),
    /** Where a reading goes that is good only after something was cleaned, put right or changed since it was not. */
    passAfter: ref('node').optional(),
  }),
  /** Holds a reading against another one or against what is set; the sum is done, nobody is asked. */
  z.strictObject({
    ...base,
    kind: z.literal('compare'),
    reading: ref('node'),
    /** The reading is a flow of water: by how much it is warmed makes it a power. */
    warmed: z.strictObject({ from: ref('node'), to: ref('node') }).optional(),
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
    route: ref('route').optional(),
    test: z.strictObject({ mode: ref('mode'), number: ref('test', 'mode') }).optional(),
    watchFor: Words,
    takes: Span.optional(),
    /** Judged by a sum where it is given; then it has two ways on, and `answers` are not used. */
    watch: Watch.optional(),
    pass: ref('node').optional(),
    fail: ref('node').optional(),
    answers: z.array(Answer).max(12).default([]),
    cannotTell: ref('node').optional(),
  }),
  /** Remedies one after the other, each with the same question behind it: what stopped it was the cause. */
  z.strictObject({
    ...base,
    kind: z.literal('remedies'),
    question: Words,
    remedies: z
      .array(
        z.strictObject({
          do: Title,
          act: z.enum(['clean', 'reseat', 'adjust', 'replace']).default('adjust'),
          /** What it is done to: the cause where it helps. */
          part: ref('part').optional(),
        }),
      )
      .min(1)
      .max(20),
    /** Where it goes once one has helped, and once none has. */
    stopped: Target,
    comesAgain: Target,
  }),
  z.strictObject({
    ...base,
    kind: z.literal('act'),
    act: z.enum(['clean', 'reseat', 'adjust', 'replace', 'isolate', 'put-back']),
    part: ref('part').optional(),
    /** What the unit demands after it. */
    recalibrate: ref('route').optional(),
    next: Target,
  }),
  /** A timer, or, when it is half a day or more, until a date. */
  z.strictObject({ ...base, kind: z.literal('wait'), waitMs: z.number().positive().max(2_592_000_000), next: Target }),
  /** A setting is changed: the old value is noted. Without a value, the right one for this variant. */
  z.strictObject({ ...base, kind: z.literal('set'), setting: ref('setting'), to: Label.optional(), next: Target }),
  z.strictObject({
    ...base,
    kind: z.literal('split'),
    by: SplitBy,
    cases: z.array(SplitCase).max(40),
    /** Where everything else goes. */
    otherwise: ref('node').optional(),
  }),
  /** Another chart, gone through here; what it finds ends the walk unless a way on is given. */
  z.strictObject({
    ...base,
    kind: z.literal('call'),
    chart: ref('chart'),
    use: ChartUse.prefault({}),
    nothingFound: Target,
    causeFound: ref('node').optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('verdict'),
    verdict: Verdict,
    cause: ref('part').optional(),
    /** To whom, and with what. */
    handOnTo: Label.optional(),
    /** What was left limited or not put back, and within how many days it has to be. */
    putBack: Words.optional(),
    putBackDays: z.number().int().min(0).max(400).optional(),
  }),
]);
export type ChartNode = z.infer<typeof ChartNode>;
export const nodeKinds = [
  'look',
  'measure',
  'compare',
  'operate',
  'remedies',
  'act',
  'wait',
  'ask',
  'set',
  'split',
  'call',
  'verdict',
] as const satisfies ReadonlyArray<ChartNode['kind']>;
export type NodeKind = ChartNode['kind'];
/** How a kind of step leads on: one way, answers somebody names, ways its kind has, or not at all. */
export const nodeWays: Readonly<Record<NodeKind, 'one' | 'named' | 'own' | 'none'>> = {
  look: 'own',
  ask: 'named',
  measure: 'own',
  compare: 'own',
  operate: 'named',
  remedies: 'own',
  act: 'one',
  wait: 'one',
  set: 'one',
  split: 'named',
  call: 'own',
  verdict: 'none',
};
export type NodeOf<K extends NodeKind> = Extract<ChartNode, { kind: K }>;
export type MeasureNode = NodeOf<'measure'>;
export type VerdictNode = NodeOf<'verdict'>;

export const Chart = scoped(
  'chart',
  z.strictObject({
    kind: z.literal('chart'),
    ...acceptances,
    id: defines('chart'),
    /** Null for a chart that several families share. */
    family: ref('family').nullable(),
    title: Label,
    audience: Scope,
    /** Holds for these variants only; empty for all. */
    onlyVariants: z.array(ref('variant')).max(40).default([]),
    /** Values it is given by whoever uses it; one without a value has to be given. */
    parameters: z
      .array(
        z.strictObject({
          id: defines('parameter'),
          name: Label,
          quantity: Quantity.or(z.literal('ratio')),
          value: z.number().nullable().default(null),
        }),
      )
      .max(40)
      .default([]),
    /** Parts it speaks of without knowing the family's; `{id}` in its words becomes the part's name. */
    roles: z
      .array(z.strictObject({ id: defines('part'), name: Label }))
      .max(40)
      .default([]),
    /** Kept to begin others from: nothing has to use it. */
    template: z.boolean().default(false),
    start: ref('node'),
    nodes: z.array(ChartNode).min(1).max(2000),
    /** Where "cannot tell" leads, unless a node says otherwise. */
    cannotTell: ref('node').optional(),
    /** How often a walk may come through the same node before it is told to stop. */
    mostVisits: z.number().int().min(1).max(20).default(3),
    /** Where a walk that came round too often ends. */
    afterRetries: ref('node').optional(),
    source: ref('source').nullable(),
    standing: Standing,
  }),
);
export type Chart = z.infer<typeof Chart>;
