import { encode, type Mode, type Readout, type SignId } from '@wire-trail/core';
import { useEffect, useMemo, useState } from 'react';
import type { LampShow } from './PanelDrawing.tsx';

const stageMs = 3000;

/** Lamps of a mode that shows fixed signs, such as standby. */
export function lampsOfMode(mode: Mode | null | undefined): Map<SignId, LampShow> {
  const fixed = mode?.shows.find((s) => s.kind === 'fixed');
  if (fixed?.kind !== 'fixed') return new Map();
  return new Map(
    fixed.signs.flatMap((s) => (s.kind === 'lamp' ? [[s.sign, { state: s.state, colour: s.colour }] as const] : [])),
  );
}

/** Plays a code on its readout: one stage after the other, as the unit shows them, with the stage's name. */
export function useStageShow(
  readout: Readout | null | undefined,
  text: string | null,
): { lamps: Map<SignId, LampShow>; label: string | null; blinks: number | null } {
  const shows = useMemo(() => {
    const shown = readout && text ? encode(readout, text) : null;
    return shown?.ok ? shown.value : [];
  }, [readout, text]);
  const [index, setIndex] = useState(0);
  useEffect(() => {
    if (shows.length < 2) return;
    const timer = setInterval(() => setIndex((i) => i + 1), stageMs);
    return () => clearInterval(timer);
  }, [shows]);
  const now = shows[index % Math.max(shows.length, 1)];
  const stage = readout?.stages.find((s) => s.id === now?.stage);
  return {
    lamps: new Map(
      now?.shown.flatMap((s) => (s.kind === 'lamp' ? [[s.sign, { state: s.state, colour: s.colour }] as const] : [])),
    ),
    label: stage ? stage.label : null,
    blinks: now?.blinks ?? null,
  };
}
