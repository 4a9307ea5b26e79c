import { useEffect, useLayoutEffect } from 'react';
import { api } from './api.ts';
import { rememberedUser, rememberUser } from './remembered-user.ts';
import { rememberedOffline, signedIn, signedOut } from './session-slice.ts';
import { useAppDispatch } from './store.ts';

/** Asks the server who is signed in; unless it says that nobody is, the last person of this device goes on. */
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
      const isNobody = 'code' in error && (error.code === 'not-signed-in' || error.code === 'session-ended');
      dispatch(!isNobody && kept ? rememberedOffline(kept) : signedOut());
    }
  }, [data, error, dispatch]);
}
