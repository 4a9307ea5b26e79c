import type { Role, User } from '@wire-trail/core';
import { z } from 'zod';
import type { Db, Transaction } from '../../db/connect.ts';
import { flag, readId, readRow, readRows } from '../../db/rows.ts';
import { duplicateKey } from '../../db/transact.ts';
import { UserRow, userColumns } from '../../http/session-store.ts';

export async function allUsers(db: Db): Promise<Array<User & { disabled: boolean }>> {
  const rows = await db('users').orderBy('name').select(userColumns).select('disabled');
  return readRows(UserRow.extend({ disabled: flag }), rows);
}

/** A user who may sign in, with the hash of the password. */
export async function findUser(signIn: string, db: Db): Promise<{ user: User; passwordHash: string } | null> {
  const row = await db('users')
    .where({ sign_in: signIn, disabled: false })
    .first([...userColumns, 'password_hash as passwordHash']);
  const read = readRow(UserRow.extend({ passwordHash: z.string() }), row);
  if (!read) return null;
  const { passwordHash, ...user } = read;
  return { user, passwordHash };
}

/** Adds a user; null where the sign-in name is taken. */
export async function insertUser(
  db: Db,
  user: Omit<User, 'id'> & { passwordHash: string; at: Date },
): Promise<User | null> {
  const { name, signIn, role, passwordHash, at } = user;
  try {
    const made = await db('users').insert({ name, sign_in: signIn, role, password_hash: passwordHash, created_at: at });
    return { id: readId(made), name, signIn, role };
  } catch (error) {
    if (error instanceof Error && 'errno' in error && error.errno === duplicateKey) return null;
    throw error;
  }
}

/** Ids of those who are admin and not closed; held until the transaction ends. */
export async function lockAdmins(trx: Transaction): Promise<number[]> {
  return z
    .array(z.number())
    .parse(await trx('users').where({ role: 'admin', disabled: false }).forUpdate().pluck('id'));
}

/** Changes a user, and ends the sessions of one who is closed; whether there is such a user. */
export async function updateUser(
  trx: Transaction,
  id: number,
  change: Readonly<{ role: Role; disabled: boolean }>,
): Promise<boolean> {
  if ((await trx('users').where({ id }).update(change)) === 0) return false;
  if (change.disabled) await trx('sessions').where({ user_id: id }).delete();
  return true;
}
