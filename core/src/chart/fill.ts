import type { ParameterId, PartId } from '../base/ids.ts';
import type { Amount } from '../model/band.ts';
import type { Chart, ChartNode, ChartUse } from '../model/chart.ts';

/** Replaces amounts that name a parameter of the chart, however deep they sit. */
function fillAmounts(value: unknown, values: ReadonlyMap<ParameterId, Amount>): unknown {
  if (Array.isArray(value)) return value.map((item) => fillAmounts(item, values));
  if (typeof value !== 'object' || value === null) return value;
  const keys = Object.keys(value);
  if (keys.length === 1 && keys[0] === 'parameter')
    return values.get((value as { parameter: ParameterId }).parameter) ?? value;
  return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, fillAmounts(v, values)]));
}

const wordFields = [
  'title',
  'text',
  'access',
  'looksGood',
  'looksBad',
  'under',
  'watchFor',
  'protection',
  'temperatureOf',
  'putBack',
] as const;

/** `{role}` in words becomes the part's name; what is no role stays as it stands. */
function fillWords(node: ChartNode, names: ReadonlyMap<string, string>): ChartNode {
  const put = (text: string): string => text.replace(/\{([a-z0-9-]+)\}/g, (all, id: string) => names.get(id) ?? all);
  const filled: Record<string, unknown> = { ...node };
  for (const field of wordFields) {
    const text = filled[field];
    if (typeof text === 'string') filled[field] = put(text);
  }
  if (node.kind === 'measure')
    Object.assign(filled, { probes: node.probes.map(put), disconnect: node.disconnect.map(put) });
  return filled as ChartNode;
}

/**
 * A chart as it stands for whoever uses it: its own parameters become the values given (else their defaults), its roles
 * the parts of the family, in its words too. Nothing else of it changes; filling twice is filling once.
 */
export function fillChart(chart: Chart, use: ChartUse, partNames?: ReadonlyMap<PartId, string>): Chart {
  if (chart.parameters.length === 0 && chart.roles.length === 0) return chart;
  const values = new Map<ParameterId, Amount>(
    chart.parameters.flatMap((p) => {
      const given = use.values[p.id] ?? p.value;
      return given === null ? [] : [[p.id, given] as const];
    }),
  );
  const partOf = (id: PartId): PartId => use.parts[id] ?? id;
  const names = new Map(chart.roles.map((r) => [r.id as string, partNames?.get(partOf(r.id)) ?? r.name]));
  return {
    ...chart,
    nodes: chart.nodes.map((node) => {
      const filled = fillWords(fillAmounts(node, values) as ChartNode, names);
      const about = filled.about.map(partOf);
      if (filled.kind === 'act') return { ...filled, about, ...(filled.part ? { part: partOf(filled.part) } : {}) };
      if (filled.kind === 'verdict')
        return { ...filled, about, ...(filled.cause ? { cause: partOf(filled.cause) } : {}) };
      if (filled.kind === 'call') {
        const parts = Object.entries(filled.use.parts).map(([role, part]) => [role, partOf(part)]);
        return { ...filled, about, use: { ...filled.use, parts: Object.fromEntries(parts) } };
      }
      return { ...filled, about };
    }),
  };
}
