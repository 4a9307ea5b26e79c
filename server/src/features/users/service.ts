import type { Role, User } from '@wire-trail/core';
import { transact } from '../../db/transact.ts';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import { hashPassword } from '../session/service.ts';
import { allUsers, insertUser, lockAdmins, updateUser } from './store.ts';

export const listUsers = ({ db }: Services) => allUsers(db);

export async function addUser(
  { password, ...user }: Omit<User, 'id'> & { password: string },
  { db, now }: Services,
): Promise<User> {
  const added = await insertUser(db, { ...user, passwordHash: await hashPassword(password), at: now() });
  if (!added) throw new ProblemError('already-there', { detail: 'this sign-in name is taken' });
  return added;
}

export async function changeUser(
  id: number,
  change: { role: Role; disabled: boolean },
  { db, sessions }: Services,
): Promise<void> {
  await transact(db, async (trx) => {
    const admins = await lockAdmins(trx);
    const losesLast = admins.length === 1 && admins[0] === id && (change.role !== 'admin' || change.disabled);
    if (losesLast) throw new ProblemError('wrong-state', { detail: 'the last admin stays admin' });
    if (!(await updateUser(trx, id, change))) throw new ProblemError('not-found');
  });
  sessions.forgetUser(id);
}
