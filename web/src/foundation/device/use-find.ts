import type { Found } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import type { FindAnswer, FindAsk } from './find.worker.ts';

let worker: Worker | null = null;
let asks = 0;
const listeners = new Set<() => void>();
const waiting = new Map<number, (found: readonly Found[]) => void>();

function send(message: FindAsk): void {
  if (!worker) {
    worker = new Worker(new URL('./find.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<FindAnswer>) => {
      waiting.get(data.ask)?.(data.found);
      waiting.delete(data.ask);
    };
  }
  worker.postMessage(message);
}

/** The library on this device changed: the index is made anew from it. */
export function renewFindIndex(): void {
  if (worker) send({ kind: 'index' });
  for (const again of listeners) again();
}

export type Finding = Readonly<{ query: string; found: readonly Found[] }>;

/** What was typed, found in the bundles on this device; worked out beside the page, without a connection. */
export function useFind(query: string, most = 12): Finding {
  const [finding, setFinding] = useState<Finding>({ query: '', found: [] });
  const [renewed, setRenewed] = useState(0);
  const wanted = query.trim();
  useEffect(() => {
    const again = () => setRenewed((n) => n + 1);
    listeners.add(again);
    return () => void listeners.delete(again);
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a renewed index is asked again
  useEffect(() => {
    if (wanted === '') {
      setFinding({ query: '', found: [] });
      return;
    }
    const ask = asks++;
    waiting.set(ask, (found) => setFinding({ query: wanted, found }));
    send({ kind: 'find', ask, query: wanted, most });
    return () => void waiting.delete(ask);
  }, [wanted, most, renewed]);
  return finding;
}
