import { Role } from '@wire-trail/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { UserView } from '../session/routes.ts';
import { addUser, changeUser, listUsers } from './service.ts';

const Listed = UserView.extend({ disabled: z.boolean() });
export const NewUser = z.strictObject({
  name: z.string().trim().min(1).max(120),
  signIn: z.string().trim().min(3).max(120),
  role: Role,
  password: z.string().min(10, 'at least 10 characters').max(200),
});

export const userRoutes = [
  route({
    method: 'get',
    path: '/users',
    role: 'admin',
    summary: 'Everybody with an account.',
    response: z.array(Listed),
    handle: ({ services }) => listUsers(services),
  }),
  route({
    method: 'post',
    path: '/users',
    role: 'admin',
    summary: 'Open an account.',
    body: NewUser,
    response: UserView,
    status: 201,
    handle: ({ body, services }) => addUser(body, services),
  }),
  route({
    method: 'put',
    path: '/users/:id',
    role: 'admin',
    summary: 'Change a role, or close an account; its sessions end.',
    params: z.object({ id: z.coerce.number().int().positive() }),
    body: z.strictObject({ role: Role, disabled: z.boolean() }),
    handle: ({ params, body, services }) => changeUser(params.id, body, services),
  }),
];
