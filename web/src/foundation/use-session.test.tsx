import { cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { person } from '../testing/page.tsx';
import { type Script, standInServer } from '../testing/server.ts';
import { rememberedUser, rememberUser } from './remembered-user.ts';
import { makeStore } from './store.ts';
import { useSession } from './use-session.ts';

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const user = person('technician');
const newer = { ...user, badge: 'gold' } as never;

it.each<[string, Script, boolean, object]>([
  ['the server knows', { session: user }, false, { status: 'signed-in', user, confirmed: true }],
  ['nobody', { session: { refuses: 'not-signed-in' } }, true, { status: 'signed-out' }],
  ['without a connection the last one of this device', {}, true, { status: 'signed-in', user, confirmed: false }],
  [
    'a newer server: the last one of this device',
    { session: newer },
    true,
    { status: 'signed-in', user, confirmed: false },
  ],
  [
    'a server that broke: the last one of this device',
    { session: { refuses: 'internal' } },
    true,
    { status: 'signed-in', user, confirmed: false },
  ],
  ['without a connection, and nobody was here', {}, false, { status: 'signed-out' }],
])('who is signed in: %s', async (_, script, wasHere, session) => {
  standInServer(script);
  if (wasHere) rememberUser(user);
  const store = makeStore();
  const wrapper = ({ children }: { children: ReactNode }) => <Provider store={store}>{children}</Provider>;
  renderHook(() => useSession(), { wrapper });
  await waitFor(() => expect(store.getState().session).toEqual(session));
  if (wasHere) expect(rememberedUser()).toEqual(user);
});
