import { foldWalk, ledgerOf, type Problem, problemsOf, readingsTaken, roleAtLeast, WalkEvent } from '@wire-trail/core';
import type { Transaction } from '../../db/connect.ts';
import { transact } from '../../db/transact.ts';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import type { User } from '../../http/user.ts';
import { addEvent, countTries, eventsOf, eventsOfMachine, listWalks, lockWalk, rewriteWalk } from './store.ts';

export type Taken = Readonly<{
  stored: string[];
  known: string[];
  refused: Array<{ index: number; id: string | null; fields: Problem[] }>;
}>;

/**
 * Takes events from a device. Each is judged on its own, so that one wrong event does not hold up the rest; sent twice,
 * it is stored once. A walk belongs to whom it began with.
 */
export async function takeEvents(
  input: { events: readonly unknown[]; user: User },
  { db, now }: Services,
): Promise<Taken> {
  const misshapen: Taken['refused'] = [];
  const good: Array<{ event: WalkEvent; index: number }> = [];
  input.events.forEach((raw, index) => {
    const read = WalkEvent.safeParse(raw);
    const id = typeof raw === 'object' && raw !== null && 'id' in raw && typeof raw.id === 'string' ? raw.id : null;
    if (read.success) good.push({ event: read.data, index });
    else misshapen.push({ index, id, fields: problemsOf(read.error, ['events', index]) });
  });
  return transact(db, async (trx) => {
    const taken: Taken = { stored: [], known: [], refused: [...misshapen] };
    for (const walk of [...new Set(good.map(({ event }) => event.walk))].sort()) {
      const mine = good.filter(({ event }) => event.walk === walk);
      if ((await lockWalk(trx, walk, input.user.id)) !== input.user.id) {
        for (const { event, index } of mine)
          taken.refused.push({
            index,
            id: event.id,
            fields: [{ path: ['events', index, 'walk'], reason: 'belongs to somebody else' }],
          });
        continue;
      }
      for (const { event } of mine) {
        const isNew = await addEvent(trx, event, input.user.id, now());
        (isNew ? taken.stored : taken.known).push(event.id);
        if (isNew && event.kind === 'unlisted' && event.ask) await keepQuestion(trx, event, input.user.id);
      }
      await rewriteWalk(trx, walk);
    }
    return taken;
  });
}

async function keepQuestion(
  trx: Transaction,
  event: Extract<WalkEvent, { kind: 'unlisted' }>,
  userId: number,
): Promise<void> {
  const started = (await eventsOf(trx, event.walk)).find((e) => e.kind === 'started');
  await trx('questions').insert({
    id: event.id,
    walk_id: event.walk,
    family: started?.family ?? null,
    text: event.text,
    words: event.words,
    user_id: userId,
    asked_at: new Date(event.at),
  });
}

/** Walks a person may see: technicians their own, trainers everybody's. */
export function readLog(input: { user: User; family?: string; state?: string; serial?: string }, { db }: Services) {
  const { user, ...filter } = input;
  return listWalks(db, { ...filter, userId: roleAtLeast(user.role, 'trainer') ? null : user.id });
}

export async function readWalk(id: string, user: User, { db }: Services) {
  const row = await db('walks').where({ id }).first('user_id');
  if (!row || (row.user_id !== user.id && !roleAtLeast(user.role, 'trainer'))) throw new ProblemError('not-found');
  return { id, mine: row.user_id === user.id, events: await eventsOf(db, id) };
}

/** What happened to this very unit before, whoever walked it, and what was left limited or not put back on it. */
/** More readings than this of one machine are not sent; the newest are. */
const mostReadings = 400;

export async function machineHistory(family: string, serial: string, { db }: Services) {
  const machine = await db('machines')
    .where({ family, serial })
    .first(
      'id',
      'family',
      'serial',
      'model',
      'software',
      'variant',
      'options',
      'composition',
      'last_seen_at as lastSeenAt',
    );
  if (!machine) return { machine: null, walks: [], ledger: [], readings: [] };
  const walks = await listWalks(db, { userId: null, family, serial });
  const events = await eventsOfMachine(db, machine.id);
  const readings = events.flatMap(readingsTaken).sort((a, b) => a.at.localeCompare(b.at));
  return {
    machine: { ...machine, lastSeenAt: (machine.lastSeenAt as Date).toISOString() },
    walks,
    ledger: ledgerOf(events.flatMap((own) => foldWalk(own) ?? [])),
    readings: readings.slice(-mostReadings),
  };
}

export async function openQuestions({ db }: Services) {
  const rows = await db('questions as q')
    .join('users as u', 'u.id', 'q.user_id')
    .whereNull('q.settled_at')
    .orderBy('q.asked_at', 'desc')
    .limit(300)
    .select('q.*', 'u.name as by');
  return rows.map((q) => ({
    id: q.id,
    walk: q.walk_id,
    family: q.family,
    text: q.text,
    words: q.words,
    by: q.by,
    askedAt: (q.asked_at as Date).toISOString(),
  }));
}

export async function settleQuestion(
  id: string,
  input: { answer: string; user: User },
  { db, now }: Services,
): Promise<void> {
  const changed = await db('questions')
    .where({ id })
    .whereNull('settled_at')
    .update({ settled_at: now(), settled_by: input.user.id, answer: input.answer });
  if (changed === 0) throw new ProblemError('not-found');
}

/** Tries of a family's routes, by route. */
export function triesOf(family: string, { db }: Services) {
  return countTries(db, family);
}
