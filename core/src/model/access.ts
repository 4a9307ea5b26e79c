import { z } from 'zod';
import { Label, Prose, Standing } from '../base/text.ts';
import { acceptances } from './accepted.ts';
import { defines, ref } from './reference.ts';

/** Getting to something: fasteners, tape, props, what to isolate. Written once; charts and routes name it. */
export const Access = z.strictObject({
  kind: z.literal('access'),
  ...acceptances,
  id: defines('access'),
  family: ref('family').nullable(),
  name: Label,
  isolateFirst: z.boolean(),
  /** Faces of the panel it leads to. */
  opens: z.array(ref('face')).max(20).default([]),
  steps: z
    .array(
      z.strictObject({
        do: Prose.min(1),
        /** How it is undone; left out where nothing is to be undone. */
        back: Prose.min(1).optional(),
      }),
    )
    .min(1)
    .max(40),
  tools: z.array(Label).max(20).default([]),
  hazards: z.array(ref('hazard')).max(20).default([]),
  minutes: z.number().min(0).max(600).default(5),
  source: ref('source').nullable(),
  standing: Standing,
});
export type Access = z.infer<typeof Access>;
