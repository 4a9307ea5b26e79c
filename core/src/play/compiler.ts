import type { ControlId, PlaceId } from '../base/ids.ts';
import type { Span } from '../base/text.ts';
import { signGapMs } from '../gesture/timing.ts';
import type { Held, Moment, Step } from '../model/route.ts';
import type { ControlFacts, UnitFacts } from '../unit/facts.ts';
import type { Grip, Op, SignWait } from './op.ts';

/** Why a route cannot be run, and at which step. */
export type CompileError = Readonly<{ at: string }> &
  (
    | Readonly<{ code: 'no-such-control'; control: string }>
    | Readonly<{ code: 'no-such-place'; control: string; place: string }>
    | Readonly<{ code: 'cannot'; control: string; act: 'press' | 'turn' | 'set' | 'hold' }>
    | Readonly<{ code: 'cannot-dial'; text: string }>
    | Readonly<{ code: 'nothing-held'; control: string }>
    | Readonly<{ code: 'interlock'; what: string }>
    | Readonly<{ code: 'no-such-route'; route: string }>
    | Readonly<{ code: 'nothing-done' }>
    | Readonly<{ code: 'too-long'; most: number }>
  );

/** A route that unrolls to more operations than this does not run. */
const mostOps = 5000;

/** A program while it is made. The first thing that cannot be run is kept as the error. */
export type Compiler = {
  readonly facts: UnitFacts;
  readonly ops: Op[];
  /** Held until a later step lets go. */
  readonly held: Grip[];
  windows: number;
  error: CompileError | null;
};

export const beginCompiling = (facts: UnitFacts): Compiler => ({ facts, ops: [], held: [], windows: 0, error: null });

export function refuse(into: Compiler, error: CompileError): void {
  into.error ??= error;
}

export function put(into: Compiler, op: Op): void {
  if (into.ops.length < mostOps) into.ops.push(op);
  else refuse(into, { at: op.at, code: 'too-long', most: mostOps });
}

export function controlOf(into: Compiler, id: ControlId, at: string): ControlFacts | undefined {
  const control = into.facts.controls.get(id);
  if (!control) refuse(into, { at, code: 'no-such-control', control: id });
  return control;
}

/** Whether a control has a place or a rest of that name; refused where it has not. */
export function hasPlace(into: Compiler, id: ControlId, place: PlaceId, at: string): boolean {
  const mechanism = controlOf(into, id, at)?.mechanism;
  if (mechanism === undefined) return false;
  const places: readonly string[] =
    mechanism.kind === 'places'
      ? mechanism.places.map((p) => p.id)
      : mechanism.kind === 'clicks'
        ? mechanism.rests.map((r) => r.id)
        : [];
  if (!places.includes(place)) refuse(into, { at, code: 'no-such-place', control: id, place });
  return places.includes(place);
}

/** How a control is held: a push control down, another in a place, the one it springs back from where none is named. */
export function gripOf(into: Compiler, { control, place }: Held, at: string): Grip {
  const own = controlOf(into, control, at);
  if (!own || own.mechanism.kind === 'push') return { control, place: null, sticks: false };
  if (own.mechanism.kind === 'clicks' && place === undefined)
    refuse(into, { at, code: 'cannot', control, act: 'hold' });
  if (place !== undefined) hasPlace(into, control, place, at);
  const to = place ?? [...own.springs.keys()][0] ?? null;
  return { control, place: to, sticks: to === null || !own.springs.has(to) };
}

/** The sign a moment waits for; null where it is no sign. */
export const waitOf = (moment: Moment, step: Step): SignWait | null =>
  moment.kind === 'sign'
    ? {
        shown: moment.shown,
        also: moment.also,
        nth: moment.nth,
        gapMs: (step.takes?.usualMs ?? signGapMs * moment.nth) / moment.nth,
      }
    : null;

/** A span as an operation keeps it: without a most where nothing but its length was said. */
export const boundOf = (span: Span | null) =>
  span === null
    ? { leastMs: 0, usualMs: 0, mostMs: null }
    : { leastMs: span.leastMs, usualMs: span.usualMs, mostMs: span.mostMs > span.leastMs ? span.mostMs : null };

/** How long each of so many takes, usually and at most, where the step says how long all of them take. */
export const paceOf = (step: Step, count: number, usual: Span): Readonly<{ paceMs: number; slowMs: number }> =>
  step.takes
    ? { paceMs: step.takes.usualMs / count, slowMs: step.takes.mostMs / count }
    : { paceMs: usual.usualMs, slowMs: usual.mostMs };
