import { useEffect } from 'react';
import { api } from '../api.ts';
import { signedOut } from '../session-slice.ts';
import { useAppDispatch, useAppSelector } from '../store.ts';
import { allEvents } from './database.ts';
import { clearedSince, markWaiting } from './kept-mark.ts';
import { oneAtATime } from './one-at-a-time.ts';
import { pauseMs } from './pause.ts';
import { sendWaiting } from './send.ts';
import {
  connectionChanged,
  lastingSaid,
  queueCounted,
  sendingChanged,
  storeCleared,
  storeFailed,
} from './sync-slice.ts';

const kept = 'wire-trail-kept';

/** Tells the queue that there is something new to send. */
export const announceKept = (): void => void window.dispatchEvent(new Event(kept));

/** Asks the browser not to clear what is kept here when it runs short of space; whether it has promised. */
export async function askToLast(): Promise<boolean> {
  const { storage } = navigator;
  return (await storage?.persisted?.()) || ((await storage?.persist?.()) ?? false);
}

/** Sends what waits on this device: at once, when the connection comes back, and every so often while anything is left. */
export function useSync(): void {
  const dispatch = useAppDispatch();
  const session = useAppSelector((s) => s.session);
  const userId = session.status === 'signed-in' ? session.user.id : null;
  useEffect(() => {
    if (userId === null) return;
    let failures = 0;
    let timer = 0;
    let hasLeft = false;
    const count = async () => {
      const all = await allEvents();
      markWaiting(all.filter((e) => e.state === 'waiting').length);
      const mine = all.filter((e) => e.by === userId);
      dispatch(
        queueCounted({
          waiting: mine.filter((e) => e.state === 'waiting').length,
          refused: mine.filter((e) => e.state === 'refused').length,
        }),
      );
    };
    let looked = false;
    /** Once, before the count is written anew: whether the browser cleared what was here, and that it should not. */
    const lookAtStore = async () => {
      if (looked) return;
      looked = true;
      const cleared = await clearedSince();
      if (cleared !== null) dispatch(storeCleared(cleared));
      dispatch(lastingSaid(await askToLast()));
    };
    const send = async () => {
      dispatch(sendingChanged(true));
      await lookAtStore();
      await count();
      const { sent, ended } = await sendWaiting(userId);
      failures = ended === 'offline' ? failures + 1 : 0;
      dispatch(connectionChanged(ended !== 'offline' && navigator.onLine));
      if (ended === 'signed-out') dispatch(signedOut());
      if (sent > 0) dispatch(api.util.invalidateTags(['Walks', 'Questions']));
      await count();
      dispatch(sendingChanged(false));
    };
    // the next one tries the device's store anew
    const once = oneAtATime(send, () => dispatch(storeFailed()));
    const run = () => {
      clearTimeout(timer);
      void once().then(() => {
        clearTimeout(timer);
        if (!hasLeft) timer = window.setTimeout(run, pauseMs(failures, Math.random()));
      });
    };
    const wentOffline = () => dispatch(connectionChanged(false));
    window.addEventListener('online', run);
    window.addEventListener('offline', wentOffline);
    window.addEventListener(kept, run);
    run();
    return () => {
      hasLeft = true;
      clearTimeout(timer);
      window.removeEventListener('online', run);
      window.removeEventListener('offline', wentOffline);
      window.removeEventListener(kept, run);
    };
  }, [userId, dispatch]);
}
