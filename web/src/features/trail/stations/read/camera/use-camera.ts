import type { Readout, StageId } from '@wire-trail/core';
import { type RefObject, useCallback, useEffect, useRef, useState } from 'react';
import { picture } from './feed-picture.ts';
import type { CameraAnswer, CameraAsk, LampRead, Watched } from './messages.ts';

/** Draws the next picture and says when it was taken; null while there is none. */
export type DrawNext = (context: CanvasRenderingContext2D) => number | null;

type Watching =
  | Readonly<{ kind: 'still' }>
  | Readonly<{
      kind: 'watching';
      sinceMs: number;
      atMs: number;
      frames: number;
      levels: ReadonlyArray<readonly number[]>;
    }>
  | Readonly<{ kind: 'read'; lamps: readonly LampRead[]; framesPerS: number; lastsMs: number }>;

/** Read for the first time after so long, then every second, and in any case after half a minute. */
const firstReadMs = 4000;
const readEveryMs = 1000;
const mostMs = 30_000;
const mostLive = 400;

/**
 * Takes pictures off a canvas, one after the other, and has a worker make something of them: what waits is not queued up,
 * a picture the worker has no time for is dropped. Nothing leaves the device.
 */
export function useCamera(canvas: RefObject<HTMLCanvasElement | null>, drawNext: DrawNext | null) {
  const [watching, setWatching] = useState<Watching>({ kind: 'still' });
  const worker = useRef<Worker | null>(null);
  const busy = useRef(0);
  const lastAt = useRef(Number.NEGATIVE_INFINITY);
  const asked = useRef<{ readout: Readout; stage: StageId; rhythmic: boolean; began: number; nextRead: number } | null>(
    null,
  );
  const stop = useCallback(() => {
    const ask = asked.current;
    if (!ask) return;
    asked.current = null;
    worker.current?.postMessage({
      kind: 'read',
      readout: ask.readout,
      stage: ask.stage,
      final: true,
    } satisfies CameraAsk);
  }, []);
  useEffect(() => {
    const made = new Worker(new URL('./camera.worker.ts', import.meta.url), { type: 'module' });
    worker.current = made;
    made.onmessage = ({ data }: MessageEvent<CameraAnswer>) => {
      if (data.kind === 'live') {
        busy.current -= 1;
        setWatching((was) => {
          const levels = was.kind === 'watching' ? was.levels : [];
          const frames = (was.kind === 'watching' ? was.frames : 0) + 1;
          return was.kind === 'read'
            ? was
            : {
                kind: 'watching',
                sinceMs: was.kind === 'watching' && was.frames > 0 ? was.sinceMs : data.atMs,
                atMs: data.atMs,
                frames,
                levels: [...levels.slice(-mostLive), data.levels],
              };
        });
        return;
      }
      const sure = data.lamps.some((l) => l.fits !== null);
      if (!data.final && !sure) return;
      asked.current = null;
      setWatching({ kind: 'read', lamps: data.lamps, framesPerS: data.framesPerS, lastsMs: data.lastsMs });
    };
    return () => {
      made.terminate();
      worker.current = null;
    };
  }, []);
  useEffect(() => {
    let over = false;
    let handle = 0;
    const tick = () => {
      if (over) return;
      handle = requestAnimationFrame(tick);
      const context = canvas.current?.getContext('2d', { willReadFrequently: true });
      if (!context || !drawNext) return;
      const atMs = drawNext(context);
      const ask = asked.current;
      if (atMs === null || atMs <= lastAt.current || !ask || busy.current > 2) return;
      lastAt.current = atMs;
      busy.current += 1;
      const { data } = context.getImageData(0, 0, picture.width, picture.height);
      const frame: CameraAsk = { kind: 'frame', atMs, ...picture, data: data.buffer };
      worker.current?.postMessage(frame, [data.buffer]);
      const now = performance.now();
      if (ask.rhythmic && now >= ask.nextRead) {
        ask.nextRead = now + readEveryMs;
        worker.current?.postMessage({
          kind: 'read',
          readout: ask.readout,
          stage: ask.stage,
          final: false,
        } satisfies CameraAsk);
      }
      if (now - ask.began > (ask.rhythmic ? mostMs : firstReadMs)) stop();
    };
    handle = requestAnimationFrame(tick);
    return () => {
      over = true;
      cancelAnimationFrame(handle);
    };
  }, [canvas, drawNext, stop]);
  const begin = (ask: { readout: Readout; stage: StageId; rhythmic: boolean; watched: readonly Watched[] }) => {
    busy.current = 0;
    // a clip that is run again begins at 0 again
    lastAt.current = Number.NEGATIVE_INFINITY;
    const now = performance.now();
    worker.current?.postMessage({ kind: 'begin', watched: ask.watched } satisfies CameraAsk);
    asked.current = {
      readout: ask.readout,
      stage: ask.stage,
      rhythmic: ask.rhythmic,
      began: now,
      nextRead: now + firstReadMs,
    };
    setWatching({ kind: 'watching', sinceMs: 0, atMs: 0, frames: 0, levels: [] });
  };
  return { watching, begin, stop, reset: () => setWatching({ kind: 'still' }) };
}
