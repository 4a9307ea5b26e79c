import type { ChangeSetState, RevisionState } from '../model/revision.ts';

/** What a revision is called on its way. */
export const revisionStateWords: Readonly<Record<RevisionState, string>> = {
  draft: 'draft',
  'in-review': 'in review',
  published: 'published',
  retired: 'retired',
};

/** What a change set is called on its way. */
export const changeSetStateWords: Readonly<Record<ChangeSetState, string>> = {
  'in-review': 'in review',
  published: 'published',
  returned: 'returned',
  withdrawn: 'withdrawn',
};
