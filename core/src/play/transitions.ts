import type { ControllerId, InputId, ModeId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Effect } from '../model/effect.ts';
import type { Transition, Variable } from '../model/mode.ts';
import { type Shown, sameShown } from '../model/shown.ts';
import { isSupplied } from '../unit/facts.ts';
import { erased } from './memory.ts';
import { type ControllerState, freshVariables, type ModeCause } from './state.ts';
import { mayHappen, setController, setOver, type Turn } from './turn.ts';

/** Messages that set off messages go so deep; deeper is a circle among controllers. */
const deepest = 20;

type TransitionOn<K extends Transition['on']['kind']> = Transition & { on: Extract<Transition['on'], { kind: K }> };
const isOn = <K extends Transition['on']['kind']>(t: Transition, kind: K): t is TransitionOn<K> => t.on.kind === kind;

/** The transitions of a kind that each controller may make as it stands now, in their order. */
function transitionsOn<K extends Transition['on']['kind']>(
  turn: Turn,
  kind: K,
): Array<readonly [id: ControllerId, state: ControllerState, t: TransitionOn<K>]> {
  return [...turn.w.controllers].flatMap(([id, state]) =>
    (turn.plan.modes.get(state.mode)?.transitions ?? []).flatMap((t) =>
      isOn(t, kind) ? [[id, state, t] as const] : [],
    ),
  );
}

/** Goes where a transition or a gesture leads, with what it does on the way. */
export function follow(
  turn: Turn,
  id: ControllerId,
  { to, effects, by }: Readonly<{ to: ModeId | null; effects: readonly Effect[]; by: ModeCause }>,
  depth = 0,
): void {
  const { w, plan } = turn;
  if (depth > deepest) {
    turn.effects.push({ at: w.at, kind: 'refused', why: 'never-settles', what: id });
    return;
  }
  for (const effect of effects) applyEffect(turn, id, effect, depth);
  const before = w.controllers.get(id);
  if (!before || to === null || to === before.mode || !plan.modes.has(to)) return;
  setController(turn, id, {
    mode: to,
    since: w.at,
    lastHandAt: w.at,
    variables: freshVariables(plan.modes.get(to)),
    stage: 0,
  });
  for (const [sign, over] of w.over) if (over.controller === id && over.at < w.at) setOver(turn, sign, null);
  turn.effects.push({ at: w.at, kind: 'mode', controller: id, from: before.mode, to, by });
}

const along = (
  turn: Turn,
  id: ControllerId,
  t: Transition,
  kind: 'supply' | 'idle' | 'after' | 'sign' | 'input',
): void => follow(turn, id, { to: t.to ?? null, effects: t.effects, by: { kind } });

function applyEffect(turn: Turn, id: ControllerId, effect: Effect, depth: number): void {
  const { w, plan } = turn;
  const own = w.controllers.get(id);
  if (!own) return;
  switch (effect.kind) {
    case 'assign':
      setController(turn, id, { variables: new Map(own.variables).set(effect.variable, effect.to) });
      return;
    case 'step': {
      const variable = plan.modes.get(own.mode)?.variables.find((v) => v.id === effect.variable);
      const now = own.variables.get(effect.variable);
      if (!variable || now === undefined) return;
      const next = stepVariable(variable, now, effect.by);
      setController(turn, id, { variables: new Map(own.variables).set(effect.variable, next), stage: 0 });
      return;
    }
    case 'send': {
      const receiver = w.controllers.get(effect.to);
      for (const t of (receiver && plan.modes.get(receiver.mode)?.transitions) ?? [])
        if (
          receiver &&
          isOn(t, 'message') &&
          t.on.from === id &&
          t.on.message === effect.message &&
          mayHappen(turn, receiver, t.when)
        )
          follow(turn, effect.to, { to: t.to ?? null, effects: t.effects, by: { kind: 'message' } }, depth + 1);
      return;
    }
    case 'erase-memory':
      w.memory = erased(w.memory, id);
      return;
    default:
      assertNever(effect);
  }
}

/** The next value of a variable, so many steps on; at the end of what does not wrap it stays. */
export function stepVariable(
  variable: Variable,
  now: number | string | boolean,
  by: number,
): number | string | boolean {
  switch (variable.kind) {
    case 'flag':
      return by % 2 === 0 ? now : !now;
    case 'cursor': {
      if (typeof now !== 'number') return now;
      const size = variable.to - variable.from + 1;
      const next = now + by;
      if (variable.wraps) return variable.from + ((((next - variable.from) % size) + size) % size);
      return Math.min(variable.to, Math.max(variable.from, next));
    }
    case 'characters': {
      if (typeof now !== 'string') return now;
      const at = variable.alphabet.indexOf(now.slice(-1));
      const size = variable.alphabet.length;
      const next = variable.wraps ? (((at + by) % size) + size) % size : Math.min(size - 1, Math.max(0, at + by));
      return now.slice(0, -1) + (variable.alphabet[next] ?? '');
    }
    default:
      return assertNever(variable);
  }
}

/** A sign has come: whoever waits for it goes on. */
export function onSign(turn: Turn, shown: Shown): void {
  for (const [id, state, t] of transitionsOn(turn, 'sign'))
    if (sameShown(t.on.shown, shown) && mayHappen(turn, state, t.when)) along(turn, id, t, 'sign');
}

const passes = (on: { passes: 'above' | 'below'; value: number }, was: number, is: number): boolean =>
  on.passes === 'above' ? was <= on.value && is > on.value : was >= on.value && is < on.value;

/** A physical quantity is another: whoever waits for it to pass a value goes on. */
export function onInput(turn: Turn, input: InputId, value: number): void {
  const { w } = turn;
  const was = w.inputs.get(input) ?? 0;
  w.inputs = new Map(w.inputs).set(input, value);
  for (const [id, state, t] of transitionsOn(turn, 'input'))
    if (t.on.input === input && passes(t.on, was, value) && mayHappen(turn, state, t.when)) along(turn, id, t, 'input');
}

/** A control was moved: the supply may have come or gone. Each controller makes the first transition that holds. */
export function onSupply(turn: Turn): void {
  const { w, plan } = turn;
  const on = isSupplied(plan.facts, (c) => w.places.get(c) ?? null);
  if (on === (w.poweredAt !== null)) return;
  w.poweredAt = on ? w.at : null;
  if (!on) w.over = new Map();
  const gone = new Set<ControllerId>();
  for (const [id, state, t] of transitionsOn(turn, 'supply'))
    if (!gone.has(id) && t.on.becomes === (on ? 'on' : 'off') && mayHappen(turn, state, t.when)) {
      gone.add(id);
      along(turn, id, t, 'supply');
    }
}

/** When the timer of a transition is over; null for what something else sets off, each at its own place here or in `settle`. */
function timerOf({ on }: Transition, state: ControllerState): number | null {
  switch (on.kind) {
    case 'after':
      return state.since + on.afterMs;
    case 'idle':
      return Math.max(state.since, state.lastHandAt) + on.afterMs;
    case 'gesture':
    case 'supply':
    case 'sign':
    case 'input':
    case 'message':
      return null;
    default:
      return assertNever(on);
  }
}

type Timer = Readonly<{ at: number; id: ControllerId; state: ControllerState; transition: Transition }>;

/** Every timer that runs, in the order of controllers and their transitions. */
function timers(turn: Turn): Timer[] {
  return [...turn.w.controllers].flatMap(([id, state]) =>
    (turn.plan.modes.get(state.mode)?.transitions ?? []).flatMap((transition): Timer[] => {
      const at = timerOf(transition, state);
      return at !== null && at > state.since && mayHappen(turn, state, transition.when)
        ? [{ at, id, state, transition }]
        : [];
    }),
  );
}

/** When the next timer is over; infinite where none runs. */
export const nextTimer = (turn: Turn): number =>
  timers(turn).reduce((due, { at }) => Math.min(due, at), Number.POSITIVE_INFINITY);

/** Takes the first timer that is over by an instant. */
export function onTimer(turn: Turn, due: number): void {
  const over = timers(turn).find(({ at }) => at <= due);
  if (!over) return;
  const { id, state, transition } = over;
  // a timer that leads nowhere else starts again
  if (transition.to === undefined || transition.to === state.mode)
    setController(turn, id, { since: due, lastHandAt: due });
  along(turn, id, transition, transition.on.kind === 'idle' ? 'idle' : 'after');
}
