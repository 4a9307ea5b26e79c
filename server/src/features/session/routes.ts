import { Role } from '@wire-trail/core';
import { z } from 'zod';
import { ProblemError } from '../../http/problem.ts';
import { route } from '../../http/route.ts';
import { beginSession, endSession, sessionOf } from '../../http/session.ts';
import { checkSignIn } from './service.ts';

export const UserView = z.strictObject({ id: z.number(), name: z.string(), signIn: z.string(), role: Role });
const SignIn = z.strictObject({ signIn: z.string().min(1).max(120), password: z.string().min(1).max(200) });

export const sessionRoutes = [
  route({
    method: 'post',
    path: '/session',
    role: 'anybody',
    summary: 'Sign in. Says only that name or password is not right, never which.',
    body: SignIn,
    response: UserView,
    handle: async ({ body, ctx, services }) => {
      const user = await checkSignIn({ ...body, from: ctx.ip }, services);
      await beginSession(ctx, services, user.id);
      return user;
    },
  }),
  route({
    method: 'get',
    path: '/session',
    role: 'anybody',
    summary: 'Who is signed in.',
    response: UserView,
    handle: async ({ ctx, services }) => {
      const user = await sessionOf(ctx, services);
      if (!user) throw new ProblemError('not-signed-in');
      return user;
    },
  }),
  route({
    method: 'delete',
    path: '/session',
    role: 'anybody',
    summary: 'Sign out.',
    handle: async ({ ctx, services }) => endSession(ctx, services),
  }),
];
