import type { LookAlike, Readout } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import type { LookAlikeNews } from '../../workers/look-alikes.worker.ts';

/** Look-alikes of a readout as it stands, worked out in a worker a moment after it last changed. */
export function useLookAlikes(readout: Readout, texts: readonly string[]): readonly LookAlike[] | null {
  const [found, setFound] = useState<readonly LookAlike[] | null>(null);
  useEffect(() => {
    if (typeof Worker === 'undefined') return;
    const worker = new Worker(new URL('../../workers/look-alikes.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<LookAlikeNews>) => setFound(data);
    worker.postMessage({ readout, texts });
    return () => worker.terminate();
  }, [readout, texts]);
  return found;
}
