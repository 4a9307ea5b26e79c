import { randomUUID } from 'node:crypto';
import {
  type Answer,
  type Asked,
  type EventsTaken,
  type FamilyId,
  foldWalk,
  lacking,
  ledgerOf,
  permitWords,
  problemsOf,
  readingsTaken,
  roleAtLeast,
  type User,
  WalkEvent,
} from '@wire-trail/core';
import type { Transaction } from '../../db/connect.ts';
import { transact } from '../../db/transact.ts';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import { addProposal } from '../proposals/store.ts';
import {
  addEvent,
  addQuestion,
  countTries,
  eventsOf,
  eventsOfMachine,
  findMachine,
  giveWalk,
  listOrders,
  listQuestions,
  listWalks,
  lockOwner,
  lockWalk,
  markSettled,
  ownerOf,
  rewriteWalk,
} from './store.ts';

/**
 * Takes events from a device. Each is judged on its own, so that one wrong event does not hold up the rest; sent twice,
 * it is stored once. A walk belongs to whom it began with.
 */
export async function takeEvents(
  input: { events: readonly unknown[]; user: User },
  { db, now }: Services,
): Promise<EventsTaken> {
  const misshapen: EventsTaken['refused'] = [];
  const good: Array<{ event: WalkEvent; index: number }> = [];
  input.events.forEach((raw, index) => {
    const read = WalkEvent.safeParse(raw);
    const id = typeof raw === 'object' && raw !== null && 'id' in raw && typeof raw.id === 'string' ? raw.id : null;
    if (read.success) good.push({ event: read.data, index });
    else misshapen.push({ index, id, fields: problemsOf(read.error, ['events', index]) });
  });
  const taken: EventsTaken = { stored: [], known: [], refused: misshapen };
  // walk by walk: what is wrong with one holds up no other
  for (const walk of [...new Set(good.map(({ event }) => event.walk))].sort()) {
    const mine = good.filter(({ event }) => event.walk === walk);
    const answer = await transact(db, (trx) => takeOfWalk(trx, { walk, events: mine, user: input.user, at: now() }));
    taken.stored.push(...answer.stored);
    taken.known.push(...answer.known);
    taken.refused.push(...answer.refused);
  }
  return taken;
}

type Sent = Readonly<{ event: WalkEvent; index: number }>;

async function takeOfWalk(
  trx: Transaction,
  { walk, events, user, at }: { walk: WalkEvent['walk']; events: readonly Sent[]; user: User; at: Date },
): Promise<EventsTaken> {
  const taken: EventsTaken = { stored: [], known: [], refused: [] };
  const refuse = ({ event, index }: Sent, at: 'walk' | 'id', reason: string) =>
    taken.refused.push({ index, id: event.id, fields: [{ path: ['events', index, at], reason }] });
  if ((await lockWalk(trx, walk, user.id)) !== user.id) {
    for (const sent of events) refuse(sent, 'walk', 'belongs to somebody else');
    return taken;
  }
  for (const sent of events) {
    const event = notLater(sent.event, at);
    const what = await addEvent(trx, event, user.id, at);
    if (what === 'elsewhere') refuse(sent, 'id', 'stands for something that happened on another walk');
    else (what === 'new' ? taken.stored : taken.known).push(event.id);
    if (what === 'new' && event.kind === 'unlisted' && event.ask) await keepQuestion(trx, event, user.id);
    if (what === 'new' && event.kind === 'proposed') await keepProposal(trx, event, user.id);
  }
  await rewriteWalk(trx, walk, at);
  return taken;
}

/** A clock may be so much ahead without being called wrong, in ms. */
const aheadMs = 2 * 60_000;

/** Nothing happened later than it came: a device whose clock is ahead is set right, and what it said is kept beside. */
function notLater(event: WalkEvent, received: Date): WalkEvent {
  if (Date.parse(event.at) <= received.getTime() + aheadMs) return event;
  return { ...event, at: received.toISOString(), saidAt: event.saidAt ?? event.at };
}

async function keepQuestion(
  trx: Transaction,
  event: Extract<WalkEvent, { kind: 'unlisted' }>,
  userId: number,
): Promise<void> {
  const started = (await eventsOf(trx, event.walk)).find((e) => e.kind === 'started');
  const { id, walk, text, words, at } = event;
  await addQuestion(trx, { id, walk, family: started?.family ?? null, text, words, userId, at: new Date(at) });
}

async function keepProposal(
  trx: Transaction,
  { id, walk, at }: Extract<WalkEvent, { kind: 'proposed' }>,
  userId: number,
): Promise<void> {
  const started = (await eventsOf(trx, walk)).find((e) => e.kind === 'started');
  // what belongs to no unit is offered to nobody
  if (started) await addProposal(trx, { id, walk, family: started.family, userId, at: new Date(at) });
}

/** So many walks are on a page of the log. */
const perPage = 100;

/** Walks a person may see, a page of them: technicians their own, trainers everybody's. */
export async function readLog(
  { user, ...asked }: Asked<'walks'>['query'] & { user: User },
  { db }: Services,
): Promise<Answer<'walks'>> {
  const { mine, before, ...filter } = asked;
  const [at, id] = before?.split('_') ?? [];
  // what waits for somebody is everybody's to see
  const isAll = (roleAtLeast(user.role, 'trainer') || filter.state === 'offered') && !mine;
  const userId = isAll ? null : user.id;
  const walks = await listWalks(
    db,
    { ...filter, userId },
    { most: perPage + 1, ...(at && id && { before: { at: new Date(at), id } }) },
  );
  const page = walks.slice(0, perPage);
  const last = page.at(-1);
  return { walks: page, next: walks.length > perPage && last?.lastAt ? `${last.lastAt}_${last.id}` : null };
}

export async function readWalk(id: string, user: User, { db }: Services) {
  const owner = await ownerOf(db, id);
  const mine = owner === user.id;
  if (owner === null) throw new ProblemError('not-found');
  const events = await eventsOf(db, id);
  // what waits for somebody may be looked at by whoever might take it
  const mayLook = mine || roleAtLeast(user.role, 'trainer') || foldWalk(events)?.offered;
  if (!mayLook) throw new ProblemError('not-found');
  return { id, mine, events };
}

/** Takes a walk over from whoever could not go on with it: from then on it is this person's, with all that was done. */
export async function takeOver(id: string, user: User, { db, now }: Services): Promise<void> {
  await transact(db, async (trx) => {
    const owner = await lockOwner(trx, id);
    const events = owner === null ? [] : await eventsOf(trx, id);
    const walk = foldWalk(events);
    if (!walk) throw new ProblemError('not-found');
    if (!walk.offered) throw new ProblemError('wrong-state', { detail: 'nobody has to take this walk over' });
    const lacks = lacking({ level: user.level ?? 'technician', trades: user.trades ?? [] }, walk.offered.needs);
    if (lacks) throw new ProblemError('not-allowed', { detail: `what comes next is for ${permitWords(lacks)}` });
    const at = now();
    const event = WalkEvent.parse({
      id: randomUUID(),
      walk: id,
      seq: Math.max(...events.map((e) => e.seq)) + 1,
      at: at.toISOString(),
      kind: 'taken-over',
      by: user.name,
    });
    await addEvent(trx, event, user.id, at);
    await giveWalk(trx, id, user.id);
    await rewriteWalk(trx, id, at);
  });
}

/** What was put into the order mailbox. */
export const readOrders = (user: User, { db }: Services) =>
  listOrders(db, roleAtLeast(user.role, 'trainer') ? null : user.id);

/** More earlier walks than this of one machine are not listed; the newest are. */
const mostEarlier = 300;
/** More readings than this of one machine are not sent; the newest are. */
const mostReadings = 400;

/** What happened to this very unit before, whoever walked it, and what was left limited or not put back on it. */
export async function machineHistory(family: FamilyId, serial: string, { db }: Services) {
  const machine = await findMachine(db, family, serial);
  if (!machine) return { machine: null, walks: [], ledger: [], readings: [] };
  const walks = await listWalks(db, { userId: null, family, serial }, { most: mostEarlier });
  const events = await eventsOfMachine(db, machine.id);
  const readings = events.flatMap(readingsTaken).sort((a, b) => a.at.localeCompare(b.at));
  return {
    machine,
    walks,
    ledger: ledgerOf(events.flatMap((own) => foldWalk(own) ?? [])),
    readings: readings.slice(-mostReadings),
  };
}

export const openQuestions = ({ db }: Services) => listQuestions(db);

export async function settleQuestion(
  id: string,
  input: { answer: string; user: User },
  { db, now }: Services,
): Promise<void> {
  if (!(await markSettled(db, id, { answer: input.answer, userId: input.user.id, at: now() })))
    throw new ProblemError('not-found');
}

/** Tries of a family's routes, by route. */
export const triesOf = (family: FamilyId, { db }: Services) => countTries(db, family);
