import type { Path } from '../base/path.ts';
import type { ChartNode } from '../model/chart.ts';
import type { Finding } from '../model/finding.ts';
import { aheadOf, type ChartGraph } from './graph.ts';
import { isRemedyNode, touches } from './remedies.ts';

/**
 * Readings that are taken again after something was done about them, and that then come to nothing found: a part passed
 * after it was cleaned, and nobody learns that cleaning mended it.
 */
export function lintRemedies(graph: ChartGraph, at: Path): Finding[] {
  const { nodes, indexOf } = graph;
  const known = new Map<number, ReadonlySet<number>>();
  const ahead = (from: number): ReadonlySet<number> => {
    const set = known.get(from) ?? aheadOf(graph, from);
    known.set(from, set);
    return set;
  };
  return nodes.flatMap((node, i): Finding[] => {
    if (node.kind !== 'measure' || node.passAfter || !isNothingFound(nodes[indexOf.get(node.pass ?? node.id) ?? i]))
      return [];
    const isForgotten = (r: ChartNode, at: number): boolean =>
      isRemedyNode(r) && ((graph.next[at]?.includes(i) && ahead(i).has(at)) || (touches(r, node) && ahead(at).has(i)));
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
