import { FamilyId, type OfferedLine, WalkEvent } from '@wire-trail/core';
import { z } from 'zod';
import type { Db, Transaction } from '../../db/connect.ts';
import { instant, json, readRow, readRows } from '../../db/rows.ts';

const text = z.string().nullable();
const Line = z.object({
  id: z.string(),
  walk: z.string(),
  family: FamilyId,
  body: json(WalkEvent),
  by: z.string(),
  at: instant,
  serial: text,
  model: text,
  software: text,
  outcome: z.enum(['taken', 'declined']).nullable(),
  answer: text,
  settledBy: text,
});

/** Keeps that something was offered. */
export async function addProposal(
  trx: Transaction,
  offered: Readonly<{ id: string; walk: string; family: FamilyId; userId: number; at: Date }>,
): Promise<void> {
  const { id, walk, family, userId, at } = offered;
  await trx('proposals').insert({ id, walk_id: walk, family, user_id: userId, offered_at: at });
}

const lines = (db: Db | Transaction) =>
  db('proposals as p')
    .join('walk_events as e', 'e.id', 'p.id')
    .join('walks as w', 'w.id', 'p.walk_id')
    .join('users as u', 'u.id', 'p.user_id')
    .leftJoin('users as s', 's.id', 'p.settled_by')
    .leftJoin('machines as m', 'm.id', 'w.machine_id')
    // what was taken back on the walk is offered no more
    .whereRaw(
      "NOT EXISTS (SELECT 1 FROM walk_events b WHERE b.walk_id = p.walk_id AND JSON_VALUE(b.body, '$.kind') = 'taken-back' AND JSON_VALUE(b.body, '$.event') = p.id)",
    )
    .select(
      'p.id',
      'p.walk_id as walk',
      'p.family',
      'e.body',
      'u.name as by',
      'p.offered_at as at',
      'm.serial',
      'm.model',
      'm.software',
      'p.outcome',
      'p.answer',
      's.name as settledBy',
    );

const asLines = (rows: readonly unknown[]): OfferedLine[] =>
  readRows(Line, rows).flatMap(({ body, outcome, answer, settledBy, ...line }) =>
    body.kind === 'proposed'
      ? [
          {
            ...line,
            offer: body.offer,
            words: body.words,
            settled: outcome && { as: outcome, answer: answer ?? '', by: settledBy ?? '' },
          },
        ]
      : [],
  );

/** More than this is not listed at once; the newest are. */
const most = 200;

/** What is offered and not settled yet, newest first; of one person whatever they offered, with what became of it. */
export async function listProposals(db: Db, of: Readonly<{ userId: number }> | 'open'): Promise<OfferedLine[]> {
  const query = lines(db).orderBy('p.offered_at', 'desc').limit(most);
  return asLines(await (of === 'open' ? query.whereNull('p.settled_at') : query.where('p.user_id', of.userId)));
}

/** One that is not settled, held until the transaction ends; null where there is none. */
export async function lockProposal(trx: Transaction, id: string): Promise<OfferedLine | null> {
  const open = readRow(
    z.object({ id: z.string() }),
    await trx('proposals').where({ id }).whereNull('settled_at').forUpdate().first('id'),
  );
  return open ? (asLines(await lines(trx).where('p.id', id))[0] ?? null) : null;
}

export async function markProposal(
  trx: Transaction,
  id: string,
  by: Readonly<{ as: 'taken' | 'declined'; answer: string; userId: number; at: Date }>,
): Promise<void> {
  const { as, answer, userId, at } = by;
  await trx('proposals').where({ id }).update({ outcome: as, answer, settled_by: userId, settled_at: at });
}
