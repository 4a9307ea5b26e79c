import type { Entry, RevisionState } from '@wire-trail/core';

export type Shelved = Readonly<{ body: Entry; number: number; state: RevisionState; published: number | null }>;

export type RoomProps = Readonly<{ family: string; entries: readonly Shelved[]; writes: boolean }>;
