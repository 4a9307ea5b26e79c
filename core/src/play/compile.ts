import type { ControlId, PlaceId } from '../base/ids.ts';
import { assertNever, fail, ok, type Result } from '../base/result.ts';
import type { Span } from '../base/text.ts';
import { dialPresses } from '../gesture/dial.ts';
import { handSpans, rampMs, signGapMs } from '../gesture/timing.ts';
import type { Held, Moment, Step } from '../model/route.ts';
import type { UnitFacts } from '../unit/facts.ts';
import { type Grip, isAct, type Op, type Program, type SignWait } from './op.ts';

/** Why a route cannot be run, and at which step. */
export type CompileError = Readonly<{ at: string }> &
  (
    | Readonly<{ code: 'no-such-control'; control: string }>
    | Readonly<{ code: 'no-such-place'; control: string; place: string }>
    | Readonly<{ code: 'cannot'; control: string; act: 'press' | 'turn' | 'set' | 'hold' }>
    | Readonly<{ code: 'cannot-dial'; text: string }>
    | Readonly<{ code: 'nothing-held'; control: string }>
    | Readonly<{ code: 'interlock'; what: string }>
    | Readonly<{ code: 'nothing-done' }>
    | Readonly<{ code: 'too-long'; most: number }>
  );

/** A route that unrolls to more operations than this does not run. */
const mostOps = 5000;

/** Two waits in a row are one wait. */
function joined(a: Span, b: Span): Span {
  return { leastMs: a.leastMs + b.leastMs, usualMs: a.usualMs + b.usualMs, mostMs: a.mostMs + b.mostMs };
}

function normal(steps: readonly Step[]): Step[] {
  const out: Step[] = [];
  for (const step of steps) {
    const last = out.at(-1);
    if (step.kind === 'say' || step.kind === 'at-place') continue;
    if (step.kind === 'rest' && last?.kind === 'rest')
      out[out.length - 1] = { ...last, span: joined(last.span, step.span) };
    else if (step.kind === 'press' && last?.kind === 'press' && last.control === step.control)
      out[out.length - 1] = { ...last, times: last.times + step.times };
    else if (step.kind === 'turn' && last?.kind === 'turn' && last.control === step.control && last.way === step.way)
      out[out.length - 1] = { ...last, clicks: last.clicks + step.clicks };
    else out.push(step);
  }
  return out;
}

/**
 * Makes steps into a program. Waits in a row are joined, and so are presses and clicks of one control in a row: a unit
 * cannot tell them apart. The first thing that cannot be run is the error, with its step.
 */
export function compileSteps(steps: readonly Step[], facts: UnitFacts): Result<Program, CompileError> {
  const ops: Op[] = [];
  const held: Grip[] = [];
  let windows = 0;
  let error: CompileError | null = null;
  const refuse = (e: CompileError): void => {
    error ??= e;
  };
  const put = (op: Op): void => {
    if (ops.length < mostOps) ops.push(op);
    else refuse({ at: op.at, code: 'too-long', most: mostOps });
  };

  const controlOf = (id: ControlId, at: string) => {
    const control = facts.controls.get(id);
    if (!control) refuse({ at, code: 'no-such-control', control: id });
    return control;
  };
  const hasPlace = (id: ControlId, place: PlaceId, at: string): boolean => {
    const mechanism = controlOf(id, at)?.mechanism;
    if (mechanism === undefined) return false;
    const places: readonly string[] =
      mechanism.kind === 'places'
        ? mechanism.places.map((p) => p.id)
        : mechanism.kind === 'clicks'
          ? mechanism.rests.map((r) => r.id)
          : [];
    if (!places.includes(place)) refuse({ at, code: 'no-such-place', control: id, place });
    return places.includes(place);
  };
  const gripOf = ({ control, place }: Held, at: string): Grip => {
    const own = controlOf(control, at);
    if (!own || own.mechanism.kind === 'push') return { control, place: null, sticks: false };
    if (own.mechanism.kind === 'clicks' && place === undefined) refuse({ at, code: 'cannot', control, act: 'hold' });
    if (place !== undefined) hasPlace(control, place, at);
    const to = place ?? [...own.springs.keys()][0] ?? null;
    return { control, place: to, sticks: to === null || !own.springs.has(to) };
  };
  const waitOf = (moment: Moment, step: Step): SignWait | null =>
    moment.kind === 'sign'
      ? { shown: moment.shown, nth: moment.nth, gapMs: (step.takes?.usualMs ?? signGapMs * moment.nth) / moment.nth }
      : null;
  const bound = (span: Span | null) =>
    span === null
      ? { leastMs: 0, usualMs: 0, mostMs: null }
      : { leastMs: span.leastMs, usualMs: span.usualMs, mostMs: span.mostMs > span.leastMs ? span.mostMs : null };
  const paceOf = (step: Step, count: number, usual: Span): number =>
    step.takes ? step.takes.usualMs / count : usual.usualMs;

  const presses = (step: Step, at: string, control: ControlId | 'any', times: number, count = times): void => {
    if (times === 0) return;
    if (control !== 'any') {
      const own = controlOf(control, at);
      if (own && own.mechanism.kind !== 'push' && own.springs.size === 0)
        refuse({ at, code: 'cannot', control, act: 'press' });
    }
    put({ op: 'press', at, control, times, paceMs: paceOf(step, count, handSpans.press) });
    // one press at the end acts at once; of several, one more would make another thing of it
    if (times > 1)
      put({ op: 'guard', at, of: { control, place: null }, settleMs: handSpans.press.mostMs, count: times });
  };

  const walk = (list: readonly Step[], under: string): void => {
    const plain = normal(list);
    // places of steps are those of the script, also where some were joined
    const places = list.flatMap((s, i) => (plain.includes(s) ? [[s, `${under}${i}`] as const] : []));
    const placeOf = new Map(places);
    let seenAt = `${under}0`;
    plain.forEach((step, i) => {
      seenAt = placeOf.get(step) ?? `${under}${list.findIndex((s) => s.kind === step.kind && sameStart(s, step))}`;
      compileStep(step, seenAt, plain[i + 1]);
    });
  };

  const compileStep = (step: Step, at: string, next: Step | undefined): void => {
    if (error !== null) return;
    switch (step.kind) {
      case 'press':
        presses(step, at, step.control, step.times);
        break;
      case 'hold': {
        const grips = step.controls.map((h) => gripOf(h, at));
        if (step.until.kind === 'release') {
          put({ op: 'grip', at, grips });
          held.push(...grips);
        } else {
          const span = step.until.kind === 'span' ? step.until.span : null;
          const sign = step.until.kind === 'moment' ? waitOf(step.until.moment, step) : null;
          put({ op: 'hold', at, grips, sign, ...bound(span) });
        }
        break;
      }
      case 'keep': {
        const grips = step.controls.map((h) => gripOf(h, at));
        put({ op: 'grip', at, grips });
        walk(step.during, `${at}.during.`);
        const until = step.until;
        put({
          op: 'drop',
          at,
          grips,
          sign: until?.kind === 'moment' ? waitOf(until.moment, step) : null,
          ...bound(until?.kind === 'span' ? until.span : null),
        });
        break;
      }
      case 'release': {
        const wanted = step.controls.length === 0 ? held.map((g) => g.control) : step.controls;
        const grips = wanted.flatMap((control) => held.filter((g) => g.control === control));
        const missing = wanted.find((control) => !held.some((g) => g.control === control));
        if (missing !== undefined || grips.length === 0) {
          refuse({ at, code: 'nothing-held', control: missing ?? 'all' });
          return;
        }
        for (const grip of grips) held.splice(held.indexOf(grip), 1);
        put({ op: 'drop', at, grips, sign: step.at ? waitOf(step.at, step) : null, ...bound(null) });
        break;
      }
      case 'turn':
      case 'sweep': {
        const own = controlOf(step.control, at);
        if (own?.mechanism.kind !== 'clicks') {
          refuse({ at, code: 'cannot', control: step.control, act: 'turn' });
          return;
        }
        const { perTurn, rests } = own.mechanism;
        const clicks = step.kind === 'turn' ? step.clicks : step.turns * perTurn;
        const rest = step.kind === 'sweep' && step.stopAt ? rests.find((r) => r.id === step.stopAt) : undefined;
        if (step.kind === 'sweep' && step.stopAt) hasPlace(step.control, step.stopAt, at);
        const usual = step.kind === 'turn' ? handSpans.click.usualMs : handSpans.turn.usualMs / perTurn;
        const paceMs = step.takes ? step.takes.usualMs / clicks : usual;
        const stop = rest ? { click: rest.atClick, perTurn } : null;
        put({ op: 'turn', at, control: step.control, way: step.way, clicks, stop, paceMs });
        // turned on the other way, the clicks before are counted as they are
        if (!(next?.kind === 'turn' && next.control === step.control))
          put({
            op: 'guard',
            at,
            of: { control: step.control, place: null },
            settleMs: handSpans.click.mostMs,
            count: clicks,
          });
        break;
      }
      case 'set':
        if (controlOf(step.control, at)?.mechanism.kind === 'push') {
          refuse({ at, code: 'cannot', control: step.control, act: 'set' });
          return;
        }
        if (hasPlace(step.control, step.to, at)) {
          const mechanism = facts.controls.get(step.control)?.mechanism;
          const rest = mechanism?.kind === 'clicks' ? mechanism.rests.find((r) => r.id === step.to) : undefined;
          const paceMs = paceOf(step, 1, handSpans.set);
          put({ op: 'set', at, control: step.control, to: step.to, atClick: rest?.atClick ?? null, paceMs });
        }
        break;
      case 'rest':
        put({ op: 'rest', at, ...bound(step.span) });
        break;
      case 'step-list': {
        const count = Math.abs(step.to - step.start);
        if (step.by === 'press') presses(step, at, step.control, count);
        else if (count > 0) {
          const each = step.takes ? step.takes.usualMs / count : rampMs;
          const grips = [gripOf({ control: step.control }, at)];
          const times = { leastMs: (count - 0.5) * each, usualMs: count * each, mostMs: (count + 0.5) * each };
          put({ op: 'hold', at, grips, sign: null, ...times });
        }
        break;
      }
      case 'dial': {
        const all = dialPresses(step);
        if (!all.ok) {
          refuse({ at, code: 'cannot-dial', text: step.text });
          return;
        }
        const count = all.value.reduce((sum, p) => sum + p.times, 0);
        for (const press of all.value) presses(step, at, press.control, press.times, count);
        break;
      }
      case 'choose':
        for (const words of [...step.path, step.confirm, step.value])
          if (words !== undefined) put({ op: 'choose', at, on: step.on, words, paceMs: 2 * handSpans.press.usualMs });
        break;
      case 'see':
        if (step.must !== 'must-not')
          put({ op: 'show', at, signs: step.signs, delayMs: step.within?.usualMs ?? 0, must: step.must === 'must' });
        break;
      case 'group': {
        const window = step.window ? windows++ : null;
        if (step.window && window !== null)
          put({ op: 'open', at, window, from: step.window.from, mostMs: step.window.mostMs, gapMs: signGapMs });
        const begin = ops.length;
        for (let n = 0; n < step.times && error === null; n += 1) {
          const before = ops.length;
          walk(step.steps, `${at}.steps.`);
          // nothing is done in it: doing that again is nothing either
          if (ops.length === before) break;
        }
        if (window !== null) {
          const last = ops.at(-1);
          if (last?.op === 'guard') ops.pop();
          put({ op: 'close', at, window });
          if (last?.op === 'guard') put(last);
        }
        const first = ops.slice(begin).find(isAct);
        const again = step.times > 1 && first ? guardOf(first, step.times) : null;
        if (again && ops.at(-1)?.op !== 'guard') put(again);
        break;
      }
      case 'branch': {
        const here = ops.length;
        put({ op: 'branch', at, on: step.on, otherwise: 0 });
        walk(step.met, `${at}.met.`);
        const over = ops.length;
        put({ op: 'jump', at, to: 0 });
        const otherwise = ops.length;
        walk(step.otherwise, `${at}.otherwise.`);
        ops[here] = { op: 'branch', at, on: step.on, otherwise };
        ops[over] = { op: 'jump', at, to: ops.length };
        break;
      }
      case 'bypass': {
        refuse({ at, code: 'interlock', what: step.what });
        return;
      }
      case 'say':
      case 'at-place':
        break;
      default:
        assertNever(step);
    }
  };

  walk(steps, '');
  if (error !== null) return fail(error);
  const acts: number[] = [];
  for (const op of ops) acts.push((acts.at(-1) ?? 0) + (isAct(op) ? 1 : 0));
  if ((acts.at(-1) ?? 0) === 0) return fail({ at: '', code: 'nothing-done' });
  return ok({ ops, windows, acts, lastAct: ops.findLastIndex(isAct) });
}

/** Steps that begin alike; finds the place of a step that was joined with its neighbours. */
function sameStart(a: Step, b: Step): boolean {
  const control = (s: Step): unknown => ('control' in s ? s.control : null);
  return control(a) === control(b);
}

/** What would be the beginning of one repetition more. */
function guardOf(first: Op, count: number): Op | null {
  const settle = (mostMs: number, control: ControlId | 'any', place: PlaceId | null): Op => ({
    op: 'guard',
    at: first.at,
    of: { control, place },
    settleMs: mostMs,
    count,
  });
  switch (first.op) {
    case 'press':
      return settle(handSpans.press.mostMs, first.control, null);
    case 'set':
      return settle(handSpans.set.mostMs, first.control, first.to);
    case 'turn':
      return settle(handSpans.click.mostMs, first.control, null);
    case 'hold':
    case 'grip':
      return first.grips[0] ? settle(handSpans.set.mostMs, first.grips[0].control, first.grips[0].place) : null;
    case 'branch':
    case 'choose':
    case 'close':
    case 'drop':
    case 'guard':
    case 'jump':
    case 'open':
    case 'rest':
    case 'show':
      return null;
    default:
      return assertNever(first);
  }
}
