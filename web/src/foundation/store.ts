import { combineReducers, configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api.ts';
import { syncSlice } from './device/sync-slice.ts';
import { entryDraftSlice } from './entry-draft-slice.ts';
import { keepProfile, profileSlice } from './profile-slice.ts';
import { sessionSlice } from './session-slice.ts';
import { viewSlice } from './view-slice.ts';

const reducer = combineReducers({
  [api.reducerPath]: api.reducer,
  session: sessionSlice.reducer,
  profile: profileSlice.reducer,
  view: viewSlice.reducer,
  sync: syncSlice.reducer,
  entryDraft: entryDraftSlice.reducer,
});

export const makeStore = () => {
  const store = configureStore({
    reducer,
    middleware: (defaults) => defaults({ serializableCheck: false }).concat(api.middleware),
  });
  let kept = store.getState().profile.own;
  store.subscribe(() => {
    const { profile } = store.getState();
    // only what somebody changed is kept; signing in reads what they kept before
    if (profile.own !== kept && profile.changed) keepProfile(profile);
    kept = profile.own;
  });
  return store;
};
export type Store = ReturnType<typeof makeStore>;
export type RootState = ReturnType<typeof reducer>;
export type AppDispatch = Store['dispatch'];
export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
