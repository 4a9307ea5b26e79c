import { z } from 'zod';
import { LampColour, LampState } from './lamp.ts';
import { plain, ref } from './reference.ts';

/** What one sign shows at a moment. */
export const Shown = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('lamp'), sign: ref('sign'), state: LampState, colour: LampColour.optional() }),
  z.strictObject({
    kind: z.literal('text'),
    sign: ref('sign'),
    text: plain('what a display shows', z.string().max(80)),
    /** Whether it flashes; left out where that does not matter. */
    flashes: z.boolean().optional(),
  }),
  z.strictObject({
    kind: z.literal('sound'),
    sign: ref('sign'),
    state: z.enum(['on', 'off']),
    times: z.number().int().min(1).max(100).optional(),
  }),
]);
export type Shown = z.infer<typeof Shown>;

/** Whether two signs show the same; a colour that is not named fits any, as do a count and whether it flashes. */
export function sameShown(a: Shown, b: Shown): boolean {
  if (a.sign !== b.sign || a.kind !== b.kind) return false;
  if (a.kind === 'lamp' && b.kind === 'lamp')
    return a.state === b.state && (!a.colour || !b.colour || a.colour === b.colour);
  if (a.kind === 'text' && b.kind === 'text')
    return a.text === b.text && (a.flashes === undefined || b.flashes === undefined || a.flashes === b.flashes);
  return a.kind === 'sound' && b.kind === 'sound' && a.state === b.state;
}
