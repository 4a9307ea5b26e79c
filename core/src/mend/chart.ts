import type { NodeId } from '../base/ids.ts';
import { changeTargets } from '../chart/choices.ts';
import { freshId } from '../chart/drawn.ts';
import { leadTo, removeStep, withNode } from '../chart/edit.ts';
import type { Bundle } from '../model/bundle.ts';
import { type Chart, ChartNode } from '../model/chart.ts';
import type { Finding } from '../model/finding.ts';
import { entriesOf } from '../model/select.ts';
import { entryOf, type Mend, type Menders } from './mend.ts';

/** The chart a finding is in, and its step there. */
function nodeOf(finding: Finding, bundle: Bundle): { chart: Chart; node: ChartNode } | null {
  const chart = entryOf(finding, bundle, 'chart');
  const [, , list, index] = finding.at;
  const node = list === 'nodes' && typeof index === 'number' ? chart?.nodes[index] : undefined;
  return chart && node ? { chart, node } : null;
}

const only = (words: string, chart: Chart): Mend[] => [{ words, entries: [chart] }];
const idIn = (chart: Chart, words: string): NodeId => freshId(words, new Set(chart.nodes.map((n) => n.id as string)));

/** A chart with a result that hands on: the one it has, or a new one. */
function withHandOn(chart: Chart): { chart: Chart; to: NodeId; words: string } {
  const own = chart.nodes.find((n) => n.kind === 'verdict' && n.verdict === 'hand-on');
  if (own) return { chart, to: own.id, words: `“${own.title}”` };
  const title = 'Hand on with what was found';
  const id = idIn(chart, title);
  const node = ChartNode.parse({
    kind: 'verdict',
    id,
    title,
    verdict: 'hand-on',
    handOnTo: 'somebody who knows the unit',
  });
  return { chart: { ...chart, nodes: [...chart.nodes, node] }, to: id, words: 'a new result that hands on' };
}

/** A chart with one more step in front of another: whatever led to that one leads to the new one. */
function before(chart: Chart, id: NodeId, made: (own: NodeId, next: NodeId) => object, words: string): Chart {
  const own = idIn(chart, words);
  const node = ChartNode.parse(made(own, id));
  const at = chart.nodes.findIndex((n) => n.id === id);
  const led = chart.nodes.map((n) => changeTargets(n, (to) => (to === id ? own : to)));
  return {
    ...chart,
    ...(chart.start === id ? { start: own } : {}),
    ...(chart.cannotTell === id ? { cannotTell: own } : {}),
    ...(chart.afterRetries === id ? { afterRetries: own } : {}),
    nodes: [...led.slice(0, at), node, ...led.slice(at)],
  };
}

/** The results that may come behind a step. */
function resultsBehind(chart: Chart, from: NodeId): NodeId[] {
  const byId = new Map(chart.nodes.map((n) => [n.id, n] as const));
  const seen = new Set<NodeId>();
  const found: NodeId[] = [];
  const open = [from];
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    const node = byId.get(at);
    if (!node || seen.has(at)) continue;
    seen.add(at);
    if (node.kind === 'verdict') found.push(at);
    changeTargets(node, (to) => {
      open.push(to);
      return to;
    });
    if (node.kind === 'look' && chart.cannotTell && !node.cannotTell) open.push(chart.cannotTell);
    if (chart.afterRetries) open.push(chart.afterRetries);
  }
  return found;
}

/** Whether an answer names a step as where it leads, though no walk may come that way. */
function isNamed({ nodes, start }: Chart, id: NodeId): boolean {
  let named = start === id;
  for (const node of nodes)
    changeTargets(node, (to) => {
      named ||= to === id && node.id !== id;
      return to;
    });
  return named;
}

const takeOut = (f: Finding, bundle: Bundle): Mend[] => {
  const found = nodeOf(f, bundle);
  return found && found.chart.nodes.length > 1
    ? only(`Take “${found.node.title}” out`, removeStep(found.chart, found.node.id))
    : [];
};
/** An answer that names it would be left open. */
const takeOutUnnamed = (f: Finding, bundle: Bundle): Mend[] => {
  const found = nodeOf(f, bundle);
  return found && !isNamed(found.chart, found.node.id) ? takeOut(f, bundle) : [];
};

/** What can be done about findings of a chart and its steps. */
export const chartMenders: Menders = {
  'node-unreachable': takeOutUnnamed,
  'verdict-unreachable': takeOutUnnamed,
  'test-unneeded': takeOut,
  'branch-open': (f, bundle) => {
    const found = nodeOf(f, bundle);
    if (!found) return [];
    const { chart, to, words } = withHandOn(found.chart);
    if (f.at.at(-1) !== 'retries')
      return only(`Lead “${f.answer}” to ${words}`, leadTo(chart, { node: found.node.id, answer: f.answer }, to));
    const { retries } = found.node;
    if (!retries) return [];
    return only(`After the last try, ${words}`, withNode(chart, { ...found.node, retries: { ...retries, after: to } }));
  },
  'answer-missing': (f, bundle) => {
    const found = nodeOf(f, bundle);
    if (!found || (f.answer !== 'cannot tell' && f.answer !== 'something else')) return [];
    const { chart, to, words } = withHandOn(found.chart);
    if (f.answer === 'cannot tell')
      return only(`Where nobody can tell, ${words}: for the whole chart`, { ...chart, cannotTell: to });
    return found.node.kind === 'split'
      ? only(`Lead everything else to ${words}`, withNode(chart, { ...found.node, otherwise: to }))
      : [];
  },
  'loop-unbounded': (f, bundle) => {
    const found = nodeOf(f, bundle);
    if (!found) return [];
    const { chart, to, words } = withHandOn(found.chart);
    return only(`After the ${chart.mostVisits === 3 ? 'third' : `${chart.mostVisits}th`} time, ${words}`, {
      ...chart,
      afterRetries: to,
    });
  },
  'hand-on-to-nobody': (f, bundle) => {
    const found = nodeOf(f, bundle);
    if (found?.node.kind !== 'verdict') return [];
    const own = found.node;
    return ['a licensed person', 'the maker’s service', 'the school’s bench'].flatMap((who) =>
      only(`To ${who}`, withNode(found.chart, { ...own, handOnTo: who })),
    );
  },
  'run-while-isolated': (f, bundle) => {
    const found = nodeOf(f, bundle);
    if (!found) return [];
    const title = 'Put the supply back on';
    return only(
      'Put the supply back before it',
      before(
        found.chart,
        found.node.id,
        (id, next) => ({
          kind: 'act',
          act: 'put-back',
          id,
          title,
          text: 'Everything that was taken off for a reading goes back on, covers that protect as well. Warn whoever is near, keep hands clear, then switch the supply on.',
          next,
        }),
        title,
      ),
    );
  },
  'cover-left-open': (f, bundle) => {
    const found = nodeOf(f, bundle);
    if (!found) return [];
    const ends = resultsBehind(found.chart, found.node.id);
    if (ends.length === 0 || ends.length > 12) return [];
    const title = `Put back: ${f.cover}`.slice(0, 100);
    const chart = ends.reduce(
      (now, end) => before(now, end, (id, next) => ({ kind: 'act', act: 'put-back', id, title, next }), title),
      found.chart,
    );
    return only(
      `Put it back before ${ends.length === 1 ? 'the result' : `each of the ${ends.length} results`} behind it`,
      chart,
    );
  },
  'recalibration-missing': (f, bundle) => {
    const found = nodeOf(f, bundle);
    if (found?.node.kind !== 'act') return [];
    const own = found.node;
    return entriesOf(bundle, 'route')
      .filter((r) => r.purpose === 'calibrate')
      .slice(0, 4)
      .flatMap((r) =>
        only(`Recalibrate after it by “${r.name}”`, withNode(found.chart, { ...own, recalibrate: r.id })),
      );
  },
};
