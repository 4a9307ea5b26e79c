import { useEffect } from 'react';
import { isTyping } from '../keys.ts';

const inUse = 'wire-trail-in-use';

/** While `held`, no new version of the application takes over, in no tab of this device. */
export function useHoldsVersion(held: boolean): void {
  useEffect(() => {
    if (!held || !navigator.locks) return;
    let release = () => {};
    const until = new Promise<void>((resolve) => {
      release = resolve;
    });
    void navigator.locks.request(inUse, { mode: 'shared' }, () => until);
    return () => release();
  }, [held]);
}

/** Runs `take` where nothing holds the version, in any tab; gives whether it did. Nothing is waited for. */
export const takeUnlessHeld = (take: () => Promise<void>): Promise<boolean> =>
  navigator.locks.request(inUse, { mode: 'exclusive', ifAvailable: true }, async (free) => {
    if (free) await take();
    return free !== null;
  });

export type Version = 'current' | 'waiting' | 'loading';
/** The service worker's side of it, which the browser gives. */
export type Worker = Readonly<{
  onWaiting: (then: () => void) => void;
  onTaken: (then: () => void) => void;
  /** The server sent what only a newer version can read. */
  onNewer: (then: () => void) => void;
  register: () => Promise<void>;
  look: () => Promise<void>;
  take: () => void;
}>;

/** Somebody types, or has a dialog open: what is in it is kept nowhere yet. */
const isBusyHere = (): boolean =>
  isTyping(document.activeElement) || document.querySelector('[role="dialog"]') !== null;

const tryEveryMs = 5_000;
const lookEveryMs = 30 * 60_000;
/** Long enough to read one line. */
const sayMs = 2_500;

/**
 * Keeps an eye on new versions: one that came waits until nothing holds it, then it is said, and the page loads by it.
 * Without locks, as in an old browser, it waits until every tab was closed, which is the browser's own way.
 */
export async function watchVersions(
  worker: Worker,
  say: (version: Version) => void,
  reload: () => void,
): Promise<void> {
  let waits = false;
  const tryIt = async () => {
    if (!waits || !navigator.locks || isBusyHere()) return;
    await takeUnlessHeld(async () => {
      waits = false;
      say('loading');
      await new Promise((resolve) => setTimeout(resolve, sayMs));
      worker.take();
    });
  };
  worker.onWaiting(() => {
    waits = true;
    say('waiting');
    void tryIt();
  });
  worker.onTaken(reload);
  worker.onNewer(() => void worker.look().catch(() => {}));
  setInterval(() => void tryIt(), tryEveryMs);
  // without a connection there is nothing new
  setInterval(() => void worker.look().catch(() => {}), lookEveryMs);
  // a browser may refuse to keep anything: then all works with a connection
  await worker.register().catch(() => {});
}
