import { useCallback } from 'react';
import { api } from './api.ts';
import { wipeDevice } from './device/wipe.ts';
import { forgetPerson } from './forget-person.ts';
import { leavingMarked } from './leaving.ts';
import { useAppDispatch } from './store.ts';

/**
 * Signs out at the server and has this device forget the person; with `wipe` everything that is kept here. Without a connection
 * the server is told when there is one again, before anybody is taken for signed in.
 */
export function useSignOut(): (how?: Readonly<{ wipe: boolean }>) => Promise<void> {
  const dispatch = useAppDispatch();
  const [signOut] = api.useSignOutMutation();
  return useCallback(
    async (how = { wipe: false }) => {
      const { error } = await signOut();
      if (how.wipe) await wipeDevice();
      leavingMarked(error !== undefined);
      forgetPerson(dispatch);
    },
    [dispatch, signOut],
  );
}
