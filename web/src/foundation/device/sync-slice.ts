import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

export type SyncState = Readonly<{
  online: boolean;
  /** Null until the device's store was counted. */
  waiting: number | null;
  sending: boolean;
  refused: number;
  /** The device's own store did not answer when it was last asked: what waits there is not known. */
  storeFails: boolean;
  /** How many events waited in a store that the browser cleared; null where it did not. */
  cleared: number | null;
  /** Whether the browser has promised not to clear it; null where it was not asked yet. */
  lasting: boolean | null;
}>;

export const syncSlice = createSlice({
  name: 'sync',
  initialState: {
    online: globalThis.navigator?.onLine ?? true,
    waiting: null,
    sending: false,
    refused: 0,
    storeFails: false,
    cleared: null,
    lasting: null,
  } as SyncState,
  reducers: {
    connectionChanged: (state, { payload }: PayloadAction<boolean>) => ({ ...state, online: payload }),
    sendingChanged: (state, { payload }: PayloadAction<boolean>) => ({ ...state, sending: payload }),
    queueCounted: (state, { payload }: PayloadAction<{ waiting: number; refused: number }>) => ({
      ...state,
      ...payload,
      storeFails: false,
    }),
    storeCleared: (state, { payload }: PayloadAction<number | null>) => ({ ...state, cleared: payload }),
    lastingSaid: (state, { payload }: PayloadAction<boolean>) => ({ ...state, lasting: payload }),
    storeFailed: (state) => ({ ...state, sending: false, storeFails: true }),
  },
});

export const { connectionChanged, sendingChanged, queueCounted, storeFailed, storeCleared, lastingSaid } =
  syncSlice.actions;
