import { type Overtaken, type Problem, type Refusal, type RefusalCode, refusals, type Stale } from '@wire-trail/core';

/** A refusal on its way to the client as problem+json. */
export class ProblemError extends Error {
  readonly code: RefusalCode;
  readonly fields: readonly Problem[];
  readonly stale: Stale | null;
  readonly overtaken: readonly Overtaken[];
  readonly detail: string | null;
  readonly retryAfterS: number | null;

  constructor(
    code: RefusalCode,
    more: {
      fields?: readonly Problem[];
      stale?: Stale;
      overtaken?: readonly Overtaken[];
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

  get status(): number {
    return refusals[this.code][0];
  }

  /** The body sent, after RFC 9457. */
  toProblem(): Refusal {
    const [status, title] = refusals[this.code];
    return {
      type: `/problems/${this.code}`,
      title,
      status,
      code: this.code,
      ...(this.detail && { detail: this.detail }),
      ...(this.fields.length > 0 && { fields: [...this.fields] }),
      ...(this.stale && { stale: this.stale }),
      ...(this.overtaken.length > 0 && { overtaken: [...this.overtaken] }),
    };
  }
}
