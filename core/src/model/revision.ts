import { z } from 'zod';

/** A revision of an entry on its way: written, waiting for a reviewer, the one technicians get, and one they got before. */
export const revisionStates = ['draft', 'in-review', 'published', 'retired'] as const;
export const RevisionState = z.enum(revisionStates);
export type RevisionState = z.infer<typeof RevisionState>;

/** A change set: waiting for a reviewer, published as a whole, given back with a word, or taken back by its author. */
export const changeSetStates = ['in-review', 'published', 'returned', 'withdrawn'] as const;
export const ChangeSetState = z.enum(changeSetStates);
export type ChangeSetState = z.infer<typeof ChangeSetState>;
