import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Version } from './device/new-version.ts';

export type ViewState = Readonly<{ keysShown: boolean; finding: boolean; version: Version; serverIsNewer: boolean }>;

export const viewSlice = createSlice({
  name: 'view',
  initialState: (): ViewState => ({ keysShown: false, finding: false, version: 'current', serverIsNewer: false }),
  reducers: {
    versionSaid: (state, { payload }: PayloadAction<Version>) => ({ ...state, version: payload }),
    newerMet: (state) => ({ ...state, serverIsNewer: true }),
    findingSet: (state, { payload }: PayloadAction<boolean>) => ({ ...state, finding: payload }),
    keysToggled: (state) => ({ ...state, keysShown: !state.keysShown }),
  },
});

export const { findingSet, keysToggled, newerMet, versionSaid } = viewSlice.actions;
