import { type Face, type Readout, type Scene, seeded } from '@wire-trail/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { paintFeed, picture, type Trouble } from './feed-picture.ts';
import type { DrawNext } from './use-camera.ts';

export type SourceKind = 'camera' | 'clip' | 'simulated';
export type SourceTrouble = 'refused' | 'none' | 'unplugged' | 'unreadable';

/** Draws whatever the video shows now, cut to the shape of the picture; nothing while it has no picture yet. */
function drawVideo(video: HTMLVideoElement): DrawNext {
  return (context) => {
    const { videoWidth: w, videoHeight: h, readyState } = video;
    if (readyState < 2 || w === 0 || h === 0) return null;
    const scale = Math.max(picture.width / w, picture.height / h);
    const [sw, sh] = [picture.width / scale, picture.height / scale];
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.drawImage(video, (w - sw) / 2, (h - sh) / 2, sw, sh, 0, 0, picture.width, picture.height);
    return video.currentTime * 1000;
  };
}

function stopAll(stream: MediaStream): void {
  for (const track of stream.getTracks()) track.stop();
}

type Source = Readonly<{
  drawNext: DrawNext | null;
  trouble: SourceTrouble | null;
  ended: boolean;
  /** Has a clip run from its beginning; whatever is live runs already. */
  run: () => void;
  /** Has a clip stand still. */
  rest: () => void;
}>;

/** A live camera, a stored clip, or the drawn panel as a stand-in: each draws the next picture when it is asked. */
export function useSource(
  kind: SourceKind,
  clip: File | null,
  simulated: { face: Face; scene: Scene | null; rates: Readout['rates']; trouble: Trouble },
): Source {
  const [video, setVideo] = useState<HTMLVideoElement | null>(null);
  const [trouble, setTrouble] = useState<SourceTrouble | null>(null);
  const [ended, setEnded] = useState(false);
  useEffect(() => {
    setVideo(null);
    setTrouble(null);
    setEnded(false);
    if (kind === 'simulated' || (kind === 'clip' && !clip)) return;
    let over = false;
    let stream: MediaStream | null = null;
    let address: string | null = null;
    const element = document.createElement('video');
    element.muted = true;
    element.playsInline = true;
    element.onerror = () => !over && setTrouble('unreadable');
    element.onended = () => !over && setEnded(true);
    const show = async () => {
      await element.play();
      if (!over) setVideo(element);
    };
    const open = async () => {
      if (kind === 'clip' && clip) {
        address = URL.createObjectURL(clip);
        element.src = address;
        await show();
        // it stands at its first picture until somebody has pointed at the lamps and starts
        element.pause();
        element.currentTime = 0;
        return;
      }
      if (!navigator.mediaDevices) return setTrouble('none');
      stream = await navigator.mediaDevices.getUserMedia({
        video: { facingMode: 'environment', width: { ideal: picture.width }, height: { ideal: picture.height } },
      });
      if (over) return stopAll(stream);
      for (const track of stream.getTracks())
        track.onended = () => {
          if (over) return;
          setTrouble('unplugged');
          setEnded(true);
        };
      element.srcObject = stream;
      return show();
    };
    open().catch((error: unknown) => {
      if (over) return;
      const name = error instanceof DOMException ? error.name : '';
      setTrouble(kind === 'clip' ? 'unreadable' : name === 'NotFoundError' ? 'none' : 'refused');
    });
    return () => {
      over = true;
      element.pause();
      if (stream) stopAll(stream);
      if (address) URL.revokeObjectURL(address);
    };
  }, [kind, clip]);
  const shown = useRef(simulated);
  useEffect(() => {
    shown.current = simulated;
  });
  const drawNext = useMemo<DrawNext | null>(() => {
    if (kind !== 'simulated') return video ? drawVideo(video) : null;
    const random = seeded(7);
    const began = performance.now();
    return (context) => {
      const atMs = performance.now() - began;
      paintFeed(context, { ...shown.current, atMs, random });
      return atMs;
    };
  }, [kind, video]);
  const run = useCallback(() => {
    if (kind !== 'clip' || !video) return;
    setEnded(false);
    video.currentTime = 0;
    void video.play().catch(() => setTrouble('unreadable'));
  }, [kind, video]);
  const rest = useCallback(() => {
    if (kind === 'clip') video?.pause();
  }, [kind, video]);
  return { drawNext, trouble, ended, run, rest };
}
