import type { Handlers } from '../../http/route.ts';
import { addUser, changeUser, listUsers } from './service.ts';

export const userHandlers: Handlers<'users' | 'addUser' | 'changeUser'> = {
  users: ({ services }) => listUsers(services),
  addUser: ({ body, services }) => addUser(body, services),
  changeUser: ({ params, body, services }) => changeUser(params.id, body, services),
};
