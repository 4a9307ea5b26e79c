import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** `waiting` is null until the device's store was counted. */
export type SyncState = Readonly<{ online: boolean; waiting: number | null; sending: boolean; refused: number }>;

export const syncSlice = createSlice({
  name: 'sync',
  initialState: {
    online: globalThis.navigator?.onLine ?? true,
    waiting: null,
    sending: false,
    refused: 0,
  } as SyncState,
  reducers: {
    connectionChanged: (state, { payload }: PayloadAction<boolean>) => ({ ...state, online: payload }),
    sendingChanged: (state, { payload }: PayloadAction<boolean>) => ({ ...state, sending: payload }),
    queueCounted: (state, { payload }: PayloadAction<{ waiting: number; refused: number }>) => ({
      ...state,
      ...payload,
    }),
  },
});

export const { connectionChanged, sendingChanged, queueCounted } = syncSlice.actions;
