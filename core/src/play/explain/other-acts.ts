import { calledAlike } from '../../unit/look-alike-controls.ts';
import { controlOfOp, countOf, type Hand, isAct, type Program } from '../op.ts';
import { type Block, begins, blockAt, changed, counting, roundAt, spliced, withOther } from './program-edit.ts';
import type { Death, Edit, Variation } from './variation.ts';

const more = (n: number): number => Math.min(1.2, 0.2 * (n - 1));

/** What is done otherwise: another key, the other way, a count, a step left out, two swapped, one done twice, one too many. */
export function otherActs(death: Death): Variation[] {
  const { program, ran, miss, hands, facts, before } = death;
  const hand = hands[ran.index];
  const { ops } = program;
  const { pc, count } = ran.attempt;
  const next = ops.findIndex((o, i) => i >= pc && isAct(o) && o.op !== 'drop');
  const out: Variation[] = [];
  const put: Put = (edit, made, skips = [], powered = false) => {
    if (made !== null)
      out.push({
        program: made,
        skips,
        powered,
        edit: { at: ops[next]?.at ?? miss.at, byMs: null, facts: {}, ...edit },
      });
  };
  const op = ops[next];
  const counted = countOf(op);
  if (op?.op === 'list' && miss.code === 'one-too-many' && miss.did !== undefined) {
    const facts = { meant: op.entries, did: miss.did };
    put({ code: 'one-too-many', cost: 0.9 + more(miss.did - op.entries), facts }, counting(program, pc, miss.did));
    return out;
  }
  if (op && next === pc && counted !== null && count > 0 && count < counted)
    put(
      { code: 'too-few', cost: 0.9 + more(counted - count), facts: { meant: counted, did: count } },
      fewer(program, pc, count),
    );
  if (!hand) return out;
  if (hand.kind === 'up') {
    // what was let go of may have been meant for something else
    const down = hands.slice(0, ran.index).findLast((h) => h.kind === 'down' && h.control === hand.control);
    if (!down || !op) return out;
    leftOut(death, next, put);
    swapped(death, next, down, put);
    doneTwice(death, down, put);
    return out;
  }

  if (op && next >= 0) {
    const worked = hand.kind === 'choose' ? null : hand.control;
    const other = next === pc && count > 0 ? null : withOther(program, next, hand, next === pc ? ran.attempt.down : []);
    if (other && worked !== null) {
      const again = before.some((e) => e.code === 'other-control' && e.facts.control === worked);
      const cost = again ? 0.3 : 1.2 - (calledAlike(facts, worked, other.instead) ? 0.25 : 0);
      put({ code: 'other-control', cost, facts: { control: worked, instead: other.instead } }, other.program);
    }
    if (op.op === 'turn' && hand.kind === 'click' && hand.control === op.control && hand.way !== op.way) {
      const again = before.some((e) => e.code === 'other-way');
      put({ code: 'other-way', cost: again ? 0.3 : 0.8 }, changed(program, next, { ...op, way: hand.way }));
    }
    if (op.op === 'set' && (hand.kind === 'set' || hand.kind === 'down') && hand.control === op.control) {
      const to = hand.kind === 'set' ? hand.to : hand.place;
      if (to !== null && to !== op.to)
        put(
          { code: 'other-place', cost: 0.9, facts: { control: op.control, place: to, wanted: op.to } },
          changed(program, next, { ...op, to }),
        );
    }
    if (op.op === 'choose' && hand.kind === 'choose' && hand.on === op.on)
      put({ code: 'other-choice', cost: 1 }, changed(program, next, { ...op, words: hand.words }));
    if (op.op !== 'rest') leftOut(death, next, put);
    swapped(death, next, hand, put);
  }
  doneTwice(death, hand, put);
  paused(death, put);
  const stray = sameAgain(hands, ran.index, hand);
  const left = hands[stray.at.at(-1) ?? ran.index];
  const own = left?.kind === 'set' ? facts.controls.get(left.control) : undefined;
  // whoever switches it off and goes on goes on without supply
  if (own && left?.kind === 'set' && own.powersAt.size > 0 && !own.powersAt.has(left.to))
    put({ code: 'no-power', cost: 0.9, facts: { control: left.control, place: left.to } }, program, stray.at, true);
  put(
    {
      code: 'other-control',
      cost: 1.5 + more(stray.acts),
      ...(hand.kind !== 'choose' && { facts: { control: hand.control } }),
    },
    program,
    stray.at,
  );
  return out;
}

type Put = (
  edit: Partial<Edit> & Pick<Edit, 'code' | 'cost'>,
  made: Program | null,
  skips?: readonly number[],
  powered?: boolean,
) => void;

/** So many done where more were meant, and what came then is the next thing. */
function fewer(program: Program, pc: number, count: number): Program {
  const made = counting(program, pc, count);
  // nothing more is waited for
  const guard = made.ops[pc + 1];
  return guard?.op === 'guard' ? spliced(made, pc + 1, pc + 2, []) : made;
}

function leftOut({ program, ran }: Death, next: number, put: Put): void {
  const { ops } = program;
  const { count, pc } = ran.attempt;
  // a way of which nothing is left is no account of anything
  if ((next === pc && count > 0) || (program.acts.at(-1) ?? 0) <= 1) return;
  const cut = (block: Block): Program => {
    // a count before it goes on with what comes after
    const from = ops[block.from - 1]?.op === 'guard' ? block.from - 1 : block.from;
    return spliced(program, from, block.to, []);
  };
  const block = blockAt(ops, next);
  put({ code: 'left-out', cost: 1.25 }, cut(block));
  if (ops[next]?.op === 'grip') {
    // only the keeping was left out, what is done the while was not
    const inner = block.to - 1;
    put({ code: 'left-out', cost: 1.3 }, spliced(spliced(program, inner, inner + 1, []), next, next + 1, []));
  }
  const round = roundAt(ops, next);
  const own = ops[next]?.round;
  if (!round || !own || own.n === 0 || ops.slice(round.from, next).some(isAct)) return;
  const end = ops.findLastIndex((o) => o.round?.at === own.at) + 1;
  const missing = own.of - own.n;
  put(
    { code: 'too-few', at: own.at, cost: 0.95 + more(missing), facts: { meant: own.of, did: own.n } },
    cut({ from: round.from, to: ops[end]?.op === 'guard' ? end + 1 : end }),
  );
}

function swapped({ program, ran, facts }: Death, next: number, hand: Hand, put: Put): void {
  const { ops } = program;
  const { count, pc } = ran.attempt;
  if (next === pc && count > 0) return;
  const first = blockAt(ops, next);
  const second = ops.findIndex((o, i) => i >= first.to && isAct(o));
  const b = ops[second];
  if (!b || !begins(b, hand)) return;
  const other = blockAt(ops, second);
  const between = ops.slice(first.to, other.from);
  const order = [...ops.slice(other.from, other.to), ...between, ...ops.slice(first.from, first.to)];
  const a = ops[next];
  // what should have come after the supply was done without it
  const powered = a?.op === 'set' && (facts.controls.get(a.control)?.powersAt.size ?? 0) > 0;
  put(
    { code: 'swapped', cost: 1.35, facts: { other: b.at } },
    spliced(program, first.from, other.to, order),
    [],
    powered,
  );
}

/** What was done already, done once more. */
function doneTwice(death: Death, hand: Hand, put: Put): void {
  const { program, ran } = death;
  const { ops } = program;
  const { pc } = ran.attempt;
  const last = ops.findLastIndex((o, i) => i < pc && isAct(o) && o.op !== 'rest' && o.op !== 'drop');
  const op = ops[last];
  if (op && begins(op, hand)) {
    const meant = countOf(op) ?? 1;
    const made =
      countOf(op) !== null ? counting(program, last, meant + 1) : spliced(program, pc, pc, ops.slice(last, last + 1));
    const again = death.before.at(-1);
    const more = again?.code === 'one-too-many' && again.at === op.at;
    put({ code: 'one-too-many', at: op.at, cost: more ? 0.2 : 0.95, facts: { meant, did: meant + 1 } }, made);
  }
  const round = op?.round;
  if (!op || !round || round.n !== round.of - 1) return;
  const whole = roundAt(ops, last);
  if (!whole || !begins(ops.slice(whole.from, whole.to).find(isAct), hand)) return;
  const again = ops.slice(whole.from, whole.to);
  put(
    { code: 'one-too-many', at: round.at, cost: 0.95, facts: { meant: round.of, did: round.of + 1 } },
    spliced(program, whole.to, ops[whole.to]?.op === 'guard' ? whole.to + 1 : whole.to, again),
  );
}

/** So long in the middle of a count, and somebody may have thought it was done. */
const pauseMs = 1200;

/** A count with a pause in it, as if it had ended there: what came after the pause was meant for something else. */
function paused({ program, ran, hands }: Death, put: Put): void {
  const { ops } = program;
  const p = ops.findLastIndex((o, i) => i < ran.attempt.pc && (o.op === 'press' || o.op === 'turn'));
  const op = ops[p];
  const meant = countOf(op) ?? 0;
  const from = p > 0 ? (ran.passedAt[p - 1] ?? 0) : 0;
  const till = ran.passedAt[p];
  if (!op || meant < 2 || till === undefined) return;
  const own = controlOfOp(op);
  const at = hands.flatMap((h) =>
    (h.kind === 'down' || h.kind === 'click') && (own === 'any' || h.control === own) && h.at >= from && h.at <= till
      ? [h.at]
      : [],
  );
  const did = at.findIndex((t, i) => t - (at[i - 1] ?? t) >= pauseMs);
  if (did > 0 && did < meant)
    put({ code: 'too-few', at: op.at, cost: 0.95 + more(meant - did), facts: { meant, did } }, fewer(program, p, did));
}

/** The hands that do the same as one, in a row, with those that let go of it. */
function sameAgain(hands: readonly Hand[], index: number, hand: Hand): { at: number[]; acts: number } {
  const at: number[] = [];
  let acts = 0;
  for (let i = index; i < hands.length; i += 1) {
    const h = hands[i];
    const same = h && h.kind !== 'choose' && hand.kind !== 'choose' && h.control === hand.control;
    if (!h || (!same && i > index)) break;
    at.push(i);
    if (h.kind !== 'up') acts += 1;
  }
  return { at, acts };
}
