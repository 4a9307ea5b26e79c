import type { Fit, LampState, Pulse, Readout, Region, SignId, StageId, UnreadableTrace } from '@wire-trail/core';

/** A lamp the camera watches: which one, and where it is in the picture. */
export type Watched = Readonly<{ sign: SignId; region: Region }>;

export type CameraAsk =
  | Readonly<{ kind: 'begin'; watched: readonly Watched[] }>
  | Readonly<{ kind: 'frame'; atMs: number; width: number; height: number; data: ArrayBuffer }>
  | Readonly<{ kind: 'read'; readout: Readout; stage: StageId; final: boolean }>;

/** What one lamp did, and what was made of it. */
export type LampRead = Readonly<{
  sign: SignId;
  state: LampState | 'rhythm' | 'unsure';
  stepMs: number;
  /** Brightness in even steps, -1 where a picture was missing. */
  levels: readonly number[];
  pulses: readonly Pulse[];
  decibels: number | null;
  fits: readonly Fit[] | null;
  refusal: UnreadableTrace | null;
}>;

export type CameraAnswer =
  | Readonly<{ kind: 'live'; atMs: number; levels: readonly number[]; dx: number; dy: number }>
  | Readonly<{ kind: 'read'; lamps: readonly LampRead[]; framesPerS: number; lastsMs: number; final: boolean }>;
