import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { type Answer, keyOf } from '@wire-trail/core';
import { useState } from 'react';
import { Route, Routes } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import { api } from '../../foundation/api.ts';
import { standInServer } from '../../testing/server.ts';
import { glasswasher, show } from '../../testing/trail.tsx';
import EntryEditorPage from './EntryEditorPage.tsx';

const working = (entries: typeof glasswasher.entries): Answer<'working'> =>
  entries.map((body) => ({ ...keyOf(body), title: '', number: 1, state: 'published', published: 1, body }));

/** Somebody who has seen the unit as it was, and then begins a readout. */
function Before() {
  const { data } = api.useWorkingQuery(glasswasher.family);
  const [goes, setGoes] = useState(false);
  if (goes) return <EntryEditorPage />;
  return data ? (
    <button type="button" onClick={() => setGoes(true)}>
      Begin
    </button>
  ) : null;
}

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('a new entry is made of what the unit has by now, not of what was seen of it before', async () => {
  let seen = 0;
  const others = glasswasher.entries.filter((e) => e.kind !== 'readout');
  standInServer({
    working: () => {
      seen += 1;
      return working(seen === 1 ? others.filter((e) => e.kind !== 'mode') : others);
    },
    entry: { refuses: 'not-found' },
    findings: [],
  });
  show(
    <Routes>
      <Route path="/shelf/:family/:kind/:id" element={<Before />} />
    </Routes>,
    undefined,
    `/shelf/${glasswasher.family}/readout/codes?new=Codes`,
  );
  fireEvent.click(await screen.findByRole('button', { name: 'Begin' }));
  await waitFor(() => expect(screen.getByText('new')).toBeTruthy());
  expect(screen.queryByText(/modes: at least one is needed/)).toBeNull();
});
