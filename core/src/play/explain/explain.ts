import type { ControlId } from '../../base/ids.ts';
import type { Miss, MissCode } from '../attempt-state.ts';
import { countOf, type Hand, isAct, type Op, type Program } from '../op.ts';
import { type RanOver, runOver, type Standing, standingAt } from './run-over.ts';
import type { Edit } from './variation.ts';
import { variations } from './variations.ts';

/** What costs so much more than the likeliest is not told beside it. */
const nearlyAsLikely = 1.5;

/** A program a try is held against, and what was wrong with it before the first hand. */
export type Candidate = Readonly<{ program: Program; wrong: Edit | null }>;
/** What a try was, beside one program: what was otherwise, the first thing first, and how unlikely that is. */
export type Explained = Readonly<{ miss: Miss; cost: number }>;

/** So many things otherwise in one try are looked for, and so many programs run for it. */
const mostEdits = 3;
const mostRuns = 40;
/** After so long without a hand somebody may have begun anew. */
const anewMs = 1500;
/** So long it takes at the least to see what one was told. */
const readMs = 800;

/** A candidate with the likeliest account beside it, from a hand on. */
export type Account<T extends Candidate> = Readonly<{ candidate: T; explained: Explained; from: number }>;

type Node = Readonly<{
  program: Program;
  skips: readonly number[];
  powered: boolean;
  edits: readonly Edit[];
  cost: number;
}>;
type End = Readonly<{ node: Node; ran: RanOver; cost: number; edits: readonly Edit[] }>;

const actsIn = (hands: readonly Hand[]): number => hands.filter((h) => h.kind !== 'up').length;

/** What is still to be done, in acts; a count that is begun counts as one. */
const undone = (program: Program, ran: RanOver): number =>
  ran.end === 'took' ? 0 : Math.ceil((program.acts.at(-1) ?? 0) - ran.done);

/** Whether operations are all that is done of their step, and not the end of it only. */
function isWhole(program: Program, rest: readonly Op[]): boolean {
  const step = rest[0]?.at.split('.')[0];
  return program.ops.filter((o) => isAct(o) && o.at.split('.')[0] === step).length === rest.length;
}

/** Where nothing more was done though something was left: a count cut short, the last step forgotten, or simply not finished. */
function cutShort(program: Program, ran: RanOver): Edit | null {
  const left = undone(program, ran);
  if (ran.end !== 'open' || left === 0) return null;
  const { pc, count } = ran.attempt;
  const op: Op | undefined = program.ops[pc];
  const meant = countOf(op) ?? 0;
  const at = program.ops.find((o, i) => i >= pc && isAct(o))?.at ?? op?.at ?? '';
  const edit = { at, byMs: null, facts: {} };
  // in the middle of its last count it was one too few; before that somebody simply stopped
  const counted = { meant, did: count };
  if (count > 0 && meant > 0)
    return left <= 1
      ? { ...edit, code: 'too-few', facts: counted, cost: 0.9 + Math.min(1, 0.2 * (meant - count - 1)) }
      : { ...edit, code: 'unfinished', facts: counted, cost: 1 + 0.15 * left };
  const round = op?.round;
  const inRound = (o: Op): boolean => o.round?.at === round?.at;
  const begun = program.ops.slice(0, pc).some((o) => inRound(o) && o.round?.n === round?.n && isAct(o));
  const isLast = round !== undefined && program.ops.slice(pc).filter(isAct).every(inRound);
  if (round && round.n > 0 && !begun && isLast)
    return { ...edit, code: 'too-few', at: round.at, facts: { meant: round.of, did: round.n }, cost: 0.95 };
  // all that is left is one step
  const rest = program.ops.slice(pc).filter(isAct);
  const steps = new Set(rest.map((o) => o.at.split('.')[0]));
  const whole = new Set(rest.map((o) => o.at)).size === 1 ? at : (at.split('.')[0] ?? at);
  const isKeep = rest[0]?.op === 'grip' && steps.size === 1 && isWhole(program, rest);
  return rest.length === 1 || isKeep
    ? { ...edit, at: whole, code: 'left-out', cost: 1.25 }
    : { ...edit, code: 'unfinished', cost: 1 + 0.15 * left };
}

/** Misses that lie in the time alone: what was done was right. */
const byTime: ReadonlySet<MissCode> = new Set([
  'too-early',
  'too-late',
  'before-sign',
  'before-window',
  'after-window',
  'let-go-early',
  'let-go-late',
  'held-too-long',
  'not-together',
]);

/** A node run to its end: what it costs to take it for what was meant. */
function ending(node: Node, ran: RanOver, hands: readonly Hand[], gaveUp: boolean): End {
  const { program, edits } = node;
  const left = undone(program, ran);
  if (ran.end === 'open') {
    const short = cutShort(program, ran);
    // who has gone wrong often stops there, though not in the middle of a count; where the unit gave up, everybody does
    const stopped = (left > 0 ? Math.min(1, 0.4 + 0.1 * left) : 0) + (short?.code === 'too-few' ? 0.5 : 0);
    const stops = gaveUp ? Math.min(0.3, 0.05 * left) : stopped;
    const cost = edits.length === 0 ? (short?.cost ?? 0) : stops;
    return { node, ran, cost: node.cost + cost, edits: edits.length === 0 && short ? [short] : edits };
  }
  const rest = actsIn(hands.slice(ran.left));
  // had nothing been otherwise it would have been taken
  const nothing = edits.length === 0 ? 1.5 : 0;
  if (ran.end === 'took') return { node, ran, cost: node.cost + nothing + 0.5 * rest, edits };
  const miss = ran.miss;
  const raw: Edit[] = miss
    ? [{ code: miss.code, at: miss.at, byMs: miss.byMs, facts: factsOf(miss), cost: 1.1, nth: miss.nth }]
    : [];
  return { node, ran, cost: node.cost + 1.1 + 0.35 * rest + 0.05 * left, edits: [...edits, ...raw] };
}

function factsOf({ code: _c, at: _a, byMs: _b, nth: _n, done: _d, of: _o, also: _s, ...facts }: Miss) {
  return facts;
}

/** How much of a window's steps was done when it was left, in single acts, of how many. */
function shareIn(program: Program, ran: RanOver, window: number): number {
  const open = program.ops.findIndex((o) => o.op === 'open' && o.window === window);
  const close = program.ops.findIndex((o) => o.op === 'close' && o.window === window);
  const weight = (op: Op): number => countOf(op) ?? (isAct(op) ? 1 : 0);
  let done = 0;
  let all = 0;
  program.ops.slice(open, close).forEach((op, i) => {
    const w = weight(op);
    all += w;
    if (open + i < ran.attempt.pc || ran.end === 'took') done += w;
    else if (open + i === ran.attempt.pc) done += Math.min(w, ran.attempt.count);
  });
  return all === 0 ? 1 : done / all;
}

/** How long a window's steps took in all, or would have taken at that pace, beside how long they may. */
function measured(edit: Edit, { node, ran }: End, hands: readonly Hand[]): Edit {
  if (!edit.window) return edit;
  const { window, openedAt, mostMs } = edit.window;
  const { program } = node;
  const close = program.ops.findIndex((o) => o.op === 'close' && o.window === window);
  const lastAct = program.ops.findLastIndex((o, i) => i < close && isAct(o));
  const endedAt = ran.passedAt[lastAct];
  const last = hands
    .slice(0, Math.min(hands.length, ran.index + 1))
    .findLast((h) => !node.skips.includes(hands.indexOf(h)));
  const tookMs = (endedAt ?? last?.at ?? openedAt) - openedAt;
  const share = endedAt === undefined ? Math.max(0.05, shareIn(program, ran, window)) : 1;
  const wholeMs = Math.max(tookMs / share, mostMs);
  return { ...edit, byMs: wholeMs - mostMs, facts: { ...edit.facts, wholeMs, allowedMs: mostMs } };
}

/** Takes the likeliest of what is still to be looked at. */
function takeLeast(open: Node[]): Node | undefined {
  let least = 0;
  for (let i = 1; i < open.length; i += 1) if ((open[i]?.cost ?? 0) < (open[least]?.cost ?? 0)) least = i;
  const node = open[least];
  const last = open.pop();
  if (last && node !== last) open[least] = last;
  return node;
}

/** The likeliest account of some hands beside one program: what was otherwise that would have made it take them. */
function explainOne(
  candidate: Candidate,
  {
    standing,
    hands,
    until,
    most,
  }: Readonly<{ standing: Standing; hands: readonly Hand[]; until: number; most: number }>,
): Explained | null {
  const placeOf = (c: ControlId): string | undefined => standing.places.get(c);
  const { wrong } = candidate;
  const open: Node[] = [
    {
      program: candidate.program,
      skips: [],
      powered: wrong?.code === 'no-power',
      edits: wrong ? [wrong] : [],
      cost: wrong?.cost ?? 0,
    },
  ];
  let best: End | null = null;
  // the very last thing done was what the unit gave up at
  const lastAct = hands.findLastIndex((h) => h.kind !== 'up');
  let gaveUp = false;
  for (let runs = 0; runs < mostRuns; runs += 1) {
    const node = takeLeast(open);
    if (!node || node.cost >= Math.min(best?.cost ?? most, most)) break;
    const { program, skips, powered } = node;
    const ran = runOver({ program, standing, hands, skipped: new Set(skips), powered, until });
    if (runs === 0) gaveUp = ran.miss !== null && byTime.has(ran.miss.code) && ran.index >= lastAct;
    const end = ending(node, ran, hands, gaveUp);
    if (!best || end.cost < best.cost) best = end;
    if (ran.end !== 'died' || !ran.miss || node.edits.length >= mostEdits) continue;
    const facts = standing.facts;
    for (const v of variations({ program, ran, miss: ran.miss, hands, facts, before: node.edits }, placeOf)) {
      if (node.cost + v.edit.cost >= Math.min(best.cost, most)) continue;
      open.push({
        program: v.program,
        skips: [...skips, ...v.skips],
        powered: powered || v.powered,
        edits: joined(node.edits, v.edit),
        cost: node.cost + v.edit.cost,
      });
    }
  }
  if (!best) return null;
  const end: End = best;
  const of = candidate.program.acts.at(-1) ?? 0;
  const misses = end.edits.map((e): Miss => {
    const { code, at, byMs, facts } = measured(e, end, hands);
    return { code, at, byMs, nth: e.nth ?? end.ran.attempt.count + 1, done: Math.min(end.ran.done, of), of, ...facts };
  });
  const [first, ...also] = misses;
  const nothing: Miss = { code: 'unfinished', at: '', byMs: null, nth: 1, done: 0, of };
  return { miss: { ...(first ?? nothing), ...(also.length > 0 && { also }) }, cost: end.cost };
}

/** Two counts too many in a row are one miss. */
function joined(edits: readonly Edit[], next: Edit): readonly Edit[] {
  const last = edits.at(-1);
  if (last?.code !== 'one-too-many' || next.code !== 'one-too-many' || last.at !== next.at) return [...edits, next];
  return [...edits.slice(0, -1), { ...next, facts: { ...next.facts, meant: last.facts.meant ?? 0 } }];
}

/** Where somebody may have begun anew: after a while in which nothing was down and nothing was done, or once they were told. */
function freshStarts(hands: readonly Hand[], told: number): number[] {
  const down = new Set<ControlId>();
  const starts = [0];
  hands.forEach((hand, i) => {
    const before = hands[i - 1];
    const pause = before !== undefined && hand.at - before.at >= (i === told ? readMs : anewMs);
    if (i > 0 && pause && down.size === 0 && hand.kind !== 'up') starts.push(i);
    if (hand.kind === 'down') down.add(hand.control);
    if (hand.kind === 'up') down.delete(hand.control);
  });
  return [0, ...starts.slice(1).slice(-3)];
}

/** How unlikely it is that somebody begins anew there: the longer nothing was done, the likelier. */
function anewCost(hands: readonly Hand[], from: number, told: number): number {
  const pause = (hands[from]?.at ?? 0) - (hands[from - 1]?.at ?? 0);
  return pause >= 8000 ? 0.1 : pause >= 4000 || from === told ? 0.3 : 0.6;
}

/**
 * The likeliest account of a try beside each candidate: of the whole of it, or of what was done since somebody may have
 * begun anew. `told` is how many of the hands they were told of. `candidatesAt` gives the candidates as the unit stood before the hand at an index.
 */
export function explainTry<T extends Candidate>(
  hands: readonly Hand[],
  standing: Standing,
  until: number,
  told: number,
  candidatesAt: (index: number) => readonly T[],
): Array<Account<T>> {
  const all: Array<Account<T>> = [];
  // what is much less likely than what was found already is not looked at any further
  let least = Number.POSITIVE_INFINITY;
  for (const [i, from] of freshStarts(hands, told).entries()) {
    const anew = i === 0 ? 0 : anewCost(hands, from, told);
    const asked = { standing: standingAt(standing, hands, from), hands: hands.slice(from), until };
    for (const candidate of candidatesAt(from)) {
      const one = explainOne(candidate, { ...asked, most: least + nearlyAsLikely - anew });
      if (!one) continue;
      const cost = one.cost + anew;
      least = Math.min(least, cost);
      all.push({ candidate, from, explained: { miss: one.miss, cost } });
    }
  }
  return all
    .filter((a) => a.explained.cost <= least + nearlyAsLikely)
    .sort((a, b) => a.explained.cost - b.explained.cost);
}
