import { Role, type User } from '@wire-trail/core';
import { z } from 'zod';
import type { Db } from '../db/connect.ts';
import { readRow } from '../db/rows.ts';

/** A user's columns, named as they are sent. */
export const userColumns = ['users.id', 'users.name', 'users.sign_in as signIn', 'users.role'];
export const UserRow = z.object({ id: z.number(), name: z.string(), signIn: z.string(), role: Role });

export async function findSession(db: Db, id: string, at: Date): Promise<User | null> {
  const row = await db('sessions')
    .join('users', 'users.id', 'sessions.user_id')
    .where('sessions.id', id)
    .where('sessions.expires_at', '>', at)
    .where('users.disabled', false)
    .first(userColumns);
  return readRow(UserRow, row);
}

/** Adds a session; those that are over go. */
export async function addSession(
  db: Db,
  session: { id: string; userId: number; expires: Date },
  at: Date,
): Promise<void> {
  await db('sessions').insert({ id: session.id, user_id: session.userId, expires_at: session.expires });
  await db('sessions').where('expires_at', '<', at).delete();
}

export async function removeSession(db: Db, id: string): Promise<void> {
  await db('sessions').where('id', id).delete();
}
