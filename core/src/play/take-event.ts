import type { ControlId, PlaceId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import { type Clicks, type ControlFacts, clickedTo } from '../unit/facts.ts';
import type { UnitEvent } from './op.ts';
import { takeHandOf } from './settle.ts';
import type { UnitEffect, UnitState } from './state.ts';
import { onCode, onInput, onSupply } from './transitions.ts';
import type { Turn } from './turn.ts';

type Why = Extract<UnitEffect, { kind: 'refused' }>['why'];

/** Turns what happens at the unit into what a hand did; refuses what cannot be. */
export function takeEvent(turn: Turn, event: UnitEvent, before: UnitState): void {
  const { plan, w } = turn;
  const refuse = (why: Why, what: string): void => {
    turn.effects.push({ at: event.at, kind: 'refused', why, what });
  };
  switch (event.kind) {
    case 'tick':
      return;
    case 'input':
      onInput(turn, event.input, event.value);
      return;
    case 'code':
      if (!onCode(turn, event.code, event.stands)) refuse('no-such-code', event.code);
      return;
    case 'choose':
      takeHandOf(turn, { at: w.at, kind: 'choose', on: event.on, words: event.words }, before);
      return;
    case 'click':
    case 'place':
    case 'down':
    case 'up': {
      const control = plan.facts.controls.get(event.control);
      const why = control ? works(turn, event, control, before) : 'no-such-control';
      if (why) refuse(why, why === 'no-such-place' && event.kind === 'place' ? event.to : event.control);
      return;
    }
    default:
      assertNever(event);
  }
}

/** Works a control; says why where it cannot be worked so. */
function works(
  turn: Turn,
  event: Extract<UnitEvent, { control: ControlId }>,
  control: ControlFacts,
  before: UnitState,
): Why | null {
  const { mechanism } = control;
  switch (event.kind) {
    case 'click':
      if (mechanism.kind !== 'clicks') return 'cannot';
      clicked(turn, event, mechanism, before);
      return null;
    case 'place':
      if (mechanism.kind !== 'places') return 'cannot';
      if (!mechanism.places.some((p) => p.id === event.to)) return 'no-such-place';
      placed(turn, event, control, before);
      return null;
    case 'down':
    case 'up':
      if (mechanism.kind !== 'push') return 'cannot';
      pushed(turn, event, before);
      return null;
    default:
      return assertNever(event);
  }
}

type EventOf<K extends UnitEvent['kind']> = Extract<UnitEvent, { kind: K }>;

function clicked(turn: Turn, { control, way }: EventOf<'click'>, mechanism: Clicks, before: UnitState): void {
  const { w } = turn;
  w.clicks = new Map(w.clicks).set(control, clickedTo(mechanism, w.clicks.get(control) ?? 0, way));
  takeHandOf(turn, { at: w.at, kind: 'click', control, way }, before);
}

/** What is kept down once a control went down at an instant, or was let go of. */
function keptAfter(kept: UnitState['keptDown'], control: ControlId, downAt: number | null): UnitState['keptDown'] {
  const now = new Map(kept);
  if (downAt === null) now.delete(control);
  else now.set(control, { at: downAt, repeated: 0 });
  return now;
}

/** A place that springs back is held down and let go of; in another the control stays. */
function placed(turn: Turn, { control, to }: EventOf<'place'>, { springs }: ControlFacts, before: UnitState): void {
  const { w } = turn;
  const { at } = w;
  const was: PlaceId | null = w.places.get(control) ?? null;
  if (was === to) return;
  w.places = new Map(w.places).set(control, to);
  onSupply(turn);
  const letGo = was !== null && springs.has(was);
  w.keptDown = keptAfter(w.keptDown, control, springs.has(to) ? at : null);
  if (letGo) takeHandOf(turn, { at, kind: 'up', control }, before);
  if (springs.has(to)) takeHandOf(turn, { at, kind: 'down', control, place: to }, before);
  else if (!letGo || springs.get(was) !== to) takeHandOf(turn, { at, kind: 'set', control, to }, before);
}

function pushed(turn: Turn, { kind, control }: EventOf<'down' | 'up'>, before: UnitState): void {
  const { w } = turn;
  if ((kind === 'down') === w.pushed.has(control)) return;
  const now = new Set<ControlId>(w.pushed);
  if (kind === 'down') now.add(control);
  else now.delete(control);
  w.pushed = now;
  w.keptDown = keptAfter(w.keptDown, control, kind === 'down' ? w.at : null);
  takeHandOf(turn, kind === 'down' ? { at: w.at, kind, control, place: null } : { at: w.at, kind, control }, before);
}
