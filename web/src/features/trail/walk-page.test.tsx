import 'fake-indexeddb/auto';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { WalkId } from '@wire-trail/core';
import { Provider } from 'react-redux';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { eventsOfWalk, keepBundle } from '../../foundation/device/database.ts';
import { beginWalk, keepHappenings } from '../../foundation/device/walks.ts';
import { signedIn } from '../../foundation/session-slice.ts';
import { makeStore } from '../../foundation/store.ts';
import { Connection } from '../../parts/connection/Connection.tsx';
import { glasswasher, serverAnswers, unit } from '../../testing/trail.tsx';
import WalkPage from './WalkPage.tsx';

const by = 7;
beforeEach(() => {
  vi.stubGlobal('scrollTo', () => {});
  serverAnswers({ machine: null, walks: [], ledger: [], readings: [] });
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

/** A walk on this device that stands at Safe, on its page. */
async function open(): Promise<WalkId> {
  await keepBundle({ family: glasswasher.family, hash: 'x', bundle: glasswasher, keptAt: '2026-05-03T08:00:00Z' });
  const walk = await beginWalk(glasswasher, by, { kind: 'panel' } as never);
  await keepHappenings({ walk, by, happenings: [unit() as never] });
  const store = makeStore();
  store.dispatch(signedIn({ id: by, role: 'technician', name: 'T', signIn: 't' } as never));
  render(
    <Provider store={store}>
      <MemoryRouter initialEntries={[`/trail/${walk}`]}>
        <textarea aria-label="a note" />
        <Connection />
        <Routes>
          <Route path="/trail/:walk" element={<WalkPage />} />
        </Routes>
      </MemoryRouter>
    </Provider>,
  );
  await screen.findByText('What can hurt here');
  return walk;
}
const kinds = async (walk: WalkId) => (await eventsOfWalk(walk)).map((e) => e.event.kind);
const undo = (on: Element) => fireEvent.keyDown(on, { key: 'z', ctrlKey: true });

it('Ctrl Z takes the last step of the walk back, but in a text what was typed', async () => {
  const walk = await open();
  undo(screen.getByLabelText('a note'));
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(await kinds(walk)).toEqual(['started', 'unit']);
  undo(document.body);
  await waitFor(async () => expect(await kinds(walk)).toEqual(['started', 'unit', 'taken-back']));
});

it('what the device could not keep did not happen: the walk stands where it stood, and it is said', async () => {
  const walk = await open();
  vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  fireEvent.click(screen.getByRole('button', { name: 'I have read this' }));
  await waitFor(() => expect(screen.getAllByText('this device’s store fails').length).toBeGreaterThan(0));
  expect(screen.getByText('What can hurt here')).toBeTruthy();
  vi.restoreAllMocks();
  expect(await kinds(walk)).toEqual(['started', 'unit']);
  fireEvent.click(screen.getByRole('button', { name: 'I have read this' }));
  await waitFor(async () => expect(await kinds(walk)).toHaveLength(3));
});

it('a note and what was changed by hand can be written down at any station, and leave one where one is', async () => {
  const walk = await open();
  fireEvent.click(screen.getByRole('button', { name: 'Note something …' }));
  fireEvent.change(screen.getByLabelText('What is worth keeping?'), { target: { value: 'it ran over on Monday' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep the note' }));
  await screen.findByText('Noted: it ran over on Monday');
  fireEvent.click(screen.getByRole('button', { name: 'Changed something by hand …' }));
  fireEvent.click(screen.getByRole('button', { name: 'A fuse pulled' }));
  await screen.findByText('To put back: A fuse pulled');
  fireEvent.click(screen.getByRole('button', { name: 'Changed something by hand …' }));
  fireEvent.click(screen.getByRole('button', { name: 'Something else …' }));
  fireEvent.change(screen.getByLabelText('What was changed?'), { target: { value: 'inlet tap shut' } });
  fireEvent.click(screen.getByRole('button', { name: 'Put it on the list' }));
  await screen.findByText('To put back: A fuse pulled; inlet tap shut');
  expect(await kinds(walk)).toEqual(['started', 'unit', 'noted', 'changed', 'changed']);
  expect(screen.getByText('What can hurt here')).toBeTruthy();
});
