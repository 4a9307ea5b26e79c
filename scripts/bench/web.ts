import { readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import type { Row } from './row.ts';

const dist = new URL('../../web/dist/', import.meta.url);
const read = (path: string): string => readFileSync(new URL(path, dist), 'utf8');

const packed = (name: string): number => gzipSync(readFileSync(new URL(name, dist)), { level: 6 }).length;

/** Everything the service worker fetches ahead, by the list it was built with. */
function keptAhead(): number {
  const urls = new Set([...read('sw.js').matchAll(/url:\s*"([^"]+)"/g)].map(([, url]) => url ?? ''));
  return [...urls].reduce((sum, url) => sum + packed(url), 0);
}

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
  const bytes = [...needed].reduce((sum, name) => sum + packed(`assets/${name}`), 0);
  const value = Math.round(bytes / 100) / 10;
  const offline = Math.round(keptAhead() / 10_000) / 100;
  return [
    { name: 'web.firstLoadKB', value, unit: 'kB', aim: '≤ 300', met: value <= 300 },
    { name: 'web.offlineMB', value: offline, unit: 'MB', aim: '≤ 1.5', met: offline > 0 && offline <= 1.5 },
  ];
}
