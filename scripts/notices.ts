import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { z } from 'zod';

const root = fileURLToPath(new URL('..', import.meta.url));
const Lock = z.object({
  packages: z.record(
    z.string(),
    z.object({
      version: z.string().optional(),
      license: z.string().optional(),
      link: z.boolean().optional(),
      dependencies: z.record(z.string(), z.string()).optional(),
      peerDependencies: z.record(z.string(), z.string()).optional(),
    }),
  ),
});

/** Where a package that another one asks for is installed, looked for as Node looks for it. */
function placeOf(name: string, from: string, known: ReadonlySet<string>): string | null {
  for (let at = from; ; at = at.includes('/node_modules/') ? at.slice(0, at.lastIndexOf('/node_modules/')) : '') {
    const place = at === '' ? `node_modules/${name}` : `${at}/node_modules/${name}`;
    if (known.has(place)) return place;
    if (at === '') return null;
  }
}

/** Every package that reaches the browser, by where it is installed. */
function shipped(): Array<Readonly<{ place: string; name: string; version: string; license: string }>> {
  const { packages } = Lock.parse(JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8')));
  const known = new Set(Object.keys(packages));
  const found = new Map<string, Readonly<{ place: string; name: string; version: string; license: string }>>();
  const visit = (from: string): void => {
    const own = packages[from];
    for (const name of Object.keys({ ...own?.dependencies, ...own?.peerDependencies })) {
      const place = placeOf(name, from, known);
      const it = place === null ? undefined : packages[place];
      if (place === null || !it || found.has(place) || name.startsWith('@types/')) continue;
      if (name.startsWith('@wire-trail/')) {
        visit(name.slice('@wire-trail/'.length));
        continue;
      }
      found.set(place, { place, name, version: it.version ?? '', license: it.license ?? 'see its text' });
      visit(place);
    }
  };
  visit('web');
  return [...found.values()].sort((a, b) => (a.name < b.name ? -1 : 1));
}

function textOf(place: string): string {
  const folder = join(root, place);
  const file = existsSync(folder)
    ? readdirSync(folder).find((f) => /^(licen[cs]e|copying)(\.(md|txt))?$/i.test(f))
    : undefined;
  return file ? readFileSync(join(folder, file), 'utf8').replaceAll('\r\n', '\n').trim() : '';
}

/** The notices of everything that ships with the built application, each licence's text once. */
export function notices(): string {
  const byText = new Map<string, string[]>();
  for (const { place, name, version, license } of shipped()) {
    const text = textOf(place) || `${license} (its package holds no text)`;
    byText.set(text, [...(byText.get(text) ?? []), `${name} ${version} (${license})`]);
  }
  const parts = [...byText].map(
    ([text, names]) => `${'='.repeat(80)}\n${names.join('\n')}\n${'-'.repeat(80)}\n${text}\n`,
  );
  return ['Wire Trail ships with the work of others. What each is licensed under, and their notices:\n', ...parts].join(
    '\n',
  );
}
