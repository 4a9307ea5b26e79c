import type { Entry } from '@wire-trail/core';
import type { RevisionState } from '../../foundation/api.ts';

export type Shelved = Readonly<{ body: Entry; number: number; state: RevisionState; published: number | null }>;

export type RoomProps = Readonly<{ family: string; entries: readonly Shelved[]; writes: boolean }>;
