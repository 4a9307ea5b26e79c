import type { Middleware } from 'koa';
import type { Logger } from 'pino';
import { problemStatus, Refusal } from './problem.ts';

/** Turns refusals into problem+json, and anything else into a 500 that is logged once and says nothing of the inside. */
export function refusals(log: Logger): Middleware {
  return async (ctx, next) => {
    try {
      await next();
    } catch (error) {
      const refusal = error instanceof Refusal ? error : new Refusal('internal');
      if (refusal.code === 'internal') log.error({ err: error, path: ctx.path, method: ctx.method }, 'request failed');
      ctx.status = problemStatus[refusal.code];
      if (refusal.retryAfterS !== null) ctx.set('Retry-After', String(refusal.retryAfterS));
      ctx.body = refusal.toProblem();
      ctx.type = 'application/problem+json';
    }
  };
}
