import { z } from 'zod';

/** Why a document or a request was refused, at its place. */
export const Problem = z.strictObject({
  path: z.array(z.union([z.string(), z.number()])).readonly(),
  reason: z.string(),
});
export type Problem = Readonly<z.infer<typeof Problem>>;
