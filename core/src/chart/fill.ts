import type { ParameterId, PartId } from '../base/ids.ts';
import type { Amount } from '../model/band.ts';
import { type Chart, ChartNode, type ChartUse } from '../model/chart.ts';
import { occurrencesIn, putText } from '../model/occurrence.ts';

/** Replaces amounts that name a parameter of the chart, however deep they sit. */
function fillAmounts(value: unknown, values: ReadonlyMap<ParameterId, Amount>): unknown {
  if (Array.isArray(value)) return value.map((item) => fillAmounts(item, values));
  if (typeof value !== 'object' || value === null) return value;
  const keys = Object.keys(value);
  if (keys.length === 1 && keys[0] === 'parameter')
    return values.get((value as { parameter: ParameterId }).parameter) ?? value;
  return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, fillAmounts(v, values)]));
}

/**
 * `{role}` in words becomes the part's name; what is no role stays as it stands. Roles that are named become parts of the
 * family.
 */
function fillRoles(node: ChartNode, names: ReadonlyMap<string, string>, partOf: (role: PartId) => PartId): ChartNode {
  const words = (text: string): string => text.replace(/\{([a-z0-9-]+)\}/g, (all, id: string) => names.get(id) ?? all);
  return occurrencesIn(ChartNode, node).reduce<ChartNode>((now, found) => {
    const isPart = found.role === 'names' && !found.isKey && found.kinds.includes('part');
    const to = found.role === 'mentions' ? words(found.text) : isPart ? partOf(found.text as PartId) : found.text;
    return to === found.text ? now : (putText(now, found, to) as ChartNode);
  }, node);
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
    nodes: chart.nodes.map((node) => fillRoles(fillAmounts(node, values) as ChartNode, names, partOf)),
  };
}
