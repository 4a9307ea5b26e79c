import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Version } from './device/new-version.ts';
import type { Mode } from './theme.ts';

export type ViewState = Readonly<{ mode: Mode; keysShown: boolean; version: Version; serverIsNewer: boolean }>;

const remembered = (): Mode => {
  const kept = globalThis.localStorage?.getItem('wire-trail-mode');
  if (kept === 'light' || kept === 'dark') return kept;
  return globalThis.matchMedia?.('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
};

export const viewSlice = createSlice({
  name: 'view',
  initialState: (): ViewState => ({ mode: remembered(), keysShown: false, version: 'current', serverIsNewer: false }),
  reducers: {
    modeChosen: (state, { payload }: PayloadAction<Mode>) => ({ ...state, mode: payload }),
    versionSaid: (state, { payload }: PayloadAction<Version>) => ({ ...state, version: payload }),
    newerMet: (state) => ({ ...state, serverIsNewer: true }),
    keysToggled: (state) => ({ ...state, keysShown: !state.keysShown }),
  },
});

export const { modeChosen, keysToggled, newerMet, versionSaid } = viewSlice.actions;
