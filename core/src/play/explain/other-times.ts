import type { ControlId } from '../../base/ids.ts';
import type { Miss, MissCode } from '../attempt-state.ts';
import type { Op, Program } from '../op.ts';
import { changed, spliced } from './program-edit.ts';
import type { RanOver } from './run-over.ts';
import type { Death, Edit, Variation } from './variation.ts';

const free = { leastMs: 0, usualMs: 0, mostMs: null };

/** What is not done at its time: a rest cut short, a hold let go, a window overrun. The time is given up, all else stays. */
export function otherTimes({ program, ran, miss, hands }: Death): Variation[] {
  const { pc } = ran.attempt;
  const op = program.ops[pc];
  const one = (code: MissCode, cost: number, made: Program, rest: Partial<Edit> = {}): Variation => ({
    program: made,
    skips: [],
    powered: false,
    edit: { code, at: miss.at, byMs: miss.byMs, facts: {}, cost, nth: miss.nth, ...rest },
  });
  const atUp = (controls: readonly ControlId[]): number | null =>
    hands.slice(ran.index).find((h) => h.kind === 'up' && controls.includes(h.control))?.at ?? null;
  switch (miss.code) {
    case 'too-early':
      return op?.op === 'rest' ? [one('too-early', 0.7, changed(program, pc, { ...op, leastMs: 0 }))] : [];
    case 'before-sign':
      return op?.op === 'show'
        ? [one('before-sign', 0.7, changed(program, pc, { ...op, delayMs: 0, must: false }))]
        : [];
    case 'before-window':
      return op?.op === 'open'
        ? [one('before-window', 0.7, changed(program, pc, { ...op, from: { kind: 'step-before' } }))]
        : [];
    case 'let-go-early':
      return letGoEarly(program, ran, miss, one);
    case 'let-go-late':
    case 'held-too-long': {
      if (op?.op !== 'hold' && op?.op !== 'drop') return [];
      const up = atUp(op.grips.map((g) => g.control));
      const due =
        op.op === 'hold'
          ? ran.attempt.since + (op.sign ? (op.sign.nth + 1) * op.sign.gapMs : (op.mostMs ?? 0))
          : ran.attempt.heldSince + (op.mostMs ?? 0);
      const byMs = miss.byMs ?? (up === null ? null : up - due);
      return [one(miss.code, 0.7, changed(program, pc, { ...op, ...free, sign: null }), { byMs })];
    }
    case 'not-together':
      return op?.op === 'hold'
        ? [one(miss.code, 0.8, changed(program, pc, { ...op, withinMs: Number.POSITIVE_INFINITY }))]
        : [];
    case 'too-late': {
      const rest = program.ops.findLastIndex((o, i) => i < pc && o.op === 'rest' && o.mostMs !== null);
      const was = program.ops[rest];
      return was?.op === 'rest' ? [one('too-late', 0.7, changed(program, rest, { ...was, mostMs: null }))] : [];
    }
    case 'after-window': {
      const at = hands[ran.index]?.at ?? 0;
      const window = ran.attempt.windows.findIndex((limit) => at > limit);
      const open = program.ops.findLastIndex((o, i) => i <= pc && o.op === 'open' && o.window === window);
      const was = program.ops[open];
      const limit = ran.attempt.windows[window];
      if (was?.op !== 'open' || limit === undefined) return [];
      const made = changed(program, open, { ...was, mostMs: Number.POSITIVE_INFINITY });
      return [one('after-window', 0.7, made, { window: { window, openedAt: limit - was.mostMs, mostMs: was.mostMs } })];
    }
    case 'held-not-pressed':
      return op?.op === 'press'
        ? [
            one(
              'held-not-pressed',
              0.7 + Math.min(0.6, (miss.byMs ?? 0) / 10_000),
              changed(program, pc, { ...op, anyLength: true }),
            ),
          ]
        : [];
    case 'other-control':
    case 'other-place':
    case 'other-way':
    case 'other-choice':
    case 'one-too-many':
    case 'too-few':
    case 'left-out':
    case 'swapped':
    case 'unfinished':
    case 'no-power':
    case 'other-mode':
    case 'not-now':
    case 'deaf':
      return [];
  }
}

type One = (code: MissCode, cost: number, made: Program, rest?: Partial<Edit>) => Variation;

function letGoEarly(program: Program, ran: RanOver, miss: Miss, one: One): Variation[] {
  const { pc } = ran.attempt;
  const op = program.ops[pc];
  if (op?.op === 'hold') {
    const share = op.leastMs > 0 && miss.byMs !== null ? miss.byMs / op.leastMs : 0.5;
    return [one('let-go-early', 0.55 + 0.5 * share, changed(program, pc, { ...op, ...free, sign: null }))];
  }
  if (op?.op === 'drop') return [one('let-go-early', 0.7, changed(program, pc, { ...op, ...free, sign: null }))];
  // let go in the middle of what is done the while: as if it might be let go any time
  const drop = program.ops.findIndex((o, i) => i > pc && o.op === 'drop');
  const end = program.ops[drop];
  if (end?.op !== 'drop') return [];
  const own = end.grips[0]?.control;
  const grip = program.ops.findLastIndex(
    (o, i) => i <= pc && o.op === 'grip' && o.grips.some((g) => g.control === own),
  );
  const begin = program.ops[grip];
  if (begin?.op !== 'grip') return [];
  const hold: Op = { op: 'hold', at: begin.at, grips: begin.grips, sign: null, ...free };
  return [
    one('let-go-early', 0.9, spliced(changed(program, grip, hold), drop, drop + 1, []), { byMs: null, at: begin.at }),
  ];
}
