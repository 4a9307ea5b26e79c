import type { Finding, Path } from '../base/finding.ts';
import type { NodeId, PartId } from '../base/ids.ts';
import { scopes } from '../base/words.ts';
import { interlockWords } from '../gesture/lint.ts';
import type { Hazard } from '../source/model.ts';
import { computeBand, needsTemperature, type Parameters } from './band.ts';
import type { Chart, ChartNode } from './model.ts';
import { choicesOf } from './walk.ts';

/** A temperature at which every thermistor that is in use has a resistance, to try a band out. */
const tryCelsius = 25;

/** Findings of one chart; `parameters` are the family's own values. */
export function lintChart(input: {
  chart: Chart;
  parameters: Parameters;
  hazards: readonly Hazard[];
  at: Path;
}): Finding[] {
  const { chart, parameters, hazards, at } = input;
  const byId = new Map(chart.nodes.map((node) => [node.id, node]));
  const reached = new Set<NodeId>();
  const visit = (id: NodeId): void => {
    const node = byId.get(id);
    if (!node || reached.has(id)) return;
    reached.add(id);
    for (const choice of choicesOf(node)) if (choice.next) visit(choice.next);
  };
  visit(chart.start);
  const ending = endingNodes(chart);
  return chart.nodes.flatMap((node, i): Finding[] => {
    const here = [...at, 'nodes', i];
    const words = interlockWords(`${node.title}. ${node.text ?? ''} ${node.access ?? ''}`);
    return [
      ...(reached.has(node.id)
        ? []
        : [{ code: 'node-unreachable', severity: 'warning', at: here, node: node.title } as const]),
      ...(reached.has(node.id) && !ending.has(node.id)
        ? [{ code: 'loop-without-end', severity: 'error', at: here, node: node.title } as const]
        : []),
      ...(words ? [{ code: 'interlock-words', severity: 'warning', at: here, words } as const] : []),
      ...lintNode({ node, chart, parameters, hazards, at: here }),
    ];
  });
}

/** Nodes from which some answers lead to a verdict. */
function endingNodes(chart: Chart): ReadonlySet<NodeId> {
  const ending = new Set<NodeId>(chart.nodes.filter((n) => n.kind === 'verdict').map((n) => n.id));
  for (let grew = true; grew; ) {
    grew = false;
    for (const node of chart.nodes)
      if (!ending.has(node.id) && choicesOf(node).some((c) => c.next && ending.has(c.next))) {
        ending.add(node.id);
        grew = true;
      }
  }
  return ending;
}

function lintNode(input: {
  node: ChartNode;
  chart: Chart;
  parameters: Parameters;
  hazards: readonly Hazard[];
  at: Path;
}): Finding[] {
  const { node, chart, parameters, hazards, at } = input;
  const findings: Finding[] = [];
  const needs = hazards
    .filter((h) => node.hazards.includes(h.id))
    .map((h) => h.scope)
    .sort((a, b) => scopes.indexOf(b) - scopes.indexOf(a))[0];
  if (needs && scopes.indexOf(needs) > scopes.indexOf(chart.audience))
    findings.push({
      code: 'scope-exceeded',
      severity: 'warning',
      at,
      node: node.title,
      needs,
      audience: chart.audience,
    });
  if (node.kind !== 'measure') return findings;
  if (node.supply === 'energised' && (node.protection === undefined || node.hazards.length === 0))
    findings.push({ code: 'energised-unprotected', severity: 'error', at, node: node.title });
  const band = computeBand(node.band, parameters, needsTemperature(node.band) ? tryCelsius : null);
  if (!band.ok && band.error.code !== 'temperature-outside')
    findings.push({
      code: 'band-never-computes',
      severity: 'error',
      at: [...at, 'band'],
      node: node.title,
      why: band.error.code,
    });
  return findings;
}

/** Suspects of a code, by part, that no node of its chart is about. */
export function untestedSuspects(chart: Chart, parts: readonly PartId[]): PartId[] {
  const about = new Set(
    chart.nodes.flatMap((n) => [...n.about, ...(n.kind === 'verdict' && n.cause ? [n.cause] : [])]),
  );
  return parts.filter((part) => !about.has(part));
}
