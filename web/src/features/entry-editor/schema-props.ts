import type { z } from 'zod';
import type { Path, SchemaContext } from './choices.ts';

/** What a field of a form that is read off a schema is given. */
export type FieldProps = Readonly<{
  schema: z.ZodType;
  value: unknown;
  path: Path;
  label: string;
  context: SchemaContext;
  /** `about` names the place typed into, so that a word is one step to undo; empty for adding, removing, choosing. */
  onChange: (value: unknown, about: string) => void;
}>;
