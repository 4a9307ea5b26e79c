import { render } from '@testing-library/react';
import { type Bundle, EventId, foldWalk, readBundle, type User, WalkEvent, type WalkId } from '@wire-trail/core';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { vi } from 'vitest';
import dryer from '../../../core/src/testing/velmarrow-d1.json';
import demo from '../../../demo/brindlewick-g4.json';
import { trailData } from '../features/trail/trail-data.ts';
import type { Happening } from '../foundation/device/walks.ts';
import { signedIn } from '../foundation/session-slice.ts';
import { makeStore } from '../foundation/store.ts';

/** A bundle file as the demo ships it, read. */
export const readDemo = (json: unknown): Bundle => {
  const bundle = readBundle(json);
  if (!bundle.ok) throw new Error(JSON.stringify(bundle.error));
  return bundle.value;
};
export const glasswasher = readDemo(demo);
export const velmarrow = readDemo(dryer);

const walkId = '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11' as WalkId;

/** A walk by what happened on it, with what a station is given, and what it then adds. */
export function standing(
  happenings: readonly object[],
  bundle: Bundle = glasswasher,
  from: object = { kind: 'panel' },
) {
  const events = [{ kind: 'started', family: bundle.family, bundle: 'x', from }, ...happenings].map((happening, seq) =>
    WalkEvent.parse({
      ...happening,
      id: EventId.parse(`0b9a7e52-41b3-4c6e-9d55-${String(seq).padStart(12, '0')}`),
      walk: walkId,
      seq,
      at: new Date(Date.UTC(2026, 4, 3, 8, seq)).toISOString(),
    }),
  );
  const walk = foldWalk(events);
  if (!walk) throw new Error('no walk');
  const added: Happening[] = [];
  const add = async (...more: Happening[]) => {
    added.push(...more);
  };
  return { walk, data: trailData(bundle, walk), events, add, added };
}

export const unit = (more: object = {}) => ({
  kind: 'unit',
  machine: '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d99',
  serial: 'G4-1',
  model: 'G4-20B',
  software: '2.6',
  variant: 'single-late',
  ...more,
});

/** Renders within the store and an address, as the application does. */
export const show = (children: ReactNode, user?: User, at = '/') => {
  const store = makeStore();
  if (user) store.dispatch(signedIn(user));
  return render(
    <Provider store={store}>
      <MemoryRouter initialEntries={[at]}>{children}</MemoryRouter>
    </Provider>,
  );
};
/** Somebody with a licence for these trades. */
export const licensedFor = (...trades: string[]): User => ({
  id: 1,
  name: 'Ada One',
  signIn: 'ada',
  role: 'technician',
  level: 'licensed',
  trades,
});

/** A good reading of the demo's drain pump coil, as a machine's history has it. */
export const coilRead = (at: string, value: number) => ({
  walk: 'another',
  at,
  when: 'before',
  of: 'drain',
  step: 'coil',
  reading: {
    typed: String(value),
    quantity: 'resistance',
    value,
    atCelsius: null,
    least: 140,
    most: 190,
    verdict: 'pass',
  },
});

/** Stands in for the server until the globals are unstubbed: every request gets this answer, or what is made of its path. */
export function serverAnswers(body: unknown, status = 200): void {
  vi.stubGlobal('fetch', async (address: string) => {
    const said = typeof body === 'function' ? body(new URL(address, 'http://127.0.0.1').pathname) : body;
    return new Response(JSON.stringify(said), { status, headers: { 'content-type': 'application/json' } });
  });
}
