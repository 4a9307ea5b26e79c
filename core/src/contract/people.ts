import { z } from 'zod';
import { Role } from '../base/role.ts';
import { Counted, declare } from './route.ts';

export const User = z.strictObject({ id: z.number(), name: z.string(), signIn: z.string(), role: Role });
export type User = Readonly<z.infer<typeof User>>;

const SignIn = z.strictObject({ signIn: z.string().min(1).max(120), password: z.string().min(1).max(200) });
export const NewUser = z.strictObject({
  name: z.string().trim().min(1).max(120),
  signIn: z.string().trim().min(3).max(120),
  role: Role,
  password: z.string().min(10, 'at least 10 characters').max(200),
});

export const SchoolSettings = z.strictObject({
  schoolName: z.string().trim().min(1).max(120),
  /** The author may publish: for a school of one. The history says so. */
  ownReview: z.boolean(),
});
export type SchoolSettings = Readonly<z.infer<typeof SchoolSettings>>;

/** Signing in, accounts, and what the school sets. */
export const people = {
  signIn: declare({
    method: 'post',
    path: '/session',
    role: 'anybody',
    summary: 'Sign in. Says only that name or password is not right, never which.',
    body: SignIn,
    answer: User,
    refusals: ['sign-in-wrong', 'too-many-tries', 'not-secure'],
  }),
  session: declare({
    method: 'get',
    path: '/session',
    role: 'anybody',
    summary: 'Who is signed in.',
    answer: User,
    refusals: ['not-signed-in'],
  }),
  signOut: declare({ method: 'delete', path: '/session', role: 'anybody', summary: 'Sign out.' }),
  users: declare({
    method: 'get',
    path: '/users',
    role: 'admin',
    summary: 'Everybody with an account.',
    answer: z.array(User.extend({ disabled: z.boolean() })),
  }),
  addUser: declare({
    method: 'post',
    path: '/users',
    role: 'admin',
    summary: 'Open an account.',
    body: NewUser,
    answer: User,
    status: 201,
    refusals: ['already-there'],
  }),
  changeUser: declare({
    method: 'put',
    path: '/users/:id',
    role: 'admin',
    summary: 'Change a role, or close an account; its sessions end.',
    params: z.strictObject({ id: Counted }),
    body: z.strictObject({ role: Role, disabled: z.boolean() }),
    refusals: ['not-found', 'wrong-state'],
  }),
  settings: declare({
    method: 'get',
    path: '/settings',
    role: 'technician',
    summary: 'The school’s settings.',
    answer: SchoolSettings,
  }),
  saveSettings: declare({
    method: 'put',
    path: '/settings',
    role: 'admin',
    summary: 'Change the school’s settings.',
    body: SchoolSettings,
    answer: SchoolSettings,
  }),
} as const;
