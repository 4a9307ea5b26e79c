import { cleanup, render, screen } from '@testing-library/react';
import { Provider } from 'react-redux';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { makeStore } from '../../foundation/store.ts';
import { coilRead, glasswasher, serverAnswers } from '../../testing/trail.tsx';
import MachinePage from './MachinePage.tsx';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const machine = {
  id: 'm',
  family: 'brindlewick-g4',
  serial: 'G4-1',
  model: 'G4-20B',
  software: '2.6',
  variant: null,
  options: {},
  composition: [],
  lastSeenAt: '2026-04-20T09:00:00.000Z',
};
const walk = (id: string, outcome: string) => ({
  id,
  family: 'brindlewick-g4',
  serial: 'G4-1',
  model: 'G4-20B',
  software: '2.6',
  code: 'd09',
  station: 'prove',
  state: 'closed',
  outcome,
  fixedBy: '',
  startedAt: '2026-01-10T09:00:00.000Z',
  lastAt: '2026-01-10T09:30:00.000Z',
  waitingUntil: null,
  by: 'Somebody',
});
function open(more: object) {
  const answers = { machine, walks: [], ledger: [], readings: [], ...more };
  serverAnswers((path: string) => (path.includes('/machines/') ? answers : glasswasher));
  render(
    <Provider store={makeStore()}>
      <MemoryRouter initialEntries={['/machines/brindlewick-g4/G4-1']}>
        <Routes>
          <Route path="/machines/:family/:serial" element={<MachinePage />} />
        </Routes>
      </MemoryRouter>
    </Provider>,
  );
}

describe('a machine', () => {
  it('nobody has walked yet says so', async () => {
    open({ machine: null });
    expect(await screen.findByText('Nobody has walked this unit yet')).toBeTruthy();
  });
  it.each([
    ['nothing-found', /came 2 times\. Nothing was repaired for it yet/],
    ['fixed', /came 2 times\. What was done before did not hold/],
  ])('a code that came again after %s', async (outcome, words) => {
    open({ walks: [walk('a', outcome), walk('b', 'nothing-found')] });
    const note = await screen.findByText(/came 2 times/);
    expect(note.textContent?.replace(/\s+/g, ' ')).toMatch(words);
  });
  it('has its readings by step, and says what drifts', async () => {
    open({ readings: [coilRead('2026-04-20T09:00:00.000Z', 180), coilRead('2026-01-10T09:00:00.000Z', 165)] });
    expect(await screen.findByText('Measure the drain pump coil')).toBeTruthy();
    expect(screen.getAllByText(/Ω, good/).map((c) => c.textContent)).toEqual(['165 Ω, good', '180 Ω, good']);
    expect(screen.getByText(/it comes nearer its upper edge/)).toBeTruthy();
  });
});
