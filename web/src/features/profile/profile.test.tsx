import 'fake-indexeddb/auto';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { lastingSaid, queueCounted } from '../../foundation/device/sync-slice.ts';
import { openPage, person } from '../../testing/page.tsx';
import { type Script, standInServer } from '../../testing/server.ts';
import ProfilePage from './ProfilePage.tsx';

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const open = (script: Script = {}) => {
  const calls = standInServer(script);
  return { calls, store: openPage(<ProfilePage />, { path: '/profile', user: person('technician') }) };
};
const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const change = (old: string, password: string, again = password) => {
  type('Your password now', old);
  type('New password', password);
  type('New password, once more', again);
  fireEvent.click(screen.getByRole('button', { name: 'Change password' }));
};

describe('one’s own password', () => {
  it('is changed with the old one', async () => {
    const { calls } = open({ changePassword: undefined });
    change('the old one', 'nine loud geese');
    expect((await screen.findByText(/Your password is changed/)).textContent).toContain('not any more');
    expect(calls.map((c) => c.body)).toEqual([{ old: 'the old one', password: 'nine loud geese' }]);
    expect(screen.getByLabelText('New password')).toHaveProperty('value', '');
  });

  it.each<[string, Script, [string, string, string?], RegExp]>([
    [
      'a wrong old one',
      { changePassword: { refuses: 'sign-in-wrong' } },
      ['x', 'nine loud geese'],
      /not your password/,
    ],
    ['one that is too short', {}, ['x', 'short'], /At least ten/],
    ['ten blanks', {}, ['x', '          '], /five different/],
    ['a slip', {}, ['x', 'nine loud geese', 'nine loud goose'], /not the same/],
    [
      'a common one',
      {
        changePassword: {
          refuses: 'field-wrong',
          fields: [{ path: ['password'], reason: 'is one of the most used passwords' }],
        },
      },
      ['x', 'qwertyuiop'],
      /It is one of the most used passwords/,
    ],
    ['no connection', {}, ['x', 'nine loud geese'], /No connection/],
  ])('%s is said at its place, and nothing typed is lost', async (_, script, [old, password, again], words) => {
    open(script);
    change(old, password, again);
    expect(await screen.findByText(words)).toBeTruthy();
    expect(screen.getByLabelText('New password')).toHaveProperty('value', password);
  });

  it('everywhere else is signed out, and here too', async () => {
    const { store } = open({ signOutEverywhere: undefined });
    fireEvent.click(screen.getByRole('button', { name: 'Sign out everywhere' }));
    await waitFor(() => expect(store.getState().session).toEqual({ status: 'signed-out' }));
  });
});

describe('this device', () => {
  it('says what waits, and whether the browser promised to keep it', async () => {
    const { store } = open();
    store.dispatch(queueCounted({ waiting: 2, refused: 0 }));
    store.dispatch(lastingSaid(false));
    expect(await screen.findByText(/2 steps are kept here and not sent yet/)).toBeTruthy();
    vi.stubGlobal('navigator', { ...navigator, storage: { persist: async () => true } });
    fireEvent.click(screen.getByRole('button', { name: 'Ask the browser again' }));
    expect(await screen.findByText(/promised to keep it/)).toBeTruthy();
  });
});
