import type { ControlId, PlaceId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import { dialPresses } from '../gesture/dial.ts';
import { handSpans, longestPressMs, pressedMs, rampMs, signGapMs } from '../gesture/timing.ts';
import type { Repeats, Step } from '../model/route.ts';
import { boundOf, type Compiler, controlOf, gripOf, hasPlace, paceOf, put, refuse, waitOf } from './compiler.ts';
import { joinSteps } from './join-steps.ts';
import { isAct, type Op } from './op.ts';

type StepOf<K extends Step['kind']> = Extract<Step, { kind: K }>;

/** Makes steps into operations, in their order. */
export function compileList(into: Compiler, steps: readonly Step[], under: string): void {
  const list = joinSteps(steps, under);
  list.forEach(({ step, at }, i) => {
    if (into.error === null) compileStep(into, step, at, list[i + 1]?.step);
  });
}

function compileStep(into: Compiler, step: Step, at: string, next: Step | undefined): void {
  switch (step.kind) {
    case 'press':
      presses(into, { step, at, control: step.control, times: step.times, of: step.times });
      return;
    case 'hold':
      compileHold(into, step, at);
      return;
    case 'keep':
      compileKeep(into, step, at);
      return;
    case 'release':
      compileRelease(into, step, at);
      return;
    case 'turn':
    case 'sweep':
      compileTurn(into, step, at, next);
      return;
    case 'set':
      compileSet(into, step, at);
      return;
    case 'rest':
      put(into, { op: 'rest', at, ...boundOf(step.span) });
      return;
    case 'step-list':
      compileStepList(into, step, at);
      return;
    case 'together':
      compileTogether(into, step, at);
      return;
    case 'do':
      compileDo(into, step, at);
      return;
    case 'dial':
      compileDial(into, step, at);
      return;
    case 'choose':
      for (const words of [...step.path, step.confirm, step.value])
        if (words !== undefined)
          put(into, { op: 'choose', at, on: step.on, words, paceMs: 2 * handSpans.press.usualMs });
      return;
    case 'see':
      if (step.must !== 'must-not')
        put(into, {
          op: 'show',
          at,
          signs: step.signs,
          delayMs: step.within?.usualMs ?? 0,
          must: step.must === 'must',
        });
      return;
    case 'group':
      compileGroup(into, step, at);
      return;
    case 'branch':
      compileBranch(into, step, at);
      return;
    case 'bypass':
      refuse(into, { at, code: 'interlock', what: step.what });
      return;
    case 'say':
    case 'at-place':
      return;
    default:
      assertNever(step);
  }
}

type Presses = Readonly<{ step: Step; at: string; control: ControlId | 'any'; times: number; of: number }>;

/** So many presses; `of` is how many the step has in all, for their pace. */
function presses(into: Compiler, { step, at, control, times, of }: Presses): void {
  if (times === 0) return;
  if (control !== 'any') {
    const own = controlOf(into, control, at);
    if (own && own.mechanism.kind !== 'push' && own.springs.size === 0)
      refuse(into, { at, code: 'cannot', control, act: 'press' });
  }
  const last = into.ops.findLast((o) => isAct(o) || (o.op === 'show' && o.must));
  const goesOn = last?.op === 'press' && last.control === control;
  put(into, { op: 'press', at, control, times, ...paceOf(step, of, handSpans.press) });
  // one press at the end acts at once; of several, one more would make another thing of it
  if (times > 1 || goesOn) put(into, guard(at, { control, place: null }, handSpans.press.mostMs, times));
}

const guard = (
  at: string,
  of: Readonly<{ control: ControlId | 'any'; place: PlaceId | null }>,
  settleMs: number,
  count: number,
): Op => ({ op: 'guard', at, of, settleMs, count });

function compileHold(into: Compiler, step: StepOf<'hold'>, at: string): void {
  const grips = step.controls.map((h) => gripOf(into, h, at));
  if (step.until.kind === 'release') {
    put(into, { op: 'grip', at, grips });
    into.held.push(...grips);
    return;
  }
  const span = step.until.kind === 'span' ? step.until.span : null;
  const sign = step.until.kind === 'moment' ? waitOf(step.until.moment, step) : null;
  put(into, { op: 'hold', at, grips, sign, ...fromPower(step.until), ...boundOf(span) });
}

/** Whether a span counts from when the supply came. */
const fromPower = (until: StepOf<'hold' | 'keep'>['until']): { fromPower?: true } =>
  until?.kind === 'span' && until.from === 'power-on' ? { fromPower: true } : {};

/** Two or more keys that go down together and up again, so many times. */
function compileTogether(into: Compiler, step: StepOf<'together'>, at: string): void {
  const grips = step.controls.map((control) => gripOf(into, { control }, at));
  for (let n = 0; n < step.times; n += 1)
    put(into, {
      op: 'hold',
      at,
      grips,
      sign: null,
      withinMs: step.withinMs,
      leastMs: 0,
      usualMs: pressedMs,
      mostMs: longestPressMs,
      ...(step.times > 1 && { round: { at, n, of: step.times } }),
    });
}

/** What another route does, so many times. */
function compileDo(into: Compiler, step: StepOf<'do'>, at: string): void {
  if (step.steps === undefined) refuse(into, { at, code: 'no-such-route', route: step.route });
  else repeated(into, step.steps, at, step.times);
}

function compileKeep(into: Compiler, step: StepOf<'keep'>, at: string): void {
  const grips = step.controls.map((h) => gripOf(into, h, at));
  const { until } = step;
  put(into, { op: 'grip', at, grips });
  compileList(into, step.during, `${at}.during.`);
  const sign = until?.kind === 'moment' ? waitOf(until.moment, step) : null;
  put(into, {
    op: 'drop',
    at,
    grips,
    sign,
    ...fromPower(until),
    ...boundOf(until?.kind === 'span' ? until.span : null),
  });
}

function compileRelease(into: Compiler, step: StepOf<'release'>, at: string): void {
  const { held } = into;
  const wanted = step.controls.length === 0 ? held.map((g) => g.control) : step.controls;
  const grips = wanted.flatMap((control) => held.filter((g) => g.control === control));
  const missing = wanted.find((control) => !held.some((g) => g.control === control));
  if (missing !== undefined || grips.length === 0) {
    refuse(into, { at, code: 'nothing-held', control: missing ?? 'all' });
    return;
  }
  for (const grip of grips) held.splice(held.indexOf(grip), 1);
  put(into, { op: 'drop', at, grips, sign: step.at ? waitOf(step.at, step) : null, ...boundOf(null) });
}

function compileTurn(into: Compiler, step: StepOf<'turn' | 'sweep'>, at: string, next: Step | undefined): void {
  const { control, way } = step;
  const own = controlOf(into, control, at);
  if (own?.mechanism.kind !== 'clicks') {
    refuse(into, { at, code: 'cannot', control, act: 'turn' });
    return;
  }
  const { perTurn, rests, springsBack } = own.mechanism;
  const clicks = step.kind === 'turn' ? step.clicks : step.turns * perTurn;
  const rest = step.kind === 'sweep' && step.stopAt ? rests.find((r) => r.id === step.stopAt) : undefined;
  if (step.kind === 'sweep' && step.stopAt) hasPlace(into, control, step.stopAt, at);
  const usual = step.kind === 'turn' ? handSpans.click.usualMs : handSpans.turn.usualMs / perTurn;
  const pace = paceOf(step, clicks, { ...handSpans.click, usualMs: usual });
  // a knob that springs back stands nowhere else
  const stop = rest && !springsBack ? { click: rest.atClick, perTurn } : null;
  put(into, { op: 'turn', at, control, way, clicks, stop, ...pace });
  // one click that is all there is to do acts at once, and the next one again: who goes through a list is quick
  const isEach = clicks === 1 && stop === null && next === undefined && into.ops.filter(isAct).length === 1;
  // turned on the other way, the clicks before are counted as they are
  if (!isEach && !(next?.kind === 'turn' && next.control === control))
    put(into, guard(at, { control, place: null }, handSpans.click.mostMs, clicks));
}

function compileSet(into: Compiler, step: StepOf<'set'>, at: string): void {
  const { control, to } = step;
  const mechanism = controlOf(into, control, at)?.mechanism;
  if (mechanism?.kind === 'push') {
    refuse(into, { at, code: 'cannot', control, act: 'set' });
    return;
  }
  if (!hasPlace(into, control, to, at)) return;
  const rest = mechanism?.kind === 'clicks' ? mechanism.rests.find((r) => r.id === to) : undefined;
  const springs = into.facts.controls.get(control)?.springs.has(to) ?? false;
  const { paceMs } = paceOf(step, 1, handSpans.set);
  put(into, { op: 'set', at, control, to, atClick: rest?.atClick ?? null, springs, paceMs });
}

function compileStepList(into: Compiler, step: StepOf<'step-list'>, at: string): void {
  const { control } = step;
  const count = Math.abs(step.to - step.start);
  if (count === 0) return;
  if (step.by === 'press' && step.back === undefined && step.round === undefined) {
    presses(into, { step, at, control, times: count, of: count });
    return;
  }
  gripOf(into, { control }, at);
  if (step.back) gripOf(into, { control: step.back }, at);
  put(into, {
    op: 'list',
    at,
    control,
    knob: null,
    back: step.back ?? null,
    entries: count,
    goesRound: step.round ? step.round.to - step.round.from + 1 : null,
    repeats: step.by === 'ramp' ? rampOf(step, count) : null,
    settleMs: handSpans.press.mostMs,
    // how long all of it takes says how fast it runs by itself, not how fast a hand is
    paceMs: handSpans.press.usualMs,
    slowMs: handSpans.press.mostMs,
  });
}

/** How the list runs while its key is kept down: as it says, or as long as all of it takes. */
function rampOf({ repeats, takes }: StepOf<'step-list'>, count: number): Repeats {
  const each = takes ? takes.usualMs / count : rampMs;
  return repeats ?? { afterMs: each, everyMs: each };
}

function compileDial(into: Compiler, step: StepOf<'dial'>, at: string): void {
  const all = dialPresses(step);
  if (!all.ok) {
    refuse(into, { at, code: 'cannot-dial', text: step.text });
    return;
  }
  const of = all.value.reduce((sum, p) => sum + p.times, 0);
  for (const { control, times, way } of all.value)
    if (way === undefined) presses(into, { step, at, control, times, of });
    else clicks(into, { step, at, control, way, times });
}

type Clicks = Readonly<{
  step: StepOf<'dial'>;
  at: string;
  control: ControlId;
  way: 'cw' | 'ccw';
  times: number;
}>;

/** So many clicks of a knob that sets something: it is watched while it is turned, past it and back is as good. */
function clicks(into: Compiler, { step, at, control, way, times }: Clicks): void {
  if (controlOf(into, control, at)?.mechanism.kind !== 'clicks')
    refuse(into, { at, code: 'cannot', control, act: 'turn' });
  const isWhole = step.by.kind === 'knob' && step.by.next === undefined;
  put(into, {
    op: 'list',
    at,
    control,
    knob: way,
    back: null,
    entries: times,
    goesRound: step.wraps ? step.alphabet.length ** (isWhole ? step.text.length : 1) : null,
    repeats: null,
    settleMs: handSpans.press.mostMs,
    paceMs: handSpans.click.usualMs,
    slowMs: handSpans.click.mostMs,
  });
}

function compileGroup(into: Compiler, step: StepOf<'group'>, at: string): void {
  const { ops } = into;
  const window = step.window ? into.windows++ : null;
  if (step.window && window !== null)
    put(into, { op: 'open', at, window, from: step.window.from, mostMs: step.window.mostMs, gapMs: signGapMs });
  const close = (): void => {
    if (window === null) return;
    const last = ops.at(-1);
    if (last?.op === 'guard') ops.pop();
    put(into, { op: 'close', at, window });
    if (last?.op === 'guard') put(into, last);
  };
  repeated(into, step.steps, at, step.times, close);
}

/** Steps so many times over; what would begin one time more is guarded against. `close` ends what was open around them. */
function repeated(into: Compiler, steps: readonly Step[], at: string, times: number, close = () => {}): void {
  const { ops } = into;
  const begin = ops.length;
  for (let n = 0; n < times && into.error === null; n += 1) {
    const before = ops.length;
    compileList(into, steps, `${at}.steps.`);
    // nothing is done in it: doing that again is nothing either
    if (ops.length === before) break;
    if (times === 1) continue;
    for (let i = before; i < ops.length; i += 1) {
      const op = ops[i];
      if (op && op.round === undefined) ops[i] = { ...op, round: { at, n, of: times } };
    }
  }
  close();
  const first = ops.slice(begin).find(isAct);
  const again = times > 1 && first ? guardOf(first, times) : null;
  if (again && ops.at(-1)?.op !== 'guard') put(into, again);
}

function compileBranch(into: Compiler, step: StepOf<'branch'>, at: string): void {
  const { ops } = into;
  const here = ops.length;
  put(into, { op: 'branch', at, on: step.on, otherwise: 0 });
  compileList(into, step.met, `${at}.met.`);
  const over = ops.length;
  put(into, { op: 'jump', at, to: 0 });
  const otherwise = ops.length;
  compileList(into, step.otherwise, `${at}.otherwise.`);
  if (into.error !== null) return;
  ops[here] = { op: 'branch', at, on: step.on, otherwise };
  ops[over] = { op: 'jump', at, to: ops.length };
}

/** What would be the beginning of one repetition more. */
function guardOf(first: Op, count: number): Op | null {
  switch (first.op) {
    case 'press':
      return guard(first.at, { control: first.control, place: null }, handSpans.press.mostMs, count);
    case 'set':
      return guard(first.at, { control: first.control, place: first.to }, handSpans.set.mostMs, count);
    case 'turn':
      return guard(first.at, { control: first.control, place: null }, handSpans.click.mostMs, count);
    case 'hold':
    case 'grip': {
      const [grip] = first.grips;
      return grip ? guard(first.at, { control: grip.control, place: grip.place }, handSpans.set.mostMs, count) : null;
    }
    case 'drop':
    // one entry more is no round more
    case 'list':
    case 'rest':
    case 'choose':
    case 'show':
    case 'open':
    case 'close':
    case 'guard':
    case 'branch':
    case 'jump':
      return null;
    default:
      return assertNever(first);
  }
}
