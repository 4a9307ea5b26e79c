import type { CodeId, ControllerId, ModeId, RouteId, VariantId } from '../base/ids.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Condition } from '../model/condition.ts';
import type { Effect } from '../model/effect.ts';
import type { Mode } from '../model/mode.ts';
import type { Route, Step } from '../model/route.ts';
import { entriesOf } from '../model/select.ts';
import { routesDone } from '../model/whole.ts';
import { asBuilt } from '../unit/as-built.ts';
import { bundleFacts, type UnitFacts } from '../unit/facts.ts';
import { compileSteps } from './compile.ts';
import type { CompileError } from './compiler.ts';
import type { Program } from './op.ts';

/** What a gesture belongs to: a route, a way of a route known not to work, a transition or a numbered test of a mode. */
export type GestureOf =
  | Readonly<{ kind: 'route'; id: RouteId; name: string }>
  | Readonly<{ kind: 'known-not-to-work'; id: RouteId; name: string; how: string; why: string }>
  | Readonly<{ kind: 'transition'; mode: ModeId; index: number; name: string }>
  | Readonly<{ kind: 'test'; mode: ModeId; number: string; name: string; does: TestAct }>;

/** What a gesture of a numbered test does: start it, pass on from it while it runs, begin it anew. */
export type TestAct = 'starts' | 'skips' | 'repeats';

/** Something the unit recognises: in which modes it may begin, the program, and what comes of it. */
export type Gesture = Readonly<{
  of: GestureOf;
  from: 'any' | readonly ModeId[];
  controller: ControllerId;
  /** What the program was made of. */
  steps: readonly Step[];
  program: Program;
  to: ModeId | null;
  when: Condition | null;
  /** Only while one of these is in memory; empty where that does not matter. */
  onlyFor: readonly CodeId[];
  /** The routes it does, whose steps are its own. */
  does: ReadonlySet<RouteId>;
  effects: readonly Effect[];
}>;
export type RefusedGesture = Readonly<{ of: GestureOf; error: CompileError }>;

/** A family made ready to be played: one recogniser for all its modes, and what its panels and modes say. */
export type UnitPlan = Readonly<{
  bundle: Bundle;
  facts: UnitFacts;
  modes: ReadonlyMap<ModeId, Mode>;
  gestures: readonly Gesture[];
  /** Gestures that cannot be played, and why; the others are played all the same. */
  refused: readonly RefusedGesture[];
}>;

/** Which controller a route works on: that of the mode it begins in, else that of the mode it reaches, else the first. */
export function controllerOf(
  route: Pick<Route, 'from' | 'to'>,
  modes: ReadonlyMap<ModeId, Mode>,
  first: ControllerId,
): ControllerId {
  const mode = route.from === 'any' ? route.to : (route.from[0] ?? null);
  return (mode === null ? undefined : modes.get(mode)?.controller) ?? first;
}

/**
 * Compiles every route, known way that does not work, gesture transition and numbered test of a bundle's family. With a
 * variant named, routes and ways of other variants are left out.
 */
export function planUnit(stored: Bundle, variant: string | null = null): UnitPlan {
  const bundle = asBuilt(stored, variant === null ? null : [variant as VariantId]);
  const routes = new Map(entriesOf(bundle, 'route').map((r) => [r.id, r] as const));
  const facts = bundleFacts(bundle);
  const all = entriesOf(bundle, 'mode').filter((m) => m.family === bundle.family);
  const modes = new Map(all.map((m) => [m.id, m] as const));
  const first = all[0]?.controller ?? ('' as ControllerId);
  const gestures: Gesture[] = [];
  const refused: RefusedGesture[] = [];
  type Own = 'program' | 'steps' | 'does' | 'onlyFor';
  const put = (gesture: Omit<Gesture, Own>, steps: readonly Step[], onlyFor: readonly CodeId[] = []): void => {
    const program = compileSteps(steps, facts);
    const { of } = gesture;
    const route = of.kind === 'route' ? routes.get(of.id) : undefined;
    const does = route ? routesDone(route, routes) : new Set<RouteId>();
    if (program.ok) gestures.push({ ...gesture, onlyFor, does, steps, program: program.value });
    else refused.push({ of: gesture.of, error: program.error });
  };
  for (const route of entriesOf(bundle, 'route')) {
    const holds = variant === null || route.onlyVariants.length === 0 || route.onlyVariants.some((v) => v === variant);
    if (route.family !== bundle.family || !holds) continue;
    const { from, to, id, name } = route;
    const controller = controllerOf(route, modes, first);
    const erases = route.purpose === 'clear' && !route.effects.some((e) => e.kind === 'erase-memory');
    const effects: Effect[] = erases ? [...route.effects, { kind: 'erase-memory' }] : route.effects;
    const when = route.when ?? null;
    put({ of: { kind: 'route', id, name }, from, controller, to, when, effects }, route.steps, route.onlyFor);
    for (const { variant: only, how, why, steps } of route.knownNotToWork)
      if (steps && (variant === null || only === undefined || only === variant))
        put(
          {
            of: { kind: 'known-not-to-work', id, name, how, why },
            from,
            controller,
            to: null,
            when: null,
            effects: [],
          },
          steps,
        );
  }
  for (const mode of all) {
    mode.transitions.forEach(({ on, to, when, effects }, index) => {
      if (on.kind === 'gesture')
        put(
          {
            of: { kind: 'transition', mode: mode.id, index, name: mode.name },
            from: [mode.id],
            controller: mode.controller,
            to: to ?? null,
            when: when ?? null,
            effects,
          },
          on.steps,
        );
    });
    for (const { number, name, gesture, skipBy, againBy } of mode.tests)
      for (const [does, steps] of [
        ['starts', gesture],
        ['skips', skipBy],
        ['repeats', againBy],
      ] as const)
        if (steps && steps.length > 0) {
          const of = { kind: 'test', mode: mode.id, number, name, does } as const;
          put({ of, from: [mode.id], controller: mode.controller, to: null, when: null, effects: [] }, steps);
        }
  }
  return { bundle, facts, modes, gestures, refused };
}
