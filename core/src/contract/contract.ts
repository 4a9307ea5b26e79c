import { z } from 'zod';
import { entries } from './entries.ts';
import { library } from './library.ts';
import { people } from './people.ts';
import { publishing } from './publishing.ts';
import { type AnswerOf, type AskedOf, declare } from './route.ts';
import { walks } from './walks.ts';

const machinery = {
  health: declare({
    method: 'get',
    path: '/health',
    role: 'anybody',
    summary: 'Whether the server is alive; says nothing of the database.',
    answer: z.strictObject({ ok: z.literal(true) }),
  }),
  ready: declare({
    method: 'get',
    path: '/ready',
    role: 'anybody',
    summary: 'Whether work may be sent here: something was written to the database just now.',
    answer: z.strictObject({ ok: z.literal(true) }),
    refusals: ['not-ready'],
  }),
} as const;

export type Contract = typeof machinery &
  typeof people &
  typeof library &
  typeof entries &
  typeof publishing &
  typeof walks;

/** Every route there is, by name. Served, called, documented and tested from this one table. */
export const contract: Contract = { ...machinery, ...people, ...library, ...entries, ...publishing, ...walks };

export type RouteName = keyof Contract;
/** What a named route answers. */
export type Answer<N extends RouteName> = AnswerOf<Contract[N]>;
/** What a named route is given. */
export type Asked<N extends RouteName> = AskedOf<Contract[N]>;
export const routeNames = Object.keys(contract).filter((name): name is RouteName => name in contract);
