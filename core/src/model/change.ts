import { z } from 'zod';

const at = z.array(z.union([z.string(), z.number()])).readonly();

/** One edit as a value: what stood at a place and what stands there now. Undo, revision diff and audit share it. */
export const Change = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('changed'), at, from: z.unknown(), to: z.unknown() }),
    z.strictObject({ kind: z.literal('added'), at, to: z.unknown() }),
    z.strictObject({ kind: z.literal('removed'), at, from: z.unknown() }),
    /** An element of the list at `at` changed its place; `what` is the element. */
    z.strictObject({ kind: z.literal('moved'), at, from: z.number(), to: z.number(), what: z.unknown() }),
  ])
  .readonly();
export type Change = z.infer<typeof Change>;
