import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { type Code, entryOf } from '@wire-trail/core';
import { Provider } from 'react-redux';
import { afterEach, describe, expect, it } from 'vitest';
import { draftOpened, redone, undone } from '../../foundation/entry-draft-slice.ts';
import { makeStore, useAppSelector } from '../../foundation/store.ts';
import { glasswasher } from '../../testing/trail.tsx';
import { Fields } from './Fields.tsx';
import { keepDraft, keptDraft } from './kept-draft.ts';

const k19 = entryOf(glasswasher, 'code', 'k19') as Code;

function Editor() {
  const draft = useAppSelector((s) => s.entryDraft);
  return draft.status === 'open' ? <Fields body={draft.body as Code} bodies={glasswasher} /> : null;
}
function open() {
  const store = makeStore();
  store.dispatch(draftOpened({ address: 'a', basedOn: 1, saved: k19, body: k19 }));
  render(
    <Provider store={store}>
      <Editor />
    </Provider>,
  );
  const body = () => {
    const draft = store.getState().entryDraft;
    return (draft.status === 'open' ? draft.body : k19) as Code;
  };
  return { store, body };
}
/** The controls a label stands for, found by way of it: asking every element for its labels takes a second here. */
const labelled = (label: string): HTMLElement[] =>
  [...document.querySelectorAll('label')].flatMap((l) =>
    l.textContent?.trim() === label && l.control ? [l.control] : [],
  );
const type = (label: string, value: string, at = 0) =>
  fireEvent.change(labelled(label)[at] as Element, { target: { value } });
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
afterEach(cleanup);

describe('the fields of a code', () => {
  it('write what is typed into the draft', () => {
    const { body } = open();
    type('Title', 'Cold rinse');
    type('What the control saw', 'Less than 6 K.');
    type('What it then does', 'Goes on.');
    type('in a row', '3');
    type('for', '18 min');
    type('erased after clean ones', '');
    type('one takes', '0h20');
    type('one every', '24 h');
    type('Only when', '');
    expect(body()).toMatchObject({
      title: 'Cold rinse',
      saw: 'Less than 6 K.',
      does: 'Goes on.',
      detection: {
        inARow: 3,
        forMs: 1_080_000,
        erasedAfterCleanCycles: null,
        cycleMs: 1_200_000,
        cycleEveryMs: 86_400_000,
      },
    });
    expect(body().detection.onlyWhen).toBeUndefined();
  });

  it('a number that is none stays in its box, is said, and is not taken over', () => {
    const { body } = open();
    type('in a row', 'many');
    expect(screen.getByText('A number from 1 up.')).toBeTruthy();
    expect(body().detection.inARow).toBe(2);
  });

  it('a title that cannot be is said beside it, and kept', () => {
    const { body } = open();
    type('Title', '');
    expect(labelled('Title')[0]?.getAttribute('aria-invalid')).toBe('true');
    expect(body().title).toBe('');
  });

  it('suspects are moved, added, removed, by key as well; each is one step to undo', () => {
    const { store, body } = open();
    const labels = () => body().suspects.map((s) => s.label);
    const before = labels();
    press('move Rinse heating element up');
    expect(labels().slice(0, 2)).toEqual([before[1], before[0]]);
    fireEvent.keyDown(labelled('Suspect')[0] as Element, { key: 'ArrowDown', altKey: true });
    expect(labels()).toEqual(before);
    press('remove Rinse contactor');
    expect(labels()).toHaveLength(4);
    press('Add a suspect');
    expect(labels().at(-1)).toBe('New suspect');
    for (let i = 0; i < 4; i++) store.dispatch(undone());
    expect(labels()).toEqual(before);
    for (let i = 0; i < 4; i++) store.dispatch(redone());
    expect(labels().at(-1)).toBe('New suspect');
  });

  it('shows the odds of each suspect as a share', () => {
    open();
    expect(screen.getByText('32 %')).toBeTruthy();
    type('Weight against the others', '60');
    expect(screen.getByText('82 %')).toBeTruthy();
  });

  it('hazards, scope, chart, source and standing are chosen from what there is', () => {
    const { body } = open();
    fireEvent.click(labelled('Pump wheels')[0] as Element);
    fireEvent.click(labelled('Mains behind covers')[0] as Element);
    type('Who may act', 'licensed');
    type('Test chart', '');
    type('Source', 'bench-0419');
    type('How sure', 'bench-proven');
    expect(body()).toMatchObject({
      hazards: ['hot-water', 'moving-parts'],
      scope: 'licensed',
      chart: null,
      source: 'bench-0419',
      standing: 'bench-proven',
    });
  });

  it('claims stand side by side', () => {
    const { body } = open();
    press('Add a claim');
    expect(body().claims).toHaveLength(4);
    type('Says', 'From 2.7 it is 20 min.', 3);
    expect(body().claims[3]).toMatchObject({ says: 'From 2.7 it is 20 min.', standing: 'hearsay' });
  });
});

describe('what was typed and not saved', () => {
  it('is kept on the device until it is', () => {
    keepDraft('x', { basedOn: 3, body: k19 });
    expect(keptDraft('x')).toEqual({ basedOn: 3, body: k19, past: [] });
    keepDraft('x', null);
    expect(keptDraft('x')).toBeNull();
  });

  it('can still be undone after the page was loaded anew', () => {
    const { store, body } = open();
    type('Title', 'Warms never');
    const before = store.getState().entryDraft;
    if (before.status !== 'open') throw new Error('no draft is open');
    keepDraft('x', { basedOn: 3, body: before.body, past: [...before.past] });
    const kept = keptDraft('x');
    if (!kept) throw new Error('nothing was kept');
    store.dispatch(draftOpened({ address: 'x', saved: before.saved, ...kept }));
    expect(body().title).toBe('Warms never');
    store.dispatch(undone());
    expect(body().title).toBe(k19.title);
  });
});
