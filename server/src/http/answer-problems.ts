import type { Middleware } from 'koa';
import type { Logger } from 'pino';
import { ProblemError } from './problem.ts';

/** Turns answerProblems into problem+json, and anything else into a 500 that is logged once and says nothing of the inside. */
export function answerProblems(log: Logger): Middleware {
  return async (ctx, next) => {
    try {
      await next();
    } catch (error) {
      const problem = error instanceof ProblemError ? error : new ProblemError('internal');
      if (problem.code === 'internal') log.error({ err: error, path: ctx.path, method: ctx.method }, 'request failed');
      ctx.status = problem.status;
      if (problem.retryAfterS !== null) ctx.set('Retry-After', String(problem.retryAfterS));
      ctx.body = problem.toProblem();
      ctx.type = 'application/problem+json';
    }
  };
}
