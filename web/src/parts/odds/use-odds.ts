import type { Bundle, HandKind, Odds } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import type { OddsNews, OddsQuestion } from '../../workers/odds.worker.ts';

export type OddsShown = Readonly<{
  progress: number | null;
  odds: ReadonlyMap<HandKind, Odds> | null;
  cannotAt: string | null;
}>;
const nothing: OddsShown = { progress: null, odds: null, cannotAt: null };

/** The odds of a route as it stands, worked out in a worker a moment after it last changed. */
export function useOdds(bundle: Bundle | null, route: string, hands: readonly HandKind[], runs: number): OddsShown {
  const [shown, setShown] = useState<OddsShown>(nothing);
  const kinds = hands.join();
  useEffect(() => {
    if (!bundle || typeof Worker === 'undefined') return;
    let worker: Worker | null = null;
    const wait = setTimeout(() => {
      worker = new Worker(new URL('../../workers/odds.worker.ts', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<OddsNews>) => {
        if (data.kind === 'progress') setShown((was) => ({ ...was, progress: data.share }));
        if (data.kind === 'done') setShown({ progress: null, odds: new Map(data.odds), cannotAt: null });
        if (data.kind === 'cannot') setShown({ progress: null, odds: null, cannotAt: data.at });
      };
      setShown((was) => ({ ...was, progress: 0 }));
      const question: OddsQuestion = { bundle, route, hands: kinds.split(',') as HandKind[], runs, seed: 1 };
      worker.postMessage(question);
    }, 500);
    return () => {
      clearTimeout(wait);
      worker?.terminate();
    };
  }, [bundle, route, kinds, runs]);
  return shown;
}
