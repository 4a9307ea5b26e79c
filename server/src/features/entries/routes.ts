import { ChartId, Entry, EntryKey, EntryKind, FamilyId, RevisionState } from '@wire-trail/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { Job } from '../jobs/routes.ts';
import {
  chartUses,
  discardDrafts,
  libraryEntries,
  readEntry,
  readRevision,
  saveDraft,
  saveDrafts,
  workingEntries,
} from './service.ts';

/** In addresses the library, which is no family, is called so. */
export const libraryName = 'library';
const Scope = z.union([z.literal(libraryName).transform(() => null), FamilyId]);

const Address = z.object({ family: Scope, kind: EntryKind, id: z.string().min(1).max(64) });
const RevisionView = z.strictObject({
  number: z.number(),
  state: RevisionState,
  note: z.string(),
  basedOn: z.number().nullable(),
  author: z.string().nullable(),
  savedAt: z.string(),
});
const WithBody = RevisionView.extend({ body: Entry });
const Change = z.strictObject({
  kind: z.enum(['changed', 'added', 'removed', 'moved']),
  at: z.array(z.union([z.string(), z.number()])),
  from: z.unknown().optional(),
  to: z.unknown().optional(),
  what: z.unknown().optional(),
});

const Working = z.array(
  z.strictObject({
    family: FamilyId.nullable(),
    kind: EntryKind,
    id: z.string(),
    title: z.string(),
    number: z.number(),
    state: z.string(),
    published: z.number().nullable(),
    body: Entry,
  }),
);

export const entryRoutes = [
  route({
    method: 'get',
    path: '/library/working',
    role: 'trainer',
    summary: 'The newest revision of everything the whole library shares.',
    response: Working,
    handle: ({ services }) => libraryEntries(services),
  }),
  route({
    method: 'get',
    path: '/charts/:id/uses',
    role: 'trainer',
    summary: 'What a change of a shared chart touches, in every family.',
    params: z.object({ id: ChartId }),
    response: z.array(
      z.strictObject({
        kind: z.enum(['code', 'symptom', 'chart', 'route']),
        id: z.string(),
        family: z.string().nullable(),
        through: z.string().nullable(),
        title: z.string(),
      }),
    ),
    handle: ({ params, services }) => chartUses(params.id, services),
  }),
  route({
    method: 'post',
    path: '/drafts/discard',
    role: 'trainer',
    summary: 'Take back entries that were never published, with their drafts; all of them or none.',
    body: z.strictObject({ items: z.array(EntryKey).min(1).max(20_000) }),
    response: z.strictObject({ discarded: z.number() }),
    handle: ({ body, services }) => discardDrafts(body.items, services),
  }),
  route({
    method: 'post',
    path: '/drafts',
    role: 'trainer',
    summary: 'Save many drafts at once, all or nothing, as a job; with `submit` they go to a reviewer as one set.',
    body: z.strictObject({
      note: z.string().max(1000),
      submit: z.string().min(1).max(200).nullable(),
      items: z
        .array(z.strictObject({ basedOn: z.number().int().min(0), body: z.unknown() }))
        .min(1)
        .max(20_000),
    }),
    response: Job,
    status: 202,
    largeBody: true,
    handle: async ({ body, user, services }) => saveDrafts({ ...body, user }, services),
  }),
  route({
    method: 'get',
    path: '/families/:family/working',
    role: 'trainer',
    summary: 'The newest revision of every entry of a family, and of what the library shares.',
    params: z.object({ family: FamilyId }),
    response: Working,
    handle: ({ params, services }) => workingEntries(params.family, services),
  }),
  route({
    method: 'get',
    path: '/families/:family/entries/:kind/:id',
    role: 'trainer',
    summary: 'An entry with its history, what differs from the published revision, and what names it.',
    params: Address,
    response: z.strictObject({
      key: EntryKey,
      latest: WithBody,
      published: WithBody.nullable(),
      changes: z.array(Change),
      history: z.array(
        RevisionView.extend({
          review: z.strictObject({ by: z.string().nullable(), ownReview: z.boolean() }).nullable(),
        }),
      ),
      usedBy: z.array(z.strictObject({ kind: EntryKind, id: z.string(), title: z.string() })),
    }),
    handle: ({ params, services }) => readEntry(params, services),
  }),
  route({
    method: 'get',
    path: '/families/:family/entries/:kind/:id/revisions/:number',
    role: 'trainer',
    summary: 'One revision.',
    params: Address.extend({ number: z.coerce.number().int().positive() }),
    response: WithBody,
    handle: ({ params: { number, ...key }, services }) => readRevision(key, number, services),
  }),
  route({
    method: 'put',
    path: '/families/:family/entries/:kind/:id/draft',
    role: 'trainer',
    summary:
      'Save a draft revision on top of the one it was based on (0 for a new entry). 409 with both versions when stale.',
    params: Address,
    body: z.strictObject({ basedOn: z.number().int().min(0), note: z.string().max(1000), body: z.unknown() }),
    response: WithBody,
    status: 201,
    handle: ({ params, body, user, services }) => saveDraft({ key: params, ...body, user }, services),
  }),
];
