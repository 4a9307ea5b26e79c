import { readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import type { Row } from './row.ts';

const dist = new URL('../../web/dist/', import.meta.url);
const read = (path: string): string => readFileSync(new URL(path, dist), 'utf8');

/** Every script that the page loads before a technician's start page stands: what it names, and what those import. */
export function benchWeb(): Row[] {
  const all = new Set(readdirSync(new URL('assets/', dist)).filter((name) => name.endsWith('.js')));
  const needed = new Set<string>();
  const visit = (name: string): void => {
    if (!all.has(name) || needed.has(name)) return;
    needed.add(name);
    // static imports only: `import("…")` comes later, when a page is opened
    for (const [, imported] of read(`assets/${name}`).matchAll(/(?:from|import)\s*["']\.\/([\w.-]+\.js)["']/g))
      visit(imported ?? '');
  };
  for (const [, name] of read('index.html').matchAll(/assets\/([\w.-]+\.js)/g)) visit(name ?? '');
  const bytes = [...needed].reduce((sum, name) => sum + gzipSync(read(`assets/${name}`), { level: 6 }).length, 0);
  const value = Math.round(bytes / 100) / 10;
  return [{ name: 'web.firstLoadKB', value, unit: 'kB', aim: '≤ 250', met: value <= 250 }];
}
