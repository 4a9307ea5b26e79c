import type { Answers, Bundle, Told } from '@wire-trail/core';
import { useEffect, useRef, useState } from 'react';
import type { TellingNews } from '../../workers/telling.worker.ts';
import { type TellingQuestion, toldOf } from '../../workers/told-of.ts';

type State = Readonly<{ told: Told | null; is: 'still' | 'reading' | 'stopped' | 'failed'; share: number }>;
export type Read = State & Readonly<{ stop: () => void; again: () => void }>;

const nothing: State = { told: null, is: 'still', share: 0 };

/** A telling as it is read, a moment after it last changed; what was read of it before stays until then, of another nothing does. */
export function useTold(id: number, text: string, bundle: Bundle | null, answers: Answers): Read {
  const [read, setRead] = useState<State>(nothing);
  const [of, setOf] = useState(id);
  if (of !== id) {
    setOf(id);
    setRead(nothing);
  }
  const [asked, setAsked] = useState(0);
  const working = useRef<Worker | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again, it is read again
  useEffect(() => {
    if (!bundle || text.trim() === '') return setRead(nothing);
    const question: TellingQuestion = { text, bundle, answers };
    if (typeof Worker === 'undefined') return setRead({ ...nothing, told: toldOf(question) });
    setRead((was) => ({ ...was, is: 'reading', share: 0 }));
    const wait = setTimeout(() => {
      const worker = new Worker(new URL('../../workers/telling.worker.ts', import.meta.url), { type: 'module' });
      working.current = worker;
      worker.onmessage = ({ data }: MessageEvent<TellingNews>) =>
        setRead((was) =>
          data.kind === 'at'
            ? { ...was, share: data.share }
            : data.kind === 'read'
              ? { told: data.told, is: 'still', share: 1 }
              : { told: null, is: 'failed', share: 0 },
        );
      worker.postMessage(question);
    }, 250);
    return () => {
      clearTimeout(wait);
      working.current?.terminate();
      working.current = null;
    };
  }, [id, text, bundle, answers, asked]);
  return {
    ...read,
    stop: () => {
      working.current?.terminate();
      setRead((was) => ({ ...was, is: 'stopped' }));
    },
    again: () => setAsked((n) => n + 1),
  };
}
