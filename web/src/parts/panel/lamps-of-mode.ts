import type { Mode, SignId } from '@wire-trail/core';
import type { LampShow } from './lamp-show.ts';

/** Lamps of a mode that shows fixed signs, such as standby. */
export function lampsOfMode(mode: Mode | null | undefined): Map<SignId, LampShow> {
  const fixed = mode?.shows.find((s) => s.kind === 'fixed');
  if (fixed?.kind !== 'fixed') return new Map();
  return new Map(
    fixed.signs.flatMap((s) => (s.kind === 'lamp' ? [[s.sign, { state: s.state, colour: s.colour }] as const] : [])),
  );
}
