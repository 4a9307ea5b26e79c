import { z } from 'zod';
import { FamilyId } from '../base/ids.ts';
import { EntryKey } from '../model/entry.ts';
import { Attached } from '../model/family.ts';
import { EarlierReading, Owed } from '../model/machine-past.ts';
import { Problem } from '../model/problem.ts';
import { Proposal } from '../model/proposal.ts';
import { Outcome, Station, WalkEvent } from '../model/walk.ts';
import { declare } from './route.ts';

const words = z.string().nullable();
const State = z.enum(['open', 'waiting', 'closed', 'offered']);

/** A walk as the log lists it. */
export const WalkLine = z.strictObject({
  id: z.string(),
  family: FamilyId.nullable(),
  serial: words,
  model: words,
  software: words,
  by: z.string(),
  state: State,
  code: words,
  station: Station,
  outcome: Outcome.nullable(),
  fixedBy: words,
  startedAt: words,
  lastAt: words,
  waitingUntil: words,
});
export type WalkLine = Readonly<z.infer<typeof WalkLine>>;

/** A code the field found unlisted and asks about. */
export const Question = z.strictObject({
  id: z.string(),
  walk: z.string(),
  family: FamilyId.nullable(),
  text: z.string(),
  words: z.string(),
  by: z.string(),
  askedAt: z.string(),
});
export type Question = Readonly<z.infer<typeof Question>>;

/** What was ordered on a walk. */
export const OrderedLine = z.strictObject({
  walk: z.string(),
  family: FamilyId.nullable(),
  serial: words,
  model: words,
  software: words,
  part: z.string(),
  number: words,
  quantity: z.number(),
  by: z.string(),
  at: z.string(),
});
export type OrderedLine = Readonly<z.infer<typeof OrderedLine>>;

/** What somebody offered the library from a walk, and what became of it. */
export const OfferedLine = z.strictObject({
  id: z.string(),
  walk: z.string(),
  family: FamilyId,
  offer: Proposal,
  words: z.string(),
  by: z.string(),
  at: z.string(),
  serial: words,
  model: words,
  software: words,
  settled: z.strictObject({ as: z.enum(['taken', 'declined']), answer: z.string(), by: z.string() }).nullable(),
});
export type OfferedLine = Readonly<z.infer<typeof OfferedLine>>;

/** A machine as it was seen last. */
export const SeenMachine = z.strictObject({
  id: z.string(),
  family: FamilyId,
  serial: z.string(),
  model: z.string(),
  software: words,
  variant: words,
  options: z.record(z.string(), z.string()),
  composition: z.array(Attached),
  lastSeenAt: z.string(),
});
export type SeenMachine = Readonly<z.infer<typeof SeenMachine>>;

/** How often a route was tried in the field, and how often it took. */
/** How often a route was tried and took, and what the others failed by, as far as somebody said. */
export const Tried = z.strictObject({
  route: z.string(),
  took: z.number(),
  of: z.number(),
  wrong: z.strictObject({ pace: z.number(), count: z.number(), elsewhere: z.number() }),
});
export type Tried = z.infer<typeof Tried>;

/** What became of each event that was handed over. */
export const EventsTaken = z.strictObject({
  stored: z.array(z.string()),
  known: z.array(z.string()),
  refused: z.array(z.strictObject({ index: z.number(), id: words, fields: z.array(Problem) })),
});
export type EventsTaken = Readonly<z.infer<typeof EventsTaken>>;

/** A place in the log: a moment, and the walk that stands there. */
const LogPlace = z.string().regex(/^\d{4}-[\dT:.-]+Z_[0-9a-f-]{36}$/);
const ById = z.strictObject({ id: z.uuid() });

/** Walks, the machines they were on, and what the field asks. */
export const walks = {
  takeEvents: declare({
    method: 'post',
    path: '/events',
    role: 'technician',
    summary: 'Hand over what happened on walks. Sent twice, stored once; each event is judged on its own.',
    body: z.strictObject({ events: z.array(z.unknown()).min(1).max(500) }),
    answer: EventsTaken,
  }),
  walks: declare({
    method: 'get',
    path: '/walks',
    role: 'technician',
    summary: 'A page of the log, newest first: one’s own walks; for trainers, everybody’s.',
    query: z.strictObject({
      family: FamilyId.optional(),
      /** `unfinished`: open or waiting. `offered`: everybody’s that wait for somebody who may do what comes next. */
      state: State.or(z.literal('unfinished')).optional(),
      /** One's own only, also for a trainer. */
      mine: z.literal('yes').optional(),
      serial: z.string().max(60).optional(),
      /** The beginning of a serial number, a model, a code or a name. */
      find: z.string().trim().min(1).max(60).optional(),
      /** Where the page before ended. */
      before: LogPlace.optional(),
    }),
    answer: z.strictObject({ walks: z.array(WalkLine), next: LogPlace.nullable() }),
  }),
  walk: declare({
    method: 'get',
    path: '/walks/:id',
    role: 'technician',
    summary: 'Every event of a walk.',
    params: ById,
    answer: z.strictObject({ id: z.string(), mine: z.boolean(), events: z.array(WalkEvent) }),
    refusals: ['not-found'],
  }),
  takeOver: declare({
    method: 'post',
    path: '/walks/:id/take-over',
    role: 'technician',
    summary: 'Go on with a walk that waits for somebody who may do what comes next; it is one’s own from then on.',
    params: ById,
    refusals: ['not-found', 'wrong-state', 'not-allowed'],
  }),
  orders: declare({
    method: 'get',
    path: '/orders',
    role: 'technician',
    summary:
      'What was put into the order mailbox, newest first: one’s own; for trainers, everybody’s. Nothing leaves the machine.',
    answer: z.array(OrderedLine),
  }),
  proposals: declare({
    method: 'get',
    path: '/proposals',
    role: 'technician',
    summary:
      'What the field offers the library: for trainers what is not settled yet, else one’s own with what became of it.',
    query: z.strictObject({ mine: z.literal('yes').optional() }),
    answer: z.array(OfferedLine),
  }),
  settleProposal: declare({
    method: 'post',
    path: '/proposals/:id/settle',
    role: 'trainer',
    summary: 'Take what was offered into drafts, beside what is there, or decline it with a word.',
    params: ById,
    body: z.strictObject({ as: z.enum(['taken', 'declined']), answer: z.string().trim().max(2000) }),
    answer: z.strictObject({ drafts: z.array(EntryKey) }),
    refusals: ['not-found', 'wrong-state'],
  }),
  tries: declare({
    method: 'get',
    path: '/families/:family/tries',
    role: 'trainer',
    summary: 'How often each route was tried in the field, and how often it took: what calibrates the model of hands.',
    params: z.strictObject({ family: FamilyId }),
    answer: z.array(Tried),
  }),
  machine: declare({
    method: 'get',
    path: '/machines/:family/:serial',
    role: 'technician',
    summary:
      'A machine by its serial number, with its earlier walks, what was left limited or not put back, and what was measured.',
    params: z.strictObject({ family: FamilyId, serial: z.string().min(1).max(60) }),
    answer: z.strictObject({
      machine: SeenMachine.nullable(),
      walks: z.array(WalkLine),
      ledger: z.array(Owed),
      readings: z.array(EarlierReading),
    }),
  }),
  questions: declare({
    method: 'get',
    path: '/questions',
    role: 'trainer',
    summary: 'Codes the field found unlisted and asks about.',
    answer: z.array(Question),
  }),
  settle: declare({
    method: 'post',
    path: '/questions/:id/settle',
    role: 'trainer',
    summary: 'Settle a question with an answer.',
    params: ById,
    body: z.strictObject({ answer: z.string().trim().min(1).max(4000) }),
    refusals: ['not-found'],
  }),
} as const;
