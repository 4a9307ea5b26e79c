import bodyParser from '@koa/bodyparser';
import Router from '@koa/router';
import {
  apiPrefix,
  contract,
  type Declared,
  problemsOf,
  type Role,
  type RouteName,
  roleAtLeast,
  routeNames,
  type User,
} from '@wire-trail/core';
import Koa, { type Context } from 'koa';
import compress from 'koa-compress';
import type { Logger } from 'pino';
import type { z } from 'zod';
import type { Config } from '../config.ts';
import type { Db } from '../db/connect.ts';
import { watchDatabase } from '../db/watch.ts';
import { answerProblems } from '../http/answer-problems.ts';
import { checkAnswer, checkRefusal } from '../http/check-answer.ts';
import { makeJobs } from '../http/jobs.ts';
import { makeLog } from '../http/log.ts';
import { ProblemError } from '../http/problem.ts';
import { type Given, type Handle, sent } from '../http/route.ts';
import { crossSiteGuard, securityHeaders } from '../http/security.ts';
import { type Services, sessionCache } from '../http/services.ts';
import { sessionOf } from '../http/session.ts';
import { mayHaveHalves, wellFormed } from '../http/well-formed.ts';
import { handlers } from './handlers.ts';
import { apiDocument } from './openapi.ts';
import { staticFiles } from './static.ts';

const smallBody = '1mb';
const largeBody = '16mb';

/** Builds the Koa application. Nothing listens yet. */
export function createApp(input: { db: Db; config: Config; now?: () => Date }): Readonly<{
  app: Koa;
  services: Services;
  log: Logger;
  closeLog: () => Promise<void>;
}> {
  const { db, config } = input;
  const now = input.now ?? (() => new Date());
  const { log, close: closeLog } = makeLog(config);
  const jobs = makeJobs(now, (error) => log.error(error, 'a job failed'));
  const services: Services = { db, config, now, sessions: sessionCache(), jobs, watched: watchDatabase(db, log) };
  // whatever stands further left in the header is what anybody may have written
  const app = new Koa({ proxy: config.trustProxy, maxIpsCount: config.proxies });
  app.keys = [config.secret];
  app.silent = true;
  app.use(securityHeaders(config));
  app.use(answerProblems(log));
  app.use(compress({ threshold: 1024, br: false, gzip: { level: 6 } }));
  app.use(crossSiteGuard(apiPrefix));
  const router = new Router({ prefix: apiPrefix });
  const document = apiDocument();
  router.get('/openapi.json', (ctx) => {
    ctx.body = document;
  });
  for (const name of routeNames) mount(router, name, services);
  app.use(router.routes());
  app.use(async (ctx, next) => {
    if (ctx.path.startsWith('/api/')) throw new ProblemError('not-found');
    await next();
  });
  if (config.webFolder) app.use(staticFiles(config.webFolder));
  return { app, services, log, closeLog };
}

function mount<N extends RouteName>(router: Router, name: N, services: Services): void {
  const route: Declared = contract[name];
  const handle: Handle<N> = handlers[name];
  const limit = route.large ? largeBody : smallBody;
  const parse = bodyParser({
    enableTypes: ['json'],
    jsonLimit: limit,
    onError: (error) => {
      throw 'status' in error && error.status === 413
        ? new ProblemError('too-large', { detail: `at most ${limit}` })
        : new ProblemError('body-malformed');
    },
  });
  const answer = async (ctx: Context): Promise<void> => {
    const user = route.role === 'anybody' ? null : await allowed(ctx, route.role, services);
    if (route.body) {
      if (!ctx.request.is('json')) throw new ProblemError('not-json');
      await parse(ctx, async () => {});
    }
    const given = {
      params: read(route.params, ctx.params, 'path'),
      query: read(route.query, ctx.query, 'query'),
      body: read(route.body, bodyOf(ctx), 'body'),
      user,
      services,
      ctx,
    };
    // each was read by the schema that types it; that is more than the compiler follows through a name
    const said = await handle(given as Given<N>);
    if (said === sent) return;
    ctx.status = route.status ?? (said === undefined ? 204 : 200);
    if (said !== undefined) ctx.body = said;
  };
  router[route.method](route.path, async (ctx: Context) => {
    if (!services.config.checkAnswers) return answer(ctx);
    try {
      await answer(ctx);
    } catch (error) {
      checkRefusal(name, route, error);
      throw error;
    }
    checkAnswer(name, route, ctx);
  });
}

/** What was sent, with every text whole. */
function bodyOf({ request }: Context): unknown {
  return mayHaveHalves(request.rawBody ?? '') ? wellFormed(request.body) : request.body;
}

async function allowed(ctx: Context, least: Role, services: Services): Promise<User> {
  const user = await sessionOf(ctx, services);
  if (!user) throw new ProblemError('not-signed-in');
  if (!roleAtLeast(user.role, least)) throw new ProblemError('not-allowed', { detail: `needs the role ${least}` });
  return user;
}

function read(schema: z.ZodType | undefined, value: unknown, place: string): unknown {
  if (!schema) return undefined;
  const parsed = schema.safeParse(value);
  if (!parsed.success)
    throw new ProblemError('field-wrong', { fields: problemsOf(parsed.error, place === 'body' ? [] : [place]) });
  return parsed.data;
}
