import { ProblemError } from '../../http/problem.ts';
import type { Handlers } from '../../http/route.ts';
import { beginSession, endSession, sessionIdOf, sessionOf } from '../../http/session.ts';
import { changePassword, checkSignIn, resetPassword, signOutEverywhere } from './service.ts';

export const sessionHandlers: Handlers<
  'signIn' | 'session' | 'signOut' | 'changePassword' | 'signOutEverywhere' | 'resetPassword'
> = {
  signIn: async ({ body, ctx, services }) => {
    const user = await checkSignIn({ ...body, from: ctx.ip }, services);
    await beginSession(ctx, services, user.id);
    return user;
  },
  session: async ({ ctx, services }) => {
    const user = await sessionOf(ctx, services);
    if (!user) throw new ProblemError('not-signed-in');
    return user;
  },
  signOut: ({ ctx, services }) => endSession(ctx, services),
  changePassword: ({ body, user, ctx, services }) =>
    changePassword({ ...body, user, from: ctx.ip, session: sessionIdOf(ctx) }, services),
  signOutEverywhere: async ({ user, ctx, services }) => {
    await signOutEverywhere(user, services);
    await endSession(ctx, services);
  },
  resetPassword: ({ body, ctx, services }) => resetPassword({ ...body, from: ctx.ip }, services),
};
