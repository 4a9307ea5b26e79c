import type { PartId } from '../base/ids.ts';
import type { Path } from '../base/path.ts';
import { scopes } from '../base/text.ts';
import { interlockWords } from '../gesture/lint.ts';
import type { Chart, ChartNode, NodeOf } from '../model/chart.ts';
import type { Finding } from '../model/finding.ts';
import { type Choice, cannotTell, otherwise } from './choices.ts';
import {
  type ChartGraph,
  chartGraph,
  endingNodes,
  feasibleNodes,
  partsAbout,
  reachedNodes,
  roundsOf,
} from './graph.ts';
import { lintBand, lintRanges } from './lint-bands.ts';
import { lintLive } from './lint-live.ts';
import { lintMeter } from './lint-meter.ts';
import { lintRemedies } from './lint-remedies.ts';
import { isLiveWork } from './live.ts';
import { lintProbes } from './probes.ts';
import { lintShown } from './shown-value.ts';
import type { ChartSurroundings } from './surroundings.ts';

/** Findings of one chart on its own. */
export function lintChart(input: { chart: Chart; around: ChartSurroundings; at: Path }): Finding[] {
  const { chart, around, at } = input;
  const graph = chartGraph(chart);
  // that it begins nowhere is told where it is said
  if (graph.start < 0) return [];
  const reached = reachedNodes(graph);
  const ending = endingNodes(graph);
  const feasible = feasibleNodes(graph);
  const bounded = [...lintRounds(graph, at), ...lintRetries(graph, at), ...lintRemedies(graph, at)];
  const known = withOwn(chart, around);
  return [
    ...bounded,
    ...chart.nodes.flatMap((node, i): Finding[] => {
      const here = [...at, 'nodes', i];
      const said = node.kind === 'remedies' ? node.remedies.map((r) => r.do).join('. ') : '';
      const words = interlockWords(`${node.title}. ${node.text ?? ''} ${node.access ?? ''} ${said}`);
      const isReached = reached[i] === 1;
      const impossible = isReached && feasible !== null && feasible[i] === 0;
      return [
        ...(isReached
          ? []
          : [
              node.kind === 'verdict'
                ? ({ code: 'verdict-unreachable', severity: 'warning', at: here, node: node.title } as const)
                : ({ code: 'node-unreachable', severity: 'warning', at: here, node: node.title } as const),
            ]),
        ...(impossible && node.kind === 'verdict'
          ? [{ code: 'verdict-unreachable', severity: 'warning', at: here, node: node.title } as const]
          : []),
        ...(isReached && ending[i] === 0
          ? [{ code: 'loop-without-end', severity: 'error', at: here, node: node.title } as const]
          : []),
        ...(words ? [{ code: 'interlock-words', severity: 'warning', at: here, words } as const] : []),
        ...lintAnswers(graph, node, graph.choices[i] ?? [], around, here),
        ...lintSafety(node, chart, known, here),
        ...lintBand(node, chart, known, here),
        ...lintRanges(node, known.parameters, here),
        ...(node.kind === 'measure'
          ? [...lintMeter(node, known, here), ...lintProbes(node, known.pictures, here)]
          : []),
      ];
    }),
    ...lintLive(graph, known, at),
    ...lintCovers(graph, known, at),
    ...lintRecalibration(graph, known, at),
  ];
}

/** A shared chart's own parameters and roles count as known. */
function withOwn(chart: Chart, around: ChartSurroundings): ChartSurroundings {
  if (chart.parameters.length === 0) return around;
  return {
    ...around,
    parameters: new Map([
      ...around.parameters,
      // a value that has yet to be given is tried out as one
      ...chart.parameters.map((p) => [p.id, p.value ?? 1] as const),
    ]),
    quantities: new Map([...around.quantities, ...chart.parameters.map((p) => [p.id as string, p.quantity] as const)]),
  };
}

/** Answers that lead nowhere, and answers that are missing. */
function lintAnswers(
  graph: ChartGraph,
  node: ChartNode,
  choices: readonly Choice[],
  around: ChartSurroundings,
  at: Path,
): Finding[] {
  const findings: Finding[] = choices.flatMap((c): Finding[] =>
    c.next === null && !c.again
      ? [{ code: 'branch-open', severity: 'error', at, node: node.title, answer: c.answer }]
      : [],
  );
  const missing = (answer: string, severity: 'error' | 'warning') =>
    findings.push({ code: 'answer-missing', severity, at, node: node.title, answer } as Finding);
  const canTell = choices.some((c) => c.answer === cannotTell);
  if (node.kind === 'look' && !canTell) missing(cannotTell, 'warning');
  if ((node.kind === 'ask' || (node.kind === 'operate' && !node.watch)) && choices.length < 2)
    missing('a second answer', 'error');
  if (node.kind === 'split' && node.cases.length === 0) missing('a case', 'error');
  if (node.kind === 'split' && node.by.kind !== 'reading' && !node.otherwise && !coversAll(graph, node, around))
    missing(otherwise, 'warning');
  return findings;
}

/** Whether a split has a case for everything that may be: every variant it holds for, every control board, every answer. */
function coversAll(graph: ChartGraph, node: NodeOf<'split'>, around: ChartSurroundings): boolean {
  const { by, cases } = node;
  const { onlyVariants, family } = graph.chart;
  // a shared chart meets units of families that are not here
  if (family === null && by.kind !== 'answer') return false;
  const all = (): readonly string[] => {
    const variants = around.variants.filter((v) => onlyVariants.length === 0 || onlyVariants.includes(v.id));
    switch (by.kind) {
      case 'variant':
        return variants.map((v) => v.id);
      case 'option':
        return variants.every((v) => v.options[by.option] !== undefined)
          ? variants.flatMap((v) => v.options[by.option] ?? [])
          : [];
      case 'controller':
        return around.controllers;
      case 'answer':
        return graph.choices[graph.indexOf.get(by.node) ?? -1]?.map((c) => c.answer) ?? [];
      case 'code':
      case 'sub-code':
      case 'reading':
        return [];
    }
  };
  const possible = all();
  return possible.length > 0 && possible.every((is) => cases.some((c) => c.is === is));
}

/** What can hurt: energised work, work beyond the audience, what is left limited without a word. */
function lintSafety(node: ChartNode, chart: Chart, around: ChartSurroundings, at: Path): Finding[] {
  const hazards = node.hazards.flatMap((id) => around.hazards.get(id) ?? []);
  const findings: Finding[] = [];
  const needs = hazards.map((h) => h.scope).sort((a, b) => scopes.indexOf(b) - scopes.indexOf(a))[0];
  if (needs && scopes.indexOf(needs) > scopes.indexOf(chart.audience))
    findings.push({
      code: 'scope-exceeded',
      severity: 'warning',
      at,
      node: node.title,
      needs,
      audience: chart.audience,
    });
  if (node.kind === 'measure') findings.push(...lintShown(node, around.readouts, at));
  if (isLiveWork(node)) {
    const isolated = node.isolation !== undefined || hazards.some((h) => h.isolation.length > 0);
    const missing = [
      ...(node.hazards.length === 0 ? (['hazard'] as const) : []),
      ...(node.protection === undefined ? (['protection'] as const) : []),
      ...(isolated ? [] : (['isolation'] as const)),
    ];
    if (missing.length > 0)
      findings.push({ code: 'energised-unprotected', severity: 'error', at, node: node.title, missing });
  }
  if (
    node.kind === 'measure' &&
    node.supply === 'energised' &&
    (node.quantity === 'resistance' || node.band.kind === 'insulation')
  )
    findings.push({ code: 'ohms-energised', severity: 'error', at, node: node.title });
  if (node.kind === 'verdict' && node.verdict === 'left-limited' && (!node.putBack || node.putBackDays === undefined))
    findings.push({ code: 'limited-without-return', severity: 'error', at, node: node.title });
  if (node.kind === 'verdict' && node.verdict === 'hand-on' && !node.handOnTo)
    findings.push({ code: 'hand-on-to-nobody', severity: 'warning', at, node: node.title });
  return findings;
}

/** Loops in which nothing says how often, or where to go then. */
function lintRounds(graph: ChartGraph, at: Path): Finding[] {
  const { chart } = graph;
  return roundsOf(graph).flatMap((round): Finding[] => {
    const bounded = chart.afterRetries !== undefined || round.some((i) => graph.nodes[i]?.retries);
    const [first] = round;
    if (bounded || first === undefined) return [];
    return [
      {
        code: 'loop-unbounded',
        severity: 'error',
        at: [...at, 'nodes', first],
        nodes: round.map((i) => graph.nodes[i]?.title ?? ''),
      },
    ];
  });
}

/** A way out of a loop that is itself no end. */
function lintRetries(graph: ChartGraph, at: Path): Finding[] {
  const { chart } = graph;
  const isEnd = (id: string): boolean => graph.nodes.some((n) => n.id === id && n.kind === 'verdict');
  const leadsOn = (id: string, where: Path, node: string): Finding[] =>
    isEnd(id) ? [] : [{ code: 'retry-leads-on', severity: 'error', at: where, node }];
  return [
    ...(chart.afterRetries ? leadsOn(chart.afterRetries, [...at, 'afterRetries'], chart.title) : []),
    ...chart.nodes.flatMap((n, i): Finding[] => {
      if (!n.retries) return [];
      const here = [...at, 'nodes', i, 'retries'];
      return n.retries.after === null
        ? [{ code: 'branch-open', severity: 'error', at: here, node: n.title, answer: 'after the last try' }]
        : leadsOn(n.retries.after, here, n.title);
    }),
  ];
}

/** Whether every way on from a node comes to one that `does`, before it ends. */
function alwaysBefore(graph: ChartGraph, from: number, does: (node: ChartNode) => boolean): boolean {
  const seen = new Set<number>();
  const open = [...(graph.next[from] ?? [])];
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    if (seen.has(at)) continue;
    seen.add(at);
    const node = graph.nodes[at];
    if (!node || does(node)) continue;
    if (node.kind === 'verdict' || (graph.next[at] ?? []).length === 0) return false;
    open.push(...(graph.next[at] ?? []));
  }
  return true;
}

/** Covers that come off: by a way that says nothing of the way back, or by words with no step that puts them back. */
function lintCovers(graph: ChartGraph, around: ChartSurroundings, at: Path): Finding[] {
  return graph.nodes.flatMap((node, i): Finding[] => {
    const oneWay = node.ways
      .flatMap((id) => around.ways.get(id) ?? [])
      .filter((way) => way.opens.length > 0 && way.steps.every((s) => s.back === undefined));
    const putsBack = (n: ChartNode) => n.kind === 'act' && n.act === 'put-back';
    const byWords = node.access !== undefined && node.ways.length === 0 && !putsBack(node) ? [node.access] : [];
    return [...oneWay.map((w) => w.name), ...byWords]
      .filter(() => !alwaysBefore(graph, i, putsBack))
      .map((cover) => ({
        code: 'cover-left-open',
        severity: 'warning',
        at: [...at, 'nodes', i],
        node: node.title,
        cover,
      }));
  });
}

/** Parts put in anew whose family demands a recalibration that no way on comes to. */
function lintRecalibration(graph: ChartGraph, around: ChartSurroundings, at: Path): Finding[] {
  return graph.nodes.flatMap((node, i): Finding[] => {
    if (node.kind !== 'act' || node.act !== 'replace' || !node.part || node.recalibrate) return [];
    const part = around.parts.get(node.part);
    if (!part?.recalibrateBy && !part?.afterReplacing) return [];
    const does = (n: ChartNode) =>
      n.kind === 'operate' &&
      n.route !== undefined &&
      (part.recalibrateBy ? n.route === part.recalibrateBy : around.calibrating.has(n.route));
    if (alwaysBefore(graph, i, does)) return [];
    return [
      {
        code: 'recalibration-missing',
        severity: 'warning',
        at: [...at, 'nodes', i],
        node: node.title,
        part: part.name,
        demands: part.afterReplacing ?? '',
      },
    ];
  });
}

/** Suspects of a code, by part, that no node of its chart is about. */
export function untestedSuspects(chart: Chart, parts: readonly PartId[]): PartId[] {
  const about = new Set(partsAbout(chart));
  return parts.filter((part) => !about.has(part));
}
