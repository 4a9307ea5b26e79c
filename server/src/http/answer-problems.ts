import type { Middleware } from 'koa';
import type { Logger } from 'pino';
import { isUnavailable } from '../db/watch.ts';
import { ProblemError } from './problem.ts';

/** An address that cannot be read, such as a lone %, is one at which there is nothing. */
function problemOf(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  // whoever asks comes again: nothing is wrong with what was asked
  if (isUnavailable(error)) return new ProblemError('not-ready', { retryAfterS: 15 });
  const status = error instanceof Error && 'status' in error ? Number(error.status) : 500;
  return new ProblemError(status >= 400 && status < 500 ? 'not-found' : 'internal');
}

/** Turns problems into problem+json, and anything else into a 500 that is logged once and says nothing of the inside. */
export function answerProblems(log: Logger): Middleware {
  return async (ctx, next) => {
    try {
      await next();
    } catch (error) {
      const problem = problemOf(error);
      if (problem.status >= 500 && !(error instanceof ProblemError))
        log.error({ err: error, path: ctx.path, method: ctx.method }, 'request failed');
      ctx.status = problem.status;
      if (problem.retryAfterS !== null) ctx.set('Retry-After', String(problem.retryAfterS));
      ctx.body = problem.toProblem();
      ctx.type = 'application/problem+json';
    }
  };
}
