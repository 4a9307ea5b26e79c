import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Version } from './device/new-version.ts';

export type ViewState = Readonly<{
  keysShown: boolean;
  finding: boolean;
  version: Version;
  serverIsNewer: boolean;
  ended: boolean;
}>;

export const viewSlice = createSlice({
  name: 'view',
  initialState: (): ViewState => ({
    keysShown: false,
    finding: false,
    version: 'current',
    serverIsNewer: false,
    ended: false,
  }),
  reducers: {
    versionSaid: (state, { payload }: PayloadAction<Version>) => ({ ...state, version: payload }),
    newerMet: (state) => ({ ...state, serverIsNewer: true }),
    /** This device was signed out from afar; until somebody signs in again. */
    endedMet: (state, { payload }: PayloadAction<boolean>) => ({ ...state, ended: payload }),
    findingSet: (state, { payload }: PayloadAction<boolean>) => ({ ...state, finding: payload }),
    keysToggled: (state) => ({ ...state, keysShown: !state.keysShown }),
  },
});

export const { endedMet, findingSet, keysToggled, newerMet, versionSaid } = viewSlice.actions;
