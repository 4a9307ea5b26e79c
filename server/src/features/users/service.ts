import type { Role } from '@wire-trail/core';
import { transact } from '../../db/transact.ts';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import type { User } from '../../http/user.ts';
import { hashPassword } from '../session/service.ts';

const duplicateKey = 1062;

export async function listUsers({ db }: Services): Promise<Array<User & { disabled: boolean }>> {
  const rows = await db('users').orderBy('name').select('id', 'name', 'sign_in as signIn', 'role', 'disabled');
  return rows.map((row) => ({ ...row, disabled: row.disabled === 1 }));
}

export async function addUser(
  user: { name: string; signIn: string; role: Role; password: string },
  { db, now }: Services,
): Promise<User> {
  const { name, signIn, role } = user;
  try {
    const [id] = await db('users').insert({
      name,
      sign_in: signIn,
      role,
      password_hash: await hashPassword(user.password),
      created_at: now(),
    });
    return { id: Number(id), name, signIn, role };
  } catch (error) {
    if ((error as { errno?: number }).errno === duplicateKey)
      throw new ProblemError('already-there', { detail: 'this sign-in name is taken' });
    throw error;
  }
}

export async function changeUser(
  id: number,
  change: { role: Role; disabled: boolean },
  { db, sessions }: Services,
): Promise<void> {
  await transact(db, async (trx) => {
    const admins = await trx('users').where({ role: 'admin', disabled: false }).forUpdate().pluck('id');
    const losesLast = admins.length === 1 && admins[0] === id && (change.role !== 'admin' || change.disabled);
    if (losesLast) throw new ProblemError('wrong-state', { detail: 'the last admin stays admin' });
    if ((await trx('users').where({ id }).update(change)) === 0) throw new ProblemError('not-found');
    if (change.disabled) await trx('sessions').where({ user_id: id }).delete();
  });
  sessions.forgetUser(id);
}
