import { type Chart, ChartNode } from '../model/chart.ts';
import { cannotTell } from './choices.ts';
import { assemble, type Drawn, type DrawnAnswer, type DrawnNode, drawnOf, freshId, isHead } from './drawn.ts';
import { mostNodes } from './outline.ts';

/** Words a Mermaid id must not be. */
const reserved = new Set([
  'end',
  'graph',
  'flowchart',
  'subgraph',
  'style',
  'class',
  'click',
  'default',
  'classdef',
  'direction',
]);
const idOut = (id: string): string => (reserved.has(id) ? `${id}__` : id.replaceAll('-', '_'));
const quoted = (text: string): string => `"${text.replaceAll('#', '#35;').replaceAll('"', '#quot;')}"`;
const unquoted = (text: string): string =>
  text
    .replace(/^"([\s\S]*)"$/, '$1')
    .replace(/<br\s*\/?>/gi, ' ')
    .replace(/#quot;/g, '"')
    .replace(/#(\d+);/g, (_, n: string) => String.fromCodePoint(Math.min(Number(n), 0x10ffff)));

/** How each kind is drawn: what opens and closes its text. */
const shapes: Readonly<Record<string, readonly [string, string]>> = {
  look: ['{', '}'],
  ask: ['{', '}'],
  split: ['{{', '}}'],
  measure: ['[/', '/]'],
  compare: ['[/', '\\]'],
  operate: ['[\\', '\\]'],
  remedies: ['[/', '\\]'],
  act: ['[', ']'],
  set: ['[', ']'],
  wait: ['(', ')'],
  call: ['[[', ']]'],
  verdict: ['([', '])'],
};

/**
 * A chart as a Mermaid flowchart. The head of each step stands in a comment, and with `details` everything else of it
 * too, so that reading it back gives the same chart.
 */
export function printMermaid(chart: Chart, { details = true }: { details?: boolean } = {}): string {
  const drawn = drawnOf(chart);
  const byId = new Map(chart.nodes.map((n) => [n.id as string, n]));
  const lines = ['flowchart TD'];
  const edges: string[] = [];
  const first = drawn.nodes.find((n) => n.id === drawn.start);
  for (const node of [...(first ? [first] : []), ...drawn.nodes.filter((n) => n !== first)]) {
    const [open, close] = shapes[node.head.split(' ')[0] ?? ''] ?? ['[', ']'];
    lines.push(`  ${idOut(node.id)}${open}${quoted(node.title)}${close}`);
    lines.push(`  %% ${node.id} is ${node.head}`);
    if (details) lines.push(`  %% ${node.id} has ${JSON.stringify(byId.get(node.id))}`);
    node.answers.forEach((a, i) => {
      const to = a.next === null ? `${idOut(node.id)}_open_${i}(("open")):::open` : idOut(a.next);
      edges.push(`  ${idOut(node.id)} -->|${quoted(a.answer)}| ${to}`);
    });
  }
  return [...lines, ...edges].join('\n');
}

export type MermaidProblem = Readonly<{
  line: number;
  code: 'other-diagram' | 'no-flowchart' | 'line-unread' | 'too-many-steps' | 'nothing-there';
  text: string;
}>;

const otherDiagrams =
  /^(sequenceDiagram|classDiagram|stateDiagram(-v2)?|erDiagram|journey|gantt|pie|quadrantChart|requirementDiagram|gitGraph|mindmap|timeline|sankey(-beta)?|xychart(-beta)?|block(-beta)?|packet(-beta)?|kanban|architecture(-beta)?|zenuml|C4\w+)\b/;

type Vertex = { id: string; title: string | null; shape: string | null; isOpen: boolean };
type Edge = { from: string; to: string; label: string };

/** A vertex at the start of what is left of a line: id, shape and text, and what follows it. */
function readVertex(text: string): { vertex: Vertex; rest: string } | null {
  const [, id, after] =
    /^([A-Za-z0-9_][A-Za-z0-9_.-]*?)(?=\s|$|[[({>]|:::|--|==|-\.|~~~|&|;)([\s\S]*)$/.exec(text) ?? [];
  if (id === undefined || after === undefined) return null;
  let rest = after;
  let title: string | null = null;
  let shape: string | null = null;
  const opens = ['([', '[[', '[(', '[/', '[\\', '((', '{{', '[', '(', '{', '>'];
  const open = opens.find((o) => rest.startsWith(o));
  if (open) {
    const quote = rest.slice(open.length).startsWith('"');
    const closer = quote
      ? rest.indexOf('"', open.length + 1) + 1
      : rest.slice(open.length).search(/[\])}]/) + open.length;
    if (closer < open.length) return null;
    title = unquoted(
      rest
        .slice(open.length, closer)
        .replace(/[/\\]$/, '')
        .trim(),
    );
    rest = rest.slice(closer).replace(/^[/\\]?[\])}]{1,2}/, '');
    shape = open;
  }
  const styled = /^:::([\w-]+)/.exec(rest);
  if (styled) rest = rest.slice(styled[0].length);
  return { vertex: { id, title, shape, isOpen: styled?.[1] === 'open' }, rest: rest.trimStart() };
}

/** An arrow at the start of what is left of a line, with its label. */
function readArrow(text: string): { label: string; rest: string } | null {
  const piped = /^(?:<?(?:-{2,}|={2,}|-\.+-?)[>xo]?)\s*\|("[^"]*"|[^|]*)\|\s*/.exec(text);
  if (piped) return { label: unquoted((piped[1] ?? '').trim()), rest: text.slice(piped[0].length) };
  const worded = /^(?:--|==|-\.)\s+("[^"]*"|[^-=>|][^>|]*?)\s+(?:-{2,}|={2,}|\.-)[>xo]?\s*/.exec(text);
  if (worded) return { label: unquoted((worded[1] ?? '').trim()), rest: text.slice(worded[0].length) };
  const bare = /^<?(?:-{2,}|={2,}|-\.+-)[>xo]?\s*/.exec(text);
  return bare && bare[0].length > 0 ? { label: '', rest: text.slice(bare[0].length) } : null;
}

/** The statements of a line: vertices joined by `&` and arrows. Null where it is none. */
function readLine(line: string): { vertices: Vertex[]; edges: Edge[] } | null {
  const vertices: Vertex[] = [];
  const edges: Edge[] = [];
  let rest = line.replace(/;\s*$/, '').trim();
  let from: Vertex[] = [];
  let label = '';
  while (rest !== '') {
    const group: Vertex[] = [];
    for (;;) {
      const read = readVertex(rest);
      if (!read) return null;
      group.push(read.vertex);
      rest = read.rest;
      if (!rest.startsWith('&')) break;
      rest = rest.slice(1).trimStart();
    }
    vertices.push(...group);
    for (const a of from) for (const b of group) edges.push({ from: a.id, to: b.id, label });
    if (rest === '') return { vertices, edges };
    const arrow = readArrow(rest);
    if (!arrow || arrow.rest === '') return null;
    from = group;
    label = arrow.label;
    rest = arrow.rest;
  }
  return vertices.length > 0 ? { vertices, edges } : null;
}

/** What a foreign step probably is, by its shape and what leaves it. */
function guessHead(shape: string | null, answers: readonly string[], title: string): string {
  if (answers.length === 0)
    return /\b(hand|call|send|support)\b/i.test(title) ? 'verdict hand-on' : 'verdict cause-found';
  const said = answers.map((a) => a.toLowerCase());
  const isYesNo = said.every((a) => ['yes', 'no', cannotTell].includes(a)) && answers.length > 1;
  if (isYesNo) return 'look';
  if (answers.length > 1 || shape === '{' || shape === '{{') return 'ask';
  return /\breplace|\bnew\b/i.test(title) ? 'act replace' : /\bclean/i.test(title) ? 'act clean' : 'act adjust';
}

/** Reads a Mermaid flowchart. Styling, groups and directions are passed over; any other kind of diagram is refused by name. */
export function readMermaid(text: string): { drawn: Drawn; problems: MermaidProblem[] } {
  const problems: MermaidProblem[] = [];
  const vertices = new Map<string, Vertex>();
  const edges: Edge[] = [];
  const heads = new Map<string, string>();
  const details = new Map<string, ChartNode>();
  const names = new Map<string, string>();
  const empty = { start: '', nodes: [] };
  let begun = false;
  let front: 'before' | 'in' | 'after' = 'before';
  for (const [i, raw] of text.split(/\r?\n/).entries()) {
    const line = raw.trim();
    if (line === '') continue;
    if (line === '---' && front !== 'after') {
      front = front === 'before' ? 'in' : 'after';
      continue;
    }
    if (front === 'in') continue;
    front = 'after';
    const comment = /^%%\s*([a-z0-9-]+) (is|has) (.*)$/.exec(line);
    if (comment) {
      const [, id = '', sort, rest = ''] = comment;
      names.set(idOut(id), id);
      if (sort === 'is' && isHead(rest)) heads.set(id, rest);
      if (sort === 'has') readDetails(rest, (node) => details.set(id, node));
      continue;
    }
    if (line.startsWith('%%')) continue;
    const other = otherDiagrams.exec(line);
    if (!begun && other)
      return { drawn: empty, problems: [{ line: i + 1, code: 'other-diagram', text: other[1] ?? '' }] };
    if (!begun && /^(flowchart|graph)\b/.test(line)) {
      begun = true;
      continue;
    }
    if (!begun) return { drawn: empty, problems: [{ line: i + 1, code: 'no-flowchart', text: line.slice(0, 60) }] };
    if (/^(subgraph|end|style|classDef|class|linkStyle|click|direction|accTitle|accDescr)\b/.test(line)) continue;
    const read = readLine(line);
    if (!read) {
      problems.push({ line: i + 1, code: 'line-unread', text: line.slice(0, 80) });
      continue;
    }
    for (const v of read.vertices) {
      const known = vertices.get(v.id);
      vertices.set(v.id, known ? { ...known, title: v.title ?? known.title, shape: v.shape ?? known.shape } : v);
    }
    edges.push(...read.edges);
  }
  const real = [...vertices.values()].filter((v) => !v.isOpen);
  if (real.length === 0) problems.push({ line: 1, code: 'nothing-there', text: '' });
  if (real.length > mostNodes) problems.push({ line: 1, code: 'too-many-steps', text: String(real.length) });
  const taken = new Set<string>(names.values());
  const idOf = new Map<string, string>();
  for (const v of real) {
    const id = names.get(v.id) ?? freshId(v.id, taken);
    taken.add(id);
    idOf.set(v.id, id);
  }
  const nodes = real.map((v): DrawnNode => {
    const id = idOf.get(v.id) ?? v.id;
    const out = edges.filter((e) => e.from === v.id);
    const head =
      heads.get(id) ??
      guessHead(
        v.shape,
        out.map((e) => e.label),
        v.title ?? v.id,
      );
    const single = ['act', 'wait', 'set'].includes(head.split(' ')[0] ?? '');
    const detail = details.get(id);
    return {
      id,
      head,
      title: (v.title ?? v.id).slice(0, 120),
      answers: out.map((e, i): DrawnAnswer => {
        const said = e.label || (single ? 'done' : head === 'look' ? (i === 0 ? 'yes' : 'no') : `way ${i + 1}`);
        return { answer: head === 'look' ? said.toLowerCase() : said, next: idOf.get(e.to) ?? null };
      }),
      ...(detail ? { fields: { ...detail } } : {}),
    };
  });
  return { drawn: { start: nodes[0]?.id ?? '', nodes }, problems };
}

function readDetails(json: string, keep: (node: ChartNode) => void): void {
  try {
    const read = ChartNode.safeParse(JSON.parse(json));
    if (read.success) keep(read.data);
  } catch {
    // a comment that is no longer what was written: the drawing itself still counts
  }
}

/** A chart changed to what a Mermaid flowchart says; what that does not say stays as it is in `base`. */
export function parseMermaid(text: string, base: Chart): { chart: Chart; problems: MermaidProblem[] } {
  const { drawn, problems } = readMermaid(text);
  const isWhole = drawn.nodes.length > 0 && drawn.nodes.length <= mostNodes;
  return { chart: isWhole ? assemble(drawn, base) : base, problems };
}
