import { useCallback } from 'react';
import { api } from './api.ts';
import { rememberUser } from './remembered-user.ts';
import { signedOut } from './session-slice.ts';
import { useAppDispatch } from './store.ts';

/** Signs out at the server and has this device forget the person. */
export function useSignOut(): () => Promise<void> {
  const dispatch = useAppDispatch();
  const [signOut] = api.useSignOutMutation();
  return useCallback(async () => {
    await signOut();
    rememberUser(null);
    dispatch(signedOut());
    dispatch(api.util.resetApiState());
  }, [dispatch, signOut]);
}
