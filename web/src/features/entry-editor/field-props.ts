import type { Entry } from '@wire-trail/core';
import type { Described } from '../../foundation/entry-draft-slice.ts';

export type FieldProps = Readonly<{
  body: Described;
  bodies: { entries: Entry[] };
  edit: (change: Partial<Described>, about: string) => void;
  wrong: (path: string) => string | null;
}>;
