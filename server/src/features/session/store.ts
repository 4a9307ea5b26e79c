import type { User } from '@wire-trail/core';
import type { Db, Transaction } from '../../db/connect.ts';
import { readRow } from '../../db/rows.ts';
import { UserRow, userColumns } from '../../http/session-store.ts';

export async function writePassword(trx: Transaction, userId: number, hash: string): Promise<void> {
  await trx('users').where({ id: userId }).update({ password_hash: hash });
}

/** Adds a link to a new password; an earlier one of this person holds no more. */
export async function addLink(db: Db, link: { id: string; userId: number; until: Date }): Promise<void> {
  await db('password_links').where({ user_id: link.userId }).delete();
  await db('password_links').insert({ id: link.id, user_id: link.userId, expires_at: link.until });
}

/** Takes a link that holds, once: whose it is, or null. */
export async function takeLink(trx: Transaction, id: string, at: Date): Promise<User | null> {
  const row = await trx('password_links')
    .join('users', 'users.id', 'password_links.user_id')
    .where('password_links.id', id)
    .where('password_links.expires_at', '>', at)
    .where('users.disabled', false)
    .forUpdate()
    .first(userColumns);
  if (row) await trx('password_links').where({ id }).delete();
  return readRow(UserRow, row);
}
