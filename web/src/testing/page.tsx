import { render } from '@testing-library/react';
import type { Role, User } from '@wire-trail/core';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';
import { signedIn } from '../foundation/session-slice.ts';
import { makeStore } from '../foundation/store.ts';

const Elsewhere = () => <p data-testid="elsewhere">{useLocation().pathname}</p>;

export const person = (role: Role, id = 7): User => ({ id, name: `The ${role}`, signIn: role, role });

/** Renders a page at its address for somebody who is signed in; any other address says which it is. */
export function openPage(page: ReactNode, of: Readonly<{ path: string; at?: string; user?: User }>) {
  const store = makeStore();
  if (of.user) store.dispatch(signedIn(of.user));
  render(
    <Provider store={store}>
      <MemoryRouter initialEntries={[of.at ?? of.path]}>
        <Routes>
          <Route path={of.path} element={page} />
          <Route path="*" element={<Elsewhere />} />
        </Routes>
      </MemoryRouter>
    </Provider>,
  );
  return store;
}
