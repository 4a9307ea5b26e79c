import { z } from 'zod';
import { FamilyId } from '../base/ids.ts';
import { Entry } from './entry.ts';

export const bundleFormat = 'wire-trail/bundle';
export const bundleVersion = 1;

/** Present in a published bundle: which revision of every entry it pins. Absent in one kept by hand. */
export const Pinned = z.strictObject({
  hash: z.string().regex(/^[0-9a-f]{64}$/),
  publishedAt: z.iso.datetime(),
  /** By `kind:id`. */
  revisions: z.record(z.string(), z.number().int().positive()),
});

/** One family with everything it needs, library-wide entries included: one JSON document that stands on its own. */
export const Bundle = z.strictObject({
  format: z.literal(bundleFormat),
  version: z.literal(bundleVersion),
  family: FamilyId,
  pinned: Pinned.optional(),
  entries: z.array(Entry).min(1).max(20_000),
});
export type Bundle = z.infer<typeof Bundle>;
