import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { type Bundle, type Condition, entriesOf, type Mode, wayOf } from '@wire-trail/core';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { glasswasher, readDemo } from '../../../testing/trail.tsx';
import { AddState } from './AddState.tsx';
import { ModeAbout } from './ModeAbout.tsx';
import { ModeShows } from './ModeShows.tsx';
import { ModeTests } from './ModeTests.tsx';
import { ModeWays } from './ModeWays.tsx';
import { onlyDraftOf, onlyTyped } from './only-draft.ts';
import { WayDialog } from './WayDialog.tsx';
import { aroundOf } from './way-draft.ts';

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
  it('several things at once are one sentence: each is said, changed, and taken away', () => {
    const own = memory();
    const more: Bundle = {
      ...glasswasher,
      entries: glasswasher.entries.map((e) =>
        e.kind === 'mode' && e.id === own.id
          ? {
              ...own,
              transitions: [
                { on: { kind: 'idle', afterMs: 5000 }, effects: [{ kind: 'erase-memory' }], to: 'standby' as never },
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
    expect(screen.getByText(/^goes to Standby and empties its memory when nothing is done for 5 s/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Change' }));
    fireEvent.click(screen.getByRole('button', { name: 'And it does something as well' }));
    const second = screen.getAllByLabelText('what it does as well')[1] as HTMLElement;
    fireEvent.change(second, { target: { value: 'step' } });
    fireEvent.change(screen.getByLabelText('by how many'), { target: { value: 'some' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep this way' }));
    expect(screen.getByRole('alert').textContent).toBe('Say by how many it moves on: 10, or -1 for back.');
    fireEvent.change(screen.getByLabelText('by how many'), { target: { value: '-10' } });
    fireEvent.click(screen.getByRole('button', { name: 'Take away what it does as well, 1' }));
    fireEvent.click(screen.getByRole('button', { name: 'Keep this way' }));
    expect(onKeep.mock.calls[0]?.[0].transitions).toEqual([
      {
        on: { kind: 'idle', afterMs: 5000 },
        effects: [expect.objectContaining({ kind: 'step', by: -10 })],
        to: 'standby',
      },
    ]);
  });
  it('conditions joined of several: and, or, anything but that', () => {
    const onKeep = open();
    fireEvent.click(screen.getByRole('button', { name: 'Add a way from here' }));
    choose('only while', 'sign');
    fireEvent.click(screen.getByRole('button', { name: 'Another condition' }));
    choose('only while, 2', 'code-stands');
    fireEvent.change(screen.getByLabelText('which codes'), { target: { value: 'K19' } });
    choose('so or not so, 2', 'not');
    choose('and or or', 'any');
    fireEvent.click(screen.getByRole('button', { name: 'Keep this way' }));
    expect(onKeep.mock.calls[0]?.[0].transitions.at(-1)?.when).toEqual({
      kind: 'any',
      of: [expect.objectContaining({ kind: 'sign' }), { kind: 'not', of: { kind: 'code-stands', codes: ['k19'] } }],
    });
  });
});

const conditions: ReadonlyArray<readonly [string, Condition]> = [
  ['a sign', { kind: 'sign', shown: { kind: 'lamp', sign: 'lamp-a' as never, state: 'fast' } }],
  ['a code that does not stand', { kind: 'not', of: { kind: 'code-stands', codes: ['k19' as never] } }],
  ['what it remembers', { kind: 'variable', variable: 'slot' as never, is: 3 }],
  ['a code on a readout', { kind: 'reads', readout: 'arc' as never, code: 'k19' as never }],
  [
    'any of several',
    {
      kind: 'any',
      of: [
        { kind: 'variable', variable: 'slot' as never, is: 1 },
        { kind: 'not', of: { kind: 'code-stands', codes: [] } },
      ],
    },
  ],
];
const draftMode = (): Mode => ({
  ...memory(),
  variables: [{ kind: 'cursor', id: 'slot' as never, from: 1, to: 4, start: 1, wraps: true }],
});
describe('what has to be so', () => {
  const around = aroundOf(glasswasher, draftMode());
  it.each(conditions)('%s: typed back, it is as it was', (_, when) => {
    const readout = around.readouts[0]?.id;
    const own = JSON.parse(JSON.stringify(when).replace('"arc"', JSON.stringify(readout))) as Condition;
    const draft = onlyDraftOf(own, draftMode(), around);
    expect(onlyTyped(draft, draftMode(), around)).toEqual({ when: own, wrong: null });
  });
  it('conditions within conditions are said in rows of their own, however deep', () => {
    const code: Condition = { kind: 'code-stands', codes: [] };
    const lamp: Condition = { kind: 'sign', shown: { kind: 'lamp', sign: 'lamp-a' as never, state: 'lit' } };
    const within: Condition = {
      kind: 'all',
      of: [code, { kind: 'not', of: { kind: 'any', of: [lamp, { kind: 'all', of: [code, lamp] }] } }],
    };
    expect(onlyTyped(onlyDraftOf(within, draftMode(), around), draftMode(), around)).toEqual({
      when: within,
      wrong: null,
    });
    const none = onlyDraftOf({ kind: 'all', of: [code, { kind: 'any', of: [] }] }, draftMode(), around);
    expect(onlyTyped(none, draftMode(), around).wrong).toBe('Say what of several has to be so.');
  });
  it('one of several is typed: a way that goes while a code stands and either of two lamps is lit', () => {
    const onKeep = open();
    fireEvent.click(screen.getByRole('button', { name: 'Add a way from here' }));
    choose('only while', 'code-stands');
    fireEvent.click(screen.getByRole('button', { name: 'Another condition' }));
    choose('only while, 2', 'several');
    choose('only while, 2 1', 'sign');
    const [inner] = screen.getAllByRole('button', { name: 'Another condition' });
    fireEvent.click(inner as HTMLElement);
    fireEvent.change(screen.getAllByLabelText('which sign').at(-1) as HTMLElement, { target: { value: 'lamp-b' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep this way' }));
    const lit = (sign: string) => ({ kind: 'sign', shown: { kind: 'lamp', sign, state: 'lit' } });
    expect(onKeep.mock.calls[0]?.[0].transitions.at(-1)?.when).toEqual({
      kind: 'all',
      of: [
        { kind: 'code-stands', codes: [] },
        { kind: 'any', of: [lit('lamp-a'), lit('lamp-b')] },
      ],
    });
  });
});

describe('what a mode shows', () => {
  const shows = (mode: Mode, bundle: Bundle = glasswasher) => {
    const onKeep = vi.fn<(mode: Mode, note: string) => void>();
    render(<ModeShows mode={mode} bundle={bundle} onKeep={onKeep} />);
    return onKeep;
  };
  it.each(Object.entries(demos))('everything %s shows opens in its sentence, and is kept as it was', (_, json) => {
    const bundle = readDemo(json);
    for (const mode of entriesOf(bundle, 'mode'))
      mode.shows.forEach((showing, i) => {
        const onKeep = shows(mode, bundle);
        fireEvent.click(screen.getAllByRole('button', { name: 'Change' })[i] as HTMLElement);
        fireEvent.click(screen.getByRole('button', { name: 'Keep what it shows' }));
        expect(onKeep.mock.calls[0]?.[0].shows[i]).toEqual(showing);
        cleanup();
      });
  });
  it('signs are added in a row, each with what it shows', () => {
    const onKeep = shows({ ...memory(), shows: [] });
    fireEvent.click(screen.getByRole('button', { name: 'Add what it shows' }));
    fireEvent.click(screen.getByRole('button', { name: 'And another sign' }));
    const rows = within(screen.getByRole('dialog')).getAllByLabelText('what it shows');
    fireEvent.change(rows[1] as HTMLElement, { target: { value: 'slow' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep what it shows' }));
    expect(onKeep.mock.calls[0]?.[0].shows).toEqual([
      {
        kind: 'fixed',
        signs: [
          { kind: 'lamp', sign: 'lamp-a', state: 'lit' },
          { kind: 'lamp', sign: 'lamp-b', state: 'slow' },
        ],
      },
    ]);
  });
});

describe('numbered tests', () => {
  const tests = (mode: Mode, bundle: Bundle = glasswasher) => {
    const onKeep = vi.fn<(mode: Mode, note: string) => void>();
    render(<ModeTests mode={mode} bundle={bundle} onKeep={onKeep} />);
    return onKeep;
  };
  it.each(Object.entries(demos))('every test of %s opens in its sentences, and is kept as it was', (_, json) => {
    const bundle = readDemo(json);
    for (const mode of entriesOf(bundle, 'mode'))
      mode.tests.forEach((test, i) => {
        const onKeep = tests(mode, bundle);
        fireEvent.click(screen.getByRole('button', { name: `Change test ${test.number}` }));
        fireEvent.click(screen.getByRole('button', { name: 'Keep this test' }));
        expect(onKeep.mock.calls[0]?.[0].tests[i]).toEqual(test);
        cleanup();
      });
  });
  it('one is added: what is missing is told, a reading from least to most, what follows', () => {
    const mode = entriesOf(glasswasher, 'mode').find((m) => m.tests.length > 1);
    if (!mode) throw new Error('no tests');
    const onKeep = tests(mode);
    const type = (name: string, value: string) => fireEvent.change(screen.getByLabelText(name), { target: { value } });
    const keep = () => fireEvent.click(screen.getByRole('button', { name: 'Keep this test' }));
    const told = () => screen.getAllByRole('alert').at(-1)?.textContent;
    fireEvent.click(screen.getByRole('button', { name: 'Add a test' }));
    keep();
    expect(told()).toBe('Say what it tests.');
    type('its number', mode.tests[0]?.number ?? '');
    type('what it tests', 'Heater');
    type('What should happen, in words', 'It warms up.');
    keep();
    expect(told()).toBe(`There is a test ${mode.tests[0]?.number} already.`);
    type('its number', '90');
    choose('what is watched for', 'reading');
    type('least', '40');
    type('most', '30');
    keep();
    expect(told()).toBe('The least reading is more than the most.');
    type('most', '60');
    type('how long it takes', '5');
    choose('how it begins', 'steps');
    type('what begins it', 'press nothing at all');
    keep();
    expect(told()).toMatch(/^Say what is done/);
    choose('how it begins', 'itself');
    choose('what follows', mode.tests[0]?.number ?? '');
    keep();
    expect(onKeep.mock.calls[0]?.[0].tests.at(-1)).toEqual({
      number: '90',
      name: 'Heater',
      starts: 'By itself.',
      expected: 'It warms up.',
      expects: { kind: 'reading', quantity: 'resistance', least: 40, most: 60 },
      takes: { leastMs: 5000, usualMs: 5000, mostMs: 5000 },
      signs: [],
      coldOnly: false,
      followedBy: mode.tests[0]?.number,
    });
  });
});

describe('what a mode is', () => {
  const about = (mode: Mode, bundle: Bundle = glasswasher) => {
    const onKeep = vi.fn<(mode: Mode, note: string) => void>();
    render(<ModeAbout mode={mode} bundle={bundle} onKeep={onKeep} />);
    fireEvent.click(screen.getByRole('button', { name: 'What it is' }));
    return onKeep;
  };
  const keep = () => fireEvent.click(screen.getByRole('button', { name: 'Keep it so' }));
  const type = (name: string, value: string) => fireEvent.change(screen.getByLabelText(name), { target: { value } });
  it.each(Object.entries(demos))('every mode of %s is kept as it was', (_, json) => {
    const bundle = readDemo(json);
    for (const mode of entriesOf(bundle, 'mode')) {
      const onKeep = about(mode, bundle);
      keep();
      expect(onKeep.mock.calls[0]?.[0]).toEqual(mode);
      cleanup();
    }
  });
  it('something it remembers is added, as an entry between two, and told where it is wrong', () => {
    const onKeep = about({ ...memory(), variables: [] });
    fireEvent.click(screen.getByRole('button', { name: 'Something it remembers' }));
    keep();
    expect(screen.getByRole('alert').textContent).toBe('Say what it remembers.');
    type('what it remembers', 'Door open');
    fireEvent.change(screen.getByLabelText(/^as what/), { target: { value: 'cursor' } });
    type('where it stands at first', '9');
    keep();
    expect(screen.getByRole('alert').textContent).toMatch(/between the two\.$/);
    type('where it stands at first', '2');
    type('how long it takes nothing', '1,5');
    keep();
    expect(onKeep.mock.calls[0]?.[0]).toMatchObject({
      deafForMs: 1500,
      variables: [{ kind: 'cursor', id: 'door-open', from: 1, to: 8, start: 2, wraps: true }],
    });
  });
  it('what a way goes by is not taken away', () => {
    const mode: Mode = {
      ...memory(),
      variables: [{ kind: 'flag', id: 'door-open' as never, start: false }],
      transitions: [
        {
          on: { kind: 'idle', afterMs: 5 },
          effects: [{ kind: 'assign', variable: 'door-open' as never, to: true }],
        },
      ],
    };
    const onKeep = about(mode);
    fireEvent.click(screen.getByRole('button', { name: 'Take away door open' }));
    keep();
    expect(screen.getByRole('alert').textContent).toBe(
      'A way, or what it shows, goes by door open: take that away first.',
    );
    expect(onKeep).not.toHaveBeenCalled();
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
