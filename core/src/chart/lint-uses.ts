import type { ChartId, ModeId, NodeId, PartId, RouteId } from '../base/ids.ts';
import type { Path } from '../base/path.ts';
import { isKept } from '../code/prove.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Chart } from '../model/chart.ts';
import type { Code, Symptom } from '../model/code.ts';
import type { Finding } from '../model/finding.ts';
import type { Mode } from '../model/mode.ts';
import type { Readout } from '../model/readout.ts';
import type { Route } from '../model/route.ts';
import { entriesOf } from '../model/select.ts';
import { chartsCalled, lintCalls, missingOfUse } from './calls.ts';
import { choicesOf } from './choices.ts';
import { fillChart } from './fill.ts';
import { partsAbout } from './graph.ts';
import { lintChart, untestedSuspects } from './lint.ts';
import type { ChartSurroundings } from './surroundings.ts';

/** What a family and its library say, as a chart is held against it. */
function surroundings(bundle: Bundle): ChartSurroundings {
  const families = entriesOf(bundle, 'family');
  return {
    parameters: new Map(families.flatMap((f) => f.parameters.map((p) => [p.id, p.value] as const))),
    quantities: new Map(families.flatMap((f) => f.parameters.map((p) => [p.id as string, p.quantity] as const))),
    hazards: new Map(entriesOf(bundle, 'hazard').map((h) => [h.id, h])),
    ways: new Map(entriesOf(bundle, 'access').map((a) => [a.id as string, a])),
    parts: new Map(families.flatMap((f) => f.parts.map((p) => [p.id, p] as const))),
    instruments: new Map(entriesOf(bundle, 'instrument').map((i) => [i.id as string, i])),
    readouts: new Map(entriesOf(bundle, 'readout').map((r) => [r.id as string, r])),
    pictures: new Map(entriesOf(bundle, 'asset').map((a) => [a.id as string, a])),
    variants: families.flatMap((f) => f.variants),
    controllers: families.flatMap((f) => f.controllers.map((c) => c.id as string)),
    calibrating: new Set(
      entriesOf(bundle, 'route').flatMap((r) => (r.purpose === 'calibrate' ? [r.id as string] : [])),
    ),
  };
}

/** Findings of all charts of a bundle, and of the codes and symptoms that use them. */
export function lintCharts(bundle: Bundle): Finding[] {
  const around = surroundings(bundle);
  const charts = new Map(entriesOf(bundle, 'chart').map((c) => [c.id, c]));
  const users = usersOf(bundle, charts);
  const served = new Map<ChartId, Set<PartId>>();
  const findings: Finding[] = [];
  bundle.entries.forEach((entry, i) => {
    const at: Path = ['entries', i];
    if (entry.kind === 'chart')
      findings.push(...lintChart({ chart: entry, around, at }), ...lintCalls(entry, charts, bundle, at));
    if (entry.kind !== 'code' && entry.kind !== 'symptom') return;
    const used = entry.chart ? charts.get(entry.chart) : undefined;
    if (!used) return;
    findings.push(...lintUse(entry, used, users, at));
    for (const chart of chartsCalled(used, charts)) {
      const parts = served.get(chart.id) ?? new Set<PartId>();
      for (const s of entry.suspects) if (s.part) parts.add(s.part);
      served.set(chart.id, parts);
    }
  });
  bundle.entries.forEach((entry, i) => {
    const suspects = entry.kind === 'chart' ? served.get(entry.id) : undefined;
    // a chart with roles is about other families' parts as well
    if (entry.kind === 'chart' && suspects && entry.roles.length === 0)
      findings.push(...lintUnneeded(entry, suspects, users.parts, ['entries', i]));
  });
  return findings;
}

/** Tests that are about parts nobody suspects, and that no verdict is about either. */
function lintUnneeded(chart: Chart, suspects: ReadonlySet<PartId>, names: Users['parts'], at: Path): Finding[] {
  const causes = new Set(chart.nodes.flatMap((n) => (n.kind === 'verdict' && n.cause ? [n.cause] : [])));
  return chart.nodes.flatMap((n, i): Finding[] =>
    n.about.length > 0 && n.kind !== 'verdict' && n.about.every((part) => !suspects.has(part) && !causes.has(part))
      ? [
          {
            code: 'test-unneeded',
            severity: 'hint',
            at: [...at, 'nodes', i],
            node: n.title,
            parts: n.about.map((part) => names.get(part) ?? part),
          },
        ]
      : [],
  );
}

/** What the users of charts are held against, looked up once for all of them. */
type Users = Readonly<{
  charts: ReadonlyMap<ChartId, Chart>;
  routes: ReadonlyMap<RouteId, Route>;
  modes: ReadonlyMap<ModeId, Mode>;
  /** How long each mode waits without a hand, where it times out. */
  idle: ReadonlyMap<ModeId, number>;
  /** What the parts are called. */
  parts: ReadonlyMap<PartId, string>;
  readouts: ReadonlyMap<string, Readout>;
  /** There is a way to erase any code. */
  clears: boolean;
}>;

function usersOf(bundle: Bundle, charts: ReadonlyMap<ChartId, Chart>): Users {
  const routes = entriesOf(bundle, 'route');
  return {
    charts,
    routes: new Map(routes.map((r) => [r.id, r])),
    modes: new Map(entriesOf(bundle, 'mode').map((m) => [m.id, m])),
    idle: idleTimes(bundle),
    parts: new Map(entriesOf(bundle, 'family').flatMap((f) => f.parts.map((p) => [p.id, p.name] as const))),
    readouts: new Map(entriesOf(bundle, 'readout').map((r) => [r.id, r])),
    clears: routes.some((r) => r.purpose === 'clear' && r.onlyFor.length === 0),
  };
}

/** How long each mode waits without a hand, where it times out. */
function idleTimes(bundle: Bundle): ReadonlyMap<ModeId, number> {
  return new Map(
    entriesOf(bundle, 'mode').flatMap((m) => {
      const after = m.transitions.flatMap((t) => (t.on.kind === 'idle' ? [t.on.afterMs] : []));
      return after.length > 0 ? [[m.id, Math.min(...after)] as const] : [];
    }),
  );
}

function lintUse(user: Code | Symptom, used: Chart, users: Users, at: Path): Finding[] {
  const { charts, routes, idle } = users;
  const text = user.kind === 'code' ? user.text : user.title;
  const chart = fillChart(used, user.chartUse);
  const missing = missingOfUse(used, user.chartUse);
  const parts = [...new Set(user.suspects.flatMap((s) => s.part ?? []))];
  const calledParts = new Set(
    chart.nodes.flatMap((n) => {
      const called = n.kind === 'call' ? charts.get(n.chart) : undefined;
      return called && n.kind === 'call' ? chartsCalled(fillChart(called, n.use), charts).flatMap(partsAbout) : [];
    }),
  );
  const repairs = chart.nodes.some((n) => n.kind === 'verdict' && n.verdict === 'cause-found');
  const calls = chart.nodes.some((n) => n.kind === 'call');
  // what is only handed on is tested by whoever it is handed to
  const tested = repairs || calls ? untestedSuspects(chart, parts) : [];
  const findings: Finding[] = tested
    .filter((part) => !calledParts.has(part))
    .map((part) => ({
      code: 'suspect-untested',
      severity: 'warning',
      at: [...at, 'suspects'],
      text,
      part: users.parts.get(part) ?? part,
      chart: chart.title,
    }));
  if (missing.length > 0)
    findings.push({
      code: 'use-incomplete',
      severity: 'error',
      at: [...at, 'chart'],
      user: text,
      chart: used.title,
      missing,
    });
  if (repairs && user.kind === 'code') {
    const isStored = isKept(user, users.readouts.get(user.readout ?? ''));
    if (isStored && user.clear === null && !users.clears && user.detection.erasedAfterCleanCycles === null)
      findings.push({
        code: 'chart-without-clear',
        severity: 'warning',
        at: [...at, 'clear'],
        text,
        chart: chart.title,
      });
    const { threshold, onlyWhen, notWatchedCycles, inARow, forMs } = user.detection;
    if (!threshold && !onlyWhen && notWatchedCycles === 0 && inARow === 1 && forMs === undefined)
      findings.push({
        code: 'chart-without-prove',
        severity: 'hint',
        at: [...at, 'detection'],
        text,
        chart: chart.title,
      });
  }
  const enter = user.enter ? routes.get(user.enter) : undefined;
  const mode = enter?.to ?? null;
  const idleMs = mode === null ? undefined : idle.get(mode);
  if (mode !== null && idleMs !== undefined) findings.push(...lintIdle(user, chart, { mode, idleMs, users, at }));
  return findings;
}

/** Things the unit is asked to do in a mode that has timed out by then, because nobody touched it for so long. */
function lintIdle(
  user: Code | Symptom,
  chart: Chart,
  { mode, idleMs, users, at }: { mode: ModeId; idleMs: number; users: Users; at: Path },
): Finding[] {
  const name = users.modes.get(mode)?.name ?? mode;
  const needsMode = chart.nodes.filter((n) => {
    if (n.kind !== 'operate') return false;
    const from = n.route ? users.routes.get(n.route)?.from : undefined;
    return n.test?.mode === mode || (from !== undefined && from !== 'any' && from.includes(mode));
  });
  return needsMode.flatMap((node): Finding[] => {
    const minutes = longestUntouched(chart, node.id);
    if (minutes * 60_000 <= idleMs) return [];
    return [
      {
        code: 'chart-outlasts-mode',
        severity: 'warning',
        at: [...at, 'chart'],
        text: user.kind === 'code' ? user.text : user.title,
        node: node.title,
        mode: name,
        minutes,
        idleMs,
      },
    ];
  });
}

/** The most minutes that pass without a hand on the unit before a node, each node counted once. */
function longestUntouched(chart: Chart, to: NodeId): number {
  const byId = new Map(chart.nodes.map((n) => [n.id, n]));
  const before = new Map<NodeId, NodeId[]>();
  for (const n of chart.nodes)
    for (const c of choicesOf(n, chart)) if (c.next) before.set(c.next, [...(before.get(c.next) ?? []), n.id]);
  const known = new Map<NodeId, number>();
  const under = new Set<NodeId>();
  const most = (id: NodeId): number => {
    const done = known.get(id);
    if (done !== undefined) return done;
    if (under.has(id)) return 0;
    under.add(id);
    const ways = (before.get(id) ?? []).map((from) => {
      const node = byId.get(from);
      if (!node) return 0;
      return node.kind === 'operate' ? node.minutes : node.minutes + most(from);
    });
    under.delete(id);
    const value = Math.max(0, ...ways);
    known.set(id, value);
    return value;
  };
  return most(to);
}
