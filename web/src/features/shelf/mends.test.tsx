import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { type Answer, type Entry, entriesOf, keyOf } from '@wire-trail/core';
import { SnackbarProvider } from 'notistack';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import { makeStore } from '../../foundation/store.ts';
import { type Script, standInServer } from '../../testing/server.ts';
import { glasswasher } from '../../testing/trail.tsx';
import { Mends } from './Mends.tsx';
import type { Shelved } from './tab-props.ts';

const [route] = entriesOf(glasswasher, 'route');
if (!route) throw new Error('no route');
const after = { ...route, name: 'Mended' };
const finding: Answer<'findings'>[number] = {
  code: 'never-let-go',
  severity: 'warning',
  words: '“Start” is held, and nothing says when to let go.',
  station: 'enter',
  entry: keyOf(route),
  at: ['steps', 3],
  facts: '{}',
  accepted: null,
  mends: ['Let go of “Start” at the end'],
};
const saved = (body: Entry): Answer<'saveDraft'> => ({
  number: 5,
  state: 'draft',
  note: '',
  basedOn: 4,
  author: 'Demo trainer',
  savedAt: '2026-11-29T08:00:00Z',
  body,
});
const comes = (more: Partial<Answer<'mend'>> = {}): Answer<'mend'> => ({
  items: [{ basedOn: 4, body: after }],
  isGone: true,
  brings: [],
  ...more,
});
const open = (script: Script) => {
  const calls = standInServer({ saveDraft: ({ body }) => saved((body as { body: Entry }).body), ...script });
  const entries: Shelved[] = [{ number: 4, state: 'published', published: 4, body: route }];
  render(
    <Provider store={makeStore()}>
      <SnackbarProvider>
        <MemoryRouter>
          <Mends finding={finding} family={glasswasher.family} entries={entries} />
        </MemoryRouter>
      </SnackbarProvider>
    </Provider>,
  );
  return () => calls.filter((c) => c.route === 'saveDraft').map((c) => c.body as { basedOn: number; body: Entry });
};
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('one press writes the draft, and another takes it back to what was there', async () => {
  const written = open({ mend: comes() });
  press('Let go of “Start” at the end');
  expect(await screen.findByText('Let go of “Start” at the end. It is a draft.')).toBeTruthy();
  expect(written()).toEqual([expect.objectContaining({ basedOn: 4, body: after })]);
  press('Undo');
  await waitFor(() => expect(written()).toHaveLength(2));
  expect(written()[1]).toMatchObject({ basedOn: 5, body: JSON.parse(JSON.stringify(route)) });
});

it('what would bring something worse is told, and written only where somebody wants it all the same', async () => {
  const written = open({ mend: comes({ brings: [{ severity: 'error', words: 'Nothing leads there.' }] }) });
  press('Let go of “Start” at the end');
  expect(await screen.findByText(/Nothing leads there/)).toBeTruthy();
  expect(written()).toEqual([]);
  press('Leave it');
  expect(screen.queryByText(/Nothing leads there/)).toBeNull();
  press('Let go of “Start” at the end');
  fireEvent.click(await screen.findByRole('button', { name: 'Do it all the same' }));
  await waitFor(() => expect(written()).toHaveLength(1));
});

it('what somebody saved meanwhile is not written over, and it is said', async () => {
  open({ mend: comes(), saveDraft: { refuses: 'not-found' } });
  press('Let go of “Start” at the end');
  expect(await screen.findByText('There is no such thing here.')).toBeTruthy();
});
