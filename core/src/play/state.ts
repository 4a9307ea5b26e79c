import type { ControlId, ControllerId, InputId, ModeId, PlaceId, SignId, VariableId } from '../base/ids.ts';
import type { VariableValue } from '../model/effect.ts';
import type { Mode } from '../model/mode.ts';
import type { Route } from '../model/route.ts';
import { entryOf } from '../model/select.ts';
import type { Shown } from '../model/shown.ts';
import { isSupplied } from '../unit/facts.ts';
import { type Attempt, actsDone, type Miss } from './attempt-state.ts';
import type { GestureOf, UnitPlan } from './gestures.ts';
import { type CodesAtStart, type StoredCodes, storedCodes } from './memory.ts';
import type { Hand } from './op.ts';
import { familyOf, standingBefore } from './standing.ts';
import { atStart, type UnitAsLeft } from './track.ts';

/** Where one controller stands. */
export type ControllerState = Readonly<{
  mode: ModeId;
  since: number;
  lastHandAt: number;
  variables: ReadonlyMap<VariableId, VariableValue>;
  /** The numbered test that runs, since when; null where none does. */
  test: Readonly<{ number: string; since: number }> | null;
  /** Which stage of its readout shows, and since when what shows is what it is. */
  stage: number;
  shownAt: number;
}>;

/** One hand of a try, with how the unit stood before it. */
export type LoggedHand = Readonly<{ hand: Hand; before: UnitState }>;
/** What was done since something last came of it: for saying what was wrong once nothing does. */
export type Tried = Readonly<{
  hands: readonly LoggedHand[];
  /** Something that was under way has come to nothing. */
  died: boolean;
  /** How many hands the last telling was about. */
  told: number;
  /** How many hands there were when something last came of them that a longer way may go on from. */
  came: number;
  /** When it is told, where nothing more is done. */
  tellAt: number;
}>;
export const nothingTried: Tried = { hands: [], died: false, told: 0, came: 0, tellAt: Number.POSITIVE_INFINITY };

/** A played unit at an instant. */
export type UnitState = Readonly<{
  at: number;
  places: ReadonlyMap<ControlId, PlaceId>;
  clicks: ReadonlyMap<ControlId, number>;
  pushed: ReadonlySet<ControlId>;
  /** What is kept down: since when, and how often it has gone on by itself. */
  keptDown: ReadonlyMap<ControlId, Readonly<{ at: number; repeated: number }>>;
  poweredAt: number | null;
  inputs: ReadonlyMap<InputId, number>;
  controllers: ReadonlyMap<ControllerId, ControllerState>;
  memory: StoredCodes;
  /** By gesture; null where nothing is begun. */
  attempts: ReadonlyArray<Attempt | null>;
  lastHandAt: number;
  /** Signs to come; null lets a sign go back to what the mode shows there. */
  scheduled: ReadonlyArray<Readonly<{ at: number; sign: SignId; shown: Shown | null; controller: ControllerId }>>;
  /** Signs an attempt has brought on, until something else shows there. */
  over: ReadonlyMap<SignId, Readonly<{ shown: Shown; at: number; controller: ControllerId }>>;
  /** What was done since something last came of it. */
  tried: Tried;
}>;

export type ModeCause =
  | Readonly<{ kind: 'gesture'; of: GestureOf }>
  | Readonly<{ kind: 'supply' | 'idle' | 'after' | 'sign' | 'input' | 'message' | 'code' | 'held' }>;
/** Which gesture came nearest, where it failed and by how much. */
export type Nearest = Readonly<{ of: GestureOf; miss: Miss }>;

/** What came of an event. */
export type UnitEffect = Readonly<{ at: number }> &
  (
    | Readonly<{ kind: 'mode'; controller: ControllerId; from: ModeId; to: ModeId; by: ModeCause }>
    | Readonly<{ kind: 'done'; of: GestureOf }>
    | Readonly<{ kind: 'sign'; shown: Shown }>
    /** A numbered test begins; null: those that run by themselves are over. */
    | Readonly<{ kind: 'test'; controller: ControllerId; number: string | null }>
    | Readonly<{ kind: 'missed'; nearest: Nearest; others: readonly Nearest[] }>
    | Readonly<{ kind: 'known-not-to-work'; how: string; why: string; route: string }>
    | Readonly<{
        kind: 'refused';
        why: 'out-of-order' | 'no-such-control' | 'no-such-place' | 'no-such-code' | 'cannot' | 'never-settles';
        what: string;
      }>
  );

/** The variables of a mode as it is entered. */
export function freshVariables(mode: Mode | undefined): ReadonlyMap<VariableId, VariableValue> {
  return new Map((mode?.variables ?? []).map((v) => [v.id, v.start] as const));
}

const restMode = (modes: readonly Mode[], powered: boolean): Mode | undefined =>
  (powered ? undefined : modes.find((m) => m.sort === 'off')) ?? modes.find((m) => m.sort === 'standby') ?? modes[0];

/** How a unit stands before anybody has touched it: controls at their start, every controller at rest. */
export function startUnit(plan: UnitPlan, memory: CodesAtStart = []): UnitState {
  return standingUnit(plan, atStart(plan.facts), memory);
}

/** A unit whose controls stand so, every controller at rest. */
function standingUnit(plan: UnitPlan, standing: UnitAsLeft, codes: CodesAtStart): UnitState {
  const memory = storedCodes(plan.bundle, codes);
  const places = new Map(standing.places);
  const clicks = new Map<ControlId, number>();
  for (const { control } of plan.facts.controls.values())
    if (control.mechanism.kind === 'clicks') clicks.set(control.id, standing.clicks.get(control.id) ?? 0);
  const powered = isSupplied(plan.facts, (c) => places.get(c) ?? null);
  const family = plan.bundle.entries.find((e) => e.kind === 'family' && e.id === plan.bundle.family);
  const inputs = family?.kind === 'family' ? family.inputs.map((i) => [i.id, i.start] as const) : [];
  const controllers = new Map<ControllerId, ControllerState>();
  const ids = new Set([...plan.modes.values()].map((m) => m.controller));
  for (const controller of ids) {
    const rest = restMode(
      [...plan.modes.values()].filter((m) => m.controller === controller),
      powered,
    );
    if (rest)
      controllers.set(controller, {
        mode: rest.id,
        since: 0,
        lastHandAt: 0,
        variables: freshVariables(rest),
        test: null,
        stage: 0,
        shownAt: 0,
      });
  }
  return {
    at: 0,
    places,
    clicks,
    pushed: new Set(),
    keptDown: new Map(),
    poweredAt: powered ? 0 : null,
    inputs: new Map(inputs),
    controllers,
    memory,
    attempts: plan.gestures.map(() => null),
    lastHandAt: 0,
    scheduled: [],
    over: new Map(),
    tried: nothingTried,
  };
}

/**
 * How an untouched unit stands when a route begins: its controls where they are in the mode it begins in, with the supply
 * that mode has, and the route's controller in that mode with its variables as they start. Where nothing is said of its
 * memory, a route that is there for one code only begins with that code.
 */
export function startForRoute(plan: UnitPlan, route: Route, memory?: CodesAtStart): UnitState {
  const standing = standingBefore(route, familyOf(plan), [route]);
  const only = entryOf(plan.bundle, 'code', route.onlyFor[0]);
  const codes = memory ?? (only ? [{ code: only.text, controller: only.controller, standing: true }] : []);
  const start = standingUnit(plan, standing, codes);
  const mode = route.from === 'any' ? undefined : plan.modes.get(route.from[0] as ModeId);
  const controllerState = mode && start.controllers.get(mode.controller);
  if (!mode || !controllerState) return start;
  const variables = freshVariables(mode);
  return {
    ...start,
    controllers: new Map(start.controllers).set(mode.controller, { ...controllerState, mode: mode.id, variables }),
  };
}

/** A gesture under way: how much of it is done, and at which step it waits. */
export type Underway = Readonly<{ of: GestureOf; at: string; done: number; ofActs: number }>;

/** Every gesture that is begun and not yet complete, the one that is furthest first. */
export function underway(plan: UnitPlan, state: UnitState): Underway[] {
  return state.attempts
    .flatMap((attempt, i): Underway[] => {
      const gesture = plan.gestures[i];
      if (!attempt || !gesture) return [];
      const { program } = gesture;
      const at = program.ops[attempt.pc]?.at ?? '';
      return [{ of: gesture.of, at, done: actsDone(program, attempt), ofActs: program.acts.at(-1) ?? 1 }];
    })
    .sort((a, b) => b.done / b.ofActs - a.done / a.ofActs);
}
