import { useEffect, useLayoutEffect } from 'react';
import { api } from './api.ts';
import { rememberedUser, rememberUser } from './remembered-user.ts';
import { rememberedOffline, signedIn, signedOut } from './session-slice.ts';
import { useAppDispatch } from './store.ts';

/** Asks the server who is signed in; where it does not say, or says it in a newer way, the last person of this device goes on. */
export function useSession(): void {
  const dispatch = useAppDispatch();
  const { data, error } = api.useSessionQuery();
  // nobody waits for the server to say who this device knows already; where it says otherwise, that counts
  useLayoutEffect(() => {
    const kept = rememberedUser();
    if (kept) dispatch(rememberedOffline(kept));
  }, [dispatch]);
  useEffect(() => {
    if (data) {
      rememberUser(data);
      dispatch(signedIn(data));
    } else if (error) {
      const kept = rememberedUser();
      const unknown = 'code' in error && (error.code === 'offline' || error.code === 'newer');
      dispatch(unknown && kept ? rememberedOffline(kept) : signedOut());
    }
  }, [data, error, dispatch]);
}
