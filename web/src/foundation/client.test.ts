import type { RouteName } from '@wire-trail/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { ask } from './client.ts';
import { onNewer } from './device/told-by-server.ts';

afterEach(() => vi.unstubAllGlobals());

/** A server of one answer; gives what it was asked, and whether the page was told of a newer one. */
function answers(response: () => Response) {
  const asked: Array<{ address: string; init: RequestInit }> = [];
  let newer = 0;
  onNewer(() => newer++);
  vi.stubGlobal('fetch', async (address: string, init: RequestInit) => {
    asked.push({ address, init });
    return response();
  });
  return { asked, newer: () => newer };
}
const user = { id: 1, name: 'T', signIn: 't', role: 'trainer' };

describe('asking by the contract', () => {
  it.each<[RouteName, object, string, string]>([
    ['library', {}, 'GET', '/api/v1/library/working'],
    ['changeSets', { query: { state: undefined } }, 'GET', '/api/v1/publish-sets'],
    ['changeSets', { query: { state: 'in-review' } }, 'GET', '/api/v1/publish-sets?state=in-review'],
    ['changeUser', { params: { id: 7 }, body: {} }, 'PUT', '/api/v1/users/7'],
    ['machine', { params: { family: 'g4', serial: 'A/1 ?' } }, 'GET', '/api/v1/machines/g4/A%2F1%20%3F'],
    [
      'entry',
      { params: { family: null, kind: 'hazard', id: 'h' } },
      'GET',
      '/api/v1/families/library/entries/hazard/h',
    ],
    ['entry', { params: { family: 'g4', kind: 'code', id: 'e1' } }, 'GET', '/api/v1/families/g4/entries/code/e1'],
  ])('%s %j goes to %s %s', async (route, asking, method, address) => {
    const { asked } = answers(() => Response.json([]));
    await ask(route, asking as never);
    expect([asked[0]?.init.method, asked[0]?.address]).toEqual([method, address]);
  });

  it.each<[RouteName, object]>([
    ['working', { params: { family: '../settings' } }],
    ['working', { params: { family: '' } }],
    ['changeSet', { params: { id: 0 } }],
    ['walk', { params: { id: 'not one' } }],
  ])('%s %j leads nowhere, and nobody is asked', async (route, asking) => {
    const { asked } = answers(() => Response.json([]));
    expect(await ask(route, asking as never)).toMatchObject({ kind: 'refused', refused: { code: 'not-found' } });
    expect(asked).toEqual([]);
  });

  it('gives what the contract says', async () => {
    answers(() => Response.json(user));
    expect(await ask('session', {})).toEqual({ kind: 'answer', value: user });
  });

  it('gives nothing where there is nothing to say', async () => {
    answers(() => new Response(null, { status: 204 }));
    expect(await ask('signOut', {})).toEqual({ kind: 'answer', value: undefined });
  });

  it('says that what is held is still right', async () => {
    const { asked } = answers(() => new Response(null, { status: 304 }));
    const held = await ask('bundle', { params: { family: 'g4' as never } }, { held: 'abc' });
    expect([held.kind, new Headers(asked[0]?.init.headers).get('if-none-match')]).toEqual(['unchanged', '"abc"']);
  });

  it.each<[string, () => Response, string, number]>([
    ['an answer with a field more', () => Response.json({ ...user, seat: 4 }), 'newer', 1],
    ['an answer with a field less', () => Response.json({ ...user, role: undefined }), 'newer', 1],
    ['a field of another sort', () => Response.json({ ...user, role: 'guest' }), 'newer', 1],
    [
      'a refusal nobody knows',
      () => Response.json({ code: 'new-one', title: 'x', status: 409 }, { status: 409 }),
      'newer',
      1,
    ],
    ['a page in its stead', () => new Response('<html>'), 'offline', 0],
    ['a gateway', () => Response.json({ down: true }, { status: 502 }), 'offline', 0],
    [
      'nothing',
      () => {
        throw new TypeError('no connection');
      },
      'offline',
      0,
    ],
  ])('%s is none: %s', async (_, response, code, told) => {
    const { newer } = answers(response);
    expect(await ask('session', {})).toMatchObject({ kind: 'refused', refused: { code } });
    expect(newer()).toBe(told);
  });
});
