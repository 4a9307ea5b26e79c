import type { Finding, Path } from '../base/finding.ts';
import type { Quantity } from '../base/quantity.ts';
import type { ChartGraph } from './graph.ts';
import type { ChartSurroundings } from './lint.ts';
import type { ChartNode, MeasureNode } from './model.ts';

/** What is only there on something live: a reading of it on something dead says nothing, or that it is not dead. */
const liveQuantities: ReadonlySet<Quantity> = new Set(['voltage', 'current', 'power']);

/** A unit as a walk comes to a step: whether its supply is off, and whether something was taken off for a reading. */
type Standing = Readonly<{ isolated: boolean; apart: boolean }>;
const bitOf = (s: Standing): number => 1 << ((s.isolated ? 1 : 0) + (s.apart ? 2 : 0));
const anyLive = bitOf({ isolated: false, apart: false }) | bitOf({ isolated: false, apart: true });
const anyIsolated = bitOf({ isolated: true, apart: false }) | bitOf({ isolated: true, apart: true });
const anyWhole = bitOf({ isolated: false, apart: false }) | bitOf({ isolated: true, apart: false });

/** Whether a step itself says how the supply is taken off. */
function saysHow(node: ChartNode, around: ChartSurroundings): boolean {
  return (
    (node.kind === 'measure' && node.isolation !== undefined) ||
    node.hazards.some((id) => (around.hazards.get(id)?.isolation.length ?? 0) > 0) ||
    node.ways.some((id) => around.ways.get(id)?.isolateFirst === true)
  );
}

/** Whether a step is done with meter and probes on something that must be dead. */
const isDeadTest = (node: ChartNode): node is MeasureNode =>
  node.kind === 'measure' && node.supply === 'dead' && node.quantity === 'resistance';
const isRun = (node: ChartNode): boolean =>
  node.kind === 'operate' || (node.kind === 'measure' && node.supply === 'energised');

/** How a unit stands after a step, from how it stood before. */
function after(node: ChartNode, before: Standing, around: ChartSurroundings): Standing {
  if (node.kind === 'act' && node.act === 'put-back') return { isolated: false, apart: false };
  if (isRun(node)) return { ...before, isolated: false };
  const isolates =
    (node.kind === 'act' && node.act === 'isolate') || (node.kind !== 'verdict' && saysHow(node, around));
  return {
    isolated: before.isolated || isolates,
    apart: before.apart || (node.kind === 'measure' && node.disconnect.length > 0),
  };
}

/** By node, the ways it may be come to, as bits; a unit whose code was just read is live and whole. */
function standingsOf(graph: ChartGraph, around: ChartSurroundings): Uint8Array {
  const known = new Uint8Array(graph.nodes.length);
  const open: Array<readonly [number, Standing]> = [[graph.start, { isolated: false, apart: false }]];
  const last = graph.chart.afterRetries === undefined ? undefined : graph.indexOf.get(graph.chart.afterRetries);
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    const [at, standing] = next;
    const node = graph.nodes[at];
    const bit = bitOf(standing);
    const before = known[at] ?? 0;
    if (!node || (before & bit) !== 0) continue;
    known[at] = before | bit;
    const then = after(node, standing, around);
    for (const to of graph.next[at] ?? []) open.push([to, then]);
    const tired = node.retries?.after ? graph.indexOf.get(node.retries.after) : last;
    if (tired !== undefined) open.push([tired, then]);
  }
  return known;
}

/**
 * Findings of what is live and what is not: probes put where a walk may come with the supply still on, something run
 * that is still switched off, volts sought where there are none, and a test voltage sent through what it may harm.
 */
export function lintLive(graph: ChartGraph, around: ChartSurroundings, at: Path): Finding[] {
  const ways = standingsOf(graph, around);
  return graph.nodes.flatMap((node, i): Finding[] => {
    const here = { at: [...at, 'nodes', i], node: node.title };
    const way = ways[i] ?? 0;
    const findings: Finding[] = [];
    if (isDeadTest(node) && (way & anyLive) !== 0 && !saysHow(node, around))
      findings.push({ code: 'dead-not-isolated', severity: 'warning', ...here });
    if (node.kind === 'operate' && way !== 0 && (way & anyIsolated) === way)
      findings.push({ code: 'run-while-isolated', severity: 'hint', ...here });
    if (node.kind !== 'measure' || node.supply !== 'dead') return findings;
    if (liveQuantities.has(node.quantity))
      findings.push({ code: 'volts-on-dead', severity: 'error', ...here, quantity: node.quantity });
    const isWhole = node.disconnect.length === 0 && (way & anyWhole) !== 0;
    if (!isWhole || node.quantity !== 'resistance') return findings;
    if (node.band.kind === 'insulation')
      findings.push({ code: 'insulation-through-all', severity: 'warning', ...here });
    else findings.push({ code: 'parallel-path', severity: 'hint', ...here });
    return findings;
  });
}
