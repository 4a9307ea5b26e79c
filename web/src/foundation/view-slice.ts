import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Version } from './device/new-version.ts';

export type ViewState = Readonly<{ keysShown: boolean; version: Version; serverIsNewer: boolean }>;

export const viewSlice = createSlice({
  name: 'view',
  initialState: (): ViewState => ({ keysShown: false, version: 'current', serverIsNewer: false }),
  reducers: {
    versionSaid: (state, { payload }: PayloadAction<Version>) => ({ ...state, version: payload }),
    newerMet: (state) => ({ ...state, serverIsNewer: true }),
    keysToggled: (state) => ({ ...state, keysShown: !state.keysShown }),
  },
});

export const { keysToggled, newerMet, versionSaid } = viewSlice.actions;
