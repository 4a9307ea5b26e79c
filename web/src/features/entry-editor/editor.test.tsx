import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { type Code, type EntryKind, entryOf, keyOf } from '@wire-trail/core';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { draftEdited, draftOpened, undone } from '../../foundation/entry-draft-slice.ts';
import { makeStore, useAppSelector } from '../../foundation/store.ts';
import { glasswasher } from '../../testing/trail.tsx';
import { EditorBar } from './EditorBar.tsx';
import { AmountField } from './inputs.tsx';
import { newEntry } from './new-entry.ts';
import { WhatIsWrong } from './WhatIsWrong.tsx';

const k19 = entryOf(glasswasher, 'code', 'k19') as Code;
afterEach(cleanup);

function Bar() {
  const draft = useAppSelector((s) => s.entryDraft);
  if (draft.status !== 'open') return null;
  return (
    <EditorBar entryKey={keyOf(k19)} draft={draft} latest={null} published together={[]} onStale={() => undefined} />
  );
}
function openBar() {
  const store = makeStore();
  store.dispatch(draftOpened({ address: 'a', basedOn: 1, saved: k19, body: k19 }));
  render(
    <Provider store={store}>
      <MemoryRouter>
        <Bar />
      </MemoryRouter>
    </Provider>,
  );
  const body = () => {
    const { entryDraft } = store.getState();
    return (entryDraft.status === 'open' ? entryDraft.body : k19) as Code;
  };
  return { store, body };
}

describe('what can be done with an entry', () => {
  it('edits are discarded together, and that can be undone as well', () => {
    const { store, body } = openBar();
    expect(screen.queryByRole('button', { name: 'Discard my edits' })).toBeNull();
    for (const title of ['Warms never', 'Warms never again'])
      act(() => void store.dispatch(draftEdited({ body: { ...body(), title } as Code, about: '' })));
    fireEvent.click(screen.getByRole('button', { name: 'Discard my edits' }));
    expect(body()).toEqual(k19);
    act(() => void store.dispatch(undone()));
    expect(body().title).toBe('Warms never again');
  });
});

describe('fields that need another look', () => {
  it('are named with why, the first few of them, and one is led to the first', () => {
    render(
      <main>
        <input aria-label="fine" />
        <input aria-label="empty" aria-invalid="true" />
        <WhatIsWrong
          problems={
            new Map([
              ['normalSigns', 'Give it a word'],
              ['variables.0.name', 'Give it a name'],
              ['sort', 'one of them'],
              ['name', 'Give it a name'],
            ])
          }
        />
      </main>,
    );
    const words = screen.getByText(/Some fields need another look/).textContent;
    expect(words).toContain('what shows when all is well: Give it a word');
    expect(words).toContain('variables › 1 › name: Give it a name');
    expect(words).toContain('and 1 more');
    Element.prototype.scrollIntoView = () => undefined;
    fireEvent.click(screen.getByRole('button', { name: 'Show the first' }));
    expect(document.activeElement?.getAttribute('aria-label')).toBe('empty');
  });
});

describe('a bare number', () => {
  it.each([
    ['27 min', 1_620_000, '8', 480_000, '8 min'],
    ['2 h', 7_200_000, '3', 10_800_000, '3 h'],
    ['45 s', 45_000, '8', 8_000, '8 s'],
    ['27 min', 1_620_000, '8 s', 8_000, null],
  ])('over %s: %s ms, typed %s', (shown, value, typed, stored, taken) => {
    const onChange = vi.fn();
    const store = makeStore();
    const field = (ms: number) => (
      <Provider store={store}>
        <AmountField label="at most" value={ms} of={{ quantity: 'duration', perBase: 1000 }} onChange={onChange} />
      </Provider>
    );
    const { rerender } = render(field(value));
    const box = screen.getByLabelText<HTMLInputElement>(/^at most/);
    expect(box.value).toBe(shown);
    fireEvent.focus(box);
    fireEvent.change(box, { target: { value: typed } });
    expect(onChange).toHaveBeenLastCalledWith(stored);
    rerender(field(stored));
    expect(screen.queryByText(/taken as/)?.textContent?.trim() ?? null).toBe(
      taken === null ? null : `taken as ${taken}`,
    );
  });
});

describe('something new', () => {
  const kinds: readonly EntryKind[] = [
    'mode',
    'setting',
    'source',
    'readout',
    'chart',
    'route',
    'symptom',
    'code',
    'hazard',
  ];
  it.each(kinds)('a %s begins by its name, and is proven by nothing yet', (kind) => {
    const made = newEntry({ family: glasswasher.family, kind, id: 'made-up' }, 'Made up', glasswasher);
    expect(made).toMatchObject({ kind, id: 'made-up' });
    expect(JSON.stringify(made)).toContain('Made up');
    if (made && 'standing' in made) expect(made.standing).toBe('experimental');
  });
});
