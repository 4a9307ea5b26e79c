import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { rememberedUser } from '../../foundation/remembered-user.ts';
import { openPage, person } from '../../testing/page.tsx';
import { type Script, standInServer } from '../../testing/server.ts';
import NewPasswordPage from './NewPasswordPage.tsx';
import SignInPage from './SignInPage.tsx';

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const signIn = (script: Script) => {
  const calls = standInServer(script);
  const store = openPage(<SignInPage />, { path: '/sign-in' });
  fireEvent.change(screen.getByLabelText('Name'), { target: { value: ' trainer ' } });
  fireEvent.change(screen.getByLabelText('Password'), { target: { value: ' a long password ' } });
  fireEvent.click(screen.getByRole('button', { name: 'Sign in' }));
  return { calls, store };
};

describe('signing in', () => {
  it('leads to the start, is remembered on the device, and leaves the password as it was typed', async () => {
    const user = person('trainer');
    const { calls, store } = signIn({ signIn: user });
    expect((await screen.findByTestId('elsewhere')).textContent).toBe('/');
    expect(calls[0]?.body).toEqual({ signIn: 'trainer', password: ' a long password ' });
    expect(rememberedUser()).toEqual(user);
    expect(store.getState().session).toEqual({ status: 'signed-in', user, confirmed: true });
  });

  it.each<[string, Script, RegExp]>([
    ['a wrong password', { signIn: { refuses: 'sign-in-wrong' } }, /Name or password is not right/],
    ['too many tries', { signIn: { refuses: 'too-many-tries' } }, /Wait a little/],
    ['no connection', {}, /No connection/],
  ])('%s is said, and nobody is remembered', async (_, script, words) => {
    signIn(script);
    expect((await screen.findByRole('alert')).textContent).toMatch(words);
    expect(screen.getByLabelText('Name')).toHaveProperty('value', ' trainer ');
    expect(rememberedUser()).toBeNull();
  });

  it('whoever is signed in already goes on', async () => {
    standInServer({});
    openPage(<SignInPage />, { path: '/sign-in', user: person('technician') });
    expect((await screen.findByTestId('elsewhere')).textContent).toBe('/');
  });
});

describe('a new password by a link', () => {
  const set = (script: Script, password: string, again = password) => {
    const calls = standInServer(script);
    openPage(<NewPasswordPage />, { path: '/new-password', at: '/new-password#a-token' });
    fireEvent.change(screen.getByLabelText('New password'), { target: { value: password } });
    fireEvent.change(screen.getByLabelText('New password, once more'), { target: { value: again } });
    fireEvent.click(screen.getByRole('button', { name: 'Set it' }));
    return calls;
  };

  it('is set, and leads to the sign-in', async () => {
    const calls = set({ resetPassword: undefined }, 'nine loud geese');
    expect(await screen.findByText(/Your new password is set/)).toBeTruthy();
    expect(calls[0]?.body).toEqual({ token: 'a-token', password: 'nine loud geese' });
    expect(screen.getByRole('link', { name: 'Sign in' }).getAttribute('href')).toBe('/sign-in');
  });

  it.each<[string, Script, string, string, RegExp]>([
    [
      'a link that is over',
      { resetPassword: { refuses: 'link-over' } },
      'nine loud geese',
      'nine loud geese',
      /holds no more/,
    ],
    ['a slip', {}, 'nine loud geese', 'nine loud goose', /not the same/],
    [
      'a common one',
      {
        resetPassword: {
          refuses: 'field-wrong',
          fields: [{ path: ['password'], reason: 'is one of the most used passwords' }],
        },
      },
      'qwertyuiop',
      'qwertyuiop',
      /most used/,
    ],
  ])('%s is said', async (_, script, password, again, words) => {
    set(script, password, again);
    expect(await screen.findByText(words)).toBeTruthy();
  });
});

describe('who is remembered', () => {
  it.each([
    ['nothing', null],
    ['no JSON', '{'],
    ['a person without a role', '{"id":1,"name":"T","signIn":"t"}'],
    ['a role nobody knows', '{"id":1,"name":"T","signIn":"t","role":"guest"}'],
  ])('%s is nobody', (_, kept) => {
    if (kept !== null) localStorage.setItem('wire-trail-user', kept);
    expect(rememberedUser()).toBeNull();
  });
});
