import { parseAmount } from '../base/parse-amount.ts';
import type { Path } from '../base/path.ts';
import type { Quantity } from '../base/quantity.ts';
import { assertNever } from '../base/result.ts';
import type { Amount, Band } from '../model/band.ts';
import { bandTraits } from '../model/band.ts';
import type { Chart, ChartNode, MeasureNode } from '../model/chart.ts';
import type { Finding } from '../model/finding.ts';
import { amountOf, computeBand, needsTemperature, type Parameters } from './band.ts';
import type { ChartSurroundings } from './surroundings.ts';

/** A temperature at which every thermistor that is in use has a resistance, to try a band out. */
const tryCelsius = 25;

/** What the amounts of a band must be values of; `own` is what the node measures. */
function amountsOf(band: Band): Array<readonly [field: string, amount: Amount | null, of: Quantity | 'own' | 'any']> {
  switch (band.kind) {
    case 'fixed':
      return [
        ['least', band.least, 'own'],
        ['most', band.most, 'own'],
      ];
    case 'thermistor':
      return [
        ['r25Ohm', band.r25Ohm, 'resistance'],
        ['betaK', band.betaK, 'any'],
      ];
    case 'element':
      return [
        ['powerWatt', band.powerWatt, 'power'],
        ['supplyVolt', band.supplyVolt, 'voltage'],
      ];
    case 'insulation':
      return [
        ['leastOhm', band.leastOhm, 'resistance'],
        ['testVolt', band.testVolt, 'voltage'],
      ];
    case 'time-to':
      return [
        ['value', band.value, 'own'],
        ['leastS', band.leastS, 'duration'],
        ['mostS', band.mostS, 'duration'],
      ];
    case 'of-setting':
    case 'rate':
    case 'ratio':
    case 'steinhart-hart':
    case 'table':
      return [];
    default:
      return assertNever(band);
  }
}

/** Findings of a measurement's good band: whether it computes, what it is of, and whether meter and sensor reach it. */
export function lintBand(node: ChartNode, chart: Chart, around: ChartSurroundings, at: Path): Finding[] {
  if (node.kind !== 'measure') return [];
  const here = [...at, 'band'];
  const { band } = node;
  const findings: Finding[] = [];
  const impossible = (of: string, is: string) =>
    findings.push({ code: 'unit-impossible', severity: 'error', at: here, node: node.title, of, is });
  if (bandTraits[band.kind].ohms && node.quantity !== 'resistance') impossible('resistance', node.quantity);
  for (const [, amount, of] of amountsOf(band)) {
    if (amount === null || typeof amount === 'number' || of === 'any') continue;
    const is = around.quantities.get(amount.parameter);
    const wanted = of === 'own' ? node.quantity : of;
    if (is !== undefined && is !== 'ratio' && is !== wanted) impossible(wanted, is);
  }
  const earlier = band.kind === 'ratio' ? chart.nodes.find((n) => n.id === band.to) : undefined;
  if (earlier?.kind === 'measure' && earlier.quantity !== node.quantity) impossible(node.quantity, earlier.quantity);
  return [
    ...findings,
    ...lintComputes(node, around, here),
    ...lintReach(node, around, here),
    ...lintTitle(node, around, [...at, 'title']),
  ];
}

function lintComputes(node: MeasureNode, around: ChartSurroundings, at: Path): Finding[] {
  const { band } = node;
  const good = computeBand(band, {
    parameters: around.parameters,
    atCelsius: needsTemperature(band) ? tryCelsius : null,
    ...(band.kind === 'of-setting' ? { settings: new Map([[band.setting, 1]]) } : {}),
    ...(band.kind === 'ratio' ? { earlier: new Map([[band.to, 1]]) } : {}),
  });
  if (good.ok || good.error.code === 'temperature-outside') return [];
  return [{ code: 'band-never-computes', severity: 'error', at, node: node.title, why: good.error.code }];
}

/** “27 to 32 Ω”: a span with its unit, as it stands in the words of a step. */
const spanSaid = /(\d[\d.,]*)\s*(?:to|–|-|…)\s*(\d[\d.,]*)\s*([^\s\d.,;:)?!]+)/;
/** Words round off: as much of a bound may be lost in them. */
const roundedRatio = 0.01;

/** A title that tells another span than the one that is judged by: whoever reads both does not know which holds. */
function lintTitle(node: MeasureNode, around: ChartSurroundings, at: Path): Finding[] {
  const { band, quantity, title } = node;
  const [said, from, to, unit] = spanSaid.exec(title) ?? [];
  if (said === undefined || needsTemperature(band) || (band.kind !== 'fixed' && !bandTraits[band.kind].ohms)) return [];
  const [least, most] = [from, to].map((bound) => parseAmount(`${bound} ${unit}`, quantity));
  const good = computeBand(band, { parameters: around.parameters, atCelsius: null });
  if (!least?.ok || !most?.ok || !good.ok) return [];
  const differs = (bound: number | null, told: number): boolean =>
    bound !== null && Math.abs(bound - told) > roundedRatio * Math.abs(bound);
  const own = { least: good.value.least, most: good.value.most };
  if (!differs(own.least, least.value) && !differs(own.most, most.value)) return [];
  return [{ code: 'title-differs', severity: 'warning', at, node: title, said, quantity, ...own }];
}

/** Good readings that the sensor's table, the meter, or nature cannot show. */
function lintReach(node: MeasureNode, around: ChartSurroundings, at: Path): Finding[] {
  const { band, measuredAt } = node;
  const outside = (what: string, least: number, most: number): Finding => ({
    code: 'band-outside-range',
    severity: 'warning',
    at,
    node: node.title,
    what,
    least,
    most,
  });
  const findings: Finding[] = [];
  const span = needsTemperature(band)
    ? (measuredAt ?? { leastCelsius: tryCelsius, mostCelsius: tryCelsius })
    : { leastCelsius: tryCelsius, mostCelsius: tryCelsius };
  if (band.kind === 'table' && measuredAt) {
    const rows = band.rows.map((r) => r.atCelsius);
    const [least, most] = [Math.min(...rows), Math.max(...rows)];
    if (measuredAt.leastCelsius < least || measuredAt.mostCelsius > most)
      findings.push(outside('sensor table', least, most));
  }
  const direct = band.kind === 'fixed' || bandTraits[band.kind].ohms;
  if (!direct) return findings;
  const bounds = [span.leastCelsius, span.mostCelsius].flatMap((atCelsius) => {
    const good = computeBand(band, { parameters: around.parameters, atCelsius });
    return good.ok ? [good.value.least, good.value.most].filter((v) => v !== null) : [];
  });
  const range = around.instruments.get(node.instrument ?? '')?.ranges.find((r) => r.quantity === node.quantity);
  if (range && bounds.some((v) => v < range.least || v > range.most))
    findings.push(outside('meter', range.least, range.most));
  if (node.quantity === 'temperature' && bounds.some((v) => v < -273.15))
    findings.push(outside('temperature', -273.15, Number.MAX_SAFE_INTEGER));
  return findings;
}

/** Spans of a split by reading that lie upon each other, or leave something out with nowhere for it to go. */
export function lintRanges(node: ChartNode, parameters: Parameters, at: Path): Finding[] {
  if (node.kind !== 'split' || node.by.kind !== 'reading') return [];
  const spans = node.cases
    .map((c) => ({
      is: c.is,
      least: c.within?.least == null ? Number.NEGATIVE_INFINITY : (amountOf(c.within.least, parameters) ?? Number.NaN),
      most: c.within?.most == null ? Number.POSITIVE_INFINITY : (amountOf(c.within.most, parameters) ?? Number.NaN),
    }))
    .filter((s) => !Number.isNaN(s.least) && !Number.isNaN(s.most))
    .sort((a, b) => a.least - b.least);
  const findings: Finding[] = [];
  for (let i = 0; i + 1 < spans.length; i++) {
    const [a, b] = [spans[i], spans[i + 1]];
    if (!a || !b) continue;
    if (b.least < a.most)
      findings.push({ code: 'bands-overlap', severity: 'error', at, node: node.title, bands: [a.is, b.is] });
    else if (b.least > a.most && !node.otherwise)
      findings.push({ code: 'bands-gap', severity: 'error', at, node: node.title, from: a.most, to: b.least });
  }
  const [first, last] = [spans[0], spans.at(-1)];
  if (node.otherwise || !first || !last) return findings;
  if (first.least !== Number.NEGATIVE_INFINITY)
    findings.push({ code: 'bands-gap', severity: 'error', at, node: node.title, from: null, to: first.least });
  if (last.most !== Number.POSITIVE_INFINITY)
    findings.push({ code: 'bands-gap', severity: 'error', at, node: node.title, from: last.most, to: null });
  return findings;
}
