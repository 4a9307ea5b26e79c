import type { NodeId } from '../base/ids.ts';
import { type Chart, ChartNode } from '../model/chart.ts';
import { occurrencesIn, putText } from '../model/occurrence.ts';
import { changeTargets, choicesOf, leadAnswer } from './choices.ts';
import { drawnOf, freshId, headOf, nodeFromHead, plainLabel, sharedFields } from './drawn.ts';
import { outlineRows } from './outline.ts';

/** One place a step may stand: an answer of another step. */
export type Place = Readonly<{ node: string; answer: string }>;

const nodeIn = (chart: Chart, id: string): ChartNode | undefined => chart.nodes.find((n) => n.id === id);
/** A chart with a step changed. */
export const withNode = (chart: Chart, node: ChartNode): Chart => ({
  ...chart,
  nodes: chart.nodes.map((n) => (n.id === node.id ? node : n)),
});
const isSingle = (node: ChartNode): node is Extract<ChartNode, { kind: 'act' | 'wait' | 'set' }> =>
  node.kind === 'act' || node.kind === 'wait' || node.kind === 'set';

/** Where an answer leads now; null at an open end or where there is no such answer. */
function nextOf(chart: Chart, { node, answer }: Place): NodeId | null {
  const from = nodeIn(chart, node);
  return (from && choicesOf(from, {}).find((c) => c.answer === answer)?.next) ?? null;
}

/** Leads an answer to a step, or opens its end with null. An answer that is not there is added where the step takes any. */
export function leadTo(chart: Chart, place: Place, to: string | null): Chart {
  const from = nodeIn(chart, place.node);
  if (!from || (to !== null && !nodeIn(chart, to))) return chart;
  return withNode(chart, leadAnswer(from, place.answer, to as NodeId | null));
}

/** The first way on of a step that has none yet: where what followed before goes on. */
const firstWay = (node: ChartNode): string | null =>
  choicesOf(node, {}).find((c) => !c.again && c.next === null)?.answer ?? null;

/**
 * Puts a new step where an answer leads; what stood there follows on the new step's first way. With null it becomes the
 * chart's start. Gives the chart and the new step's id.
 */
export function addStep(
  chart: Chart,
  place: Place | null,
  step: { head: string; title: string },
): { chart: Chart; id: NodeId } {
  const id = freshId(step.title, new Set(chart.nodes.map((n) => n.id as string)));
  const made = nodeFromHead(id, step.head, plainLabel(step.title));
  if (!made) return { chart, id: chart.start };
  const after = place ? nextOf(chart, place) : (nodeIn(chart, chart.start)?.id ?? null);
  const way = firstWay(made);
  const node = after !== null && way !== null ? leadAnswer(made, way, after) : made;
  const at = place ? chart.nodes.findIndex((n) => n.id === place.node) + 1 : 0;
  const nodes = [...chart.nodes.slice(0, at), node, ...chart.nodes.slice(at)];
  const grown = { ...chart, nodes, ...(place ? {} : { start: id }) };
  return { chart: place ? leadTo(grown, place, id) : grown, id };
}

/** Gives a step one more answer, open; only questions, what is run, and splits take any. */
export function addAnswer(chart: Chart, id: string, answer: string): Chart {
  const node = nodeIn(chart, id);
  const text = plainLabel(answer);
  if (!node || choicesOf(node, {}).some((c) => c.answer === text)) return chart;
  return withNode(chart, leadAnswer(node, text, null));
}

/** Calls an answer otherwise. Looks and measurements have answers of their own and keep them. */
export function renameAnswer(chart: Chart, { node: id, answer }: Place, to: string): Chart {
  const node = nodeIn(chart, id);
  const text = plainLabel(to);
  if (!node || choicesOf(node, {}).some((c) => c.answer === text)) return chart;
  if (node.kind === 'ask' || node.kind === 'operate')
    return withNode(chart, {
      ...node,
      answers: node.answers.map((a) => (a.answer === answer ? { ...a, answer: text } : a)),
    });
  if (node.kind === 'split')
    return withNode(chart, { ...node, cases: node.cases.map((c) => (c.is === answer ? { ...c, is: text } : c)) });
  return chart;
}

/** Takes an answer away; one a step cannot be without is opened instead. */
export function removeAnswer(chart: Chart, { node: id, answer }: Place): Chart {
  const node = nodeIn(chart, id);
  if (!node) return chart;
  const without = <T extends { answer?: string; is?: string }>(list: readonly T[]): T[] =>
    list.filter((a) => a.answer !== answer && a.is !== answer);
  if ((node.kind === 'ask' || node.kind === 'operate') && node.answers.some((a) => a.answer === answer))
    return withNode(chart, { ...node, answers: without(node.answers) } as ChartNode);
  if (node.kind === 'split' && node.cases.some((c) => c.is === answer))
    return withNode(chart, { ...node, cases: without(node.cases) });
  return leadTo(chart, { node: id, answer }, null);
}

/** Moves an answer up or down among its step's. */
export function moveAnswer(chart: Chart, { node: id, answer }: Place, by: -1 | 1): Chart {
  const node = nodeIn(chart, id);
  if (!node) return chart;
  const moved = <T>(list: readonly T[], at: number): T[] => {
    const to = at + by;
    if (at < 0 || to < 0 || to >= list.length) return [...list];
    const copy = [...list];
    [copy[at], copy[to]] = [copy[to] as T, copy[at] as T];
    return copy;
  };
  if (node.kind === 'ask' || node.kind === 'operate')
    return withNode(chart, {
      ...node,
      answers: moved(
        node.answers,
        node.answers.findIndex((a) => a.answer === answer),
      ),
    });
  if (node.kind === 'split')
    return withNode(chart, {
      ...node,
      cases: moved(
        node.cases,
        node.cases.findIndex((c) => c.is === answer),
      ),
    });
  return chart;
}

/** Takes a step out. What led to it leads to what followed, where it had one way on; else those ends are open. */
export function removeStep(chart: Chart, id: string): Chart {
  const node = nodeIn(chart, id);
  if (!node || chart.nodes.length === 1) return chart;
  const follows = isSingle(node) && node.next !== id ? node.next : null;
  const heal = (to: NodeId): NodeId | null => (to === id ? follows : to);
  const nodes = chart.nodes.filter((n) => n.id !== id).map((n) => changeTargets(n, heal));
  const { cannotTell, afterRetries, ...rest } = chart;
  const start = chart.start === id ? (follows ?? nodes[0]?.id ?? chart.start) : chart.start;
  return {
    ...rest,
    ...(cannotTell && cannotTell !== id ? { cannotTell } : {}),
    ...(afterRetries && afterRetries !== id ? { afterRetries } : {}),
    start,
    nodes,
  };
}

/** Makes a step another kind: what any step may have stays, and the ways on that both kinds have keep leading. */
export function changeKind(chart: Chart, id: string, head: string): Chart {
  const node = nodeIn(chart, id);
  if (!node || headOf(node) === head) return chart;
  const made = nodeFromHead(id, head, node.title);
  if (!made) return chart;
  const before = choicesOf(node, {}).filter((c) => c.next !== null);
  let now: ChartNode = { ...made, ...sharedFields(node) } as ChartNode;
  const ways = new Set(choicesOf(now, {}).map((c) => c.answer));
  const left: NodeId[] = [];
  for (const choice of before) {
    const takesAny = now.kind === 'ask' || now.kind === 'split' || (now.kind === 'operate' && !now.watch);
    if (ways.has(choice.answer) || takesAny) now = leadAnswer(now, choice.answer, choice.next);
    else if (choice.next) left.push(choice.next);
  }
  // what has no way of the same name goes on where one is still open
  for (const to of left) {
    const way = firstWay(now);
    if (way !== null) now = leadAnswer(now, way, to);
  }
  return withNode(chart, now);
}

/** Answers in the order of the outline, with what they lead to. */
function places(chart: Chart): Array<Place & { to: string | null }> {
  return outlineRows(drawnOf(chart)).flatMap((row) => {
    if (row.kind === 'answer') return [{ node: row.node, answer: row.answer, to: row.to }];
    if (row.kind === 'link') return [];
    const node = row.kind === 'step' ? nodeIn(chart, row.node) : undefined;
    return node && isSingle(node) ? [{ node: node.id, answer: 'done', to: node.next }] : [];
  });
}

/** The place a step stands at in the outline; null for the start and for what nothing leads to. */
export function placeOf(chart: Chart, id: string): Place | null {
  const row = outlineRows(drawnOf(chart)).find((r) => r.kind === 'step' && r.node === id);
  return row?.kind === 'step' ? row.from : null;
}

/**
 * Moves a step in the outline. Past the one-way step beside it, they change places; else it goes, with all that follows,
 * to the nearest open end above or below.
 */
export function moveStep(chart: Chart, id: string, by: -1 | 1): Chart {
  const node = nodeIn(chart, id);
  const from = placeOf(chart, id);
  if (!node || !from) return chart;
  const above = nodeIn(chart, from.node);
  if (by === -1 && above && isSingle(above) && isSingle(node)) return swap(chart, above, node);
  if (by === 1 && isSingle(node) && node.next) {
    const below = nodeIn(chart, node.next);
    if (below && isSingle(below) && placeOf(chart, below.id)?.node === id) return swap(chart, node, below);
  }
  const all = places(chart);
  const at = all.findIndex((p) => p.node === from.node && p.answer === from.answer);
  const inside = below(chart, id);
  const open = (p: Place & { to: string | null }) => p.to === null && !inside.has(p.node);
  const to = by === 1 ? all.slice(at + 1).find(open) : all.slice(0, at).findLast(open);
  if (!to) return chart;
  return leadTo(leadTo(chart, from, null), to, id);
}

/** A step and what follows it in the outline. */
function below(chart: Chart, id: string): ReadonlySet<string> {
  const found = new Set<string>();
  const open = [id];
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    if (found.has(at)) continue;
    found.add(at);
    const node = nodeIn(chart, at);
    if (node)
      open.push(...choicesOf(node, {}).flatMap((c) => (c.next && placeOf(chart, c.next)?.node === at ? [c.next] : [])));
  }
  return found;
}

/** Two one-way steps that follow each other, the other way round. */
function swap(chart: Chart, first: ChartNode, second: ChartNode): Chart {
  if (!isSingle(first) || !isSingle(second)) return chart;
  const after = second.next;
  const lead = (to: NodeId): NodeId => (to === first.id ? second.id : to);
  const nodes = chart.nodes.map((n): ChartNode => {
    if (n.id === first.id) return { ...first, next: after === first.id ? second.id : after };
    if (n.id === second.id) return { ...second, next: first.id };
    return changeTargets(n, lead);
  });
  return { ...chart, nodes, start: chart.start === first.id ? second.id : chart.start };
}

/**
 * Indents a step: the one-way step above becomes a question, and this step its first answer. Under a question it goes,
 * with all that follows, to that question's next open answer.
 */
export function indentStep(chart: Chart, id: string): Chart {
  const from = placeOf(chart, id);
  const above = from && nodeIn(chart, from.node);
  if (!from || !above) return chart;
  if (isSingle(above)) return changeKind(chart, above.id, 'look');
  const open = choicesOf(above, {}).find((c) => c.next === null && !c.again);
  return open ? leadTo(leadTo(chart, from, null), { node: above.id, answer: open.answer }, id) : chart;
}

/** Takes a step out one level: the question above becomes a one-way step before it, where no other answer leads on. */
export function outdentStep(chart: Chart, id: string): Chart {
  const from = placeOf(chart, id);
  const above = from && nodeIn(chart, from.node);
  if (!from || !above || isSingle(above)) return chart;
  const others = choicesOf(above, {}).filter((c) => c.answer !== from.answer && c.next !== null && c.next !== id);
  if (others.length === 0) return changeKind(chart, above.id, 'act adjust');
  const up = placeOf(chart, above.id);
  const open = up && choicesOf(nodeIn(chart, up.node) as ChartNode, {}).find((c) => c.next === null && !c.again);
  return up && open ? leadTo(leadTo(chart, from, null), { node: up.node, answer: open.answer }, id) : chart;
}

/** Puts the steps of another chart, such as a template, where an answer leads; their ids are made anew where taken. */
export function insertChart(chart: Chart, place: Place | null, other: Chart): Chart {
  const taken = new Set(chart.nodes.map((n) => n.id as string));
  const ids = new Map<NodeId, NodeId>();
  for (const node of other.nodes) {
    const id = taken.has(node.id) ? freshId(`${node.id}`, taken) : node.id;
    taken.add(id);
    ids.set(node.id, id);
  }
  const nodes = other.nodes.map((n) =>
    occurrencesIn(ChartNode, n).reduce<ChartNode>((now, found) => {
      const to = found.kinds.includes('node') ? ids.get(found.text as NodeId) : undefined;
      return to === undefined || to === found.text ? now : (putText(now, found, to) as ChartNode);
    }, n),
  );
  const start = ids.get(other.start);
  const grown: Chart = {
    ...chart,
    parameters: [...chart.parameters, ...other.parameters.filter((p) => !chart.parameters.some((q) => q.id === p.id))],
    roles: [...chart.roles, ...other.roles.filter((r) => !chart.roles.some((q) => q.id === r.id))],
    nodes: [...chart.nodes, ...nodes],
  };
  return place && start ? leadTo(grown, place, start) : grown;
}
