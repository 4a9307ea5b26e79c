import type { Answer, Asked, Contract, RouteName, User } from '@wire-trail/core';
import type { Context } from 'koa';
import type { Services } from './services.ts';

/** Said by a handler that has put what is sent onto the context itself. */
export const sent = Symbol('sent');

/** What a handler gets: what was asked, read by the contract; who is signed in (null where anybody may call); the services. */
export type Given<N extends RouteName> = Asked<N> &
  Readonly<{
    user: Contract[N]['role'] extends 'anybody' ? null : User;
    services: Services;
    ctx: Context;
  }>;

/** What answers one route of the contract, and with nothing else than the contract says. */
export type Handle<N extends RouteName> = (given: Given<N>) => Promise<Answer<N> | typeof sent>;
/** The handlers of some routes, or of all. */
export type Handlers<N extends RouteName = RouteName> = { readonly [Name in N]: Handle<Name> };
