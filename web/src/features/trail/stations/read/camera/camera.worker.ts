import {
  type CameraFrame,
  contrastOf,
  type Glimpse,
  glimpse,
  isRhythmic,
  keptLevels,
  lampDoes,
  matchTrace,
  type Picture,
  patternsOf,
  pulsesOf,
  type Readout,
  regionLevels,
  regionSamples,
  type Shift,
  type StageId,
  shiftOf,
} from '@wire-trail/core';
import type { CameraAnswer, CameraAsk, LampRead, Watched } from './messages.ts';

/** More pictures than this are not kept: at 60 a second a minute and more. */
const mostFrames = 4000;

let watched: readonly Watched[] = [];
let frames: CameraFrame[] = [];
let first: Glimpse | null = null;
let shift: Shift = { dx: 0, dy: 0 };
const say = (answer: CameraAnswer): void => self.postMessage(answer);

function takeFrame(atMs: number, picture: Picture): void {
  const now = glimpse(picture);
  if (first) shift = shiftOf(first, now, shift);
  else first = now;
  const levels = regionLevels(
    picture,
    watched.map((w) => w.region),
    shift,
  );
  if (frames.length < mostFrames) frames.push({ atMs, levels });
  say({ kind: 'live', atMs, levels: levels.map((l) => Math.max(...l.inside)), dx: shift.dx, dy: shift.dy });
}

function readLamp(readout: Readout, stageId: StageId, index: number): LampRead[] {
  const lamp = watched[index];
  const stage = readout.stages.find((s) => s.id === stageId);
  if (!lamp || !stage) return [];
  const samples = regionSamples(frames, index);
  const does = lampDoes(samples, contrastOf(frames, index), readout.rates);
  const patterns = isRhythmic(stage.reads) ? patternsOf(readout, stage).filter((p) => p.sign === lamp.sign) : [];
  const match = patterns.length > 0 ? matchTrace(does.trace, patterns, does.lights) : null;
  return [
    {
      sign: lamp.sign,
      state: does.state,
      ...keptLevels(does.trace),
      pulses: does.lights?.blinks ? pulsesOf(does.lights) : [],
      decibels: does.lights?.decibels ?? null,
      fits: match?.ok ? match.value.fits : null,
      refusal: match && !match.ok ? match.error.refusal : null,
    },
  ];
}

self.onmessage = ({ data }: MessageEvent<CameraAsk>) => {
  switch (data.kind) {
    case 'begin':
      watched = data.watched;
      frames = [];
      first = null;
      shift = { dx: 0, dy: 0 };
      break;
    case 'frame':
      takeFrame(data.atMs, { width: data.width, height: data.height, data: new Uint8ClampedArray(data.data) });
      break;
    case 'read': {
      const lastsMs = (frames.at(-1)?.atMs ?? 0) - (frames[0]?.atMs ?? 0);
      say({
        kind: 'read',
        lamps: watched.flatMap((_, i) => readLamp(data.readout, data.stage, i)),
        framesPerS: lastsMs > 0 ? ((frames.length - 1) / lastsMs) * 1000 : 0,
        lastsMs,
        final: data.final,
      });
    }
  }
};
