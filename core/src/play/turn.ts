import type { ControllerId, SignId } from '../base/ids.ts';
import type { Condition } from '../model/condition.ts';
import { type Shown, sameShown } from '../model/shown.ts';
import type { Attempt, UnitView } from './attempt-state.ts';
import type { UnitPlan } from './gestures.ts';
import { holds, readsNow, showsNow } from './shows.ts';
import type { ControllerState, UnitEffect, UnitState } from './state.ts';

type Work = { -readonly [K in keyof UnitState]: UnitState[K] };

/** What happens while one event is taken: the unit as it becomes, and what came of it so far. */
export type Turn = Readonly<{ plan: UnitPlan; w: Work; effects: UnitEffect[]; view: UnitView }>;

export function beginTurn(plan: UnitPlan, state: UnitState): Turn {
  const w: Work = { ...state };
  const view: UnitView = {
    placeOf: (c) => w.places.get(c) ?? null,
    clickOf: (c) => w.clicks.get(c) ?? 0,
    poweredAt: () => w.poweredAt,
    shows: (shown) => {
      const now = showsNow(plan, w).get(shown.sign);
      return now !== undefined && sameShown(now, shown);
    },
    reads: (on) => readsNow(plan, w, on),
  };
  return { plan, w, effects: [], view };
}

/** Whether a condition holds for a controller as it stands; nothing to hold always does. */
export function mayHappen(
  { plan, w }: Turn,
  controllerState: ControllerState,
  when: Condition | undefined | null,
): boolean {
  return !when || holds(plan, w, controllerState, when);
}

/** Changes how a controller stands; what it shows begins anew with its mode, its variables and its stage. */
export function setController({ w }: Turn, id: ControllerId, change: Partial<ControllerState>): void {
  const before = w.controllers.get(id);
  const anew = 'stage' in change || 'variables' in change || 'mode' in change;
  if (before) w.controllers = new Map(w.controllers).set(id, { ...before, ...(anew && { shownAt: w.at }), ...change });
}

export function setAttempt({ w }: Turn, index: number, attempt: Attempt | null): void {
  w.attempts = w.attempts.with(index, attempt);
}

/** Lets a sign show something later, or with null go back to what the mode shows there. */
export function scheduleSign(
  { w }: Turn,
  cue: Readonly<{ controller: ControllerId; at: number; sign: SignId; shown: Shown | null }>,
): void {
  w.scheduled = [...w.scheduled, cue].sort((a, b) => a.at - b.at);
}

/** Puts over what the mode shows what an attempt has brought on; null takes it away. */
export function setOver(
  { w }: Turn,
  sign: SignId,
  value: Readonly<{ shown: Shown; at: number; controller: ControllerId }> | null,
): void {
  const over = new Map(w.over);
  if (value === null) over.delete(sign);
  else over.set(sign, value);
  w.over = over;
}
