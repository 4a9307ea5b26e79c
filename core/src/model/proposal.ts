import { z } from 'zod';
import { ref } from './reference.ts';
import { Step } from './route.ts';
import { TakenReading } from './taken-reading.ts';

const about = { code: ref('code').nullable(), symptom: ref('symptom').nullable() };

/** What somebody offers the library from a walk: how they did it, what fixed it, or what a good one measured. */
export const Proposal = z.discriminatedUnion('kind', [
  /** A way as it was done. */
  z.strictObject({ kind: z.literal('way'), route: ref('route'), steps: z.array(Step).min(1).max(60) }),
  /** What was behind a code or a symptom; a part, where one was. */
  z.strictObject({
    kind: z.literal('fix'),
    ...about,
    part: ref('part').nullable(),
  }),
  /** What was measured where all was well. */
  z.strictObject({
    kind: z.literal('reading'),
    ...about,
    chart: ref('chart'),
    node: ref('node', 'chart'),
    reading: TakenReading,
  }),
]);
export type Proposal = z.infer<typeof Proposal>;
