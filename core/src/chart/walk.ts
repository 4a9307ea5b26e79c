import type { NodeId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Chart, ChartNode } from './model.ts';

/** An answer given at a node. Measurements answer with their verdict: `pass`, `low`, `high` or `too-close`. */
export type Given = Readonly<{ node: NodeId; answer: string }>;

export type Choice = Readonly<{ answer: string; next: NodeId | null }>;

/** The answers a node takes and where each leads; null leads back to the node itself. A verdict has none. */
export function choicesOf(node: ChartNode): Choice[] {
  switch (node.kind) {
    case 'look':
      return [
        { answer: 'yes', next: node.yes },
        { answer: 'no', next: node.no },
        ...(node.cannotTell ? [{ answer: 'cannot tell', next: node.cannotTell }] : []),
      ];
    case 'ask':
    case 'operate':
      return node.answers.map(({ answer, next }) => ({ answer, next }));
    case 'measure':
      return [
        { answer: 'pass', next: node.pass },
        { answer: 'low', next: node.low },
        { answer: 'high', next: node.high },
        { answer: 'too-close', next: node.tooClose ?? null },
      ];
    case 'act':
    case 'wait':
      return [{ answer: 'done', next: node.next }];
    case 'verdict':
      return [];
    default:
      return assertNever(node);
  }
}

export type ChartWalk = Readonly<{
  /** Where the walk stands now. */
  at: ChartNode;
  path: readonly Given[];
  minutes: number;
  /** The same node was come through more often than the chart allows. */
  wentRound: boolean;
  ended: boolean;
}>;

/** Follows a chart through answers, in order; answers for a node the walk is not at are passed over. */
export function walkChart(chart: Chart, given: readonly Given[]): ChartWalk {
  const byId = new Map(chart.nodes.map((node) => [node.id, node]));
  let at = byId.get(chart.start);
  if (!at) throw new Error(`chart ${chart.id} has no node ${chart.start} to start from`);
  const visits = new Map<NodeId, number>([[at.id, 1]]);
  const path: Given[] = [];
  let minutes = 0;
  for (const one of given) {
    if (one.node !== at.id) continue;
    const choice: Choice | undefined = choicesOf(at).find((c) => c.answer === one.answer);
    const next: ChartNode | undefined = choice?.next ? byId.get(choice.next) : at;
    if (!choice || !next) continue;
    path.push(one);
    minutes += at.minutes;
    at = next;
    visits.set(at.id, (visits.get(at.id) ?? 0) + 1);
  }
  return {
    at,
    path,
    minutes,
    wentRound: [...visits.values()].some((n) => n > chart.mostVisits),
    ended: at.kind === 'verdict',
  };
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
    const ahead = choicesOf(node)
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
