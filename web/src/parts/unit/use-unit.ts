import {
  advanceUnit,
  type Control,
  type ControlId,
  keepsTime,
  type PlaceId,
  type UnitEffect,
  type UnitEvent,
  type UnitPlan,
  type UnitState,
  wakeAt,
} from '@wire-trail/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import { wantsStill } from '../../foundation/motion.ts';

export type Happened = UnitEffect & Readonly<{ n: number }>;
type Bare = UnitEvent extends infer E ? (E extends unknown ? Omit<E, 'at'> : never) : never;
const mostKept = 60;

type Played = Readonly<{
  state: UnitState;
  happened: readonly Happened[];
  take: (event: Bare) => void;
  operate: (control: Control, place: PlaceId | null, way: 'cw' | 'ccw', latch: boolean) => void;
  end: (control: Control) => void;
  restart: () => void;
  clock: number | null;
  /** What hands did since it began, in order. */
  hands: () => readonly UnitEvent[];
}>;

/** A unit played in real time, from how it stands at first: the host's one timer wakes it when something is due by itself. */
export function useUnit(plan: UnitPlan, begin: () => UnitState): Played {
  const [state, setState] = useState<UnitState>(begin);
  const [happened, setHappened] = useState<readonly Happened[]>([]);
  const now = useRef(state);
  // a unit may have stood for a while already
  const began = useRef(performance.now() - state.at);
  const count = useRef(0);
  const held = useRef(new Map<ControlId, PlaceId | null>());
  const done = useRef<UnitEvent[]>([]);
  const take = useCallback(
    (event: Bare) => {
      const at = Math.max(now.current.at, performance.now() - began.current);
      const happening = { ...event, at } as UnitEvent;
      if (happening.kind !== 'tick') done.current.push(happening);
      const next = advanceUnit(plan, now.current, happening);
      now.current = next.state;
      setState(next.state);
      const news = next.effects.filter((e) => e.kind !== 'sign' || e.shown.kind === 'sound');
      if (news.length > 0)
        setHappened((was) => [...news.map((e) => ({ ...e, n: ++count.current })).reverse(), ...was].slice(0, mostKept));
    },
    [plan],
  );
  useEffect(() => {
    const due = wakeAt(plan, state);
    if (due === null) return;
    const wait = Math.max(0, due - (performance.now() - began.current)) + 4;
    const timer = setTimeout(() => take({ kind: 'tick' }), Math.min(wait, 2_000_000_000));
    return () => clearTimeout(timer);
  }, [plan, state, take]);
  const restart = useCallback(() => {
    now.current = begin();
    began.current = performance.now() - now.current.at;
    held.current.clear();
    done.current = [];
    setState(now.current);
    setHappened([]);
  }, [begin]);

  const lift = (control: Control) => {
    if (!held.current.has(control.id)) return;
    const back = held.current.get(control.id) ?? null;
    held.current.delete(control.id);
    if (control.mechanism.kind === 'push') take({ kind: 'up', control: control.id });
    else if (back !== null) take({ kind: 'place', control: control.id, to: back });
  };
  const operate = (control: Control, place: PlaceId | null, way: 'cw' | 'ccw', latch: boolean) => {
    const { mechanism } = control;
    // what was latched down is let go by touching it again
    if (held.current.has(control.id)) {
      lift(control);
      return;
    }
    if (mechanism.kind === 'clicks') take({ kind: 'click', control: control.id, way });
    else if (mechanism.kind === 'push') {
      take({ kind: 'down', control: control.id });
      held.current.set(control.id, null);
    } else if (place !== null) {
      take({ kind: 'place', control: control.id, to: place });
      const springs = mechanism.places.find((p) => p.id === place)?.springsTo;
      if (springs) held.current.set(control.id, springs as PlaceId);
    }
    latched.current = latch ? new Set([...latched.current, control.id]) : latched.current;
  };
  const latched = useRef<ReadonlySet<ControlId>>(new Set());
  const end = (control: Control) => {
    if (latched.current.has(control.id)) {
      latched.current = new Set([...latched.current].filter((c) => c !== control.id));
      return;
    }
    lift(control);
  };
  const clock = useClock(keepsTime(plan, state), began);
  const hands = useCallback(() => done.current, []);
  return { state, happened, take, operate, end, restart, clock, hands };
}

/** Drawn so often in a second while a lamp blinks out a code. */
const everyMs = 60;

/** The unit's clock, for drawing; null while nothing shown keeps time, or where motion is to be reduced. */
function useClock(runs: boolean, began: { readonly current: number }): number | null {
  const [now, setNow] = useState<number | null>(null);
  const still = wantsStill();
  useEffect(() => {
    if (!runs || still) return setNow(null);
    const timer = setInterval(() => setNow(performance.now() - began.current), everyMs);
    return () => clearInterval(timer);
  }, [runs, still, began]);
  return now;
}
