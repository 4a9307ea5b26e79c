import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { type Code, type Entry, entryOf } from '@wire-trail/core';
import { Provider } from 'react-redux';
import { afterEach, expect, it } from 'vitest';
import { draftOpened, undone } from '../../foundation/entry-draft-slice.ts';
import { makeStore, useAppSelector } from '../../foundation/store.ts';
import { standInServer } from '../../testing/server.ts';
import { glasswasher } from '../../testing/trail.tsx';
import { FoundHere } from './FoundHere.tsx';

afterEach(cleanup);
const k19 = entryOf(glasswasher, 'code', 'k19') as Code;

function Here() {
  const draft = useAppSelector((s) => s.entryDraft);
  if (draft.status !== 'open') return null;
  const body = draft.body as Entry;
  const others = glasswasher.entries.filter((e) => e.kind !== 'code' || e.id !== k19.id);
  return <FoundHere body={body} bodies={{ entries: [...others, body] }} />;
}
const open = (body: Code) => {
  standInServer({ library: () => [] });
  const store = makeStore();
  store.dispatch(draftOpened({ address: 'a', basedOn: 1, saved: k19, body }));
  render(
    <Provider store={store}>
      <Here />
    </Provider>,
  );
  const now = () => {
    const { entryDraft } = store.getState();
    return entryDraft.status === 'open' ? (entryDraft.body as Code) : null;
  };
  return { store, now };
};

it('what is found in an entry stands where it is edited, and one press mends it, undone as any other edit', async () => {
  const { store, now } = open({ ...k19, clear: 'erase-memry' as never });
  const meant = { name: /is meant$/, hidden: true };
  fireEvent.click(await screen.findByRole('button', meant));
  expect(now()?.clear).toBe(k19.clear);
  await waitFor(() => expect(screen.queryByRole('button', meant)).toBeNull());
  act(() => void store.dispatch(undone()));
  expect(now()?.clear).toBe('erase-memry');
  expect(await screen.findByRole('button', meant)).toBeDefined();
});
