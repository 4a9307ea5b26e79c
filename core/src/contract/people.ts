import { z } from 'zod';
import { Role } from '../base/role.ts';
import { Scope as WhoMayAct } from '../base/text.ts';
import { Contact, Currency } from '../model/family.ts';
import { Counted, declare } from './route.ts';

/** Trades somebody has a paper for, such as gas or refrigeration. */
const Trades = z.array(z.string().trim().min(1).max(40)).max(12);
export const User = z.strictObject({
  id: z.number(),
  name: z.string(),
  signIn: z.string(),
  role: Role,
  /** What this person may do on a unit; left out: a technician. */
  level: WhoMayAct.optional(),
  trades: Trades.optional(),
});
export type User = Readonly<z.infer<typeof User>>;

const SignIn = z.strictObject({ signIn: z.string().min(1).max(120), password: z.string().min(1).max(200) });
/** A password as it is chosen; the server knows the most used ones as well. */
export const NewPassword = z
  .string()
  .min(10, 'At least ten characters.')
  .max(200)
  .refine((text) => new Set(text).size >= 5, 'At least five different characters.');
export const NewUser = z.strictObject({
  name: z.string().trim().min(1).max(120),
  signIn: z.string().trim().min(3).max(120),
  role: Role,
  password: NewPassword,
});

/** Where somebody is signed in. */
export const SignedIn = z.strictObject({
  id: z.string(),
  begunAt: z.string().nullable(),
  seenAt: z.string().nullable(),
  /** What the browser calls itself. */
  browser: z.string(),
  /** Ended from afar; what it keeps goes when it next comes. */
  ended: z.boolean(),
  /** The one that asks. */
  own: z.boolean(),
});
export type SignedIn = Readonly<z.infer<typeof SignedIn>>;
const OfUser = z.strictObject({ id: Counted });

export const SchoolSettings = z.strictObject({
  schoolName: z.string().trim().min(1).max(120),
  /** The author may publish: for a school of one. The history says so. */
  ownReview: z.boolean(),
  /** What a technician is offered first for a code: to test it, or to reset or recalibrate and see whether it comes back. */
  firstDo: z.enum(['test', 'reset', 'recalibrate']).default('test'),
  /** From so many years on, a repair over so much is looked at twice. */
  repairLimit: z
    .strictObject({
      fromYears: z.number().int().min(0).max(100),
      most: z.number().min(0).max(10_000_000),
      currency: Currency,
    })
    .optional(),
  /** The country it works in; contacts elsewhere are left out. */
  country: z.string().trim().min(1).max(120).optional(),
  /** Whom to ring for any unit. */
  contacts: z.array(Contact).max(40).optional(),
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
    refusals: ['not-signed-in', 'session-ended'],
  }),
  signOut: declare({ method: 'delete', path: '/session', role: 'anybody', summary: 'Sign out.' }),
  changePassword: declare({
    method: 'put',
    path: '/session/password',
    role: 'technician',
    summary: 'Change one’s own password, with the old one. Every other session of this person ends.',
    body: z.strictObject({ old: z.string().min(1).max(200), password: NewPassword }),
    refusals: ['sign-in-wrong', 'too-many-tries'],
  }),
  signOutEverywhere: declare({
    method: 'delete',
    path: '/sessions',
    role: 'technician',
    summary: 'End every session of one’s own, this one too.',
  }),
  sessions: declare({
    method: 'get',
    path: '/users/:id/sessions',
    role: 'admin',
    summary: 'Where somebody is signed in.',
    params: OfUser,
    answer: z.array(SignedIn),
  }),
  endSession: declare({
    method: 'delete',
    path: '/users/:id/sessions/:session',
    role: 'admin',
    summary:
      'End a session from afar: a phone that was lost. What the application keeps there goes at its next contact.',
    params: OfUser.extend({ session: z.string().regex(/^[0-9a-f]{16}$/) }),
    refusals: ['not-found'],
  }),
  passwordLink: declare({
    method: 'post',
    path: '/users/:id/password-link',
    role: 'admin',
    summary: 'A link that sets a new password, once, within a day; earlier ones hold no more.',
    params: OfUser,
    answer: z.strictObject({ path: z.string(), until: z.string() }),
    status: 201,
    refusals: ['not-found'],
  }),
  resetPassword: declare({
    method: 'post',
    path: '/password-resets',
    role: 'anybody',
    summary: 'Set a new password by a link; every session of this person ends.',
    body: z.strictObject({ token: z.string().min(1).max(200), password: NewPassword }),
    refusals: ['link-over', 'too-many-tries'],
  }),
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
    summary: 'Change a role, what somebody may do on a unit, or close an account; its sessions end.',
    params: z.strictObject({ id: Counted }),
    body: z.strictObject({
      role: Role,
      disabled: z.boolean(),
      level: WhoMayAct.optional(),
      trades: Trades.optional(),
    }),
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
