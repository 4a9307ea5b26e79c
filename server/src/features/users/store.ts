import type { Role, User } from '@wire-trail/core';
import { z } from 'zod';
import type { Db, Transaction } from '../../db/connect.ts';
import { flag, readId, readRow, readRows } from '../../db/rows.ts';
import { duplicateKey } from '../../db/transact.ts';
import { removeSessions, UserRow, userColumns } from '../../http/session-store.ts';

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

/** How the database spells a name where it compares: names that are the same to it give the same. */
export async function spelledAs(signIn: string, db: Db): Promise<string> {
  const [rows] = z
    .tuple([z.array(z.object({ spelled: z.string() })), z.unknown()])
    .parse(
      await db.raw('SELECT HEX(WEIGHT_STRING(RTRIM(?) COLLATE utf8mb4_uca1400_ai_ci)) AS spelled', [
        signIn.slice(0, 120),
      ]),
    );
  return rows[0]?.spelled.slice(0, 180) ?? '';
}

export async function findUserById(id: number, db: Db): Promise<User | null> {
  return readRow(UserRow, await db('users').where({ id, disabled: false }).first(userColumns));
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

/** What of somebody is changed. */
export type UserChange = Readonly<{ role: Role; disabled: boolean }> & Pick<User, 'level' | 'trades'>;

/** Changes a user, and ends the sessions of one who is closed; whether there is such a user. */
export async function updateUser(trx: Transaction, id: number, { trades, ...change }: UserChange): Promise<boolean> {
  const changed = { ...change, ...(trades && { trades: JSON.stringify(trades) }) };
  if ((await trx('users').where({ id }).update(changed)) === 0) return false;
  if (change.disabled) await removeSessions(trx, id);
  return true;
}
