import 'fake-indexeddb/auto';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { roles } from '@wire-trail/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../foundation/api.ts';
import { keepNamed, keptNamed } from '../foundation/device/database.ts';
import { queueCounted, storeCleared, storeFailed } from '../foundation/device/sync-slice.ts';
import { isLeaving } from '../foundation/leaving.ts';
import { rememberedUser, rememberUser } from '../foundation/remembered-user.ts';
import { makeStore } from '../foundation/store.ts';
import { newerMet, versionSaid } from '../foundation/view-slice.ts';
import { openPage, person } from '../testing/page.tsx';
import { standInServer } from '../testing/server.ts';
import { Shell } from './Shell.tsx';

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const open = (role: (typeof roles)[number] = 'trainer') => openPage(<Shell />, { path: '/', user: person(role) });

describe('the shell', () => {
  it.each([
    ['technician', ['Trail', 'Shelf', 'Log']],
    ['trainer', ['Trail', 'Shelf', 'Common', 'Bench', 'Log']],
    ['reviewer', ['Trail', 'Shelf', 'Common', 'Bench', 'Log']],
    ['admin', ['Trail', 'Shelf', 'Common', 'Bench', 'Log', 'Settings']],
  ] as const)('a %s sees the areas of that role', (role, areas) => {
    open(role);
    const nav = screen.getByRole('navigation', { name: 'areas' });
    expect([...nav.querySelectorAll('a')].map((a) => a.textContent)).toEqual(areas);
  });

  it('says that a new version waits, and nothing of it before and after', async () => {
    const store = open();
    expect(screen.queryByText('a new version waits')).toBeNull();
    store.dispatch(versionSaid('waiting'));
    expect(await screen.findByText('a new version waits')).toBeTruthy();
    store.dispatch(versionSaid('loading'));
    expect(await screen.findByText(/A new version of Wire Trail is here/)).toBeTruthy();
    expect(screen.queryByText('a new version waits')).toBeNull();
  });

  it('says that the server is newer, and that what was here stays', async () => {
    const store = open();
    store.dispatch(newerMet());
    const alert = await screen.findByRole('alert');
    expect(alert.textContent).toMatch(/server is newer than this page.*What was here stays/);
    expect(screen.getByRole('button', { name: 'Load anew' })).toBeTruthy();
  });

  const leaves = async (how: RegExp) => {
    rememberUser(person('trainer'));
    await keepNamed('library', 'kept');
    const store = open();
    fireEvent.click(screen.getByRole('button', { name: /profile and more/ }));
    fireEvent.click(await screen.findByRole('menuitem', { name: 'Sign out' }));
    fireEvent.click(await screen.findByRole('button', { name: how }));
    await waitFor(() => expect(store.getState().session).toEqual({ status: 'signed-out' }));
    expect(rememberedUser()).toBeNull();
  };

  it.each([
    ['keeps what is on this device, where that is wanted', /^Keep them/, 'kept'],
    ['removes it, where others use the device', /^Remove everything/, undefined],
  ])('signing out forgets the person, and %s', async (_, how, left) => {
    const calls = standInServer({ signOut: undefined });
    await leaves(how);
    expect(calls.map((c) => c.route)).toEqual(['signOut']);
    expect(await keptNamed('library')).toBe(left);
    expect(isLeaving()).toBe(false);
  });

  it('without a connection the server is told later, before anybody is taken for signed in', async () => {
    standInServer({});
    await leaves(/^Keep them/);
    expect(isLeaving()).toBe(true);
    let ended = false;
    const calls = standInServer({
      signOut: () => {
        ended = true;
        return undefined as never;
      },
      session: () => (ended ? { refuses: 'not-signed-in' } : person('trainer')),
    });
    const store = makeStore();
    await store.dispatch(api.endpoints.session.initiate());
    expect(calls.map((c) => c.route)).toEqual(['signOut', 'session']);
    expect(isLeaving()).toBe(false);
  });

  it('says that the browser cleared what was kept here, and how much of it was lost', async () => {
    const store = open();
    store.dispatch(storeCleared(3));
    expect((await screen.findByRole('alert')).textContent).toMatch(/cleared.*3 steps.*had not been sent/);
    fireEvent.click(screen.getByRole('button', { name: 'Close' }));
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
  });
});

describe('the state of the connection', () => {
  it.each<[string, Parameters<typeof queueCounted>[0] | 'fails', RegExp]>([
    ['nothing waits', { waiting: 0, refused: 0 }, /^connected$/],
    ['three wait', { waiting: 3, refused: 0 }, /^3 kept on this device$/],
    ['something was refused, which comes before what waits', { waiting: 3, refused: 2 }, /^2 not taken$/],
    ['the device’s own store fails, which comes before all', 'fails', /^this device’s store fails$/],
  ])('%s', async (_, counted, words) => {
    const store = open();
    store.dispatch(queueCounted({ waiting: 0, refused: 1 }));
    store.dispatch(counted === 'fails' ? storeFailed() : queueCounted(counted));
    const tag = await screen.findByText(words);
    expect(tag.getAttribute('data-waiting')).toBe(counted === 'fails' ? '0' : String(counted.waiting));
  });
});
