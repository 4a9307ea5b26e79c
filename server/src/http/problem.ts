import type { Change, EntryKey, Problem as FieldProblem } from '@wire-trail/core';

/** Every way a request can be refused, with its status. Exhaustive: a test walks through it. */
export const problemStatus = {
  'body-malformed': 400,
  'field-wrong': 400,
  'bundle-refused': 422,
  'not-signed-in': 401,
  'sign-in-wrong': 401,
  'too-many-tries': 429,
  'not-allowed': 403,
  'cross-site': 403,
  'not-found': 404,
  'stale-save': 409,
  'already-there': 409,
  'wrong-state': 409,
  overtaken: 409,
  'too-large': 413,
  'not-json': 415,
  'publish-blocked': 422,
  'own-review': 403,
  internal: 500,
} as const;
export type ProblemCode = keyof typeof problemStatus;

const titles: Record<ProblemCode, string> = {
  'body-malformed': 'The body is not readable JSON.',
  'field-wrong': 'A field is wrong.',
  'bundle-refused': 'The bundle was refused as a whole; nothing was stored.',
  'not-signed-in': 'Sign in first.',
  'sign-in-wrong': 'Name or password is not right.',
  'too-many-tries': 'Too many tries. Wait a little.',
  'not-allowed': 'Your role may not do this.',
  'cross-site': 'The request did not come from this application.',
  'not-found': 'There is no such thing here.',
  'stale-save': 'Somebody saved in between. Nothing was overwritten; both versions are below.',
  'already-there': 'This exists already.',
  'wrong-state': 'That cannot be done in its present state.',
  overtaken: 'A newer revision has been published meanwhile. Nothing was changed; both are below.',
  'too-large': 'That is too large.',
  'not-json': 'Send JSON (application/json).',
  'publish-blocked': 'It cannot be published yet.',
  'own-review': 'A reviewer who is not the author publishes. A one-person school can switch that off in the settings.',
  internal: 'Something broke on the server. It was logged.',
};

export type Stale = Readonly<{
  number: number;
  body: unknown;
  author: string | null;
  savedAt: string;
  changes: readonly Change[];
}>;

/** A revision that would take back a newer one: its number, and the newer one with what leads from it to this. */
export type OvertakenBy = Readonly<{
  key: EntryKey;
  number: number;
  published: Stale;
}>;

/** A problem on its way to the client as problem+json. */
export class ProblemError extends Error {
  readonly code: ProblemCode;
  readonly fields: readonly FieldProblem[];
  readonly stale: Stale | null;
  readonly overtaken: readonly OvertakenBy[];
  readonly detail: string | null;
  readonly retryAfterS: number | null;

  constructor(
    code: ProblemCode,
    more: {
      fields?: readonly FieldProblem[];
      stale?: Stale;
      overtaken?: readonly OvertakenBy[];
      detail?: string;
      retryAfterS?: number;
    } = {},
  ) {
    super(`${code}${more.detail ? `: ${more.detail}` : ''}`);
    this.code = code;
    this.fields = more.fields ?? [];
    this.stale = more.stale ?? null;
    this.overtaken = more.overtaken ?? [];
    this.detail = more.detail ?? null;
    this.retryAfterS = more.retryAfterS ?? null;
  }

  /** The body sent, after RFC 9457. */
  toProblem(): Record<string, unknown> {
    return {
      type: `/problems/${this.code}`,
      title: titles[this.code],
      status: problemStatus[this.code],
      code: this.code,
      ...(this.detail && { detail: this.detail }),
      ...(this.fields.length > 0 && { fields: this.fields }),
      ...(this.stale && { stale: this.stale }),
      ...(this.overtaken.length > 0 && { overtaken: this.overtaken }),
    };
  }
}
