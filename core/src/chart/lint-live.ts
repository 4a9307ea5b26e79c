import type { Path } from '../base/path.ts';
import type { ChartNode, MeasureNode } from '../model/chart.ts';
import type { Finding } from '../model/finding.ts';
import type { ChartGraph } from './graph.ts';
import { isRun, liveQuantities, provesDead } from './live.ts';
import type { ChartSurroundings } from './surroundings.ts';

/**
 * How a unit stands as a walk comes to a step, as a number from 0 to 3: whether its supply is off, and whether something
 * was taken off for a reading. All the ways it may stand at a step are bits of a mask, one for each number.
 */
const isolated = 1;
const apart = 2;
const anyIsolated = (1 << isolated) | (1 << (isolated | apart));
const anyLive = (1 << 0) | (1 << apart);
const anyWhole = (1 << 0) | (1 << isolated);

/** Whether a step itself says how the supply is taken off: by its words or its way there. A hazard that is named takes nothing off. */
function saysHow(node: ChartNode, around: ChartSurroundings): boolean {
  return (
    (node.kind === 'measure' && node.isolation !== undefined) ||
    node.ways.some((id) => around.ways.get(id)?.isolateFirst === true)
  );
}

/** Whether a step is done with meter and probes on something that must be dead. */
const isDeadTest = (node: ChartNode): node is MeasureNode =>
  node.kind === 'measure' && node.supply === 'dead' && node.quantity === 'resistance';

/** What a step does to how the unit stands: what is kept of it, and what is added. */
function effectOf(node: ChartNode, around: ChartSurroundings): Readonly<{ keeps: number; adds: number }> {
  if (node.kind === 'act' && node.act === 'put-back') return { keeps: 0, adds: 0 };
  if (isRun(node)) return { keeps: apart, adds: 0 };
  const isolates = (node.kind === 'act' && node.act === 'isolate') || saysHow(node, around);
  const takesApart = node.kind === 'measure' && node.disconnect.length > 0;
  return { keeps: isolated | apart, adds: (isolates ? isolated : 0) | (takesApart ? apart : 0) };
}

/** By node, the ways the unit may stand there; one whose code was just read is live and whole. */
function standingsOf(graph: ChartGraph, around: ChartSurroundings): Uint8Array {
  const known = new Uint8Array(graph.nodes.length);
  const effects = graph.nodes.map((n) => effectOf(n, around));
  const tired = graph.nodes.map((n) => graph.indexOf.get(n.retries?.after ?? graph.chart.afterRetries ?? n.id));
  const open = [graph.start * 4];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    const at = next >> 2;
    const bit = 1 << (next & 3);
    const before = known[at] ?? 0;
    const effect = effects[at];
    if (!effect || (before & bit) !== 0) continue;
    known[at] = before | bit;
    const then = (next & 3 & effect.keeps) | effect.adds;
    for (const to of graph.next[at] ?? []) open.push(to * 4 + then);
    const last = tired[at];
    if (last !== undefined && last !== at) open.push(last * 4 + then);
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
    if (liveQuantities.has(node.quantity) && !provesDead(node))
      findings.push({ code: 'volts-on-dead', severity: 'error', ...here, quantity: node.quantity });
    const isWhole = node.disconnect.length === 0 && (way & anyWhole) !== 0;
    if (!isWhole || node.quantity !== 'resistance') return findings;
    if (node.band.kind === 'insulation')
      findings.push({ code: 'insulation-through-all', severity: 'warning', ...here });
    else findings.push({ code: 'parallel-path', severity: 'hint', ...here });
    return findings;
  });
}
