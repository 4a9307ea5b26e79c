import 'fake-indexeddb/auto';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { eventsOfWalk, keepBundle } from '../../foundation/device/database.ts';
import { beginWalk, type Happening, keepHappenings } from '../../foundation/device/walks.ts';
import { openPage, person } from '../../testing/page.tsx';
import { standInServer } from '../../testing/server.ts';
import { glasswasher } from '../../testing/trail.tsx';
import WalkPage from './WalkPage.tsx';

const me = person('technician');
beforeEach(async () => {
  vi.stubGlobal('scrollTo', () => {});
  standInServer({ machine: { machine: null, walks: [], ledger: [], readings: [] } });
  await keepBundle({ family: glasswasher.family, hash: 'x', keptAt: '2026-11-27T08:00:00.000Z', bundle: glasswasher });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const unit: Happening = {
  kind: 'unit',
  machine: '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d99' as never,
  serial: 'G4-1',
  model: 'G4-20B',
  software: '2.6',
  variant: 'single-late' as never,
  options: {},
  composition: [],
};
const safe: Happening = {
  kind: 'safe',
  hazards: ['mains', 'hot-water', 'steam-pressure', 'moving-parts', 'chemical', 'water-electric'] as never,
};

/** Opens a walk on which this has happened, as the device keeps it. */
const open = async (from: Parameters<typeof beginWalk>[2], ...happenings: Happening[]) => {
  const walk = await beginWalk(glasswasher, me.id, from);
  if (happenings.length > 0) await keepHappenings({ walk, by: me.id, happenings });
  openPage(<WalkPage />, { path: '/trail/:walk', at: `/trail/${walk}`, user: me });
  const kept = async () => (await eventsOfWalk(walk)).map((k) => k.event).slice(1 + happenings.length);
  return { walk, kept };
};
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const symptom = { kind: 'symptom', symptom: 'cold-glasses' as never } as const;

describe('a station with nothing to do', () => {
  it('passes by itself, says so in a line, and keeps it with the walk', async () => {
    const { kept } = await open(symptom, unit, safe);
    await screen.findByRole('heading', { name: 'Is the element white with scale?' });
    expect(screen.getByText('Enter and Read:').parentElement?.textContent).toMatch(/the symptom leads/);
    expect((await kept()).map((e) => [e.kind, 'station' in e ? e.station : ''])).toEqual([
      ['passed', 'enter'],
      ['passed', 'read'],
    ]);
  });
  it('is never Safe, and what was passed can be looked at', async () => {
    await open(symptom, unit);
    expect(await screen.findByRole('heading', { name: 'What can hurt here' })).toBeTruthy();
    press('I have read this');
    await screen.findByRole('heading', { name: 'Is the element white with scale?' });
    press(/^3 Enter/);
    expect(await screen.findByRole('heading', { name: 'Into memory' })).toBeTruthy();
  });
  it('a code is still entered for', async () => {
    const { kept } = await open({ kind: 'code', code: 'k19' as never }, unit, safe);
    expect(await screen.findByRole('heading', { name: 'Into memory' })).toBeTruthy();
    expect(await kept()).toEqual([]);
  });
});

describe('the line tapped ahead', () => {
  it('asks why, once, for all that is left out', async () => {
    const { kept } = await open({ kind: 'code', code: 'k19' as never }, unit, safe);
    await screen.findByRole('heading', { name: 'Into memory' });
    press(/^5 Test/);
    expect(screen.getByText(/^Enter and Read are left out/)).toBeTruthy();
    press('It shows at the front');
    await screen.findByRole('heading', { name: 'Is the element white with scale?' });
    expect(await kept()).toMatchObject([
      { kind: 'skipped', station: 'enter', why: 'it shows at the front' },
      { kind: 'skipped', station: 'read', why: 'it shows at the front' },
    ]);
  });
  it('leaves Unit and Safe where they are: they come first', async () => {
    const { kept } = await open({ kind: 'code', code: 'k19' as never }, unit);
    await screen.findByRole('heading', { name: 'What can hurt here' });
    press(/^5 Test/);
    expect(screen.getByText('Safe comes first:').parentElement?.textContent).toMatch(/never left out/);
    fireEvent.change(screen.getByLabelText('Something else'), { target: { value: 'known part' } });
    press('Leave out and go on');
    await waitFor(async () => expect(await kept()).toHaveLength(2));
    expect(screen.getByRole('heading', { name: 'What can hurt here' })).toBeTruthy();
    press('I have read this');
    await screen.findByRole('heading', { name: 'Is the element white with scale?' });
  });
  it('is told, and undone at once where it was a slip', async () => {
    await open({ kind: 'code', code: 'k19' as never }, unit, safe);
    await screen.findByRole('heading', { name: 'Into memory' });
    press(/^5 Test/);
    press('It shows at the front');
    await screen.findByText('Left out: Enter, Read.');
    press('Undo');
    expect(await screen.findByRole('heading', { name: 'Into memory' })).toBeTruthy();
  });
  it('can be thought better of', async () => {
    const { kept } = await open({ kind: 'code', code: 'k19' as never }, unit, safe);
    await screen.findByRole('heading', { name: 'Into memory' });
    press(/^7 Prove/);
    press('Stay here');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(await kept()).toEqual([]);
  });
});

describe('a plate that cannot be read', () => {
  it('does not stop the walk, is asked for all the way, and is set right later on the same walk', async () => {
    const { kept } = await open({ kind: 'code', code: 'k19' as never });
    await screen.findByRole('heading', { name: 'Which unit is it?' });
    press('The number cannot be read');
    await screen.findByRole('heading', { name: 'What can hurt here' });
    expect((await kept())[0]).toMatchObject({
      kind: 'unit',
      serialUnread: true,
      serial: expect.stringMatching(/^NOT-READ-/),
    });
    press('Add it now');
    const box = await screen.findByLabelText('Serial number');
    expect((box as HTMLInputElement).value).toBe('');
    fireEvent.change(box, { target: { value: 'G4-118204' } });
    press('This is the unit');
    await screen.findByRole('heading', { name: 'What can hurt here' });
    expect(screen.queryByText(/was not read/)).toBeNull();
  });
});
