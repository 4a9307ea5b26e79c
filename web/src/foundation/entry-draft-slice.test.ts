import type { Code, Symptom } from '@wire-trail/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type DraftState,
  draftEdited,
  draftOpened,
  draftSaved,
  entryDraftSlice,
  rebased,
  redone,
  undone,
} from './entry-draft-slice.ts';

const { reducer } = entryDraftSlice;
const body = (title: string, suspects: string[] = []): Code =>
  ({
    kind: 'code',
    id: 'k1',
    title,
    suspects: suspects.map((label) => ({ label, reason: '', weight: 1 })),
  }) as unknown as Code;
const open = (): DraftState =>
  reducer(undefined, draftOpened({ address: 'a', basedOn: 1, saved: body('Cold'), body: body('Cold') }));
const run = (...actions: Array<Parameters<typeof reducer>[1]>) => actions.reduce(reducer, open());
const titleOf = (state: DraftState) => state.status === 'open' && (state.body as Symptom).title;

describe('the draft of a code', () => {
  it('typing a word is one step to undo', () => {
    const typed = run(...['Co', 'Col', 'Cool'].map((t) => draftEdited({ body: body(t), about: 'title' })));
    expect(titleOf(typed)).toBe('Cool');
    expect(titleOf(reducer(typed, undone()))).toBe('Cold');
    expect(titleOf(reducer(reducer(typed, undone()), redone()))).toBe('Cool');
  });

  it('two fields are two steps', () => {
    const state = run(
      draftEdited({ body: body('A'), about: 'title' }),
      draftEdited({ body: body('A', ['x']), about: '' }),
    );
    expect(titleOf(reducer(state, undone()))).toBe('A');
    expect(titleOf(reducer(reducer(state, undone()), undone()))).toBe('Cold');
  });

  it('a new edit ends what could be redone', () => {
    const state = run(
      draftEdited({ body: body('A'), about: 'title' }),
      undone(),
      draftEdited({ body: body('B'), about: 'title' }),
      redone(),
    );
    expect(titleOf(state)).toBe('B');
  });

  it('saving keeps what can be undone; a stale save keeps one’s own text', () => {
    const saved = run(draftEdited({ body: body('A'), about: 'title' }), draftSaved({ number: 2, body: body('A') }));
    expect(saved).toMatchObject({ basedOn: 2, saved: { title: 'A' } });
    expect(titleOf(reducer(saved, undone()))).toBe('Cold');
    const stale = run(
      draftEdited({ body: body('Mine'), about: 'title' }),
      rebased({ number: 5, saved: body('Theirs') }),
    );
    expect(stale).toMatchObject({ basedOn: 5, body: { title: 'Mine' }, saved: { title: 'Theirs' } });
  });

  it('undoing everything gives the first text, redoing everything the last', () => {
    const edit = fc.record({
      title: fc.string({ minLength: 1, maxLength: 5 }),
      suspects: fc.array(fc.string({ minLength: 1, maxLength: 4 }), { maxLength: 4 }),
      about: fc.constantFrom('', 'title'),
    });
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 12 }), (edits) => {
        let state = run(...edits.map((e) => draftEdited({ body: body(e.title, e.suspects), about: e.about })));
        const last = state.status === 'open' && state.body;
        for (let i = 0; i < 20; i++) state = reducer(state, undone());
        expect(state).toMatchObject({ body: body('Cold'), past: [] });
        for (let i = 0; i < 20; i++) state = reducer(state, redone());
        expect(state.status === 'open' && state.body).toEqual(last);
      }),
    );
  });
});
