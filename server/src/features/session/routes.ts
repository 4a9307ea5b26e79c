import { ProblemError } from '../../http/problem.ts';
import type { Handlers } from '../../http/route.ts';
import { beginSession, endSession, sessionOf } from '../../http/session.ts';
import { checkSignIn } from './service.ts';

export const sessionHandlers: Handlers<'signIn' | 'session' | 'signOut'> = {
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
};
