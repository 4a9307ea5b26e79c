import { assertNever } from '../base/result.ts';
import type { Chart } from '../model/chart.ts';
import { assemble, type Drawn, type DrawnAnswer, drawnOf, freshId, isHead } from './drawn.ts';

/** One line of a chart's outline. A step that stands elsewhere is named by a link, never twice. */
export type OutlineRow =
  | Readonly<{ kind: 'step'; depth: number; node: string; from: Readonly<{ node: string; answer: string }> | null }>
  | Readonly<{ kind: 'answer'; depth: number; node: string; answer: string; to: string | null; link: boolean }>
  | Readonly<{ kind: 'link'; depth: number; node: string; answer: string; to: string }>
  /** Steps nothing leads to begin here. */
  | Readonly<{ kind: 'apart'; depth: 0 }>;

/** Kinds with one way on: what follows stands below them, not under an answer. */
const goesOn = (head: string): boolean => ['act', 'wait', 'set'].includes(head.split(' ')[0] ?? '');

/** The outline of what was drawn, line by line, beginning at its start; every step stands in it once. */
export function outlineRows(drawn: Drawn): OutlineRow[] {
  const byId = new Map(drawn.nodes.map((n) => [n.id, n]));
  const stands = new Set<string>();
  const rows: OutlineRow[] = [];
  type Task = { id: string; depth: number; from: { node: string; answer: string } | null } | { row: OutlineRow };
  const write = (first: string): void => {
    const tasks: Task[] = [{ id: first, depth: 0, from: null }];
    for (let task = tasks.pop(); task; task = tasks.pop()) {
      if ('row' in task) {
        const { row } = task;
        // whether it stands elsewhere is known only now
        if (row.kind === 'answer' && row.to !== null && !stands.has(row.to)) {
          rows.push({ ...row, link: false });
          tasks.push({ id: row.to, depth: row.depth + 1, from: { node: row.node, answer: row.answer } });
        } else rows.push(row);
        continue;
      }
      const node = byId.get(task.id);
      if (!node) continue;
      if (stands.has(node.id)) {
        if (task.from) rows.push({ kind: 'link', depth: task.depth, ...task.from, to: node.id });
        continue;
      }
      stands.add(node.id);
      rows.push({ kind: 'step', depth: task.depth, node: node.id, from: task.from });
      if (goesOn(node.head)) {
        const [answer] = node.answers;
        if (answer?.next)
          tasks.push({ id: answer.next, depth: task.depth, from: { node: node.id, answer: answer.answer } });
      } else
        for (const a of [...node.answers].reverse())
          tasks.push({
            row: {
              kind: 'answer',
              depth: task.depth + 1,
              node: node.id,
              answer: a.answer,
              to: a.next !== null && byId.has(a.next) ? a.next : null,
              link: a.next !== null && byId.has(a.next),
            },
          });
    }
  };
  write(drawn.start);
  for (const node of drawn.nodes) {
    if (stands.has(node.id)) continue;
    rows.push({ kind: 'apart', depth: 0 });
    write(node.id);
  }
  return rows;
}

/** An answer that ends like a link is told from one by the sign for "leads nowhere yet". */
const looksLinked = (answer: string): boolean => / >( [a-z0-9-]+)?$/.test(answer);

/** A chart as an outline: steps as `id kind: title`, their answers indented below, `> id` for a step that stands elsewhere. */
export function printOutline(chart: Chart): string {
  const drawn = drawnOf(chart);
  const byId = new Map(drawn.nodes.map((n) => [n.id, n]));
  return outlineRows(drawn)
    .map((row): string => {
      const indent = '  '.repeat(row.depth);
      switch (row.kind) {
        case 'apart':
          return '--';
        case 'step': {
          const node = byId.get(row.node);
          return `${indent}${row.node} ${node?.head}: ${node?.title}`;
        }
        case 'link':
          return `${indent}> ${row.to}`;
        case 'answer':
          return `${indent}- ${row.answer}${row.link ? ` > ${row.to}` : looksLinked(row.answer) ? ' >' : ''}`;
        default:
          return assertNever(row);
      }
    })
    .join('\n');
}

export type OutlineProblem = Readonly<{
  line: number;
  code:
    | 'no-step'
    | 'answer-of-nothing'
    | 'nothing-leads-here'
    | 'link-to-nothing'
    | 'step-twice'
    | 'too-many-steps'
    | 'nothing-there';
  text: string;
}>;

export const mostNodes = 2000;

type Level = {
  depth: number;
  node: { id: string; head: string; title: string; answers: DrawnAnswer[] };
  answer: string | null;
};

/** `id kind …: title`, or `kind …: title` for a step without an id yet; null for a line that is neither. */
export function stepLine(line: string): { id: string | null; head: string; title: string } | null {
  const colon = line.indexOf(':');
  if (colon < 0) return null;
  const before = line.slice(0, colon).trim();
  const title = line.slice(colon + 1).trim();
  const [id = '', ...rest] = before.split(/\s+/);
  const head = rest.join(' ');
  // an id may be the name of a kind; then the kind stands after it
  if (isHead(head) && /^[a-z0-9][a-z0-9-]*$/.test(id)) return { id, head, title };
  return isHead(before) ? { id: null, head: before, title } : null;
}

/** Reads an outline as `printOutline` writes it; steps without an id get one from their title. Every problem has its line. */
export function readOutline(text: string): { drawn: Drawn; problems: OutlineProblem[] } {
  const problems: OutlineProblem[] = [];
  const nodes: Level['node'][] = [];
  const taken = new Set<string>();
  const levels: Level[] = [];
  const links: Array<{ line: number; to: string }> = [];
  const lines = text.split(/\r?\n/);
  for (const line of lines) {
    const step = stepLine(line.trim());
    if (step?.id) taken.add(step.id);
  }
  const seen = new Set<string>();
  let apart = true;

  /** Leads what stands above, at this depth, to a step; whether there was anything to lead. */
  const lead = (depth: number, to: string): boolean => {
    while ((levels.at(-1)?.depth ?? -1) > depth) levels.pop();
    const above = levels.at(-1);
    if (!above || apart) return apart;
    if (above.answer === null) {
      if (!goesOn(above.node.head) || above.depth !== depth || above.node.answers.length > 0) return false;
      above.node.answers.push({ answer: 'done', next: to });
      return true;
    }
    const at = above.node.answers.findIndex((a) => a.answer === above.answer);
    if (above.node.answers[at]?.next !== null) return false;
    above.node.answers[at] = { answer: above.answer, next: to };
    return true;
  };

  lines.forEach((raw, i) => {
    const line = i + 1;
    const said = raw.trim();
    if (said === '') return;
    const depth = Math.floor((raw.length - raw.trimStart().length) / 2);
    if (said === '--') {
      apart = true;
      levels.length = 0;
      return;
    }
    if (said.startsWith('> ')) {
      const to = said.slice(2).trim();
      if (!lead(depth, to)) problems.push({ line, code: 'nothing-leads-here', text: to });
      links.push({ line, to });
      return;
    }
    if (said.startsWith('- ')) {
      while ((levels.at(-1)?.depth ?? -1) >= depth) levels.pop();
      const above = levels.findLast((l) => l.answer === null && l.depth === depth - 1);
      const [, answer = said.slice(2), to] = /^(.*) >(?: ([a-z0-9-]+))?$/.exec(said.slice(2)) ?? [];
      if (!above) {
        problems.push({ line, code: 'answer-of-nothing', text: answer });
        return;
      }
      above.node.answers.push({ answer, next: to ?? null });
      if (to) links.push({ line, to });
      levels.push({ depth, node: above.node, answer });
      return;
    }
    const step = stepLine(said);
    if (!step) {
      problems.push({ line, code: 'no-step', text: said });
      return;
    }
    if (step.id !== null && seen.has(step.id)) {
      problems.push({ line, code: 'step-twice', text: step.id });
      return;
    }
    const id = step.id ?? freshId(step.title, taken);
    taken.add(id);
    seen.add(id);
    if (!lead(depth, id)) problems.push({ line, code: 'nothing-leads-here', text: step.title });
    while ((levels.at(-1)?.depth ?? -1) >= depth) levels.pop();
    apart = false;
    const node = { id, head: step.head, title: step.title || id, answers: [] };
    nodes.push(node);
    levels.push({ depth, node, answer: null });
  });
  for (const { line, to } of links) if (!seen.has(to)) problems.push({ line, code: 'link-to-nothing', text: to });
  if (nodes.length === 0) problems.push({ line: 1, code: 'nothing-there', text: '' });
  if (nodes.length > mostNodes) problems.push({ line: 1, code: 'too-many-steps', text: String(nodes.length) });
  return { drawn: { start: nodes[0]?.id ?? '', nodes }, problems };
}

/** A chart changed to what an outline says; what the outline does not say stays as it is in `base`. */
export function parseOutline(text: string, base: Chart): { chart: Chart; problems: OutlineProblem[] } {
  const { drawn, problems } = readOutline(text);
  return {
    chart: problems.some((p) => p.code === 'too-many-steps' || p.code === 'nothing-there')
      ? base
      : assemble(drawn, base),
    problems,
  };
}
