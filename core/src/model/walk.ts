import { z } from 'zod';
import { Label, Prose, Scope } from '../base/text.ts';
import { Verdict } from './chart.ts';
import { CodeText } from './code.ts';
import { Attached, OptionName, SoftwareVersion } from './family.ts';
import { Seen } from './look.ts';
import { Proposal } from './proposal.ts';
import { defines, plain, ref, refOrText } from './reference.ts';
import { TakenReading } from './taken-reading.ts';

/** How a walk ended. */
export const Outcome = z.enum(['fixed', 'handed-on', 'nothing-found', 'left-limited', 'given-up']);
export type Outcome = z.infer<typeof Outcome>;

export const stations = ['unit', 'safe', 'enter', 'read', 'test', 'clear', 'prove'] as const;
export const Station = z.enum(stations);
export type Station = z.infer<typeof Station>;

/** One real unit, known by its serial number. */
export const Machine = z.strictObject({
  id: defines('machine'),
  family: ref('family'),
  serial: plain('a serial number', z.string().trim().min(1).max(60)),
  model: plain('a model number', z.string().trim().max(60)),
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

/** Why there is nothing to do at a station. */
export const reasonsToPass = ['no-mode', 'symptom-leads', 'no-readout', 'nothing-stored'] as const;
export const NothingToDo = z.enum(reasonsToPass);
export type NothingToDo = z.infer<typeof NothingToDo>;

/** When it happens, as customers tell it. */
export const complaintTimes = [
  'always',
  'now-and-then',
  'cold',
  'warm',
  'under-load',
  'at-start',
  'after-rain',
  'when-others-run',
] as const;
/** What was tried before anybody came. */
export const triedBefore = ['reset', 'unplugged', 'breaker-tripped', 'parts-changed', 'cleaned', 'moved'] as const;

/** What is done first for a code, where it is not tested first. */
export const FirstBy = z.enum(['reset', 'recalibrate']);
export type FirstBy = z.infer<typeof FirstBy>;

/** What Clear is made of, in the order of doing it. */
export const clearings = ['put-back', 'close-up', 'recalibrate', 'erase', 'leave', 'close-last'] as const;
export const Clearing = z.enum(clearings);
export type Clearing = z.infer<typeof Clearing>;

/** A picture of a walk goes with its events, over any line: so many characters and no more. */
export const mostPictureLength = 120_000;

const stamp = {
  id: defines('event'),
  walk: ref('walk'),
  /** Counts up from 0 on the device that made it. */
  seq: z.number().int().min(0).max(100_000),
  at: plain('a time', z.iso.datetime()),
  /** What the device's own clock said, where it was known to be wrong: `at` is set right. */
  saidAt: plain('a time', z.iso.datetime()).optional(),
};

/** What happened on a walk. Events are only ever added; taking one back is itself an event. */
export const WalkEvent = z.discriminatedUnion('kind', [
  z.strictObject({
    ...stamp,
    kind: z.literal('started'),
    family: ref('family'),
    bundle: plain('a hash', z.string().max(80)),
    from: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('code'), code: ref('code') }),
      z.strictObject({ kind: z.literal('symptom'), symptom: ref('symptom') }),
      z.strictObject({ kind: z.literal('panel') }),
      z.strictObject({ kind: z.literal('unlisted'), text: CodeText }),
    ]),
  }),
  z.strictObject({
    ...stamp,
    kind: z.literal('unit'),
    machine: ref('machine'),
    serial: plain('a serial number', z.string().trim().min(1).max(60)),
    /** The plate could not be read: the serial number is made up for now, and the walk asks for the real one later. */
    serialUnread: z.boolean().optional(),
    model: plain('a model number', z.string().trim().max(60)),
    software: SoftwareVersion.nullable(),
    variant: ref('variant').nullable(),
    /** Options read off the unit, such as fuel or motor make. */
    options: z.record(OptionName, Label).default({}),
    composition: z.array(Attached).max(60).default([]),
  }),
  /** What the customer says, and what was tried before anybody came. */
  z.strictObject({
    ...stamp,
    kind: z.literal('complaint'),
    says: Prose,
    since: Label.optional(),
    happens: z.array(z.enum(complaintTimes)).max(12).default([]),
    usedBy: Label.optional(),
    tried: z.array(z.enum(triedBefore)).max(12).default([]),
    /** Parts somebody else put in new. */
    partsChanged: z.array(ref('part')).max(40).default([]),
    /** Age in years or the year it was built, and a counter, as they were told. */
    age: Label.optional(),
    counter: Label.optional(),
  }),
  /** Beyond what this person may do: it is for whoever may. */
  z.strictObject({
    ...stamp,
    kind: z.literal('offered'),
    needs: Scope,
    /** The trades it takes, where any are named. */
    trades: z.array(Label).max(12).optional(),
    chart: ref('chart').nullable(),
    node: ref('node', 'chart').nullable(),
    what: Label,
  }),
  /** Somebody else goes on with it. */
  z.strictObject({ ...stamp, kind: z.literal('taken-over'), by: Label }),
  /** Something was ordered for it. */
  z.strictObject({
    ...stamp,
    kind: z.literal('ordered'),
    part: ref('part'),
    number: Label.nullable(),
    quantity: z.number().int().min(1).max(1000),
  }),
  z.strictObject({ ...stamp, kind: z.literal('safe'), hazards: z.array(ref('hazard')).max(40) }),
  z.strictObject({
    ...stamp,
    kind: z.literal('tried'),
    route: ref('route'),
    took: z.boolean(),
    /** What happened instead, and at which step, where somebody said so. */
    happened: Happened.optional(),
    step: plain('where a step stands', z.string().max(80)).optional(),
    /** What the beat was times the usual tempo. */
    pace: z.number().min(0.2).max(5).optional(),
    tookMs: z.number().min(0).max(86_400_000).optional(),
    /** Another route has to be gone before the unit is in its mode. */
    more: z.boolean().optional(),
  }),
  z.strictObject({
    ...stamp,
    kind: z.literal('tested'),
    mode: ref('mode'),
    number: ref('test', 'mode'),
    result: z.enum(['pass', 'fail', 'not-valid']),
    reading: TakenReading.nullable().default(null),
    /** Since the tests began, where they run by themselves. */
    afterMs: z.number().min(0).max(86_400_000).optional(),
  }),
  z.strictObject({
    ...stamp,
    kind: z.literal('setting'),
    setting: ref('setting'),
    did: z.enum(['noted', 'set', 'verified', 'put-back']),
    value: Label,
  }),
  z.strictObject({
    ...stamp,
    kind: z.literal('locked-out'),
    route: ref('route'),
    part: Label,
    count: z.number().int().min(0).max(100),
  }),
  z.strictObject({ ...stamp, kind: z.literal('skipped'), station: Station, why: Prose.min(1) }),
  /** There was nothing to do at a station. */
  z.strictObject({ ...stamp, kind: z.literal('passed'), station: Station, why: NothingToDo }),
  z.strictObject({
    ...stamp,
    kind: z.literal('seen'),
    readout: ref('readout'),
    /** Whose codes were read; left out where the readout has one controller only. */
    controller: ref('controller').optional(),
    seen: Seen,
    made: z
      .array(z.strictObject({ code: refOrText('code', z.string().max(64)), certainty: z.number().min(0).max(1) }))
      .max(20),
  }),
  z.strictObject({ ...stamp, kind: z.literal('special'), readout: ref('readout'), special: ref('special', 'readout') }),
  z.strictObject({
    ...stamp,
    kind: z.literal('code-taken'),
    code: ref('code'),
    slot: z.number().int().min(1).max(100),
    readout: ref('readout').optional(),
    controller: ref('controller').optional(),
    /** The controller that has to say the same before testing starts. */
    confirmAt: ref('controller').optional(),
    /** There is more to read before the walk goes on. */
    more: z.boolean().optional(),
  }),
  /** A controller was asked for its codes. */
  z.strictObject({
    ...stamp,
    kind: z.literal('swept'),
    controller: ref('controller'),
    result: z.enum(['codes', 'nothing-stored', 'no-answer']),
  }),
  /** The authoritative controller was asked whether it says the same. */
  z.strictObject({ ...stamp, kind: z.literal('confirmed'), controller: ref('controller'), agrees: z.boolean() }),
  /** Everything that shows has been read; the code the walk goes on with. */
  z.strictObject({ ...stamp, kind: z.literal('read-done'), code: ref('code').nullable() }),
  z.strictObject({ ...stamp, kind: z.literal('unlisted'), text: CodeText, words: Prose, ask: z.boolean() }),
  /** No code explains it, and something is wrong all the same: the walk goes on with a symptom. */
  z.strictObject({ ...stamp, kind: z.literal('symptom-taken'), symptom: ref('symptom') }),
  z.strictObject({
    ...stamp,
    kind: z.literal('answered'),
    chart: ref('chart'),
    node: ref('node', 'chart'),
    answer: Label,
    reading: TakenReading.nullable(),
    /** Why it was not done, where the walk went on as if the answer had been given. */
    skipped: Prose.min(1).optional(),
  }),
  /** The same step at another one of its kind, for laying them side by side. */
  z.strictObject({
    ...stamp,
    kind: z.literal('beside'),
    chart: ref('chart'),
    node: ref('node', 'chart'),
    /** Which one: a module, a twin, the unit next to it. */
    one: Label,
    /** Whether that one is known to work; null where nobody knows. */
    isGood: z.boolean().nullable(),
    reading: TakenReading,
  }),
  /** Offered to the library: this worked. */
  z.strictObject({ ...stamp, kind: z.literal('proposed'), offer: Proposal, words: Prose }),
  /** A suspect seen on the way, which the question at hand is not about. */
  z.strictObject({
    ...stamp,
    kind: z.literal('suspected'),
    chart: ref('chart'),
    node: ref('node', 'chart'),
    part: ref('part').nullable(),
    text: Prose.min(1),
  }),
  /** A wait has begun: it is over so long after the event's own time, wherever the walk is looked at. */
  z.strictObject({
    ...stamp,
    kind: z.literal('timer'),
    of: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('node'), chart: ref('chart'), node: ref('node', 'chart') }),
      z.strictObject({ kind: z.literal('prove') }),
    ]),
    ms: z.number().positive().max(2_592_000_000),
  }),
  /** Left limited, or not put back: it is somebody's to do until it is put back. */
  z.strictObject({
    ...stamp,
    kind: z.literal('owed'),
    what: Prose.min(1),
    by: plain('a date', z.iso.date()).nullable(),
    /** Who puts it back. */
    who: Label.optional(),
    /** What of the list of changes is left so. */
    left: plain('what was changed', z.string().min(1).max(200)).optional(),
  }),
  /** What was owed on this walk, or on an earlier one of the same machine, is as it should be. */
  z.strictObject({
    ...stamp,
    kind: z.literal('put-back'),
    of: ref('walk'),
    what: plain('what was owed', z.string().min(1).max(200)),
  }),
  /**
   * A code was reset, or what it may come from was recalibrated, before anything was tested; and whether it came back, null
   * while that is waited for.
   */
  z.strictObject({
    ...stamp,
    kind: z.literal('reset-first'),
    code: ref('code'),
    by: FirstBy.default('reset'),
    returned: z.boolean().nullable(),
  }),
  /** A picture or a clip of a few seconds, kept small, with the step it was taken at. */
  z.strictObject({
    ...stamp,
    kind: z.literal('pictured'),
    station: Station,
    chart: ref('chart').nullable(),
    node: ref('node', 'chart').nullable(),
    words: Prose,
    type: z.enum(['image/jpeg', 'video/webm']),
    data: plain('a picture', z.base64().min(1).max(mostPictureLength)),
  }),
  /** Something was changed by hand that nothing else tells of: a tap, a fuse, a set point, an output. */
  z.strictObject({ ...stamp, kind: z.literal('changed'), what: Prose.min(1) }),
  z.strictObject({ ...stamp, kind: z.literal('noted'), text: Prose.min(1) }),
  /** A chart came to its end; without a verdict where it ends openly. */
  z.strictObject({
    ...stamp,
    kind: z.literal('chart-ended'),
    chart: ref('chart'),
    node: ref('node', 'chart').nullable(),
    verdict: Verdict.nullable(),
    cause: ref('part').nullable(),
    /** Other codes that were read are still open: testing goes on. */
    more: z.boolean().optional(),
  }),
  /** Of several codes that were read, one is done with: tested, or left for later with a reason. */
  z.strictObject({
    ...stamp,
    kind: z.literal('code-settled'),
    code: ref('code'),
    as: z.enum(['tested', 'deferred']),
    why: Prose,
    /** The code the walk goes on with; null where it stays with its own. */
    next: ref('code').nullable().default(null),
    /** Others are still open. */
    more: z.boolean().optional(),
  }),
  z.strictObject({ ...stamp, kind: z.literal('clear-step'), did: Clearing }),
  z.strictObject({ ...stamp, kind: z.literal('cleared'), route: ref('route').nullable() }),
  z.strictObject({ ...stamp, kind: z.literal('waits'), until: plain('a date', z.iso.date()), why: Prose }),
  z.strictObject({ ...stamp, kind: z.literal('resumed') }),
  z.strictObject({
    ...stamp,
    kind: z.literal('reading-after'),
    chart: ref('chart'),
    node: ref('node', 'chart'),
    reading: TakenReading,
  }),
  z.strictObject({
    ...stamp,
    kind: z.literal('proved'),
    returned: z.boolean(),
    cycles: z.number().int().min(0).max(10_000),
    /** Which of several codes came back. */
    which: z.array(ref('code')).max(40).optional(),
  }),
  z.strictObject({
    ...stamp,
    kind: z.literal('closed'),
    outcome: Outcome,
    fixedBy: Prose,
  }),
  z.strictObject({ ...stamp, kind: z.literal('taken-back'), event: ref('event') }),
]);
export type WalkEvent = z.infer<typeof WalkEvent>;
export type WalkEventOf<K extends WalkEvent['kind']> = Extract<WalkEvent, { kind: K }>;
