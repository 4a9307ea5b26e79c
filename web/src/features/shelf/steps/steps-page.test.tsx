import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { type Answer, type Entry, keyOf } from '@wire-trail/core';
import { Route, Routes } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import { standInServer } from '../../../testing/server.ts';
import { glasswasher, show } from '../../../testing/trail.tsx';
import StepsPage from './StepsPage.tsx';

type Kept = Answer<'working'>[number];
type Saved = Answer<'saveDraft'>;
const shelved = (body: Entry): Kept => ({
  ...keyOf(body),
  title: '',
  number: 1,
  state: 'draft',
  published: null,
  body,
});
const saved = (body: Entry): Saved => ({
  number: 1,
  state: 'draft',
  note: '',
  basedOn: null,
  author: 'Demo trainer',
  savedAt: '2026-11-29T08:00:00Z',
  body,
});
const without = (...kinds: Entry['kind'][]) => glasswasher.entries.filter((e) => !kinds.includes(e.kind));
const go = (step: RegExp) => fireEvent.click(screen.getByRole('button', { name: step }));
const opens = () =>
  show(
    <Routes>
      <Route path="/shelf/:family/steps" element={<StepsPage />} />
    </Routes>,
    undefined,
    `/shelf/${glasswasher.family}/steps?step=ways`,
  );
const asked = (words: RegExp) => screen.queryByRole('heading', { level: 1, name: words });

/** A server that takes its time over each draft: `take` lets go of the one that waits. */
function slowServer(answers: (body: Entry) => Saved | { refuses: 'field-wrong' }) {
  const waits: Array<() => void> = [];
  let entries = without('mode', 'readout').map(shelved);
  const calls = standInServer({
    working: () => entries,
    saveDraft: async ({ body }) => {
      await new Promise<void>((go) => waits.push(go));
      const draft = (body as { body: Entry }).body;
      const said = answers(draft);
      if (!('refuses' in said))
        entries = [...entries.filter((e) => e.kind !== draft.kind || e.id !== draft.id), shelved(draft)];
      return said;
    },
  });
  return { calls, take: () => waits.shift()?.() };
}

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('one goes on once what was typed is kept: the next step is made of what the unit has then', async () => {
  const server = slowServer(saved);
  opens();
  fireEvent.click(await screen.findByRole('button', { name: 'Keep these states' }));
  go(/How a code is shown/);
  expect(await screen.findByText(/Keeping it, then on to how a code is shown/)).toBeTruthy();
  expect(asked(/How does one get in/)).toBeTruthy();
  await waitFor(() => {
    server.take();
    expect(asked(/How does it show a code/)).toBeTruthy();
  });
  // nothing was kept on top of something older, and every state that was picked was kept once
  const drafts = server.calls.filter((c) => c.route === 'saveDraft').map((c) => (c.body as { body: Entry }).body.id);
  expect(drafts.length).toBeGreaterThan(2);
  expect(new Set(drafts).size).toBe(drafts.length);
});

it('one stays where something was not kept, and is told so', async () => {
  const server = slowServer(() => ({ refuses: 'field-wrong' }));
  opens();
  fireEvent.click(await screen.findByRole('button', { name: 'Keep these states' }));
  go(/How a code is shown/);
  await waitFor(() => {
    server.take();
    expect(screen.getByRole('alert')).toBeTruthy();
  });
  await waitFor(() => expect(screen.queryByText(/Keeping it/)).toBeNull());
  expect(asked(/How does one get in/)).toBeTruthy();
});
