import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { type Answer, keyOf } from '@wire-trail/core';
import { afterEach, expect, it, vi } from 'vitest';
import { standInServer } from '../../testing/server.ts';
import { glasswasher, show } from '../../testing/trail.tsx';
import { AddUnit } from './AddUnit.tsx';

const working: Answer<'working'> = glasswasher.entries.map((body) => ({
  ...keyOf(body),
  title: '',
  number: 1,
  state: 'published',
  published: 1,
  body,
}));
const job = (state: 'done' | 'running'): Answer<'saveDrafts'> => ({
  id: '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11',
  state,
  done: 0,
  total: 1,
  result: null,
  problem: null,
});
const open = () => {
  const calls = standInServer({ working, saveDrafts: job('running'), job: job('running') });
  show(<AddUnit units={[{ id: glasswasher.family, name: 'Brindlewick G4' }]} />);
  fireEvent.click(screen.getByRole('button', { name: 'Add unit' }));
  return calls;
};
const add = (name: string, from = '') => {
  fireEvent.change(screen.getByLabelText('Name'), { target: { value: name } });
  fireEvent.change(screen.getByLabelText('Begin from'), { target: { value: from } });
  fireEvent.click(screen.getByRole('button', { name: 'Add' }));
};

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('a unit needs a name, and one of its own', () => {
  const calls = open();
  add('');
  expect(screen.getByText('Give it a name.')).toBeTruthy();
  add('Brindlewick G4', glasswasher.family);
  expect(screen.getByText('There is a unit of this name.')).toBeTruthy();
  expect(calls).toEqual([]);
});

it('begun from one like it, everything of that one is written under its own name, its page first, and marked', async () => {
  const calls = open();
  add('Brindlewick G5', glasswasher.family);
  await waitFor(() => expect(calls.some((c) => c.route === 'saveDrafts')).toBe(true));
  type Items = Array<{ basedOn: number; body: Record<string, unknown> }>;
  const [{ items }] = calls.filter((c) => c.route === 'saveDrafts').map((c) => c.body as { items: Items }) as [
    { items: Items },
  ];
  expect(items[0]?.body).toMatchObject({ kind: 'family', id: 'brindlewick-g5', name: 'Brindlewick G5' });
  expect(items.every((i) => i.basedOn === 0 && i.body.carriedFrom === 'Brindlewick G4')).toBe(true);
  // while it is written, nothing else is begun
  expect(screen.getByRole('button', { name: 'Add' }).hasAttribute('disabled')).toBe(true);
});

it('begun as its new generation, everything follows what it is as of, and nothing is marked', async () => {
  const calls = open();
  fireEvent.change(screen.getByLabelText('Begin from'), { target: { value: glasswasher.family } });
  fireEvent.click(screen.getByRole('button', { name: 'its new generation' }));
  add('Brindlewick G6', glasswasher.family);
  await waitFor(() => expect(calls.some((c) => c.route === 'saveDrafts')).toBe(true));
  const items = (calls.find((c) => c.route === 'saveDrafts')?.body as { items: Array<{ body: object }> } | undefined)
    ?.items;
  expect(items?.[0]?.body).toMatchObject({
    name: 'Brindlewick G6',
    generationOf: { family: glasswasher.family, name: 'Brindlewick G4' },
  });
  expect(items?.every((i) => 'follows' in i.body && !('carriedFrom' in i.body))).toBe(true);
});
