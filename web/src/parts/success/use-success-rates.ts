import type { Bundle, HandKind, SuccessRate } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import type { SuccessNews, SuccessQuestion } from '../../workers/success.worker.ts';

export type SuccessShown = Readonly<{
  progress: number | null;
  rates: ReadonlyMap<HandKind, SuccessRate> | null;
  cannotAt: string | null;
}>;
const nothing: SuccessShown = { progress: null, rates: null, cannotAt: null };

/** The rates of a route as it stands, worked out in a worker a moment after it last changed. */
export function useSuccessRates(
  bundle: Bundle | null,
  route: string,
  hands: readonly HandKind[],
  runs: number,
): SuccessShown {
  const [shown, setShown] = useState<SuccessShown>(nothing);
  const kinds = hands.join();
  useEffect(() => {
    if (!bundle || typeof Worker === 'undefined') return;
    let worker: Worker | null = null;
    const wait = setTimeout(() => {
      worker = new Worker(new URL('../../workers/success.worker.ts', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<SuccessNews>) => {
        if (data.kind === 'progress') setShown((was) => ({ ...was, progress: data.share }));
        if (data.kind === 'done') setShown({ progress: null, rates: new Map(data.rates), cannotAt: null });
        if (data.kind === 'cannot') setShown({ progress: null, rates: null, cannotAt: data.at });
      };
      setShown((was) => ({ ...was, progress: 0 }));
      const question: SuccessQuestion = { bundle, route, hands: kinds.split(',') as HandKind[], runs, seed: 1 };
      worker.postMessage(question);
    }, 500);
    return () => {
      clearTimeout(wait);
      worker?.terminate();
    };
  }, [bundle, route, kinds, runs]);
  return shown;
}
