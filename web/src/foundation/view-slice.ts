import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Mode } from './theme.ts';

export type ViewState = Readonly<{ mode: Mode; keysShown: boolean }>;

const remembered = (): Mode => {
  const kept = globalThis.localStorage?.getItem('wire-trail-mode');
  if (kept === 'light' || kept === 'dark') return kept;
  return globalThis.matchMedia?.('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
};

export const viewSlice = createSlice({
  name: 'view',
  initialState: (): ViewState => ({ mode: remembered(), keysShown: false }),
  reducers: {
    modeChosen: (state, { payload }: PayloadAction<Mode>) => ({ ...state, mode: payload }),
    keysToggled: (state) => ({ ...state, keysShown: !state.keysShown }),
  },
});

export const { modeChosen, keysToggled } = viewSlice.actions;
