import { combineReducers, configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api.ts';
import { syncSlice } from './device/sync-slice.ts';
import { entryDraftSlice } from './entry-draft-slice.ts';
import { sessionSlice } from './session-slice.ts';
import { viewSlice } from './view-slice.ts';

const reducer = combineReducers({
  [api.reducerPath]: api.reducer,
  session: sessionSlice.reducer,
  view: viewSlice.reducer,
  sync: syncSlice.reducer,
  entryDraft: entryDraftSlice.reducer,
});

export const makeStore = () =>
  configureStore({ reducer, middleware: (defaults) => defaults({ serializableCheck: false }).concat(api.middleware) });
export type Store = ReturnType<typeof makeStore>;
export type RootState = ReturnType<typeof reducer>;
export const useAppDispatch = useDispatch.withTypes<Store['dispatch']>();
export const useAppSelector = useSelector.withTypes<RootState>();
