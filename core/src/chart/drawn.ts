import { NodeId } from '../base/ids.ts';
import { quantities } from '../base/quantity.ts';
import { assertNever } from '../base/result.ts';
import { freeIn } from '../base/slug.ts';
import { type Chart, ChartNode, type NodeKind, nodeKinds } from '../model/chart.ts';
import { changeTargets, choicesOf, leadAnswer } from './choices.ts';

/** What an outline and a Mermaid flowchart both say of a chart: its steps, what they are called, what leads where. */
export type DrawnAnswer = Readonly<{ answer: string; next: string | null }>;
export type DrawnNode = Readonly<{
  id: string;
  /** The kind and what else its head says, e.g. `measure resistance`, `wait 10 min`. */
  head: string;
  title: string;
  answers: readonly DrawnAnswer[];
  /** What was read of a node besides, such as its good band. */
  fields?: Readonly<Record<string, unknown>>;
}>;
export type Drawn = Readonly<{ start: string; nodes: readonly DrawnNode[] }>;

const acts = ['clean', 'reseat', 'adjust', 'replace', 'isolate', 'put-back'] as const;
const verdicts = ['cause-found', 'hand-on', 'nothing-found', 'unsafe-stop', 'left-limited'] as const;

const spans = [
  ['h', 3_600_000],
  ['min', 60_000],
  ['s', 1000],
  ['ms', 1],
] as const;
/** A wait in the largest unit it is a whole number of. */
export const waitText = (ms: number): string => {
  const [unit, size] = spans.find(([, s]) => ms % s === 0) ?? ['ms', 1];
  return `${ms / size} ${unit}`;
};

/** The kind of a node and what belongs to it, in words that fit one line. */
export function headOf(node: ChartNode): string {
  switch (node.kind) {
    case 'measure':
      return `measure ${node.quantity}`;
    case 'act':
      return `act ${node.act}`;
    case 'wait':
      return `wait ${waitText(node.waitMs)}`;
    case 'set':
      return `set ${node.setting}`;
    case 'call':
      return `call ${node.chart}`;
    case 'verdict':
      return `verdict ${node.verdict}`;
    case 'compare':
      return `compare ${node.reading} ${node.as}`;
    case 'split':
      return `split ${[node.by.kind, 'node' in node.by ? node.by.node : 'option' in node.by ? node.by.option : ''].join(' ').trim()}`;
    case 'ask':
    case 'look':
    case 'operate':
    case 'remedies':
      return node.kind;
    default:
      return assertNever(node);
  }
}

const isNodeKind = (text: string): text is NodeKind => nodeKinds.some((kind) => kind === text);

/** A node of a kind that is not filled in yet; what its head says is taken, the rest is for somebody to write. */
export function nodeFromHead(id: string, head: string, title: string): ChartNode | null {
  const [kind = '', ...words] = head.trim().split(/\s+/);
  const [word = ''] = words;
  if (!isNodeKind(kind)) return null;
  const plain = { id: id as NodeId, title, kind };
  const more = ((): Record<string, unknown> => {
    switch (kind) {
      case 'look':
        return { yes: null, no: null };
      case 'ask':
      case 'operate':
        return { answers: [], ...(kind === 'operate' ? { watchFor: title } : {}) };
      case 'measure':
        return {
          quantity: (quantities as readonly string[]).includes(word) ? word : 'resistance',
          probes: ['one end', 'the other end'],
          supply: 'dead',
          band: { kind: 'fixed', least: null, most: null },
          pass: null,
          low: null,
          high: null,
        };
      case 'compare':
        return {
          reading: word || id,
          as: words[1] === 'difference' ? 'difference' : 'ratio',
          against: { kind: 'amount', amount: 1 },
          least: null,
          most: null,
          pass: null,
          low: null,
          high: null,
        };
      case 'remedies':
        return {
          question: 'Does it come again?',
          remedies: [{ do: title }],
          stopped: null,
          comesAgain: null,
        };
      case 'act':
        return { act: (acts as readonly string[]).includes(word) ? word : 'adjust', next: null };
      case 'wait': {
        const size = spans.find(([unit]) => unit === words[1])?.[1];
        return { waitMs: size && Number(word) > 0 ? Number(word) * size : 600_000, next: null };
      }
      case 'set':
        return { setting: word || 'setting', next: null };
      case 'split': {
        const rest = words.slice(1).join(' ');
        const by =
          word === 'answer' || word === 'reading'
            ? { kind: word, node: rest || id }
            : word === 'option'
              ? { kind: word, option: rest || 'option' }
              : { kind: ['code', 'sub-code', 'controller'].includes(word) ? word : 'variant' };
        return { by, cases: [] };
      }
      case 'call':
        return { chart: word || 'chart', nothingFound: null };
      case 'verdict':
        return { verdict: (verdicts as readonly string[]).includes(word) ? word : 'nothing-found' };
      default:
        return assertNever(kind);
    }
  })();
  const read = ChartNode.safeParse({ ...plain, ...more });
  return read.success ? read.data : null;
}

/** Whether a line's first word names a kind of step. */
export const isHead = (text: string): boolean =>
  (nodeKinds as readonly string[]).includes(text.trim().split(/\s+/)[0] ?? '');

/** What an outline or a Mermaid flowchart shows of a chart. */
export const drawnOf = (chart: Chart): Drawn => ({
  start: chart.start,
  nodes: chart.nodes.map((node) => ({
    id: node.id,
    head: headOf(node),
    title: node.title,
    // what every look may fall back on is the chart's, and is not said at each
    answers: choicesOf(node, {})
      .filter((c) => !c.again)
      .map(({ answer, next }) => ({ answer, next })),
  })),
});

/**
 * A chart from what was drawn. What a drawing does not say (probes, bands, hazards …) stays as it is in `base` for steps
 * of the same id and kind. Steps keep the order they have in `base`; new ones follow the step they were drawn after.
 */
export function assemble(drawn: Drawn, base: Chart): Chart {
  const before = new Map(base.nodes.map((n) => [n.id as string, n]));
  const ids = new Set(drawn.nodes.map((n) => n.id));
  const made = drawn.nodes.flatMap((drawnNode): ChartNode[] => {
    const d = { ...drawnNode, title: plainLabel(drawnNode.title) };
    const was = before.get(d.id);
    const same = was !== undefined && headOf(was) === d.head;
    const fresh = same ? was : nodeFromHead(d.id, d.head, d.title);
    if (!fresh) return [];
    const kept = !same && was ? sharedFields(was) : {};
    const more = d.fields ? ChartNode.safeParse({ ...fresh, ...kept, ...d.fields, title: d.title }) : null;
    const whole: ChartNode = more?.success ? more.data : ({ ...fresh, ...kept, title: d.title } as ChartNode);
    // answers that are not drawn any more are gone; what is drawn is led where it leads
    const drawnAnswers = new Map(d.answers.map((a) => [a.answer, a.next]));
    const emptied = withoutAnswers(whole, drawnAnswers);
    return [
      d.answers.reduce<ChartNode>(
        (node, a) => leadAnswer(node, a.answer, a.next !== null && ids.has(a.next) ? (a.next as NodeId) : null),
        emptied,
      ),
    ];
  });
  const known = new Set<string>(made.map((n) => n.id));
  const whole = (id: NodeId): NodeId | null => (known.has(id) ? id : null);
  const nodes = inOrder(base, made).map((n) => changeTargets(n, whole));
  const { cannotTell, afterRetries, ...rest } = base;
  return {
    ...rest,
    ...(cannotTell && known.has(cannotTell) ? { cannotTell } : {}),
    ...(afterRetries && known.has(afterRetries) ? { afterRetries } : {}),
    start: (known.has(drawn.start) ? drawn.start : (nodes[0]?.id ?? drawn.start)) as NodeId,
    nodes,
  };
}

/** What any kind of step may have: kept when a step becomes another kind. */
export function sharedFields(node: ChartNode): object {
  const { text, hazards, tools, access, ways, minutes, about, pictures, source, standing, retries } = node;
  const may = { text, access, source, standing, retries };
  return {
    hazards,
    tools,
    ways,
    minutes,
    about,
    pictures,
    ...Object.fromEntries(Object.entries(may).filter(([, v]) => v !== undefined)),
  };
}

function withoutAnswers(node: ChartNode, kept: ReadonlyMap<string, unknown>): ChartNode {
  if (node.kind === 'split') return { ...node, cases: node.cases.filter((c) => kept.has(c.is)) };
  if (node.kind === 'ask' || node.kind === 'operate')
    return { ...node, answers: node.answers.filter((a) => kept.has(a.answer)) };
  return node;
}

function inOrder(base: Chart, made: readonly ChartNode[]): ChartNode[] {
  const byId = new Map(made.map((n) => [n.id, n]));
  const known = new Set(base.nodes.map((n) => n.id));
  const placed: ChartNode[] = base.nodes.flatMap((n) => byId.get(n.id) ?? []);
  made.forEach((node, i) => {
    if (known.has(node.id)) return;
    const after = made[i - 1];
    const at = after ? placed.findIndex((n) => n.id === after.id) : -1;
    placed.splice(at + 1, 0, node);
    known.add(node.id);
  });
  return placed;
}

/** A line of text as a label: one line, no control characters, cut where labels end. */
export const plainLabel = (text: string): string =>
  text
    // biome-ignore lint/suspicious/noControlCharactersInRegex: taking them out is the point
    .replace(/[\u0000-\u001f\u007f\u202a-\u202e\u2066-\u2069]+/g, ' ')
    .trim()
    .slice(0, 120) || 'step';

/** An id that is not taken yet, made from words. */
export function freshId(words: string, taken: ReadonlySet<string>): NodeId {
  const slug =
    words
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .split('-')
      .slice(0, 5)
      .join('-')
      .slice(0, 40)
      .replace(/-+$/, '') || 'step';
  return NodeId.parse(freeIn(taken, slug));
}

/** A chart that is only what was drawn, for a family or for all. */
export function chartOf(drawn: Drawn, as: Pick<Chart, 'id' | 'family' | 'title'>): Chart {
  const empty: Chart = {
    kind: 'chart',
    ...as,
    audience: 'technician',
    onlyVariants: [],
    parameters: [],
    roles: [],
    template: false,
    mostVisits: 3,
    source: null,
    standing: 'experimental',
    start: 'nothing-drawn' as NodeId,
    nodes: [],
  };
  return assemble(drawn, empty);
}
