import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

export type Arrow = Readonly<{ from: string; to: string; names: readonly string[] }>;

const statement =
  /(?:^|\n)\s*(?:import|export)\s+(?:type\s+)?([^'";]*?)\s*from\s*'([^']+)'|(?:^|\n)import\s+'([^']+)'|\bimport\(\s*'([^']+)'\s*\)|new URL\('(\.[^']+)', import\.meta\.url\)/g;

const namesIn = (clause: string): string[] =>
  [...(/\{([^}]*)\}/.exec(clause)?.[1] ?? '').split(',')]
    .map(
      (name) =>
        name
          .trim()
          .replace(/^type\s+/, '')
          .split(/\s+as\s+/)[0] ?? '',
    )
    .filter(Boolean);

/** What one file uses, types included: other files by their path from the root of the checkout, packages by name. */
export function arrowsOf(file: string, text: string): Arrow[] {
  return [...text.matchAll(statement)].map((m) => {
    const spec = (m[2] ?? m[3] ?? m[4] ?? m[5] ?? '').replace(/\?.*$/, '');
    return { from: file, to: spec.startsWith('.') ? join(dirname(file), spec) : spec, names: namesIn(m[1] ?? '') };
  });
}

/** Every file of source below some folders, by its path from the root of the checkout. */
export function sourceFiles(root: string, folders: readonly string[]): Map<string, string> {
  const files = new Map<string, string>();
  for (const folder of folders)
    for (const entry of readdirSync(join(root, folder), { recursive: true, withFileTypes: true })) {
      if (!entry.isFile() || !/\.(tsx?|mjs)$/.test(entry.name)) continue;
      const path = join(entry.parentPath, entry.name);
      if (path.includes('node_modules') || path.includes('/dist/')) continue;
      files.set(path.slice(root.length).replace(/^\//, ''), readFileSync(path, 'utf8'));
    }
  return files;
}

export const isTest = (file: string): boolean => /\.(test|spec)\.tsx?$/.test(file);

/** Circles in a graph: each a set of points that lead to one another (after Tarjan). */
export function circlesOf(graph: ReadonlyMap<string, ReadonlySet<string>>): string[][] {
  const index = new Map<string, number>();
  const low = new Map<string, number>();
  const stack: string[] = [];
  const found: string[][] = [];
  const visit = (point: string): void => {
    index.set(point, index.size);
    low.set(point, index.get(point) ?? 0);
    stack.push(point);
    for (const next of graph.get(point) ?? []) {
      if (!graph.has(next)) continue;
      if (!index.has(next)) visit(next);
      if (stack.includes(next)) low.set(point, Math.min(low.get(point) ?? 0, low.get(next) ?? 0));
    }
    if (low.get(point) !== index.get(point)) return;
    const circle = stack.splice(stack.indexOf(point));
    if (circle.length > 1 || graph.get(point)?.has(point)) found.push(circle.sort());
  };
  for (const point of graph.keys()) if (!index.has(point)) visit(point);
  return found;
}

/** Arrows as a graph of whatever a file counts as; null leaves it out. */
export function graphOf(arrows: readonly Arrow[], as: (file: string) => string | null): Map<string, Set<string>> {
  const graph = new Map<string, Set<string>>();
  for (const { from, to } of arrows) {
    const [a, b] = [as(from), as(to)];
    if (a === null) continue;
    const out = graph.get(a) ?? new Set();
    graph.set(a, out);
    if (b !== null && (a !== b || from === to)) out.add(b);
  }
  return graph;
}
