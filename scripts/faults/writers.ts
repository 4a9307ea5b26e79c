import { randomUUID } from 'node:crypto';
import type { Answer } from '@wire-trail/core';
import { signedInAt } from '../started.ts';
import { type Tally, wait } from './tally.ts';

type Ask = Awaited<ReturnType<typeof signedInAt>>;

/** What was acknowledged, and must be there for ever. */
export type Acknowledged = Readonly<{
  events: Map<string, string[]>;
  drafts: Array<{ path: string; number: number; note: string }>;
  published: number[];
}>;
export const nothingYet = (): Acknowledged => ({ events: new Map(), drafts: [], published: [] });

const eventOf = (walk: string, seq: number, at = new Date().toISOString()) => ({
  id: randomUUID(),
  walk,
  seq,
  at,
  ...(seq === 0
    ? { kind: 'started', family: 'quorrin-b2', bundle: 'x', from: { kind: 'panel' } }
    : { kind: 'noted', text: `step ${seq}` }),
});

/** Asks as a device does: an answer that was lost, or a server that is away, is asked again until the time is over. */
async function insisted(
  ask: () => Promise<Response>,
  tally: Tally,
  until: () => boolean,
): Promise<{ status: number; body: unknown } | null> {
  while (!until()) {
    try {
      const response = await ask();
      const text = await response.text();
      if (response.status === 500) tally.answered500 += 1;
      if (response.status < 500) return { status: response.status, body: text ? JSON.parse(text) : null };
    } catch {
      // nobody is there; the same again in a moment
    }
    await wait(150);
  }
  return null;
}

const signedInSoon = async (address: string, name: string, until: () => boolean): Promise<Ask | null> => {
  while (!until()) {
    const ask = await signedInAt(address, name).catch(() => null);
    if (ask) return ask;
    await wait(200);
  }
  return null;
};

/** A technician: walks of a few steps each, some of them sent twice. */
export async function walks(address: string, done: Acknowledged, tally: Tally, until: () => boolean): Promise<void> {
  const ask = await signedInSoon(address, 'technician', until);
  while (ask && !until()) {
    const walk = randomUUID();
    for (let seq = 0; seq < 4 && !until(); seq += 1) {
      const event = eventOf(walk, seq);
      const send = () => insisted(() => ask('POST', '/events', { events: [event] }), tally, until);
      tally.tried += 1;
      const answers = await Promise.all(seq % 2 ? [send(), send()] : [send()]);
      for (const answer of answers) {
        const taken = answer?.body as Answer<'takeEvents'> | undefined;
        if (taken && [...taken.stored, ...taken.known].includes(event.id)) {
          done.events.set(walk, [...new Set([...(done.events.get(walk) ?? []), event.id])]);
        }
      }
    }
  }
}

let notes = 0;

/** A trainer: saves drafts of one entry, hands some in. */
export async function trains(
  address: string,
  path: string,
  done: Acknowledged,
  tally: Tally,
  until: () => boolean,
): Promise<void> {
  const ask = await signedInSoon(address, 'trainer', until);
  const [, , family, , kind, id] = path.split('/');
  while (ask && !until()) {
    const read = await insisted(() => ask('GET', path), tally, until);
    if (!read) return;
    const { latest } = read.body as Answer<'entry'>;
    notes += 1;
    const note = `note ${notes}`;
    const body = { ...latest.body, does: note };
    tally.tried += 1;
    const saved = await insisted(
      () => ask('PUT', `${path}/draft`, { basedOn: latest.number, note, body }),
      tally,
      until,
    );
    if (saved?.status !== 201) continue;
    done.drafts.push({ path, number: latest.number + 1, note });
    if (notes % 2)
      await insisted(
        () => ask('POST', '/publish-sets', { title: note, items: [{ family, kind, id, number: latest.number + 1 }] }),
        tally,
        until,
      );
  }
}

/** A reviewer: publishes what waits. */
export async function publishes(
  address: string,
  done: Acknowledged,
  tally: Tally,
  until: () => boolean,
): Promise<void> {
  const ask = await signedInSoon(address, 'reviewer', until);
  while (ask && !until()) {
    const waiting = await insisted(() => ask('GET', '/publish-sets?state=in-review'), tally, until);
    for (const { id } of (waiting?.body ?? []) as Answer<'changeSets'>) {
      tally.tried += 1;
      const answer = await insisted(() => ask('POST', `/publish-sets/${id}/publish`, { note: '' }), tally, until);
      if (answer?.status === 200) done.published.push(id);
      // one that was overtaken goes back, so that the next can come
      if (answer?.status === 409)
        await insisted(() => ask('POST', `/publish-sets/${id}/return`, { note: '' }), tally, until);
    }
    await wait(50);
  }
}

/** Whether all that was acknowledged is there, once each. */
export async function verify(address: string, done: Acknowledged, tally: Tally): Promise<void> {
  const trainer = await signedInAt(address, 'trainer');
  for (const [walk, ids] of done.events) {
    const response = await trainer('GET', `/walks/${walk}`);
    const there = response.ok ? ((await response.json()) as Answer<'walk'>).events.map((e) => e.id as string) : [];
    tally.lost += ids.filter((id) => !there.includes(id)).length;
    tally.doubled += there.length - new Set(there).size;
  }
  for (const path of new Set(done.drafts.map((d) => d.path))) {
    const { history } = (await (await trainer('GET', path)).json()) as Answer<'entry'>;
    for (const { number, note } of done.drafts.filter((d) => d.path === path))
      if (history.find((r) => r.number === number)?.note !== note) tally.lost += 1;
    const numbers = history.map((r) => r.number);
    tally.doubled += numbers.length - new Set(numbers).size;
  }
  for (const id of done.published) {
    const set = (await (await trainer('GET', `/publish-sets/${id}`)).json()) as Answer<'changeSet'>;
    if (set.state !== 'published') tally.lost += 1;
  }
  tally.doubled += done.published.length - new Set(done.published).size;
}
