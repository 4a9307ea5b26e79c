import type { Handlers } from '../../http/route.ts';
import { sessionIdOf } from '../../http/session.ts';
import { makePasswordLink } from '../session/service.ts';
import { addUser, changeUser, endFromAfar, listSessions, listUsers } from './service.ts';

export const userHandlers: Handlers<'users' | 'addUser' | 'changeUser' | 'sessions' | 'endSession' | 'passwordLink'> = {
  users: ({ services }) => listUsers(services),
  addUser: ({ body, services }) => addUser(body, services),
  sessions: ({ params, ctx, services }) => listSessions(params.id, sessionIdOf(ctx), services),
  endSession: ({ params, services }) => endFromAfar(params, services),
  passwordLink: ({ params, services }) => makePasswordLink(params.id, services),
  changeUser: ({ params, body, services }) => changeUser(params.id, body, services),
};
