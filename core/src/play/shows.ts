import type { CodeId, ReadoutId, SignId, VariableId } from '../base/ids.ts';
import type { Condition } from '../model/condition.ts';
import type { Showing } from '../model/mode.ts';
import type { Readout } from '../model/readout.ts';
import { entryOf } from '../model/select.ts';
import { type Shown, sameShown } from '../model/shown.ts';
import { encode } from '../readout/encode.ts';
import { type Scene, sceneAt, schedule } from '../readout/schedule.ts';
import type { UnitPlan } from './gestures.ts';
import { codesIn, hasCode } from './memory.ts';
import type { ControllerState, UnitState } from './state.ts';

/** Which code a readout shows now: that of the memory's slot a cursor stands on. */
function memoryText(
  plan: UnitPlan,
  state: UnitState,
  controllerState: ControllerState,
  slot: VariableId | undefined,
  readout: Readout | undefined,
): string | null {
  const cursor = slot === undefined ? 1 : controllerState.variables.get(slot);
  const controller = plan.modes.get(controllerState.mode)?.controller;
  const codes = controller === undefined ? [] : codesIn(state.memory, controller, readout?.slots.order);
  return codes[typeof cursor === 'number' ? cursor - 1 : 0] ?? null;
}

/** Whether a readout would show this code: the latest in the memory of its controller. */
export function readsNow(
  plan: UnitPlan,
  state: UnitState,
  on: Readonly<{ readout: ReadoutId; code: CodeId }>,
): boolean {
  const controller = entryOf(plan.bundle, 'readout', on.readout)?.controller;
  const text = entryOf(plan.bundle, 'code', on.code)?.text;
  return controller !== undefined && text !== undefined && codesIn(state.memory, controller)[0] === text;
}

/** The scene that shows by itself now: a gesture brings on the next. Null where the code cannot be shown. */
function sceneNow(readout: Readout, text: string, controllerState: ControllerState): Scene | null {
  const scenes = schedule(readout, text);
  if (!scenes.ok) return null;
  const stage = readout.stages[controllerState.stage]?.id;
  return scenes.value.find((s) => stage !== undefined && s.stages.includes(stage)) ?? scenes.value[0] ?? null;
}

type ReadoutShowing = Extract<Showing, { kind: 'readout' }>;

function readoutShows(
  {
    plan,
    state,
    controllerState,
    atMs,
  }: { plan: UnitPlan; state: UnitState; controllerState: ControllerState; atMs: number | null },
  showing: ReadoutShowing,
): readonly Shown[] {
  const readout = entryOf(plan.bundle, 'readout', showing.readout);
  if (!readout) return [];
  const { of } = showing;
  const text =
    of.kind === 'memory'
      ? memoryText(plan, state, controllerState, of.slot, readout)
      : of.kind === 'variable'
        ? String(controllerState.variables.get(of.variable) ?? '')
        : String(Math.round(state.inputs.get(of.input) ?? 0));
  if (text === null) return readout.specials.find((s) => s.means === 'nothing-stored')?.signs ?? [];
  const scene = sceneNow(readout, text, controllerState);
  if (!scene) return readout.stages[0]?.reads.kind === 'text' ? plainText(readout.stages[0].reads.sign, text) : [];
  if (atMs !== null) return sceneAt(scene, atMs - controllerState.shownAt);
  // standing still: what its first stage shows, blinking and not now lit, now dark
  const shows = encode(readout, text);
  return shows.ok ? (shows.value.find((s) => s.stage === scene.stages[0])?.shown ?? []) : [];
}
const plainText = (sign: SignId, text: string): Shown[] => [{ kind: 'text', sign, text }];

/** Whether one of these codes is in the memory of a controller; with `standing`, stands now. */
export function codeHeld(
  plan: UnitPlan,
  state: UnitState,
  controllerState: ControllerState,
  codes: readonly CodeId[],
  how: Readonly<{ standing: boolean }>,
): boolean {
  const controller = plan.modes.get(controllerState.mode)?.controller;
  const texts = codes.flatMap((id) => entryOf(plan.bundle, 'code', id)?.text ?? []);
  return controller !== undefined && hasCode(state.memory, controller, texts, how);
}

/** Whether a condition holds; `shows` says what a sign shows at this moment. */
export function holds(
  plan: UnitPlan,
  state: UnitState,
  controllerState: ControllerState,
  condition: Condition,
): boolean {
  switch (condition.kind) {
    case 'variable':
      return controllerState.variables.get(condition.variable) === condition.is;
    case 'input': {
      const value = state.inputs.get(condition.input) ?? 0;
      return condition.compare === 'above' ? value > condition.value : value < condition.value;
    }
    case 'reads':
      return readsNow(plan, state, condition);
    case 'sign': {
      const over = state.over.get(condition.shown.sign);
      return over !== undefined && sameShown(over.shown, condition.shown);
    }
    case 'code-stands':
      return codeHeld(plan, state, controllerState, condition.codes, { standing: true });
    case 'all':
      return condition.of.every((c) => holds(plan, state, controllerState, c));
    case 'any':
      return condition.of.some((c) => holds(plan, state, controllerState, c));
    case 'not':
      return !holds(plan, state, controllerState, condition.of);
  }
}

const isDark = (shown: Shown): boolean =>
  shown.kind === 'lamp' ? shown.state === 'dark' : shown.kind === 'text' ? shown.text === '' : shown.state === 'off';

/**
 * What every sign of the unit shows now, one entry a sign: what its modes say, and over that what an attempt under way
 * has brought on. Without supply nothing is lit. With `atMs`, an instant of the unit's clock, readouts that keep time are
 * shown as they are at that instant; else a lamp that blinks out a code is told as blinking.
 */
export function showsNow(plan: UnitPlan, state: UnitState, atMs: number | null = null): ReadonlyMap<SignId, Shown> {
  const signs = new Map<SignId, Shown>();
  if (state.poweredAt === null) return signs;
  for (const controllerState of state.controllers.values())
    for (const showing of plan.modes.get(controllerState.mode)?.shows ?? []) {
      if (showing.when && !holds(plan, state, controllerState, showing.when)) continue;
      const shown =
        showing.kind === 'fixed' ? showing.signs : readoutShows({ plan, state, controllerState, atMs }, showing);
      for (const s of shown) signs.set(s.sign, s);
    }
  for (const { mode, test } of state.controllers.values()) {
    const expects = test && plan.modes.get(mode)?.tests.find((t) => t.number === test.number)?.expects;
    if (expects?.kind === 'signs') for (const s of expects.signs) signs.set(s.sign, s);
  }
  for (const [sign, { shown }] of state.over) signs.set(sign, shown);
  for (const [sign, shown] of signs) if (isDark(shown)) signs.delete(sign);
  return signs;
}

/** Whether anything the unit shows now changes by itself from one moment to the next, so that it must be drawn anew. */
export function keepsTime(plan: UnitPlan, state: UnitState): boolean {
  return [...state.controllers.values()].some((controllerState) =>
    (plan.modes.get(controllerState.mode)?.shows ?? []).some((showing) => {
      if (showing.kind !== 'readout' || showing.of.kind !== 'memory') return false;
      const readout = entryOf(plan.bundle, 'readout', showing.readout);
      const text = memoryText(plan, state, controllerState, showing.of.slot, readout);
      const scene = readout && text !== null ? sceneNow(readout, text, controllerState) : null;
      return scene?.cues.some((c) => c.toMs - c.fromMs < scene.periodMs) ?? false;
    }),
  );
}
