import { type Attached, currentStation, type FamilyId, foldWalk, type WalkEvent } from '@wire-trail/core';
import type { Db, Transaction } from '../../db/connect.ts';

const asEvent = (body: unknown): WalkEvent => (typeof body === 'string' ? JSON.parse(body) : body) as WalkEvent;

export async function eventsOf(db: Db | Transaction, walkId: string): Promise<WalkEvent[]> {
  return (await db('walk_events').where({ walk_id: walkId }).orderBy(['seq', 'received_at']).pluck('body')).map(
    asEvent,
  );
}

/** The events of every walk on one machine, walk by walk. */
export async function eventsOfMachine(db: Db, machineId: string): Promise<WalkEvent[][]> {
  const rows = await db('walk_events as e')
    .join('walks as w', 'w.id', 'e.walk_id')
    .where('w.machine_id', machineId)
    .orderBy(['e.walk_id', 'e.seq'])
    .select('e.walk_id as walk', 'e.body');
  const walks = new Map<string, WalkEvent[]>();
  for (const { walk, body } of rows) walks.set(walk, [...(walks.get(walk) ?? []), asEvent(body)]);
  return [...walks.values()];
}

/**
 * The walk's owner, made on its first event; locked until the transaction ends. The merge takes the row's exclusive lock at
 * once: an ignored insert would leave a shared one, and two of those cannot both be raised.
 */
export async function lockWalk(trx: Transaction, walkId: string, userId: number): Promise<number> {
  await trx('walks')
    .insert({ id: walkId, user_id: userId, state: 'open', station: 'unit' })
    .onConflict('id')
    .merge(['id']);
  return Number((await trx('walks').where({ id: walkId }).forUpdate().first('user_id')).user_id);
}

/** Stores an event once, however often it is sent; whether it was new. */
export async function addEvent(trx: Transaction, event: WalkEvent, userId: number, at: Date): Promise<boolean> {
  const known = await trx('walk_events').where({ id: event.id }).first('id');
  if (known) return false;
  await trx('walk_events').insert({
    id: event.id,
    walk_id: event.walk,
    seq: event.seq,
    body: JSON.stringify(event),
    user_id: userId,
    received_at: at,
  });
  return true;
}

/** Rewrites what is listed of a walk from its events. */
export async function rewriteWalk(trx: Transaction, walkId: string): Promise<void> {
  const walk = foldWalk(await eventsOf(trx, walkId));
  if (!walk) return;
  const machineId = walk.unit ? await keepMachine(trx, walk.family, walk.unit, new Date(walk.lastAt)) : null;
  await trx('walks')
    .where({ id: walkId })
    .update({
      family: walk.family,
      machine_id: machineId,
      state: walk.closed ? 'closed' : walk.waitingUntil ? 'waiting' : 'open',
      code: walk.code ?? walk.symptom ?? walk.unlisted?.text ?? null,
      station: currentStation(walk),
      outcome: walk.closed?.outcome ?? null,
      fixed_by: walk.closed?.fixedBy.slice(0, 1000) ?? null,
      started_at: new Date(walk.startedAt),
      last_at: new Date(walk.lastAt),
      waiting_until: walk.waitingUntil,
    });
}

type Unit = Readonly<{
  machine: string;
  serial: string;
  model: string;
  software: string | null;
  variant: string | null;
  options: Readonly<Record<string, string>>;
  composition: readonly Attached[];
}>;

/**
 * A machine is known by family and serial; the first device to see it names it. It stands as it was seen last: a walk that is
 * sent late changes nothing a later one has seen.
 */
async function keepMachine(trx: Transaction, family: FamilyId, unit: Unit, at: Date): Promise<string> {
  const known = await trx('machines').where({ family, serial: unit.serial }).first('id', 'last_seen_at');
  const row = {
    model: unit.model,
    software: unit.software,
    variant: unit.variant,
    options: JSON.stringify(unit.options),
    composition: JSON.stringify(unit.composition),
    last_seen_at: at,
  };
  if (known) {
    if (at >= known.last_seen_at) await trx('machines').where({ id: known.id }).update(row);
    return known.id;
  }
  await trx('machines').insert({ id: unit.machine, family, serial: unit.serial, ...row });
  return unit.machine;
}

const iso = (value: Date | null): string | null => value?.toISOString() ?? null;

export type WalkFilter = Readonly<{ userId: number | null; family?: string; state?: string; serial?: string }>;

export async function listWalks(db: Db, filter: WalkFilter) {
  const query = db('walks as w')
    .leftJoin('machines as m', 'm.id', 'w.machine_id')
    .join('users as u', 'u.id', 'w.user_id')
    .orderBy('w.last_at', 'desc')
    .limit(300)
    .select('w.*', 'm.serial', 'm.model', 'm.software', 'u.name as by');
  if (filter.userId !== null) query.where('w.user_id', filter.userId);
  if (filter.family) query.where('w.family', filter.family);
  if (filter.state) query.where('w.state', filter.state);
  if (filter.serial) query.where('m.serial', filter.serial);
  return (await query).map((row) => ({
    id: row.id as string,
    family: row.family as string | null,
    serial: row.serial as string | null,
    model: row.model as string | null,
    software: row.software as string | null,
    by: row.by as string,
    state: row.state as 'open' | 'waiting' | 'closed',
    code: row.code as string | null,
    station: row.station as string,
    outcome: row.outcome as string | null,
    fixedBy: row.fixed_by as string | null,
    startedAt: iso(row.started_at),
    lastAt: iso(row.last_at),
    waitingUntil:
      row.waiting_until instanceof Date
        ? row.waiting_until.toISOString().slice(0, 10)
        : (row.waiting_until as string | null),
  }));
}

/** How often each route of a family was tried on walks, and how often it took; tries that were taken back do not count. */
export async function countTries(db: Db, family: string): Promise<Array<{ route: string; took: number; of: number }>> {
  const [rows] = (await db.raw(
    `SELECT JSON_VALUE(e.body, '$.route') AS route, COUNT(*) AS tries,
       SUM(JSON_VALUE(e.body, '$.took') IN ('1', 'true')) AS took
     FROM walk_events e JOIN walks w ON w.id = e.walk_id
     WHERE w.family = ? AND JSON_VALUE(e.body, '$.kind') = 'tried'
       AND NOT EXISTS (SELECT 1 FROM walk_events t WHERE t.walk_id = e.walk_id
         AND JSON_VALUE(t.body, '$.kind') = 'taken-back' AND JSON_VALUE(t.body, '$.event') = e.id)
     GROUP BY 1`,
    [family],
  )) as [Array<{ route: string; tries: number | string; took: number | string }>];
  return rows.map((r) => ({ route: r.route, took: Number(r.took), of: Number(r.tries) }));
}
