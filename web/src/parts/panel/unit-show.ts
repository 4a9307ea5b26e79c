import { type ControlId, type PlaceId, type SignId, showsNow, type UnitPlan, type UnitState } from '@wire-trail/core';
import type { LampShow } from './lamp-show.ts';

/**
 * What the drawn panel shows of a played unit: lamps, texts, sounds, and where its controls stand. With `atMs`, an
 * instant of the unit's clock, a lamp that blinks out a code is lit or dark as it is then.
 */
export function unitShow(plan: UnitPlan, state: UnitState, atMs: number | null = null) {
  const lamps = new Map<SignId, LampShow>();
  const texts = new Map<SignId, string>();
  const sounding = new Set<SignId>();
  const flashing = new Set<SignId>();
  for (const [sign, shown] of showsNow(plan, state, atMs)) {
    if (shown.kind === 'lamp') lamps.set(sign, { state: shown.state, colour: shown.colour });
    if (shown.kind === 'text') texts.set(sign, shown.text);
    if (shown.kind === 'text' && shown.flashes) flashing.add(sign);
    if (shown.kind === 'sound' && shown.state === 'on') sounding.add(sign);
  }
  const places = new Map<ControlId, PlaceId>(state.places);
  return { lamps, texts, flashing, sounding, places, pushed: state.pushed, clicks: state.clicks };
}
