import type { ControlId } from '../../base/ids.ts';
import { programOf } from '../compile.ts';
import type { Grip, Hand, Op, Program } from '../op.ts';

/** Where one thing to be done begins and ends among the operations: with its guard, a keep with all that is done the while. */
export type Block = Readonly<{ from: number; to: number }>;

/** The block that begins at an operation. */
export function blockAt(ops: readonly Op[], from: number): Block {
  const op = ops[from];
  let to = from + 1;
  if (op?.op === 'grip') {
    const own = op.grips[0]?.control;
    const drop = ops.findIndex((o, i) => i > from && o.op === 'drop' && o.grips.some((g) => g.control === own));
    to = drop < 0 ? to : drop + 1;
  }
  while (ops[to]?.op === 'guard' && ops[to]?.at === op?.at) to += 1;
  return { from, to };
}

/** The round of a repeated group an operation stands in; null where it stands in none. */
export function roundAt(ops: readonly Op[], pc: number): Block | null {
  const round = ops[pc]?.round;
  if (!round) return null;
  const inIt = (o: Op | undefined) => o?.round?.at === round.at && o.round.n === round.n;
  let from = pc;
  while (inIt(ops[from - 1])) from -= 1;
  let to = pc + 1;
  while (inIt(ops[to])) to += 1;
  return { from, to };
}

/** A program with some operations put in the place of others; choices and leaps still lead where they led. */
export function spliced(program: Program, from: number, to: number, put: readonly Op[]): Program {
  const by = put.length - (to - from);
  const moved = (target: number): number => (target >= to ? target + by : target);
  const kept = (op: Op): Op =>
    op.op === 'branch'
      ? { ...op, otherwise: moved(op.otherwise) }
      : op.op === 'jump'
        ? { ...op, to: moved(op.to) }
        : op;
  const ops = [...program.ops.slice(0, from).map(kept), ...put, ...program.ops.slice(to).map(kept)];
  return programOf(ops, program.windows);
}

/** A program with one operation otherwise. */
export function changed(program: Program, pc: number, op: Op): Program {
  return { ...program, ops: program.ops.with(pc, op) };
}

/** A program whose count at `pc` is another, its guard with it. */
export function counting(program: Program, pc: number, count: number): Program {
  const op = program.ops[pc];
  if (op?.op === 'list') return changed(program, pc, { ...op, entries: count });
  if (op?.op !== 'press' && op?.op !== 'turn') return program;
  const guard = program.ops[pc + 1];
  const made = changed(program, pc, op.op === 'press' ? { ...op, times: count } : { ...op, clicks: count });
  return guard?.op === 'guard' && guard.at === op.at ? changed(made, pc + 1, { ...guard, count }) : made;
}

/** Whether a hand begins what an operation wants. */
export function begins(op: Op | undefined, hand: Hand): boolean {
  switch (op?.op) {
    case 'press':
      return hand.kind === 'down' && (op.control === 'any' || hand.control === op.control);
    case 'hold':
    case 'grip':
      return (
        (hand.kind === 'down' || hand.kind === 'set') &&
        op.grips.some((g) => g.control === hand.control && g.place === (hand.kind === 'set' ? hand.to : hand.place))
      );
    case 'turn':
      return hand.kind === 'click' && hand.control === op.control && hand.way === op.way;
    case 'list':
      return op.knob === null
        ? hand.kind === 'down' && (hand.control === op.control || hand.control === op.back)
        : hand.kind === 'click' && hand.control === op.control;
    case 'set':
      return (
        (hand.kind === 'set' && hand.control === op.control && hand.to === op.to) ||
        (hand.kind === 'down' && hand.control === op.control && hand.place === op.to) ||
        (hand.kind === 'click' && hand.control === op.control)
      );
    case 'choose':
      return hand.kind === 'choose' && hand.on === op.on && hand.words === op.words;
    case 'branch':
    case 'close':
    case 'drop':
    case 'guard':
    case 'jump':
    case 'open':
    case 'rest':
    case 'show':
    case undefined:
      return false;
  }
}

/** A key worked instead of the one that was meant, in everything one operation does with it; null where that is no key for it. */
export function withOther(
  program: Program,
  pc: number,
  hand: Hand,
  down: readonly ControlId[],
): Readonly<{ program: Program; instead: ControlId }> | null {
  const op = program.ops[pc];
  if (op?.op === 'press' && op.control !== 'any' && hand.kind === 'down' && hand.control !== op.control) {
    const guard = program.ops[pc + 1];
    const { control } = hand;
    const made = changed(program, pc, { ...op, control });
    const guarded =
      guard?.op === 'guard' && guard.at === op.at
        ? changed(made, pc + 1, { ...guard, of: { control, place: null } })
        : made;
    return { program: guarded, instead: op.control };
  }
  if (
    op?.op === 'list' &&
    op.knob === null &&
    hand.kind === 'down' &&
    hand.control !== op.control &&
    hand.control !== op.back
  )
    return { program: changed(program, pc, { ...op, control: hand.control }), instead: op.control };
  if (op?.op === 'turn' && hand.kind === 'click' && hand.control !== op.control)
    return { program: changed(program, pc, { ...op, control: hand.control }), instead: op.control };
  if ((op?.op !== 'hold' && op?.op !== 'grip') || hand.kind !== 'down') return null;
  const missing = op.grips.find((g) => !down.includes(g.control));
  if (!missing || op.grips.some((g) => g.control === hand.control)) return null;
  const other = { control: hand.control, place: hand.place, sticks: false };
  const swap = (grips: readonly Grip[]) => grips.map((g) => (g.control === missing.control ? other : g));
  const made = changed(program, pc, { ...op, grips: swap(op.grips) });
  const drop = made.ops.findIndex(
    (o, i) => i > pc && o.op === 'drop' && o.grips.some((g) => g.control === missing.control),
  );
  const end = made.ops[drop];
  const whole = op.op === 'grip' && end?.op === 'drop' ? changed(made, drop, { ...end, grips: swap(end.grips) }) : made;
  return { program: whole, instead: missing.control };
}
