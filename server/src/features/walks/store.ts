import { randomUUID } from 'node:crypto';
import {
  type Attached,
  currentStation,
  FamilyId,
  foldWalk,
  groupBy,
  type OrderedLine,
  Outcome,
  Question,
  SeenMachine,
  Station,
  type Tried,
  WalkEvent,
  WalkLine,
} from '@wire-trail/core';
import { z } from 'zod';
import type { Db, Transaction } from '../../db/connect.ts';
import { count, instant, json, readRow, readRows } from '../../db/rows.ts';

const text = z.string().nullable();
const EventBody = json(WalkEvent);
const OwnerRow = z.object({ user_id: z.number() });
const TriedRow = z.object({
  route: z.string(),
  tries: count,
  took: count,
  pace: count,
  counted: count,
  elsewhere: count,
});
const KnownMachine = z.object({ id: z.string(), last_seen_at: z.date() });
const MachineColumns = SeenMachine.extend({
  options: json(SeenMachine.shape.options),
  composition: json(SeenMachine.shape.composition),
  lastSeenAt: instant,
});
const QuestionRow = Question.extend({ askedAt: instant });

export async function eventsOf(db: Db | Transaction, walkId: string): Promise<WalkEvent[]> {
  const bodies = await db('walk_events').where({ walk_id: walkId }).orderBy(['seq', 'received_at']).pluck('body');
  return readRows(EventBody, bodies);
}

/** The events of every walk on one machine, walk by walk. */
export async function eventsOfMachine(db: Db, machineId: string): Promise<WalkEvent[][]> {
  const rows = await db('walk_events as e')
    .join('walks as w', 'w.id', 'e.walk_id')
    .where('w.machine_id', machineId)
    .orderBy(['e.walk_id', 'e.seq'])
    .select('e.walk_id as walk', 'e.body');
  const walks = new Map<string, WalkEvent[]>();
  for (const { walk, body } of readRows(z.object({ walk: z.string(), body: EventBody }), rows))
    walks.set(walk, [...(walks.get(walk) ?? []), body]);
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
  const owner = await lockOwner(trx, walkId);
  if (owner === null) throw new Error(`walk ${walkId} vanished`);
  return owner;
}

/** Stores an event once, however often it is sent: new, known already, or an id that stands for another walk's event. */
export async function addEvent(
  trx: Transaction,
  event: WalkEvent,
  userId: number,
  at: Date,
): Promise<'new' | 'known' | 'elsewhere'> {
  const known = readRow(
    z.object({ walk_id: z.string() }),
    await trx('walk_events').where({ id: event.id }).first('walk_id'),
  );
  if (known) return known.walk_id === event.walk ? 'known' : 'elsewhere';
  await trx('walk_events').insert({
    id: event.id,
    walk_id: event.walk,
    seq: event.seq,
    body: JSON.stringify(event),
    user_id: userId,
    received_at: at,
  });
  return 'new';
}

/**
 * Rewrites what is listed of a walk from its events. A device whose clock is ahead does not stand before everybody else
 * for years: nothing was seen later than it came.
 */
export async function rewriteWalk(trx: Transaction, walkId: string, now: Date): Promise<void> {
  const events = await eventsOf(trx, walkId);
  const walk = foldWalk(events);
  if (!walk) return;
  await keepTries(trx, walkId, walk.family, events);
  const seen = (at: string): Date => new Date(Math.min(Date.parse(at), now.getTime()));
  const machineId = walk.unit ? await keepMachine(trx, walk.family, walk.unit, seen(walk.lastAt)) : null;
  const before = readRow(z.object({ machine_id: text }), await trx('walks').where({ id: walkId }).first('machine_id'));
  await trx('walks')
    .where({ id: walkId })
    .update({
      family: walk.family,
      machine_id: machineId,
      state: walk.closed ? 'closed' : walk.offered ? 'offered' : walk.waitingUntil ? 'waiting' : 'open',
      code: walk.code ?? walk.symptom ?? walk.unlisted?.text ?? null,
      station: currentStation(walk),
      outcome: walk.closed?.outcome ?? null,
      fixed_by: walk.closed?.fixedBy.slice(0, 1000) ?? null,
      started_at: seen(walk.startedAt),
      last_at: seen(walk.lastAt),
      waiting_until: walk.waitingUntil,
    });
  if (before?.machine_id && before.machine_id !== machineId) await forgetUnseen(trx, before.machine_id);
}

/** A serial number that was set right leaves a machine behind that nobody has ever seen. */
async function forgetUnseen(trx: Transaction, machineId: string): Promise<void> {
  const seen = await trx('walks').where({ machine_id: machineId }).first('id');
  if (!seen) await trx('machines').where({ id: machineId }).delete();
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
 * sent late changes nothing a later one has seen. An id that names another machine already is not taken for this one.
 */
async function keepMachine(trx: Transaction, family: FamilyId, unit: Unit, at: Date): Promise<string> {
  const known = readRow(
    KnownMachine,
    await trx('machines').where({ family, serial: unit.serial }).first('id', 'last_seen_at'),
  );
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
  const isTaken = await trx('machines').where({ id: unit.machine }).first('id');
  const id = isTaken ? randomUUID() : unit.machine;
  await trx('machines').insert({ id, family, serial: unit.serial, ...row });
  return id;
}

export type WalkFilter = Readonly<{
  userId: number | null;
  family?: string | undefined;
  state?: string | undefined;
  serial?: string | undefined;
  find?: string | undefined;
}>;

const WalkColumns = z
  .object({
    id: z.string(),
    family: FamilyId.nullable(),
    serial: text,
    model: text,
    software: text,
    by: z.string(),
    state: WalkLine.shape.state,
    code: text,
    station: Station,
    outcome: Outcome.nullable(),
    fixed_by: text,
    started_at: instant.nullable(),
    last_at: instant.nullable(),
    waiting_until: instant.nullable(),
  })
  .transform(
    ({ fixed_by, started_at, last_at, waiting_until, ...row }): WalkLine => ({
      ...row,
      fixedBy: fixed_by,
      startedAt: started_at,
      lastAt: last_at,
      waitingUntil: waiting_until?.slice(0, 10) ?? null,
    }),
  );

/** A place between walks, newest first. */
export type LogPlace = Readonly<{ at: Date; id: string }>;

/** Beginnings of what somebody typed may hit so many machines, and so many people. */
const mostFound = 200;

const begins = (text: string): string => `${text.replace(/[\\%_]/g, '\\$&')}%`;

/** Walks, newest first. What is typed is sought as the beginning of a serial number, a model, a code or a name. */
export async function listWalks(
  db: Db,
  filter: WalkFilter,
  page: Readonly<{ most: number; before?: LogPlace | undefined }>,
): Promise<WalkLine[]> {
  const newestFirst = [
    { column: 'w.last_at', order: 'desc' },
    { column: 'w.id', order: 'desc' },
  ];
  // the page is found among the walks alone, by an index, and dressed afterwards
  const found = db('walks as w').orderBy(newestFirst).limit(page.most).select('w.*');
  if (filter.userId !== null) found.where('w.user_id', filter.userId);
  if (filter.family) found.where('w.family', filter.family);
  if (filter.state === 'unfinished') found.whereIn('w.state', ['open', 'waiting']);
  else if (filter.state) found.where('w.state', filter.state);
  if (filter.serial)
    found.whereIn('w.machine_id', await db('machines').where({ serial: filter.serial }).limit(mostFound).pluck('id'));
  if (page.before) {
    const { at, id } = page.before;
    found.whereRaw('w.last_at <= ? AND (w.last_at < ? OR w.id < ?)', [at, at, id]);
  }
  if (filter.find) {
    const like = begins(filter.find);
    const machines = await db('machines')
      .where((m) => m.where('serial', 'like', like).orWhere('model', 'like', like))
      .limit(mostFound)
      .pluck('id');
    const people = await db('users').where('name', 'like', `%${like}`).limit(mostFound).pluck('id');
    found.where((any) =>
      any.whereIn('w.machine_id', machines).orWhereIn('w.user_id', people).orWhere('w.code', 'like', like),
    );
  }
  const query = db
    .from(found.as('w'))
    .leftJoin('machines as m', 'm.id', 'w.machine_id')
    .join('users as u', 'u.id', 'w.user_id')
    .orderBy(newestFirst)
    .select('w.*', 'm.serial', 'm.model', 'm.software', 'u.name as by');
  return readRows(WalkColumns, await query);
}

/** How often each route of a family was tried on walks, and how often it took; tries that were taken back do not count. */
export async function countTries(db: Db, family: string): Promise<Tried[]> {
  const rows = await db('walk_tries')
    .where({ family })
    .groupBy('route')
    .select('route')
    .sum('tries as tries')
    .sum('took as took')
    .sum('pace as pace')
    .sum('counted as counted')
    .sum('elsewhere as elsewhere');
  return readRows(TriedRow, rows).map(({ route, took, tries, pace, counted, elsewhere }) => ({
    route,
    took,
    of: tries,
    wrong: { pace, count: counted, elsewhere },
  }));
}

/** Gives a walk to somebody else. */
export async function giveWalk(trx: Transaction, walkId: string, userId: number): Promise<void> {
  await trx('walks').where({ id: walkId }).update({ user_id: userId });
}

/** Whose a walk is, held until the transaction ends; null where there is none. */
export async function lockOwner(trx: Transaction, walkId: string): Promise<number | null> {
  return readRow(OwnerRow, await trx('walks').where({ id: walkId }).forUpdate().first('user_id'))?.user_id ?? null;
}

/** So many lines of the order mailbox are shown; the newest are. */
const mostOrders = 300;
const OrderRow = z.object({
  body: EventBody,
  family: FamilyId.nullable(),
  serial: text,
  model: text,
  software: text,
  by: z.string(),
});

/** What was ordered on walks: everybody's, or one person's; what was taken back is no order. */
export async function listOrders(db: Db, userId: number | null): Promise<OrderedLine[]> {
  const query = db('walk_events as e')
    .join('walks as w', 'w.id', 'e.walk_id')
    .leftJoin('machines as m', 'm.id', 'w.machine_id')
    .join('users as u', 'u.id', 'e.user_id')
    .whereRaw("JSON_VALUE(e.body, '$.kind') = 'ordered'")
    .whereRaw(
      "NOT EXISTS (SELECT 1 FROM walk_events b WHERE b.walk_id = e.walk_id AND JSON_VALUE(b.body, '$.kind') = 'taken-back' AND JSON_VALUE(b.body, '$.event') = e.id)",
    )
    .orderBy('e.received_at', 'desc')
    .limit(mostOrders)
    .select('e.body', 'w.family', 'm.serial', 'm.model', 'm.software', 'u.name as by');
  if (userId !== null) query.where('e.user_id', userId);
  return readRows(OrderRow, await query).flatMap(({ body, ...of }) =>
    body.kind === 'ordered'
      ? [{ ...of, walk: body.walk, part: body.part, number: body.number, quantity: body.quantity, at: body.at }]
      : [],
  );
}

/** Counts a walk's tries anew. */
async function keepTries(
  trx: Transaction,
  walk: string,
  family: FamilyId,
  events: readonly WalkEvent[],
): Promise<void> {
  const gone = new Set(events.flatMap((e) => (e.kind === 'taken-back' ? [e.event] : [])));
  const tries = groupBy(
    events.flatMap((e) => (e.kind === 'tried' && !gone.has(e.id) ? [e] : [])),
    (e) => e.route,
  );
  await trx('walk_tries').where({ walk_id: walk }).delete();
  const rows = [...tries].map(([route, of]) => ({
    walk_id: walk,
    family,
    route,
    tries: of.length,
    took: of.filter((e) => e.took).length,
    pace: of.filter((e) => e.happened === 'too-slow' || e.happened === 'too-fast').length,
    counted: of.filter((e) => e.happened === 'count-over').length,
    elsewhere: of.filter((e) => e.happened === 'other-mode').length,
  }));
  if (rows.length > 0) await trx('walk_tries').insert(rows);
}

/** Whose walk it is; null where there is none. */
export async function ownerOf(db: Db, walkId: string): Promise<number | null> {
  return readRow(OwnerRow, await db('walks').where({ id: walkId }).first('user_id'))?.user_id ?? null;
}

/** A machine of a family by its serial number, as it was seen last. */
export async function findMachine(db: Db, family: FamilyId, serial: string): Promise<SeenMachine | null> {
  const row = await db('machines')
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
  return readRow(MachineColumns, row);
}

export async function addQuestion(
  trx: Transaction,
  question: {
    id: string;
    walk: string;
    family: FamilyId | null;
    text: string;
    words: string;
    userId: number;
    at: Date;
  },
): Promise<void> {
  const { id, walk, family, userId, at } = question;
  await trx('questions').insert({
    id,
    walk_id: walk,
    family,
    text: question.text,
    words: question.words,
    user_id: userId,
    asked_at: at,
  });
}

/** Questions nobody has settled, newest first. */
export async function listQuestions(db: Db): Promise<Question[]> {
  const rows = await db('questions as q')
    .join('users as u', 'u.id', 'q.user_id')
    .whereNull('q.settled_at')
    .orderBy('q.asked_at', 'desc')
    .limit(300)
    .select('q.id', 'q.walk_id as walk', 'q.family', 'q.text', 'q.words', 'u.name as by', 'q.asked_at as askedAt');
  return readRows(QuestionRow, rows);
}

/** Settles a question; whether one was waiting under this id. */
export async function markSettled(
  db: Db,
  id: string,
  by: { answer: string; userId: number; at: Date },
): Promise<boolean> {
  const changed = await db('questions')
    .where({ id })
    .whereNull('settled_at')
    .update({ settled_at: by.at, settled_by: by.userId, answer: by.answer });
  return changed > 0;
}
