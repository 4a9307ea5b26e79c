import { z } from 'zod';
import { Change } from '../model/change.ts';
import { Entry, EntryKey } from '../model/entry.ts';
import { Problem } from '../model/problem.ts';

/** Every way a request can be refused, with its status and its title. */
export const refusals = {
  'body-malformed': [400, 'The body is not readable JSON.'],
  'field-wrong': [400, 'A field is wrong.'],
  'bundle-refused': [422, 'The bundle was refused as a whole; nothing was stored.'],
  'not-signed-in': [401, 'Sign in first.'],
  'sign-in-wrong': [401, 'Name or password is not right.'],
  'session-ended': [401, 'This device was signed out from afar.'],
  'link-over': [410, 'This link holds no more. Ask for a new one.'],
  'too-many-tries': [429, 'Too many tries. Wait a little.'],
  'not-allowed': [403, 'Your role may not do this.'],
  'cross-site': [403, 'The request did not come from this application.'],
  'not-found': [404, 'There is no such thing here.'],
  'stale-save': [409, 'Somebody saved in between. Nothing was overwritten; both versions are below.'],
  'already-there': [409, 'This exists already.'],
  'wrong-state': [409, 'That cannot be done in its present state.'],
  overtaken: [409, 'A newer revision has been published meanwhile. Nothing was changed; both are below.'],
  'too-large': [413, 'That is too large.'],
  'not-json': [415, 'Send JSON (application/json).'],
  'publish-blocked': [422, 'It cannot be published yet.'],
  'own-review': [
    403,
    'A reviewer who is not the author publishes. A one-person school can switch that off in the settings.',
  ],
  'not-secure': [403, 'Signing in works over https only here.'],
  'not-ready': [503, 'The server cannot read or write at the moment. Try again in a little.'],
  internal: [500, 'Something broke on the server. It was logged.'],
} as const satisfies Readonly<Record<string, readonly [status: number, title: string]>>;
export type RefusalCode = keyof typeof refusals;
export const refusalCodes = Object.keys(refusals).filter((code): code is RefusalCode => code in refusals);
export const RefusalCode = z.enum(refusalCodes);

/** Another version of an entry, and what leads from it to the one that was sent. */
export const Stale = z.strictObject({
  number: z.number(),
  body: Entry,
  author: z.string().nullable(),
  savedAt: z.string(),
  changes: z.array(Change),
});
export type Stale = Readonly<z.infer<typeof Stale>>;

/** A revision that would take back a newer one: its number, and the newer one with what leads from it to this. */
export const Overtaken = z.strictObject({ key: EntryKey, number: z.number(), published: Stale });
export type Overtaken = Readonly<z.infer<typeof Overtaken>>;

/** The body of a refusal, after RFC 9457. */
export const Refusal = z.strictObject({
  type: z.string(),
  title: z.string(),
  status: z.number(),
  code: RefusalCode,
  detail: z.string().optional(),
  fields: z.array(Problem).optional(),
  stale: Stale.optional(),
  overtaken: z.array(Overtaken).optional(),
});
export type Refusal = Readonly<z.infer<typeof Refusal>>;
