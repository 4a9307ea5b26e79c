import type { ChartId } from '../base/ids.ts';
import type { Path } from '../base/path.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Chart, ChartUse, NodeOf } from '../model/chart.ts';
import type { Finding } from '../model/finding.ts';
import { keyText } from '../model/key.ts';
import { chartGraph, reachedNodes } from './graph.ts';

/** A chart and every chart it calls, however deep, each once. */
export function chartsCalled(chart: Chart, byId: ReadonlyMap<ChartId, Chart>): Chart[] {
  const found = new Map<ChartId, Chart>();
  const open = [chart];
  for (let at = open.pop(); at; at = open.pop()) {
    if (found.has(at.id)) continue;
    found.set(at.id, at);
    for (const node of at.nodes) if (node.kind === 'call') open.push(...[byId.get(node.chart)].flatMap((c) => c ?? []));
  }
  return [...found.values()];
}

/** What of a shared chart nobody has given: parameters without a value, roles without a part. */
export function missingOfUse(chart: Chart, use: ChartUse): string[] {
  return [
    ...chart.parameters.filter((p) => p.value === null && use.values[p.id] === undefined).map((p) => p.name),
    ...chart.roles.filter((r) => use.parts[r.id] === undefined).map((r) => r.name),
  ];
}

/** Findings of the calls of one chart. */
export function lintCalls(chart: Chart, charts: ReadonlyMap<ChartId, Chart>, bundle: Bundle, at: Path): Finding[] {
  return chart.nodes.flatMap((node, i): Finding[] => {
    if (node.kind !== 'call') return [];
    const here = [...at, 'nodes', i, 'chart'];
    const called = charts.get(node.chart);
    if (!called) return [];
    const missing = missingOfUse(called, node.use);
    const circle = pathBack(chart.id, called, charts);
    const revisions = bundle.pinned?.revisions;
    return [
      ...(circle
        ? [
            {
              code: 'call-circle',
              severity: 'error',
              at: here,
              charts: circle.map((id) => charts.get(id)?.title ?? id),
            } as const,
          ]
        : []),
      ...neverReturns(node, called, charts).map(
        (finds) =>
          ({
            code: 'call-never-returns',
            severity: 'warning',
            at: here,
            node: node.title,
            chart: called.title,
            finds,
          }) as const,
      ),
      ...(revisions && revisions[keyText(called)] === undefined
        ? [{ code: 'call-unpublished', severity: 'error', at: here, node: node.title, chart: called.title } as const]
        : []),
      ...(missing.length > 0
        ? [
            {
              code: 'use-incomplete',
              severity: 'error',
              at: here,
              user: node.title,
              chart: called.title,
              missing,
            } as const,
          ]
        : []),
    ];
  });
}

/** What a call goes on by and the chart it calls, or those that one calls, never finds. */
function neverReturns(node: NodeOf<'call'>, called: Chart, charts: ReadonlyMap<ChartId, Chart>): string[] {
  const ends = new Set(
    chartsCalled(called, charts).flatMap((c) => {
      const graph = chartGraph(c);
      const reached = reachedNodes(graph);
      return c.nodes.flatMap((n, i) => (n.kind === 'verdict' && reached[i] ? [n.verdict] : []));
    }),
  );
  return [
    ...(node.nothingFound && !ends.has('nothing-found') ? ['nothing'] : []),
    ...(node.causeFound && !ends.has('cause-found') ? ['a cause'] : []),
  ];
}

/** The calls that lead from a chart back to where it was called from; null where none do. */
function pathBack(to: ChartId, from: Chart, charts: ReadonlyMap<ChartId, Chart>): ChartId[] | null {
  const before = new Map<ChartId, ChartId | null>([[from.id, null]]);
  const open = [from];
  for (let at = open.shift(); at; at = open.shift()) {
    if (at.id === to) {
      const path: ChartId[] = [];
      for (let id: ChartId | null = to; id !== null; id = before.get(id) ?? null) path.unshift(id);
      return [to, ...path];
    }
    for (const node of at.nodes) {
      const next = node.kind === 'call' ? charts.get(node.chart) : undefined;
      if (!next || before.has(next.id)) continue;
      before.set(next.id, at.id);
      open.push(next);
    }
  }
  return null;
}
