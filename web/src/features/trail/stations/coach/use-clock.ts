import { type Beat, type CoachCard, coachClock } from '@wire-trail/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';

export type ClockNow = Readonly<{
  card: number;
  elapsedMs: number;
  beats: number;
  last: Beat['kind'] | null;
  over: boolean;
}>;
const before: ClockNow = { card: 0, elapsedMs: 0, beats: 0, last: null, over: false };

/** Runs the coach's clock: which card is up, and each beat as it falls. `onto` jumps to a card, when a hand is ahead of it. */
export function useClock(
  cards: readonly CoachCard[],
  pace: number,
  running: boolean,
  onBeat: (kind: Beat['kind']) => void,
) {
  const times = useMemo(() => coachClock(cards, pace), [cards, pace]);
  const [now, setNow] = useState<ClockNow>(before);
  const began = useRef(0);
  const told = useRef(onBeat);
  useEffect(() => {
    told.current = onBeat;
  });
  const restart = useCallback((at = 0) => {
    began.current = performance.now() - at;
    setNow(before);
  }, []);
  useEffect(() => {
    if (!running) return;
    began.current = performance.now();
    const all = times.flatMap((t) => t.beats);
    let fallen = 0;
    let frame = 0;
    let start = began.current;
    const tick = () => {
      if (start !== began.current) {
        // started again, or moved on: beats before that are not made up for
        start = began.current;
        const from = performance.now() - start;
        fallen = all.filter((b) => b.atMs < from).length;
      }
      const elapsed = performance.now() - began.current;
      while (all[fallen] && (all[fallen]?.atMs ?? 0) <= elapsed) {
        told.current(all[fallen]?.kind ?? 'act');
        fallen += 1;
      }
      const index = times.findIndex((t) => elapsed < t.toMs);
      const card = index < 0 ? times.length - 1 : index;
      const time = times[card];
      setNow({
        card,
        elapsedMs: elapsed - (time?.fromMs ?? 0),
        beats: time?.beats.filter((b) => b.atMs <= elapsed && b.kind !== 'tick').length ?? 0,
        last: all[fallen - 1] && elapsed - (all[fallen - 1]?.atMs ?? 0) < 160 ? (all[fallen - 1]?.kind ?? null) : null,
        over: index < 0,
      });
      if (index >= 0) frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(frame);
  }, [running, times]);
  return { now, times, restart, onto: (card: number) => restart(times[card]?.fromMs ?? 0) };
}
