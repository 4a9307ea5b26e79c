import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

export type SyncState = Readonly<{
  online: boolean;
  /** Null until the device's store was counted. */
  waiting: number | null;
  sending: boolean;
  refused: number;
  /** The device's own store did not answer when it was last asked: what waits there is not known. */
  storeFails: boolean;
}>;

export const syncSlice = createSlice({
  name: 'sync',
  initialState: {
    online: globalThis.navigator?.onLine ?? true,
    waiting: null,
    sending: false,
    refused: 0,
    storeFails: false,
  } as SyncState,
  reducers: {
    connectionChanged: (state, { payload }: PayloadAction<boolean>) => ({ ...state, online: payload }),
    sendingChanged: (state, { payload }: PayloadAction<boolean>) => ({ ...state, sending: payload }),
    queueCounted: (state, { payload }: PayloadAction<{ waiting: number; refused: number }>) => ({
      ...state,
      ...payload,
      storeFails: false,
    }),
    storeFailed: (state) => ({ ...state, sending: false, storeFails: true }),
  },
});

export const { connectionChanged, sendingChanged, queueCounted, storeFailed } = syncSlice.actions;
