import { z } from 'zod';
import type { CodeId, InputId, ReadoutId, VariableId } from '../base/ids.ts';
import { VariableValue } from './effect.ts';
import { ref } from './reference.ts';
import { Shown } from './shown.ts';

/** Holds or not, given mode, variables, physical inputs and what a readout says. */
export type Condition =
  | { kind: 'variable'; variable: VariableId; is: number | string | boolean }
  | { kind: 'input'; input: InputId; compare: 'above' | 'below'; value: number }
  | { kind: 'reads'; readout: ReadoutId; code: CodeId }
  | { kind: 'sign'; shown: Shown }
  | { kind: 'code-stands'; codes: CodeId[] }
  | { kind: 'all'; of: Condition[] }
  | { kind: 'any'; of: Condition[] }
  | { kind: 'not'; of: Condition };
export const Condition: z.ZodType<Condition> = z.lazy(() =>
  z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('variable'), variable: ref('variable'), is: VariableValue }),
    z.strictObject({
      kind: z.literal('input'),
      input: ref('input'),
      compare: z.enum(['above', 'below']),
      value: z.number(),
    }),
    z.strictObject({ kind: z.literal('reads'), readout: ref('readout'), code: ref('code') }),
    z.strictObject({ kind: z.literal('sign'), shown: Shown }),
    /** One of these stands now, or any where none is named. */
    z.strictObject({ kind: z.literal('code-stands'), codes: z.array(ref('code')).max(60).default([]) }),
    z.strictObject({ kind: z.literal('all'), of: z.array(Condition).max(20) }),
    z.strictObject({ kind: z.literal('any'), of: z.array(Condition).max(20) }),
    z.strictObject({ kind: z.literal('not'), of: Condition }),
  ]),
);
