import { Role, type SignedIn, User } from '@wire-trail/core';
import { z } from 'zod';
import type { Db, Transaction } from '../db/connect.ts';
import { instant, json, readRow, readRows } from '../db/rows.ts';

/** A user's columns, named as they are sent. */
export const userColumns = [
  'users.id',
  'users.name',
  'users.sign_in as signIn',
  'users.role',
  'users.level',
  'users.trades',
];
export const UserRow = z.object({
  id: z.number(),
  name: z.string(),
  signIn: z.string(),
  role: Role,
  level: User.shape.level,
  trades: json(User.shape.trades),
});

export type FoundSession = Readonly<{ user: User; ended: boolean; seenAt: Date | null }>;

export async function findSession(db: Db, id: string, at: Date): Promise<FoundSession | null> {
  const row = await db('sessions')
    .join('users', 'users.id', 'sessions.user_id')
    .where('sessions.id', id)
    .where('sessions.expires_at', '>', at)
    .where('users.disabled', false)
    .first(...userColumns, 'sessions.ended_at as endedAt', 'sessions.seen_at as seenAt');
  const read = readRow(UserRow.extend({ endedAt: z.date().nullable(), seenAt: z.date().nullable() }), row);
  if (!read) return null;
  const { endedAt, seenAt, ...user } = read;
  return { user, ended: endedAt !== null, seenAt };
}

/** Adds a session; those that are over go. */
export async function addSession(
  db: Db,
  session: { id: string; userId: number; expires: Date; agent: string },
  at: Date,
): Promise<void> {
  await db('sessions').insert({
    id: session.id,
    user_id: session.userId,
    expires_at: session.expires,
    begun_at: at,
    seen_at: at,
    agent: session.agent.slice(0, 300),
  });
  await db('sessions').where('expires_at', '<', at).delete();
}

export async function markSeen(db: Db, id: string, at: Date): Promise<void> {
  await db('sessions').where({ id }).update({ seen_at: at });
}

export async function removeSession(db: Db, id: string): Promise<void> {
  await db('sessions').where('id', id).delete();
}

/** Ends the sessions of a person, but for one that may stay. */
export async function removeSessions(
  db: Db | Transaction,
  userId: number,
  butFor: string | null = null,
): Promise<void> {
  const query = db('sessions').where({ user_id: userId });
  await (butFor === null ? query : query.whereNot({ id: butFor })).delete();
}

/** A session is named to others by so much of its hash: nobody can make a cookie of it. */
const named = 16;
const SessionRow = z
  .object({
    id: z.string(),
    begun_at: instant.nullable(),
    seen_at: instant.nullable(),
    agent: z.string(),
    ended_at: z.date().nullable(),
  })
  .transform(
    ({ id, begun_at: begunAt, seen_at: seenAt, agent, ended_at }): Omit<SignedIn, 'own'> & { hash: string } => ({
      hash: id,
      id: id.slice(0, named),
      begunAt,
      seenAt,
      browser: agent,
      ended: ended_at !== null,
    }),
  );

/** Where somebody is signed in, the one used last first. */
export async function sessionsOf(db: Db, userId: number, at: Date) {
  const rows = await db('sessions')
    .where({ user_id: userId })
    .where('expires_at', '>', at)
    .orderBy('seen_at', 'desc')
    .select('id', 'begun_at', 'seen_at', 'agent', 'ended_at');
  return readRows(SessionRow, rows);
}

/** Ends a session from afar: it stays known until it is over, so that its device can be told. */
export async function markEnded(db: Db, userId: number, session: string, at: Date): Promise<boolean> {
  const changed = await db('sessions')
    .where({ user_id: userId })
    .where('id', 'like', `${session}%`)
    .update({ ended_at: at });
  return changed > 0;
}
