import { useEffect } from 'react';
import { api } from '../api.ts';
import { signedOut } from '../session-slice.ts';
import { useAppDispatch, useAppSelector } from '../store.ts';
import { allEvents } from './database.ts';
import { oneAtATime } from './one-at-a-time.ts';
import { sendWaiting } from './send.ts';
import { connectionChanged, queueCounted, sendingChanged, storeFailed } from './sync-slice.ts';

const everyMs = 15_000;
const kept = 'wire-trail-kept';

/** Tells the queue that there is something new to send. */
export const announceKept = (): void => void window.dispatchEvent(new Event(kept));

/** Sends what waits on this device: at once, when the connection comes back, and every so often while anything is left. */
export function useSync(): void {
  const dispatch = useAppDispatch();
  const session = useAppSelector((s) => s.session);
  const userId = session.status === 'signed-in' ? session.user.id : null;
  useEffect(() => {
    if (userId === null) return;
    const count = async () => {
      const mine = (await allEvents()).filter((e) => e.by === userId);
      dispatch(
        queueCounted({
          waiting: mine.filter((e) => e.state === 'waiting').length,
          refused: mine.filter((e) => e.state === 'refused').length,
        }),
      );
    };
    const send = async () => {
      dispatch(sendingChanged(true));
      await count();
      const { sent, ended } = await sendWaiting(userId);
      dispatch(connectionChanged(ended !== 'offline' && navigator.onLine));
      if (ended === 'signed-out') dispatch(signedOut());
      if (sent > 0) dispatch(api.util.invalidateTags(['Walks', 'Questions']));
      await count();
      dispatch(sendingChanged(false));
    };
    // the next one, a quarter of a minute later at most, tries the device's store anew
    const run = oneAtATime(send, () => dispatch(storeFailed()));
    const wentOffline = () => dispatch(connectionChanged(false));
    const timer = setInterval(run, everyMs);
    window.addEventListener('online', run);
    window.addEventListener('offline', wentOffline);
    window.addEventListener(kept, run);
    void run();
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', run);
      window.removeEventListener('offline', wentOffline);
      window.removeEventListener(kept, run);
    };
  }, [userId, dispatch]);
}
