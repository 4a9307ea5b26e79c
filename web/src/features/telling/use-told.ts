import { type Bundle, bundleFacts, readTold, type Told } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import type { TellingNews, TellingQuestion } from '../../workers/telling.worker.ts';

export type Read = Readonly<{ told: Told | null; isReading: boolean; failed: boolean }>;

/** A telling as it is read, a moment after it last changed; what was read before stays until then. */
export function useTold(text: string, bundle: Bundle | null): Read {
  const [read, setRead] = useState<Read>({ told: null, isReading: false, failed: false });
  useEffect(() => {
    if (!bundle || text.trim() === '') return setRead({ told: null, isReading: false, failed: false });
    if (typeof Worker === 'undefined')
      return setRead({ told: readTold(text, bundleFacts(bundle)), isReading: false, failed: false });
    let worker: Worker | null = null;
    setRead((was) => ({ ...was, isReading: true }));
    const wait = setTimeout(() => {
      worker = new Worker(new URL('../../workers/telling.worker.ts', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<TellingNews>) =>
        setRead({ told: data.kind === 'read' ? data.told : null, isReading: false, failed: data.kind === 'failed' });
      const question: TellingQuestion = { text, bundle };
      worker.postMessage(question);
    }, 250);
    return () => {
      clearTimeout(wait);
      worker?.terminate();
    };
  }, [text, bundle]);
  return read;
}
