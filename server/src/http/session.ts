import { createHash, randomBytes } from 'node:crypto';
import type { User } from '@wire-trail/core';
import type { Context } from 'koa';
import { ProblemError } from './problem.ts';
import { isSecure } from './security.ts';
import type { Services } from './services.ts';
import { addSession, findSession, removeSession } from './session-store.ts';

const cookie = 'wire-trail';
const lastsMs = 30 * 24 * 3_600_000;

/** Only the hash of a session's token is stored, so that a copy of the database opens nothing. */
const idOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** The signed-in user of a request; null without a session that still holds. */
export async function sessionOf(ctx: Context, services: Services): Promise<User | null> {
  const token = ctx.cookies.get(cookie, { signed: true });
  if (!token) return null;
  const id = idOf(token);
  const at = services.now().getTime();
  const cached = services.sessions.get(id, at);
  if (cached) return cached;
  const user = await findSession(services.db, id, services.now());
  if (user) services.sessions.set(id, user, at);
  return user;
}

/** Begins a session under a new token; an old one of this browser ends. */
export async function beginSession(ctx: Context, services: Services, userId: number): Promise<void> {
  // a secure cookie cannot be given over anything else: a proxy that ends https has to say that it does
  if (isSecure(services.config) && !ctx.secure)
    throw new ProblemError('not-secure', {
      detail: 'Behind a proxy: it must end https, and say so with X-Forwarded-Proto: https.',
    });
  await endSession(ctx, services);
  const token = randomBytes(32).toString('base64url');
  const expires = new Date(services.now().getTime() + lastsMs);
  await addSession(services.db, { id: idOf(token), userId, expires }, services.now());
  ctx.cookies.set(cookie, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: isSecure(services.config),
    signed: true,
    overwrite: true,
    path: '/',
    expires,
  });
}

export async function endSession(ctx: Context, services: Services): Promise<void> {
  const token = ctx.cookies.get(cookie, { signed: true });
  if (!token) return;
  services.sessions.forget(idOf(token));
  await removeSession(services.db, idOf(token));
  ctx.cookies.set(cookie, null, { path: '/', overwrite: true });
}
