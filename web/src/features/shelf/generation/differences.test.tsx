import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { type Answer, beginGeneration, type Entry, entriesOf, keyOf, keyText } from '@wire-trail/core';
import { Route, Routes } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import { type Called, type Script, standInServer } from '../../../testing/server.ts';
import { glasswasher, show } from '../../../testing/trail.tsx';
import DifferencesPage from './DifferencesPage.tsx';

type Line = Answer<'working'>[number];
const line = (body: Entry, number = 1): Line => ({
  ...keyOf(body),
  title: '',
  number,
  state: 'published',
  published: number,
  body,
});
const revision = (body: Entry, number = 1): Answer<'revision'> => ({
  number,
  state: 'published',
  note: '',
  basedOn: null,
  author: null,
  savedAt: '2026-01-01T00:00:00.000Z',
  body,
});
const own =
  beginGeneration(
    glasswasher,
    { id: 'brindlewick-g6', name: 'Brindlewick G6' },
    new Map(glasswasher.entries.map((e) => [keyText(e), 1])),
  ) ?? [];
const first = <K extends Entry['kind']>(of: readonly Entry[], kind: K): Extract<Entry, { kind: K }> => {
  const found = of.find((e): e is Extract<Entry, { kind: K }> => e.kind === kind);
  if (!found) throw new Error(kind);
  return found;
};
const code = first(glasswasher.entries, 'code');

const open = (here: readonly Entry[], there: readonly Line[], more: Script = {}): Called[] => {
  const calls = standInServer({
    working: ({ params }) => (params.family === 'brindlewick-g6' ? here.map((b) => line(b)) : [...there]),
    ...more,
  });
  show(
    <Routes>
      <Route path="/shelf/:family/differences" element={<DifferencesPage />} />
    </Routes>,
    undefined,
    '/shelf/brindlewick-g6/differences',
  );
  return calls;
};
const plain = glasswasher.entries.map((e) => line(e));
const region = (name: string) => within(screen.getByRole('region', { name }));

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('a new generation says what is as on the older one, what differs, and what was left out', async () => {
  const chart = first(own, 'chart');
  const here = own.filter((e) => e !== chart).map((e) => (keyText(e) === keyText(code) ? { ...e, title: 'Hatch' } : e));
  open(here as Entry[], plain);
  await screen.findByText(new RegExp(`^${own.length - 2} as on .*, 1 different, 1 left out`));
  fireEvent.click(region('different here').getByRole('button', { name: /Hatch/ }));
  expect(region('different here').getByText('Hatch')).toBeTruthy();
  expect(region('left out here').getByText(chart.title)).toBeTruthy();
  expect(screen.queryByRole('region', { name: 'changed there since' })).toBeNull();
});

it('what was left out is brought in as a draft', async () => {
  const chart = first(own, 'chart');
  const calls = open(
    own.filter((e) => e !== chart),
    plain,
    {
      saveDraft: revision(chart),
    },
  );
  fireEvent.click(await screen.findByRole('button', { name: 'Bring it in' }));
  await waitFor(() => expect(calls.some((c) => c.route === 'saveDraft')).toBe(true));
  expect(calls.find((c) => c.route === 'saveDraft')?.body).toMatchObject({
    basedOn: 0,
    body: { ...keyOf(chart), follows: 1 },
  });
});

it('what changed on the older one since is taken over; what is different here stays, and is told', async () => {
  const moved = line({ ...code, title: 'Lid open', scope: 'licensed' } as Entry, 2);
  const here = own.map((e) => (keyText(e) === keyText(code) ? { ...e, title: 'Hatch open' } : e)) as Entry[];
  const calls = open(
    here,
    plain.map((l) => (keyText(l.body) === keyText(code) ? moved : l)),
    {
      revision: revision(code),
      saveDraft: { refuses: 'stale-save' },
    },
  );
  const since = await screen.findByRole('region', { name: 'changed there since' });
  expect(calls.filter((c) => c.route === 'revision').map((c) => c.params.number)).toEqual(['1']);
  expect(within(since).getByText('Changed on both, and left as it is here:')).toBeTruthy();
  fireEvent.click(within(since).getByRole('button', { name: 'Take it over' }));
  await waitFor(() => expect(calls.some((c) => c.route === 'saveDraft')).toBe(true));
  expect(calls.find((c) => c.route === 'saveDraft')?.body).toMatchObject({
    basedOn: 1,
    body: { title: 'Hatch open', scope: 'licensed', follows: 2 },
  });
  expect(await screen.findByRole('alert')).toBeTruthy();
});

it('all that changed there is taken over in one go, and taken back', async () => {
  const [one, two] = entriesOf(glasswasher, 'code') as [Entry, Entry];
  const moved = [one, two].map((e) => line({ ...e, title: 'Otherwise' } as Entry, 2));
  const calls = open(
    own,
    plain.map((l) => moved.find((m) => keyText(m.body) === keyText(l.body)) ?? l),
    {
      revision: ({ params }) => revision(params.id === one.id ? one : two),
      saveDrafts: {
        id: '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11',
        state: 'done',
        done: 2,
        total: 2,
        result: null,
        problem: null,
      },
      saveDraft: revision(one, 3),
    },
  );
  fireEvent.click(await screen.findByRole('button', { name: 'Take all 2 over' }));
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(calls.filter((c) => c.route === 'saveDraft').length).toBe(2));
  const said = calls.find((c) => c.route === 'saveDrafts')?.body as { items: Array<{ body: object }> } | undefined;
  expect(said?.items.map((i) => i.body)).toMatchObject([{ title: 'Otherwise' }, { title: 'Otherwise' }]);
  expect(calls.filter((c) => c.route === 'saveDraft').map((c) => c.body)).toMatchObject([
    { basedOn: 2, body: { follows: 1 } },
    { basedOn: 2, body: { follows: 1 } },
  ]);
});

it('where the older one is not there any more, that is said', async () => {
  open(own, [], {
    working: ({ params }) => (params.family === 'brindlewick-g6' ? own.map((b) => line(b)) : { refuses: 'not-found' }),
  });
  expect(await screen.findByText(/is not on the Shelf any more. What was begun from it stays/)).toBeTruthy();
});

it('a unit that is no new generation says so', async () => {
  open(own.map((e) => (e.kind === 'family' ? { ...e, generationOf: undefined } : e)) as Entry[], plain);
  expect(await screen.findByText(/is no new generation of another unit/)).toBeTruthy();
});
