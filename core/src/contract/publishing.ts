import { z } from 'zod';
import { FamilyId } from '../base/ids.ts';
import { Accepted } from '../model/accepted.ts';
import { Change } from '../model/change.ts';
import { Entry, EntryKey } from '../model/entry.ts';
import { severities } from '../model/finding.ts';
import { ChangeSetState } from '../model/revision.ts';
import { Station } from '../model/walk.ts';
import { Counted, declare } from './route.ts';

/** Drafts that belong together, on their way to technicians. */
export const ChangeSet = z.strictObject({
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

/** A loose end, said in words, with where it is mended. */
export const FindingView = z.strictObject({
  code: z.string(),
  severity: z.enum(severities),
  words: z.string(),
  station: Station,
  entry: EntryKey.nullable(),
  at: z.array(z.union([z.string(), z.number()])).readonly(),
  /** What was found, for accepting just that; empty where it may not be accepted. */
  facts: z.string(),
  /** Who let it stand, and why; null where it is open. */
  accepted: Accepted.pick({ reason: true, by: true, on: true }).nullable(),
  /** What can be done about it in one go, in words; where there are several, one of them is right. */
  mends: z.array(z.string()),
});

/** A review is no longer than this. */
export const mostReviewLetters = 16_000;

const ChangeSetId = z.strictObject({ id: Counted });
/** What a reviewer says: of all of it, and of single entries (`readReviewNote`). */
const Note = z.strictObject({ note: z.string().max(mostReviewLetters) });

/** Handing in, reviewing and publishing. */
export const publishing = {
  submit: declare({
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
    answer: z.strictObject({ id: z.number() }),
    status: 201,
    refusals: ['not-found', 'wrong-state'],
  }),
  changeSets: declare({
    method: 'get',
    path: '/publish-sets',
    role: 'trainer',
    summary: 'Publish sets, newest first.',
    query: z.strictObject({ state: ChangeSetState.optional() }),
    answer: z.array(ChangeSet),
  }),
  changeSet: declare({
    method: 'get',
    path: '/publish-sets/:id',
    role: 'trainer',
    summary: 'A set with what each revision changes against the published one.',
    params: ChangeSetId,
    answer: ChangeSet.extend({
      items: z.array(
        z.strictObject({
          key: EntryKey,
          number: z.number(),
          published: z.number().nullable(),
          /** The revision it is compared with: what is published, or was before this; null where nothing was. */
          before: z.number().nullable(),
          body: Entry,
          changes: z.array(Change),
        }),
      ),
    }),
    refusals: ['not-found'],
  }),
  publish: declare({
    method: 'post',
    path: '/publish-sets/:id/publish',
    role: 'reviewer',
    summary: 'Publish a set, all or nothing. Not by its author, unless the settings allow it.',
    params: ChangeSetId,
    body: Note,
    answer: z.strictObject({ families: z.array(FamilyId), ownReview: z.boolean() }),
    refusals: ['not-found', 'wrong-state', 'own-review', 'overtaken', 'publish-blocked'],
  }),
  giveBack: declare({
    method: 'post',
    path: '/publish-sets/:id/return',
    role: 'trainer',
    summary: 'Give a set back (reviewer) or take it back (author); its revisions are drafts again.',
    params: ChangeSetId,
    body: Note,
    refusals: ['not-found', 'wrong-state'],
  }),
  findings: declare({
    method: 'get',
    path: '/families/:family/findings',
    role: 'trainer',
    summary:
      'Loose ends of a family as it stands with its newest drafts, gravest first; with those that were accepted.',
    params: z.strictObject({ family: FamilyId }),
    answer: z.array(FindingView),
    refusals: ['not-found'],
  }),
  mend: declare({
    method: 'post',
    path: '/families/:family/mends',
    role: 'trainer',
    summary:
      'What a mend of a loose end comes to: the entries as they are then, on which revisions, and what would be found then. Nothing is saved.',
    params: z.strictObject({ family: FamilyId }),
    body: FindingView.pick({ code: true, entry: true, at: true }).extend({ words: z.string(), mend: z.string() }),
    answer: z.strictObject({
      items: z.array(z.strictObject({ basedOn: z.number().int().min(0), body: Entry })),
      /** Whether the loose end is gone then. */
      isGone: z.boolean(),
      /** What is found then that was not before. */
      brings: z.array(z.strictObject({ severity: z.enum(severities), words: z.string() })),
    }),
    refusals: ['not-found'],
  }),
} as const;
