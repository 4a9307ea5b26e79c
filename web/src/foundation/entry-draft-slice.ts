import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import {
  applyChanges,
  type Change,
  type Code,
  diff,
  type Entry,
  type EntryKind,
  invertChanges,
  type Symptom,
} from '@wire-trail/core';

/** An entry's body as the draft keeps it; what it holds beside its key does not matter here. */
export type Body = Readonly<{ kind: EntryKind; id: string }>;
/** The draft's body as what it is. */
export const entryIn = (body: Body & Readonly<Record<string, unknown>>): Entry => body as Body as Entry;
/** What has a title, suspects and all that: a code, or a symptom without one. */
export type Described = Code | Symptom;
/** One edit: what changed, and what it belongs to, so that typing a word is one step to undo and not five. */
type Edit = Readonly<{ about: string; changes: Change[] }>;
export type DraftState = Readonly<
  | { status: 'closed' }
  | {
      status: 'open';
      address: string;
      basedOn: number;
      saved: Body;
      body: Body;
      past: readonly Edit[];
      future: readonly Edit[];
    }
>;

const mostEdits = 400;

/** Typing on in the same field continues an edit. Adding, removing and moving each stand alone. */
function continues(last: Edit | undefined, about: string): boolean {
  return last !== undefined && about !== '' && last.about === about;
}

export const entryDraftSlice = createSlice({
  name: 'entryDraft',
  initialState: { status: 'closed' } as DraftState,
  reducers: {
    draftOpened: (
      _,
      {
        payload,
      }: PayloadAction<{
        address: string;
        basedOn: number;
        saved: Body;
        body: Body;
        /** What could be undone when the entry was left. */
        past?: readonly Edit[];
      }>,
    ): DraftState => ({
      status: 'open',
      past: [],
      ...payload,
      future: [],
    }),
    draftEdited: (state, { payload }: PayloadAction<{ body: Body; about: string }>): DraftState => {
      if (state.status !== 'open') return state;
      const last = state.past.at(-1);
      const isSame = continues(last, payload.about) && last !== undefined;
      const before = isSame ? (applyChanges(state.body, invertChanges(last.changes)) as Body) : state.body;
      const changes = diff(before, payload.body);
      const past = isSame ? state.past.slice(0, -1) : state.past;
      if (changes.length === 0) return { ...state, body: payload.body, past, future: [] };
      return {
        ...state,
        body: payload.body,
        past: [...past, { about: payload.about, changes }].slice(-mostEdits),
        future: [],
      };
    },
    undone: (state): DraftState => {
      const last = state.status === 'open' ? state.past.at(-1) : undefined;
      if (state.status !== 'open' || !last) return state;
      return {
        ...state,
        body: applyChanges(state.body, invertChanges(last.changes)) as Body,
        past: state.past.slice(0, -1),
        future: [...state.future, last],
      };
    },
    redone: (state): DraftState => {
      const next = state.status === 'open' ? state.future.at(-1) : undefined;
      if (state.status !== 'open' || !next) return state;
      return {
        ...state,
        body: applyChanges(state.body, next.changes) as Body,
        past: [...state.past, { ...next, about: '' }],
        future: state.future.slice(0, -1),
      };
    },
    draftSaved: (state, { payload }: PayloadAction<{ number: number; body: Body }>): DraftState =>
      state.status === 'open' ? { ...state, basedOn: payload.number, saved: payload.body, body: payload.body } : state,
    /** After a stale save: go on from the other's version, keeping one's own text. */
    rebased: (state, { payload }: PayloadAction<{ number: number; saved: Body }>): DraftState =>
      state.status === 'open' ? { ...state, basedOn: payload.number, saved: payload.saved } : state,
    draftClosed: (): DraftState => ({ status: 'closed' }),
  },
});

export const { draftOpened, draftEdited, undone, redone, draftSaved, rebased, draftClosed } = entryDraftSlice.actions;
