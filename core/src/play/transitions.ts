import type { CodeId, ControlId, ControllerId, InputId, ModeId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Effect } from '../model/effect.ts';
import type { Mode, NumberedTest, Transition, Variable } from '../model/mode.ts';
import { entryOf } from '../model/select.ts';
import { type Shown, sameShown } from '../model/shown.ts';
import { isSupplied } from '../unit/facts.ts';
import { codeStands, erased } from './memory.ts';
import { codeHeld } from './shows.ts';
import { type ControllerState, freshVariables, type ModeCause, nothingTried, type UnitState } from './state.ts';
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
  const next = plan.modes.get(to);
  const first = next && firstTest(next);
  setController(turn, id, {
    mode: to,
    since: w.at,
    lastHandAt: w.at,
    variables: carried(next, before.variables, effects),
    test: first ? { number: first.number, since: w.at } : null,
    stage: 0,
  });
  for (const [sign, over] of w.over) if (over.controller === id && over.at < w.at) setOver(turn, sign, null);
  turn.effects.push({ at: w.at, kind: 'mode', controller: id, from: before.mode, to, by });
  if (first) turn.effects.push({ at: w.at, kind: 'test', controller: id, number: first.number });
  onStanding(turn, id, depth + 1);
}

/** The variables of a mode as it is entered, with what is taken along into it. */
function carried(
  mode: Mode | undefined,
  were: ControllerState['variables'],
  effects: readonly Effect[],
): ControllerState['variables'] {
  const now = new Map(freshVariables(mode));
  for (const effect of effects) {
    if (effect.kind === 'assign' && now.has(effect.variable)) now.set(effect.variable, effect.to);
    const value = effect.kind === 'carry' ? were.get(effect.from) : undefined;
    if (effect.kind === 'carry' && value !== undefined && now.has(effect.to)) now.set(effect.to, value);
  }
  return now;
}

/** The test that runs by itself as its mode begins: one nobody starts and none leads to. */
export const firstTest = ({ tests }: Mode): NumberedTest | undefined =>
  tests.find((t) => t.takes && !t.gesture?.length && !tests.some((other) => other.followedBy === t.number));

/** Begins a numbered test of the mode a controller is in, or with null lets those that run be over. */
export function runTest(turn: Turn, id: ControllerId, number: string | null): void {
  setController(turn, id, { test: number === null ? null : { number, since: turn.w.at } });
  turn.effects.push({ at: turn.w.at, kind: 'test', controller: id, number });
}

/** Where a code stands that a mode waits for, it leads on at once. */
function onStanding(turn: Turn, id: ControllerId, depth = 0): void {
  const state = turn.w.controllers.get(id);
  for (const t of (state && turn.plan.modes.get(state.mode)?.transitions) ?? [])
    if (
      state &&
      isOn(t, 'code-stands') &&
      t.to !== state.mode &&
      codeHeld(turn.plan, turn.w, state, t.on.codes, { standing: true }) &&
      mayHappen(turn, state, t.when)
    ) {
      follow(turn, id, { to: t.to ?? null, effects: t.effects, by: { kind: 'code' } }, depth);
      return;
    }
}

/** A code comes up and stands, or stands no longer; false where there is no such code. */
export function onCode(turn: Turn, of: CodeId, stands: boolean): boolean {
  const { w, plan } = turn;
  const code = entryOf(plan.bundle, 'code', of);
  if (!code) return false;
  w.memory = codeStands(w.memory, code, stands);
  const own = w.controllers.get(code.controller);
  if (own) setController(turn, code.controller, { shownAt: w.at });
  if (!stands) return true;
  for (const [id, state, t] of transitionsOn(turn, 'code-comes'))
    if (
      id === code.controller &&
      w.controllers.get(id)?.mode === state.mode &&
      (t.on.codes.length === 0 || t.on.codes.includes(of)) &&
      mayHappen(turn, state, t.when)
    )
      along(turn, id, t, 'code');
  onStanding(turn, code.controller);
  return true;
}

const along = (
  turn: Turn,
  id: ControllerId,
  t: Transition,
  kind: 'supply' | 'idle' | 'after' | 'sign' | 'input' | 'code' | 'held',
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
    // taken along once the next mode is there
    case 'carry':
      return;
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
function timerOf({ on }: Transition, state: ControllerState, keptDown: UnitState['keptDown']): number | null {
  switch (on.kind) {
    case 'after':
      return state.since + on.afterMs;
    case 'idle':
      return Math.max(state.since, state.lastHandAt) + on.afterMs;
    case 'held': {
      const kept = keptDown.get(on.control);
      return kept ? kept.at + on.afterMs + kept.repeated * on.everyMs : null;
    }
    case 'code-comes':
    case 'code-stands':
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
      const at = timerOf(transition, state, turn.w.keptDown);
      return at !== null && at > state.since && mayHappen(turn, state, transition.when)
        ? [{ at, id, state, transition }]
        : [];
    }),
  );
}

/** When the next timer is over; infinite where none runs. */
export const nextTimer = (turn: Turn): number =>
  Math.min(
    timers(turn).reduce((due, { at }) => Math.min(due, at), Number.POSITIVE_INFINITY),
    nextTestEnd(turn)?.at ?? Number.POSITIVE_INFINITY,
  );

/** The numbered test that is over first by itself. */
function nextTestEnd({ w, plan }: Turn): Readonly<{ at: number; id: ControllerId; next: string | null }> | null {
  const ends = [...w.controllers].flatMap(([id, { mode, test }]) => {
    const own = test && plan.modes.get(mode)?.tests.find((t) => t.number === test.number);
    return test && own?.takes ? [{ at: test.since + own.takes.usualMs, id, next: own.followedBy }] : [];
  });
  return ends.reduce<(typeof ends)[number] | null>((first, e) => (first && first.at <= e.at ? first : e), null);
}

/** What is kept down goes on by itself: everything that waits for that does what it does, once. */
function goOnByItself(turn: Turn, control: ControlId, due: number): void {
  const { w, plan } = turn;
  const own = timers(turn).filter(
    ({ at, transition: { on } }) => on.kind === 'held' && on.control === control && at <= due,
  );
  const kept = w.keptDown.get(control);
  if (kept) w.keptDown = new Map(w.keptDown).set(control, { ...kept, repeated: kept.repeated + 1 });
  // what was begun as a press has become a hold that does something
  w.attempts = w.attempts.map((a, i) => {
    const op = a && plan.gestures[i]?.program.ops[a.pc];
    return op?.op === 'press' && a?.pressing?.control === control ? null : a;
  });
  w.tried = nothingTried;
  for (const { id, transition } of own) {
    setController(turn, id, { lastHandAt: due });
    along(turn, id, transition, 'held');
  }
}

/** Takes the first timer that is over by an instant. */
export function onTimer(turn: Turn, due: number): void {
  const over = timers(turn).find(({ at }) => at <= due);
  const ended = nextTestEnd(turn);
  if (!over) {
    if (ended) runTest(turn, ended.id, ended.next);
    return;
  }
  const { id, state, transition } = over;
  if (transition.on.kind === 'held') {
    goOnByItself(turn, transition.on.control, due);
    return;
  }
  // a timer that leads nowhere else starts again
  if (transition.to === undefined || transition.to === state.mode)
    setController(turn, id, { since: due, lastHandAt: due });
  along(turn, id, transition, transition.on.kind === 'idle' ? 'idle' : 'after');
}
