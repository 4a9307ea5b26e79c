import { type Shown, sameShown } from '../model/shown.ts';
import { type Attempt, actsDone, type MissCode, type Outcome, type Tell, type UnitView } from './attempt-state.ts';
import { countOf, type Grip, type Op, type Program, type SignWait } from './op.ts';

/** So long a hand may take to notice a sign and to count on from it. Nobody says how long. */
export const noticeMs = 2000;

type Work = { -readonly [K in keyof Attempt]: Attempt[K] };
export const ignored: Outcome = { kind: 'ignored' };

export const isSound = (wait: SignWait): boolean => wait.shown.kind === 'sound';

/** One run of an attempt over an event: the attempt as it becomes, what it is an attempt at, and the unit around it. */
export type Run = Readonly<{ w: Work; program: Program; view: UnitView; tell: Tell }>;

/** A run of an attempt, which itself never changes. */
export function runOf(program: Program, attempt: Attempt, view: UnitView, tell: Tell): Run {
  // written out: a spread of so many numbers takes three times as long, and this is done at every event
  const w: Work = {
    pc: attempt.pc,
    count: attempt.count,
    since: attempt.since,
    lastActAt: attempt.lastActAt,
    pressing: attempt.pressing,
    down: attempt.down,
    held: attempt.held,
    heldSince: attempt.heldSince,
    loose: attempt.loose,
    windows: attempt.windows,
    opensWith: attempt.opensWith,
    begun: attempt.begun,
    limit: attempt.limit,
    latest: attempt.latest,
    due: attempt.due,
    told: attempt.told,
  };
  return { w, program, view, tell };
}

export function opOf(run: Run): Op | undefined {
  return run.program.ops[run.w.pc];
}

export function dies(run: Run, code: MissCode, byMs: number | null = null): Outcome {
  const { w, program } = run;
  const of = program.acts.at(-1) ?? 0;
  const op = opOf(run);
  const counts = code === 'one-too-many' || code === 'too-few';
  const meant = op?.op === 'guard' ? op.count : countOf(op);
  const did = code === 'too-few' || op?.op === 'list' ? w.count : (meant ?? 0) + 1;
  const count = counts && meant !== null ? { meant, did } : {};
  return {
    kind: 'dies',
    miss: { code, at: op?.at ?? '', byMs, nth: Math.abs(w.count) + 1, done: actsDone(program, w), of, ...count },
  };
}

export function showSign(run: Run, at: number, shown: Shown): void {
  run.w.told = [...run.w.told.slice(-7), { shown, at }];
  run.tell(at, shown);
}

/** A hand did something: what comes now begins with that. */
export function acted(run: Run, at: number): void {
  run.w.lastActAt = at;
  run.w.latest = at;
}

/** Waits for a sign: who sees it goes on from it, however long the rest before was. */
export function waits(run: Run, at: number, ms: number): void {
  run.w.due = at + ms;
  run.w.latest = at + ms + noticeMs;
  run.w.limit = Number.POSITIVE_INFINITY;
}

export function showAwaited(run: Run, wait: SignWait, from: number): void {
  for (let n = 1; n <= wait.nth; n += 1) showSign(run, from + n * wait.gapMs, wait.shown);
  for (const shown of wait.also ?? []) showSign(run, from + wait.nth * wait.gapMs, shown);
}

export function setWindow(run: Run, window: number, limit: number): void {
  const windows = [...run.w.windows];
  windows[window] = limit;
  run.w.windows = windows;
}

export function openedAt(run: Run, op: Extract<Op, { op: 'open' }>, at: number): number | null {
  const { from } = op;
  if (from.kind === 'power-on') return run.view.poweredAt() ?? at;
  if (from.kind === 'step-before') {
    // after a rest nobody knows when it was held to be over: the window opens with the first act in it
    if (run.w.begun && run.w.latest <= run.w.lastActAt) return run.w.lastActAt;
    run.w.opensWith = { window: op.window, mostMs: op.mostMs };
    return Number.POSITIVE_INFINITY;
  }
  const seen = run.w.told.filter((t) => t.at <= at && sameShown(t.shown, from.shown));
  if (seen.length >= from.nth) return seen.at(-1)?.at ?? at;
  showAwaited(run, { shown: from.shown, nth: from.nth, gapMs: op.gapMs }, at);
  return null;
}

export function holding(run: Run, op: Extract<Op, { op: 'hold' }>, at: number): void {
  const { w } = run;
  w.since = at;
  acted(run, at);
  if (op.sign) {
    showAwaited(run, op.sign, at);
    w.due = at + op.sign.gapMs * (isSound(op.sign) ? op.sign.nth + 1 : op.sign.nth);
  } else w.due = Math.max(at, countsFrom(run, op, at) + (staysPut(op.grips) ? op.leastMs : (op.mostMs ?? op.leastMs)));
}

/** From when a hold counts: from the grip, or from when the supply came. */
export const countsFrom = (run: Run, { fromPower }: { fromPower?: true }, since: number): number =>
  fromPower ? (run.view.poweredAt() ?? since) : since;

/** Whether nobody has to let go of any of it: a lid that is held open is just left so. */
export const staysPut = (grips: readonly Grip[]): boolean => grips.every((g) => g.sticks);

export function gripped(run: Run, grips: readonly Grip[], at: number): void {
  run.w.held = [...run.w.held, ...grips];
  run.w.heldSince = at;
  acted(run, at);
}

export function dropped(run: Run, grips: readonly Grip[]): void {
  run.w.held = run.w.held.filter((h) => !grips.some((g) => g.control === h.control));
}
