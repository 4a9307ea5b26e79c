import { createHash, randomBytes } from 'node:crypto';
import { verify } from '@node-rs/argon2';
import type { User } from '@wire-trail/core';
import { transact } from '../../db/transact.ts';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import { removeSessions } from '../../http/session-store.ts';
import { findUser, findUserById, spelledAs } from '../users/store.ts';
import { limited } from './limits.ts';
import { hashPassword, refuseCommon } from './password.ts';
import { addLink, takeLink, writePassword } from './store.ts';

let noOne: Promise<string> | null = null;

/** Checks name and password. An unknown name costs the same time as a wrong password, and says the same. */
export async function checkSignIn(
  input: { signIn: string; password: string; from: string },
  services: Services,
): Promise<User> {
  const { db } = services;
  // names the database takes for the same are one name here as well
  const name = await spelledAs(input.signIn, db);
  return limited({ name, from: input.from }, services, async () => {
    const found = await findUser(input.signIn, db);
    noOne ??= hashPassword('nobody signs in with this');
    const right = await verify(found?.passwordHash ?? (await noOne), input.password);
    if (!found || !right) throw new ProblemError('sign-in-wrong');
    return found.user;
  });
}

/** Changes one's own password; every session but this one ends. */
export async function changePassword(
  input: { user: User; old: string; password: string; from: string; session: string | null },
  services: Services,
): Promise<void> {
  const { user, old, password, from, session } = input;
  await checkSignIn({ signIn: user.signIn, password: old, from }, services);
  refuseCommon(password, [user.signIn, user.name]);
  const hash = await hashPassword(password);
  await transact(services.db, async (trx) => {
    await writePassword(trx, user.id, hash);
    await removeSessions(trx, user.id, session);
  });
  services.sessions.forgetUser(user.id);
}

export async function signOutEverywhere(user: User, { db, sessions }: Services): Promise<void> {
  await removeSessions(db, user.id);
  sessions.forgetUser(user.id);
}

const linkLastsMs = 24 * 3_600_000;
const idOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Makes a link by which somebody sets a new password once; only its hash is kept. */
export async function makePasswordLink(
  userId: number,
  { db, now }: Services,
): Promise<{ path: string; until: string }> {
  if (!(await findUserById(userId, db))) throw new ProblemError('not-found');
  const token = randomBytes(24).toString('base64url');
  const until = new Date(now().getTime() + linkLastsMs);
  await addLink(db, { id: idOf(token), userId, until });
  return { path: `/new-password#${token}`, until: until.toISOString() };
}

/** Sets a password by a link, which holds no more afterwards. */
export async function resetPassword(
  input: { token: string; password: string; from: string },
  services: Services,
): Promise<void> {
  const { db, now, sessions } = services;
  const userId = await limited({ name: 'a link', from: input.from }, services, async () => {
    // made before the link is taken: a password that is refused leaves it as it is
    const hash = await hashPassword(input.password);
    return transact(db, async (trx) => {
      const user = await takeLink(trx, idOf(input.token), now());
      if (!user) throw new ProblemError('link-over');
      refuseCommon(input.password, [user.signIn, user.name]);
      await writePassword(trx, user.id, hash);
      await removeSessions(trx, user.id);
      return user.id;
    });
  });
  sessions.forgetUser(userId);
}
