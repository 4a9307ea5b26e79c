import { z } from 'zod';
import { ControllerId, VariableId } from '../base/ids.ts';
import { Label } from '../base/text.ts';

/** What a mode's variable can hold: a cursor's number, dialled characters, a flag. */
export const VariableValue = z.union([z.number().int(), z.string().max(64), z.boolean()]);
export type VariableValue = z.infer<typeof VariableValue>;

/** What a transition or a route does beside changing the mode. */
export const Effect = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('assign'), variable: VariableId, to: VariableValue }),
  z.strictObject({ kind: z.literal('step'), variable: VariableId, by: z.number().int() }),
  z.strictObject({ kind: z.literal('send'), to: ControllerId, message: Label }),
  z.strictObject({ kind: z.literal('erase-memory') }),
]);
export type Effect = z.infer<typeof Effect>;
