import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { SchoolSettings } from '@wire-trail/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api } from '../../foundation/api.ts';
import { openPage, person } from '../../testing/page.tsx';
import { type Script, standInServer } from '../../testing/server.ts';
import SettingsPage from './SettingsPage.tsx';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const people = [
  { id: 1, name: 'Ada One', signIn: 'ada', role: 'admin' as const, disabled: false },
  { id: 2, name: 'Ben Two', signIn: 'ben', role: 'trainer' as const, disabled: true },
];
const open = async (more: Script = {}) => {
  const calls = standInServer({
    settings: { schoolName: 'School', ownReview: false, firstDo: 'test' },
    users: people,
    ...more,
  });
  openPage(<SettingsPage />, { path: '/settings', user: person('admin') });
  await screen.findByText('Ada One');
  return (route: string) => calls.filter((c) => c.route === route).map(({ params, body }) => ({ params, body }));
};
const button = (name: string) => screen.getByRole('button', { name });

describe('the school', () => {
  it('is saved once something differs, and says so', async () => {
    let kept: SchoolSettings = { schoolName: 'School', ownReview: false, firstDo: 'test' };
    const sent = await open({
      settings: () => kept,
      saveSettings: ({ body }) => {
        kept = body as typeof kept;
        return kept;
      },
    });
    expect(button('Save')).toHaveProperty('disabled', true);
    fireEvent.change(screen.getByLabelText('Name of the school'), { target: { value: ' New name ' } });
    fireEvent.click(screen.getByRole('checkbox', { name: /The author may publish/ }));
    fireEvent.change(screen.getByLabelText(/For a code, first/), { target: { value: 'reset' } });
    fireEvent.click(button('Save'));
    await waitFor(() =>
      expect(sent('saveSettings')[0]?.body).toEqual({ schoolName: 'New name', ownReview: true, firstDo: 'reset' }),
    );
  });

  it('what was typed stays where it could not be saved', async () => {
    await open({ saveSettings: { refuses: 'internal' } });
    fireEvent.change(screen.getByLabelText('Name of the school'), { target: { value: 'Other' } });
    fireEvent.click(button('Save'));
    expect(await screen.findByText(/Something broke on the server/)).toBeTruthy();
    expect(screen.getByLabelText('Name of the school')).toHaveProperty('value', 'Other');
  });
});

it('an answer of a newer server leaves what was here where it is', async () => {
  let settings: object = { schoolName: 'School', ownReview: false, firstDo: 'test' };
  standInServer({ settings: () => settings as never, users: people });
  const store = openPage(<SettingsPage />, { path: '/settings', user: person('admin') });
  await screen.findByText('Ada One');
  settings = { ...settings, motto: 'newer' };
  await store.dispatch(api.util.invalidateTags(['Settings']));
  await waitFor(() => expect(store.getState().api.queries['settings(undefined)']?.status).toBe('rejected'));
  expect(screen.getByLabelText('Name of the school')).toHaveProperty('value', 'School');
});

describe('people', () => {
  const row = (name: string) => screen.getByText(name).closest('tr') as HTMLElement;

  it('a role is changed, an account closed, and one opened again', async () => {
    const sent = await open({ changeUser: undefined });
    fireEvent.change(screen.getByLabelText('role of Ada One'), { target: { value: 'reviewer' } });
    fireEvent.click(within(row('Ada One')).getByRole('button', { name: 'Deactivate' }));
    fireEvent.click(within(row('Ben Two')).getByRole('button', { name: 'Activate again' }));
    await waitFor(() =>
      expect(sent('changeUser')).toEqual([
        { params: { id: '1' }, body: { role: 'reviewer', disabled: false } },
        { params: { id: '1' }, body: { role: 'admin', disabled: true } },
        { params: { id: '2' }, body: { role: 'trainer', disabled: false } },
      ]),
    );
  });

  it('the last admin is told why he stays', async () => {
    await open({ changeUser: { refuses: 'wrong-state', detail: 'the last admin stays admin' } });
    fireEvent.change(screen.getByLabelText('role of Ada One'), { target: { value: 'trainer' } });
    expect((await screen.findByRole('alert')).textContent).toContain('the last admin stays admin');
  });

  const phone = {
    id: '0123456789abcdef',
    begunAt: null,
    seenAt: '2031-01-01T08:00:00.000Z',
    browser: 'Mozilla/5.0 (Linux; Android 15)',
    ended: false,
    own: false,
  };

  it('a phone that was lost is signed out from afar; its owner is told what goes', async () => {
    let ended = false;
    const sent = await open({
      sessions: () => [{ ...phone, ended }],
      endSession: () => {
        ended = true;
        return undefined as never;
      },
    });
    fireEvent.click(within(row('Ada One')).getByRole('button', { name: 'Devices and password' }));
    expect(await screen.findByText(/an Android device/)).toBeTruthy();
    fireEvent.click(button('Sign out and wipe'));
    expect(await screen.findByText(/what it keeps goes when it next comes/)).toBeTruthy();
    expect(sent('endSession').map((s) => s.params)).toEqual([{ id: '1', session: phone.id }]);
  });

  it('a link to a new password is made, to be passed on', async () => {
    await open({ sessions: [], passwordLink: { path: '/new-password#abc', until: '2031-01-02T08:00:00.000Z' } });
    fireEvent.click(within(row('Ada One')).getByRole('button', { name: 'Devices and password' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Make a link to a new password' }));
    expect(await screen.findByLabelText('link to a new password')).toHaveProperty(
      'value',
      `${location.origin}/new-password#abc`,
    );
  });

  const typeIn = (fields: Record<string, string>) => {
    for (const [label, value] of Object.entries(fields))
      fireEvent.change(screen.getByLabelText(label), { target: { value } });
    fireEvent.click(button('Add person'));
  };
  const typed = { Name: 'Cem Three', 'Signs in as': 'cem', Password: 'a long password', Role: 'technician' };

  it('an account is opened, and the form is empty for the next', async () => {
    const sent = await open({ addUser: { id: 3, name: 'Cem Three', signIn: 'cem', role: 'technician' } });
    typeIn(typed);
    await waitFor(() => expect(screen.getByLabelText('Name')).toHaveProperty('value', ''));
    expect(sent('addUser').map((s) => s.body)).toEqual([
      { name: 'Cem Three', signIn: 'cem', password: 'a long password', role: 'technician' },
    ]);
  });

  it('says in plain words what is missing, all of it, with a way to each field; the first has the focus', async () => {
    const sent = await open({ addUser: undefined });
    fireEvent.click(screen.getByRole('button', { name: 'Add person' }));
    expect(await screen.findByText('Give the person’s name.')).toBeTruthy();
    expect(document.activeElement?.id).toBe('new-name');
    const summary = screen.getAllByRole('alert').find((a) => a.querySelector('ul'));
    expect(summary?.textContent).toMatch(/Name: Give.*Signs in as: At least three.*Password: At least/s);
    fireEvent.click(screen.getByRole('button', { name: 'Password' }));
    await waitFor(() => expect(document.activeElement?.id).toBe('new-password'));
    expect(sent('addUser')).toEqual([]);
  });
  it('a name that is taken is said, and nothing typed is lost', async () => {
    await open({ addUser: { refuses: 'already-there', detail: 'this sign-in name is taken' } });
    typeIn(typed);
    expect((await screen.findByRole('alert')).textContent).toContain('this sign-in name is taken');
    expect(screen.getByLabelText('Signs in as')).toHaveProperty('value', 'cem');
  });
});
