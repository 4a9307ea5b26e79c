import bodyParser from '@koa/bodyparser';
import Router from '@koa/router';
import { problemsOf, roleAtLeast } from '@wire-trail/core';
import Koa, { type Context } from 'koa';
import compress from 'koa-compress';
import pino from 'pino';
import type { z } from 'zod';
import type { Config } from '../config.ts';
import type { Db } from '../db/connect.ts';
import { answerProblems } from '../http/answer-problems.ts';
import { makeJobs } from '../http/jobs.ts';
import { ProblemError } from '../http/problem.ts';
import type { Route } from '../http/route.ts';
import { crossSiteGuard, securityHeaders } from '../http/security.ts';
import { type Services, sessionCache } from '../http/services.ts';
import { sessionOf } from '../http/session.ts';
import type { User } from '../http/user.ts';
import { routes } from './access.ts';
import { apiDocument } from './openapi.ts';
import { staticFiles } from './static.ts';

export const apiPrefix = '/api/v1';
const smallBody = '1mb';
const largeBody = '16mb';

/** Builds the Koa application. Nothing listens yet. */
export function createApp(input: { db: Db; config: Config; now?: () => Date }): { app: Koa; services: Services } {
  const { db, config } = input;
  const now = input.now ?? (() => new Date());
  const log = pino({ level: config.logLevel, redact: ['password'] });
  const jobs = makeJobs(now, (error) => log.error(error, 'a job failed'));
  const services: Services = { db, config, now, sessions: sessionCache(), jobs };
  const app = new Koa({ proxy: config.trustProxy });
  app.keys = [config.secret];
  app.silent = true;
  app.use(securityHeaders(config));
  app.use(answerProblems(log));
  app.use(compress({ threshold: 1024, br: false, gzip: { level: 6 } }));
  app.use(crossSiteGuard(apiPrefix));
  const router = new Router({ prefix: apiPrefix });
  const document = apiDocument(routes);
  router.get('/openapi.json', (ctx) => {
    ctx.body = document;
  });
  for (const one of routes) mount(router, one, services);
  app.use(router.routes());
  app.use(async (ctx, next) => {
    if (ctx.path.startsWith('/api/')) throw new ProblemError('not-found');
    await next();
  });
  if (config.webFolder) app.use(staticFiles(config.webFolder));
  return { app, services };
}

function mount(router: Router, one: Route, services: Services): void {
  const parse = bodyParser({
    enableTypes: ['json'],
    jsonLimit: one.largeBody ? largeBody : smallBody,
    onError: (error) => {
      throw (error as { status?: number }).status === 413
        ? new ProblemError('too-large', { detail: `at most ${one.largeBody ? largeBody : smallBody}` })
        : new ProblemError('body-malformed');
    },
  });
  router[one.method](one.path, async (ctx: Context) => {
    const user = one.role === 'anybody' ? null : await allowed(ctx, one, services);
    if (one.body) {
      if (!ctx.request.is('json')) throw new ProblemError('not-json');
      await parse(ctx as never, async () => {});
    }
    const answer = await one.handle({
      params: read(one.params, ctx.params, 'path'),
      query: read(one.query, ctx.query, 'query'),
      body: read(one.body, (ctx.request as { body?: unknown }).body, 'body'),
      user: (user ?? { id: 0, name: '', signIn: '', role: 'technician' }) as User,
      services,
      ctx,
    } as never);
    if (ctx.respond === false || ctx.body !== undefined) return;
    ctx.status = answer === undefined && one.status === 200 ? 204 : one.status;
    if (answer !== undefined) ctx.body = answer;
  });
}

async function allowed(ctx: Context, one: Route, services: Services): Promise<User> {
  const user = await sessionOf(ctx, services);
  if (!user) throw new ProblemError('not-signed-in');
  if (one.role !== 'anybody' && !roleAtLeast(user.role, one.role))
    throw new ProblemError('not-allowed', { detail: `needs the role ${one.role}` });
  return user;
}

function read(schema: z.ZodType | undefined, value: unknown, place: string): unknown {
  if (!schema) return undefined;
  const parsed = schema.safeParse(value);
  if (!parsed.success)
    throw new ProblemError('field-wrong', { fields: problemsOf(parsed.error, place === 'body' ? [] : [place]) });
  return parsed.data;
}
