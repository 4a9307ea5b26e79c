import type { Role } from '@wire-trail/core';
import type { Context } from 'koa';
import type { z } from 'zod';
import type { Services } from './services.ts';
import type { User } from './user.ts';

type Shape = z.ZodType;
type Read<S extends Shape | undefined> = S extends Shape ? z.output<S> : undefined;

/** What a handler gets: parsed input, the signed-in user (null only where anybody may), and the services. */
export type Asked<Params, Query, Body> = Readonly<{
  params: Params;
  query: Query;
  body: Body;
  user: User;
  services: Services;
  ctx: Context;
}>;

/** One row of the access table: who may call what, with which input, for which answer. */
export type Route = Readonly<{
  method: 'get' | 'post' | 'put' | 'delete';
  path: string;
  /** The least role that may call it; `anybody` needs no sign-in. */
  role: Role | 'anybody';
  summary: string;
  params?: Shape;
  query?: Shape;
  body?: Shape;
  response?: Shape;
  status: number;
  largeBody: boolean;
  handle: (asked: Asked<never, never, never>) => Promise<unknown>;
}>;

/** Declares a route. The input schemas type the handler; the answer's schema is for the API document. */
export function route<
  P extends Shape | undefined = undefined,
  Q extends Shape | undefined = undefined,
  B extends Shape | undefined = undefined,
>(declared: {
  method: Route['method'];
  path: string;
  role: Route['role'];
  summary: string;
  params?: P;
  query?: Q;
  body?: B;
  response?: Shape;
  status?: number;
  largeBody?: boolean;
  handle: (asked: Asked<Read<P>, Read<Q>, Read<B>>) => Promise<unknown>;
}): Route {
  return { status: 200, largeBody: false, ...declared, handle: declared.handle as Route['handle'] };
}
