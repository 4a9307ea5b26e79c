import { createHash, randomBytes } from 'node:crypto';
import type { User } from '@wire-trail/core';
import type { Context } from 'koa';
import { ProblemError } from './problem.ts';
import { isSecure } from './security.ts';
import type { Services } from './services.ts';
import { addSession, findSession, markSeen, removeSession } from './session-store.ts';

const cookie = 'wire-trail';
const lastsMs = 30 * 24 * 3_600_000;

/** Only the hash of a session's token is stored, so that a copy of the database opens nothing. */
const idOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** When a session was used is kept to within so much, in ms. */
const seenToMs = 5 * 60_000;

/** The hash of the session a request comes with, whether it holds or not. */
export function sessionIdOf(ctx: Context): string | null {
  const token = ctx.cookies.get(cookie, { signed: true });
  return token ? idOf(token) : null;
}

/** The signed-in user of a request; null without a session that still holds. One that was ended from afar is told so. */
export async function sessionOf(ctx: Context, services: Services): Promise<User | null> {
  const id = sessionIdOf(ctx);
  if (id === null) return null;
  const now = services.now();
  const cached = services.sessions.get(id, now.getTime());
  if (cached) return cached;
  const found = await findSession(services.db, id, now);
  if (!found) return null;
  if (found.ended) throw new ProblemError('session-ended');
  if (found.seenAt === null || now.getTime() - found.seenAt.getTime() > seenToMs) await markSeen(services.db, id, now);
  services.sessions.set(id, found.user, now.getTime());
  return found.user;
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
  await addSession(services.db, { id: idOf(token), userId, expires, agent: ctx.get('User-Agent') }, services.now());
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
