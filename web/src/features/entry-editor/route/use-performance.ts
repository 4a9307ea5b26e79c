import {
  advanceUnit,
  type Bundle,
  idealHands,
  perform,
  planUnit,
  type Route,
  Solo,
  startForRoute,
  type UnitPlan,
  type UnitState,
} from '@wire-trail/core';
import { useEffect, useMemo, useRef, useState } from 'react';

/** So long after the last act a count is sure to be the last, and the unit stands where it ends. */
const settledMs = 3000;

type Frame = Readonly<{ at: string; atMs: number; state: UnitState }>;
export type Performance = Readonly<{ plan: UnitPlan; frames: readonly Frame[]; begin: UnitState }>;

/** A route performed on its own unit as it is usually done: how the unit stands after each act. */
export function performRoute(bundle: Bundle, route: Route): Performance {
  const plan = planUnit(bundle);
  const begin = startForRoute(plan, route);
  const gesture = plan.gestures.find((g) => g.of.kind === 'route' && g.of.id === route.id);
  if (!gesture) return { plan, frames: [], begin };
  const frames: Frame[] = [];
  let state = begin;
  for (const { event, op } of perform(
    gesture.program,
    plan.facts,
    idealHands,
    500,
    new Solo(plan.facts, begin.places, begin.clicks),
  )) {
    state = advanceUnit(plan, state, event).state;
    frames.push({ at: gesture.program.ops[op]?.at ?? '', atMs: event.at, state });
  }
  const last = frames.at(-1);
  if (last)
    frames.push({
      at: last.at,
      atMs: last.atMs + settledMs,
      state: advanceUnit(plan, state, { kind: 'tick', at: last.atMs + settledMs }).state,
    });
  return { plan, frames, begin };
}

type Shown = Readonly<{
  plan: UnitPlan;
  state: UnitState;
  playingAt: string | null;
  isPlaying: boolean;
  canPlay: boolean;
  play: () => void;
  stop: () => void;
}>;

/** Plays a performance in real time, or shows it as it stands at the picked step. */
export function usePerformance(bundle: Bundle, route: Route, picked: string | null): Shown {
  const performance = useMemo(() => performRoute(bundle, route), [bundle, route]);
  const [playing, setPlaying] = useState<UnitState | null>(null);
  const [at, setAt] = useState<string | null>(null);
  const frame = useRef(0);
  useEffect(() => () => cancelAnimationFrame(frame.current), []);
  const { plan, frames, begin } = performance;
  const stop = () => {
    cancelAnimationFrame(frame.current);
    setPlaying(null);
    setAt(null);
  };
  const play = () => {
    const began = window.performance.now();
    let state = begin;
    let next = 0;
    const tick = () => {
      const now = window.performance.now() - began;
      while (frames[next] && (frames[next]?.atMs ?? 0) <= now) {
        state = frames[next]?.state ?? state;
        setAt(frames[next]?.at ?? null);
        next += 1;
      }
      // between two acts signs come by themselves
      if (now > state.at) setPlaying(advanceUnit(plan, state, { kind: 'tick', at: now }).state);
      if (next < frames.length) frame.current = requestAnimationFrame(tick);
      else stop();
    };
    cancelAnimationFrame(frame.current);
    tick();
  };
  const shown =
    playing ??
    (picked === null
      ? begin
      : (frames.findLast((f) => f.at === picked || f.at.startsWith(`${picked}.`))?.state ?? begin));
  return { plan, state: shown, playingAt: at, isPlaying: playing !== null, canPlay: frames.length > 0, play, stop };
}
