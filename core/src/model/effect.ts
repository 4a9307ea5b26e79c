import { z } from 'zod';
import { Label } from '../base/text.ts';
import { plain, ref } from './reference.ts';

/** What a mode's variable can hold: a cursor's number, dialled characters, a flag. */
export const VariableValue = z.union([z.number().int(), plain('a value', z.string().max(64)), z.boolean()]);
export type VariableValue = z.infer<typeof VariableValue>;

/** What a transition or a route does beside changing the mode. */
export const Effect = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('assign'), variable: ref('variable'), to: VariableValue }),
  z.strictObject({ kind: z.literal('step'), variable: ref('variable'), by: z.number().int() }),
  z.strictObject({ kind: z.literal('send'), to: ref('controller'), message: Label }),
  z.strictObject({ kind: z.literal('erase-memory') }),
  /** Takes a value along into the next mode: which entry was picked, which controller. */
  z.strictObject({ kind: z.literal('carry'), from: ref('variable'), to: ref('variable') }),
]);
export type Effect = z.infer<typeof Effect>;
