import { z } from 'zod';

export const SchoolSettings = z.strictObject({
  schoolName: z.string().trim().min(1).max(120),
  /** The author may publish: for a school of one. The history says so. */
  ownReview: z.boolean(),
});
export type SchoolSettings = z.infer<typeof SchoolSettings>;
