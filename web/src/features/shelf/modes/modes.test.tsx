import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { type Bundle, entriesOf, type Mode, wayOf } from '@wire-trail/core';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { glasswasher, readDemo } from '../../../testing/trail.tsx';
import { AddState } from './AddState.tsx';
import { ModeWays } from './ModeWays.tsx';
import { WayDialog } from './WayDialog.tsx';

const demos = import.meta.glob('../../../../../demo/*.json', { eager: true, import: 'default' });

afterEach(cleanup);
const memory = (): Mode => {
  const mode = entriesOf(glasswasher, 'mode').find((m) => m.id === 'memory');
  if (!mode) throw new Error('no memory');
  return mode;
};
const open = (bundle: Bundle = glasswasher) => {
  const onKeep = vi.fn<(mode: Mode, note: string) => void>();
  render(
    <MemoryRouter>
      <ModeWays mode={memory()} bundle={bundle} onKeep={onKeep} />
    </MemoryRouter>,
  );
  return onKeep;
};
const choose = (name: string, value: string) => fireEvent.change(screen.getByLabelText(name), { target: { value } });

describe('the ways of a mode', () => {
  it('stand as sentences, and one is said otherwise', () => {
    const onKeep = open();
    const idle = screen.getByText('goes to Standby when nothing is done for 4 min');
    fireEvent.click(within(idle.closest('li') as HTMLElement).getByRole('button', { name: 'Change' }));
    fireEvent.change(screen.getByLabelText('how long'), { target: { value: '2,5' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep this way' }));
    const [kept] = onKeep.mock.calls[0] ?? [];
    const before = memory().transitions;
    expect(kept?.transitions.map(wayOf)).toEqual(
      before.map((t) => (t.on.kind === 'idle' ? { by: 'idle', ms: 150_000 } : wayOf(t))),
    );
  });
  it('one is added: a control put to a place, the next of so many entries', () => {
    const onKeep = open();
    fireEvent.click(screen.getByRole('button', { name: 'Add a way from here' }));
    choose('where it leads', 'next');
    choose('when', 'put');
    choose('which', 'hood');
    choose('place', 'open');
    fireEvent.change(screen.getByLabelText('how many entries'), { target: { value: '' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep this way' }));
    // nothing is kept that lacks something, and it says what
    expect(screen.getByRole('alert').textContent).toBe('Say how many there are.');
    fireEvent.change(screen.getByLabelText('how many entries'), { target: { value: '6' } });
    choose('behind the last', 'stays');
    fireEvent.click(screen.getByRole('button', { name: 'Keep this way' }));
    const [kept] = onKeep.mock.calls[0] ?? [];
    const made = kept?.transitions.at(-1);
    expect(made && wayOf(made)).toEqual({ by: 'put', control: 'hood', to: 'open' });
    expect(kept?.variables.find((v) => v.kind === 'cursor')).toMatchObject({ to: 6, wraps: false });
  });
  it('several steps, a condition: each said in its gaps, and told what is missing', () => {
    const onKeep = open();
    const keep = () => fireEvent.click(screen.getByRole('button', { name: 'Keep this way' }));
    const type = (name: string, value: string) => fireEvent.change(screen.getByLabelText(name), { target: { value } });
    fireEvent.click(screen.getByRole('button', { name: 'Add a way from here' }));
    choose('when', 'steps');
    type('what is done', 'pres rocker-up');
    keep();
    expect(screen.getByRole('alert').textContent).toMatch(/^Say what is done/);
    type('what is done', 'set hood open; set hood shut');
    choose('only while', 'code-stands');
    type('which codes', 'K19, Z99');
    keep();
    expect(screen.getByRole('alert').textContent).toBe('There is no code Z99 of this unit.');
    type('which codes', 'K19');
    keep();
    const made = onKeep.mock.calls[0]?.[0].transitions.at(-1);
    expect(made && wayOf(made)).toMatchObject({ by: 'steps', steps: [{ to: 'open' }, { to: 'shut' }] });
    expect(made?.when).toEqual({ kind: 'code-stands', codes: ['k19'] });
  });
  it('a sign that shows something, while another does', () => {
    const onKeep = open();
    fireEvent.click(screen.getByRole('button', { name: 'Add a way from here' }));
    choose('when', 'sign');
    fireEvent.change(within(screen.getByRole('dialog')).getByLabelText('what it shows'), { target: { value: 'fast' } });
    choose('only while', 'sign');
    fireEvent.click(screen.getByRole('button', { name: 'Keep this way' }));
    const made = onKeep.mock.calls[0]?.[0].transitions.at(-1);
    expect(made && wayOf(made)).toMatchObject({ by: 'sign', shown: { kind: 'lamp', state: 'fast' } });
    expect(made?.when).toMatchObject({ kind: 'sign', shown: { kind: 'lamp', state: 'lit' } });
  });
  it.each(Object.entries(demos))('every way of %s opens in its sentence, and is kept as it was', (_, json) => {
    const bundle = readDemo(json);
    for (const mode of entriesOf(bundle, 'mode'))
      for (const [at, way] of mode.transitions.entries()) {
        const onKeep = vi.fn<(mode: Mode) => void>();
        const modes = entriesOf(bundle, 'mode').filter((m) => m.controller === mode.controller);
        render(
          <WayDialog mode={mode} modes={modes} bundle={bundle} to={null} at={at} onKeep={onKeep} onClose={vi.fn()} />,
        );
        fireEvent.click(screen.getByRole('button', { name: 'Keep this way' }));
        const kept = onKeep.mock.calls[0]?.[0].transitions[at];
        // where it stays in its mode, nothing is said of where it goes
        expect({ ...kept, to: kept?.to ?? mode.id }).toEqual({ ...way, to: way.to ?? mode.id });
        cleanup();
      }
  });
  it('what says more than a sentence is left to its form, and can be taken away', () => {
    const own = memory();
    const more: Bundle = {
      ...glasswasher,
      entries: glasswasher.entries.map((e) =>
        e.kind === 'mode' && e.id === own.id
          ? {
              ...own,
              transitions: [
                {
                  on: { kind: 'message', from: 'main' as never, message: 'wake' },
                  effects: [{ kind: 'erase-memory' }, { kind: 'erase-memory' }],
                },
              ],
            }
          : e,
      ),
    };
    const onKeep = vi.fn<(mode: Mode, note: string) => void>();
    const [changed] = entriesOf(more, 'mode').filter((m) => m.id === own.id);
    render(
      <MemoryRouter>
        <ModeWays mode={changed as Mode} bundle={more} onKeep={onKeep} />
      </MemoryRouter>,
    );
    expect(screen.getByRole('link', { name: 'in its form' }).getAttribute('href')).toBe(
      '/shelf/brindlewick-g4/mode/memory',
    );
    fireEvent.click(screen.getByRole('button', { name: /^Take away: does something here when .* says “wake”/ }));
    expect(onKeep.mock.calls[0]?.[0].transitions).toEqual([]);
  });
});

it('offers the states that are not there, and adds one with what leads from it', () => {
  const onAdd = vi.fn<(drafts: readonly unknown[], name: string) => void>();
  render(<AddState entries={glasswasher.entries} onAdd={onAdd} />);
  fireEvent.click(screen.getByRole('button', { name: 'Add a state' }));
  expect(screen.queryByRole('menuitem', { name: /^Stored codes/ })).toBeNull();
  fireEvent.click(screen.getByRole('menuitem', { name: /^Live values/ }));
  const [drafts, name] = onAdd.mock.calls[0] ?? [];
  expect(name).toBe('Live values');
  expect(drafts).toEqual([expect.objectContaining({ kind: 'mode', id: 'live-values', sort: 'live' })]);
});
