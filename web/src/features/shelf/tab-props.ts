import type { Entry, RevisionState } from '@wire-trail/core';

export type Shelved = Readonly<{ body: Entry; number: number; state: RevisionState; published: number | null }>;

export type TabProps = Readonly<{ family: string; entries: readonly Shelved[]; writes: boolean }>;
