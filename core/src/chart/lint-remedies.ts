import type { Path } from '../base/path.ts';
import type { ChartNode } from '../model/chart.ts';
import type { Finding } from '../model/finding.ts';
import type { ChartGraph } from './graph.ts';
import { isRemedyNode, touches } from './remedies.ts';

/**
 * Readings that are taken again after something was done about them, and that then come to nothing found: a part passed
 * after it was cleaned, and nobody learns that cleaning mended it.
 */
export function lintRemedies(graph: ChartGraph, at: Path): Finding[] {
  const { nodes, indexOf } = graph;
  return nodes.flatMap((node, i): Finding[] => {
    if (node.kind !== 'measure' || node.passAfter || !isNothingFound(nodes[indexOf.get(node.pass ?? node.id) ?? i]))
      return [];
    const ahead = leadsTo(graph, i);
    const behind = (graph.before[i] ?? []).map((b) => nodes[b]);
    const isForgotten = (r: ChartNode): boolean =>
      isRemedyNode(r) &&
      ((behind.includes(r) && ahead.has(r)) || (touches(r, node) && leadsTo(graph, nodes.indexOf(r)).has(node)));
    const remedy = nodes.find(isForgotten);
    if (!remedy) return [];
    return [
      {
        code: 'remedy-forgotten',
        severity: 'warning',
        at: [...at, 'nodes', i],
        node: node.title,
        remedy: remedy.title,
      },
    ];
  });
}

const isNothingFound = (node: ChartNode | undefined): boolean =>
  node?.kind === 'verdict' && node.verdict === 'nothing-found';

/** Every node some answers of one lead to. */
function leadsTo({ nodes, next }: ChartGraph, from: number): ReadonlySet<ChartNode> {
  const seen = new Set<number>();
  const open = [...(next[from] ?? [])];
  for (let i = open.pop(); i !== undefined; i = open.pop()) {
    if (seen.has(i)) continue;
    seen.add(i);
    open.push(...(next[i] ?? []));
  }
  return new Set([...seen].flatMap((i) => nodes[i] ?? []));
}
