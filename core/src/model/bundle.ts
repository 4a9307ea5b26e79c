import { z } from 'zod';
import { Entry } from './entry.ts';
import { plain, ref } from './reference.ts';

export const bundleFormat = 'wire-trail/bundle';
export const bundleVersion = 1;

/** Present in a published bundle: which revision of every entry it pins. Absent in one kept by hand. */
export const Pinned = z.strictObject({
  hash: plain('a hash', z.string().regex(/^[0-9a-f]{64}$/)),
  publishedAt: plain('a time', z.iso.datetime()),
  /** By `kind:id`. */
  revisions: z.record(plain('what was published', z.string()), z.number().int().positive()),
});

/** More entries than this are no one family. */
export const mostEntries = 20_000;

/** One family with everything it needs, library-wide entries included: one JSON document that stands on its own. */
export const Bundle = z.strictObject({
  format: z.literal(bundleFormat),
  version: z.literal(bundleVersion),
  family: ref('family'),
  pinned: Pinned.optional(),
  entries: z.array(Entry).min(1).max(mostEntries),
});
export type Bundle = z.infer<typeof Bundle>;
