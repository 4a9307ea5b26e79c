import type { Answer, User } from '@wire-trail/core';
import { transact } from '../../db/transact.ts';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import { markEnded, sessionsOf } from '../../http/session-store.ts';
import { hashPassword, refuseCommon } from '../session/password.ts';
import { allUsers, insertUser, lockAdmins, type UserChange, updateUser } from './store.ts';

export const listUsers = ({ db }: Services) => allUsers(db);

export async function addUser(
  { password, ...user }: Omit<User, 'id'> & { password: string },
  { db, now }: Pick<Services, 'db' | 'now'>,
): Promise<User> {
  refuseCommon(password, [user.signIn, user.name]);
  const added = await insertUser(db, { ...user, passwordHash: await hashPassword(password), at: now() });
  if (!added) throw new ProblemError('already-there', { detail: 'this sign-in name is taken' });
  return added;
}

export async function listSessions(
  userId: number,
  own: string | null,
  { db, now }: Services,
): Promise<Answer<'sessions'>> {
  return (await sessionsOf(db, userId, now())).map(({ hash, ...session }) => ({ ...session, own: hash === own }));
}

/** Ends a session from afar; what is kept on its device goes when it next comes. */
export async function endFromAfar(
  { id, session }: Readonly<{ id: number; session: string }>,
  { db, now, sessions }: Services,
): Promise<void> {
  if (!(await markEnded(db, id, session, now()))) throw new ProblemError('not-found');
  sessions.forgetUser(id);
}

export async function changeUser(id: number, change: UserChange, { db, sessions }: Services): Promise<void> {
  await transact(db, async (trx) => {
    const admins = await lockAdmins(trx);
    const losesLast = admins.length === 1 && admins[0] === id && (change.role !== 'admin' || change.disabled);
    if (losesLast) throw new ProblemError('wrong-state', { detail: 'the last admin stays admin' });
    if (!(await updateUser(trx, id, change))) throw new ProblemError('not-found');
  });
  sessions.forgetUser(id);
}
