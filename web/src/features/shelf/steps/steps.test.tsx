import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { type Entry, entriesOf, type Family, statesOf, withStates } from '@wire-trail/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { glasswasher, serverAnswers, show } from '../../../testing/trail.tsx';
import type { Shelved } from '../tab-props.ts';
import { HurtsForm } from './HurtsForm.tsx';
import { PanelWords } from './PanelWords.tsx';
import { ShownForm } from './ShownForm.tsx';
import { StatesForm } from './StatesForm.tsx';
import { TestsForm } from './TestsForm.tsx';
import { VariantsTable } from './VariantsTable.tsx';

const family = glasswasher.family;
const shelved = (entries: readonly Entry[]): Shelved[] =>
  entries.map(
    (body) => ({ number: 1, state: 'draft', body, author: 'Demo trainer', at: '2026-11-29T08:00:00Z' }) as never,
  );
const without = (...kinds: Entry['kind'][]): Shelved[] =>
  shelved(glasswasher.entries.filter((e) => !kinds.includes(e.kind)));
const own = (): Family => {
  const [found] = entriesOf(glasswasher, 'family');
  if (!found) throw new Error('no unit');
  return found;
};
const type = (label: string | RegExp, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
const button = (name: string | RegExp) => screen.getByRole('button', { name }) as HTMLButtonElement;

beforeEach(() => {
  sessionStorage.clear();
  serverAnswers({}, 404);
});
afterEach(cleanup);

describe('a panel in words', () => {
  it('is drawn as it is typed; what names nothing is said, and nothing is drawn of nothing', () => {
    show(<PanelWords family={family} entries={[]} />);
    expect(button('Draw it so').disabled).toBe(true);
    type(/^Say it in words/, 'two red lamps, a knob below with off, low, high');
    const made = within(screen.getByRole('list', { name: 'what was made of it' }));
    expect(made.getAllByRole('listitem').map((li) => li.textContent)).toEqual([
      '2 lamps (red)',
      '1 knob with off, low, high',
    ]);
    expect(button('Draw it so').disabled).toBe(false);
    type(/^Say it in words/, 'It smells of fish');
    expect(screen.getByText('“It smells of fish” names nothing that can be drawn')).toBeTruthy();
    expect(button('Draw it so').disabled).toBe(true);
  });
});

describe('variants as a table', () => {
  it('a cell that cannot be read is told at its place, and nothing is kept meanwhile', () => {
    show(<VariantsTable own={own()} family={family} entries={without()} />);
    expect(button('Keep the variants').disabled).toBe(true);
    const cell = screen.getByLabelText('Software, row 1') as HTMLInputElement;
    const before = cell.value;
    fireEvent.change(cell, { target: { value: 'the new one' } });
    expect(screen.getByText(/“the new one” says no version/)).toBeTruthy();
    expect(button('Keep the variants').disabled).toBe(true);
    fireEvent.change(cell, { target: { value: before } });
    expect(screen.queryByText(/says no version/)).toBeNull();
  });
  it('a plate lights its row and says why; one that fits none says so', () => {
    show(<VariantsTable own={own()} family={family} entries={without()} />);
    type('model on a plate', 'ZZ-1');
    expect(screen.getByText('No variant fits this plate.')).toBeTruthy();
    expect(screen.queryByRole('row', { name: /fits the plate/ })).toBeNull();
    type('model on a plate', 'G4-20B');
    type('software on a plate', '2.6');
    expect(screen.getByRole('row', { name: /fits the plate/ })).toBeTruthy();
    expect(screen.getByText(/model number fits/)).toBeTruthy();
  });
});

describe('states', () => {
  it('are offered by what the ways ask for; nothing is to be kept where all is there', () => {
    show(<StatesForm family={family} entries={without('mode')} />);
    const ticked = screen.getAllByRole('checkbox').filter((c) => (c as HTMLInputElement).checked);
    expect(ticked.length).toBeGreaterThan(2);
    expect(button('Keep these states').disabled).toBe(false);
    cleanup();
    const entries = without('mode').map((e) => e.body);
    const kept = withStates({ entries }, statesOf({ entries }));
    const all = [...entries.filter((e) => !kept.some((k) => k.kind === e.kind && k.id === e.id)), ...kept];
    show(<StatesForm family={family} entries={shelved(all)} />);
    expect(button('Keep these states').disabled).toBe(true);
  });
});

describe('how a code is shown', () => {
  it('only what the panel can do is asked; without a panel the panel is', () => {
    show(<ShownForm family={family} entries={without('readout')} />);
    expect(button('Lamps that add up')).toBeTruthy();
    expect(button('Beeps')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'A display' })).toBeNull();
    cleanup();
    show(<ShownForm family={family} entries={without('panel', 'readout')} />);
    expect(screen.getByText(/^First its panel/)).toBeTruthy();
  });
  it('in two parts: each in its own way, what tells them apart, and how the codes fall; what cannot be is told', () => {
    const texts = ['E1-2', 'E4-7'];
    const code = entriesOf(glasswasher, 'code')[0] as Entry;
    const codes = texts.map((text, i) => ({ ...code, id: `e${i}`, text }) as Entry);
    const others = glasswasher.entries.filter((e) => e.kind !== 'code' && e.kind !== 'readout');
    show(<ShownForm family={family} entries={shelved([...others, ...codes])} />);
    fireEvent.click(button('In parts'));
    expect((screen.getByLabelText(/^Stands before both/) as HTMLInputElement).value).toBe('E');
    expect((screen.getByLabelText(/^Stands between the parts/) as HTMLInputElement).value).toBe('-');
    expect(screen.getByText(/^E1-2: first/).textContent).toBe('E1-2: first 1, then 2');
    expect(screen.getByText('E1-2 as it shows')).toBeTruthy();
    expect(button('That is how').disabled).toBe(false);
    const [first] = screen.getAllByLabelText('How it is shown');
    fireEvent.change(first as HTMLElement, { target: { value: 'beeps' } });
    fireEvent.change(screen.getByLabelText('What tells the second part'), { target: { value: 'sign' } });
    expect(screen.getByLabelText('Which lamp')).toBeTruthy();
    expect(button('That is how').disabled).toBe(false);
    type(/^Stands before both/, 'F');
    expect(screen.getByRole('alert').textContent).toBe('E1-2, E4-7 cannot be parted so.');
    expect(button('That is how').disabled).toBe(true);
  });
});

describe('how a code in three parts is shown', () => {
  it('is asked part by part, and cut as the codes are; going back to two leaves nothing of the third', () => {
    const texts = ['1-2.3', '4-7.1'];
    const code = entriesOf(glasswasher, 'code')[0] as Entry;
    const codes = texts.map((text, i) => ({ ...code, id: `e${i}`, text }) as Entry);
    const others = glasswasher.entries.filter((e) => e.kind !== 'code' && e.kind !== 'readout');
    show(<ShownForm family={family} entries={shelved([...others, ...codes])} />);
    fireEvent.click(button('In parts'));
    const many = (n: string) => fireEvent.change(screen.getByLabelText('In how many parts'), { target: { value: n } });
    many('3');
    expect(screen.getAllByLabelText('How it is shown')).toHaveLength(3);
    expect((screen.getByLabelText(/^Stands behind the first part/) as HTMLInputElement).value).toBe('-');
    expect((screen.getByLabelText(/^Stands behind the second part/) as HTMLInputElement).value).toBe('.');
    expect(screen.getByText(/^1-2.3: first/).textContent).toBe('1-2.3: first 1, then 2, then 3');
    expect(screen.getByLabelText('What tells the third part')).toBeTruthy();
    expect(button('That is how').disabled).toBe(false);
    many('2');
    expect(screen.queryByLabelText('What tells the third part')).toBeNull();
    // 2.3 is no number one can count
    expect(screen.getByRole('alert').textContent).toBe(
      'Second part: “2.3” cannot be counted. A number from 1 to 60 can.',
    );
  });
});

describe('tests as they are written down', () => {
  it('a code that is not there is told, and a tolerance that was not told is asked', () => {
    show(<TestsForm family={family} entries={without()} />);
    type('What is tested', 'Heater');
    type(/^For which codes/, 'K19, Z99');
    expect(screen.getByText('There is no code Z99 of this unit.')).toBeTruthy();
    type(/^The tests/, '1. Measure the heater, 1800 W at 230 V. If out, replace the heater, else replace the board.');
    expect(screen.getByRole('group', { name: 'how far off is good, line 1' })).toBeTruthy();
    expect(button('Make it a chart').disabled).toBe(true);
    type(/^For which codes/, 'K19');
    expect(button('Make it a chart').disabled).toBe(false);
  });
});

describe('what can hurt', () => {
  it('is said once for all that say nothing yet, or why nothing can', () => {
    const silent = glasswasher.entries.map((e): Entry => {
      if (e.kind !== 'code') return e;
      const { harmless: _, ...bare } = e;
      return { ...bare, hazards: [] };
    });
    const codes = entriesOf({ entries: silent }, 'code').length;
    show(<HurtsForm family={family} entries={shelved(silent.filter((e) => e.kind !== 'symptom'))} />);
    expect(button(`Say it for ${codes} codes`).disabled).toBe(true);
    type('Or: nothing can, because', 'It is cold and has no supply.');
    expect(button(`Say it for ${codes} codes`).disabled).toBe(false);
    fireEvent.click(screen.getAllByRole('checkbox')[0] as HTMLElement);
    expect(button(`Say it for ${codes - 1} codes`)).toBeTruthy();
  });
});
