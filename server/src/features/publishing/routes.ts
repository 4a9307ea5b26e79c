import { ChangeSetState, Entry, EntryKey, FamilyId, stations } from '@wire-trail/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { findingsOf, publishChangeSet, readChangeSet, returnChangeSet, sets, submit } from './service.ts';

const ChangeSetId = z.object({ id: z.coerce.number().int().positive() });
const ChangeSetView = z.strictObject({
  id: z.number(),
  title: z.string(),
  state: ChangeSetState,
  author: z.string().nullable(),
  authorId: z.number().nullable(),
  submittedAt: z.string(),
  reviewer: z.string().nullable(),
  reviewedAt: z.string().nullable(),
  ownReview: z.boolean(),
  note: z.string(),
});
const Note = z.strictObject({ note: z.string().max(1000) });

export const publishingRoutes = [
  route({
    method: 'post',
    path: '/publish-sets',
    role: 'trainer',
    summary: 'Submit drafts that belong together for review.',
    body: z.strictObject({
      title: z.string().trim().min(1).max(255),
      items: z
        .array(EntryKey.extend({ number: z.number().int().positive() }))
        .min(1)
        .max(500),
    }),
    response: z.strictObject({ id: z.number() }),
    status: 201,
    handle: ({ body, user, services }) => submit({ ...body, user }, services),
  }),
  route({
    method: 'get',
    path: '/publish-sets',
    role: 'trainer',
    summary: 'Publish sets, newest first.',
    query: z.object({ state: ChangeSetState.optional() }),
    response: z.array(ChangeSetView),
    handle: ({ query, services }) => sets(query.state, services),
  }),
  route({
    method: 'get',
    path: '/publish-sets/:id',
    role: 'trainer',
    summary: 'A set with what each revision changes against the published one.',
    params: ChangeSetId,
    response: ChangeSetView.extend({
      items: z.array(
        z.strictObject({
          key: EntryKey,
          number: z.number(),
          published: z.number().nullable(),
          body: Entry,
          changes: z.array(z.unknown()),
        }),
      ),
    }),
    handle: ({ params, services }) => readChangeSet(params.id, services),
  }),
  route({
    method: 'post',
    path: '/publish-sets/:id/publish',
    role: 'reviewer',
    summary: 'Publish a set, all or nothing. Not by its author, unless the settings allow it.',
    params: ChangeSetId,
    body: Note,
    response: z.strictObject({ families: z.array(FamilyId), ownReview: z.boolean() }),
    handle: ({ params, body, user, services }) => publishChangeSet(params.id, { user, note: body.note }, services),
  }),
  route({
    method: 'post',
    path: '/publish-sets/:id/return',
    role: 'trainer',
    summary: 'Give a set back (reviewer) or take it back (author); its revisions are drafts again.',
    params: ChangeSetId,
    body: Note,
    handle: ({ params, body, user, services }) => returnChangeSet(params.id, { user, note: body.note }, services),
  }),
  route({
    method: 'get',
    path: '/families/:family/findings',
    role: 'trainer',
    summary: 'Loose ends of a family as it stands with its newest drafts, gravest first.',
    params: z.object({ family: FamilyId }),
    response: z.array(
      z.strictObject({
        code: z.string(),
        severity: z.string(),
        words: z.string(),
        station: z.enum(stations),
        entry: EntryKey.nullable(),
        at: z.array(z.union([z.string(), z.number()])),
      }),
    ),
    handle: ({ params, services }) => findingsOf(params.family, services),
  }),
];
