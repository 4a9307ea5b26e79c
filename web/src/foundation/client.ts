import { type Answer, type Asked, addressOf, contract, type Declared, Refusal, type RouteName } from '@wire-trail/core';
import { learnClock } from './device/clock.ts';
import { announceEnded, announceNewer } from './device/told-by-server.ts';

/** What a route is asked with: no more than its contract has. */
export type Asking<N extends RouteName> = {
  readonly [K in keyof Asked<N> as Asked<N>[K] extends undefined ? never : K]: Asked<N>[K];
};

/** Why there is no answer: the server's own word, or that nothing of it came through, or nothing this version can read. */
export type Refused =
  | Refusal
  | Readonly<{
      title: string;
      detail?: string;
      status: number;
      code: 'offline' | 'newer';
      fields?: undefined;
      stale?: undefined;
    }>;
export type Answered<N extends RouteName> =
  | Readonly<{ kind: 'answer'; value: Answer<N> }>
  /** What is held already is still right. */
  | Readonly<{ kind: 'unchanged' }>
  | Readonly<{ kind: 'refused'; refused: Refused }>;

const refused = (why: Refused): Readonly<{ kind: 'refused'; refused: Refused }> => ({ kind: 'refused', refused: why });
const offline = refused({ title: 'No connection to the server.', status: 0, code: 'offline' });
const nowhere = refused({
  type: '/problems/not-found',
  title: 'There is no such thing here.',
  status: 404,
  code: 'not-found',
});
const newer = (status: number) =>
  refused({
    title: 'The server is newer than this page.',
    detail: 'Its answer cannot be read here. What is on this device stays; load the page anew.',
    status,
    code: 'newer',
  });

/**
 * Asks the server by the contract: the address is made of it, and what comes back is read by it. An answer it does not say is
 * one of a newer server: it is told once for the whole page, and nothing of it is used.
 */
export async function ask<N extends RouteName>(
  name: N,
  asking: Asking<N>,
  more: Readonly<{ held?: string; signal?: AbortSignal }> = {},
): Promise<Answered<N>> {
  const route: Declared = contract[name];
  const { params, query, body } = asking as Readonly<{ params?: unknown; query?: unknown; body?: unknown }>;
  const address = addressOf(route, { params, query });
  if (address === null) return nowhere;
  const askedAt = Date.now();
  let saysTime: string | null;
  let status: number;
  let text: string;
  try {
    const response = await fetch(address, {
      method: route.method.toUpperCase(),
      credentials: 'same-origin',
      headers: {
        'x-wire-trail': '1',
        ...(body !== undefined && { 'content-type': 'application/json' }),
        ...(more.held && { 'if-none-match': `"${more.held}"` }),
      },
      ...(body !== undefined && { body: JSON.stringify(body) }),
      ...(more.signal && { signal: more.signal }),
      ...(more.held !== undefined && { cache: 'no-store' as const }),
    });
    status = response.status;
    saysTime = response.headers.get('date');
    text = await response.text();
  } catch {
    return offline;
  }
  if (status === 304) return { kind: 'unchanged' };
  const json = readJson(text);
  // something between here and the server answered in its stead
  if (json === notJson) return offline;
  learnClock(saysTime, askedAt, Date.now());
  if (status >= 400) {
    const said = Refusal.safeParse(json);
    if (said.success) {
      if (said.data.code === 'session-ended') announceEnded();
      return refused(said.data);
    }
    return status >= 500
      ? refused({ title: `The server answered ${status}.`, status, code: 'offline' })
      : unreadable(status);
  }
  const read = route.answer?.safeParse(json) ?? { success: true, data: undefined };
  if (!read.success) return unreadable(status);
  // the contract types both the answer and the schema that has just read it
  return { kind: 'answer', value: read.data as Answer<N> };
}

function unreadable(status: number): Readonly<{ kind: 'refused'; refused: Refused }> {
  announceNewer();
  return newer(status);
}

const notJson = Symbol('not JSON');
function readJson(text: string): unknown {
  if (text === '') return undefined;
  try {
    return JSON.parse(text);
  } catch {
    return notJson;
  }
}
