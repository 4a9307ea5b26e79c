import { z } from 'zod';
import { entries } from './entries.ts';
import { library } from './library.ts';
import { people } from './people.ts';
import { publishing } from './publishing.ts';
import { type AnswerOf, type AskedOf, declare } from './route.ts';
import { walks } from './walks.ts';

/** Every route there is, by name. Served, called, documented and tested from this one table. */
export const contract = {
  health: declare({
    method: 'get',
    path: '/health',
    role: 'anybody',
    summary: 'Whether server and database answer.',
    answer: z.strictObject({ ok: z.literal(true) }),
  }),
  ...people,
  ...library,
  ...entries,
  ...publishing,
  ...walks,
} as const;

export type Contract = typeof contract;
export type RouteName = keyof Contract;
/** What a named route answers. */
export type Answer<N extends RouteName> = AnswerOf<Contract[N]>;
/** What a named route is given. */
export type Asked<N extends RouteName> = AskedOf<Contract[N]>;
export const routeNames = Object.keys(contract).filter((name): name is RouteName => name in contract);
