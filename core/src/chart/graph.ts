import type { NodeId, PartId } from '../base/ids.ts';
import { choicesOf, otherwise, targetsOf } from './choices.ts';
import type { Chart, ChartNode } from './model.ts';

/** A chart as its linter walks it: every node once, what leads where, by index. */
export type ChartGraph = Readonly<{
  chart: Chart;
  nodes: readonly ChartNode[];
  indexOf: ReadonlyMap<NodeId, number>;
  /** Nodes each answer leads to, without retries and the chart's own default for them. */
  next: ReadonlyArray<readonly number[]>;
  start: number;
}>;

export function chartGraph(chart: Chart): ChartGraph {
  const indexOf = new Map(chart.nodes.map((n, i) => [n.id, i] as const));
  const next = chart.nodes.map((n) => [
    ...new Set(
      choicesOf(n, chart).flatMap((c) => {
        const at = c.next === null ? undefined : indexOf.get(c.next);
        return at === undefined ? [] : [at];
      }),
    ),
  ]);
  return { chart, nodes: chart.nodes, indexOf, next, start: indexOf.get(chart.start) ?? -1 };
}

/** Nodes some answers, retries or defaults lead to from the start. */
export function reachedNodes(graph: ChartGraph): ReadonlySet<number> {
  const reached = new Set<number>();
  const open = graph.start < 0 ? [] : [graph.start];
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    if (reached.has(at)) continue;
    reached.add(at);
    const node = graph.nodes[at];
    if (!node) continue;
    for (const id of targetsOf(node, graph.chart)) {
      const to = graph.indexOf.get(id);
      if (to !== undefined) open.push(to);
    }
  }
  const last = graph.chart.afterRetries === undefined ? undefined : graph.indexOf.get(graph.chart.afterRetries);
  if (last !== undefined && reached.size > 0) reached.add(last);
  return reached;
}

/** Nodes from which some answers lead to a verdict. */
export function endingNodes(graph: ChartGraph): ReadonlySet<number> {
  const before: number[][] = graph.nodes.map(() => []);
  graph.next.forEach((to, from) => {
    for (const t of to) before[t]?.push(from);
  });
  const ending = new Set<number>();
  // a call may end in a verdict of the chart it calls
  const open = graph.nodes.flatMap((n, i) => (n.kind === 'verdict' || n.kind === 'call' ? [i] : []));
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    if (ending.has(at)) continue;
    ending.add(at);
    open.push(...(before[at] ?? []));
  }
  return ending;
}

/** Groups of nodes that lead round to each other, each group in the chart's order; a node that leads to itself is one. */
export function roundsOf(graph: ChartGraph): number[][] {
  const order: number[] = [];
  const seen = new Set<number>();
  // strongly connected groups by two passes: finish order forwards, then gathered backwards
  const visit = (from: number, next: ReadonlyArray<readonly number[]>, into: number[]): void => {
    const stack: Array<[number, number]> = [[from, 0]];
    seen.add(from);
    while (stack.length > 0) {
      const top = stack[stack.length - 1] as [number, number];
      const to = next[top[0]]?.[top[1]++];
      if (to === undefined) {
        into.push(top[0]);
        stack.pop();
      } else if (!seen.has(to)) {
        seen.add(to);
        stack.push([to, 0]);
      }
    }
  };
  graph.nodes.forEach((_, i) => {
    if (!seen.has(i)) visit(i, graph.next, order);
  });
  const before: number[][] = graph.nodes.map(() => []);
  graph.next.forEach((to, from) => {
    for (const t of to) before[t]?.push(from);
  });
  seen.clear();
  const rounds: number[][] = [];
  for (const from of order.reverse()) {
    if (seen.has(from)) continue;
    const group: number[] = [];
    visit(from, before, group);
    if (group.length > 1 || graph.next[from]?.includes(from)) rounds.push(group.sort((a, b) => a - b));
  }
  return rounds;
}

/** Most states of answers remembered that are gone through before giving up. */
const mostStates = 20_000;

/**
 * Nodes that answers can lead to when splits by an earlier answer are held to what was answered on the way. Only the
 * answers such splits go by are remembered. Null where there are too many states to go through.
 */
export function feasibleNodes(graph: ChartGraph): ReadonlySet<number> | null {
  const watched = graph.nodes.flatMap((n) => (n.kind === 'split' && n.by.kind === 'answer' ? [n.by.node] : []));
  if (watched.length === 0) return null;
  const slots = [...new Set(watched)];
  const found = new Set<number>();
  const seen = new Set<string>();
  const open: Array<[number, string[]]> = graph.start < 0 ? [] : [[graph.start, slots.map(() => '')]];
  for (let state = open.pop(); state; state = open.pop()) {
    const [at, memory] = state;
    const key = `${at}|${memory.join('|')}`;
    if (seen.has(key)) continue;
    seen.add(key);
    if (seen.size > mostStates) return null;
    found.add(at);
    const node = graph.nodes[at];
    if (!node) continue;
    const slot = slots.indexOf(node.id);
    const remembered = node.kind === 'split' && node.by.kind === 'answer' ? memory[slots.indexOf(node.by.node)] : '';
    for (const choice of choicesOf(node, graph.chart)) {
      const is = node.kind === 'split' && remembered ? splitWay(node, remembered) : null;
      if (is !== null && choice.answer !== is) continue;
      const to = choice.next === null ? undefined : graph.indexOf.get(choice.next);
      if (to !== undefined) open.push([to, memory.map((m, i) => (i === slot ? choice.answer : m))]);
    }
    const after = node.retries?.after ?? graph.chart.afterRetries;
    const last = after ? graph.indexOf.get(after) : undefined;
    if (last !== undefined) open.push([last, memory]);
  }
  return found;
}

const splitWay = (node: Extract<ChartNode, { kind: 'split' }>, remembered: string): string =>
  node.cases.some((c) => c.is === remembered) ? remembered : otherwise;

/** Causes that verdicts ahead of a node may still name. */
export function causesAhead(chart: Chart, from: NodeId): ReadonlySet<PartId> {
  const graph = chartGraph(chart);
  const seen = new Set<number>();
  const at = graph.indexOf.get(from);
  const open = at === undefined ? [] : [at];
  const causes = new Set<PartId>();
  for (let i = open.pop(); i !== undefined; i = open.pop()) {
    if (seen.has(i)) continue;
    seen.add(i);
    const node = graph.nodes[i];
    if (node?.kind === 'verdict' && node.cause) causes.add(node.cause);
    open.push(...(graph.next[i] ?? []));
  }
  return causes;
}
