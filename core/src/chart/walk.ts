import type { ChartId, NodeId, ParameterId, PartId, SettingId } from '../base/ids.ts';
import type { Quantity } from '../base/quantity.ts';
import { assertNever } from '../base/result.ts';
import type { Chart, ChartNode, NodeOf, VerdictNode } from '../model/chart.ts';
import type { TakenReading } from '../model/taken-reading.ts';
import type { VariantCase } from '../model/values.ts';
import { possible, sameUnder } from './agreed.ts';
import { amountOf, type Parameters } from './band.ts';
import { type Choice, choicesOf, itComesAgain, otherwise, passAfterRemedy } from './choices.ts';
import { compareReadings } from './compare.ts';
import { fillChart } from './fill.ts';
import { earlierReadings } from './measure.ts';
import { remediedBefore, remedyAt } from './remedies.ts';
import type { Step } from './step.ts';

/** An answer given at a node. Measurements answer with their verdict: `pass`, `low`, `high` or `too-close`. */
export type Given = Readonly<{
  /** Left out for the chart the walk began with. */
  chart?: ChartId;
  node: NodeId;
  answer: string;
  reading?: TakenReading | null;
  /** Why the step was not done, where it was passed over by this answer. */
  skipped?: string | null;
}>;

/** What a walk knows besides its answers: what splits go by, what settings stand at, the charts that may be called. */
export type ChartKnown = Readonly<{
  code?: string | null;
  subCode?: string | null;
  /** Variants that are still possible; a split by variant is decided when they all lead the same way. */
  variants?: readonly string[];
  controller?: string | null;
  options?: Readonly<Record<string, string>>;
  parameters?: Parameters;
  /** The values of every variant that is still possible, where the plate leaves several. */
  cases?: readonly VariantCase[];
  settings?: ReadonlyMap<SettingId, number>;
  /** Readings taken before, by step, in the base unit of what is measured there. */
  earlier?: ReadonlyMap<NodeId, number>;
  charts?: (id: ChartId) => Chart | undefined;
  partNames?: ReadonlyMap<PartId, string>;
}>;

/** Why a walk goes no further. */
export type ChartEnd =
  | Readonly<{ kind: 'verdict'; verdict: VerdictNode }>
  /** The same node was come through more often than the chart allows, and nothing says where to go then. */
  | Readonly<{ kind: 'went-round' }>
  | Readonly<{ kind: 'open-end' }>
  | Readonly<{ kind: 'chart-missing'; chart: ChartId }>
  | Readonly<{ kind: 'call-circle'; chart: ChartId }>;

export type ChartWalk = Readonly<{
  /** The chart the walk stands in: the one it began with, or one that was called. */
  chart: Chart;
  /** Where the walk stands now. */
  at: ChartNode;
  path: readonly Step[];
  minutes: number;
  /** The same node was come through more often than the chart allows. */
  wentRound: boolean;
  ended: boolean;
  end: ChartEnd | null;
}>;

type Frame = { chart: Chart; at: ChartNode; visits: Map<NodeId, number>; call: NodeOf<'call'> | null };

const casesOf = ({ parameters = new Map<ParameterId, number>(), cases = [] }: ChartKnown): VariantCase[] =>
  possible({ parameters, cases });

/** The case a split goes by what is known; null where that has to be asked. */
function decided(node: NodeOf<'split'>, known: ChartKnown, own: readonly Step[]): string | null {
  const has = (is: string): boolean => node.cases.some((c) => c.is === is);
  const fallback = node.otherwise ? otherwise : null;
  const pick = (value: string | null | undefined): string | null =>
    value === null || value === undefined ? null : has(value) ? value : fallback;
  switch (node.by.kind) {
    case 'code':
      return pick(known.code);
    case 'sub-code':
      return pick(known.subCode);
    case 'controller':
      return pick(known.controller);
    case 'option':
      return pick(known.options?.[node.by.option]);
    case 'variant': {
      const ways = new Set((known.variants ?? []).map(pick));
      const [way] = ways;
      return ways.size === 1 ? (way ?? null) : null;
    }
    case 'answer': {
      const { by } = node;
      return pick(own.findLast((s) => s.node.id === by.node)?.answer);
    }
    case 'reading': {
      const value = readings(own).get(node.by.node) ?? known.earlier?.get(node.by.node);
      if (value === undefined) return null;
      return sameUnder(casesOf(known), (parameters) => {
        const within = node.cases.find((c) => {
          const least = c.within?.least == null ? Number.NEGATIVE_INFINITY : amountOf(c.within.least, parameters);
          const most = c.within?.most == null ? Number.POSITIVE_INFINITY : amountOf(c.within.most, parameters);
          return least !== null && most !== null && value >= least && value <= most;
        });
        return within?.is ?? fallback;
      });
    }
  }
}

/** The steps gone in one chart: a chart that is called has names of its own for its steps. */
const within = (path: readonly Step[], chart: Chart): Step[] => path.filter((s) => s.chart === chart.id);

/** Readings on a path by node, in base units. */
const readings = (path: readonly Step[]): ReadonlyMap<NodeId, number> =>
  earlierReadings(path.map((s) => ({ node: s.node.id, reading: s.reading })));

/** The readings a walk may go by where it stands, for bands that are about an earlier one. */
export const readingsOnPath = (walk: Pick<ChartWalk, 'path' | 'chart'>): ReadonlyMap<NodeId, number> =>
  readings(within(walk.path, walk.chart));

/**
 * Follows a chart through answers, in order; answers for a node the walk is not at are passed over. What needs nobody
 * goes by itself: splits by what is known, comparisons of readings that were taken, charts that are called and come
 * back. Every walk ends: coming to a node once more than allowed leads to where its retries, or the chart, say.
 */
export function walkChart(chart: Chart, given: readonly Given[], known: ChartKnown = {}): ChartWalk {
  const frames: Frame[] = [];
  const path: Step[] = [];
  let end: ChartEnd | null = null;
  let wentRound = false;
  let minutes = 0;
  const top = (): Frame => frames[frames.length - 1] as Frame;
  const nodeOf = (of: Chart, id: NodeId): ChartNode | undefined => of.nodes.find((n) => n.id === id);

  const enter = (id: NodeId | null): void => {
    const frame = top();
    const node = id === null ? undefined : nodeOf(frame.chart, id);
    if (!node) {
      end = { kind: 'open-end' };
      return;
    }
    const visits = (frame.visits.get(node.id) ?? 0) + 1;
    if (visits <= (node.retries?.times ?? frame.chart.mostVisits)) {
      frame.visits.set(node.id, visits);
      frame.at = node;
      return;
    }
    wentRound = true;
    const after = node.retries ? node.retries.after : (frame.chart.afterRetries ?? null);
    const last = after === null ? undefined : nodeOf(frame.chart, after);
    // where that has been come to before, it would go on going round
    if (!last || frame.visits.has(last.id)) {
      end = { kind: 'went-round' };
      return;
    }
    frame.visits.set(last.id, 1);
    frame.at = last;
  };

  const begin = (of: Chart, call: NodeOf<'call'> | null): void => {
    const first = nodeOf(of, of.start);
    if (!first) throw new Error(`chart ${of.id} has no node ${of.start} to start from`);
    frames.push({ chart: of, at: first, visits: new Map([[first.id, 1]]), call });
  };

  const step = (answer: string, more: Partial<Step> = {}): void => {
    const { at, chart: of } = top();
    path.push({ chart: of.id, node: at, answer, reading: null, byItself: true, skipped: null, ...more });
  };

  /** Goes on by itself as far as nobody has to be asked. */
  const settle = (): void => {
    while (end === null) {
      const frame = top();
      const { at } = frame;
      switch (at.kind) {
        case 'verdict': {
          if (frame.call === null || !comesBack(at, frame.call)) {
            end = { kind: 'verdict', verdict: at };
            return;
          }
          frames.pop();
          const found = at.verdict === 'nothing-found' ? 'nothing found' : 'cause found';
          step(found);
          const { call } = frame;
          enter(found === 'nothing found' ? call.nothingFound : (call.causeFound ?? null));
          break;
        }
        case 'call': {
          const called = known.charts?.(at.chart);
          if (!called || !nodeOf(called, called.start)) {
            end = { kind: 'chart-missing', chart: at.chart };
            return;
          }
          if (frames.some((f) => f.chart.id === called.id)) {
            end = { kind: 'call-circle', chart: called.id };
            return;
          }
          begin(fillChart(called, at.use, known.partNames), at);
          break;
        }
        case 'split': {
          const is = decided(at, known, within(path, frame.chart));
          const choice = choicesOf(at, frame.chart).find((c) => c.answer === is);
          if (!choice) return;
          step(choice.answer);
          enter(choice.next);
          break;
        }
        case 'compare': {
          const compared = compareReadings(at, {
            cases: casesOf(known),
            readings: new Map([...(known.earlier ?? []), ...readings(within(path, frame.chart))]),
            settings: known.settings ?? new Map(),
            quantity: quantityOf(frame.chart, at.reading),
          });
          if (compared === null) return;
          step(compared.verdict, { reading: compared });
          minutes += at.minutes;
          enter(at[compared.verdict]);
          break;
        }
        case 'act':
        case 'ask':
        case 'look':
        case 'measure':
        case 'operate':
        case 'remedies':
        case 'set':
        case 'wait':
          return;
        default:
          assertNever(at);
      }
    }
  };

  begin(chart, null);
  settle();
  for (const one of given) {
    if (end !== null) break;
    const { at, chart: of } = top();
    if (one.node !== at.id || (one.chart ?? chart.id) !== of.id) continue;
    const own = within(path, of);
    const since = at.kind === 'measure' && one.answer === 'pass' ? remediedBefore(own, at) : null;
    const answer = since && at.kind === 'measure' && at.passAfter ? passAfterRemedy : one.answer;
    const choice: Choice | undefined = choicesOf(at, of).find((c) => c.answer === answer);
    if (!choice) continue;
    const isLast = at.kind !== 'remedies' || remedyAt(own, at.id) + 1 >= at.remedies.length;
    step(answer, {
      reading: one.reading ?? null,
      byItself: false,
      skipped: one.skipped ?? null,
      ...(since && { since }),
    });
    minutes += one.skipped ? 0 : at.minutes;
    // the next remedy is the same step: nobody comes there anew
    if (answer === itComesAgain && !isLast) continue;
    enter(choice.again ? at.id : choice.next);
    settle();
  }
  const { at, chart: of } = top();
  return { chart: of, at, path, minutes, wentRound, ended: end !== null, end };
}

/** What a node measures; a count where it measures nothing. */
function quantityOf(chart: Chart, id: NodeId): Quantity {
  const node = chart.nodes.find((n) => n.id === id);
  return node?.kind === 'measure' ? node.quantity : 'count';
}

/** Whether a called chart's verdict goes back to the chart that called it; what ends the case ends it there. */
function comesBack(verdict: VerdictNode, call: NodeOf<'call'>): boolean {
  return verdict.verdict === 'nothing-found' || (verdict.verdict === 'cause-found' && call.causeFound !== undefined);
}

/** Least and most minutes that may still be ahead of a node, each loop counted once. */
export function minutesAhead(chart: Chart, from: NodeId): { least: number; most: number } {
  const byId = new Map(chart.nodes.map((node) => [node.id, node]));
  const known = new Map<NodeId, { least: number; most: number } | 'under way'>();
  const walk = (id: NodeId): { least: number; most: number } | null => {
    const node = byId.get(id);
    const before = known.get(id);
    if (!node || before === 'under way') return null;
    if (before) return before;
    known.set(id, 'under way');
    const ahead = choicesOf(node, chart)
      .flatMap((choice) => (choice.next ? [walk(choice.next)] : []))
      .filter((span) => span !== null);
    const own = node.kind === 'verdict' ? 0 : node.minutes;
    const span = {
      least: own + (ahead.length ? Math.min(...ahead.map((a) => a.least)) : 0),
      most: own + (ahead.length ? Math.max(...ahead.map((a) => a.most)) : 0),
    };
    known.set(id, span);
    return span;
  };
  return walk(from) ?? { least: 0, most: 0 };
}
