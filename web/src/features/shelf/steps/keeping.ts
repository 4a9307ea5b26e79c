import { createContext, useCallback, useState } from 'react';

/** Tells the page that something is being kept, until it is, or until it is known that it was not. */
export const Keeping = createContext<(work: Promise<boolean>) => void>(() => undefined);

/**
 * Whether something is being kept still: it is over once the unit was looked at anew, so that nothing is made of what it
 * had before. `failed` is told where something was not kept.
 */
export function useKeeping(lookAnew: () => Promise<unknown>, failed: () => void) {
  const [works, setWorks] = useState(0);
  const hold = useCallback(
    async (work: Promise<boolean>): Promise<void> => {
      setWorks((n) => n + 1);
      try {
        if (!(await work)) failed();
        await lookAnew();
      } finally {
        setWorks((n) => n - 1);
      }
    },
    [lookAnew, failed],
  );
  return { isKeeping: works > 0, hold };
}

/** What stood there before anything began to be kept, until that is over. */
export function useSettled<T>(now: T, isKeeping: boolean): T {
  const [settled, setSettled] = useState(now);
  if (!isKeeping && settled !== now) setSettled(now);
  return isKeeping ? settled : now;
}
