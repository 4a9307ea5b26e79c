import { z } from 'zod';
import { ChartId, FamilyId } from '../base/ids.ts';
import { Change } from '../model/change.ts';
import { Entry, EntryKey, EntryKind } from '../model/entry.ts';
import { Problem } from '../model/problem.ts';
import { RevisionState } from '../model/revision.ts';
import { RefusalCode } from './problem.ts';
import { Counted, declare, Scope } from './route.ts';

export const Revision = z.strictObject({
  number: z.number(),
  state: RevisionState,
  note: z.string(),
  basedOn: z.number().nullable(),
  author: z.string().nullable(),
  savedAt: z.string(),
});
export type Revision = Readonly<z.infer<typeof Revision>>;
const RevisionWithBody = Revision.extend({ body: Entry });
export type RevisionWithBody = Readonly<z.infer<typeof RevisionWithBody>>;

/** The newest revision of an entry, as a trainer works on it. */
export const Working = z.strictObject({
  family: FamilyId.nullable(),
  kind: EntryKind,
  id: z.string(),
  title: z.string(),
  number: z.number(),
  state: RevisionState,
  published: z.number().nullable(),
  body: Entry,
});
export type Working = Readonly<z.infer<typeof Working>>;

/** An entry with its history: the newest revision, the published one, what differs, and what names it. */
const EntryView = z.strictObject({
  key: EntryKey,
  latest: RevisionWithBody,
  published: RevisionWithBody.nullable(),
  changes: z.array(Change),
  history: z.array(
    Revision.extend({ review: z.strictObject({ by: z.string().nullable(), ownReview: z.boolean() }).nullable() }),
  ),
  usedBy: z.array(z.strictObject({ kind: EntryKind, id: z.string(), title: z.string() })),
});
export type EntryView = Readonly<z.infer<typeof EntryView>>;

/** Long work of the server: how far it got, and what became of it. */
export const Job = z.strictObject({
  id: z.uuid(),
  state: z.enum(['running', 'done', 'failed', 'cancelled']),
  done: z.number(),
  total: z.number(),
  result: z
    .strictObject({
      saved: z.array(z.strictObject({ key: EntryKey, number: z.number() })),
      setId: z.number().nullable(),
    })
    .nullable(),
  problem: z
    .strictObject({ code: RefusalCode, detail: z.string().nullable(), fields: z.array(Problem).readonly() })
    .nullable(),
});
export type Job = Readonly<z.infer<typeof Job>>;

const Address = z.strictObject({ family: Scope, kind: EntryKind, id: z.string().min(1).max(64) });
const JobId = z.strictObject({ id: z.uuid() });
const note = z.string().max(1000);
const basedOn = z.number().int().min(0);

/** Entries as trainers work on them: revisions, drafts, and long work on many at once. */
export const entries = {
  library: declare({
    method: 'get',
    path: '/library/working',
    role: 'trainer',
    summary: 'The newest revision of everything the whole library shares.',
    answer: z.array(Working),
  }),
  working: declare({
    method: 'get',
    path: '/families/:family/working',
    role: 'trainer',
    summary: 'The newest revision of every entry of a family, and of what the library shares.',
    params: z.strictObject({ family: FamilyId }),
    answer: z.array(Working),
    refusals: ['not-found'],
  }),
  chartUses: declare({
    method: 'get',
    path: '/charts/:id/uses',
    role: 'trainer',
    summary: 'What a change of a shared chart touches, in every family.',
    params: z.strictObject({ id: ChartId }),
    answer: z.array(
      z.strictObject({
        kind: z.enum(['code', 'symptom', 'chart', 'route']),
        id: z.string(),
        family: z.string().nullable(),
        through: ChartId.nullable(),
        title: z.string(),
      }),
    ),
  }),
  entry: declare({
    method: 'get',
    path: '/families/:family/entries/:kind/:id',
    role: 'trainer',
    summary: 'An entry with its history, what differs from the published revision, and what names it.',
    params: Address,
    answer: EntryView,
    refusals: ['not-found'],
  }),
  revision: declare({
    method: 'get',
    path: '/families/:family/entries/:kind/:id/revisions/:number',
    role: 'trainer',
    summary: 'One revision.',
    params: Address.extend({ number: Counted }),
    answer: RevisionWithBody,
    refusals: ['not-found'],
  }),
  saveDraft: declare({
    method: 'put',
    path: '/families/:family/entries/:kind/:id/draft',
    role: 'trainer',
    summary:
      'Save a draft revision on top of the one it was based on (0 for a new entry). 409 with both versions when stale.',
    params: Address,
    body: z.strictObject({ basedOn, note, body: z.unknown() }),
    answer: RevisionWithBody,
    status: 201,
    refusals: ['not-found', 'stale-save'],
  }),
  saveDrafts: declare({
    method: 'post',
    path: '/drafts',
    role: 'trainer',
    summary: 'Save many drafts at once, all or nothing, as a job; with `submit` they go to a reviewer as one set.',
    body: z.strictObject({
      note,
      submit: z.string().min(1).max(200).nullable(),
      items: z
        .array(z.strictObject({ basedOn, body: z.unknown() }))
        .min(1)
        .max(20_000),
    }),
    answer: Job,
    status: 202,
    large: true,
  }),
  discard: declare({
    method: 'post',
    path: '/drafts/discard',
    role: 'trainer',
    summary: 'Take back entries that were never published, with their drafts; all of them or none.',
    body: z.strictObject({ items: z.array(EntryKey).min(1).max(20_000) }),
    answer: z.strictObject({ discarded: z.number() }),
    refusals: ['not-found', 'wrong-state'],
  }),
  job: declare({
    method: 'get',
    path: '/jobs/:id',
    role: 'trainer',
    summary: 'How far a long piece of one’s own work got, and what became of it.',
    params: JobId,
    answer: Job,
    refusals: ['not-found'],
  }),
  cancelJob: declare({
    method: 'delete',
    path: '/jobs/:id',
    role: 'trainer',
    summary: 'Stop it. What it had written is rolled back.',
    params: JobId,
    answer: Job,
    refusals: ['not-found'],
  }),
} as const;
