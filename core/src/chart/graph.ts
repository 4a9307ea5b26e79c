import type { NodeId, PartId } from '../base/ids.ts';
import type { Chart, ChartNode } from '../model/chart.ts';
import { type Choice, choicesOf, otherwise } from './choices.ts';

/** A chart as its linter walks it: every node once, what leads where, by index. */
export type ChartGraph = Readonly<{
  chart: Chart;
  nodes: readonly ChartNode[];
  indexOf: ReadonlyMap<NodeId, number>;
  /** Nodes each answer leads to, without retries and the chart's own default for them. */
  next: ReadonlyArray<readonly number[]>;
  choices: ReadonlyArray<readonly Choice[]>;
  /** The same the other way: nodes that lead to each. */
  before: ReadonlyArray<readonly number[]>;
  start: number;
}>;

export function chartGraph(chart: Chart): ChartGraph {
  const indexOf = new Map(chart.nodes.map((n, i) => [n.id, i] as const));
  const choices = chart.nodes.map((n) => choicesOf(n, chart));
  const next = choices.map((own) => {
    const to: number[] = [];
    for (const c of own) {
      const at = c.next === null ? undefined : indexOf.get(c.next);
      if (at !== undefined && !to.includes(at)) to.push(at);
    }
    return to;
  });
  const before: number[][] = chart.nodes.map(() => []);
  next.forEach((to, from) => {
    for (const t of to) before[t]?.push(from);
  });
  return { chart, nodes: chart.nodes, indexOf, next, before, choices, start: indexOf.get(chart.start) ?? -1 };
}

/** By node, 1 where it holds and 0 where it does not: what is told of every node of a chart. */
export type Marks = Uint8Array;

/** Nodes some answers, retries or defaults lead to from the start. */
export function reachedNodes(graph: ChartGraph): Marks {
  const reached = new Uint8Array(graph.nodes.length);
  const open = graph.start < 0 ? [] : [graph.start];
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    if (reached[at]) continue;
    reached[at] = 1;
    for (const to of graph.next[at] ?? []) open.push(to);
    const after = graph.nodes[at]?.retries?.after;
    const last = after ? graph.indexOf.get(after) : undefined;
    if (last !== undefined) open.push(last);
  }
  const last = graph.chart.afterRetries === undefined ? undefined : graph.indexOf.get(graph.chart.afterRetries);
  if (last !== undefined && graph.start >= 0) reached[last] = 1;
  return reached;
}

/** Nodes from which some answers lead to a verdict. */
export function endingNodes(graph: ChartGraph): Marks {
  const ending = new Uint8Array(graph.nodes.length);
  const open: number[] = [];
  // a call may end in a verdict of the chart it calls
  graph.nodes.forEach((n, i) => {
    if (n.kind === 'verdict' || n.kind === 'call') open.push(i);
  });
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    if (ending[at]) continue;
    ending[at] = 1;
    for (const from of graph.before[at] ?? []) open.push(from);
  }
  return ending;
}

/** Groups of nodes that lead round to each other, each group in the chart's order; a node that leads to itself is one. */
export function roundsOf(graph: ChartGraph): number[][] {
  const order: number[] = [];
  const seen = new Uint8Array(graph.nodes.length);
  // strongly connected groups by two passes: finish order forwards, then gathered backwards
  const visit = (from: number, next: ReadonlyArray<readonly number[]>, into: number[]): void => {
    const [stack, places] = [[from], [0]];
    seen[from] = 1;
    while (stack.length > 0) {
      const last = stack.length - 1;
      const at = stack[last] as number;
      const place = places[last] as number;
      const to = next[at]?.[place];
      if (to === undefined) {
        into.push(at);
        stack.pop();
        places.pop();
        continue;
      }
      places[last] = place + 1;
      if (seen[to]) continue;
      seen[to] = 1;
      stack.push(to);
      places.push(0);
    }
  };
  graph.nodes.forEach((_, i) => {
    if (!seen[i]) visit(i, graph.next, order);
  });
  seen.fill(0);
  const rounds: number[][] = [];
  for (const from of order.reverse()) {
    if (seen[from]) continue;
    const group: number[] = [];
    visit(from, graph.before, group);
    if (group.length > 1 || graph.next[from]?.includes(from)) rounds.push(group.sort((a, b) => a - b));
  }
  return rounds;
}

/** Most states of answers remembered that are gone through; beyond that fewer answers are remembered. */
const mostStates = 200_000;

/** One step whose answer a split ahead goes by: the answers that are told apart, from 1; 0 is none yet, the last any other. */
type Slot = { node: number; values: ReadonlyMap<string, number>; size: number; place: number };

function slotsOf(graph: ChartGraph): Slot[] {
  const cases = new Map<number, Set<string>>();
  for (const n of graph.nodes) {
    const at = n.kind === 'split' && n.by.kind === 'answer' ? graph.indexOf.get(n.by.node) : undefined;
    if (at === undefined || n.kind !== 'split') continue;
    const known = cases.get(at) ?? new Set<string>();
    for (const c of n.cases) known.add(c.is);
    cases.set(at, known);
  }
  const slots: Slot[] = [];
  let place = 1;
  for (const [node, answers] of cases) {
    const size = answers.size + 2;
    if (place * size * graph.nodes.length > mostStates) break;
    slots.push({ node, values: new Map([...answers].map((a, i) => [a, i + 1] as const)), size, place });
    place *= size;
  }
  return slots;
}

/**
 * Nodes that answers can lead to when splits by an earlier answer are held to what was answered on the way. Null where
 * nothing splits so. Only the answers such splits go by are remembered, so that the states are few.
 */
export function feasibleNodes(graph: ChartGraph): Marks | null {
  const slots = slotsOf(graph);
  const [first] = slots;
  if (!first || graph.start < 0) return null;
  const count = graph.nodes.length;
  const memories = slots.reduce((product, s) => product * s.size, 1);
  const seen = new Uint8Array(count * memories);
  const slotAt = new Map(slots.map((s) => [s.node, s]));
  const found = new Uint8Array(count);
  const open = [graph.start];
  const go = (to: number | undefined, memory: number): void => {
    if (to !== undefined && seen[memory * count + to] === 0) open.push(memory * count + to);
  };
  for (let state = open.pop(); state !== undefined; state = open.pop()) {
    if (seen[state] === 1) continue;
    seen[state] = 1;
    const at = state % count;
    const memory = (state - at) / count;
    found[at] = 1;
    const node = graph.nodes[at] as ChartNode;
    const by =
      node.kind === 'split' && node.by.kind === 'answer'
        ? slotAt.get(graph.indexOf.get(node.by.node) ?? -1)
        : undefined;
    const said = by ? Math.floor(memory / by.place) % by.size : 0;
    const own = slotAt.get(at);
    const choices = graph.choices[at] ?? [];
    const fits = by && said > 0 ? choices.filter((c) => by.values.get(c.answer) === said) : choices;
    const others = fits.length > 0 ? fits : choices.filter((c) => c.answer === otherwise);
    for (const choice of others.length > 0 ? others : choices) {
      const value = own ? (own.values.get(choice.answer) ?? own.size - 1) : 0;
      const next = own ? memory + (value - (Math.floor(memory / own.place) % own.size)) * own.place : memory;
      go(choice.next === null ? undefined : graph.indexOf.get(choice.next), next);
    }
    const after = node.retries?.after ?? graph.chart.afterRetries;
    if (after) go(graph.indexOf.get(after), memory);
  }
  return found;
}

/** The parts a step may come to as the cause: a verdict's, or what its remedies are done to. */
export const foundParts = (node: ChartNode): PartId[] => {
  if (node.kind === 'verdict') return node.cause ? [node.cause] : [];
  return node.kind === 'remedies' ? node.remedies.flatMap((r) => r.part ?? []) : [];
};

/** Every part a chart's nodes are about, or find. */
export const partsAbout = (chart: Chart): PartId[] => chart.nodes.flatMap((n) => [...n.about, ...foundParts(n)]);

/** Every node, by index, that some answers of one lead to; itself where they lead round. */
export function aheadOf({ next }: ChartGraph, from: number): ReadonlySet<number> {
  const seen = new Set<number>();
  const open = [...(next[from] ?? [])];
  for (let i = open.pop(); i !== undefined; i = open.pop()) {
    if (seen.has(i)) continue;
    seen.add(i);
    open.push(...(next[i] ?? []));
  }
  return seen;
}

/** Causes that verdicts ahead of a node may still name. */
export function causesAhead(chart: Chart, from: NodeId): ReadonlySet<PartId> {
  const graph = chartGraph(chart);
  const at = graph.indexOf.get(from);
  if (at === undefined) return new Set();
  return new Set([at, ...aheadOf(graph, at)].flatMap((i) => graph.nodes[i] ?? []).flatMap(foundParts));
}
