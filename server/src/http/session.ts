import { createHash, randomBytes } from 'node:crypto';
import type { Context } from 'koa';
import { isSecure } from './security.ts';
import type { Services } from './services.ts';
import type { User } from './user.ts';

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
  const row = (await services
    .db('sessions')
    .join('users', 'users.id', 'sessions.user_id')
    .where('sessions.id', id)
    .where('sessions.expires_at', '>', services.now())
    .where('users.disabled', false)
    .first('users.id', 'users.name', 'users.sign_in as signIn', 'users.role')) as User | undefined;
  if (!row) return null;
  services.sessions.set(id, row, at);
  return row;
}

/** Begins a session under a new token; an old one of this browser ends. */
export async function beginSession(ctx: Context, services: Services, userId: number): Promise<void> {
  await endSession(ctx, services);
  const token = randomBytes(32).toString('base64url');
  const expires = new Date(services.now().getTime() + lastsMs);
  await services.db('sessions').insert({ id: idOf(token), user_id: userId, expires_at: expires });
  await services.db('sessions').where('expires_at', '<', services.now()).delete();
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
  await services.db('sessions').where('id', idOf(token)).delete();
  ctx.cookies.set(cookie, null, { path: '/', overwrite: true });
}
