import type { ControllerId, ModeId } from '../base/ids.ts';
import type { Transition } from '../model/mode.ts';
import type { MissFacts } from './attempt-state.ts';
import type { Edit } from './explain/variation.ts';
import type { Gesture } from './gestures.ts';
import { controlOfOp, isAct } from './op.ts';
import { codeHeld } from './shows.ts';
import type { UnitState } from './state.ts';
import { mayHappen, type Turn } from './turn.ts';

/** Why a gesture cannot begin as the unit stands; null where it can. */
export function whyNotFrom(turn: Turn, gesture: Gesture, before: UnitState): 'other-mode' | 'not-now' | 'deaf' | null {
  const controllerState = before.controllers.get(gesture.controller);
  if (!controllerState) return 'other-mode';
  if (gesture.from !== 'any' && !gesture.from.includes(controllerState.mode)) return 'other-mode';
  if (deafMs(turn, gesture.controller, before) > 0 && !worksSupply(turn, gesture)) return 'deaf';
  const { of, onlyFor } = gesture;
  // a test is passed on from, or begun anew, while it runs
  if (of.kind === 'test' && of.does !== 'starts' && controllerState.test?.number !== of.number) return 'not-now';
  if (onlyFor.length > 0 && !codeHeld(turn.plan, before, controllerState, onlyFor, { standing: false }))
    return 'not-now';
  return mayHappen(turn, controllerState, gesture.when) ? null : 'not-now';
}

/** How long the mode a controller is in still takes nothing; 0 where it does. */
function deafMs(turn: Turn, controller: ControllerId, before: UnitState): number {
  const own = before.controllers.get(controller);
  const mode = own && turn.plan.modes.get(own.mode);
  return own && mode?.deafForMs ? Math.max(0, own.since + mode.deafForMs - before.at) : 0;
}

const worksSupply = ({ plan }: Turn, gesture: Gesture): boolean => {
  const first = gesture.program.ops.find((op) => isAct(op) && op.op !== 'rest');
  const control = controlOfOp(first);
  return control !== null && plan.facts.supply.some((c) => c.control.id === control);
};

/** How long until a mode ends by itself in one of these, in milliseconds, and how long that takes in all; null where it does not. */
function endsItself(
  turn: Turn,
  from: ModeId,
  since: number,
  to: readonly ModeId[],
  now: number,
): { lastsMs: number; leftMs: number } | null {
  const seen = new Set<ModeId>();
  let mode: ModeId | undefined = from;
  let whole = 0;
  while (mode !== undefined && !seen.has(mode)) {
    seen.add(mode);
    const after: Transition | undefined = turn.plan.modes
      .get(mode)
      ?.transitions.find((t) => t.on.kind === 'after' && t.to !== undefined);
    if (after?.on.kind !== 'after') return null;
    whole += after.on.afterMs;
    mode = after.to;
    if (mode !== undefined && to.includes(mode)) return { lastsMs: whole, leftMs: Math.max(0, since + whole - now) };
  }
  return null;
}

/** A supply control that stands where it gives none. */
function deadControl({ plan }: Turn, before: UnitState): MissFacts {
  const dead = plan.facts.supply.find((c) => !c.powersAt.has(before.places.get(c.control.id) ?? ('' as never)));
  const place = dead && before.places.get(dead.control.id);
  return dead ? { control: dead.control.id, ...(place !== undefined && { place }) } : {};
}

/** What was wrong before the first hand: the mode, no supply, something that does not hold, or a unit that takes nothing yet. */
export function wrongBeginning(turn: Turn, gesture: Gesture, before: UnitState): Edit | null {
  const why = whyNotFrom(turn, gesture, before);
  const own = before.controllers.get(gesture.controller);
  const at = gesture.program.ops.find(isAct)?.at ?? '';
  const base = { at, byMs: null, facts: {} };
  if (why === null || !own) return why === null ? null : { ...base, code: 'other-mode', cost: 0.9 };
  if (why === 'not-now') return { ...base, code: 'not-now', cost: 0.9 };
  const { mode, since } = own;
  if (why === 'deaf') {
    const leftMs = deafMs(turn, gesture.controller, before);
    const lastsMs = turn.plan.modes.get(mode)?.deafForMs ?? leftMs;
    return { ...base, code: 'deaf', byMs: leftMs, facts: { mode, lastsMs, leftMs }, cost: 0.6 };
  }
  const wanted: readonly ModeId[] = gesture.from === 'any' ? [] : gesture.from;
  if (before.poweredAt === null && !worksSupply(turn, gesture))
    return { ...base, code: 'no-power', facts: { mode, ...deadControl(turn, before) }, cost: 0.9 };
  const ends = endsItself(turn, mode, since, wanted, before.at);
  return {
    ...base,
    code: 'other-mode',
    byMs: ends?.leftMs ?? null,
    facts: { mode, ...ends },
    cost: ends ? 0.7 : 0.9,
  };
}
