import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { glasswasher, serverAnswers, show } from '../../../testing/trail.tsx';
import { FirstStart } from './FirstStart.tsx';
import { fetchSample } from './sample.ts';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

describe('an empty Shelf', () => {
  it('offers a unit, a file, a sample; people to whoever may invite them', () => {
    serverAnswers({}, 404);
    const asked = vi.fn();
    show(<FirstStart who="admin" onImport={asked} />);
    expect(screen.getByRole('button', { name: 'Add unit' })).toBeTruthy();
    press('Import a library file');
    expect(asked).toHaveBeenCalledOnce();
    expect(screen.getByRole('link', { name: 'People' }).getAttribute('href')).toBe('/settings');
    cleanup();
    show(<FirstStart who="trainer" onImport={asked} />);
    expect(screen.queryByRole('link', { name: 'People' })).toBeNull();
  });
  it('a sample that cannot be fetched is told, and nothing is written', async () => {
    serverAnswers({}, 404);
    show(<FirstStart who="trainer" onImport={() => undefined} />);
    press('Put the sample on the Shelf');
    expect((await screen.findByRole('alert')).textContent).toMatch(/could not be fetched/);
    expect(await fetchSample()).toBeNull();
  });
  it('what all units share comes before the unit, and the unit before what is its own', async () => {
    serverAnswers(glasswasher);
    const sample = await fetchSample();
    const order =
      sample?.entries.map((e) => (e.kind === 'family' ? 1 : 'family' in e && e.family !== null ? 2 : 0)) ?? [];
    expect(order.length).toBe(glasswasher.entries.length);
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(sample?.keys.length).toBe(order.length);
  });
  it('a look around goes stop by stop, for whom one picks', () => {
    serverAnswers({}, 404);
    show(<FirstStart who="trainer" onImport={() => undefined} />);
    expect(screen.getByRole('link', { name: 'Open the Shelf' })).toBeTruthy();
    press('a technician');
    expect(screen.getByRole('link', { name: 'Open the Trail' })).toBeTruthy();
    press('Go on');
    press('Go on');
    expect(screen.getByRole('link', { name: 'Open the Log' }).getAttribute('href')).toBe('/log');
    expect(
      within(screen.getByRole('region', { name: 'where to begin' })).queryByRole('button', { name: 'Go on' }),
    ).toBeNull();
  });
});
